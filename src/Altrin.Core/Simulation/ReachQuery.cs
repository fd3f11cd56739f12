using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>Whether packets for one address of one interface arrive there, and the answers return (section 3, rule 4).</summary>
/// <remarks>The way only ever climbs: out of LAN sides through WANs towards the line. So its cost is the depth of the
/// sender, and a race met on the way is settled once for each contender.</remarks>
internal sealed class ReachQuery(Delivery delivery, Interface target, Candidate targetAs)
{
    private readonly Dictionary<(int Interface, Candidate From), Ends> settled = [];

    public ReachProblem Why { get; private set; }

    private Ipv4Address Destination => targetAs.Address!.Value.Address;

    public Ends From(Interface sender, Candidate from)
    {
        if (delivery.IsLooped(target)) return Fail(ReachProblem.Loop);
        return Send(sender, from);
    }

    private Ends Send(Interface sender, Candidate from)
    {
        var soFar = Ends.Yes;
        // A circle of routers would forward for ever; more hops than interfaces is a circle.
        for (var hops = 0; hops <= delivery.Table.All.Count; hops++)
        {
            if (from.Address is not { } own) return Fail(ReachProblem.NoAddress);
            if (delivery.IsLooped(sender)) return Fail(ReachProblem.Loop);
            if (own.Prefix.Contains(Destination)) return soFar.And(Deliver(sender.LinkAs(from), own.Prefix, sender, from));
            if (from.Gateway is not { } gateway || !own.Prefix.Contains(gateway)) return Fail(ReachProblem.NoGateway);
            var holders = delivery.HoldersOf(sender.LinkAs(from), gateway);
            if (holders.Single is { } only)
            {
                if (Through(only, sender, from, ref soFar) is { } end) return soFar.And(end);
                var wan = delivery.Table.All[delivery.Table.WanOf[only.Device]];
                if (wan.Candidates.Length > 1) return soFar.And(SendAsAny(wan));
                if (delivery.Overlaps(wan, wan.Candidates[0])) return Fail(ReachProblem.Overlap);
                (sender, from) = (wan, wan.Candidates[0]);
                continue;
            }
            var ends = Ends.None;
            foreach (var holder in holders)
            {
                var branch = Ends.Yes;
                ends |= branch.And(Through(holder, sender, from, ref branch)
                    ?? branch.And(SendAsAny(delivery.Table.All[delivery.Table.WanOf[holder.Device]])));
            }
            return holders.IsEmpty ? Fail(ReachProblem.NoGateway) : soFar.And(ends);
        }
        return Fail(ReachProblem.NoWayOut);
    }

    /// <summary>What the gateway does with the packet; null when it goes on, translated, out of its WAN.</summary>
    private Ends? Through(Interface gateway, Interface sender, Candidate from, ref Ends soFar)
    {
        if (!gateway.Routes) return Fail(ReachProblem.NoGateway);
        var side = gateway.Address!.Value.Prefix;
        if (side.Contains(Destination)) return Deliver(gateway.Link, side, sender, from);
        // Guests are let out, and to nothing that is at home in a house.
        if (gateway.Kind == InterfaceKind.Guest && AddressRanges.DiesAtTheLine(Destination)) return Fail(ReachProblem.GuestsApart);
        if (gateway.Kind == InterfaceKind.Provider) return Fail(ReachProblem.BehindNat);
        if (delivery.WayOut(gateway, out var why) is null) return Fail(why);
        soFar = soFar.And(delivery.Returns(gateway, sender, from));
        return soFar == Ends.No ? Fail(ReachProblem.NoWayBack) : null;
    }

    private Ends SendAsAny(Interface wan)
    {
        var ends = Ends.None;
        foreach (var candidate in wan.Candidates)
        {
            if (settled.TryGetValue((wan.Index, candidate), out var known))
            {
                ends |= known;
                continue;
            }
            // Stands while the way is being followed: coming back here is a circle.
            settled[(wan.Index, candidate)] = Ends.No;
            var end = delivery.Overlaps(wan, candidate) ? Fail(ReachProblem.Overlap) : Send(wan, candidate);
            settled[(wan.Index, candidate)] = end;
            ends |= end;
        }
        return ends;
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
