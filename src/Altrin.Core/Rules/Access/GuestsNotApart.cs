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
    public RuleTraits Traits => RuleTraits.OfTheAir;

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

    /// <summary>Where cables lead from the router to the box and the router has guests of its own: one VLAN for both, tagged all the way.</summary>
    private static ImmutableArray<InstallerAction>? Trunk(Facts facts, Device box, Device router, List<AirNetwork> open)
    {
        var place = router.Wifi.ToList().FindIndex(network => network.Guest);
        if (place < 0 || Way(facts.House, router, box) is not { } way) return null;
        var vlan = router.Wifi[place].Vlan ?? UsualGuestVlan;
        var actions = ImmutableArray.CreateBuilder<InstallerAction>();
        if (router.Wifi[place].Vlan != vlan) actions.Add(new SetWifi(router.Id, place, router.Wifi[place] with { Vlan = vlan }));
        foreach (var end in way)
        {
            var port = facts.Device(end.Device).FindPort(end.Port)!;
            if (!port.Tagged.Contains(vlan)) actions.Add(new SetPortVlan(end.Device, end.Port, port.Vlan) { Tagged = port.Tagged.Add(vlan) });
        }
        foreach (var one in open) actions.Add(new SetWifi(box.Id, one.Place, one.Network with { Vlan = vlan }));
        return actions.ToImmutable();
    }

    /// <summary>The sockets from the router to the box along the fewest cables, through boxes whose page can set VLANs.</summary>
    private static List<Socket>? Way(NetworkDocument house, Device router, Device box)
    {
        var from = new Dictionary<string, (Cable Cable, string Before)> { [router.Id] = default };
        var next = new Queue<string>([router.Id]);
        while (next.TryDequeue(out var here) && !from.ContainsKey(box.Id))
            foreach (var cable in house.Cables)
            {
                if (cable.A.Device != here && cable.B.Device != here) continue;
                var far = cable.A.Device == here ? cable.B.Device : cable.A.Device;
                if (far != box.Id && house.FindDevice(far) is not { Lan: not null, Traits: { KnowsVlans: true, IsOneNetwork: true } }) continue;
                if (from.TryAdd(far, (cable, here))) next.Enqueue(far);
            }
        if (!from.ContainsKey(box.Id)) return null;
        var way = new List<Socket>();
        for (var at = box.Id; at != router.Id; at = from[at].Before)
        {
            way.Add(Remedies.EndAt(from[at].Cable, at));
            way.Add(Remedies.EndAt(from[at].Cable, from[at].Before));
        }
        way.Reverse();
        return way;
    }
}
