using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;

namespace Altrin.Core.Tests.Rules;

/// <summary>Houses that nearly break a rule and do not: the rule must hold its tongue.</summary>
public class NearMissTests
{
    private static void IsSilent(string rule, HouseBuilder house) =>
        Assert.DoesNotContain(Evaluation.Of(house).Findings, finding => finding.Rule == rule);

    private static void Speaks(string rule, HouseBuilder house) =>
        Assert.Contains(Evaluation.Of(house).Findings, finding => finding.Rule == rule);

    private static HouseBuilder WithServer(Func<DhcpServer, DhcpServer> change) => new HouseBuilder().Gateway().Thing("a", "gw:lan1")
        .With(h => h.WithDevice("gw", d => d with { Lan = d.Lan! with { DhcpServer = change(d.Lan.DhcpServer!) } }));

    [Theory]
    [InlineData("192.168.31.99", true)]         // the last before the pool
    [InlineData("192.168.31.100", false)]       // its first
    [InlineData("192.168.31.199", false)]       // its last
    [InlineData("192.168.31.200", true)]
    public void A_fixed_address_just_outside_the_pool_is_fine(string address, bool isFine)
    {
        var house = new HouseBuilder().Gateway().Thing("a", "gw:lan1", address, "192.168.31.1");
        if (isFine) IsSilent("static-in-pool", house);
        else Speaks("static-in-pool", house);
    }

    [Fact]
    public void A_fixed_address_in_the_pool_that_is_reserved_is_fine() => IsSilent("static-in-pool",
        new HouseBuilder().Gateway().Thing("a", "gw:lan1", "192.168.31.150", "192.168.31.1", "00:00:5E:00:53:20")
            .With(h => h.WithDevice("gw",
                d => d with { Lan = d.Lan! with { DhcpServer = d.Lan.DhcpServer! with { Reservations = [new() { Mac = MacAddress.Parse("00:00:5E:00:53:20"), Address = Ipv4Address.Parse("192.168.31.150") }] } } })));

    [Fact]
    public void The_same_address_on_two_networks_is_fine() => IsSilent("address-held-twice",
        new HouseBuilder().Gateway().Thing("a", "gw:lan1", "192.168.31.20", "192.168.31.1")
            .Box("r", address: "192.168.31.1/24").Thing("b", "r:lan1", "192.168.31.20", "192.168.31.1"));

    [Fact]
    public void A_server_on_each_of_two_networks_is_fine() =>
        IsSilent("two-dhcp-servers", new HouseBuilder().Gateway().Box("r").Cable("gw:lan1", "r:wan"));

    [Fact]
    public void A_server_that_keeps_silent_is_no_second_one() =>
        IsSilent("two-dhcp-servers",
            new HouseBuilder().Gateway().Box("ap", DeviceMode.AccessPoint, "192.168.31.2/24", dhcp: true).Cable("gw:lan1", "ap:lan1"));

    [Fact]
    public void A_second_router_that_does_not_translate_is_no_double_nat() =>
        IsSilent("double-nat", new HouseBuilder().Gateway().Box("r", nat: false).Cable("gw:lan1", "r:wan"));

    [Fact]
    public void A_carriers_translation_is_no_double_nat_of_the_house() =>
        IsSilent("double-nat", new HouseBuilder().Gateway(addressing: LineAddressing.Shared).Thing("a", "gw:lan1"));

    [Theory]
    [InlineData("192.168.30.1/24", true)]       // the next subnet
    [InlineData("192.168.30.1/23", false)]      // reaches over
    public void Neighbouring_subnets_do_not_overlap(string inner, bool isFine)
    {
        var house = new HouseBuilder().Gateway().Box("r", address: inner).Cable("gw:lan1", "r:wan");
        if (isFine) IsSilent("wan-lan-overlap", house);
        else Speaks("wan-lan-overlap", house);
    }

