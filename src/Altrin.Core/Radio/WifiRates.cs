namespace Altrin.Core.Radio;

/// <summary>Data rates of IEEE 802.11 and the level at the receiver from which each is owed.</summary>
/// <remarks>From n on a rate is data tones × bits a tone × coding ÷ symbol time (IEEE 802.11-2020 clauses 19 and 21, 802.11ax
/// clause 27); the levels are the standard's minimum sensitivity at 20 MHz, 3 dB more a doubling. Values from memory. Real receivers do
/// some decibels better.</remarks>
public static class WifiRates
{
    private sealed record Step(double Bits, double Coding, double SensitivityDbm);

    // Modulation and coding 0 to 13: n ends at 7, ac at 9, ax at 11, be at 13.
    private static readonly Step[] Steps =
    [
        new(1, 1.0 / 2, -82), new(2, 1.0 / 2, -79), new(2, 3.0 / 4, -77), new(4, 1.0 / 2, -74), new(4, 3.0 / 4, -70), new(6, 2.0 / 3, -66), new(6, 3.0 / 4, -65), new(6, 5.0 / 6, -64),
        new(8, 3.0 / 4, -59), new(8, 5.0 / 6, -57), new(10, 3.0 / 4, -54), new(10, 5.0 / 6, -52), new(12, 3.0 / 4, -49), new(12, 5.0 / 6, -46),
    ];

    private static readonly (double Mbps, double SensitivityDbm)[] Ofdm = [(6, -82), (9, -81), (12, -79), (18, -77), (24, -74), (36, -70), (48, -66), (54, -65)];
    private static readonly (double Mbps, double SensitivityDbm)[] Dsss = [(1, -85), (2, -80), (5.5, -78), (11, -76)];

    /// <summary>The generations that are known, oldest first, by the letter on the box.</summary>
    public static readonly IReadOnlyList<string> Generations = ["b", "a", "g", "n", "ac", "ax", "be"];

    /// <summary>The rate printed on the box, in Mb/s.</summary>
    public static double PeakMbps(string generation, int streams, int widthMHz) => AtLevel(generation, streams, widthMHz, 0);

    /// <summary>The highest rate owed at that level, in Mb/s; 0 below the lowest.</summary>
    /// <param name="generation">One of <see cref="Generations"/>.</param>
    /// <param name="streams">1 to 16; older than n has one, whatever is said.</param>
    /// <param name="widthMHz">20, 40, 80, 160 or 320; what the generation does not know counts as its widest below.</param>
    /// <exception cref="ArgumentOutOfRangeException">The generation is unknown, or a number is not positive.</exception>
    public static double AtLevel(string generation, int streams, int widthMHz, double receivedDbm)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(streams);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(widthMHz);
        switch (generation)
        {
            case "b": return Highest(Dsss, receivedDbm);
            case "a" or "g": return Highest(Ofdm, receivedDbm);
        }
        var (last, tones, symbol, widest) = generation switch
        {
            "n" => (7, LegacyTones, 3.6, 40),
            "ac" => (9, LegacyTones, 3.6, 160),
            "ax" => (11, ModernTones, 13.6, 160),
            "be" => (13, ModernTones, 13.6, 320),
            _ => throw new ArgumentOutOfRangeException(nameof(generation), generation, "No generation of Wi-Fi that is known."),
        };
        var width = Array.FindLast(Widths, one => one <= Math.Min(widthMHz, widest));
        if (width == 0) width = 20;
        var doublings = Array.IndexOf(Widths, width);
        for (var i = last; i >= 0; i--)
        {
            // 802.11ac has no whole number of bits a symbol there with one, two or four streams; with three it has, and no home box has three alone.
            if (generation == "ac" && i == 9 && width == 20) continue;
            if (receivedDbm >= Steps[i].SensitivityDbm + (3 * doublings)) return streams * tones[doublings] * Steps[i].Bits * Steps[i].Coding / symbol;
        }
        return 0;
    }

    private static readonly int[] Widths = [20, 40, 80, 160, 320];
    private static readonly int[] LegacyTones = [52, 108, 234, 468];
    private static readonly int[] ModernTones = [234, 468, 980, 1960, 3920];

    private static double Highest((double Mbps, double SensitivityDbm)[] rates, double level) => rates.LastOrDefault(rate => level >= rate.SensitivityDbm).Mbps;
}
