using System.Collections.Immutable;
using Altrin.Core.Documents;
using Altrin.Core.Network;

namespace Altrin.KernelLab.Tests;

/// <summary>Houses at random, the same for the same seed: every mode, good and bad addresses, forwards, guests, VLANs and wrong cables.
/// Likelier than blind chance to hang together, so that there is something to compare.</summary>
internal static class LabHouses
{
    private static readonly string[] Subnets = ["192.168.1.1/24", "192.168.31.1/24", "192.168.2.1/24", "10.0.0.1/24", "172.16.5.1/25", "192.168.31.9/24", "10.8.0.1/16"];

    public static IEnumerable<NetworkDocument> From(int seed)
    {
        for (var n = seed; ; n++) yield return Make(n);
    }

    public static NetworkDocument Make(int seed)
    {
        var random = new Random(seed);
        var boxes = Enumerable.Range(0, random.Next(1, 6)).Select(i => Box(random, i)).ToList();
        var free = boxes.ToDictionary(box => box.Id, box => box.Ports.OrderBy(_ => random.Next()).ToList());
        Socket? Take(string box, bool preferWan)
        {
            if (free[box].Count == 0) return null;
            var port = free[box].Find(one => (one.Role == PortRole.Wan) == preferWan) ?? free[box][0];
            free[box].Remove(port);
            return new(box, port.Id);
        }
        Line? line = null;
        if (random.Next(8) > 0)
        {
            var socket = Take("b0", random.Next(12) > 0)!;
            line = new()
            {
                Device = "b0",
                Port = socket.Port,
                Addresses = random.Next(1, 4) - (random.Next(10) == 0 ? 1 : 0),
                Addressing = random.Next(5) == 0 ? LineAddressing.Shared : LineAddressing.Public,
                // How a gateway hands an agreed address over is its maker's secret; the lab leaves that out.
                HandOff = random.Next(8) switch { 0 => HandOff.Pppoe, 1 when boxes[0].Mode != DeviceMode.Passthrough => HandOff.Static, _ => HandOff.Dhcp },
            };
            line = AsSeenOrAgreed(random, line);
            // What the provider hands over, the box at the line is mostly set to.
            if (random.Next(6) > 0) boxes[0] = boxes[0] with { Wan = WanFor(line) };
        }
        var cables = ImmutableArray.CreateBuilder<Cable>();
        void Join(string a, string b, bool intoWan)
        {
            if (Take(a, false) is { } from && Take(b, intoWan) is { } to) cables.Add(new() { Id = $"c{cables.Count}", A = from, B = to, Medium = (Medium)random.Next(3) });
        }
        for (var i = 1; i < boxes.Count; i++)
            if (boxes[i].Uplink is null || random.Next(5) == 0) Join(boxes[random.Next(i)].Id, boxes[i].Id, random.Next(2) == 0);
        if (random.Next(14) == 0 && boxes.Count > 1) Join(boxes[0].Id, boxes[^1].Id, random.Next(2) == 0);
        if (boxes[0].Mode == DeviceMode.Passthrough && random.Next(5) > 0)
            boxes[0] = boxes[0] with { PassthroughTo = boxes.Skip(1).FirstOrDefault(box => box.Mode == DeviceMode.Router)?.Id };
        var things = ImmutableArray.CreateBuilder<Endpoint>();
        for (var n = random.Next(2, 8); n > 0; n--) things.Add(Thing(random, things.Count, boxes, Take));
        var house = new NetworkDocument { Name = $"seed {seed}", Line = line, Devices = [.. boxes], Cables = cables.ToImmutable(), Endpoints = things.ToImmutable() };
        house = Aim(random, house);
        // Whatever chance makes must be a document that the reader takes.
        var read = DocumentReader.Read(AltrinJson.WriteCompact(house));
        return read.Document ?? throw new InvalidOperationException($"seed {seed}: {read.Problems[0]}");
    }

