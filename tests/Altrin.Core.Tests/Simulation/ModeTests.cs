using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Simulation;

/// <summary>Section 2 of the format: what each mode does to traffic, radio links and guests included.</summary>
public class ModeTests
{
    private static WifiNetwork Net(string ssid = "home", string? key = "k", WifiSecurity security = WifiSecurity.Wpa2, int? channel = null, bool guest = false, bool enabled = true) =>
        new() { Radio = "2g", Ssid = ssid, Key = key, Security = security, Channel = channel is { } number ? new(number) : null, Guest = guest, Enabled = enabled };

    private static Uplink Up(string ssid = "home", string? key = "k", WifiSecurity security = WifiSecurity.Wpa2, string? near = null) =>
        new() { Radio = "2g", Ssid = ssid, Key = key, Security = security, Near = near };

    private static HouseBuilder Gateway(params WifiNetwork[] networks) => new HouseBuilder().Gateway().With(h => h.WithDevice("gw", d => d with { Wifi = [.. networks] }));

    private static HouseBuilder Bridge(DeviceMode mode, bool dhcp = false, Uplink? uplink = null, WifiNetwork? own = null, bool servesWifi = false, params WifiNetwork[] gateway) =>
        Gateway(gateway.Length == 0 ? [Net()] : gateway).Box("b", mode, "192.168.31.2/24", dhcp,
            with: d => d with { Uplink = uplink ?? Up(), Wifi = own is null ? [] : [own], ServesWifi = servesWifi }).Thing("wired", "b:lan1");

    [Theory]
    [InlineData(DeviceMode.Repeater)]
    [InlineData(DeviceMode.ClientBridge)]
    [InlineData(DeviceMode.MeshSatellite)]
    public void A_radio_bridge_puts_its_sockets_on_the_network_it_joins(DeviceMode mode)
    {
        var state = Bridge(mode).State;
        Assert.Equal(state.InsideOf("gw"), state.Net("wired")!.Segment);
        Assert.Equal((Answer.Yes, 1), (state.Internet("wired").Reachable, state.Internet("wired").NatLayers));
        Assert.Equal("gw", state.UplinkBox("b"));
    }

    [Theory]
    [InlineData("home", "other", WifiSecurity.Wpa2)]        // another password
    [InlineData("else", "k", WifiSecurity.Wpa2)]            // another name
    [InlineData("home", "k", WifiSecurity.Wpa3)]            // a security the gateway does not speak
    public void With_another_name_key_or_security_nothing_is_joined(string ssid, string key, WifiSecurity security)
    {
        var state = Bridge(DeviceMode.Repeater, uplink: Up(ssid, key, security)).State;
        Assert.Null(state.UplinkBox("b"));
        Assert.Equal(Answer.No, state.Internet("wired").Reachable);
    }

    [Theory, Trait("source", "format, section 2: the mixed mode joins with WPA2 or WPA3")]
    [InlineData(WifiSecurity.Wpa2Wpa3, WifiSecurity.Wpa2, true)]
    [InlineData(WifiSecurity.Wpa2Wpa3, WifiSecurity.Wpa3, true)]
    [InlineData(WifiSecurity.Wpa2, WifiSecurity.Wpa2Wpa3, true)]
    [InlineData(WifiSecurity.Wpa2Wpa3, WifiSecurity.Wpa, false)]
    [InlineData(WifiSecurity.Wpa2, WifiSecurity.Wpa3, false)]
    [InlineData(WifiSecurity.Wep, WifiSecurity.Wep, true)]
    public void Two_ends_join_on_a_security_that_both_speak(WifiSecurity made, WifiSecurity asked, bool joins) =>
        Assert.Equal(joins ? "gw" : null, Bridge(DeviceMode.Repeater, uplink: Up(security: asked), gateway: Net(security: made)).State.UplinkBox("b"));

