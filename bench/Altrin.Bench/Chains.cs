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
}
