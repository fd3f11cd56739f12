using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Air.Channels;

/// <summary>What a crowd of radios that all hear one another costs at least, wherever they go: a part of the band that n of them share leaves each of them a share of the time. A bound for the
/// search: it forgets who is who, and so is never more than what can be had.</summary>
internal sealed class CrowdBound
{
    private const int BlockMHz = 80;

    private readonly ImmutableArray<ChannelSeat> seats;
    private readonly int[][] crowds;
    private readonly int[][] binOf;
    private readonly int bins;
    private readonly double[] narrower;
    private readonly int[] widestOf;
    private readonly bool charges;
    private readonly double[][][] worthOf;
    private readonly double[][] setting;
    private readonly double[] others;
    private readonly Func<int, int, bool> always;
    private readonly double[] most;
    private readonly Dictionary<double, double[][]> packed = [];
    private readonly bool isOff;

    /// <param name="always">Whether two seats hear each other on whichever channel.</param>
    public CrowdBound(ImmutableArray<ChannelSeat> seats, int[] order, double[][] setting, double[][][] worth, Func<int, int, bool> always)
    {
        (this.seats, this.setting, this.always) = (seats, setting, always);
        // What is wider than a block is in several: no bound then.
        isOff = seats.Any(seat => seat.Options.Any(option => option.Channel.WidthMHz > BlockMHz));
        var regions = new Dictionary<double, int>();
        binOf = [.. seats.Select(seat => seat.Options.Select(option => option.Channel.Number is null ? -1 : Bin(seat.Band, option)).ToArray())];
        bins = regions.Count;
        most = [.. worth.Select(options => options.Max(members => members[0]))];
        others = [.. worth.Select(options => Enumerable.Range(1, options[0].Length - 1).Sum(m => -Math.Log(options.Max(members => members[m]))))];
        widestOf = new int[bins];
        for (var seat = 0; seat < seats.Length; seat++)
            for (var option = 0; option < binOf[seat].Length; option++)
                if (binOf[seat][option] is >= 0 and var bin) widestOf[bin] = Math.Max(widestOf[bin], seats[seat].Options[option].Channel.WidthMHz switch { <= 20 => 0, <= 40 => 1, _ => 2 });
        // Who is narrower than he could be pays for that at least what a change costs: so that a change may be charged to everybody who is not set as wide as he can.
        narrower = [Narrower(20), Narrower(40), 0];
        (charges, worthOf) = (narrower.Where(loss => loss > 0).All(loss => loss >= ChannelCost.OfChange), worth);
        if (charges) narrower = [.. narrower.Select(loss => Math.Max(0, loss - ChannelCost.OfChange))];
        crowds = [.. Enumerable.Range(0, order.Length + 1).Select(depth => Crowd(order[depth..], always))];

        int Bin(Band band, ChannelOption option)
        {
            // 11 and 13 lie on each other.
            var middle = band == Band.Ghz24 ? Math.Min(option.Channel.Counted, 11) : Radio.Channels.CentreOf(band, option.Channel.Counted, BlockMHz);
            if (!regions.TryGetValue(middle, out var bin)) regions[middle] = bin = regions.Count;
            return bin;
        }

        // What is lost by so narrow a channel at least, whoever is on it.
        double Narrower(int width) => Enumerable.Range(0, seats.Length).Min(seat => Math.Log(most[seat]) - Math.Log(Enumerable.Range(0, seats[seat].Options.Length)
            .Where(option => seats[seat].Options[option].Channel.WidthMHz <= width).Select(option => worth[seat][option][0]).DefaultIfEmpty(most[seat]).Max()));
    }

    /// <summary>As many as all hear each other.</summary>
    private static int[] Crowd(int[] open, Func<int, int, bool> always)
    {
        var best = new List<int>();
        foreach (var first in open)
        {
            var crowd = new List<int> { first };
            foreach (var one in open)
                if (one != first && crowd.TrueForAll(other => always(one, other))) crowd.Add(one);
            if (crowd.Count > best.Count) best = crowd;
        }
        return [.. best];
    }

    /// <summary>Those of the open seats that it speaks of.</summary>
    public ReadOnlySpan<int> CrowdOf(int depth) => isOff || crowds[depth].Length < 2 ? [] : crowds[depth];

