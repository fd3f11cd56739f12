using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Planning.Search;
using Altrin.Core.Planning.Ranking;
using Altrin.Core.Planning.Space;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning;

/// <summary>Something that has to be bought or laid for a plan.</summary>
public abstract record Purchase
{
    private Purchase() { }

    /// <summary>A cable between two rooms; its length in metres where it is known.</summary>
    public sealed record Cable(Medium Medium, string From, string To, double? LengthM) : Purchase;

    /// <summary>A box of a kind from the kit shelf.</summary>
    public sealed record Box(string Kit, string? Room) : Purchase;
}

/// <summary>A target house, and what it comes to when simulated.</summary>
/// <param name="NatLayers">The most translations on the way of anything with internet, a carrier's included.</param>
/// <param name="Gives">Wants that it holds and the house as found does not.</param>
/// <param name="Losses">Wants that it does not hold, with the reason; then what is undone by it.</param>
/// <param name="Why">Of the best: what puts it before the next; of another: what puts it behind the best. In this house's own
/// words.</param>
public sealed record RankedPlan(string Title, NetworkDocument House, Evaluation After, PlanRank Rank, ImmutableArray<School> Schools,
    int NatLayers, ImmutableArray<string> Gives, ImmutableArray<string> Losses, ImmutableArray<Purchase> Buys, string Why)
{
    public int WantsHeld => After.WantsHeld;
    public int Faults => Rank.Faults;
    public int Cautions => Rank.Cautions;
    public int WirelessHops => Rank.RadioHops;
    public int Touches => Rank.Touches;
    public int Settings => Rank.Settings;
    public int Minutes => Rank.Minutes;
}

/// <summary>A school that some box of the house can do, and why no plan of it is among the best.</summary>
public sealed record RuledOut(string Title, string Because);

/// <summary>A smallest set of wants that no plan holds together.</summary>
/// <param name="Mend">What would make them hold together; each but giving up was proved by planning the house with it.</param>
/// <param name="Actions">What notes the mend in the house as found, so that plans may use it; empty for giving up.</param>
public sealed record Conflict(ImmutableArray<string> Needs, string Because, string Mend, ImmutableArray<InstallerAction> Actions);

/// <param name="IsExact">Nothing better exists in the space of section 5, as the filling rules fill it.</param>
/// <param name="Searched">Houses that were simulated whole.</param>
/// <param name="AtBest">What a plan that was not looked at could have before the best of these, at most, in a sentence; null where that is
/// nothing.</param>
public sealed record PlansFound(ImmutableArray<RankedPlan> Plans, ImmutableArray<RuledOut> RuledOut, ImmutableArray<Conflict> Conflicts,
    bool IsExact, int Searched, string? AtBest);

/// <summary>What is known at a first look.</summary>
public sealed record FirstLook(ImmutableArray<RankedPlan> Plans, bool IsExact, int Searched, string? AtBest);

/// <summary>Looks for the plans of a house: structures are walked, filled in by rule, simulated whole, and the best are cured of what
/// remains.</summary>
/// <remarks>The same house gives the same answer: what bounds the search is counted, not timed.</remarks>
public static class PlanSearch
{
    /// <summary>Work before the search settles for what it has: boxes and things, times the houses of them that are simulated.</summary>
    public const int UsualBudget = 30_000;

    private const int FirstBudget = UsualBudget / 10;

    /// <summary>Plans that are shown because each is better than the others in something.</summary>
    private const int MostPlans = 5;

    /// <summary>With those that only stand for a main way of the trade.</summary>
    private const int MostWays = 7;

    /// <summary>Boxes of a house whose best plan is proved at the first look, most often. Of a larger one something good within a second is
    /// worth more than an attempt at it.</summary>
    private const int MostProvedAtFirst = 6;

    private const int MostCured = 40, LeastSearched = 50, ShareOfProof = 4;

    /// <summary>Less is no reason to show another plan.</summary>
    private const int FeltMinutes = 4;

