using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Planning.Space;
using Altrin.Core.Readings;
using Altrin.Core.Simulation;
using Altrin.Core.Tests.WorkOrders;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.Tests.Trade;

/// <summary>On what a person enters in five minutes the first plan is what a good tradesperson would do, and its order is one that they
/// would follow. Common
/// practice, no source.</summary>
public class TradeTests
{
    /// <param name="minutes">The order as it was when somebody read it: not one minute more.</param>
    [Theory]
    [InlineData("01-repeat-into-the-loft", "Spare router as repeater", 14)]
    [InlineData("02-second-router-and-a-cable", "Second router as access point by hand", 17)]
    [InlineData("03-pass-through-to-the-own-router", "Gateway passes the line through to Own router", 21)]
    [InlineData("04-wisp-is-offered-first", "New router as repeater", 11)]
    [InlineData("05-mesh-router-is-to-be-the-router", "Gateway passes the line through to Mesh router", 27)]
    [InlineData("06-mesh-kit-of-three",
        "Mesh main unit the router; without Old router; First satellite as satellite by cable; Second satellite as satellite by radio", 29)]
    [InlineData("07-ceiling-unit-with-an-injector", "Ceiling unit as access point", 17)]
    [InlineData("08-second-mesh-unit", "Second unit as satellite by radio", 9)]
    [InlineData("09-mesh-behind-a-gateway-that-routes", "Mesh main unit as access point; Satellite as satellite by radio", 11)]
    [InlineData("10-old-router-by-cable", "Old router as access point by hand", 18)]
    [InlineData("11-plug-in-repeater", "Plug-in repeater as repeater", 11)]
    [InlineData("12-access-point-switch", "New router as access point", 12)]
    [InlineData("13-asks-for-its-address", "Loft router as access point", 13)]
    [InlineData("14-two-old-routers", "Old router and Older router as access point by hand", 34)]
    [InlineData("15-powerline-and-a-full-pool", "Second router as access point by hand", 18)]
    [InlineData("16-repeater-by-wizard", "Router with a wizard as repeater", 11)]
    [InlineData("17-bridge-for-one-computer", "Bridge as wireless bridge", 18)]
    [InlineData("18-own-router-behind-a-shared-line", "Own router with a network of its own", 13)]
    [InlineData("19-old-hub-by-powerline", "Old hub as access point by hand", 18)]
    [InlineData("20-wds", "Second router as WDS partner", 25)]
    [InlineData("21-guest-house", "Guest router as repeater", 14)]
    public void The_first_plan_is_the_trades_and_its_order_is_proved(string job, string title, int minutes)
    {
        var house = TradeJobs.All[job]();
        var found = PlanSearch.Of(house, TestContext.Current.CancellationToken);
        var best = found.Plans[0];
        Assert.Equal(title, best.Title);
        Assert.Equal((0, best.House.Needs.Length), (best.Faults, best.WantsHeld));
        Assert.True(found.IsExact);
        var order = OrderWays.Of(house, best.House).Best;
        Assert.Empty(order.Gaps);
        Assert.InRange(order.Minutes, 5, minutes);
        KeptOrderTests.Kept($"trade/{job}", OrderText.Of(order, house));
        // Nobody is given another address for the time of the work where a plug does.
        foreach (var step in order.Steps.Where(step => step.Kind == StepKind.LaptopFixed))
            Assert.Contains(job, new[] { "07-ceiling-unit-with-an-injector", "17-bridge-for-one-computer", "20-wds" });
    }

    /// <summary>Side by side with the best stand the other main ways that the boxes allow, in the order of the ranking, each with what
    /// decides.</summary>
    [Theory]
    [InlineData("02-second-router-and-a-cable", "Second router with a network of its own", "Second router behind Gateway as its DMZ host",
        "As it is")]
    [InlineData("03-pass-through-to-the-own-router", "Own router as access point", "Own router behind Gateway as its DMZ host")]
    [InlineData("05-mesh-router-is-to-be-the-router", "Mesh router with a network of its own", "Mesh router as access point", "As it is")]
    [InlineData("13-asks-for-its-address", "Gateway in modem mode, Loft router the router", "Loft router as repeater",
        "Loft router as wireless bridge")]
    public void The_other_ways_of_the_trade_can_be_taken_too(string job, params string[] titles)
    {
        var plans = PlanSearch.Of(TradeJobs.All[job](), TestContext.Current.CancellationToken).Plans;
        Assert.Subset(plans.Skip(1).Select(plan => plan.Title).ToHashSet(), titles.ToHashSet());
        Assert.Equal(plans.OrderBy(plan => plan.Rank), plans);
        Assert.All(plans, plan => Assert.EndsWith(".", plan.Why, StringComparison.Ordinal));
    }

