using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

[JsonDerivedType(typeof(SetMode), "set-mode")]
[JsonDerivedType(typeof(SetLanAddress), "set-lan-address")]
[JsonDerivedType(typeof(AskForLanAddress), "ask-for-lan-address")]
[JsonDerivedType(typeof(TurnOnDhcpServer), "turn-on-dhcp-server")]
[JsonDerivedType(typeof(TurnOffDhcpServer), "turn-off-dhcp-server")]
[JsonDerivedType(typeof(MovePool), "move-pool")]
[JsonDerivedType(typeof(SetLeaseGateway), "set-lease-gateway")]
[JsonDerivedType(typeof(SetLeaseDns), "set-lease-dns")]
[JsonDerivedType(typeof(SetLeaseTime), "set-lease-time")]
[JsonDerivedType(typeof(ReserveAddress), "reserve-address")]
[JsonDerivedType(typeof(ReleaseReservation), "release-reservation")]
[JsonDerivedType(typeof(SetWan), "set-wan")]
[JsonDerivedType(typeof(SetWanDns), "set-wan-dns")]
[JsonDerivedType(typeof(RemoveWifi), "remove-wifi")]
[JsonDerivedType(typeof(SetWifi), "set-wifi")]
[JsonDerivedType(typeof(SetFeature), "set-feature")]
[JsonDerivedType(typeof(KeepApart), "keep-apart")]
[JsonDerivedType(typeof(ConfigureDevice), "configure-device")]
[JsonDerivedType(typeof(SwitchPower), "switch-power")]
[JsonDerivedType(typeof(Restart), "restart")]
[JsonDerivedType(typeof(FactoryReset), "factory-reset")]
public abstract partial record InstallerAction;

/// <summary>Log in and change one setting of one box.</summary>
public abstract record BoxSetting : InstallerAction
{
    public override string? BoxTouched() => Device;

    public abstract string Device { get; init; }

    protected abstract ActionProblem? Problem(NetworkDocument house, Device box);
    protected abstract Device Change(NetworkDocument house, Device box);

    public sealed override ActionProblem? Problem(NetworkDocument house) =>
        house.FindDevice(Device) is { } box ? Problem(house, box) : Checks.Device(house, Device);

    protected sealed override NetworkDocument Do(NetworkDocument house) => house.WithDevice(Device, box => Change(house, box));
}

public sealed record SetMode(string Device, DeviceMode Mode) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) => $"Set {house.NameOf(Device)} to {Mode.Say()} mode";

    protected override ActionProblem? Problem(NetworkDocument house, Device box) => box.CanBe(Mode)
        ? null
        : new("mode", $"{box.Name} has no {Mode.Say()} mode. It can be {string.Join(", ", box.Supports.Select(mode => mode.Say()))}.");

    protected override Device Change(NetworkDocument house, Device box)
    {
        // A router cannot ask its own LAN for an address: its page falls back to the label's.
        var needsOwnAddress = Modes.Of(Mode).IsRouter && box.Lan is not { Method: LanMethod.Static };
        if (!needsOwnAddress) return box with { Mode = Mode };
        var own = new InterfaceAddress(box.Label?.DefaultAddress ?? FactoryReset.UsualAddress, InterfaceAddress.BareLength);
        return box with { Mode = Mode, Lan = (box.Lan ?? new()) with { Method = LanMethod.Static, Address = own } };
    }
}

public sealed record SetLanAddress(string Device, InterfaceAddress Address) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) => $"Give {house.NameOf(Device)} the address {Address.Address}";

    protected override ActionProblem? Problem(NetworkDocument house, Device box) => Checks.HostAddress(Address, isBox: true);

    protected override Device Change(NetworkDocument house, Device box) => box with { Lan = (box.Lan ?? new()).MovedTo(Address) };
}

public sealed record AskForLanAddress(string Device) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) => $"Let {house.NameOf(Device)} ask for its own address";

    protected override ActionProblem? Problem(NetworkDocument house, Device box) => !box.Traits.MayAskForAddress
        ? new("device", $"{box.Name} is a router: its own address is set by hand. Make it an access point first.")
        : null;

    protected override Device Change(NetworkDocument house, Device box) =>
        box with { Lan = (box.Lan ?? new()) with { Method = LanMethod.Dhcp, Address = null } };
}

