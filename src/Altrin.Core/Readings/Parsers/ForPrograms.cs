using System.Text.Json;

namespace Altrin.Core.Readings.Parsers;

/// <summary>What a tool prints for programs: a JSON list, on one line or on many.</summary>
internal static class ForPrograms
{
    private const int FirstLines = 6;

    /// <summary>A list whose first lines have both words.</summary>
    public static bool Begins(ReadOnlySpan<PastedLine> rest, string word, string other)
    {
        if (!rest[0].Trimmed.StartsWith('[')) return false;
        if (rest[0].Text.Contains(word, StringComparison.Ordinal) && rest[0].Text.Contains(other, StringComparison.Ordinal)) return true;
        for (var i = 1; i < Math.Min(rest.Length, FirstLines); i++)
            if (rest[i].Trimmed.StartsWith(word, StringComparison.Ordinal)) return true;
        return false;
    }

    public static bool IsOne(IReadOnlyList<PastedLine> lines) => lines[0].Text.TrimStart().StartsWith('[');

    /// <summary>Until the list is closed.</summary>
    public static bool GoesOn(Taken sofar) => sofar.Sum(Depth) > 0;

    /// <summary>Does something with each object of the list; a text that is none is unread.</summary>
    public static void Each(IReadOnlyList<PastedLine> lines, Gathered all, Action<JsonElement> take)
    {
        try
        {
            using var json = JsonDocument.Parse(string.Join('\n', lines.Select(line => line.Text)),
                new() { AllowTrailingCommas = true, MaxDepth = 32 });
            foreach (var one in json.RootElement.EnumerateArray().Where(one => one.ValueKind == JsonValueKind.Object)) take(one);
        }
        catch (JsonException) { all.Unread.AddRange(lines.Where(line => !line.IsBlank).Select(line => line.Number)); }
    }

    /// <summary>A field as text, of a list its first entry; null where there is none.</summary>
    public static string? Text(JsonElement of, string field)
    {
        if (of.ValueKind != JsonValueKind.Object || !of.TryGetProperty(field, out var value)) return null;
        if (value.ValueKind == JsonValueKind.Array) return value.GetArrayLength() > 0 && value[0].ValueKind == JsonValueKind.String
            ? value[0].GetString() : null;
        return value.ValueKind switch
        {
            JsonValueKind.String => value.GetString(),
            JsonValueKind.Null or JsonValueKind.Object => null,
            _ => value.GetRawText()
        };
    }

    /// <summary>Brackets that a line opens and does not close.</summary>
    private static int Depth(string text)
    {
        var depth = 0;
        foreach (var letter in text) depth += letter switch { '[' or '{' => 1, ']' or '}' => -1, _ => 0 };
        return depth;
    }
}
