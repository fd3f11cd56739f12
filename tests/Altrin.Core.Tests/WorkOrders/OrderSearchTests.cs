using System.Text.Json;
using System.Text.Json.Nodes;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Formats;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Readings;
using Altrin.Core.Simulation;
using Altrin.Core.Tests.Planning;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Proof;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.Tests.WorkOrders;

/// <summary>Orders by search: every step is simulated, no clash comes, nobody is locked out, and the household is cut off the least.</summary>
public class OrderSearchTests
{
    private static JsonObject Printed(OrderWays proven)
    {
        using var bytes = new MemoryStream();
        using (var json = new Utf8JsonWriter(bytes)) OrderWriter.Write(proven, json);
        return JsonNode.Parse(bytes.ToArray())!.AsObject();
    }

    private static NetworkDocument Best(NetworkDocument house) => PlanSearch.Run(house, PlanSearch.UsualBudget, TestContext.Current.CancellationToken).Plans()[0].House;

    [Theory, MemberData(nameof(JobPlanTests.Jobs), MemberType = typeof(JobPlanTests))]
    public void Every_job_has_an_order_without_a_gap_and_a_second_reader_finds_no_clash(string job)
    {
        var house = JobPlanTests.Job(job);
        Follow(house, Best(house));
    }

    /// <summary>Undone by its reverse the house is as it was found.</summary>
    [Theory, MemberData(nameof(JobPlanTests.Jobs), MemberType = typeof(JobPlanTests))]
    public void There_is_an_order_back(string job)
    {
        var house = JobPlanTests.Job(job);
        var best = Best(house);
        // A password of one's own is not undone into the one on the label.
        if (house.Devices.Any(box => box.DefaultPassword == true)) return;
        var back = OrderWays.Of(best, house);
        Assert.Empty(back.Best.Gaps);
    }

    private static void Follow(NetworkDocument from, NetworkDocument to)
    {
        var proven = OrderWays.Of(from, to);
        Assert.Empty(proven.Best.Gaps);
        var order = Printed(proven);
        var was = PlainClashes.In(JsonNode.Parse(AltrinJson.WriteCompact(Laptop.Away(from)))!);
        foreach (var step in order["steps"]!.AsArray())
        {
            Assert.True(!PlainClashes.In(step!["after"]!).Except(was).Any(), $"{step["title"]}: {string.Join(", ", PlainClashes.In(step["after"]!).Except(was))}{Environment.NewLine}{step["after"]!.ToJsonString()}");
            if (step["open"] is not { } open) continue;
            var state = Simulator.Run(DocumentReader.Read(step["before"]!.ToJsonString()).Document!);
            Assert.Contains(state.House.Devices, box => state.Admin(Laptop.Id, box.Id) is { Reachable: Answer.Yes } page && $"http://{page.Address}" == (string)open!);
        }
    }

    /// <summary>A box from the table is set, carried to its room and only then plugged in there; the admin password is changed while somebody is on the page.
    /// Common practice, no source.</summary>
    [Fact]
    public void A_box_from_the_table_is_carried_before_it_is_plugged_in()
    {
        var house = Examples.House("millrace-terrace");
        // The first way that puts a box from the table into another room.
        var plan = PlanSearch.Run(house, PlanSearch.UsualBudget, TestContext.Current.CancellationToken).Plans()
            .First(way => way.House.Devices.Zip(house.Devices).Any(pair => pair.First.Room != pair.Second.Room)).House;
        var order = OrderWays.Of(house, plan);
        Assert.Empty(order.Best.Gaps);
        var carried = order.Best.Steps.SelectMany(step => step.Actions.OfType<CarryDevice>().Select(carry => (step.Number, carry.Device))).ToList();
        Assert.NotEmpty(carried);
        foreach (var (number, device) in carried)
            Assert.DoesNotContain(order.Best.Steps.Take(number - 1), step => step.Actions.OfType<PlugCable>().Any(plug => plug.Cable.A.Device == device || plug.Cable.B.Device == device));
        foreach (var step in order.Best.Steps.Where(step => step.Actions is [ChangeAdminPassword] && step.Number > 1))
            Assert.Equal(step.Device, order.Best.Steps[step.Number - 2].Device);
    }

