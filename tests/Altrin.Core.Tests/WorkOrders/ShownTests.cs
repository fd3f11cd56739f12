using Altrin.Core.Actions;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Readings;
using Altrin.Core.Tests.Planning;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Otherwise;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.Tests.WorkOrders;

/// <summary>What a terminal shows, held against what a step said: which adapter speaks, what kind of address it has, what a ping tells.</summary>
public class ShownTests
{
    private static NetworkDocument Best(NetworkDocument house) => PlanSearch.Run(house, PlanSearch.UsualBudget, TestContext.Current.CancellationToken).Plans()[0].House;

    private static WorkStep Step(string job, Func<WorkStep, bool> which, Hands hands = Hands.Laptop)
    {
        var house = JobPlanTests.Job(job);
        return OrderWays.Of(house, Best(house), hands).Best.Steps.First(which);
    }

    private static string Adapter(string name, string address, string gateway = "", string dns = "") => $"""
        {name}:

           DHCP Enabled. . . . . . . . . . . : Yes
           IPv4 Address. . . . . . . . . . . : {address}(Preferred)
           Subnet Mask . . . . . . . . . . . : 255.255.255.0
           Default Gateway . . . . . . . . . : {gateway}
           DNS Servers . . . . . . . . . . . : {dns}

        """;

    private static string Windows(params string[] adapters) => $"Windows IP Configuration\n\n{string.Join('\n', adapters)}";

    private static Compared Row(Comparison comparison, string reading) => Assert.Single(comparison.Rows, row => row.Reading == reading);

    [Theory]
    [InlineData(Hands.Laptop, "laptop address", "192.168.8.77")]
    [InlineData(Hands.NoSocket, "laptop address", "192.168.8.66")]
    [InlineData(Hands.Phone, "phone address", "192.168.8.66")]
    public void The_adapter_speaks_by_which_the_step_has_the_laptop_on_the_network(Hands hands, string reading, string expected)
    {
        var step = Step("repeater", one => one.Title.StartsWith("Prove that the line", StringComparison.Ordinal), hands);
        var wifi = Adapter("Wireless LAN adapter Wi-Fi", "192.168.8.66", "192.168.8.1");
        var cable = Adapter("Ethernet adapter Ethernet", "192.168.8.77", "192.168.8.1");
        foreach (var text in new[] { Windows(wifi, cable), Windows(cable, wifi) })
            Assert.Contains(expected, Row(Comparison.Of(step, text, hands), reading).Seen, StringComparison.Ordinal);
    }

    [Fact]
    public void An_address_that_it_gave_itself_is_that_nobody_gives_one_out()
    {
        var step = Step("wds", one => one.Readings.OfType<AddressReading>().Any(reading => reading.Ways is [{ Source: AddressSource.LinkLocal }]));
        Assert.True(Row(Comparison.Of(step, Windows(Adapter("Ethernet adapter Ethernet", "169.254.17.3"))), "laptop address").IsAsSaid);
        Assert.False(Row(Comparison.Of(step, Windows(Adapter("Ethernet adapter Ethernet", "192.168.8.101"))), "laptop address").IsAsSaid);
    }

    [Theory]
    [InlineData("192.0.2.53", true)]
    [InlineData("192.168.31.1", false)]
    public void Name_servers_that_were_to_be_seen_are_looked_for(string shown, bool isAsSaid)
    {
        var house = Examples.House("larkspur-house");
        var planned = new SetLeaseDns("gw") { Servers = [Ipv4Address.Parse("192.0.2.53")] }.Apply(house);
        var step = Orders.Trade(house, planned).Steps.Single(one => one.Readings.OfType<DnsReading>().Any());
        Assert.Equal(isAsSaid, Row(Comparison.Of(step, Windows(Adapter("Ethernet adapter Ethernet", "192.168.31.104", "192.168.31.1", shown))), "DNS servers").IsAsSaid);
        Assert.Null(Row(Comparison.Of(step, Windows(Adapter("Ethernet adapter Ethernet", "192.168.31.104", "192.168.31.1"))), "DNS servers").IsAsSaid);
    }

    /// <summary>Whoever answers out there answers over the line; whoever answers in the house says nothing of it.</summary>
    [Theory]
    [InlineData("203.0.113.9", 4, true)]
    [InlineData("203.0.113.9", 0, false)]
    [InlineData("192.168.8.1", 4, null)]
    public void A_ping_over_the_line_is_the_internet(string target, int received, bool? isAsSaid)
    {
        var step = Step("repeater", one => one.Title.StartsWith("Prove that the line", StringComparison.Ordinal));
        var text = $"""
            PING {target} ({target}) 56(84) bytes of data.

            --- {target} ping statistics ---
            4 packets transmitted, {received} received, {(4 - received) * 25}% packet loss, time 3004ms
            """;
        Assert.Equal(isAsSaid, Row(Comparison.Of(step, text), "internet").IsAsSaid);
    }

    /// <summary>A box that took another number keeps the size of its subnet.</summary>
    [Fact]
    public void An_address_of_its_own_accord_is_taken_with_the_prefix_that_was_set()
    {
        var house = Examples.House("larkspur-house");
        var planned = new SetLanAddress("gw", InterfaceAddress.Parse("192.168.31.5/25")).Apply(house);
        var order = OrderWays.Of(house, planned).Best;
        var step = order.Steps.First(one => one.Actions.OfType<SetLanAddress>().Any());
        var taken = Assert.Single(Meaning.Of(order, step.Key, new(SeenInstead.OtherAddress, Ipv4Address.Parse("192.168.31.9")), new HashSet<string>()), one => one.Key == "took-it");
        Assert.Equal(InterfaceAddress.Parse("192.168.31.9/25"), taken.House!.FindDevice("gw")!.Lan!.Address);
    }

    /// <summary>What the kind of box is known to show first is said, not what boxes show in general.</summary>
    [Fact]
    public void The_way_past_a_first_page_is_that_of_its_kind()
    {
        var kind = KitShelf.All.First(one => one.SetUp.Past is not null);
        var house = JobPlanTests.Job("access-point").WithDevice("r2", box => box with { Kit = kind.Kit, DefaultPassword = true });
        var order = OrderWays.Of(house, Best(house)).Best;
        var step = order.Steps.First(one => one.Device == "r2" && one.Open is not null);
        var first = Assert.Single(Meaning.Of(order, step.Key, new(SeenInstead.AsksFirst), new HashSet<string>()), one => one.Key == "first-page");
        Assert.Contains(kind.SetUp.Past!, first.Then, StringComparison.Ordinal);
    }

    /// <summary>A cable is the same from either end: who receives the line is powered after the gateway.</summary>
    [Theory]
    [InlineData("modem-mode")]
    [InlineData("pass-through")]
    public void A_cable_written_from_its_other_end_gives_the_same_power_order(string job)
    {
        var house = JobPlanTests.Job(job);
        static NetworkDocument Turned(NetworkDocument one) => one with { Cables = [.. one.Cables.Select(cable => cable with { A = cable.B, B = cable.A })] };
        var best = Best(house);
        static IEnumerable<string> Power(WorkOrder order) => order.Steps.Where(step => step.Phase.StartsWith("Power", StringComparison.Ordinal)).Select(step => step.Title);
        var steps = Power(OrderWays.Of(house, best).Best).ToList();
        Assert.Equal(3, steps.Count);
        Assert.Equal(steps, Power(OrderWays.Of(Turned(house), Turned(best)).Best));
    }
}
