using Altrin.Core.Network;
using Altrin.Core.Radio;
using FsCheck.Xunit;

namespace Altrin.Core.Tests.Radio;

/// <summary>Distances, walls and floors: section 6 of the format, points 1 and 2, worked by hand.</summary>
public class FloorPlanTests
{
    private static Room Drawn(string id, double x, double y, double w, double d, int floor = 0, WallMaterial? walls = null, bool outdoor = false) =>
        new() { Id = id, Name = id, Rect = new(x, y, w, d), Floor = floor, Walls = walls, Outdoor = outdoor ? true : null };

    private static NetworkDocument House(params Room[] rooms) => new() { Name = "House", Rooms = [.. rooms], Building = new() { Walls = WallMaterial.Brick, Floors = FloorMaterial.Wood } };

    private static Between Of(NetworkDocument house, string? a, string? b, FloorPoint? atA = null, FloorPoint? atB = null)
    {
        var plan = FloorPlan.Of(house);
        return plan.Between(plan.PlaceOf(a, atA), plan.PlaceOf(b, atB));
    }

    [Fact]
    public void In_one_drawn_room_a_quarter_of_its_sides_or_the_straight_line()
    {
        var house = House(Drawn("hall", 0, 0, 6, 4));
        Assert.Equal((2.5, DistanceKind.SameRoom), (Of(house, "hall", "HALL").DistanceM, Of(house, "hall", "HALL").Kind));
        // From (0, 2) to the middle (3, 2).
        Assert.Equal(3, Of(house, "hall", "hall", new FloorPoint(0, 2)).DistanceM, 9);
        Assert.Equal(1, Of(house, "hall", "hall", new(1, 1), new(1.2, 1)).DistanceM);
        Assert.Equal(1, Of(House(Drawn("closet", 0, 0, 1, 1)), "closet", "closet").DistanceM);
    }

    [Fact]
    public void Between_two_drawn_rooms_the_straight_line_and_one_wall_where_they_meet()
    {
        var between = Of(House(Drawn("a", 0, 0, 4, 4), Drawn("b", 4, 0, 4, 4)), "a", "b");
        Assert.Equal((4, 0, DistanceKind.Drawn), (between.DistanceM, between.Floors, between.Kind));
        Assert.Equal([WallMaterial.Brick], between.Walls);
    }

    [Fact]
    public void A_wall_is_of_the_heavier_of_the_two_rooms_and_outdoors_has_none()
    {
        Assert.Equal([WallMaterial.Stone], Of(House(Drawn("a", 0, 0, 4, 4, walls: WallMaterial.Wood), Drawn("b", 4, 0, 4, 4, walls: WallMaterial.Stone)), "a", "b").Walls);
        Assert.Equal([WallMaterial.Wood], Of(House(Drawn("a", 0, 0, 4, 4, walls: WallMaterial.Wood), Drawn("yard", 4, 0, 4, 4, outdoor: true)), "a", "yard").Walls);
        Assert.Empty(Of(House(Drawn("a", 0, 0, 4, 4, outdoor: true), Drawn("b", 4, 0, 4, 4, outdoor: true)), "a", "b").Walls);
    }

    [Fact]
    public void Through_a_third_room_two_walls_and_across_a_gap_two_of_their_own()
    {
        Assert.Equal([WallMaterial.Brick, WallMaterial.Brick], Of(House(Drawn("a", 0, 0, 4, 4), Drawn("m", 4, 0, 2, 4), Drawn("b", 6, 0, 4, 4)), "a", "b").Walls);
        // Between the houses is nothing: each ends in a wall of its own.
        Assert.Equal([WallMaterial.Brick, WallMaterial.Stone], Of(House(Drawn("a", 0, 0, 4, 4), Drawn("b", 9, 0, 4, 4, walls: WallMaterial.Stone)), "a", "b").Walls);
    }

    [Fact]
    public void A_corner_where_four_rooms_meet_is_one_wall() =>
        Assert.Single(Of(House(Drawn("a", 0, 0, 4, 4), Drawn("b", 4, 4, 4, 4), Drawn("c", 4, 0, 4, 4), Drawn("d", 0, 4, 4, 4)), "a", "b").Walls);

