using System.Globalization;
using Altrin.Core.Handover.Holding;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Handover.Tables;

/// <summary><c>networks.csv</c>: the Wi-Fi networks that are on the air. A key is told by the name it is kept as, which is no
/// secret.</summary>
internal static class NetworkTable
{
    public static readonly string[] Columns = ["ssid", "box", "radio", "band", "channel", "width_mhz", "security", "key", "guest",
        "hidden"];

    public static string Write(HandoverGround ground) => Csv.Write(Columns, ground.State.Air.Select(Row));

    private static string?[] Row(AirNetwork one) =>
    [
        one.Network.Ssid, one.Box.Id, one.Network.Radio, Words<Band>.Of(one.Band), one.Network.Channel?.Number is { } channel
            ? $"{channel}" : "auto",
        one.Network.WidthMHz?.ToString(CultureInfo.InvariantCulture), Words<WifiSecurity>.Of(one.Network.Security), one.Network.Key,
        YesNo(one.Network.Guest), YesNo(!one.Network.Broadcast),
    ];

    private static string YesNo(bool so) => so ? "yes" : "no";
}
