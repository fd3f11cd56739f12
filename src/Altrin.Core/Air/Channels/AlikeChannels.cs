using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using Altrin.Core.Network;
using Altrin.Core.Radio;

namespace Altrin.Core.Air.Channels;

/// <summary>Which channels may be exchanged for one another: blocks of 80 MHz, and the halves and quarters in them, that cost every radio the same. What may be exchanged has to be
/// tried once only.</summary>
internal sealed class AlikeChannels
{
    private const int BlockMHz = 80;

    private readonly ImmutableArray<ChannelSeat> seats;
    private readonly string[][] names;
    private readonly (double Low, double High)[][] blocks;
    private readonly bool isOff;

    public AlikeChannels(ChannelGround ground, ImmutableArray<ChannelSeat> seats, double[][] setting, double[][][] alone, double[][][] worth)
    {
        this.seats = seats;
        // Wider than a block: then blocks are no longer apart.
        isOff = seats.Any(seat => seat.Options.Any(option => option.Channel.WidthMHz > BlockMHz));
        var traits = new Dictionary<(double, double), string>();
        blocks = [.. seats.Select(seat => seat.Options.Select(option => RegionOf(option.Channel, seat.Band == Band.Ghz24 ? 20 : BlockMHz)).ToArray())];
        names = [.. seats.Select(seat => seat.Options.Select(option => Name(seat, option)).ToArray())];

        string Name(ChannelSeat seat, ChannelOption option)
        {
            if (option.Channel.Number is null) return "auto";
            if (seat.Band == Band.Ghz24) return $"{Trait(RegionOf(option.Channel, 20))} {(option.Channel.Number > 6 ? option.Channel.Number : 1)}";
            var name = new StringBuilder().Append(option.Channel.WidthMHz);
            for (var width = BlockMHz; width >= option.Channel.WidthMHz && width >= 20; width /= 2) name.Append('/').Append(Trait(RegionOf(option.Channel, width)));
            return name.ToString();
        }

        // Everything that an option in the region costs anybody, and how strong he is there.
        string Trait((double Low, double High) region)
        {
            if (traits.TryGetValue(region, out var known)) return known;
            var all = new StringBuilder();
            for (var a = 0; a < seats.Length; a++)
                for (var p = 0; p < seats[a].Options.Length; p++)
                {
                    var channel = seats[a].Options[p].Channel;
                    if (channel.Number is null || channel.CentreMHz < region.Low || channel.CentreMHz > region.High || channel.WidthMHz > region.High - region.Low + 1) continue;
                    all.Append(CultureInfo.InvariantCulture, $"{a},{channel.WidthMHz},{channel.CentreMHz - region.Low},{setting[a][p]};");
                    for (var m = 0; m < seats[a].Members.Length; m++)
                        all.Append(CultureInfo.InvariantCulture, $"{alone[a][p][m]},{worth[a][p][m]},{RadioPower.Of(ground.Sources[seats[a].Members[m]].Radio, channel, ground.Rules)};");
                }
            return traits[region] = all.ToString();
        }
    }

    /// <summary>The part of the band, that wide, in which a channel lies.</summary>
    private static (double, double) RegionOf(RadioChannel channel, int width)
    {
        var middle = Radio.Channels.CentreOf(channel.Band, channel.Counted, channel.Band == Band.Ghz24 ? 20 : width);
        return (middle - width / 2.0, middle + width / 2.0);
    }

    /// <summary>A name that options share which may be exchanged, as things stand; its own where somebody sits in its part of the band already.</summary>
    public string LikeOf(int seat, int option, ReadOnlySpan<int> settled, int[] choice)
    {
        var channel = seats[seat].Options[option].Channel;
        if (isOff || channel.Number is null) return $"{option}";
        var (low, high) = blocks[seat][option];
        foreach (var other in settled)
        {
            var taken = seats[other].Options[choice[other]].Channel;
            var more = channel.Band == Band.Ghz24 ? 2 : 0;
            if (taken.Number is not null && taken.CentreMHz + taken.WidthMHz / 2.0 + more > low && taken.CentreMHz - taken.WidthMHz / 2.0 - more < high) return $"{option}";
        }
        return names[seat][option];
    }
}
