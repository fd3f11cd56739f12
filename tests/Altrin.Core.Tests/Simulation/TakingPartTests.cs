using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Needs;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Simulation;

/// <summary>Who takes part (section 1): boxes at hand, boxes without power, gateways that share, radios of few bands, pools nobody has
/// seen.</summary>
public class TakingPartTests
{
    private static readonly WifiNetwork Home = new() { Radio = "2g", Ssid = "home", Security = WifiSecurity.Wpa2, Key = "k" };

    private static Attachment.Join Join(string? near = null, string key = "k") =>
        new() { Ssid = "home", Security = WifiSecurity.Wpa2, Key = key, Near = near };

    /// <summary>A gateway without Wi-Fi, and a box with it that nothing is plugged into.</summary>
    private static HouseBuilder OnTheTable(Attachment? thing = null) =>
        new HouseBuilder().Gateway().Box("spare", address: "192.168.31.1/24", with: d => d with { Wifi = [Home] })
        .Thing("a", null).With(h => h.WithEndpoint("a", e => e with { Connect = thing }));

    [Fact]
    public void A_box_on_the_table_has_no_segment_no_address_no_wifi_and_no_finding()
    {
        var house = Evaluation.Of(OnTheTable(Join()));
        Assert.False(house.State.IsInUse("spare"));
        Assert.All(house.State.Interfaces.Where(one => one.Owner == "spare"),
            one => Assert.Equal((LeaseOutcome.None, -1), (one.Outcome, one.Segment)));
        Assert.Equal(["wan", "lan"],
            house.State.Interfaces.Where(one => one.Owner == "spare").Select(one => Words<InterfaceKind>.Of(one.Kind)));
        Assert.DoesNotContain(house.State.Segments,
            segment => segment.Members.Any(member => member.Contains("spare", StringComparison.Ordinal)));
        Assert.Empty(house.State.Air);
        Assert.Null(house.State.JoinedBox("a"));
        Assert.DoesNotContain(house.Findings, finding => finding.Subjects.Contains("spare"));
    }

    [Theory]
    [InlineData("spare", "k", "spare")]
    [InlineData("spare", "other", null)]        // named, but its own network has another key
    [InlineData(null, "k", null)]               // a join without a box named chooses none at hand
    public void It_is_in_use_where_a_thing_names_it_and_its_network_matches(string? near, string key, string? joined)
    {
        var state = OnTheTable(Join(near, key)).State;
        Assert.Equal((joined is not null, joined), (state.IsInUse("spare"), state.JoinedBox("a")));
    }

    /// <summary>Section 1, <c>knows</c>: it stays on what <c>connect</c> says while that is sent, and joins what it knows where that is
    /// sent by nobody.</summary>
    [Theory]
    [InlineData("home", "k", "old", "o", null, null, "gw")]             // what it is set to is sent
    [InlineData("gone", "k", "home", "k", null, null, "gw")]            // nobody sends it: what it knows
    [InlineData("home", "other", "home", "k", null, null, "gw")]        // the same name with another password is another network
    [InlineData("gone", "k", "home", "other", null, null, null)]        // what it knows has another password by now
    [InlineData("gone", "k", "home", "k", "5", null, null)]             // its radio cannot hear the band
    [InlineData("home", "k", "side", "k", "5", "side", null)]           // what it is set to is sent, though its radio cannot hear it
    public void What_a_thing_knows_counts_only_where_its_own_is_sent_by_nobody(
        string set, string key, string known, string knownKey, string? band, string? also, string? joined)
    {
        var networks = also is null ? new[] { Home } : [Home, Home with { Radio = "5g", Ssid = also }];
        var state = new HouseBuilder().Gateway().With(h => h.WithDevice("gw", d => d with
        {
            Radios = [.. d.Radios, new() { Id = "5g", Band = Band.Ghz5 }],
            Wifi = [.. networks],
        })).Thing("a", null).With(h => h.WithEndpoint("a", e => e with
        {
            Connect = new Attachment.Join { Ssid = set, Security = WifiSecurity.Wpa2, Key = key },
            Knows = new() { Ssid = known, Security = WifiSecurity.Wpa2, Key = knownKey },
            Bands = band is null ? [] : [Band.Ghz5],
        })).State;
        Assert.Equal(joined, state.JoinedBox("a"));
    }

    [Fact]
    public void One_thing_that_names_it_opens_it_to_all()
    {
        var state = OnTheTable(Join("spare")).Thing("b", null).With(h => h.WithEndpoint("b", e => e with { Connect = Join() })).State;
        Assert.Equal("spare", state.JoinedBox("b"));
    }

    [Theory]
    [InlineData("cable")]
    [InlineData("thing")]
    [InlineData("uplink")]
    [InlineData("line")]
    public void Whatever_is_plugged_in_or_joined_puts_it_to_use(string how)
    {
        var house = OnTheTable();
        house = how switch
        {
            "cable" => house.Cable("gw:lan1", "spare:lan1"),
            "thing" => house.Thing("b", "spare:lan1"),
            "uplink" => house.With(h => h.WithDevice("spare", d => d with { Uplink = new() { Radio = "2g", Ssid = "nobody" } })),
            _ => house.With(h => h with { Line = h.Line! with { Device = "spare" } }),
        };
        Assert.True(house.State.IsInUse("spare"));
    }

