using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Simulation;

/// <summary>The street of a real house (section 3, rule 3): what was seen and what was agreed count in place of the stand-ins.</summary>
public class LineTests
{
    private static LineAddress At(string address, string gateway) => new() { Address = InterfaceAddress.Parse(address), Gateway = Ipv4Address.Parse(gateway) };

    private static HouseBuilder Line(Func<Line, Line> change, HandOff handOff = HandOff.Dhcp, LineAddressing addressing = LineAddressing.Public, int addresses = 1) =>
        new HouseBuilder().Gateway(handOff: handOff, addressing: addressing, addresses: addresses).Thing("a", "gw:lan1").With(h => h with { Line = change(h.Line!) });

    private static HouseBuilder Static(string address, string gateway) => Line(line => line, HandOff.Static)
        .With(h => h.WithDevice("gw", d => d with { Wan = new() { Method = WanMethod.Static, Address = InterfaceAddress.Parse(address), Gateway = Ipv4Address.Parse(gateway) } }));

    [Theory, Trait("source", "RFC 1918 section 3, RFC 6598 section 7")]
    [InlineData("198.51.100.130/24", "198.51.100.129", false)]
    [InlineData("192.168.0.23/24", "192.168.0.1", true)]         // another router in front
    [InlineData("10.3.4.5/8", "10.0.0.1", true)]
    [InlineData("172.31.255.254/12", "172.16.0.1", true)]
    [InlineData("172.32.0.1/24", "172.32.0.254", false)]         // just beyond the private range
    [InlineData("100.127.0.9/10", "100.64.0.1", true)]
    [InlineData("100.128.0.9/24", "100.128.0.1", false)]         // just beyond the shared one
    public void What_was_seen_is_what_the_gateway_holds_and_tells_whether_the_line_is_shared(string address, string gateway, bool shared)
    {
        var state = Line(line => line with { Seen = At(address, gateway) }).State;
        var held = Assert.Single(state.Wan("gw")!.Candidates);
        Assert.Equal((address, gateway, "isp"), (held.Address.ToString(), held.Gateway.ToString(), held.Server));
        Assert.Equal((Answer.Yes, shared ? 2 : 1), (state.Internet("a").Reachable, state.Internet("a").NatLayers));
        Assert.Equal(shared, state.IsLineShared);
        Assert.Equal([held.Address!.Value.Address.ToString()], Stairs.Of(state).StreetAddresses);
        Assert.Equal([held.Address.Value.Prefix.ToString()], Stairs.Of(state).Treads[0].Subnets);
    }

    [Fact]
    public void A_line_that_the_provider_calls_shared_stays_so_whatever_was_seen() =>
        Assert.Equal(2, Line(line => line with { Seen = At("198.51.100.130/24", "198.51.100.129") }, addressing: LineAddressing.Shared).State.Internet("a").NatLayers);

    [Theory]
    [InlineData(1, "198.51.100.130")]
    [InlineData(2, "198.51.100.130 198.51.100.132")]             // .131 is the provider's own router
    [InlineData(3, "198.51.100.130 198.51.100.132 198.51.100.133")]
    public void Addresses_are_given_out_from_the_one_that_was_seen_upwards(int addresses, string given)
    {
        var state = Line(line => line with { Seen = At("198.51.100.130/24", "198.51.100.131") }, addresses: addresses)
            .With(h => h.WithDevice("gw", d => d with { Mode = DeviceMode.Modem })).Thing("b", "gw:lan2").Thing("c", "gw:lan3").State;
        Assert.Equal(given, string.Join(' ', new[] { "a", "b", "c" }.Select(id => state.Net(id)!).Where(net => net.Outcome == LeaseOutcome.Leased).Select(net => net.Address!.Value.Address)));
    }

    [Fact, Trait("source", "RFC 1661 (a link of two ends); value from memory")]
    public void A_session_of_32_bits_reaches_its_peer()
    {
        var state = Line(line => line with { Seen = At("198.51.100.130/32", "203.0.113.7") }, HandOff.Pppoe).State;
        Assert.Equal(Answer.Yes, state.Internet("a").Reachable);
    }

    [Theory]
    [InlineData("198.51.100.22/30", "198.51.100.21", Answer.Yes)]
    [InlineData("192.0.2.5/29", "192.0.2.1", Answer.Yes)]
    [InlineData("192.0.2.5/29", "192.0.2.9", Answer.No)]        // a gateway that its own subnet does not hold
    public void Where_nothing_is_agreed_the_first_static_wan_is_taken_to_be(string address, string gateway, Answer works) =>
        Assert.Equal(works, Static(address, gateway).State.Internet("a").Reachable);

    [Fact]
    public void On_a_modem_the_first_static_thing_is_and_no_other()
    {
        var state = Line(line => line, HandOff.Static).With(h => h.WithDevice("gw", d => d with { Mode = DeviceMode.Modem })).With(h => h with { Endpoints = [] })
            .Thing("first", "gw:lan1", "192.0.2.5/29", "192.0.2.1").Thing("second", "gw:lan2", "192.0.2.6/29", "192.0.2.1").State;
        Assert.Equal((Answer.Yes, Answer.No), (state.Internet("first").Reachable, state.Internet("second").Reachable));
    }

    [Fact]
    public void What_was_seen_counts_for_nothing_on_a_line_of_fixed_address() =>
        Assert.Equal("192.0.2.1/29", Static("192.0.2.5/29", "192.0.2.1").With(h => h with { Line = h.Line! with { Seen = At("192.168.0.5/24", "192.168.0.1") } })
            .State is var state && state.IsLineShared ? "shared" : $"{state.SubnetsOn(state.ProviderSegment).First().FirstUsable}/29");

    [Fact]
    public void What_was_agreed_counts_for_nothing_on_any_other_line() =>
        Assert.Equal("203.0.113.10/24", Line(line => line with { Agreed = At("198.51.100.22/30", "198.51.100.21") }).State.Wan("gw")!.Address.ToString());

    [Fact]
    public void A_pass_through_target_gets_what_was_seen()
    {
        var state = Line(line => line with { Seen = At("198.51.100.130/24", "198.51.100.129") })
            .With(h => h.WithDevice("gw", d => d with { Mode = DeviceMode.Passthrough, PassthroughTo = "own" })).Box("own").Cable("gw:lan2", "own:wan").Thing("b", "own:lan1").State;
        Assert.Equal("198.51.100.130/24", state.Wan("own")!.Address.ToString());
        Assert.Equal((Answer.Yes, 1), (state.Internet("b").Reachable, state.Internet("b").NatLayers));
    }
}
