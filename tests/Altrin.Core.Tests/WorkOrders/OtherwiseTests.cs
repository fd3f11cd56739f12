using System.Text.Json.Nodes;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Readings;
using Altrin.Core.Simulation;
using Altrin.Core.Tests.Planning;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;
using Altrin.Core.WorkOrders.Otherwise;

namespace Altrin.Core.Tests.WorkOrders;

/// <summary>Something else was seen: a mistake that was really made is among what it may mean, and the rest of the order leads to the plan
/// all the same.</summary>
public class OtherwiseTests
{
    private static readonly HashSet<string> Nothing = [];

    private static NetworkDocument Best(NetworkDocument house) =>
        PlanSearch.Run(house, PlanSearch.UsualBudget, TestContext.Current.CancellationToken).Plans()[0].House;

    private static (NetworkDocument House, NetworkDocument Plan, WorkOrder Order) Job(string job)
    {
        var house = JobPlanTests.Job(job);
        var plan = Best(house);
        return (house, plan, OrderWays.Of(house, plan).Best);
    }

    private static (NetworkDocument House, NetworkDocument Plan, WorkOrder Order) Larkspur()
    {
        var house = Examples.House("larkspur-house");
        var plan = Best(house);
        return (house, plan, OrderWays.Of(house, plan).Best);
    }

    private static WorkStep Step(WorkOrder order, string start) =>
        order.Steps.First(step => step.Title.StartsWith(start, StringComparison.Ordinal));

    /// <summary>A save that did not take, planted in every job's order: what the laptop shows then is explained by it, and by the very
    /// house it left.</summary>
    [Theory, MemberData(nameof(JobPlanTests.Jobs), MemberType = typeof(JobPlanTests))]
    public void A_save_that_did_not_take_is_found(string job)
    {
        var (_, _, order) = Job(job);
        var planted = 0;
        for (var at = 0; at < order.Steps.Length; at++)
        {
            var step = order.Steps[at];
            if (step.Open is null || step.Actions.IsEmpty || step.Device is not { } device) continue;
            // What shows: its page is still at the old address, or does not open where it should.
            var before = Simulator.Run(step.Before!);
            var (old, said) = (before.Lan(device)?.Address?.Address, Simulator.Run(step.After!).Lan(device)?.Address?.Address);
            if (old is null || old == said) continue;
            planted++;
            var meanings = Meaning.Of(order, step.Key, new(SeenInstead.OtherAddress, old), Nothing);
            var right = Assert.Single(meanings, one => one.House is not null
                && one.Sentence.StartsWith($"Step {step.Number} did not take", StringComparison.Ordinal));
            Assert.Equal(AltrinJson.WriteCompact(Laptop.Away(step.Before!)), AltrinJson.WriteCompact(right.House!));
        }
        if (job is "wds") Assert.True(planted > 0);
    }

    /// <summary>Whatever it is taken to mean, the rest of the order is proved and ends in the plan.</summary>
    [Theory, MemberData(nameof(JobPlanTests.Jobs), MemberType = typeof(JobPlanTests))]
    public void From_every_meaning_the_order_goes_on_to_the_plan(string job)
    {
        var (house, plan, order) = Job(job);
        var (tried, proven) = (0, 0);
        static HashSet<string> Clashing(NetworkDocument one) => PlainClashes.In(JsonNode.Parse(AltrinJson.WriteCompact(Laptop.Away(one)))!);
        foreach (var step in order.Steps.Where(step => step.Open is not null).Take(3))
            foreach (var seen in new[] { SeenInstead.Nothing, SeenInstead.GaveUp })
                foreach (var meaning in Meaning.Of(order, step.Key, new(seen), Nothing).Where(one => one.House is not null))
                {
                    var rest = OrderWays.Of(meaning.House!, plan, course: new(1, meaning.Resets, ProvesLine: false, house)).Best;
                    tried++;
                    if (rest.IsProven) proven++;
                    if (rest.Steps.IsEmpty || !rest.IsProven) continue;
                    Assert.Equal(AltrinJson.WriteCompact(Laptop.Away(plan)), AltrinJson.WriteCompact(Laptop.Away(rest.Steps[^1].After!)));
                    // A second reader finds nothing held twice and no second server that neither end has; a box fresh from its reset is one
                    // more to watch.
                    var known = Clashing(meaning.House!).Union(Clashing(plan)).ToHashSet();
                    Assert.All(rest.Steps, one => Assert.Subset(known, Clashing(one.After!)));
                    // A box whose page is lost is reset before anything is opened on it.
                    foreach (var box in meaning.Resets)
                    {
                        var opened = rest.Steps.ToList().FindIndex(one => one.Open is not null && one.Device == box);
                        if (opened >= 0) Assert.Contains(rest.Steps.Take(opened),
                            one => one.Actions.Any(action => action is FactoryReset reset && reset.Device == box));
                    }
                }
        Assert.True(proven >= tried * 0.9, $"{proven} of {tried}");
    }

