using System.Collections.Immutable;
using Altrin.Core.Simulation;

namespace Altrin.Core.Air.Channels;

/// <summary>Seats of one band in parts that cannot hear each other on any channel: each part is settled by itself, and what is best for each is best for all.</summary>
internal static class ChannelParts
{
    public static IEnumerable<ImmutableArray<ChannelSeat>> Of(ChannelGround ground, IReadOnlyList<ChannelSeat> seats)
    {
        var parts = new DisjointSets(seats.Count);
        for (var a = 0; a < seats.Count; a++)
            for (var b = a + 1; b < seats.Count; b++)
                if (parts.Find(a) != parts.Find(b) && MayMeet(ground, seats[a], seats[b])) parts.Union(a, b);
        return Enumerable.Range(0, seats.Count).GroupBy(parts.Find).Select(part => part.Select(i => seats[i]).ToImmutableArray());
    }

    private static bool MayMeet(ChannelGround ground, ChannelSeat a, ChannelSeat b)
    {
        foreach (var one in a.Members)
            foreach (var other in b.Members)
                if (ground.MayMeet(one, other)) return true;
        return false;
    }
}
