using Altrin.Core.Network;
using Altrin.Core.Planning;

namespace Altrin.Core.Tests.Planning;

/// <summary>What the search calls exact is no worse than the best of every candidate there is.</summary>
public class ExactTests
{
    private const int MostCandidates = 3000;

    [Theory, MemberData(nameof(JobPlanTests.Jobs), MemberType = typeof(JobPlanTests))]
    public void Nothing_better_is_left_in_a_job_of_the_trade(string job) => Hold(JobPlanTests.Job(job), job);

    [Theory, MemberData(nameof(Examples.All), MemberType = typeof(Examples))]
    public void Nothing_better_is_left_in_an_example(string example) => Hold(Examples.House(example), example);

    [Theory]
    [InlineData(1, 16, 8)]
    public void Nothing_better_is_left_in_houses_made_by_chance(int first, int count, int least) => Compare(first, count, least);

    [Theory, Trait("kind", "long")]
    [InlineData(1000, 300, 150)]
    public void Nothing_better_is_left_in_many_houses_made_by_chance(int first, int count, int least) => Compare(first, count, least);

    [Theory]
    [InlineData(1, 6, 400)]
    public void Nothing_better_is_left_where_six_boxes_are_mostly_settled(int first, int count, int most) => Settled(first, count, most);

    [Theory, Trait("kind", "long")]
    [InlineData(2000, 50, 1000)]
    public void Nothing_better_is_left_in_fifty_houses_of_six_boxes(int first, int count, int most) => Settled(first, count, most);

    /// <summary>Houses of six boxes of which so many are pinned by chance that every candidate can be looked at.</summary>
    private static void Settled(int first, int count, int most)
    {
        var (held, exact) = (0, 0);
        for (var seed = first; held < count; seed++)
        {
            Assert.True(seed < first + count * 300, $"{held} compared");
            var house = TradeHouses.Make(seed, 5);
            if (house.Devices.Length != 6 || PinnedByChance.Until(house, new(seed), most) is not { } pins || EveryCandidate.Best(house, most, pins) is not { } best) continue;
            held++;
            var found = PlanSearch.Run(house, PlanSearch.UsualBudget, TestContext.Current.CancellationToken, pins);
            if (!found.IsExact) continue;
            exact++;
            var plans = found.Plans();
            Assert.True(plans.Length > 0 && plans[0].Rank <= best, $"seed {seed}: {(plans.IsEmpty ? "nothing" : plans[0].Rank)}, and there is {best}");
        }
        Assert.True(exact >= held * 4 / 5, $"{exact} of {held} were proved");
    }

    private static void Compare(int first, int count, int least)
    {
        var held = 0;
        for (var seed = first; seed < first + count; seed++)
        {
            var house = TradeHouses.Make(seed);
            var found = PlanSearch.Run(house, PlanSearch.UsualBudget, TestContext.Current.CancellationToken);
            if (!found.IsExact || EveryCandidate.Best(house, MostCandidates) is not { } best) continue;
            held++;
            var plans = found.Plans();
            Assert.True(plans.Length > 0 && plans[0].Rank <= best, $"seed {seed}: {(plans.IsEmpty ? "nothing" : plans[0].Rank)}, and there is {best}");
        }
        Assert.True(held >= least, $"{held} compared");
    }

    private static void Hold(NetworkDocument house, string name)
    {
        var found = PlanSearch.Run(house, PlanSearch.UsualBudget, TestContext.Current.CancellationToken);
        if (!found.IsExact || EveryCandidate.Best(house, MostCandidates) is not { } best) return;
        Assert.True(found.Plans()[0].Rank <= best, $"{name}: {found.Plans()[0].Rank}, and there is {best}");
    }
}