    /// <param name="pins">What is settled beforehand; plans that differ from it are none.</param>
    public static PlansFound Of(NetworkDocument found, CancellationToken cancel = default, int budget = UsualBudget, Pins? pins = null)
    {
        var search = Run(found, budget, cancel, pins);
        var plans = search.Plans();
        // What can be bought mends a conflict; it does not undo it.
        ImmutableArray<RankedPlan> shown = Shopping.Best(search, plans, cancel) is { } bought
            ? [.. plans.Take(MostWays - 1).Append(bought).OrderBy(plan => plan.Rank)] : plans;
        return new(shown, WhyNots.Of(search.Bench, search.Cured, plans),
            Conflicts.Of(search.Bench, search.Cured, plans, search.IsExact, cancel), search.IsExact, search.Bench.Searched, search.AtBest);
    }

    /// <summary>A first look: the best alone where it can be proved, else what a tenth of the work finds; neither conflicts nor what was
    /// ruled out.</summary>
    public static FirstLook First(NetworkDocument found, CancellationToken cancel = default, Pins? pins = null)
    {
        var search = Run(found, UsualBudget, cancel, pins, isFirst: true);
        return new(search.Plans(), search.IsExact, search.Bench.Searched, search.AtBest);
    }

    /// <param name="isFirst">The best alone, as soon as it is proved.</param>
    internal static Outcome Run(NetworkDocument found, int budget, CancellationToken cancel, Pins? pins = null, bool isFirst = false)
    {
        found = Laptop.Away(found);
        var ground = new Ground(found) { Pins = pins ?? Pins.None };
        int Houses(int work) => Math.Max(LeastSearched, work / Math.Max(1, found.Devices.Length + found.Endpoints.Length));
        var houses = Houses(isFirst ? FirstBudget : budget);
        var choices = new Choices(ground);
        var bound = new Bound(ground, choices);
        var bench = new Bench(ground, cancel, bound);
        var cured = new List<Leaf> { bench.AsItIs, Cures.Apply(bench, bench.AsItIs) };
        cured.RemoveAll(leaf => !bench.IsPinned(leaf));
        var proof = new Proof(bench, choices, bound);
        var isWhole = proof.Run(BestOf(cured), isFirst && found.Devices.Length > MostProvedAtFirst ? LeastSearched
            : Houses(budget) / ShareOfProof);
        // A cure may make another structure of it.
        cured.AddRange(proof.Taken.Where(leaf => bench.IsPinned(leaf)));
        if (isWhole && isFirst) return new(bench, cured, null);
        var walk = new Walk(bench, choices, houses);
        walk.Climb();
        // What is good as it is needs no cure to be the measure of the rest.
        if (walk.Best is { } good && bench.IsPinned(good)) cured.Add(Cures.Apply(bench, good));
        if (!isWhole)
        {
            cured.AddRange(MostHopeful(bench, BestOf(cured), isFirst));
            // The best way of handing the line on is looked at once more, from where it has got to.
            for (var round = 0; round < 3; round++)
            {
                if (cured.Where(leaf => leaf.IsAllowed).MinBy(leaf => leaf.Rank) is not { } top
                    || bench.Try(top.Structure) is not { } start) break;
                var next = walk.From(start, houses / 4);
                if (next.Structure.Key == start.Structure.Key) break;
                cured.Add(Cures.Apply(bench, next));
            }
        }
        // At a first look the best is shown; the other kinds come with the whole.
        if (isFirst && cured.Exists(leaf => leaf.IsAllowed && bench.IsPinned(leaf))) return Found();
        // The best of every kind, so that each has its say.
        var n = 0;
        string KindOf(Leaf leaf) => KindOfStructure(leaf.Structure);
        string KindOfStructure(Structure structure) =>
            string.Join('+', Schools.Of(ground, structure).Select(one => one.School).Distinct().Order());
        foreach (var kind in bench.Leaves.Where(leaf => leaf.IsAllowed && bench.IsPinned(leaf)).GroupBy(KindOf))
        {
            if (kind.GroupBy(leaf => leaf.Rough).MinBy(alike => alike.Key)?.Take(10).MinBy(leaf => leaf.Rank) is not { } one
                || cured.Exists(leaf => leaf.Structure.Key == one.Structure.Key)) continue;
            var better = n++ < MostCured + 20 ? Cures.Apply(bench, one) : one;
            cured.Add(better);
            // Where cures make another kind of it, this kind is cured as far as it stays what it is.
            if (KindOf(better) != kind.Key) cured.Add(Cures.Apply(bench, one,
                keeps: house => KindOfStructure(new Ground(house).AsFound) == kind.Key));
        }
        return Found();

        Outcome Found()
        {
            cured.RemoveAll(leaf => !bench.IsPinned(leaf));
            return new(bench, cured, proof.Floor);
        }
    }

