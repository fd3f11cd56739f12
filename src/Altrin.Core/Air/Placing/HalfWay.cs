using Altrin.Core.Network;
using Altrin.Core.Radio;
using Altrin.Core.Simulation;

namespace Altrin.Core.Air.Placing;

/// <summary>The rule of thumb: half way between whom it joins and the room that has least without it. Common practice, no source.</summary>
internal static class HalfWay
{
    /// <returns>The place, or why there is none to be named.</returns>
    public static ((Room Room, FloorPoint At)? Place, string? Why) Of(NetworkDocument house, Device box)
    {
        if (Parent(house, box) is not { } parent) return (null, $"{box.Name} joins nobody by radio, so there is nothing to be half way between.");
        if (Rooms.Find(house, parent.Room) is not { Rect: { } from } fromRoom) return (null, $"The room of {parent.Name} is not drawn, so nobody knows what is half way.");
        var without = RoomRates.Of(house.WithDevice(box.Id, one => one with { Off = true }));
        if (without.Worst is not { } weak || Rooms.Find(house, weak.Room) is not { Rect: { } to } toRoom) return (null, "The room with the least Wi-Fi is not drawn, so nobody knows what is half way.");
        var (a, b) = (parent.At ?? Middle(from), Middle(to));
        var point = new FloorPoint(Math.Round((a.X + b.X) / 2, 2), Math.Round((a.Y + b.Y) / 2, 2));
        // Of a line from floor to floor the middle is on the one between; where there is none, on the one or the other.
        var floor = ((fromRoom.Floor ?? 0) + (toRoom.Floor ?? 0)) / 2.0;
        var there = house.Rooms.Where(room => room is { Rect: { } rect, Outdoor: not true } && point.X >= rect.X && point.X <= rect.X + rect.Width && point.Y >= rect.Y && point.Y <= rect.Y + rect.Depth)
            .OrderBy(room => Math.Abs((room.Floor ?? 0) - floor)).FirstOrDefault();
        return there is null ? (null, $"Half way between {parent.Name} and {toRoom.Name} is in no room.") : ((there, Inside(point, there.Rect!.Value)), null);
    }

    /// <summary>Nobody stands a box into a wall.</summary>
    private static FloorPoint Inside(FloorPoint point, RoomRect rect) => new(Within(point.X, rect.X, rect.Width), Within(point.Y, rect.Y, rect.Depth));

    private static double Within(double at, double from, double length) => Math.Clamp(at, from + Math.Min(0.5, length / 2), from + length - Math.Min(0.5, length / 2));

    private static FloorPoint Middle(RoomRect rect) => new(rect.X + rect.Width / 2, rect.Y + rect.Depth / 2);

    /// <summary>Whom it joins; where it joins nobody yet, whoever makes the network with the fewest radio hops.</summary>
    private static Device? Parent(NetworkDocument house, Device box)
    {
        var air = AirMap.Of(house);
        var index = house.Devices.IndexOf(box);
        if (air.Links.FirstOrDefault(link => link.From == index) is { } link) return house.Devices[link.To];
        if (box.Uplink is not { } uplink) return null;
        return house.FindDevice(uplink.Near ?? "") ?? air.Sources.Where(source => source.Device != index && source.Ssid == uplink.Ssid).Select(source => house.Devices[source.Device]).FirstOrDefault();
    }
}
