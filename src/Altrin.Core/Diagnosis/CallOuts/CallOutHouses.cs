using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Diagnosis.CallOuts;

/// <summary>Houses that work, by a seed: a gateway, and what stands behind it in one of the ways of the trade. All names are
/// invented.</summary>
internal sealed class CallOutHouses
{
    private static readonly string[] Words = ["Alder", "Birch", "Cedar", "Elder", "Hazel", "Juniper", "Linden", "Maple", "Rowan", "Willow"];
    private static readonly string[] Rooms = ["loft", "studio", "kitchen", "lounge", "office", "workshop"];

    private static readonly DeviceMode Router = Modes.First(mode => mode.IsRouter), Point = Modes.First(mode => mode.IsAccessPoint),
        Repeating = Modes.First(mode => mode.IsRepeater), Switching = Modes.First(mode => mode.IsSwitch),
            Modem = Modes.First(mode => mode.IsModem),
        HandsOn = Modes.First(mode => mode.HandsLineOn);

    private readonly Dice dice;
    private NetworkDocument house;
    private readonly string ssid;
    private int macs;

    private CallOutHouses(ulong seed)
    {
        dice = new(seed);
        var word = dice.Of(Words);
        ssid = word.ToLowerInvariant();
        house = new() { Name = $"{word} House" };
    }

    public static NetworkDocument Of(ulong seed)
    {
        var houses = new CallOutHouses(seed);
        houses.Build();
        return houses.house;
    }

    private void Build()
    {
        var third = dice.Of([0, 1, 8, 31, 88, 178]);
        var own = Address($"192.168.{third}.1");
        var way = dice.Below(7);
        var gateway = Box("gw", "Hall gateway", "hall", Router, own, served: true) with
        {
            Supports = [Router, Modem, HandsOn],
            Label = new() { DefaultAddress = Ipv4Address.Parse("192.168.1.1") },
        };
        house = house with { Line = new() { Device = "gw", Port = "wan", DownMbps = dice.Of([50.0, 100, 250, 500]) } };
        var second = dice.Of(Rooms);
        var name = $"{char.ToUpperInvariant(second[0])}{second[1..]}";
        var access = Address($"192.168.{third}.2");
        var behind = Address($"192.168.{(third == 50 ? 51 : 50)}.1");
        house = way switch
        {
            0 or 1 => With(gateway).Cable("gw", "lan3", "ap", "wan", Bridged("ap", $"{name} access point", second, access)),
            2 => With(gateway).Radio(Repeater($"{name} repeater", second, access)),
            3 => With(gateway).Cable("gw", "lan3", "own", "wan",
                Box("own", $"{name} router", second, Router, behind, served: true) with { KeptApart = true }),
            4 => With(gateway with { Mode = HandsOn, PassthroughTo = "own" })
                .Cable("gw", "lan1", "own", "wan", Box("own", $"{name} router", second, Router, behind, served: true)),
            5 => With(gateway with { Mode = Modem }).Cable("gw", "lan1", "own", "wan",
                Box("own", $"{name} router", second, Router, behind, served: true)),
            _ => With(gateway).Cable("gw", "lan4", "sw", "p1", Switch(second, name)),
        };
        var inner = way is 4 or 5 ? "own" : "gw";
        Things(inner, way switch { 0 or 1 => "ap", 2 => "rep", 3 => "own", 6 => "sw", _ => "own" }, second);
        if (dice.OneIn(3)) Open(inner);
    }

    private static InterfaceAddress Address(string text) => new(Ipv4Address.Parse(text), InterfaceAddress.BareLength);

    private MacAddress Mac() => MacAddress.Parse($"02:00:5E:10:00:{++macs:X2}");

    private Device Box(string id, string name, string room, DeviceMode mode, InterfaceAddress own, bool served) => new()
    {
        Id = id,
        Name = name,
        Room = room,
        Mac = Mac(),
        Mode = mode,
        Supports = [Router, Point, Repeating],
        Ports = [new() { Id = "wan", Role = PortRole.Wan },
            .. Enumerable.Range(1, 4).Select(n => new Port { Id = $"lan{n}", Role = PortRole.Lan })],
        Radios = [new() { Id = "5g", Band = Band.Ghz5, Generation = "ac", Streams = 2, MaxWidthMHz = 80 }],
        Lan = new()
        {
            Address = own,
            DhcpServer = new() { Enabled = served, Start = own.Prefix.Network.Plus(100), End = own.Prefix.Network.Plus(199) }
        },
        Wan = new(),
        Wifi = [new() { Radio = "5g", Ssid = ssid, Security = WifiSecurity.Wpa2, Key = "home", Channel = new(36) }],
        Label = new() { DefaultAddress = Ipv4Address.Parse(id == "gw" ? "192.168.1.1" : "192.168.0.1") },
    };

