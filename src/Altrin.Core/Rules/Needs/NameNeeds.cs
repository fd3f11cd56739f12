using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Needs;

public sealed class OneNameNeed : NeedJudge<Need.OneName>
{
    public override string Sentence(NetworkDocument house, Need.OneName need) => "One Wi-Fi name everywhere";

    public override (Answer, string) Judge(Facts facts, Need.OneName need)
    {
        var kinds = facts.State.Air.Where(one => !one.Network.Guest)
            .GroupBy(one => (one.Network.Ssid, one.Network.Security, one.Network.Key)).ToList();
        if (kinds.Count <= 1) return (Answer.Yes, kinds.Count == 0 ? "There is no Wi-Fi." : $"All are called {kinds[0].Key.Ssid}.");
        var names = kinds.Select(kind => kind.Key.Ssid).Distinct().ToList();
        return (Answer.No, names.Count > 1
            ? $"There are {names.Count} names: {Facts.Join(names, 5)}."
            : $"All are called {names[0]}, but their security or passwords differ.");
    }
}

public sealed class OwnNamesNeed : NeedJudge<Need.OwnNames>
{
    public override string Sentence(NetworkDocument house, Need.OwnNames need) => "Each box has a Wi-Fi name of its own";

    public override (Answer, string) Judge(Facts facts, Need.OwnNames need)
    {
        var shared = facts.State.Air.GroupBy(one => one.Network.Ssid)
            .FirstOrDefault(name => name.Select(one => one.Box.Id).Distinct().Skip(1).Any());
        return shared is null
            ? (Answer.Yes, "No two boxes share one.")
            : (Answer.No, $"{Facts.Join(shared.Select(one => one.Box.Name).Distinct())} are both called {shared.Key}.");
    }
}

public sealed class KeepNameNeed : NeedJudge<Need.KeepName>
{
    public override string Sentence(NetworkDocument house, Need.KeepName need) => $"The Wi-Fi name {need.Ssid} and its password stay";

    public override (Answer, string) Judge(Facts facts, Need.KeepName need)
    {
        var kept = facts.State.Air.Where(one => one.Network.Ssid == need.Ssid && one.Network.Key == need.Key && !one.Network.Guest && facts.State.HasWayToLine(one.Box.Id))
            .Select(one => one.Box.Name).FirstOrDefault();
        return kept is null ? (Answer.No, $"No box makes {need.Ssid} with that password.") : (Answer.Yes, $"{kept} makes it.");
    }
}

internal partial class NeedHearing
{
    public NeedVerdict OneName(Need.OneName need) => new OneNameNeed().Verdict(facts, need);
    public NeedVerdict OwnNames(Need.OwnNames need) => new OwnNamesNeed().Verdict(facts, need);
    public NeedVerdict KeepName(Need.KeepName need) => new KeepNameNeed().Verdict(facts, need);
}
