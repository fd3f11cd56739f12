using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

[JsonDerivedType(typeof(SetForward), "set-forward")]
[JsonDerivedType(typeof(RemoveForward), "remove-forward")]
[JsonDerivedType(typeof(SetDmzHost), "set-dmz-host")]
[JsonDerivedType(typeof(SetPassthroughTarget), "set-passthrough-target")]
public abstract partial record InstallerAction;

// What a box lets in from outside, and to whom it hands the line.

/// <summary>Forwards an outside port; one that the box forwarded already now leads here instead.</summary>
public sealed record SetForward(string Device, PortForward Forward) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) =>
        $"Forward {Words<TransportProtocol>.Of(Forward.Protocol)} {Forward.Port} at {house.NameOf(Device)} to {Forward.ToAddress}";

    protected override ActionProblem? Problem(NetworkDocument house, Device box) => null;

    protected override Device Change(NetworkDocument house, Device box)
    {
        var place = box.PortForwards.ToList().FindIndex(one => (one.Protocol, one.Port) == (Forward.Protocol, Forward.Port));
        return box with { PortForwards = place < 0 ? box.PortForwards.Add(Forward) : box.PortForwards.SetItem(place, Forward) };
    }
}

public sealed record RemoveForward(string Device, TransportProtocol Protocol, int Port) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) => $"Remove the forward of {Words<TransportProtocol>.Of(Protocol)} {Port} at {house.NameOf(Device)}";

    protected override ActionProblem? Problem(NetworkDocument house, Device box) =>
        box.PortForwards.Any(one => (one.Protocol, one.Port) == (Protocol, Port)) ? null : new("port", $"{box.Name} forwards no such port.");

    protected override Device Change(NetworkDocument house, Device box) =>
        box with { PortForwards = box.PortForwards.RemoveAll(one => (one.Protocol, one.Port) == (Protocol, Port)) };
}

/// <param name="Host">Null: nobody gets what is not forwarded.</param>
public sealed record SetDmzHost(string Device, Ipv4Address? Host = null) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) => Host is { } host
        ? $"Make {host} the DMZ host of {house.NameOf(Device)}"
        : $"Turn off the DMZ host of {house.NameOf(Device)}";

    protected override ActionProblem? Problem(NetworkDocument house, Device box) => null;
    protected override Device Change(NetworkDocument house, Device box) => box with { DmzHost = Host };
}

/// <param name="Target">The router that shall receive the line's own address; null: nobody.</param>
public sealed record SetPassthroughTarget(string Device, string? Target = null) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) => Target is { } target
        ? $"Let {house.NameOf(Device)} pass the line through to {house.NameOf(target)}"
        : $"Let {house.NameOf(Device)} pass the line through to nobody";

    protected override ActionProblem? Problem(NetworkDocument house, Device box) =>
        Target is null ? null : Target == Device ? new("target", "A box cannot pass the line through to itself. Name the router behind it.") : Checks.Device(house, Target, "target");

    protected override Device Change(NetworkDocument house, Device box) => box with { PassthroughTo = Target };
}
