using Altrin.Core.Actions;

using Altrin.Core.Planning.Ranking;

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
        (int Less, string Does, string What, string How)[] inOrder =
        [
            (best.Faults - atBest.Faults, "have", "fault", "fewer"),
            (best.Unserved - atBest.Unserved, "use", "box", "more for what it was brought for"),
            (best.Failing - atBest.Failing, "hold", "want", "more"),
            (best.NiceFailing - atBest.NiceFailing, "hold", "want", "more that would be nice"),
            (best.Cautions - atBest.Cautions, "have", "caution", "fewer"),
            (best.Translations - atBest.Translations, "have", "translation", "fewer"),
            (best.RadioHops - atBest.RadioHops, "have", "join by radio", "fewer"),
            (best.WorstRoom - atBest.WorstRoom, $"bring up to {PlanRank.Above(atBest.WorstRoom):0} Mb/s to the worst room, instead of up to {PlanRank.Above(best.WorstRoom):0}", "", ""),
            (best.Buys - atBest.Buys, "want", "thing", "fewer bought"),
            (best.Provider - atBest.Provider, "leave", "provider’s box", "as it is"),
            (best.Cut - atBest.Cut, "take", "time without internet", "less"),
            (best.Touches - atBest.Touches, "want", "thing", "fewer set"),
            (best.Idle - atBest.Idle, "have", "router behind a router", "fewer"),
            (best.Settings - atBest.Settings, "change", "setting", "fewer"),
            (best.Minutes - atBest.Minutes, "take", "minute", "less"),
        ];
        var (less, does, what, how) = inOrder.First(one => one.Less != 0);
        return $"What was not tried could at best {(what.Length == 0 ? does : $"{does} {Naming.Count(less, what)} {how}")}.";
    }
}
