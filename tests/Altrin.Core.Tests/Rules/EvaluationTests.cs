using System.Collections.Immutable;
using System.Reflection;
using System.Text.Json;
using Altrin.Core.Actions;
using Altrin.Core.Formats;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;

namespace Altrin.Core.Tests.Rules;

/// <summary>What is computed is what is asked: rules, wants and proofs each when somebody wants them, once, and not for a caller who has gone.</summary>
public class EvaluationTests
{
    private static bool IsComputed(Evaluation house, string part) =>
        typeof(Evaluation).GetField(part, BindingFlags.NonPublic | BindingFlags.Instance)!.GetValue(house) switch
        {
            Lazy<ImmutableArray<Finding>> findings => findings.IsValueCreated,
            Lazy<ImmutableArray<NeedVerdict>> wants => wants.IsValueCreated,
            var other => throw new InvalidOperationException($"{part} is {other}"),
        };

    [Theory]
    [InlineData("segments", false, false)]
    [InlineData("reach", false, false)]
    [InlineData("findings", true, true)]         // its fixes must break no want
    [InlineData("needs", false, true)]
    public void A_part_of_the_state_costs_that_part(string part, bool rules, bool wants)
    {
        var house = Evaluation.Of(Examples.House("larkspur-house") with { Needs = [] });
        using var memory = new MemoryStream();
        using (var json = new Utf8JsonWriter(memory)) StateWriter.Write(house, json, new HashSet<string> { part });
        Assert.Equal((rules, wants), (IsComputed(house, "findings"), IsComputed(house, "wants")));
    }

    [Fact]
    public void The_same_finding_asked_for_by_many_at_once_is_proved_once()
    {
        var house = Evaluation.Of(Examples.House("larkspur-house"));
        var finding = house.Findings.First(one => !one.Fixes.IsEmpty);
        var answers = Enumerable.Range(0, 16).AsParallel().WithDegreeOfParallelism(8).Select(_ => house.ProvenFixes(finding)).ToList();
        // The very array, not one like it.
        Assert.All(answers, answer => Assert.True(answer == answers[0]));
        Assert.NotEmpty(answers[0]);
    }

    [Fact]
    public void Who_has_gone_is_proved_nothing()
    {
        var house = Evaluation.Of(Examples.House("larkspur-house"));
        var finding = house.Findings.First(one => !one.Fixes.IsEmpty);
        Assert.Throws<OperationCanceledException>(() => house.ProvenFixes(finding, new CancellationToken(canceled: true)));
        // And nothing half done is kept.
        Assert.NotEmpty(house.ProvenFixes(finding));
    }

    [Fact]
    public void The_budget_of_proofs_holds_and_says_that_it_left_some_out()
    {
        MutationRun.Skips("it goes by the clock");
        var house = Examples.House("larkspur-house");
        var crowd = Enumerable.Range(0, 900).Aggregate(house, (now, n) => now with { Endpoints = now.Endpoints.Add(new() { Id = $"x{n}", Name = $"X {n}", Kind = "laptop", Address = EndpointAddress.Fixed(InterfaceAddress.Parse("10.1.2.3/24"), null) }) });
        var evaluation = Evaluation.Of(crowd);
        Assert.False(evaluation.LeftFixesOut);
        var offered = evaluation.Findings.Sum(finding => evaluation.ProvenFixes(finding).Length);
        Assert.True(evaluation.LeftFixesOut);
        Assert.InRange(offered, 1, 400);
    }
}
