using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Planning.Search;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning;

/// <summary>For each school that a box of the house can do and no plan shows: the best plan of it, and the first thing in which it fails.</summary>
internal static class WhyNots
{
    public static ImmutableArray<RuledOut> Of(Bench bench, List<Leaf> cured, ImmutableArray<RankedPlan> plans)
    {
        if (plans.IsEmpty) return [];
        var ground = bench.Ground;
        var shown = plans.SelectMany(plan => plan.Schools).ToHashSet();
        var best = plans[0];
        var lost = new List<RuledOut>();
        var all = cured.Concat(bench.Leaves).SelectMany(leaf => Schools.Of(ground, leaf.Structure).Where(one => one.School is not (School.LeftInDrawer or School.Switch)).DistinctBy(one => one.School).Select(one => (one.School, one.Box, leaf)));
        foreach (var school in all.Where(one => !shown.Contains(one.School)).GroupBy(one => one.School).OrderBy(group => group.Key))
        {
            var (_, box, leaf) = school.OrderBy(one => !one.leaf.IsAllowed).ThenBy(one => one.leaf.Rough).First();
            var heir = leaf.Structure.HandsTo >= 0 ? ground.Found.Devices[leaf.Structure.HandsTo].Name : "";
            var title = Schools.Say(school.Key, ground.Found.Devices[box].Name, heir);
            lost.Add(new(char.ToUpperInvariant(title[0]) + title[1..], leaf.WhyNot ?? Worse(bench, leaf, best)));
        }
        return [.. lost];
    }

    /// <summary>The first criterion of the ranking in which it is the worse, with this house's own reason.</summary>
    private static string Worse(Bench bench, Leaf leaf, RankedPlan best)
    {
        var after = Evaluation.Of(leaf.House);
        var (mine, yours) = (leaf.Rank, best.Rank);
        if (mine.Failing + mine.NiceFailing > yours.Failing + yours.NiceFailing
            && after.Wants.FirstOrDefault(want => want.Met != Answer.Yes && best.After.Wants.First(one => one.Need == want.Need).Met == Answer.Yes) is { } fails) return $"{fails.Sentence}: {fails.Because}";
        if (mine.Cautions > yours.Cautions && after.Findings.FirstOrDefault(finding => finding.Severity == Severity.Caution && !best.After.Findings.Any(other => other.Key == finding.Key)) is { } caution) return caution.Message;
        if (mine.Translations > yours.Translations) return "Addresses would be translated twice in the home.";
        if (mine.RadioHops > yours.RadioHops) return $"It takes {Of(mine.RadioHops, "radio hop")} where {(yours.RadioHops == 0 ? "cable does" : Of(yours.RadioHops, "will do"))}.";
        if (mine.WorstRoom > yours.WorstRoom) return Slower(bench, after, best);
        if (mine.Buys > yours.Buys) return "Something would have to be bought or laid for it.";
        if (mine.Touches > yours.Touches) return $"{Of(mine.Touches, "thing")} of the household would have to be set anew instead of {yours.Touches}.";
        if (mine.Idle > yours.Idle) return "Whoever plugs in or joins there later would be translated twice.";
        if (mine.Settings > yours.Settings) return $"It takes {Of(mine.Settings, "setting")} instead of {yours.Settings}, for the same.";
        return mine.Minutes > yours.Minutes ? $"It takes {Of(mine.Minutes, "minute")} instead of {yours.Minutes}, for the same." : "It comes to the same as the best plan.";
    }

    private static string Slower(Bench bench, Evaluation after, RankedPlan best)
    {
        var rooms = after.State.AirMap.Rooms;
        var worst = rooms.MinBy(room => room.Expected.Mbps)!;
        var there = best.After.State.AirMap.Rooms.Min(room => room.Expected.Mbps);
        return string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{bench.Ground.Found.Rooms[worst.Room].Name} could expect {worst.Expected.Mbps:0.#} Mb/s; with the best plan no room has less than {there:0.#}.");
    }

    private static string Of(int n, string what) => $"{n} {what}{(n == 1 || what.EndsWith("do", StringComparison.Ordinal) ? "" : "s")}";
}
