using Altrin.Core.Network;
using Altrin.Core.Planning.Space;

namespace Altrin.Core.Planning.Search;

/// <summary>The cables of a structure by the two places that they lie between, as far as those are settled.</summary>
internal sealed class Lanes(Ground ground)
{
    /// <returns>Null where the box has no cable, or it is not settled yet where the other end stands.</returns>
    /// <param name="settled">The last box that is settled, in document order.</param>
    public (string A, string B, Medium Medium)? Of(Structure structure, int box, int settled)
    {
        if (structure.Boxes[box] is not { IsUsed: true, Joined: Joined.ByWire, Parent: >= 0 and var parent } use || !(parent <= settled || parent == ground.Root || ground.InUse[parent])) return null;
        return Ground.Ends(ground.PlaceOf(box, use), ground.PlaceOf(parent, structure.Boxes[parent]), use.Medium);
    }

    /// <summary>Cables between two places, of the boxes before that one alone.</summary>
    public int Count(Structure structure, (string A, string B, Medium Medium) lane, int settled, int before)
    {
        var count = 0;
        for (var box = 0; box < before; box++)
            if ((box <= settled || box == ground.Root) && Of(structure, box, settled) == lane) count++;
        return count;
    }
}