    [Fact]
    public void What_was_seen_as_said_clears_a_suspect()
    {
        var (_, _, order) = Larkspur();
        var step = Step(order, "Log in to Studio router");
        var plug = Step(order, "Plug your laptop into Studio router");
        Assert.Contains(Meaning.Of(order, step.Key, new(SeenInstead.Nothing), Nothing),
            one => one.Sentence.Contains($"step {plug.Number} said", StringComparison.Ordinal));
        // There it showed an address of that router: then it was plugged in.
        Assert.DoesNotContain(Meaning.Of(order, step.Key, new(SeenInstead.Nothing), new HashSet<string> { plug.Key }),
            one => one.Sentence.Contains($"step {plug.Number} said", StringComparison.Ordinal));
    }

    [Fact]
    public void A_mode_that_is_not_there_sends_back_to_the_plans()
    {
        var (house, _, order) = Job("wds");
        var step = order.Steps.First(one => one.Actions.Any(action => action is SetMode));
        var (device, mode) = step.Actions.OfType<SetMode>().Select(set => (set.Device, set.Mode)).First();
        var meaning = Assert.Single(Meaning.Of(order, step.Key, new(SeenInstead.GreyedOut), Nothing), one => one.Forbids is not null);
        Assert.Equal((device, mode), meaning.Forbids);
        Assert.DoesNotContain(mode, meaning.House!.FindDevice(device)!.Supports);
        // No plan of that house asks for it again.
        Assert.All(PlanSearch.Run(meaning.House, PlanSearch.UsualBudget, TestContext.Current.CancellationToken).Plans(),
            plan => Assert.NotEqual(mode, plan.House.FindDevice(device)?.Mode));
        Assert.Contains(mode, house.FindDevice(device)!.Supports);
    }

    [Fact]
    public void An_address_given_by_chance_is_no_mishap_and_one_of_its_own_is_another_house()
    {
        var (_, _, order) = Larkspur();
        var step = Step(order, "Give Studio router a new address");
        var own = Meaning.Of(order, step.Key, new(SeenInstead.OtherAddress, Ipv4Address.Parse("192.168.31.77")), Nothing);
        Assert.Equal(Ipv4Address.Parse("192.168.31.77"), Assert.Single(own).House!.FindDevice("studio")!.Lan!.Address!.Value.Address);
    }

    [Fact]
    public void Giving_up_keeps_the_house_as_it_stands()
    {
        var (_, _, order) = Larkspur();
        var step = Step(order, "Turn off the firewall of Studio router");
        var meanings = Meaning.Of(order, step.Key, new(SeenInstead.GaveUp), Nothing);
        Assert.Equal([AltrinJson.WriteCompact(Laptop.Away(step.Before!)), AltrinJson.WriteCompact(Laptop.Away(step.After!))],
            meanings.Select(one => AltrinJson.WriteCompact(one.House!)));
    }

    /// <summary>Whoever says that he saw something else is never left standing.</summary>
    [Theory]
    [InlineData("lan-to-lan")]
    [InlineData("modem-mode")]
    [InlineData("repeater")]
    [InlineData("satellite-by-radio")]
    [InlineData("tunnel")]
    public void Whatever_was_seen_at_whatever_step_something_is_said(string job)
    {
        var (_, _, order) = Job(job);
        foreach (var step in order.Steps)
            foreach (var seen in StepSighting.PossibleAt(step).SelectMany(what => OrderText.Sightings(step, what)))
                Assert.True(Meaning.Of(order, step.Key, seen, Nothing).Length > 0, $"{step.Number}. {step.Title}: {seen}");
    }

    [Fact]
    public void The_address_that_was_expected_is_no_other()
    {
        var (_, _, order) = Job("lan-to-lan");
        var step = Step(order, "Give Old router a new address");
        var only = Assert.Single(Meaning.Of(order, step.Key, new(SeenInstead.OtherAddress, Ipv4Address.Parse("192.168.8.2")), Nothing));
        Assert.Equal(("same-address", (NetworkDocument?)null), (only.Key, only.House));
    }

    [Fact]
    public void A_want_that_fails_at_the_end_is_traced_to_a_cable_that_is_not_in()
    {
        var (_, _, order) = Larkspur();
        var last = order.Steps[^1];
        var want = last.Readings.OfType<WantReading>().First(one => one.Sentence.Contains("Studio tablet", StringComparison.Ordinal));
        Assert.Contains(Meaning.Of(order, last.Key, new(SeenInstead.WantFails, Need: want.Need), Nothing), one => one.House is null
            && one.Sentence.Contains("is not plugged in", StringComparison.Ordinal));
    }