    /// <summary>Numbers of real streets: the stand-ins, what was seen (public, or another router's inside), what was agreed. 198.51.100.0/24
    /// is the lab's own internet.</summary>
    private static Line AsSeenOrAgreed(Random random, Line line)
    {
        if (line.HandOff == HandOff.Static) return random.Next(2) == 0 ? line with { Agreed = At("192.0.2.22/29", "192.0.2.17") } : line;
        return random.Next(6) switch
        {
            0 => line with { Seen = At("192.0.2.130/24", "192.0.2.129") },
            1 => line with { Seen = At("192.0.2.130/24", "192.0.2.131") },
            2 => line with { Seen = At("172.20.0.23/16", "172.20.0.1") },
            _ => line,
        };

        static LineAddress At(string address, string gateway) => new() { Address = InterfaceAddress.Parse(address), Gateway = Ipv4Address.Parse(gateway) };
    }

    private static WanSettings WanFor(Line line) => line.HandOff switch
    {
        HandOff.Pppoe => new() { Method = WanMethod.Pppoe },
        // What was agreed; where nothing was, numbers of the house's own count as agreed.
        HandOff.Static => line.Agreed is { } agreed
            ? new() { Method = WanMethod.Static, Address = agreed.Address, Gateway = agreed.Gateway }
            : new() { Method = WanMethod.Static, Address = InterfaceAddress.Parse("192.0.2.66/26"), Gateway = Ipv4Address.Parse("192.0.2.65") },
        _ => new(),
    };

    private static DeviceMode ModeOf(Random random, int i) => i == 0
        ? random.Next(10) switch { 0 or 1 => DeviceMode.Modem, 2 or 3 => DeviceMode.Passthrough, _ => DeviceMode.Router }
        : random.Next(14) switch
        {
            < 5 => DeviceMode.Router,
            < 7 => DeviceMode.AccessPoint,
            7 => DeviceMode.Repeater,
            8 => DeviceMode.Wds,
            9 => DeviceMode.ClientBridge,
            10 => DeviceMode.MeshSatellite,
            11 => DeviceMode.Modem,
            _ => DeviceMode.Switch,
        };

    private static Device Box(Random random, int i)
    {
        var mode = ModeOf(random, i);
        var own = InterfaceAddress.Parse(Subnets[random.Next(Subnets.Length)]);
        // Boxes that only bridge mostly have an address beside the first router's.
        if (mode is not (DeviceMode.Router or DeviceMode.Passthrough or DeviceMode.Modem) && random.Next(3) > 0) own = InterfaceAddress.Parse($"192.168.31.{i + 1}/24");
        var first = own.Prefix.Network;
        var pool = (random.Next(12) == 0 ? Ipv4Address.Parse("192.168.77.0") : first).Plus((uint)random.Next(2, 60));
        var isUnknown = random.Next(10) == 0;
        var vlans = random.Next(4) == 0;
        var joins = mode is DeviceMode.Repeater or DeviceMode.Wds or DeviceMode.ClientBridge or DeviceMode.MeshSatellite ? random.Next(6) > 0 : mode == DeviceMode.Router && i > 0 && random.Next(5) == 0;
        return new()
        {
            Id = $"b{i}",
            Name = $"Box {i}",
            Mac = new(0x0000_5E00_5300UL | (uint)i),
            Mode = mode,
            Ports = [new() { Id = "wan", Role = PortRole.Wan }, .. Enumerable.Range(1, 4).Select(n => Port(random, n, vlans))],
            Radios = [new() { Id = "2g", Band = Band.Ghz24 }],
            Lan = mode == DeviceMode.Switch && random.Next(2) == 0 ? null : new()
            {
                Method = mode is not (DeviceMode.Router or DeviceMode.Passthrough) && random.Next(3) == 0 ? LanMethod.Dhcp : LanMethod.Static,
                Address = own,
                DhcpServer = new()
                {
                    Enabled = mode is DeviceMode.Router or DeviceMode.Passthrough ? random.Next(5) > 0 : random.Next(3) == 0,
                    Start = isUnknown ? null : pool,
                    End = isUnknown ? null : pool.Plus((uint)(random.Next(5) == 0 ? 1 : random.Next(10, 50))),
                    Gateway = random.Next(10) == 0 ? first.Plus(99) : null,
                    Reservations = random.Next(4) == 0 ? [new() { Mac = new(0x0000_5E00_5380UL), Address = first.Plus((uint)random.Next(20, 90)) }] : [],
                },
            },
            Wan = random.Next(12) switch { 0 => new() { Method = WanMethod.Pppoe }, 1 => new() { Method = WanMethod.None }, 2 => new() { Method = WanMethod.Static, Address = InterfaceAddress.Parse("192.168.31.77/24"), Gateway = Ipv4Address.Parse("192.168.31.1") }, _ => new() },
            Nat = random.Next(10) > 0,
            Firewall = random.Next(3) > 0,
            Upnp = random.Next(3) == 0,
            Hairpin = random.Next(2) == 0,
            Wifi = random.Next(5) == 0 ? [] :
            [
                new() { Radio = "2g", Ssid = random.Next(3) > 0 ? "home" : $"net{i}", Security = WifiSecurity.Wpa2, Key = "k", Enabled = random.Next(6) > 0, Channel = new(random.Next(3) > 0 ? 6 : 11) },
                .. random.Next(3) == 0 ? new[] { new WifiNetwork { Radio = "2g", Ssid = "visitors", Guest = true, Vlan = vlans ? 20 : null, Enabled = random.Next(4) > 0 } } : [],
            ],
            Uplink = joins ? new() { Radio = "2g", Ssid = "home", Security = WifiSecurity.Wpa2, Key = random.Next(8) == 0 ? "other" : "k" } : null,
            ServesWifi = random.Next(2) == 0,
            Off = i > 0 && random.Next(16) == 0 ? true : null,
        };
    }

