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
        var online = facts.House.Endpoints.Select(thing => (thing.Name, Way: facts.State.Internet(thing.Id))).Where(one => one.Way.Reachable != Answer.No).ToList();
        if (online.Find(one => !one.Way.Hops.Contains(box.Id)) is { Name: { } around }) return (Answer.No, $"{around} gets out without {box.Name}.");
        return facts.State.HasWayToLine(box.Id) ? (Answer.Yes, $"Everybody with internet gets out through {box.Name}.") : (Answer.No, $"{box.Name} has no way to the line.");
    }
}

internal partial class NeedHearing
{
    public NeedVerdict MainRouter(Need.MainRouter need) => new MainRouterNeed().Verdict(facts, need);
}
