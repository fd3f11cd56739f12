using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using FsCheck;
using FsCheck.Fluent;

namespace Altrin.Core.Tests;

/// <summary>Whole houses for properties: boxes in any mode, cables anywhere, addresses good and bad, forwards, VLANs, every kind of want. A house that
/// fails is shrunk: a thing, a want, a cable, a box or a setting less, for as long as it still fails.</summary>
public static class Houses
{
    private static readonly string[] Addresses =
        ["192.168.1.1/24", "192.168.1.2/24", "192.168.31.1/24", "192.168.31.9/24", "192.168.0.1/16", "10.0.0.1/8", "172.16.5.1/25"];

    private static readonly DeviceMode[] WiredModes = [DeviceMode.Router, DeviceMode.Router, DeviceMode.AccessPoint, DeviceMode.Switch, DeviceMode.Modem];
    private static readonly DeviceMode[] AllModes = Enum.GetValues<DeviceMode>();

    public static Arbitrary<NetworkDocument> Any() => Arb.From(Gen.Choose(1, int.MaxValue).Select(Rich), Shrink);

    /// <summary>Every house that has one thing less to it, and still is one that the reader takes.</summary>
    public static IEnumerable<NetworkDocument> Shrink(NetworkDocument house)
    {
        var smaller = house.Endpoints.Select(thing => new RemoveEndpoint(thing.Id).Apply(house))
            .Concat(house.Devices.Select(box => new RemoveDevice(box.Id).Apply(house)))
            .Concat(house.Cables.Select(cable => new UnplugCable(cable.Id).Apply(house)))
            .Concat(house.Needs.Select(need => new RemoveNeed(need.Id).Apply(house)))
            .Concat(house.Devices.SelectMany(box => Plainer(box).Select(plain => house.WithDevice(box.Id, _ => plain))))
            .Concat([house with { Line = null }, house with { Rooms = [], Runs = [], Neighbours = [], Building = null }]);
        foreach (var one in smaller)
            if (AltrinJson.WriteCompact(one) != AltrinJson.WriteCompact(house) && HouseCheck.Read(one).Document is { } read) yield return read;
    }

    private static IEnumerable<Device> Plainer(Device box) =>
    [
        box with { Wifi = [] }, box with { Uplink = null }, box with { PortForwards = [], DmzHost = null }, box with { PassthroughTo = null }, box with { Off = null },
        box with { Ports = [.. box.Ports.Select(port => port with { Vlan = null, Tagged = [] })] },
        box.Lan?.DhcpServer is { } server ? box with { Lan = box.Lan with { DhcpServer = server with { Reservations = [], Gateway = null, Dns = [] } } } : box,
    ];

    private static readonly string[] RoomNames = ["hall", "Study", "loft"];

