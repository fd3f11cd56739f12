using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Translation;

/// <summary>A router that translates behind another router that translates: a fault where a want of the household fails by it.</summary>
public sealed class DoubleNat : IRule
{
    public string Id => "double-nat";
    public string Statement => "On the way to the street, addresses are translated once in the home.";
    public string Source => "RFC 7021 section 2 (what breaks behind nested translation); value from memory";
    public RuleTraits Traits => RuleTraits.OfStructure;

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var box in facts.InUse)
        {
            if (box is not { RoutesForItsOwn: true, Nat: true }) continue;
            // Joined by radio it is the choice on the repeater's page that is wrong, and another rule's finding.
            if (box is { Uplink: not null, KeptApart: not true }) continue;
            if (facts.State.Wan(box.Id) is not { } wan || facts.State.Lan(box.Id)?.Address is not { } lan) continue;
            if (Outer(facts, wan) is { } outer && !IsUntranslated(wan, lan.Prefix)) yield return Found(facts, box, outer, wan, lan.Prefix);
        }
    }

    private static Device? Outer(Facts facts, Interface wan)
    {
        foreach (var router in facts.State.RoutersAbove(wan))
            if (router.Nat) return router;
        return null;
    }

    /// <summary>With one subnet on both sides nothing is translated at all: another rule's finding.</summary>
    private static bool IsUntranslated(Interface wan, Prefix inside)
    {
        foreach (var candidate in wan.Candidates)
            if (candidate.Address?.Prefix.Overlaps(inside) != true) return false;
        return true;
    }

    private Finding Found(Facts facts, Device box, Device outer, Interface wan, Prefix inside)
    {
        var byChoice = box.KeptApart == true;
        return new(Id, byChoice || FailsByIt.Want(facts, box.Id) is null ? Severity.Caution : Severity.Fault, "Two translations in a row", [box.Id, outer.Id],
            () => Say(box, outer, inside, wan), () => byChoice ? [] : Fixes(facts, box), box.Id);
    }

    private static string Say(Device box, Device outer, Prefix inside, Interface wan)
    {
        var seen = wan.Address is { } address ? address.Address.ToString() : "an address that chance decides";
        return $"{box.Name} translates {inside} into {seen}, and {outer.Name} translates again. "
            + $"Nothing behind {box.Name} can be reached or found by name from the rest of the house or from the street."
            + (box.KeptApart == true ? " The household wants it kept apart, so this is meant." : "");
    }

    private static ImmutableArray<Fix> Fixes(Facts facts, Device box) =>
        Remedies.JoinAsAccessPoint(facts, box) is { } actions ? [new(Remedies.JoinAsAccessPointWords(box), actions)] : [];
}
