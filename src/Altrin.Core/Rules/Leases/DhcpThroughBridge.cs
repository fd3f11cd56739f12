using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Leases;

/// <summary>A device that gets its address through a wireless bridge.</summary>
/// <remarks>A bridge that is no access point's peer sends every frame under its own MAC; some servers then answer the wrong one.
/// Automatic addressing works on many and fails on some, hence a caution.</remarks>
public sealed class DhcpThroughBridge : IRule
{
    public string Id => "dhcp-through-bridge";
    public string Statement => "What is plugged into a wireless client bridge has a fixed address.";
    public string Source => "common practice, no source";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var thing in facts.House.Endpoints)
        {
            if (thing.Connect is not Attachment.Plug { Device: { } id } || facts.FindDevice(id) is not { Traits.Wifi: WifiSide.SendsIfItServes } bridge) continue;
            if (facts.State.Net(thing.Id) is not { Outcome: LeaseOutcome.Leased } net || facts.State.UplinkBox(id) is null) continue;
            if (net.Candidates[0].Server is not { } server || server == id) continue;
            yield return Found(facts, thing, bridge, server, net);
        }
    }

    private Finding Found(Facts facts, Endpoint thing, Device bridge, string server, Interface net) => new(Id, Severity.Caution, "Automatic addressing through a bridge", [thing.Id, bridge.Id],
        $"{thing.Name} is plugged into {bridge.Name}, a wireless client bridge, and asks {facts.NameOf(server)} for its address through it. "
        + "On some boxes that fails now and then; a fixed address does not.", () => Fixes(facts, thing.Id, net))
    { IsSettledOnSite = true };

    private static ImmutableArray<Fix> Fixes(Facts facts, string thing, Interface net) =>
        facts.MainOn(net.Segment) is { Address: { } main } router && facts.FreeAddress(net.Segment, main.Prefix) is { } free
            ? [new($"Give it {free}", Remedies.FixEndpoint(thing, router, free))] : [];
}
