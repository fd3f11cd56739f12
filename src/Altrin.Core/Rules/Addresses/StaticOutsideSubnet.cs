using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Addresses;

/// <summary>A fixed address that does not belong where the thing is plugged in, or that no host may hold there.</summary>
public sealed class StaticOutsideSubnet : IRule
{
    public string Id => "static-outside-subnet";
    public string Statement => "A fixed address lies in its segment's subnet and is neither its network nor its broadcast address.";
    public string Source => "RFC 1122 section 3.2.1.3 (network and broadcast addresses); RFC 950";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var held in facts.State.Interfaces)
        {
            if (held.Outcome != LeaseOutcome.Static || held.Kind is InterfaceKind.Guest or InterfaceKind.Lan || held.Segment < 0) continue;
            if (held.Segment == facts.State.ProviderSegment || (facts.House.FindEndpoint(held.Owner) is { IsCarried: true })) continue;
            var mains = facts.MainsOn(held.Segment);
            if (mains.IsEmpty) continue;
            var address = held.Address!.Value.Address;
            var home = HomeOf(address, mains);
            var subnet = home.Address!.Value.Prefix;
            if (subnet.IsUsable(address)) continue;
            yield return Found(facts, held, home, address, subnet);
        }
    }

    private static Interface HomeOf(Ipv4Address address, ImmutableArray<Interface> mains)
    {
        foreach (var main in mains) if (main.Address!.Value.Prefix.Contains(address)) return main;
        return mains[0];
    }

    private Finding Found(Facts facts, Interface held, Interface home, Ipv4Address address, Prefix subnet)
    {
        var (title, why) = address == subnet.Broadcast
            ? ("The broadcast address is nobody's", "the broadcast address")
            : address == subnet.Network
            ? ("The network address is nobody's", "the network address")
            : ("A fixed address from another network", null);
        return new(Id, Severity.Fault, title, [held.Owner], () => $"{facts.NameOf(held.Owner)} is fixed at {address}, " + (why is null
            ? $"but the network it is on is {subnet}: nobody there reaches it, and it has no internet."
            : $"{why} of {subnet}, which no device may hold: it reaches nothing."), () => Fixes(facts, held, home), held.Kind.ToString());
    }

    private static ImmutableArray<Fix> Fixes(Facts facts, Interface held, Interface home)
    {
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        if (facts.FreeAddress(held.Segment, home.Address!.Value.Prefix) is { } free && held.Kind != InterfaceKind.Wan)
            fixes.Add(new($"Give it {free}", Remedies.FixEndpoint(held.Owner, home, free)));
        if (held.Kind == InterfaceKind.Net) fixes.Add(new("Let it ask for an address", new SetEndpointAddress(held.Owner, new())));
        if (held.Kind == InterfaceKind.Wan) fixes.Add(new("Let it ask for an address", new SetWan(held.Owner, new())));
        return fixes.ToImmutable();
    }
}
