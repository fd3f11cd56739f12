using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules;

/// <summary>Why something does not arrive, said with the addresses of this house.</summary>
internal static class Reasons
{
    public static string Address(Facts facts, string id)
    {
        if (facts.State.Net(id) is not { } net) return "has no network interface";
        return net.Outcome switch
        {
            LeaseOutcome.Leased or LeaseOutcome.Static => $"is at {net.Address!.Value.Address}",
            LeaseOutcome.LinkLocal => "got no address from anyone",
            LeaseOutcome.Contested => $"gets its address from {Facts.Join(net.Candidates.Select(c => c.Server is { } s ? facts.NameOf(s) : "nobody").Distinct(), 4).Replace(" and ", " or ")}, by chance",
            LeaseOutcome.None when facts.House.FindEndpoint(id)?.Connect?.Socket?.Device is { } box && facts.FindDevice(box) is { Off: true } => $"is plugged into {facts.NameOf(box)}, which has no power",
            LeaseOutcome.None => "is neither plugged in nor on Wi-Fi",
            _ => throw new InvalidOperationException($"{net.Outcome} is not handled."),
        };
    }

    public static string NoInternet(Facts facts, string from, ReachProblem why) => why switch
    {
        ReachProblem.NoAddress => $"{facts.NameOf(from)} {Address(facts, from)}.",
        ReachProblem.NoGateway when facts.State.Net(from) is { Outcome: LeaseOutcome.LinkLocal } => $"{facts.NameOf(from)} {Address(facts, from)}.",
        ReachProblem.NoGateway when facts.State.Net(from) is { Outcome: LeaseOutcome.Contested } =>
            $"{facts.NameOf(from)} {Address(facts, from)}; from one of them no way leads out.",
        ReachProblem.NoGateway when facts.State.Net(from)?.Candidates is [{ Gateway: { } gateway }] && facts.State.OnSegment[facts.State.Net(from)!.Segment]
            .Any(one => one.Routes && one.Address?.Address == gateway) =>
            $"{facts.NameOf(from)} {Address(facts, from)}; an address further on is decided by chance, and by one of its ways nothing leads out.",
        ReachProblem.NoGateway => $"{facts.NameOf(from)} {Address(facts, from)}, and no router answers at {Gateway(facts, from)}.",
        ReachProblem.Loop => "The cables form a circle on the way.",
        ReachProblem.Overlap => "A router on the way has the same subnet on both sides.",
        ReachProblem.NotTranslated => "A router on the way does not translate, so no answer finds back.",
        ReachProblem.NoWayOut => "A router on the way has no address on its WAN side.",
        ReachProblem.GuestsApart => "A guest network lets out to the internet and to nothing of the home.",
        ReachProblem.HeldByAnother => "An address on the way is held twice.",
        _ => $"{facts.NameOf(from)} {Address(facts, from)}, and no answer finds the way back to it.",
    };

    public static string NoReach(Facts facts, string from, string to, ReachProblem why)
    {
        var (a, b) = (facts.NameOf(from), facts.NameOf(to));
        return why switch
        {
            ReachProblem.BehindNat or ReachProblem.NobodyThere when Behind(facts, to, from) is { } router =>
                $"{b} stands behind {router}, which lets nothing in that was not asked for.",
            ReachProblem.NobodyThere or ReachProblem.BehindNat or ReachProblem.NoWayBack =>
                $"{b} {Address(facts, to)}; {a} {Address(facts, from)}: one does not find the other from there.",
            ReachProblem.GuestsApart => $"{a} is on a guest network, which lets out to the internet and to nothing of the home.",
            ReachProblem.HeldByAnother => $"The address of {b} is held twice, or a lease decides by chance.",
            ReachProblem.NoAddress when facts.State.Net(to) is not { Outcome: not LeaseOutcome.None } => $"{b} {Address(facts, to)}.",
            _ => NoInternet(facts, from, why),
        };
    }

    /// <summary>The name of a translating router that the one stands behind and the other does not.</summary>
    private static string? Behind(Facts facts, string inside, string outside)
    {
        var outer = facts.State.Internet(outside).Hops;
        return facts.State.Internet(inside).Hops.Where(hop => !outer.Contains(hop)).Select(facts.NameOf).FirstOrDefault();
    }

    private static string Gateway(Facts facts, string from) =>
        facts.State.Net(from)?.Candidates.Select(candidate => candidate.Gateway?.ToString()).FirstOrDefault(text => text is not null)
        ?? "any gateway (it has none)";
}
