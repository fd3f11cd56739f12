using Altrin.Core.Air;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Simulation;
using Altrin.Core.Tests.Trade;
using static Altrin.Core.Tests.Air.AirHouses;

namespace Altrin.Core.Tests.Air;

/// <summary>What was measured is believed (section 6, 2 of the format), and what the house as found measured holds in a plan only of what
/// stays.</summary>
public class MeasuredTests
{
    private static HouseBuilder House() => Gateway(4, WallMaterial.Plasterboard, wifi: [Home("2g", 1), Home("5g", 36)]);

    private static NetworkDocument With(HouseBuilder house, params Measurement[] all) => house.House with { Measured = [.. all] };

    private static AirRoom At(NetworkDocument house, string room) =>
        AirMap.Of(house).Rooms[house.Rooms.IndexOf(Rooms.Find(house, room)!)];

    [Fact]
    public void A_rate_caps_what_may_be_expected_there_and_nowhere_else()
    {
        var house = With(House(), new Measurement { Id = "m", Room = "r2", Mbps = 12 });
        var at = At(house, "r2");
        Assert.Equal((12, RateLimitKind.Measured), (at.Expected.Printed, at.Expected.Tightest!.Kind));
        Assert.Contains("no more was measured there from gw", RateWords.OfLine(house, at), StringComparison.OrdinalIgnoreCase);
        Assert.Equal(At(House().House, "r1").Expected, At(house, "r1").Expected);
    }

    [Fact]
    public void A_level_caps_the_level_and_with_it_the_rate()
    {
        var plain = At(House().House, "r2");
        var house = With(House(), new Measurement { Id = "m", Room = "Room 2", LevelDbm = -72, Source = "gw" });
        var at = At(house, "r2");
        Assert.Equal(-72, at.LevelDbm);
        Assert.InRange(at.Expected.Mbps, 1, plain.Expected.Mbps / 2);
        // More than is reckoned is no cap.
        Assert.Equal(plain, At(With(House(), new Measurement { Id = "m", Room = "r2", LevelDbm = -20 }), "r2"));
    }

    [Fact]
    public void Of_a_band_it_says_nothing_of_the_other_and_by_wire_nothing_of_the_air()
    {
        var at = At(With(House(), new Measurement { Id = "m", Room = "r1", Mbps = 3, Band = Band.Ghz5 }), "r1");
        Assert.Equal(Band.Ghz24, at.Source!.Radio.Band);
        var wired = House().Thing("pc", "gw:lan1").House with { Measured = [new() { Id = "m", Room = "r1", Mbps = 3, Device = "pc" }] };
        Assert.Equal(At(House().House, "r1").Expected.Printed, At(wired, "r1").Expected.Printed);
    }

    [Fact]
    public void Where_nobody_gets_wifi_a_thing_joins_nothing_and_a_box_still_does()
    {
        var house = House().Joins("rep", "r3", Up("5g"), wifi: [Home("2g", 6)]).House;
        var join = new Attachment.Join { Ssid = "home", Key = "k", Security = WifiSecurity.Wpa2, Near = "gw" };
        var thing = new Endpoint { Id = "tablet", Name = "Tablet", Room = "r3", Connect = join };
        house = house with
        {
            Endpoints = [thing],
            Rooms = [.. house.Rooms.Select(room => room.Id == "r3" ? room with { NoWifi = true, Rect = null } : room)],
        };
        var state = Simulator.Run(house);
        Assert.Null(state.JoinedBox("tablet"));
        Assert.Equal("gw", state.UplinkBox("rep"));
        Assert.Equal(0.5, state.AirMap.Links.Single().LinkMbps);
    }

