using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Needs;

/// <summary>One device uses another. To be found by name as well, both must be on one segment (RFC 6762 section 2).</summary>
public sealed class ReachNeed : NeedJudge<Need.Reach>
{
    public override string Sentence(NetworkDocument house, Need.Reach need)
    {
        var port = need.Port is { } number ? $" on {Words<TransportProtocol>.Of(need.Protocol ?? TransportProtocol.Tcp)} {number}" : "";
        return $"{house.NameOf(need.From)} {(need.Discovery == true ? "finds and uses" : "reaches")} {house.NameOf(need.To)}{port}";
    }

    public override (Answer, string) Judge(Facts facts, Need.Reach need)
    {
        var (from, to) = (need.From, need.To);
        var answer = facts.State.Reach(from, to);
        if (answer.Reachable != Answer.Yes) return (answer.Reachable, Reasons.NoReach(facts, from, to, answer.Why));
        if (need.Discovery == true && facts.State.Net(from)?.Segment != facts.State.Net(to)?.Segment)
            return (Answer.No, "Finding by name does not cross a router: the two are on different networks.");
        return (Answer.Yes, $"{facts.NameOf(to)} {Reasons.Address(facts, to)}.");
    }
}

internal partial class NeedHearing
{
    public NeedVerdict Reach(Need.Reach need) => new ReachNeed().Verdict(facts, need);
}
