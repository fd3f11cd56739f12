using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

[JsonDerivedType(typeof(SetUplink), "set-uplink")]
[JsonDerivedType(typeof(SetRadioPower), "set-radio-power")]
[JsonDerivedType(typeof(SetPortVlan), "set-port-vlan")]
[JsonDerivedType(typeof(ChangeAdminPassword), "change-admin-password")]
public abstract partial record InstallerAction;

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

/// <summary>How strong a radio sends.</summary>
/// <param name="TxDbm">What it radiates (EIRP), in dBm; null: as it is sold.</param>
public sealed record SetRadioPower(string Device, string Radio, double? TxDbm = null) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) => $"Set the power of {house.NameOf(Device)}{(BandOf(house) is { } band ? $" at {band} GHz" : "")} to {SayPower(TxDbm)}";

    internal static string SayPower(double? power) => power is { } dbm ? FormattableString.Invariant($"{dbm:0.#} dBm") : "what it is sold with";

    private string? BandOf(NetworkDocument house) => house.FindDevice(Device)?.Radios.FirstOrDefault(radio => radio.Id == Radio) is { } radio ? Words<Band>.Of(radio.Band) : null;

    protected override ActionProblem? Problem(NetworkDocument house, Device box) => !box.Radios.Any(radio => radio.Id == Radio) ? new("radio", $"{box.Name} has no radio “{Radio}”.")
        : TxDbm is < Limits.LeastDbm or > Limits.MostDbm ? new("txDbm", $"{TxDbm} dBm is no power of a radio. Write {Limits.LeastDbm} to {Limits.MostDbm}.") : null;

    protected override Device Change(NetworkDocument house, Device box) => box with { Radios = [.. box.Radios.Select(radio => radio.Id == Radio ? radio with { TxDbm = TxDbm } : radio)] };
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