    /// <summary>The house of a seed with all that the format knows beside boxes and cables.</summary>
    public static NetworkDocument Rich(int seed)
    {
        var house = Make(seed, AllModes);
        var random = new Random(seed ^ 0x5bd1e995);
        bool Once(int n) => random.Next(n) == 0;
        var targets = house.Devices.Select(box => box.Lan?.Address?.Prefix.Network.Plus((uint)random.Next(2, 60))).OfType<Ipv4Address>().ToArray();
        house = house with
        {
            Line = house.Line is { } line && Once(3) ? line with
            {
                Seen = Once(2) ? new() { Address = InterfaceAddress.Parse(Once(2) ? "192.168.0.23/24" : "198.51.100.130/24"), Gateway = Ipv4Address.Parse(Once(2) ? "192.168.0.1" : "198.51.100.129") } : null,
                Agreed = Once(2) ? new() { Address = InterfaceAddress.Parse("198.51.100.22/30"), Gateway = Ipv4Address.Parse("198.51.100.21") } : null,
            } : house.Line,
            Building = Once(3) ? new() { Walls = (WallMaterial)random.Next(5), StoreyM = 2.7 } : null,
            Rooms = [.. RoomNames.Where(_ => Once(2)).Select((name, i) => new Room { Id = name, Name = name.ToUpperInvariant(), Floor = i, Rect = Once(2) ? new(i * 4, 0, 4, 3) : null, Outdoor = Once(5) ? true : null })],
            Devices = [.. house.Devices.Select(box => box with
            {
                Room = Once(2) ? Pick(random, RoomNames) : null,
                Off = Once(14) ? true : null,
                LeaveAsFound = Once(10) ? true : null,
                KeptApart = Once(8) ? true : null,
                DefaultPassword = Once(6) ? true : null,
                PassthroughShares = Once(4) ? true : null,
                Upnp = Once(3),
                DmzHost = Once(6) ? Pick(random, targets) : null,
                PortForwards = Once(3) ? [.. Enumerable.Range(0, random.Next(1, 4)).Select(_ => new PortForward { Protocol = TransportProtocol.Tcp, Port = 80 + random.Next(2), ToAddress = Pick(random, targets), ToPort = Once(2) ? 80 : null })] : [],
                Ports = [.. box.Ports.Select(port => port with
                {
                    SpeedMbps = Once(3) ? 100 : null,
                    Vlan = Once(12) ? 20 : null,
                    Tagged = Once(8) ? [20] : [],
                    PoeNeeds = Once(12) ? PoeClass.Af : null,
                    PoeGives = Once(12) ? PoeClass.At : null,
                })],
                Wifi = Once(2) ? box.Wifi : [.. box.Wifi, new() { Radio = "2g", Ssid = Once(2) ? "visitors" : "home", Guest = Once(2), Vlan = Once(4) ? 20 : null, Security = Pick(random, Enum.GetValues<WifiSecurity>()), Key = Once(2) ? "k" : null }],
                Lan = box.Lan is { DhcpServer: { } server } lan && Once(8) ? lan with { DhcpServer = server with { Start = null, End = null } } : box.Lan,
                Wan = Once(8) ? new() { Method = WanMethod.Static, Address = InterfaceAddress.Parse("198.51.100.22/30"), Gateway = Ipv4Address.Parse("198.51.100.21"), Dns = Once(2) ? [Ipv4Address.Parse("192.0.2.53")] : [] } : box.Wan,
            })],
            Cables = [.. house.Cables.Select(cable => cable with { Medium = Once(5) ? Medium.Powerline : Medium.Ethernet, Category = Once(3) ? "cat5" : null, LengthM = Once(4) ? random.Next(1, 200) : null })],
            Endpoints = [.. house.Endpoints.Select(thing => thing with
            {
                Kind = Once(4) ? "laptop" : null,
                Room = Once(2) ? Pick(random, RoomNames) : null,
                Bands = Once(5) ? [Band.Ghz5] : [],
                Connect = thing.Connect is Attachment.Join join && Once(3) ? join with { Near = Pick(random, house.Devices.ToArray()).Id } : thing.Connect,
            })],
        };
        var things = house.Endpoints.Select(thing => thing.Id).ToArray();
        var routers = house.Devices.Where(box => box.CanRoute).Select(box => box.Id).ToArray();
        var needs = Enum.GetValues<NeedKind>().Where(_ => Once(4)).SelectMany(kind => Once(5) ? [kind, kind] : new[] { kind }).Where(kind => things.Length > 1)
            .Select((kind, i) => Want(kind, $"w{i}", random, things, routers) with { Nice = Once(4) ? true : null });
        return HouseCheck.Read(house with { Needs = house.Needs.AddRange(needs) }) is { Document: { } read } ? read
            : throw new InvalidOperationException($"seed {seed}: {HouseCheck.WhyNot(house with { Needs = house.Needs.AddRange(needs) })}");
    }

