using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Radio;
using Altrin.Core.Simulation;

namespace Altrin.Core.Air;

/// <summary>What a device of the household may expect in a room.</summary>
/// <param name="Device">The box that gives it; null: nothing is heard.</param>
/// <param name="Mbps">As it is printed.</param>
public sealed record RoomRate(string Room, string? Device, double Mbps);

/// <summary>The rates of all rooms of a house, and which of two houses is better for whoever walks through it.</summary>
public sealed class RoomRates : IComparable<RoomRates>
{
    private readonly ImmutableArray<double> sorted;

    private RoomRates(NetworkDocument house, ImmutableArray<RoomRate> rooms)
    {
        Rooms = rooms;
        // Outdoors nobody promises anything.
        var counted = rooms.Where((_, i) => house.Rooms[i].Outdoor != true).ToList();
        Worst = counted.MinBy(room => room.Mbps);
        sorted = [.. counted.Select(room => room.Mbps).Order()];
    }

    public static RoomRates Of(NetworkDocument house) => Of(house, AirMap.Of(house));

    public static RoomRates Of(NetworkDocument house, AirMap air) =>
        new(house, [.. air.Rooms.Select(room => new RoomRate(house.Rooms[room.Room].Id, room.Source is { } source ? house.Devices[source.Device].Id : null, room.Expected.Printed))]);

    public ImmutableArray<RoomRate> Rooms { get; }

    /// <summary>Of the rooms indoors; null where none is listed.</summary>
    public RoomRate? Worst { get; }

    /// <summary>By the worst room first, then by the next, and so on: more is better.</summary>
    public int CompareTo(RoomRates? other)
    {
        if (other is null) return 1;
        for (var i = 0; i < Math.Min(sorted.Length, other.sorted.Length); i++)
            if (sorted[i] != other.sorted[i]) return sorted[i].CompareTo(other.sorted[i]);
        return sorted.Length.CompareTo(other.sorted.Length);
    }
}
