using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Simulation;

/// <summary>Sentences of the format's page that no other class here holds: VLANs, guests, hairpin, UPnP, pass-through, static lines.</summary>
public class FormatSentenceTests
{
    private static readonly Service Web = new() { Protocol = TransportProtocol.Tcp, Port = 80 };

    private static WifiNetwork Guests(int? vlan = null, bool enabled = true) => new() { Radio = "2g", Ssid = "visitors", Guest = true, Vlan = vlan, Enabled = enabled };

    private static HouseBuilder Router(Func<Device, Device> change) => new HouseBuilder().Gateway().With(h => h.WithDevice("gw", change));

    private static Device Port(Device box, string id, int? vlan = null, params int[] tagged) =>
        box with { Ports = [.. box.Ports.Select(port => port.Id == id ? port with { Vlan = vlan, Tagged = [.. tagged] } : port)] };

    private static Device Forward(Device box, int port, string to, int? toPort = null) => box with
    {
        PortForwards = box.PortForwards.Add(new() { Protocol = TransportProtocol.Tcp, Port = port, ToAddress = Ipv4Address.Parse(to), ToPort = toPort }),
    };

    [Theory, Trait("source", "IEEE 802.1Q-2018 clause 6.8 (a frame is in the VLAN of its tag, else of the port); value from memory")]
    [InlineData(null, null, true)]
    [InlineData(20, null, false)]       // an access port of another VLAN
    [InlineData(20, 20, true)]
    [InlineData(20, 30, false)]
    public void Sockets_of_one_box_are_one_segment_only_within_one_vlan(int? a, int? b, bool together)
    {
        var state = new HouseBuilder().Gateway().Box("s", DeviceMode.Switch, null, with: d => Port(Port(d, "lan1", a), "lan2", b)).Thing("a", "s:lan1").Thing("b", "s:lan2").State;
        Assert.Equal(together, state.Net("a")!.Segment == state.Net("b")!.Segment);
    }

    [Theory]
    [InlineData(true, true, true)]
    [InlineData(true, false, false)]        // the far end does not know the tag
    [InlineData(false, false, false)]
    public void A_tag_passes_a_cable_only_where_both_ends_know_it(bool near, bool far, bool together)
    {
        Device Trunk(Device d, bool knows) => Port(Port(d, "lan1", null, knows ? [20] : []), "lan2", 20);
        var state = new HouseBuilder().Box("s", DeviceMode.Switch, null, with: d => Trunk(d, near)).Box("t", DeviceMode.Switch, null, with: d => Trunk(d, far))
            .Cable("s:lan1", "t:lan1").Thing("a", "s:lan2").Thing("b", "t:lan2").Thing("c", "s:lan3").Thing("d", "t:lan3").State;
        Assert.Equal(together, state.Net("a")!.Segment == state.Net("b")!.Segment);
        Assert.Equal(state.Net("c")!.Segment, state.Net("d")!.Segment);       // untagged frames pass all the while
        Assert.NotEqual(state.Net("a")!.Segment, state.Net("c")!.Segment);
    }

    [Fact]
    public void Untagged_frames_change_their_vlan_with_the_cable() =>
        Assert.Equal(Answer.Yes, new HouseBuilder().Gateway().Box("s", DeviceMode.Switch, null, with: d => Port(Port(d, "lan1", 20), "lan2", 20))
            .Cable("gw:lan1", "s:lan1").Thing("a", "s:lan2").State.Internet("a").Reachable);

    [Theory]
    [InlineData(true)]
    [InlineData(false)]         // its own radio for it is off: the VLAN is there all the same
    public void Guests_carried_in_a_vlan_are_apart_behind_an_access_point_too(bool onAirAtTheRouter)
    {
        var state = Router(d => Port(d with { Wifi = [Guests(20, onAirAtTheRouter)] }, "lan1", null, 20))
            .Box("ap", DeviceMode.AccessPoint, "192.168.31.2/24", false, with: d => Port(d with { Wifi = [Guests(20)] }, "lan1", null, 20))
            .Cable("gw:lan1", "ap:lan1").Thing("guest", "~visitors").Thing("own", "ap:lan2")
            .With(h => h.WithEndpoint("guest", e => e with { Connect = (Attachment.Join)e.Connect! with { Near = "ap" } })).State;
        Assert.Equal("ap", state.JoinedBox("guest"));
        Assert.Equal((Answer.Yes, Answer.No, Answer.No), (state.Internet("guest").Reachable, state.Reach("guest", "own").Reachable, state.Admin("guest", "ap").Reachable));
        Assert.Equal(Answer.Yes, state.Internet("own").Reachable);
    }

