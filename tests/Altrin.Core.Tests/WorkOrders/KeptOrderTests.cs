using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Tests.Planning;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.Tests.WorkOrders;

/// <summary>Orders kept as they were read and found right by somebody who does this work, word for word: what a change does to them is seen, and read again.</summary>
public class KeptOrderTests
{
    private static NetworkDocument Best(NetworkDocument house) => PlanSearch.Run(house, PlanSearch.UsualBudget, TestContext.Current.CancellationToken).Plans()[0].House;

    [Theory, MemberData(nameof(JobPlanTests.Jobs), MemberType = typeof(JobPlanTests))]
    public void Of_every_job(string job)
    {
        var house = JobPlanTests.Job(job);
        Kept(job, OrderText.Of(OrderWays.Of(house, Best(house)).Best, house));
    }

    [Theory]
    [InlineData("access-point")]
    [InlineData("lan-to-lan")]
    [InlineData("wds")]
    [InlineData("modem-mode")]
    [InlineData("pass-through")]
    [InlineData("satellite-by-radio")]
    public void With_a_reset_first(string job)
    {
        var house = JobPlanTests.Job(job);
        Kept($"{job}-reset", OrderText.Of(Orders.Trade(house, Best(house)), house));
    }

    [Theory]
    [InlineData("access-point", "no-socket", Hands.NoSocket)]
    [InlineData("repeater", "phone", Hands.Phone)]
    [InlineData("modem-mode", "phone", Hands.Phone)]
    public void Without_a_socket(string job, string with, Hands hands)
    {
        var house = JobPlanTests.Job(job);
        house = house with { Devices = [.. house.Devices.Select(box => box.Id == "gw" ? box : box with { Wifi = [.. box.Wifi.Select(network => network with { Security = WifiSecurity.Open, Key = null })] })] };
        Kept($"{job}-{with}", OrderText.Of(OrderWays.Of(house, Best(house), hands).Best, house, hands));
    }

    [Theory]
    [InlineData("lan-to-lan")]
    [InlineData("two-houses")]
    public void Back_again(string job)
    {
        var house = JobPlanTests.Job(job);
        var best = Best(house);
        Kept($"{job}-back", OrderText.Of(OrderWays.Of(best, house).Best, best));
    }

    [Theory]
    [InlineData("lan-to-lan")]
    [InlineData("wds")]
    [InlineData("modem-mode")]
    public void Where_something_else_was_seen(string job)
    {
        var house = JobPlanTests.Job(job);
        Kept($"{job}-otherwise", OrderText.Otherwise(OrderWays.Of(house, Best(house)).Best));
    }

    /// <summary>After a page was lost: the box is reset, the line is not proved again, and steps are other steps than before.</summary>
    [Fact]
    public void After_a_turn()
    {
        var house = Examples.House("larkspur-house");
        Kept("larkspur-turn", OrderText.Of(OrderWays.Of(house, Best(house), course: new(1, ["studio"], ProvesLine: false, house)).Best, house));
    }

