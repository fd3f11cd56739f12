using Altrin.Core.Kit;
using Altrin.Core.Network;

namespace Altrin.Core.WorkOrders.Steps;

/// <summary>What the lamps of a box say, in the words of its kind.</summary>
internal static class LampWords
{
    /// <returns>Null where its kind is not known, or has no such lamp.</returns>
    public static string? Of(NetworkDocument house, string device, Lamp shows) =>
        house.FindDevice(device) is { } box && house.KindOf(box) is { } kind && kind.Lamps.TryGetValue(shows, out var words) ? words : null;

    /// <summary>Whether a lamp of its kind tells how well it has joined. A lamp for the line alone tells nothing of that.</summary>
    public static bool HasRadioLamp(NetworkDocument house, string device) => Of(house, device, Lamp.Joined) is not null
        && (Of(house, device, Lamp.Weak) ?? Of(house, device, Lamp.OutOfRange) ?? Of(house, device, Lamp.WrongKey)) is not null;

    /// <summary>What the lamps of a box that joins by radio say where it has not joined well. Nothing for one that joins nobody.</summary>
    public static IEnumerable<string> WhereNotJoined(NetworkDocument house, string device)
    {
        if (house.FindDevice(device)?.Uplink is null) yield break;
        var said = new List<string>();
        if (Of(house, device, Lamp.WrongKey) is { } wrong) said.Add($"“{wrong}”: the password is wrong");
        // A kind often says itself what its lamp asks for.
        if (Of(house, device, Lamp.Weak) is { } weak) said.Add(weak.Contains(':', StringComparison.Ordinal) ? $"“{weak}”"
            : $"“{weak}”: carry it nearer");
        if (Of(house, device, Lamp.OutOfRange) is { } far) said.Add(far.Contains(':', StringComparison.Ordinal) ? $"“{far}”"
            : $"“{far}”: too far");
        if (said.Count > 0) yield return $"Its lamps: {string.Join("; ", said)}.";
    }

    /// <summary>By which lamp a box at the line says that no line comes in.</summary>
    public static IEnumerable<string> WhereNoLine(NetworkDocument house, string device)
    {
        if (Of(house, device, Lamp.NoLine) is { } dead) yield return $"“{dead}” means that no line comes in: then ask the provider first.";
    }
}
