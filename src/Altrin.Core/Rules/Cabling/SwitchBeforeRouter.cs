using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Cabling;

/// <summary>A switch between the modem and the router.</summary>
public sealed class SwitchBeforeRouter : IRule
{
    public string Id => "switch-before-router";
    public string Statement => "A switch stands behind the router, never between modem and router.";
    public string Source => "common practice, no source";

    public IEnumerable<Finding> Check(Facts facts)
    {
        if (facts.State.ProviderSegment < 0) yield break;
        foreach (var box in facts.InUse)
        {
            if (!box.Traits.IsSwitch || facts.State.InsideOf(box.Id) != facts.State.ProviderSegment) continue;
            yield return Found(facts, box);
        }
    }

    private Finding Found(Facts facts, Device box)
    {
        var exposed = facts.House.Endpoints.Where(thing => facts.State.Net(thing.Id)?.Segment == facts.State.ProviderSegment).Select(thing => thing.Name).ToList();
        var who = exposed.Count == 0 ? "What is plugged in there stands in the street, outside the router"
            : $"{Facts.Join(exposed)} {(exposed.Count == 1 ? "stands" : "stand")} in the street, outside the router";
        return new(Id, exposed.Count == 0 ? Severity.Caution : Severity.Fault, "A switch before the router", [box.Id],
            () => $"{box.Name} is on the provider’s side. {who}: without its protection, and the provider gives out "
            + $"{facts.House.Line!.Addresses} address{(facts.House.Line.Addresses == 1 ? "" : "es")} only.", () => Fixes(facts, box));
    }

    /// <summary>The modem's cable goes on into the router, and the switch hangs from the router by the cable it had to it.</summary>
    private static ImmutableArray<Fix> Fixes(Facts facts, Device box)
    {
        foreach (var up in facts.House.Cables.Where(cable => cable.A.Device == box.Id || cable.B.Device == box.Id))
            foreach (var down in facts.House.Cables.Where(cable => cable != up && (cable.A.Device == box.Id || cable.B.Device == box.Id)))
            {
                var (modem, router) = (facts.Device(Remedies.EndOpposite(up, box.Id).Device), facts.Device(Remedies.EndOpposite(down, box.Id).Device));
                if (modem.Id != facts.House.Line?.Device || !router.Traits.IsRouter || facts.House.FreePort(router, PortRole.Lan) is not { } lan) continue;
                if (router.FindPort(Remedies.EndOpposite(down, box.Id).Port)?.Role != PortRole.Wan) continue;
                var wan = Remedies.EndOpposite(down, box.Id);
                return [new($"Put it behind {router.Name}",
                    new MoveCableEnd(down.Id, wan, new(router.Id, lan.Id)),
                    new MoveCableEnd(up.Id, Remedies.EndAt(up, box.Id), wan))];
            }
        return [];
    }
}
