using Altrin.Core.Network;
using Altrin.Core.Planning.Space;

namespace Altrin.Core.Planning.Search;

/// <summary>Lets structures grow box by box, in document order: only what can be built comes of it, and of boxes that are alike one.</summary>
internal sealed class Growth(Ground ground, Choices choices)
{
    private readonly ReplacedBoxes replaced = new(ground, choices);
    private readonly Lanes lanes = new(ground);
    private readonly TwinParents twins = new(ground, choices);

    /// <summary>Of each box that may stay on the table, which of those before it would do as well.</summary>
    private readonly int[][] others = [.. choices.Of.Select((_, box) => ground.InUse[box] || !choices.MayBe(box, BoxUse.Drawer) ? [] : Enumerable.Range(0, box).Where(other => !ground.InUse[other] && AreAlike(ground, other, box)).ToArray())];

    /// <summary>With nothing settled but how the line is handed on.</summary>
    public IEnumerable<Structure> Seeds() => choices.Ways.Select(way => ground.Root >= 0 ? ground.AsFound.With(ground.Root, way.Root) with { HandsTo = way.HandsTo, IsDmz = way.IsDmz } : ground.AsFound);

    /// <summary>Every way to use the next box, those before it being settled.</summary>
    public IEnumerable<Structure> Next(Structure structure, int box)
    {
        if (box == ground.Root)
        {
            yield return structure;
            yield break;
        }
        foreach (var use in choices.Of[box])
        {
            if (box == structure.HandsTo && !choices.IsHeir(box, use)) continue;
            if (use.Parent == ground.Root && use.Parent >= 0 && !choices.MayHangAtRoot(box, structure.Boxes[ground.Root], structure.HandsTo)) continue;
            var next = structure.With(box, use);
            if (use.IsUsed && (Circles(next, box) || IsIdle(next, box) || !FitsTheWays(next, box)) || !replaced.AreAll(next, box + 1)) continue;
            if (box < structure.Boxes.Length - 1 || next.IsTree()) yield return next;
        }
    }

    /// <summary>Whether another that grows beside it comes to the same: longer to be found out than what it comes to.</summary>
    public bool IsTwin(Structure structure, int box) => twins.AreAny(structure, box);

    private static bool Circles(Structure structure, int box)
    {
        for (var at = structure.Boxes[box].Parent; at >= 0 && at < box; at = structure.Boxes[at].Parent)
            if (structure.Boxes[at].Parent == box) return true;
        return structure.Boxes[box].Parent is >= 0 and var parent && parent < box && !structure.Boxes[parent].IsUsed;
    }

    /// <summary>Whether the cables of the boxes settled so far have a way each. Filling asks again; here it saves filling at all.</summary>
    private bool FitsTheWays(Structure structure, int settled)
    {
        for (var i = 0; i <= settled; i++)
        {
            // Of boxes that were settled before only those that hang on the one settled now are news.
            if ((i != settled && structure.Boxes[i].Parent != settled) || lanes.Of(structure, i, settled) is not { } lane) continue;
            if (lanes.Count(structure, lane, settled, settled + 1) > lanes.WaysOf(lane).Ways) return false;
        }
        return true;
    }

    /// <summary>A box that is alike another and lies on the table is used after it only: either would do.</summary>
    private bool IsIdle(Structure structure, int box)
    {
        foreach (var other in others[box])
            if (!structure.Boxes[other].IsUsed && choices.MayBe(other, structure.Boxes[box])) return true;
        return false;
    }

    private static bool AreAlike(Ground ground, int a, int b)
    {
        var (one, other) = (ground.Found.Devices[a], ground.Found.Devices[b]);
        // Who was pinned to hang on the one hangs on no other; what was pinned of the two themselves is in their choices.
        bool IsPinnedUnder(Device box) => ground.Pins.All.Any(pin => pin.Use is PinnedUse.Under under && under.Box == box.Id);
        if (IsPinnedUnder(one) || IsPinnedUnder(other)) return false;
        return one.Kit is not null && one.Kit == other.Kit && one.Room == other.Room && one.MustUse == other.MustUse && one.LeaveAsFound == other.LeaveAsFound
            && one.UsedBefore == other.UsedBefore && one.Serves.SequenceEqual(other.Serves);
    }
}
