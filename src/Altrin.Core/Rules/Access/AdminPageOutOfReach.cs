using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Access;

/// <summary>A settings page in a subnet that nobody on its network is in.</summary>
public sealed class AdminPageOutOfReach : IRule
{
    public string Id => "admin-page-out-of-reach";
    public string Statement => "A box’s own page is in the subnet of the network it is on.";
    public string Source => "RFC 1122 section 3.3.1.1 (a host asks its own segment only for its own subnet)";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var held in facts.State.Interfaces)
            if (held is { Outcome: LeaseOutcome.Static, Kind: InterfaceKind.Lan, Segment: >= 0 } && held.Segment != facts.State.ProviderSegment
                && facts.MainsOn(held.Segment) is { IsEmpty: false } mains && !mains.Contains(held) && !IsBeside(held.Address!.Value.Address, mains))
                yield return Found(facts, held, mains[0]);
    }

    private static bool IsBeside(Ipv4Address own, ImmutableArray<Interface> mains)
    {
        foreach (var main in mains) if (main.Address!.Value.Prefix.IsUsable(own)) return true;
        return false;
    }

    private Finding Found(Facts facts, Interface held, Interface main) => new(Id, Severity.Caution, "A page that nobody can open", [held.Owner],
        () => $"{facts.NameOf(held.Owner)} has its own page at {held.Address}, but the network it is on is {main.Address!.Value.Prefix}: nobody there can open it.",
        () => Fixes(facts, held, main));

    private static ImmutableArray<Fix> Fixes(Facts facts, Interface held, Interface home)
    {
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        if (facts.FreeAddress(held.Segment, home.Address!.Value.Prefix) is { } free)
            fixes.Add(new($"Give it {free}", new SetLanAddress(held.Owner, new(free, home.Address.Value.Prefix.Length))));
        if (facts.Device(held.Owner).Traits.MayAskForAddress)
            fixes.Add(new("Let it ask for its own address", new AskForLanAddress(held.Owner)));
        return fixes.ToImmutable();
    }
}
