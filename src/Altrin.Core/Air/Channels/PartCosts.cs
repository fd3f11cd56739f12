namespace Altrin.Core.Air.Channels;

/// <summary>What it costs some seats to sit together in one part of a band, each on that channel in it which is cheapest for all of them.</summary>
internal sealed class PartCosts
{
    private readonly int seats;

    /// <summary>By seat: its options that lie here, by their places in its list.</summary>
    private readonly int[][] here;

    /// <summary>By seat and option here: its price and what its width is worth; by member too: what is on its air whoever else is here.</summary>
    private readonly double[][] price;
    private readonly double[][][] load;

    /// <summary>What one seat takes of another's time, by both options here and the member of the other.</summary>
    private readonly double[,][] takes;

    /// <summary>Who may change places here: the same to everybody, the same to be had.</summary>
    private readonly bool[,] twins;

    private readonly Counter effort;

    // Of the group that is being looked at.
    private readonly int[] group, at, best;
    private readonly double[][] now;
    private double least;

    /// <param name="tuned">By seat, option and member.</param>
    /// <param name="load">By seat, option and member: what neighbours and those who pick for themselves take.</param>
    public PartCosts(ChannelGround ground, TunedSource[][][] tuned, BandParts parts, int part, double[][][] load, double[][] price, Counter effort)
    {
        this.effort = effort;
        seats = tuned.Length;
        here = [.. parts.Of.Select(options => Enumerable.Range(0, options.Length).Where(option => options[option] == part).ToArray())];
        this.price = [.. here.Select((options, seat) => options.Select(option => price[seat][option]).ToArray())];
        this.load = [.. here.Select((options, seat) => options.Select(option => load[seat][option]).ToArray())];
        takes = new double[seats, seats][];
        TunedSource[][][] sources = [.. here.Select((options, seat) => options.Select(option => tuned[seat][option]).ToArray())];
        for (var a = 0; a < seats; a++)
            for (var b = 0; b < seats; b++)
                if (a != b) takes[a, b] = Takes(ground, sources[a], sources[b]);
        twins = Twins();
        (group, at, best) = (new int[seats], new int[seats], new int[seats]);
        now = [.. tuned.Select(options => new double[options[0].Length])];
    }

    private PartCosts(PartCosts other, double[][][] load)
    {
        (seats, here, price, takes, group, at, best, now, effort) = (other.seats, other.here, other.price, other.takes, other.group, other.at, other.best, other.now, other.effort);
        this.load = [.. here.Select((options, seat) => options.Select(option => load[seat][option]).ToArray())];
        twins = Twins();
    }

    /// <summary>The same with something else on the air.</summary>
    public PartCosts With(double[][][] load) => new(this, load);

    /// <summary>How many ways were looked at so far, in all parts.</summary>
    public sealed class Counter
    {
        public int Nodes { get; set; }
    }

    public bool MaySit(int seat) => here[seat].Length > 0;

    /// <summary>The place in the seat's list of its options of one of those here.</summary>
    public int OptionAt(int seat, int option) => here[seat][option];

    /// <summary>The seats for which this part is as good as the other, whoever of them sits there together.</summary>
    public int AlikeIn(PartCosts other)
    {
        var alike = 0;
        for (var seat = 0; seat < seats; seat++)
            if (MaySit(seat) && price[seat].AsSpan().SequenceEqual(other.price[seat]) && load[seat].Zip(other.load[seat]).All(pair => pair.First.AsSpan().SequenceEqual(pair.Second))) alike |= 1 << seat;
        for (var a = 0; a < seats; a++)
            for (var b = 0; b < seats; b++)
                if (a != b && (alike & (1 << a)) != 0 && (alike & (1 << b)) != 0 && !takes[a, b].AsSpan().SequenceEqual(other.takes[a, b])) alike &= ~(1 << b);
        return alike;
    }

