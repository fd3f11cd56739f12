using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Readings;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;
using Altrin.Core.Tests.Planning;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.Tests.WorkOrders;

public class WorkOrderTests
{
    private static readonly NetworkDocument Demo = Examples.House("larkspur-house");

    private static WorkOrder OrderFor(string plan, NetworkDocument? house = null) =>
        Orders.Trade(house ?? Demo, HandPlanner.Propose(house ?? Demo).First(one => one.Id == plan).House);

    private static int Step(WorkOrder order, string brief) => order.Steps.First(step => step.Short == brief).Number;

    /// <summary>Follows the order from the outside, deed by deed, and asks at every step whether the page to be opened does open.</summary>
    internal static void Follow(NetworkDocument found, NetworkDocument planned, WorkOrder order)
    {
        Assert.Empty(order.Gaps);
        var house = found;
        foreach (var step in order.Steps)
        {
            if (step.Open is { } page)
            {
                var state = Simulator.Run(house);
                var opened = house.Devices.Where(device => state.Admin(Laptop.Id, device.Id) is { Reachable: Answer.Yes, Address: { } at } && page == $"http://{at}");
                Assert.True(opened.Any(), $"step {step.Number}, {step.Title}: {page} does not open");
            }
            foreach (var action in step.Actions)
            {
                Assert.Null(action.Problem(house));
                house = action.Apply(house);
            }
        }
        // What is only written down (wants, names, what is meant to be apart) is nobody's step.
        var record = Difference.Actions(Laptop.Away(house), planned).Where(action => action.IsRecord(house)).Apply(Laptop.Away(house));
        var (is_, should) = (Evaluation.Of(record), Evaluation.Of(planned));
        Assert.Equal(should.Findings.Select(f => f.Message), is_.Findings.Select(f => f.Message));
        Assert.Equal(should.Wants.Select(w => (w.Sentence, w.Met)), is_.Wants.Select(w => (w.Sentence, w.Met)));
    }

    /// <summary>A bridge sends to its parent, and others hear it: its power is no mere record.</summary>
    [Fact]
    public void The_power_of_a_box_that_only_joins_is_a_step()
    {
        var found = Examples.House("hawthorn-farm");
        var bridge = found.Devices.First(box => box is { Mode: DeviceMode.ClientBridge, SendsWifi: false, Uplink: not null });
        var planned = new SetRadioPower(bridge.Id, bridge.Uplink!.Radio, 14).Apply(found);
        Assert.Contains(Difference.Actions(found, planned), action => action is SetRadioPower { TxDbm: 14 });
        Assert.Contains(Orders.Trade(found, planned).Steps, step => step.Actions.Any(action => action is SetRadioPower));
    }

    public static IEnumerable<TheoryDataRow<string, string>> Plans() =>
        from example in Examples.Names()
        from plan in HandPlanner.Propose(Examples.House(example))
        select new TheoryDataRow<string, string>(example, plan.Id);

    [Theory, MemberData(nameof(Plans))]
    public void Every_plan_has_an_order_that_can_be_followed(string example, string plan)
    {
        var found = Examples.House(example);
        var planned = HandPlanner.Propose(found).First(one => one.Id == plan).House;
        var trade = Orders.Trade(found, planned);
        // Where the trade's own order says that it could not prove a step, the one that is proposed does.
        Follow(found, planned, trade.IsProven ? trade : OrderWays.Of(found, planned).Best);
    }

    [Theory, MemberData(nameof(Examples.All), MemberType = typeof(Examples))]
    public void Every_fix_has_an_order_that_can_be_followed(string example)
    {
        var house = Evaluation.Of(Examples.House(example));
        foreach (var fix in house.Findings.SelectMany(finding => house.ProvenFixes(finding)))
        {
            var planned = fix.Actions.Apply(house.State.House);
            Follow(house.State.House, planned, Orders.Trade(house.State.House, planned));
        }
    }

    [Fact]
    public void One_network_cures_the_demo_house_whole()
    {
        var plan = HandPlanner.Propose(Demo)[0];
        // The caution that stays: the old router's sockets are slower than the line, which no setting mends.
        Assert.Equal(("one-network", 7, 0, 1, 1), (plan.Id, plan.WantsHeld, plan.Faults, plan.Cautions, plan.NatLayers));
    }

