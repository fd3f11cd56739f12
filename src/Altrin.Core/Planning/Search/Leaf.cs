using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Planning.Space;
using Altrin.Core.Planning.Ranking;

namespace Altrin.Core.Planning.Search;

/// <summary>A structure filled in and simulated.</summary>
/// <param name="Rough">Its rank but for the settings and minutes: to count those costs more than to simulate the house, and they decide last.</param>
/// <param name="RoughHoped">What curing its findings could bring that to at best.</param>
/// <param name="WhyNot">The hard limit that it breaks; null for none.</param>
/// <param name="Held">Which wants hold, one a want.</param>
internal sealed record Leaf(Ground Ground, Structure Structure, NetworkDocument House, PlanRank Rough, PlanRank RoughHoped, string? WhyNot, ImmutableArray<bool> Held)
{
    private PlanRank? rank;

    public bool IsAllowed => WhyNot is null;

    /// <summary>A fault of its own may be cured; a box or a thing that is cut off is not.</summary>
    public bool IsCurable => RoughHoped.Faults < Rough.Faults;

    /// <summary>Whole; counted when it is first asked for.</summary>
    public PlanRank Rank => rank ??= Rough.Counted(Ground.Found, House);

    public PlanRank Hoped => RoughHoped with { Settings = Rank.Settings, Minutes = Rank.Minutes };
}