    /// <summary>The loft has no Wi-Fi today. A router brought for it, on a cable, gives it some; the gateway is still believed to give
    /// none there.</summary>
    [Fact]
    public void In_a_plan_it_holds_of_the_boxes_that_stay_and_of_no_other()
    {
        var found = TradeJobs.All["02-second-router-and-a-cable"]();
        var loft = found.Devices.Single(box => !box.Serves.IsDefaultOrEmpty).Serves[0];
        var rooms = found.Rooms.Where(room => !Rooms.AreSame(found, room.Id, loft))
            .Append(new Room { Id = "there", Name = loft, NoWifi = true });
        found = found with { Rooms = [.. rooms], Measured = [new() { Id = "m", Room = "Hall", Mbps = 90 }] };
        Assert.Null(At(found, loft).Source);
        var plan = PlanSearch.First(found, TestContext.Current.CancellationToken).Plans[0].House;
        Assert.DoesNotContain(plan.Rooms, room => room.NoWifi == true);
        var at = At(plan, loft);
        Assert.Equal("second", plan.Devices[at.Source!.Device].Id);
        Assert.All(plan.Measured, one => Assert.Equal("gateway", one.Source));
        Assert.Equal(["m", "no-wifi-there-gateway"], plan.Measured.Select(one => one.Id));
        Assert.DoesNotContain(AirMap.Of(plan with { Devices = [.. plan.Devices.Where(box => box.Id == "gateway")], Cables = [] }).Rooms,
            heard => plan.Rooms[heard.Room].Name == loft && heard.Source is not null);
    }

    [Theory]
    [InlineData(null, 20)]
    [InlineData(35.0, 35)]
    public void Another_building_is_as_far_as_somebody_said(double? metres, double apart)
    {
        var house = House().House;
        house = house with
        {
            Buildings = [new() { Id = "barn", Walls = WallMaterial.Stone, DistanceM = metres }],
            Rooms = [.. house.Rooms, new() { Id = "stall", Name = "Stall", Building = "barn" },
                new() { Id = "shed", Name = "Shed", Building = "unlisted" }],
        };
        var plan = AirMap.Of(house).Plan;
        var between = plan.Between(plan.PlaceOf("r0", null), plan.PlaceOf("stall", null));
        Assert.Equal((apart, 0), (between.DistanceM, between.Floors));
        Assert.Equal([WallMaterial.Plasterboard, WallMaterial.Stone], between.Walls);
        Assert.Equal(10, plan.Between(plan.PlaceOf("r0", null), plan.PlaceOf("shed", null)).DistanceM);
    }

    /// <summary>A repeater joins the gateway, and a cable of it leads back over another box: the mesh unit is in the middle of the
    /// cycle.</summary>
    [Fact]
    public void A_cycle_with_a_mesh_unit_anywhere_in_it_is_not_closed()
    {
        // A cable from the repeater to the mesh unit closes gateway, mesh, repeater.
        Assert.Empty(Ring("mesh"));
        // Through a plain access point it is made: that loop is the rules' to tell.
        Assert.Equal(["rep"], Ring("far"));
        Assert.Equal(["rep"], Ring(null));
    }

    private static IEnumerable<string> Ring(string? through)
    {
        var builder = House().Point("mesh", "r1", Home("5g", 36)).Point("far", "r3")
            .With(h => h.WithDevice("mesh", d => d with { Mode = DeviceMode.MeshSatellite }))
            .Joins("rep", "r2", Up("5g", "gw"), wifi: [Home("2g", 6)]);
        var house = (through is null ? builder : builder.Cable("rep:lan1", $"{through}:lan2")).House;
        return AirMap.Of(house).Links.Select(link => house.Devices[link.From].Id);
    }

    /// <summary>Two that joined the same box do share its air; the one that joined and the one joined do not.</summary>
    [Fact]
    public void Two_that_joined_the_same_box_share_the_air()
    {
        var house = House().Joins("one", "r1", Up("5g"), wifi: [Home("5g")]).Joins("two", "r1", Up("5g", "gw"), wifi: [Home("5g")]).House;
        var air = AirMap.Of(house);
        double Share(string box) => air.Sources.Single(one => house.Devices[one.Device].Id == box && one.Radio.Band == Band.Ghz5).Share;
        Assert.Equal((1, 0.5, 0.5), (Share("gw"), Share("one"), Share("two")));
    }
}
