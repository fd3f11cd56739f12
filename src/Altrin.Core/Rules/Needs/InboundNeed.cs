using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Needs;

public sealed class InboundNeed : NeedJudge<Need.Inbound>
{
    public override string Sentence(NetworkDocument house, Need.Inbound need) =>
        $"{house.NameOf(need.Endpoint)} can be reached from outside on {Words<TransportProtocol>.Of(need.Protocol)} {need.Port}";

    public override (Answer, string) Judge(Facts facts, Need.Inbound need)
    {
        var answer = facts.State.Inbound(need.Endpoint, need.Protocol, need.Port);
        if (answer.Reachable == Answer.Yes) return (Answer.Yes, "Every router on the way lets it in.");
        return (answer.Reachable, answer.StoppedAt switch
        {
            null => Reasons.NoInternet(facts, need.Endpoint, facts.State.Internet(need.Endpoint).Why),
            Line.CarrierId => "The provider shares its address among customers: nothing at home can let it in.",
            var device => $"Stopped at {facts.NameOf(device)}.",
        });
    }
}

internal partial class NeedHearing
{
    public NeedVerdict Inbound(Need.Inbound need) => new InboundNeed().Verdict(facts, need);
}
