using System.Collections.Immutable;
using Altrin.Core.Air;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Wireless;

/// <summary>Several names in a house that wants one.</summary>
public sealed class SeveralWifiNames : IRule
{
    public string Id => "several-wifi-names";
    public string Statement => "Where the household wants one Wi-Fi name, every box has that name.";
    public string Source => "common practice, no source";
    public RuleTraits Traits => RuleTraits.OfTheAir | RuleTraits.RestatesWant;

    public IEnumerable<Finding> Check(Facts facts)
    {
        if (!facts.House.Needs.Any(need => need is Need.OneName)) yield break;
        var own = facts.State.Air.Where(one => !one.Network.Guest).ToList();
        var names = own.Select(one => one.Network.Ssid).Distinct().ToList();
        if (names.Count < 2) yield break;
        var main = OneWifi.Main(facts.State, own);
        var others = own.Where(one => one.Network.Ssid != main.Network.Ssid).ToList();
        yield return new(Id, Severity.Fault, "Two names where one was wanted", [.. others.Select(one => one.Box.Id).Distinct()],
            () => $"The household wants one Wi-Fi name and has {Facts.Join(names, 4)}. Devices stay on the one they know, however weak, "
            + "when they are carried through the house.", () => [new($"Call all of them {main.Network.Ssid}", OneWifi.Become(facts.State, main, others))]);
    }
}
