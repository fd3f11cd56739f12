using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning;

/// <summary>A target house with what the ranking looks at, in its order (section 5 of the format).</summary>
public sealed record RankedPlan(string Title, NetworkDocument House, Evaluation After, int Faults, int WantsHeld, int NiceHeld, int Cautions, int NatLayers, int WirelessHops, int WorstRoom,
    int Touches, int Settings, int Minutes, ImmutableArray<string> Gives, ImmutableArray<string> Losses)
{
    /// <summary>Better first.</summary>
    public (int, int, int, int, int, int, int, int, int, int) Rank => (Faults, -WantsHeld, -NiceHeld, Cautions, Math.Max(0, NatLayers - 1), WirelessHops, -WorstRoom, Touches, Settings, Minutes);
}

/// <param name="Searched">Houses that were simulated whole.</param>
public sealed record PlansFound(ImmutableArray<RankedPlan> Plans, int Searched);

/// <summary>Looks for plans of a house: it as it is, its findings' proven fixes one after the other, and the two uses of a second router.</summary>
/// <remarks>A search by hand-holds, not of the whole space of section 5: what it finds is proven by simulation, and nothing says that there is
/// nothing better.</remarks>
public static class PlanSearch
{
    /// <summary>Enough for any home.</summary>
    private const int MostFixes = 40;

    /// <summary>Two rates that differ by less than a third are one.</summary>
    private static readonly double Step = Math.Log(4.0 / 3);

    public static PlansFound Of(NetworkDocument found, CancellationToken cancel = default)
    {
        found = Laptop.Away(found);
        var targets = new List<(string Title, NetworkDocument House)> { ("As it is", found) };
        if (FixAfterFix(found, cancel) is { } mended) targets.Add(mended);
        targets.AddRange(Planner.Propose(found, cancel).Select(plan => (plan.Title, plan.House)));
        var before = Evaluation.Of(found);
        var plans = targets.Where(target => KeepsItsWord(found, target.House)).Select(target => Rank(target.Title, before, target.House))
            .Where(plan => IsAllowed(before, plan)).OrderBy(plan => plan.Rank).ToList();
        // Of two that come to the same the first says it all.
        return new([.. plans.DistinctBy(plan => Documents.AltrinJson.WriteCompact(plan.House))], targets.Count);
    }

    private static (string, NetworkDocument)? FixAfterFix(NetworkDocument found, CancellationToken cancel)
    {
        var house = found;
        var titles = new List<string>();
        var seen = new HashSet<string>(StringComparer.Ordinal);
        for (var n = 0; n < MostFixes; n++)
        {
            cancel.ThrowIfCancellationRequested();
            var now = Evaluation.Of(house);
            var (next, title) = (house, "");
            foreach (var finding in now.Findings)
            {
                if (seen.Contains(finding.Key)) continue;
                if (now.ProvenFixes(finding, cancel).FirstOrDefault(fix => KeepsItsWord(found, fix.Actions.Apply(house))) is not { } fix) continue;
                seen.Add(finding.Key);
                (next, title) = (fix.Actions.Apply(house), fix.Say);
                break;
            }
            if (title.Length == 0) break;
            titles.Add(title);
            house = next;
        }
        return titles.Count == 0 ? null : (titles.Count == 1 ? titles[0] : $"{titles[0]}, and {titles.Count - 1} more", house);
    }

    /// <summary>What is left as found keeps its settings, and what must be used is used.</summary>
    private static bool KeepsItsWord(NetworkDocument found, NetworkDocument house) => found.Devices.All(box =>
        house.FindDevice(box.Id) is { } now
            ? box.LeaveAsFound != true || SettingCatalogue.All.All(setting => setting.IsAlike(box, now))
            : box.MustUse != true && box.LeaveAsFound != true);