    /// <summary>What is known to go wrong does: common practice, no source.</summary>
    [Fact]
    public void A_box_plugged_in_before_it_has_an_address_of_its_own_clashes()
    {
        var house = JobPlanTests.Job("access-point").WithDevice("r2", box => box with { Lan = box.Lan!.MovedTo(InterfaceAddress.Parse("192.168.8.1/24")) });
        var plugged = new PlugCable(new() { Id = "c", A = new("gw", "lan2"), B = new("r2", "lan1") }).Apply(house);
        Assert.NotEmpty(Clashes.Keys(Simulator.Run(plugged)));
        Assert.NotEmpty(PlainClashes.In(JsonNode.Parse(AltrinJson.WriteCompact(plugged))!));
        // The order found for the same house readdresses it first.
        Follow(house, Best(house));
    }

    [Fact]
    public void Dhcp_off_first_locks_an_automatic_laptop_out_and_the_order_does_it_after_the_address()
    {
        var house = JobPlanTests.Job("lan-to-lan");
        var off = new TurnOffDhcpServer("r2").Apply(new PlugLaptop(new("r2", "lan2")).Apply(house));
        Assert.NotEqual(Answer.Yes, Simulator.Run(off).Admin(Laptop.Id, "r2").Reachable);
        var steps = OrderWays.Of(house, Best(house)).Best.Steps;
        var (address, server) = (steps.ToList().FindIndex(step => step.Actions.Any(one => one is SetLanAddress)), steps.ToList().FindIndex(step => step.Actions.Any(one => one is TurnOffDhcpServer)));
        Assert.InRange(address, 0, server);
    }

    [Fact]
    public void The_household_is_cut_off_for_less_than_by_the_scripted_order()
    {
        var house = Examples.House("larkspur-house");
        var plan = Best(house);
        var best = OrderWays.Of(house, plan);
        Assert.InRange(best.BestCutMinutes, 1, 6);
        Assert.True(best.Best.Minutes < Orders.Trade(house, plan).Minutes);
    }

    [Theory]
    [InlineData(Hands.NoSocket)]
    [InlineData(Hands.Phone)]
    public void Without_a_socket_everything_is_set_over_the_air_and_no_key_over_an_open_network(Hands hands)
    {
        foreach (var job in new[] { "access-point", "repeater", "modem-mode", "lan-to-lan" })
        {
            var house = JobPlanTests.Job(job);
            // As many are sold: open until somebody gives them a key.
            house = house with { Devices = [.. house.Devices.Select(box => box.Id == "gw" ? box : box with { Wifi = [.. box.Wifi.Select(network => network with { Security = WifiSecurity.Open, Key = null })] })] };
            if (job == "lan-to-lan") house = JobPlanTests.Job(job);
            var order = OrderWays.Of(house, Best(house), hands);
            Assert.Empty(order.Best.Gaps);
            Assert.DoesNotContain(order.Best.Steps, step => step.Actions.Any(action => action is PlugLaptop));
            foreach (var step in order.Best.Steps.Where(step => step.Open is not null && step.Actions.Any(action => action is SetWifi { Network.Key: "home" })))
                Assert.NotEqual(WifiSecurity.Open, Assert.IsType<Attachment.Join>(step.Before!.FindEndpoint(Laptop.Id)!.Connect).Security ?? WifiSecurity.Open);
        }
    }

    [Theory]
    [InlineData("wds", "Make Barn router a WDS bridge")]
    [InlineData("lan-to-lan", "Make Old router an access point")]
    public void An_order_is_called_what_it_does(string job, string title) => Assert.Equal(title, OrderWays.Of(JobPlanTests.Job(job), Best(JobPlanTests.Job(job))).Best.Title);

