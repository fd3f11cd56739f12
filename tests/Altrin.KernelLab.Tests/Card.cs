using Altrin.Core.Network;

namespace Altrin.KernelLab.Tests;

/// <summary>One interface of the house as the kernel has it.</summary>
/// <param name="Kind">wan, lan, guest or net: as in <c>altrin.state/1</c>.</param>
/// <param name="Space">The namespace it is in.</param>
/// <param name="Link">The kernel's name of it.</param>
internal sealed record Card(string Owner, string Kind, string Space, Place Place, string Link, MacAddress Mac)
{
    public bool Asks { get; init; }
    public InterfaceAddress? Fixed { get; init; }
    public Ipv4Address? FixedGateway { get; init; }

    /// <summary>What it got from each server that answered it alone, by name and address: a router may run one for its guests beside its own.</summary>
    public Dictionary<(string Server, Ipv4Address At), LabLease> Leases { get; } = [];
}

internal sealed record LabLease(InterfaceAddress Address, Ipv4Address? Gateway);

/// <summary>A DHCP server to be run: where, and what it gives.</summary>
internal sealed record Giver(string Name, string Space, Place Place, InterfaceAddress Own, Ipv4Address Start, Ipv4Address End,
    Ipv4Address Gateway, IReadOnlyList<Reservation> Reservations, MacAddress? Ignores);

/// <summary>Which lease each asking card takes, and so one way that the races of the house can end.</summary>
internal sealed record World(IReadOnlyDictionary<Card, LabLease?> Leases);