    [Fact]
    public void Every_job_of_the_list_is_here() =>
        Assert.Equal(Enumerable.Range(1, 21),
            TradeJobs.All.Keys.Select(name => int.Parse(name[..2], System.Globalization.CultureInfo.InvariantCulture)).Order());

    private static (NetworkDocument Found, NetworkDocument Plan) Best(string job)
    {
        var house = TradeJobs.All[job]();
        return (house, PlanSearch.First(house, TestContext.Current.CancellationToken).Plans[0].House);
    }

    /// <summary>An unseen pool leaves the first addresses free in a plan, and the order looks before the first of them is given
    /// out.</summary>
    [Fact]
    public void Before_an_address_beside_an_unseen_pool_is_given_the_order_looks()
    {
        var (found, plan) = Best("10-old-router-by-cable");
        Assert.Equal("192.168.0.2/24", plan.FindDevice("old")!.Lan!.Address.ToString());
        Assert.True(plan.FindDevice("gateway")!.Lan!.DhcpServer!.IsPoolUnknown);
        var steps = OrderWays.Of(found, plan).Best.Steps;
        var look = steps.Single(step =>
            step.Readings.Any(reading => reading is PingReading { Answers: false } ping && ping.At == Ipv4Address.Parse("192.168.0.2")));
        Assert.Contains(look.Cautions, caution => caution.Contains("let the pool begin at 192.168.0.10", StringComparison.Ordinal));
        Assert.True(look.Number < steps.First(step => step.Actions.Any(action => action is SetLanAddress)).Number);
        // Where the pool was looked at its page is not asked for twice.
        var (seen, planned) = Best("02-second-router-and-a-cable");
        var again = OrderWays.Of(seen,
            planned).Best.Steps.Single(step => step.Readings.Any(reading => reading is PingReading { Answers: false }));
        Assert.DoesNotContain(again.Cautions, caution => caution.Contains("DHCP page", StringComparison.Ordinal));
    }

    [Fact]
    public void Room_is_made_in_a_full_pool_and_everybody_has_an_address()
    {
        var (_, plan) = Best("15-powerline-and-a-full-pool");
        var server = plan.FindDevice("gateway")!.Lan!.DhcpServer!;
        Assert.Equal(("192.168.0.10", "192.168.0.254", "192.168.0.2/24"),
            (server.Start.ToString(), server.End.ToString(), plan.FindDevice("second")!.Lan!.Address.ToString()));
        var state = Simulator.Run(plan);
        Assert.All(plan.Endpoints, thing => Assert.Equal(Answer.Yes, state.Internet(thing.Id).Reachable));
    }

    [Fact]
    public void A_box_with_a_past_is_reset_before_anything_is_set_on_it_and_has_none_afterwards()
    {
        var (found, plan) = Best("01-repeat-into-the-loft");
        var steps = OrderWays.Of(found, plan).Best.Steps;
        Assert.Equal(StepKind.ResetBox, steps.First(step => step.Device == "spare" && step.Kind != StepKind.PlugLaptop).Kind);
        Assert.Null(plan.FindDevice("spare")!.UsedBefore);
        // One that is as it was sold is set as it is.
        var (fresh, planned) = Best("04-wisp-is-offered-first");
        Assert.DoesNotContain(OrderWays.Of(fresh, planned).Best.Steps, step => step.Kind == StepKind.ResetBox);
    }

    [Fact]
    public void A_wizard_is_one_step_with_all_its_answers()
    {
        var (found, plan) = Best("04-wisp-is-offered-first");
        var wizard = Assert.Single(OrderWays.Of(found, plan).Best.Steps, step => step.Kind == StepKind.RunWizard);
        Assert.Contains(wizard.Actions, action => action is SetMode);
        Assert.Contains(wizard.Actions, action => action is SetUplink { Uplink.Ssid: "larkspur" });
        Assert.Contains(wizard.Actions, action => action is SetLanAddress);
        Assert.DoesNotContain(OrderWays.Of(found, plan).Best.Steps, step => step.Kind is StepKind.SaveSettings or StepKind.LogIn);
    }

