using Altrin.Core.Network;
using Altrin.Core.Radio;
using FsCheck.Xunit;

namespace Altrin.Core.Tests.Radio;

public class WifiRatesTests
{
    [Theory, Trait("source", "IEEE 802.11 rate tables (HT, VHT, HE, EHT with the shortest guard interval); values from memory")]
    [InlineData("b", 1, 20, 11)]
    [InlineData("g", 1, 20, 54)]
    [InlineData("a", 1, 20, 54)]
    [InlineData("n", 1, 20, 72.2)]
    [InlineData("n", 2, 40, 300)]
    [InlineData("n", 3, 40, 450)]
    [InlineData("ac", 1, 20, 86.7)]          // index 8: index 9 is not allowed there
    [InlineData("ac", 3, 20, 260)]          // and none of the section's has it with three
    [InlineData("ac", 1, 80, 433.3)]
    [InlineData("ac", 2, 80, 866.7)]
    [InlineData("ac", 4, 80, 1733.3)]
    [InlineData("ax", 1, 20, 143.4)]
    [InlineData("ax", 2, 80, 1201)]
    [InlineData("ax", 2, 160, 2402)]
    [InlineData("be", 1, 320, 2882.4)]
    [InlineData("n", 2, 80, 300)]           // wider than the generation knows
    [InlineData("ac", 2, 60, 400)]          // a width that does not exist counts as the next below
    public void The_peak_is_what_is_printed_on_the_box(string generation, int streams, int width, double mbps) =>
        Assert.Equal(mbps, WifiRates.PeakMbps(generation, streams, width), 0.05);

    [Theory, Trait("source", "IEEE 802.11-2020 minimum input sensitivity, 20 MHz and 3 dB more a doubling; values from memory")]
    [InlineData("g", 20, -65, 54)]
    [InlineData("g", 20, -65.1, 48)]
    [InlineData("g", 20, -82, 6)]
    [InlineData("g", 20, -82.1, 0)]
    [InlineData("b", 20, -76, 11)]
    [InlineData("b", 20, -78, 5.5)]
    [InlineData("b", 20, -85, 1)]
    [InlineData("n", 20, -64, 72.2)]
    [InlineData("n", 20, -64.1, 65)]
    [InlineData("n", 40, -61, 150)]
    [InlineData("ac", 80, -51, 433.3)]
    [InlineData("ac", 80, -76, 32.5)]
    [InlineData("ac", 80, -76.1, 0)]
    [InlineData("ax", 80, -46, 600.5)]
    public void Each_rate_is_owed_from_its_level_on(string generation, int width, double dbm, double mbps) =>
        Assert.Equal(mbps, WifiRates.AtLevel(generation, 1, width, dbm), 0.05);

    [Property]
    public void A_stronger_signal_or_another_stream_never_makes_it_slower(int kind, int width, int level, byte more)
    {
        var generation = WifiRates.Generations[(int)((uint)kind % (uint)WifiRates.Generations.Count)];
        var mhz = 20 << (int)((uint)width % 5);
        double At(int streams, double dbm) => WifiRates.AtLevel(generation, streams, mhz, dbm);
        Assert.True(At(1, -level % 100) <= At(1, (-level % 100) + (more / 8.0)));
        Assert.True(At(2, -level % 100) <= At(3, -level % 100));
    }

    [Fact]
    public void What_is_no_generation_or_no_width_is_refused()
    {
        Assert.Throws<ArgumentOutOfRangeException>(() => WifiRates.PeakMbps("z", 1, 20));
        Assert.Throws<ArgumentOutOfRangeException>(() => WifiRates.PeakMbps("n", 0, 20));
        Assert.Throws<ArgumentOutOfRangeException>(() => WifiRates.PeakMbps("n", 1, -20));
    }

    /// <summary>The curve by whole decibels against the table itself, with the widths tried one by one.</summary>
    [Fact]
    public void What_a_link_carries_is_the_best_row_of_any_width_at_that_level()
    {
        var random = new Random(3);
        for (var n = 0; n < 2000; n++)
        {
            var generation = WifiRates.Generations[random.Next(WifiRates.Generations.Count)];
            var ability = RadioAbility.Of(new() { Id = "r", Band = random.Next(2) == 0 ? Band.Ghz24 : Band.Ghz5, Generation = generation, Streams = 1 + random.Next(4), MaxWidthMHz = 20 << random.Next(4) });
            var (width, level) = (20 << random.Next(4), -100 + random.NextDouble() * 90);
            if (random.Next(3) == 0) level = Math.Round(level);
            var rows = new[] { 20, 40, 80, 160 }.Where(one => one <= Math.Max(20, Math.Min(width, ability.WidestMHz))).Select(one => WifiRates.AtLevel(ability.Generation, ability.Streams, one, level)).ToList();
            var share = ability.Generation is "a" or "b" or "g" ? 0.5 : 0.65;
            var expected = rows.Max() > 0 ? share * rows.Max() : level >= LinkRate.LeastDbm(ability.Band) ? 0.5 : 0;
            Assert.Equal(expected, LinkRate.Mbps(ability, ability, width, level), 9);
        }
    }
}