    public static IEnumerable<TheoryDataRow<string, string, InstallerAction[]>> Changes()
    {
        yield return new("farm-things", "hawthorn-farm",
        [
            new RemoveEndpoint("printer"), new SwitchPower("eastsat", false), new SetRadioPower("main", "5g", 17), new UnplugCable("c5"),
        ]);
        yield return new("larkspur-names", "larkspur-house",
        [
            new SetLeaseDns("gw") { Servers = [Ipv4Address.Parse("192.0.2.53")] }, new SetPortVlan("gw", "lan4") { Tagged = [20] }, new ChangeAdminPassword("studio"), new RemoveDevice("studio"),
        ]);
        yield return new("larkspur-settings", "larkspur-house",
        [
            new ChangeAdminPassword("gw"), new SetWanDns("gw") { Servers = [Ipv4Address.Parse("192.0.2.1")] }, new SetLeaseTime("gw", 120),
            new ReserveAddress("gw", MacAddress.Parse("00:00:5E:00:53:13"), Ipv4Address.Parse("192.168.31.60")),
            new SetForward("gw", new() { Protocol = TransportProtocol.Tcp, Port = 8443, ToAddress = Ipv4Address.Parse("192.168.31.60") }),
        ]);
        yield return new("larkspur-cables", "larkspur-house",
        [
            new MoveCableEnd("c1", new("gw", "lan3"), new("gw", "lan4")),
            new SetEndpointAddress("printer", new() { Method = EndpointMethod.Dhcp }),
            new ConnectEndpoint("studio-tablet", new Attachment.Join { Ssid = "larkspur", Security = WifiSecurity.Wpa2, Key = "home" }),
            new AddEndpoint(new() { Id = "radio", Name = "Kitchen radio", Connect = Attachment.To(new("gw", "lan3")) }),
        ]);
        var house = Examples.House("larkspur-house");
        var attic = house.FindDevice("studio")! with
        {
            Id = "attic",
            Name = "Attic access point",
            Mac = MacAddress.Parse("00:00:5E:00:53:77"),
            Mode = DeviceMode.Router,
            Room = null,
            Wifi = [.. house.FindDevice("studio")!.Wifi.Select(network => network with { Ssid = "larkspur", Key = "home" })],
        };
        yield return new("larkspur-new-boxes", "larkspur-house",
        [
            new AddDevice(attic), new SetLanAddress("attic", InterfaceAddress.Parse("192.168.31.4/24")), new TurnOffDhcpServer("attic"),
            new PlugCable(new() { Id = "c8", A = new("gw", "lan4"), B = new("attic", "lan1") }),
            new AddDevice(new() { Id = "shelf", Name = "Shelf switch", Supports = [DeviceMode.Switch], Mode = DeviceMode.Switch, Ports = [.. "abc".Select(letter => new Port { Id = $"{letter}", Role = PortRole.Lan })] }),
            new PlugCable(new() { Id = "c9", A = new("attic", "lan2"), B = new("shelf", "a") }),
            new AddEndpoint(new() { Id = "radio", Name = "Kitchen radio", Connect = Attachment.To(new("shelf", "b")) }),
        ]);
        yield return new("larkspur-no-wants", "larkspur-house",
        [
            .. house.Needs.Select(need => new RemoveNeed(need.Id)),
            new ConnectEndpoint("studio-tablet", new Attachment.Join { Ssid = "larkspur", Security = WifiSecurity.Wpa2, Key = "home" }),
        ]);
        yield return new("larkspur-no-act", "larkspur-house",
        [
            new ConfigureDevice(house.FindDevice("gw")! with { DefaultPassword = true }), new ChangeAdminPassword("studio"),
        ]);
        yield return new("farm-password", "hawthorn-farm", [new ChangeAdminPassword("pantry"), new ChangeAdminPassword("main")]);
        yield return new("larkspur-no-line", "larkspur-house", [new RemoveLine(), new SetLeaseTime("gw", 120)]);
        yield return new("larkspur-line", "larkspur-house",
        [
            new UnplugCable("c1"), new SetLine(Examples.House("larkspur-house").Line! with { Device = "studio", Port = "wan" }),
        ]);
    }

    [Theory, MemberData(nameof(Changes))]
    public void Of_changes_that_no_plan_makes(string name, string example, InstallerAction[] actions)
    {
        var house = Examples.House(example);
        var planned = house;
        foreach (var action in actions)
        {
            Assert.Null(action.Problem(planned));
            planned = action.Apply(planned);
        }
        Kept(name, OrderText.Of(OrderWays.Of(house, planned).Best, house));
        Kept($"{name}-reset", OrderText.Of(Orders.Trade(house, planned), house));
    }

