using System.Collections.Immutable;

namespace Altrin.Core.Air.Channels;

/// <summary>Seats of one band in parts that cannot hear each other on any channel: each part is settled by itself, and what is best for each is best for all.</summary>
internal static class ChannelParts
{
    public static IEnumerable<ImmutableArray<ChannelSeat>> Of(ChannelGround ground, IReadOnlyList<ChannelSeat> seats)
    {
        var isSeen = new bool[seats.Count];
        for (var first = 0; first < seats.Count; first++)
        {
            if (isSeen[first]) continue;
            isSeen[first] = true;
            var part = new List<int> { first };
            for (var at = 0; at < part.Count; at++)
                for (var other = 0; other < seats.Count; other++)
                    if (!isSeen[other] && MayMeet(ground, seats[part[at]], seats[other]))
                    {
                        isSeen[other] = true;
                        part.Add(other);
                    }
            part.Sort();
            yield return [.. part.Select(i => seats[i])];
        }
    }

    private static bool MayMeet(ChannelGround ground, ChannelSeat a, ChannelSeat b)
    {
        foreach (var one in a.Members)
            foreach (var other in b.Members)
                if (ground.MayMeet(one, other)) return true;
        return false;
    }
}