/// <param name="Start">Null, with <paramref name="End"/>: the pool stays as it is.</param>
public sealed record TurnOnDhcpServer(string Device, Ipv4Address? Start = null, Ipv4Address? End = null) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) => Start is { } start && End is { } end
        ? $"Let {house.NameOf(Device)} give out addresses, {start} to {end}"
        : $"Turn on the DHCP server of {house.NameOf(Device)}";

    protected override ActionProblem? Problem(NetworkDocument house, Device box) => (Start, End) switch
    {
        ({ } start, { } end) => PoolCheck.Problem(start, end),
        (null, null) => null,
        (null, _) => new("start", "Missing. Write the pool’s first address, or leave out both."),
        (_, null) => new("end", "Missing. Write the pool’s last address, or leave out both."),
    };

    protected override Device Change(NetworkDocument house, Device box) => box.WithServer(server =>
        Start is null ? server with { Enabled = true } : server with { Enabled = true, Start = Start, End = End });
}

public sealed record TurnOffDhcpServer(string Device) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) => $"Turn off the DHCP server of {house.NameOf(Device)}";

    protected override ActionProblem? Problem(NetworkDocument house, Device box) =>
        box.Lan?.DhcpServer is null ? new("device", $"{box.Name} has no DHCP server.") : null;

    protected override Device Change(NetworkDocument house, Device box) => box.WithServer(server => server with { Enabled = false });
}

/// <summary>Where the pool runs. With one end alone the other stays where it may, and else follows: whoever sets both sets one first.</summary>
/// <param name="Start">Null: only the end is said.</param>
/// <param name="End">Null: only the start is said.</param>
public sealed record MovePool(string Device, Ipv4Address? Start = null, Ipv4Address? End = null) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) => (Start, End) switch
    {
        ({ } start, { } end) => $"Let the pool of {house.NameOf(Device)} run from {start} to {end}",
        ({ } start, _) => $"Let the pool of {house.NameOf(Device)} begin at {start}",
        (_, { } end) => $"Let the pool of {house.NameOf(Device)} end at {end}",
        _ => $"Move the pool of {house.NameOf(Device)}",
    };

    protected override ActionProblem? Problem(NetworkDocument house, Device box) => (box.Lan?.DhcpServer, Start, End) switch
    {
        (null, _, _) => new("device", $"{box.Name} has no DHCP server."),
        (_, { } start, { } end) => PoolCheck.Problem(start, end),
        (_, null, null) => new("start", "Missing. Write the pool’s first address, its last, or both."),
        (_, { } start, null) when Whole(box) is null => new("start", $"{start} is outside the network of {box.Name}. Write its last address too."),
        (_, null, { } end) when Whole(box) is null => new("end", $"{end} is outside the network of {box.Name}. Write its first address too."),
        _ => null,
    };

    protected override Device Change(NetworkDocument house, Device box) => box.WithServer(server => server.With(Whole(box)!));

    private AddressPool? Whole(Device box) => Start is { } start && End is { } end ? new(start, end)
        : box.Lan is { Address: { } own, DhcpServer: { } server } ? AddressPool.Following(server.Pool, own.Prefix, Start, End) : null;
}

/// <param name="Gateway">Null: the box gives itself.</param>
public sealed record SetLeaseGateway(string Device, Ipv4Address? Gateway = null) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) => Gateway is { } gateway
        ? $"Let {house.NameOf(Device)} give {gateway} as gateway"
        : $"Let {house.NameOf(Device)} give itself as gateway";

    protected override ActionProblem? Problem(NetworkDocument house, Device box) =>
        box.Lan?.DhcpServer is null ? new("device", $"{box.Name} has no DHCP server.") : null;

    protected override Device Change(NetworkDocument house, Device box) => box.WithServer(server => server with { Gateway = Gateway });
}

