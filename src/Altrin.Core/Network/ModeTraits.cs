using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace Altrin.Core.Network;

/// <summary>What a mode does with the box's WAN sockets.</summary>
public enum WanSide
{
    /// <summary>One of them is a side of its own, apart from the LAN; the others are dead.</summary>
    Apart,

    /// <summary>The line's socket alone is a side of its own; other WAN sockets are dead.</summary>
    ApartForTheLine,

    /// <summary>The line's socket is bridged to the LAN; other WAN sockets are dead.</summary>
    BridgedForTheLine,

    /// <summary>A socket like any other.</summary>
    Bridged,
}

/// <summary>Whether a box in that mode sends its own Wi-Fi.</summary>
public enum WifiSide
{
    Sends,

    /// <summary>Only where the box serves Wi-Fi too: some bridges serve wired devices alone.</summary>
    SendsIfItServes,

    /// <summary>Only while the gateway goes on routing for everyone else.</summary>
    SendsIfItShares,

    Silent,
}

/// <summary>What a wireless uplink is to a box in that mode.</summary>
public enum UplinkSide { None, IsTheWan, Bridged }

/// <summary>Who a box in that mode routes for.</summary>
public enum Routing
{
    Nobody,

    Everyone,

    /// <summary>Everyone but the one that receives the line, and only where the gateway shares it.</summary>
    EveryoneElseIfItShares,
}

/// <summary>What the trade calls a way of joining a box.</summary>
[JsonConverter(typeof(WordConverter<School>))]
public enum School
{
    ModemMode, PassThrough, DmzHost, AccessPoint, OwnNetwork, ByHand, Repeater, Wds, Bridge, SatelliteByCable,
    SatelliteByRadio, Switch, LeftInDrawer
}

/// <summary>One row of the table in section 2 of the format: everything that is peculiar to a mode. Nothing else in Altrin asks which
/// mode a box is in to find out what it does.</summary>
/// <param name="Say">The mode in the trade's words, in the middle of a sentence.</param>
/// <param name="RunsServer">Its DHCP server answers while it is on; in any other mode it keeps quiet whatever the page says.</param>
/// <param name="MayAskForAddress">Its own address may come by DHCP. A router cannot ask its own LAN.</param>
/// <param name="AlwaysAsks">Its own address always comes by DHCP.</param>
/// <param name="AnswersUnplugged">Its own network is there with nothing plugged in.</param>
/// <param name="KnowsVlans">Its sockets may carry VLANs (IEEE 802.1Q).</param>
/// <param name="BreaksLoops">Any cycle through it is broken.</param>
/// <param name="NeedsFixedChannel">Its link comes up only on one fixed channel at both ends.</param>
/// <param name="HandsLineOn">The router it names gets the line's own address.</param>
/// <param name="SaveSeconds">How long a save of the mode takes at least; common practice, no source. 0: no longer than a restart.</param>
/// <param name="ByWire">What the trade calls a box in that mode on a cable; null where it stands at the line alone.</param>
/// <param name="ByRadio">The same of one that is on no cable.</param>
/// <param name="AtTheLine">What handing the line on by it is called; null for a mode that does not.</param>
/// <param name="RadioChoice">Its place among the ways to join by radio that are tried, 1 the first; 0: none of them.</param>
/// <param name="IsWireChoice">It is tried for a box on a cable.</param>
/// <param name="Shelf">Where on the kit shelf a box stands that can be nothing else.</param>
/// <param name="Caution">What to mind when it is chosen; null for nothing.</param>
public sealed record ModeTraits(DeviceMode Mode, string Say, Routing Routing, bool RunsServer, WifiSide Wifi, UplinkSide Uplink,
    WanSide Wan)
{
    public bool MayAskForAddress { get; init; } = true;
    public bool AlwaysAsks { get; init; }
    public bool AnswersUnplugged { get; init; }
    public bool KnowsVlans { get; init; }
    public bool BreaksLoops { get; init; }
    public bool NeedsFixedChannel { get; init; }
    public bool HandsLineOn { get; init; }
    public int SaveSeconds { get; init; }
    public string? Caution { get; init; }
    public School? ByWire { get; init; }
    public School? ByRadio { get; init; }
    public School? AtTheLine { get; init; }
    public int RadioChoice { get; init; }
    public bool IsWireChoice { get; init; }
    public required KitGroup Shelf { get; init; }

    /// <summary>It joins another's Wi-Fi and passes everything on as it is.</summary>
    public bool BridgesByRadio => Uplink == UplinkSide.Bridged;

    /// <summary>A bridge by radio whose server runs if it is left on.</summary>
    public bool OnlyBridges => BridgesByRadio && RunsServer;

    /// <summary>Every socket and network of the box is one network: it routes for nobody and stands between nobody.</summary>
    public bool IsOneNetwork => Routing == Routing.Nobody && Wan == WanSide.Bridged;

    /// <summary>On a cable it sends the Wi-Fi of the network it is on.</summary>
    public bool IsAccessPoint => IsOneNetwork && Wifi == WifiSide.Sends && Uplink == UplinkSide.None;

    /// <summary>Sockets of one network, and no more.</summary>
    public bool IsSwitch => IsOneNetwork && Wifi == WifiSide.Silent;

    /// <summary>It gives the line to whoever is plugged into it.</summary>
    public bool IsModem => Wan == WanSide.BridgedForTheLine;

    /// <summary>It joins any network and sends it on.</summary>
    public bool IsRepeater => BridgesByRadio && Wifi == WifiSide.Sends && !NeedsFixedChannel && !AlwaysAsks;

    /// <summary>A link by radio from one place to another.</summary>
    public bool IsRadioLink => NeedsFixedChannel || Wifi == WifiSide.SendsIfItServes;

    /// <summary>What hangs behind it may be listed under its own MAC: common practice, no source.</summary>
    public bool HidesMacs => BridgesByRadio && !NeedsFixedChannel && !AlwaysAsks;

    /// <summary>The router's part: translating, forwarding, keeping guests apart.</summary>
    public bool IsRouter => Routing == Routing.Everyone;
}

