using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Needs;

public sealed class MainRouterNeed : NeedJudge<Need.MainRouter>
{
    public override string Sentence(NetworkDocument house, Need.MainRouter need) => $"{house.NameOf(need.Device)} is the router";

    public override (Answer, string) Judge(Facts facts, Need.MainRouter need)
    {
        if (facts.House.FindDevice(need.Device) is not { } box) return (Answer.No, $"There is no box “{need.Device}”.");
        if (!facts.State.IsInUse(box.Id)) return (Answer.No, $"{box.Name} is not in use.");
        if (!box.RoutesForItsOwn) return (Answer.No, $"{box.Name} routes nobody: it is {box.Mode.Say()}.");
        if (!facts.State.HasWayToLine(box.Id)) return (Answer.No, $"{box.Name} has no way to the line.");
        foreach (var thing in facts.House.Endpoints)
            if (facts.State.Internet(thing.Id) is { Reachable: not Answer.No } way && !way.Hops.Contains(box.Id))
                return (Answer.No, $"{thing.Name} gets out without {box.Name}.");
        return (Answer.Yes, $"Everybody with internet gets out through {box.Name}.");
    }
}

internal partial class NeedHearing
{
    public NeedVerdict MainRouter(Need.MainRouter need) => new MainRouterNeed().Verdict(facts, need);
}
