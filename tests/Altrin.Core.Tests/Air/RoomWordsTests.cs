using Altrin.Core.Air.Drawing;
using Altrin.Core.Network;

namespace Altrin.Core.Tests.Air;

/// <summary>Rooms as they are said.</summary>
public class RoomWordsTests
{
    private static NetworkDocument Said(params string[] lines) => lines.Aggregate(new NetworkDocument { Name = "House" }, (house, line) =>
    {
        var said = RoomWords.Read(house, line);
        Assert.True(said.Problem is null, $"{line}: {said.Problem}");
        return said.Draw!.Apply(house);
    });

    [Theory]
    [InlineData("Study 4 by 5", 8, 0, 4, 5)]                                  // beside the last of the floor
    [InlineData("study 4 x 5 m, right of hall", 3, 0, 4, 5)]
    [InlineData("Study 4×5 paces, right of the hall", 3, 0, 3, 4)]            // 0.75 m a pace, to the half metre
    [InlineData("Study 13 by 16 ft, below the hall", 0, 6, 4, 5)]
    [InlineData("Study, 2.5 * 3,5 metres left of Hall", -2.5, 0, 2.5, 3.5)]
    [InlineData("Study 4 by 5, behind the hall", 0, -5, 4, 5)]
    [InlineData("Study 4 by 3, over the hall", 0, 0, 4, 3)]
    [InlineData("Study 4 by 5, north of lounge", 3, -5, 4, 5)]
    public void A_room_is_read(string line, double x, double y, double width, double depth)
    {
        var house = Said("Hall 3 by 6", line.Contains("lounge", StringComparison.Ordinal) || line == "Study 4 by 5" ? "Lounge 5 by 4, right of the hall" : "Cellar 2 by 2 on floor -1");
        var study = Said([.. new[] { "Hall 3 by 6" }, line.Contains("lounge", StringComparison.Ordinal) || line == "Study 4 by 5" ? "Lounge 5 by 4, right of the hall" : "Cellar 2 by 2 on floor -1", line]).Rooms.Single(room => room.Name == "Study");
        Assert.Equal(new RoomRect(x, y, width, depth), study.Rect);
        Assert.Equal(line.Contains("over", StringComparison.Ordinal) ? 1 : 0, study.Floor ?? 0);
        Assert.DoesNotContain(house.Rooms, room => room.Name == "Study");
    }

    [Theory]
    [InlineData("", "is not a name, width by depth")]
    [InlineData("Study", "is not a name, width by depth")]
    [InlineData("4 by 5", "Write the name of the room first")]
    [InlineData("Study 4 by 500", "A room is 0.5 to 60 m")]
    [InlineData("Study 4 by 5, right of the moon", "There is no room “moon”")]
    [InlineData("Study 4 by 5, near the hall", "does not say where it lies")]
    public void What_cannot_be_read_is_said_with_the_mend(string line, string words) =>
        Assert.Contains(words, RoomWords.Read(Said("Hall 3 by 6"), line).Problem, StringComparison.Ordinal);

    [Fact]
    public void Beside_a_wall_that_is_taken_the_next_free_place_along_it_is_used()
    {
        var house = Said("Hall 3 by 6", "Lounge 4 by 3, right of hall", "Study 4 by 3, right of hall");
        Assert.Equal(new RoomRect(3, 3, 4, 3), house.Rooms[2].Rect);
        // And where the wall is full it is said which room is in the way.
        Assert.Contains("would lie over Study", RoomWords.Read(house, "Pantry 2 by 2, right of hall").Problem, StringComparison.Ordinal);
    }

    [Fact]
    public void A_room_that_is_listed_and_not_drawn_keeps_its_id_and_what_is_known_of_it()
    {
        var house = new NetworkDocument { Name = "House", Rooms = [new() { Id = "x7", Name = "Study", Walls = WallMaterial.Stone }] };
        var study = Assert.Single(RoomWords.Read(house, "study 3 by 3").Draw!.Apply(house).Rooms);
        Assert.Equal(("x7", WallMaterial.Stone), (study.Id, study.Walls));
    }

    [Fact]
    public void Ten_rooms_in_ten_lines_and_none_lies_on_another()
    {
        var house = Said("Hall 2 by 6", "Lounge 5 by 4, right of hall", "Kitchen 5 by 4 below lounge", "Pantry 2 by 2, below hall", "Bathroom 3 by 3 left of hall", "Landing 2 by 4 over hall", "Bedroom 4 by 4 right of landing", "Nursery 3 by 3 left of landing", "Attic 6 by 4 over landing", "Terrace 6 by 3 below kitchen, outdoors");
        Assert.Equal(10, house.Rooms.Length);
        foreach (var room in house.Rooms) Assert.Null(Altrin.Core.Actions.DrawRoom.Overlapped(house, room, room.Rect!.Value));
        Assert.Equal([0, 0, 0, 0, 0, 1, 1, 1, 2, 0], house.Rooms.Select(room => room.Floor ?? 0));
        Assert.True(house.Rooms[9].Outdoor);
    }
}
