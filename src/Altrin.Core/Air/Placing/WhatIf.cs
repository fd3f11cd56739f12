using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Air.Placing;

/// <summary>The same house with one thing otherwise.</summary>
/// <param name="Id">Tells it from another.</param>
/// <param name="Title">As a question is answered: “A cable to the studio”.</param>
/// <param name="Says">With the numbers before and after.</param>
/// <param name="Room">Of which the numbers are.</param>
/// <param name="IsBetter">The worst room, or the next, gets more.</param>
/// <param name="Actions">What brings the house there; empty where it takes more than that, which the plans work out.</param>
/// <param name="Cautions">What has to be minded, of law and safety.</param>
public sealed record WhatIf(string Id, string Title, string Says, string? Room, double? Before, double? After, bool IsBetter, ImmutableArray<RoomRate> Rooms, ImmutableArray<InstallerAction> Actions, ImmutableArray<string> Cautions);

/// <summary>What else could be done for the air: a cable in place of a radio join, a star in place of a chain, the main unit elsewhere, one more repeater.</summary>
public static class WhatIfs
{
    /// <summary>More is asked of nobody at once.</summary>
    private const int MostBoxes = 12, MostMains = 6;

    private const string Drill = "Look for pipes and cables before you drill; keep data cable apart from mains cable. Local codes come first.";

    public static ImmutableArray<WhatIf> Of(NetworkState state, CancellationToken cancel = default)
    {
        var house = state.House;
        if (house.Rooms.IsEmpty) return [];
        var list = ImmutableArray.CreateBuilder<WhatIf>();
        var now = RoomRates.Of(house, state.AirMap);
        foreach (var link in state.AirMap.Links.Take(MostBoxes))
        {
            cancel.ThrowIfCancellationRequested();
            if (Cable(state, now, link) is { } cable) list.Add(cable);
            list.AddRange(Star(state, now, link));
        }
        if (MainElsewhere(state, now, cancel) is { } main) list.Add(main);
        list.AddRange(OneMore(state, now, cancel));
        return list.ToImmutable();
    }

    /// <summary>The rooms that a change is about: that of the box, else the one that is worst.</summary>
    private static WhatIf Compare(NetworkState state, RoomRates before, NetworkDocument changed, string id, string title, Func<double, double, string> says, string? room, ImmutableArray<InstallerAction> actions, params ImmutableArray<string> cautions)
    {
        var house = state.House;
        var after = RoomRates.Of(changed);
        var about = room is not null && Rooms.Find(house, room) is { } listed ? listed.Id : before.Worst?.Room;
        var (was, will) = (At(before, about), At(after, about));
        return new(id, title, says(was ?? 0, will ?? 0), about, was, will, after.CompareTo(before) > 0, after.Rooms, actions, cautions);
    }

    internal static double? At(RoomRates rates, string? room) => rates.Rooms.FirstOrDefault(one => one.Room == room)?.Mbps;

    internal static string Mbps(double rate) => rate < 10 ? $"{rate:0.#}" : $"{Math.Floor(rate):0}";

    private static WhatIf? Cable(NetworkState state, RoomRates now, AirLink link)
    {
        var house = state.House;
        // From where the wires end: a cable to one that hangs by radio itself gains little.
        var (box, parent) = (house.Devices[link.From], house.Devices[link.To]);
        for (var n = 0; n < house.Devices.Length && state.UplinkBox(parent.Id) is { } up; n++) parent = house.FindDevice(up)!;
        if (house.FreePort(box, PortRole.Lan) is not { } near || house.FreePort(parent, PortRole.Lan) is not { } far || box.Traits.IsRouter) return null;
        var run = house.Runs.FirstOrDefault(one => one.Medium == Medium.Ethernet && (Joins(one, box.Room, parent.Room) || Joins(one, parent.Room, box.Room)));
        var same = Rooms.AreSame(house, box.Room, parent.Room);
        var category = run?.Category ?? "cat6";
        var between = state.AirMap.Plan.Between(state.AirMap.Plan.PlaceOf(box.Room, box.At), state.AirMap.Plan.PlaceOf(parent.Room, parent.At));
        var metres = run?.LengthM ?? (between.Kind == Radio.DistanceKind.OtherRoom ? null : Math.Ceiling(between.DistanceM * 1.5));
        var ids = house.Cables.Select(cable => cable.Id).ToHashSet(StringComparer.Ordinal);
        var free = Enumerable.Range(1, ids.Count + 1).Select(n => $"air{n}").First(id => !ids.Contains(id));
        ImmutableArray<InstallerAction> actions = [new SetUplink(box.Id), new PlugCable(new() { Id = free, A = new(parent.Id, far.Id), B = new(box.Id, near.Id), Category = category, LengthM = metres })];
        // On a cable it no longer sits on the other's channel: it gets one of its own, as the plan of channels gives it.
        actions = [.. actions, .. Channels.ChannelPlan.OfOne(Simulator.Run(actions.Apply(house)), box.Id)];
        var long_ = metres is { } m ? $"{(run?.LengthM is null ? "about " : "")}{m:0} m ({m / 0.3048:0} ft) " : "";
        var laid = run is { Laid: true } ? "The cable is laid already." : run is not null ? "It can be laid." : same ? "" : "No run is noted between the two rooms: somebody has to look whether there is a way.";
        var where = Rooms.Find(house, box.Room)?.Name ?? box.Name;
        return Compare(state, now, actions.Apply(house), $"cable {box.Id}", $"A cable to {box.Name}",
            (before, after) => $"{long_}from {parent.Name}: {Mbps(after)} Mb/s instead of {Mbps(before)} in {where}. {laid}".Replace("  ", " ", StringComparison.Ordinal).Trim(), box.Room, actions,
            [.. run is { Laid: true } || same ? Array.Empty<string>() : [Drill, .. AreBuildings(house, box.Room, parent.Room) ? new[] { "Between buildings lightning and a difference of earth potential matter: fibre or radio is preferred, else protectors by a licensed person." } : []]]);

        bool Joins(CableRun one, string? a, string? b) => Rooms.AreSame(house, one.A, a) && Rooms.AreSame(house, one.B, b);
    }

