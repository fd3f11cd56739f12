using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Translation;

/// <summary>A gateway in pass-through that hands the line to nobody.</summary>
public sealed class PassthroughToNobody : IRule
{
    public string Id => "passthrough-to-nobody";
    public string Statement => "A gateway in pass-through names a router whose WAN side is on its network.";
    public string Source => "common practice, no source";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var gateway in facts.InUse)
        {
            if (!gateway.Traits.HandsLineOn || gateway.RoutesForItsOwn || facts.House.Line?.Device != gateway.Id) continue;
            if (gateway.PassthroughTo is { } id && facts.State.Wan(id)?.Candidates is [{ Server: Line.ProviderId }]) continue;
            var why = gateway.PassthroughTo is not { } named ? "to nobody"
                : facts.State.OutsideOf(named) != facts.State.InsideOf(gateway.Id) || !facts.State.IsWanPlugged(named)
                    ? $"to {facts.NameOf(named)}, whose WAN side is not on its network"
                    : $"to {facts.NameOf(named)}, which does not ask for it";
            yield return Found(facts, gateway, why);
        }
    }

    private Finding Found(Facts facts, Device gateway, string why) => new(Id, Severity.Fault, "The line is passed to nobody", [gateway.Id],
        () => $"{gateway.Name} passes the line through {why}. Nobody in the house has internet.", () => Fixes(facts, gateway));

    private static ImmutableArray<Fix> Fixes(Facts facts, Device gateway)
    {
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        foreach (var router in facts.InUse.Where(box => box.Traits.IsRouter && facts.State.IsWanPlugged(box.Id)
            && facts.State.OutsideOf(box.Id) == facts.State.InsideOf(gateway.Id)))
        {
            var asks = new WanSettings { Method = facts.House.Line!.HandOff == HandOff.Pppoe ? WanMethod.Pppoe : WanMethod.Dhcp };
            var actions = ImmutableArray.Create<InstallerAction>(new SetPassthroughTarget(gateway.Id, router.Id));
            if (router.Wan?.Method != asks.Method) actions = actions.Add(new SetWan(router.Id, asks));
            fixes.Add(new($"Pass it to {router.Name}", actions));
        }
        if (gateway.ModeThat(mode => mode.IsRouter) is { } routes) fixes.Add(new($"Let {gateway.Name} route again", new SetMode(gateway.Id, routes)));
        return fixes.ToImmutable();
    }
}
