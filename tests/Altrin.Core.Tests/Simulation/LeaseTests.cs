using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Simulation;

/// <summary>Section 3, rule 2 of the format, sentence by sentence.</summary>
public class LeaseTests
{
    private static string? Address(NetworkState state, string thing) => state.Net(thing)!.Address?.Address.ToString();

    [Fact]
    public void The_lowest_free_address_is_given_in_document_order()
    {
        var state = new HouseBuilder().Gateway().Thing("a", "gw:lan1").Thing("b", "gw:lan2").State;
        Assert.Equal(("192.168.31.100", "192.168.31.101"), (Address(state, "a"), Address(state, "b")));
        Assert.Equal("192.168.31.1", state.Net("a")!.Candidates[0].Gateway.ToString());
    }

    [Fact]
    public void Router_wans_ask_first_then_management_addresses_then_endpoints()
    {
        var state = new HouseBuilder().Gateway().Thing("a", "gw:lan1")
            .Box("ap", DeviceMode.AccessPoint, with: d => d with { Lan = new() { Method = LanMethod.Dhcp } }).Cable("gw:lan2", "ap:lan1")
            .Box("r").Cable("gw:lan3", "r:wan").State;
        Assert.Equal("192.168.31.100", state.Wan("r")!.Address!.Value.Address.ToString());
        Assert.Equal("192.168.31.101", state.Lan("ap")!.Address!.Value.Address.ToString());
        Assert.Equal("192.168.31.102", Address(state, "a"));
    }

    [Fact, Trait("source", "RFC 2131 section 4.3.1")]
    public void A_server_never_gives_its_own_a_reserved_or_a_static_address_nor_network_or_broadcast()
    {
        var state = new HouseBuilder().Box("r", address: "192.168.1.2/29", pool: "0-7")
            .With(h => h.WithDevice("r", d => d with { Lan = d.Lan! with { DhcpServer = d.Lan.DhcpServer! with { Reservations = [new() { Mac = MacAddress.Parse("00:00:5E:00:53:09"), Address = Ipv4Address.Parse("192.168.1.3") }] } } }))
            .Thing("fixed", "r:lan1", "192.168.1.1/29").Thing("a", "r:lan2").Thing("b", "r:lan3").Thing("c", "r:lan4").Thing("d", "r:lan5").State;
        Assert.Equal(["192.168.1.4", "192.168.1.5", "192.168.1.6"], new[] { "a", "b", "c" }.Select(id => Address(state, id)));
        Assert.Equal(LeaseOutcome.LinkLocal, state.Net("d")!.Outcome);
    }

    [Theory]
    [InlineData("192.168.31.20", "192.168.31.20")]      // outside the pool
    [InlineData("192.168.31.150", "192.168.31.150")]    // inside the pool
    [InlineData("192.168.77.20", "192.168.31.100")]     // outside the subnet: ignored
    public void A_reservation_wins_over_the_pool_if_it_lies_in_the_subnet(string reserved, string got)
    {
        const string Mac = "00:00:5E:00:53:20";
        var state = new HouseBuilder().Gateway().Thing("a", "gw:lan1", mac: Mac)
            .With(h => h.WithDevice("gw", d => d with { Lan = d.Lan! with { DhcpServer = d.Lan.DhcpServer! with { Reservations = [new() { Mac = MacAddress.Parse(Mac), Address = Ipv4Address.Parse(reserved) }] } } })).State;
        Assert.Equal(got, Address(state, "a"));
    }

    [Theory]
    [InlineData(DeviceMode.Router, "b:wan")]
    [InlineData(DeviceMode.AccessPoint, "b:lan1")]
    public void The_mac_of_a_router_is_its_wans_and_of_any_other_box_its_managements(DeviceMode mode, string plug)
    {
        const string Mac = "00:00:5E:00:53:21";
        var state = new HouseBuilder().Gateway().Box("b", mode, with: d => d with { Mac = MacAddress.Parse(Mac), Lan = mode == DeviceMode.Router ? d.Lan : new() { Method = LanMethod.Dhcp } }).Cable("gw:lan1", plug)
            .With(h => h.WithDevice("gw", d => d with { Lan = d.Lan! with { DhcpServer = d.Lan.DhcpServer! with { Reservations = [new() { Mac = MacAddress.Parse(Mac), Address = Ipv4Address.Parse("192.168.31.20") }] } } })).State;
        Assert.Equal("192.168.31.20/24", (mode == DeviceMode.Router ? state.Wan("b") : state.Lan("b"))!.Address.ToString());
    }

