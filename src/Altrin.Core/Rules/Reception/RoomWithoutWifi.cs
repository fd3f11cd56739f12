using Altrin.Core.Network;

namespace Altrin.Core.Rules.Reception;

/// <summary>A room with a thing on Wi-Fi in it, or a want for it, that hears none of the household's.</summary>
public sealed class RoomWithoutWifi : IRule
{
    public string Id => "room-without-wifi";
    public string Statement => "Where a thing or a want needs Wi-Fi some is heard.";
    public string Source => "common practice, no source";

    public IEnumerable<Finding> Check(Facts facts)
    {
        if (facts.State.AirMap.Sources.Count == 0) yield break;
        for (var i = 0; i < facts.House.Rooms.Length; i++)
        {
            var room = facts.House.Rooms[i];
            if (facts.State.AirMap.Rooms[i].Source is not null) continue;
            var things = facts.House.Endpoints.Where(thing => thing.Connect is Attachment.Join && Rooms.Find(facts.House, thing.Room) == room && facts.State.JoinedBox(thing.Id) is null).ToList();
            var wanted = facts.House.Needs.Any(need => need is Need.Speed { Room: { } word } && Rooms.Find(facts.House, word) == room);
            if (things.Count == 0 && !wanted) continue;
            var nearest = facts.House.Devices[facts.State.AirMap.Sources[0].Device];
            yield return new(Id, Severity.Caution, $"No Wi-Fi in {room.Name}", [things.Count > 0 ? things[0].Id : nearest.Id], () => $"In {room.Name} none of the household’s boxes is heard. "
                + (things.Count > 0 ? $"{Facts.Join(things.Select(thing => thing.Name))} {(things.Count == 1 ? "is" : "are")} there." : "Something is wanted there.") + " A box nearer by, or a cable and an access point, is missing.",
                () => [], room.Id);
        }
    }
}