    /// <summary>The page, the options and the command line propose the same one.</summary>
    [Theory, MemberData(nameof(JobPlanTests.Jobs), MemberType = typeof(JobPlanTests))]
    public void The_way_that_is_proposed_cuts_nobody_off_longer_than_the_other(string job)
    {
        var (house, plan) = (JobPlanTests.Job(job), Best(JobPlanTests.Job(job)));
        var ways = OrderWays.Of(house, plan);
        Assert.Empty(ways.Best.Gaps);
        if (ways.Reset.Gaps.IsEmpty) Assert.True(ways.Best.CutMinutes(house) <= ways.Reset.CutMinutes(house));
        Assert.Equal(ways.Best.Steps.Length, OrderWays.Of(house, plan).Best.Steps.Length);
    }

    [Fact]
    public void The_same_houses_give_the_same_order()
    {
        var house = JobPlanTests.Job("chain-of-three");
        var plan = Best(house);
        Assert.Equal(OrderWays.Of(house, plan).Best.Steps.Select(step => step.Key), OrderWays.Of(house, plan).Best.Steps.Select(step => step.Key));
    }

    /// <summary>A box that restarts carries nobody's traffic meanwhile, though before and after it does: played with its plug out, everybody behind it is counted.</summary>
    [Theory, MemberData(nameof(JobPlanTests.Jobs), MemberType = typeof(JobPlanTests))]
    public void Whoever_sits_behind_a_box_that_restarts_is_cut_off_meanwhile(string job)
    {
        var house = JobPlanTests.Job(job);
        var order = OrderWays.Of(house, Best(house)).Best;
        var had = Online(house);
        var minutes = 0.0;
        foreach (var step in order.Steps)
        {
            var now = Online(step.After!);
            var restarts = step.Actions.Select(action => action switch { Restart restart => restart.Device, BoxSetting set => set.Device, CarryDevice carried => carried.Device, _ => null }).OfType<string>();
            var meanwhile = step.WaitSeconds is null ? now : step.Phase.StartsWith("Power", StringComparison.Ordinal) ? [] : Online(restarts.Distinct().Aggregate(Unplugged(step), (one, box) => new SwitchPower(box, false).Apply(one)));
            if (had.Except(now).Any() || had.Except(meanwhile).Any()) minutes += step.Minutes;
            // Who is cut off for that time alone is told before it begins; who waits for his cable to go back in knows.
            foreach (var name in now.Intersect(had).Except(meanwhile).Where(name => step.Actions is not [PlugCable] || Online(step.Before!).Contains(name)))
                Assert.Contains(step.After!.NameOf(name), step.Meanwhile);
        }
        Assert.Equal((int)Math.Ceiling(minutes), order.CutMinutes(house));
        if (job is "modem-mode" or "pass-through" or "tunnel") Assert.True(minutes >= 3, $"{minutes} min");

        // A link that has to come up first carries nothing.
        static NetworkDocument Unplugged(WorkStep step) => step.Actions switch
        {
            [PlugCable plug] => step.After! with { Cables = step.After!.Cables.RemoveAll(one => one.Id == plug.Cable.Id) },
            [MoveCableEnd move] => step.After! with { Cables = step.After!.Cables.RemoveAll(one => one.Id == move.Cable) },
            _ => step.After!,
        };

        static List<string> Online(NetworkDocument house) => Simulator.Run(house) is var state
            ? [.. house.Endpoints.Where(thing => thing.Id != Laptop.Id && state.Internet(thing.Id).Reachable == Answer.Yes).Select(thing => thing.Id)] : [];
    }

