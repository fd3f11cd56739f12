using System.Collections.Immutable;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Simulation;

namespace Altrin.Core.WorkOrders.Proof;

/// <summary>What no step may bring into a house: an address held twice, a second server, a loop, a router whose two sides overlap, an open
/// Wi-Fi of a box as
/// sold on the household's own network.</summary>
internal static class Clashes
{
    /// <summary>Many boxes refuse an address that overlaps the side they are fed from: it is no state to pass through either.</summary>
    private static readonly ImmutableArray<IRule> Rules = [.. RuleBook.All.Where(rule => rule.Traits.HasFlag(RuleTraits.NeverInPassing))];

    public static ImmutableHashSet<string> Keys(NetworkState state) => [.. In(state).Select(clash => clash.Key)];

    /// <summary>Those that no step of an order is to blame for: they are there as it begins, or the house that it ends in has them itself,
    /// one that is gone
    /// back to.</summary>
    public static ImmutableHashSet<string> Known(NetworkState from, NetworkState to) => Keys(from).Union(Keys(to));

    /// <returns>What tells them apart, and each in words.</returns>
    public static IEnumerable<(string Key, string Sentence)> In(NetworkState state)
    {
        var facts = new Facts(state);
        foreach (var finding in Rules.SelectMany(rule => rule.Check(facts)))
            yield return (finding.Key, finding.IsSaidWithTitle
                ? $"{finding.Title}: {char.ToLowerInvariant(finding.Message[0])}{finding.Message[1..]}" : finding.Message);
        foreach (var open in state.Air)
            if (open is { Network: { Security: WifiSecurity.Open, Guest: false }, Segment: >= 0 and var segment }
                && IsInCompany(state, open.Box, segment))
                yield return ($"open:{open.Box.Id}:{open.Network.Ssid}",
                    $"{open.Box.Name} would let anybody onto the household's network: its Wi-Fi {open.Network.Ssid} is open.");
        // Two servers by what runs, not by what a rule says of it: a repeater that still gives out addresses is a finding of its own kind.
        foreach (var group in state.Servers.GroupBy(server => server.Segment).Where(group => group.Count() > 1))
        {
            // Two by two: where three were, two that are left are no new clash.
            var servers = group.Select(server => server.Device).Order(StringComparer.Ordinal).ToList();
            for (var i = 0; i < servers.Count; i++)
                for (var j = i + 1; j < servers.Count; j++)
                    yield return ($"servers:{servers[i]}+{servers[j]}",
                        $"{state.House.NameOf(servers[i])} and {state.House.NameOf(servers[j])} would give out addresses on one network.");
        }
    }

    /// <summary>With another box on its network, or on the one that it leads to: who is inside a router reaches what is outside of it.
    /// Alone with what is plugged into it,
    /// or at the street, it is a box being set.</summary>
    private static bool IsInCompany(NetworkState state, Device box, int segment) =>
        HasAnother(state, box.Id, segment)
            || (state.OutsideOf(box.Id) is >= 0 and var outside && outside != state.ProviderSegment && !WantsTheLine(state.House, box)
                && HasAnother(state, box.Id, outside));

    private static bool HasAnother(NetworkState state, string box, int segment)
    {
        foreach (var one in state.OnSegment[segment])
            if (one.Owner != box && one.Kind is InterfaceKind.Lan && !IsTheStreetTo(state.House.FindDevice(one.Owner)!, box)) return true;
        return false;
    }

    /// <summary>Whoever is handed the line by it stands at the street.</summary>
    private static bool IsTheStreetTo(Device gateway, string box) => gateway.Traits.HandsLineOn && gateway.PassthroughTo == box;

    /// <summary>Some kinds cannot be set without it.</summary>
    private static bool WantsTheLine(NetworkDocument house, Device box) => house.KindOf(box)?.SetUp.NeedsLine == true;
}
