using System.Text.Json;
using Altrin.Core.Addressing;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;
using Altrin.Core.Tests.Planning;
using Altrin.Core.Tests.WorkOrders;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.Tests.Simulation;

/// <summary>Until the line's address was seen or agreed it is nowhere said as a number (section 4 of the format: a step never says what nobody has seen).</summary>
public class StandInTests
{
    private static readonly string[] StandIns = ["203.0.113.", "100.64.0."];

    public static IEnumerable<TheoryDataRow<string>> Unseen() => Examples.Names()
        .Where(name => Examples.House(name).Line is { Seen: null, Agreed: null } && !StandIns.Any(one => Examples.Text(name).Contains(one, StringComparison.Ordinal)))
        .Select(name => new TheoryDataRow<string>(name));

    [Theory, MemberData(nameof(Unseen))]
    public void No_number_that_nobody_saw_is_shown(string name)
    {
        var house = Examples.House(name);
        var evaluation = Evaluation.Of(house);
        var stairs = Stairs.Of(evaluation.State);
        string Json<T>(T value) => JsonSerializer.Serialize(value, AltrinJson.Compact);
        string[] said =
        [
            Json(stairs), Json(HouseCards.Boxes(evaluation, stairs)), Json(Rulers.Of(evaluation.State, stairs)),
            .. house.Endpoints.Select(thing => Json(evaluation.State.TraceOf(thing.Id))),
            .. evaluation.Findings.Select(finding => finding.Message), .. evaluation.Findings.SelectMany(finding => evaluation.ProvenFixes(finding)).Select(fix => fix.Say),
            .. evaluation.Wants.Select(want => $"{want.Sentence} {want.Because}"),
            .. from a in house.Endpoints from b in house.Endpoints where a != b select Json(ReachExplained.Of(evaluation.Facts, a.Id, b.Id)),
            .. house.Endpoints.Select(a => Json(ReachExplained.Of(evaluation.Facts, a.Id, Line.ProviderId))),
        ];
        Assert.All(said, text => Assert.All(StandIns, number => Assert.DoesNotContain(number, text, StringComparison.Ordinal)));
    }

    [Theory, MemberData(nameof(JobPlanTests.Jobs), MemberType = typeof(JobPlanTests))]
    public void No_step_says_one(string job)
    {
        var house = JobPlanTests.Job(job);
        if (house.Line is { Seen: not null } or { Agreed: not null }) return;
        var best = Altrin.Core.Planning.PlanSearch.Run(house, Altrin.Core.Planning.PlanSearch.UsualBudget, TestContext.Current.CancellationToken).Plans()[0].House;
        var ways = OrderWays.Of(house, best);
        foreach (var order in new[] { ways.Keep, ways.Reset }.OfType<WorkOrder>())
            Assert.All(StandIns, number => Assert.DoesNotContain(number, OrderText.Of(order, house), StringComparison.Ordinal));
    }

    [Fact]
    public void What_was_seen_is_said()
    {
        var house = Examples.House("healthy");
        var seen = house with { Line = house.Line! with { Seen = new() { Address = InterfaceAddress.Parse("198.51.100.130/24"), Gateway = Ipv4Address.Parse("198.51.100.129") } } };
        Assert.Equal([LineWords.Own], Stairs.Of(Evaluation.Of(house).State).StreetAddresses);
        Assert.Equal(["198.51.100.130"], Stairs.Of(Evaluation.Of(seen).State).StreetAddresses);
        var shared = house with { Line = house.Line! with { Addressing = LineAddressing.Shared } };
        Assert.Equal([LineWords.Own], Stairs.Of(Evaluation.Of(shared).State).StreetAddresses);
        Assert.Equal(LineWords.Shared, LineWords.Say(shared, Ipv4Address.Parse("100.64.0.10")));
    }
}
