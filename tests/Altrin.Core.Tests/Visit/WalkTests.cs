using Altrin.Core.Network;
using Altrin.Core.Simulation;
using Altrin.Core.Visit;

namespace Altrin.Core.Tests.Visit;

public class WalkTests
{
    private static Walk Of(HouseBuilder house) => Walk.Of(house.State);

    private static LineAddress At(string address, string gateway) => new() { Address = InterfaceAddress.Parse(address), Gateway = Ipv4Address.Parse(gateway) };

    [Fact]
    public void An_empty_house_asks_for_the_line_first()
    {
        var walk = Walk.Of(Simulator.Run(new() { Name = "House" }));
        Assert.Equal([StopKind.Line, StopKind.Gateway, StopKind.Things, StopKind.Rooms, StopKind.LeaveAlone], walk.Stops.Select(stop => stop.Kind));
        Assert.All(walk.Stops, stop => Assert.False(stop.IsDone));
        Assert.Equal("Where does the line come in?", walk.Asked[0].What);
    }

    [Fact]
    public void The_boxes_come_in_the_order_they_were_met_and_each_says_what_is_missing()
    {
        var walk = Of(new HouseBuilder().Gateway().Box("r").Cable("gw:lan1", "r:wan"));
        Assert.Equal(["gw", "r"], walk.Stops.Where(stop => stop.Box is not null && stop.Kind is StopKind.Gateway or StopKind.Box).Select(stop => stop.Box));
        Assert.Equal("label not read · 1 of 6 sockets", walk.Stops.Single(stop => stop.Kind == StopKind.Gateway).Says);
        Assert.Contains(walk.Asked, one => one is { Box: "r", Stop: StopKind.Box } && one.What == "r: what its label says");
        var read = Of(new HouseBuilder().Gateway().With(h => h.WithDevice("gw", d => d with { Room = "hall", Label = new() { DefaultAddress = Ipv4Address.Parse("192.168.31.1") } })));
        Assert.True(read.Stops.Single(stop => stop.Kind == StopKind.Gateway).IsDone);
        Assert.DoesNotContain(read.Asked, one => one.Box == "gw");
    }

    /// <summary>RFC 1918, RFC 6598: what the outside address means for doors from outside.</summary>
    [Theory]
    [InlineData("198.51.100.130/24", "198.51.100.129", "doors can be opened")]
    [InlineData("192.168.77.20/24", "192.168.77.1", "another router stands in front")]
    [InlineData("100.64.9.9/10", "100.64.0.1", "carrier shares")]
    public void What_the_outside_address_means_is_told_at_once(string address, string gateway, string means)
    {
        var walk = Of(new HouseBuilder().Gateway().With(h => h with { Line = h.Line! with { Seen = At(address, gateway), DownMbps = 480 } }));
        Assert.Contains(means, Assert.Single(walk.Meanings), StringComparison.Ordinal);
        Assert.True(walk.Stops[0].IsDone);
        Assert.StartsWith("proved: 480 down · ", walk.Stops[0].Says, StringComparison.Ordinal);
    }

    [Fact]
    public void A_box_sold_with_an_address_that_is_taken_is_not_to_be_plugged_in()
    {
        static Device Sold(Device d) => d with { Label = new() { DefaultAddress = Ipv4Address.Parse("192.168.31.1") } };
        Assert.Equal(["r is sold with the address 192.168.31.1, which gw has. Do not plug it in yet."], Of(new HouseBuilder().Gateway().Box("r", with: Sold)).Meanings);
        Assert.Empty(Of(new HouseBuilder().Gateway().Box("r", with: Sold).Cable("gw:lan1", "r:wan")).Meanings);
    }

    [Fact]
    public void A_cable_between_two_buildings_is_a_caution_of_its_own()
    {
        Room[] rooms = [new() { Id = "hall", Name = "Hall" }, new() { Id = "barn", Name = "Barn", Building = "barn" }, new() { Id = "loft", Name = "Loft" }];
        Walk With(string to) => Of(new HouseBuilder().Gateway().With(h => h with { Rooms = [.. rooms], Runs = [new() { Id = "r", A = "hall", B = to, Laid = true }] }));
        Assert.Contains("two buildings", Assert.Single(With("barn").Meanings), StringComparison.Ordinal);
        Assert.Empty(With("loft").Meanings);
        Assert.Equal("3 rooms · 1 cable laid", With("loft").Stops.Single(stop => stop.Kind == StopKind.Rooms).Says);
    }

    [Fact]
    public void A_radio_link_between_rooms_asks_for_the_cable()
    {
        var house = new HouseBuilder().Gateway().With(h => h.WithDevice("gw", d => d with { Room = "hall", Wifi = [new() { Radio = "2g", Ssid = "home" }] }))
            .Box("rep", DeviceMode.Repeater, "192.168.31.2/24", false, with: d => d with { Room = "loft", Uplink = new() { Radio = "2g", Ssid = "home" } });
        Assert.Contains(Of(house).Asked, one => one.What == "hall to loft: is a cable laid, or could one be?");
        Assert.DoesNotContain(Of(house.With(h => h with { Rooms = [new() { Id = "hall", Name = "hall" }, new() { Id = "loft", Name = "loft" }], Runs = [new() { Id = "r", A = "loft", B = "hall", Laid = false }] })).Asked, one => one.Stop == StopKind.Rooms && one.Why.StartsWith("Decides between", StringComparison.Ordinal));
    }

    [Fact]
    public void What_hangs_on_nothing_yet_is_counted()
    {
        var walk = Of(new HouseBuilder().Gateway().Thing("a", "gw:lan1").Thing("b", null));
        Assert.Equal(("2 things, 1 on nothing yet", false), (walk.Stops.Single(stop => stop.Kind == StopKind.Things).Says, walk.Stops.Single(stop => stop.Kind == StopKind.Things).IsDone));
        Assert.Contains(walk.Asked, one => one.What == "1 thing on nothing yet");
    }

    /// <summary>The estimate is that of section 6: 3 m in one room, 23 − 56.8 = −34 dBm.</summary>
    [Fact]
    public void Each_listed_room_says_what_may_be_expected_there_and_from_whom()
    {
        var walk = Of(new HouseBuilder().Gateway().With(h => h with { Rooms = [new() { Id = "hall", Name = "Hall" }, new() { Id = "bunker", Name = "Bunker", Floor = -3, Walls = WallMaterial.Concrete }], Building = new() { Floors = FloorMaterial.Concrete } })
            .With(h => h.WithDevice("gw", d => d with { Room = "hall", Radios = [new() { Id = "5g", Band = Band.Ghz5 }], Wifi = [new() { Radio = "5g", Ssid = "home" }] })));
        Assert.Equal("about 563 Mb/s over Wi-Fi home of gw, heard at -34 dBm", walk.Heard[0].Says);
        Assert.Equal(("no Wi-Fi of this household is heard here", 0), (walk.Heard[1].Says, walk.Heard[1].Mbps));
    }
}
