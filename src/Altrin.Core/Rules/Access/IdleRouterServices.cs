using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Access;

/// <summary>Firewall or UPnP still on at a box that is no longer the router.</summary>
public sealed class IdleRouterServices : IRule
{
    public string Id => "idle-router-services";
    public string Statement => "Firewall and UPnP are off on a box that is no longer the router.";
    public string Source => "common practice, no source";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var box in facts.InUse)
        {
            // A mode that bridges hides these, and stops them: common practice, no source.
            var byHand = facts.IsBridgeInPractice(box) && box.Lan?.DhcpServer is not { Enabled: true };
            var firewall = box.Firewall && byHand;
            var upnp = box.Upnp && byHand;
            if (!firewall && !upnp) continue;
            // While its page shares an address with another nobody opens it: that comes first.
            if (facts.State.Lan(box.Id) is { Address: { } own } lan && Remedies.HolderCount(facts, lan.Segment, own.Address) > 1) continue;
            yield return Found(box, firewall, upnp);
        }
    }

    private Finding Found(Device box, bool firewall, bool upnp)
    {
        var what = firewall && upnp ? "firewall and UPnP are" : firewall ? "firewall is" : "UPnP is";
        return new(Id, Severity.Caution, "A router’s services on a box that is none", [box.Id],
            () => $"{box.Name} no longer routes, and its {what} still on. The main router does that work; here it only gets in the way.",
            () => [new($"Turn {(firewall && upnp ? "them" : "it")} off at {box.Name}", Remedies.TurnOffServices(box))]);
    }
}