    /// <param name="load">What is on the air of each seat, option and member by now.</param>
    /// <param name="settled">The seats that are settled, and on what: whoever comes to them costs them time too.</param>
    public double Least(int depth, double[][][] load, ReadOnlySpan<int> settled, int[] choice)
    {
        var crowd = CrowdOf(depth);
        var n = crowd.Length;
        var sum = 0.0;
        // For each part of the band: the least load, the least price of a setting there, and how many are there already, whom it costs nothing.
        Span<double> least = stackalloc double[bins], price = stackalloc double[bins];
        Span<int> stay = stackalloc int[bins];
        least.Fill(double.PositiveInfinity);
        price.Fill(double.PositiveInfinity);
        var (autos, auto) = (0, double.PositiveInfinity);
        foreach (var seat in crowd)
        {
            sum += others[seat] - Math.Log(most[seat]);
            for (var option = 0; option < binOf[seat].Length; option++)
            {
                var own = load[seat][option][0];
                if (binOf[seat][option] is >= 0 and var bin)
                {
                    least[bin] = Math.Min(least[bin], own);
                    var isFound = seats[seat].Options[option].Channel == seats[seat].Found;
                    price[bin] = Math.Min(price[bin], setting[seat][option] - (isFound ? 0 : ChannelCost.OfChange));
                    if (isFound && (!charges || worthOf[seat][option][0] >= most[seat] - 1e-9)) stay[bin]++;
                }
                else
                {
                    autos++;
                    auto = Math.Min(auto, Math.Log(1 + own + 0.5 * (n - 1)));
                }
            }
        }
        // What k more cost those who sit there already, wherever in the block the k go.
        Span<double> there = stackalloc double[bins * (n + 1)];
        foreach (var seat in settled)
        {
            if (choice[seat] < 0) continue;
            var (bin, option) = (binOf[seat][choice[seat]], seats[seat].Options[choice[seat]]);
            if (bin < 0 || (seats[seat].Band != Band.Ghz24 && option.Channel.WidthMHz < BlockMHz) || !MeetsAll(seat, crowd)) continue;
            var own = load[seat][choice[seat]][0];
            for (var k = 1; k <= n; k++) there[bin * (n + 1) + k] += Math.Log(1 + own + k) - Math.Log(1 + own);
        }
        Span<double> now = stackalloc double[n + 1], next = stackalloc double[n + 1];
        // Those that pick for themselves share with everybody a half.
        for (var k = 0; k <= n; k++) now[k] = k == 0 ? 0 : k <= autos ? k * auto : double.PositiveInfinity;
        for (var bin = 0; bin < bins; bin++)
        {
            if (double.IsPositiveInfinity(least[bin])) continue;
            var pack = Packed(least[bin])[widestOf[bin]];
            for (var k = 0; k <= n; k++)
            {
                next[k] = now[k];
                for (var here = 1; here <= k; here++)
                    next[k] = Math.Min(next[k], now[k - here] + pack[here] + there[bin * (n + 1) + here] + here * price[bin] + Math.Max(0, here - stay[bin]) * ChannelCost.OfChange);
            }
            next.CopyTo(now);
        }
        return sum + now[n];
    }

    private bool MeetsAll(int seat, ReadOnlySpan<int> crowd)
    {
        foreach (var one in crowd)
            if (!always(seat, one)) return false;
        return true;
    }

    /// <summary>What n radios in one block cost at least, by how wide each of them is: on the whole, on its halves, on its quarters.</summary>
    private double[][] Packed(double load)
    {
        var key = Math.Round(load, 6);
        if (packed.TryGetValue(key, out var known)) return known;
        var most = seats.Length;
        var levels = new double[3][];
        double[][] finer = [.. Enumerable.Range(0, most + 1).Select(_ => new double[most + 1])];
        // Quarters: k on one channel, on which m wider ones lie.
        for (var m = 0; m <= most; m++)
            for (var k = 0; k + m <= most; k++) finer[m][k] = k == 0 ? 0 : k * (Math.Log(load + m + k) + narrower[0]);
        levels[0] = finer[0];
        for (var wide = 1; wide <= 2; wide++)
        {
            double[][] wider = [.. Enumerable.Range(0, most + 1).Select(_ => new double[most + 1])];
            for (var m = 0; m <= most; m++)
                for (var k = 0; k + m <= most; k++)
                {
                    var best = double.PositiveInfinity;
                    for (var here = 0; here <= k; here++)
                        for (var left = 0; left <= (k - here) / 2; left++)
                            best = Math.Min(best, (here == 0 ? 0 : here * (Math.Log(load + m + k) + narrower[wide])) + finer[m + here][left] + finer[m + here][k - here - left]);
                    wider[m][k] = best;
                }
            (finer, levels[wide]) = (wider, wider[0]);
        }
        return packed[key] = levels;
    }
}
