using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Leases;

/// <summary>More things ask than a pool has addresses.</summary>
public sealed class PoolExhausted : IRule
{
    public string Id => "pool-exhausted";
    public string Statement => "A pool has an address for everything that asks.";
    public string Source => "RFC 2131 section 4.3.1 (a server with no address left may stay silent)";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var segment in facts.State.Segments)
        {
            if (facts.ServersOn[segment.Index] is not [var server, ..] || facts.WithoutAddress(segment.Index) is not { Count: > 0 } without) continue;
            if (server.Device != Line.ProviderId) yield return UsedUp(facts, segment.Index, server, without);
            // A switch out there is why so many ask: another rule's finding.
            else if (!HasSwitch(facts, segment.Index)) yield return TooFew(facts, server, without);
        }
    }

    private static bool HasSwitch(Facts facts, int segment) => facts.InUse.Any(box => box.Traits.IsSwitch && facts.State.InsideOf(box.Id) == segment);

    private Finding TooFew(Facts facts, RunningServer server, IReadOnlyCollection<Interface> without) =>
        new(Id, Severity.Fault, "The provider gives out too few addresses", [.. without.Select(one => one.Owner).Distinct()],
            () => $"The provider gives out {Count(server.Pool.Count)} and {Say(facts, without)} none: only one router may stand directly at the line.", () => [], server.Device);

    private Finding UsedUp(Facts facts, int segment, RunningServer server, IReadOnlyCollection<Interface> without) =>
        new(Id, Severity.Fault, "The pool is used up", [server.Device, .. without.Select(one => one.Owner).Distinct()],
            () => $"{facts.NameOf(server.Device)} gives out {server.Pool}, {Count(server.Pool.Count)}. {Say(facts, without)} none, so no internet.",
            // Two boxes may each run out for the other: whose pool it is tells them apart.
            () => Fixes(facts, server), facts.State.GuestsOf(server.Device) == segment ? [server.Device, "guests"] : [server.Device]);

    private static string Say(Facts facts, IReadOnlyCollection<Interface> without) =>
        $"{Facts.Join(without.Select(one => facts.NameOf(one.Owner)))} {(without.Count == 1 ? "gets" : "get")}";

    private static string Count(long addresses) => addresses == 1 ? "1 address" : $"{addresses} addresses";

    private static ImmutableArray<Fix> Fixes(Facts facts, RunningServer server)
    {
        var subnet = server.Own.Prefix;
        // Fixed addresses outside the pool stay outside: the pool grows up to them, not over them.
        var held = facts.State.OnSegment[server.Segment].Where(one => one.Outcome == LeaseOutcome.Static)
            .Select(one => one.Address!.Value.Address).Where(address => subnet.Contains(address) && !server.Pool.Contains(address)).ToList();
        var below = held.Where(address => address < server.Pool.Start).DefaultIfEmpty(subnet.Network).Max().Next();
        var above = new Ipv4Address(held.Where(address => address > server.Pool.End).DefaultIfEmpty(subnet.Broadcast).Min().Value - 1);
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        if (above > server.Pool.End)
            fixes.Add(new($"Let the pool run to {above.LastNumber}", new MovePool(server.Device, server.Pool.Start, above)));
        if (below < server.Pool.Start)
            fixes.Add(new($"Let the pool run from {below.LastNumber} to {above.LastNumber}", new MovePool(server.Device, below, above)));
        return fixes.ToImmutable();
    }
}
