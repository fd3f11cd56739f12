using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Leases;

/// <summary>Two DHCP servers on one network.</summary>
public sealed class TwoDhcpServers : IRule
{
    public string Id => "two-dhcp-servers";
    public string Statement => "One network has exactly one DHCP server.";
    public string Source => "common practice, no source";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var first in facts.State.Servers)
        {
            var onSegment = facts.ServersOn[first.Segment];
            if (onSegment.Count < 2 || !ReferenceEquals(onSegment[0], first)) continue;
            if (Found(facts, first.Segment, onSegment) is { } found) yield return found;
        }
    }

    private Finding? Found(Facts facts, int segment, IEnumerable<RunningServer> onSegment)
    {
        // A bridge's server is another rule's finding.
        var servers = onSegment.Where(server => facts.FindDevice(server.Device) is not { } box || !box.Traits.OnlyBridges).ToList();
        if (servers.Count < 2 || IsLineInLan(facts, servers)) return null;
        var main = facts.MainOn(segment);
        var rightful = servers.Find(server => server.Device == main?.Owner) ?? servers[0];
        var rivals = servers.Where(server => server != rightful).ToList();
        var losers = facts.State.OnSegment[segment].Where(one => one.Outcome == LeaseOutcome.Contested).ToList();
        var loss = losers.Count == 0
            ? ""
            : $" {Facts.Join(losers.Select(one => facts.NameOf(one.Owner)))} may get an address that leads nowhere.";
        var rivalNames = Facts.Join(rivals.Select(server => facts.NameOf(server.Device)));
        return new(Id, Severity.Fault, "Two give out addresses", [.. rivals.Append(rightful).Select(server => server.Device)],
            () => $"{rivalNames} {(rivals.Count > 1 ? "give" : "gives")} out addresses on the network of {facts.NameOf(rightful.Device)}. "
            + $"So does {facts.NameOf(rightful.Device)}. Which one answers is chance.{loss}",
            () => Fixes(facts, rivals), facts.State.GuestsOf(rightful.Device) == segment ? ["guests"] : []);
    }

    /// <summary>The provider beside a router whose LAN socket the line is in: the socket is what is wrong, and another rule's finding.</summary>
    private static bool IsLineInLan(Facts facts, List<RunningServer> servers) =>
        servers.Count == 2 && servers.Exists(server => server.Device == Line.ProviderId)
        && servers.Exists(server => facts.House.Line?.Device == server.Device && facts.Device(server.Device).RoutesForItsOwn);

    private static ImmutableArray<Fix> Fixes(Facts facts, List<RunningServer> rivals)
    {
        var boxes = rivals.Select(server => facts.FindDevice(server.Device)).OfType<Device>().ToList();
        if (boxes.Count == 0) return [];
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        if (boxes is [var box] && Remedies.JoinAsAccessPoint(facts, box) is { } actions)
            fixes.Add(new(Remedies.JoinAsAccessPointWords(box), actions));
        fixes.Add(new($"Turn it off at {Facts.Join(boxes.Select(one => one.Name))}", [.. boxes.Select(one => new TurnOffDhcpServer(one.Id))]));
        return fixes.ToImmutable();
    }
}
