using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

[JsonDerivedType(typeof(NoteRun), "note-run")]
public abstract partial record InstallerAction;

/// <summary>Writes down that a cable lies between two rooms; a room that is not listed yet is listed with it.</summary>
/// <param name="A">A room, by id or name.</param>
/// <param name="B">Another.</param>
public sealed record NoteRun(string A, string B, Medium Medium = Medium.Ethernet) : InstallerAction
{
    public override bool IsRecord(NetworkDocument house) => true;

    public override ActionProblem? Problem(NetworkDocument house) =>
        string.IsNullOrWhiteSpace(A) ? new("a", "Missing. Say from which room the cable comes.")
        : string.IsNullOrWhiteSpace(B) ? new("b", "Missing. Say to which room the cable goes.")
        : Rooms.AreSame(house, A.Trim(), B.Trim())
            ? new("b", $"“{B}” is the room that it comes from. Name another: inside a room any cable may be laid.")
        : null;

    public override string Say(NetworkDocument house) => $"Note a cable from {Rooms.Say(house, A)} to {Rooms.Say(house, B)}";

    protected override NetworkDocument Do(NetworkDocument house)
    {
        var (listed, a) = Listed(house, A.Trim());
        (listed, var b) = Listed(listed, B.Trim());
        var id = Ids.Of($"{a}-{b}", house.Runs.Select(one => one.Id));
        return listed with { Runs = house.Runs.Add(new() { Id = id, A = a, B = b, Medium = Medium, Laid = true }) };
    }

    private static (NetworkDocument House, string Id) Listed(NetworkDocument house, string room)
    {
        if (Rooms.Find(house, room) is { } known) return (house, known.Id);
        var id = Ids.Of(room, house.Rooms.Select(one => one.Id));
        return (house with { Rooms = house.Rooms.Add(new() { Id = id, Name = room }) }, id);
    }
}
