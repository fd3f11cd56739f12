using Altrin.Core.Air;
using Altrin.Core.Air.Channels;
using Altrin.Core.Air.Placing;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Radio;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;
using static Altrin.Core.Tests.Air.AirHouses;

namespace Altrin.Core.Tests.Air;

/// <summary>More radios than a home has: answered in bounded time, never worse than found, and refused in words where it is too
/// much.</summary>
public class LargeBuildingTests
{
    /// <summary>Access points in a grid of rooms, two floors, all on one channel of each band.</summary>
    private static NetworkDocument Hostel(int boxes, int rooms)
    {
        var house = Gateway(1, WallMaterial.Brick, wifi: [Home("2g", 6, 20), Home("5g", 36, 20)]).House;
        return house with
        {
            Rooms = [.. Enumerable.Range(0,
                rooms).Select(i =>
                new Room { Id = $"r{i}", Name = $"Room {i}", Floor = i % 2, Rect = new(i / 2 % 10 * 4, i / 20 * 4, 4, 4) })],
            Devices = [.. house.Devices,
                .. Enumerable.Range(1,
                boxes - 1).Select(i =>
                house.Devices[0] with { Id = $"b{i}", Name = $"Box {i}", Mode = DeviceMode.AccessPoint, Room = $"r{i % rooms}", Wan = null,
                Mac = null, Lan = null })],
            Cables = [.. Enumerable.Range(1,
                boxes - 1).Select(i => new Cable { Id = $"c{i}", A = new(i == 1 ? "gw" : $"b{i - 1}", "lan7"), B = new($"b{i}", "lan8") })],
        };
    }

    [Fact]
    public void One_after_the_other_is_never_worse_than_found_and_seldom_far_from_the_best()
    {
        var (exact, descended) = (0.0, 0.0);
        for (var seed = 0; seed < 60; seed++)
        {
            var ground = ChannelGround.Of(Simulator.Run(ChannelPlanTests.Random(seed, 5, seed % 2 == 0 ? Band.Ghz24 : Band.Ghz5)))!;
            var (best, isExact) = ChannelSearch.Run(ground, ground.Seats, TestContext.Current.CancellationToken);
            if (!isExact) continue;
            var way = ChannelDescent.Run(ground, ground.Seats, TestContext.Current.CancellationToken);
            var found = ground.Seats.Select(seat => seat.Options.ToList().FindIndex(option => option.Channel == seat.Found)).ToArray();
            var (least, cost) = (Cost(best), Cost(way));
            Assert.True(cost >= least - 1e-6, $"seed {seed}: cheaper than the best");
            if (!found.Contains(-1))
            {
                Assert.True(cost <= Cost(found) + 1e-6, $"seed {seed}: dearer than found");
                (exact, descended) = (exact + Cost(found) - least, descended + Cost(found) - cost);
            }

            double Cost(int[] choice) =>
                ChannelPlanTests.CostOf(ground, ground.Seats, [.. ground.Seats.Select((seat, i) => seat.Options[choice[i]])]);
        }
        // Of all that can be gained it gains nine tenths.
        Assert.InRange(descended / exact, 0.9, 1);
    }

    [Fact]
    public void Two_houses_that_do_not_hear_each_other_are_each_settled_exactly()
    {
        // Two rows of rooms a kilometre apart, seven access points in each: one search of fourteen would not end.
        var house = Gateway(7, WallMaterial.Concrete, wifi: [Home("2g", 6)]);
        for (var i = 1; i < 7; i++) house = house.Point($"a{i}", $"r{i}", Home("2g", 6));
        for (var i = 0; i < 7; i++) house = house.Point($"f{i}", $"f{i}", Home("2g", 6));
        house = house.With(h =>
            h with
            {
                Rooms = [.. h.Rooms,
            .. Enumerable.Range(0,
            7).Select(i => new Room { Id = $"f{i}", Name = $"Far {i}", Floor = 0, Rect = new(960 + i * 4, 0, 4, 4) })]
            });
        var ground = ChannelGround.Of(house.State)!;
        Assert.Equal([7, 7], ChannelParts.Of(ground, ground.Seats).Select(part => part.Length));
        Assert.True(ChannelPlan.Of(house.State)!.IsExact);
    }

