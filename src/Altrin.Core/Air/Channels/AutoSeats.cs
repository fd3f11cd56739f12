using System.Collections.Immutable;

namespace Altrin.Core.Air.Channels;

/// <summary>Those that may go on picking their channel themselves: they may be anywhere, so everybody counts them.</summary>
internal sealed class AutoSeats
{
    private readonly ImmutableArray<ChannelSeat> seats;
    private readonly double[][][] alone;
    private readonly double[][] price;

    /// <summary>What the one, picking for itself, takes of each member of the other: by its option.</summary>
    private readonly double[,][][] takes;

    /// <summary>What the other takes of each member of the one at least, wherever it sits; and where it picks for itself too.</summary>
    private readonly double[,][] loses, losesToAuto;

    /// <summary>What is on the air of each member at most before anybody of the house comes to it, and how many radios of another seat may ever come.</summary>
    private readonly double[][] loudest;
    private readonly int[,][] company;

    public AutoSeats(ChannelGround ground, ImmutableArray<ChannelSeat> seats, TunedSource[][][] tuned, double[][][] alone, double[][] price)
    {
        (this.seats, this.alone, this.price) = (seats, alone, price);
        var n = seats.Length;
        (takes, loses, losesToAuto, company) = (new double[n, n][][], new double[n, n][], new double[n, n][], new int[n, n][]);
        loudest = [.. alone.Select((options, seat) => Enumerable.Range(0, seats[seat].Members.Length).Select(m => options.Max(members => members[m])).ToArray())];
        for (var a = 0; a < n; a++)
            for (var b = 0; b < n; b++) company[a, b] = [.. seats[a].Members.Select(member => a == b ? 0 : seats[b].Members.Count(other => ground.MayMeet(member, other)))];
        for (var a = 0; a < n; a++)
        {
            if (OptionOf(seats[a]) is var auto && auto < 0) continue;
            May |= 1 << a;
            if (seats[a].Options.All(option => option.Channel.Number is null)) Must |= 1 << a;
            for (var b = 0; b < n; b++)
            {
                if (a == b) continue;
                takes[a, b] = [.. Enumerable.Range(0, seats[b].Options.Length).Select(option => Taken(tuned[b][option], tuned[a][auto]))];
                var fixedOnes = Enumerable.Range(0, seats[b].Options.Length).Where(option => seats[b].Options[option].Channel.Number is not null).Select(option => Taken(tuned[a][auto], tuned[b][option])).ToList();
                loses[a, b] = [.. Enumerable.Range(0, seats[a].Members.Length).Select(m => fixedOnes.Select(one => one[m]).DefaultIfEmpty().Min())];
                losesToAuto[a, b] = OptionOf(seats[b]) is >= 0 and var its ? Taken(tuned[a][auto], tuned[b][its]) : [];
            }
        }

        double[] Taken(TunedSource[] whose, TunedSource[] by) => [.. whose.Select(member => by.Sum(other => ground.Counts(member, other)))];
    }

    /// <summary>The seats that may, and those that cannot do otherwise.</summary>
    public int May { get; }

    public int Must { get; }

    public static int OptionOf(ChannelSeat seat)
    {
        for (var option = 0; option < seat.Options.Length; option++)
            if (seat.Options[option].Channel.Number is null) return option;
        return -1;
    }

    /// <summary>Every set of seats that may be left to pick for themselves.</summary>
    public IEnumerable<int> Choices()
    {
        for (var set = 0; set <= May; set++)
            if ((set & ~May) == 0 && (set & Must) == Must) yield return set;
    }

    /// <summary>What those cost, whatever the others are set to: at least.</summary>
    public double Least(int set)
    {
        var sum = 0.0;
        for (var a = 0; a < seats.Length; a++)
            if ((set & (1 << a)) != 0) sum += Of(a, (b, m) => (set & (1 << b)) != 0 ? losesToAuto[a, b][m] : loses[a, b][m]);
        return sum;
    }

    /// <summary>What one of them costs at least, whoever else picks for himself; endless where it may not.</summary>
    public double LeastOf(int seat) => (May & (1 << seat)) == 0 ? double.PositiveInfinity
        : Of(seat, (b, m) => losesToAuto[seat, b].Length > 0 ? Math.Min(losesToAuto[seat, b][m], loses[seat, b][m]) : loses[seat, b][m]);

    private double Of(int seat, Func<int, int, double> takenBy)
    {
        var auto = OptionOf(seats[seat]);
        var cost = price[seat][auto];
        for (var m = 0; m < seats[seat].Members.Length; m++)
        {
            var load = alone[seat][auto][m];
            for (var b = 0; b < seats.Length; b++)
                if (b != seat) load += takenBy(b, m);
            cost += Math.Log(1 + load);
        }
        return cost;
    }

    /// <summary>What the others lose at least by it that those pick for themselves: the more is on somebody's air already the less one more costs him.</summary>
    public double Burden(int set)
    {
        var sum = 0.0;
        for (var b = 0; b < seats.Length; b++)
        {
            if ((set & (1 << b)) != 0) continue;
            for (var m = 0; m < seats[b].Members.Length; m++)
            {
                var (before, more) = (loudest[b][m], 0.0);
                for (var a = 0; a < seats.Length; a++)
                    if ((set & ~Must & (1 << a)) != 0) more += takes[a, b].Min(option => option[m]);
                    else before += company[b, a][m];
                sum += Math.Log((1 + before + more) / (1 + before));
            }
        }
        return sum;
    }

    /// <summary>What is on the air of each seat, option and member while those pick for themselves.</summary>
    public double[][][] Load(int set)
    {
        if (set == 0) return alone;
        var load = alone.Select(options => options.Select(members => (double[])members.Clone()).ToArray()).ToArray();
        for (var a = 0; a < seats.Length; a++)
        {
            if ((set & (1 << a)) == 0) continue;
            for (var b = 0; b < seats.Length; b++)
                if (b != a)
                    for (var option = 0; option < load[b].Length; option++)
                        for (var m = 0; m < load[b][option].Length; m++) load[b][option][m] += takes[a, b][option][m];
        }
        return load;
    }
}
