using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Needs;

public sealed class SingleNatNeed : NeedJudge<Need.SingleNat>
{
    public override string Sentence(NetworkDocument house, Need.SingleNat need) => need.Endpoint is { } endpoint
        ? $"{house.NameOf(endpoint)} is translated at most once on its way out"
        : "Everything is translated at most once on its way out";

    public override (Answer, string) Judge(Facts facts, Need.SingleNat need)
    {
        var ids = need.Endpoint is { } one ? [one] : facts.House.Endpoints.Select(endpoint => endpoint.Id).ToArray();
        foreach (var id in ids)
        {
            var answer = facts.State.Internet(id);
            // Without a way out nothing is translated: it does not count.
            if (answer.Reachable == Answer.No) continue;
            var inHome = answer.Hops.Where(hop => hop != Line.CarrierId).ToList();
            if (inHome.Count > 1) return (Answer.No, $"{facts.NameOf(id)} passes {Facts.Join(inHome.Select(facts.NameOf), 6)}: {inHome.Count} translations.");
        }
        return (Answer.Yes, "One translation at most in the home.");
    }
}

internal partial class NeedHearing
{
    public NeedVerdict SingleNat(Need.SingleNat need) => new SingleNatNeed().Verdict(facts, need);
}
