using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Translation;

/// <summary>A forward on the inner router that the outer one knows nothing of.</summary>
public sealed class ForwardStopsOutside : IRule
{
    public string Id => "forward-stops-outside";
    public string Statement => "A port that an inner router forwards is forwarded to it by every router outside it.";
    public string Source => "RFC 3022 section 5.1 (a translator lets in what it has an entry for); value from memory";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var box in facts.InUse)
        {
            if (box.PortForwards.IsEmpty || box is not { RoutesForItsOwn: true, Nat: true }
                || facts.State.Wan(box.Id) is not { Address: { } wan } outside) continue;
            if (Outer(facts, outside) is not { } outer || outer.DmzHost == wan.Address) continue;
            if (Found(box, outer, wan.Address) is { } found) yield return found;
        }
    }

    private Finding? Found(Device box, Device outer, Ipv4Address wan)
    {
        // Who hands the line on forwards nothing himself.
        var lost = box.PortForwards.Where(one => outer.Traits.HandsLineOn || !outer.PortForwards.Any(other =>
            other.Protocol == one.Protocol && other.ToAddress == wan && (other.ToPort ?? other.Port) == one.Port)).ToList();
        if (lost.Count == 0) return null;
        var ports = Facts.Join(lost.Select(one => $"{Words<TransportProtocol>.Of(one.Protocol)} {one.Port}"), 4);
        return new(Id, Severity.Fault, "Forwarded on the inner router only", [box.Id, outer.Id],
            () => $"{box.Name} forwards {ports}, but what comes from the internet meets {outer.Name} first, and that "
            + (outer.Traits.HandsLineOn ? "hands all of it to whoever has the line’s own address." : "sends it nowhere."),
            () => Fixes(box, outer, wan, lost), box.Id);
    }

    private static Device? Outer(Facts facts, Interface wan) => wan.Candidates is [{ Gateway: { } gateway }]
        && facts.RoutersOn[wan.Segment].FirstOrDefault(lan => lan.Owner != wan.Owner && lan.Address?.Address == gateway) is { } lan
        && facts.Device(lan.Owner) is { Nat: true } outer ? outer : null;

    private static ImmutableArray<Fix> Fixes(Device box, Device outer, Ipv4Address wan, List<PortForward> lost)
    {
        if (outer.Traits.HandsLineOn)
            return [new($"Let {outer.Name} pass the line to {box.Name}", new SetPassthroughTarget(outer.Id, box.Id))];
        var taken = outer.PortForwards.Select(one => (one.Protocol, one.Port)).ToHashSet();
        if (lost.Exists(one => taken.Contains((one.Protocol, one.Port)))) return [];
        var also = lost.Select(one =>
            (InstallerAction)new SetForward(outer.Id, new() { Protocol = one.Protocol, Port = one.Port, ToAddress = wan }));
        return [new($"Forward it at {outer.Name} too", [.. also]),
            new($"Make {box.Name} the DMZ host of {outer.Name}", new SetDmzHost(outer.Id, wan))];
    }
}