    /// <summary>The provider keeps to the first box it saw: a modem and the router behind it are powered in turn, as with pass-through. Common practice, no source.</summary>
    [Theory]
    [InlineData("modem-mode")]
    [InlineData("pass-through")]
    [InlineData("main-box-replaced")]
    public void Who_receives_the_line_is_powered_after_the_gateway_and_its_outside_address_is_looked_at(string job)
    {
        var house = JobPlanTests.Job(job);
        var order = OrderWays.Of(house, Best(house)).Best;
        var turn = order.Steps.Where(step => step.Phase == "Power, in this order").ToList();
        Assert.Equal([120, 240, 180], turn.Select(step => step.WaitSeconds!.Value));
        Assert.Contains(turn[2].Expect, seen => seen.Reading.EndsWith(", outside", StringComparison.Ordinal) && seen.Value.StartsWith("the line’s own address", StringComparison.Ordinal));
        // What was seen on the line once is what shows there again, at the same box.
        var known = house with { Line = house.Line! with { Seen = new() { Address = InterfaceAddress.Parse("198.51.100.20/24"), Gateway = Ipv4Address.Parse("198.51.100.1") } } };
        Assert.Contains(OrderWays.Of(known, Best(known)).Best.Steps.SelectMany(step => step.Expect), seen => seen.Value == "198.51.100.20");
        Assert.DoesNotContain(OrderWays.Of(known, Best(known)).Best.Steps.Single(step => step.Short == "Router on").Expect, seen => seen.Value == "198.51.100.20");
        Assert.Contains(Printed(OrderWays.Of(known, Best(known)))["steps"]!.AsArray().SelectMany(step => step!["expect"]!.AsArray()), one => (string)one!["reading"]! == "wan-address" && (string)one["value"]! == "198.51.100.20");
    }

    /// <summary>Proved where a thing would be: with an address that the house gives it, before the box is carried and in its place.</summary>
    [Theory]
    [InlineData("repeater", 2)]
    [InlineData("wds", 1)]
    [InlineData("wireless-bridge", 1)]
    [InlineData("powerline", 1)]
    public void A_box_that_joins_is_proved_at_itself_by_automatic_addressing(string job, int times)
    {
        var house = JobPlanTests.Job(job);
        var order = OrderWays.Of(house, Best(house)).Best;
        var proofs = order.Steps.Where(step => step.Kind is StepKind.ProveBox or StepKind.ProveWifi).ToList();
        Assert.Equal(times, proofs.Count);
        Assert.All(proofs, step => Assert.EndsWith("automatic", step.Laptop, StringComparison.Ordinal));
        Assert.All(proofs, step => Assert.Contains(step.Expect, seen => seen is { Reading: "internet", Value: "works" }));
        if (times < 2) return;
        var carried = order.Steps.First(step => step.Actions.Any(action => action is CarryDevice)).Number;
        Assert.True(proofs[0].Number < carried && carried < proofs[1].Number);
    }

    /// <summary>Two radios have a name, a password and a channel each: a row says whose.</summary>
    [Theory, MemberData(nameof(JobPlanTests.Jobs), MemberType = typeof(JobPlanTests))]
    public void No_two_rows_of_a_step_are_called_the_same(string job)
    {
        var house = JobPlanTests.Job(job);
        var ways = OrderWays.Of(house, Best(house));
        foreach (var step in ways.Best.Steps)
            Assert.Equal(step.Changes.Select(change => change.Setting).Distinct(), step.Changes.Select(change => change.Setting));
    }

