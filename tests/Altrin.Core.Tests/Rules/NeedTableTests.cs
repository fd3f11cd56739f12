using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Rules;

/// <summary>The table of wants in section 1 of the format, a row a method.</summary>
public class NeedTableTests
{
    private static string? Met(HouseBuilder house, Need need) => Evaluation.Of(house.With(h => h with { Needs = [need] })).Wants.Single().Met.ToString();

    private static WifiNetwork Net(string ssid = "home", string? key = "k", WifiSecurity security = WifiSecurity.Wpa2, bool guest = false, bool enabled = true) =>
        new() { Radio = "2g", Ssid = ssid, Key = key, Security = security, Guest = guest, Enabled = enabled };

    private static HouseBuilder Gateway(params WifiNetwork[] networks) => new HouseBuilder().Gateway().With(h => h.WithDevice("gw", d => d with { Wifi = [.. networks] }));

    private static HouseBuilder AndAp(HouseBuilder house, params WifiNetwork[] networks) =>
        house.Box("ap", DeviceMode.AccessPoint, "192.168.31.2/24", false, with: d => d with { Wifi = [.. networks] }).Cable("gw:lan1", "ap:wan");

    [Fact]
    public void One_name_is_one_name_security_and_key_of_every_enabled_network_that_is_not_for_guests()
    {
        Assert.Equal("Yes", Met(AndAp(Gateway(Net()), Net()), new Need.OneName { Id = "n" }));
        Assert.Equal("No", Met(AndAp(Gateway(Net()), Net("other")), new Need.OneName { Id = "n" }));
        Assert.Equal("No", Met(AndAp(Gateway(Net()), Net(key: "other")), new Need.OneName { Id = "n" }));
        Assert.Equal("No", Met(AndAp(Gateway(Net()), Net(security: WifiSecurity.Wpa3)), new Need.OneName { Id = "n" }));
        Assert.Equal("Yes", Met(AndAp(Gateway(Net()), Net(), Net("visitors", guest: true)), new Need.OneName { Id = "n" }));
        Assert.Equal("Yes", Met(AndAp(Gateway(Net()), Net("other", enabled: false)), new Need.OneName { Id = "n" }));
    }

    [Fact]
    public void Own_names_are_names_that_no_two_boxes_share()
    {
        Assert.Equal("Yes", Met(AndAp(Gateway(Net(), Net()), Net("loft")), new Need.OwnNames { Id = "n" }));      // one box may send its name on two bands
        Assert.Equal("No", Met(AndAp(Gateway(Net()), Net()), new Need.OwnNames { Id = "n" }));
    }

    [Theory]
    [InlineData("home", "k", false, "Yes")]
    [InlineData("home", "other", false, "No")]
    [InlineData("Home", "k", false, "No")]      // a name's letters count
    [InlineData("home", "k", true, "No")]       // for guests it serves no household
    public void A_name_is_kept_when_a_network_of_that_name_and_key_serves_the_household(string ssid, string key, bool guest, string met) =>
        Assert.Equal(met, Met(Gateway(Net(guest: guest)), new Need.KeepName { Id = "n", Ssid = ssid, Key = key }));

    private static string? Apart(HouseBuilder house) => Met(house, new Need.GuestsApart { Id = "n", Ssid = "visitors" });

    [Fact]
    public void Guests_are_apart_when_they_have_internet_and_reach_no_device_of_the_home()
    {
        var guests = Net("visitors", null, WifiSecurity.Open, guest: true);
        Assert.Equal("Yes", Apart(Gateway(guests).Thing("own", "gw:lan2")));
        Assert.Equal("No", Apart(Gateway(Net()).Thing("own", "gw:lan2")));                                                      // nobody makes it
        Assert.Equal("No", Apart(Gateway(guests).With(h => h with { Line = null }).Thing("own", "gw:lan2")));                   // no internet
        Assert.Equal("No", Apart(AndAp(Gateway(), guests).Thing("own", "gw:lan2")));                                            // in the middle of the home
        Assert.Equal("No", Apart(AndAp(Gateway(), guests)));                                                                    // settings pages are devices too
        Assert.Equal("No", Apart(AndAp(Gateway(guests), guests).Thing("own", "gw:lan2")));                                      // apart at the one box, not at the other
        Assert.Equal("Yes", Apart(Gateway(guests).Thing("other-guest", "~visitors").Thing("own", "gw:lan2")));                  // another guest is none of the home
    }

