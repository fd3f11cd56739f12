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
    public RuleTraits Traits => RuleTraits.NeverInPassing;

    public IEnumerable<Finding> Check(Facts facts)
    {
        var seen = new HashSet<Ipv4Address>();
        foreach (var segment in facts.State.Segments)
        {
            var all = facts.State.OnSegment[segment.Index];
            // Most segments are clean; only where an address comes twice is it worth sorting out who holds it.
            if (Twice(all, seen) is not { } twice) continue;
            foreach (var group in all.Where(one => one.Address is { } address && twice.Contains(address.Address)).GroupBy(one => one.Address!.Value.Address))
                yield return Found(facts, segment.Index, group.Key, [.. group]);
        }
    }

    private static HashSet<Ipv4Address>? Twice(ArraySegment<Interface> all, HashSet<Ipv4Address> seen)
    {
        if (all.Count < 2) return null;
        seen.Clear();
        HashSet<Ipv4Address>? twice = null;
        foreach (var one in all)
            if (one.Address is { } address && !seen.Add(address.Address)) (twice ??= []).Add(address.Address);
        return twice;
    }

    private Finding Found(Facts facts, int segment, Ipv4Address address, ImmutableArray<Interface> holders)
    {
        var main = facts.MainOn(segment);
        return new(Id, Severity.Fault, $"Two at {address}", [.. holders.Select(one => one.Owner).Distinct()],
            () => Say(facts, address, holders, main), () => Fixes(facts, segment, holders, main), address.ToString())
        { BlamesAll = true };
    }

    private static string Say(Facts facts, Ipv4Address address, ImmutableArray<Interface> holders, Interface? main)
    {
        var loss = main is not null && holders.Contains(main)
            ? "It is the gateway's own address: what is sent there reaches now the one, now the other, and the whole network loses the internet."
            : "What is sent there reaches now the one, now the other.";
        return $"{Facts.Join(holders.Select(one => facts.NameOf(one.Owner)))} hold {address} on the same network. {loss}";
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
