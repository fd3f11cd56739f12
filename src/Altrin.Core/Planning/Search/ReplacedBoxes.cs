using System.Collections.Immutable;
using Altrin.Core.Planning.Space;

namespace Altrin.Core.Planning.Search;

/// <summary>A box in use goes to the drawer only where one from the table takes its place in the same room.</summary>
internal sealed class ReplacedBoxes(Ground ground, Choices choices)
{
    /// <summary>Where each box from the table could come to stand.</summary>
    private readonly ImmutableArray<HashSet<string>> places = [.. choices.Of.Select((list, i) => ground.InUse[i] ? [] : list.Where(use => use.IsUsed).Select(use => ground.PlaceOf(i, use)).ToHashSet(StringComparer.Ordinal))];

    /// <summary>Whether each that goes has somebody in its place, or may still have.</summary>
    /// <param name="settled">How many boxes are settled, in document order.</param>
    public bool AreAll(Structure structure, int settled)
    {
        for (var i = 0; i < settled; i++)
            if (ground.InUse[i] && !structure.Boxes[i].IsUsed && !IsOne(structure, settled, i)) return false;
        return true;
    }

    private bool IsOne(Structure structure, int settled, int box)
    {
        if (ground.Found.Devices[box].Room is not { Length: > 0 }) return false;
        var place = ground.PlaceOf(ground.Found.Devices[box].Id);
        for (var i = 0; i < structure.Boxes.Length; i++)
            if (!ground.InUse[i] && (i < settled ? structure.Boxes[i].IsUsed && ground.PlaceOf(i, structure.Boxes[i]) == place : places[i].Contains(place))) return true;
        return false;
    }
}
