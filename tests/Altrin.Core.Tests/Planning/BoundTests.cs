using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Planning.Search;
using Altrin.Core.Planning.Space;

namespace Altrin.Core.Tests.Planning;

/// <summary>What prunes the search may never say more than a plan comes to, or the best would be cut away.</summary>
public class BoundTests
{
    [Theory]
    [InlineData(1, 40)]
    public void A_structure_ranks_no_better_than_its_bound_however_much_of_it_is_settled(int first, int count) => Hold(first, count);

    [Theory, Trait("kind", "long")]
    [InlineData(5000, 400)]
    public void A_structure_ranks_no_better_than_its_bound_in_many_houses(int first, int count) => Hold(first, count);

    private static void Hold(int first, int count)
    {
        var held = 0;
        for (var seed = first; seed < first + count; seed++)
        {
            var ground = new Ground(TradeHouses.Make(seed, 5));
            var choices = new Choices(ground);
            var bound = new Bound(ground, choices);
            var bench = new Bench(ground, TestContext.Current.CancellationToken, bound: bound);
            // Where each walk over the growing structures happens to end.
            var random = new Random(seed);
            var growth = new Growth(ground, choices);
            for (var n = 0; n < 12; n++)
            {
                if (Grown(growth, ground, random) is not { } structure || bench.Try(structure) is not { IsAllowed: true } leaf) continue;
                held++;
                for (var settled = -1; settled < structure.Boxes.Length; settled++)
                    Assert.True(bound.AtBest(structure, settled) <= leaf.Rank, $"seed {seed}, {structure.Key}, {settled} settled: at best {bound.AtBest(structure, settled)}, and it is {leaf.Rank}");
                Assert.True(leaf.Hoped <= leaf.Rank, $"seed {seed}, {structure.Key}: hoped {leaf.Hoped}, and it is {leaf.Rank}");
            }
        }
        Assert.True(held > count * 2, $"{held} structures");
    }

    [Theory]
    [InlineData(1, 60)]
    public void Cures_bring_a_structure_no_further_than_is_hoped(int first, int count) => Cure(first, count);

    [Theory, Trait("kind", "long")]
    [InlineData(5000, 1500)]
    public void Cures_bring_a_structure_no_further_than_is_hoped_in_many_houses(int first, int count) => Cure(first, count);

    /// <summary>A leaf of which too little is hoped is thrown away before it is cured.</summary>
    private static void Cure(int first, int count)
    {
        var (held, bettered) = (0, 0);
        for (var seed = first; seed < first + count; seed++)
        {
            var ground = new Ground(TradeHouses.Make(seed, 5));
            var choices = new Choices(ground);
            var bench = new Bench(ground, TestContext.Current.CancellationToken, bound: new(ground, choices));
            var (random, growth) = (new Random(seed), new Growth(ground, choices));
            for (var n = 0; n < 3; n++)
            {
                if (Grown(growth, ground, random) is not { } structure || bench.Try(structure) is not { } leaf || (!leaf.IsAllowed && !leaf.IsCurable)) continue;
                var cured = Cures.Apply(bench, leaf);
                // What became another structure, by another band of a join too, is that one's matter.
                if (!cured.IsAllowed || !EveryCandidate.IsOf(cured.Structure, structure) || !Bands(cured.Structure).SequenceEqual(Bands(structure))) continue;
                held++;
                if (cured.Rank < leaf.Rank) bettered++;
                Assert.True(leaf.Hoped <= cured.Rank, $"seed {seed}, {structure.Key}: hoped {leaf.Hoped}, and cured it is {cured.Rank}; it was {leaf.Rank}");
            }
        }
        Assert.True(held > count / 2 && bettered > count / 6, $"{held} structures, {bettered} bettered");
    }

    private static IEnumerable<Band?> Bands(Structure structure) => structure.Boxes.Select(use => use is { IsUsed: true, Joined: Joined.ByRadio } ? use.Band : (Band?)null);

    private static Structure? Grown(Growth growth, Ground ground, Random random)
    {
        var seeds = growth.Seeds().ToList();
        var at = seeds[random.Next(seeds.Count)];
        for (var box = 0; box < ground.Found.Devices.Length; box++)
        {
            var next = growth.Next(at, box).ToList();
            if (next.Count == 0) return null;
            at = next[random.Next(next.Count)];
        }
        return at;
    }
}
