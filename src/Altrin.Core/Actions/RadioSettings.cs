using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

// Whose Wi-Fi a box joins, and which VLANs its sockets carry.

/// <param name="Uplink">Null: it joins nobody's.</param>
public sealed record SetUplink(string Device, Uplink? Uplink = null) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) => Uplink is { } uplink
        ? $"Join {house.NameOf(Device)} to Wi-Fi {uplink.Ssid}{(uplink.Near is { } near ? $" of {house.NameOf(near)}" : "")}"
        : $"Let {house.NameOf(Device)} join nobody’s Wi-Fi";

    protected override ActionProblem? Problem(NetworkDocument house, Device box)
    {
        if (Uplink is not { } uplink) return null;
        if (Limits.WhyNoSsid(uplink.Ssid) is { } why) return new("uplink.ssid", why);
        if (!box.Radios.Any(radio => radio.Id == uplink.Radio)) return new("uplink.radio", $"{box.Name} has no radio “{uplink.Radio}”.");
        return uplink.Near is { } near ? Checks.Device(house, near, "uplink.near") : null;
    }

    protected override Device Change(NetworkDocument house, Device box) => box with { Uplink = Uplink };
}

/// <summary>Which VLAN a socket's untagged frames are in, and which it carries tagged (IEEE 802.1Q).</summary>
/// <param name="Vlan">Null is VLAN 1, the box's own network.</param>
public sealed record SetPortVlan(string Device, string Port, int? Vlan = null) : BoxSetting
{
    public override string Device { get; init; } = Device;

    /// <summary>Empty: an access port.</summary>
    public ImmutableArray<int> Tagged { get; init; } = [];

    public override string Say(NetworkDocument house)
    {
        var socket = house.SocketName(new(Device, Port));
        var own = Vlan is { } vlan ? $"VLAN {vlan}" : "its own network";
        return Tagged.IsDefaultOrEmpty ? $"Put {socket} into {own}" : $"Let {socket} carry {own} and VLAN {string.Join(", ", Tagged)} tagged";
    }

    protected override ActionProblem? Problem(NetworkDocument house, Device box) =>
        box.FindPort(Port) is null ? new("port", $"{box.Name} has no socket “{Port}”.") : null;

    protected override Device Change(NetworkDocument house, Device box) => box with
    {
        Ports = [.. box.Ports.Select(port => port.Id == Port ? port with { Vlan = Vlan, Tagged = Tagged.IsDefault ? [] : Tagged } : port)],
    };
}

/// <summary>Gives the settings page a password of its own.</summary>
public sealed record ChangeAdminPassword(string Device) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) => $"Change the admin password of {house.NameOf(Device)}";
    protected override ActionProblem? Problem(NetworkDocument house, Device box) => null;
    protected override Device Change(NetworkDocument house, Device box) => box with { DefaultPassword = false };
}
