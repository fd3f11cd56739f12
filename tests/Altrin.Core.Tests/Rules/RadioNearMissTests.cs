using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;

namespace Altrin.Core.Tests.Rules;

/// <summary>The example of a mistake with the one thing mended that makes it none: the rule must hold its tongue, and no other may speak up.</summary>
public class RadioNearMissTests
{
    private static Socket At(string device, string port) => new(device, port);

    public static IEnumerable<TheoryDataRow<string, InstallerAction>> Mends() =>
    [
        new("inbound-target-moved", new SetDmzHost("gw", Ipv4Address.Parse("192.168.31.101"))),
        new("forward-target-moved", new SetForward("gw", new() { Protocol = TransportProtocol.Tcp, Port = 8443, ToAddress = Ipv4Address.Parse("192.168.31.101") })),
        new("passthrough-bystander", new UnplugEndpoint("laptop")),
        new("passthrough-to-nobody", new SetPassthroughTarget("gw", "second")),
        new("bridge-gives-addresses", new TurnOffDhcpServer("loft")),
        new("wisp-where-repeater", new KeepApart("loft", true)),
        new("uplink-not-joined", new SetUplink("loft", new() { Radio = "2g", Ssid = "hollow", Security = WifiSecurity.Wpa2Wpa3, Key = "home" })),
        new("thing-not-joined", new ConnectEndpoint("tablet", new Attachment.Join { Ssid = "hollow", Security = WifiSecurity.Wpa2Wpa3, Key = "home" })),
        new("dhcp-through-bridge", new SetEndpointAddress("tv", EndpointAddress.Fixed(InterfaceAddress.Parse("192.168.31.60/24"), Ipv4Address.Parse("192.168.31.1")))),
        new("several-wifi-names", new RemoveNeed("n1")),
        new("default-admin-password", new ChangeAdminPassword("gw")),
        new("satellites-in-row", new SetUplink("loft", new() { Radio = "5g", Ssid = "hollow", Security = WifiSecurity.Wpa2, Key = "home", Near = "gw" })),
        new("cable-beside-radio", new SetUplink("loft")),
        new("tunnel-clash", new SetNeed(new Need.Tunnel { Id = "n1", Prefix = Prefix.Parse("192.168.32.0/24") })),
        new("portable-fixed-address", new SetEndpointAddress("laptop", new())),
        new("admin-page-out-of-reach", new SetLanAddress("loft", InterfaceAddress.Parse("192.168.31.254/24"))),
        new("slow-socket", new SetLine(new() { Device = "gw", Port = "line", DownMbps = 100, UpMbps = 20 })),
        new("cable-beyond-standard", new ReplaceCable("c1", Medium.Ethernet, "cat5e", 100)),
        new("cable-too-long", new ReplaceCable("c1", Medium.Ethernet, "cat6", 100)),
        new("poe-class-not-met", new MoveCableEnd("c2", At("switch", "p2"), At("switch", "p3"))),
        new("channel-unlawful", new DescribeHouse("Where it is lawful", "US", new() { Walls = WallMaterial.Plasterboard }) { Rooms = Examples.House("channel-unlawful").Rooms }),
        new("radar-under-bridge", new SetWifi("gw", 0, new() { Radio = "5g", Ssid = "hollow", Security = WifiSecurity.Wpa2, Key = "home", Channel = new(36) })),
        new("channel-between", new SetWifi("gw", 0, new() { Radio = "2g", Ssid = "hollow", Security = WifiSecurity.Wpa2, Key = "home", Channel = new(13) })),
        new("wide-among-neighbours", new SetWifi("gw", 0, new() { Radio = "2g", Ssid = "hollow", Security = WifiSecurity.Wpa2, Key = "home", Channel = new(1) })),
        new("joined-too-weak", new CarryDevice("rep", "kitchen")),
        new("beside-its-parent", new CarryDevice("rep", "kitchen")),
        new("backhaul-on-old-band", new SetWifi("gw", 1, new() { Radio = "5g", Ssid = "hollow", Security = WifiSecurity.Wpa2, Key = "home", Channel = new(36), Enabled = false })),
        new("hears-another-better", new PlaceAt("tablet", "kitchen")),
        new("room-without-wifi", new PlaceAt("tablet", "lounge")),
        new("two-sources-one-room", new CarryDevice("hall", "study")),
        new("old-standard", new SetLine(Examples.House("old-standard").Line! with { DownMbps = 25 })),
    ];