    [Theory]
    [InlineData("192.168.1.100", "192.168.1.199")]      // outside
    [InlineData("192.168.31.200", "192.168.32.10")]     // partly outside
    public void A_pool_outside_or_partly_outside_the_subnet_silences_the_server(string start, string end)
    {
        var state = new HouseBuilder().Gateway().Thing("a", "gw:lan1")
            .With(h => h.WithDevice("gw", d => d with { Lan = d.Lan! with { DhcpServer = d.Lan.DhcpServer! with { Start = Ipv4Address.Parse(start), End = Ipv4Address.Parse(end) } } })).State;
        Assert.Empty(state.Servers.Where(server => server.Device == "gw"));
        Assert.Equal(LeaseOutcome.LinkLocal, state.Net("a")!.Outcome);
    }

    [Fact, Trait("source", "RFC 3927 section 2.1")]
    public void Where_nobody_answers_a_thing_gives_itself_a_link_local_address_and_a_wan_stays_without()
    {
        var state = new HouseBuilder().Box("s", DeviceMode.Switch, null).Box("r").Cable("s:lan1", "r:wan").Thing("a", "s:lan2").Thing("b", "s:lan3").Thing("loose", null).State;
        Assert.True(AddressRanges.LinkLocal.Contains(state.Net("a")!.Address!.Value.Address));
        Assert.Equal(LeaseOutcome.None, state.Wan("r")!.Outcome);
        Assert.Equal(LeaseOutcome.None, state.Net("loose")!.Outcome);
        Assert.Equal(Answer.Yes, state.Reach("a", "b").Reachable);
        Assert.Equal(Answer.No, state.Internet("a").Reachable);
    }

    [Theory, Trait("source", "RFC 3927 section 2.1")]
    [InlineData(true, LeaseOutcome.LinkLocal)]
    [InlineData(false, LeaseOutcome.None)]
    public void A_management_address_that_nobody_gives_is_link_local_and_one_of_a_box_plugged_in_nowhere_is_none(bool plugged, LeaseOutcome outcome)
    {
        var house = new HouseBuilder().Box("ap", DeviceMode.AccessPoint, with: d => d with { Lan = new() { Method = LanMethod.Dhcp } });
        Assert.Equal(outcome, (plugged ? house.Thing("a", "ap:lan1") : house).State.Lan("ap")!.Outcome);
    }

    [Fact]
    public void A_shortage_is_no_race_the_first_that_ask_get_the_addresses()
    {
        var state = new HouseBuilder().Box("r", pool: "100-101").Thing("a", "r:lan1").Thing("b", "r:lan2").Thing("c", "r:lan3").State;
        Assert.Equal([LeaseOutcome.Leased, LeaseOutcome.Leased, LeaseOutcome.LinkLocal], new[] { "a", "b", "c" }.Select(id => state.Net(id)!.Outcome));
    }

    [Fact]
    public void Two_servers_on_a_segment_make_a_race_with_both_as_candidates()
    {
        var state = new HouseBuilder().Gateway().Box("rogue", address: "192.168.31.2/24", pool: "50-60").Cable("gw:lan1", "rogue:lan1").Thing("a", "gw:lan2").State;
        Assert.Equal(LeaseOutcome.Contested, state.Net("a")!.Outcome);
        Assert.Equal(["192.168.31.100 gw", "192.168.31.50 rogue"], state.Net("a")!.Candidates.Select(c => $"{c.Address!.Value.Address} {c.Server}"));
        Assert.Equal(Answer.Sometimes, state.Internet("a").Reachable);
    }

    [Fact]
    public void When_every_candidate_gives_the_same_answer_that_is_the_answer()
    {
        var state = new HouseBuilder().Gateway().Box("rogue", address: "192.168.31.2/24", pool: "50-60",
            with: d => d with { Lan = d.Lan! with { DhcpServer = d.Lan.DhcpServer! with { Gateway = Ipv4Address.Parse("192.168.31.1") } } })
            .Cable("gw:lan1", "rogue:lan1").Thing("a", "gw:lan2").State;
        Assert.Equal((LeaseOutcome.Contested, Answer.Yes), (state.Net("a")!.Outcome, state.Internet("a").Reachable));
    }

    [Fact]
    public void Two_servers_at_one_address_may_leave_a_client_with_nothing()
    {
        var state = new HouseBuilder().Gateway().Box("twin", address: "192.168.31.1/24").Cable("gw:lan1", "twin:lan1").Thing("a", "gw:lan2").State;
        Assert.Equal(LeaseOutcome.Contested, state.Net("a")!.Outcome);
        Assert.Contains(state.Net("a")!.Candidates, candidate => candidate.Address is null);
    }

