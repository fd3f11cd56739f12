using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

[JsonConverter(typeof(WordConverter<InterfaceKind>))]
public enum InterfaceKind { Wan, Lan, Guest, Net, Provider }

/// <summary>How an interface came by its address.</summary>
[JsonConverter(typeof(WordConverter<LeaseOutcome>))]
public enum LeaseOutcome { Leased, Static, LinkLocal, None, Contested }

/// <summary>An address an interface has or may get, and what came with it.</summary>
/// <param name="Address">Null among the candidates of a contested interface: it may end up with none.</param>
/// <param name="Server">The device that leased it, <c>isp</c>, or null when nobody did.</param>
public sealed record Candidate(
    InterfaceAddress? Address, Ipv4Address? Gateway, ImmutableArray<Ipv4Address> Dns, string? Server)
{
    /// <summary>Given by the provider: its router is on the link, whatever the mask.</summary>
    internal bool IsOverTheLine => Server == Line.ProviderId;
}

/// <summary>One place where an address is held: a router's WAN, a box's LAN, an endpoint's own.</summary>
public sealed class Interface
{
    internal Interface(int index, string owner, InterfaceKind kind, int segment) =>
        (Index, Owner, Kind, Segment, Link) = (index, owner, kind, segment, segment);

    public int Index { get; }
    public string Owner { get; }
    public InterfaceKind Kind { get; }

    /// <summary>Index of the segment it is on; −1 when it is on none.</summary>
    public int Segment { get; }

    /// <summary>The device it belongs to; −1 for endpoints and the provider.</summary>
    internal int Device { get; init; } = -1;

    /// <summary>Where its packets go: the segment, but for a PPPoE session, which meets the provider directly.</summary>
    internal int Link { get; set; }

    /// <summary>Where they go with the line's own address, handed over in pass-through; null for anything else.</summary>
    internal int? PassedLink { get; set; }

    /// <summary>Where they go when it holds that address.</summary>
    internal int LinkAs(Candidate held) => PassedLink is { } passed && held.Server == InterfaceTable.ProviderId ? passed : Link;

    /// <summary>A LAN side that routes for the things on it; management addresses and WANs never do.</summary>
    internal bool Routes { get; init; }

    /// <summary>The WAN of a gateway that has handed the line's address on and goes on using it for everyone else: it asks nobody, and
    /// what comes in from outside is never its own.</summary>
    internal bool SharesTheLine { get; init; }

    internal MacAddress? Mac { get; init; }
    internal bool IsPlugged { get; init; }

    public LeaseOutcome Outcome { get; internal set; } = LeaseOutcome.None;
    public ImmutableArray<Candidate> Candidates { get; internal set; } = [];

    /// <summary>Whether a server is asked for the address.</summary>
    public bool AsksForAddress { get; internal init; }

    /// <summary>The address where there is exactly one; null when there is none or chance decides.</summary>
    public InterfaceAddress? Address => Outcome is LeaseOutcome.Contested or LeaseOutcome.None ? null : Candidates[0].Address;

    internal void Settle(LeaseOutcome outcome, params ReadOnlySpan<Candidate> candidates) =>
        (Outcome, Candidates) = (outcome, [.. candidates]);
}

/// <summary>A DHCP server at work on a segment.</summary>
/// <param name="Device">The box, or <c>isp</c>.</param>
public sealed record RunningServer(
    string Device, int Segment, InterfaceAddress Own, AddressPool Pool, Candidate Offer,
    ImmutableArray<Reservation> Reservations)
{
    /// <summary>Nobody has looked at its pool: it is taken to be the whole subnet.</summary>
    public bool IsPoolUnknown { get; init; }

    /// <summary>See <see cref="DhcpServer.PoolToPlanBy"/>.</summary>
    public AddressPool? PoolToPlanBy => IsPoolUnknown ? AddressPool.Unseen(Own.Prefix) : Pool;

    /// <summary>What it gives out of: its own subnet, but for a provider whose router is outside that of the link.</summary>
    public Prefix Subnet { get; init; } = Own.Prefix;

    /// <summary>Whether an address that somebody has set by hand could be leased to somebody else: out of the pool, or because it is
    /// reserved for another. Whose MAC is not known is taken to be the one it is reserved for.</summary>
    public bool MayGiveAway(Ipv4Address address, MacAddress? holder)
    {
        var reserved = Reservations.FirstOrDefault(reservation => reservation.Address == address);
        return reserved is null ? Pool.Contains(address) : holder is { } mac && reserved.Mac != mac && Own.Prefix.Contains(address);
    }
}