    [Fact]
    public void Upstairs_is_a_storey_higher_and_a_floor_between()
    {
        var above = Of(House(Drawn("a", 0, 0, 4, 4), Drawn("up", 0, 0, 4, 4, floor: 1)), "a", "up");
        Assert.Equal((2.7, 1), (above.DistanceM, above.Floors));
        Assert.Empty(above.Walls);
        var aside = Of(House(Drawn("a", 0, 0, 4, 4), Drawn("up", 8, 0, 4, 4, floor: 1)), "a", "up");
        Assert.Equal(Math.Sqrt(64 + 2.7 * 2.7), aside.DistanceM, 9);
        // Half of the line lies on the ground, where it leaves its room at 2 of 8 m; half above, where it comes into the other at 6.
        Assert.Equal([WallMaterial.Brick, WallMaterial.Brick], aside.Walls);
        Assert.Equal(2, Of(House(Drawn("a", 0, 0, 4, 4), Drawn("roof", 0, 0, 4, 4, floor: 2)), "a", "roof").Floors);
    }

    [Fact]
    public void Without_a_drawing_three_metres_or_ten_and_a_wall_of_each()
    {
        Room loft = new() { Id = "loft", Name = "Loft", Floor = 2, Walls = WallMaterial.Wood };
        Room hall = new() { Id = "hall", Name = "Hall" };
        var house = House(loft, hall);
        Assert.Equal((3, DistanceKind.SameRoom), (Of(house, "loft", "Loft").DistanceM, Of(house, "loft", "Loft").Kind));
        var between = Of(house, "loft", "hall");
        Assert.Equal((Math.Sqrt(100 + 5.4 * 5.4), 2, DistanceKind.OtherRoom), (between.DistanceM, between.Floors, between.Kind));
        Assert.Equal([WallMaterial.Wood, WallMaterial.Brick], between.Walls);
        // One that is not listed is on the other's floor; two without a room are not in one room.
        Assert.Equal((10, 0), (Of(house, "attic", "loft").DistanceM, Of(house, "attic", "loft").Floors));
        Assert.Equal(3, Of(house, "attic", "ATTIC").DistanceM);
        Assert.Equal((10, 2), (Of(house, null, null).DistanceM, Of(house, null, null).Walls.Length));
    }

    [Theory, Trait("source", "ITU-R P.525: free space 20 log f + 20 log d − 27.55 dB (MHz, m); 2.4 GHz at 1 m about 40 dB")]
    [InlineData(Band.Ghz24, 1, 40.2)]
    [InlineData(Band.Ghz24, 10, 60.2)]
    [InlineData(Band.Ghz5, 10, 67.3)]
    [InlineData(Band.Ghz6, 100, 88.7)]
    [InlineData(Band.Ghz5, 0.2, 47.3)]
    public void Free_space_loses_what_the_recommendation_says(Band band, double metres, double db) => Assert.Equal(db, PathLoss.FreeSpaceDb(band, metres), 0.06);

    /// <summary>Law: a wall more never raises a level, and further off in the open never does either.</summary>
    [Property]
    public void Heavier_walls_and_longer_ways_never_gain(byte x, byte y, byte w, byte wall)
    {
        var (a, b) = (Drawn("a", 0, 0, 4, 4), Drawn("b", 4 + x % 20, y % 20, 1 + w % 9, 3));
        var light = House(a with { Walls = WallMaterial.Plasterboard }, b with { Walls = WallMaterial.Plasterboard });
        var heavy = House(a with { Walls = (WallMaterial)(wall % 5) }, b with { Walls = (WallMaterial)(wall % 5) });
        foreach (var band in Enum.GetValues<Band>())
        {
            Assert.True(PathLoss.Db(Of(light, "a", "b"), FloorMaterial.Wood, band) <= PathLoss.Db(Of(heavy, "a", "b"), FloorMaterial.Wood, band) + 1e-9);
            Assert.True(PathLoss.FreeSpaceDb(band, x) <= PathLoss.FreeSpaceDb(band, x + y));
        }
    }
}
