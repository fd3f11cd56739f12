using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Air.Placing;

/// <summary>A box that nobody has bought yet, and one on the table as if it were in use: to see what it would bring. How it is set the plans work out.</summary>
public static class NewSender
{
    public const string Id = "another-sender";

    private const string Repeater = "repeater-plug-in-dual", Satellite = "mesh-satellite", MeshMain = "mesh-main", Point = "access-point-asks";

    /// <summary>The kind of the kit shelf that would join by radio here: one more satellite where the house has such units, else a dual-band repeater.</summary>
    public static KitKind RadioKind(NetworkDocument house) =>
        KitShelf.Find(house.Devices.Any(box => box.Traits.BreaksLoops || box.Kit == MeshMain) ? Satellite : Repeater)!;

    /// <summary>The house with one more of them in it, that joins the household's network.</summary>
    /// <returns>Null where there is no network to be joined.</returns>
    public static NetworkDocument? ByRadio(NetworkDocument house) => With(house, RadioKind(house)) is { } with && ModeOf(with.FindDevice(Id)!) is { } mode ? Joining(with, Id, mode) : null;

    /// <summary>The house with an access point more in a room, on a cable to a box; null where that one has no socket free, or where there is no network.</summary>
    public static NetworkDocument? ByCable(NetworkDocument house, string room, Device at)
    {
        if (house.FreePort(at, PortRole.Lan) is not { } socket || With(house, KitShelf.Find(Point)!) is not { } with
            || with.FindDevice(Id)!.ModeThat(mode => mode.IsAccessPoint) is not { } mode || Joining(with, Id, mode) is not { } sends) return null;
        var cable = new Cable { Id = Id, A = new(at.Id, socket.Id), B = new(Id, sends.FindDevice(Id)!.Ports[0].Id), Category = "cat6" };
        return sends.WithDevice(Id, box => box with { Uplink = null, Room = room }) is var placed ? placed with { Cables = placed.Cables.Add(cable) } : null;
    }

    private static NetworkDocument? With(NetworkDocument house, KitKind kind) =>
        house.FindDevice(Id) is not null || house.FindEndpoint(Id) is not null || house.Cables.Any(cable => cable.Id == Id) ? null : house with { Devices = house.Devices.Add(kind.Make(Id, $"another {kind.Name}")) };

    /// <summary>The house with a box of it joined to the household's network, on its newest band that the network is made on.</summary>
    public static NetworkDocument? Joining(NetworkDocument house, string device, DeviceMode mode)
    {
        var air = AirMap.Of(house);
        var users = house.Endpoints.Select(thing => thing.Connect).OfType<Attachment.Join>().Select(join => (join.Ssid, join.Key)).ToList();
        // The name that most things know; else the first that is made.
        var main = air.Sources.Where(source => source.Ssid is not null && house.Devices[source.Device].Id != device)
            .Select(source => house.Devices[source.Device].Wifi.First(network => network is { Enabled: true, Guest: false } && network.Radio == source.Radio.Id))
            .MaxBy(network => users.Count(user => user == (network.Ssid, network.Key)));
        if (main is null || house.FindDevice(device) is not { } box) return null;
        var bands = air.Sources.Where(source => source.Ssid == main.Ssid && house.Devices[source.Device].Id != device).Select(source => source.Radio.Band).ToHashSet();
        if (box.Radios.Where(radio => bands.Contains(radio.Band)).MaxBy(radio => radio.Band) is not { } up) return null;
        return house.WithDevice(device, _ => box with
        {
            Mode = mode,
            Uplink = new() { Radio = up.Id, Ssid = main.Ssid, Security = main.Security, Key = main.Key },
            ServesWifi = true,
            Wifi = [.. box.Radios.Select(radio => new WifiNetwork { Radio = radio.Id, Ssid = main.Ssid, Security = main.Security, Key = main.Key })],
        });
    }

    /// <summary>The house with a box that lies on the table joined by radio; null where it cannot be.</summary>
    public static NetworkDocument? OnTheTable(NetworkDocument house, string device) => house.FindDevice(device) is { } box && ModeOf(box) is { } mode ? Joining(house, device, mode) : null;

    /// <summary>How a box on the table could join by radio; null where it cannot.</summary>
    public static DeviceMode? ModeOf(Device box) => box.ModeThat(mode => mode.BreaksLoops) ?? box.ModeThat(mode => mode.IsRepeater);
}
