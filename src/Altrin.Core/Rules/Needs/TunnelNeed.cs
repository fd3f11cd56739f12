using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Needs;

public sealed class TunnelNeed : NeedJudge<Need.Tunnel>
{
    public override string Sentence(NetworkDocument house, Need.Tunnel need) => $"The work tunnel uses {need.Prefix}, and nothing at home does";

    public override (Answer, string) Judge(Facts facts, Need.Tunnel need)
    {
        var clash = facts.State.Interfaces.FirstOrDefault(one => one.Kind is InterfaceKind.Lan or InterfaceKind.Guest
            && one.Candidates.Any(candidate => candidate.Address is { } address && address.Prefix.Overlaps(need.Prefix)));
        return clash is null
            ? (Answer.Yes, "No subnet of the home overlaps it.")
            : (Answer.No, $"{clash.Candidates[0].Address!.Value.Prefix} of {facts.NameOf(clash.Owner)} overlaps it.");
    }
}

internal partial class NeedHearing
{
    public NeedVerdict Tunnel(Need.Tunnel need) => new TunnelNeed().Verdict(facts, need);
}
