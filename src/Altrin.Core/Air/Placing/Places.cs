using System.Collections.Immutable;
using Altrin.Core.Actions;
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

    /// <summary>Radios times rooms that all tries together look at: some seconds.</summary>
    private const long MostWork = 2_000_000;

    /// <summary>Where one of several questions is asked, it gets that part of the time.</summary>
    internal const int Few = 4;

    /// <returns>Null where no room is listed or there is no such box.</returns>
    /// <param name="everyMetre">Else each room once, in its middle: enough to say in which.</param>
    public static Standing? Of(NetworkDocument house, string device, bool everyMetre = true, CancellationToken cancel = default)
    {
        if (house.FindDevice(device) is not { } box || house.Rooms.IsEmpty) return null;
        var ways = Ways(house, box);
        var now = Rooms.Find(house, box.Room) is { } room ? Try(house, device, room, box.At, box.Uplink).Spot : null;
        var (halfWay, why) = HalfWay.Of(house, box);
        var places = Thinned([.. Candidates(house, everyMetre)], MostTries(house, everyMetre ? 1 : Few) / ways.Length);
        // The rule of thumb is one of the places, so that the best is never worse.
        if (everyMetre && halfWay is { } thumb) places.Add((thumb.Room, thumb.At));
        var byRoom = new Dictionary<string, (Spot Spot, RoomRates Rates)>(StringComparer.Ordinal);
        var tried = 0;
        foreach (var (where, at) in places)
            foreach (var way in ways)
            {
                cancel.ThrowIfCancellationRequested();
                tried++;
                var one = Try(house, device, where, at, way);
                if (!byRoom.TryGetValue(where.Id, out var known) || one.Rates.CompareTo(known.Rates) > 0) byRoom[where.Id] = one;
            }
        var sorted = byRoom.Values.OrderByDescending(one => one.Rates).ToList();
        var best = sorted.Count > 0 ? sorted[0].Spot : null;
        return new(device, now, best, halfWay is { } half ? Try(house, device, half.Room, half.At, box.Uplink).Spot : null, why, [.. sorted.Select(one => one.Spot)], WhyNoDeed(house, box),
            [.. house.Endpoints.Where(thing => thing.Connect?.Socket?.Device == device && thing.Id != Laptop.Id).Select(thing => thing.Name)], best is not null && now is not null && (best.WorstMbps ?? 0) < WorthMoving * (now.WorstMbps ?? 0),
            tried, places.Exists(place => place.At is not null));
    }

    /// <summary>The same for any box: one that lies on the table is tried as a repeater, as far as it can be one, and how it is set then is for the plans.</summary>
    public static Standing? Of(NetworkState state, string device, CancellationToken cancel = default)
    {
        if (state.IsInUse(device)) return Of(state.House, device, everyMetre: true, cancel);
        if (NewSender.OnTheTable(state.House, device) is not { } there || Of(there, device, everyMetre: true, cancel) is not { } standing) return null;
        Spot? Bare(Spot? spot) => spot is null ? null : spot with { Actions = [] };
        return standing with
        {
            Now = null,
            IsAsGood = false,
            Best = Bare(standing.Best),
            HalfWay = Bare(standing.HalfWay),
            ByRoom = [.. standing.ByRoom.Select(spot => Bare(spot)!)],
            WhyNoDeed = "It lies on the table: the plans work out how it is set, in any room.",
        };
    }

    /// <summary>Less is no reason to carry anything. Common practice, no source.</summary>
    private const double WorthMoving = 1.1;

    private static string? WhyNoDeed(NetworkDocument house, Device box) => house.Line?.Device == box.Id ? "The line comes in where it stands: the line, or a cable from there, has to come along."
        : house.Cables.Any(cable => cable.A.Device == box.Id || cable.B.Device == box.Id) ? "It hangs on a cable, which has to come along."
        : box.Uplink is null ? "It joins nobody as it is set: the plans work out how it is set, in any room." : null;

    /// <summary>To another room it is carried, which takes its cables out; in its own it is put down elsewhere.</summary>
    private static ImmutableArray<InstallerAction> Deeds(NetworkDocument house, Device box, Room room, FloorPoint? at, Uplink? uplink)
    {
        if (WhyNoDeed(house, box) is not null) return [];
        var same = Rooms.AreSame(house, box.Room, room.Id);
        if (same && box.At == at && box.Uplink == uplink) return [];
        InstallerAction move = same ? new PlaceAt(box.Id, room.Id, at) : new CarryDevice(box.Id, room.Id, at);
        ImmutableArray<InstallerAction> deeds = uplink == box.Uplink ? [move] : [move, new SetUplink(box.Id, uplink)];
        // What was measured of it where it stood says nothing of where it is to stand.
        var there = Moved(house, box.Id, room, at, uplink);
        return [.. deeds, .. Difference.Actions(house, house with { Measured = there.Measured, Rooms = there.Rooms })];
    }

    /// <summary>A box at one place, and the rooms that would hear nothing any more.</summary>
    public static (Spot Spot, ImmutableArray<Room> Lost) Look(NetworkState state, string device, Room room, FloorPoint? at, Uplink? uplink) =>
        (Try(state.House, device, room, at, uplink).Spot, Coverage.Lost(state.AirMap, AirMap.Of(Moved(state.House, device, room, at, uplink)), state.House));

    /// <summary>The house with the box there, as the air of it is.</summary>
    internal static (Spot Spot, RoomRates Rates) Try(NetworkDocument house, string device, Room room, FloorPoint? at, Uplink? uplink)
    {
        var there = Moved(house, device, room, at, uplink);
        var air = AirMap.Of(there);
        var rates = RoomRates.Of(there, air);
        var index = there.Devices.ToList().FindIndex(one => one.Id == device);
        var link = air.Links.FirstOrDefault(one => one.From == index);
        return (new(room.Id, at, link?.Radio.Id, link?.Radio.Band, link is null ? null : there.Devices[link.To].Id, link is null ? null : Math.Round(link.LevelDbm, 1), rates.Worst?.Mbps, rates.Worst?.Room, rates.Rooms, Deeds(house, house.FindDevice(device)!, room, at, uplink)), rates);
    }

    public static NetworkDocument Moved(NetworkDocument house, string device, Room room, FloorPoint? at, Uplink? uplink)
    {
        var there = house.WithDevice(device, box => box with { Room = room.Id, At = at, Uplink = uplink });
        return MeasuredAsFound.Of(house)?.In(there) ?? there;
    }

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

    /// <summary>How many houses with one box elsewhere can be looked at while somebody waits.</summary>
    internal static int MostTries(NetworkDocument house, int part = 1) => (int)Math.Clamp(MostWork / part / Math.Max(1, (long)house.Rooms.Length * house.Devices.Sum(box => box.Radios.Length)), 10, int.MaxValue);

    /// <summary>Evenly fewer.</summary>
    internal static List<T> Thinned<T>(List<T> all, int most) => all.Count <= most ? all : [.. Enumerable.Range(0, most).Select(i => all[(int)((long)i * all.Count / most)])];

    /// <summary>From half a step within one wall to half a step within the other.</summary>
    private static IEnumerable<double> Along(double from, double length, double step)
    {
        var count = Math.Max(1, (int)Math.Floor(length / step));
        for (var i = 0; i < count; i++) yield return Math.Round(from + (i + 0.5) * length / count, 2);
    }
}
