using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Radio;

namespace Altrin.Core.Air.Channels;

/// <summary>The channels of more radios than can be searched: one after the other takes what is cheapest for all as the others are set, round after round, until nobody gains. Begun where the
/// house is, so it is never worse than that; that nothing better exists is not known.</summary>
internal sealed class ChannelDescent
{
    private const int MostRounds = 8;

    private readonly ChannelGround ground;
    private readonly ImmutableArray<ChannelSeat> seats;
    private readonly int[] choice;
    private readonly Dictionary<int, RadioChannel> on = [];
    private readonly Dictionary<int, int[]> near = [];

    /// <summary>What others and neighbours take of the time of each source.</summary>
    private readonly Dictionary<int, double> load = [];

    private ChannelDescent(ChannelGround ground, ImmutableArray<ChannelSeat> seats)
    {
        (this.ground, this.seats) = (ground, seats);
        choice = [.. seats.Select(seat => Math.Max(0, seat.Options.IndexOf(seat.Options.FirstOrDefault(option => option.Channel == seat.Found))))];
        var all = seats.SelectMany((seat, i) => seat.Members.Select(member => (Member: member, Seat: i))).ToList();
        for (var i = 0; i < seats.Length; i++)
            foreach (var member in seats[i].Members)
            {
                on[member] = ground.ChannelOf(seats[i], member, seats[i].Options[choice[i]].Channel);
                near[member] = [.. all.Where(other => other.Seat != i && ground.MayMeet(member, other.Member)).Select(other => other.Member)];
            }
        for (var i = 0; i < seats.Length; i++)
            foreach (var member in seats[i].Members)
                load[member] = ground.TakenOn(seats[i], member, seats[i].Options[choice[i]].Channel)
                    + near[member].Sum(other => ground.Counts(member, on[member], other, on[other]));
    }

    public static int[] Run(ChannelGround ground, ImmutableArray<ChannelSeat> seats, CancellationToken cancel)
    {
        var descent = new ChannelDescent(ground, seats);
        var isBetter = true;
        for (var round = 0; round < MostRounds && isBetter; round++)
        {
            isBetter = false;
            for (var seat = 0; seat < seats.Length; seat++)
            {
                cancel.ThrowIfCancellationRequested();
                isBetter |= descent.Improve(seat);
            }
        }
        return descent.choice;
    }

    /// <summary>One alone, as all others are set.</summary>
    public static ChannelOption RunOne(ChannelGround ground, ImmutableArray<ChannelSeat> seats, int seat)
    {
        var descent = new ChannelDescent(ground, seats);
        descent.Improve(seat);
        return seats[seat].Options[descent.choice[seat]];
    }

    private bool Improve(int seat)
    {
        var options = seats[seat].Options;
        var without = Without(seat);
        var (best, least) = (choice[seat], Try(seat, choice[seat], without).Cost);
        for (var option = 0; option < options.Length; option++)
            if (option != choice[seat] && Try(seat, option, without).Cost is var cost && cost < least - 1e-9) (best, least) = (option, cost);
        if (best == choice[seat]) return false;
        foreach (var (source, now) in without) load[source] = now;
        foreach (var (source, now) in Try(seat, best, without).Loads) load[source] = now;
        foreach (var member in seats[seat].Members) on[member] = ground.ChannelOf(seats[seat], member, options[best].Channel);
        choice[seat] = best;
        return true;
    }

    /// <summary>The loads of all near it that it takes time of, as if it were silent.</summary>
    private Dictionary<int, double> Without(int seat)
    {
        var loads = new Dictionary<int, double>();
        foreach (var member in seats[seat].Members)
            foreach (var other in near[member])
                if (ground.Counts(member, on[member], other, on[other]) is > 0 and var was) loads[other] = loads.GetValueOrDefault(other, load[other]) - was;
        return loads;
    }

    /// <summary>What the seat costs itself and everybody near it if it sits there and not where it does, and the loads that this makes.</summary>
    private (double Cost, Dictionary<int, double> Loads) Try(int seat, int option, Dictionary<int, double> without)
    {
        var loads = new Dictionary<int, double>();
        var cost = ChannelCost.OfSetting(seats[seat], seats[seat].Options[option]);
        foreach (var member in seats[seat].Members)
        {
            var channel = ground.ChannelOf(seats[seat], member, seats[seat].Options[option].Channel);
            var own = ground.TakenOn(seats[seat], member, seats[seat].Options[option].Channel);
            foreach (var other in near[member])
            {
                if (ground.Counts(member, channel, other, on[other]) is not (> 0 and var takes)) continue;
                own += takes;
                loads[other] = loads.GetValueOrDefault(other, without.GetValueOrDefault(other, load[other])) + takes;
            }
            cost += ChannelCost.OfSource(own, ground.NearMbps(member, channel));
            loads[member] = own;
        }
        foreach (var (source, now) in loads)
            if (!seats[seat].Members.Contains(source)) cost += Math.Log(1 + now) - Math.Log(1 + without.GetValueOrDefault(source, load[source]));
        return (cost, loads);
    }
}
