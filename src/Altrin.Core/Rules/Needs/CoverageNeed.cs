using Altrin.Core.Air;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Needs;

/// <summary>So many megabits over Wi-Fi in each of the rooms; in all of them that are not outdoors where none is named.</summary>
public sealed class CoverageNeed : NeedJudge<Need.Coverage>
{
    public override string Sentence(NetworkDocument house, Need.Coverage need) =>
        $"At least {need.Mbps:0.#} Mb/s over Wi-Fi in {(need.Rooms.IsEmpty ? "every room" : Facts.Join(need.Rooms.Select(room => Rooms.Say(house, room)), 4))}";

    public override (Answer, string) Judge(Facts facts, Need.Coverage need)
    {
        if (facts.House.Rooms.IsEmpty) return (Answer.No, "No room is listed: note them at Visit, so that it is known what is heard in each.");
        var wanted = need.Rooms.IsEmpty ? facts.House.Rooms.Where(room => room.Outdoor != true).ToList() : [.. need.Rooms.Select(word => Rooms.Find(facts.House, word)).OfType<Room>()];
        if (need.Rooms.FirstOrDefault(word => Rooms.Find(facts.House, word) is null) is { } unlisted)
            return (Answer.No, $"{unlisted} is no listed room: note it at Visit, so that it is known what is heard there.");
        if (wanted.Count == 0) return (Answer.No, "Every room that is listed is outdoors.");
        var short_ = wanted.Select(room => (Room: room, At: facts.State.AirMap.Rooms[facts.House.Rooms.IndexOf(room)])).Where(one => one.At.Expected.Printed < need.Mbps).OrderBy(one => one.At.Expected.Mbps).ToList();
        if (short_.Count == 0)
        {
            var worst = wanted.Select(room => facts.State.AirMap.Rooms[facts.House.Rooms.IndexOf(room)]).MinBy(at => at.Expected.Mbps)!;
            return (Answer.Yes, $"The least is in {facts.House.Rooms[worst.Room].Name}. {RateWords.Say(facts.House, worst, "a device there")}");
        }
        var others = short_.Count > 1 ? $" Too little in {Facts.Join(short_.Select(one => one.Room.Name), 4)}." : "";
        return (Answer.No, $"{RateWords.Say(facts.House, short_[0].At, $"a device on Wi-Fi in {short_[0].Room.Name}")}{others}");
    }
}

internal partial class NeedHearing
{
    public NeedVerdict Coverage(Need.Coverage need) => new CoverageNeed().Verdict(facts, need);
}
