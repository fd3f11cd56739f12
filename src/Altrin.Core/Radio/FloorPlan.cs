using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using Altrin.Core.Network;

namespace Altrin.Core.Radio;

/// <summary>By what the distance of two was reckoned.</summary>
public enum DistanceKind
{
    /// <summary>Both are in drawn rooms: the straight line.</summary>
    Drawn,

    /// <summary>One room, drawn or not.</summary>
    SameRoom,

    /// <summary>Two rooms of which nobody knows how far they are apart.</summary>
    OtherRoom,

    /// <summary>Two buildings: as far as somebody said, else as a yard is wide.</summary>
    OtherBuilding,
}

/// <summary>What lies between two places.</summary>
/// <param name="DistanceM">At least 1.</param>
/// <param name="Walls">Of those that are something, each by its material.</param>
/// <param name="Floors">Between the two.</param>
public readonly record struct Between(double DistanceM, ImmutableArray<WallMaterial> Walls, int Floors, DistanceKind Kind);

/// <summary>Where a thing or box stands: a listed room, or a word that names none.</summary>
/// <param name="Index">In the list of rooms; −1 where the word names none of them, or nothing is said.</param>
public readonly record struct Place(int Index, string? Word, FloorPoint? At)
{
    public bool IsListed => Index >= 0;
}

/// <summary>The house as radio meets it: rooms on their floors, and what the line between two places goes through.</summary>
public sealed class FloorPlan
{
    /// <summary>Two in one room, and two a couple of rooms apart, where nobody has drawn them. Common practice, no source.</summary>
    public const double SameRoomM = 3, OtherRoomM = 10;

    /// <summary>Shorter pieces of a line are the plan's own inexactness.</summary>
    private const double LeastPieceM = 0.001;

    private const double OnEdge = 1e-9;

    /// <summary>Of more rooms each pair is reckoned when it is asked for: all of them would fill the memory.</summary>
    private const int MostRemembered = 400;

    /// <summary>In fewer it is quicker to look at once.</summary>
    private const int ManyRooms = 60;

    /// <summary>Of every list of rooms that is in use, so that what lies between them is not reckoned again for a house in which a box is set otherwise or stands elsewhere.</summary>
    private static readonly ConditionalWeakTable<Room[], FloorPlan> Plans = [];

    private readonly ImmutableArray<Room> rooms;
    private readonly WallMaterial usualWalls;
    private readonly double storey, offset;
    private readonly ConcurrentDictionary<(int, int), Between> known = [];
    private readonly Building? building;
    private readonly ImmutableArray<OtherBuilding> buildings;

    /// <summary>Of each room the other building that it is in; null for the one of the line.</summary>
    private readonly OtherBuilding?[] isIn;
    private readonly Dictionary<string, int> byWord = new(StringComparer.OrdinalIgnoreCase);
    private readonly Dictionary<int, int[]> drawnOn;

    private FloorPlan(NetworkDocument house)
    {
        (rooms, building, buildings) = (house.Rooms, house.Building, house.Buildings);
        isIn = [.. rooms.Select(room => buildings.FirstOrDefault(one => one.Id == room.Building))];
        usualWalls = house.Building?.Walls ?? WallMaterial.Plasterboard;
        FloorsOf = house.Building?.Floors ?? FloorMaterial.Wood;
        storey = house.Building?.StoreyM ?? Building.UsualStoreyM;
        offset = house.Building?.OffsetDb ?? 0;
        drawnOn = Enumerable.Range(0, rooms.Length).Where(i => rooms[i].Rect is not null).GroupBy(i => rooms[i].Floor ?? 0).ToDictionary(floor => floor.Key, floor => floor.ToArray());
        for (var i = rooms.Length - 1; i >= 0; i--) byWord[rooms[i].Name] = i;
        for (var i = rooms.Length - 1; i >= 0; i--) byWord[rooms[i].Id] = i;
    }

    public FloorMaterial FloorsOf { get; }

    /// <summary>The plan of a house.</summary>
    public static FloorPlan Of(NetworkDocument house)
    {
        var rooms = ImmutableCollectionsMarshal.AsArray(house.Rooms) ?? [];
        if (Plans.TryGetValue(rooms, out var known) && known.building == house.Building && known.buildings == house.Buildings) return known;
        var plan = new FloorPlan(house);
        Plans.AddOrUpdate(rooms, plan);
        return plan;
    }

    /// <summary>Everything but the distance, in dB. What was learnt of this house is added where there is something in the way, and never makes a wall give.</summary>
    public double ThroughDb(Between between, Band band)
    {
        var loss = PathLoss.ThroughDb(between, FloorsOf, band);
        return loss > 0 ? Math.Max(0, loss + offset) : 0;
    }

