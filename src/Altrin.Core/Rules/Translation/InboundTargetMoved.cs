using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Translation;

/// <summary>A forward or DMZ host that leads to an address at which nothing is any more.</summary>
public sealed class InboundTargetMoved : IRule
{
    public string Id => "inbound-target-moved";
    public string Statement => "A forward or DMZ host leads to an address that something on the router’s LAN holds.";
    public string Source => "common practice, no source";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var box in facts.InUse)
        {
            if (box is not { RoutesForItsOwn: true, Nat: true } || (box.PortForwards.IsEmpty && box.DmzHost is null)) continue;
            if (Found(facts, box) is { } found) yield return found;
        }
    }

    private Finding? Found(Facts facts, Device box)
    {
        var held = facts.State.OnSegment[facts.State.InsideOf(box.Id)].SelectMany(one => one.Candidates)
            .Select(candidate => candidate.Address?.Address).ToHashSet();
        var forwards = box.PortForwards.Where(one => !held.Contains(one.ToAddress)).ToList();
        var dmz = box.DmzHost is { } host && !held.Contains(host) ? box.DmzHost : null;
        if (forwards.Count == 0 && dmz is null) return null;
        var what = forwards.Count == 0 ? $"makes {dmz} its DMZ host"
            : $"forwards {Facts.Join(forwards.Select(one => $"{Words<TransportProtocol>.Of(one.Protocol)} {one.Port} to {one.ToAddress}"))}";
        return new(Id, Severity.Fault, "A way in to nobody", [box.Id],
            () => $"{box.Name} {what}, but nothing on its network is there: the device has moved to another address, or is gone. What comes in is lost.",
            () => Fixes(facts, box, forwards, dmz));
    }

    /// <summary>To whoever offers that very service; for a DMZ host, to the router or the only server that stands inside.</summary>
    private static ImmutableArray<Fix> Fixes(Facts facts, Device box, List<PortForward> forwards, Ipv4Address? dmz)
    {
        var inside = facts.State.OnSegment[facts.State.InsideOf(box.Id)].Where(one => one.Owner != box.Id && one.Address is not null).ToList();
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        if (dmz is not null)
            foreach (var one in inside.Where(one => one.Kind == InterfaceKind.Wan || facts.House.FindEndpoint(one.Owner) is { Services.IsEmpty: false }).Take(3))
                fixes.Add(new($"Point it at {facts.NameOf(one.Owner)}, now at {one.Address!.Value.Address}", [.. Keep(box, one), new SetDmzHost(box.Id, one.Address.Value.Address)]));
        else
        {
            var targets = forwards.Select(forward => (Forward: forward, To: inside.Find(one => facts.House.FindEndpoint(one.Owner) is { } thing
                && thing.Services.Any(service => service.Protocol == forward.Protocol && service.Port == (forward.ToPort ?? forward.Port))))).ToList();
            if (targets.TrueForAll(one => one.To is not null))
                fixes.Add(new($"Point it at {Facts.Join(targets.Select(one => facts.NameOf(one.To!.Owner)).Distinct())}",
                    [.. targets.SelectMany(one => Keep(box, one.To!).Append(new SetForward(box.Id, one.Forward with { ToAddress = one.To!.Address!.Value.Address })))]));
        }
        fixes.Add(new("Remove it", [.. forwards.Select(one => (InstallerAction)new RemoveForward(box.Id, one.Protocol, one.Port)).Distinct(),
            .. dmz is null ? Array.Empty<InstallerAction>() : [new SetDmzHost(box.Id)]]));
        return fixes.ToImmutable();
    }

    /// <summary>What got its address from a lease keeps it from now on, so that it does not move away again.</summary>
    private static IEnumerable<InstallerAction> Keep(Device box, Interface held) =>
        held is { Outcome: LeaseOutcome.Leased, Mac: { } mac } && held.Candidates[0].Server == box.Id
            ? [new ReserveAddress(box.Id, mac, held.Address!.Value.Address)] : [];
}
