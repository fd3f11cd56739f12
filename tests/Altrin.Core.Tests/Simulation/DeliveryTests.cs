using Altrin.Core.Network;
using Altrin.Core.Simulation;
using Altrin.Core.Rules.Judging;

namespace Altrin.Core.Tests.Simulation;

/// <summary>Section 3, rules 4 to 9 of the format.</summary>
public class DeliveryTests
{
    private static readonly Service Web = new() { Protocol = TransportProtocol.Tcp, Port = 443 };

    /// <summary>Gateway, and a second router behind it on its own subnet; one thing on each.</summary>
    private static HouseBuilder Cascade(string inner = "192.168.1.1/24", bool nat = true) => new HouseBuilder().Gateway()
        .Box("r", address: inner, nat: nat).Cable("gw:lan1", "r:wan").Thing("up", "gw:lan2", services: Web).Thing("down", "r:lan1", services: Web);

    [Fact, Trait("source", "RFC 2663 section 4.1 (traditional NAT: outbound sessions only)")]
    public void Up_through_a_translation_yes_down_into_one_no()
    {
        var state = Cascade().State;
        Assert.Equal(Answer.Yes, state.Reach("down", "up").Reachable);
        Assert.Equal((Answer.No, ReachProblem.BehindNat), (state.Reach("up", "down").Reachable, state.Reach("up", "down").Why));
    }

    [Fact]
    public void Nat_layers_count_every_translation_a_carriers_too()
    {
        Assert.Equal((1, 2), (Cascade().State.Internet("up").NatLayers, Cascade().State.Internet("down").NatLayers));
        Assert.Equal(["r", "gw"], Cascade().State.Internet("down").Hops);
        Assert.Equal(2, new HouseBuilder().Gateway(addressing: LineAddressing.Shared).Thing("a", "gw:lan1").State.Internet("a").NatLayers);
        Assert.Equal(0, new HouseBuilder().Gateway(mode: DeviceMode.Modem).Thing("a", "gw:lan1").State.Internet("a").NatLayers);
    }

    [Fact]
    public void Without_translation_nothing_beyond_the_router_answers()
    {
        var state = Cascade(nat: false).State;
        Assert.Equal((Answer.No, ReachProblem.NotTranslated), (state.Internet("down").Reachable, state.Internet("down").Why));
        Assert.Equal(Answer.No, state.Reach("down", "up").Reachable);
    }

    [Theory]
    [InlineData("192.168.31.1/24")]             // the same
    [InlineData("192.168.0.1/16")]              // one inside the other
    public void A_router_with_one_subnet_on_both_sides_is_broken_for_what_must_cross_it(string inner)
    {
        var state = Cascade(inner).Thing("beside", "r:lan2").State;
        Assert.Equal((Answer.No, ReachProblem.Overlap), (state.Internet("down").Reachable, state.Internet("down").Why));
        Assert.Equal(Answer.Yes, state.Reach("down", "beside").Reachable);
        Assert.Equal(Answer.Yes, state.Admin("down", "r").Reachable);
        Assert.Equal(Answer.Yes, state.Internet("up").Reachable);
    }

    [Fact]
    public void Equal_subnets_with_different_masks_go_by_each_ones_own_prefix()
    {
        var state = new HouseBuilder().Gateway("192.168.31.1/24").Thing("wide", "gw:lan1", "192.168.31.50/16", "192.168.31.1")
            .Thing("far", "gw:lan2", "192.168.40.9/16", "192.168.31.1").Thing("plain", "gw:lan3").State;
        Assert.Equal(Answer.Yes, state.Reach("wide", "far").Reachable);
        Assert.Equal(Answer.Yes, state.Reach("wide", "plain").Reachable);
        // The plain one sends to its gateway, which knows 192.168.40.9 only as an address out of its WAN.
        Assert.Equal(Answer.No, state.Reach("plain", "far").Reachable);
    }

    [Fact]
    public void An_address_held_twice_is_a_race_for_who_sends_there_and_for_the_holders()
    {
        var state = new HouseBuilder().Gateway().Thing("a", "gw:lan1", "192.168.31.20", "192.168.31.1").Thing("b", "gw:lan2", "192.168.31.20", "192.168.31.1").Thing("c", "gw:lan3").State;
        Assert.Equal(Answer.Sometimes, state.Reach("c", "a").Reachable);
        Assert.Equal(Answer.Sometimes, state.Internet("a").Reachable);
        Assert.Equal(Answer.Yes, state.Internet("c").Reachable);
    }

