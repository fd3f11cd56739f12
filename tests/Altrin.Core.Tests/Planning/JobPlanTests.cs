using Altrin.Core.Documents;
using Altrin.Core.Formats;
using Altrin.Core.Network;
using Altrin.Core.Planning;

namespace Altrin.Core.Tests.Planning;

/// <summary>A house for each job of the trade, with what a master would make of it. Common practice, no source.</summary>
public class JobPlanTests
{
    internal static NetworkDocument Job(string name)
    {
        var read = DocumentReader.Read(File.ReadAllText(Path.Combine(Examples.Root, "tests", "documents", "jobs", $"{name}.json")));
        Assert.Empty(read.Problems);
        return read.Document!;
    }

    [Theory]
    [InlineData("access-point", "Second router as access point")]
    [InlineData("access-point-by-hand", "Old router as access point by hand")]
    [InlineData("repeater", "Plug-in repeater as repeater")]
    [InlineData("wds", "Barn router as WDS partner")]
    [InlineData("wireless-bridge", "Garage bridge as wireless bridge")]
    [InlineData("satellite-by-cable", "Satellite as satellite by cable")]
    [InlineData("satellite-by-radio", "Satellite as satellite by radio")]
    [InlineData("lan-to-lan", "Old router as access point by hand")]
    [InlineData("kept-apart", "As it is joined, set right")]
    [InlineData("modem-mode", "Hall gateway in modem mode, Own router the router")]
    [InlineData("pass-through", "Hall gateway passes the line through to Own router")]
    [InlineData("gateway-left-alone", "Own router as access point")]
    [InlineData("chain-of-three", "Middle router and Far router as access point")]
    [InlineData("two-houses", "Cottage router as access point")]
    [InlineData("switch-in-study", "Switch as switch")]
    [InlineData("main-box-replaced", "Hall gateway in modem mode, New router the router")]
    [InlineData("tunnel", "As it is joined, set right")]
    [InlineData("powerline", "Workshop point as access point")]
    [InlineData("own-names", "Second router as access point")]
    public void The_best_plan_is_what_a_master_would_do_and_holds_every_want(string job, string title)
    {
        var found = PlanSearch.Of(Job(job));
        var best = found.Plans[0];
        Assert.Equal(title, best.Title);
        Assert.Equal(best.House.Needs.Length, best.WantsHeld);
        Assert.Equal(0, best.Faults);
        Assert.True(found.IsExact);
        Assert.Empty(found.Conflicts);
    }

    /// <summary>A WAN socket that a mode has made one of the LAN is the last that a thing is plugged into.</summary>
    [Fact]
    public void A_thing_goes_into_a_lan_socket_where_one_is_free() =>
        Assert.Equal("lan1", PlanSearch.Of(Job("wds")).Plans[0].House.FindEndpoint("cam")!.Connect!.Socket!.Port);

    [Fact]
    public void Behind_a_gateway_that_only_routes_the_port_is_let_in_at_both_or_by_the_dmz_host()
    {
        var found = PlanSearch.Of(Job("dmz-host"));
        Assert.Equal(2, found.Plans[0].WantsHeld);
        // The other way of the trade stands beside it, with what is against it.
        var dmz = found.Plans.Single(plan => plan.Title == "Own router behind Hall gateway as its DMZ host");
        Assert.True(dmz.Rank > found.Plans[0].Rank);
        Assert.NotEmpty(dmz.Why);
        var (outer, inner) = (found.Plans[0].House.FindDevice("gw")!, found.Plans[0].House.FindDevice("r2")!);
        Assert.NotEmpty(outer.PortForwards);
        Assert.NotEmpty(inner.PortForwards);
        Assert.Equal(Ipv4Address.Parse("192.168.1.50"), inner.PortForwards[0].ToAddress);
    }

