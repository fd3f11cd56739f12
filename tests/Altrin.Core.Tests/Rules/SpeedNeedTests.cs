using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Rules;

/// <summary>The wants “at least so many megabits” and “so many in every room”: section 1 of the format, held against what is printed.</summary>
public class SpeedNeedTests
{
    private static NeedVerdict Judge(HouseBuilder house, Need need) => Evaluation.Of(house.With(h => h with { Needs = [need] })).Wants.Single();

    private static (Answer?, string) Speed(HouseBuilder house, double mbps, string? endpoint = "a", string? room = null)
    {
        var want = Judge(house, new Need.Speed { Id = "n", Endpoint = endpoint, Room = room, Mbps = mbps });
        return (want.Met, want.Because);
    }

    private static WifiNetwork Home(string radio) => new() { Radio = radio, Ssid = "home", Security = WifiSecurity.Wpa2, Key = "k", Channel = new(36) };

    private static HouseBuilder Gateway(double? down = 500, double? socket = 1000) => new HouseBuilder().Gateway()
        .With(h => h with { Line = h.Line! with { DownMbps = down }, Rooms = [new() { Id = "hall", Name = "Hall" }, new() { Id = "loft", Name = "Loft", Floor = 1 }, new() { Id = "yard", Name = "Yard", Outdoor = true }], Building = new() { Walls = WallMaterial.Stone, Floors = FloorMaterial.Concrete } })
        .With(h => h.WithDevice("gw", d => d with
        {
            Room = "hall",
            Ports = [.. d.Ports.Select(port => port with { SpeedMbps = socket })],
            Radios = [new() { Id = "5g", Band = Band.Ghz5, Generation = "ac", Streams = 2, MaxWidthMHz = 80 }],
            Wifi = [Home("5g")],
        }));

    [Theory]
    [InlineData(500, Answer.Yes)]        // exactly so much
    [InlineData(500.1, Answer.No)]
    public void The_line_is_the_most_that_comes_in(double mbps, Answer met) =>
        Assert.Equal((met, "About 500 Mb/s for a: the line gives no more."), Speed(Gateway().Thing("a", "gw:lan1"), mbps));

    [Fact, Trait("source", "common practice, no source: 100 Mb/s sockets measure about 94")]
    public void A_slow_socket_on_the_way_is_named() =>
        Assert.Equal((Answer.No, "About 94 Mb/s for a: gw LAN 2 carries no more."),
            Speed(Gateway().With(h => h.WithDevice("gw", d => d with { Ports = [.. d.Ports.Select(port => port.Id == "lan2" ? port with { SpeedMbps = 100 } : port)] })).Thing("a", "gw:lan2"), 95));

    [Fact]
    public void Without_internet_there_is_no_speed() =>
        Assert.Equal(Answer.No, Speed(Gateway().Thing("a", "gw:lan1", "192.168.77.5"), 1).Item1);

    /// <summary>Up a concrete floor through two stone walls: 23 − (67.6 + 36 + 24) = −104.6 dBm, far below −82.</summary>
    [Fact]
    public void A_room_that_hears_nothing_says_so()
    {
        Assert.Equal((Answer.No, "No Wi-Fi of this household is heard in Loft."), Speed(Gateway(), 1, null, "loft"));
        Assert.Equal((Answer.Yes, "About 500 Mb/s for a device on Wi-Fi in Hall: the line gives no more."), Speed(Gateway(), 50, null, "HALL"));
    }

    /// <summary>23 − (67.6 + 2 × 11 + 12) = −78.6 dBm: 40 MHz, row 0 (from −79): 2 × 108 × ½ ÷ 3.6 = 30, of which 0.65 are 19.5.</summary>
    [Fact]
    public void The_reason_names_distance_and_walls()
    {
        var thin = Gateway(2000).With(h => h with { Building = new() { Walls = WallMaterial.Brick, Floors = FloorMaterial.Wood } });
        Assert.Equal("About 19 Mb/s for a device on Wi-Fi in Loft: the radio hop to gw, counted a couple of rooms away, 10.4 m (34 ft) and two brick walls and one floor, carries no more.", Speed(thin, 50, null, "loft").Item2);
    }

    [Fact]
    public void A_room_that_is_not_listed_is_to_be_noted_first() =>
        Assert.Contains("is no listed room: note it at Visit", Speed(new HouseBuilder().Gateway().Thing("a", "gw:lan1").With(h => h.WithDevice("gw", d => d with { Room = "hall" })), 1, null, "hall").Item2, StringComparison.Ordinal);

    [Fact]
    public void Every_room_indoors_is_wanted_where_none_is_named()
    {
        var all = Judge(Gateway(), new Need.Coverage { Id = "n", Mbps = 20 });
        Assert.Equal((Answer.No, "At least 20 Mb/s over Wi-Fi in every room", "No Wi-Fi of this household is heard in Loft."), (all.Met, all.Sentence, all.Because));
        var some = Judge(Gateway(), new Need.Coverage { Id = "n", Mbps = 20, Rooms = ["hall"] });
        Assert.Equal((Answer.Yes, "The least is in Hall. About 500 Mb/s for a device there: the line gives no more."), (some.Met, some.Because));
        Assert.Equal(Answer.No, Judge(new HouseBuilder().Gateway(), new Need.Coverage { Id = "n", Mbps = 20 }).Met);
    }
}
