using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Tests.Air;

/// <summary>Houses of the air: boxes that send, in drawn rooms, with neighbours.</summary>
internal static class AirHouses
{
    public static WifiNetwork Home(string radio, int? channel = null, int? width = null, string ssid = "home") => new() { Radio = radio, Ssid = ssid, Security = WifiSecurity.Wpa2, Key = "k", Channel = new(channel), WidthMHz = width };

    public static WirelessRadio Five(int width = 80) => new() { Id = "5g", Band = Band.Ghz5, Generation = "ac", Streams = 2, MaxWidthMHz = width };

    public static WirelessRadio Two(string generation = "n") => new() { Id = "2g", Band = Band.Ghz24, Generation = generation, Streams = 2, MaxWidthMHz = 40 };

    public static Uplink Up(string radio, string? near = null) => new() { Radio = radio, Ssid = "home", Security = WifiSecurity.Wpa2, Key = "k", Near = near };

    /// <summary>Rooms of 4 × 4 m in a row from west to east, called r0, r1 …</summary>
    public static ImmutableArray<Room> Row(int rooms) => [.. Enumerable.Range(0, rooms).Select(i => new Room { Id = $"r{i}", Name = $"Room {i}", Floor = 0, Rect = new(i * 4, 0, 4, 4) })];

    public static HouseBuilder Gateway(int rooms = 3, WallMaterial walls = WallMaterial.Plasterboard, string? country = "GB", params WifiNetwork[] wifi) => new HouseBuilder().Gateway()
        .With(h => h with { Country = country, Building = new() { Walls = walls }, Rooms = Row(rooms), Line = h.Line! with { DownMbps = 500 } })
        .With(h => h.WithDevice("gw", d => d with { Room = "r0", Radios = [Two(), Five()], Wifi = [.. wifi], Ports = [.. d.Ports, .. Enumerable.Range(7, 14).Select(n => new Port { Id = $"lan{n}", Role = PortRole.Lan })] }));

    /// <summary>An access point on a cable to the gateway.</summary>
    public static HouseBuilder Point(this HouseBuilder house, string id, string room, params WifiNetwork[] wifi)
    {
        var n = house.House.Cables.Length;
        return house.Box(id, DeviceMode.AccessPoint, $"192.168.31.{20 + n}/24", false, with: d => d with { Room = room, Radios = [Two(), Five()], Wifi = [.. wifi] }).Cable($"gw:lan{n + 1}", $"{id}:lan1");
    }

    /// <summary>A box that joins another by radio and sends on.</summary>
    public static HouseBuilder Joins(this HouseBuilder house, string id, string room, Uplink uplink, DeviceMode mode = DeviceMode.Repeater, Func<Device, Device>? with = null, params WifiNetwork[] wifi) =>
        house.Box(id, mode, $"192.168.31.{40 + house.House.Devices.Length}/24", false,
            with: d => (with ?? (same => same))(d with { Room = room, Supports = [mode], Radios = [Two(), Five()], Wifi = [.. wifi], Uplink = uplink, ServesWifi = true }));

    public static HouseBuilder Neighbour(this HouseBuilder house, string ssid, int? channel, Band band = Band.Ghz24, double level = -60, string room = "r0") =>
        house.With(h => h with { Neighbours = h.Neighbours.Add(new() { Ssid = ssid, Band = band, Channel = channel, LevelDbm = level, Room = room }) });
}