    [Theory, MemberData(nameof(Mends))]
    public void With_the_one_thing_mended_nothing_is_found(string example, InstallerAction mend)
    {
        var house = Examples.House(example);
        Assert.Null(mend.Problem(house));
        var left = Evaluation.Of(mend.Apply(house)).Findings;
        // Kept apart on purpose it is still a second translation, and said to be meant.
        Assert.All(left, finding => Assert.True(finding is { Rule: "double-nat", Severity: Severity.Caution }, finding.Message));
    }

    /// <summary>A box that picks its channel itself is not known to sit on another’s.</summary>
    [Fact]
    public void Boxes_that_pick_their_channels_themselves_are_not_said_to_share_one()
    {
        var house = Examples.House("own-channels-overlap");
        house = house with { Devices = [.. house.Devices.Select(box => box with { Wifi = [.. box.Wifi.Select(network => network with { Channel = null })] })] };
        Assert.Empty(Evaluation.Of(house).Findings);
    }

    /// <summary>Another room that nobody has drawn is counted as one a couple of rooms away: no reason to send a thing there.</summary>
    [Fact]
    public void A_thing_is_not_sent_to_a_room_that_nobody_has_drawn()
    {
        // An old router beside the tablet, and a quick box elsewhere.
        var house = Examples.House("hears-another-better").WithDevice("gw", box => box with { Radios = [.. box.Radios.Select(radio => radio with { Generation = "g", MaxWidthMHz = 20, Streams = 1 })] });
        house = house with { Endpoints = [.. house.Endpoints.Select(thing => thing.Id == "tablet" ? thing with { Room = house.FindDevice("gw")!.Room, At = null } : thing)] };
        house = house with { Devices = [.. house.Devices.Select(box => box.Name == "Den access point" ? box with { Room = "lounge" } : box)] };
        bool Says(NetworkDocument of) => Evaluation.Of(of).Findings.Any(finding => finding.Rule == "hears-another-better");
        Assert.True(Says(house));
        Assert.False(Says(house with { Rooms = [.. house.Rooms.Select(room => room with { Rect = null })], Devices = [.. house.Devices.Select(box => box with { At = null })] }));
    }

    [Fact]
    public void A_wds_pair_needs_the_same_fixed_channel_and_nothing_else()
    {
        var house = Examples.House("wds-channel");
        var both = house.WithDevice("gw", d => d with { Wifi = [d.Wifi[0] with { Channel = new(11) }] });
        Assert.Empty(Evaluation.Of(both).Findings);
    }

    [Theory]
    [InlineData(WifiSecurity.Wpa2, false)]
    [InlineData(WifiSecurity.Wpa2Wpa3, false)]
    [InlineData(WifiSecurity.Wpa3, false)]
    [InlineData(WifiSecurity.Wpa, true)]
    [InlineData(WifiSecurity.Wep, true)]
    [InlineData(WifiSecurity.Open, true)]
    public void Wpa2_and_up_is_enough(WifiSecurity security, bool isWeak)
    {
        var house = new HouseBuilder().Gateway().With(h => h.WithDevice("gw", d => d with { Wifi = [new() { Radio = "2g", Ssid = "n", Security = security, Key = "k" }] }));
        Assert.Equal(isWeak, Evaluation.Of(house).Findings.Any(finding => finding.Rule == "weak-wifi-security"));
    }

    [Theory]
    [InlineData(55, false)]
    [InlineData(56, true)]
    public void Cat6_carries_ten_gigabits_up_to_55_metres(double metres, bool isTooWeak)
    {
        var house = Examples.House("cable-beyond-standard");
        house = house with { Devices = [.. house.Devices.Select(d => d with { Ports = [.. d.Ports.Select(p => p with { SpeedMbps = 10_000 })] })] };
        var laid = new ReplaceCable("c1", Medium.Ethernet, "cat6", metres).Apply(house);
        Assert.Equal(isTooWeak, Evaluation.Of(laid).Findings.Any(finding => finding.Rule == "cable-beyond-standard"));
    }
}