    [Theory]
    [InlineData(DeviceMode.AccessPoint)]
    [InlineData(DeviceMode.Switch)]
    [InlineData(DeviceMode.MeshSatellite)]
    [InlineData(DeviceMode.Modem)]
    public void Some_modes_run_no_server_whatever_the_document_says(DeviceMode mode) =>
        Assert.Empty(new HouseBuilder().Box("b", mode).State.Servers);

    [Fact]
    public void A_box_whose_own_address_comes_by_dhcp_runs_no_server() =>
        Assert.DoesNotContain(new HouseBuilder().Box("b", DeviceMode.Repeater, with: d => d with { Lan = d.Lan! with { Method = LanMethod.Dhcp } }).State.Servers, s => s.Device == "b");

    [Fact]
    public void A_modem_hands_through_as_many_addresses_as_the_provider_gives()
    {
        var state = new HouseBuilder().Gateway(mode: DeviceMode.Modem, addresses: 1).Box("r1").Box("r2").Cable("gw:lan1", "r1:wan").Cable("gw:lan2", "r2:wan").State;
        Assert.Equal("203.0.113.10/24", state.Wan("r1")!.Address.ToString());
        Assert.Equal("isp", state.Wan("r1")!.Candidates[0].Server);
        Assert.Equal(LeaseOutcome.None, state.Wan("r2")!.Outcome);
    }

    [Theory, Trait("source", "RFC 6598 (shared addresses), RFC 5737 (public ones in examples)")]
    [InlineData(LineAddressing.Public, "203.0.113.10/24")]
    [InlineData(LineAddressing.Shared, "100.64.0.10/24")]
    public void The_line_gives_out_from_ten_on(LineAddressing addressing, string got) =>
        Assert.Equal(got, new HouseBuilder().Gateway(addressing: addressing).State.Wan("gw")!.Address.ToString());

    [Theory]
    [InlineData(HandOff.Pppoe, WanMethod.Pppoe, true)]
    [InlineData(HandOff.Pppoe, WanMethod.Dhcp, false)]
    [InlineData(HandOff.Dhcp, WanMethod.Pppoe, false)]
    [InlineData(HandOff.Static, WanMethod.Dhcp, false)]
    public void A_line_answers_only_the_way_it_is_handed_off(HandOff handOff, WanMethod method, bool works)
    {
        var state = new HouseBuilder().Gateway(handOff: handOff).Thing("a", "gw:lan1")
            .With(h => h.WithDevice("gw", d => d with { Wan = new() { Method = method } })).State;
        Assert.Equal(works ? Answer.Yes : Answer.No, state.Internet("a").Reachable);
    }

    [Theory]
    [InlineData("198.51.100.22/30", "198.51.100.21", true)]       // the one address agreed
    [InlineData("198.51.100.22/30", "198.51.100.20", false)]      // from another router than the agreed one
    [InlineData("198.51.100.20/29", "198.51.100.21", false)]      // another address of the same link
    [InlineData("203.0.113.10/24", "203.0.113.1", false)]         // the stand-in, which nobody agreed
    public void A_static_line_answers_only_the_address_agreed(string address, string gateway, bool works)
    {
        var state = new HouseBuilder().Gateway(handOff: HandOff.Static).Thing("a", "gw:lan1")
            .With(h => h with { Line = h.Line! with { Agreed = new() { Address = InterfaceAddress.Parse("198.51.100.22/30"), Gateway = Ipv4Address.Parse("198.51.100.21") } } })
            .With(h => h.WithDevice("gw", d => d with { Wan = new() { Method = WanMethod.Static, Address = InterfaceAddress.Parse(address), Gateway = Ipv4Address.Parse(gateway) } })).State;
        Assert.Equal(works ? Answer.Yes : Answer.No, state.Internet("a").Reachable);
    }

    [Fact]
    public void A_wan_that_is_switched_off_has_none_and_leads_nowhere()
    {
        var state = new HouseBuilder().Gateway().Thing("a", "gw:lan1").With(h => h.WithDevice("gw", d => d with { Wan = new() { Method = WanMethod.None } })).State;
        Assert.Equal((LeaseOutcome.None, ReachProblem.NoWayOut), (state.Wan("gw")!.Outcome, state.Internet("a").Why));
    }
}