/// <summary>Which name servers come with a lease.</summary>
public sealed record SetLeaseDns(string Device) : BoxSetting
{
    public override string Device { get; init; } = Device;

    /// <summary>Empty: the box itself.</summary>
    public ImmutableArray<Ipv4Address> Servers { get; init; } = [];

    public override string Say(NetworkDocument house) => Servers.IsDefaultOrEmpty
        ? $"Let {house.NameOf(Device)} give itself as DNS server"
        : $"Let {house.NameOf(Device)} give {string.Join(" and ", Servers)} as DNS server";

    protected override ActionProblem? Problem(NetworkDocument house, Device box) =>
        box.Lan?.DhcpServer is null ? new("device", $"{box.Name} has no DHCP server.") : null;

    protected override Device Change(NetworkDocument house, Device box) => box.WithServer(server => server with { Dns = Servers.IsDefault ? [] : Servers });
}

/// <summary>How long a lease lasts.</summary>
/// <param name="LeaseMinutes">1 to 1,000,000.</param>
public sealed record SetLeaseTime(string Device, int LeaseMinutes) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) => $"Let the leases of {house.NameOf(Device)} last {SettingCatalogue.SayMinutes(LeaseMinutes)}";

    protected override ActionProblem? Problem(NetworkDocument house, Device box) =>
        box.Lan?.DhcpServer is null ? new("device", $"{box.Name} has no DHCP server.") : null;

    protected override Device Change(NetworkDocument house, Device box) => box.WithServer(server => server with { LeaseMinutes = LeaseMinutes });
}

public sealed record ReserveAddress(string Device, MacAddress Mac, Ipv4Address Address) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) =>
        $"Reserve {Address} at {house.NameOf(Device)} for {house.Endpoints.FirstOrDefault(e => e.Mac == Mac)?.Name ?? Mac.ToString()}";

    protected override ActionProblem? Problem(NetworkDocument house, Device box)
    {
        if (box.Lan?.DhcpServer is not { } server) return new("device", $"{box.Name} has no DHCP server.");
        if (box.Lan.Address is { } own && !own.Prefix.IsUsable(Address)) return new("address", $"{Address} is outside {own.Prefix}. Choose one inside.");
        return server.Reservations.Any(r => r.Address == Address && r.Mac != Mac)
            ? new("address", $"{Address} is reserved for another device already.")
            : null;
    }

    protected override Device Change(NetworkDocument house, Device box) => box.WithServer(server => server with
    {
        Reservations = server.Reservations.RemoveAll(r => r.Mac == Mac).Add(new() { Mac = Mac, Address = Address }),
    });
}

public sealed record ReleaseReservation(string Device, MacAddress Mac) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) =>
        $"Release the reservation for {house.Endpoints.FirstOrDefault(e => e.Mac == Mac)?.Name ?? Mac.ToString()} at {house.NameOf(Device)}";

    protected override ActionProblem? Problem(NetworkDocument house, Device box) =>
        box.Lan?.DhcpServer?.Reservations.Any(r => r.Mac == Mac) == true
            ? null
            : new("mac", $"{box.Name} reserves nothing for {Mac}.");

    protected override Device Change(NetworkDocument house, Device box) => box.WithServer(server =>
        server with { Reservations = server.Reservations.RemoveAll(r => r.Mac == Mac) });
}

public sealed record SetWan(string Device, WanSettings Wan) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) => Wan.Method switch
    {
        WanMethod.Dhcp => $"Let the WAN side of {house.NameOf(Device)} ask for its address",
        WanMethod.Static => $"Set the WAN side of {house.NameOf(Device)} to {Wan.Address}",
        WanMethod.Pppoe => $"Set the WAN side of {house.NameOf(Device)} to PPPoE",
        _ => $"Turn off the WAN side of {house.NameOf(Device)}",
    };

    protected override ActionProblem? Problem(NetworkDocument house, Device box)
    {
        if (Wan.Method == WanMethod.Static && Wan.Address is null) return new("wan.address", "Missing. Write the address that was agreed.");
        return Wan.Address is { } address ? Checks.HostAddress(address, isBox: true, "wan.address") : null;
    }

    protected override Device Change(NetworkDocument house, Device box) => box with { Wan = Wan };
}

