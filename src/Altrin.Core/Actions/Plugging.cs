using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

[JsonDerivedType(typeof(PlugCable), "plug-cable")]
[JsonDerivedType(typeof(UnplugCable), "unplug-cable")]
[JsonDerivedType(typeof(ReplaceCable), "replace-cable")]
[JsonDerivedType(typeof(MoveCableEnd), "move-cable-end")]
[JsonDerivedType(typeof(ConnectEndpoint), "connect-endpoint")]
[JsonDerivedType(typeof(UnplugEndpoint), "unplug-endpoint")]
public abstract partial record InstallerAction;

public sealed record PlugCable(Cable Cable) : InstallerAction
{
    public override IEnumerable<Socket> SocketsNeeded() => [Cable.A, Cable.B];

    public override ActionProblem? Problem(NetworkDocument house)
    {
        if (string.IsNullOrWhiteSpace(Cable.Id)) return new("cable.id", "Empty. Give the cable an id.");
        if (house.FindCable(Cable.Id) is not null) return new("cable.id", $"There is a cable “{Cable.Id}” already.");
        if (Cable.A == Cable.B) return new("cable.b", "Both ends are in one socket. Choose another for this end.");
        return Checks.FreeSocket(house, Cable.A, "cable.a") ?? Checks.FreeSocket(house, Cable.B, "cable.b");
    }

    public override string Say(NetworkDocument house) =>
        $"Plug a cable from {house.SocketName(Cable.A)} to {house.SocketName(Cable.B)}";

    protected override NetworkDocument Do(NetworkDocument house) => house with { Cables = house.Cables.Add(Cable) };
}

public sealed record UnplugCable(string Cable) : InstallerAction
{
    public override ActionProblem? Problem(NetworkDocument house) =>
        house.FindCable(Cable) is null ? new("cable", $"There is no cable “{Cable}” in this house.") : null;

    public override string Say(NetworkDocument house) => house.FindCable(Cable) is { } cable
        ? $"Unplug the cable between {house.SocketName(cable.A)} and {house.SocketName(cable.B)}"
        : "Unplug a cable";

    protected override NetworkDocument Do(NetworkDocument house) =>
        house with { Cables = house.Cables.RemoveAll(cable => cable.Id == Cable) };
}

/// <summary>Another cable, or another medium, between the same two sockets.</summary>
public sealed record ReplaceCable(string Cable, Medium Medium, string? Category = null, double? LengthM = null) : InstallerAction
{
    /// <summary>The same cable, measured.</summary>
    public override bool IsRecord(NetworkDocument house) =>
        house.FindCable(Cable) is { } cable && cable.Medium == Medium && cable.Category == Category;

    public override ActionProblem? Problem(NetworkDocument house)
    {
        return house.FindCable(Cable) is null ? new("cable", $"There is no cable “{Cable}” in this house.") : null;
    }

    public override string Say(NetworkDocument house)
    {
        if (house.FindCable(Cable) is not { } cable) return "Replace a cable";
        var what = Medium switch { Medium.Powerline => "powerline", Medium.Coax => "coax", _ => Category ?? "a data cable" };
        return $"Join {house.SocketName(cable.A)} and {house.SocketName(cable.B)} by {what}{(LengthM is { } metres ? $", {metres:0.#} m" : "")}";
    }

    protected override NetworkDocument Do(NetworkDocument house) => house with
    {
        Cables = [.. house.Cables.Select(cable => cable.Id == Cable
            ? cable with { Medium = Medium, Category = Category, LengthM = LengthM, AgreedMbps = null } : cable)],
    };
}

/// <param name="From">The socket that the end is in now: tells which end is meant.</param>
public sealed record MoveCableEnd(string Cable, Socket From, Socket To) : InstallerAction
{
    public override IEnumerable<Socket> SocketsNeeded() => [To];

    public override ActionProblem? Problem(NetworkDocument house)
    {
        if (house.FindCable(Cable) is not { } cable) return new("cable", $"There is no cable “{Cable}” in this house.");
        if (cable.A != From && cable.B != From) return new("from", $"The cable has no end in {house.SocketName(From)}.");
        return Checks.FreeSocket(house, To, "to");
    }

    public override string Say(NetworkDocument house) =>
        $"Move the cable from {house.SocketName(From)} to {house.SocketName(To)}";

    protected override NetworkDocument Do(NetworkDocument house) => house with
    {
        Cables = [.. house.Cables.Select(cable =>
            cable.Id != Cable ? cable : cable.A == From ? cable with { A = To } : cable with { B = To })],
    };
}

/// <summary>Puts an endpoint into a socket, or on a Wi-Fi network.</summary>
public sealed record ConnectEndpoint(string Endpoint, Attachment To) : InstallerAction
{
    public override IEnumerable<Socket> SocketsNeeded() => To.Socket is { } socket ? [socket] : [];

    public override ActionProblem? Problem(NetworkDocument house)
    {
        if (Checks.Endpoint(house, Endpoint) is { } problem) return problem;
        return To.Match(
            plug => Checks.FreeSocket(house, plug.Into, "to", Checks.Thing(Endpoint)),
            join => join.Ssid.Length == 0 ? new("to.ssid", "Missing. Name the Wi-Fi network, or a device and a socket.")
                : join.Near is { } near ? Checks.Device(house, near, "to.near") : null);
    }

    public override string Say(NetworkDocument house) => To.Match(
        plug => $"Plug {house.NameOf(Endpoint)} into {house.SocketName(plug.Into)}",
        join => $"Join {house.NameOf(Endpoint)} to Wi-Fi {join.Ssid}");

    protected override NetworkDocument Do(NetworkDocument house) =>
        house.WithEndpoint(Endpoint, endpoint => endpoint with { Connect = To });
}

public sealed record UnplugEndpoint(string Endpoint) : InstallerAction
{
    public override ActionProblem? Problem(NetworkDocument house) => Checks.Endpoint(house, Endpoint);
    public override string Say(NetworkDocument house) => $"Take {house.NameOf(Endpoint)} off the network";
    protected override NetworkDocument Do(NetworkDocument house) =>
        house.WithEndpoint(Endpoint, endpoint => endpoint with { Connect = null });
}
