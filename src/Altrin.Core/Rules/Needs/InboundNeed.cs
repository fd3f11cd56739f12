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
        if (answer.Reachable == Answer.Yes)
            return MayBeShared(facts.House.Line)
                ? (Answer.Sometimes, "Every router on the way lets it in, if the line’s address is its own. Such lines often share one: look which outside "
                    + "address the gateway’s page shows.")
                : (Answer.Yes, "Every router on the way lets it in.");
        return (answer.Reachable, answer.StoppedAt switch
        {
            null => Reasons.NoInternet(facts, need.Endpoint, facts.State.Internet(need.Endpoint).Why),
            Line.CarrierId => "The provider shares its address among customers: nothing at home can let it in.",
            var device => $"Stopped at {facts.NameOf(device)}.",
        });
    }

    /// <summary>A line over the air whose address nobody has seen: most of them share it among customers. Common practice, no source.</summary>
    private static bool MayBeShared(Line? line) =>
        line is { Technology: Technology.FixedWireless or Technology.Satellite, Seen: null, Agreed: null };
}

internal partial class NeedHearing
{
    public NeedVerdict Inbound(Need.Inbound need) => new InboundNeed().Verdict(facts, need);
}