    /// <summary>A box may be called as a segment is numbered: each is looked at all the same.</summary>
    [Fact]
    public void What_a_box_is_called_hides_no_guest()
    {
        var guests = Net("visitors", null, WifiSecurity.Open, guest: true);
        HouseBuilder House(string id) => Gateway(guests).Box(id, DeviceMode.AccessPoint, "192.168.31.2/24", dhcp: false, with: box => box with { Wifi = [guests, guests with { Vlan = 20 }] }).Cable("gw:lan1", $"{id}:lan1").Thing("own", "gw:lan2");
        var segments = House("ap").State.Segments.Length;
        Assert.InRange(segments, 3, 20);
        Assert.All(Enumerable.Range(0, segments), number => Assert.Equal("No", Apart(House($"{number}"))));
    }

    [Fact]
    public void Of_guests_a_thing_alone_gives_them_away_too()
    {
        // No page answers here: the access point has no address, and the gateway's is in another subnet than the thing's.
        var guests = Net("visitors", null, WifiSecurity.Open, guest: true);
        var want = Evaluation.Of(new HouseBuilder().Gateway().Box("ap", DeviceMode.AccessPoint, null, with: d => d with { Wifi = [guests] }).Cable("gw:lan1", "ap:wan").Thing("own", "gw:lan2")
            .With(h => h with { Needs = [new Need.GuestsApart { Id = "n", Ssid = "visitors" }] })).Wants.Single();
        Assert.Equal((Answer.No, "At ap a guest reaches own."), (want.Met, want.Because));
    }

    [Theory]
    [InlineData("10.0.0.0/8", "10.1.2.1/24", "No")]
    [InlineData("10.1.2.128/25", "10.1.2.1/24", "No")]
    [InlineData("10.1.3.0/24", "10.1.2.1/24", "Yes")]
    [InlineData("192.168.200.0/24", "10.1.2.1/24", "No")]       // the gateway's guests
    public void A_tunnel_is_clear_when_no_subnet_of_the_home_overlaps_it(string prefix, string lan, string met) => Assert.Equal(met,
        Met(new HouseBuilder().Gateway(lan).With(h => h.WithDevice("gw", d => d with { Wifi = [Net("visitors", guest: true)] })), new Need.Tunnel { Id = "n", Prefix = Prefix.Parse(prefix) }));

    [Theory]
    [InlineData(5, "Yes")]      // six LAN sockets, two taken, and its WAN socket, which it bridges; the other box does not count
    [InlineData(6, "No")]
    public void Sockets_are_the_free_lan_sockets_in_that_room(int count, string met)
    {
        var house = new HouseBuilder().Gateway().Box("s", DeviceMode.Switch, null, with: d => d with { Room = "Study" }).Cable("gw:lan1", "s:lan1").Thing("a", "s:lan2");
        Assert.Equal(met, Met(house, new Need.Sockets { Id = "n", Room = "study", Count = count }));
    }

    [Theory]
    [InlineData(null, LineAddressing.Public, "No")]
    [InlineData("in", LineAddressing.Public, "No")]
    [InlineData("out", LineAddressing.Public, "Yes")]
    [InlineData("out", LineAddressing.Shared, "Yes")]       // the carrier's is not in the home
    public void A_single_translation_is_at_most_one_in_the_home(string? endpoint, LineAddressing addressing, string met) => Assert.Equal(met,
        Met(new HouseBuilder().Gateway(addressing: addressing).Box("r").Cable("gw:lan1", "r:wan").Thing("in", "r:lan1").Thing("out", "gw:lan2"), new Need.SingleNat { Id = "n", Endpoint = endpoint }));

    [Theory]
    [InlineData(null, null, "Yes")]
    [InlineData(80, null, "Yes")]
    [InlineData(80, TransportProtocol.Tcp, "Yes")]
    [InlineData(80, TransportProtocol.Udp, "Yes")]
    [InlineData(81, null, "Yes")]
    public void A_thing_is_reached_whatever_it_offers(int? port, TransportProtocol? protocol, string met) => Assert.Equal(met,
        Met(new HouseBuilder().Gateway().Thing("a", "gw:lan1").Thing("b", "gw:lan2", services: new Service { Protocol = TransportProtocol.Tcp, Port = 80 }),
            new Need.Reach { Id = "n", From = "a", To = "b", Port = port, Protocol = protocol }));

    [Theory]
    [InlineData(true, "Yes")]
    [InlineData(false, "No")]
    public void Internet_and_inbound_are_as_the_house_is_simulated(bool open, string met)
    {
        var house = new HouseBuilder().Gateway().Thing("a", "gw:lan1", services: new Service { Protocol = TransportProtocol.Tcp, Port = 80 })
            .With(h => h.WithDevice("gw", d => d with { DmzHost = open ? Ipv4Address.Parse("192.168.31.100") : null }));
        Assert.Equal(met, Met(house, new Need.Inbound { Id = "n", Endpoint = "a", Protocol = TransportProtocol.Tcp, Port = 80 }));
        Assert.Equal(met, Met(house.With(h => open ? h : h with { Line = null }), new Need.Internet { Id = "n", Endpoint = "a" }));
    }
}
