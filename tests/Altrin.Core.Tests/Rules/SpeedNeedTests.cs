using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Rules;

/// <summary>The want “at least so many megabits”: section 1 of the format, met when the expected rate is at least that.</summary>
public class SpeedNeedTests
{
    private static (Answer? Met, string Because) Judge(HouseBuilder house, double mbps, string? endpoint = "a", string? room = null)
    {
        var want = Evaluation.Of(house.With(h => h with { Needs = [new Need.Speed { Id = "n", Endpoint = endpoint, Room = room, Mbps = mbps }] })).Wants.Single();
        return (want.Met, want.Because);
    }

    private static HouseBuilder Gateway(double? down = 500, double? socket = 1000, string room = "hall", string generation = "ac") => new HouseBuilder().Gateway()
        .With(h => h with { Line = h.Line! with { DownMbps = down } })
        .With(h => h.WithDevice("gw", d => d with
        {
            Room = room,
            Ports = [.. d.Ports.Select(port => port with { SpeedMbps = socket })],
            Radios = [new() { Id = "5g", Band = Band.Ghz5, Generation = generation, Streams = 2, MaxWidthMHz = 80 }],
            Wifi = [Home("5g")],
        }));

    private static WifiNetwork Home(string radio) => new() { Radio = radio, Ssid = "home", Security = WifiSecurity.Wpa2, Key = "k" };

    private static HouseBuilder OnWifi(HouseBuilder house, string? room) =>
        house.Thing("a", null).With(h => h.WithEndpoint("a", e => e with { Room = room, Connect = new Attachment.Join { Ssid = "home", Security = WifiSecurity.Wpa2, Key = "k" } }));

    [Theory]
    [InlineData(500, "Yes")]        // exactly so much
    [InlineData(500.1, "No")]
    public void The_line_is_the_most_that_comes_in(double mbps, string met)
    {
        var (answer, because) = Judge(Gateway().Thing("a", "gw:lan1"), mbps);
        Assert.Equal((met, "About 500 Mb/s for a: the line gives no more."), (answer.ToString(), because));
    }

    [Fact, Trait("source", "common practice, no source: 100 Mb/s sockets measure about 94")]
    public void A_slow_socket_on_the_way_is_named() =>
        Assert.Equal((Answer.No, "About 94 Mb/s for a: gw WAN is a 100 Mb/s socket."),
            Judge(Gateway().With(h => h.WithDevice("gw", d => d with { Ports = [d.Ports[0] with { SpeedMbps = 100 }, .. d.Ports.Skip(1)] })).Thing("a", "gw:lan1"), 95));

    [Theory]
    [InlineData(Medium.Ethernet, "cat5", "About 94 Mb/s for a: the cable in gw LAN 1 carries no more.")]
    [InlineData(Medium.Ethernet, "cat5e", "About 500 Mb/s for a: the line gives no more.")]
    [InlineData(Medium.Powerline, null, "About 50 Mb/s for a: the powerline link in gw LAN 1 seldom carries more.")]
    public void What_lies_between_the_sockets_counts(Medium medium, string? category, string because) =>
        Assert.Equal(because, Judge(Gateway().Box("s", DeviceMode.Switch, null).Cable("gw:lan1", "s:lan1").Thing("a", "s:lan2")
            .With(h => h with { Cables = [h.Cables[0] with { Medium = medium, Category = category }] }), 50).Because);

    [Fact]
    public void Where_no_speed_is_written_down_nothing_is_held_against_it() =>
        Assert.Equal((Answer.Yes, "Nothing on the way of a has a speed written down that would hold it back."), Judge(Gateway(null, null).Thing("a", "gw:lan1"), 900));

    [Fact]
    public void Without_internet_there_is_no_speed() =>
        Assert.Equal(Answer.No, Judge(Gateway().Thing("a", "gw:lan1", "192.168.77.5"), 1).Met);

    [Theory]
    [InlineData("hall", "About 560 Mb/s for a: Wi-Fi home of gw, counted in the same room, 3 m (10 ft).")]
    [InlineData("loft", "About 420 Mb/s for a: Wi-Fi home of gw, counted a couple of rooms away, 10 m (33 ft).")]
    [InlineData(null, "About 420 Mb/s for a: Wi-Fi home of gw, counted a couple of rooms away, 10 m (33 ft).")]
    public void On_the_air_the_room_decides(string? room, string because) => Assert.Equal(because, Judge(OnWifi(Gateway(1000), room), 50).Because);