    [Fact]
    public void Kept_apart_costs_what_needs_one_network_and_says_so()
    {
        var plan = HandPlanner.Propose(Demo).First(one => one.Id == "kept-apart");
        Assert.Equal((0, 2, 2), (plan.Faults, plan.NatLayers, plan.Subnets));
        Assert.Contains(plan.GivesUp, loss => loss.StartsWith("Work laptop finds and uses Study printer", StringComparison.Ordinal));
    }

    [Fact, Trait("source", "common practice, no source")]
    public void By_hand_the_order_is_reset_log_in_address_log_in_again_wifi_dhcp_last_then_the_right_socket()
    {
        var order = OrderFor("one-network");
        string[] inOrder = ["Prove the line", "Cable out", "Hold reset", "Log in", "New address", "Wi-Fi", "DHCP off", "Cable in", "Join its Wi-Fi", "The household"];
        Assert.Equal(inOrder.Select(brief => Step(order, brief)).Order(), inOrder.Select(brief => Step(order, brief)));
        Assert.Equal("http://192.168.1.1", order.Steps[Step(order, "New address") - 1].Open);
        Assert.Equal("http://192.168.31.2", order.Steps[Step(order, "Wi-Fi") - 1].Open);
        Assert.Contains("Studio router LAN", order.Steps[Step(order, "Cable in") - 1].Title, StringComparison.Ordinal);
        Assert.Contains(order.Steps[Step(order, "Cable in") - 1].Cautions, caution => caution.Contains("WAN socket of Studio router stays empty", StringComparison.Ordinal));
    }

    [Fact]
    public void With_an_access_point_mode_the_mode_is_the_last_thing_set()
    {
        var order = OrderFor("one-network", Examples.House("double-nat"));
        Assert.True(Step(order, "New address") < Step(order, "Mode"));
        Assert.True(Step(order, "Mode") < Step(order, "Cable in"));
    }

    [Fact]
    public void While_the_box_is_set_it_is_plugged_into_nothing_but_the_laptop()
    {
        var (house, alone) = (Demo, 0);
        foreach (var step in OrderFor("one-network").Steps)
        {
            if (step.Phase.StartsWith("At the table", StringComparison.Ordinal))
            {
                alone++;
                Assert.DoesNotContain(house.Cables, cable => cable.A.Device == "studio" || cable.B.Device == "studio");
                Assert.All(house.Endpoints.Where(e => e.Connect?.Socket?.Device == "studio"), e => Assert.Equal(Laptop.Id, e.Id));
            }
            house = step.Actions.Apply(house);
        }
        Assert.True(alone >= 3, $"{alone} steps at the table");
    }

    [Fact]
    public void Who_is_cut_off_is_announced() =>
        Assert.Equal(["Work laptop", "Studio tablet"], OrderFor("one-network").Steps.SelectMany(step => step.CutOff).Order().Reverse());

    [Fact]
    public void A_secret_is_named_and_never_told() =>
        Assert.Contains(OrderFor("one-network").Steps.SelectMany(step => step.Changes), change => change is { Setting: "Password", To: "studio", IsSecret: true });

    [Fact]
    public void A_cable_to_a_garden_building_bears_its_caution() =>
        Assert.Contains(OrderFor("one-network").Steps.First(step => step.Kind == StepKind.PlugCable).Cautions, caution => caution.Contains("lightning", StringComparison.Ordinal));

    [Fact, Trait("source", "common practice, no source")]
    public void Who_receives_the_line_is_powered_after_the_gateway_with_the_waits_between()
    {
        var found = Examples.House("passthrough-to-nobody");
        var order = Orders.Trade(found, new Altrin.Core.Actions.SetPassthroughTarget("gw", "second").Apply(found));
        Assert.Empty(order.Gaps);
        Assert.Equal([("Both off", 120), ("Gateway on", 240), ("Router on", 180)],
            order.Steps.Where(step => step.Phase.StartsWith("Power", StringComparison.Ordinal)).Select(step => (step.Short, step.WaitSeconds!.Value)));
    }

