using System.Collections.Concurrent;
using Altrin.Core.Network;

namespace Altrin.Core.Radio;

/// <summary>What one end of a link can.</summary>
/// <param name="WidestMHz">20 to 320.</param>
public readonly record struct RadioAbility(Band Band, string Generation, int Streams, int WidestMHz)
{
    private const int UsualStreams = 2, Any = 320;

    /// <summary>Before n a channel is 20 MHz wide (IEEE 802.11).</summary>
    public bool KnowsOneWidth => Generation is "a" or "b" or "g";

    /// <summary>Where nothing is written down, what any box of the last ten years has; what a band or a generation does not know is taken down to what it does.</summary>
    public static RadioAbility Of(WirelessRadio radio)
    {
        var generation = In(radio.Band, radio.Generation?.ToLowerInvariant());
        var (streams, widest) = Limits(radio.Band, generation);
        return new(radio.Band, generation, Math.Clamp(radio.Streams ?? UsualStreams, 1, streams), Math.Min(radio.MaxWidthMHz ?? Any, widest));
    }

    /// <summary>A tablet or the like: as new as the box, two streams, 80 MHz at most (40 at 2.4 GHz). Common practice, no source.</summary>
    public static RadioAbility Household(RadioAbility box)
    {
        var (streams, widest) = Limits(box.Band, box.Generation);
        return new(box.Band, box.Generation, Math.Min(UsualStreams, streams), Math.Min(box.Band == Band.Ghz24 ? 40 : 80, widest));
    }

    private static string In(Band band, string? generation) => (band, generation) switch
    {
        (Band.Ghz24, "a") => "g",
        (Band.Ghz24, "ac") => "n",
        (Band.Ghz5, "b" or "g") => "a",
        (Band.Ghz6, "a" or "b" or "g" or "n" or "ac") => "ax",
        (_, { } known) when WifiRates.Generations.Contains(known) => known,
        (Band.Ghz24, _) => "n",
        (Band.Ghz5, _) => "ac",
        _ => "ax",
    };

    private static (int Streams, int WidestMHz) Limits(Band band, string generation)
    {
        var (streams, widest) = generation switch { "a" or "b" or "g" => (1, 20), "n" => (4, 40), "be" => (8, 320), _ => (8, 160) };
        return (streams, Math.Min(widest, band switch { Band.Ghz24 => 40, Band.Ghz5 => 160, _ => 320 }));
    }
}

/// <summary>The rate of a radio link, in Mb/s as a person would measure it.</summary>
public static class LinkRate
{
    /// <summary>What is heard at all, in dBm: below it a network is not there.</summary>
    public static double LeastDbm(Band band) => band == Band.Ghz24 ? -85 : -82;

    /// <summary>From here on a radio waits for another, in dBm.</summary>
    public const double SharingDbm = -82;

    /// <param name="widthMHz">Of the channel the two are on.</param>
    /// <param name="isBelieved">The two join for want of places: then it carries the lowest row at least.</param>
    public static double Mbps(RadioAbility a, RadioAbility b, int widthMHz, double levelDbm, bool isBelieved = false) => LinkCurve.Of(a, b, widthMHz).Mbps(levelDbm, isBelieved);
}

/// <summary>What two ends carry at each level they may hear each other at.</summary>
public sealed class LinkCurve
{
    /// <summary>A link that is up and reaches no row.</summary>
    public const double BarelyMbps = 0.5;

    private const int From = -100, To = 0;

    private static readonly int[] Widths = [20, 40, 80, 160, 320];

    /// <summary>Few kinds of radio, asked millions of times for a large building.</summary>
    private static readonly ConcurrentDictionary<(Band, string, int, int), LinkCurve> Known = [];

    private readonly Band band;
    private readonly double share, lowest;

    /// <summary>By the whole decibel, for no rate begins between two: the most that any width within the widest gives there, for a narrow channel reaches further.</summary>
    private readonly double[] peaks;

    private LinkCurve(Band band, string generation, int streams, int widestMHz)
    {
        (this.band, share) = (band, ShareForData(generation));
        // One stream, 20 MHz, the row that is owed first.
        lowest = WifiRates.AtLevel(generation, 1, 20, generation == "b" ? -85 : -82);
        peaks = [.. Enumerable.Range(From, To - From + 1).Select(level => Widths.Where(width => width <= widestMHz).Max(width => WifiRates.AtLevel(generation, streams, width, level)))];
    }

    /// <param name="widthMHz">Of the channel the two are on.</param>
    public static LinkCurve Of(RadioAbility a, RadioAbility b, int widthMHz) => Known.GetOrAdd(
        (a.Band, Older(a.Generation, b.Generation), Math.Min(a.Streams, b.Streams), Math.Max(20, Math.Min(widthMHz, Math.Min(a.WidestMHz, b.WidestMHz)))),
        static key => new(key.Item1, key.Item2, key.Item3, key.Item4));

    /// <param name="isBelieved">The two join for want of places: then it carries the lowest row at least.</param>
    public double Mbps(double levelDbm, bool isBelieved = false)
    {
        var best = double.IsNaN(levelDbm) ? 0 : peaks[(int)Math.Clamp(Math.Floor(levelDbm), From, To) - From];
        if (isBelieved) return share * Math.Max(best, lowest);
        return best > 0 ? share * best : levelDbm >= LinkRate.LeastDbm(band) ? BarelyMbps : 0;
    }

    /// <summary>Share of the peak left to data: about two thirds from 802.11n on, half before. Common practice, no source.</summary>
    private static double ShareForData(string generation) => generation is "a" or "b" or "g" ? 0.5 : 0.65;

    private static string Older(string a, string b)
    {
        if (a == b) return a;
        foreach (var one in WifiRates.Generations)
            if (one == a || one == b) return one;
        throw new ArgumentOutOfRangeException(nameof(a), a, "No generation of Wi-Fi that is known.");
    }
}