    /// <summary>The hold is longer or shorter by model and stands on the label: common practice, no source.</summary>
    [Fact]
    public void A_box_that_must_be_reset_is_taken_off_the_house_first_and_set_from_its_default()
    {
        var (house, plan, _) = Larkspur();
        var order = OrderWays.Of(house, plan, course: new(1, ["studio"], ProvesLine: false)).Best;
        Assert.Empty(order.Gaps);
        var reset = Step(order, "Hold reset on Studio router for 10 seconds");
        // As sold it gives out addresses: the house must not meet them.
        Assert.DoesNotContain(PlainClashes.In(JsonNode.Parse(AltrinJson.WriteCompact(Laptop.Away(reset.After!)))!),
            clash => clash.StartsWith("servers", StringComparison.Ordinal));
        Assert.True(order.Steps.First(step => step.Device == "studio" && step.Open is not null).Number > reset.Number);
        Assert.Contains(order.Steps, step => step.Open == "http://192.168.1.1");
        // Another course: nothing ticked in the first is ticked in it.
        Assert.Empty(order.Steps.Select(step => step.Key).Intersect(OrderWays.Of(house, plan).Best.Steps.Select(step => step.Key)));
    }

    /// <summary>Whoever was cut off before something else was seen is so still: the rest of the order does not begin anew with him offline
    /// as if that were how it is.</summary>
    [Fact]
    public void Who_was_cut_off_before_is_counted_until_he_is_back()
    {
        var (house, plan, order) = Larkspur();
        var step = Step(order, "Give Studio router a new address");
        var meaning = Meaning.Of(order, step.Key, new(SeenInstead.Nothing), Nothing).Single(one => one.Key == "reset");
        var rest = OrderWays.Of(meaning.House!, plan, course: new(1, meaning.Resets, ProvesLine: false, house)).Best;
        var back = rest.Steps.First(one => one.Actions.Any(action => action is PlugCable));
        Assert.Equal(0, rest.CutMinutes(meaning.House!));
        Assert.Equal((int)Math.Ceiling(rest.Steps.Take(back.Number).Sum(one => one.Minutes)), rest.CutMinutes(house));
        // Also where the very next step ends it.
        var end = rest with { Steps = [.. rest.Steps.Skip(back.Number - 1)] };
        Assert.Equal((int)Math.Ceiling(back.Minutes), end.CutMinutes(house));
    }

    /// <summary>A gateway without Wi-Fi: its page opens by cable only.</summary>
    [Theory]
    [InlineData(Altrin.Core.WorkOrders.Steps.Hands.Phone, "a phone alone")]
    [InlineData(Altrin.Core.WorkOrders.Steps.Hands.NoSocket, "a laptop without a socket")]
    public void Where_a_page_opens_by_cable_only_there_is_no_order_without_a_socket_and_it_says_so(Altrin.Core.WorkOrders.Steps.Hands hands, string has)
    {
        var house = Examples.House("static-in-pool");
        var plan = new MovePool("gw", Ipv4Address.Parse("192.168.31.10"), Ipv4Address.Parse("192.168.31.99")).Apply(house);
        Assert.True(OrderWays.Of(house, plan).Best.IsProven);
        var none = OrderWays.Of(house, plan, hands).Best;
        Assert.Empty(none.Steps);
        Assert.Contains(has, Assert.Single(none.Gaps).Says, StringComparison.Ordinal);
    }

    [Fact]
    public void A_step_that_cannot_come_sooner_says_what_would_break()
    {
        var (_, _, order) = Larkspur();
        Assert.Contains("would give out addresses on one network",
            Sooner.WhyNot(order, Step(order, "Plug a cable from Hall gateway").Key)!, StringComparison.Ordinal);
        Assert.Contains("on its WAN side", Sooner.WhyNot(order, Step(order, "Give Studio router a new address").Key)!,
            StringComparison.Ordinal);
        Assert.Contains("for longer", Sooner.WhyNot(order, Step(order, "Unplug the cable between").Key)!, StringComparison.Ordinal);
        Assert.Null(Sooner.WhyNot(order, Step(order, "Log in to Hall gateway").Key));
    }