    [Theory]
    [InlineData(null)]
    [InlineData("192.168.99.1")]                // outside the prefix
    [InlineData("192.168.31.77")]               // nobody
    [InlineData("192.168.31.2")]                // an access point, which does not route
    public void A_gateway_must_be_a_router_in_ones_own_prefix_on_ones_own_segment(string? gateway)
    {
        var state = new HouseBuilder().Gateway().Box("ap", DeviceMode.AccessPoint, "192.168.31.2/24").Cable("gw:lan1", "ap:lan1")
            .Thing("a", "gw:lan2", "192.168.31.50", gateway).State;
        Assert.Equal((Answer.No, ReachProblem.NoGateway), (state.Internet("a").Reachable, state.Internet("a").Why));
    }

    [Theory]
    [InlineData("192.168.1.50/24", "Yes")]
    [InlineData("192.168.1.50/30", "No")]       // the router is there, has room for it, and is outside its own prefix
    public void A_gateway_outside_ones_own_prefix_is_not_asked_though_it_would_answer(string address, string reachable)
    {
        var state = new HouseBuilder().Gateway().Thing("up", "gw:lan2").Box("r").Cable("gw:lan1", "r:wan").Thing("a", "r:lan1", address, "192.168.1.1").State;
        Assert.Equal((reachable, reachable), (state.Internet("a").Reachable.ToString(), state.Reach("a", "up").Reachable.ToString()));
    }

    [Theory]
    [InlineData("192.168.31.1", "Yes")]
    [InlineData("192.168.31.2", "No")]          // an access point, which does not route
    public void Only_a_device_that_routes_sends_on_what_is_for_another_half_of_the_segment(string gateway, string reachable)
    {
        var state = new HouseBuilder().Gateway().Box("ap", DeviceMode.AccessPoint, "192.168.31.2/24").Cable("gw:lan1", "ap:lan1")
            .Thing("a", "gw:lan2", "192.168.31.50/25", gateway).Thing("b", "gw:lan3", "192.168.31.200").State;
        Assert.Equal(reachable, state.Reach("a", "b").Reachable.ToString());
    }

    [Theory]
    [InlineData("192.168.31.200/24", null, "Yes")]
    [InlineData("192.168.31.200/25", null, "No")]               // it hears the question and knows no way to the one who asks
    [InlineData("192.168.31.200/25", "192.168.31.129", "Yes")]  // the router, at an address in its own half
    public void The_answer_goes_by_the_answerers_own_prefix(string address, string? gateway, string reachable)
    {
        var state = new HouseBuilder().Gateway("192.168.31.129/24").Thing("a", "gw:lan1", "192.168.31.50", "192.168.31.129").Thing("b", "gw:lan2", address, gateway).State;
        Assert.Equal(reachable, state.Reach("a", "b").Reachable.ToString());
    }

    [Fact]
    public void A_routers_wan_address_is_never_a_gateway_for_others()
    {
        var state = Cascade().Thing("a", "gw:lan3", "192.168.31.50", "192.168.31.100").State;
        Assert.Equal("192.168.31.100", state.Wan("r")!.Address!.Value.Address.ToString());
        Assert.Equal(Answer.No, state.Internet("a").Reachable);
    }

    [Fact]
    public void A_page_answers_on_its_own_side_and_above_but_never_from_the_wan_side()
    {
        var state = Cascade().State;
        Assert.Equal(Answer.Yes, state.Admin("up", "gw").Reachable);
        Assert.Equal(Answer.Yes, state.Admin("down", "r").Reachable);
        Assert.Equal(Answer.Yes, state.Admin("down", "gw").Reachable);
        Assert.Equal(Answer.No, state.Admin("up", "r").Reachable);
    }

