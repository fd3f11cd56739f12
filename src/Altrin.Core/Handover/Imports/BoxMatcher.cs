using Altrin.Core.Actions;
using Altrin.Core.Handover.Holding;
using Altrin.Core.Handover.Tables;
using Altrin.Core.Network;

namespace Altrin.Core.Handover.Imports;

/// <summary><c>boxes.csv</c> on its way in. What is computed there (page, wifi, hangs_on, medium) says nothing.</summary>
internal sealed class BoxMatcher(HandoverGround ground) : TableMatcher(ground, "id", "mac", "name")
{
    public override void Read(NamedRow row)
    {
        if (Find(row, House.Devices, box => box.Id, box => box.Mac, box => box.Name) is not { } box)
        {
            Miss(row, "box");
            return;
        }
        var now = ByColumn(BoxTable.Columns, BoxTable.Row(Ground, box));
        string? Said(string column) => New(row, column, now[column]);
        void Describe(string column, Func<Device, string, Device> with)
        {
            if (Said(column) is { } to) Deed(row, box.Id, column, now[column], to,
                house => new DescribeDevice(with(house.FindDevice(box.Id)!, to)));
        }

        if (Said("name") is { } name) Deed(row, box.Id, "name", box.Name, name, _ => new Rename(box.Id, name));
        Describe("room", (one, to) => one with { Room = Room(to) });
        Describe("kit", (one, to) => one with { Kit = to });
        Describe("hardware", (one, to) => one with { Hardware = to });
        Describe("firmware", (one, to) => one with { Firmware = to });
        Describe("admin_user", (one, to) => one with { Label = (one.Label ?? new()) with { DefaultUser = to } });
        Mac(row, box.Id, box.Mac, (house, mac) => new DescribeDevice(house.FindDevice(box.Id)! with { Mac = mac }));
        if (Said("mode") is { } mode)
        {
            if (!Words<DeviceMode>.TryRead(mode, out var wanted)) Wrong(row, "mode",
                $"is no mode. Use {string.Join(", ", Words<DeviceMode>.All)}.");
            else Deed(row, box.Id, "mode", now["mode"], mode, _ => new SetMode(box.Id, wanted));
        }
        if (Said("address") is { } address) Address(row, box, address);
    }

    private void Address(NamedRow row, Device box, string said)
    {
        var held = Ground.Holders.OfLan(box);
        // A lease is nobody's to write down.
        if (held.By != HeldBy.Fixed && row["held"] != "fixed") return;
        if (!InterfaceAddress.TryParse(said, out var address)) Wrong(row, "address",
            "is no address. Write four numbers, such as 192.168.1.2.");
        else if (box.Lan is null) Wrong(row, "address", "cannot be set: it has no address of its own.");
        else
        {
            var length = said.Contains('/', StringComparison.Ordinal) ? address.Prefix.Length
                : box.Lan.Address?.Prefix.Length ?? InterfaceAddress.BareLength;
            Deed(row, box.Id, "address", held.Address?.Address.ToString(), address.Address.ToString(),
                _ => new SetLanAddress(box.Id, new(address.Address, length)));
        }
    }
}