    /// <summary>What comes into the list of networks and goes from it, by a second look at the printed houses: a name that some box sends and shows, in use or on the table.</summary>
    [Theory, MemberData(nameof(JobPlanTests.Jobs), MemberType = typeof(JobPlanTests))]
    public void Names_that_come_and_go_are_among_what_must_be_seen(string job)
    {
        var house = JobPlanTests.Job(job);
        foreach (var step in Printed(OrderWays.Of(house, Best(house)))["steps"]!.AsArray())
        {
            var seen = step!["expect"]!.AsArray().ToLookup(one => (string)one!["reading"]!, one => (string)one!["value"]!);
            if (!step["actions"]!.AsArray().Any(action => (string)action!["do"]! is "set-wifi")) continue;
            var (before, after) = (Sent(step["before"]!), Sent(step["after"]!));
            Assert.Equal(after.Except(before).Order(), seen["ssid"].Order());
            Assert.Equal(before.Except(after).Order(), seen["ssid-gone"].Order());
        }

        static HashSet<string> Sent(JsonNode house) => [.. house["devices"]!.AsArray().Where(box => (string)box!["mode"]! is not ("modem" or "passthrough" or "client-bridge" or "switch") && (bool?)box["off"] != true)
            .SelectMany(box => (box!["wifi"]?.AsArray() ?? []).Where(one => (bool?)one!["enabled"] != false && (bool?)one["broadcast"] != false).Select(one => (string)one!["ssid"]!))];
    }

    /// <summary>What tells clashes apart: of three servers on one network each two are one, and each names its own.</summary>
    [Fact]
    public void Of_three_servers_on_one_network_each_two_are_a_clash_of_their_own()
    {
        var house = JobPlanTests.Job("chain-of-three");
        var servers = house.Devices.Select((box, i) => box with { Mode = DeviceMode.Router, Lan = new() { Address = InterfaceAddress.Parse($"192.168.8.{i + 1}/24"), DhcpServer = new() { Enabled = true, Start = Ipv4Address.Parse($"192.168.8.{i + 1}0"), End = Ipv4Address.Parse($"192.168.8.{i + 1}9"), LeaseMinutes = 60 } } }).ToList();
        string Lan(int box, int place) => servers[box].Ports.Where(port => port.Role == PortRole.Lan).ElementAt(place).Id;
        house = house with
        {
            Devices = [.. servers],
            Endpoints = [],
            Needs = [],
            Cables = [new() { Id = "a", A = new(servers[0].Id, Lan(0, 0)), B = new(servers[1].Id, Lan(1, 0)) }, new() { Id = "b", A = new(servers[1].Id, Lan(1, 1)), B = new(servers[2].Id, Lan(2, 0)) }],
        };
        var clashes = Clashes.In(Simulator.Run(house)).Where(clash => clash.Sentence.Contains("would give out addresses on one network", StringComparison.Ordinal)).ToList();
        Assert.Equal(3, clashes.Select(clash => clash.Key).Distinct().Count());
        Assert.All(clashes, clash => Assert.Equal(2, servers.Count(box => clash.Sentence.Contains(box.Name, StringComparison.Ordinal))));
    }

    /// <summary>Two things that change their addresses with each other hold one of them together for a moment: the trade's own order says it, and the search has one of
    /// them go aside.</summary>
    [Fact]
    public void Neither_way_brings_a_clash_where_two_things_change_addresses()
    {
        Endpoint Thing(string id, string name, string port, string address) => new() { Id = id, Name = name, Connect = Attachment.To(new("gw", port)), Address = EndpointAddress.Fixed(InterfaceAddress.Parse(address), Ipv4Address.Parse("192.168.31.1")) };
        var house = Examples.House("larkspur-house");
        house = house with { Endpoints = [Thing("one", "First camera", "lan1", "192.168.31.10/24"), Thing("two", "Second camera", "lan2", "192.168.31.11/24")], Needs = [] };
        var planned = new SetEndpointAddress("two", house.Endpoints[0].Address).Apply(new SetEndpointAddress("one", house.Endpoints[1].Address).Apply(house));
        var ways = OrderWays.Of(house, planned);
        Assert.Empty(ways.Best.Gaps);
        Assert.Same(ways.Keep, ways.Best);
        Assert.Empty(ways.Reset.Gaps);
    }

