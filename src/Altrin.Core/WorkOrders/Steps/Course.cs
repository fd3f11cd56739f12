using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.WorkOrders.Steps;

/// <summary>How an order came to be written: the first of a job, or a further one after something else was seen.</summary>
/// <param name="Number">0 for the first. A step of another course is another step, whatever it does: what was ticked before is no tick of
/// it.</param>
/// <param name="Resets">Boxes whose page does not open, or whose settings nobody knows any more: held at reset before anything is set on
/// them.</param>
/// <param name="ProvesLine">Whether it begins with the proof that the line works.</param>
/// <param name="Household">The house as it was found: whoever has internet there is cut off while he has none, whether this order did it or
/// one before it. Null: the
/// house that the order begins with.</param>
public sealed record Course(int Number, ImmutableHashSet<string> Resets, bool ProvesLine, NetworkDocument? Household = null)
{
    public static Course First { get; } = new(0, [], true);
}
