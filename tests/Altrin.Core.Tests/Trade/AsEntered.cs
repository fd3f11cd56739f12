using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Kit;
using Altrin.Core.Network;

namespace Altrin.Core.Tests.Trade;

/// <summary>A house as a person enters it in the hall in five minutes: kinds from the shelf, the addresses of the labels, the household's
/// Wi-Fi name.
/// No room is drawn, no pool is looked at but where it is said, and what nobody asked is open. By the deeds of the page.</summary>
internal sealed class AsEntered
{
    private NetworkDocument house = new() { Name = "House", Country = "GB" };
    private int things;

    public static AsEntered Hall(string gateway, string? address = null, string? ssid = "larkspur", string? pool = null,
        string id = "gateway")
    {
        var entered = new AsEntered();
        var box = KitShelf.Find(gateway)!.Make(id, "Gateway", "Hall", address: address is null ? null : Ipv4Address.Parse(address));
        if (box.Lan?.DhcpServer is { } server)
        {
            var seen = pool?.Split('-');
            server = server with
            {
                Start = seen is null ? null : Ipv4Address.Parse(seen[0]),
                End = seen is null ? null : Ipv4Address.Parse(seen[1]),
            };
            box = box with { Lan = box.Lan with { DhcpServer = server } };
        }
        var networks = ssid is null || !box.Traits.IsRouter && !box.SendsWifi ? [] : box.Wifi.Select(one => one with
        {
            Ssid = ssid,
            Security = WifiSecurity.Wpa2,
            Key = "home"
        }).ToImmutableArray();
        box = box with { Wifi = networks, DefaultPassword = null };
        return entered.Do(new AddDevice(box), new SetLine(new()
        {
            Device = id,
            Port = box.Ports.First(port =>
            port.Role == PortRole.Wan).Id
        }));
    }

    public AsEntered Do(params ImmutableArray<InstallerAction> actions)
    {
        foreach (var action in actions)
        {
            var attempt = ActionRunner.DoAll(house, [action]);
            house = attempt.House ?? throw new InvalidOperationException($"{action.Say(house)}: {attempt.Problem!.Message}");
        }
        return this;
    }

    /// <summary>A box that was brought and lies on the table.</summary>
    /// <param name="serves">The room that it is meant for.</param>
    /// <param name="used">It has a past.</param>
    public AsEntered Brought(string kit, string id, string name, string? serves = null, string? address = null, bool used = false,
        string? mac = null, string? room = null) =>
        Do(new AddDevice(KitShelf.Find(kit)!.Make(id, name, room, mac is null ? null : MacAddress.Parse(mac), address is null ? null
            : Ipv4Address.Parse(address)) with
        {
            Serves = serves is null ? [] : [serves],
            UsedBefore = used ? true : null,
        }));

    /// <summary>A box that is at work already, its cable in a socket of another.</summary>
    public AsEntered AtWork(string kit, string id, string name, string room, string from, string fromPort, string port,
        string? address = null, Func<Device, Device>? set = null, Medium medium = Medium.Ethernet)
    {
        var box = KitShelf.Find(kit)!.Make(id, name, room, address: address is null ? null
            : Ipv4Address.Parse(address)) with
        { DefaultPassword = null };
        return Do(new AddDevice(set?.Invoke(box) ?? box), new PlugCable(new()
        {
            Id = $"{from}-{id}",
            A = new(from, fromPort),
            B = new(id,
            port),
            Medium = medium
        }));
    }

    public AsEntered OnWifi(string name, string kind, string ssid = "larkspur", string? room = null) =>
        Do(new AddEndpoint(new()
        {
            Id = $"thing-{++things}",
            Name = name,
            Kind = kind,
            Room = room,
            Connect = new Attachment.Join { Ssid = ssid, Security = WifiSecurity.Wpa2, Key = "home" },
        }));

    public AsEntered Plugged(string name, string kind, string device, string port, string? room = null, string? mac = null,
        ImmutableArray<Service> services = default) =>
        Do(new AddEndpoint(new()
        {
            Id = $"thing-{++things}",
            Name = name,
            Kind = kind,
            Room = room,
            Mac = mac is null ? null : MacAddress.Parse(mac),
            Connect = Attachment.To(new(device, port)),
            Services = services.IsDefault ? [] : services,
        }));

    public AsEntered Loose(string name, string kind, string room) =>
        Do(new AddEndpoint(new() { Id = $"thing-{++things}", Name = name, Kind = kind, Room = room }));

    /// <summary>A cable that lies between two rooms.</summary>
    public AsEntered Run(string a, string b, Medium medium = Medium.Ethernet) => Do(new NoteRun(a, b, medium));

    public AsEntered Rooms(params string[] names) =>
        Do(Described() with
        {
            Rooms = [.. house.Rooms, .. names.Select(name => new Room { Id = name.ToLowerInvariant().Replace(' ', '-'),
            Name = name })]
        });

    public AsEntered Wants(params Need[] needs) => Do([.. needs.Select(need => (InstallerAction)new SetNeed(need))]);

    public AsEntered Box(string id, Func<Device, Device> change) => Do(new DescribeDevice(change(house.FindDevice(id)!)));

    public AsEntered LineIs(Func<Line, Line> change) => Do(new SetLine(change(house.Line!)));

    private DescribeHouse Described() => new(house.Name, house.Country, house.Building)
    {
        Rooms = house.Rooms,
        Runs = house.Runs,
        Neighbours = house.Neighbours
    };

    public NetworkDocument Done => DocumentReader.Read(AltrinJson.Write(house)).Document!;
}
