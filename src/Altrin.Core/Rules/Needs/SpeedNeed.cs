using Altrin.Core.Actions;
using Altrin.Core.Air;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Needs;

/// <summary>So many megabits for a thing, or for a household's device on Wi-Fi in a room (section 6 of the format).</summary>
public sealed class SpeedNeed : NeedJudge<Need.Speed>
{
    public override string Sentence(NetworkDocument house, Need.Speed need) =>
        $"At least {need.Mbps:0.#} Mb/s {(need.Endpoint is { } thing ? $"for {house.NameOf(thing)}" : $"in {Rooms.Say(house, need.Room!)}")}";

    public override (Answer, string) Judge(Facts facts, Need.Speed need)
    {
        if (need.Endpoint is { } thing)
        {
            var reachable = facts.State.Internet(thing).Reachable;
            if (reachable == Answer.No) return (Answer.No, Reasons.NoInternet(facts, thing, facts.State.Internet(thing).Why));
            var rate = facts.State.RateOf(thing);
            return (rate.Printed >= need.Mbps ? reachable : Answer.No, RateWords.Say(facts.House, rate, facts.NameOf(thing)));
        }
        if (Rooms.Find(facts.House, need.Room) is not { } room) return (Answer.No, $"{need.Room} is no listed room: note it at Visit, so that it is known what is heard there.");
        var at = facts.State.AirMap.Rooms[facts.House.Rooms.IndexOf(room)];
        return (at.Expected.Printed >= need.Mbps ? Answer.Yes : Answer.No, RateWords.Say(facts.House, at, $"a device on Wi-Fi in {room.Name}"));
    }
}

internal partial class NeedHearing
{
    public NeedVerdict Speed(Need.Speed need) => new SpeedNeed().Verdict(facts, need);
}