    /// <summary>With a phone in hand nothing is said of a laptop, and nothing is plugged.</summary>
    [Theory, MemberData(nameof(JobPlanTests.Jobs), MemberType = typeof(JobPlanTests))]
    public void An_order_for_a_phone_speaks_of_a_phone(string job)
    {
        var house = JobPlanTests.Job(job);
        if (Orders.Kept(house, Best(house), Hands.Phone) is not { Steps.IsEmpty: false } order) return;
        Assert.All(order.Steps, step =>
        {
            Assert.DoesNotContain(step.Actions, action => action is PlugLaptop);
            Assert.All([step.Title, step.Short, .. step.Cautions, .. step.Expect.Select(one => one.Reading), step.Laptop ?? ""], said => Assert.DoesNotMatch("(?i)your laptop|^laptop|the laptop", said));
            Assert.DoesNotContain("Your laptop", HandsWords.Named(Hands.Phone, step.After!).Endpoints.Select(thing => thing.Name));
        });
        Assert.Contains(order.Steps[^1].Cautions, caution => caution.Contains("your phone", StringComparison.Ordinal));
        // What was set is looked at over its own Wi-Fi or over that of its network, addressed as a thing of the household is.
        foreach (var proof in order.Steps.Where(step => step.Title.StartsWith("Prove it at", StringComparison.Ordinal)))
        {
            Assert.Equal(AddressSource.Leased, Assert.Single(Expected.Address(Simulator.Run(proof.After!), Laptop.Id).Ways).Source);
            Assert.NotNull(proof.Open);
        }
    }

    [Fact]
    public void An_open_network_is_not_let_onto_the_household_s()
    {
        var house = JobPlanTests.Job("powerline");
        house = house.WithDevice("r2", box => box with { Wifi = [.. box.Wifi.Select(network => network with { Security = WifiSecurity.Open, Key = null })] });
        // As plugged in before it is set, it would be.
        Assert.Contains(Clashes.Keys(Simulator.Run(new PlugCable(new() { Id = "c", A = new("gw", "lan1"), B = new("r2", "wan") }).Apply(house))), key => key.StartsWith("open:r2", StringComparison.Ordinal));
        Follow(house, Best(house));
    }

    /// <summary>Behind its own translation too: who is inside a router reaches what is outside of it. At the street it is the house's own box being set; some kinds want the line meanwhile.</summary>
    [Theory]
    [InlineData(DeviceMode.Router, null, null, true)]
    [InlineData(DeviceMode.Modem, null, null, false)]
    [InlineData(DeviceMode.Passthrough, "r2", null, false)]
    [InlineData(DeviceMode.Passthrough, null, null, true)]
    [InlineData(DeviceMode.Router, null, "mesh-main", false)]
    public void An_open_network_behind_a_translation_is_a_clash_where_others_are_in_front_of_it(DeviceMode gateway, string? handsOnTo, string? kit, bool isClash)
    {
        var house = new HouseBuilder().Gateway("192.168.1.1/24").Box("r2", DeviceMode.Router, "192.168.2.1/24").Cable("gw:lan1", "r2:wan").House;
        house = house.WithDevice("gw", box => box with { Mode = gateway, PassthroughTo = handsOnTo })
            .WithDevice("r2", box => box with { Kit = kit, Radios = [new() { Id = "5g", Band = Band.Ghz5 }], Wifi = [new() { Radio = "5g", Ssid = "setup-5302" }] });
        Assert.Equal(isClash, Clashes.Keys(Simulator.Run(house)).Contains("open:r2:setup-5302"));
        // Not once it has a key.
        var secured = house.WithDevice("r2", box => box with { Wifi = [box.Wifi[0] with { Security = WifiSecurity.Wpa2, Key = "k" }] });
        Assert.DoesNotContain("open:r2:setup-5302", Clashes.Keys(Simulator.Run(secured)));
    }