    [Theory]
    [InlineData("no-mode-no-cable", "Lay a cable from Hall to Study.")]
    [InlineData("shared-line", "Ask the provider for a public address of the line’s own.")]
    public void What_cannot_be_had_is_said_with_a_mend_that_was_planned(string job, string mend)
    {
        var conflict = Assert.Single(PlanSearch.Of(Job(job)).Conflicts);
        Assert.Equal(mend, conflict.Mend);
        Assert.Single(conflict.Needs);
    }

    [Fact]
    public void Wants_that_exclude_one_another_are_found_together_and_no_larger_than_needed()
    {
        var house = Job("modem-mode");
        house = house with { Needs = [.. house.Needs, new Need.OneName { Id = "one" }, new Need.OwnNames { Id = "own" }, new Need.KeepName { Id = "a", Ssid = "a" }] };
        // Both boxes on the air: one name for all and a name a box cannot both be.
        house = house.WithDevice("gw", box => box with { Supports = [DeviceMode.Router], MustUse = true, LeaveAsFound = true });
        var conflicts = PlanSearch.Of(house).Conflicts;
        Assert.All(conflicts, one => Assert.InRange(one.Needs.Length, 1, 3));
        // None is part of another.
        Assert.DoesNotContain(conflicts, one => conflicts.Any(other => other != one && other.Needs.All(need => one.Needs.Contains(need))));
    }

    /// <summary>Law: what is planned is what is wanted; planning it anew changes nothing (without buying).</summary>
    [Theory, MemberData(nameof(Jobs))]
    public void The_planned_house_is_its_own_best_plan(string job)
    {
        var best = PlanSearch.Of(Job(job)).Plans[0];
        var again = PlanSearch.Of(best.House).Plans[0];
        Assert.Equal(AltrinJson.WriteCompact(best.House), AltrinJson.WriteCompact(again.House));
        Assert.Equal("As it is", again.Title);
    }

    /// <summary>Law: what boxes are called and what their ids are decides nothing.</summary>
    [Theory, MemberData(nameof(Jobs))]
    public void Boxes_named_otherwise_give_the_same_rank(string job)
    {
        var json = AltrinJson.WriteCompact(Job(job));
        var renamed = DocumentReader.Read(json.Replace("\"r2\"", "\"x9\"", StringComparison.Ordinal).Replace("Hall gateway", "Zed", StringComparison.Ordinal)).Document!;
        Assert.Equal(PlanSearch.Of(Job(job)).Plans[0].Rank, PlanSearch.Of(renamed).Plans[0].Rank);
    }

    /// <summary>Law: one more box on the table, or one more run, never makes the best plan worse.</summary>
    [Theory, MemberData(nameof(Jobs))]
    public void A_box_or_a_run_more_is_never_worse(string job)
    {
        var house = Job(job);
        var best = PlanSearch.Of(house);
        var richer = house with { Runs = house.Runs.Add(new() { Id = "more", A = "hall", B = "loft", Category = "cat6", Laid = true }) };
        Assert.True(PlanSearch.Of(richer).Plans[0].Rank <= best.Plans[0].Rank);
        var box = new Device { Id = "spare", Name = "Spare switch", Mode = DeviceMode.Switch, Supports = [DeviceMode.Switch], Ports = [new() { Id = "p1", Role = PortRole.Lan }, new() { Id = "p2", Role = PortRole.Lan }], Room = "hall" };
        Assert.True(PlanSearch.Of(house with { Devices = house.Devices.Add(box) }).Plans[0].Rank <= best.Plans[0].Rank);
    }

