using Altrin.Core.Handover.Holding;
using Altrin.Core.Network;

namespace Altrin.Core.Handover.Tables;

/// <summary><c>boxes.csv</c>: every box, in document order.</summary>
internal static class BoxTable
{
    public static readonly string[] Columns =
        ["id", "name", "room", "kit", "mode", "address", "held", "mac", "page", "admin_user", "wifi", "hangs_on", "medium", "hardware",
            "firmware"];

    public static string Write(HandoverGround ground) => Csv.Write(Columns, ground.House.Devices.Select(box => Row(ground, box)));

    public static string?[] Row(HandoverGround ground, Device box)
    {
        var held = ground.Holders.OfLan(box);
        var up = ground.State.AirMap.WayUp(box.Id);
        return
        [
            box.Id, box.Name, ground.RoomOf(box.Room), box.Kit, Words<DeviceMode>.Of(box.Mode), held.Address?.Address.ToString(),
                Say(held.By), box.Mac?.ToString(),
            ground.PageOf(box), box.Label?.DefaultUser, string.Join(" / ", ground.OnAir(box).Select(network => network.Ssid).Distinct()),
            up?.Box, up is null ? null : up.Value.Cable is { } cable ? Words<Medium>.Of(cable.Medium) : "radio", box.Hardware, box.Firmware,
        ];
    }

    /// <summary>What is reserved for a box is leased to it all the same.</summary>
    private static string Say(HeldBy by) => by switch { HeldBy.Fixed => "fixed", HeldBy.None => "none", _ => "leased" };
}
