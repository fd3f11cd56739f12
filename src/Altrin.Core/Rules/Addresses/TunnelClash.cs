using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Addresses;

/// <summary>A home subnet that a work tunnel uses as well.</summary>
public sealed class TunnelClash : IRule
{
    public string Id => "tunnel-clash";
    public string Statement => "No subnet of the home overlaps what a work tunnel uses.";
    public string Source => "RFC 1918 section 4 (private ranges are used by everybody, so joined networks clash)";
    public RuleTraits Traits => RuleTraits.RestatesWant;

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var need in facts.House.Needs.OfType<Need.Tunnel>())
        {
            var tunnel = need.Prefix;
            foreach (var lan in facts.State.Interfaces.Where(one => one is { Routes: true, Kind: InterfaceKind.Lan, Address: { } own } && own.Prefix.Overlaps(tunnel)))
            {
                var (box, own) = (facts.Device(lan.Owner), lan.Address!.Value.Prefix);
                yield return new(Id, Severity.Fault, "The work tunnel’s own subnet", [box.Id],
                    () => $"{box.Name} makes {own} at home, and the work tunnel uses {tunnel}. While it is up, a device takes the one for the other: "
                    + "what is at work, or what is at home, cannot be reached.", () => Fixes(facts, box), need.Id);
            }
        }
    }

    private static ImmutableArray<Fix> Fixes(Facts facts, Device box) =>
        Remedies.MoveToOwnSubnet(facts, box) is { } move ? [new($"Move {box.Name} to another subnet", move)] : [];
}
