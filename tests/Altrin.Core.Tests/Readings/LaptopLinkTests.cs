using Altrin.Core.Network;
using Altrin.Core.Readings.Eyes;
using Altrin.Core.Readings.Parsers;

namespace Altrin.Core.Tests.Readings;

/// <summary>Which adapter is on the house's network, and how the way to its gateway is.</summary>
public class LaptopLinkTests
{
    private static readonly Ipv4Address Gateway = Ipv4Address.Parse("192.168.7.1");

    private static PastedReading Two(string method = "dhcp") => OneReading.Of([new("laptop", null,
        [new("eth0") { Address = "192.168.7.9/24", Kind = AdapterKind.Ethernet, Method = method }, new("wlan0") { Address = "10.4.0.3/24",
            Kind = AdapterKind.Wifi, Method = "dhcp" },
            new("docker0") { Address = "172.17.0.1/16", Kind = AdapterKind.Virtual }],
        [new("192.168.7.1", null, null, "eth0"), new("10.4.0.1", null, null, "wlan0")], [], [], [], [])]);

    [Fact]
    public void On_two_networks_it_is_asked_which_is_the_houses()
    {
        Assert.Equal("The laptop is on 2 networks at once: eth0 (cable, 192.168.7.9/24) and wlan0 (Wi-Fi, 10.4.0.3/24). Which one is the house’s?", HouseAdapter.Ask(Two(), null));
        Assert.Null(HouseAdapter.Ask(Two(), "wlan0"));
        var only = HouseAdapter.Only(Two(), "wlan0");
        Assert.Equal(["10.4.0.3/24"], only.Adapters.Select(one => one.Address));
        Assert.Equal(["10.4.0.1"], only.Neighbours.Select(one => one.Address));
        Assert.Null(HouseAdapter.Ask(only, null));
        Assert.Equal(3, HouseAdapter.Only(Two(), "eth9").Adapters.Length);
    }

    [Fact]
    public void A_typed_address_is_told()
    {
        Assert.Null(HouseAdapter.Fixed(Two()));
        Assert.Contains("192.168.7.9/24 on eth0", HouseAdapter.Fixed(Two("static")), StringComparison.Ordinal);
    }

    /// <summary>Worked by hand: the differences are 2, 1 and 6, and of the lost one there is none.</summary>
    [Fact]
    public void Loss_mean_and_jitter_are_those_of_the_round_trips()
    {
        var speed = GatewaySpeed.Of(Gateway, [4, 6, 5, null, 3, 9], 12.4, new("eth0", IsWifi: false, 1000));
        Assert.Equal((6, 5, 5.4, 3.0), (speed.Sent, speed.Answered, speed.MeanMs, speed.JitterMs));
        Assert.Equal("6 pings to 192.168.7.1: 1 lost (17 %), 5.4 ms, jitter 3 ms. Its page answered in 12 ms. The cable runs at 1000 Mb/s.", speed.Says);
        Assert.Contains("cable loses nothing", speed.Advice, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(0, false, 1000.0, null), InlineData(0, false, 100.0, "100 Mb/s"), InlineData(50, true, 100.0, "Nobody answers"),
        InlineData(1, true, 86.7, null)]
    [InlineData(5, true, 86.7, "Go nearer")]
    public void What_to_look_at_next_depends_on_the_medium(int lost, bool isWifi, double mbps, string? says)
    {
        double?[] times = [.. Enumerable.Repeat((double?)2, 50 - lost), .. Enumerable.Repeat((double?)null, lost)];
        var advice = GatewaySpeed.Of(Gateway, times, null, new("x", isWifi, mbps)).Advice;
        if (says is null) Assert.Null(advice);
        else Assert.Contains(says, advice, StringComparison.Ordinal);
    }

    /// <summary>The layout is that of iw 5.19, from memory; the names are invented.</summary>
    [Fact]
    public void The_link_of_a_joined_laptop_is_read()
    {
        var link = LinkNow.Of("wlan0", Assert.Single(PastedText.Read("""
            Connected to 02:00:5e:10:00:01 (on wlan0)
            	SSID: larkspur
            	freq: 5180
            	RX: 12345 bytes (99 packets)
            	signal: -57 dBm
            	rx bitrate: 400.0 MBit/s VHT-MCS 9 40MHz short GI VHT-NSS 2
            	tx bitrate: 433.3 MBit/s VHT-MCS 9 80MHz short GI VHT-NSS 1
            """)).Networks[0], 1);
        Assert.Equal(new("wlan0", true, 433.3, "larkspur", "02:00:5E:10:00:01", -57), link);
        Assert.Equal("studio", Joined.BoxOf(Examples.House("larkspur-house"), link with { Ssid = "studio-old" }));
        Assert.Null(Joined.BoxOf(Examples.House("larkspur-house"), link with { Ssid = "nobody" }));
    }
}
