using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Access;

/// <summary>A guest network of a box that only bridges: its guests are in the middle of the home.</summary>
public sealed class GuestsNotApart : IRule
{
    private const int UsualGuestVlan = 20;

    public string Id => "guests-not-apart";
    public string Statement => "A guest network is apart: on the router itself, or carried to it in a VLAN.";
    public string Source => "IEEE 802.1Q (VLANs); common practice, no source, for the rest";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var group in facts.State.Air.Where(one => one.Network.Guest && !one.Box.RoutesForItsOwn).GroupBy(one => one.Box.Id))
        {
            var open = group.Where(one => facts.MainOn(one.Segment) is not null).ToList();
            if (open.Count == 0) continue;
            var (box, main) = (open[0].Box, facts.MainOn(open[0].Segment)!);
            yield return new(Id, Severity.Fault, "Guests in the middle of the home", [box.Id],
                () => $"{box.Name} is no router, so its guest network {open[0].Network.Ssid} is not apart: whoever is on it is on "
                + $"{main.Address!.Value.Prefix} and reaches every device and settings page there.", () => Fixes(facts, box, facts.Device(main.Owner), open));
        }
    }

    private static ImmutableArray<Fix> Fixes(Facts facts, Device box, Device router, List<AirNetwork> open)
    {
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        if (Trunk(facts, box, router, open) is { } trunk) fixes.Add(new($"Carry it to {router.Name} in a VLAN", trunk));
        fixes.Add(new("Turn it off", [.. open.Select(one => new SetWifi(box.Id, one.Place, one.Network with { Enabled = false }))]));
        return fixes.ToImmutable();
    }

    /// <summary>Where router and box share a cable and the router has guests of its own: one VLAN for both, tagged on that cable.</summary>
    private static ImmutableArray<InstallerAction>? Trunk(Facts facts, Device box, Device router, List<AirNetwork> open)
    {
        var place = router.Wifi.ToList().FindIndex(network => network.Guest);
        var cable = facts.House.Cables.FirstOrDefault(one => (one.A.Device, one.B.Device) == (box.Id, router.Id) || (one.A.Device, one.B.Device) == (router.Id, box.Id));
        if (place < 0 || cable is null) return null;
        var vlan = router.Wifi[place].Vlan ?? UsualGuestVlan;
        var actions = ImmutableArray.CreateBuilder<InstallerAction>();
        if (router.Wifi[place].Vlan != vlan) actions.Add(new SetWifi(router.Id, place, router.Wifi[place] with { Vlan = vlan }));
        foreach (var end in new[] { Remedies.EndAt(cable, router.Id), Remedies.EndAt(cable, box.Id) })
        {
            var port = facts.Device(end.Device).FindPort(end.Port)!;
            if (!port.Tagged.Contains(vlan)) actions.Add(new SetPortVlan(end.Device, end.Port, port.Vlan) { Tagged = port.Tagged.Add(vlan) });
        }
        foreach (var one in open) actions.Add(new SetWifi(box.Id, one.Place, one.Network with { Vlan = vlan }));
        return actions.ToImmutable();
    }
}
