using Altrin.Core.Network;

namespace Altrin.Core.Readings.Eyes;

/// <summary>Which box of a house a laptop's Wi-Fi is joined to.</summary>
public static class Joined
{
    /// <returns>The one box that sends that name; null where several do, or none.</returns>
    public static string? BoxOf(NetworkDocument house, LinkNow? link) => link is { IsWifi: true, Ssid: { } ssid }
        && house.Devices.Where(box => box.Wifi.Any(one => one.Enabled && one.Ssid == ssid)).ToList() is [var only] ? only.Id : null;
}
