using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Leases;

/// <summary>A pool that does not lie in the server's own subnet: the server keeps silent.</summary>
public sealed class PoolOutsideSubnet : IRule
{
    public string Id => "pool-outside-subnet";
    public string Statement => "A pool lies wholly in the subnet of the box that gives it out.";
    public string Source => "RFC 2131 section 4.3.1 (an address is chosen for the client's subnet)";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var box in facts.InUse)
        {
            if (box.Lan is not { Method: LanMethod.Static, Address: { } own, DhcpServer: { Enabled: true, Pool: { } pool } }) continue;
            if (!box.Traits.RunsServer || pool.IsInside(own.Prefix)) continue;
            yield return Found(facts, box, own, pool);
        }
    }

    private Finding Found(Facts facts, Device box, InterfaceAddress own, AddressPool pool) => new(Id, Severity.Fault, "The pool is outside the subnet", [box.Id],
        () => $"{box.Name} is at {own}, but its pool runs from {pool}. It gives out nothing, and what asks it has no internet.",
        () => Fixes(facts, box, own, pool));

    private static ImmutableArray<Fix> Fixes(Facts facts, Device box, InterfaceAddress own, AddressPool pool)
    {
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        var subnet = own.Prefix;
        // The same last numbers in the right subnet: what the person who typed them meant.
        var start = new Ipv4Address(subnet.Network.Value | (pool.Start.Value & ~subnet.Mask));
        var end = new Ipv4Address(subnet.Network.Value | (pool.End.Value & ~subnet.Mask));
        if (start <= end && subnet.IsUsable(start) && subnet.IsUsable(end))
            fixes.Add(new($"Let the pool run from {start} to {end.LastNumber}", new MovePool(box.Id, start, end)));
        var moved = new InterfaceAddress(new((pool.Start.Value & subnet.Mask) | (own.Address.Value & ~subnet.Mask)), subnet.Length);
        if (pool.IsInside(moved.Prefix) && !pool.Contains(moved.Address))
            fixes.Add(new($"Move {box.Name} to {moved.Address}", new SetLanAddress(box.Id, moved)));
        return fixes.ToImmutable();
    }
}
