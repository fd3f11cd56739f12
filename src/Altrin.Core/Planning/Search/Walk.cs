using Altrin.Core.Network;
using Altrin.Core.Planning.Space;

namespace Altrin.Core.Planning.Search;

/// <summary>Walks the space of structures uphill from several beginnings: a good plan soon, and one of every kind.</summary>
internal sealed class Walk(Bench bench, Choices choices, int budget)
{
    private readonly Ground ground = bench.Ground;
    private readonly ReplacedBoxes replaced = new(bench.Ground, choices);

    /// <summary>The best that is allowed so far, by what its cures may bring.</summary>
    public Leaf? Best { get; private set; }

    private Leaf? Look(Structure structure)
    {
        if (!structure.IsTree() || !replaced.AreAll(structure, structure.Boxes.Length) || bench.Try(structure) is not { } leaf) return null;
        if (leaf.IsAllowed && (Best is null || leaf.Rough < Best.Rough)) Best = leaf;
        return leaf;
    }

    /// <summary>From the house as found and from each way of handing the line on, one box after the other, as long as it gets better.</summary>
    public void Climb()
    {
        Look(ground.AsFound);
        // Half of it for the line as it is handed on now, the rest for the other ways.
        var share = budget * 2 / 5;
        foreach (var way in choices.Ways)
        {
            var limit = share;
            share = budget * 2 / 5 / Math.Max(1, choices.Ways.Count - 1);
            if (Begin(way) is { } at) From(at, limit);
        }
    }

    /// <summary>One box after the other is used otherwise, as long as it gets better.</summary>
    /// <param name="limit">Houses that may be simulated for it.</param>
    public Leaf From(Leaf at, int limit)
    {
        var until = bench.Searched + limit;
        for (var isBetter = true; isBetter && bench.Searched < until;)
        {
            isBetter = false;
            for (var box = 0; box < ground.Found.Devices.Length; box++)
            {
                if (box == ground.Root || box == at.Structure.HandsTo) continue;
                foreach (var use in choices.Likely[box])
                {
                    if (bench.Searched >= until) break;
                    if (use.Parent >= 0 && use.Parent == ground.Root && !choices.MayHangAtRoot(box, at.Structure.Boxes[ground.Root], at.Structure.HandsTo)) continue;
                    if (Look(at.Structure.With(box, use)) is { } next && Climbs(next, at)) (at, isBetter) = (next, true);
                }
            }
        }
        return at;
    }

    /// <summary>Not allowed is worse than anything that is; of two that are not, the better rank leads on.</summary>
    private static bool Climbs(Leaf next, Leaf at) => next.IsAllowed != at.IsAllowed ? next.IsAllowed : (next.RoughHoped with { WorstRoom = next.Rough.WorstRoom }) < (at.RoughHoped with { WorstRoom = at.Rough.WorstRoom });

    /// <summary>The house as found, the line handed on in that way: what hung at the gateway hangs at the heir where a cable reaches.</summary>
    private Leaf? Begin((BoxUse Root, int HandsTo, bool IsDmz) way)
    {
        var structure = ground.AsFound;
        if (ground.Root >= 0) structure = structure.With(ground.Root, way.Root) with { HandsTo = way.HandsTo, IsDmz = way.IsDmz };
        if (way.HandsTo >= 0)
        {
            if (choices.Of[way.HandsTo].Where(use => choices.IsHeir(way.HandsTo, use)).Cast<BoxUse?>().FirstOrDefault() is not { } heir) return null;
            structure = structure.With(way.HandsTo, heir);
            for (var i = 0; i < structure.Boxes.Length; i++)
                if (i != way.HandsTo && structure.Boxes[i].IsUsed && structure.Boxes[i].Parent == ground.Root && !choices.MayHangAtRoot(i, way.Root, way.HandsTo))
                {
                    var moved = choices.Of[i].Where(use => use.IsUsed && use.Parent == way.HandsTo).OrderBy(use => use.Mode != structure.Boxes[i].Mode).ThenBy(use => use.Joined).Cast<BoxUse?>().FirstOrDefault();
                    if (moved is { } use) structure = structure.With(i, use);
                }
        }
        return Look(structure);
    }
}
