using System.Collections.Immutable;
using System.Numerics;

namespace Altrin.Core.Air.Channels;

/// <summary>The channels of all seats of one band. What sits in one part of the band disturbs nobody in another: so each group of seats is priced in each part by itself, by branch and bound,
/// and the groups are put together over all ways to share out the seats. Nothing cheaper exists unless the search was ended early.</summary>
/// <remarks>The sharing out is dynamic programming over subsets (M. Held and R. M. Karp, 1962; value from memory).</remarks>
internal sealed class ChannelSearch
{
    /// <summary>So many can be shared out: two to that power groups, three to that power ways to put two together.</summary>
    public const int MostSeats = 14;

    /// <summary>About two seconds. Where they do not do, the best found is said to be that.</summary>
    private const int MostNodes = 20_000_000;

    private readonly ChannelGround ground;
    private readonly ImmutableArray<ChannelSeat> seats;
    private readonly BandParts parts;
    private readonly CancellationToken cancel;
    private readonly int all;

    /// <summary>By seat and option: what the setting costs less what the width is worth; by member too: what neighbours take.</summary>
    private readonly double[][] price;
    private readonly double[][][] alone;
    private readonly PartCosts[] costs;

    private readonly TunedSource[][][] tuned;
    private readonly PartCosts.Counter effort = new();

    private int[] best;
    private double bestCost;
    private bool isExact = true;

    private ChannelSearch(ChannelGround ground, ImmutableArray<ChannelSeat> seats, CancellationToken cancel)
    {
        (this.ground, this.seats, this.cancel) = (ground, seats, cancel);
        all = (1 << seats.Length) - 1;
        parts = BandParts.Between(seats);
        tuned = [.. seats.Select(seat => seat.Options.Select(option => ground.Tune(seat, option)).ToArray())];
        price = [.. seats.Select((seat, i) => seat.Options.Select((option, p) => ChannelCost.OfSetting(seat, option) - tuned[i][p].Sum(one => Math.Log(ground.NearMbps(one.Source, one.Channel)))).ToArray())];
        alone = [.. seats.Select(seat => seat.Options.Select(option =>
            seat.Members.Select(member => ground.TakenOn(seat, member, option.Channel)).ToArray()).ToArray())];
        costs = [.. Enumerable.Range(0, parts.Count).Select(part => new PartCosts(ground, tuned, parts, part, alone, price, effort))];
        best = ChannelDescent.Run(ground, seats, cancel);
        bestCost = ChannelCost.Of(ground, seats, best);
    }

    /// <returns>The option of each seat, and whether nothing cheaper exists.</returns>
    public static (int[] Choice, bool IsExact) Run(ChannelGround ground, ImmutableArray<ChannelSeat> seats, CancellationToken cancel)
    {
        if (seats.Length > MostSeats) return (ChannelDescent.Run(ground, seats, cancel), false);
        var search = new ChannelSearch(ground, seats, cancel);
        search.Look();
        return (search.best, search.isExact);
    }

    private bool IsSpent => effort.Nodes > MostNodes;

    /// <summary>Who picks for himself is in everybody's way, whichever part that one sits in: each choice of those is looked at, the most hopeful first.</summary>
    private void Look()
    {
        var autos = new AutoSeats(ground, seats, tuned, alone, price);
        var first = autos.Must;
        var shares = Share(autos, first);
        if (shares.Length == 0) return;
        var rest = autos.Choices().Where(choice => choice != first).Select(choice => (Choice: choice, AtBest: autos.Least(choice) + autos.Burden(choice) + shares[all & ~choice])).Where(one => one.AtBest < bestCost - 1e-9);
        foreach (var (choice, atBest) in rest.OrderBy(one => one.AtBest).ThenBy(one => one.Choice).ToList())
        {
            if (atBest >= bestCost - 1e-9) break;
            Share(autos, choice);
        }
    }

