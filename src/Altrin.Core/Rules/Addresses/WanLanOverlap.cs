using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Addresses;

/// <summary>The same subnet on both sides of one router.</summary>
public sealed class WanLanOverlap : IRule
{
    public string Id => "wan-lan-overlap";
    public string Statement => "A router's two sides are different subnets.";
    public string Source => "RFC 1812 section 2.2.7 (a router joins different networks); value from memory";
    public RuleTraits Traits => RuleTraits.NeverInPassing;

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var box in facts.InUse)
        {
            if (facts.State.Wan(box.Id) is not { } wan || facts.State.Lan(box.Id)?.Address is not { } lan) continue;
            foreach (var candidate in wan.Candidates)
            {
                if (candidate.Address is not { } outside || !outside.Prefix.Overlaps(lan.Prefix)) continue;
                yield return Found(facts, box, outside.Prefix, lan.Prefix);
                break;
            }
        }
    }

    private Finding Found(Facts facts, Device box, Prefix outside, Prefix inside) => new(Id, Severity.Fault, "Same subnet on both sides", [box.Id],
        () => $"{box.Name} has {outside} on its WAN side and {inside} on its LAN side. "
        + $"It cannot tell inside from outside, so nothing behind it has internet.", () => Fixes(facts, box));

    private static ImmutableArray<Fix> Fixes(Facts facts, Device box)
    {
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        if (Remedies.JoinAsAccessPoint(facts, box) is { } join) fixes.Add(new(Remedies.JoinAsAccessPointWords(box), join));
        if (Remedies.MoveToOwnSubnet(facts, box) is { } move) fixes.Add(new($"Give {box.Name} a subnet of its own", move));
        return fixes.ToImmutable();
    }
}
