using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Handover.Holding;

/// <summary>How an address came to be held.</summary>
internal enum HeldBy { None, Fixed, Reserved, Leased }

/// <summary>The address that a box or a thing holds, as it may be written down.</summary>
/// <param name="Address">Null: none, or one that nobody can know: of a contested lease, of a guest network, or a stand-in for the line's
/// own.</param>
internal readonly record struct Held(HeldBy By, InterfaceAddress? Address);

/// <summary>Who holds what in a house. Section 8 of the format.</summary>
internal sealed class Holders
{
    private readonly NetworkState state;
    private readonly HashSet<int> guests;

    public Holders(NetworkState state)
    {
        this.state = state;
        guests = [.. House.Devices.Select(box => state.GuestsOf(box.Id)).Where(segment => segment >= 0)];
    }

    private NetworkDocument House => state.House;

    /// <summary>The LAN or management address. What is set by hand is told of a box that is off or lies on the table too.</summary>
    public Held OfLan(Device box) => box.Lan is { Method: LanMethod.Static, Address: { } own } && !box.Traits.AlwaysAsks
        ? new(HeldBy.Fixed, own) : Of(state.Lan(box.Id));

    public Held OfThing(Endpoint thing) => thing.Address is { Method: EndpointMethod.Static, Address: { } own }
        ? new(HeldBy.Fixed, own) : Of(state.Net(thing.Id));

    public Held Of(Interface? one)
    {
        switch (one?.Outcome)
        {
            case LeaseOutcome.Static: return new(HeldBy.Fixed, one.Address);
            case LeaseOutcome.Contested: return new(HeldBy.Leased, null);
            case LeaseOutcome.Leased when one.Candidates is [{ Address: { } own, Server: var server }]:
                if (IsReserved(one, own, server)) return new(HeldBy.Reserved, own);
                return new(HeldBy.Leased, guests.Contains(one.Segment) || IsStandIn(own, server) ? null : own);
            default: return new(HeldBy.None, null);
        }
    }

    private bool IsReserved(Interface one, InterfaceAddress own, string? server) => one.Mac is { } mac && state.Servers.Any(running =>
        running.Device == server && running.Segment == one.Segment
            && running.Reservations.Any(kept => kept.Mac == mac && kept.Address == own.Address));

    /// <summary>Of what the line gives out only the address that was seen is one.</summary>
    private bool IsStandIn(InterfaceAddress own, string? server) =>
        server == Line.ProviderId && House.Line?.Seen?.Address.Address != own.Address;
}