    /// <summary>Shares out the seats that do not pick for themselves.</summary>
    /// <returns>What each set of them costs at least; endless where it cannot belong to anything cheaper than the best there is. None where nothing is.</returns>
    private double[] Share(AutoSeats autos, int auto)
    {
        cancel.ThrowIfCancellationRequested();
        var load = autos.Load(auto);
        var open = all & ~auto;
        var limit = bestCost - autos.Least(auto) - 1e-9;
        // The first time it is not settled yet who picks for himself.
        var (single, byThemselves) = Alone(autos, open, load, mayPick: auto == autos.Must);
        var rest = Sums(single);
        if (rest[open] >= limit) return [];
        var here = costs.Select(part => part.With(load)).ToArray();
        // What is far cheaper than the best there is costs little to find, and little to rule out: it is looked for first.
        foreach (var part in Widening)
        {
            var (least, groups, taken) = Within(here, open, rest, byThemselves, rest[open] + part * (limit - rest[open]));
            if (least[open] < limit) Take(autos, auto, Choice(auto, groups, taken), least[open]);
            if (least[open] < limit || part == 1) return least;
        }
        return [];
    }

    /// <summary>Of the way from what each costs by himself to the best there is.</summary>
    private static readonly ImmutableArray<double> Widening = [0.7, 0.85, 1];

    private (double[] Least, Groups[] Groups, int[][] Taken) Within(PartCosts[] here, int open, double[] rest, double[] byThemselves, double limit)
    {
        var crowds = new Crowds(parts.Count, seats.Length, byThemselves);
        var groups = Price(here, open, rest, limit, crowds);
        var least = new double[all + 1];
        Array.Fill(least, double.PositiveInfinity);
        least[0] = 0;
        var taken = new int[parts.Count][];
        for (var part = 0; part < parts.Count; part++) least = Join(least, groups[part], open, rest, crowds.After(part), limit, taken[part] = new int[all + 1]);
        if (IsSpent) isExact = false;
        return (least, groups, taken);
    }

    private void Take(AutoSeats autos, int auto, int[] choice, double least)
    {
        var cost = ChannelCost.Of(ground, seats, choice);
        // How loud a channel may be bears on those who pick for themselves too: what was reckoned is the least of it.
        if (cost > least + autos.Least(auto) + 1e-6 && cost > bestCost - 1e-9) isExact = false;
        if (cost < bestCost - 1e-9) (best, bestCost) = (choice, cost);
    }

    private int[] Choice(int auto, Groups[] groups, int[][] taken)
    {
        var choice = seats.Select((seat, i) => (auto & (1 << i)) != 0 ? AutoSeats.OptionOf(seat) : 0).ToArray();
        for (int part = parts.Count - 1, left = all & ~auto; part >= 0; part--)
        {
            var group = taken[part][left];
            if (group == 0) continue;
            for (int seat = 0, i = 0; seat < seats.Length; seat++)
                if ((group & (1 << seat)) != 0) choice[seat] = costs[part].OptionAt(seat, groups[part].Options[group]![i++]);
            left &= ~group;
        }
        return choice;
    }

    /// <summary>What each costs by itself, where it is cheapest: nobody ever costs less. And how much dearer so many come that pick for themselves.</summary>
    private (double[] Single, double[] ByThemselves) Alone(AutoSeats autos, int open, double[][][] load, bool mayPick)
    {
        var (single, dearer) = (new double[seats.Length], new List<double>());
        for (var seat = 0; seat < seats.Length; seat++)
        {
            if ((open & (1 << seat)) == 0) continue;
            var settled = double.PositiveInfinity;
            for (var option = 0; option < seats[seat].Options.Length; option++)
                if (seats[seat].Options[option].Channel.Number is not null) settled = Math.Min(settled, price[seat][option] + load[seat][option].Sum(one => Math.Log(1 + one)));
            var picks = mayPick ? autos.LeastOf(seat) : double.PositiveInfinity;
            single[seat] = Math.Min(settled, picks);
            if (!double.IsPositiveInfinity(picks)) dearer.Add(picks - single[seat]);
        }
        dearer.Sort();
        var byThemselves = new double[seats.Length + 1];
        for (var n = 1; n <= seats.Length; n++) byThemselves[n] = n <= dearer.Count ? byThemselves[n - 1] + dearer[n - 1] : double.PositiveInfinity;
        return (single, byThemselves);
    }

