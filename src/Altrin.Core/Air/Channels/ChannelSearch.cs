using System.Collections.Immutable;
using Altrin.Core.Radio;

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
}

/// <summary>The channels of all seats of one band, by branch and bound: nothing cheaper exists unless the search was ended early.</summary>
internal sealed class ChannelSearch
{
    /// <summary>Two seconds at most. Enough for twelve radios of the older band, and for nine of the newer that all hear one another; where there are more, the best found is said to be that.</summary>
    private const int MostNodes = 40_000;

    private readonly ImmutableArray<ChannelSeat> seats;
    private readonly int[] order;
    private readonly double[][] setting;

    // For each seat and option, a member each: what neighbours take, what the width is worth; and what each member of another seat takes there.
    private readonly double[][][] alone;
    private readonly double[][][] worth;
    private readonly double[][][][][] between;
    private readonly AlikeChannels alike;
    private readonly CrowdBound crowd;
    private readonly double[][][] load;
    private readonly bool[,] twins;
    private readonly int[] choice, best;
    private double bestCost = double.PositiveInfinity;
    private int nodes;

    private ChannelSearch(ChannelGround ground, ImmutableArray<ChannelSeat> seats)
    {
        this.seats = seats;
        var n = seats.Length;
        setting = [.. seats.Select(seat => seat.Options.Select(option => ChannelCost.OfSetting(seat, option)).ToArray())];
        alone = [.. seats.Select(seat => seat.Options.Select(option => seat.Members.Select(m => ground.NeighboursOn(m, ground.ChannelOf(seat, m, option.Channel))).ToArray()).ToArray())];
        worth = [.. seats.Select(seat => seat.Options.Select(option => seat.Members.Select(m => ground.NearMbps(m, ground.ChannelOf(seat, m, option.Channel))).ToArray()).ToArray())];
        load = [.. alone.Select(options => options.Select(members => (double[])members.Clone()).ToArray())];
        alike = new(ground, seats, setting, alone, worth);
        between = new double[n][][][][];
        for (var a = 0; a < n; a++)
        {
            between[a] = new double[n][][][];
            for (var b = 0; b < n; b++)
                if (a != b) between[a][b] = Between(ground, seats[a], seats[b]);
        }
        twins = new bool[n, n];
        for (var a = 0; a < n; a++)
            for (var b = 0; b < n; b++) twins[a, b] = a != b && AreTwins(a, b);
        // Who has most others to think of comes first.
        order = [.. Enumerable.Range(0, n).OrderByDescending(a => Enumerable.Range(0, n).Count(b => a != b && Meet(a, b))).ThenBy(a => seats[a].Options.Length).ThenBy(a => a)];
        var always = new bool[n, n];
        for (var a = 0; a < n; a++)
            for (var b = 0; b < n; b++) always[a, b] = a != b && AlwaysMeet(a, b);
        crowd = new(seats, order, setting, worth, (a, b) => always[a, b]);
        (choice, best) = (new int[n], new int[n]);
        Array.Fill(choice, -1);
    }

    /// <returns>The option of each seat, and whether nothing cheaper exists.</returns>
    public static (int[] Choice, bool IsExact) Run(ChannelGround ground, ImmutableArray<ChannelSeat> seats, CancellationToken cancel)
    {
        var search = new ChannelSearch(ground, seats);
        search.Down(0, 0, cancel);
        return (search.best, search.nodes <= MostNodes);
    }

    /// <summary>What the members of the second take of the members of the first: by option of the first, option of the second, member, summed over the second's members.</summary>
    private static double[][][] Between(ChannelGround ground, ChannelSeat a, ChannelSeat b) =>
        [.. a.Options.Select(p => b.Options.Select(q => a.Members.Select(m => b.Members.Sum(o => ground.Counts(m, ground.ChannelOf(a, m, p.Channel), o, ground.ChannelOf(b, o, q.Channel)))).ToArray()).ToArray())];

    private bool Meet(int a, int b) => between[a][b].Any(p => p.Any(q => q.Any(takes => takes > 0)));

    /// <summary>Whether the two may change places: the same to everybody else, the same to be had. Only how each is set now may differ.</summary>
    private bool AreTwins(int a, int b)
    {
        if (seats[a].Members.Length != 1 || seats[b].Members.Length != 1 || seats[a].Options.Length != seats[b].Options.Length) return false;
        for (var p = 0; p < seats[a].Options.Length; p++)
        {
            var (one, other) = (seats[a].Options[p], seats[b].Options[p]);
            if (one.Channel.WidthMHz != other.Channel.WidthMHz || (one.Channel.Number is null) != (other.Channel.Number is null) || Math.Abs(one.Channel.CentreMHz - other.Channel.CentreMHz) > 0.1
                || alone[a][p][0] != alone[b][p][0] || worth[a][p][0] != worth[b][p][0]) return false;
            for (var c = 0; c < seats.Length; c++)
                if (c != a && c != b && !between[c][a].Zip(between[c][b]).All(pair => pair.First[p].AsSpan().SequenceEqual(pair.Second[p]))) return false;
        }
        return true;
    }

