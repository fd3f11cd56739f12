using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Planning.Space;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning.Ranking;

/// <summary>What the ranking looks at, in its order (section 5 of the format): the less, the better.</summary>
/// <param name="Faults">Without second translations and what only says again that a want fails.</param>
/// <param name="Unserved">Boxes brought for a room, or that must be used, that do nothing there.</param>
/// <param name="Failing">Wants that do not hold, the nice ones apart.</param>
/// <param name="Translations">Beyond the first, of whoever has internet; what is kept apart does not count.</param>
/// <param name="Provider">Whether the provider's own box changes its mode or how it hands the line on: 0 or 1.</param>
/// <param name="Cut">Minutes somebody is without internet, by table, in steps of five.</param>
/// <param name="Idle">Routers behind a router with nothing behind them: whoever plugs in there later is translated twice. Not in the format; it only
/// decides between plans that are alike in all that comes before.</param>
/// <param name="WorstRoom">⌊log(rate) ÷ log(4/3)⌋ of the worst room, with its sign turned: less is better.</param>
public readonly record struct PlanRank(int Faults, int Unserved, int Failing, int NiceFailing, int Cautions, int Translations, int RadioHops, int WorstRoom, int Buys, int Provider, int Cut, int Touches, int Idle, int Settings, int Minutes)
    : IComparable<PlanRank>
{
    /// <summary>Two rates that differ by less than a third are one.</summary>
    private static readonly double Step = Math.Log(4.0 / 3);

    /// <summary>Anything is better.</summary>
    internal static readonly PlanRank Worst = new(int.MaxValue, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0);

    /// <summary>The first in which they differ decides. Asked millions of times by a search: no tuples are made for it.</summary>
    public int CompareTo(PlanRank other) =>
        Faults != other.Faults ? Faults.CompareTo(other.Faults)
        : Unserved != other.Unserved ? Unserved.CompareTo(other.Unserved)
        : Failing != other.Failing ? Failing.CompareTo(other.Failing)
        : NiceFailing != other.NiceFailing ? NiceFailing.CompareTo(other.NiceFailing)
        : Cautions != other.Cautions ? Cautions.CompareTo(other.Cautions)
        : Translations != other.Translations ? Translations.CompareTo(other.Translations)
        : RadioHops != other.RadioHops ? RadioHops.CompareTo(other.RadioHops)
        : WorstRoom != other.WorstRoom ? WorstRoom.CompareTo(other.WorstRoom)
        : Buys != other.Buys ? Buys.CompareTo(other.Buys)
        : Provider != other.Provider ? Provider.CompareTo(other.Provider)
        : Cut != other.Cut ? Cut.CompareTo(other.Cut)
        : Touches != other.Touches ? Touches.CompareTo(other.Touches)
        : Idle != other.Idle ? Idle.CompareTo(other.Idle)
        : Settings != other.Settings ? Settings.CompareTo(other.Settings)
        : Minutes.CompareTo(other.Minutes);

    public static bool operator <(PlanRank a, PlanRank b) => a.CompareTo(b) < 0;
    public static bool operator >(PlanRank a, PlanRank b) => a.CompareTo(b) > 0;
    public static bool operator <=(PlanRank a, PlanRank b) => a.CompareTo(b) <= 0;
    public static bool operator >=(PlanRank a, PlanRank b) => a.CompareTo(b) >= 0;

    internal static PlanRank Of(Ground ground, Evaluation after) => Rough(ground, after).Counted(ground.Found, after.State.House);

    /// <summary>With all that is known of a house before it is simulated.</summary>
    internal static PlanRank Filled(PlanRank atBest, NetworkDocument found, NetworkDocument house) =>
        (atBest with { Buys = CountBuys(found, house), Touches = CountTouches(found, house) }).Counted(found, house);

    /// <summary>With settings and minutes counted.</summary>
    internal PlanRank Counted(NetworkDocument found, NetworkDocument house)
    {
        var (settings, minutes) = CountWork(found, house, Touches);
        return this with { Settings = settings, Minutes = minutes };
    }

    /// <summary>Settings and minutes left at nothing.</summary>
    internal static PlanRank Rough(Ground ground, Evaluation after)
    {
        var (found, house) = (ground.Found, after.State.House);
        var (failing, nice) = (0, 0);
        for (var i = 0; i < after.Wants.Length; i++)
            if (after.Wants[i].Met == Answer.Yes) continue;
            else if (house.Needs[i].Nice == true) nice++;
            else failing++;
        var rooms = after.State.AirMap.Rooms;
        var worst = rooms.IsEmpty ? 0 : rooms.Min(room => room.Expected.Mbps);
        var touches = CountTouches(found, house);
        return new(after.Findings.Count(PlanLimits.IsFault), BoxRole.CountUnserved(ground, after), failing, nice, after.Findings.Count(finding => PlanLimits.IsCaution(finding, found)),
            CountTranslations(after), after.State.AirMap.MostRadioHops, Row(worst), CountBuys(found, house), ProviderBox.IsChanged(found, house) ? 1 : 0, ProviderBox.CutMinutes(ground, house) / 5, touches, after.Findings.Count(finding => finding.Is(RuleTraits.OfStructure) && house.FindDevice(finding.Subjects[0])?.KeptApart != true), 0, 0);
    }

    /// <summary>Of a rate in Mb/s.</summary>
    internal static int Row(double mbps) => mbps <= 0 ? 0 : -(int)Math.Floor(Math.Log(Math.Max(1, Math.Round(mbps, 1))) / Step);

    /// <summary>Rates of a row stay below this, in Mb/s.</summary>
    internal static double Above(int row) => Math.Exp((1 - row) * Step);

    private static int CountTranslations(Evaluation after)
    {
        var most = 0;
        foreach (var thing in after.State.House.Endpoints)
        {
            var way = after.State.Internet(thing.Id);
            if (way.Reachable != Answer.No) most = Math.Max(most, way.NatLayers - way.Hops.Count(hop => after.State.House.FindDevice(hop)?.KeptApart == true) - 1);
        }
        // A network that nobody is on yet counts as it would for whoever joins it.
        foreach (var (router, layers) in after.State.NetworkLayers())
        {
            if (layers - 1 <= most || router.KeptApart == true) continue;
            var above = after.State.Internet(after.State.Wan(router.Id)!).Hops.Count(hop => after.State.House.FindDevice(hop)?.KeptApart == true);
            most = Math.Max(most, layers - 1 - above);
        }
        return most;
    }

    /// <summary>Cables that have to be laid and boxes that are not there yet.</summary>
    private static int CountBuys(NetworkDocument found, NetworkDocument house) => house.Runs == found.Runs ? 0 : house.Runs.Count(run => run.Laid && found.Runs.FirstOrDefault(one => one.Id == run.Id) is not { Laid: true });

    /// <summary>Things whose name, security, key or address settings differ; another socket is none.</summary>
    internal static int CountTouches(NetworkDocument found, NetworkDocument house)
    {
        if (found.Endpoints == house.Endpoints) return 0;
        var touches = 0;
        foreach (var thing in house.Endpoints)
            if (found.FindEndpoint(thing.Id) is { } now && !ReferenceEquals(now, thing) && (!SameWritten.Are(now.Address, thing.Address) || IsJoinedAnew(now.Connect, thing.Connect))) touches++;
        return touches;
    }

    private static bool IsJoinedAnew(Attachment? now, Attachment? then) => then is Attachment.Join b && (now is not Attachment.Join a || (a.Ssid, a.Security, a.Key) != (b.Ssid, b.Security, b.Key));

    /// <summary>The one of that id. In a search it stands where it stood; in another house boxes may have come and gone.</summary>
    private static T? At<T>(ImmutableArray<T> list, int place, string id, Func<T, string> idOf) where T : class =>
        place < list.Length && idOf(list[place]) == id ? list[place] : list.FirstOrDefault(one => idOf(one) == id);

    /// <summary>Settings that differ, and the minutes by the table.</summary>
    private static (int Settings, int Minutes) CountWork(NetworkDocument found, NetworkDocument house, int touches)
    {
        var (settings, seconds) = (0, 0.0);
        for (var i = 0; i < house.Devices.Length; i++)
        {
            var box = house.Devices[i];
            if (At(found.Devices, i, box.Id, one => one.Id) is not { } now)
            {
                // It is new here: it is brought in.
                seconds += WorkTimes.Carry;
                continue;
            }
            if (ReferenceEquals(now, box)) continue;
            var work = WorkTable.At(now, box);
            (settings, seconds) = (settings + work.Settings, seconds + work.Seconds);
            if (now.Room != box.Room) seconds += WorkTimes.Carry;
        }
        var plugs = 0;
        if (house.Cables != found.Cables)
        {
            var was = found.Cables.ToDictionary(cable => cable.Id, StringComparer.Ordinal);
            foreach (var cable in house.Cables)
                plugs += was.Remove(cable.Id, out var old) ? (old.A == cable.A ? 0 : 1) + (old.B == cable.B ? 0 : 1) : 2;
            plugs += 2 * was.Count;
        }
        for (var i = 0; i < house.Endpoints.Length; i++)
            if (house.Endpoints[i].Connect?.Socket is { } socket && socket != At(found.Endpoints, i, house.Endpoints[i].Id, one => one.Id)?.Connect?.Socket) plugs++;
        return (settings, (int)Math.Ceiling((seconds + plugs * WorkTimes.Plug) / 60) + WorkTimes.TouchMinutes * touches);
    }
}
