using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>What was measured in the house as found, carried over into another house: it holds of a box only as long as that stands where
/// it
/// stood, and of no box that is new on the air (section 6, 2 of the format).</summary>
public sealed class MeasuredAsFound
{
    private readonly NetworkDocument found;
    private readonly ImmutableDictionary<string, Device> senders;

    /// <summary>One array for all: the plan of a house's rooms is kept by it.</summary>
    private readonly ImmutableArray<Room> roomsWithout;

    private MeasuredAsFound(NetworkDocument found, Func<string, bool> isInUse)
    {
        this.found = found;
        senders = found.Devices.Where(box => Sends(box) && isInUse(box.Id)).ToImmutableDictionary(box => box.Id);
        roomsWithout = [.. found.Rooms.Select(room => room.NoWifi == true ? room with { NoWifi = null } : room)];
    }

    /// <returns>Null where nothing was measured.</returns>
    public static MeasuredAsFound? Of(NetworkDocument found, Func<string, bool> isInUse) =>
        found.Measured.IsEmpty && !found.Rooms.Any(room => room.NoWifi == true) ? null : new(found, isInUse);

    /// <summary>The same of a house that has not been simulated.</summary>
    public static MeasuredAsFound? Of(NetworkDocument found)
    {
        if (found.Measured.IsEmpty && !found.Rooms.Any(room => room.NoWifi == true)) return null;
        var index = found.Devices.Select((box, i) => (box.Id, i)).ToDictionary(one => one.Id, one => one.i, StringComparer.Ordinal);
        var inUse = InUse.Of(found, index);
        return new(found, id => inUse[index[id]]);
    }

    public static MeasuredAsFound? Of(NetworkState state) => Of(state.House, state.IsInUse);

    /// <summary>A house made of the one as found, with what holds in it of what was measured.</summary>
    public NetworkDocument In(NetworkDocument house)
    {
        var kept = house.Devices.Where(box => Sends(box) && Stayed(box)).Select(box => box.Id).ToHashSet(StringComparer.Ordinal);
        var hasOther = house.Devices.Any(box => Sends(box) && !kept.Contains(box.Id));
        if (!hasOther) return house;
        var measured = found.Measured.SelectMany(one => Narrowed(one, kept))
            .Concat(found.Rooms.Where(room => room.NoWifi == true).SelectMany(room => Silent(room, kept)));
        return house with { Measured = [.. measured], Rooms = roomsWithout };
    }

    private static bool Sends(Device box) => box.SendsWifi && box.Wifi.Any(network => network.Enabled);

    private bool Stayed(Device box) =>
        senders.TryGetValue(box.Id, out var was) && was.At == box.At && (was.Room == box.Room || Rooms.AreSame(found, was.Room, box.Room));

    /// <summary>Of one box it goes where that box goes; of all of them it is left of those that stay.</summary>
    private IEnumerable<Measurement> Narrowed(Measurement one, HashSet<string> kept)
    {
        if (one.Source is { } source) return kept.Contains(source) || !senders.ContainsKey(source) ? [one] : [];
        if (!AirCaps.IsOfWifi(found, one)) return [one];
        return kept.Order(StringComparer.Ordinal).Select((box, i) => one with { Id = i == 0 ? one.Id : $"{one.Id}-{box}", Source = box });
    }

    private static IEnumerable<Measurement> Silent(Room room, HashSet<string> kept) =>
        kept.Order(StringComparer.Ordinal).Select(box => new Measurement
        {
            Id = $"no-wifi-{room.Id}-{box}",
            Room = room.Id,
            Source = box,
            LevelDbm = AirCaps.SilentDbm,
            Method = "no Wi-Fi there, as found",
        });
}
