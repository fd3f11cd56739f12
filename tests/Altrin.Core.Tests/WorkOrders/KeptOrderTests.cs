using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Tests.Planning;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Search;

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
        Kept($"{job}-reset", OrderText.Of(OrderWays.Of(house, Best(house)).Reset, house));
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
        Kept($"{name}-reset", OrderText.Of(WorkOrderWriter.Write(house, planned), house));
    }

    private static void Kept(string name, string text)
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
