using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Planning.Ranking;
using Altrin.Core.Tests.WorkOrders;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;
using Altrin.Core.Rules.Judging;

namespace Altrin.Core.Tests.Planning;

public class PlannerTests
{
    /// <summary>The search is held against plans made by hand, house after house.</summary>
    [Theory]
    [InlineData("larkspur-house")]
    [InlineData("hawthorn-farm")]
    [InlineData("double-nat")]
    public void The_search_finds_nothing_worse_than_what_is_made_by_hand(string example)
    {
        var house = Examples.House(example);
        var best = PlanSearch.Of(house).Plans[0].Rank;
        var ground = new Altrin.Core.Planning.Space.Ground(house);
        foreach (var plan in HandPlanner.Propose(house))
        {
            var rank = PlanRank.Of(ground, Altrin.Core.Rules.Judging.Evaluation.Of(plan.House));
            // By hand a plug was carried into another room; the wire of a thing does not reach there (section 5 of the format).
            if (new PlanLimits(ground, Altrin.Core.Rules.Judging.Evaluation.Of(house)).WhyNotBuilt(plan.House) is not null) continue;
            if (plan.GivesUp.IsEmpty) Assert.True(best <= rank, $"{plan.Title}: {rank}{Environment.NewLine}{best}{Environment.NewLine}{string.Join(Environment.NewLine, plan.Actions.Select(one => one.Say(house)))}");
        }
    }

    [Fact]
    public void In_the_big_house_each_plan_cures_every_fault_and_holds_every_want_by_an_order_that_is_proven()
    {
        var farm = Examples.House("hawthorn-farm");
        var plans = HandPlanner.Propose(farm);
        Assert.Equal(["kept-apart", "one-network"], plans.Select(plan => plan.Id));
        Assert.All(plans, plan => Assert.Equal((13, 13, 0), (plan.WantsHeld, plan.WantsTotal, plan.Faults)));
        Assert.Equal((2, 1), (plans[0].NatLayers, plans[1].NatLayers));
        Assert.All(plans, plan => Assert.Empty(Orders.Trade(farm, plan.House).Gaps));
    }

    [Fact]
    public void A_plan_that_undoes_what_was_to_be_kept_apart_says_so_and_comes_after()
    {
        var plan = HandPlanner.Propose(Examples.House("hawthorn-farm"))[1];
        Assert.Equal(["What is behind Workshop router is no longer kept apart, as the household wanted."], plan.GivesUp);
    }

    private static HouseBuilder House(params string[] routers) => routers.Aggregate(new HouseBuilder().Gateway().Thing("a", "gw:lan6"),
        (house, id) => house.Box(id, address: $"10.0.{id.Length}.1/24").Cable($"gw:lan{id.Length}", $"{id}:wan").Thing($"at-{id}", $"{id}:lan1"));

    [Fact]
    public void Several_second_routers_are_planned_together_and_spoken_of_in_the_plural()
    {
        var plans = HandPlanner.Propose(House("r", "rr"));
        Assert.Equal("r and rr become access points. Every device sees every other.", plans.First(plan => plan.Id == "one-network").Summary);
        Assert.StartsWith("r and rr are routers, each with a subnet of its own.", plans.First(plan => plan.Id == "kept-apart").Summary, StringComparison.Ordinal);
        Assert.Equal((1, 1), plans.Where(plan => plan.Id == "one-network").Select(plan => (plan.NatLayers, plan.Subnets)).Single());
    }

    [Fact]
    public void A_box_that_already_bridges_is_let_alone_where_another_routes()
    {
        var house = House("r").Box("ap", DeviceMode.AccessPoint, "192.168.31.9/24", false).Cable("gw:lan3", "ap:wan");
        Assert.All(HandPlanner.Propose(house), plan => Assert.Equal(DeviceMode.AccessPoint, plan.House.FindDevice("ap")!.Mode));
        Assert.Equal(DeviceMode.Router, HandPlanner.Propose(House().Box("ap", DeviceMode.AccessPoint, "192.168.31.9/24", false).Cable("gw:lan3", "ap:wan"))
            .First(plan => plan.Id == "kept-apart").House.FindDevice("ap")!.Mode);
    }

    [Fact]
    public void With_one_router_there_is_nothing_to_choose() => Assert.Empty(HandPlanner.Propose(House()));

    [Fact]
    public void A_deed_on_wifi_says_what_is_set_otherwise()
    {
        var before = new WifiNetwork { Radio = "2g", Ssid = "old", Security = WifiSecurity.Wpa, Key = "k" };
        NetworkDocument house = House().With(h => h.WithDevice("gw", box => box with { Wifi = [before] }));
        Assert.Equal("Set Wi-Fi old on gw: channel 6", new SetWifi("gw", 0, before with { Channel = new(6) }).Say(house));
        Assert.Equal("Set Wi-Fi old on gw: name new, WPA2, the password kept as p", new SetWifi("gw", 0, before with { Ssid = "new", Security = WifiSecurity.Wpa2, Key = "p" }).Say(house));
        Assert.Equal("Set Wi-Fi more on gw: WPA", new SetWifi("gw", 1, before with { Ssid = "more" }).Say(house));
        Assert.Equal("Set Wi-Fi old on gw: 80 MHz wide, VLAN 20, for guests, its name hidden",
            new SetWifi("gw", 0, before with { WidthMHz = 80, Vlan = 20, Guest = true, Broadcast = false }).Say(house));
        Assert.Equal("Turn off Wi-Fi old on gw", new SetWifi("gw", 0, before with { Enabled = false }).Say(house));
    }
}