/// <summary>Which name servers the router itself asks.</summary>
public sealed record SetWanDns(string Device) : BoxSetting
{
    public override string Device { get; init; } = Device;

    /// <summary>Empty: those that the provider gives.</summary>
    public ImmutableArray<Ipv4Address> Servers { get; init; } = [];

    public override string Say(NetworkDocument house) => Servers.IsDefaultOrEmpty
        ? $"Let {house.NameOf(Device)} ask the provider’s DNS servers"
        : $"Let {house.NameOf(Device)} ask {string.Join(" and ", Servers)} for names";

    protected override ActionProblem? Problem(NetworkDocument house, Device box) => null;

    protected override Device Change(NetworkDocument house, Device box) => box with { Wan = (box.Wan ?? new()) with { Dns = Servers.IsDefault ? [] : Servers } };
}

/// <summary>Takes the network at that place off the box's list.</summary>
public sealed record RemoveWifi(string Device, int Place) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) =>
        $"Take Wi-Fi {house.FindDevice(Device)?.Wifi.ElementAtOrDefault(Place)?.Ssid ?? $"{Place + 1}"} off {house.NameOf(Device)}";

    protected override ActionProblem? Problem(NetworkDocument house, Device box) => Place >= 0 && Place < box.Wifi.Length
        ? null
        : new("place", $"{box.Name} has {box.Wifi.Length} networks; the place is out of range.");

    protected override Device Change(NetworkDocument house, Device box) => box with { Wifi = box.Wifi.RemoveAt(Place) };
}

/// <summary>Sets name, security and the rest of the network at that place in the box's list; a place past the end adds one.</summary>
public sealed record SetWifi(string Device, int Place, WifiNetwork Network) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house)
    {
        if (!Network.Enabled) return $"Turn off Wi-Fi {Network.Ssid} on {house.NameOf(Device)}";
        var before = house.FindDevice(Device)?.Wifi.ElementAtOrDefault(Place);
        var changes = before is null ? [] : WifiChanges.Between(before, Network);
        return $"Set Wi-Fi {before?.Ssid ?? Network.Ssid} on {house.NameOf(Device)}: {(changes.Count == 0 ? Network.Security.Say() : string.Join(", ", changes.Select(change => change.Say)))}";
    }

    protected override ActionProblem? Problem(NetworkDocument house, Device box)
    {
        if (Place < 0 || Place > box.Wifi.Length) return new("place", $"{box.Name} has {box.Wifi.Length} networks; the place is out of range.");
        if (Limits.WhyNoSsid(Network.Ssid) is { } why) return new("network.ssid", why);
        return box.Radios.Any(radio => radio.Id == Network.Radio)
            ? null
            : new("network.radio", $"{box.Name} has no radio “{Network.Radio}”.");
    }

    protected override Device Change(NetworkDocument house, Device box) => box with
    {
        Wifi = Place == box.Wifi.Length ? box.Wifi.Add(Network) : box.Wifi.SetItem(Place, Network),
    };
}

[JsonConverter(typeof(WordConverter<BoxFeature>))]
public enum BoxFeature { Nat, Firewall, Upnp, Hairpin, ServesWifi, PassthroughShares }

public sealed record SetFeature(string Device, BoxFeature Feature, bool On) : BoxSetting
{
    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) => $"Turn {(On ? "on" : "off")} {SettingCatalogue.Of(Feature).InSentence} on {house.NameOf(Device)}";

    protected override ActionProblem? Problem(NetworkDocument house, Device box) => null;

    protected override Device Change(NetworkDocument house, Device box) => Feature switch
    {
        BoxFeature.Nat => box with { Nat = On },
        BoxFeature.Firewall => box with { Firewall = On },
        BoxFeature.Upnp => box with { Upnp = On },
        BoxFeature.Hairpin => box with { Hairpin = On },
        BoxFeature.ServesWifi => box with { ServesWifi = On },
        BoxFeature.PassthroughShares => box with { PassthroughShares = On ? true : null },
        _ => throw new InvalidOperationException($"{Feature} is not handled."),
    };
}

