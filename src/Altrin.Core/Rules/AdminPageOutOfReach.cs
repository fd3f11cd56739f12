using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules;

/// <summary>A settings page in a subnet that nobody on its network is in.</summary>
public sealed class AdminPageOutOfReach : IRule
{
    public string Id => "admin-page-out-of-reach";
    public string Statement => "A box’s own page is in the subnet of the network it is on.";
    public string Source => "RFC 1122 section 3.3.1.1 (a host asks its own segment only for its own subnet)";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var held in facts.State.Interfaces)
        {
            if (held is not { Outcome: LeaseOutcome.Static, Kind: InterfaceKind.Lan, Segment: >= 0, Address: { } own } || held.Segment == facts.State.ProviderSegment) continue;
            var mains = facts.MainsOn(held.Segment);
            if (mains.IsEmpty || mains.Contains(held) || mains.Any(main => main.Address!.Value.Prefix.IsUsable(own.Address))) continue;
            var subnet = mains[0].Address!.Value.Prefix;
            yield return new(Id, Severity.Caution, "A page that nobody can open", [held.Owner],
                $"{facts.NameOf(held.Owner)} has its own page at {own}, but the network it is on is {subnet}: nobody there can open it.",
                () => Fixes(facts, held, mains[0]));
        }
    }

    private static ImmutableArray<Fix> Fixes(Facts facts, Interface held, Interface home)
    {
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        if (facts.FreeAddress(held.Segment, home.Address!.Value.Prefix) is { } free)
            fixes.Add(new($"Give it {free}", new SetLanAddress(held.Owner, new(free, home.Address.Value.Prefix.Length))));
        if (facts.Device(held.Owner).Mode is not (DeviceMode.Router or DeviceMode.Passthrough or DeviceMode.Modem))
            fixes.Add(new("Let it ask for its own address", new AskForLanAddress(held.Owner)));
        return fixes.ToImmutable();
    }
}