    [Fact]
    public void As_many_addresses_as_things_is_enough() =>
        IsSilent("pool-exhausted", new HouseBuilder().Box("r", pool: "100-101").Thing("a", "r:lan1").Thing("b", "r:lan2"));

    [Fact]
    public void A_pool_up_to_the_last_address_is_inside_the_subnet() =>
        IsSilent("pool-outside-subnet",
            WithServer(server => server with { Start = Ipv4Address.Parse("192.168.31.2"), End = Ipv4Address.Parse("192.168.31.254") }));

    [Fact]
    public void A_server_that_is_off_may_have_any_pool() =>
        IsSilent("pool-outside-subnet",
            WithServer(server =>
            server with { Enabled = false, Start = Ipv4Address.Parse("10.0.0.1"), End = Ipv4Address.Parse("10.0.0.9") }));

    [Fact]
    public void A_server_may_name_another_router_of_its_network_as_gateway() => IsSilent("lease-gateway-missing",
        new HouseBuilder().Gateway().Box("b", DeviceMode.Repeater, "192.168.31.2/24",
            with: d => d with { Lan = d.Lan! with { DhcpServer = d.Lan.DhcpServer! with { Gateway = Ipv4Address.Parse("192.168.31.1") } } })
            .Cable("gw:lan1", "b:lan1").Thing("a", "b:lan2"));

    [Fact]
    public void A_router_used_as_an_access_point_by_hand_is_fed_rightly_through_its_lan() =>
        IsSilent("wrong-socket",
            new HouseBuilder().Gateway().Box("old", address: "192.168.31.2/24", dhcp: false).Cable("gw:lan1", "old:lan1"));

    [Fact]
    public void An_access_point_may_be_fed_through_either_socket()
    {
        IsSilent("wrong-socket",
            new HouseBuilder().Gateway().Box("ap", DeviceMode.AccessPoint, "192.168.31.2/24").Cable("gw:lan1", "ap:wan"));
        IsSilent("wrong-socket",
            new HouseBuilder().Gateway().Box("ap", DeviceMode.AccessPoint, "192.168.31.2/24").Cable("gw:lan1", "ap:lan1"));
    }

    [Fact]
    public void A_row_of_switches_is_no_loop() =>
        IsSilent("loop",
            new HouseBuilder().Gateway().Box("s", DeviceMode.Switch, null).Box("t", DeviceMode.Switch, null).Cable("gw:lan1",
            "s:lan1").Cable("s:lan2", "t:lan1"));

    [Fact]
    public void A_thing_with_a_fixed_address_needs_no_server() =>
        IsSilent("no-dhcp-server", new HouseBuilder().Gateway(dhcp: false).Thing("a", "gw:lan1", "192.168.31.20", "192.168.31.1"));

    [Fact]
    public void A_house_without_anything_is_silent()
    {
        Assert.Empty(Evaluation.Of(new NetworkDocument { Name = "Empty" }).Findings);
        Assert.Empty(Evaluation.Of(new HouseBuilder().Gateway()).Findings);
    }

    [Fact]
    public void A_thousand_findings_are_answered_in_bounded_time()
    {
        MutationRun.Skips("it goes by the clock");
        var house = new HouseBuilder().Gateway("10.0.0.1/24");
        for (var i = 1; i <= 1000; i++) house.Box($"r{i}",
            address: $"10.{i >> 8}.{i & 255}.1/24").Cable($"{(i == 1 ? "gw" : $"r{i - 1}")}:lan1", $"r{i}:wan");
        var evaluation = Evaluation.Of(house);
        Assert.Equal(1000, evaluation.Findings.Count(finding => finding.Rule == "double-nat"));
        var start = ThreadClock.Now;
        foreach (var finding in evaluation.Findings) evaluation.ProvenFixes(finding);
        Assert.True(evaluation.LeftFixesOut);
        Assert.InRange(ThreadClock.Now - start, TimeSpan.Zero, TimeSpan.FromSeconds(20));
    }
}