    private static bool AreBuildings(NetworkDocument house, string? a, string? b) => Buildings.Between(house, a, b) == BuildingsApart.Yes;

    /// <summary>Who hangs on one that hangs itself: each that hangs higher, if it is heard.</summary>
    private static IEnumerable<WhatIf> Star(NetworkState state, RoomRates now, AirLink link)
    {
        var house = state.House;
        var (box, parent) = (house.Devices[link.From], house.Devices[link.To]);
        if (state.UplinkBox(parent.Id) is null) yield break;
        foreach (var main in state.AirMap.Sources.Select(source => source.Device).Distinct().Select(device => house.Devices[device])
                     .Where(other => other != box && other != parent && state.UplinkBox(other.Id) is null).Take(MostMains))
        {
            ImmutableArray<InstallerAction> actions = [new SetUplink(box.Id, box.Uplink! with { Near = main.Id })];
            var changed = actions.Apply(house);
            if (!AirMap.Of(changed).Links.Any(one => one.From == link.From && house.Devices[one.To].Id == main.Id)) continue;
            yield return Compare(state, now, changed, $"star {box.Id} {main.Id}", $"{box.Name} on {main.Name}, not in a row",
                (before, after) => $"{Mbps(after)} Mb/s instead of {Mbps(before)} in {Rooms.Find(house, box.Room)?.Name ?? box.Name}: a radio hop less. In its settings it is named whom it joins, if it can be.", box.Room, actions);
        }
    }

    /// <summary>The unit that makes the Wi-Fi and joins nobody, in every other room.</summary>
    private static WhatIf? MainElsewhere(NetworkState state, RoomRates now, CancellationToken cancel)
    {
        var house = state.House;
        if (state.AirMap.Sources.Where(source => source.Ssid is not null).Select(source => house.Devices[source.Device]).FirstOrDefault(box => state.UplinkBox(box.Id) is null && Rooms.Find(house, box.Room) is not null) is not { } main) return null;
        (Room Room, RoomRates Rates, NetworkDocument House)? best = null;
        foreach (var room in Places.Thinned([.. house.Rooms.Where(room => room.Outdoor != true && !Rooms.AreSame(house, room.Id, main.Room))], Places.MostTries(house, Places.Few)))
        {
            cancel.ThrowIfCancellationRequested();
            var there = Places.Moved(house, main.Id, room, null, main.Uplink);
            var rates = RoomRates.Of(there);
            if (rates.CompareTo(now) > 0 && (best is null || rates.CompareTo(best.Value.Rates) > 0)) best = (room, rates, there);
        }
        if (best is not { } better) return null;
        var atLine = house.Line?.Device == main.Id;
        return Compare(state, now, better.House, $"main {main.Id}", $"{main.Name} in {better.Room.Name}",
            (before, after) => $"{Mbps(after)} Mb/s instead of {Mbps(before)} in {Rooms.Say(house, now.Worst!.Room)}, the room with the least. "
                + (atLine ? "The line comes in where it stands: the line, or a cable from there, has to come along." : "Its cable has to come along."), now.Worst?.Room, []);
    }

    /// <summary>One more box at its best place by radio, and a cable with an access point to the weakest room: which does more.</summary>
    private static IEnumerable<WhatIf> OneMore(NetworkState state, RoomRates now, CancellationToken cancel)
    {
        var house = state.House;
        if (now.Worst is not { } weak) yield break;
        var name = Rooms.Say(house, weak.Room);
        if (NewSender.ByRadio(house) is { } more && Places.Of(more, NewSender.Id, everyMetre: false, cancel) is { Best: { } best })
        {
            var (joined, kind, what) = (more.FindDevice(NewSender.Id)!, NewSender.RadioKind(house).Name, more.FindDevice(NewSender.Id)!.Traits.BreaksLoops ? "satellite" : "repeater");
            var uplink = joined.Uplink! with { Radio = best.Radio ?? joined.Uplink!.Radio };
            yield return Compare(state, now, Places.Moved(more, NewSender.Id, Rooms.Find(house, best.Room)!, best.At, uplink), "one more by radio", $"One more {what}, in {Rooms.Say(house, best.Room)}",
                (before, after) => $"{Mbps(after)} Mb/s instead of {Mbps(before)} in {name}, the room with the least: “{kind}” of the kit shelf at its best place{(best.Joins is { } parent ? $", joined to {house.NameOf(parent)}" : "")}.", weak.Room, []);
        }
        if (state.AirMap.Sources.Select(source => house.Devices[source.Device]).FirstOrDefault(box => state.UplinkBox(box.Id) is null && house.FreePort(box, PortRole.Lan) is not null) is { } main
            && NewSender.ByCable(house, weak.Room, main) is { } cabled)
            yield return Compare(state, now, cabled, "one more cable", $"A cable to {name}, and an access point there",
                (before, after) => $"{Mbps(after)} Mb/s instead of {Mbps(before)} in {name}.", weak.Room, [], Drill);
    }
}