    [Fact]
    public void A_switched_off_network_or_another_band_is_not_joined()
    {
        Assert.Null(Bridge(DeviceMode.Repeater, gateway: Net(enabled: false)).State.UplinkBox("b"));
        var other = Gateway(Net()).Box("b", DeviceMode.Repeater, "192.168.31.2/24", false, with: d => d with { Radios = [new() { Id = "2g", Band = Band.Ghz5 }], Uplink = Up() });
        Assert.Null(other.State.UplinkBox("b"));
    }

    [Theory]
    [InlineData(DeviceMode.Repeater)]
    [InlineData(DeviceMode.Wds)]
    [InlineData(DeviceMode.ClientBridge)]
    public void A_radio_bridge_with_its_server_left_on_gives_itself_as_gateway_and_its_clients_have_no_internet(DeviceMode mode)
    {
        var state = Bridge(mode, dhcp: true, own: Net("wds", channel: 6), gateway: Net(channel: 6)).State;
        Assert.Equal(LeaseOutcome.Contested, state.Net("wired")!.Outcome);
        Assert.Contains(state.Net("wired")!.Candidates, candidate => candidate is { Server: "b" } && candidate.Gateway.ToString() == "192.168.31.2");
        Assert.Equal(Answer.Sometimes, state.Internet("wired").Reachable);
    }

    [Theory]
    [InlineData(6, 6, true)]
    [InlineData(6, 11, false)]
    [InlineData(null, 6, false)]        // auto at the gateway
    [InlineData(6, null, false)]
    [InlineData(null, null, false)]     // auto at both may agree today
    public void A_wds_link_comes_up_only_on_one_fixed_channel(int? gateway, int? own, bool up)
    {
        var state = Bridge(DeviceMode.Wds, own: Net("wds", channel: own), gateway: Net(channel: gateway)).State;
        Assert.Equal(up ? Answer.Yes : Answer.No, state.Internet("wired").Reachable);
    }

    [Theory]
    [InlineData(6, 11, true)]
    [InlineData(11, 6, false)]
    public void The_first_network_on_the_radio_tells_the_channel_of_a_wds_end(int first, int second, bool up)
    {
        var state = Bridge(DeviceMode.Wds, own: Net("wds", channel: first), gateway: Net(channel: 6))
            .With(h => h.WithDevice("b", d => d with { Wifi = d.Wifi.Add(Net("more", channel: second)) })).State;
        Assert.Equal(up ? "gw" : null, state.UplinkBox("b"));
    }

    [Theory]
    [InlineData(DeviceMode.MeshSatellite, LeaseOutcome.Leased)]
    [InlineData(DeviceMode.Repeater, LeaseOutcome.Static)]
    public void A_satellite_asks_for_its_own_address_whatever_is_written_down(DeviceMode mode, LeaseOutcome outcome) =>
        Assert.Equal(outcome, Bridge(mode).State.Lan("b")!.Outcome);

    [Theory]
    [InlineData(true, true)]
    [InlineData(false, false)]
    public void A_client_bridge_makes_wifi_only_if_it_serves_it(bool serves, bool joins)
    {
        var state = Bridge(DeviceMode.ClientBridge, own: Net("bridge", null, WifiSecurity.Open), servesWifi: serves).Thing("phone", "~bridge").State;
        Assert.Equal(joins ? "b" : null, state.JoinedBox("phone"));
    }

    [Fact]
    public void A_router_with_an_uplink_translates_through_it_and_its_wan_socket_is_dead()
    {
        var house = Gateway(Net()).Box("b", DeviceMode.Router, "192.168.1.1/24", with: d => d with { Uplink = Up() }).Thing("wired", "b:lan1");
        Assert.Equal((Answer.Yes, 2), (house.State.Internet("wired").Reachable, house.State.Internet("wired").NatLayers));
        Assert.Equal(-1, house.State.SegmentOf(new("b", "wan")));
        Assert.Equal("192.168.31.100/24", house.State.Wan("b")!.Address.ToString());
    }

