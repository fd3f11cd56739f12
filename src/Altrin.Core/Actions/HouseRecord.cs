using System.Text.Json.Serialization;
using Altrin.Core.Kit;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

[JsonDerivedType(typeof(SetEndpointAddress), "set-endpoint-address")]
[JsonDerivedType(typeof(AddDevice), "add-device")]
[JsonDerivedType(typeof(RemoveDevice), "remove-device")]
[JsonDerivedType(typeof(AddEndpoint), "add-endpoint")]
[JsonDerivedType(typeof(RemoveEndpoint), "remove-endpoint")]
[JsonDerivedType(typeof(Rename), "rename")]
[JsonDerivedType(typeof(SetNeed), "set-need")]
[JsonDerivedType(typeof(RemoveNeed), "remove-need")]
[JsonDerivedType(typeof(SetLine), "set-line")]
public abstract partial record InstallerAction;

// What the record of the house says is there: boxes, things, wants, the line.

public sealed record SetEndpointAddress(string Endpoint, EndpointAddress Address) : InstallerAction
{
    public override ActionProblem? Problem(NetworkDocument house)
    {
        if (Checks.Endpoint(house, Endpoint) is { } problem) return problem;
        if (Address.Method == EndpointMethod.Static && Address.Address is null) return new("address.address", "Missing. Write its fixed address.");
        return Address.Address is { } address ? Checks.HostAddress(address, isBox: false, "address.address") : null;
    }

    public override string Say(NetworkDocument house) => Address is { Method: EndpointMethod.Static, Address: { } address }
        ? $"Set {house.NameOf(Endpoint)} to the fixed address {address.Address}"
        : $"Set {house.NameOf(Endpoint)} to automatic addressing";

    protected override NetworkDocument Do(NetworkDocument house) =>
        house.WithEndpoint(Endpoint, endpoint => endpoint with { Address = Address });
}

public sealed record AddDevice(Device Device) : InstallerAction
{
    public override string? BoxTouched() => Device.Id;

    public override ActionProblem? Problem(NetworkDocument house) =>
        Checks.NewId(house, Device.Id, "device.id") ?? Checks.Name(Device.Name);

    public override string Say(NetworkDocument house) => $"Add {Device.Name}";
    /// <summary>What its kind leaves open is completed here, so that whoever takes a box from the shelf takes it as it lies there.</summary>
    protected override NetworkDocument Do(NetworkDocument house) => house with { Devices = house.Devices.Add(Device.Kit is null ? Device : KitKind.Complete(Device)) };
}

/// <summary>Takes a box out of the house with its cables; what was plugged into it is left unplugged.</summary>
public sealed record RemoveDevice(string Device) : InstallerAction
{
    public override ActionProblem? Problem(NetworkDocument house)
    {
        if (Checks.Device(house, Device) is { } problem) return problem;
        return house.Line?.Device == Device
            ? new("device", $"The provider's line enters {house.NameOf(Device)}. Let it enter another box first.")
            : null;
    }

    public override string Say(NetworkDocument house) => $"Take {house.NameOf(Device)} out of the house";

    protected override NetworkDocument Do(NetworkDocument house) => house with
    {
        Devices = [.. house.Devices.Where(device => device.Id != Device).Select(Forget)],
        Cables = house.Cables.RemoveAll(cable => cable.A.Device == Device || cable.B.Device == Device),
        Endpoints = [.. house.Endpoints.Select(Forget)],
    };

    private Device Forget(Device device) => device with
    {
        PassthroughTo = device.PassthroughTo == Device ? null : device.PassthroughTo,
        Uplink = device.Uplink?.Near == Device ? device.Uplink with { Near = null } : device.Uplink,
    };

    private Endpoint Forget(Endpoint endpoint) => endpoint with { Connect = endpoint.Connect?.Without(Device) };
}

public sealed record AddEndpoint(Endpoint Endpoint) : InstallerAction
{
    public override IEnumerable<Socket> SocketsNeeded() => Endpoint.Connect?.Socket is { } socket ? [socket] : [];

    public override ActionProblem? Problem(NetworkDocument house) =>
        Checks.NewId(house, Endpoint.Id, "endpoint.id") ?? Checks.Name(Endpoint.Name)
        ?? Endpoint.Connect?.Match(
            plug => Checks.FreeSocket(house, plug.Into, "endpoint.connect"),
            join => join.Near is { } near ? Checks.Device(house, near, "endpoint.connect.near") : null);

