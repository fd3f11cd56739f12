using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Judging;

/// <param name="Say">The mode in the trade's words.</param>
public sealed record ModeChoice(DeviceMode Mode, string Say);

/// <summary>A network that a box or a thing could join: its name, its key, a security it speaks, and the radio for it.</summary>
public sealed record JoinChoice(string? Radio, Band Band, string Ssid, WifiSecurity Security, string? Key);

/// <param name="Say">“WAN”, “LAN 2”: by role and place in the row.</param>
public sealed record SocketWords(string Id, string Say);

/// <summary>What is said of a box on its card and in its panel. The page shows it and works none of it out.</summary>
/// <param name="Says">What it is and does, in one line.</param>
/// <param name="Step">What kind of step it stands on; empty for a box that is none.</param>
/// <param name="Modes">Those it can be put into, the present one first.</param>
/// <param name="MayAskForAddress">Its own address may come by DHCP.</param>
/// <param name="Settings">The settings that it has in its mode, by their ids in the catalogue.</param>
/// <param name="Joinable">Networks of other boxes that one of its radios could join.</param>
/// <param name="Mark">The worst finding that blames it; null for none.</param>
/// <param name="Routes">It translates and forwards for whoever hangs on it.</param>
/// <param name="MayRoute">It does, or there is a mode of it that does.</param>
/// <param name="HandsLineOn">The line's own address goes through it to another.</param>
/// <param name="FixedAddress">What is proposed where it is to have an address by hand.</param>
/// <param name="Pool">What is proposed where it is to give out addresses; null without an address of its own.</param>
public sealed record BoxWords(string Id, string Says, string Step, ImmutableArray<ModeChoice> Modes, bool MayAskForAddress,
    ImmutableArray<string> Settings, ImmutableArray<JoinChoice> Joinable, ImmutableArray<SocketWords> Sockets, Severity? Mark,
    bool Routes, bool MayRoute, bool HandsLineOn, string FixedAddress, AddressPool? Pool);

/// <summary>What is said of a thing.</summary>
/// <param name="Joinable">Networks on the air that its radio could join.</param>
/// <param name="FixedAddress">What is proposed where it is to have an address by hand.</param>
public sealed record ThingWords(string Id, ImmutableArray<JoinChoice> Joinable, Severity? Mark, string FixedAddress);

public static class HouseCards
{
    private static readonly string[] StepWords = ["", "one step down", "second step down: double NAT", "third step down: double NAT"];

    public static ImmutableArray<BoxWords> Boxes(Evaluation house, Stairs stairs)
    {
        var steps = stairs.Steps.ToDictionary(step => step.Device, StringComparer.Ordinal);
        var marks = Marks(house);
        var sent = Sent(house.State.House);
        var proposed = new ProposedAddress(house);
        return [.. house.State.House.Devices.Select(box =>
            new BoxWords(box.Id, Says(house, box, steps.GetValueOrDefault(box.Id)), SayStep(box, steps.GetValueOrDefault(box.Id)),
            [.. box.Supports.Prepend(box.Mode).Distinct().Select(mode => new ModeChoice(mode, mode.Say()))], box.Traits.MayAskForAddress
                && !box.Traits.AlwaysAsks,
            [.. SettingCatalogue.All.Where(setting => setting.Counts(box)).Select(setting => setting.Id)],
            box.Traits.Uplink == UplinkSide.None ? [] : Joinable(box, sent),
            [.. box.Ports.Select(port => new SocketWords(port.Id, Naming.PortName(box, port.Id)))], Mark(marks, box.Id),
            box.Traits.IsRouter, box.Supports.Prepend(box.Mode).Any(mode => Modes.Of(mode).IsRouter), box.Traits.HandsLineOn,
            proposed.Of(box), box.Lan?.Address is { } own ? AddressPool.Usual(own.Prefix) : null))];
    }

    public static ImmutableArray<ThingWords> Things(Evaluation house)
    {
        var marks = Marks(house);
        var air = Joinable(house);
        var proposed = new ProposedAddress(house);
        return [.. house.State.House.Endpoints.Select(thing => new ThingWords(thing.Id,
            thing.Bands.IsEmpty ? air : [.. air.Where(one => thing.Bands.Contains(one.Band))], Mark(marks, thing.Id), proposed.Of(thing)))];
    }

    /// <summary>What a thing of any band could join, a name once.</summary>
    public static ImmutableArray<JoinChoice> Joinable(Evaluation house) =>
        [.. house.State.Air.Select(one =>
            new JoinChoice(null, one.Band, one.Network.Ssid, one.Network.Security, one.Network.Key)).DistinctBy(one =>
            (one.Ssid, one.Security, one.Key, one.Band))];

    private static string Says(Evaluation house, Device box, Step? step)
    {
        var state = house.State;
        var words = new List<string> { box.Mode.Say() };
        if (box.Traits.HandsLineOn) words[0] += $" to {(box.PassthroughTo is { } target ? house.Facts.NameOf(target) : "nobody")}";
        if (box.Off == true) words.Add("without power");
        else if (!state.IsInUse(box.Id)) words.Add("at hand, not in use");
        else if (step is null && box.Traits.IsRouter) words.Add("used as access point");
        if (state.Servers.Any(server => server.Device == box.Id && server.Segment == state.InsideOf(box.Id))) words.Add("gives addresses");
        if (state.UplinkBox(box.Id) is { } joined) words.Add($"joins {house.Facts.NameOf(joined)}");
        return string.Join(", ", words);
    }

    private static string SayStep(Device box, Step? step)
    {
        if (step is null) return "";
        if (step.Upper is null) return "leads nowhere: its WAN side is empty";
        if (step.Translates) return step.Number < StepWords.Length ? StepWords[step.Number]
            : $"{Naming.Ordinal(step.Number)} step down: double NAT";
        return box.Traits.HandsLineOn ? "hands the line on" : "no translation";
    }

    /// <summary>Every network that a box makes while it is on, the first of each kind in document order.</summary>
    private static List<(string Box, Band Band, WifiNetwork Network)> Sent(NetworkDocument house) =>
        [.. from box in house.Devices where box.SendsWifi && box.Off != true
            from network in box.Wifi where network.Enabled
            select (box.Id, box.Radios.First(radio => radio.Id == network.Radio).Band, network)];

    private static ImmutableArray<JoinChoice> Joinable(Device box, List<(string Box, Band Band, WifiNetwork Network)> sent) =>
        [.. from one in sent where one.Box != box.Id
            let own = box.Radios.FirstOrDefault(radio => radio.Band == one.Band) where own is not null
            select new JoinChoice(own.Id, one.Band, one.Network.Ssid, one.Network.Security, one.Network.Key)
            into choice group choice by choice into alike select alike.Key];

    private static Dictionary<string, Severity> Marks(Evaluation house)
    {
        var marks = new Dictionary<string, Severity>(StringComparer.Ordinal);
        // Faults come first, so the first mark is the worst.
        foreach (var finding in house.Findings)
            foreach (var id in finding.Blamed) marks.TryAdd(id, finding.Severity);
        return marks;
    }

    private static Severity? Mark(Dictionary<string, Severity> marks, string id) => marks.TryGetValue(id, out var mark) ? mark : null;
}