/// <summary>Writes down that the household wants this router's devices kept apart, or no longer does.</summary>
public sealed record KeepApart(string Device, bool Apart) : BoxSetting
{
    public override bool IsRecord(NetworkDocument house) => true;

    public override string Device { get; init; } = Device;

    public override string Say(NetworkDocument house) => Apart
        ? $"Note that what is behind {house.NameOf(Device)} is to be kept apart"
        : $"Note that what is behind {house.NameOf(Device)} belongs to the one network";

    protected override ActionProblem? Problem(NetworkDocument house, Device box) => null;
    protected override Device Change(NetworkDocument house, Device box) => box with { KeptApart = Apart ? true : null };
}

/// <summary>Everything on one box at once, as when a saved configuration is loaded. Its id stays.</summary>
public sealed record ConfigureDevice(Device Settings) : InstallerAction
{
    public override ActionProblem? Problem(NetworkDocument house) =>
        Checks.Device(house, Settings.Id, "settings.id");

    public override string Say(NetworkDocument house) => $"Load a saved configuration into {house.NameOf(Settings.Id)}";

    protected override NetworkDocument Do(NetworkDocument house) => house.WithDevice(Settings.Id, _ => Settings);
}

/// <summary>Takes the power from a box, or gives it back. Its cables stay in and its settings too.</summary>
public sealed record SwitchPower(string Device, bool On) : InstallerAction
{
    public override string? BoxTouched() => Device;

    public override ActionProblem? Problem(NetworkDocument house) => Checks.Device(house, Device);
    public override string Say(NetworkDocument house) => $"Turn {house.NameOf(Device)} {(On ? "on" : "off")}";
    protected override NetworkDocument Do(NetworkDocument house) => house.WithDevice(Device, box => box with { Off = On ? null : true });
}

/// <summary>Power off and on. Settings stay; what was leased is asked for again.</summary>
public sealed record Restart(string Device) : InstallerAction
{
    public override string? BoxTouched() => Device;

    public override ActionProblem? Problem(NetworkDocument house) => Checks.Device(house, Device);
    public override string Say(NetworkDocument house) => $"Turn {house.NameOf(Device)} off and on again";
    protected override NetworkDocument Do(NetworkDocument house) => house;
}

/// <summary>Hold reset, the power on, until the lamps change: every setting goes back to what the label says.</summary>
/// <remarks>A box whose kind is on the kit shelf wakes up as that is sold. Of any other: one with a router mode wakes up as one, gives out addresses .100 to .199 of its own subnet, and its Wi-Fi is
/// open: common practice, no source.</remarks>
public sealed record FactoryReset(string Device) : InstallerAction
{
    public override string? BoxTouched() => Device;

    /// <summary>Common practice, no source; the label wins.</summary>
    public static readonly Ipv4Address UsualAddress = Ipv4Address.Parse("192.168.1.1");

    public override ActionProblem? Problem(NetworkDocument house) => Checks.Device(house, Device);

    public override string Say(NetworkDocument house)
    {
        var hold = house.FindDevice(Device)?.Label?.ResetHoldSeconds ?? BoxLabel.UsualResetHoldSeconds;
        return $"Hold reset on {house.NameOf(Device)} for {hold} s, power on";
    }

    protected override NetworkDocument Do(NetworkDocument house) => house.WithDevice(Device, box => SettingCatalogue.AsSold(house, box) with { Off = null });
}

internal static class PoolCheck
{
    public static ActionProblem? Problem(Ipv4Address start, Ipv4Address end) =>
        end < start ? new("end", $"The pool ends at {end}, before it starts at {start}. Swap the two.") : null;

    public static Device WithServer(this Device box, Func<DhcpServer, DhcpServer> change) =>
        box with { Lan = (box.Lan ?? new()) with { DhcpServer = change(box.Lan?.DhcpServer ?? new()) } };
}
