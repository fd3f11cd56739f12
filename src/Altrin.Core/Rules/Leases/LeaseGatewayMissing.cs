using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Leases;

/// <summary>A server that sends its clients to a gateway that is not there.</summary>
public sealed class LeaseGatewayMissing : IRule
{
    public string Id => "lease-gateway-missing";
    public string Statement => "The gateway that comes with a lease is a router on that segment, in the lease's subnet.";
    public string Source => "RFC 2132 section 3.5 (router option: on the client's subnet)";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var server in facts.State.Servers)
        {
            if (facts.FindDevice(server.Device) is not { } box || server.Offer.Gateway is not { } gateway) continue;
            // A bridge or a gateway in pass-through that gives itself: other rules' findings, which name the cause.
            if (gateway == server.Own.Address && !box.RoutesForItsOwn) continue;
            var holder = HolderOf(facts, server.Segment, gateway);
            if (holder is { Routes: true } && server.Own.Prefix.Contains(gateway)) continue;
            if (Found(facts, server, box, gateway, holder) is { } found) yield return found;
        }
    }

    private static Interface? HolderOf(Facts facts, int segment, Ipv4Address address)
    {
        foreach (var one in facts.State.OnSegment[segment])
            if (one.Address?.Address == address) return one;
        return null;
    }

    private Finding? Found(Facts facts, RunningServer server, Device box, Ipv4Address gateway, Interface? holder)
    {
        var clients = facts.State.OnSegment[server.Segment]
            .Where(one => one.Candidates.Any(candidate => candidate.Server == box.Id && candidate.Gateway == gateway)).ToList();
        if (clients.Count == 0) return null;
        var reason = holder is null ? "where nobody answers"
            : holder.Routes ? "which is outside the subnet it gives out"
            : $"which is {facts.NameOf(holder.Owner)}, and that does not route";
        return new(Id, Severity.Fault, "The gateway it gives is not there", [box.Id],
            () => $"{box.Name} sends its clients to {gateway}, {reason}. {Facts.Join(clients.Select(one => facts.NameOf(one.Owner)))} "
            + $"{(clients.Count == 1 ? "has" : "have")} no internet from it.", () => Fixes(facts, server, box));
    }

    private static ImmutableArray<Fix> Fixes(Facts facts, RunningServer server, Device box)
    {
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        var main = facts.MainsOn(server.Segment).FirstOrDefault(one => server.Own.Prefix.Contains(one.Address!.Value.Address));
        if (main is not null && main.Owner != box.Id)
            fixes.Add(new($"Give {main.Address!.Value.Address} instead", new SetLeaseGateway(box.Id, main.Address.Value.Address)));
        if (box.Lan?.DhcpServer?.Gateway is not null) fixes.Add(new($"Let {box.Name} give itself", new SetLeaseGateway(box.Id, null)));
        fixes.Add(new($"Turn off the DHCP server of {box.Name}", new TurnOffDhcpServer(box.Id)));
        return fixes.ToImmutable();
    }
}
