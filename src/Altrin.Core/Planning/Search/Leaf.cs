using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Planning.Space;

namespace Altrin.Core.Planning.Search;

/// <summary>A structure filled in and simulated.</summary>
/// <param name="WhyNot">The hard limit that it breaks; null for none.</param>
/// <param name="Hoped">What curing its findings could bring it to at best.</param>
/// <param name="Held">Which wants hold, one letter a want.</param>
internal sealed record Leaf(Structure Structure, NetworkDocument House, PlanRank Rank, PlanRank Hoped, string? WhyNot, ImmutableArray<bool> Held)
{
    public bool IsAllowed => WhyNot is null;
}
