using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Translation;

/// <summary>Something left on a gateway that passes the line through to another box.</summary>
public sealed class PassthroughBystander : IRule
{
    public string Id => "passthrough-bystander";
    public string Statement => "On a gateway in pass-through stands the one router that receives the line, and nothing else.";
    public string Source => "common practice, no source";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var gateway in facts.InUse)
        {
            if (gateway is not { Traits.HandsLineOn: true, RoutesForItsOwn: false, PassthroughTo: { } id } || facts.FindDevice(id) is not { } target) continue;
            if (facts.State.Wan(id)?.Candidates is not [{ Server: Line.ProviderId }]) continue;
            var left = LeftOn(facts, gateway.Id, id);
            if (left.Count > 0) yield return Found(facts, gateway, target, left);
        }
    }

    private static List<Interface> LeftOn(Facts facts, string gateway, string target) => [.. facts.State.OnSegment[facts.State.InsideOf(gateway)]
        .Where(one => one.Owner != gateway && one.Owner != target && one.Kind is InterfaceKind.Net or InterfaceKind.Wan && one.IsPlugged)];

    private Finding Found(Facts facts, Device gateway, Device target, List<Interface> left) =>
        new(Id, Severity.Fault, "Left on the gateway", [.. left.Select(one => one.Owner).Distinct(), gateway.Id],
            () => $"{gateway.Name} passes the line through to {target.Name}. {Facts.Join(left.Select(one => facts.NameOf(one.Owner)).Distinct())} "
            + $"{(left.Count == 1 ? "is" : "are")} still on {gateway.Name}: its settings page opens there, and there is no internet.",
            () => Fixes(facts, target, left));

    private static ImmutableArray<Fix> Fixes(Facts facts, Device target, List<Interface> left)
    {
        var actions = ImmutableArray.CreateBuilder<InstallerAction>();
        var free = target.Ports.Where(port => port.Role == PortRole.Lan && facts.House.OccupantOf(new(target.Id, port.Id)) is null).Select(port => port.Id);
        foreach (var (one, port) in left.Zip(free))
        {
            // A router beside the target has a cable of its own to think about: left to the person.
            if (one.Kind != InterfaceKind.Net || facts.House.FindEndpoint(one.Owner)?.Connect?.Socket is null) return [];
            actions.Add(new ConnectEndpoint(one.Owner, Attachment.To(new(target.Id, port))));
        }
        return actions.Count == left.Count ? [new($"Plug {(left.Count == 1 ? "it" : "them")} into {target.Name}", actions.ToImmutable())] : [];
    }
}
