using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Translation;

/// <summary>A box that joins the house's own Wi-Fi as a client router (“WISP”) where plain repeating was meant.</summary>
public sealed class WispWhereRepeater : IRule
{
    public string Id => "wisp-where-repeater";
    public string Statement => "A box that joins the house’s own Wi-Fi repeats it; the client-router choice is for somebody else’s.";
    public string Source => "common practice, no source";
    public RuleTraits Traits => RuleTraits.OfTheAir | RuleTraits.OfStructure;

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var box in facts.InUse)
        {
            if (box is not { Traits.Uplink: UplinkSide.IsTheWan, Nat: true, Uplink: not null } || box.KeptApart == true) continue;
            if (facts.State.UplinkBox(box.Id) is not { } joined) continue;
            if (IsBehindAnother(facts, box)) yield return Found(facts, box, joined);
        }
    }

    private static bool IsBehindAnother(Facts facts, Device box)
    {
        foreach (var main in facts.MainsOn(facts.State.OutsideOf(box.Id)))
            if (main.Owner != box.Id && facts.Device(main.Owner).Nat) return true;
        return false;
    }

    private Finding Found(Facts facts, Device box, string joined) =>
        new(Id, FailsByIt.Want(facts, box.Id) is null ? Severity.Caution : Severity.Fault, "Joined as a router, not as a repeater", [box.Id, joined],
            () => $"{box.Name} joins {box.Uplink!.Ssid} of {facts.NameOf(joined)} as a client router and translates again. "
            + $"What is behind {box.Name} cannot be reached or found by name from the rest of the house.", () => Fixes(facts, box), box.Id);

    private static ImmutableArray<Fix> Fixes(Facts facts, Device box)
    {
        var uplink = facts.State.OutsideOf(box.Id);
        if (Modes.RadioChoices.FirstOrDefault(mode => !mode.NeedsFixedChannel && box.Supports.Contains(mode.Mode)) is not { } mode
            || facts.MainOn(uplink) is not { } main || facts.FreeAddress(uplink, main.Address!.Value.Prefix) is not { } free) return [];
        var actions = ImmutableArray.Create<InstallerAction>(new SetLanAddress(box.Id, new(free, main.Address.Value.Prefix.Length)));
        if (box.Lan?.DhcpServer is { Enabled: true }) actions = actions.Add(new TurnOffDhcpServer(box.Id));
        return [new($"Make {box.Name} a {mode.Say}", actions.Add(new SetMode(box.Id, mode.Mode)))];
    }
}
