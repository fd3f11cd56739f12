using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Translation;

/// <summary>A forward on a gateway that hands the line on and goes on routing for everybody else.</summary>
public sealed class ForwardHandedOn : IRule
{
    public string Id => "forward-handed-on";
    public string Statement =>
        "A gateway that hands the line on forwards nothing: all that comes in is for whoever has the line’s own address.";
    public string Source => "common practice, no source";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var gateway in facts.InUse)
        {
            if (gateway is not { Traits.HandsLineOn: true, RoutesForItsOwn: true, PassthroughTo: { } target }) continue;
            if (gateway.PortForwards.IsEmpty && gateway.DmzHost is null) continue;
            if (facts.State.Wan(target)?.Candidates is [{ Server: Line.ProviderId }]) yield return Found(facts, gateway, target);
        }
    }

    private Finding Found(Facts facts, Device gateway, string target)
    {
        var what = gateway.PortForwards.IsEmpty ? $"sends what comes in to {gateway.DmzHost}"
            : $"forwards {Facts.Join(gateway.PortForwards.Select(one => $"{Words<TransportProtocol>.Of(one.Protocol)} {one.Port}"))}";
        return new(Id, Severity.Fault, "A forward that is passed by", [gateway.Id, target],
            () => $"{gateway.Name} {what}, but it hands the line to {facts.NameOf(target)}: all that comes in from the internet goes "
                + $"there, and nothing to what is on {gateway.Name}. "
                + $"What is to be reached from outside belongs behind {facts.NameOf(target)}.",
            () => [new($"Remove it from {gateway.Name}", Removed(gateway))]);
    }

    private static ImmutableArray<InstallerAction> Removed(Device gateway) =>
    [
        .. gateway.PortForwards.Select(one => (one.Protocol, one.Port)).Distinct().Select(one =>
            new RemoveForward(gateway.Id, one.Protocol, one.Port)),
        .. gateway.DmzHost is null ? Array.Empty<InstallerAction>() : [new SetDmzHost(gateway.Id)],
    ];
}
