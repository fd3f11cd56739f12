using Altrin.Core.Network;
using Altrin.Core.Rules.Judging;

namespace Altrin.UseCases;

/// <summary>A house with what is computed of it, once, when it is first asked for.</summary>
public sealed class House(NetworkDocument document)
{
    private readonly Lazy<Evaluation> evaluation = new(() => Evaluation.Of(document));

    public NetworkDocument Document => document;
    public Evaluation Evaluation => evaluation.Value;

    /// <summary>Boxes and things: what room it takes.</summary>
    public int Size => document.Devices.Length + document.Endpoints.Length;
}

/// <summary>How a house stands, in numbers.</summary>
public sealed record HouseSummary(int WantsHeld, int Wants, int Faults, int Cautions)
{
    /// <summary>Tells one build of the rules from another.</summary>
    public static string Build { get; } = typeof(Evaluation).Module.ModuleVersionId.ToString("n");

    public static HouseSummary Of(Evaluation house) =>
        new(house.WantsHeld, house.Wants.Count(want => want.Met is not null), house.Faults, house.Cautions);
}