    private static Port Port(Random random, int n, bool vlans) => new()
    {
        Id = $"lan{n}",
        Role = PortRole.Lan,
        Vlan = vlans && random.Next(4) == 0 ? 20 : null,
        Tagged = vlans && random.Next(2) == 0 ? [20] : [],
    };

    private static Endpoint Thing(Random random, int i, List<Device> boxes, Func<string, bool, Socket?> take)
    {
        Attachment? connect = null;
        if (random.Next(3) > 0 && take(boxes[random.Next(boxes.Count)].Id, random.Next(12) == 0) is { } socket) connect = Attachment.To(socket);
        else if (random.Next(6) > 0)
            connect = random.Next(4) == 0
                ? new Attachment.Join { Ssid = "visitors" }
                : new Attachment.Join { Ssid = random.Next(3) > 0 ? "home" : "net1", Security = WifiSecurity.Wpa2, Key = "k", Near = random.Next(3) == 0 ? boxes[random.Next(boxes.Count)].Id : null };
        var router = InterfaceAddress.Parse(Subnets[random.Next(Subnets.Length)]);
        return new()
        {
            Id = $"e{i}",
            Name = $"Thing {i}",
            Mac = new(0x0000_5E00_5380UL | (uint)i),
            Connect = connect,
            Address = random.Next(4) == 0
                ? EndpointAddress.Fixed(new(router.Prefix.Network.Plus((uint)random.Next(1, 64)), random.Next(8) == 0 ? 16 : router.Prefix.Length), router.Address)
                : new(),
            Services = random.Next(2) == 0 ? [new() { Protocol = random.Next(4) == 0 ? TransportProtocol.Udp : TransportProtocol.Tcp, Port = 8000 + random.Next(3) }] : [],
        };
    }

    /// <summary>Forwards and DMZ hosts that mostly point at what is there, each router's at the next way in.</summary>
    private static NetworkDocument Aim(Random random, NetworkDocument house)
    {
        var state = Altrin.Core.Simulation.Simulator.Run(house);
        var inside = state.Interfaces.Where(one => one.Address is not null && one.Segment >= 0).ToList();
        return house with
        {
            Devices = [.. house.Devices.Select(device =>
            {
                if (device.Mode != DeviceMode.Router || random.Next(2) == 0) return device;
                var targets = inside.Where(one => one.Owner != device.Id && one.Segment == state.InsideOf(device.Id)).Select(one => one.Address!.Value.Address).ToList();
                if (targets.Count == 0) return device;
                Ipv4Address Target() => targets[random.Next(targets.Count)];
                return device with
                {
                    PortForwards = [.. Enumerable.Range(0, random.Next(0, 4)).Select(_ => new PortForward
                    {
                        Protocol = random.Next(4) == 0 ? TransportProtocol.Udp : TransportProtocol.Tcp,
                        Port = 8000 + random.Next(4),
                        ToAddress = Target(),
                        ToPort = random.Next(2) == 0 ? 8000 + random.Next(3) : null,
                    })],
                    DmzHost = random.Next(3) == 0 ? Target() : null,
                };
            })],
        };
    }
}
