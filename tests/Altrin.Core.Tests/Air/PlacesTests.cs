using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Air;
using Altrin.Core.Air.Placing;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;
using static Altrin.Core.Tests.Air.AirHouses;

namespace Altrin.Core.Tests.Air;

/// <summary>Where a box should stand: every place tried, the best worst room wins.</summary>
public class PlacesTests
{
    /// <summary>Six rooms in a row; the gateway in the first, a repeater in the last.</summary>
    private static HouseBuilder Row(WallMaterial walls = WallMaterial.Brick, string room = "r5") =>
        Gateway(6, walls, wifi: [Home("5g", 36)]).Joins("rep", room, Up("5g"), wifi: [Home("5g")]);

    [Fact]
    [Trait("source", "common practice, no source: half way between the router and the weak spot")]
    public void Half_way_is_near_the_best()
    {
        foreach (var walls in new[] { WallMaterial.Plasterboard, WallMaterial.Wood, WallMaterial.Brick })
        {
            var house = Row(walls).House;
            var standing = Places.Of(house, "rep", cancel: TestContext.Current.CancellationToken)!;
            Assert.NotNull(standing.HalfWay);
            // At least a third of the very best, and never better than it.
            Assert.InRange(standing.HalfWay.WorstMbps!.Value, standing.Best!.WorstMbps!.Value / 3, standing.Best.WorstMbps.Value);
            Assert.Contains(standing.HalfWay.Room, new[] { "r2", "r3" });
        }
    }

    [Fact]
    public void No_place_of_the_house_is_better_than_the_best()
    {
        var house = Row().House;
        var standing = Places.Of(house, "rep", cancel: TestContext.Current.CancellationToken)!;
        for (var x = 0.25; x < 24; x += 0.5)
            for (var y = 0.5; y < 4; y += 0.5)
            {
                var there = RoomRates.Of(house.WithDevice("rep", box => box with { Room = $"r{(int)(x / 4)}", At = new(x, y) }));
                // Off the walls themselves, and finer than it was tried: nothing worth a step is missed.
                Assert.True(there.Worst!.Mbps <= standing.Best!.WorstMbps!.Value * 1.15, $"{x}, {y}: {there.Worst.Mbps}, and the best was {standing.Best.WorstMbps}");
            }
    }

    [Fact]
    public void What_it_says_of_a_place_is_what_the_house_is_like_with_the_box_carried_there()
    {
        var house = Row().House;
        var standing = Places.Of(house, "rep", cancel: TestContext.Current.CancellationToken)!;
        foreach (var spot in standing.ByRoom)
        {
            var carried = Simulator.Run(new CarryDevice("rep", spot.Room, spot.At).Apply(house));
            Assert.Equal(carried.AirMap.Rooms.Select(room => room.Expected.Printed), spot.Rooms.Select(room => room.Mbps));
        }
    }

    [Fact]
    public void Without_a_drawn_floor_each_room_is_tried_once_and_half_way_is_not_named()
    {
        var house = Row().House;
        house = house with { Rooms = [.. house.Rooms.Select((room, i) => room with { Rect = null, Floor = i / 2 })] };
        var standing = Places.Of(house, "rep", cancel: TestContext.Current.CancellationToken)!;
        Assert.False(standing.IsDrawn);
        Assert.Null(standing.HalfWay);
        Assert.Contains("not drawn", standing.WhyNoHalfWay, StringComparison.Ordinal);
        Assert.Equal(6, standing.ByRoom.Length);
    }

    [Fact]
    public void The_other_band_is_tried_where_the_network_is_made_on_it()
    {
        // Through concrete 5 GHz does not come so far.
        var house = Gateway(4, WallMaterial.Stone, wifi: [Home("2g", 1), Home("5g", 36)]).Joins("rep", "r3", Up("5g"), wifi: [Home("2g"), Home("5g")]).House;
        var standing = Places.Of(house, "rep", cancel: TestContext.Current.CancellationToken)!;
        Assert.Contains(standing.ByRoom, spot => spot.Band == Band.Ghz24);
        Assert.Contains(standing.ByRoom, spot => spot.Band == Band.Ghz5);
    }

