using System.Collections.Immutable;
using Altrin.Core.Kit;
using Altrin.Core.Network;

namespace Altrin.Core.Tests.Planning;

/// <summary>Houses as installers meet them: a gateway of some kind, boxes of the kit shelf on the table or already joined, rooms with runs, a handful
/// of things and wants.</summary>
internal static class TradeHouses
{
    private static readonly string[] RoomIds = ["hall", "study", "loft"];
    private static readonly string[] Gateways = ["gateway-modem-mode", "gateway-pass-through", "gateway-dmz-host", "gateway-locked"];
    private static readonly string[] Others = ["router-dual-band", "router-mode-switch", "router-old-300", "router-wds", "repeater-plug-in-dual", "mesh-satellite", "switch-5", "bridge-wired", "access-point-asks"];

    /// <param name="boxes">Beside the gateway: at most so many.</param>
    public static NetworkDocument Make(int seed, int boxes = 3)
    {
        var random = new Random(seed);
        T One<T>(IReadOnlyList<T> list) => list[random.Next(list.Count)];
        bool Once(int n) => random.Next(n) == 0;
        var gateway = Named(KitShelf.Find(One(Gateways))!.Make("gw", "Gateway", "hall", MacAddress.Parse("00:00:5E:00:53:01")), "oak", "home") with { DefaultPassword = Once(3) ? true : null, LeaveAsFound = Once(6) ? true : null };
        var line = gateway.Ports.First(port => port.Role == PortRole.Wan);
        var devices = ImmutableArray.Create(gateway);
        var cables = ImmutableArray<Cable>.Empty;
        var free = new Queue<string>(gateway.Ports.Where(port => port.Role == PortRole.Lan).Select(port => port.Id));
        for (var n = 1; n <= 1 + random.Next(boxes); n++)
        {
            var box = KitShelf.Find(One(Others))!.Make($"b{n}", $"Box {n}", Once(3) ? null : One(RoomIds), MacAddress.Parse($"00:00:5E:00:53:1{n}"));
            if (box.Room is not null && box.Mode is DeviceMode.Router or DeviceMode.AccessPoint or DeviceMode.Switch && Once(2) && free.TryDequeue(out var socket))
            {
                if (Once(2)) box = Named(box, "oak", "home");
                cables = cables.Add(new() { Id = $"c{n}", A = new("gw", socket), B = new(box.Id, (Once(3) ? box.Ports.Last() : box.Ports.First()).Id), Category = "cat5e" });
            }
            devices = devices.Add(box);
        }
        var things = ImmutableArray.Create(Thing("tablet", "study", new Attachment.Join { Ssid = "oak", Security = WifiSecurity.Wpa2, Key = "home" }), Thing("phone", "loft", new Attachment.Join { Ssid = "oak", Security = WifiSecurity.Wpa2, Key = "home" }));
        if (free.TryDequeue(out var wired)) things = things.Add(Thing("printer", "hall", Attachment.To(new("gw", wired))) with { Services = [new() { Protocol = TransportProtocol.Tcp, Port = 9100 }] });
        foreach (var box in devices.Skip(1))
            if (Once(2) && cables.Any(cable => cable.B.Device == box.Id) && box.Ports.FirstOrDefault(port => port.Role == PortRole.Lan && !cables.Any(cable => cable.B == new Socket(box.Id, port.Id))) is { } port)
                things = things.Add(Thing($"pc-{box.Id}", box.Room!, Attachment.To(new(box.Id, port.Id))));
        var all = new List<Need> { new Need.Internet { Id = "n1", Endpoint = "tablet" } };
        if (Once(2)) all.Add(new Need.SingleNat { Id = "n2" });
        if (Once(2)) all.Add(new Need.OneName { Id = "n3" });
        if (Once(2) && things.Length > 2) all.Add(new Need.Reach { Id = "n4", From = "phone", To = things[^1].Id, Discovery = Once(2) });
        if (Once(3)) all.Add(new Need.Speed { Id = "n5", Room = One(RoomIds), Mbps = 20 + random.Next(200) });
        if (Once(4) && things.Length > 2) all.Add(new Need.FixedAddress { Id = "n6", Endpoint = "printer" });
        if (Once(4)) all.Add(new Need.Sockets { Id = "n7", Room = One(RoomIds), Count = 1 + random.Next(3) });
        var runs = ImmutableArray<CableRun>.Empty;
        if (Once(2)) runs = runs.Add(new() { Id = "r1", A = "hall", B = "study", Category = "cat6", LengthM = 12, Laid = Once(2) });
        if (Once(3)) runs = runs.Add(new() { Id = "r2", A = "hall", B = "loft", Category = "cat6", LengthM = 15, Laid = true });
        return new()
        {
            Name = "Oak",
            Country = "NZ",
            Building = new() { Walls = One([WallMaterial.Brick, WallMaterial.Wood, WallMaterial.Plasterboard]) },
            Rooms = [.. RoomIds.Select((id, i) => new Room { Id = id, Name = id, Floor = i / 2 })],
            Runs = runs,
            Line = new() { Device = "gw", Port = line.Id, DownMbps = 300, Addressing = Once(5) ? LineAddressing.Shared : LineAddressing.Public },
            Devices = devices,
            Cables = cables,
            Endpoints = things,
            Needs = [.. all],
        };
    }

    private static Device Named(Device box, string ssid, string key) => box with { Wifi = [.. box.Wifi.Select(network => network with { Ssid = ssid, Key = key, Security = WifiSecurity.Wpa2 })] };

    private static Endpoint Thing(string id, string room, Attachment connect) => new() { Id = id, Name = id, Room = room, Connect = connect, Mac = MacAddress.Parse($"00:00:5E:00:53:{(byte)(0x40 + id.Sum(letter => letter) % 100):X2}") };
}
