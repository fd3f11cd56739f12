using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Radio;
using Altrin.Core.Simulation;

namespace Altrin.Core.Air;

/// <summary>One source as it is heard in a room.</summary>
/// <param name="Mbps">What may be expected of it there.</param>
public sealed record HeardThere(string Device, Band Band, string Ssid, double LevelDbm, double Mbps);

/// <summary>A room with what a device may expect in it.</summary>
/// <param name="Mbps">Null: nothing of the household is heard.</param>
/// <param name="Says">The same with what holds it back, in words.</param>
/// <param name="Wanted">The most that a want asks of it; null where none does.</param>
/// <param name="Heard">Who is heard there, the best first, a dozen at most.</param>
public sealed record AirRoomView(string Id, string Name, int Floor, RoomRect? Rect, bool IsOutdoor, string? Building, WallMaterial? Walls, double? Mbps, string? Device, Band? Band, double? LevelDbm, string Says, double? Wanted, bool IsShort, ImmutableArray<HeardThere> Heard);

/// <summary>A box or a thing on the floor.</summary>
/// <param name="Kind"><c>sends</c>, <c>box</c> or <c>thing</c>.</param>
/// <param name="At">Where it stands: as put, else in the middle of its room; null where its room is not drawn.</param>
/// <param name="IsPut">Somebody has put it there.</param>
/// <param name="Joins">The box it joins by radio.</param>
public sealed record AirStander(string Id, string Name, string Kind, string? Room, int? Floor, FloorPoint? At, bool IsPut, string? Joins, bool IsAtHand);

/// <summary>A radio join between boxes.</summary>
/// <param name="IsWeak">Too weak for what is to be carried over it: stand it nearer.</param>
public sealed record AirLinkView(string From, string To, Band Band, int? Channel, double LevelDbm, double LinkMbps, bool IsWeak, string Says);

/// <summary>The air of a house as a person looks at it: rooms with rates, who joins whom, each band as a ruler.</summary>
/// <param name="LineMbps">What comes in at most; null where nobody knows.</param>
public sealed record AirView(string? Country, bool IsLawKnown, double? LineMbps, WallMaterial Walls, FloorMaterial Floors, double OffsetDb, bool IsDrawn, ImmutableArray<AirRoomView> Rooms, ImmutableArray<AirStander> Standers,
    ImmutableArray<AirLinkView> Links, ImmutableArray<BandStrip> Strips)
{
    private const int MostHeard = 12;

    public static AirView Of(NetworkState state)
    {
        var (house, air) = (state.House, state.AirMap);
        return new(house.Country, Regulations.Of(house.Country) is not null, house.Line?.DownMbps, house.Building?.Walls ?? WallMaterial.Plasterboard, house.Building?.Floors ?? FloorMaterial.Wood, house.Building?.OffsetDb ?? 0,
            house.Rooms.Any(room => room.Rect is not null), [.. air.Rooms.Select(room => Room(state, room))], [.. AllStanders(state)], [.. air.Links.Select(link => Link(house, link))], BandStrips.Of(state));
    }

    private static AirRoomView Room(NetworkState state, AirRoom at)
    {
        var house = state.House;
        var room = house.Rooms[at.Room];
        var wanted = Wanted(house, room);
        double? mbps = at.Source is null ? null : at.Expected.Printed;
        return new(room.Id, room.Name, room.Floor ?? 0, room.Rect, room.Outdoor == true, room.Building, room.Walls, mbps, at.Source is { } source ? house.Devices[source.Device].Id : null, at.Source?.Radio.Band,
            at.Source is null ? null : Math.Round(at.LevelDbm, 1), RateWords.OfLine(house, at), wanted, wanted is { } least && (mbps ?? 0) < least,
            [.. state.AirMap.HeardAt(state.AirMap.Hearing.PlaceOf(room), at.Room).OrderByDescending(one => one.Expected.Printed).ThenByDescending(one => one.LevelDbm).Take(MostHeard)
                .Select(one => new HeardThere(house.Devices[one.Source!.Device].Id, one.Source.Radio.Band, one.Source.Ssid!, Math.Round(one.LevelDbm, 1), one.Expected.Printed))]);
    }

    private static double? Wanted(NetworkDocument house, Room room)
    {
        var all = house.Needs.OfType<Need.Speed>().Where(need => need.Room is { } word && Network.Rooms.Find(house, word)?.Id == room.Id).Select(need => need.Mbps)
            .Concat(house.Needs.OfType<Need.Coverage>().Where(need => need.Rooms.IsEmpty ? room.Outdoor != true : need.Rooms.Any(word => Network.Rooms.Find(house, word)?.Id == room.Id)).Select(need => need.Mbps)).ToList();
        return all.Count == 0 ? null : all.Max();
    }

    private static IEnumerable<AirStander> AllStanders(NetworkState state)
    {
        var house = state.House;
        var sends = state.AirMap.Sources.Select(source => source.Device).ToHashSet();
        for (var i = 0; i < house.Devices.Length; i++)
        {
            var box = house.Devices[i];
            yield return Stander(house, box.Id, box.Name, sends.Contains(i) ? "sends" : "box", box.Room, box.At, state.UplinkBox(box.Id), !state.IsInUse(box.Id));
        }
        foreach (var thing in house.Endpoints)
            if (thing.Id != Laptop.Id) yield return Stander(house, thing.Id, thing.Name, "thing", thing.Room, thing.At, state.JoinedBox(thing.Id), false);
    }

    private static AirStander Stander(NetworkDocument house, string id, string name, string kind, string? word, FloorPoint? at, string? joins, bool isAtHand)
    {
        var room = Network.Rooms.Find(house, word);
        FloorPoint? place = room?.Rect is { } rect ? at ?? new(rect.X + rect.Width / 2, rect.Y + rect.Depth / 2) : null;
        return new(id, name, kind, room?.Id ?? word, room is null ? null : room.Floor ?? 0, place, room is not null && at is not null, joins, isAtHand);
    }

    private static AirLinkView Link(NetworkDocument house, AirLink link) => new(house.Devices[link.From].Id, house.Devices[link.To].Id, link.Source.Radio.Band, link.Channel.Number, Math.Round(link.LevelDbm, 1), Math.Round(link.LinkMbps, 1), JoinLevel.IsWeak(link),
        $"{house.Devices[link.From].Name} hears {house.Devices[link.To].Name} at {link.LevelDbm:0} dBm, {RateWords.Through(link.Between)}: {(link.LinkMbps < 10 ? $"{link.LinkMbps:0.#}" : $"{link.LinkMbps:0}")} Mb/s.");
}
