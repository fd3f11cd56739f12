using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Needs;

public sealed class TunnelNeed : INeedJudge
{
    public NeedKind Kind => NeedKind.Tunnel;
    public string Sentence(NetworkDocument house, Need need) => $"The work tunnel uses {need.Prefix}, and nothing at home does";

    public (Answer, string) Judge(Facts facts, Need need)
    {
        var clash = facts.State.Interfaces.FirstOrDefault(one => one.Kind is InterfaceKind.Lan or InterfaceKind.Guest
            && one.Candidates.Any(candidate => candidate.Address is { } address && address.Prefix.Overlaps(need.Prefix!.Value)));
        return clash is null
            ? (Answer.Yes, "No subnet of the home overlaps it.")
            : (Answer.No, $"{clash.Candidates[0].Address!.Value.Prefix} of {facts.NameOf(clash.Owner)} overlaps it.");
    }
}