    [Fact]
    public void A_modems_page_answers_only_who_has_an_address_beside_it()
    {
        var house = new HouseBuilder().Gateway("192.168.100.1/24", DeviceMode.Modem).Thing("a", "gw:lan1", "192.168.100.5").Box("r").Cable("gw:lan2", "r:wan").Thing("b", "r:lan1");
        Assert.Equal((Answer.Yes, Answer.No), (house.State.Admin("a", "gw").Reachable, house.State.Admin("b", "gw").Reachable));
    }

    [Fact]
    public void A_circle_of_routers_ends_in_no()
    {
        var state = new HouseBuilder().Box("a", address: "10.0.1.1/24").Box("b", address: "10.0.2.1/24").Cable("a:wan", "b:lan1").Cable("b:wan", "a:lan1").Thing("x", "a:lan2").Thing("y", "b:lan2").State;
        Assert.Equal(Answer.No, state.Internet("x").Reachable);
        Assert.Equal(Answer.Yes, state.Reach("x", "y").Reachable);
    }

    [Fact]
    public void One_state_answers_many_who_ask_at_once()
    {
        NetworkDocument house = Enumerable.Range(1, 60).Aggregate(new HouseBuilder().Gateway("10.0.0.1/24").Thing("t0", "gw:lan2"), (built, n) => built
            .Box($"r{n}", address: $"10.0.{n}.1/24").Cable($"{(n == 1 ? "gw" : $"r{n - 1}")}:lan1", $"r{n}:wan").Thing($"t{n}", $"r{n}:lan2"));
        for (var run = 0; run < 60; run++)
        {
            var state = Simulator.Run(house);
            Parallel.For(0, 61, n => Assert.Equal(61 - n, state.Internet($"t{60 - n}").NatLayers));
        }
    }

    [Fact]
    public void A_chain_of_two_thousand_routers_does_not_exhaust_the_stack()
    {
        var house = new HouseBuilder().Gateway("10.0.0.1/24");
        var above = "gw";
        for (var i = 1; i <= 2000; i++)
        {
            house.Box($"r{i}", address: $"10.{i >> 8}.{i & 255}.1/24").Cable($"{above}:lan1", $"r{i}:wan");
            above = $"r{i}";
        }
        var state = house.Thing("deep", $"{above}:lan2").Thing("top", "gw:lan2").State;
        Assert.Equal(2001, state.Internet("deep").NatLayers);
        Assert.Equal(Answer.Yes, state.Reach("deep", "top").Reachable);
    }

    /// <summary>What comes back is sent by the router, by its own mask: to the last number of its subnet it sends to everybody.</summary>
    [Theory, Trait("source", "RFC 919 section 7 (the last number of a subnet is everybody)")]
    [InlineData("192.168.31.255/16", Answer.No)]
    [InlineData("192.168.31.254/16", Answer.Yes)]
    public void An_answer_comes_back_by_the_routers_mask(string address, Answer online) =>
        Assert.Equal(online, new HouseBuilder().Gateway().Thing("a", "gw:lan1", address, "192.168.31.1").State.Internet("a").Reachable);

    [Fact]
    public void Who_cannot_answer_for_want_of_a_gateway_is_the_reason() =>
        Assert.Equal((Answer.No, ReachProblem.NoWayBack), new HouseBuilder().Gateway().Thing("a", "gw:lan1").Thing("b", "gw:lan2", "192.168.31.50/28").State.Reach("a", "b") is var answer ? (answer.Reachable, answer.Why) : default);

    /// <summary>Behind a router that makes the subnet above once more: who asks looks for the number on its own network.</summary>
    [Theory]
    [InlineData(false, ReachProblem.NobodyThere)]
    [InlineData(true, ReachProblem.HeldByAnother)]
    public void A_number_that_is_looked_for_in_the_wrong_place_is_nobodys_or_anothers(bool isHeldThere, ReachProblem why)
    {
        var house = new HouseBuilder().Gateway().Box("r", address: "192.168.31.1/24").Cable("gw:lan1", "r:wan").Thing("a", "gw:lan2").Thing("b", "r:lan1", "192.168.31.50", "192.168.31.1");
        if (isHeldThere) house.Thing("c", "gw:lan3", "192.168.31.50", "192.168.31.1");
        Assert.Equal((Answer.No, why), house.State.Reach("a", "b") is var answer ? (answer.Reachable, answer.Why) : default);
    }

