using System.Globalization;
using Altrin.Core.Network;
using Altrin.Core.Planning.Ranking;
using Altrin.Core.Planning.Search;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning;

/// <summary>What decides between two plans, in this house's own words: the first criterion of the ranking in which they differ.</summary>
internal static class Reasons
{
    /// <summary>Letters of a title that is said again in a sentence.</summary>
    private const int MostTitle = 36;

    public static string Against(Bench bench, RankedPlan plan, RankedPlan best) => Against(bench, (plan.Rank, plan.After), best);

    /// <summary>What puts a plan behind the best one.</summary>
    public static string Against(Bench bench, (PlanRank Rank, Evaluation After) plan, RankedPlan best)
    {
        var (mine, yours) = (plan.Rank, best.Rank);
        if (mine.Unserved > yours.Unserved) return Unserved(bench, plan.After, best.After);
        if (mine.Failing + mine.NiceFailing > yours.Failing + yours.NiceFailing
            && HeldHereAlone(best.After, plan.After) is { } lost && plan.After.Wants.First(want => want.Need == lost.Need) is var fails)
            return $"{fails.Sentence}: {fails.Because}";
        // A second translation is a caution too: the shorter word for it.
        if (mine.Translations > yours.Translations && mine.Cautions >= yours.Cautions)
            return "Addresses would be translated twice in the home: things on the two networks do not find each other.";
        if (mine.Cautions > yours.Cautions && New(plan.After, best.After) is { } caution) return caution;
        if (mine.RadioHops > yours.RadioHops)
            return $"It takes {Of(mine.RadioHops, "radio hop")} "
                + $"where {(yours.RadioHops == 0 ? "cable does" : Of(yours.RadioHops, "will do"))}.";
        if (mine.WorstRoom > yours.WorstRoom) return Slower(bench, plan.After, best.After);
        if (mine.Buys > yours.Buys) return "Something would have to be bought or laid for it.";
        if (mine.Provider > yours.Provider) return "The provider’s box would have to be set otherwise.";
        if (mine.Cut > yours.Cut) return "Somebody would be without internet for longer.";
        if (mine.Touches > yours.Touches)
            return $"{Of(mine.Touches, "thing")} of the household would have to be set anew instead of {yours.Touches}.";
        if (mine.Idle > yours.Idle) return "Whoever plugs in or joins there later would be translated twice.";
        if (mine.Settings > yours.Settings) return $"It takes {Of(mine.Settings, "setting")} instead of {yours.Settings}, for the same.";
        return mine.Minutes > yours.Minutes ? $"It takes {Of(mine.Minutes, "minute")} instead of {yours.Minutes}, for the same."
            : "It comes to the same as the best plan.";
    }

    /// <summary>What puts the best plan before the next one.</summary>
    /// <param name="next">Null where there is no other.</param>
    public static string OfBest(Bench bench, RankedPlan best, RankedPlan? next)
    {
        if (next is null)
            return bench.Ground.Pins.All.IsEmpty ? "These boxes, cables and wants allow no other way."
                : "What is pinned leaves no other way; unpin it to see the others.";
        var (mine, yours) = (best.Rank, next.Rank);
        // Two lines, and no title that fills both.
        var other = next.Title.Length <= MostTitle ? $"“{next.Title}”" : "the next way";
        if (mine.Unserved < yours.Unserved) return Serves(bench, best.After, next.After);
        if (mine.Failing + mine.NiceFailing < yours.Failing + yours.NiceFailing
            && HeldHereAlone(best.After, next.After) is { } held) return $"It holds “{held.Sentence}”; {other} does not.";
        if (mine.Translations < yours.Translations && mine.Cautions <= yours.Cautions)
            return $"Everything is on one network and finds everything; with {other} addresses are translated twice.";
        if (mine.Cautions < yours.Cautions && New(next.After, best.After) is { } caution) return $"With {other}: {caution}";
        if (mine.RadioHops < yours.RadioHops)
            return mine.RadioHops == 0 ? $"A cable carries all of it; {other} goes by radio." : $"It takes fewer radio hops than {other}.";
        if (mine.WorstRoom < yours.WorstRoom) return Faster(best.After, next.After, other);
        if (mine.Buys < yours.Buys) return $"Nothing is bought or laid that {other} needs.";
        if (mine.Provider < yours.Provider) return $"The provider’s box stays as it is; {other} sets it otherwise.";
        if (mine.Cut < yours.Cut) return $"Somebody is without internet for less time than with {other}.";
        if (mine.Touches < yours.Touches) return $"{Of(mine.Touches, "thing")} of the household to set anew; {yours.Touches} with {other}.";
        if (mine.Idle < yours.Idle) return $"With {other} whoever joins there later is translated twice.";
        return mine.Settings < yours.Settings ? $"It takes {Of(mine.Settings, "setting")}; {other} takes {yours.Settings}."
            : $"It comes to the same as {other}, in no more minutes.";
    }

