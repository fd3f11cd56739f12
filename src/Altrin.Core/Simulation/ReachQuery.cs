using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>Whether packets for one address of one interface arrive there, and the answers return (section 3, rule 4).</summary>
/// <remarks>The way only ever climbs: out of LAN sides through WANs towards the line. So its cost is the depth of the
/// sender. A race met on the way is settled for all its contenders together, as the ways to the internet are: what may arrive and what is
/// sure to are two least fixed points, so that it does not matter which contender is looked at first.</remarks>
internal sealed class ReachQuery(Delivery delivery, Climb climb, Interface target, Candidate targetAs)
{
    public ReachProblem Why { get; private set; }

    private Ipv4Address Destination => targetAs.Address!.Value.Address;

    public Ends From(Interface sender, Candidate from)
    {
        if (delivery.IsLooped(target)) return Fail(ReachProblem.Loop);
        var soFar = Ends.Yes;
        // A circle of routers would forward for ever; more hops than interfaces is a circle.
        for (var hops = 0; hops <= delivery.Table.All.Count; hops++)
        {
            if (AtOnce(sender, from) is { } end) return soFar.And(end);
            if (climb.Gateways(sender, from).Single is not { } only) return soFar.And(Race(sender, from));
            var back = Ends.Yes;
            if (Through(only, sender, from, ref back, out var wan) is { } ended) return soFar.And(ended);
            soFar = soFar.And(back);
            if (wan!.Candidates.Length > 1) return soFar.And(Race(wan));
            (sender, from) = (wan, wan.Candidates[0]);
        }
        return Fail(ReachProblem.NoWayOut);
    }

    /// <summary>What comes of it without any gateway; null when it goes to one.</summary>
    private Ends? AtOnce(Interface sender, Candidate from)
    {
        if (climb.WhyNotFrom(sender, from) is var blocked and not ReachProblem.None) return Fail(blocked);
        var own = from.Address!.Value;
        if (own.Prefix.Contains(Destination)) return Deliver(sender.LinkAs(from), own.Prefix, sender, from);
        return climb.Gateways(sender, from).IsEmpty ? Fail(ReachProblem.NoGateway) : null;
    }

    /// <summary>One thing that chance may pick: an end, or with <paramref name="Count"/> more than 0 the stretches of the next WAN.</summary>
    private readonly record struct Branch(int From, Ends Ends, int First, int Count);

    private Ends Race(Interface wan) => Race([.. wan.Candidates.Select(held => (wan, held))]);
    private Ends Race(Interface sender, Candidate from) => Race([(sender, from)]);

    /// <param name="stretches">Those to begin with; every other that chance may lead to is added as it is met.</param>
    private Ends Race(List<(Interface At, Candidate Held)> stretches)
    {
        var (begin, branches, firstOf) = (stretches.Count, new List<Branch>(), new Dictionary<int, int>());
        if (begin == stretches[0].At.Candidates.Length) firstOf[stretches[0].At.Index] = 0;
        for (var i = 0; i < stretches.Count; i++)
        {
            var (at, held) = stretches[i];
            if (AtOnce(at, held) is { } end)
            {
                branches.Add(new(i, end, 0, 0));
                continue;
            }
            foreach (var gateway in climb.Gateways(at, held))
            {
                var back = Ends.Yes;
                if (Through(gateway, at, held, ref back, out var wan) is { } ended) branches.Add(new(i, back.And(ended), 0, 0));
                else
                {
                    if (!firstOf.TryGetValue(wan!.Index, out var first))
                    {
                        firstOf[wan.Index] = first = stretches.Count;
                        foreach (var next in wan.Candidates) stretches.Add((wan, next));
                    }
                    branches.Add(new(i, back, first, wan.Candidates.Length));
                }
            }
        }
        var (may, sure) = (new bool[stretches.Count], new bool[stretches.Count]);
        // From the far end backwards: one round settles what goes in no circle, and another finds nothing new.
        for (var changed = true; changed;)
        {
            changed = false;
            for (var b = branches.Count - 1; b >= 0; b--)
                if (!may[branches[b].From] && (branches[b].Ends & Ends.Yes) != 0 && (branches[b].Count == 0 || Leads(branches[b], may, any: true)))
                    may[branches[b].From] = changed = true;
            for (var b = branches.Count - 1; b >= 0;)
            {
                var (from, all) = (branches[b].From, true);
                for (; b >= 0 && branches[b].From == from; b--)
                    all &= branches[b].Ends == Ends.Yes && (branches[b].Count == 0 || Leads(branches[b], sure, any: false));
                if (all && !sure[from]) sure[from] = changed = true;
            }
        }
        var ends = Ends.None;
        for (var i = 0; i < begin; i++) ends |= (may[i] ? Ends.Yes : Ends.None) | (sure[i] ? Ends.None : Ends.No);
        if (ends != Ends.Yes) Fail(ReachProblem.NoWayOut);
        return ends;

        static bool Leads(Branch branch, bool[] known, bool any)
        {
            for (var i = branch.First; i < branch.First + branch.Count; i++)
                if (known[i] == any) return any;
            return !any;
        }
    }

