using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Radio;
using Altrin.Core.Simulation;

namespace Altrin.Core.Air.Placing;

/// <summary>Tries a box at every place of the house, on each band by which it could join, and says which is best.</summary>
public static class Places
{
    /// <summary>A step no smaller than that: a wall is not known to the decimetre.</summary>
    private const double StepM = 1;

    /// <summary>A barn is tried on a coarser grid.</summary>
    private const int MostPoints = 600;

    private const int UsualHouse = 40;

    /// <returns>Null where no room is listed or there is no such box.</returns>
    /// <param name="everyMetre">Else each room once, in its middle: enough to say in which.</param>
    public static Standing? Of(NetworkDocument house, string device, bool everyMetre = true, CancellationToken cancel = default)
    {
        if (house.FindDevice(device) is not { } box || house.Rooms.IsEmpty) return null;
        var ways = Ways(house, box);
        var plan = new FloorPlan(house);
        var now = Rooms.Find(house, box.Room) is { } room ? Try(house, device, room, box.At, box.Uplink, plan).Spot : null;
        var (halfWay, why) = HalfWay.Of(house, box, plan);
        var places = Candidates(house, everyMetre).ToList();
        // The rule of thumb is one of the places, so that the best is never worse.
        if (everyMetre && halfWay is { } thumb) places.Add((thumb.Room, thumb.At));
        var byRoom = new Dictionary<string, (Spot Spot, RoomRates Rates)>(StringComparer.Ordinal);
        var tried = 0;
        foreach (var (where, at) in places)
            foreach (var way in ways)
            {
                cancel.ThrowIfCancellationRequested();
                tried++;
                var one = Try(house, device, where, at, way, plan);
                if (!byRoom.TryGetValue(where.Id, out var best) || one.Rates.CompareTo(best.Rates) > 0) byRoom[where.Id] = one;
            }
        var sorted = byRoom.Values.OrderByDescending(one => one.Rates).ToList();
        return new(device, now, sorted.Count > 0 ? sorted[0].Spot : null, halfWay is { } half ? Try(house, device, half.Room, half.At, box.Uplink, plan).Spot : null, why,
            [.. sorted.Select(one => one.Spot)], tried, places.Exists(place => place.At is not null));
    }

    /// <summary>A box at one place, and the rooms that would hear nothing any more.</summary>
    public static (Spot Spot, ImmutableArray<Room> Lost) Look(NetworkState state, string device, Room room, FloorPoint? at, Uplink? uplink) =>
        (Try(state.House, device, room, at, uplink, state.AirMap.Plan).Spot, Coverage.Lost(state.AirMap, AirMap.Of(Moved(state.House, device, room, at, uplink), state.AirMap.Plan), state.House));

    /// <summary>The house with the box there, as the air of it is.</summary>
    internal static (Spot Spot, RoomRates Rates) Try(NetworkDocument house, string device, Room room, FloorPoint? at, Uplink? uplink, FloorPlan plan)
    {
        var there = Moved(house, device, room, at, uplink);
        var air = AirMap.Of(there, plan);
        var rates = RoomRates.Of(there, air);
        var index = there.Devices.ToList().FindIndex(one => one.Id == device);
        var link = air.Links.FirstOrDefault(one => one.From == index);
        return (new(room.Id, at, link?.Radio.Id, link?.Radio.Band, link is null ? null : there.Devices[link.To].Id, link is null ? null : Math.Round(link.LevelDbm, 1), rates.Worst?.Mbps, rates.Worst?.Room, rates.Rooms), rates);
    }

    public static NetworkDocument Moved(NetworkDocument house, string device, Room room, FloorPoint? at, Uplink? uplink) =>
        house.WithDevice(device, box => box with { Room = room.Id, At = at, Uplink = uplink });

    /// <summary>How it joins, and the same by each other radio of it on whose band that network is made.</summary>
    private static ImmutableArray<Uplink?> Ways(NetworkDocument house, Device box)
    {
        if (box.Uplink is not { } now) return [null];
        var bands = house.Devices.Where(other => other.Id != box.Id).SelectMany(other => other.Wifi.Where(network => network.Enabled && network.Ssid == now.Ssid && network.Key == now.Key)
            .Select(network => other.Radios.FirstOrDefault(radio => radio.Id == network.Radio)?.Band)).ToHashSet();
        return [now, .. box.Radios.Where(radio => radio.Id != now.Radio && bands.Contains(radio.Band)).Select(radio => now with { Radio = radio.Id })];
    }

    /// <summary>Each room; where it is drawn each metre of it.</summary>
    private static IEnumerable<(Room Room, FloorPoint? At)> Candidates(NetworkDocument house, bool everyMetre)
    {
        var indoors = house.Rooms.Where(room => room.Outdoor != true).ToList();
        var area = indoors.Sum(room => room.Rect is { } rect ? rect.Width * rect.Depth : 0);
        // In a big house each try costs more, and is no matter of a metre.
        var points = Math.Max(40, MostPoints * UsualHouse / Math.Max(UsualHouse, house.Devices.Length + house.Endpoints.Length));
        var step = Math.Max(StepM, Math.Sqrt(area / points));
        foreach (var room in indoors)
        {
            if (!everyMetre || room.Rect is not { } rect) yield return (room, null);
            else
                foreach (var x in Along(rect.X, rect.Width, step))
                    foreach (var y in Along(rect.Y, rect.Depth, step)) yield return (room, new FloorPoint(x, y));
        }
    }

    /// <summary>From half a step within one wall to half a step within the other.</summary>
    private static IEnumerable<double> Along(double from, double length, double step)
    {
        var count = Math.Max(1, (int)Math.Floor(length / step));
        for (var i = 0; i < count; i++) yield return Math.Round(from + (i + 0.5) * length / count, 2);
    }
}
