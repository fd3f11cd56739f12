using Altrin.Core.Actions;
using Altrin.Core.Handover.Holding;
using Altrin.Core.Handover.Tables;
using Altrin.Core.Network;

namespace Altrin.Core.Handover.Imports;

/// <summary><c>addresses.csv</c> on its way in: a row is told by its holder and role. Leases say nothing.</summary>
internal sealed class AddressMatcher(HandoverGround ground) : TableMatcher(ground, "holder", "role")
{
    private readonly List<AddressRow> all = [.. AddressTable.Rows(ground)];

    public override void Read(NamedRow row)
    {
        var alike = Words<AddressRole>.TryRead(row["role"], out var role)
            ? all.FindAll(one => one.Holder == row["holder"] && one.Role == role) : [];
        if (alike.Count == 0)
        {
            Miss(row, "holder");
            return;
        }
        if (role == AddressRole.Leased || row["address"].Length == 0
            || alike.Exists(one => one.Address.ToString() == row["address"])) return;
        if (!Ipv4Address.TryParse(row["address"], out var address))
        {
            Wrong(row, "address", "is no address. Write four numbers, such as 192.168.1.2.");
            return;
        }
        // Of a box with several the one whose row is not there as it was.
        if (Make(alike[^1], address) is { } make) Deed(row, alike[^1].Holder, "address", alike[^1].Address.ToString(), address.ToString(),
            make);
        else Wrong(row, "address", "cannot be set from here: it is leased, or it is the line's.");
    }

    private Func<NetworkDocument, InstallerAction>? Make(AddressRow row, Ipv4Address address)
    {
        var box = House.FindDevice(row.Holder);
        var thing = House.FindEndpoint(row.Holder);
        switch (row.Role)
        {
            case AddressRole.Gateway or AddressRole.Box when box?.Lan is { Method: LanMethod.Static, Address: { } own }
                && own.Address == row.Address:
                return _ => new SetLanAddress(box.Id, new(address, own.Prefix.Length));
            case AddressRole.Fixed when thing?.Address is { Address: { } set }:
                return house =>
                    new SetEndpointAddress(thing.Id,
                    house.FindEndpoint(thing.Id)!.Address with { Address = new(address, set.Prefix.Length) });
            case AddressRole.PoolFirst when box is not null: return _ => new MovePool(box.Id, Start: address);
            case AddressRole.PoolLast when box is not null: return _ => new MovePool(box.Id, End: address);
            case AddressRole.Reserved:
                var server = House.Devices.FirstOrDefault(one =>
                    one.Lan?.DhcpServer?.Reservations.Any(kept => kept.Address == row.Address) == true);
                var mac = server?.Lan!.DhcpServer!.Reservations.First(kept => kept.Address == row.Address).Mac;
                return server is null ? null : _ => new ReserveAddress(server.Id, mac!.Value, address);
            default: return null;
        }
    }
}