    private static PlanRank BestOf(List<Leaf> leaves) =>
        leaves.Where(leaf => leaf.IsAllowed).Select(leaf => leaf.Rank).DefaultIfEmpty(PlanRank.Worst).Min();

    /// <summary>Cured in the order of what their cures may bring; each way of handing the line on has its turn.</summary>
    /// <param name="isBestAlone">What cannot come before the best any more is not cured to its end.</param>
    private static List<Leaf> MostHopeful(Bench bench, PlanRank best, bool isBestAlone)
    {
        var cured = new List<Leaf>();
        // Rough first: most are out of the question before anything is counted.
        var waiting = bench.Leaves.Where(leaf => leaf.RoughHoped <= best && (leaf.IsAllowed || leaf.IsCurable)
            && bench.IsPinned(leaf)).OrderBy(leaf => leaf.Hoped).ThenBy(leaf => leaf.Rank)
            .GroupBy(leaf => leaf.Structure.HandsTo * 2 + (leaf.Structure.IsDmz ? 1 : 0)).SelectMany(way =>
                way.Take(10).Select((leaf, i) => (leaf, i))).OrderBy(one => one.i).Select(one => one.leaf).ToList();
        foreach (var leaf in waiting)
        {
            if (leaf.Hoped > best) continue;
            if (cured.Count >= MostCured) break;
            cured.Add(Cures.Apply(bench, leaf, isBestAlone ? best : null));
            if (cured[^1].IsAllowed && cured[^1].Rank < best) best = cured[^1].Rank;
        }
        return cured;
    }

    /// <param name="Floor">Nothing that was not looked at ranks before it; null where nothing of that is left.</param>
    internal sealed record Outcome(Bench Bench, List<Leaf> Cured, PlanRank? Floor)
    {
        /// <summary>Proved: everything was looked at, or what was not ranks no better. What the climb found may have proved it
        /// afterwards.</summary>
        public bool IsExact => Floor is not { } floor || BestOf(Cured) <= floor;

        public string? AtBest =>
            Floor is { } floor && !IsExact && BestOf(Cured) is var best && best < PlanRank.Worst ? Left.Say(best, floor) : null;

        /// <summary>Up to five that differ in kind, each better than every other in something that a household feels; and the best of each
        /// main way of
        /// the trade that these boxes allow, so that it can be taken all the same. In the order of the ranking.</summary>
        public ImmutableArray<RankedPlan> Plans()
        {
            var ground = Bench.Ground;
            var allowed = Cured.Where(leaf => leaf.IsAllowed).OrderBy(leaf => leaf.Rank).ToList();
            var fewest = allowed.Select(leaf => leaf.Rank.Faults).DefaultIfEmpty().Min();
            var plans = new List<Leaf>();
            var kinds = new HashSet<string>(StringComparer.Ordinal);
            foreach (var leaf in allowed.Where(leaf => leaf.Rank.Faults == fewest))
            {
                if (plans.Count == MostPlans) break;
                var kind = string.Join('+', Schools.Of(ground, leaf.Structure).Select(one => $"{one.School}{one.Box}"));
                if (plans.Exists(other => IsNoBetter(leaf, other)) || !kinds.Add(kind)) continue;
                plans.Add(leaf);
            }
            AddWays(plans, [.. allowed.Where(leaf => leaf.Rank.Faults == fewest)]);
            var said = plans.OrderBy(leaf => leaf.Rank).Select(leaf => Say(leaf)).ToImmutableArray();
            return said is not [var best, .. var rest] ? said
                : [best with { Why = Reasons.OfBest(Bench, best, rest.FirstOrDefault()) },
                    .. rest.Select(plan => plan with { Why = Reasons.Against(Bench, plan, best) })];
        }

