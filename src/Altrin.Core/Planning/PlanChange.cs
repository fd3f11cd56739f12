using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Planning.Space;
using Altrin.Core.Planning.Ranking;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning;

/// <summary>What a change of the plan costs, or saves: the planned house held against the one before it.</summary>
/// <param name="Settings">Setting fields of boxes to be set more; less than 0: fewer. So with the rest.</param>
/// <param name="Minutes">By the table of section 5 of the format.</param>
/// <param name="Touches">Household things whose settings must be changed by hand.</param>
/// <param name="Buys">Cables to be laid.</param>
/// <param name="Lost">Wants that held and do not any more, in words.</param>
/// <param name="Gained">Wants that hold now.</param>
/// <param name="Says">All of it in a sentence or two, but for the minutes: an order's own are another sum, and stand beside it.</param>
public sealed record PlanChange(int Settings, int Minutes, int Touches, int Buys, int Faults, int Cautions, ImmutableArray<string> Lost, ImmutableArray<string> Gained, string Says)
{
    public static PlanChange Of(NetworkDocument found, Evaluation before, Evaluation after)
    {
        var ground = new Ground(found);
        var (was, now) = (PlanRank.Of(ground, before), PlanRank.Of(ground, after));
        var (faults, cautions) = (after.Faults - before.Faults, after.Cautions - before.Cautions);
        var held = before.Wants.Where(want => want.Met == Answer.Yes).Select(want => want.Need).ToHashSet(StringComparer.Ordinal);
        var asked = before.Wants.Select(want => want.Need).ToHashSet(StringComparer.Ordinal);
        ImmutableArray<string> lost = [.. after.Wants.Where(want => want.Met != Answer.Yes && held.Contains(want.Need)).Select(want => want.Sentence)];
        ImmutableArray<string> gained = [.. after.Wants.Where(want => want.Met == Answer.Yes && asked.Contains(want.Need) && !held.Contains(want.Need)).Select(want => want.Sentence)];
        var change = new PlanChange(now.Settings - was.Settings, now.Minutes - was.Minutes, now.Touches - was.Touches, now.Buys - was.Buys, faults, cautions, lost, gained, "");
        return change with { Says = change.Say() };
    }

    private string Say()
    {
        var counts = new[] { (Faults, "fault"), (Cautions, "caution"), (Settings, "setting"), (Touches, "thing to touch"), (Buys, "cable to lay") };
        var (more, less) = (Count(counts, 1), Count(counts, -1));
        var sentences = new List<string>();
        if (more.Length > 0) sentences.Add($"{more} more.");
        if (less.Length > 0) sentences.Add($"{less} less.");
        if (Lost.Length > 0) sentences.Add($"No longer: {string.Join("; ", Lost)}.");
        // What fails by it is named; many that hold now stand in the list of the wants.
        if (Gained.Length > 0) sentences.Add(Gained.Length == 1 ? $"Holds now: {Gained[0]}." : $"{Gained.Length} more wants hold.");
        return sentences.Count > 0 ? string.Join(' ', sentences) : "Nothing more to do, and nothing less.";
    }

    private static string Count((int Number, string Noun)[] counts, int sign) =>
        Actions.Naming.Join(counts.Where(one => Math.Sign(one.Number) == sign).Select(one => Actions.Naming.Count(Math.Abs(one.Number), one.Noun)), most: counts.Length);
}