    private static Need Want(NeedKind kind, string id, Random random, string[] things, string[] routers)
    {
        bool Once(int among) => random.Next(among) == 0;
        var one = Pick(random, things);
        return kind switch
        {
            NeedKind.Internet => new Need.Internet { Id = id, Endpoint = one },
            NeedKind.Reach => new Need.Reach { Id = id, From = things[0], To = things[1], Discovery = Once(3) ? true : null },
            NeedKind.Inbound => new Need.Inbound { Id = id, Endpoint = one, Protocol = TransportProtocol.Tcp, Port = 80 },
            NeedKind.SingleNat => new Need.SingleNat { Id = id, Endpoint = Once(2) ? one : null },
            NeedKind.FixedAddress => new Need.FixedAddress { Id = id, Endpoint = one },
            NeedKind.OneName => new Need.OneName { Id = id },
            NeedKind.OwnNames => new Need.OwnNames { Id = id },
            NeedKind.KeepName => new Need.KeepName { Id = id, Ssid = Once(2) ? "home" : "visitors", Key = "k" },
            NeedKind.GuestsApart => new Need.GuestsApart { Id = id, Ssid = Once(2) ? "home" : "visitors" },
            NeedKind.Tunnel => new Need.Tunnel { Id = id, Prefix = Prefix.Parse(Once(2) ? "10.0.0.0/8" : "192.168.1.0/24") },
            NeedKind.Sockets => new Need.Sockets { Id = id, Room = Pick(random, RoomNames), Count = random.Next(1, 5) },
            NeedKind.Dns => new Need.Dns { Id = id, Endpoint = Once(2) ? one : null, Servers = [Ipv4Address.Parse("192.0.2.53")] },
            NeedKind.Speed => new Need.Speed { Id = id, Room = Pick(random, RoomNames), Mbps = 50 },
            NeedKind.Coverage => new Need.Coverage { Id = id, Mbps = 50 },
            NeedKind.MainRouter => new Need.MainRouter { Id = id, Device = Once(5) ? "gone" : routers.Length > 0 ? Pick(random, routers) : "gone" },
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "A want of a new kind."),
        };
    }

    /// <summary>The same house for the same seed, so that a failing case can be named.</summary>
    public static NetworkDocument Make(int seed, DeviceMode[]? modes = null)
    {
        var random = new Random(seed);
        modes ??= WiredModes;
        var boxes = Enumerable.Range(0, random.Next(1, 6)).Select(i => Box(random, i, modes)).ToImmutableArray();
        var sockets = boxes.SelectMany(box => box.Ports.Select(port => new Socket(box.Id, port.Id))).OrderBy(_ => random.Next()).ToList();
        var line = random.Next(5) > 0 ? new Line
        {
            Device = "b0",
            Port = "wan",
            Addresses = random.Next(0, 3),
            Addressing = random.Next(4) == 0 ? LineAddressing.Shared : LineAddressing.Public,
            HandOff = (HandOff)random.Next(3),
        } : null;
        if (line is not null) sockets.Remove(line.Socket);
        var cables = ImmutableArray.CreateBuilder<Cable>();
        for (var n = random.Next(0, 7); n > 0 && sockets.Count >= 2; n--)
        {
            cables.Add(new() { Id = $"c{cables.Count}", A = sockets[0], B = sockets[1] });
            sockets.RemoveRange(0, 2);
        }
        var things = ImmutableArray.CreateBuilder<Endpoint>();
        for (var n = random.Next(0, 7); n > 0; n--) things.Add(Thing(random, things.Count, sockets));
        var needs = things.Take(3).Select((thing, i) => new Need.Internet { Id = $"n{i}", Endpoint = thing.Id });
        return new() { Name = $"House {seed}", Line = line, Devices = boxes, Cables = cables.ToImmutable(), Endpoints = things.ToImmutable(), Needs = [.. needs] };
    }

    private static Device Box(Random random, int i, DeviceMode[] modes)
    {
        var address = InterfaceAddress.Parse(Pick(random, Addresses));
        var first = address.Prefix.Network;
        var inside = random.Next(6) > 0 ? first : Ipv4Address.Parse("192.168.77.0");
        var start = inside.Plus((uint)random.Next(0, 60));
        return new()
        {
            Id = $"b{i}",
            Name = $"Box {i}",
            Mac = MacAddress.Parse($"00:00:5E:00:53:{i:X2}"),
            Mode = Pick(random, modes),
            Supports = [DeviceMode.Router, .. random.Next(2) == 0 ? new[] { DeviceMode.AccessPoint } : []],
            Ports = [new() { Id = "wan", Role = PortRole.Wan }, .. Enumerable.Range(1, 3).Select(n => new Port { Id = $"lan{n}", Role = PortRole.Lan })],
            Radios = [new() { Id = "2g", Band = Band.Ghz24 }],
            Lan = new()
            {
                Method = random.Next(5) == 0 ? LanMethod.Dhcp : LanMethod.Static,
                Address = address,
                DhcpServer = new()
                {
                    Enabled = random.Next(3) > 0,
                    Start = start,
                    End = start.Plus((uint)random.Next(0, 40)),
                    Gateway = random.Next(6) == 0 ? first.Plus(250) : null,
                    Reservations = random.Next(4) == 0 ? [new() { Mac = MacAddress.Parse("00:00:5E:00:53:81"), Address = first.Plus(20) }] : [],
                },
            },
            Wan = new() { Method = random.Next(6) == 0 ? WanMethod.Pppoe : WanMethod.Dhcp },
            Nat = random.Next(8) > 0,
            Wifi = [new() { Radio = "2g", Ssid = random.Next(2) == 0 ? "home" : $"net{i}", Security = WifiSecurity.Wpa2, Key = "k", Enabled = random.Next(4) > 0, Guest = random.Next(6) == 0 }],
            Uplink = random.Next(4) == 0 ? new() { Radio = "2g", Ssid = "home", Security = WifiSecurity.Wpa2, Key = "k" } : null,
            ServesWifi = random.Next(2) == 0,
            PassthroughTo = random.Next(3) == 0 ? "b0" : null,
        };
    }

    private static Endpoint Thing(Random random, int i, List<Socket> sockets)
    {
        Attachment? connect = null;
        if (sockets.Count > 0 && random.Next(3) > 0)
        {
            connect = Attachment.To(sockets[0]);
            sockets.RemoveAt(0);
        }
        else if (random.Next(4) > 0) connect = new Attachment.Join { Ssid = random.Next(2) == 0 ? "home" : "net1", Security = WifiSecurity.Wpa2, Key = "k" };
        var address = InterfaceAddress.Parse(Pick(random, Addresses));
        return new()
        {
            Id = $"e{i}",
            Name = $"Thing {i}",
            Mac = MacAddress.Parse($"00:00:5E:00:53:{0x80 + i:X2}"),
            Connect = connect,
            Address = random.Next(3) == 0
                ? EndpointAddress.Fixed(new(address.Prefix.Network.Plus((uint)random.Next(1, 60)), address.Prefix.Length), address.Address)
                : new(),
            Services = random.Next(2) == 0 ? [new() { Protocol = TransportProtocol.Tcp, Port = 80 }] : [],
        };
    }

    private static T Pick<T>(Random random, T[] from) => from[random.Next(from.Length)];
}
