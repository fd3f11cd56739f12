using Altrin.Core.Air;
using Altrin.Core.Network;
using Altrin.Core.Radio;
using Altrin.Core.Simulation;
using static Altrin.Core.Tests.Air.AirHouses;

namespace Altrin.Core.Tests.Air;

/// <summary>The estimate held against what practitioners measured, and against published indoor loss.</summary>
public class TradeFactTests
{
    private static double RateIn(NetworkDocument house, string room)
    {
        var state = Simulator.Run(house);
        return state.AirMap.Rooms[house.Rooms.ToList().FindIndex(one => one.Id == room)].Expected.Printed;
    }

    /// <summary>873 Mb/s over a bridge through one wall of plasterboard at about 1.5 m, 910 on cable: the air loses little. A 160 MHz link of two streams of ax carries that.</summary>
    [Fact, Trait("source", "common practice, no source")]
    public void A_bridge_through_one_thin_wall_loses_little()
    {
        var wide = new WirelessRadio { Id = "5g", Band = Band.Ghz5, Generation = "ax", Streams = 2, MaxWidthMHz = 160 };
        var house = Gateway(2, wifi: [Home("5g", 36, 160)]).Joins("bridge", "r1", Up("5g"), DeviceMode.ClientBridge, with: d => d with { Radios = [wide], Wifi = [], At = new(4.75, 2), ServesWifi = false })
            .With(h => h.WithDevice("gw", d => d with { Radios = [wide], At = new(3.25, 2) }) with { Line = h.Line! with { DownMbps = 940 }, Country = null }).House;
        var link = Assert.Single(Simulator.Run(house).AirMap.Links);
        Assert.Single(link.Between.Walls);
        Assert.InRange(link.LinkMbps, 800, 1600);
        var wire = 0.94 * 1000;
        Assert.InRange(Math.Min(wire, link.LinkMbps) / wire, 0.85, 1);
    }

    /// <summary>120 to 110 Mb/s on a line of 120: a repeater of today in the room of its router is not what holds that line back.</summary>
    [Fact, Trait("source", "common practice, no source")]
    public void A_repeater_in_the_same_room_loses_a_tenth_of_a_line_of_120_at_most()
    {
        var house = Gateway(2, wifi: [Home("5g", 36)]).Joins("rep", "r0", Up("5g"), wifi: [Home("5g")]).With(h => h with { Line = h.Line! with { DownMbps = 120 } })
            .Thing("tablet", null).With(h => h.WithEndpoint("tablet", e => e with { Room = "r0", Connect = new Attachment.Join { Ssid = "home", Security = WifiSecurity.Wpa2, Key = "k", Near = "rep" } })).House;
        var state = Simulator.Run(house);
        Assert.Equal("rep", state.JoinedBox("tablet"));
        Assert.InRange(state.AirMap.Of(0).Printed, 108, 120);
    }

    /// <summary>180 to 470 Mb/s in one household: off one channel, each has more than twice what it had.</summary>
    [Theory, Trait("source", "common practice, no source")]
    [InlineData(36, 36, 149)]
    [InlineData(40, 48, 100)]
    public void Two_sources_taken_off_one_channel_at_least_double(int one, int other, int apart)
    {
        NetworkDocument With(int channel) => Gateway(2, wifi: [Home("5g", one)]).Point("b", "r1", Home("5g", channel)).With(h => h with { Line = h.Line! with { DownMbps = 2000 }, Country = null }).House;
        Assert.True(RateIn(With(apart), "r1") >= 2 * RateIn(With(other), "r1") - 0.2, $"{RateIn(With(other), "r1")} → {RateIn(With(apart), "r1")}");
    }

