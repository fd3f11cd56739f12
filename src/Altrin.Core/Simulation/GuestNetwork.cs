using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>The subnet a router keeps for its guests. The format does not state one, so each router takes a /24 of its own.</summary>
internal static class GuestNetwork
{
    private static readonly Ipv4Address First = Ipv4Address.Parse("192.168.200.1");

    /// <summary>192.168.200.1/24 for the first device of the document, .201.1 for the next; past 55 devices 10.200.0.1/24 on.</summary>
    public static InterfaceAddress AddressOf(NetworkDocument house, int device)
    {
        var address = device < 56
            ? First.Plus((uint)device << 8)
            : new Ipv4Address(Ipv4Address.Parse("10.200.0.1").Value + ((uint)device << 8));
        // A home that lives in that very range keeps it; its guests move one block of 64 down.
        return house.Devices[device].Lan?.Address is { } lan && lan.Prefix.Contains(address)
            ? new(new(address.Value ^ 0x4000), 24)
            : new(address, 24);
    }

    public static AddressPool PoolOf(InterfaceAddress own) => new(own.Prefix.Network.Plus(10), own.Prefix.Network.Plus(250));
}