    [Fact]
    public void A_modem_and_a_pass_through_gateway_make_no_wifi()
    {
        Assert.Null(Gateway(Net("home", null, WifiSecurity.Open)).With(h => h.WithDevice("gw", d => d with { Mode = DeviceMode.Modem })).Thing("a", "~home").State.JoinedBox("a"));
        Assert.Null(Gateway(Net("home", null, WifiSecurity.Open)).With(h => h.WithDevice("gw", d => d with { Mode = DeviceMode.Passthrough })).Thing("a", "~home").State.JoinedBox("a"));
    }

    private static HouseBuilder PassThrough(string? target) => new HouseBuilder().Gateway(mode: DeviceMode.Passthrough).With(h => h.WithDevice("gw", d => d with { PassthroughTo = target }))
        .Box("s", DeviceMode.Switch, null).Box("r").Cable("gw:lan1", "s:lan1").Cable("s:lan2", "r:wan").Thing("behind", "r:lan1").Thing("beside", "gw:lan2");

    [Fact]
    public void In_pass_through_the_target_gets_the_lines_own_address_and_the_others_a_private_one_without_internet()
    {
        var state = PassThrough("r").State;
        Assert.Equal(("203.0.113.10/24", "isp"), (state.Wan("r")!.Address.ToString(), state.Wan("r")!.Candidates[0].Server));
        Assert.Equal((Answer.Yes, 1), (state.Internet("behind").Reachable, state.Internet("behind").NatLayers));
        Assert.Equal("192.168.31.100/24", state.Net("beside")!.Address.ToString());
        Assert.Equal(Answer.No, state.Internet("beside").Reachable);
        Assert.Equal(Answer.Yes, state.Admin("beside", "gw").Reachable);
        Assert.Equal(Answer.No, state.Admin("behind", "gw").Reachable);
    }

    [Theory]
    [InlineData(null)]
    [InlineData("s")]           // no router
    public void With_no_target_nobody_has_internet(string? target)
    {
        var state = PassThrough(target).State;
        Assert.Equal((Answer.No, Answer.No), (state.Internet("behind").Reachable, state.Internet("beside").Reachable));
    }

    [Fact]
    public void With_the_line_in_a_lan_socket_of_a_pass_through_gateway_the_provider_leases_to_each_once()
    {
        var state = PassThrough("r").With(h => h with { Line = h.Line! with { Port = "lan6", Addresses = 2 } }).Box("other").Cable("gw:lan3", "other:wan").State;
        Assert.Equal("203.0.113.10/24", Assert.Single(state.Wan("r")!.Candidates).Address.ToString());
        Assert.Equal(["203.0.113.11/24", "192.168.31.100/24"], state.Wan("other")!.Candidates.Select(one => one.Address.ToString()));
    }

    [Fact]
    public void A_routers_guests_have_internet_and_nothing_else_of_the_home()
    {
        var state = Gateway(Net(), Net("visitors", null, WifiSecurity.Open, guest: true)).Thing("guest", "~visitors").Thing("own", "gw:lan1").State;
        Assert.NotEqual(state.Net("own")!.Segment, state.Net("guest")!.Segment);
        Assert.Equal(Answer.Yes, state.Internet("guest").Reachable);
        Assert.Equal((Answer.No, Answer.No), (state.Reach("guest", "own").Reachable, state.Reach("own", "guest").Reachable));
        Assert.Equal(Answer.No, state.Admin("guest", "gw").Reachable);
    }

    [Fact]
    public void Guests_of_a_box_that_only_bridges_are_not_apart()
    {
        var state = Gateway().Box("ap", DeviceMode.AccessPoint, "192.168.31.2/24", with: d => d with { Wifi = [Net("visitors", null, WifiSecurity.Open, guest: true)] })
            .Cable("gw:lan1", "ap:wan").Thing("guest", "~visitors").Thing("own", "gw:lan2").State;
        Assert.Equal(Answer.Yes, state.Reach("guest", "own").Reachable);
    }