    [Fact]
    public void Where_chance_picks_a_box_its_page_is_named_by_the_address_at_which_it_answers()
    {
        var found = Examples.House("hawthorn-farm");
        var planned = new Altrin.Core.Actions.SetUplink("eastsat", found.FindDevice("eastsat")!.Uplink! with { Near = "main" }).Apply(found);
        Assert.All(Orders.Trade(found, planned).Steps, step => Assert.DoesNotContain(step.Expect, reading => reading.Value.EndsWith("//", StringComparison.Ordinal)));
    }

    [Fact]
    public void Powerline_bears_the_caution_of_the_mains_and_a_loft_that_of_the_ladder()
    {
        var found = Examples.House("hawthorn-farm");
        var cautions = Orders.Trade(new Altrin.Core.Actions.UnplugCable("c5").Apply(new Altrin.Core.Actions.UnplugCable("c6").Apply(found)), found)
            .Steps.SelectMany(step => step.Cautions).ToList();
        Assert.Contains(cautions, caution => caution.Contains("licensed electrician", StringComparison.Ordinal));
        Assert.Contains(cautions, caution => caution.Contains("ladder", StringComparison.Ordinal));
    }

    [Fact]
    public void The_laptop_sits_at_the_box_it_proves_and_gives_its_socket_up_where_the_plan_needs_it()
    {
        var order = OrderFor("kept-apart", Examples.House("hawthorn-farm"));
        Assert.Equal("Plug your laptop into Farmhouse router LAN 2", order.Steps[0].Title);
        var plugged = order.Steps.Single(step => step.Title == "Plug Telephone adapter into Farmhouse router LAN 2");
        Assert.DoesNotContain(order.Steps.Zip(order.Steps.Skip(1)), pair => pair.First.Title == pair.Second.Title);
        var laptop = order.Steps.Take(plugged.Number - 1).Last(step => step.Title.Contains("your laptop", StringComparison.Ordinal)).Title;
        Assert.DoesNotContain("Plug your laptop into Farmhouse router LAN 2", laptop, StringComparison.Ordinal);
    }

    [Fact]
    public void Every_setting_of_a_wifi_network_that_changes_is_a_row_of_its_step()
    {
        var box = Demo.Devices.First(one => one.Wifi.Length > 0);
        var planned = Demo.WithDevice(box.Id, one => one with { Wifi = one.Wifi.SetItem(0, one.Wifi[0] with { WidthMHz = 40, Vlan = 20, Guest = true, Broadcast = false }) });
        Assert.Equal(["Width at 2.4 GHz", "VLAN at 2.4 GHz", "For guests at 2.4 GHz", "Name shown at 2.4 GHz"], Orders.Trade(Demo, planned).Steps.SelectMany(step => step.Changes).Select(change => change.Setting));
    }

    [Fact]
    public void A_caution_stands_only_where_it_is_true()
    {
        const string Cut = "From here on the box gives your laptop no address. That is meant: do this last.";
        var alone = OrderFor("one-network").Steps.Single(step => step.Short == "DHCP off");
        var amongOthers = OrderFor("kept-apart", Examples.House("hawthorn-farm")).Steps.Single(step => step.Short == "DHCP off");
        Assert.Contains(Cut, alone.Cautions);
        Assert.DoesNotContain(Cut, amongOthers.Cautions);
        // Of plain repeating it speaks where a box is made a repeater, or told whom to repeat, and nowhere else.
        Assert.All(OrderFor("kept-apart", Examples.House("hawthorn-farm")).Steps.Where(step => step.Cautions.Any(caution => caution.Contains("WISP", StringComparison.Ordinal))),
            step => Assert.Contains(step.Actions, action => action is SetUplink or SetMode { Mode: DeviceMode.Repeater }));
    }

    [Fact]
    public void Keys_of_steps_are_the_same_in_every_run_and_all_different()
    {
        var keys = OrderFor("one-network").Steps.Select(step => step.Key).ToList();
        Assert.Equal(keys, OrderFor("one-network").Steps.Select(step => step.Key));
        Assert.Equal(keys.Count, keys.Distinct().Count());
    }

    [Fact]
    public void Nothing_planned_is_nothing_to_do() => Assert.Empty(Orders.Trade(Demo, Demo).Steps);

