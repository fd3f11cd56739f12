using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Planning;

/// <summary>What a change of the plan costs, held against the table of section 5: a save 1 minute, a restart by the label, a plug 1, a touch 2.</summary>
[Trait("source", "common practice, no source")]
public class PlanChangeTests
{
    private static readonly NetworkDocument Found = Examples.House("larkspur-house");

    private static PlanChange Between(NetworkDocument before, params InstallerAction[] actions) =>
        PlanChange.Of(Found, Evaluation.Of(before), Evaluation.Of(new[] { actions }.SelectMany(list => list).Aggregate(before, (house, action) => action.Apply(house))));

    [Fact]
    public void One_switch_is_one_setting_and_one_minute_more()
    {
        var change = Between(Found, new SetFeature("gw", BoxFeature.Hairpin, !Found.FindDevice("gw")!.Hairpin));
        Assert.Equal((1, 1, 0, 0), (change.Settings, change.Minutes, change.Touches, change.Buys));
        Assert.Contains("1 setting more.", change.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void Taken_back_it_is_one_less()
    {
        var switched = new SetFeature("gw", BoxFeature.Hairpin, !Found.FindDevice("gw")!.Hairpin);
        var change = Between(switched.Apply(Found), new SetFeature("gw", BoxFeature.Hairpin, Found.FindDevice("gw")!.Hairpin));
        Assert.Equal((-1, -1), (change.Settings, change.Minutes));
        Assert.Contains("1 setting less.", change.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void A_want_that_fails_by_it_is_named_and_named_again_when_it_holds()
    {
        var planned = PlanSearch.Of(Found).Plans[0].House;
        var need = Evaluation.Of(planned).Wants.First(want => planned.Needs.First(one => one.Id == want.Need) is Need.Internet && want.Met == Answer.Yes);
        var thing = ((Need.Internet)planned.Needs.First(one => one.Id == need.Need)).Endpoint;
        var cut = new UnplugEndpoint(thing);
        var lost = Between(planned, cut);
        Assert.Contains(need.Sentence, lost.Lost);
        Assert.Contains($"No longer: {need.Sentence}", lost.Says, StringComparison.Ordinal);
        var back = PlanChange.Of(Found, Evaluation.Of(cut.Apply(planned)), Evaluation.Of(planned));
        Assert.Contains(need.Sentence, back.Gained);
    }

    [Fact]
    public void A_name_alone_costs_nothing() =>
        Assert.Equal("Nothing more to do, and nothing less.", Between(Found, new Rename("gw", "Front gateway")).Says);

    /// <summary>Section 5: touches are the things whose name, security, key or address settings differ.</summary>
    [Fact]
    public void A_thing_that_is_set_by_hand_is_a_touch_and_two_minutes()
    {
        var thing = Found.Endpoints.First(one => one.Address.Method == EndpointMethod.Static);
        var change = Between(Found, new SetEndpointAddress(thing.Id, new()));
        Assert.Equal((0, 2, 1), (change.Settings, change.Minutes, change.Touches));
    }
}