    /// <summary>Where it says that a second server or an address held twice would come, a second reader that knows nothing of the simulator
    /// sees it too.</summary>
    [Theory, MemberData(nameof(JobPlanTests.Jobs), MemberType = typeof(JobPlanTests))]
    public void A_clash_that_is_named_is_one(string job)
    {
        var (house, _, order) = Job(job);
        var was = PlainClashes.In(JsonNode.Parse(AltrinJson.WriteCompact(Laptop.Away(house)))!);
        foreach (var step in order.Steps)
        {
            if (Sooner.WhyNot(order, step.Key) is not { } reason
                || !reason.Contains("would give out addresses on one network", StringComparison.Ordinal)
                || reason.Contains("could not follow", StringComparison.Ordinal)) continue;
            var number = int.Parse(reason["Done before step ".Length..reason.IndexOf(',', StringComparison.Ordinal)],
                System.Globalization.CultureInfo.InvariantCulture);
            var early = Laptop.Away(order.Steps[number - 1].Before!);
            foreach (var action in step.Actions) if (action.Problem(early) is null) early = action.Apply(early);
            Assert.NotEmpty(PlainClashes.In(JsonNode.Parse(AltrinJson.WriteCompact(early))!).Except(was));
        }
    }

    private const string Shown = """
        Ethernet adapter Ethernet:

           DHCP Enabled. . . . . . . . . . . : Yes
           IPv4 Address. . . . . . . . . . . : 192.168.31.104(Preferred)
           Subnet Mask . . . . . . . . . . . : 255.255.255.0
           Default Gateway . . . . . . . . . : 192.168.31.1
           DHCP Server . . . . . . . . . . . : 192.168.31.1
        """;

    [Fact]
    public void What_the_laptop_shows_is_held_against_what_the_step_said()
    {
        var (_, _, order) = Larkspur();
        var step = Step(order, "Plug your laptop into Hall gateway");
        var asSaid = Comparison.Of(step, $"Windows IP Configuration\n\n{Shown}");
        Assert.Equal("windows-ipconfig", asSaid.Source);
        Assert.Equal([("laptop address", true), ("gateway", true), ("internet", (bool?)null)],
            asSaid.Rows.Select(row => (row.Reading, row.IsAsSaid)));
        var other = Comparison.Of(step,
            $"Windows IP Configuration\n\n{Shown.Replace("192.168.31", "192.168.1", StringComparison.Ordinal)}");
        Assert.Equal([false, false, null], other.Rows.Select(row => row.IsAsSaid));
        Assert.Equal("192.168.1.1", other.Rows[1].Seen);
        Assert.Null(Comparison.Of(step, "hello").Source);
    }

    /// <summary>An address that was typed is no lease, whatever its number: the paste says by what it came.</summary>
    [Theory]
    [InlineData("Yes", true)]
    [InlineData("No", false)]
    public void An_address_that_was_set_by_hand_is_not_the_lease_that_was_to_be_seen(string dhcp, bool isAsSaid)
    {
        var (_, _, order) = Larkspur();
        var step = Step(order, "Plug your laptop into Hall gateway");
        var text = Shown.Replace("DHCP Enabled. . . . . . . . . . . : Yes", $"DHCP Enabled. . . . . . . . . . . : {dhcp}",
            StringComparison.Ordinal).Replace("   DHCP Server . . . . . . . . . . . : 192.168.31.1\n", dhcp == "Yes"
            ? "   DHCP Server . . . . . . . . . . . : 192.168.31.1\n" : "", StringComparison.Ordinal);
        Assert.Equal(isAsSaid, Comparison.Of(step, $"Windows IP Configuration\n\n{text}").Rows[0].IsAsSaid);
    }

    /// <summary>A box that took its new name sends it, and the old one no more: a list of networks shows both.</summary>
    [Theory]
    [InlineData("oak-study", true, true)]
    [InlineData("setup-5302", false, false)]
    public void A_list_of_networks_tells_whether_the_new_name_is_there_and_the_old_gone(string listed, bool isNewThere, bool isOldGone)
    {
        var house = JobPlanTests.Job("own-names");
        house = house.WithDevice("r2", box => box with { Wifi = [.. box.Wifi.Select(network => network with { Ssid = "setup-5302" })] });
        var step = OrderWays.Of(house, Best(house)).Best.Steps.First(one => one.Actions.Any(action => action is SetWifi { Device: "r2" }));
        var list = $"IN-USE  BSSID              SSID      MODE   CHAN  RATE        SIGNAL  BARS  SECURITY\n        02:00:5E:10:00:03  {listed}  Infra  36    540 Mbit/s  84      ***   WPA2\n";
        var rows = Comparison.Of(step, list).Rows;
        Assert.Contains(rows, row => row.Reading == "Wi-Fi oak-study" && row.IsAsSaid == isNewThere);
        Assert.Contains(rows, row => row.Reading == "Wi-Fi setup-5302" && row.IsAsSaid == isOldGone);
    }
}
