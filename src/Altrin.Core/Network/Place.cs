using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Altrin.Core.Network;

/// <summary>What walls are made of, the lightest first; the loss of each is in <c>Radio</c>.</summary>
[JsonConverter(typeof(WordConverter<WallMaterial>))]
public enum WallMaterial { Plasterboard, Wood, Brick, Stone, Concrete }

[JsonConverter(typeof(WordConverter<FloorMaterial>))]
public enum FloorMaterial { Wood, Concrete }

/// <summary>The house as radio meets it.</summary>
/// <param name="StoreyM">From floor to floor, in metres.</param>
public sealed record Building : DocumentPart
{
    public const double UsualStoreyM = 2.7, LeastStoreyM = 1, MostStoreyM = 20;

    public WallMaterial? Walls { get; init; }
    public FloorMaterial? Floors { get; init; }
    public double? StoreyM { get; init; }

    /// <summary>How much more (or, below 0, less) is lost between two rooms than the table of materials says: learnt from what was
    /// measured here. In dB.</summary>
    public double? OffsetDb { get; init; }

    /// <summary>More than that is no matter of walls.</summary>
    public const double MostOffsetDb = 10;
}

/// <summary>Another building than the one the line comes into.</summary>
public sealed record OtherBuilding : DocumentPart
{
    /// <summary>Where nobody has said how far it is: common practice, no source.</summary>
    public const double UsualDistanceM = 20, MostDistanceM = 1000;

    public required string Id { get; init; }
    public WallMaterial? Walls { get; init; }

    /// <summary>From wall to wall, from the building of the line, in metres.</summary>
    public double? DistanceM { get; init; }
}

public sealed record Room : DocumentPart
{
    public const int LowestFloor = -9, HighestFloor = 99;

    public required string Id { get; init; }
    public required string Name { get; init; }

    /// <summary>0 is the ground floor; null counts as 0.</summary>
    public int? Floor { get; init; }

    /// <summary>Null: not drawn.</summary>
    public RoomRect? Rect { get; init; }

    /// <summary>Its own walls, where they differ from the building's.</summary>
    public WallMaterial? Walls { get; init; }

    public bool? Outdoor { get; init; }

    /// <summary>Nobody gets Wi-Fi there today: said, or tried.</summary>
    public bool? NoWifi { get; init; }

    /// <summary>Which building; rooms without are in one house.</summary>
    public string? Building { get; init; }
}

/// <summary>A room on its floor, in metres: written <c>[x, y, width, depth]</c>.</summary>
[JsonConverter(typeof(NumbersConverter<RoomRect>))]
public readonly record struct RoomRect(double X, double Y, double Width, double Depth) : INumbers<RoomRect>
{
    public const double MostM = 1000;

    public static int Count => 4;
    public static string Expected => "x, y, width and depth in metres, such as [0, 0, 3, 4.5]";
    public static string? WhyNot(ReadOnlySpan<double> n) =>
        n[2] <= 0 || n[3] <= 0 ? "Width and depth must be more than 0." : Math.Max(n[2], n[3]) > MostM || FloorPoint.IsFar(n[0])
            || FloorPoint.IsFar(n[1]) ? $"No room is that big or that far: stay within {MostM:0} m." : null;
    public static RoomRect From(ReadOnlySpan<double> n) => new(n[0], n[1], n[2], n[3]);
    public double[] Numbers() => [X, Y, Width, Depth];
}

/// <summary>A place on a floor, in metres: written <c>[x, y]</c>.</summary>
[JsonConverter(typeof(NumbersConverter<FloorPoint>))]
public readonly record struct FloorPoint(double X, double Y) : INumbers<FloorPoint>
{
    public static int Count => 2;
    public static string Expected => "x and y in metres, such as [1.5, 2]";
    public static string? WhyNot(ReadOnlySpan<double> n) => IsFar(n[0]) || IsFar(n[1])
        ? $"That is too far: stay within {RoomRect.MostM:0} m." : null;
    public static FloorPoint From(ReadOnlySpan<double> n) => new(n[0], n[1]);
    public double[] Numbers() => [X, Y];

    internal static bool IsFar(double metres) => !(Math.Abs(metres) <= RoomRect.MostM);
}

