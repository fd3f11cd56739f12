using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Planning.Space;
using Altrin.Core.Radio;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning.Ranking;

/// <summary>The hard limits of a plan (section 5 of the format).</summary>
internal sealed class PlanLimits
{
    private readonly Ground ground;
    private readonly Evaluation before;
    private readonly HashSet<string> oldFaults;
    private readonly List<int> online;
    private readonly List<int> heard;

    public PlanLimits(Ground ground, Evaluation before)
    {
        (this.ground, this.before) = (ground, before);
        oldFaults = before.Findings.Where(IsFault).Select(finding => finding.Key).ToHashSet(StringComparer.Ordinal);
        online = [.. Enumerable.Range(0, House.Endpoints.Length).Where(i => before.State.Internet(House.Endpoints[i].Id).Reachable == Answer.Yes)];
        heard = [.. before.State.AirMap.Rooms.Where(room => room.Source is { Ssid: not null }).Select(room => room.Room)];
    }

    private NetworkDocument House => ground.Found;

    /// <summary>A second translation, and what only says again that a want fails, is the ranking's matter.</summary>
    public static bool IsFault(Finding finding) => finding.Severity == Severity.Fault && !finding.Is(RuleTraits.OfStructure | RuleTraits.RestatesWant);

    /// <summary>Those that the ranking counts: not what is settled on site, not what is said of boxes that are left as found alone, and no second translation
    /// that is meant.</summary>
    public static bool IsCaution(Finding finding, NetworkDocument found) => finding.Severity == Severity.Caution && !finding.IsSettledOnSite
        && !(finding.Is(RuleTraits.OfStructure) && found.FindDevice(finding.Subjects[0])?.KeptApart == true)
        && !(finding.Subjects.Length > 0 && finding.Subjects.All(one => found.FindDevice(one)?.LeaveAsFound == true));

    /// <summary>What forbids it before anything is simulated; null for nothing. The documents have the same boxes and things in the same order.</summary>
    public string? WhyNotBuilt(NetworkDocument plan)
    {
        for (var i = 0; i < House.Devices.Length; i++)
        {
            var (now, then) = (House.Devices[i], plan.Devices[i]);
            if (!ReferenceEquals(now, then))
            {
                if (now.LeaveAsFound == true && !SettingCatalogue.All.All(setting => setting.IsAlike(now, then))) return $"{now.Name} is to be left as it is.";
                if (!now.CanBe(then.Mode)) return $"{now.Name} has no {then.Mode.Say()} mode.";
                if (ground.InUse[i] && now.Room is not null && now.Room != then.Room) return $"{now.Name} stays where it is.";
                if (IsUnlawful(plan, now, then)) return $"{House.Country} does not allow that channel.";
                if (now.KeptApart == true && (then.KeptApart != true || !then.Traits.IsRouter)) return $"What is behind {now.Name} is kept apart.";
            }
        }
        if (WhyNoCable(plan) is { } cable) return cable;
        for (var i = 0; i < House.Endpoints.Length; i++)
            if (WhyNotThere(plan, House.Endpoints[i], plan.Endpoints[i]) is { } why) return why;
        return null;
    }

    /// <summary>What forbids it once it is simulated.</summary>
    public string? WhyNot(Evaluation after)
    {
        var plan = after.State.House;
        for (var i = 0; i < House.Devices.Length; i++)
        {
            var isUsed = after.State.IsInUse(House.Devices[i].Id);
            if (House.Devices[i].MustUse == true && !isUsed) return $"{House.Devices[i].Name} is to be used.";
            if (ground.InUse[i] && !isUsed && !TakesItsPlace(after, i)) return $"{House.Devices[i].Name} is in use, and nothing takes its place there.";
        }
        foreach (var i in online)
            if (after.State.Internet(House.Endpoints[i].Id).Reachable != Answer.Yes) return $"{House.Endpoints[i].Name} would lose the internet.";
        if (after.Findings.FirstOrDefault(finding => IsFault(finding) && !oldFaults.Contains(finding.Key)) is { } fault) return fault.Message;
        if (heard.Count > 0)
        {
            var rooms = after.State.AirMap.Rooms;
            foreach (var room in heard)
                if (rooms[room].Source is null) return $"{House.Rooms[room].Name} would be left without Wi-Fi.";
        }
        foreach (var box in House.Devices)
            if (box.KeptApart == true && before.State.IsInUse(box.Id) && IsOpened(after, box)) return $"What is behind {box.Name} is kept apart.";
        return null;
    }

    private bool TakesItsPlace(Evaluation after, int box) => House.Devices[box].Room is { } room && Enumerable.Range(0, House.Devices.Length).Any(i =>
        !ground.InUse[i] && after.State.House.Devices[i].Room is { } there && ground.PlaceOfRoom(there) == ground.PlaceOfRoom(room) && after.State.IsInUse(House.Devices[i].Id));

    /// <summary>Whether somebody who was kept apart now stands on the other side.</summary>
    private bool IsOpened(Evaluation after, Device box)
    {
        var (was, now) = (before.State.InsideOf(box.Id), after.State.InsideOf(box.Id));
        return House.Endpoints.Any(thing => (before.State.Net(thing.Id)?.Segment == was) != (after.State.Net(thing.Id)?.Segment == now) && before.State.Net(thing.Id) is { Segment: >= 0 });
    }

    private static bool IsUnlawful(NetworkDocument plan, Device now, Device then)
    {
        if (now.Wifi == then.Wifi || Regulations.Of(plan.Country) is not { } rules) return false;
        foreach (var network in then.Wifi)
        {
            if (network is not { Enabled: true, Channel.Number: { } number } || now.Wifi.Any(old => old.Radio == network.Radio && old.Channel == network.Channel && old.WidthMHz == network.WidthMHz)) continue;
            var band = then.Radios.First(radio => radio.Id == network.Radio).Band;
            if (new RadioChannel(band, number, 20) is var channel && Regulations.MostDbm(rules, channel.CentreMHz) is null) return true;
        }
        return false;
    }

    private string? WhyNoCable(NetworkDocument plan)
    {
        if (plan.Cables == House.Cables) return null;
        string Place(NetworkDocument house, string device) => house.FindDevice(device)?.Room is { Length: > 0 } room ? ground.PlaceOfRoom(room) : $"box {device}";
        foreach (var group in plan.Cables.GroupBy(cable => Ground.Ends(Place(plan, cable.A.Device), Place(plan, cable.B.Device), cable.Medium)))
        {
            var (a, b, medium) = group.Key;
            // Several cables in one room, or beside a box without one, that were there may stay.
            var old = group.Count(cable => House.FindCable(cable.Id) is { } was && Ground.Ends(Place(House, was.A.Device), Place(House, was.B.Device), was.Medium) == group.Key);
            if (group.Count() > Math.Max(ground.Ways(a, b, medium), old)) return "There is no way for that cable.";
        }
        return null;
    }

    private string? WhyNotThere(NetworkDocument plan, Endpoint now, Endpoint then)
    {
        if (then.Connect is not Attachment.Plug plug || now.Connect is Attachment.Plug was && was.Device == plug.Device) return null;
        if (!now.HasSocket) return $"{now.Name} has no socket for a cable.";
        var place = plan.FindDevice(plug.Device)?.Room is { Length: > 0 } room ? ground.PlaceOfRoom(room) : $"box {plug.Device}";
        var reaches = now.Room is { Length: > 0 } own && ground.PlaceOfRoom(own) == place || now.Connect is Attachment.Plug old && ground.PlaceOf(old.Device) == place;
        return reaches ? null : $"The cable of {now.Name} does not reach there.";
    }
}