    /// <summary>What groups of seats cost in one part; endless where no better plan has them there.</summary>
    private sealed record Groups(double[] Cost, int[]?[] Options, List<int> Possible);

    /// <summary>Small groups first: what they cost tells which larger ones are out of the question.</summary>
    private Groups[] Price(PartCosts[] here, int open, double[] rest, double limit, Crowds crowds)
    {
        var groups = here.Select(_ => new Groups(new double[all + 1], new int[]?[all + 1], [])).ToArray();
        foreach (var one in groups)
        {
            Array.Fill(one.Cost, double.PositiveInfinity);
            one.Cost[0] = 0;
        }
        // Most parts are as good as one before them for all who sit in neither now.
        var alike = here.Select((part, i) => here[..i].Select(part.AlikeIn).ToArray()).ToArray();
        var (count, least) = (BitOperations.PopCount((uint)open), new double[here.Length]);
        for (var size = 1; size <= count; size++)
        {
            Array.Fill(least, double.PositiveInfinity);
            for (var part = 0; part < here.Length; part++)
            {
                var others = crowds.Without(part)[count - size];
                var found = groups[part];
                for (var group = (1 << size) - 1; group <= open; group = Next(group))
                {
                    if ((group & ~open) != 0 || !MayBe(here[part], found.Cost, group) || IsSpent) continue;
                    var most = limit - rest[open & ~group] - others;
                    var same = Array.FindIndex(alike[part], seats => (group & ~seats) == 0);
                    (found.Cost[group], found.Options[group]) = same >= 0 && groups[same].Options[group] is { } known
                        ? groups[same].Cost[group] < most ? (groups[same].Cost[group], known) : (double.PositiveInfinity, null)
                        : here[part].Least(group, found.Cost, most);
                    if (found.Options[group] is null) continue;
                    found.Possible.Add(group);
                    least[part] = Math.Min(least[part], found.Cost[group] - rest[group]);
                }
            }
            crowds.Learn(size, least);
        }
        return groups;
    }

    /// <summary>The next larger number with as many bits set.</summary>
    private static int Next(int set)
    {
        var low = set & -set;
        var up = set + low;
        return up | (((set ^ up) / low) >> 2);
    }

    /// <summary>A group with one more in it costs no less: where a smaller one is out of the question a larger is.</summary>
    private bool MayBe(PartCosts part, double[] known, int group)
    {
        for (var seat = 0; seat < seats.Length; seat++)
            if ((group & (1 << seat)) != 0 && (!part.MaySit(seat) || double.IsPositiveInfinity(known[group & ~(1 << seat)]))) return false;
        return true;
    }

    /// <param name="crowd">How much dearer those come that are left for the parts after this one, by their number.</param>
    private static double[] Join(double[] least, Groups groups, int open, double[] rest, double[] crowd, double limit, int[] taken)
    {
        var next = (double[])least.Clone();
        for (var before = 0; before < least.Length; before++)
        {
            if (double.IsPositiveInfinity(least[before])) continue;
            foreach (var group in groups.Possible)
            {
                if ((group & before) != 0) continue;
                var both = before | group;
                if (least[before] + groups.Cost[group] is var cost && cost < next[both] - 1e-12 && cost + rest[open & ~both] + crowd[BitOperations.PopCount((uint)(open & ~both))] < limit) (next[both], taken[both]) = (cost, group);
            }
        }
        return next;
    }

    /// <summary>By set.</summary>
    private static double[] Sums(double[] single)
    {
        var sums = new double[1 << single.Length];
        for (var set = 1; set < sums.Length; set++) sums[set] = sums[set & (set - 1)] + single[BitOperations.TrailingZeroCount(set)];
        return sums;
    }
}