        /// <summary>The best of each way that is not shown yet. What only leaves a box in its drawer is no way of its own.</summary>
        private void AddWays(List<Leaf> plans, List<Leaf> allowed)
        {
            var ground = Bench.Ground;
            HashSet<(School, int)> WaysOf(Leaf leaf) =>
                [.. Schools.Of(ground, leaf.Structure).Where(one => one.School is not (School.LeftInDrawer or School.Switch))];
            var shown = plans.SelectMany(WaysOf).ToHashSet();
            foreach (var leaf in allowed)
            {
                if (plans.Count >= MostWays) return;
                var ways = WaysOf(leaf);
                if (ways.IsSubsetOf(shown) || plans.Contains(leaf)) continue;
                plans.Add(leaf);
                shown.UnionWith(ways);
            }
        }

        /// <summary>Whether there is nothing in which the first is better. Minutes saved by a second translation that nobody asked for are
        /// none.</summary>
        private static bool IsNoBetter(Leaf a, Leaf b) =>
            a.Held.Zip(b.Held).All(pair => !pair.First || pair.Second) && (a.Rank.Idle > b.Rank.Idle || HasNothingMore(a, b));

        private static bool HasNothingMore(Leaf a, Leaf b) =>
            a.Rank.Translations >= b.Rank.Translations && a.Rank.RadioHops >= b.Rank.RadioHops && a.Rank.Touches >= b.Rank.Touches
            && a.Rank.Buys >= b.Rank.Buys
            && a.Rank.Minutes >= b.Rank.Minutes - FeltMinutes && a.Rank.WorstRoom >= b.Rank.WorstRoom && a.Rank.Cautions >= b.Rank.Cautions;

        private RankedPlan Say(Leaf leaf)
        {
            var (before, after) = (Bench.Before, Evaluation.Of(leaf.House));
            var ground = Bench.Ground;
            var title = Schools.Title(ground, leaf.Structure);
            var layers = leaf.House.Endpoints.Select(thing => after.State.Internet(thing.Id)).Where(way =>
                way.Reachable != Answer.No).Select(way => way.NatLayers)
                .Concat(after.State.NetworkLayers().Select(network => network.Layers)).DefaultIfEmpty().Max();
            var isSame = AltrinJson.WriteCompact(leaf.House) == AltrinJson.WriteCompact(ground.Found);
            return new(isSame ? "As it is" : title.Length > 0 ? Capital(title) : "As it is joined, set right", leaf.House, after, leaf.Rank,
                [.. Schools.Of(ground,
                    leaf.Structure).Select(one => one.School).Distinct().Where(school => school != School.LeftInDrawer).Order()], layers,
                [.. after.Wants.Where(want => want.Met == Answer.Yes
                    && before.Wants.First(one => one.Need == want.Need).Met != Answer.Yes).Select(want => want.Sentence)],
                [.. after.Wants.Where(want => want.Met != Answer.Yes).Select(want => $"{want.Sentence}: {want.Because}")],
                    Buys(ground.Found, leaf.House), "");
        }

        private static ImmutableArray<Purchase> Buys(NetworkDocument found, NetworkDocument house) =>
            [.. house.Runs.Where((run, i) => run.Laid
                && !found.Runs[i].Laid).Select(run => new Purchase.Cable(run.Medium, run.A, run.B, run.LengthM))];

        private static string Capital(string text) => char.ToUpperInvariant(text[0]) + text[1..];
    }
}
