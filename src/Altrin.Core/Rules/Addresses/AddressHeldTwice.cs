using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Addresses;

/// <summary>Two things at one address on one network.</summary>
public sealed class AddressHeldTwice : IRule
{
    public string Id => "address-held-twice";
    public string Statement => "On one segment each address is held once.";
    public string Source => "RFC 5227 section 1 (address conflict)";

    public IEnumerable<Finding> Check(Facts facts)
    {
        var seen = new HashSet<Ipv4Address>();
        foreach (var segment in facts.State.Segments)
        {
            // Most segments are clean; only where an address comes twice is it worth sorting out who holds it.
            if (!IsTwice(facts.State.OnSegment[segment.Index], seen)) continue;
            var held = facts.State.OnSegment[segment.Index].Where(one => one.Address is not null)
                .GroupBy(one => one.Address!.Value.Address).Where(group => group.Skip(1).Any());
            foreach (var group in held) yield return Found(facts, segment.Index, group.Key, [.. group]);
        }
    }

    private static bool IsTwice(ArraySegment<Interface> all, HashSet<Ipv4Address> seen)
    {
        if (all.Count < 2) return false;
        seen.Clear();
        foreach (var one in all)
            if (one.Address is { } address && !seen.Add(address.Address)) return true;
        return false;
    }

    private Finding Found(Facts facts, int segment, Ipv4Address address, ImmutableArray<Interface> holders)
    {
        var names = Facts.Join(holders.Select(one => facts.NameOf(one.Owner)));
        var main = facts.MainOn(segment);
        var loss = main is not null && holders.Contains(main)
            ? "It is the gateway's own address: what is sent there reaches now the one, now the other, and the whole network loses the internet."
            : "What is sent there reaches now the one, now the other.";
        return new(Id, Severity.Fault, $"Two at {address}", [.. holders.Select(one => one.Owner).Distinct()],
            () => $"{names} hold {address} on the same network. {loss}", () => Fixes(facts, segment, holders, main), address.ToString())
        { BlamesAll = true };
    }

    /// <summary>Everything but the one that should keep it moves away: the main router keeps its own.</summary>
    private static ImmutableArray<Fix> Fixes(Facts facts, int segment, ImmutableArray<Interface> holders, Interface? main)
    {
        if (main is null || facts.FreeAddress(segment, main.Address!.Value.Prefix) is not { } free) return [];
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        foreach (var holder in holders.Where(one => one != main && one.Kind != InterfaceKind.Wan))
        {
            var name = facts.NameOf(holder.Owner);
            if (holder.Kind == InterfaceKind.Net)
                fixes.Add(new($"Move {name} to {free}", Remedies.FixEndpoint(holder.Owner, main, free)));
            else
                fixes.Add(new($"Move {name} to {free}", new SetLanAddress(holder.Owner, new(free, main.Address.Value.Prefix.Length))));
        }
        return fixes.ToImmutable();
    }
}
