using System.Runtime.CompilerServices;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;

namespace Altrin.Data;

/// <summary>What was computed from a house, kept for as long as the house itself is: a document never changes, so neither does that.</summary>
public static class Evaluated
{
    private static readonly ConditionalWeakTable<NetworkDocument, Evaluation> Known = [];

    /// <summary>Tells one build of the rules from another.</summary>
    public static string Build { get; } = typeof(Evaluation).Module.ModuleVersionId.ToString("n");

    public static Evaluation Of(NetworkDocument house) => Known.GetValue(house, static one => Evaluation.Of(one));

    public static HouseSummary Summary(NetworkDocument house)
    {
        var of = Of(house);
        return new(of.WantsHeld, of.Wants.Count(want => want.Met is not null), of.Faults, of.Cautions);
    }
}