    /// <summary>Two random houses share the ids of their boxes and things, and a thing of the one may be a box of the other.</summary>
    [Fact]
    public void Any_two_houses_give_an_order_or_a_gap()
    {
        MutationRun.Skips("WorkOrders");
        var (proven, gaps) = (0, 0);
        for (var seed = 1; seed <= 400; seed++)
        {
            var (found, planned) = (Houses.Make(seed, Enum.GetValues<DeviceMode>()), Houses.Make(seed + 1, Enum.GetValues<DeviceMode>()));
            if (seed % 3 == 0 && !planned.Devices.Any(box => box.Id == "e0")) planned = Swapped(planned);
            var order = Orders.Trade(found, planned);
            if (order.IsProven)
            {
                proven++;
                Follow(found, planned, order);
            }
            else gaps++;
        }
        Assert.True(proven > 10 && gaps > 20, $"{proven} proven, {gaps} with gaps");

        static NetworkDocument Swapped(NetworkDocument house) => Examples.Read(AltrinJson.Write(house).Replace("\"b0\"", "\"x\"").Replace("\"e0\"", "\"b0\"").Replace("\"x\"", "\"e0\""));
    }

    public static IEnumerable<TheoryDataRow<string, InstallerAction[]>> Planned()
    {
        Device Box(string id, DeviceMode mode = DeviceMode.Router) => new()
        {
            Id = id,
            Name = id,
            Mode = mode,
            Supports = [DeviceMode.Router, DeviceMode.Repeater, DeviceMode.Passthrough],
            Ports = [new() { Id = "wan", Role = PortRole.Wan }, new() { Id = "lan1", Role = PortRole.Lan }],
            Radios = [new() { Id = "2g", Band = Band.Ghz24 }],
            Lan = new() { Address = InterfaceAddress.Parse("192.168.9.1/24") },
        };
        yield return new("two boxes, one near the other", [new AddDevice(Box("r1")), new AddDevice(Box("r2")), new SetUplink("r1", new() { Radio = "2g", Ssid = "home", Near = "r2" })]);
        yield return new("a gateway that hands on to a box yet to come", [new AddDevice(Box("g", DeviceMode.Passthrough)), new AddDevice(Box("r2")), new SetPassthroughTarget("g", "r2")]);
        yield return new("a box of the name of a thing", [new RemoveEndpoint("printer"), new AddDevice(Box("printer"))]);
        yield return new("a thing of the name of a box", [new RemoveDevice("studio"), new AddEndpoint(new() { Id = "studio", Name = "Studio" })]);
        yield return new("another box at the line", [new AddDevice(Box("new")), new SetLine(new() { Device = "new", Port = "wan" }), new RemoveDevice("gw")]);
    }

    [Theory, MemberData(nameof(Planned))]
    public void What_was_answered_by_an_error_is_an_order_or_a_gap(string what, InstallerAction[] actions)
    {
        var planned = actions.Apply(Demo);
        Assert.NotEqual(AltrinJson.Write(Demo), AltrinJson.Write(planned));
        var order = Orders.Trade(Demo, planned);
        Assert.False(order.Steps.IsEmpty, what);
        if (order.IsProven) Follow(Demo, planned, order);
        else Assert.All(order.Gaps, gap => Assert.Matches("[a-z]{3,}", gap.Says));
    }

    [Theory]
    [InlineData("DNS servers given", "192.0.2.53, 192.0.2.54")]
    [InlineData("Lease time", "2 hours")]
    [InlineData("DNS servers", "192.0.2.1")]
    [InlineData("UPnP", "off")]
    public void Whatever_is_planned_otherwise_is_a_row_of_a_step(string setting, string to)
    {
        InstallerAction action = setting switch
        {
            "DNS servers given" => new SetLeaseDns("gw") { Servers = [Ipv4Address.Parse("192.0.2.53"), Ipv4Address.Parse("192.0.2.54")] },
            "Lease time" => new SetLeaseTime("gw", 120),
            "DNS servers" => new SetWanDns("gw") { Servers = [Ipv4Address.Parse("192.0.2.1")] },
            _ => new SetFeature("gw", BoxFeature.Upnp, false),
        };
        var order = Orders.Trade(Demo, action.Apply(Demo));
        Assert.True(order.IsProven, string.Join("; ", order.Gaps));
        Assert.Contains(order.Steps.SelectMany(step => step.Changes), change => change.Setting == setting && change.To == to);
    }

