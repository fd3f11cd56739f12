using System.Collections.Immutable;
using Altrin.Core.Air;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Wireless;

/// <summary>One name with different passwords or security on different boxes.</summary>
public sealed class OneNameTwoKeys : IRule
{
    public string Id => "one-name-two-keys";
    public string Statement => "Boxes that share a Wi-Fi name share its password and security.";
    public string Source => "IEEE 802.11 (an extended service set is one SSID with one security policy); value from memory";
    public RuleTraits Traits => RuleTraits.OfTheAir;

    public IEnumerable<Finding> Check(Facts facts)
    {
        if (Names(facts) is not { } names) yield break;
        foreach (var name in facts.State.Air.Where(one => names.Contains(one.Network.Ssid)).GroupBy(one => one.Network.Ssid))
        {
            var all = name.ToList();
            var main = OneWifi.Main(facts.State, all);
            var odd = all.Where(one => one.Network.Key != main.Network.Key || one.Network.Security != main.Network.Security).ToList();
            var what = odd.Exists(one => one.Network.Key != main.Network.Key) ? "password" : "security";
            yield return new(Id, Severity.Fault, "One name, two passwords", [.. odd.Select(one => one.Box.Id).Append(main.Box.Id).Distinct()],
                () => $"{Facts.Join(odd.Select(one => one.Box.Name).Append(main.Box.Name).Distinct())} are both called {name.Key} but have another {what} each. "
                + "A device that is carried from one to the other is thrown off.",
                () => [new($"Use {main.Box.Name}’s {what} on all", OneWifi.Become(facts.State, main, odd))], name.Key);
        }
    }

    /// <summary>Those that not all who have them keep alike; null where there are none, as in most houses.</summary>
    private static HashSet<string>? Names(Facts facts)
    {
        HashSet<string>? odd = null;
        var first = new Dictionary<string, WifiNetwork>(StringComparer.Ordinal);
        foreach (var one in facts.State.Air)
            if (!first.TryAdd(one.Network.Ssid, one.Network) && first[one.Network.Ssid] is var met && (met.Key != one.Network.Key || met.Security != one.Network.Security))
                (odd ??= new(StringComparer.Ordinal)).Add(one.Network.Ssid);
        return odd;
    }
}
