using System.Collections.Immutable;
using Altrin.Core.Simulation;

namespace Altrin.Core.Air.Channels;

/// <summary>The parts that the options of some seats divide a band into: what lies in one part disturbs nobody in another. At 5 GHz mostly its blocks of 80 MHz.</summary>
/// <param name="Count">How many.</param>
/// <param name="Of">By seat and option; −1 for one that picks its channel itself and may be anywhere.</param>
internal sealed record BandParts(int Count, ImmutableArray<ImmutableArray<int>> Of)
{
    public static BandParts Between(ImmutableArray<ChannelSeat> seats)
    {
        var channels = seats.SelectMany(seat => seat.Options.Select(option => option.Channel)).Where(channel => channel.Number is not null).Distinct().OrderBy(channel => channel.CentreMHz).ToList();
        var sets = new DisjointSets(channels.Count);
        for (var a = 0; a < channels.Count; a++)
            for (var b = a + 1; b < channels.Count; b++)
                if (channels[a].Overlaps(channels[b])) sets.Union(a, b);
        // From the lower end of the band up.
        var number = Enumerable.Range(0, channels.Count).Select(sets.Find).Distinct().Select((root, part) => (root, part)).ToDictionary(one => one.root, one => one.part);
        var partOf = channels.Select((channel, i) => (channel, Part: number[sets.Find(i)])).ToDictionary(one => one.channel, one => one.Part);
        return new(number.Count, [.. seats.Select(seat => seat.Options.Select(option => option.Channel.Number is null ? -1 : partOf[option.Channel]).ToImmutableArray())]);
    }
}
