using Altrin.Core.Network;

namespace Altrin.Web.Api;

/// <summary>What a new job starts with: the box that every house has, as it is usually shipped.</summary>
internal static class NewHouse
{
    public static NetworkDocument WithGateway() => new()
    {
        Name = "New house",
        Line = new() { Device = "gateway", Port = "line" },
        Devices =
        [
            new()
            {
                Id = "gateway",
                Name = "ISP gateway",
                Supports = [DeviceMode.Router, DeviceMode.Modem],
                Mode = DeviceMode.Router,
                Ports = [new() { Id = "line", Role = PortRole.Wan }, .. Enumerable.Range(1, 4).Select(n => new Port { Id = $"lan{n}", Role = PortRole.Lan })],
                Radios = [new() { Id = "2g", Band = Band.Ghz24 }, new() { Id = "5g", Band = Band.Ghz5 }],
                Lan = new()
                {
                    Address = InterfaceAddress.Parse("192.168.1.1/24"),
                    DhcpServer = new() { Enabled = true, Start = Ipv4Address.Parse("192.168.1.100"), End = Ipv4Address.Parse("192.168.1.199") },
                },
                Wan = new(),
                Wifi =
                [
                    new() { Radio = "2g", Ssid = "home", Security = WifiSecurity.Wpa2, Key = "home" },
                    new() { Radio = "5g", Ssid = "home", Security = WifiSecurity.Wpa2, Key = "home" },
                ],
            },
        ],
    };
}