    [Fact]
    public void Who_hears_several_joins_the_one_named_near_else_the_one_with_fewest_radio_hops()
    {
        Device Ap(Device d) => d with { Wifi = [Net("home", null, WifiSecurity.Open)] };
        HouseBuilder House(string? near) => Gateway().Box("far", DeviceMode.Repeater, "192.168.31.3/24", false, with: d => Ap(d) with { Uplink = Up("home", null, WifiSecurity.Open) })
            .Box("ap", DeviceMode.AccessPoint, "192.168.31.2/24", false, with: Ap).Cable("gw:lan1", "ap:wan").Thing("phone", "~home")
            .With(h => h.WithEndpoint("phone", e => e with { Connect = (Attachment.Join)e.Connect! with { Near = near } }));
        Assert.Equal("ap", House(null).State.JoinedBox("phone"));
        Assert.Equal("far", House("far").State.JoinedBox("phone"));
        Assert.Equal("ap", House("gw").State.JoinedBox("phone"));       // the gateway has no such network
        Assert.Equal("ap", House(null).State.UplinkBox("far"));
    }

    [Fact]
    public void An_uplink_never_joins_its_own_network_nor_one_that_hangs_below_it()
    {
        var house = Gateway(Net()).Box("a", DeviceMode.Repeater, "192.168.31.2/24", false, with: d => d with { Uplink = Up(), Wifi = [Net()] })
            .Box("b", DeviceMode.Repeater, "192.168.31.3/24", false, with: d => d with { Uplink = Up(near: "a"), Wifi = [Net()] })
            .Box("c", DeviceMode.AccessPoint, "192.168.31.4/24", false, with: d => d with { Wifi = [Net()] }).Cable("b:lan1", "c:lan1");
        Assert.Equal(("gw", "a"), (house.State.UplinkBox("a"), house.State.UplinkBox("b")));
        house.With(h => h.WithDevice("a", d => d with { Uplink = Up(near: "c") }));
        // The first in the document has its way; then the other hangs above it and must join elsewhere.
        Assert.Equal(("c", "gw"), (house.State.UplinkBox("a"), house.State.UplinkBox("b")));
    }

    [Fact]
    public void Cable_and_radio_at_once_are_a_loop_unless_a_mesh_unit_breaks_it()
    {
        Assert.True(Bridge(DeviceMode.Repeater).Cable("gw:lan3", "b:lan3").State.Segments.Any(segment => segment.IsLoop));
        Assert.DoesNotContain(Bridge(DeviceMode.MeshSatellite).Cable("gw:lan3", "b:lan3").State.Segments, segment => segment.IsLoop);
    }

    [Theory]
    [InlineData(Medium.Powerline)]
    [InlineData(Medium.Coax)]
    public void Powerline_and_coax_join_as_cables_do(Medium medium)
    {
        var state = new HouseBuilder().Gateway().Box("s", DeviceMode.Switch, null).Cable("gw:lan1", "s:lan1").Thing("a", "s:lan2")
            .With(h => h with { Cables = [h.Cables[0] with { Medium = medium }] }).State;
        Assert.Equal(Answer.Yes, state.Internet("a").Reachable);
    }

    [Fact]
    public void An_upnp_mapping_opens_a_port_behind_exactly_one_translation()
    {
        var service = new Service { Protocol = TransportProtocol.Tcp, Port = 80 };
        HouseBuilder One() => new HouseBuilder().Gateway().Thing("a", "gw:lan1", services: service).With(h => h.WithDevice("gw", d => d with { Upnp = true }));
        Assert.Equal(Answer.Yes, One().State.Inbound("a", TransportProtocol.Tcp, 80).Reachable);
        var two = One().Box("r", with: d => d with { Upnp = true }).Cable("gw:lan2", "r:wan").Thing("b", "r:lan1", services: service).State;
        Assert.Equal((Answer.No, "gw"), (two.Inbound("b", TransportProtocol.Tcp, 80).Reachable, two.Inbound("b", TransportProtocol.Tcp, 80).StoppedAt));
    }
}
