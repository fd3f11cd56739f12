using System.Net;
using System.Net.NetworkInformation;
using System.Net.Sockets;
using Altrin.Core.Network;
using Altrin.Core.Readings.Eyes;
using Altrin.Core.Readings.Parsers;

namespace Altrin.Web.Eyes;

/// <summary>The link of the adapter by which the laptop reaches an address.</summary>
internal static class LinkLook
{
    private const double BitsOfMbps = 1e6;

    public static async Task<LinkNow?> To(Ipv4Address gateway, CancellationToken cancel)
    {
        if (Adapter(gateway) is not { } adapter) return null;
        if (adapter.NetworkInterfaceType != NetworkInterfaceType.Wireless80211
            && !Directory.Exists($"/sys/class/net/{adapter.Name}/wireless"))
            return new(adapter.Name, IsWifi: false, Rate(adapter));
        var (program, arguments) = OperatingSystem.IsWindows() ? ("netsh", "wlan show interfaces") : ("iw", $"dev {adapter.Name} link");
        if (await Tool.Run(program, arguments, cancel) is { } shown
            && PastedText.Read(shown).SelectMany(one => one.Networks).FirstOrDefault() is { } joined)
            return LinkNow.Of(adapter.Name, joined, Rate(adapter));
        return new(adapter.Name, IsWifi: true, Rate(adapter));
    }

    private static double? Rate(NetworkInterface adapter)
    {
        try { return adapter.Speed > 0 ? adapter.Speed / BitsOfMbps : null; }
        // A system that does not say.
        catch (PlatformNotSupportedException) { return null; }
    }

    /// <summary>Nothing is sent: a datagram socket that is tied to an address knows by which of its own it would go.</summary>
    private static NetworkInterface? Adapter(Ipv4Address to)
    {
        try
        {
            using var socket = new System.Net.Sockets.Socket(AddressFamily.InterNetwork, SocketType.Dgram, ProtocolType.Udp);
            socket.Connect(IPAddress.Parse($"{to}"), 9);
            var own = ((IPEndPoint)socket.LocalEndPoint!).Address;
            return NetworkInterface.GetAllNetworkInterfaces()
                .FirstOrDefault(one => one.GetIPProperties().UnicastAddresses.Any(held => held.Address.Equals(own)));
        }
        catch (SocketException) { return null; }
    }
}
