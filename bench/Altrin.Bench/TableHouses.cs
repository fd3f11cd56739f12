using System.Collections.Immutable;
using Altrin.Core.Kit;
using Altrin.Core.Network;

namespace Altrin.Bench;

/// <summary>A gateway and boxes of the kit shelf, half of them cabled and half on the table, rooms with and without a run, a thing and a want a room.</summary>
internal static class TableHouses
{
    private static readonly string[] Kinds = ["router-dual-band", "switch-5", "repeater-plug-in-dual", "router-old-300"];

    public static NetworkDocument Make(int boxes)
    {
        var gateway = KitShelf.Find("gateway-modem-mode")!.Make("gw", "Gateway", "room0");
        gateway = gateway with { Wifi = [.. gateway.Wifi.Select(network => network with { Ssid = "oak", Key = "home", Security = WifiSecurity.Wpa2 })] };
        var (devices, cables, runs) = (ImmutableArray.Create(gateway), ImmutableArray<Cable>.Empty, ImmutableArray<CableRun>.Empty);
        var things = ImmutableArray<Endpoint>.Empty;
        for (var n = 1; n < boxes; n++)
        {
            var box = KitShelf.Find(Kinds[n % Kinds.Length])!.Make($"b{n}", $"Box {n}", $"room{n}");
            devices = devices.Add(box);
            if (n % 2 == 1 && box.Ports.FirstOrDefault() is { } port && cables.Length < 3) cables = cables.Add(new() { Id = $"c{n}", A = new("gw", $"lan{cables.Length + 1}"), B = new(box.Id, port.Id) });
            else if (n % 3 == 0) runs = runs.Add(new() { Id = $"r{n}", A = "room0", B = $"room{n}", Laid = true });
            things = things.Add(new() { Id = $"t{n}", Name = $"Thing {n}", Room = $"room{n}", Connect = new Attachment.Join { Ssid = "oak", Key = "home", Security = WifiSecurity.Wpa2 } });
        }
        return new()
        {
            Name = "Table",
            Country = "NZ",
            Line = new() { Device = "gw", Port = gateway.Ports.First(port => port.Role == PortRole.Wan).Id, DownMbps = 300 },
            Devices = devices,
            Cables = cables,
            Runs = runs,
            Endpoints = things,
            Rooms = [.. Enumerable.Range(0, boxes).Select(n => new Room { Id = $"room{n}", Name = $"Room {n}", Floor = n / 4 })],
            Needs = [.. things.Select((thing, n) => (Need)new Need.Internet { Id = $"n{n}", Endpoint = thing.Id }), new Need.SingleNat { Id = "single" }, new Need.OneName { Id = "one" }],
        };
    }
}