    /// <param name="known">What each smaller group costs here: two groups together never cost less than each by itself.</param>
    /// <param name="limit">What costs as much is of no use.</param>
    /// <returns>Of each seat of the group which of its options here, in ascending order of the seats; nothing where the limit is reached.</returns>
    public (double Cost, int[]? Options) Least(int seatsOf, ReadOnlySpan<double> known, double limit)
    {
        var count = 0;
        for (var seat = 0; seat < seats; seat++)
            if ((seatsOf & (1 << seat)) != 0) group[count++] = seat;
        least = limit;
        var isFound = Down(0, count, seatsOf, 0, known);
        return isFound ? (least, best[..count]) : (double.PositiveInfinity, null);
    }

    private bool[,] Twins()
    {
        var alike = new bool[seats, seats];
        for (var a = 0; a < seats; a++)
            for (var b = a + 1; b < seats; b++) alike[a, b] = MaySit(a) && price[a].AsSpan().SequenceEqual(price[b]) && load[a].Zip(load[b]).All(pair => pair.First.AsSpan().SequenceEqual(pair.Second)) && AreOneToAll(a, b);
        return alike;
    }

    private bool AreOneToAll(int a, int b)
    {
        if (!takes[a, b].AsSpan().SequenceEqual(takes[b, a])) return false;
        for (var other = 0; other < seats; other++)
            if (other != a && other != b && !(takes[a, other].AsSpan().SequenceEqual(takes[b, other]) && takes[other, a].AsSpan().SequenceEqual(takes[other, b]))) return false;
        return true;
    }

    private bool Down(int depth, int count, int left, double settled, ReadOnlySpan<double> known)
    {
        if (depth == count)
        {
            (least, _) = (settled, 0);
            at.AsSpan(0, count).CopyTo(best);
            return true;
        }
        var isFound = false;
        var seat = group[depth];
        left &= ~(1 << seat);
        // The widest first: they are last in the list. Of two that may change places the first takes the wider.
        var first = depth > 0 && twins[group[depth - 1], seat] ? at[depth - 1] : here[seat].Length - 1;
        for (var option = first; option >= 0; option--)
        {
            effort.Nodes++;
            var cost = settled + Add(depth, seat, option);
            at[depth] = option;
            if (cost + (left == 0 ? 0 : known[left]) < least - 1e-9) isFound |= Down(depth + 1, count, left, cost, known);
            Remove(depth, seat, option);
        }
        return isFound;
    }

    /// <returns>What it costs the seat, and what those before it lose by it.</returns>
    private double Add(int depth, int seat, int option)
    {
        var cost = price[seat][option];
        var own = now[seat];
        load[seat][option].CopyTo(own, 0);
        for (var i = 0; i < depth; i++)
        {
            var other = group[i];
            var mine = takes[other, seat];
            for (int m = 0, from = (option * here[other].Length + at[i]) * own.Length; m < own.Length; m++) own[m] += mine[from + m];
            var (its, theirs) = (now[other], takes[seat, other]);
            for (int m = 0, from = (at[i] * here[seat].Length + option) * its.Length; m < its.Length; m++)
            {
                if (theirs[from + m] == 0) continue;
                cost += Math.Log((1 + its[m] + theirs[from + m]) / (1 + its[m]));
                its[m] += theirs[from + m];
            }
        }
        foreach (var one in own) cost += Math.Log(1 + one);
        return cost;
    }

    private void Remove(int depth, int seat, int option)
    {
        for (var i = 0; i < depth; i++)
        {
            var (its, theirs) = (now[group[i]], takes[seat, group[i]]);
            for (int m = 0, from = (at[i] * here[seat].Length + option) * its.Length; m < its.Length; m++) its[m] -= theirs[from + m];
        }
    }

    /// <summary>What the members of the first take of each member of the second, where both sit here: by option of the second, then of the first.</summary>
    private static double[] Takes(ChannelGround ground, TunedSource[][] by, TunedSource[][] from)
    {
        if (by.Length == 0 || from.Length == 0) return [];
        var all = new double[from.Length * by.Length * from[0].Length];
        var i = 0;
        foreach (var members in from)
            foreach (var others in by)
                foreach (var member in members)
                {
                    foreach (var other in others) all[i] += ground.Counts(member, other);
                    i++;
                }
        return all;
    }
}