    [Fact]
    [Trait("source", "common practice, no source: cabled backhaul whenever a cable can be had")]
    public void A_cable_does_more_than_a_radio_join()
    {
        var house = Gateway(5, WallMaterial.Plasterboard, wifi: [Home("5g", 36)]).Joins("one", "r2", Up("5g"), DeviceMode.MeshSatellite, wifi: [Home("5g")]).Joins("two", "r4", Up("5g", "one"), DeviceMode.MeshSatellite, wifi: [Home("5g")]);
        var state = house.State;
        Assert.Equal("one", state.UplinkBox("two"));
        var what = WhatIfs.Of(state, TestContext.Current.CancellationToken);
        var cable = what.Single(one => one.Id == "cable two");
        Assert.True(cable.After > cable.Before, cable.Says);
        // Two that join the same router share its air, where a row shares it in turns: which is more, the distances decide.
        Assert.Contains(what, one => one.Id == "star two gw");
        // What is shown is what comes of its deeds.
        foreach (var one in what.Where(one => one.Actions.Length > 0))
            Assert.Equal(AirMap.Of(one.Actions.Apply(house)).Rooms.Select(room => room.Expected.Printed), one.Rooms.Select(room => room.Mbps));
        // A house of such units gets one more of them, not a repeater of another make.
        var more = what.Single(one => one.Id == "one more by radio");
        Assert.StartsWith("One more satellite", more.Title, StringComparison.Ordinal);
        Assert.Contains(what, one => one.Id == "one more cable");
        Assert.StartsWith("One more repeater", WhatIfs.Of(Gateway(5, WallMaterial.Brick, wifi: [Home("5g", 36)]).State, TestContext.Current.CancellationToken).Single(one => one.Id == "one more by radio").Title, StringComparison.Ordinal);
    }

    [Fact]
    public void A_box_on_the_table_is_tried_as_a_repeater()
    {
        var house = Gateway(5, WallMaterial.Brick, wifi: [Home("5g", 36)]).Box("spare", DeviceMode.Repeater, "192.168.0.254/24", false, with: d => d with { Supports = [DeviceMode.Repeater], Radios = [Two(), Five()] }).House;
        Assert.False(Simulator.Run(house).IsInUse("spare"));
        var there = NewSender.OnTheTable(house, "spare")!;
        var standing = Places.Of(there, "spare", cancel: TestContext.Current.CancellationToken)!;
        Assert.Null(standing.Now);
        Assert.True(standing.Best!.WorstMbps > RoomRates.Of(house).Worst!.Mbps);
        Assert.Equal("gw", standing.Best.Joins);
    }

    /// <summary>Of every box of every example: what is offered brings the house to the very rates that were shown, adds no fault and takes nobody's Wi-Fi; what hangs on a cable, or lies on the table, is not offered at all.</summary>
    [Fact]
    public void What_is_offered_of_a_place_or_of_another_house_holds_when_it_is_simulated()
    {
        var (carried, other, refused) = (0, 0, 0);
        foreach (var house in Examples.All().Select(row => Examples.House(row.Data)).Append(Row()))
        {
            var judged = Evaluation.Of(house);
            foreach (var box in house.Devices)
            {
                if (AirProposals.Standing(judged, box.Id, TestContext.Current.CancellationToken) is not { Best: { } best } standing) continue;
                if (!judged.State.IsInUse(box.Id) || house.Cables.Any(cable => cable.A.Device == box.Id || cable.B.Device == box.Id))
                {
                    Assert.Empty(best.Actions);
                    Assert.NotNull(standing.WhyNoDeed);
                    refused++;
                }
                if (best.Actions.IsEmpty) continue;
                carried++;
                Check(judged, best.Actions, best.Rooms);
            }
            foreach (var one in AirProposals.WhatElse(judged, TestContext.Current.CancellationToken).Where(one => one.Actions.Length > 0))
            {
                other++;
                Check(judged, one.Actions, one.Rooms);
            }
        }
        Assert.InRange(carried, 5, 200);
        Assert.InRange(other, 5, 200);
        Assert.InRange(refused, 20, 500);

        static void Check(Evaluation judged, ImmutableArray<InstallerAction> actions, ImmutableArray<RoomRate> shown)
        {
            var after = Evaluation.Of(actions.Apply(judged.State.House));
            Assert.Equal(after.State.AirMap.Rooms.Select(room => room.Expected.Printed), shown.Select(room => room.Mbps));
            Assert.True(judged.AddsNoFault(after) && judged.BreaksNoWant(after), judged.State.House.Name);
            Assert.Empty(Coverage.Lost(judged.State.AirMap, after.State.AirMap, judged.State.House));
        }
    }
}
