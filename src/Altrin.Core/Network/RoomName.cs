namespace Altrin.Core.Network;

/// <summary>Rooms are known by what the household calls them; how it is written makes no other room.</summary>
public static class RoomName
{
    /// <returns>False where either is not written down.</returns>
    public static bool IsSame(string? a, string? b) => a is not null && string.Equals(a, b, StringComparison.OrdinalIgnoreCase);
}