    [Fact]
    public void Guests_of_an_inner_router_see_nothing_of_the_home_outside_it_either()
    {
        var state = new HouseBuilder().Gateway().Thing("own", "gw:lan2").Box("r", with: d => d with { Wifi = [Guests()] }).Cable("gw:lan1", "r:wan").Thing("guest", "~visitors").State;
        Assert.Equal((Answer.Yes, Answer.No, Answer.No), (state.Internet("guest").Reachable, state.Reach("guest", "own").Reachable, state.Admin("guest", "gw").Reachable));
        Assert.Equal(ReachProblem.GuestsApart, state.Reach("guest", "own").Why);
    }

    [Theory, Trait("source", "RFC 1122 section 3.2.1.3")]
    [InlineData("192.168.31.0/24")]
    [InlineData("192.168.31.255/24")]
    public void At_the_network_or_broadcast_address_nothing_answers_and_nothing_is_answered(string address)
    {
        var state = new HouseBuilder().Gateway().Thing("a", "gw:lan1").Thing("b", "gw:lan2", address, "192.168.31.1").State;
        Assert.Equal((Answer.No, Answer.No, Answer.No), (state.Reach("a", "b").Reachable, state.Reach("b", "a").Reachable, state.Internet("b").Reachable));
    }

    [Fact]
    public void What_is_a_broadcast_address_to_the_sender_it_reaches_nobody_at()
    {
        var state = new HouseBuilder().Gateway().Thing("a", "gw:lan1").Thing("b", "gw:lan2", "192.168.31.255/16", "192.168.31.1").State;
        Assert.Equal(Answer.No, state.Reach("a", "b").Reachable);
    }

    [Theory, Trait("source", "RFC 4787 section 6, REQ-9 (a NAT must support hairpinning; many do not)")]
    [InlineData(true, Answer.Yes)]
    [InlineData(false, Answer.No)]
    public void Ones_own_public_address_works_from_inside_only_where_the_box_turns_it_round(bool hairpin, Answer inside)
    {
        var answer = Router(d => Forward(d with { Hairpin = hairpin }, 80, "192.168.31.20")).Thing("a", "gw:lan1", "192.168.31.20", "192.168.31.1", services: Web)
            .State.Inbound("a", TransportProtocol.Tcp, 80);
        Assert.Equal((Answer.Yes, inside), (answer.Reachable, answer.FromInside));
    }

    [Fact]
    public void With_two_translations_it_is_the_outer_box_that_must_turn_it_round()
    {
        HouseBuilder House(bool outer, bool inner) => Router(d => Forward(d with { Hairpin = outer }, 80, "192.168.31.100")).Box("r", with: d => Forward(d with { Hairpin = inner }, 80, "192.168.1.20"))
            .Cable("gw:lan1", "r:wan").Thing("a", "r:lan1", "192.168.1.20", "192.168.1.1", services: Web);
        Assert.Equal(Answer.Yes, House(true, false).State.Inbound("a", TransportProtocol.Tcp, 80).FromInside);
        Assert.Equal(Answer.No, House(false, true).State.Inbound("a", TransportProtocol.Tcp, 80).FromInside);
    }

    [Fact]
    public void A_port_that_a_forward_has_taken_is_opened_by_upnp_under_another_number()
    {
        var state = Router(d => Forward(d with { Upnp = true }, 80, "192.168.31.100")).Thing("a", "gw:lan1", services: Web).Thing("b", "gw:lan2", services: Web).State;
        Assert.Equal((Answer.Yes, Answer.Yes), (state.Inbound("a", TransportProtocol.Tcp, 80).Reachable, state.Inbound("b", TransportProtocol.Tcp, 80).Reachable));
    }

    [Fact]
    public void A_guest_opens_no_port_by_upnp() => Assert.Equal(Answer.No, Router(d => d with { Upnp = true, Wifi = [Guests()] })
        .Thing("guest", "~visitors", services: Web).State.Inbound("guest", TransportProtocol.Tcp, 80).Reachable);

