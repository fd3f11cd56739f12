using Altrin.Core.Network;
using Altrin.Core.Planning.Space;

namespace Altrin.Core.Planning.Search;

/// <summary>Two places and what lies between them; places by their numbers, the lower first.</summary>
internal readonly record struct Lane(int A, int B, Medium Medium);

/// <summary>The cables of a structure by the two places that they lie between, as far as those are settled. Asked tens of thousands of times for a house, so places are numbers here.</summary>
internal sealed class Lanes
{
    private readonly Ground ground;
    private readonly Dictionary<string, int> ofRoom = new(StringComparer.Ordinal), ofPlace = new(StringComparer.Ordinal);
    private readonly List<string> places = [];
    private readonly int[] standsIn;

    /// <summary>Ways of a lane, and how many of them have to be laid first.</summary>
    private readonly Dictionary<Lane, (int Ways, int Unlaid)> known = [];

    public Lanes(Ground ground)
    {
        this.ground = ground;
        standsIn = [.. Enumerable.Range(0, ground.Found.Devices.Length).Select(box => NumberOf(ground.PlaceOf(ground.Found.Devices[box].Id)))];
    }

    /// <returns>Null where the box has no cable, or it is not settled yet where the other end stands.</returns>
    /// <param name="settled">The last box that is settled, in document order.</param>
    public Lane? Of(Structure structure, int box, int settled)
    {
        if (structure.Boxes[box] is not { IsUsed: true, Joined: Joined.ByWire, Parent: >= 0 and var parent } use || !(parent <= settled || parent == ground.Root || ground.InUse[parent])) return null;
        var (a, b) = (PlaceOf(box, use.Room), PlaceOf(parent, structure.Boxes[parent].Room));
        return a <= b ? new(a, b, use.Medium) : new(b, a, use.Medium);
    }

    /// <summary>Cables between two places, of the boxes before that one alone.</summary>
    public int Count(Structure structure, Lane lane, int settled, int before)
    {
        var count = 0;
        for (var box = 0; box < before; box++)
            if ((box <= settled || box == ground.Root) && Of(structure, box, settled) == lane) count++;
        return count;
    }

    /// <summary>How many cables can be there, and how many of those have to be laid first.</summary>
    public (int Ways, int Unlaid) WaysOf(Lane lane)
    {
        if (known.TryGetValue(lane, out var ways)) return ways;
        return known[lane] = (ground.Ways(places[lane.A], places[lane.B], lane.Medium), ground.Unlaid(places[lane.A], places[lane.B], lane.Medium));
    }

    private int PlaceOf(int box, string? room)
    {
        if (room is null) return standsIn[box];
        return ofRoom.TryGetValue(room, out var number) ? number : ofRoom[room] = NumberOf(ground.PlaceOfRoom(room));
    }

    private int NumberOf(string place)
    {
        if (ofPlace.TryGetValue(place, out var number)) return number;
        places.Add(place);
        return ofPlace[place] = places.Count - 1;
    }
}