    [Fact]
    public void A_thing_takes_the_better_of_a_boxs_bands()
    {
        var house = OnWifi(Gateway(1000).With(h => h.WithDevice("gw", d => d with
        {
            Radios = [new() { Id = "2g", Band = Band.Ghz24, Generation = "n", Streams = 2, MaxWidthMHz = 20 }, .. d.Radios],
            Wifi = [Home("2g"), .. d.Wifi],
        })), "hall");
        Assert.StartsWith("About 560 Mb/s", Judge(house, 50).Because, StringComparison.Ordinal);
    }

    private static HouseBuilder Repeated(string uplinkRadio, string ownGeneration = "ac") => Gateway(1000).Box("r", DeviceMode.Repeater, "192.168.31.2/24", false, with: d => d with
    {
        Room = "loft",
        Radios = [new() { Id = "5g", Band = Band.Ghz5, Generation = ownGeneration, Streams = 2, MaxWidthMHz = 80 }, new() { Id = "5h", Band = Band.Ghz5, Generation = "ac", Streams = 2, MaxWidthMHz = 80 }],
        Uplink = new() { Radio = uplinkRadio, Ssid = "home", Security = WifiSecurity.Wpa2, Key = "k" },
        Wifi = [new() { Radio = "5g", Ssid = "loft", Security = WifiSecurity.Wpa2, Key = "k" }],
    }).Thing("a", null).With(h => h.WithEndpoint("a", e => e with { Room = "loft", Connect = new Attachment.Join { Ssid = "loft", Security = WifiSecurity.Wpa2, Key = "k" } }));

    [Theory]
    [InlineData("5g", "About 240 Mb/s for a: r hears and repeats with one radio, in turns.")]       // 1 / (1/422.5 + 1/563.3)
    [InlineData("5h", "About 420 Mb/s for a: Wi-Fi home of gw, counted a couple of rooms away, 10 m (33 ft).")]
    public void A_repeater_with_one_radio_does_both_in_turns(string uplinkRadio, string because) => Assert.Equal(because, Judge(Repeated(uplinkRadio), 50).Because);

    [Fact]
    public void A_backhaul_speaks_the_older_radios_language() =>
        Assert.Equal("About 13 Mb/s for a: r hears and repeats with one radio, in turns.", Judge(Repeated("5g", "a"), 50).Because);     // half of half of 54

    [Fact]
    public void In_a_room_the_best_way_counts_a_free_socket_before_the_air()
    {
        var house = Gateway(1000).Box("s", DeviceMode.Switch, null, with: d => d with { Room = "loft" }).Cable("gw:lan1", "s:lan1");
        Assert.Equal((Answer.Yes, "About 940 Mb/s for a laptop in loft: gw LAN 1 is a 1000 Mb/s socket."), Judge(house, 900, null, "loft"));
        Assert.Equal(Answer.Yes, Judge(house, 900, null, "LOFT").Met);
        Assert.Equal("About 420 Mb/s for a laptop in cellar: Wi-Fi home of gw, counted a couple of rooms away, 10 m (33 ft).", Judge(house, 50, null, "cellar").Because);
    }

    [Fact]
    public void Guests_air_and_dead_rooms_give_nothing()
    {
        var dead = Gateway().With(h => h.WithDevice("gw", d => d with { Wifi = [Home("5g") with { Guest = true }] }));
        Assert.Equal((Answer.No, "Nothing there leads to the internet: no box with a free socket stands in loft, and no Wi-Fi heard there does."), Judge(dead, 1, null, "loft"));
    }

    [Fact]
    public void Where_chance_decides_the_way_it_decides_the_speed()
    {
        var house = Gateway().Box("b", DeviceMode.Router, "192.168.1.1/24").Cable("gw:lan1", "b:lan1").Thing("a", "gw:lan2");
        Assert.Equal(Answer.Sometimes, house.State.Internet("a").Reachable);
        Assert.Equal((Answer.Sometimes, Answer.No), (Judge(house, 50).Met, Judge(house, 600).Met));
    }
}
