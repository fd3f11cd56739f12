using System.Collections.Immutable;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning;

/// <summary>Where no box at hand will do, one of a kind from the kit shelf: the same search with it on the table.</summary>
internal static class Shopping
{
    /// <summary>What is on the table of most jobs of the kind; the plainest first.</summary>
    private static readonly ImmutableArray<string> Kinds = ["switch-5", "repeater-plug-in-dual", "access-point-asks", "router-mode-switch", "mesh-satellite", "bridge-with-wifi"];

    private const int Budget = 8_000;

    /// <summary>The best plan with one box bought that holds more than every plan without; null for none.</summary>
    public static RankedPlan? Best(PlanSearch.Outcome search, ImmutableArray<RankedPlan> plans, CancellationToken cancel)
    {
        var found = search.Bench.Ground.Found;
        if (plans.IsEmpty || plans[0].Rank is { Failing: 0, NiceFailing: 0 } || !found.Needs.Any(need => MayBeBought(need) && plans[0].After.Wants.First(want => want.Need == need.Id).Met != Answer.Yes)) return null;
        RankedPlan? best = null;
        foreach (var kind in Kinds.Select(KitShelf.Find).OfType<KitKind>())
        {
            cancel.ThrowIfCancellationRequested();
            var id = FreshId(found, kind.Kit);
            var richer = PlanSearch.Run(found with { Devices = found.Devices.Add(kind.Make(id, kind.Name)) }, Budget, cancel).Plans();
            if (richer.IsEmpty || richer[0] is not { } plan || !plan.After.State.IsInUse(id)) continue;
            if ((plan.Rank.Failing, plan.Rank.NiceFailing).CompareTo((plans[0].Rank.Failing, plans[0].Rank.NiceFailing)) >= 0) continue;
            plan = plan with { Rank = plan.Rank with { Buys = plan.Rank.Buys + 1 }, Buys = plan.Buys.Add(new Purchase.Box(kind.Kit, plan.House.FindDevice(id)!.Room)), Why = Holds(plan, plans[0]) };
            // As many wants for a plainer box: the plainer one.
            if (best is null || (plan.Rank.Failing, plan.Rank.NiceFailing).CompareTo((best.Rank.Failing, best.Rank.NiceFailing)) < 0) best = plan;
        }
        return best;
    }

    private static string Holds(RankedPlan bought, RankedPlan best) => bought.After.Wants.FirstOrDefault(want => want.Met == Answer.Yes
        && best.After.Wants.First(one => one.Need == want.Need).Met != Answer.Yes) is { } held
        ? $"It holds “{held.Sentence}”, as no plan does with the boxes that are here." : "It holds more than any plan with the boxes that are here.";

    /// <summary>No box makes a provider give another address, or a name be kept.</summary>
    private static bool MayBeBought(Need need) => need is Need.Speed or Need.Coverage or Need.Sockets or Need.Internet or Need.Reach;

    private static string FreshId(NetworkDocument house, string stem)
    {
        var id = $"new-{stem}";
        for (var n = 2; house.FindDevice(id) is not null || house.FindEndpoint(id) is not null; n++) id = $"new-{stem}-{n}";
        return id;
    }
}
