using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Air;

/// <summary>Which rooms hear the household's Wi-Fi, and who is heard best in each.</summary>
public static class Coverage
{
    /// <summary>Listed rooms indoors that hear some Wi-Fi of the household in the one house and none in the other.</summary>
    public static ImmutableArray<Room> Lost(AirMap before, AirMap after, NetworkDocument house) =>
        house.Rooms.Length != after.Rooms.Length ? [] : [.. house.Rooms.Where((room, i) => room.Outdoor != true && before.Rooms[i].Source is not null && after.Rooms[i].Source is null)];

    /// <summary>The rooms in which the box is the best there is, in the order of the document.</summary>
    public static ImmutableArray<Room> Of(AirMap air, NetworkDocument house, string device) =>
        [.. house.Rooms.Where((_, i) => air.Rooms[i].Source is { } source && house.Devices[source.Device].Id == device)];
}