    /// <summary>What the gateway does with the packet; null when it goes on, translated, out of its WAN.</summary>
    private Ends? Through(Interface gateway, Interface sender, Candidate from, ref Ends soFar, out Interface? wan)
    {
        wan = null;
        if (!gateway.Routes) return Fail(ReachProblem.NoGateway);
        var side = gateway.Address!.Value.Prefix;
        if (side.Contains(Destination)) return Deliver(gateway.Link, side, sender, from);
        // Guests are let out, and to nothing that is at home in a house.
        if (gateway.Kind == InterfaceKind.Guest && AddressRanges.DiesAtTheLine(Destination)) return Fail(ReachProblem.GuestsApart);
        if (gateway.Kind == InterfaceKind.Provider) return Fail(ReachProblem.BehindNat);
        var crossing = climb.Cross(gateway, sender, from);
        if (!crossing.GoesOn) return Fail(crossing.Why);
        soFar = soFar.And(crossing.Back);
        wan = crossing.Wan;
        return null;
    }

    private Ends Deliver(int link, Prefix by, Interface sender, Candidate from)
    {
        var found = delivery.Finds(link, by, Destination, target);
        if (found == Ends.No)
            return Fail(delivery.HoldersOf(link, Destination).IsEmpty ? ReachProblem.NobodyThere : ReachProblem.HeldByAnother);
        var ends = found.And(Answer(sender, from));
        if (ends == Ends.No) Fail(ReachProblem.NoWayBack);
        else if (ends == Ends.Either) Why = ReachProblem.HeldByAnother;
        return ends;
    }

    /// <summary>The target's answer to the source it saw: by its own prefix, or through its gateway's LAN side.</summary>
    private Ends Answer(Interface sender, Candidate from)
    {
        var (own, source) = (targetAs.Address!.Value, from.Address!.Value.Address);
        if (own.Prefix.Contains(source)) return delivery.Finds(target.Link, own.Prefix, source, sender);
        if (targetAs.Gateway is not { } gateway || !own.Prefix.Contains(gateway)) return Ends.No;
        var ends = Ends.None;
        foreach (var holder in delivery.HoldersOf(target.Link, gateway))
        {
            // Out of the gateway's WAN the answer would wear another source, and nobody waits for that.
            ends |= holder.Routes && holder.Address!.Value.Prefix is var side && side.Contains(source)
                ? delivery.Finds(holder.Link, side, source, sender)
                : Ends.No;
        }
        return ends == Ends.None ? Ends.No : ends;
    }

    private Ends Fail(ReachProblem why)
    {
        if (Why == ReachProblem.None) Why = why;
        return Ends.No;
    }
}
