using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Needs;

public sealed class InternetNeed : NeedJudge<Need.Internet>
{
    public override string Sentence(NetworkDocument house, Need.Internet need) => $"{house.NameOf(need.Endpoint)} has internet";

    public override (Answer, string) Judge(Facts facts, Need.Internet need)
    {
        var answer = facts.State.Internet(need.Endpoint);
        if (answer.Reachable != Answer.Yes) return (answer.Reachable, Reasons.NoInternet(facts, need.Endpoint, answer.Why));
        return (Answer.Yes, answer.Hops.IsEmpty ? "Directly at the line." : $"By way of {Facts.Join(answer.Hops.Select(facts.NameOf), 6)}.");
    }
}

internal partial class NeedHearing
{
    public NeedVerdict Internet(Need.Internet need) => new InternetNeed().Verdict(facts, need);
}
