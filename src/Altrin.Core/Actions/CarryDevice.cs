using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

[JsonDerivedType(typeof(CarryDevice), "carry-device")]
public abstract partial record InstallerAction;

/// <summary>Carries a box to another room, which takes out every cable of it.</summary>
/// <param name="Room">Its id or its name.</param>
/// <param name="At">Where in it; null: anywhere.</param>
public sealed record CarryDevice(string Device, string Room, FloorPoint? At = null) : InstallerAction
{
    public override string? BoxTouched() => Device;

    public override ActionProblem? Problem(NetworkDocument house) => Checks.Device(house, Device)
        ?? (string.IsNullOrWhiteSpace(Room) ? new("room", "Say in which room it shall stand.") : house.Line?.Device == Device ? new("device", "The box at the line stays where the line is.") : null);

    public override string Say(NetworkDocument house) => $"Carry {house.NameOf(Device)} to {Rooms.Say(house, Room)}";

    protected override NetworkDocument Do(NetworkDocument house) => (house with
    {
        Cables = [.. house.Cables.Where(cable => cable.A.Device != Device && cable.B.Device != Device)],
        Endpoints = [.. house.Endpoints.Select(thing => thing.Connect?.Socket?.Device == Device ? thing with { Connect = null } : thing)],
    }).WithDevice(Device, box => box with { Room = Room, At = At });

    /// <summary>Whether a box has to be carried to stand as it is planned: from one room to another, or off the table. A room that is only written down
    /// for a box in use is no walk.</summary>
    public static bool IsDue(NetworkDocument house, Device now, Device wanted) => wanted.Room is { } to && house.Line?.Device != now.Id
        && (now.Room is { } from ? !Rooms.AreSame(house, from, to) : IsOnTheTable(house, now));

    /// <summary>The same in the middle of the work: what lay on the table at its beginning may have joined somebody from there by now.</summary>
    public static bool IsStillDue(NetworkDocument begun, NetworkDocument house, Device now, Device wanted) =>
        IsDue(house, now, wanted) || (now.Room is null && begun.FindDevice(now.Id) is { } was && IsDue(begun, was, wanted));

    private static bool IsOnTheTable(NetworkDocument house, Device box) => box.Uplink is null && !house.Cables.Any(cable => cable.A.Device == box.Id || cable.B.Device == box.Id)
        && !house.Endpoints.Any(thing => thing.Id != Laptop.Id && thing.Connect?.Socket?.Device == box.Id);
}
