using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace Altrin.Core.Network;

[JsonConverter(typeof(WordConverter<DeviceMode>))]
public enum DeviceMode { Router, AccessPoint, Repeater, Wds, ClientBridge, MeshSatellite, Switch, Modem, Passthrough }

[JsonConverter(typeof(WordConverter<PortRole>))]
public enum PortRole { Wan, Lan }

[JsonConverter(typeof(WordConverter<Band>))]
public enum Band
{
    [JsonStringEnumMemberName("2.4")] Ghz24,
    [JsonStringEnumMemberName("5")] Ghz5,
    [JsonStringEnumMemberName("6")] Ghz6,
}

/// <summary>A box that makes the network: gateway, router, access point, repeater, bridge, switch, satellite.</summary>
public sealed record Device : DocumentPart
{
    public required string Id { get; init; }
    public required string Name { get; init; }
    public string? Room { get; init; }

    /// <summary>Where on its room's floor; null: in the middle.</summary>
    public FloorPoint? At { get; init; }

    /// <summary>A router's WAN; of any other box its management interface.</summary>
    public MacAddress? Mac { get; init; }

    public ImmutableArray<DeviceMode> Supports { get; init; } = [];
    public required DeviceMode Mode { get; init; }
    public ImmutableArray<Port> Ports { get; init; } = [];
    public ImmutableArray<WirelessRadio> Radios { get; init; } = [];
    public LanSettings? Lan { get; init; }
    public WanSettings? Wan { get; init; }
    public bool Nat { get; init; } = true;
    public bool Firewall { get; init; } = true;
    public bool Upnp { get; init; }
    public ImmutableArray<PortForward> PortForwards { get; init; } = [];
    public Ipv4Address? DmzHost { get; init; }
    public string? PassthroughTo { get; init; }
    public ImmutableArray<WifiNetwork> Wifi { get; init; } = [];
    public Uplink? Uplink { get; init; }

    /// <summary>Client bridges only: some serve wired devices alone.</summary>
    public bool ServesWifi { get; init; }

    /// <summary>Sends what its own side addresses to its outside address back in, by the same forwards (RFC 4787 REQ-9). Many boxes do
    /// not.</summary>
    public bool Hairpin { get; init; }

    /// <summary>The admin password is still the one on the label. Null: nobody has looked.</summary>
    public bool? DefaultPassword { get; init; }

    /// <summary>The household wants what is behind this router kept apart: its second translation is meant, not an accident.</summary>
    public bool? KeptApart { get; init; }

    /// <summary>A gateway in pass-through that goes on routing for everyone else: only its target has the line's own address.</summary>
    public bool? PassthroughShares { get; init; }

    /// <summary>Without power: it takes no part, its cables stay in.</summary>
    public bool? Off { get; init; }

    /// <summary>Nobody changes its settings; its sockets may be used.</summary>
    public bool? LeaveAsFound { get; init; }

    /// <summary>A plan without it is none.</summary>
    public bool? MustUse { get; init; }

    /// <summary>The provider's own box. Null: the box at the line is.</summary>
    public bool? Provider { get; init; }

    /// <summary>It has a past: what is set on it is unknown or another's, so it is reset before anything else.</summary>
    public bool? UsedBefore { get; init; }

    /// <summary>It stands in its place under power, though nothing is plugged into it.</summary>
    public bool? InUse { get; init; }

    /// <summary>Rooms that it was brought for, by id or name.</summary>
    [OmitEmpty]
    public ImmutableArray<string> Serves { get; init; } = [];

    /// <summary>What gives it power over the data cable comes with it.</summary>
    public bool? Injector { get; init; }

    /// <summary>The kind on the kit shelf that it was taken from.</summary>
    public string? Kit { get; init; }

    /// <summary>As the label or the page says.</summary>
    public string? Hardware { get; init; }

    public string? Firmware { get; init; }

    public BoxLabel? Label { get; init; }

    [JsonIgnore]
    public ModeTraits Traits => Modes.Of(Mode);

    /// <summary>Whether it routes for the things on its own side.</summary>
    [JsonIgnore]
    public bool RoutesForItsOwn =>
        Traits.Routing == Routing.Everyone || (Traits.Routing == Routing.EveryoneElseIfItShares && PassthroughShares == true);