    /// <summary>What is lost between two places, in dB.</summary>
    public double LossDb(Between between, Band band) => PathLoss.FreeSpaceDb(band, between.DistanceM) + ThroughDb(between, band);

    /// <summary>Whether a source of that level at one metre may be heard at all so far away, however thin the walls are: most of a tall building need not be looked at closer.</summary>
    public bool MayReach(Place a, Place b, Band band, double powerDbm, double leastDbm)
    {
        if (rooms.Length < ManyRooms || RectOf(a) is not { } from || RectOf(b) is not { } to || IsSame(a, b)) return true;
        var floors = Math.Abs((rooms[a.Index].Floor ?? 0) - (rooms[b.Index].Floor ?? 0));
        var open = new Between(Math.Max(1, Distance(Point(a, from), Point(b, to), floors * storey)), [], floors, DistanceKind.Drawn);
        return powerDbm - LossDb(open, band) - Math.Min(0, offset) >= leastDbm;
    }

    public Place PlaceOf(string? room, FloorPoint? at)
    {
        var index = room is not null && byWord.TryGetValue(room, out var found) ? found : -1;
        return new(index, room, index >= 0 ? at : null);
    }

    public Between Between(Place a, Place b)
    {
        // Without a place of its own a thing stands as its room does, and most do.
        if (a.At is not null || b.At is not null || !a.IsListed || !b.IsListed || rooms.Length > MostRemembered) return Reckon(a, b);
        if (!known.TryGetValue((a.Index, b.Index), out var between)) known[(a.Index, b.Index)] = between = Reckon(a, b);
        return between;
    }

    private Between Reckon(Place a, Place b)
    {
        var (one, other) = (RectOf(a), RectOf(b));
        if (IsSame(a, b))
        {
            if (one is not { } rect) return new(SameRoomM, [], 0, DistanceKind.SameRoom);
            var metres = a.At is null && b.At is null ? (rect.Width + rect.Depth) / 4 : Distance(Point(a, rect), Point(b, rect), 0);
            return new(Math.Max(1, metres), [], 0, DistanceKind.SameRoom);
        }
        var floors = Math.Abs(FloorOf(a, b) - FloorOf(b, a));
        if (one is { } from && other is { } to)
        {
            var (p, q) = (Point(a, from), Point(b, to));
            return new(Math.Max(1, Distance(p, q, floors * storey)), Walls(p, rooms[a.Index].Floor ?? 0, q, rooms[b.Index].Floor ?? 0), floors, DistanceKind.Drawn);
        }
        var rise = floors * storey;
        if (BuildingOf(a) != BuildingOf(b)) return new(Math.Sqrt(Math.Pow(Away(a) + Away(b), 2) + rise * rise), WallsOf(a, b), floors, DistanceKind.OtherBuilding);
        return new(Math.Sqrt(OtherRoomM * OtherRoomM + rise * rise), WallsOf(a, b), floors, DistanceKind.OtherRoom);
    }

    private ImmutableArray<WallMaterial> WallsOf(Place a, Place b) => [.. new[] { WallOf(a), WallOf(b) }.OfType<WallMaterial>()];

    private OtherBuilding? BuildingOf(Place place) => place.IsListed ? isIn[place.Index] : null;

    /// <summary>From the building of the line, in metres.</summary>
    private double Away(Place place) => BuildingOf(place) is { } other ? other.DistanceM ?? OtherBuilding.UsualDistanceM : 0;

    private static bool IsSame(Place a, Place b) => a.IsListed || b.IsListed ? a.Index == b.Index
        : a.Word is not null && b.Word is not null && string.Equals(a.Word, b.Word, StringComparison.OrdinalIgnoreCase);

    public bool IsDrawn(Place place) => RectOf(place) is not null;

    private RoomRect? RectOf(Place place) => place.IsListed ? rooms[place.Index].Rect : null;

    /// <summary>A listed room without a floor is on the ground; one that is not listed is where the other is.</summary>
    private int FloorOf(Place place, Place other) => place.IsListed ? rooms[place.Index].Floor ?? 0 : other.IsListed ? rooms[other.Index].Floor ?? 0 : 0;

    private static FloorPoint Point(Place place, RoomRect rect) => place.At ?? new(rect.X + rect.Width / 2, rect.Y + rect.Depth / 2);

    private static double Distance(FloorPoint a, FloorPoint b, double rise) => Math.Sqrt((a.X - b.X) * (a.X - b.X) + (a.Y - b.Y) * (a.Y - b.Y) + rise * rise);

