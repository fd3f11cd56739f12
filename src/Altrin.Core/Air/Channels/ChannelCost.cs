using System.Collections.Immutable;

namespace Altrin.Core.Air.Channels;

/// <summary>What a choice of channels costs: for each source the logarithm of what a device near it loses, and a tenth for every seat that is set otherwise or has
/// to listen for radar. The least of the sum is the plan: nothing is changed that gains less than a tenth.</summary>
internal static class ChannelCost
{
    /// <summary>A tenth.</summary>
    public static readonly double OfChange = Math.Log(1.1), OfRadar = Math.Log(1.1);

    /// <param name="load">What others and neighbours take of its time, each counted as in section 6.6.</param>
    public static double OfSource(double load, double nearMbps) => Math.Log(1 + load) - Math.Log(nearMbps);

    public static double OfSetting(ChannelSeat seat, ChannelOption option) => (option.Channel == seat.Found ? 0 : OfChange) + (option.IsRadar ? OfRadar : 0);

    /// <summary>Of all seats together, each on the option that is chosen for it.</summary>
    public static double Of(ChannelGround ground, ImmutableArray<ChannelSeat> seats, ReadOnlySpan<int> choice)
    {
        var sum = 0.0;
        for (var a = 0; a < seats.Length; a++)
        {
            var option = seats[a].Options[choice[a]];
            sum += OfSetting(seats[a], option);
            foreach (var member in seats[a].Members)
            {
                var channel = ground.ChannelOf(seats[a], member, option.Channel);
                var load = ground.TakenOn(seats[a], member, option.Channel);
                for (var b = 0; b < seats.Length; b++)
                    if (b != a) foreach (var other in seats[b].Members) load += ground.Counts(member, channel, other, ground.ChannelOf(seats[b], other, seats[b].Options[choice[b]].Channel));
                sum += OfSource(load, ground.NearMbps(member, channel));
            }
        }
        return sum;
    }
}