    /// <summary>In the mode it is in it asks for its own address, whatever is set: its kind does so.</summary>
    [JsonIgnore]
    public bool AsksForItsOwn => Label?.AsksWhenBridged == true && !Traits.IsRouter && !Traits.IsModem;

    /// <summary>Whether its networks that are on are on the air in the mode it is in.</summary>
    [JsonIgnore]
    public bool SendsWifi => Traits.Wifi switch
    {
        WifiSide.Sends => true,
        WifiSide.SendsIfItServes => ServesWifi,
        WifiSide.SendsIfItShares => PassthroughShares == true,
        WifiSide.Silent => false,
        _ => throw new InvalidOperationException($"{Traits.Wifi} is not handled."),
    };

    /// <summary>It can be put into a router's mode.</summary>
    [JsonIgnore]
    public bool CanRoute => Modes.All.Any(mode => mode.IsRouter && CanBe(mode.Mode));

    /// <summary>The first mode of the table that the box can be put into and that is so; null where it has none.</summary>
    public DeviceMode? ModeThat(Func<ModeTraits, bool> isSo)
    {
        foreach (var mode in Modes.All)
            if (CanBe(mode.Mode) && isSo(mode)) return mode.Mode;
        return null;
    }

    public bool CanBe(DeviceMode mode) => Mode == mode || Supports.Contains(mode);
    public Port? FindPort(string id) => Ports.FirstOrDefault(port => port.Id == id);
}

public sealed record Port : DocumentPart
{
    public required string Id { get; init; }
    public required PortRole Role { get; init; }

    /// <summary>What is printed beside it; null: called by its role and place in the row.</summary>
    public string? Printed { get; init; }

    public double? SpeedMbps { get; init; }

    /// <summary>The VLAN that untagged frames here belong to (IEEE 802.1Q); null is VLAN 1, the box's own network.</summary>
    public int? Vlan { get; init; }

    /// <summary>VLANs that this socket carries tagged beside it: a trunk.</summary>
    public ImmutableArray<int> Tagged { get; init; } = [];

    /// <summary>Power that this socket gives over the data cable, and that the box wants to get through it.</summary>
    public PoeClass? PoeGives { get; init; }

    public PoeClass? PoeNeeds { get; init; }
}

/// <summary>IEEE 802.3af, at and bt (type 3 and 4), weakest first.</summary>
[JsonConverter(typeof(WordConverter<PoeClass>))]
public enum PoeClass { Af, At, Bt }

/// <summary>IEEE 802.1Q: 12 bits, of which 0 and 4095 are set aside.</summary>
public static class Vlan
{
    /// <summary>What untagged frames belong to where nothing is said.</summary>
    public const int Own = 1;

    public const int Least = 1, Most = 4094;
}

public sealed record WirelessRadio : DocumentPart
{
    public required string Id { get; init; }
    public required Band Band { get; init; }
    public string? Generation { get; init; }
    public int? Streams { get; init; }
    public int? MaxWidthMHz { get; init; }

    /// <summary>What it radiates (EIRP), in dBm; null: as the band and the country allow.</summary>
    public double? TxDbm { get; init; }
}

public sealed record PortForward : DocumentPart
{
    public required TransportProtocol Protocol { get; init; }
    public required int Port { get; init; }
    public required Ipv4Address ToAddress { get; init; }
    public int? ToPort { get; init; }
}

[JsonConverter(typeof(WordConverter<TransportProtocol>))]
public enum TransportProtocol { Tcp, Udp }

/// <summary>What is printed underneath: where its page is after a reset and how long it takes to come back.</summary>
public sealed record BoxLabel : DocumentPart
{
    /// <summary>Common practice, no source; the label wins.</summary>
    public const int UsualResetHoldSeconds = 10, UsualRebootSeconds = 90;

    public Ipv4Address? DefaultAddress { get; init; }

    /// <summary>The name under which its page opens, such as <c>setup.lan</c>.</summary>
    public string? PageName { get; init; }

    public string? DefaultUser { get; init; }
    public int? ResetHoldSeconds { get; init; }

    /// <summary>As access point, repeater or bridge it asks for its own address, whatever is set. Null: it keeps it.</summary>
    public bool? AsksWhenBridged { get; init; }

    public int? RebootSeconds { get; init; }
}
