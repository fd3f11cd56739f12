using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Air;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Access;

/// <summary>An open network, or one with a security that is broken.</summary>
public sealed class WeakWifiSecurity : IRule
{
    public string Id => "weak-wifi-security";
    public string Statement => "Every Wi-Fi network has WPA2 or WPA3.";
    public string Source => "IEEE 802.11-2012 (WEP and TKIP deprecated); value from memory";
    public RuleTraits Traits => RuleTraits.OfTheAir;

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var group in facts.State.Air.Where(one => one.Network.Security is WifiSecurity.Open or WifiSecurity.Wep or WifiSecurity.Wpa)
            .GroupBy(one => (one.Box.Id, one.Network.Ssid, one.Network.Security)))
        {
            var networks = group.ToList();
            var (box, ssid, security) = (networks[0].Box, group.Key.Ssid, group.Key.Security);
            var message = security == WifiSecurity.Open
                ? $"{ssid} of {box.Name} is open: whoever is in the street is in the house, and everything said on it can be heard."
                : $"{ssid} of {box.Name} has {security.Say()}, which is broken in minutes. Use WPA2 or WPA3.";
            yield return new(Id, Severity.Caution, security == WifiSecurity.Open ? "An open network" : "Outdated security", [box.Id], message,
                () => Fixes(facts, networks), ssid, security.ToString());
        }
    }

    /// <summary>The household's own password where there is one; else a new one, kept under the network's name.</summary>
    private static ImmutableArray<Fix> Fixes(Facts facts, List<AirNetwork> networks)
    {
        var network = networks[0].Network;
        var same = facts.State.Air.FirstOrDefault(one => one.Network.Ssid == network.Ssid && one.Network.Security >= WifiSecurity.Wpa2)?.Network;
        var key = same?.Key ?? network.Key ?? network.Ssid;
        return [new("Secure it with WPA2", OneWifi.Change(facts.State, networks, one => one with { Security = same?.Security ?? WifiSecurity.Wpa2, Key = key }))];
    }
}
