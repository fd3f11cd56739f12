using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Wireless;

/// <summary>A device waiting for the Wi-Fi of a bridge that serves wired devices alone.</summary>
public sealed class BridgeServesWiredOnly : IRule
{
    public string Id => "bridge-serves-wired-only";
    public string Statement => "Nobody is told to use the Wi-Fi of a bridge that serves its sockets alone.";
    public string Source => "common practice, no source";
    public RuleTraits Traits => RuleTraits.OfTheAir;

    public IEnumerable<Finding> Check(Facts facts)
    {
        if (!facts.InUse.Any(SilentBridge.Is)) yield break;
        foreach (var group in facts.House.Endpoints.Where(thing => facts.State.JoinedNetwork(thing.Id) is null)
            .GroupBy(thing => thing.Connect is Attachment.Join connect ? SilentBridge.For(facts, connect) : null))
        {
            if (group.Key is not { } bridge) continue;
            var things = group.ToList();
            yield return new(Id, Severity.Fault, "A bridge without Wi-Fi of its own", [bridge.Id, .. things.Select(thing => thing.Id)],
                () => $"{Facts.Join(things.Select(thing => thing.Name))} {(things.Count == 1 ? "is" : "are")} to use {((Attachment.Join)things[0].Connect!).Ssid} of {bridge.Name}, "
                + $"but {bridge.Name} is a client bridge that serves its sockets alone.", () => Fixes(facts, bridge, things));
        }
    }


    private static ImmutableArray<Fix> Fixes(Facts facts, Device bridge, List<Endpoint> things)
    {
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        if (bridge.ModeThat(mode => mode.IsRepeater) is { } repeats) fixes.Add(new($"Make {bridge.Name} a repeater", new SetMode(bridge.Id, repeats)));
        if (bridge.Uplink is { } uplink && facts.State.UplinkBox(bridge.Id) is { } main)
            fixes.Add(new($"Join {uplink.Ssid} of {facts.NameOf(main)} instead", [.. things.Select(thing =>
                (InstallerAction)new ConnectEndpoint(thing.Id, new Attachment.Join { Ssid = uplink.Ssid, Security = uplink.Security, Key = uplink.Key }))]));
        var free = bridge.Ports.Where(port => facts.House.OccupantOf(new(bridge.Id, port.Id)) is null).ToList();
        if (free.Count >= things.Count)
            fixes.Add(new($"Plug {(things.Count == 1 ? "it" : "them")} into {bridge.Name}", [.. things.Zip(free, (thing, port) =>
                (InstallerAction)new ConnectEndpoint(thing.Id, Attachment.To(new(bridge.Id, port.Id))))]));
        return fixes.ToImmutable();
    }
}
