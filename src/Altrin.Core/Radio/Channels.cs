using Altrin.Core.Network;

namespace Altrin.Core.Radio;

/// <summary>Where a radio sits: a primary channel, or whichever it picks, and how wide.</summary>
/// <param name="Number">Null: it picks one itself.</param>
public readonly record struct RadioChannel(Band Band, int? Number, int WidthMHz)
{
    /// <summary>What <c>auto</c> counts as where one channel must be looked at: the first of the band.</summary>
    public int Counted => Number ?? (Band == Band.Ghz5 ? 36 : 1);

    /// <summary>In MHz, of the whole width.</summary>
    public double CentreMHz => Channels.CentreOf(Band, Counted, WidthMHz);

    /// <summary>Whether two sit on each other. One that picks for itself may be anywhere in its band.</summary>
    public bool Overlaps(RadioChannel other)
    {
        if (Band != other.Band) return false;
        if (Number is null || other.Number is null) return true;
        // A mask of 22 MHz on channels 5 MHz apart: the older band's are a little wider than they say.
        var more = Band == Band.Ghz24 ? 2 : 0;
        return Math.Abs(CentreMHz - other.CentreMHz) < (WidthMHz + other.WidthMHz) / 2.0 + more;
    }
}

/// <summary>Channel numbers and frequencies. IEEE 802.11; values from memory.</summary>
public static class Channels
{
    /// <summary>The middle of a 20 MHz channel.</summary>
    public static double PrimaryMHz(Band band, int channel) => band switch
    {
        Band.Ghz24 => channel == 14 ? 2484 : 2407 + 5 * channel,
        Band.Ghz5 => 5000 + 5 * channel,
        _ => 5950 + 5 * channel,
    };

    /// <summary>The middle of the block that a primary channel lies in. At 2.4 GHz 40 MHz lie upward for channels 1 to 7, else downward; above,
    /// blocks count from channel 36, 100 and 149, and at 6 GHz from 1.</summary>
    public static double CentreOf(Band band, int channel, int widthMHz)
    {
        var primary = PrimaryMHz(band, channel);
        if (widthMHz <= 20) return primary;
        if (band == Band.Ghz24) return channel <= 7 ? primary + 10 : primary - 10;
        var (first, blocks) = (FirstOf(band, channel), widthMHz / 20);
        var start = Math.Max(0, (channel - first) / 4) / blocks * blocks;
        return PrimaryMHz(band, first + 4 * start) + (blocks - 1) * 10;
    }

    /// <summary>The middles of the 20 MHz channels that it covers; at 2.4 GHz the primary alone.</summary>
    public static IEnumerable<double> Covered(RadioChannel channel)
    {
        if (channel.Band == Band.Ghz24 || channel.WidthMHz <= 20) return [PrimaryMHz(channel.Band, channel.Counted)];
        var lowest = channel.CentreMHz - (channel.WidthMHz / 20 - 1) * 10;
        return Enumerable.Range(0, channel.WidthMHz / 20).Select(i => lowest + i * 20);
    }

    private static int FirstOf(Band band, int channel) => band != Band.Ghz5 ? 1 : channel < 100 ? 36 : channel < 149 ? 100 : 149;
}
