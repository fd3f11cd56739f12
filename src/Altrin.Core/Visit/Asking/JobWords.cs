using System.Text.RegularExpressions;
using Altrin.Core.Network;

namespace Altrin.Core.Visit.Asking;

/// <summary>What kind of work a job is; the questions that decide follow from it.</summary>
[System.Text.Json.Serialization.JsonConverter(typeof(WordConverter<JobSort>))]
public enum JobSort { AccessPoint, Repeater, Bridge, TwoHouses, OwnRouter, OwnNetwork, Mesh }

/// <summary>A job as it is said in a few words: “access point in the loft”.</summary>
/// <param name="Part">What the box is to be, as a pin names it; empty: whatever is best.</param>
/// <param name="Room">Null where the words name none.</param>
public sealed partial record JobWords(JobSort Sort, string Part, string Says, string? Room)
{
    /// <summary>Words longer than this are cut: nobody says more of a job in one line.</summary>
    public const int MostLetters = 200;

    /// <summary>Typical jobs, as they are said; each is understood.</summary>
    public static IReadOnlyList<string> Examples { get; } =
    [
        "access point in the loft", "repeat into the bedroom", "own router behind the provider’s box", "mesh for the whole house",
        "bridge for one computer in the study", "join two houses", "own network for the tenants",
    ];

    private static readonly Entry[] Entries = [.. Lines().Select(Entry.Read)];

    /// <returns>Null where the words name no job that is known.</returns>
    public static JobWords? Of(NetworkDocument house, string words)
    {
        var text = words.Length > MostLetters ? words[..MostLetters] : words;
        var said = Entries.FirstOrDefault(entry => entry.Phrases.Any(phrase => Holds(text, phrase)));
        return said is null ? null : new(said.Sort, said.Part, said.Says, RoomIn(house, text));
    }

    /// <summary>A room of the house that is named; else what follows “in”, “into” or “for”.</summary>
    private static string? RoomIn(NetworkDocument house, string text)
    {
        var known = house.Rooms.Select(room => room.Name).Where(name => Holds(text, name)).MaxBy(name => name.Length);
        if (known is not null) return known;
        if (OnFloor().Match(text) is { Success: true } floor) return Titled(floor.Value);
        foreach (Match match in AfterIn().Matches(text))
            if (match.Groups["room"].Value is var room && !NoRoom.Contains(room.ToLowerInvariant())) return Titled(room);
        return null;
    }

    private static bool Holds(string text, string phrase)
    {
        for (var at = text.IndexOf(phrase, StringComparison.OrdinalIgnoreCase); at >= 0; at = text.IndexOf(phrase, at + 1,
            StringComparison.OrdinalIgnoreCase))
            if ((at == 0 || !char.IsLetter(text[at - 1]))
                && (at + phrase.Length == text.Length || !char.IsLetter(text[at + phrase.Length]))) return true;
        return false;
    }

    private static string Titled(string room) => char.ToUpperInvariant(room[0]) + room[1..];

    /// <summary>What stands behind “in”, “to” or “for” and is no room.</summary>
    private static readonly HashSet<string> NoRoom =
        ["house", "whole house", "line", "network", "wi-fi", "wifi", "internet", "everybody", "all", "tenants", "guests", "one computer",
            "modem", "gateway"];

    [GeneratedRegex(@"\b(upstairs|downstairs)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex OnFloor();

    [GeneratedRegex(@"(?<![-\w])(?:into|in|to|for|at)\s+(?!(?:be|join|have|make|get|use|replace)\b)(?:the\s+|my\s+|our\s+|a\s+|his\s+|her\s+)?(?<room>\p{L}[\p{L}\p{N}'’-]*(?:\s+(?!(?:by|with|and|over|from|in|into|to|for|at|on|behind)\b)[\p{L}\p{N}'’-]+){0,2})",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex AfterIn();

    private static IEnumerable<string> Lines()
    {
        using var stream = typeof(JobWords).Assembly.GetManifestResourceStream("Altrin.Core.Visit.job-words.txt")!;
        using var reader = new StreamReader(stream);
        while (reader.ReadLine() is { } line)
            if (line.Length > 0 && line[0] != '#') yield return line;
    }

    private sealed record Entry(JobSort Sort, string Part, string Says, string[] Phrases)
    {
        public static Entry Read(string line) =>
            line.Split('|', StringSplitOptions.TrimEntries) is [var sort, var part, var says, var phrases]
            ? new(Words<JobSort>.TryRead(sort, out var read) ? read
                : throw new InvalidDataException($"{sort} is no sort of job."), part, says,
                phrases.Split(',', StringSplitOptions.TrimEntries))
            : throw new InvalidDataException($"“{line}” is no line of job-words.txt: sort | part | says | phrases.");
    }
}
