using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Translation;

/// <summary>A forward behind a line whose address the provider shares among customers.</summary>
public sealed class ForwardThroughCarrier : IRule
{
    public string Id => "forward-through-carrier";
    public string Statement => "A port is forwarded only where the line has a public address of its own.";
    public string Source => "RFC 6598 section 1 (shared address space is translated by the provider)";

    public IEnumerable<Finding> Check(Facts facts)
    {
        if (!facts.State.IsLineShared) yield break;
        foreach (var box in facts.InUse)
        {
            if (!box.RoutesForItsOwn || (box.PortForwards.IsEmpty && box.DmzHost is null)) continue;
            var what = box.PortForwards.IsEmpty ? $"sends what comes in to {box.DmzHost}"
                : $"forwards {Facts.Join(box.PortForwards.Select(one => $"{Words<TransportProtocol>.Of(one.Protocol)} {one.Port}"))}";
            yield return new(Id, Severity.Fault, "A forward that can never work", [box.Id],
                () => $"{box.Name} {what}, but the provider shares the line’s address among customers: nothing from the internet gets as "
                    + $"far as "
                + $"{box.Name}. It takes a fixed address from the provider, a tunnel or a relay.", () =>
                    [new($"Remove it from {box.Name}", Undo(box))]);
        }
    }

    private static ImmutableArray<InstallerAction> Undo(Device box) =>
    [
        .. box.PortForwards.Select(one => (one.Protocol, one.Port)).Distinct().Select(one =>
            new RemoveForward(box.Id, one.Protocol, one.Port)),
        .. box.DmzHost is null ? Array.Empty<InstallerAction>() : [new SetDmzHost(box.Id)],
    ];
}