    [Fact]
    public void A_box_without_power_takes_no_part_and_its_cables_stay_in()
    {
        var house = new HouseBuilder().Gateway().Box("sw", DeviceMode.Switch, null).Cable("gw:lan1", "sw:lan1").Thing("a",
            "sw:lan2").With(h => h.WithDevice("sw", d => d with { Off = true }));
        Assert.Equal((LeaseOutcome.None, Answer.No), (house.State.Net("a")!.Outcome, house.State.Internet("a").Reachable));
        Assert.NotNull(house.House.OccupantOf(new("gw", "lan1")));
        Assert.Contains("has no power", NeedBook.Judge(new(house.State), new Need.Internet { Id = "n", Endpoint = "a" }).Because,
            StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(Band.Ghz24, true)]
    [InlineData(Band.Ghz5, false)]
    public void A_thing_joins_on_a_band_that_its_radio_has(Band band, bool joins) => Assert.Equal(joins,
        new HouseBuilder().Gateway().With(h => h.WithDevice("gw", d => d with { Wifi = [Home] })).Thing("a", null)
            .With(h => h.WithEndpoint("a", e => e with { Connect = Join(), Bands = [band] })).State.JoinedBox("a") is not null);

    private static HouseBuilder Shared(bool shares, HandOff handOff = HandOff.Dhcp, WanMethod method = WanMethod.Dhcp) =>
        new HouseBuilder().Gateway(handOff: handOff).Box("own").Cable("gw:lan1", "own:wan")
        .With(h => h.WithDevice("gw",
            d => d with
            {
                Mode = DeviceMode.Passthrough,
                PassthroughTo = "own",
                PassthroughShares = shares ? true
            : null,
                Wifi = [Home],
                Wan = new() { Method = method }
            }).WithDevice("own", d => d with { Wan = new() { Method = method } }))
        .Thing("behind", "own:lan1", services: new Service { Protocol = TransportProtocol.Tcp, Port = 80 })
        .Thing("bystander", "gw:lan2", services: new Service { Protocol = TransportProtocol.Tcp, Port = 80 }).Thing("radio",
            "~home").With(h => h.WithEndpoint("radio", e => e with { Connect = Join() }));

    [Theory]
    [InlineData(true, Answer.Yes, 1)]
    [InlineData(false, Answer.No, 0)]
    public void A_gateway_that_shares_goes_on_routing_for_everyone_else(bool shares, Answer online, int layers)
    {
        var state = Shared(shares).State;
        Assert.Equal((online, layers), (state.Internet("bystander").Reachable, state.Internet("bystander").NatLayers));
        Assert.Equal(online, state.Internet("radio").Reachable);         // its Wi-Fi goes on too
        Assert.Equal((Answer.Yes, 1, "203.0.113.10"),
            (state.Internet("behind").Reachable, state.Internet("behind").NatLayers, state.Wan("own")!.Address!.Value.Address.ToString()));
        Assert.StartsWith("192.168.31.", state.Net("bystander")!.Address!.Value.Address.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void All_that_comes_in_is_the_targets()
    {
        var state = Shared(true).With(h =>
            h.WithDevice("own", d => d with { DmzHost = Ipv4Address.Parse("192.168.1.100") }).WithDevice("gw",
            d => d with { DmzHost = Ipv4Address.Parse("192.168.31.101"), Upnp = true })).State;
        Assert.Equal(Answer.Yes, state.Inbound("behind", TransportProtocol.Tcp, 80).Reachable);
        Assert.Equal((Answer.No, "gw"),
            (state.Inbound("bystander", TransportProtocol.Tcp, 80).Reachable,
            state.Inbound("bystander", TransportProtocol.Tcp, 80).StoppedAt));
    }

    [Fact]
    public void It_shares_with_everyone_where_its_target_is_not_there() =>
        Assert.Equal(Answer.Yes,
            Shared(true).With(h => h.WithDevice("gw", d => d with { PassthroughTo = null })).State.Internet("bystander").Reachable);

    [Theory]
    [InlineData(HandOff.Pppoe, WanMethod.Pppoe, Answer.Yes)]
    [InlineData(HandOff.Pppoe, WanMethod.Dhcp, Answer.No)]
    public void It_logs_on_as_any_router_does(HandOff handOff, WanMethod method, Answer online) =>
        Assert.Equal(online, Shared(true, handOff, method).State.Internet("bystander").Reachable);

    [Fact]
    public void A_pool_that_nobody_has_looked_at_is_the_whole_subnet_and_a_fixed_address_in_it_a_caution()
    {
        var house = new HouseBuilder().Gateway().With(h =>
            h.WithDevice("gw", d => d with { Lan = d.Lan! with { DhcpServer = new() { Enabled = true } } }))
            .Thing("a", "gw:lan1").Thing("fixed", "gw:lan2", "192.168.31.3", "192.168.31.1").Thing("c", "gw:lan3");
        var state = house.State;
        Assert.Equal("192.168.31.1 to 192.168.31.254", state.Servers.Single(server => server.Device == "gw").Pool.ToString());
        Assert.Equal(["192.168.31.2/24", "192.168.31.4/24"], new[] { "a", "c" }.Select(id => state.Net(id)!.Address.ToString()!));
        var found = Assert.Single(Evaluation.Of(house).Findings, finding => finding.Rule == "static-in-pool");
        Assert.Equal(Severity.Caution, found.Severity);
        Assert.Contains("nobody has looked", found.Message, StringComparison.Ordinal);
    }
}