    /// <summary>No fault that is not there as found, and whoever reached the internet still does.</summary>
    private static bool IsAllowed(Evaluation before, RankedPlan plan)
    {
        var faults = before.Findings.Where(finding => finding.Severity == Severity.Fault).Select(finding => finding.Key).ToHashSet();
        if (plan.After.Findings.Any(finding => finding.Severity == Severity.Fault && !faults.Contains(finding.Key))) return false;
        if (before.State.House.Endpoints.Any(thing => before.State.Internet(thing.Id).Reachable == Answer.Yes && plan.House.FindEndpoint(thing.Id) is not null && plan.After.State.Internet(thing.Id).Reachable != Answer.Yes)) return false;
        return !before.State.AirMap.Rooms.Zip(plan.After.State.AirMap.Rooms).Any(pair => pair.First.Source is not null && pair.Second.Source is null);
    }

    private static RankedPlan Rank(string title, Evaluation before, NetworkDocument house)
    {
        var (found, after) = (before.State.House, Evaluation.Of(house));
        var held = after.Wants.Where(want => want.Met == Answer.Yes).Select(want => want.Need).ToHashSet(StringComparer.Ordinal);
        bool IsNice(string need) => house.Needs.First(one => one.Id == need).Nice == true;
        var rooms = after.State.AirMap.Rooms;
        var worst = rooms.IsEmpty ? 0 : rooms.Min(room => room.Expected.Mbps);
        var settings = house.Devices.Sum(box => found.FindDevice(box.Id) is { } now ? Difference.Settings(found, now, box).Count() : 0);
        return new(title, house, after, after.Findings.Count(finding => finding.Severity == Severity.Fault && finding.Rule != "double-nat"), held.Count(need => !IsNice(need)), held.Count(IsNice),
            after.Cautions, house.Endpoints.Where(thing => after.State.Internet(thing.Id).Reachable != Answer.No).Select(thing => after.State.Internet(thing.Id).NatLayers).DefaultIfEmpty().Max(),
            after.State.AirMap.MostRadioHops, worst <= 0 ? 0 : (int)Math.Floor(Math.Log(Math.Max(1, worst)) / Step), Touches(found, house), settings, Minutes(found, house),
            [.. after.Wants.Where(want => want.Met == Answer.Yes && before.Wants.FirstOrDefault(one => one.Need == want.Need) is { Met: not Answer.Yes }).Select(want => want.Sentence)],
            [.. after.Wants.Where(want => want.Met != Answer.Yes).Select(want => $"{want.Sentence}: {want.Because}")]);
    }

    /// <summary>Things whose name, security, key or address settings differ; another socket is none.</summary>
    private static int Touches(NetworkDocument found, NetworkDocument house) => house.Endpoints.Count(thing => found.FindEndpoint(thing.Id) is { } now
        && (now.Address != thing.Address || now.Connect is Attachment.Join a && thing.Connect is Attachment.Join b && (a.Ssid, a.Security, a.Key) != (b.Ssid, b.Security, b.Key)
            || now.Connect is Attachment.Plug != thing.Connect is Attachment.Plug && thing.Connect is Attachment.Join));

    /// <summary>A save 1, a restart by the label, a plug 1, a touch 2. Common practice, no source.</summary>
    private static int Minutes(NetworkDocument found, NetworkDocument house)
    {
        var seconds = 0.0;
        foreach (var box in house.Devices)
        {
            if (found.FindDevice(box.Id) is not { } now) continue;
            var pages = Difference.Settings(found, now, box).Select(one => one.Setting.Page).Distinct().ToList();
            seconds += 60 * pages.Count + (pages.Exists(page => page is SettingsPage.Mode or SettingsPage.Address) ? box.Label?.RebootSeconds ?? BoxLabel.UsualRebootSeconds : 0);
        }
        seconds += 60 * house.Cables.Count(cable => found.FindCable(cable.Id) is not { } was || (was.A, was.B) != (cable.A, cable.B));
        seconds += 60 * found.Cables.Count(cable => house.FindCable(cable.Id) is null);
        return (int)Math.Ceiling(seconds / 60) + 2 * Touches(found, house);
    }
}