    public override string Say(NetworkDocument house) => $"Add {Endpoint.Name}";
    protected override NetworkDocument Do(NetworkDocument house) => house with { Endpoints = house.Endpoints.Add(Endpoint) };
}

/// <summary>Takes a thing out of the house, and the wants that speak of it.</summary>
public sealed record RemoveEndpoint(string Endpoint) : InstallerAction
{
    public override ActionProblem? Problem(NetworkDocument house) => Checks.Endpoint(house, Endpoint);
    public override string Say(NetworkDocument house) => $"Take {house.NameOf(Endpoint)} out of the house";

    protected override NetworkDocument Do(NetworkDocument house) => house with
    {
        Endpoints = house.Endpoints.RemoveAll(endpoint => endpoint.Id == Endpoint),
        Needs = house.Needs.RemoveAll(need => need.Things.Any(one => one.Thing == Endpoint)),
    };
}

/// <param name="Id">A device, an endpoint, or empty for the house itself.</param>
public sealed record Rename(string Id, string Name) : InstallerAction
{
    public override bool IsRecord(NetworkDocument house) => true;
    public override ActionProblem? Problem(NetworkDocument house)
    {
        if (Id.Length > 0 && house.FindDevice(Id) is null && house.FindEndpoint(Id) is null)
            return new("id", $"There is nothing called “{Id}” in this house.");
        return Checks.Name(Name);
    }

    public override string Say(NetworkDocument house) =>
        Id.Length == 0 ? $"Call the house {Name}" : $"Call {house.NameOf(Id)} {Name}";

    protected override NetworkDocument Do(NetworkDocument house) => Id.Length == 0
        ? house with { Name = Name }
        : house.WithDevice(Id, device => device with { Name = Name }).WithEndpoint(Id, endpoint => endpoint with { Name = Name });
}

/// <summary>Writes a want, or changes the one with its id.</summary>
public sealed record SetNeed(Need Need) : InstallerAction
{
    public override bool IsRecord(NetworkDocument house) => true;
    public override ActionProblem? Problem(NetworkDocument house)
    {
        if (string.IsNullOrWhiteSpace(Need.Id)) return new("need.id", "Empty. Give it an id.");
        return MissingThing(house);
    }

    /// <summary>A want that was planned for a thing which is not there any more.</summary>
    private ActionProblem? MissingThing(NetworkDocument house)
    {
        foreach (var (field, id) in Need.Things)
            if (Checks.Endpoint(house, id, $"need.{field}") is { } problem) return problem;
        return null;
    }

    public override string Say(NetworkDocument house) =>
        house.Needs.Any(need => need.Id == Need.Id) ? "Change what the household wants" : "Add to what the household wants";

    protected override NetworkDocument Do(NetworkDocument house)
    {
        var place = house.Needs.ToList().FindIndex(need => need.Id == Need.Id);
        return house with { Needs = place < 0 ? house.Needs.Add(Need) : house.Needs.SetItem(place, Need) };
    }
}

public sealed record RemoveNeed(string Need) : InstallerAction
{
    public override bool IsRecord(NetworkDocument house) => true;
    public override ActionProblem? Problem(NetworkDocument house) =>
        house.Needs.Any(need => need.Id == Need) ? null : new("need", $"There is no want “{Need}”.");

    public override string Say(NetworkDocument house) => "Take a want off the list";
    protected override NetworkDocument Do(NetworkDocument house) => house with { Needs = house.Needs.RemoveAll(need => need.Id == Need) };
}

public sealed record SetLine(Line Line) : InstallerAction
{
    public override IEnumerable<Socket> SocketsNeeded() => [Line.Socket];

    /// <summary>What the provider agreed, or what was seen of it, is the provider’s doing.</summary>
    public override bool IsRecord(NetworkDocument house) => house.Line?.Socket == Line.Socket;

    public override ActionProblem? Problem(NetworkDocument house) =>
        house.Line?.Socket == Line.Socket ? null : Checks.FreeSocket(house, Line.Socket, "line.port");

    public override string Say(NetworkDocument house) => $"Let the provider's line enter {house.SocketName(Line.Socket)}";
    protected override NetworkDocument Do(NetworkDocument house) => house with { Line = Line };
}
