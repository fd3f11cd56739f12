using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Radio;

namespace Altrin.Core.Simulation;

/// <summary>What somebody measured in a room is believed: a source is there no louder, and gives no more, than was measured (section 6, 2
/// of
/// the format).</summary>
internal sealed class AirCaps
{
    /// <summary>As loud as anything is heard where nobody gets Wi-Fi, in dBm.</summary>
    public const double SilentDbm = -90;

    /// <param name="Box">Null: every source.</param>
    /// <param name="Band">Null: every radio of the box.</param>
    private readonly record struct Cap(string? Box, Band? Band, double LevelDbm, double Mbps);

    private readonly NetworkDocument house;
    private readonly Dictionary<(int Room, string? Word), List<Cap>> caps = [];

    private AirCaps(NetworkDocument house) => this.house = house;

    /// <returns>Null where nothing was measured.</returns>
    public static AirCaps? Of(NetworkDocument house, FloorPlan plan)
    {
        if (house.Measured.IsEmpty && !house.Rooms.Any(room => room.NoWifi == true)) return null;
        var all = new AirCaps(house);
        foreach (var room in house.Rooms)
            if (room.NoWifi == true) all.Add(plan.PlaceOf(room.Id, null), new(null, null, SilentDbm, double.PositiveInfinity));
        foreach (var one in house.Measured)
            if (IsOfWifi(house, one))
                all.Add(plan.PlaceOf(one.Room, null), new(one.Source, one.Band,
                    one.LevelDbm ?? double.PositiveInfinity, one.Mbps ?? double.PositiveInfinity));
        return all.caps.Count == 0 ? null : all;
    }

    /// <summary>Whether it says something of the air: what was measured with a wired thing does not.</summary>
    public static bool IsOfWifi(NetworkDocument house, Measurement one) =>
        one.Device is not { } with || house.FindEndpoint(with)?.Connect?.Socket is null;

    private void Add(Place place, Cap cap)
    {
        if (!caps.TryGetValue(Key(place), out var list)) caps[Key(place)] = list = [];
        list.Add(cap);
    }

    private static (int, string?) Key(Place place) => place.IsListed ? (place.Index, null) : (-1, place.Word?.ToUpperInvariant());

    /// <summary>The lowest level, in dBm, and the lowest rate, in Mb/s, that were measured there of the box's radios of a band; infinite
    /// for none.</summary>
    public (double LevelDbm, double Mbps) At(Place place, int device, Band band)
    {
        var (level, mbps) = (double.PositiveInfinity, double.PositiveInfinity);
        if (place is { IsListed: false, Word: null } || !caps.TryGetValue(Key(place), out var list)) return (level, mbps);
        var box = house.Devices[device].Id;
        foreach (var cap in list)
            if ((cap.Box is null || cap.Box == box) && (cap.Band is null || cap.Band == band))
                (level, mbps) = (Math.Min(level, cap.LevelDbm), Math.Min(mbps, cap.Mbps));
        return (level, mbps);
    }
}
