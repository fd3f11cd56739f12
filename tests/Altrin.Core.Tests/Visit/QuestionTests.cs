using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Simulation;
using Altrin.Core.Tests.Trade;
using Altrin.Core.Visit.Asking;
using Altrin.Core.WorkOrders;

namespace Altrin.Core.Tests.Visit;

/// <summary>A job in words, and the questions that decide it. Which questions those are: common practice, no source; that they decide:
/// reckoned here.</summary>
public class QuestionTests
{
    /// <summary>How the twenty-one jobs of the trade are said.</summary>
    [Theory]
    [InlineData("repeat into the loft", JobSort.Repeater, "Loft")]
    [InlineData("second router in the study by cable", JobSort.AccessPoint, "Study")]
    [InlineData("own router behind the provider's box, a recorder seen from outside", JobSort.OwnRouter, null)]
    [InlineData("new router for the attic, no cable", JobSort.Repeater, "Attic")]
    [InlineData("mesh router is to be the router for everybody", JobSort.OwnRouter, null)]
    [InlineData("mesh kit of three instead of the old router", JobSort.Mesh, null)]
    [InlineData("ceiling unit on the landing with its injector", JobSort.AccessPoint, null)]
    [InlineData("second mesh unit into the loft", JobSort.Mesh, "Loft")]
    [InlineData("mesh behind a gateway that goes on routing", JobSort.Mesh, null)]
    [InlineData("old router in the study by cable", JobSort.AccessPoint, "Study")]
    [InlineData("plug-in repeater for the back bedroom", JobSort.Repeater, "Back bedroom")]
    [InlineData("Access point in the office", JobSort.AccessPoint, "Office")]
    [InlineData("access point upstairs", JobSort.AccessPoint, "Upstairs")]
    [InlineData("two old routers as access points, study and barn", JobSort.AccessPoint, null)]
    [InlineData("powerline to the workshop", JobSort.AccessPoint, "Workshop")]
    [InlineData("repeater with its wizard in the bedroom", JobSort.Repeater, "Bedroom")]
    [InlineData("bridge for one computer in the study", JobSort.Bridge, "Study")]
    [InlineData("own router behind a shared line", JobSort.OwnRouter, null)]
    [InlineData("old hub in the bedroom over powerline", JobSort.AccessPoint, "Bedroom")]
    [InlineData("WDS to the barn", JobSort.Bridge, "Barn")]
    [InlineData("join two houses", JobSort.TwoHouses, null)]
    [InlineData("guest house without a cable", JobSort.TwoHouses, null)]
    [InlineData("own network for the tenants", JobSort.OwnNetwork, null)]
    public void A_job_is_understood_from_its_words(string words, JobSort sort, string? room)
    {
        var said = JobWords.Of(new() { Name = "House" }, words);
        Assert.Equal((sort, room), (said?.Sort, said?.Room));
    }

    [Theory]
    [InlineData(""), InlineData("   "), InlineData("paint the fence"), InlineData("mapping"), InlineData("apparatus"), InlineData("|,#"),
        InlineData("\0\uD800")]
    public void What_names_no_job_asks_nothing_and_says_how_to_say_it(string words)
    {
        var job = Questions.Of(Simulator.Run(TradeJobs.All["12-access-point-switch"]()), words);
        Assert.Null(job.Sort);
        Assert.Empty(job.Questions);
        Assert.Equal(string.IsNullOrWhiteSpace(words), job.Says.Length == 0);
        Assert.All(job.Examples, example => Assert.NotNull(JobWords.Of(new() { Name = "House" }, example)));
    }

    [Fact]
    public void A_room_of_the_house_is_known_by_its_name_wherever_it_stands_in_the_words()
    {
        var house = new NetworkDocument
        {
            Name = "House",
            Rooms = [new() { Id = "a", Name = "Study" }, new() { Id = "b", Name = "Small study" }]
        };
        Assert.Equal("Small study", JobWords.Of(house, "small study: an access point")?.Room);
    }

