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
            lost.Add(new(char.ToUpperInvariant(title[0]) + title[1..], leaf.WhyNot ?? Reasons.Against(bench, (leaf.Rank, Evaluation.Of(leaf.House)), best)));
        }
        return [.. lost];
    }
}
