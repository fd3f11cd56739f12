using System.Globalization;
using System.Text.RegularExpressions;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Air.Drawing;

/// <summary>A room as somebody says it, or why that cannot be.</summary>
/// <param name="Draw">The deed that draws it; null where there is a problem.</param>
/// <param name="Says">What was understood.</param>
public sealed record SaidRoom(DrawRoom? Draw, string Says, string? Problem);

/// <summary>Reads “Study 4 by 5 paces, right of the hall”: a name, width and depth, where it lies, on which floor. Whoever walks through a
/// house says it so.</summary>
public static partial class RoomWords
{
    public const string Expected = "a name, width by depth, and beside which room: “Study 4 by 5 paces, right of the hall”";

    /// <summary>A pace of a grown person. Common practice, no source.</summary>
    public const double PaceM = 0.75;

    private const double FootM = 0.3048, GridM = 0.5, LeastM = 0.5, MostM = 60;

    private static readonly (string Words, int X, int Y, int Floor)[] Sides =
    [
        ("right of", 1, 0, 0), ("east of", 1, 0, 0), ("left of", -1, 0, 0), ("west of", -1, 0, 0), ("behind", 0, -1, 0),
            ("north of", 0, -1, 0), ("above", 0, -1, 0),
        ("in front of", 0, 1, 0), ("south of", 0, 1, 0), ("below", 0, 1, 0), ("over", 0, 0, 1), ("under", 0, 0, -1),
    ];

    public static SaidRoom Read(NetworkDocument house, string text)
    {
        var said = Said().Match(text.Trim());
        if (!said.Success) return No($"“{Short(text)}” is not {Expected}.");
        var unit = said.Groups["unit"].Value.ToLowerInvariant();
        var scale = unit is "" or "m" || unit.StartsWith("met", StringComparison.Ordinal) ? 1 : unit.StartsWith('f') || unit == "'" ? FootM
            : PaceM;
        if (!Metres(said.Groups["w"].Value, scale, out var width) || !Metres(said.Groups["d"].Value, scale, out var depth))
            return No($"A room is {LeastM} to {MostM:0} m wide and deep: “{Short(text)}” is not.");
        var known = Rooms.Find(house, said.Groups["name"].Value.Trim());
        var name = known?.Name ?? said.Groups["name"].Value.Trim();
        if (name.Length is 0 or > Limits.NameLetters) return No($"Write the name of the room first: {Expected}.");
        var room = known ?? new Room { Id = Ids.Of(name, house.Rooms.Select(room => room.Id)), Name = Capital(name) };
        var rest = said.Groups["rest"].Value.Trim().TrimStart(',').Trim();
        var outdoor = rest.EndsWith("outdoors", StringComparison.OrdinalIgnoreCase);
        if (outdoor) rest = rest[..^"outdoors".Length].TrimEnd(' ', ',');
        var floor = Floor().Match(rest);
        if (floor.Success)
        {
            rest = rest[..floor.Index].TrimEnd(' ', ',');
            room = room with
            {
                Floor = floor.Groups["n"].Success ? int.Parse(floor.Groups["n"].Value, CultureInfo.InvariantCulture)
                : floor.Value.Contains("up", StringComparison.OrdinalIgnoreCase) ? 1
                : floor.Value.Contains("base", StringComparison.OrdinalIgnoreCase) ? -1 : 0
            };
        }
        if (outdoor) room = room with { Outdoor = true };
        return Place(house, room, width, depth, rest);
    }

    private static SaidRoom Place(NetworkDocument house, Room room, double width, double depth, string where)
    {
        if (where.Length == 0)
        {
            var floor = house.Rooms.Where(other => other.Id != room.Id && other.Rect is not null
                && (other.Floor ?? 0) == (room.Floor ?? 0)).ToList();
            // Where it lay it stays; else beside the last of its floor, else at the corner.
            var corner = room.Rect is { } now ? (now.X, now.Y) : floor.Count == 0 ? (0, 0)
                : (floor.Max(other => other.Rect!.Value.X + other.Rect.Value.Width), floor[^1].Rect!.Value.Y);
            return Done(house, room with { Rect = new(corner.Item1, corner.Item2, width, depth) });
        }
        foreach (var (words, dx, dy, up) in Sides)
        {
            if (!where.StartsWith(words + " ", StringComparison.OrdinalIgnoreCase)) continue;
            var other = where[words.Length..].Trim();
            if (other.StartsWith("the ", StringComparison.OrdinalIgnoreCase)) other = other[4..];
            if (Rooms.Find(house,
                other) is not { } beside) return No($"There is no room “{Short(other)}” to lie {words}. Draw that one first, or name another.");
            if (beside.Rect is not { } its) return No($"{beside.Name} is not drawn yet. Draw it first, or name another.");
            var level = (beside.Floor ?? 0) + up;
            room = room with { Floor = level };
            for (var slide = 0.0; ; slide += GridM)
            {
                var rect = up != 0 ? new RoomRect(its.X, its.Y, width, depth)
                    : dx != 0 ? new(dx > 0 ? its.X + its.Width : its.X - width, its.Y + slide, width, depth)
                    : new(its.X + slide, dy > 0 ? its.Y + its.Depth : its.Y - depth, width, depth);
                // Along the wall that the two share: the first place that is free.
                if (DrawRoom.Overlapped(house, room, rect) is null || up != 0
                    || slide + GridM >= (dx != 0 ? its.Depth : its.Width)) return Done(house, room with { Rect = rect });
            }
        }
        return No($"“{Short(where)}” does not say where it lies. Write right of, left of, behind, in front of, over or under, and a room that is drawn.");
    }

    private static SaidRoom Done(NetworkDocument house, Room room)
    {
        var deed = new DrawRoom(room);
        var rect = room.Rect!.Value;
        return deed.Problem(house) is { } problem ? No(problem.Message)
            : new(deed, $"{room.Name}, {rect.Width:0.#} by {rect.Depth:0.#} m ({rect.Width / FootM:0} by {rect.Depth / FootM:0} ft), {FloorWords(room.Floor ?? 0)}{(room.Outdoor == true ? ", outdoors" : "")}.", null);
    }

    public static string FloorWords(int floor) =>
        floor switch { 0 => "ground floor", 1 => "first floor", 2 => "second floor", -1 => "basement", _ => $"floor {floor}" };

    private static SaidRoom No(string problem) => new(null, "", problem);

    private static string Short(string text) => text.Length > 60 ? text[..60] : text;

    private static string Capital(string name) => char.ToUpper(name[0], CultureInfo.InvariantCulture) + name[1..];

    private static bool Metres(string number, double scale, out double metres)
    {
        metres = Math.Round(double.Parse(number.Replace(',', '.'), CultureInfo.InvariantCulture) * scale / GridM) * GridM;
        return metres is >= LeastM and <= MostM;
    }

    [GeneratedRegex(@"^(?<name>[^\d,]*?)[\s,:]*(?<w>\d{1,3}(?:[.,]\d{1,2})?)\s*(?:by|x|×|\*)\s*(?<d>\d{1,3}(?:[.,]\d{1,2})?)\s*(?<unit>metres|meters|m\b|paces?|steps?|feet|foot|ft\b|')?(?<rest>.*)$", RegexOptions.IgnoreCase | RegexOptions.NonBacktracking)]
    private static partial Regex Said();

    [GeneratedRegex(@"(?:on (?:the )?)?(?:floor (?<n>-?\d{1,2})|upstairs|first floor|ground floor|downstairs|basement)$",
        RegexOptions.IgnoreCase)]
    private static partial Regex Floor();
}