    [Fact]
    public void What_is_sent_in_to_an_address_held_twice_arrives_by_chance() => Assert.Equal(Answer.Sometimes,
        Router(d => Forward(d, 80, "192.168.31.20")).Thing("a", "gw:lan1", "192.168.31.20", "192.168.31.1", services: Web)
            .Thing("b", "gw:lan2", "192.168.31.20", "192.168.31.1").State.Inbound("a", TransportProtocol.Tcp, 80).Reachable);

    private static HouseBuilder PassThrough() => new HouseBuilder().Gateway(mode: DeviceMode.Passthrough).With(h => h.WithDevice("gw", d => d with { PassthroughTo = "r" }))
        .Box("r").Cable("gw:lan1", "r:wan").Thing("a", "r:lan1");

    [Fact]
    public void A_rival_server_on_the_gateways_network_may_be_quicker_than_the_line()
    {
        var state = PassThrough().Box("rival", address: "192.168.31.9/24").Cable("gw:lan2", "rival:lan1").State;
        Assert.Equal(["isp", "rival"], state.Wan("r")!.Candidates.Select(candidate => candidate.Server));
        Assert.Equal(Answer.Sometimes, state.Internet("a").Reachable);
    }

    [Fact]
    public void Without_a_line_the_gateways_own_server_still_ignores_its_target() =>
        Assert.Equal(LeaseOutcome.None, PassThrough().With(h => h with { Line = null }).State.Wan("r")!.Outcome);

    [Fact]
    public void From_behind_the_target_the_line_is_one_translation_away() =>
        Assert.Equal((Answer.Yes, 1, "r"), (PassThrough().State.Internet("a").Reachable, PassThrough().State.Internet("a").NatLayers, PassThrough().State.Internet("a").Hops.Single()));

    [Fact]
    public void On_a_static_line_neighbours_reach_each_other_and_only_the_agreed_one_gets_out()
    {
        var state = new HouseBuilder().Gateway(mode: DeviceMode.Modem, handOff: HandOff.Static).Thing("agreed", "gw:lan1", "203.0.113.10/24", "203.0.113.1")
            .Thing("other", "gw:lan2", "203.0.113.50/24", "203.0.113.1").State;
        Assert.Equal((Answer.Yes, Answer.No), (state.Internet("agreed").Reachable, state.Internet("other").Reachable));
        Assert.Equal(Answer.Yes, state.Reach("other", "agreed").Reachable);
    }

    [Fact]
    public void A_box_that_only_bridges_and_is_plugged_in_nowhere_holds_no_address()
    {
        HouseBuilder House() => new HouseBuilder().Gateway().Box("ap", DeviceMode.AccessPoint, "192.168.31.2/24");
        Assert.Equal(LeaseOutcome.None, House().State.Lan("ap")!.Outcome);
        Assert.Equal(LeaseOutcome.Static, House().Cable("gw:lan1", "ap:lan1").State.Lan("ap")!.Outcome);
        Assert.Equal(LeaseOutcome.None, new HouseBuilder().Gateway().Thing("a", null, "192.168.31.20").State.Net("a")!.Outcome);
    }

    [Fact]
    public void A_guest_tread_hangs_from_its_router_and_says_whose_it_is()
    {
        var stairs = Stairs.Of(Router(d => d with { Wifi = [Guests()] }).Thing("guest", "~visitors").Thing("own", "gw:lan1").State);
        var tread = stairs.Treads.Single(one => one.GuestsOf == "gw");
        Assert.Equal(("guest", false, stairs.Treads[0].Segment), (tread.Things.Single(), tread.IsCutOff, tread.Parent));
    }

    [Fact]
    public void A_pass_through_gateway_is_no_step_down_and_its_target_is_the_first()
    {
        var steps = Stairs.Of(PassThrough().State).Steps;
        Assert.Equal([("gw", 0, false, null), ("r", 1, true, "gw")], steps.Select(step => (step.Device, step.Number, step.Translates, step.PassedBy)));
    }

    [Theory]
    [InlineData("guests-in-vlan", "Yes")]
    [InlineData("guests-not-apart", "No")]
    public void Whether_guests_are_apart_is_tried_with_a_visitor(string example, string met) =>
        Assert.Equal(met, Evaluation.Of(Examples.House(example)).Wants.First(want => want.Need == "n1").Met.ToString());
}
