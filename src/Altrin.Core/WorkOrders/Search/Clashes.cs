using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Simulation;

namespace Altrin.Core.WorkOrders.Search;

/// <summary>What no step may bring into a house: an address held twice, a second server, a loop, a router whose two sides overlap.</summary>
internal static class Clashes
{
    /// <summary>Many boxes refuse an address that overlaps the side they are fed from: it is no state to pass through either.</summary>
    private static readonly string[] Kinds = ["address-held-twice", "loop", "wan-lan-overlap"];
    private static readonly ImmutableArray<IRule> Rules = [.. RuleBook.All.Where(rule => Kinds.Contains(rule.Id))];

    public static ImmutableHashSet<string> Keys(NetworkState state) => [.. In(state).Select(clash => clash.Key)];

    /// <summary>Those that no step of an order is to blame for: they are there as it begins, or the house that it ends in has them itself, one that is gone
    /// back to.</summary>
    public static ImmutableHashSet<string> Known(NetworkDocument from, NetworkDocument to) => Keys(Simulator.Run(from)).Union(Keys(Simulator.Run(to)));

    /// <returns>What tells them apart, and each in words.</returns>
    public static IEnumerable<(string Key, string Sentence)> In(NetworkState state)
    {
        var facts = new Facts(state);
        foreach (var finding in Rules.SelectMany(rule => rule.Check(facts))) yield return (finding.Key, finding.Message);
        // Two servers by what runs, not by what a rule says of it: a repeater that still gives out addresses is a finding of its own kind.
        foreach (var group in state.Servers.GroupBy(server => server.Segment).Where(group => group.Count() > 1))
        {
            // Two by two: where three were, two that are left are no new clash.
            var servers = group.Select(server => server.Device).Order(StringComparer.Ordinal).ToList();
            for (var i = 0; i < servers.Count; i++)
                for (var j = i + 1; j < servers.Count; j++)
                    yield return ($"servers:{servers[i]}+{servers[j]}", $"{state.House.NameOf(servers[i])} and {state.House.NameOf(servers[j])} would give out addresses on one network.");
        }
    }
}