    [Fact]
    public void What_is_not_reached_has_a_reason_and_what_is_has_none()
    {
        var answers = new HashSet<(Answer, bool)>();
        for (var seed = 1; seed <= 200; seed++)
        {
            var state = Simulator.Run(Houses.Rich(seed));
            foreach (var from in state.House.Endpoints)
            {
                Hold(state.Internet(from.Id).Reachable, state.Internet(from.Id).Why, $"house {seed}, {from.Id}");
                foreach (var to in state.House.Endpoints) Hold(state.Reach(from.Id, to.Id).Reachable, state.Reach(from.Id, to.Id).Why, $"house {seed}, {from.Id} to {to.Id}");
                foreach (var box in state.House.Devices) Hold(state.Admin(from.Id, box.Id).Reachable, state.Admin(from.Id, box.Id).Why, $"house {seed}, {from.Id} opens {box.Id}");
            }
        }
        Assert.Contains((Answer.No, true), answers);
        Assert.Contains((Answer.Yes, false), answers);

        void Hold(Answer reachable, ReachProblem why, string what)
        {
            Assert.True(reachable == Answer.Yes ? why == ReachProblem.None : why != ReachProblem.None, $"{what}: {reachable} for {why}");
            answers.Add((reachable, why != ReachProblem.None));
        }
    }

    [Theory]
    [InlineData("192.168.31.5/24", false)]
    [InlineData("192.168.31.5/25", false)]   // narrower than the subnet, and within it
    [InlineData("192.168.31.5/16", true)]    // wider than anything there
    [InlineData("192.168.32.5/24", true)]    // of another subnet
    [InlineData("192.168.31.255/24", true)]  // everybody
    public void A_fixed_address_is_amiss_where_no_subnet_of_its_network_has_room_for_it(string address, bool isAmiss)
    {
        var state = new HouseBuilder().Gateway().Thing("a", "gw:lan1", address, "192.168.31.1").Thing("asks", "gw:lan2").State;
        Assert.Equal(isAmiss, state.IsAmiss(state.Net("a")!));
        Assert.False(state.IsAmiss(state.Net("asks")!));
    }

    [Fact]
    public void A_forward_lets_in_from_outside_and_never_makes_a_reach()
    {
        var house = Cascade().With(h => h.WithDevice("gw", d => d with
        {
            PortForwards = [new() { Protocol = TransportProtocol.Tcp, Port = 8443, ToAddress = Ipv4Address.Parse("192.168.31.101"), ToPort = 443 }],
        }));
        Assert.Equal("192.168.31.101", house.State.Net("up")!.Address!.Value.Address.ToString());
        Assert.Equal((Answer.Yes, null), (house.State.Inbound("up", TransportProtocol.Tcp, 443).Reachable, house.State.Inbound("up", TransportProtocol.Tcp, 443).StoppedAt));
        Assert.Equal((Answer.No, "gw"), (house.State.Inbound("down", TransportProtocol.Tcp, 443).Reachable, house.State.Inbound("down", TransportProtocol.Tcp, 443).StoppedAt));
        Assert.Equal(Answer.No, house.State.Reach("up", "down").Reachable);
    }

    [Fact]
    public void A_forward_on_the_inner_router_alone_is_stopped_at_the_outer()
    {
        var inner = new PortForward { Protocol = TransportProtocol.Tcp, Port = 443, ToAddress = Ipv4Address.Parse("192.168.1.100") };
        var outer = new PortForward { Protocol = TransportProtocol.Tcp, Port = 8443, ToAddress = Ipv4Address.Parse("192.168.31.100"), ToPort = 443 };
        var house = Cascade().With(h => h.WithDevice("r", d => d with { PortForwards = [inner] }));
        Assert.Equal("gw", house.State.Inbound("down", TransportProtocol.Tcp, 443).StoppedAt);
        house.With(h => h.WithDevice("gw", d => d with { PortForwards = [outer] }));
        Assert.Equal(Answer.Yes, house.State.Inbound("down", TransportProtocol.Tcp, 443).Reachable);
        house.With(h => h.WithDevice("r", d => d with { PortForwards = [] }));
        Assert.Equal("r", house.State.Inbound("down", TransportProtocol.Tcp, 443).StoppedAt);
    }