    private static NeedVerdict? HeldHereAlone(Evaluation here, Evaluation there) => here.Wants.FirstOrDefault(want =>
        want.Met == Answer.Yes && there.Wants.First(one => one.Need == want.Need).Met != Answer.Yes);

    private static string? New(Evaluation after, Evaluation other) =>
        after.Findings.FirstOrDefault(finding => finding.Severity == Severity.Caution
            && !other.Findings.Any(one => one.Key == finding.Key))?.Message;

    /// <summary>“Old router would lie unused.” “New router would stand in Hall: no cable is known to lead to Attic.”</summary>
    private static string Unserved(Bench bench, Evaluation after, Evaluation best)
    {
        var idle = IdleBoxes(bench, after, best);
        var house = after.State.House;
        if (idle is [var only] && house.FindDevice(only.Id) is { } box && after.State.IsInUse(box.Id))
        {
            var meant = only.Serves.IsDefaultOrEmpty ? null : Rules.Facts.Join(only.Serves.Select(room => Rooms.Say(house, room)));
            if (meant is null || box.Uplink is not null)
                return $"{only.Name} would do nothing there: it sends no Wi-Fi, and nothing is plugged into it.";
            var where = box.Room is { } room ? $"in {Rooms.Say(house, room)}" : "elsewhere";
            return $"{only.Name} would stand {where}: no cable is known to lead to {meant}.";
        }
        return $"{Rules.Facts.Join(idle.Select(one => one.Name))} would lie unused.";
    }

    private static string Serves(Bench bench, Evaluation best, Evaluation next)
    {
        var boxes = IdleBoxes(bench, next, best);
        if (boxes is [{ Serves.IsDefaultOrEmpty: false } only])
        {
            var rooms = Rules.Facts.Join(only.Serves.Select(room => Rooms.Say(best.State.House, room)));
            return best.State.House.FindDevice(only.Id)!.SendsWifi ? $"{only.Name} brings Wi-Fi to {rooms}, as it was meant to."
                : $"{only.Name} serves {rooms}, as it was meant to.";
        }
        return $"{Rules.Facts.Join(boxes.Select(one => one.Name))} "
            + $"{(boxes.Count == 1 ? "does what it was" : "do what they were")} brought for.";
    }

    private static List<Device> IdleBoxes(Bench bench, Evaluation after, Evaluation best) =>
        [.. BoxRole.Unserved(bench.Ground, after).Except(BoxRole.Unserved(bench.Ground, best))
            .Select(box => bench.Ground.Found.Devices[box])];

    private static string Slower(Bench bench, Evaluation after, Evaluation best)
    {
        var worst = after.State.AirMap.Rooms.MinBy(room => room.Expected.Mbps)!;
        return string.Create(CultureInfo.InvariantCulture,
            $"{bench.Ground.Found.Rooms[worst.Room].Name} could expect {worst.Expected.Mbps:0.#} Mb/s; "
                + $"with the best plan no room has less than {Least(best):0.#}.");
    }

    private static string Faster(Evaluation best, Evaluation next, string other) => string.Create(CultureInfo.InvariantCulture,
        $"No room has less than {Least(best):0.#} Mb/s; {Least(next):0.#} with {other}.");

    private static double Least(Evaluation after) => after.State.AirMap.Rooms.Min(room => room.Expected.Mbps);

    private static string Of(int n, string what) => $"{n} {what}{(n == 1 || what.EndsWith("do", StringComparison.Ordinal) ? "" : "s")}";
}
