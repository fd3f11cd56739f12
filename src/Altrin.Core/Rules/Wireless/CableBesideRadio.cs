using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Wireless;

/// <summary>A box joined to one network by cable and by radio at once.</summary>
public sealed class CableBesideRadio : IRule
{
    public string Id => "cable-beside-radio";
    public string Statement => "A repeater or bridge is joined by cable or by radio, not by both.";
    public string Source => "IEEE 802.1D (bridges need a tree); value from memory";
    public RuleTraits Traits => RuleTraits.OfTheAir;

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var segment in facts.State.Segments)
        {
            if (!segment.IsLoop || ClosingCables.Of(facts, segment).Any()) continue;
            var box = facts.InUse.LastOrDefault(one => facts.State.InsideOf(one.Id) == segment.Index
                && !one.Traits.IsRouter && facts.State.UplinkBox(one.Id) is not null && Cables(facts, one).Any());
            if (box is null) continue;
            yield return new(Id, Severity.Fault, "Cable and radio at once", [box.Id],
                () => $"{box.Name} joins {box.Uplink!.Ssid} by radio and is on the same network by cable: everything runs round that circle until "
                + "nothing gets through. Mesh units break such a circle themselves; this one does not.", () => Fixes(facts, box));
        }
    }

    private static IEnumerable<Cable> Cables(Facts facts, Device box) =>
        facts.House.Cables.Where(cable => cable.A.Device == box.Id || cable.B.Device == box.Id);

    private static ImmutableArray<Fix> Fixes(Facts facts, Device box)
    {
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        if (box.ModeThat(mode => mode.IsAccessPoint) is { } accessPoint) fixes.Add(new($"Keep the cable: make {box.Name} an access point", new SetMode(box.Id, accessPoint)));
        fixes.Add(new("Keep the cable: turn off the uplink", new SetUplink(box.Id)));
        foreach (var cable in Cables(facts, box).Take(1)) fixes.Add(new("Keep the radio: unplug the cable", new UnplugCable(cable.Id)));
        return fixes.ToImmutable();
    }
}