    [Fact]
    public void A_want_of_speed_ends_with_a_measurement_there()
    {
        var house = JobPlanTests.Job("access-point");
        Assert.Contains(Orders.Kept(house, Best(house))!.Steps, step => step.Title.StartsWith("Go to Study", StringComparison.Ordinal));
    }

    private static NetworkDocument With(NetworkDocument house, params (string Thing, string Address)[] fixedAt) =>
        fixedAt.Aggregate(house, (now, one) => new SetEndpointAddress(one.Thing, EndpointAddress.Fixed(InterfaceAddress.Parse($"192.168.1.{one.Address}/24"), Ipv4Address.Parse("192.168.1.1"))).Apply(now));

    private static NetworkDocument Three() =>
        With(new HouseBuilder().Gateway("192.168.1.1/24").Thing("a", "gw:lan1").Thing("b", "gw:lan2").Thing("c", "gw:lan3"), ("a", "10"), ("b", "20"), ("c", "30"));

    /// <summary>RFC 5227 section 1: on one link no two hosts may hold one address. Of two that change places one has to go aside first.</summary>
    [Theory]
    [InlineData("20", "10", "30", 1)]       // two in a circle, one is only there
    [InlineData("20", "30", "10", 1)]       // three in a circle
    [InlineData("20", "30", "40", 0)]       // a row: who is in nobody's way goes first
    public void Things_that_want_each_others_addresses_make_room_for_one_another(string a, string b, string c, int aside)
    {
        var house = Three();
        var planned = With(house, ("a", a), ("b", b), ("c", c));
        Follow(house, planned);
        var steps = OrderWays.Of(house, planned).Best.Steps;
        Assert.Equal(aside, steps.Count(step => step.Actions is [SetEndpointAddress { Address.Method: EndpointMethod.Dhcp }]));
        Assert.Equal(aside, steps.Count(step => step.Title.EndsWith(", for now", StringComparison.Ordinal)));
    }

    [Fact]
    public void A_thing_makes_room_for_a_box_too()
    {
        var house = With(new HouseBuilder().Gateway("192.168.1.1/24").Box("ap", DeviceMode.AccessPoint, "192.168.1.2/24", dhcp: false).Cable("gw:lan1", "ap:lan1").Thing("a", "gw:lan2"), ("a", "10"));
        Follow(house, new SetLanAddress("ap", InterfaceAddress.Parse("192.168.1.10/24")).Apply(With(house, ("a", "2"))));
    }

    /// <summary>Two boxes that change places: one takes a free address of the subnet, outside every pool, for the time of the work. Joined by radio there is no plug to pull instead.</summary>
    [Theory]
    [InlineData("repeater", "rep")]
    [InlineData("wds", "r2")]
    [InlineData("access-point", "r2")]
    public void Boxes_that_want_each_others_addresses_make_room_for_one_another(string job, string other)
    {
        var house = Best(JobPlanTests.Job(job));
        var (first, second) = (house.FindDevice("gw")!.Lan!.Address!.Value, house.FindDevice(other)!.Lan!.Address!.Value);
        var planned = house.WithDevice("gw", box => box with { Lan = box.Lan! with { Address = second } }).WithDevice(other, box => box with { Lan = box.Lan! with { Address = first } });
        Follow(house, planned);
        var steps = OrderWays.Of(house, planned).Best.Steps;
        var aside = Assert.Single(steps, step => step.Title.EndsWith(" for now", StringComparison.Ordinal));
        var free = Assert.IsType<SetLanAddress>(Assert.Single(aside.Actions)).Address.Address;
        Assert.True(first.Prefix.IsUsable(free) && free != first.Address && free != second.Address);
        Assert.False(house.FindDevice("gw")!.Lan!.DhcpServer!.PoolIn(first.Prefix)!.Contains(free), $"{free} may be given to somebody.");
        Assert.DoesNotContain(steps, step => step.Actions.Any(action => action is UnplugCable));
    }
}