    [Fact]
    public void A_hostel_of_sixty_boxes_gets_better_channels_and_says_that_nobody_knows_the_best()
    {
        var house = Hostel(60, 40);
        var plan = ChannelPlan.Of(Simulator.Run(house), TestContext.Current.CancellationToken)!;
        Assert.False(plan.IsExact);
        Assert.True(plan.Radios.Sum(radio => Math.Log(radio.ShareAfter)) > plan.Radios.Sum(radio => Math.Log(radio.ShareBefore)) + 20);
        var after = AirMap.Of(Altrin.Core.Actions.ActionRunner.DoAll(house, plan.Actions).House!);
        Assert.Equal(after.Sources.Select(source => Math.Round(source.Share, 9)),
            plan.Radios.Select(radio => Math.Round(radio.ShareAfter, 9)));
    }

    [Fact]
    public void A_hundred_boxes_are_judged_and_shown_within_seconds()
    {
        var house = Hostel(100, 60);
        var start = ThreadClock.Now;
        var evaluation = Evaluation.Of(house);
        Assert.Contains(evaluation.Findings, finding => finding.Rule == "own-channels-overlap");
        Assert.Equal(200, AirView.Of(evaluation.State).Strips.Sum(strip => strip.Radios.Length));
        Assert.NotNull(ChannelPlan.Of(evaluation.State, TestContext.Current.CancellationToken));
        // A second alone on two slow cores; before the air was bounded, most of a minute.
        Assert.InRange(ThreadClock.Now - start, TimeSpan.Zero, TimeSpan.FromSeconds(30));
    }

    [Fact]
    public void Of_a_large_building_no_more_places_are_tried_than_there_is_time_for()
    {
        var house = Hostel(100, 60);
        var standing = Places.Of(house, "b7", everyMetre: false, TestContext.Current.CancellationToken)!;
        // Here is a place for every room; of a small house all are tried.
        Assert.InRange(standing.Tried, 10, Places.MostTries(house, Places.Few) + 1);
        Assert.True(standing.Tried < 60);
        Assert.True(Places.MostTries(Hostel(3, 8)) > 10_000);
    }

    [Fact]
    public void More_than_can_be_reckoned_is_refused_by_name()
    {
        static string Problem(NetworkDocument house) => HouseCheck.WhyNot(house)?.ToString() ?? "";
        Assert.Equal("", Problem(Hostel(100, 60)));
        Assert.StartsWith("devices: These are 602 radios that send Wi-Fi; the air of at most 600", Problem(Hostel(301, 60)),
            StringComparison.Ordinal);
        Assert.StartsWith("rooms: These are 401 rooms; the air of at most 400", Problem(Hostel(1, 401)), StringComparison.Ordinal);
        Assert.StartsWith("neighbours: These are 1001 ",
            Problem(Hostel(1,
            1) with
            {
                Neighbours = [.. Enumerable.Range(0,
            1001).Select(i => new NeighbourNetwork { Ssid = $"n{i}", Band = Band.Ghz24, Channel = 1 })]
            }), StringComparison.Ordinal);
    }

    [Fact]
    public void A_line_through_the_house_is_the_same_from_either_end()
    {
        var random = new Random(7);
        for (var round = 0; round < 60; round++)
        {
            // Rooms of a grid with holes, some larger, on up to three floors.
            var rooms = Enumerable.Range(0,
                24).Where(_ => random.Next(5) > 0).Select(i =>
                new Room
                {
                    Id = $"r{i}",
                    Name = $"Room {i}",
                    Floor = i / 8,
                    Rect = new(i % 4 * 4, i / 4 % 2 * 5, 4, 5),
                    Walls = (WallMaterial)random.Next(5),
                    Outdoor = random.Next(6) == 0 ? true : null
                }).ToArray();
            if (rooms.Length < 2) continue;
            var plan = FloorPlan.Of(new() { Name = "House", Rooms = [.. rooms] });
            for (var pair = 0; pair < 20; pair++)
            {
                Place Any() =>
                    rooms[random.Next(rooms.Length)] is var room && random.Next(2) == 0 ? plan.PlaceOf(room.Id, null)
                    : plan.PlaceOf(room.Id, new(room.Rect!.Value.X + random.NextDouble() * 4, room.Rect.Value.Y + random.NextDouble() * 5));
                var (a, b) = (Any(), Any());
                var (there, back) = (plan.Between(a, b), plan.Between(b, a));
                Assert.Equal(there.DistanceM, back.DistanceM, 9);
                Assert.Equal(there.Walls.Order(), back.Walls.Order());
                // Nothing is left out that may be heard.
                if (!plan.MayReach(a, b, Band.Ghz5, 23, -82)) Assert.True(23 - plan.LossDb(there, Band.Ghz5) < -82);
            }
        }
    }
}
