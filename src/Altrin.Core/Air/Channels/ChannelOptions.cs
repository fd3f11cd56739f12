using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Radio;

namespace Altrin.Core.Air.Channels;

/// <summary>One way to set a radio.</summary>
/// <param name="IsRadar">It waits a minute for radar before it sends, and leaves when it hears one.</param>
public readonly record struct ChannelOption(RadioChannel Channel, bool IsRadar);

/// <summary>On which channels, and how wide, a radio may be set.</summary>
public static class ChannelOptions
{
    /// <summary>Those of the older band that do not overlap, 13 where it is lawful in place of 11. IEEE 802.11, 25 MHz from centre to centre; the choice of these is common practice, no source.</summary>
    public static readonly ImmutableArray<int> Apart = [1, 6, 11, 13];

    private const int WidestHere = 80;

    private static readonly ImmutableArray<int> Widths = [20, 40, 80, 160];

    /// <param name="ability">Of the radio.</param>
    /// <param name="found">As it is set: kept in the list where it may be, so that nothing is changed for its own sake.</param>
    /// <param name="mustBeFixed">A link hangs on it that comes up on a fixed channel alone.</param>
    /// <param name="noRadar">A bridge hangs on it, which a radar would take down.</param>
    /// <param name="hasCompany">Others are on the older band: then nobody is wide there.</param>
    public static ImmutableArray<ChannelOption> Of(ImmutableArray<RadioRule> rules, RadioAbility ability, RadioChannel found, bool isOutdoors, bool mustBeFixed, bool noRadar, bool hasCompany)
    {
        var list = ImmutableArray.CreateBuilder<ChannelOption>();
        var widest = Math.Min(ability.WidestMHz, Math.Max(WidestHere, found.WidthMHz));
        foreach (var width in Widths)
        {
            if (width > widest || (ability.Band == Band.Ghz24 && width > (hasCompany ? 20 : 40))) break;
            foreach (var number in Numbers(ability.Band, width)) Add(new(ability.Band, number, width));
        }
        if (found.Number is null && !mustBeFixed && found.WidthMHz <= widest && !(ability.Band == Band.Ghz24 && hasCompany && found.WidthMHz > 20)) list.Insert(0, new(found, false));
        return list.ToImmutable();

        void Add(RadioChannel channel)
        {
            if (Regulations.WhyNot(rules, channel, isOutdoors) is not null) return;
            var isRadar = Regulations.IsRadar(rules, channel);
            if (isRadar && noRadar) return;
            // Of one block the first channel is named, or the one it is on now.
            if (found.Number is not null && found.WidthMHz == channel.WidthMHz && Math.Abs(found.CentreMHz - channel.CentreMHz) < 0.1) channel = found;
            list.Add(new(channel, isRadar));
        }
    }

    private static IEnumerable<int> Numbers(Band band, int width) => band switch
    {
        Band.Ghz24 => Apart,
        Band.Ghz5 => Blocks(36, 64, width).Concat(Blocks(100, 144, width)).Concat(Blocks(149, width == 20 ? 165 : 161, width)),
        _ => Blocks(1, 233, width),
    };

    private static IEnumerable<int> Blocks(int first, int last, int width)
    {
        var step = width / 20 * 4;
        for (var number = first; number + step - 4 <= last; number += step) yield return number;
    }
}