public static class Modes
{
    private const string ProveNear = "Prove it within 2 m (7 ft) of the box it joins before it goes to its place.";
    private const string NotWisp = "Choose plain repeating, not the client-router (WISP) choice: that one translates a second time.";

    /// <summary>In the order of the enumeration, each once; a mode without a row stops the program at its start.</summary>
    public static readonly ImmutableArray<ModeTraits> All = Complete(
        new(DeviceMode.Router, "router", Routing.Everyone, true, WifiSide.Sends, UplinkSide.IsTheWan, WanSide.Apart)
        {
            MayAskForAddress = false,
            AnswersUnplugged = true,
            KnowsVlans = true,
            ByWire = School.OwnNetwork,
            ByRadio = School.OwnNetwork,
            Shelf = KitGroup.Router,
        },
        new(DeviceMode.AccessPoint, "access point", Routing.Nobody, false, WifiSide.Sends, UplinkSide.None, WanSide.Bridged)
        { KnowsVlans = true, ByWire = School.AccessPoint, ByRadio = School.AccessPoint, IsWireChoice = true, Shelf = KitGroup.AccessPoint },
        new(DeviceMode.Repeater, "repeater", Routing.Nobody, true, WifiSide.Sends, UplinkSide.Bridged, WanSide.Bridged)
        {
            KnowsVlans = true,
            ByWire = School.AccessPoint,
            ByRadio = School.Repeater,
            RadioChoice = 1,
            Shelf = KitGroup.Repeater,
            Caution = $"{NotWisp} {ProveNear}",
        },
        new(DeviceMode.Wds, "WDS bridge", Routing.Nobody, true, WifiSide.Sends, UplinkSide.Bridged, WanSide.Bridged)
        {
            KnowsVlans = true,
            NeedsFixedChannel = true,
            ByWire = School.Wds,
            ByRadio = School.Wds,
            RadioChoice = 4,
            Shelf = KitGroup.Router,
            Caution = ProveNear,
        },
        new(DeviceMode.ClientBridge, "client bridge", Routing.Nobody, true, WifiSide.SendsIfItServes, UplinkSide.Bridged, WanSide.Bridged)
        {
            KnowsVlans = true,
            ByWire = School.Bridge,
            ByRadio = School.Bridge,
            RadioChoice = 3,
            Shelf = KitGroup.Bridge,
            Caution = $"{NotWisp} {ProveNear}",
        },
        new(DeviceMode.MeshSatellite, "mesh satellite", Routing.Nobody, false, WifiSide.Sends, UplinkSide.Bridged, WanSide.Bridged)
        {
            AlwaysAsks = true,
            KnowsVlans = true,
            BreaksLoops = true,
            ByWire = School.SatelliteByCable,
            ByRadio = School.SatelliteByRadio,
            RadioChoice = 2,
            IsWireChoice = true,
            Shelf = KitGroup.Mesh,
            Caution = "Its lamp says how well it hears the other: weak, move it closer; out of range, move it closer and pair it again.",
        },
        new(DeviceMode.Switch, "switch", Routing.Nobody, false, WifiSide.Silent, UplinkSide.None, WanSide.Bridged)
        { KnowsVlans = true, ByWire = School.Switch, ByRadio = School.Switch, IsWireChoice = true, Shelf = KitGroup.Switch },
        new(DeviceMode.Modem, "modem", Routing.Nobody, false, WifiSide.Silent, UplinkSide.None, WanSide.BridgedForTheLine)
        { MayAskForAddress = false, AtTheLine = School.ModemMode, Shelf = KitGroup.Gateway },
        new(DeviceMode.Passthrough, "pass-through", Routing.EveryoneElseIfItShares, true, WifiSide.SendsIfItShares, UplinkSide.None,
            WanSide.ApartForTheLine)
        {
            MayAskForAddress = false,
            AnswersUnplugged = true,
            HandsLineOn = true,
            AtTheLine = School.PassThrough,
            Shelf = KitGroup.Gateway,
            SaveSeconds = 120,
            Caution = "Its Wi-Fi goes off with it: be on a cable. The socket you are in then gives the settings page and no internet.",
        });

    public static ModeTraits Of(DeviceMode mode) => All[(int)mode];

    /// <summary>The modes that a box may be tried in to join by radio, the first choice first.</summary>
    public static readonly ImmutableArray<ModeTraits> RadioChoices =
        [.. All.Where(mode => mode.RadioChoice > 0).OrderBy(mode => mode.RadioChoice)];

    /// <summary>The first of the table that is so.</summary>
    public static DeviceMode First(Func<ModeTraits, bool> isSo) => All.First(isSo).Mode;

    public static string Say(this DeviceMode mode) => Of(mode).Say;

    private static ImmutableArray<ModeTraits> Complete(params ImmutableArray<ModeTraits> rows)
    {
        var modes = Enum.GetValues<DeviceMode>();
        return rows.Select(row => row.Mode).SequenceEqual(modes) ? rows
            : throw new InvalidOperationException($"The table of modes has {string.Join(", ", rows.Select(row => row.Mode))}; the modes "
                + $"are {string.Join(", ", modes)}.");
    }
}
