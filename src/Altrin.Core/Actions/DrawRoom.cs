using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

[JsonDerivedType(typeof(DrawRoom), "draw-room")]
public abstract partial record InstallerAction;

/// <summary>Draws a room on its floor, or takes its drawing away. A room of that id that is not listed yet is added to the list.</summary>
/// <param name="Room">As it is then: its name, floor and walls too.</param>
public sealed record DrawRoom(Room Room) : InstallerAction
{
    /// <summary>Two that share a wall touch; what is less is the hand's inexactness.</summary>
    private const double TouchM = 0.01;

    public override bool IsRecord(NetworkDocument house) => true;

    public override ActionProblem? Problem(NetworkDocument house)
    {
        if (string.IsNullOrWhiteSpace(Room.Id)) return new("room.id", "Empty. Give the room an id.");
        if (string.IsNullOrWhiteSpace(Room.Name)) return new("room.name", "Empty. Write what the household calls the room.");
        if (house.Rooms.FirstOrDefault(other => other.Id != Room.Id && string.Equals(other.Name, Room.Name, StringComparison.OrdinalIgnoreCase)) is { } namesake) return new("room.name", $"There is a room {namesake.Name} already.");
        return Room.Rect is { } rect && Overlapped(house, Room, rect) is { } under
            ? new("room.rect", $"{Room.Name} would lie over {under.Name}. Rooms of one floor lie beside one another.")
            : null;
    }

    /// <summary>The first room of the floor on which it would lie.</summary>
    public static Room? Overlapped(NetworkDocument house, Room room, RoomRect rect) => house.Rooms.FirstOrDefault(other => other.Id != room.Id && (other.Floor ?? 0) == (room.Floor ?? 0) && other.Rect is { } its
        && Math.Min(rect.X + rect.Width, its.X + its.Width) - Math.Max(rect.X, its.X) > TouchM && Math.Min(rect.Y + rect.Depth, its.Y + its.Depth) - Math.Max(rect.Y, its.Y) > TouchM);

    public override string Say(NetworkDocument house) => Room.Rect is { } rect ? $"Draw {Room.Name}, {rect.Width:0.#} by {rect.Depth:0.#} m" : $"Take the drawing of {Room.Name} away";

    protected override NetworkDocument Do(NetworkDocument house)
    {
        var place = house.Rooms.ToList().FindIndex(room => room.Id == Room.Id);
        // What stood at a place in it by metres stands in the room, wherever it now is.
        var moved = place >= 0 && house.Rooms[place].Rect is { } was && (Room.Rect is not { } now || (was.X, was.Y) != (now.X, now.Y) || was.Width > now.Width || was.Depth > now.Depth) ? house.Rooms[place] : null;
        var drawn = house with { Rooms = place < 0 ? house.Rooms.Add(Room) : house.Rooms.SetItem(place, Room) };
        if (moved is null) return drawn;
        FloorPoint? Shifted(FloorPoint? at) => at is { } point && Room.Rect is { } to && moved.Rect is { } from
            ? new(Math.Clamp(point.X - from.X + to.X, to.X, to.X + to.Width), Math.Clamp(point.Y - from.Y + to.Y, to.Y, to.Y + to.Depth)) : null;
        return drawn with
        {
            Devices = [.. drawn.Devices.Select(box => box.At is not null && Rooms.Find(house, box.Room)?.Id == Room.Id ? box with { At = Shifted(box.At) } : box)],
            Endpoints = [.. drawn.Endpoints.Select(thing => thing.At is not null && Rooms.Find(house, thing.Room)?.Id == Room.Id ? thing with { At = Shifted(thing.At) } : thing)],
        };
    }
}