    [Fact]
    public void A_router_that_another_replaces_is_switched_off_and_a_phone_is_never_plugged_in()
    {
        var (found, plan) = Best("06-mesh-kit-of-three");
        Assert.True(plan.FindDevice("old")!.Off);
        Assert.Contains(OrderWays.Of(found, plan).Best.Steps,
            step => step.Actions.Any(action => action is SwitchPower { On: false, Device: "old" }));
        foreach (var make in TradeJobs.All.Values)
            Assert.All(PlanSearch.First(make(), TestContext.Current.CancellationToken).Plans,
                one => Assert.DoesNotContain(one.House.Endpoints, thing => !thing.HasSocket && thing.Connect is Attachment.Plug));
    }

    [Fact]
    public void Whoever_is_to_go_through_the_own_router_does_and_the_gateways_wifi_is_off()
    {
        var (_, plan) = Best("18-own-router-behind-a-shared-line");
        Assert.All(plan.FindDevice("gateway")!.Wifi, network => Assert.False(network.Enabled));
        Assert.Equal("larkspur", ((Attachment.Join)plan.Endpoints[0].Connect!).Ssid);
    }

    /// <summary>A law: whatever a bridging box can be and however full the pool, there is a plan in which it is used, nobody loses the
    /// internet and no address
    /// is held twice.</summary>
    [Theory]
    [InlineData("192.168.0.2", "192.168.0.254", "192.168.0.1/24"), InlineData("192.168.0.1", "192.168.0.254", "192.168.0.1/24")]
    [InlineData("192.168.0.2", "192.168.0.253", "192.168.0.254/24"), InlineData("192.168.0.2", "192.168.0.6", "192.168.0.1/29")]
    [InlineData("192.168.0.3", "192.168.0.14", "192.168.0.2/28"), InlineData(null, null, "192.168.0.1/24")]
    public void In_every_mode_there_is_room_in_every_full_pool(string? start, string? end, string own)
    {
        foreach (var kit in new[] { "router-mode-switch", "router-old-300", "router-wds", "access-point-ceiling", "repeater-plug-in-dual",
            "bridge-with-wifi", "switch-managed" })
        {
            var address = InterfaceAddress.Parse(own);
            var entered = AsEntered.Hall("gateway-modem-mode", "192.168.0.1").Rooms("Hall", "Study").Run("Hall", "Study").Brought(kit,
                "new", "New box", "Study", kit == "access-point-ceiling" ? null : "192.168.0.1")
                .OnWifi("Phone", "phone", room: "Hall").Plugged("Printer", "printer", "gateway", "lan1", "Hall");
            // One that has a single socket needs it for its own cable.
            if (entered.Done.FindDevice("new")!.Ports.Length > 1) entered = entered.Plugged("Camera", "camera", "new", "lan1", "Study");
            var house = entered.Done;
            house = house with
            {
                Devices = [.. house.Devices.Select(box => box.Id == "gateway"
                    ? box with { Lan = box.Lan! with { Address = address,
                    DhcpServer = box.Lan.DhcpServer! with { Start = start is null ? null : Ipv4Address.Parse(start), End = end is null
                    ? null : Ipv4Address.Parse(end) } } }
                    : box with { MustUse = true, Injector = true })],
            };
            var found = PlanSearch.Of(house, TestContext.Current.CancellationToken);
            var plans = found.Plans;
            Assert.True(plans.Length > 0, $"{kit}: no plan");
            var state = Simulator.Run(plans[0].House);
            Assert.All(plans[0].House.Endpoints,
                thing =>
                Assert.True(state.Internet(thing.Id).Reachable == Answer.Yes,
                $"{kit}: {thing.Name} has no internet by “{plans[0].Title}” {plans[0].Rank}; {string.Join("; ", found.RuledOut.Select(one => $"{one.Title}: {one.Because}"))}"));
            Assert.True(plans[0].Faults == 0, $"{kit}: {string.Join("; ", plans[0].After.Findings.Select(finding => finding.Message))}");
        }
    }
}
