using Altrin.Core.Handover.Holding;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Handover.Tables;

/// <summary>What an address is there for, in the order in which rows of one address stand.</summary>
internal enum AddressRole { Gateway, Box, Fixed, Reserved, Leased, PoolFirst, PoolLast }

/// <param name="Holder">An id; of a reservation for nobody in the house its MAC.</param>
internal sealed record AddressRow(Prefix Subnet, Ipv4Address Address, string Holder, AddressRole Role);

/// <summary><c>addresses.csv</c>: every address that is held, kept or given out, by subnet and address.</summary>
internal static class AddressTable
{
    public static readonly string[] Columns = ["subnet", "address", "holder", "role"];

    public static string Write(HandoverGround ground) => Csv.Write(Columns, Rows(ground).Select(Row));

    public static string?[] Row(AddressRow row) =>
        [row.Subnet.ToString(), row.Address.ToString(), row.Holder, Words<AddressRole>.Of(row.Role)];

    public static IEnumerable<AddressRow> Rows(HandoverGround ground)
    {
        var held = Held(ground).ToList();
        var taken = held.Select(row => row.Address).ToHashSet();
        return held.Concat(Pools(ground)).Concat(Kept(ground, taken)).Distinct()
            .OrderBy(row => row.Subnet.Network.Value).ThenBy(row => row.Subnet.Length).ThenBy(row => row.Address.Value).ThenBy(row =>
                row.Role);
    }

    private static IEnumerable<AddressRow> Held(HandoverGround ground)
    {
        foreach (var one in ground.State.Interfaces)
        {
            if (one.Segment < 0 || one.Kind is InterfaceKind.Guest or InterfaceKind.Provider
                || ground.Holders.Of(one) is not { Address: { } own, By: var by }) continue;
            yield return new(own.Prefix, own.Address, one.Owner, one.Kind == InterfaceKind.Net
                ? by switch { HeldBy.Fixed => AddressRole.Fixed, HeldBy.Reserved => AddressRole.Reserved, _ => AddressRole.Leased }
                : IsGateway(ground, one) ? AddressRole.Gateway : AddressRole.Box);
        }
    }

    /// <summary>The inside of a router whose WAN hangs on something, or of a gateway that hands the line on.</summary>
    private static bool IsGateway(HandoverGround ground, Interface one) =>
        one.Kind == InterfaceKind.Lan && ground.House.FindDevice(one.Owner) is { } box
        && (box.Traits.IsRouter ? ground.State.IsWanPlugged(box.Id) : box.Traits.HandsLineOn);

    private static IEnumerable<RunningServer> Servers(HandoverGround ground) =>
        ground.State.Servers.Where(server => server.Device != Line.ProviderId);

    private static IEnumerable<AddressRow> Pools(HandoverGround ground)
    {
        foreach (var server in Servers(ground).Where(server => !server.IsPoolUnknown))
        {
            yield return new(server.Subnet, server.Pool.Start, server.Device, AddressRole.PoolFirst);
            yield return new(server.Subnet, server.Pool.End, server.Device, AddressRole.PoolLast);
        }
    }

    private static IEnumerable<AddressRow> Kept(HandoverGround ground, HashSet<Ipv4Address> taken) =>
        from server in Servers(ground)
        from kept in server.Reservations
        where server.Subnet.Contains(kept.Address) && !taken.Contains(kept.Address)
        select new AddressRow(server.Subnet, kept.Address, OwnerOf(ground.House, kept.Mac) ?? kept.Mac.ToString(), AddressRole.Reserved);

    private static string? OwnerOf(NetworkDocument house, MacAddress mac) =>
        house.Devices.FirstOrDefault(box => box.Mac == mac)?.Id ?? house.Endpoints.FirstOrDefault(thing => thing.Mac == mac)?.Id;
}
