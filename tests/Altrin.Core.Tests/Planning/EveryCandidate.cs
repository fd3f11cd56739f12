using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Planning.Ranking;
using Altrin.Core.Planning.Search;
using Altrin.Core.Planning.Space;

namespace Altrin.Core.Tests.Planning;

/// <summary>The slow, plain second search: every structure there is, filled in, cured and ranked. It shares the simulator, the filling rules and the
/// cures with the search that is proved by it, and nothing of its walk, its bounds or its order.</summary>
internal static class EveryCandidate
{
    /// <returns>Null where there are more than <paramref name="most"/>.</returns>
    public static PlanRank? Best(NetworkDocument house, int most, Pins? pins = null)
    {
        var ground = new Ground(house) { Pins = pins ?? Pins.None };
        var choices = new Choices(ground);
        var bench = new Bench(ground, TestContext.Current.CancellationToken);
        var lists = choices.Of.Select((list, i) => i == ground.Root ? [default] : list.ToArray()).ToArray();
        if (lists.Aggregate((long)choices.Ways.Count, (count, list) => count * Math.Max(1, list.Length)) > most) return null;
        var best = bench.IsPinned(bench.AsItIs) ? Rank(bench, bench.AsItIs) : null;
        // Each part with a bench of its own: they share nothing but what is read.
        var cancel = TestContext.Current.CancellationToken;
        var parts = choices.Ways.SelectMany(way => (lists.Length == 0 ? [default] : lists[^1]).Select(last => (way, last))).ToArray();
        var bests = new PlanRank?[parts.Length];
        Parallel.For(0, parts.Length, new() { CancellationToken = cancel }, n => bests[n] = OfPart(new Bench(ground, cancel), choices, parts[n].way, [.. lists.SkipLast(1), .. lists.TakeLast(1).Select(_ => new[] { parts[n].last })]));
        return bests.Append(best).Min();
    }

    private static PlanRank? OfPart(Bench bench, Choices choices, (BoxUse Root, int HandsTo, bool IsDmz) way, BoxUse[][] lists)
    {
        var ground = bench.Ground;
        PlanRank? best = null;
        var at = new int[lists.Length];
        for (var isMore = true; isMore; isMore = Next(at, lists))
        {
            var structure = new Structure([.. lists.Select((list, i) => i == ground.Root ? way.Root : list[at[i]])], way.HandsTo, way.IsDmz);
            if (!structure.IsTree() || (way.HandsTo >= 0 && !choices.IsHeir(way.HandsTo, structure.Boxes[way.HandsTo])) || !Hangs(choices, ground, structure)) continue;
            if (bench.Try(structure) is { } leaf && Rank(bench, leaf) is { } rank && (best is null || rank < best)) best = rank;
        }
        return best;
    }

    /// <summary>Cured; null where that is no plan.</summary>
    private static PlanRank? Rank(Bench bench, Leaf leaf)
    {
        var cured = Cures.Apply(bench, leaf);
        // A cure that makes another structure of it is another candidate's matter, which is filled in by itself.
        if (!IsOf(cured.Structure, leaf.Structure)) cured = leaf;
        return cured.IsAllowed && bench.IsPinned(cured) ? cured.Rank : null;
    }

    /// <summary>Whether they are one but for rooms and bands.</summary>
    internal static bool IsOf(Structure a, Structure b) => a.HandsTo == b.HandsTo && a.IsDmz == b.IsDmz
        && a.Boxes.Zip(b.Boxes).All(pair => (pair.First.IsUsed, pair.First.Mode, pair.First.ByHand, pair.First.Joined, pair.First.Parent) == (pair.Second.IsUsed, pair.Second.Mode, pair.Second.ByHand, pair.Second.Joined, pair.Second.Parent) || !pair.First.IsUsed && !pair.Second.IsUsed);

    private static bool Hangs(Choices choices, Ground ground, Structure structure) => Enumerable.Range(0, structure.Boxes.Length).All(i =>
        i == ground.Root || ground.Root < 0 || !structure.Boxes[i].IsUsed || structure.Boxes[i].Parent != ground.Root || choices.MayHangAtRoot(i, structure.Boxes[ground.Root], structure.HandsTo));

    private static bool Next(int[] at, BoxUse[][] lists)
    {
        for (var i = 0; i < at.Length; i++)
        {
            if (++at[i] < lists[i].Length) return true;
            at[i] = 0;
        }
        return false;
    }
}
