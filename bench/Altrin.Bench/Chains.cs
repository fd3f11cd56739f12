using Altrin.Core.Network;

namespace Altrin.Bench;

/// <summary>Generated houses: a gateway, then boxes one behind the other, three things on each.</summary>
public static class Chains
{
    /// <param name="boxes">1 to 60000.</param>
    /// <param name="cascade">True: each box a router on its own subnet, a step down each; false: access points on one network.</param>
    public static NetworkDocument Make(int boxes, bool cascade)
    {
        var devices = new List<Device>(boxes);
        var cables = new List<Cable>(boxes);
        var things = new List<Endpoint>(boxes * 3);
        for (var i = 0; i < boxes; i++)
        {
            var id = $"b{i}";
            var isRouter = cascade || i == 0;
            var address = isRouter && cascade
                ? new InterfaceAddress(new((10u << 24) + ((uint)i << 8) + 1), 24)
                : new InterfaceAddress(new((10u << 24) + 1 + (uint)i), 16);
            var first = address.Prefix.Network;
            devices.Add(new()
            {
                Id = id,
                Name = $"Box {i}",
                Mode = isRouter ? DeviceMode.Router : DeviceMode.AccessPoint,
                Supports = [DeviceMode.Router],
                Ports = [new() { Id = "wan", Role = PortRole.Wan }, .. Enumerable.Range(1, 4).Select(n => new Port { Id = $"lan{n}", Role = PortRole.Lan })],
                Lan = new()
                {
                    Address = address,
                    DhcpServer = new() { Enabled = isRouter, Start = first.Plus(cascade ? 100u : 8192u), End = first.Plus(cascade ? 199u : 60000u) },
                },
                Wan = new(),
            });
            if (i > 0) cables.Add(new() { Id = $"c{i}", A = new($"b{i - 1}", "lan1"), B = new(id, "wan") });
            for (var n = 2; n <= 4; n++)
                things.Add(new() { Id = $"e{i}-{n}", Name = $"Thing {i}-{n}", Connect = Attachment.To(new(id, $"lan{n}")) });
        }
        return new()
        {
            Name = $"{boxes} boxes",
            Line = new() { Device = "b0", Port = "wan" },
            Devices = [.. devices],
            Cables = [.. cables],
            Endpoints = [.. things],
            Needs = [.. things.Take(20).Select(thing => new Need.Internet { Id = $"n-{thing.Id}", Endpoint = thing.Id })],
        };
    }

    /// <summary>A large building: access points on one network, two a room, each with both bands, and two phones a box on their Wi-Fi.</summary>
    /// <param name="boxes">1 to 3000.</param>
    public static NetworkDocument Wifi(int boxes)
    {
        var plain = Make(boxes, false);
        var rooms = Enumerable.Range(0, (boxes + 1) / 2).Select(i => new Room { Id = $"r{i}", Name = $"Room {i}", Floor = i / 60, Rect = new(i % 10 * 4, i / 10 % 6 * 4, 4, 4) });
        const string key = "key:house";
        WifiNetwork Sends(string radio, int channel) => new() { Radio = radio, Ssid = "house", Security = WifiSecurity.Wpa2, Key = key, Enabled = true, Channel = new(channel) };
        return plain with
        {
            Country = "GB",
            Rooms = [.. rooms],
            Devices = [.. plain.Devices.Select((box, i) => box with
            {
                Room = $"r{i / 2}",
                Radios = [new() { Id = "2g", Band = Band.Ghz24, Streams = 2 }, new() { Id = "5g", Band = Band.Ghz5, Streams = 2 }],
                Wifi = [Sends("2g", 1 + i % 3 * 5), Sends("5g", 36 + i % 2 * 4)],
            })],
            Endpoints = [.. plain.Endpoints.Where((_, i) => i % 3 > 0).Select((thing, i) => thing with { Room = $"r{i / 4}", Connect = new Attachment.Join { Ssid = "house", Security = WifiSecurity.Wpa2, Key = key, Near = $"b{i / 2}" } })],
        };
    }
}
