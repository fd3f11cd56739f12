using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>Whether a way may pass a router that does not translate.</summary>
internal enum Translation
{
    /// <summary>What goes out must find back, and nobody upstream knows the way behind it (section 3, rule 6).</summary>
    Needed,

    /// <summary>What comes in from the street is followed as far as it gets, so that the box which drops it can be named.</summary>
    NotNeeded,
}

/// <summary>What becomes of a packet at the gateway that it was sent to.</summary>
/// <param name="Back">Whether answers find the sender again.</param>
/// <param name="IsStreet">The provider's own router: the way has arrived.</param>
/// <param name="Wan">The side it goes on from; null at the street and where it ends.</param>
internal readonly record struct Crossing(Ends Back, bool IsStreet, Interface? Wan, ReachProblem Why)
{
    public static Crossing Ended(ReachProblem why) => new(Ends.No, false, null, why);
    public bool GoesOn => IsStreet || Wan is not null;
}

/// <summary>The way from a thing to the street, one step at a time: from an interface to the gateways that hold its gateway's address, and
/// through one of them to the next WAN. Internet, reach, inbound, traces, the Stairs and double NAT all climb by these steps.</summary>
internal sealed class Climb(Delivery delivery)
{
    /// <summary>What keeps the interface from sending anything at all, with that lease; none when it can.</summary>
    public ReachProblem WhyNotFrom(Interface at, Candidate held)
    {
        if (delivery.IsLooped(at)) return ReachProblem.Loop;
        if (held.Address is null) return ReachProblem.NoAddress;
        return at.Kind == InterfaceKind.Wan && delivery.Overlaps(at, held) ? ReachProblem.Overlap : ReachProblem.None;
    }

    /// <summary>Everybody who holds the gateway's address where the interface sends: none, one, or a race.</summary>
    public Delivery.HolderList Gateways(Interface at, Candidate held) =>
        held is { Address: { } own, Gateway: { } gateway } && (own.Prefix.Contains(gateway) || held.IsOverTheLine) ? delivery.HoldersOf(at.LinkAs(held), gateway) : delivery.Nobody;

    /// <summary>Through one of them.</summary>
    public Crossing Cross(Interface gateway, Interface sender, Candidate from, Translation translation = Translation.Needed)
    {
        if (!gateway.Routes) return Crossing.Ended(ReachProblem.NoGateway);
        var back = delivery.Returns(gateway, sender, from);
        if (back == Ends.No) return Crossing.Ended(ReachProblem.NoWayBack);
        var race = back == Ends.Either ? ReachProblem.HeldByAnother : ReachProblem.None;
        if (gateway.Kind == InterfaceKind.Provider) return new(back, true, null, race);
        if (WanOf(gateway) is not { Candidates.IsEmpty: false } wan) return Crossing.Ended(ReachProblem.NoWayOut);
        if (delivery.IsLooped(wan)) return Crossing.Ended(ReachProblem.Loop);
        return translation == Translation.Needed && !delivery.Fabric.House.Devices[gateway.Device].Nat
            ? Crossing.Ended(ReachProblem.NotTranslated)
            : new(back, false, wan, race);
    }

    /// <summary>The other side of a router; null where it has none.</summary>
    public Interface? WanOf(Interface side) => side.Device >= 0 && delivery.Table.WanOf[side.Device] is >= 0 and var index ? delivery.Table.All[index] : null;

    /// <summary>The lease that a picture of the way follows where chance offers several: the first with an address.</summary>
    public static Candidate? First(Interface at) => at.Candidates.FirstOrDefault(candidate => candidate.Address is not null);

    /// <summary>The gateway that a picture follows where several hold its address: the first that routes, else the first.</summary>
    public Interface? FirstGateway(Interface at, Candidate held)
    {
        Interface? next = null;
        foreach (var holder in Gateways(at, held))
            if (next is null || (!next.Routes && holder.Routes)) next = holder;
        return next;
    }
}
