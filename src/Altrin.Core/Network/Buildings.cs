namespace Altrin.Core.Network;

/// <summary>Whether two rooms are in one building.</summary>
public enum BuildingsApart { No, Perhaps, Yes }

/// <summary>What goes from one building into another: copper between them carries lightning and the difference between two
/// earths.</summary>
public static class Buildings
{
    /// <summary>Names by which a room is a building of its own, as people write them where nobody has listed the buildings. Common
    /// practice, no source.</summary>
    private static readonly string[] OwnBuildings = ["garden", "shed", "garage", "barn", "cottage", "dairy", "workshop", "orchard",
        "stable"];

    /// <param name="a">A room by its id or name, listed or not; null where nobody has said.</param>
    /// <returns>Yes where the buildings of both are listed and differ; perhaps where only a name says so.</returns>
    public static BuildingsApart Between(NetworkDocument house, string? a, string? b)
    {
        if (Rooms.Find(house, a) is { } one && Rooms.Find(house, b) is { } other
            && (one.Building is not null || other.Building is not null))
            return one.Building == other.Building ? BuildingsApart.No : BuildingsApart.Yes;
        return a is not null && b is not null && Rooms.AreSame(house, a, b) ? BuildingsApart.No : SaysSo(a) || SaysSo(b)
            ? BuildingsApart.Perhaps : BuildingsApart.No;
    }

    private static bool SaysSo(string? room) =>
        room is not null && OwnBuildings.Any(word => room.Contains(word, StringComparison.OrdinalIgnoreCase));
}
