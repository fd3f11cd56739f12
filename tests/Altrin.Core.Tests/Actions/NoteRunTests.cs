using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Tests.Actions;

/// <summary>A cable that lies between two rooms.</summary>
public class NoteRunTests
{
    private static readonly NetworkDocument House = new()
    {
        Name = "House",
        Country = "GB",
        Rooms = [new() { Id = "hall", Name = "Hall" }, new() { Id = "shed", Name = "Shed" }],
        Runs = [new() { Id = "hall-loft", A = "hall", B = "shed" }],
    };

    [Fact]
    public void A_room_that_is_not_listed_is_listed_with_it_whatever_the_case_of_the_other()
    {
        var after = ActionRunner.DoAll(House, [new NoteRun("HALL", " Loft ", Medium.Powerline)]).House!;
        Assert.Equal([("hall", "Hall"), ("shed", "Shed"), ("loft", "Loft")], after.Rooms.Select(room => (room.Id, room.Name)));
        Assert.Equal(("hall-loft-2", "hall", "loft", Medium.Powerline, true),
            (after.Runs[1].Id, after.Runs[1].A, after.Runs[1].B, after.Runs[1].Medium, after.Runs[1].Laid));
        Assert.Equal("GB", after.Country);
    }

    [Theory]
    [InlineData("", "Loft", "a"), InlineData("Hall", " ", "b"), InlineData("Hall", "hall", "b")]
    public void A_cable_from_nowhere_or_to_the_same_room_is_refused_by_its_field(string a, string b, string field) =>
        Assert.Equal(field, ActionRunner.DoAll(House, [new NoteRun(a, b)]).Problem?.Field.Split('.')[^1]);
}