/// <summary>A way for one cable from room to room: there already, or that could be laid.</summary>
public sealed record CableRun : DocumentPart
{
    public required string Id { get; init; }

    /// <summary>Rooms, by id or name.</summary>
    public required string A { get; init; }

    public required string B { get; init; }
    public Medium Medium { get; init; } = Medium.Ethernet;
    public string? Category { get; init; }
    public double? LengthM { get; init; }
    public bool Laid { get; init; }
}

/// <summary>Somebody else's Wi-Fi, as it was heard in a room.</summary>
public sealed record NeighbourNetwork : DocumentPart
{
    public const double LowestDbm = -120, HighestDbm = 0;

    /// <summary>Null: a hidden name.</summary>
    public string? Ssid { get; init; }

    public required Band Band { get; init; }
    public int? Channel { get; init; }
    public int? WidthMHz { get; init; }
    public string? Room { get; init; }
    public double? LevelDbm { get; init; }
}

/// <summary>A value that the document writes as a short list of numbers.</summary>
public interface INumbers<T> where T : struct, INumbers<T>
{
    static abstract int Count { get; }
    static abstract string Expected { get; }

    /// <summary>Why they cannot be; null when they can. Not-a-number never gets here.</summary>
    static abstract string? WhyNot(ReadOnlySpan<double> numbers);

    static abstract T From(ReadOnlySpan<double> numbers);
    double[] Numbers();
}

public sealed class NumbersConverter<T> : JsonConverter<T> where T : struct, INumbers<T>
{
    public override T Read(ref Utf8JsonReader reader, Type type, JsonSerializerOptions options)
    {
        using var json = JsonDocument.ParseValue(ref reader);
        return TryRead(json.RootElement, out var why) ?? throw new JsonException(why);
    }

    public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options)
    {
        writer.WriteStartArray();
        foreach (var number in value.Numbers()) writer.WriteNumberValue(number);
        writer.WriteEndArray();
    }

    public static T? TryRead(JsonElement element, out string? why)
    {
        why = $"Write {T.Expected}.";
        if (element.ValueKind != JsonValueKind.Array || element.GetArrayLength() != T.Count) return null;
        var numbers = new double[T.Count];
        for (var i = 0; i < numbers.Length; i++)
            if (element[i].ValueKind != JsonValueKind.Number || !element[i].TryGetDouble(out numbers[i])
                || !double.IsFinite(numbers[i])) return null;
        why = T.WhyNot(numbers);
        return why is null ? T.From(numbers) : null;
    }
}

/// <summary>Which room a word means: rooms are known by id or by what the household calls them, and letter case makes no other
/// room.</summary>
public static class Rooms
{
    /// <summary>The listed room of that id, else of that name; null for one that is not listed.</summary>
    public static Room? Find(NetworkDocument house, string? word)
    {
        if (word is null) return null;
        Room? named = null;
        foreach (var room in house.Rooms)
        {
            if (Same(room.Id, word)) return room;
            if (named is null && Same(room.Name, word)) named = room;
        }
        return named;
    }

    /// <returns>False where either is not written down.</returns>
    public static bool AreSame(NetworkDocument house, string? a, string? b)
    {
        if (a is null || b is null) return false;
        if (Same(a, b)) return true;
        return !house.Rooms.IsEmpty && Find(house, a) is { } one && one == Find(house, b);
    }

    /// <summary>Whether the cable lies, or could lie, between those two.</summary>
    public static bool AreJoined(NetworkDocument house, CableRun run, string a, string b) =>
        AreSame(house, run.A, a) && AreSame(house, run.B, b) || AreSame(house, run.A, b) && AreSame(house, run.B, a);

    /// <summary>What the household calls it.</summary>
    public static string Say(NetworkDocument house, string word) => Find(house, word)?.Name ?? word;

    private static bool Same(string a, string b) => string.Equals(a, b, StringComparison.OrdinalIgnoreCase);
}
