using Altrin.Core.Actions;
using Altrin.Core.Air;
using Altrin.Core.Network;
using Altrin.Core.Simulation;
using static Altrin.Core.Tests.Air.AirHouses;

namespace Altrin.Core.Tests.Air;

/// <summary>What measurements say of the walls: one offset, least squares, within ten decibels.</summary>
public class WallCorrectionTests
{
    private static NetworkDocument With(params (string Room, double? Mbps, double? Dbm)[] measured) => Gateway(4, WallMaterial.Brick, wifi: [Home("5g", 36)]).House with
    {
        Measured = [.. measured.Select((one, i) => new Measurement { Id = $"m{i}", Room = one.Room, Mbps = one.Mbps, LevelDbm = one.Dbm })],
    };

    private static double Level(NetworkDocument house, string room) => Simulator.Run(house).AirMap.Rooms[house.Rooms.ToList().FindIndex(one => one.Id == room)].LevelDbm;

    [Theory]
    [InlineData(3)]
    [InlineData(-4)]
    public void Levels_that_are_all_off_by_as_much_are_taken_in_and_then_agree(double off)
    {
        var plain = With();
        var house = With(("r1", null, Level(plain, "r1") - off), ("r2", null, Level(plain, "r2") - off));
        var correction = WallCorrection.Of(Simulator.Run(house));
        Assert.Equal((off, 2), (correction.LearntDb!.Value, correction.Counted));
        var corrected = correction.Actions.Apply(house);
        Assert.Equal(Level(plain, "r2") - off, Level(corrected, "r2"), 0.06);
        Assert.All(WallCorrection.Of(Simulator.Run(corrected)).Measured, one => Assert.Equal("As reckoned.", one.Says));
        Assert.Empty(WallCorrection.Of(Simulator.Run(corrected)).Actions);
        // Back as it was.
        Assert.Equal(plain.Building, new[] { WallCorrection.Write(corrected, 0) }.Apply(corrected).Building);
    }

    [Fact]
    public void The_mean_of_what_disagrees_is_taken_and_never_more_than_ten()
    {
        var plain = With();
        Assert.Equal(3, WallCorrection.Of(Simulator.Run(With(("r1", null, Level(plain, "r1") - 2), ("r2", null, Level(plain, "r2") - 4)))).LearntDb!.Value, 0.1);
        Assert.Equal(10, WallCorrection.Of(Simulator.Run(With(("r1", null, Level(plain, "r1") - 25)))).LearntDb);
    }

    [Fact]
    public void Near_what_the_line_gives_a_rate_says_nothing_of_walls()
    {
        var correction = WallCorrection.Of(Simulator.Run(With(("r1", 470, null))));
        Assert.Null(correction.LearntDb);
        Assert.Contains("at least that", correction.Measured[0].Says, StringComparison.Ordinal);
        // In the room of the box there is no wall to be learnt of.
        Assert.Null(WallCorrection.Of(Simulator.Run(With(("r0", 300, null)))).LearntDb);
    }

    [Fact]
    public void A_rate_that_is_lower_than_reckoned_makes_walls_heavier()
    {
        var plain = With();
        var reckoned = Simulator.Run(plain).AirMap.Rooms[2].Expected.Printed;
        var correction = WallCorrection.Of(Simulator.Run(With(("r2", reckoned / 3, null))));
        Assert.InRange(correction.LearntDb!.Value, 1, 10);
        var after = Simulator.Run(correction.Actions.Apply(plain)).AirMap.Rooms[2].Expected.Printed;
        Assert.InRange(after, reckoned / 6, reckoned / 1.5);
    }

    [Fact]
    public void A_wall_more_never_raises_a_level_whatever_was_learnt()
    {
        for (var offset = -10; offset <= 10; offset += 5)
            for (var rooms = 2; rooms < 6; rooms++)
            {
                double At(WallMaterial walls) => Level(Gateway(rooms, walls, wifi: [Home("5g", 36)]).House with { Building = new() { Walls = walls, OffsetDb = offset } }, $"r{rooms - 1}");
                var levels = Enum.GetValues<WallMaterial>().Select(At).Where(level => !double.IsNaN(level)).ToList();
                Assert.Equal(levels.OrderDescending(), levels);
                // No wall gives back what the way through the air has taken.
                var open = Gateway(rooms, wifi: [Home("5g", 36)]).House;
                open = open with { Rooms = [.. open.Rooms.Select(room => room with { Outdoor = true })], Building = new() { OffsetDb = offset } };
                Assert.True(levels.Count == 0 || levels.Max() <= Level(open, $"r{rooms - 1}") + 1e-9);
            }
    }
}
