using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;

namespace Altrin.Core.Tests.Rules;

/// <summary>Guests of a far access point are carried to the router in a VLAN (IEEE 802.1Q), by every box on the way that can.</summary>
public class GuestTrunkTests
{
    private static NetworkDocument House(bool isManaged = true)
    {
        var house = Examples.House("guests-not-apart");
        var cable = house.Cables.Single(one => one.A.Device == "loft" || one.B.Device == "loft");
        var (atRouter, atLoft) = cable.A.Device == "loft" ? (cable.B, cable.A) : (cable.A, cable.B);
        var between = new Device
        {
            Id = "sw",
            Name = "Pantry switch",
            Mode = DeviceMode.Switch,
            Supports = [DeviceMode.Switch],
            Ports = [new() { Id = "p1", Role = PortRole.Lan }, new() { Id = "p2", Role = PortRole.Lan }],
            Lan = isManaged ? new() { Method = LanMethod.Dhcp } : null,
        };
        return house with
        {
            Devices = [.. house.Devices, between],
            Cables = [.. house.Cables.Remove(cable), cable with { A = atRouter, B = new("sw", "p1") }, new() { Id = "c9", A = new("sw", "p2"), B = atLoft }],
        };
    }

    private static Finding Found(NetworkDocument house) => Evaluation.Of(house).Findings.Single(finding => finding.Rule == "guests-not-apart");

    [Fact]
    public void Across_a_managed_switch_every_socket_on_the_way_is_tagged()
    {
        var house = House();
        var fix = Found(house).Fixes[0];
        Assert.Equal("Carry it to Hall gateway in a VLAN", fix.Say);
        var tagged = fix.Actions.OfType<SetPortVlan>().Select(one => one.Device).ToList();
        Assert.Equal(["gw", "sw", "sw", "loft"], tagged);
        var then = fix.Actions.Apply(house);
        Assert.DoesNotContain(Evaluation.Of(then).Findings, finding => finding.Rule == "guests-not-apart");
        // One socket of the way forgotten, and they are cut off or in the home: nothing is promised that a step less would give.
        foreach (var left in fix.Actions.OfType<SetPortVlan>())
        {
            var without = Evaluation.Of(fix.Actions.Where(one => one != left).Apply(house));
            var segment = without.State.Air.Where(one => one.Network.Guest).Select(one => one.Segment).Distinct().Count();
            Assert.Equal(2, segment);
        }
    }

    [Fact]
    public void A_switch_that_cannot_be_set_carries_no_VLAN_of_ours() =>
        Assert.DoesNotContain(Found(House(isManaged: false)).Fixes, fix => fix.Say.StartsWith("Carry it", StringComparison.Ordinal));
}
