using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

[JsonDerivedType(typeof(NoteMeasured), "note-measured")]
[JsonDerivedType(typeof(ForgetMeasured), "forget-measured")]
public abstract partial record InstallerAction;

/// <summary>Writes down what was measured in a room; what had that id before is replaced.</summary>
public sealed record NoteMeasured(Measurement Measured) : InstallerAction
{
    public override bool IsRecord(NetworkDocument house) => true;

    public override ActionProblem? Problem(NetworkDocument house) =>
        string.IsNullOrWhiteSpace(Measured.Id) ? new("measured.id", "Empty. Give it an id.")
        : string.IsNullOrWhiteSpace(Measured.Room) ? new("measured.room", "Missing. Say in which room it was measured.")
        : Measured is { Mbps: null, LevelDbm: null } ? new("measured.mbps", "Missing. Write the rate in Mb/s, or the level in dBm.")
        : Measured.Mbps is { } mbps && !(mbps >= 0 && mbps <= Limits.Mbps) ? new("measured.mbps", $"“{mbps}” is no rate. Write 0 to {Limits.Mbps} Mb/s.")
        : Measured.LevelDbm is { } dbm && !(dbm >= NeighbourNetwork.LowestDbm && dbm <= NeighbourNetwork.HighestDbm) ? new("measured.levelDbm", $"“{dbm}” is no level. Write {NeighbourNetwork.LowestDbm} to {NeighbourNetwork.HighestDbm} dBm.")
        : null;

    public override string Say(NetworkDocument house) => Measured.Mbps is { } mbps
        ? $"Write down that {mbps} Mb/s were measured in {Rooms.Say(house, Measured.Room)}"
        : $"Write down that {Measured.LevelDbm} dBm were measured in {Rooms.Say(house, Measured.Room)}";

    protected override NetworkDocument Do(NetworkDocument house)
    {
        var at = house.Measured.ToList().FindIndex(one => one.Id == Measured.Id);
        return house with { Measured = at < 0 ? house.Measured.Add(Measured) : house.Measured.SetItem(at, Measured) };
    }
}

public sealed record ForgetMeasured(string Id) : InstallerAction
{
    public override bool IsRecord(NetworkDocument house) => true;
    public override ActionProblem? Problem(NetworkDocument house) => house.Measured.Any(one => one.Id == Id) ? null : new("id", "Nothing of that id was measured.");
    public override string Say(NetworkDocument house) => $"Take back what was measured in {Rooms.Say(house, house.Measured.FirstOrDefault(one => one.Id == Id)?.Room ?? "a room")}";
    protected override NetworkDocument Do(NetworkDocument house) => house with { Measured = house.Measured.RemoveAll(one => one.Id == Id) };
}