    /// <summary>Name servers to be seen on the laptop are those it is given in the house as the step leaves it, whoever gives them.</summary>
    [Fact]
    public void Name_servers_to_be_seen_are_those_the_laptop_is_given()
    {
        MutationRun.Skips("WorkOrders");
        var seen = 0;
        for (var seed = 1; seed <= 200; seed++)
        {
            var found = Houses.Make(seed, Enum.GetValues<DeviceMode>());
            foreach (var box in found.Devices)
            {
                var action = new SetLeaseDns(box.Id) { Servers = [Ipv4Address.Parse("192.0.2.53")] };
                if (action.Problem(found) is not null) continue;
                var house = found;
                foreach (var step in Orders.Trade(found, action.Apply(found)).Steps)
                {
                    house = step.Actions.Apply(house);
                    foreach (var said in step.Readings.OfType<DnsReading>())
                    {
                        seen++;
                        var given = Assert.Single(Expected.Of(Simulator.Run(house), Laptop.Id).OfType<DnsReading>());
                        Assert.True(Expected.Matches(said, given), $"house {seed}, {box.Name}: {string.Join(", ", said.Servers)} said, {string.Join(", ", given.Servers)} given");
                        Assert.Contains(step.Cautions, caution => caution.Contains("until it asks again"));
                    }
                }
            }
        }
        Assert.True(seen > 50, $"only {seen} readings");
    }

    /// <summary>Every setting of the catalogue that differs and is no mere record is a step, or a gap that is said.</summary>
    [Fact]
    public void No_order_is_proven_that_leaves_work_out()
    {
        MutationRun.Skips("WorkOrders");
        for (var seed = 1; seed <= 300; seed++)
        {
            var found = Houses.Make(seed, Enum.GetValues<DeviceMode>());
            var box = found.Devices[seed % found.Devices.Length];
            var other = Houses.Make(seed + 1000, Enum.GetValues<DeviceMode>()).Devices[0];
            var planned = HouseCheck.Read(found.WithDevice(box.Id, one => other with { Id = one.Id, Ports = one.Ports, Radios = one.Radios, PassthroughTo = one.PassthroughTo, Name = one.Name })).Document!;
            var order = Orders.Trade(found, planned);
            var done = order.Steps.SelectMany(step => step.Actions).Apply(found);
            var left = Difference.Between(Laptop.Away(done), planned);
            var isAllDone = left.Left.IsEmpty && left.All.All(action => action.IsRecord(done));
            Assert.True(isAllDone || !order.IsProven, $"house {seed}: proven, and leaves {string.Join(", ", left.All.Select(action => action.Say(done)))} {string.Join(", ", left.Left.Select(one => one.Setting.Name))}");
            Assert.DoesNotContain(order.Steps.SelectMany(step => step.Actions), action => action is ConfigureDevice);
        }
    }

    [Fact]
    public void A_forward_that_is_planned_otherwise_is_another_step_and_loses_its_tick()
    {
        string Key(int toPort) => Assert.Single(Orders.Trade(Demo, new SetForward("gw", new() { Protocol = TransportProtocol.Tcp, Port = 8443, ToAddress = Ipv4Address.Parse("192.168.31.20"), ToPort = toPort }).Apply(Demo)).Steps,
            step => step.Actions.Any(action => action is SetForward)).Key;
        Assert.NotEqual(Key(443), Key(444));
        string Vlans(int tag) => Assert.Single(Orders.Trade(Demo, new SetPortVlan("gw", "lan4") { Tagged = [tag] }.Apply(Demo)).Steps, step => step.Actions.Any(action => action is SetPortVlan)).Key;
        Assert.NotEqual(Vlans(20), Vlans(30));
    }

    [Fact]
    public void An_order_to_any_other_house_ends_there_or_says_that_it_does_not()
    {
        var proven = 0;
        for (var seed = 1; seed <= 300; seed++)
        {
            var found = Houses.Make(seed, seed % 2 == 0 ? Enum.GetValues<DeviceMode>() : null);
            var planned = Altrin.Core.Tests.Actions.ActionTests.OneOfEach.Where((_, i) => (seed + i) % 5 == 0).Apply(found);
            var order = Orders.Trade(found, planned);
            if (!order.IsProven) continue;
            proven++;
            Follow(found, Laptop.Away(planned), order);
        }
        Assert.True(proven > 100, $"only {proven} orders were proven");
    }
}
