using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Planning.Ranking;

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
    public void Nothing_better_is_left_where_six_boxes_are_mostly_settled(int first, int count, int most) => Settled(first, count, most, 0.8);

    [Theory, Trait("kind", "long")]
    [InlineData(2000, 50, 1000, 0.8)]
    [InlineData(4000, 40, 20_000, 0.5)]
    [InlineData(6000, 10, 100_000, 0.5)]
    public void Nothing_better_is_left_in_fifty_houses_of_six_boxes(int first, int count, int most, double proved) => Settled(first, count, most, proved);

    /// <summary>Houses of six boxes of which so many are pinned by chance that every candidate can be looked at.</summary>
    /// <param name="proved">The share that must be: of houses with nothing pinned it is three in four.</param>
    private static void Settled(int first, int count, int most, double proved)
    {
        var (held, exact) = (0, 0);
        for (var seed = first; held < count; seed++)
        {
            Assert.True(seed < first + count * 300, $"{held} compared");
            var house = TradeHouses.Make(seed, 5);
            if (house.Devices.Length != 6 || PinnedByChance.Until(house, new(seed), most) is not { } pins || EveryCandidate.Best(house, most, pins) is not { } best) continue;
            held++;
            var found = PlanSearch.Run(house, PlanSearch.UsualBudget, TestContext.Current.CancellationToken, pins);
            Assert.True(found.Floor is not { } floor || floor <= best, $"seed {seed}: nothing is left before {found.Floor}, and there is {best}");
            if (!found.IsExact) continue;
            exact++;
            var plans = found.Plans();
            Assert.True(plans.Length > 0 && plans[0].Rank <= best, $"seed {seed}: {(plans.IsEmpty ? "nothing" : plans[0].Rank)}, and there is {best}");
        }
        Assert.True(exact >= held * proved, $"{exact} of {held} were proved");
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

    /// <summary>A search that ends too soon says what may be left: no candidate is before that, and what it says is what the first difference is.</summary>
    [Fact]
    public void What_is_left_is_no_better_than_is_said()
    {
        var unproved = 0;
        for (var seed = 1; seed <= 90; seed++)
        {
            var house = TradeHouses.Make(seed);
            var found = PlanSearch.Run(house, 0, TestContext.Current.CancellationToken);
            if (found.Floor is not { } floor || EveryCandidate.Best(house, 400) is not { } best) continue;
            Assert.True(floor <= best, $"seed {seed}: nothing is left before {floor}, and there is {best}");
            if (found.IsExact) Assert.Null(found.AtBest);
            else if (++unproved > 0) Assert.NotNull(found.AtBest);
        }
        Assert.True(unproved > 3, $"{unproved} were not proved");
    }

    [Fact]
    public void What_is_left_is_said_by_the_first_difference()
    {
        var best = new PlanRank(0, 0, 1, 0, 2, 0, 1, -10, 1, 0, 0, 3, 0, 12, 40);
        Assert.Null(Left.Say(best, best));
        Assert.Null(Left.Say(best, best with { Minutes = 41 }));
        Assert.Equal("What was not tried could at best hold 1 want more.", Left.Say(best, best with { Failing = 0, Cautions = 9 }));
        Assert.Equal("What was not tried could at best have 2 cautions fewer.", Left.Say(best, best with { Cautions = 0, Minutes = 80 }));
        Assert.Equal("What was not tried could at best want 1 thing fewer bought.", Left.Say(best, best with { Buys = 0 }));
        // ⌊log(rate) ÷ log(4/3)⌋ is 10 below (4/3)^11 and 12 below (4/3)^13.
        Assert.Equal("What was not tried could at best bring up to 42 Mb/s to the worst room, instead of up to 24.", Left.Say(best, best with { WorstRoom = -12 }));
        Assert.Equal("What was not tried could at best take 10 minutes less.", Left.Say(best, best with { Minutes = 30 }));
    }

    private static void Hold(NetworkDocument house, string name)
    {
        var found = PlanSearch.Run(house, PlanSearch.UsualBudget, TestContext.Current.CancellationToken);
        if (!found.IsExact || EveryCandidate.Best(house, MostCandidates) is not { } best) return;
        Assert.True(found.Plans()[0].Rank <= best, $"{name}: {found.Plans()[0].Rank}, and there is {best}");
    }
}
