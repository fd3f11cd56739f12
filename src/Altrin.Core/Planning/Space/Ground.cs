using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Rules.Needs;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning.Space;

/// <summary>The house as found, as the search walks on it: who stands where, what can lie between two places, and what is made of each box now.</summary>
public sealed class Ground
{
    private readonly Dictionary<string, string> placeOfRoom = new(StringComparer.OrdinalIgnoreCase);
    private readonly Dictionary<(string, string, Medium), int> ways = [], unlaid = [];
    private readonly HashSet<string> onWire, onLaidWire;
    private readonly ImmutableArray<string> standsIn;

    public Ground(NetworkDocument found)
    {
        Found = found;
        State = Simulator.Run(found);
        Measured = MeasuredAsFound.Of(State);
        for (var i = 0; i < found.Devices.Length; i++) IndexOf[found.Devices[i].Id] = i;
        foreach (var room in found.Rooms)
        {
            placeOfRoom.TryAdd(room.Id, room.Id);
            placeOfRoom.TryAdd(room.Name, room.Id);
        }
        standsIn = [.. found.Devices.Select(box => box.Room is { Length: > 0 } room ? PlaceOfRoom(room) : $"box {box.Id}")];
        Root = found.Line is { } line && IndexOf.TryGetValue(line.Device, out var root) ? root : -1;
        InUse = [.. found.Devices.Select(box => State.IsInUse(box.Id))];
        foreach (var run in found.Runs)
        {
            AddWay(PlaceOfRoom(run.A), PlaceOfRoom(run.B), run.Medium);
            var ends = Ends(PlaceOfRoom(run.A), PlaceOfRoom(run.B), run.Medium);
            if (!run.Laid) unlaid[ends] = unlaid.GetValueOrDefault(ends) + 1;
        }
        // A cable that is there may stay. It lies in a run that is laid, where there is one.
        var inRuns = found.Runs.Where(run => run.Laid).GroupBy(run => Ends(PlaceOfRoom(run.A), PlaceOfRoom(run.B), run.Medium)).ToDictionary(runs => runs.Key, runs => runs.Count());
        foreach (var cable in found.Cables)
        {
            var ends = Ends(PlaceOf(cable.A.Device), PlaceOf(cable.B.Device), cable.Medium);
            if (ends.Item1 == ends.Item2) continue;
            if (inRuns.GetValueOrDefault(ends) > 0) inRuns[ends]--;
            else AddWay(ends.Item1, ends.Item2, cable.Medium);
        }
        onWire = Spread(isLaidAlone: false);
        onLaidWire = Spread(isLaidAlone: true);
        AsFound = new AsFoundReader(this).Read();
        CarriesInternet = Carriers();
    }

    public NetworkDocument Found { get; }

    /// <summary>Null where nothing was measured.</summary>
    public MeasuredAsFound? Measured { get; }

    /// <summary>What was settled beforehand.</summary>
    public Pins Pins { get; init; } = Pins.None;

    public NetworkState State { get; }
    public Dictionary<string, int> IndexOf { get; } = new(StringComparer.Ordinal);

    /// <summary>The box at the line; −1 where no line comes in.</summary>
    public int Root { get; }

    public ImmutableArray<bool> InUse { get; }
    public Structure AsFound { get; }

    /// <summary>Of each box whether somebody's internet goes through it as found.</summary>
    public ImmutableArray<bool> CarriesInternet { get; }

    /// <summary>A room that is listed by its id; another by what it is called.</summary>
    public string PlaceOfRoom(string room) => placeOfRoom.TryGetValue(room, out var place) || placeOfRoom.TryGetValue(room.Trim(), out place) ? place : room.Trim().ToUpperInvariant();

    /// <summary>Boxes without a room share none: each is a place of its own.</summary>
    public string PlaceOf(string device) => IndexOf.TryGetValue(device, out var box) ? standsIn[box] : $"box {device}";

    public string PlaceOf(int box, BoxUse use) => use.Room is { } room ? PlaceOfRoom(room) : standsIn[box];

    /// <summary>How many cables of that medium can be between two places. Inside one room any may be laid, of a pair none.</summary>
    public int Ways(string a, string b, Medium medium) => a == b ? (medium == Medium.Ethernet && !a.StartsWith("box ", StringComparison.Ordinal) ? int.MaxValue : ways.GetValueOrDefault(Ends(a, b, medium)))
        : ways.GetValueOrDefault(Ends(a, b, medium));

    /// <summary>Of those how many have to be laid first.</summary>
    public int Unlaid(string a, string b, Medium medium) => unlaid.GetValueOrDefault(Ends(a, b, medium));

    /// <summary>Whether cables alone may lead there from the box at the line, over whatever stands between.</summary>
    public bool IsOnWire(string place) => onWire.Contains(place);

    /// <summary>And over runs that are laid already.</summary>
    public bool IsOnLaidWire(string place) => onLaidWire.Contains(place);

    private ImmutableArray<bool> Carriers()
    {
        var carries = new bool[Found.Devices.Length];
        foreach (var thing in Found.Endpoints)
        {
            if (State.Internet(thing.Id).Reachable != Answer.Yes) continue;
            var at = thing.Connect switch
            {
                Attachment.Plug plug => IndexOf.GetValueOrDefault(plug.Device, -1),
                Attachment.Join => State.JoinedBox(thing.Id) is { } joined ? IndexOf.GetValueOrDefault(joined, -1) : -1,
                _ => -1,
            };
            for (var steps = 0; at >= 0 && steps <= carries.Length; at = AsFound.Boxes[at].Parent, steps++) carries[at] = true;
        }
        return [.. carries];
    }

    private HashSet<string> Spread(bool isLaidAlone)
    {
        var seen = new HashSet<string>(StringComparer.Ordinal);
        if (Root < 0) return seen;
        var open = new Queue<string>([PlaceOf(Found.Devices[Root].Id)]);
        while (open.TryDequeue(out var at))
            if (seen.Add(at))
                foreach (var ((a, b, medium), count) in ways)
                    if ((a == at || b == at) && (!isLaidAlone || count > Unlaid(a, b, medium))) open.Enqueue(a == at ? b : a);
        return seen;
    }

    /// <summary>The rooms into which a box at hand may be put.</summary>
    public IEnumerable<string?> RoomsFor(int box)
    {
        // In use, or brought to the room where it is to stand. With a thing plugged in and nothing else it has not found its place yet.
        if (Found.Devices[box].Room is not null || (InUse[box] && (Found.Devices[box].Serves.IsDefaultOrEmpty || State.HasWayToLine(Found.Devices[box].Id)))) return [null];
        // The rooms it was brought for, listed or not; then every other that is listed, or where none is, wherever another box stands.
        var serves = Found.Devices[box].Serves.IsDefaultOrEmpty ? [] : Found.Devices[box].Serves;
        var others = Found.Rooms.IsEmpty ? Found.Devices.Where((_, i) => i != box).Select(one => one.Room).OfType<string>() : Found.Rooms.Select(room => room.Id);
        IEnumerable<string?> rooms = serves.Concat(others).DistinctBy(PlaceOfRoom);
        return Found.Rooms.IsEmpty && serves.IsEmpty ? rooms.Prepend(null) : rooms;
    }

    internal static (string, string, Medium) Ends(string a, string b, Medium medium) => string.CompareOrdinal(a, b) <= 0 ? (a, b, medium) : (b, a, medium);

    private void AddWay(string a, string b, Medium medium)
    {
        var ends = Ends(a, b, medium);
        ways[ends] = ways.GetValueOrDefault(ends) + 1;
    }
}
