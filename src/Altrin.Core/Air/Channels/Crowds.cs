namespace Altrin.Core.Air.Channels;

/// <summary>How much dearer than each by itself so many seats come at least, by part of the band: whoever sits close in one part leaves room in the others, and whoever keeps room for one
/// crowds the rest. Learnt group size by group size.</summary>
internal sealed class Crowds
{
    private readonly int seats;

    /// <summary>By part and number of seats in it; the last part is no part: those that pick for themselves.</summary>
    private readonly double[][] more;

    private int known;

    /// <param name="auto">Of none, one, two … seats that pick for themselves; endless where so many may not.</param>
    public Crowds(int parts, int seats, double[] auto)
    {
        this.seats = seats;
        more = [.. Enumerable.Range(0, parts).Select(_ => new double[seats + 1]), auto];
    }

    /// <summary>All groups of that size have been looked at: the least that any costs more than its seats by themselves, endless where none is possible.</summary>
    public void Learn(int size, ReadOnlySpan<double> least)
    {
        for (var part = 0; part < least.Length; part++) more[part][size] = least[part];
        known = size;
        // A group costs no less than the two that it can be split into.
        for (var part = 0; part < least.Length; part++)
            for (var larger = known + 1; larger <= seats; larger++)
            {
                more[part][larger] = 0;
                for (var one = 1; one <= larger / 2; one++) more[part][larger] = Math.Max(more[part][larger], more[part][one] + more[part][larger - one]);
            }
    }

    /// <summary>What so many cost more than by themselves at least: by their number, in all parts but one, and after a part.</summary>
    public double[] Without(int part) => Share(Enumerable.Range(0, more.Length).Where(other => other != part));

    public double[] After(int part) => Share(Enumerable.Range(part + 1, more.Length - part - 1));

    private double[] Share(IEnumerable<int> parts)
    {
        var now = new double[seats + 1];
        now.AsSpan(1).Fill(double.PositiveInfinity);
        foreach (var part in parts)
        {
            var next = new double[seats + 1];
            for (var all = 0; all <= seats; all++)
            {
                next[all] = double.PositiveInfinity;
                for (var here = 0; here <= all; here++) next[all] = Math.Min(next[all], now[all - here] + more[part][here]);
            }
            now = next;
        }
        return now;
    }
}