    /// <summary>The walls of a room that is not drawn: its own, else the building's; outdoors there are none.</summary>
    private WallMaterial? WallOf(Place place) => place.IsListed ? WallOf(place.Index) : usualWalls;

    private WallMaterial? WallOf(int room) => rooms[room].Outdoor == true ? null : rooms[room].Walls ?? isIn[room]?.Walls ?? usualWalls;

    private ImmutableArray<WallMaterial> Walls(FloorPoint p, int fromFloor, FloorPoint q, int toFloor)
    {
        var walls = ImmutableArray.CreateBuilder<WallMaterial>();
        var n = Math.Abs(toFloor - fromFloor);
        if (n == 0) On(fromFloor, 0, 1);
        else
        {
            // A line over n floors lies on the first for half a storey's share of its length, on each between for a whole one, on the last for half.
            var step = Math.Sign(toFloor - fromFloor);
            for (var i = 0; i <= n; i++) On(fromFloor + i * step, i == 0 ? 0 : (i - 0.5) / n, i == n ? 1 : (i + 0.5) / n);
        }
        return walls.ToImmutable();

        void On(int floor, double from, double to)
        {
            if (!drawnOn.TryGetValue(floor, out var drawn)) return;
            var cuts = new List<double> { from, to };
            void Cut(double at, double start, double end)
            {
                var t = Math.Abs(end - start) < OnEdge ? double.NaN : (at - start) / (end - start);
                if (t > from && t < to) cuts.Add(t);
            }
            var here = new List<int>();
            foreach (var i in drawn)
            {
                var rect = rooms[i].Rect!.Value;
                if (!Meets(rect, p, q, from, to)) continue;
                here.Add(i);
                Cut(rect.X, p.X, q.X);
                Cut(rect.X + rect.Width, p.X, q.X);
                Cut(rect.Y, p.Y, q.Y);
                Cut(rect.Y + rect.Depth, p.Y, q.Y);
            }
            cuts.Sort();
            var length = Math.Sqrt((p.X - q.X) * (p.X - q.X) + (p.Y - q.Y) * (p.Y - q.Y));
            var before = (Room: -2, Start: double.NaN);
            var start = from;
            foreach (var end in CollectionsMarshal.AsSpan(cuts)[1..])
            {
                var middle = (start + end) / 2;
                var isPiece = (end - start) * length > LeastPieceM;
                start = end;
                if (!isPiece || RoomAt(here, p.X + (q.X - p.X) * middle, p.Y + (q.Y - p.Y) * middle) is not { } room) continue;
                if (before.Room != -2 && before.Room != room && Heavier(before.Room, room) is { } wall) walls.Add(wall);
                before = (room, middle);
            }
        }
    }

    /// <summary>Whether that part of the line touches the room: one that it does not touch puts nothing in its way.</summary>
    private static bool Meets(RoomRect rect, FloorPoint p, FloorPoint q, double from, double to)
    {
        return Clip(rect.X, rect.X + rect.Width, p.X, q.X) && Clip(rect.Y, rect.Y + rect.Depth, p.Y, q.Y) && from <= to + OnEdge;

        bool Clip(double low, double high, double start, double end)
        {
            if (Math.Abs(end - start) < OnEdge) return start > low - OnEdge && start < high + OnEdge;
            var (enters, leaves) = ((low - start) / (end - start), (high - start) / (end - start));
            (from, to) = (Math.Max(from, Math.Min(enters, leaves)), Math.Min(to, Math.Max(enters, leaves)));
            return true;
        }
    }

    /// <returns>−1 where it is in none; null on an edge.</returns>
    private int? RoomAt(List<int> here, double x, double y)
    {
        foreach (var i in here)
        {
            var rect = rooms[i].Rect!.Value;
            var (right, bottom) = (rect.X + rect.Width, rect.Y + rect.Depth);
            if (x > rect.X + OnEdge && x < right - OnEdge && y > rect.Y + OnEdge && y < bottom - OnEdge) return i;
        }
        foreach (var i in here)
        {
            var rect = rooms[i].Rect!.Value;
            if (x >= rect.X - OnEdge && x <= rect.X + rect.Width + OnEdge && y >= rect.Y - OnEdge && y <= rect.Y + rect.Depth + OnEdge) return null;
        }
        return -1;
    }

    /// <summary>Of the wall between two: the heavier material. Outdoors and where no room is there is none.</summary>
    private WallMaterial? Heavier(int a, int b)
    {
        var (one, other) = (a < 0 ? null : WallOf(a), b < 0 ? null : WallOf(b));
        return one is null ? other : other is null ? one : (WallMaterial)Math.Max((int)one, (int)other);
    }
}
