using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>One device on a way to the internet and the rest of that way; shared by all that pass there.</summary>
internal sealed record Hop(string Device, Hop? Next);

/// <summary>How one interface gets to the internet.</summary>
internal sealed record Way(Ends Ends, int Layers, Hop? Path, ReachProblem Why)
{
    public static Way Blocked(ReachProblem why) => new(Ends.No, 0, null, why);

    /// <summary>Of two ways that chance picks from, what can be said; the first that arrives lends its path.</summary>
    public static Way Either(Way? a, Way b) => a is null ? b : new(
        a.Ends | b.Ends,
        (a.Ends & Ends.Yes) != 0 ? a.Layers : b.Layers,
        (a.Ends & Ends.Yes) != 0 ? a.Path : b.Path,
        a.Why != ReachProblem.None ? a.Why : b.Why);
}

/// <summary>Stage 5: the way from each interface to the internet, each part of a way followed once.</summary>
internal sealed class InternetWays(Delivery delivery)
{
    /// <summary>What hops call the provider's own translation on a shared line.</summary>
    public const string Carrier = "carrier";

    private readonly Way?[] known = new Way?[delivery.Table.All.Count];
    private readonly bool[] open = new bool[delivery.Table.All.Count];
    private readonly Lock gate = new();

    /// <summary>May be asked by several threads: a state is one value, however many look at it.</summary>
    public Way Of(Interface from)
    {
        if (Volatile.Read(ref known[from.Index]) is { } done) return done;
        lock (gate) return Follow(from);
    }

    private Way Follow(Interface from)
    {
        // Down a chain of routers first, without recursion: a chain may be longer than the stack is deep.
        var chain = new Stack<Interface>();
        var at = from;
        while (known[at.Index] is null && !open[at.Index] && OnlyWan(at) is { } wan)
        {
            open[at.Index] = true;
            chain.Push(at);
            at = wan;
        }
        Settle(at);
        while (chain.TryPop(out var inner))
        {
            open[inner.Index] = false;
            Settle(inner);
        }
        return known[from.Index]!;
    }

    private void Settle(Interface at)
    {
        if (known[at.Index] is not null || open[at.Index]) return;
        open[at.Index] = true;
        Way? way = null;
        foreach (var candidate in at.Candidates) way = Way.Either(way, As(at, candidate));
        open[at.Index] = false;
        Volatile.Write(ref known[at.Index], way ?? Way.Blocked(ReachProblem.NoAddress));
    }

    private Way As(Interface at, Candidate from)
    {
        if (delivery.IsLooped(at)) return Way.Blocked(ReachProblem.Loop);
        if (from.Address is not { } own) return Way.Blocked(ReachProblem.NoAddress);
        if (at.Kind == InterfaceKind.Wan && delivery.Overlaps(at, from)) return Way.Blocked(ReachProblem.Overlap);
        if (from.Gateway is not { } gateway || !own.Prefix.Contains(gateway)) return Way.Blocked(ReachProblem.NoGateway);
        Way? way = null;
        foreach (var holder in delivery.HoldersOf(at.LinkAs(from), gateway)) way = Way.Either(way, Through(holder, at, from));
        return way ?? Way.Blocked(ReachProblem.NoGateway);
    }

    private Way Through(Interface gateway, Interface sender, Candidate from)
    {
        if (!gateway.Routes) return Way.Blocked(ReachProblem.NoGateway);
        var back = delivery.Returns(gateway, sender, from);
        if (back == Ends.No) return Way.Blocked(ReachProblem.NoWayBack);
        var race = back == Ends.Either ? ReachProblem.HeldByAnother : ReachProblem.None;
        if (gateway.Kind == InterfaceKind.Provider)
        {
            var shared = delivery.Fabric.House.Line!.Addressing == LineAddressing.Shared;
            return new(back, shared ? 1 : 0, shared ? new(Carrier, null) : null, race);
        }
        if (delivery.WayOut(gateway, out var why) is not { } wan) return Way.Blocked(why);
        // A way that leads back here is a circle: nothing comes of it.
        var beyond = open[wan.Index] ? Way.Blocked(ReachProblem.NoWayOut) : Of(wan);
        if (beyond.Ends == Ends.No) return Way.Blocked(beyond.Why);
        return new(back.And(beyond.Ends), beyond.Layers + 1, new(gateway.Owner, beyond.Path), race != ReachProblem.None ? race : beyond.Why);
    }

    /// <summary>The WAN that everything from here goes out of, where no race decides.</summary>
    private Interface? OnlyWan(Interface at) =>
        at.Candidates is [{ Gateway: { } gateway }] && delivery.HoldersOf(at.LinkAs(at.Candidates[0]), gateway).Single is { Routes: true, Device: >= 0 } router
            ? delivery.WayOut(router, out _)
            : null;
}