    [Theory]
    [InlineData(true, "r")]
    [InlineData(false, "gw")]
    public void Without_translation_a_routers_forwards_and_dmz_host_have_no_effect(bool outerForwards, string stoppedAt)
    {
        var inner = new PortForward { Protocol = TransportProtocol.Tcp, Port = 443, ToAddress = Ipv4Address.Parse("192.168.1.100") };
        var outer = new PortForward { Protocol = TransportProtocol.Tcp, Port = 443, ToAddress = Ipv4Address.Parse("192.168.31.100") };
        var state = Cascade(nat: false).With(h => h.WithDevice("r", d => d with { PortForwards = [inner], DmzHost = Ipv4Address.Parse("192.168.1.100"), Upnp = true }))
            .With(h => h.WithDevice("gw", d => d with { PortForwards = outerForwards ? [outer] : [] })).State;
        Assert.Equal((Answer.No, stoppedAt), (state.Inbound("down", TransportProtocol.Tcp, 443).Reachable, state.Inbound("down", TransportProtocol.Tcp, 443).StoppedAt));
    }

    [Theory]
    [InlineData(TransportProtocol.Tcp, "192.168.31.100", "Yes")]
    [InlineData(TransportProtocol.Udp, "192.168.31.100", "No")]     // another protocol
    [InlineData(TransportProtocol.Tcp, "192.168.31.99", "No")]      // to somebody else
    public void A_forward_lets_in_its_own_protocol_to_its_own_address_and_the_first_of_a_port_counts(TransportProtocol protocol, string to, string reachable)
    {
        var state = new HouseBuilder().Gateway().Thing("a", "gw:lan1", services: Web).With(h => h.WithDevice("gw", d => d with
        {
            PortForwards =
            [
                new() { Protocol = protocol, Port = 443, ToAddress = Ipv4Address.Parse(to) },
                new() { Protocol = protocol, Port = 443, ToAddress = Ipv4Address.Parse("192.168.31.100") },
            ],
        })).State;
        Assert.Equal(reachable, state.Inbound("a", TransportProtocol.Tcp, 443).Reachable.ToString());
    }

    [Fact, Trait("source", "RFC 6598 section 1 (a carrier's translation cannot be forwarded through)")]
    public void Behind_a_carrier_nothing_gets_in()
    {
        var state = new HouseBuilder().Gateway(addressing: LineAddressing.Shared).Thing("a", "gw:lan1", services: Web)
            .With(h => h.WithDevice("gw", d => d with { DmzHost = Ipv4Address.Parse("192.168.31.100"), Upnp = true })).State;
        Assert.Equal((Answer.No, "carrier"), (state.Inbound("a", TransportProtocol.Tcp, 443).Reachable, state.Inbound("a", TransportProtocol.Tcp, 443).StoppedAt));
    }

    [Fact]
    public void A_dmz_host_gets_what_no_forward_catches()
    {
        var house = new HouseBuilder().Gateway().Thing("a", "gw:lan1", services: Web).Thing("b", "gw:lan2").With(h => h.WithDevice("gw", d => d with { DmzHost = Ipv4Address.Parse("192.168.31.100") }));
        Assert.Equal(Answer.Yes, house.State.Inbound("a", TransportProtocol.Tcp, 443).Reachable);
        house.With(h => h.WithDevice("gw", d => d with { PortForwards = [new() { Protocol = TransportProtocol.Tcp, Port = 443, ToAddress = Ipv4Address.Parse("192.168.31.101") }] }));
        Assert.Equal(Answer.No, house.State.Inbound("a", TransportProtocol.Tcp, 443).Reachable);
    }

    [Fact]
    public void The_state_is_the_same_byte_for_byte_for_the_same_document()
    {
        for (var seed = 1; seed < 60; seed++) Assert.Equal(Print(Houses.Make(seed)), Print(Houses.Make(seed)));

        static string Print(NetworkDocument house)
        {
            using var memory = new MemoryStream();
            using (var json = new System.Text.Json.Utf8JsonWriter(memory)) Altrin.Core.Formats.StateWriter.Write(Altrin.Core.Rules.Judging.Evaluation.Of(house), json);
            return System.Text.Encoding.UTF8.GetString(memory.ToArray());
        }
    }
}
