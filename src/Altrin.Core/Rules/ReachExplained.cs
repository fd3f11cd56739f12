using Altrin.Core.Network;
using Altrin.Core.Rules.Needs;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules;

/// <summary>Whether one thing reaches another, and why, in words with the addresses of this house.</summary>
/// <param name="ByName">Both on one segment, so that the one finds the other by name too (RFC 6762).</param>
public sealed record ReachExplained(string From, string To, Answer Reachable, bool ByName, string Because)
{
    /// <param name="to">An endpoint, or <c>isp</c> for the internet.</param>
    public static ReachExplained Of(Facts facts, string from, string to)
    {
        if (to == InterfaceTable.ProviderId)
        {
            var way = facts.State.Internet(from);
            var through = way.Hops.Length == 0 ? "It stands at the line itself."
                : $"Its address is translated by {Facts.Join(way.Hops.Select(hop => hop == Line.CarrierId ? "the provider" : facts.NameOf(hop)), 6)}.";
            return new(from, to, way.Reachable, false, way.Reachable == Answer.Yes ? through : Reasons.NoInternet(facts, from, way.Why));
        }
        var answer = facts.State.Reach(from, to);
        var (a, b) = (facts.State.Net(from), facts.State.Net(to));
        var together = a is { Segment: >= 0 } && a.Segment == b?.Segment;
        var because = answer.Reachable != Answer.Yes ? Reasons.NoReach(facts, from, to, answer.Why)
            : together ? $"Both are on one network: {facts.NameOf(from)} {Reasons.Address(facts, from)}, {facts.NameOf(to)} {Reasons.Address(facts, to)}. It is found by name too."
            : $"{facts.NameOf(to)} {Reasons.Address(facts, to)}, up the stairs from {facts.NameOf(from)}: reached by its address, not found by name.";
        return new(from, to, answer.Reachable, together && answer.Reachable == Answer.Yes, because);
    }
}
