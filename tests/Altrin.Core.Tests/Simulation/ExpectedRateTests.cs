using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Simulation;

/// <summary>Where the tightest place of a download lies: both sockets of a cable, the line's own, each radio that hears and repeats.</summary>
public class ExpectedRateTests
{
    private static WifiNetwork Home(string radio) => new() { Radio = radio, Ssid = "home", Security = WifiSecurity.Wpa2, Key = "k" };

    private static Uplink Up(string radio, string? near = null) => new() { Radio = radio, Ssid = "home", Security = WifiSecurity.Wpa2, Key = "k", Near = near };

    private static WirelessRadio Five(int streams = 2, int width = 80, string generation = "ac") => new() { Id = "5g", Band = Band.Ghz5, Generation = generation, Streams = streams, MaxWidthMHz = width };

    private static HouseBuilder Gateway(double? down = null) => new HouseBuilder().Gateway()
        .With(h => h with { Line = h.Line! with { DownMbps = down } })
        .With(h => h.WithDevice("gw", d => d with { Room = "hall", Radios = [Five()], Wifi = [Home("5g")] }));

    private static HouseBuilder Slow(HouseBuilder house, string box, string port) =>
        house.With(h => h.WithDevice(box, d => d with { Ports = [.. d.Ports.Select(p => p with { SpeedMbps = p.Id == port ? 100 : 1000 })] }));

    private static RateLimit? Tightest(HouseBuilder house) => house.State.RateOf("a").Tightest;

    private static HouseBuilder Joined(HouseBuilder house, string? room, string near) => house.Thing("a", null).With(h => h.WithEndpoint("a", e => e with
    {
        Room = room,
        Connect = new Attachment.Join { Ssid = "home", Security = WifiSecurity.Wpa2, Key = "k", Near = near },
    }));

    [Theory]
    [InlineData("gw", "lan1")]
    [InlineData("s", "lan1")]
    [InlineData("s", "lan2")]
    public void Either_socket_of_a_cable_and_the_things_own_may_be_the_slow_one(string box, string port)
    {
        var house = Slow(Gateway(500).Box("s", DeviceMode.Switch, null).Cable("gw:lan1", "s:lan1").Thing("a", "s:lan2"), box, port);
        Assert.Equal((RateLimitKind.Socket, box, port), Tightest(house) is { } limit ? (limit.Kind, limit.Device, limit.Port!) : default);
    }

    [Fact]
    public void A_slow_socket_that_is_not_on_the_way_is_no_matter()
    {
        var house = Slow(Gateway(500).Box("s", DeviceMode.Switch, null).Cable("gw:lan1", "s:lan1").Thing("a", "s:lan2"), "s", "lan3");
        Assert.Equal(RateLimitKind.Line, Tightest(house)!.Kind);
    }

    [Fact]
    public void A_thing_without_a_way_has_no_rate() => Assert.Null(Tightest(Gateway(500).Thing("a", null)));

    private static HouseBuilder Chain(string rRoom, string sRoom, string thingRoom) => Joined(Gateway()
        .Box("r", DeviceMode.Repeater, "192.168.31.2/24", false, with: d => d with { Room = rRoom, Radios = [Five()], Wifi = [Home("5g")], Uplink = Up("5g", "gw"), ServesWifi = true })
        .Box("s", DeviceMode.Repeater, "192.168.31.3/24", false, with: d => d with { Room = sRoom, Radios = [Five()], Wifi = [Home("5g")], Uplink = Up("5g", "r"), ServesWifi = true }), thingRoom, "s");

    /// <summary>On one channel each hop takes its share of the time of the radio that hears and repeats it: half and half.</summary>
    [Fact]
    public void Two_hops_in_a_row_are_named_by_the_radio_that_does_both()
    {
        var one = Tightest(Joined(Gateway(), "hall", "gw"))!;
        var two = Tightest(Joined(Gateway().Box("r", DeviceMode.Repeater, "192.168.31.2/24", false, with: d => d with { Room = "hall", Radios = [Five()], Wifi = [Home("5g")], Uplink = Up("5g", "gw"), ServesWifi = true }), "hall", "r"))!;
        Assert.Equal((RateLimitKind.Radio, "gw"), (one.Kind, one.Device));
        Assert.Equal((RateLimitKind.SharedRadio, "r"), (two.Kind, two.Device));
        Assert.Equal(one.Mbps / 2, two.Mbps, 1e-9);
    }

    [Fact]
    public void In_a_row_of_two_repeaters_the_slower_hop_is_found_whichever_it_is()
    {
        var near = Tightest(Chain("hall", "hall", "hall"))!;
        var far = Tightest(Chain("loft", "loft", "loft"))!;
        var last = Tightest(Chain("hall", "loft", "attic"))!;
        Assert.Equal("r", far.Device);
        Assert.Equal("s", last.Device);
        Assert.True(far.Mbps < near.Mbps && last.Mbps < near.Mbps, $"{near.Mbps} {far.Mbps} {last.Mbps}");
    }

    [Theory]
    [InlineData(1, 80)]
    [InlineData(2, 20)]
    public void A_radio_hop_carries_what_the_weaker_of_both_ends_can(int streams, int width)
    {
        HouseBuilder House(WirelessRadio own) => Gateway().Box("b", DeviceMode.ClientBridge, "192.168.31.2/24", false, with: d => d with { Room = "hall", Radios = [own], Uplink = Up("5g", "gw") }).Thing("a", "b:lan1");
        var (whole, weak) = (Tightest(House(Five()))!, Tightest(House(Five(streams, width)))!);
        Assert.True(weak.Mbps < whole.Mbps, $"{weak.Mbps} of {whole.Mbps}");
        Assert.True(whole.IsSameRoom && weak.IsSameRoom);
    }

    [Fact]
    public void Of_two_networks_of_one_name_only_those_that_are_sent_with_its_key_count()
    {
        WirelessRadio[] radios = [new() { Id = "2g", Band = Band.Ghz24, Generation = "n", Streams = 1, MaxWidthMHz = 20 }, Five()];
        double Rate(WifiNetwork five) => Tightest(Joined(Gateway().With(h => h.WithDevice("gw", d => d with { Radios = [.. radios], Wifi = [Home("2g"), five] })), "hall", "gw"))!.Mbps;
        var slow = Rate(Home("5g") with { Enabled = false });
        Assert.Equal(slow, Rate(Home("5g") with { Key = "other" }));
        Assert.Equal(slow, Rate(Home("5g") with { Ssid = "else" }));
        Assert.True(Rate(Home("5g")) > slow * 2);
    }
}
