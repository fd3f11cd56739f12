using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Addresses;

/// <summary>A fixed address that a DHCP server on the same segment may lease to somebody else.</summary>
/// <remarks>A careless server does not probe first; the clash comes weeks later, when the pool fills. Hence a caution.</remarks>
public sealed class StaticInPool : IRule
{
    public string Id => "static-in-pool";
    public string Statement => "A fixed address stays outside every pool on its segment.";
    public string Source => "RFC 2131 section 2.2 (probing is a SHOULD)";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var server in facts.State.Servers)
            foreach (var held in facts.State.OnSegment[server.Segment])
                if (held.Outcome == LeaseOutcome.Static && held.Owner != server.Device && server.MayGiveAway(held.Address!.Value.Address, held.Mac)) yield return Found(facts, server, held);
    }

    private Finding Found(Facts facts, RunningServer server, Interface held)
    {
        var address = held.Address!.Value.Address;
        return new(Id, Severity.Caution, "A fixed address inside the pool", [held.Owner, server.Device],
            () => server.IsPoolUnknown && server.Pool.Contains(address)
                ? $"{facts.NameOf(held.Owner)} is fixed at {address}, and nobody has looked which addresses {facts.NameOf(server.Device)} gives out: it may be one of them. "
                    + "Look at its DHCP page and write the pool down."
                : $"{facts.NameOf(held.Owner)} is fixed at {address}, and {facts.NameOf(server.Device)} may give that "
                    + "address to another device; then both lose the network.", () => Fixes(facts, server, held), server.Device, held.Kind.ToString())
        { IsSettledOnSite = server.IsPoolUnknown };
    }

    private static ImmutableArray<Fix> Fixes(Facts facts, RunningServer server, Interface held)
    {
        if (facts.FindDevice(server.Device) is not { } box) return [];
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        var address = held.Address!.Value.Address;
        if (held.Mac is { } mac) fixes.Add(new($"Reserve {address.LastNumber} for it", new ReserveAddress(box.Id, mac, address)));
        // Where the pool is not known, only looking tells where it ends.
        if (server.IsPoolUnknown) return fixes.ToImmutable();
        if (facts.FreeAddress(server.Segment, server.Own.Prefix) is { } free && facts.State.Lan(box.Id) is { } lan)
            fixes.Add(new($"Give it {free.LastNumber}", held.Kind == InterfaceKind.Net
                ? Remedies.FixEndpoint(held.Owner, lan, free)
                : new SetLanAddress(held.Owner, new(free, server.Own.Prefix.Length))));
        if (address < server.Pool.End) fixes.Add(new("Start the pool after it", new MovePool(box.Id, address.Next(), server.Pool.End)));
        if (address > server.Pool.Start)
            fixes.Add(new("End the pool before it", new MovePool(box.Id, server.Pool.Start, new(address.Value - 1))));
        return fixes.ToImmutable();
    }
}