    /// <summary>Two that may change places: what is dearer than the same changed round, or as dear and later in the list, is found there.</summary>
    private bool IsBetterSwapped(int depth, int seat, int option)
    {
        for (var i = 0; i < depth; i++)
        {
            var twin = order[i];
            if (!twins[twin, seat] || choice[twin] == option) continue;
            var gain = setting[twin][choice[twin]] + setting[seat][option] - setting[twin][option] - setting[seat][choice[twin]];
            if (gain > 1e-9 || (gain > -1e-9 && choice[twin] > option)) return true;
        }
        return false;
    }

    /// <summary>Whether the two radios themselves hear each other wherever they lie on each other.</summary>
    private bool AlwaysMeet(int a, int b)
    {
        for (var p = 0; p < seats[a].Options.Length; p++)
            for (var q = 0; q < seats[b].Options.Length; q++)
                if (between[a][b][p][q][0] < 0.5 && seats[a].Options[p].Channel.Overlaps(seats[b].Options[q].Channel)) return false;
        return true;
    }

    private double CostOf(int seat, int option)
    {
        var cost = setting[seat][option];
        for (var m = 0; m < seats[seat].Members.Length; m++) cost += ChannelCost.OfSource(load[seat][option][m], worth[seat][option][m]);
        return cost;
    }

    /// <summary>What is settled costs at least what it costs now, for others only come to it; what is open at least its cheapest option.</summary>
    private void Down(int depth, double settled, CancellationToken cancel)
    {
        if (++nodes > MostNodes && bestCost < double.PositiveInfinity) return;
        if ((nodes & 1023) == 0) cancel.ThrowIfCancellationRequested();
        if (depth == order.Length)
        {
            if (settled < bestCost - 1e-9)
            {
                bestCost = settled;
                choice.CopyTo(best, 0);
            }
            return;
        }
        var open = Open(depth + 1);
        var seat = order[depth];
        var options = Enumerable.Range(0, seats[seat].Options.Length).Select(option => (Option: option, Cost: CostOf(seat, option))).OrderBy(one => Math.Round(one.Cost, 9)).ThenBy(one => one.Option).ToList();
        var tried = new HashSet<string>(StringComparer.Ordinal);
        foreach (var (option, cost) in options)
        {
            if (settled + cost + open >= bestCost - 1e-9) break;
            // Channels that nobody is on yet, and that nothing tells apart, are one as good as the other.
            if (!tried.Add(alike.LikeOf(seat, option, order.AsSpan(0, depth), choice))) continue;
            if (IsBetterSwapped(depth, seat, option)) continue;
            choice[seat] = option;
            var more = cost;
            // Those before it get it as one more on their air.
            for (var i = 0; i < depth; i++) more += Join(order[i], choice[order[i]], seat, option);
            for (var i = depth + 1; i < order.Length; i++) Take(order[i], seat, option, 1);
            if (settled + more + Open(depth + 1) < bestCost - 1e-9) Down(depth + 1, settled + more, cancel);
            for (var i = depth + 1; i < order.Length; i++) Take(order[i], seat, option, -1);
            for (var i = 0; i < depth; i++) Leave(order[i], choice[order[i]], seat, option);
            choice[seat] = -1;
        }
    }

    /// <summary>What is still to come costs at least that.</summary>
    private double Open(int depth)
    {
        var open = 0.0;
        var together = crowd.CrowdOf(depth);
        for (var i = depth; i < order.Length; i++)
            if (!together.Contains(order[i])) open += Cheapest(order[i]);
        return together.IsEmpty ? open : open + crowd.Least(depth, load, order.AsSpan(0, depth), choice);
    }

    private double Cheapest(int seat)
    {
        var least = double.PositiveInfinity;
        for (var option = 0; option < seats[seat].Options.Length; option++) least = Math.Min(least, CostOf(seat, option));
        return least;
    }

    private void Take(int seat, int by, int byOption, int sign)
    {
        for (var option = 0; option < load[seat].Length; option++)
        {
            var takes = between[seat][by][option][byOption];
            for (var m = 0; m < takes.Length; m++) load[seat][option][m] += sign * takes[m];
        }
    }

    private double Join(int seat, int option, int by, int byOption)
    {
        var more = 0.0;
        var takes = between[seat][by][option][byOption];
        for (var m = 0; m < takes.Length; m++)
        {
            if (takes[m] == 0) continue;
            more += Math.Log(1 + load[seat][option][m] + takes[m]) - Math.Log(1 + load[seat][option][m]);
            load[seat][option][m] += takes[m];
        }
        return more;
    }

    private void Leave(int seat, int option, int by, int byOption)
    {
        var takes = between[seat][by][option][byOption];
        for (var m = 0; m < takes.Length; m++) load[seat][option][m] -= takes[m];
    }
}
