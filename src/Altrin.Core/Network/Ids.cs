using System.Text.RegularExpressions;

namespace Altrin.Core.Network;

/// <summary>Ids that are made of names.</summary>
public static partial class Ids
{
    private const int MostLetters = 60;

    /// <summary>The name in small letters, digits and hyphens of any script, at most 60, with a number where it is taken.</summary>
    /// <param name="nameless">What stands for a name without a letter.</param>
    public static string Of(string name, IEnumerable<string> taken, string nameless = "room")
    {
        var stem = NoLetter().Replace(name.ToLowerInvariant(), "-").Trim('-');
        if (stem.Length == 0) stem = nameless;
        if (stem.Length > MostLetters) stem = stem[..MostLetters];
        var all = taken.ToHashSet(StringComparer.Ordinal);
        var id = stem;
        for (var n = 2; all.Contains(id); n++) id = $"{stem}-{n}";
        return id;
    }

    [GeneratedRegex(@"[^\p{L}\p{N}]+")]
    private static partial Regex NoLetter();
}
