using Altrin.Core.Network;

namespace Altrin.Core.Rules;

/// <summary>A bridge that serves its sockets alone though it lists a network: several rules speak of it.</summary>
internal static class SilentBridge
{
    /// <summary>The bridge whose silent network would have fitted.</summary>
    public static Device? For(Facts facts, Attachment.Join connect) => facts.InUse.FirstOrDefault(box =>
        Is(box) && box.Wifi.Any(network => network.Enabled && network.Ssid == connect.Ssid && network.Key == connect.Key));

    public static bool Is(Device box) => box is { Traits.Wifi: WifiSide.SendsIfItServes, ServesWifi: false };
}
