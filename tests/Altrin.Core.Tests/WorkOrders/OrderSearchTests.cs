using System.Text.Json;
using System.Text.Json.Nodes;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Formats;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Simulation;
using Altrin.Core.Tests.Planning;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Search;

namespace Altrin.Core.Tests.WorkOrders;

/// <summary>Orders by search: every step is simulated, no clash comes, nobody is locked out, and the household is cut off the least.</summary>
public class OrderSearchTests
{
    private static JsonObject Printed(OrderWriter.Proven proven)
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
        var back = OrderWriter.Prove(best, house);
        Assert.Empty(back.Gaps);
    }

    private static void Follow(NetworkDocument from, NetworkDocument to)
    {
        var proven = OrderWriter.Prove(from, to);
        Assert.Empty(proven.Gaps);
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
        var order = OrderWriter.Prove(house, plan);
        Assert.Empty(order.Gaps);
        var carried = order.Order.Steps.SelectMany(step => step.Actions.OfType<CarryDevice>().Select(carry => (step.Number, carry.Device))).ToList();
        Assert.NotEmpty(carried);
        foreach (var (number, device) in carried)
            Assert.DoesNotContain(order.Order.Steps.Take(number - 1), step => step.Actions.OfType<PlugCable>().Any(plug => plug.Cable.A.Device == device || plug.Cable.B.Device == device));
        foreach (var step in order.Order.Steps.Where(step => step.Actions is [ChangeAdminPassword] && step.Number > 1))
            Assert.Equal(step.Device, order.Order.Steps[step.Number - 2].Device);
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
        var steps = OrderWriter.Prove(house, Best(house)).Order.Steps;
        var (address, server) = (steps.ToList().FindIndex(step => step.Actions.Any(one => one is SetLanAddress)), steps.ToList().FindIndex(step => step.Actions.Any(one => one is TurnOffDhcpServer)));
        Assert.InRange(address, 0, server);
    }

    [Fact]
    public void The_household_is_cut_off_for_less_than_by_the_scripted_order()
    {
        var house = Examples.House("larkspur-house");
        var plan = Best(house);
        var best = OrderWriter.Prove(house, plan);
        Assert.InRange(best.CutMinutes, 1, 6);
        Assert.True(best.Order.Minutes < WorkOrderWriter.Write(house, plan).Minutes);
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
            var order = OrderWriter.Prove(house, Best(house), hands);
            Assert.Empty(order.Gaps);
            Assert.DoesNotContain(order.Order.Steps, step => step.Actions.Any(action => action is PlugLaptop));
            foreach (var step in order.Order.Steps.Where(step => step.Open is not null && step.Actions.Any(action => action is SetWifi { Network.Key: "home" })))
                Assert.NotEqual(WifiSecurity.Open, Assert.IsType<Attachment.Join>(step.Before!.FindEndpoint(Laptop.Id)!.Connect).Security ?? WifiSecurity.Open);
        }
    }

    [Theory]
    [InlineData("wds", "Make Barn router a WDS bridge")]
    [InlineData("lan-to-lan", "Make Old router an access point")]
    public void An_order_is_called_what_it_does(string job, string title) => Assert.Equal(title, OrderWriter.Prove(JobPlanTests.Job(job), Best(JobPlanTests.Job(job))).Order.Title);

    /// <summary>The page, the options and the command line propose the same one.</summary>
    [Theory, MemberData(nameof(JobPlanTests.Jobs), MemberType = typeof(JobPlanTests))]
    public void The_way_that_is_proposed_cuts_nobody_off_longer_than_the_other(string job)
    {
        var (house, plan) = (JobPlanTests.Job(job), Best(JobPlanTests.Job(job)));
        var ways = OrderWays.Of(house, plan);
        Assert.Empty(ways.Best.Gaps);
        if (ways.Reset.Gaps.IsEmpty) Assert.True(ways.Best.CutMinutes(house) <= ways.Reset.CutMinutes(house));
        Assert.Equal(ways.Best.Steps.Length, OrderWriter.Prove(house, plan).Order.Steps.Length);
    }

    [Fact]
    public void The_same_houses_give_the_same_order()
    {
        var house = JobPlanTests.Job("chain-of-three");
        var plan = Best(house);
        Assert.Equal(OrderWriter.Prove(house, plan).Order.Steps.Select(step => step.Key), OrderWriter.Prove(house, plan).Order.Steps.Select(step => step.Key));
    }

    [Fact]
    public void A_want_of_speed_ends_with_a_measurement_there()
    {
        var house = JobPlanTests.Job("access-point");
        Assert.Contains(WorkOrderWriter.Search(house, Best(house))!.Steps, step => step.Title.StartsWith("Go to Study", StringComparison.Ordinal));
    }
}
