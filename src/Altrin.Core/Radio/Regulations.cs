using System.Collections.Frozen;
using System.Collections.Immutable;
using System.Text.Json;
using Altrin.Core.Network;

namespace Altrin.Core.Radio;

/// <summary>What a country allows between two frequencies.</summary>
/// <param name="MostDbm">EIRP.</param>
/// <param name="IsRadar">Whoever sends there listens for radar first, and leaves when one is heard (DFS).</param>
/// <param name="IsPassive">Nobody may begin a network there.</param>
public sealed record RadioRule(double FromMHz, double ToMHz, double WidestMHz, double MostDbm, bool IsIndoors, bool IsRadar, bool IsPassive)
{
    public bool Covers(double centreMHz, double widthMHz) => centreMHz - widthMHz / 2 >= FromMHz - 0.001 && centreMHz + widthMHz / 2 <= ToMHz + 0.001;
}

/// <summary>Why a channel may not be used, the gravest first.</summary>
public enum Unlawful
{
    /// <summary>The country has no rule for it: nobody may send there.</summary>
    NoRule,

    /// <summary>One may listen there, and begin no network.</summary>
    Passive,

    IndoorsOnly,

    /// <summary>Not that wide.</summary>
    TooWide,
}

/// <summary>Lawful frequencies and powers by country.</summary>
/// <remarks>A snapshot of the open wireless regulatory database, with its date in the file, made by tools/regdb. Local law comes first.</remarks>
public static class Regulations
{
    private static readonly Lazy<FrozenDictionary<string, ImmutableArray<RadioRule>>> ByCountry = new(Load);

    public static IEnumerable<string> Countries => ByCountry.Value.Keys;

    /// <returns>Null where the country is not set or not known.</returns>
    public static ImmutableArray<RadioRule>? Of(string? country) =>
        country is not null && ByCountry.Value.TryGetValue(country.ToUpperInvariant(), out var rules) ? rules : null;

    /// <summary>The limit for one 20 MHz channel, in dBm EIRP: the highest of the rules that cover it.</summary>
    /// <returns>Null where no rule does.</returns>
    public static double? MostDbm(ImmutableArray<RadioRule> rules, double centreMHz)
    {
        double? most = null;
        foreach (var rule in rules)
            if (rule.Covers(centreMHz, 20) && (most is null || rule.MostDbm > most)) most = rule.MostDbm;
        return most;
    }

    /// <summary>Why nobody may send a network there: on a channel of that width, in or out of doors.</summary>
    public static Unlawful? WhyNot(ImmutableArray<RadioRule> rules, RadioChannel channel, bool isOutdoors)
    {
        Unlawful? worst = null;
        foreach (var centre in Channels.Covered(channel))
        {
            var (isCovered, isPassive, isIndoors, isNarrow) = (false, true, true, true);
            // A search for channels asks this of each of them for each house it tries.
            foreach (var rule in rules)
            {
                if (!rule.Covers(centre, 20)) continue;
                isCovered = true;
                isPassive &= rule.IsPassive;
                isIndoors &= rule.IsIndoors;
                // Two rules that meet may be used as one where the database says so (AUTO-BW): each then allows its own width and the next one's.
                isNarrow &= rule.WidestMHz < Math.Min(channel.WidthMHz, 80);
            }
            var why = !isCovered ? Unlawful.NoRule : isPassive ? Unlawful.Passive : isOutdoors && isIndoors ? Unlawful.IndoorsOnly : isNarrow ? Unlawful.TooWide : (Unlawful?)null;
            if (why is not null && (worst is null || why < worst)) worst = why;
        }
        return worst;
    }

    /// <summary>Whether it waits for radar before it sends there (DFS), on any part of its width.</summary>
    public static bool IsRadar(ImmutableArray<RadioRule> rules, RadioChannel channel) => channel.Band == Band.Ghz5
        && Channels.Covered(channel).Any(centre => rules.Any(rule => rule.Covers(centre, 20)) && rules.Where(rule => rule.Covers(centre, 20)).All(rule => rule.IsRadar));

    private static FrozenDictionary<string, ImmutableArray<RadioRule>> Load()
    {
        using var file = typeof(Regulations).Assembly.GetManifestResourceStream("Altrin.Core.Radio.regulations.json")!;
        using var json = JsonDocument.Parse(file);
        return json.RootElement.GetProperty("countries").EnumerateObject().ToFrozenDictionary(country => country.Name,
            country => country.Value.GetProperty("rules").EnumerateArray().Select(Rule).ToImmutableArray(), StringComparer.Ordinal);
    }

    private static RadioRule Rule(JsonElement rule)
    {
        var flags = rule[4].GetInt32();
        return new(rule[0].GetDouble(), rule[1].GetDouble(), rule[2].GetDouble(), rule[3].GetDouble(), (flags & 2) != 0, (flags & 4) != 0, (flags & 8) != 0);
    }
}