    /// <summary>9 to 15 m with a couple of walls: the join is not called weak, and carries 100 Mb/s and more.</summary>
    [Theory, Trait("source", "common practice, no source")]
    [InlineData(9, WallMaterial.Plasterboard)]
    [InlineData(12, WallMaterial.Wood)]
    [InlineData(12, WallMaterial.Brick)]
    [InlineData(15, WallMaterial.Plasterboard)]
    public void Units_9_to_15_m_apart_with_a_couple_of_walls_work_well(double metres, WallMaterial walls)
    {
        var house = Gateway(1, walls, wifi: [Home("5g", 36)]).Joins("sat", "far", Up("5g"), DeviceMode.MeshSatellite, wifi: [Home("5g")])
            .With(h => h with { Rooms = [new() { Id = "r0", Name = "Near", Rect = new(-2, 0, 4, 4) }, new() { Id = "mid", Name = "Between", Rect = new(2, 0, metres - 4, 4) }, new() { Id = "far", Name = "Far", Rect = new(metres - 2, 0, 4, 4) }] }).House;
        var link = Assert.Single(Simulator.Run(house).AirMap.Links);
        Assert.Equal((metres, 2), (link.Between.DistanceM, link.Between.Walls.Length));
        Assert.False(JoinLevel.IsWeak(link));
        Assert.InRange(link.LinkMbps, 100, 600);
    }

    /// <summary>Residential: N = 28 at 2.4 GHz and at 5.2 GHz 30 (apartment) or 28 (house), floors 5 to 13 dB a floor: L = 20 log f + N log d + Lf − 28. Values from memory. Over rooms of random houses with walls of
    /// plasterboard and brick the reckoning agrees in the mean within 6 dB.</summary>
    [Theory, Trait("source", "ITU-R P.1238 (distance power loss coefficient, floor penetration loss); values from memory")]
    [InlineData(Band.Ghz24, 28, 8)]
    [InlineData(Band.Ghz5, 28, 13)]
    public void In_the_mean_it_agrees_with_the_indoor_recommendation_within_6_dB(Band band, double coefficient, double floorDb)
    {
        var random = new Random(1238);
        var off = new List<double>();
        for (var n = 0; n < 400; n++)
        {
            // A grid of rooms of 3 to 5 m on two floors.
            var (w, d) = (3 + random.NextDouble() * 2, 3 + random.NextDouble() * 2);
            var rooms = Enumerable.Range(0, 18).Select(i => new Room { Id = $"r{i}", Name = $"r{i}", Floor = i / 9, Rect = new(i % 3 * w, i / 3 % 3 * d, w, d), Walls = random.Next(3) == 0 ? WallMaterial.Brick : WallMaterial.Plasterboard }).ToArray();
            var plan = FloorPlan.Of(new NetworkDocument { Name = "House", Rooms = [.. rooms], Building = new() { StoreyM = 2.7 } });
            var (a, b) = (random.Next(18), random.Next(18));
            if (a == b) continue;
            var between = plan.Between(plan.PlaceOf($"r{a}", null), plan.PlaceOf($"r{b}", null));
            var recommended = 20 * Math.Log10(PathLoss.CentreMHz(band)) + coefficient * Math.Log10(Math.Max(1, between.DistanceM)) + between.Floors * floorDb - 28;
            off.Add(plan.LossDb(between, band) - recommended);
        }
        Assert.InRange(off.Average(), -6, 6);
    }

    /// <summary>One wall: plasterboard 2 to 6 dB, wood 3 to 8, brick 5 to 15, concrete 12 to 30 from 2.4 to 6 GHz, by the materials' permittivities and usual thicknesses. Order of magnitude, values from memory.</summary>
    [Theory, Trait("source", "ITU-R P.2040 (building materials); order of magnitude, values from memory")]
    [InlineData(WallMaterial.Plasterboard, 2, 6)]
    [InlineData(WallMaterial.Wood, 3, 8)]
    [InlineData(WallMaterial.Brick, 5, 15)]
    [InlineData(WallMaterial.Concrete, 12, 30)]
    public void One_wall_is_of_the_order_of_the_recommendation(WallMaterial wall, double least, double most)
    {
        foreach (var band in Enum.GetValues<Band>()) Assert.InRange(PathLoss.WallDb(wall, band), least, most);
    }
}