    /// <summary>A rate that was measured before, a label that asks for another hold and another start.</summary>
    [Fact]
    public void Of_what_a_label_and_a_measurement_say()
    {
        var house = JobPlanTests.Job("access-point");
        house = house.WithDevice("r2", box => box with { Label = (box.Label ?? new()) with { ResetHoldSeconds = 7, RebootSeconds = 150 } }) with
        {
            Measured = [new() { Id = "m1", Room = "study", Mbps = 40, At = "2026-11-20" }],
        };
        var ways = OrderWays.Of(house, Best(house));
        Kept("access-point-measured", OrderText.Of(ways.Keep!, house));
        Kept("access-point-measured-reset", OrderText.Of(ways.Reset, house));
    }

    /// <summary>A box that was off: on first, then its page.</summary>
    [Fact]
    public void Of_a_box_that_was_off()
    {
        var house = new SwitchPower("studio", false).Apply(Examples.House("larkspur-house"));
        var planned = new SwitchPower("studio", true).Apply(house);
        planned = new SetWifi("studio", 0, planned.FindDevice("studio")!.Wifi[0] with { Ssid = "larkspur", Key = "home" }).Apply(planned);
        Kept("larkspur-off", OrderText.Of(OrderWays.Of(house, planned).Best, house));
        Kept("larkspur-off-reset", OrderText.Of(Orders.Trade(house, planned), house));
    }

    /// <summary>Of two that are to have each other's address one goes aside for the time of the work.</summary>
    [Fact]
    public void Of_two_things_that_change_addresses()
    {
        var house = Best(Examples.House("larkspur-house"));
        var (printer, heating) = (house.FindEndpoint("printer")!, house.FindEndpoint("heating")!);
        var planned = new SetEndpointAddress("printer", heating.Address).Apply(new SetEndpointAddress("heating", printer.Address).Apply(house));
        Kept("larkspur-addresses-changed-over", OrderText.Of(OrderWays.Of(house, planned).Best, house));
    }

    /// <summary>A router and the repeater on its Wi-Fi change addresses: the repeater goes aside, nobody but the router's restart cuts anybody off.</summary>
    [Fact]
    public void Of_two_boxes_that_are_to_have_each_others_address()
    {
        var house = Best(JobPlanTests.Job("repeater"));
        var (router, repeater) = (house.FindDevice("gw")!, house.FindDevice("rep")!);
        var planned = house.WithDevice("gw", box => box with { Lan = box.Lan! with { Address = repeater.Lan!.Address } }).WithDevice("rep", box => box with { Lan = box.Lan! with { Address = router.Lan!.Address } });
        Kept("repeater-addresses-changed-over", OrderText.Of(OrderWays.Of(house, planned).Best, house));
    }

    /// <summary>A new cable beside an old one closes a loop: the old one is out first, and that is why.</summary>
    [Fact]
    public void Of_one_cable_in_the_place_of_another()
    {
        var house = Best(JobPlanTests.Job("lan-to-lan"));
        var old = house.Cables.Single(cable => cable.A.Device == "gw" && cable.B.Device == "r2");
        var planned = new PlugCable(new() { Id = "new", A = new("gw", "lan4"), B = new("r2", "lan4") }).Apply(new UnplugCable(old.Id).Apply(house));
        Kept("lan-to-lan-other-cable", OrderText.Of(OrderWays.Of(house, planned).Best, house));
    }

    internal static void Kept(string name, string text)
    {
        var file = Path.Combine(Examples.Root, "tests", "documents", "orders", $"{name}.txt");
        if (Environment.GetEnvironmentVariable("ALTRIN_WRITE_DOCS") is { Length: > 0 })
        {
            Directory.CreateDirectory(Path.GetDirectoryName(file)!);
            File.WriteAllText(file, text);
        }
        Assert.True(File.Exists(file), $"{file} is missing: write it with ALTRIN_WRITE_DOCS=1, read it, keep it.");
        Assert.Equal(File.ReadAllText(file), text);
    }
}
