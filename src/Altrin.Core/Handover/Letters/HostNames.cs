using System.Collections.Frozen;
using System.Globalization;
using System.Text;

namespace Altrin.Core.Handover.Letters;

/// <summary>Names for hosts: letters, digits and hyphens, at most 63, no hyphen at an end (RFC 1123 section 2.1, RFC 1035 section
/// 2.3.4).</summary>
internal sealed class HostNames
{
    private const int MostLetters = 63;

    private readonly HashSet<string> given = new(StringComparer.Ordinal) { "localhost" };

    /// <summary>A name that nobody has yet: of two alike the second gets -2.</summary>
    public string Give(string name, string id)
    {
        var stem = Plain(name) is { Length: > 0 } said ? said : Plain(id) is { Length: > 0 } other ? other : "host";
        if (stem.All(char.IsAsciiDigit)) stem = Cut($"h-{stem}", MostLetters);
        for (var n = 1; ; n++)
        {
            var end = n == 1 ? "" : string.Create(CultureInfo.InvariantCulture, $"-{n}");
            if (Cut(stem, MostLetters - end.Length) + end is var free && given.Add(free)) return free;
        }
    }

    /// <summary>Compatibility forms, accents off, small letters; whatever else becomes one hyphen.</summary>
    /// <remarks>By a table of its own: a machine without the system's library of languages takes no letter apart.</remarks>
    private static string Plain(string name)
    {
        var plain = new StringBuilder();
        foreach (var rune in name.EnumerateRunes())
        {
            if (Rune.GetUnicodeCategory(rune) is UnicodeCategory.NonSpacingMark or UnicodeCategory.EnclosingMark or UnicodeCategory.SpacingCombiningMark) continue;
            foreach (var letter in rune.IsAscii ? rune.ToString() : Made.Value.GetValueOrDefault(rune.Value, "-"))
                if (char.IsAsciiLetterOrDigit(letter)) plain.Append(char.ToLowerInvariant(letter));
                else if (plain.Length > 0 && plain[^1] != '-') plain.Append('-');
        }
        return Cut(plain.ToString(), MostLetters);
    }

    private static readonly Lazy<FrozenDictionary<int, string>> Made = new(() =>
    {
        using var file = new StreamReader(typeof(HostNames).Assembly.GetManifestResourceStream("Altrin.Core.Handover.letters.txt")!);
        return file.ReadToEnd().Split('\n',
            StringSplitOptions.RemoveEmptyEntries).Where(line => line[0] != '#').Select(line => line.Split(' '))
            .ToFrozenDictionary(line => int.Parse(line[0], NumberStyles.HexNumber, CultureInfo.InvariantCulture), line => line[1]);
    });

    private static string Cut(string text, int most) => (text.Length > most ? text[..most] : text).Trim('-');
}