    private Device Bridged(string id, string name, string room, InterfaceAddress own) => Box(id, name, room, Point, own, served: false);

    private Device Repeater(string name, string room, InterfaceAddress own) => Box("rep", name, room, Repeating, own, served: false) with
    {
        Uplink = new() { Radio = "5g", Ssid = ssid, Security = WifiSecurity.Wpa2, Key = "home", Near = "gw" },
    };

    private static Device Switch(string room, string name) => new()
    {
        Id = "sw",
        Name = $"{name} switch",
        Room = room,
        Mode = Switching,
        Supports = [Switching],
        Ports = [.. Enumerable.Range(1, 5).Select(n => new Port { Id = $"p{n}", Role = PortRole.Lan })],
    };

    private CallOutHouses With(Device box)
    {
        house = house with { Devices = house.Devices.Add(box) };
        return this;
    }

    private NetworkDocument Cable(string a, string port, string b, string far, Device box)
    {
        With(box);
        return house with
        {
            Cables = house.Cables.Add(new()
            {
                Id = $"c{house.Cables.Length + 1}",
                A = new(a, port),
                B = new(b, far),
                Category = "cat5e",
                LengthM = 5 + dice.Below(20)
            }),
        };
    }

    private NetworkDocument Radio(Device box) => With(box).house;

    private void Things(string inner, string far, string room)
    {
        var farBox = house.FindDevice(far)!;
        var join = new Attachment.Join { Ssid = ssid, Security = WifiSecurity.Wpa2, Key = "home", Near = farBox.SendsWifi ? far : inner };
        Add("tablet", "Tablet", "tablet", room, join);
        Add("laptop", "Work laptop", "laptop", room, farBox.Traits.BridgesByRadio ? join : Free(far) ?? join);
        if (Free(inner) is { } socket) Add("printer", "Printer", "printer", house.FindDevice(inner)!.Room!, socket);
        if (dice.OneIn(2) && house.FindDevice(inner) is { SendsWifi: true })
            Add("phone", "Phone", "phone", "hall", join with { Near = inner });
        var printer = house.FindEndpoint("printer");
        var isOneNetwork = inner == far || !farBox.Traits.IsRouter;
        house = house with
        {
            Needs =
            [
                .. house.Endpoints.Where(thing => thing.Id != "printer").Select(thing =>
                    (Need)new Need.Internet { Id = $"internet-{thing.Id}", Endpoint = thing.Id }),
                .. printer is not null && (isOneNetwork || far != inner)
                    ? [new Need.Reach { Id = "print", From = "laptop", To = "printer" }] : Array.Empty<Need>(),
            ],
        };
    }

    private Attachment? Free(string device)
    {
        var box = house.FindDevice(device)!;
        return house.FreePort(box, PortRole.Lan) is { } port ? Attachment.To(new(device, port.Id)) : null;
    }

    private void Add(string id, string name, string kind, string room, Attachment connect) => house = house with
    {
        Endpoints = house.Endpoints.Add(new() { Id = id, Name = name, Kind = kind, Room = room, Mac = Mac(), Connect = connect }),
    };

    /// <summary>A recorder that is seen from outside by a forward.</summary>
    private void Open(string inner)
    {
        var box = house.FindDevice(inner)!;
        if (Free(inner) is not { } socket || box.Lan?.Address is not { } own) return;
        var at = new InterfaceAddress(own.Prefix.Network.Plus(20), own.Prefix.Length);
        Add("recorder", "Recorder", "recorder", box.Room!, socket);
        house = house.WithEndpoint("recorder",
            one => one with
            {
                Address = EndpointAddress.Fixed(at, own.Address),
                Services = [new() { Protocol = TransportProtocol.Tcp, Port = 443 }]
            })
            .WithDevice(inner,
                one => one with
                {
                    PortForwards = [new() { Protocol = TransportProtocol.Tcp, Port = 8443, ToAddress = at.Address,
                ToPort = 443 }]
                });
        house = house with
        {
            Needs = house.Needs.Add(new Need.Inbound
            {
                Id = "watch",
                Endpoint = "recorder",
                Protocol = TransportProtocol.Tcp,
                Port = 443
            })
        };
    }
}
