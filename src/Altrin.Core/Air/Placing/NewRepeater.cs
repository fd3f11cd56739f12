using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Air.Placing;

/// <summary>A repeater that nobody has bought yet, and a box on the table as if it were one: to see what it would bring. How it is set the plans work out.</summary>
public static class NewRepeater
{
    public const string Id = "another-repeater", Kit = "repeater-plug-in-dual";

    /// <summary>The house with one more repeater in it, that joins the household's network.</summary>
    /// <returns>Null where there is no network to be joined.</returns>
    public static NetworkDocument? In(NetworkDocument house)
    {
        if (house.FindDevice(Id) is not null || house.FindEndpoint(Id) is not null) return null;
        return Joining(house with { Devices = house.Devices.Add(KitShelf.Find(Kit)!.Make(Id, "another repeater")) }, Id, DeviceMode.Repeater);
    }

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
    public static DeviceMode? ModeOf(Device box) => box.CanBe(DeviceMode.MeshSatellite) ? DeviceMode.MeshSatellite : box.CanBe(DeviceMode.Repeater) ? DeviceMode.Repeater : null;
}
