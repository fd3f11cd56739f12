using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Leases;

/// <summary>Things that ask for an address where nobody gives any.</summary>
public sealed class NoDhcpServer : IRule
{
    public string Id => "no-dhcp-server";
    public string Statement => "A segment with things that ask for an address has a DHCP server.";
    public string Source => "RFC 3927 section 1.9 (what a host does when none answers); value from memory";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var segment in facts.State.Segments)
        {
            if (facts.ServersOn[segment.Index].Count > 0 || facts.WithoutAddress(segment.Index) is not { Count: > 0 } asking || IsCutOffByRadio(facts, segment.Index)) continue;
            yield return Found(facts, segment.Index, asking);
        }
    }

    private Finding Found(Facts facts, int segment, IReadOnlyCollection<Interface> asking)
    {
        var names = Facts.Join(asking.Select(one => facts.NameOf(one.Owner)));
        var loss = asking.All(one => one.Kind == InterfaceKind.Wan)
            ? $"{names} gets no address on its WAN side: nothing behind it has internet."
            : $"{names} {(asking.Count == 1 ? "gives itself" : "give themselves")} 169.254.x.x and {(asking.Count == 1 ? "has" : "have")} no internet.";
        return new(Id, Severity.Fault, "Nobody gives out addresses", [.. asking.Select(one => one.Owner).Distinct()],
            () => $"No DHCP server answers here. {loss}", () => Fixes(facts, segment), [.. asking.Select(one => one.Kind.ToString()).Distinct()])
        { BlamesAll = true };
    }

    /// <summary>A bridge here joins nothing: that is the cause, and another rule's finding.</summary>
    private static bool IsCutOffByRadio(Facts facts, int segment) => facts.InUse.Any(box =>
        box.Uplink is not null && box.Traits.BridgesByRadio
        && facts.State.UplinkBox(box.Id) is null && facts.State.InsideOf(box.Id) == segment);

    private static ImmutableArray<Fix> Fixes(Facts facts, int segment)
    {
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        foreach (var router in facts.MainsOn(segment))
        {
            var box = facts.Device(router.Owner);
            // A router whose DHCP server is off was meant as an access point: then its cable sits in the wrong socket.
            if (Remedies.UplinkCable(facts, box) is { } cable && facts.House.FreePort(box, PortRole.Lan) is { } port
                && Remedies.EndAt(cable, box.Id) is var end && box.FindPort(end.Port)?.Role == PortRole.Wan
                && Remedies.JoinAsAccessPoint(facts, box) is { } join)
                fixes.Add(new($"Move the cable to {Naming.PortName(box, port.Id)}", [.. join]));
            var subnet = router.Address!.Value.Prefix;
            if (subnet.Length is >= 16 and <= 24)
                fixes.Add(new($"Let {box.Name} give out addresses",
                    new TurnOnDhcpServer(box.Id, AddressPool.Usual(subnet).Start, AddressPool.Usual(subnet).End)));
        }
        return fixes.ToImmutable();
    }
}
