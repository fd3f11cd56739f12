using System.Collections.Immutable;
using Altrin.Core.Network;
using FsCheck;
using FsCheck.Fluent;

namespace Altrin.Core.Tests;

/// <summary>Whole houses for properties: boxes in any mode, cables anywhere, addresses good and bad.</summary>
public static class Houses
{
    private static readonly string[] Addresses =
        ["192.168.1.1/24", "192.168.1.2/24", "192.168.31.1/24", "192.168.31.9/24", "192.168.0.1/16", "10.0.0.1/8", "172.16.5.1/25"];

    private static readonly DeviceMode[] WiredModes = [DeviceMode.Router, DeviceMode.Router, DeviceMode.AccessPoint, DeviceMode.Switch, DeviceMode.Modem];
    private static readonly DeviceMode[] AllModes = Enum.GetValues<DeviceMode>();

    public static Arbitrary<NetworkDocument> Any() => Gen.Choose(1, int.MaxValue).Select(seed => Make(seed, AllModes)).ToArbitrary();

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
        var needs = things.Take(3).Select((thing, i) => new Need { Id = $"n{i}", Kind = NeedKind.Internet, Endpoint = thing.Id });
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
        else if (random.Next(4) > 0) connect = new() { Ssid = random.Next(2) == 0 ? "home" : "net1", Security = WifiSecurity.Wpa2, Key = "k" };
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
