using Altrin.Core.Network;
using Altrin.Core.Planning.Space;

namespace Altrin.Core.Planning.Search;

/// <summary>Walks the space of structures: all of it where it is small enough, else uphill from several beginnings.</summary>
internal sealed class Walk(Bench bench, Choices choices, int budget)
{
    private readonly Ground ground = bench.Ground;
    private int steps;
    private bool isCut;

    /// <summary>The best that is allowed so far, by what its cures may bring.</summary>
    public Leaf? Best { get; private set; }

    /// <summary>Whether every structure that could be better was looked at.</summary>
    public bool IsWhole { get; private set; }

    public void Run()
    {
        Look(ground.AsFound);
        Climb();
        IsWhole = Exhaust();
    }

    private bool IsSpent => bench.Searched >= budget;

    private Leaf? Look(Structure structure)
    {
        if (!structure.IsTree() || bench.Try(structure) is not { } leaf) return null;
        if (leaf.IsAllowed && (Best is null || leaf.Rough < Best.Rough)) Best = leaf;
        return leaf;
    }

    /// <summary>From the house as found and from each way of handing the line on, one box after the other, as long as it gets better.</summary>
    private void Climb()
    {
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
                    if (use.Parent == ground.Root && !choices.MayHangAtRoot(box, at.Structure.Boxes[ground.Root], at.Structure.HandsTo)) continue;
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

    /// <returns>False where the budget ended first.</returns>
    private bool Exhaust()
    {
        // A space that no budget will see the end of is not begun: its first corner is no better than any other.
        if (choices.Of.Where(list => list.Count > 0).Aggregate((double)choices.Ways.Count, (count, list) => count * list.Count) > budget * 1000.0) return false;
        foreach (var way in choices.Ways)
        {
            var structure = ground.Root >= 0 ? ground.AsFound.With(ground.Root, way.Root) with { HandsTo = way.HandsTo, IsDmz = way.IsDmz } : ground.AsFound;
            Assign(structure, 0, way);
            if (isCut) return false;
        }
        return true;
    }

    private void Assign(Structure structure, int box, (BoxUse Root, int HandsTo, bool IsDmz) way)
    {
        // Structures that cannot be built cost little each, but they are many.
        if (isCut || IsSpent || ++steps > budget * 20)
        {
            isCut = true;
            return;
        }
        if (box == structure.Boxes.Length)
        {
            Look(structure);
            return;
        }
        if (box == ground.Root)
        {
            Assign(structure, box + 1, way);
            return;
        }
        foreach (var use in choices.Of[box])
        {
            if (box == way.HandsTo && !choices.IsHeir(box, use)) continue;
            if (use.Parent == ground.Root && use.Parent >= 0 && !choices.MayHangAtRoot(box, way.Root, way.HandsTo)) continue;
            var next = structure.With(box, use);
            if (use.IsUsed && (Circles(next, box) || IsIdle(next, box) || !FitsTheWays(next, box)) || IsWorse(next, box)) continue;
            Assign(next, box + 1, way);
            if (isCut) return;
        }
    }

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
            var use = structure.Boxes[i];
            // Of boxes that were settled before only those that hang on the one settled now are news.
            if (use is not { IsUsed: true, Joined: Joined.ByWire, Parent: >= 0 } || (i != settled && use.Parent != settled) || !IsPlaced(use.Parent, settled)) continue;
            var (a, b) = (ground.PlaceOf(i, use), ground.PlaceOf(use.Parent, structure.Boxes[use.Parent]));
            var ways = ground.Ways(a, b, use.Medium);
            if (ways == 0) return false;
            if (ways == int.MaxValue) continue;
            var taken = 0;
            for (var other = 0; other <= settled; other++)
                if (structure.Boxes[other] is { IsUsed: true, Joined: Joined.ByWire, Parent: >= 0 } rival && rival.Medium == use.Medium && IsPlaced(rival.Parent, settled)
                    && Ground.Ends(ground.PlaceOf(other, rival), ground.PlaceOf(rival.Parent, structure.Boxes[rival.Parent]), use.Medium) == Ground.Ends(a, b, use.Medium)) taken++;
            if (taken > ways) return false;
        }
        return true;
    }

    private bool IsPlaced(int box, int settled) => box <= settled || box == ground.Root || ground.InUse[box];

    /// <summary>A box that is alike another and lies on the table is used after it only: either would do.</summary>
    private bool IsIdle(Structure structure, int box)
    {
        if (ground.InUse[box]) return false;
        for (var other = 0; other < box; other++)
            if (!ground.InUse[other] && !structure.Boxes[other].IsUsed && AreAlike(other, box)) return true;
        return false;
    }

    private bool AreAlike(int a, int b)
    {
        var (one, other) = (ground.Found.Devices[a], ground.Found.Devices[b]);
        return one.Kit is not null && one.Kit == other.Kit && one.Room == other.Room && one.MustUse == other.MustUse && one.LeaveAsFound == other.LeaveAsFound;
    }

    /// <summary>Where the best so far holds every want without a caution or a second translation, more radio hops than its are in vain.</summary>
    private bool IsWorse(Structure structure, int box)
    {
        if (Best is not { Rough: { Faults: 0, Failing: 0, NiceFailing: 0, Cautions: 0, Translations: 0 } best } || !structure.Boxes[box].IsUsed) return false;
        var hops = 0;
        for (int at = box, n = 0; at >= 0 && n <= structure.Boxes.Length; at = structure.Boxes[at].Parent, n++)
        {
            // Below one that is not settled yet nothing is known.
            if (at > box && at != ground.Root) break;
            if (structure.Boxes[at].Joined == Joined.ByRadio) hops++;
        }
        return hops > best.RadioHops;
    }
}
