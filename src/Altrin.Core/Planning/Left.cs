using Altrin.Core.Actions;

namespace Altrin.Core.Planning;

/// <summary>What a plan that nobody looked at could still have before the best there is.</summary>
internal static class Left
{
    /// <summary>The first in which they differ, in the order of the ranking; what comes after it could be anything.</summary>
    /// <param name="atBest">Nothing that is left ranks before it.</param>
    /// <returns>Null where nothing left is better.</returns>
    public static string? Say(PlanRank best, PlanRank atBest)
    {
        if (atBest >= best) return null;
        (int Less, string What, string How)[] inOrder =
        [
            (best.Faults - atBest.Faults, "fault", "fewer"),
            (best.Failing - atBest.Failing, "want", "more held"),
            (best.NiceFailing - atBest.NiceFailing, "want that would be nice", "more held"),
            (best.Cautions - atBest.Cautions, "caution", "fewer"),
            (best.Translations - atBest.Translations, "translation", "fewer"),
            (best.RadioHops - atBest.RadioHops, "join by radio", "fewer"),
            (best.WorstRoom - atBest.WorstRoom, "", $"up to {PlanRank.Above(atBest.WorstRoom):0} Mb/s in the worst room, instead of up to {PlanRank.Above(best.WorstRoom):0}"),
            (best.Buys - atBest.Buys, "thing", "fewer to buy"),
            (best.Touches - atBest.Touches, "thing", "fewer to set"),
            (best.Idle - atBest.Idle, "router behind a router", "fewer"),
            (best.Settings - atBest.Settings, "setting", "fewer"),
            (best.Minutes - atBest.Minutes, "minute", "less"),
        ];
        var (less, what, how) = inOrder.First(one => one.Less != 0);
        return what.Length == 0 ? how : $"{Naming.Count(less, what)} {how}";
    }
}
