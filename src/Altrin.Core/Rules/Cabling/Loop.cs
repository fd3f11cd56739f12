using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Cabling;

/// <summary>A circle of cables: every broadcast runs round it for ever.</summary>
public sealed class Loop : IRule
{
    public string Id => "loop";
    public string Statement => "Between two places of one segment there is one way.";
    public string Source => "IEEE 802.1D (bridges need a tree); value from memory";
    public RuleTraits Traits => RuleTraits.OfTheAir | RuleTraits.NeverInPassing;

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var segment in facts.State.Segments)
        {
            // Closed by a radio link it is another rule's finding.
            if (segment.IsLoop && ClosingCables.Of(facts, segment).ToList() is { Count: > 0 } closing) yield return Found(facts, closing);
        }
    }

    private Finding Found(Facts facts, List<Cable> closing)
    {
        var boxes = closing.SelectMany(cable => new[] { cable.A.Device, cable.B.Device }).Distinct().ToImmutableArray();
        var which = $"The cable between {facts.House.SocketName(closing[0].A)} and {facts.House.SocketName(closing[0].B)} closes it";
        return new(Id, Severity.Fault, "The cables form a circle", boxes,
            $"{which}: broadcasts run round it until nothing on this network gets through.", () => Fixes(facts, closing), [.. closing.Select(cable => cable.Id)])
        { IsSaidWithTitle = true };
    }

    private static ImmutableArray<Fix> Fixes(Facts facts, List<Cable> closing)
    {
        return [new(closing.Count == 1 ? $"Unplug it at {facts.House.SocketName(closing[0].B)}" : $"Unplug the {closing.Count} cables that close it",
            [.. closing.Select(cable => new UnplugCable(cable.Id))])];
    }
}