    /// <summary>Every plan that is shown keeps to what the house allows, seen by code that shares nothing with the search.</summary>
    [Theory, MemberData(nameof(Jobs))]
    public void No_plan_lays_a_cable_without_a_way_or_takes_a_mode_that_a_box_has_not(string job)
    {
        var house = Job(job);
        foreach (var plan in PlanSearch.Of(house).Plans)
        {
            Assert.Null(HouseCheck.WhyNot(plan.House));
            foreach (var box in plan.House.Devices)
            {
                // What is bought came out of its carton.
                if (house.FindDevice(box.Id) is not { } was) continue;
                Assert.True(box.Mode == was.Mode || was.Supports.Contains(box.Mode), box.Id);
                if (was.LeaveAsFound == true) Assert.Equal(AltrinJson.WriteCompact(house with { Devices = [was] }), AltrinJson.WriteCompact(house with { Devices = [box] }));
            }
            foreach (var cable in plan.House.Cables)
            {
                string? Room(string device) => plan.House.FindDevice(device)!.Room;
                var (a, b) = (Room(cable.A.Device), Room(cable.B.Device));
                Assert.True(house.FindCable(cable.Id) is not null || (a is not null && a == b)
                    || house.Runs.Any(run => run.Medium == cable.Medium && ((run.A == a && run.B == b) || (run.A == b && run.B == a))), $"{cable.Id}: {a} to {b}");
            }
            // A socket holds one plug.
            var plugs = plan.House.Cables.SelectMany(cable => new[] { cable.A, cable.B }).Concat(plan.House.Endpoints.Select(thing => thing.Connect?.Socket).OfType<Socket>()).Append(plan.House.Line!.Socket).ToList();
            Assert.Equal(plugs.Count, plugs.Distinct().Count());
        }
    }

    public static TheoryData<string> Jobs() => [.. Names()];

    internal static IEnumerable<NetworkDocument> AllJobs() => Names().Select(Job);

    private static IEnumerable<string> Names() =>
        Directory.GetFiles(Path.Combine(Examples.Root, "tests", "documents", "jobs"), "*.json").Select(file => Path.GetFileNameWithoutExtension(file)!).Order();

    /// <summary>What the command line prints is what was found.</summary>
    [Fact]
    public void Purchases_and_conflicts_are_printed()
    {
        var house = Job("access-point");
        house = house with { Runs = [house.Runs[0] with { Laid = false }] };
        var found = PlanSearch.Of(house);
        Assert.IsType<Purchase.Cable>(Assert.Single(found.Plans[0].Buys));
        Assert.True(found.Plans[0].House.Runs[0].Laid);
        using var bytes = new MemoryStream();
        using (var json = new System.Text.Json.Utf8JsonWriter(bytes)) PlansWriter.Write(house, found, 5, json);
        var printed = System.Text.Json.Nodes.JsonNode.Parse(bytes.ToArray())!;
        Assert.Equal("cable", (string)printed["plans"]![0]!["buys"]![0]!["what"]!);
        Assert.Equal(18, (double)printed["plans"]![0]!["buys"]![0]!["lengthM"]!);
    }

    [Fact]
    public void Where_nothing_at_hand_will_do_one_box_is_bought_and_stands_where_the_ranking_puts_it()
    {
        var house = Job("repeater");
        var found = PlanSearch.Of(house with { Devices = [house.Devices[0]] });
        // It holds more wants than any plan without it.
        var bought = found.Plans[0];
        Assert.All(found.Plans.Skip(1), plan => Assert.Empty(plan.Buys));
        Assert.StartsWith("It holds “", bought.Why, StringComparison.Ordinal);
        var box = Assert.IsType<Purchase.Box>(Assert.Single(bought.Buys));
        Assert.Equal(2, bought.WantsHeld);
        Assert.Equal(box.Kit, Assert.Single(bought.House.Devices, one => house.FindDevice(one.Id) is null).Kit);
        Assert.Contains("kit", AltrinJson.WriteCompact(bought.House), StringComparison.Ordinal);
        var sockets = Job("switch-in-study");
        var study = PlanSearch.Of(sockets with { Devices = [sockets.Devices[0]] }).Plans.Single(plan => !plan.Buys.IsEmpty);
        Assert.Equal(new Purchase.Box("switch-5", "study"), Assert.Single(study.Buys));
    }
}
