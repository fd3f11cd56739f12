using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

[JsonDerivedType(typeof(DescribeDevice), "describe-device")]
[JsonDerivedType(typeof(DescribeEndpoint), "describe-endpoint")]
[JsonDerivedType(typeof(DescribeHouse), "describe-house")]
[JsonDerivedType(typeof(PutInOrder), "put-in-order")]
[JsonDerivedType(typeof(RemoveLine), "remove-line")]
public abstract partial record InstallerAction;

// What is written down about a house and changes nothing in it: names, rooms, labels, the order of lists.

/// <summary>Writes down what a box is: its label, sockets, radios, place, what the household says of it. What is set in it stays as it is.</summary>
public sealed record DescribeDevice(Device Box) : InstallerAction
{
    public override bool IsRecord(NetworkDocument house) => true;
    public override ActionProblem? Problem(NetworkDocument house) => Checks.Device(house, Box.Id, "box.id");
    public override string Say(NetworkDocument house) => $"Write down what {house.NameOf(Box.Id)} is";
    protected override NetworkDocument Do(NetworkDocument house) => house.WithDevice(Box.Id, now => SettingCatalogue.Described(now, Box));
}

/// <summary>Writes down what a thing is. What it is plugged into or joined to, and how it is addressed, stays as it is.</summary>
public sealed record DescribeEndpoint(Endpoint Thing) : InstallerAction
{
    public override bool IsRecord(NetworkDocument house) => true;
    public override ActionProblem? Problem(NetworkDocument house) => Checks.Endpoint(house, Thing.Id, "thing.id");
    public override string Say(NetworkDocument house) => $"Write down what {house.NameOf(Thing.Id)} is";
    protected override NetworkDocument Do(NetworkDocument house) => house.WithEndpoint(Thing.Id, now => Thing with { Connect = now.Connect, Address = now.Address });
}

/// <summary>Writes down the house itself: its country, walls, rooms, runs and neighbours.</summary>
public sealed record DescribeHouse(string Name, string? Country = null, Building? Building = null) : InstallerAction
{
    public override bool IsRecord(NetworkDocument house) => true;
    public ImmutableArray<Room> Rooms { get; init; } = [];

    /// <summary>Null: they stay as they are.</summary>
    public ImmutableArray<OtherBuilding>? Buildings { get; init; }

    public ImmutableArray<CableRun> Runs { get; init; } = [];
    public ImmutableArray<NeighbourNetwork> Neighbours { get; init; } = [];

    public override ActionProblem? Problem(NetworkDocument house) => Checks.Name(Name);
    public override string Say(NetworkDocument house) => $"Write down what {house.Name} is like";

    protected override NetworkDocument Do(NetworkDocument house) => house with
    {
        Name = Name,
        Country = Country,
        Building = Building,
        Buildings = Buildings is { IsDefault: false } listed ? listed : house.Buildings,
        Rooms = Rooms.IsDefault ? [] : Rooms,
        Runs = Runs.IsDefault ? [] : Runs,
        Neighbours = Neighbours.IsDefault ? [] : Neighbours,
    };
}

/// <summary>Puts the lists of the house in that order; what is not named keeps its place after what is. The order decides who asks first.</summary>
public sealed record PutInOrder : InstallerAction
{
    public override bool IsRecord(NetworkDocument house) => true;
    public ImmutableArray<string> Devices { get; init; } = [];
    public ImmutableArray<string> Cables { get; init; } = [];
    public ImmutableArray<string> Endpoints { get; init; } = [];
    public ImmutableArray<string> Needs { get; init; } = [];

    public override ActionProblem? Problem(NetworkDocument house) => null;
    public override string Say(NetworkDocument house) => "Put the lists of the house in order";

    protected override NetworkDocument Do(NetworkDocument house) => house with
    {
        Devices = Sorted(house.Devices, Devices, one => one.Id),
        Cables = Sorted(house.Cables, Cables, one => one.Id),
        Endpoints = Sorted(house.Endpoints, Endpoints, one => one.Id),
        Needs = Sorted(house.Needs, Needs, one => one.Id),
    };

    private static ImmutableArray<T> Sorted<T>(ImmutableArray<T> list, ImmutableArray<string> ids, Func<T, string> id)
    {
        if (ids.IsDefaultOrEmpty) return list;
        var place = new Dictionary<string, int>(StringComparer.Ordinal);
        for (var i = 0; i < ids.Length; i++) place.TryAdd(ids[i], i);
        return [.. list.OrderBy(one => place.GetValueOrDefault(id(one), int.MaxValue))];
    }
}

/// <summary>No line comes in any more.</summary>
public sealed record RemoveLine : InstallerAction
{
    public override ActionProblem? Problem(NetworkDocument house) => house.Line is null ? new("line", "No line comes in here.") : null;
    public override string Say(NetworkDocument house) => "Take the provider’s line out";
    protected override NetworkDocument Do(NetworkDocument house) => house with { Line = null };
}
