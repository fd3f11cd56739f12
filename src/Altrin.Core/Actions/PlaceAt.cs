using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

[JsonDerivedType(typeof(PlaceAt), "place-at")]
public abstract partial record InstallerAction;

/// <summary>Writes down where a box or a thing stands. Nobody carries it anywhere: it was there all along, or is put a metre further within its room.</summary>
/// <param name="Id">A box or a thing.</param>
/// <param name="Room">Null: in which room is not known.</param>
/// <param name="At">Metres on the floor of the room; null: anywhere in it.</param>
public sealed record PlaceAt(string Id, string? Room = null, FloorPoint? At = null) : InstallerAction
{
    public override bool IsRecord(NetworkDocument house) => true;

    public override ActionProblem? Problem(NetworkDocument house) =>
        house.FindDevice(Id) is null && house.FindEndpoint(Id) is null ? new("id", $"There is nothing called “{Id}” in this house.")
        : At is not null && Rooms.Find(house, Room) is null ? new("at", "A place in metres is in a room of the list. Choose the room first.")
        : null;

    public override string Say(NetworkDocument house) => Room is { } room
        ? $"Write down that {house.NameOf(Id)} stands in {Rooms.Say(house, room)}"
        : $"Write down that nobody knows where {house.NameOf(Id)} stands";

    protected override NetworkDocument Do(NetworkDocument house) => house
        .WithDevice(Id, box => box with { Room = Room, At = At })
        .WithEndpoint(Id, thing => thing with { Room = Room, At = At });
}