    public static TheoryData<string> Jobs() => [.. TradeJobs.All.Keys];

    /// <summary>Few, each with its reason; every answer can be noted, and is then known.</summary>
    [Theory, MemberData(nameof(Jobs))]
    public void Every_answer_is_noted_and_not_asked_again(string job)
    {
        var house = TradeJobs.All[job]();
        var state = Simulator.Run(house);
        foreach (var words in JobWords.Examples)
        {
            var asked = Questions.Of(state, words).Questions;
            Assert.InRange(asked.Length, 3, 7);
            Assert.Equal(asked.Length, asked.Select(one => one.Id).Distinct().Count());
            foreach (var question in asked)
            {
                Assert.False(string.IsNullOrWhiteSpace(question.Why));
                Assert.Equal(question.By == AskedBy.Press, question.Answers.Length > 0);
                foreach (var answer in question.Answers.Where(one => one.Actions.Length > 0))
                {
                    var attempt = ActionRunner.DoAll(house, answer.Actions);
                    Assert.True(attempt.House is not null, $"{question.Asks} {answer.Say}: {attempt.Problem?.Message}");
                    var again = Questions.Of(Simulator.Run(attempt.House), words).Questions.FirstOrDefault(one => one.Id == question.Id);
                    Assert.True(again is null || again.Answered is not null, $"{question.Asks} {answer.Say}: it is asked again");
                }
            }
        }
    }

    /// <summary>Between two answers the first way, or its order, is another: else the question would be idle.</summary>
    [Theory]
    [InlineData("provider", "05-mesh-router-is-to-be-the-router", "own router behind the provider's box")]
    [InlineData("past", "02-second-router-and-a-cable", "second router in the study")]
    [InlineData("cable", "04-wisp-is-offered-first", "wi-fi in the attic")]
    [InlineData("name", "02-second-router-and-a-cable", "second router in the study")]
    [InlineData("kept-name", "05-mesh-router-is-to-be-the-router", "mesh for the whole house")]
    [InlineData("outside", "03-pass-through-to-the-own-router", "own router behind the provider's box")]
    public void A_question_decides(string id, string job, string words)
    {
        var house = TradeJobs.All[job]();
        if (id == "provider") house = house.WithDevice("gateway", box => box with { LeaveAsFound = null });
        var question = Questions.Of(Simulator.Run(house), words).Questions.Single(one => one.Id == id);
        var outcomes = question.Answers.Select(answer => Outcome(ActionRunner.DoAll(house, answer.Actions).House!)).Distinct().ToList();
        Assert.True(outcomes.Count > 1, $"{question.Asks} Whatever is answered: {outcomes[0]}");
    }

    private static string Outcome(NetworkDocument house)
    {
        var best = PlanSearch.First(house, TestContext.Current.CancellationToken).Plans[0];
        var order = OrderWays.Of(house, best.House, cancel: TestContext.Current.CancellationToken);
        return $"{best.Title}; {string.Join("; ", order.Best.Steps.Select(step => step.Title))}; {string.Join("; ", best.Gives.Concat(best.Losses))}; {best.WantsHeld}";
    }

    [Fact]
    public void Wild_words_are_bounded_in_time_and_throw_nothing()
    {
        var random = new Random(5);
        var start = ThreadClock.Now;
        var house = TradeJobs.All["10-old-router-by-cable"]();
        for (var n = 0; n < 2000; n++)
        {
            var words = string.Concat(Enumerable.Range(0, random.Next(400)).Select(_ => random.Next(6) == 0 ? " in "
                : ((char)random.Next(32, 0x300)).ToString()));
            JobWords.Of(house, "mesh " + words);
        }
        Assert.InRange(ThreadClock.Now - start, TimeSpan.Zero, TimeSpan.FromSeconds(10));
    }
}
