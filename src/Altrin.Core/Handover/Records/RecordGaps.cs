using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Handover.Records;

/// <summary>What the record still lacks.</summary>
/// <param name="Box">Where it is noted; null where it is no box’s.</param>
public sealed record MissingNote(string Says, string? Box);

/// <summary>Asks for what only a person can add to the record.</summary>
internal static class RecordGaps
{
    /// <param name="keysNoted">Names of Wi-Fi keys whose passwords are kept with the job.</param>
    public static IEnumerable<MissingNote> Of(NetworkDocument house, IEnumerable<WifiNetwork> networks, RecordNotes notes,
        IReadOnlySet<string> keysNoted)
    {
        foreach (var network in networks.Where(one => one.Key is { } key && !keysNoted.Contains(key)))
            yield return new($"The password of {network.Ssid} is not noted.", null);
        foreach (var box in house.Devices.Where(box => box.Lan is not null && box.LeaveAsFound != true
            && !notes.PasswordsNoted.Contains(box.Id)))
            yield return new(box.DefaultPassword == true ? $"{box.Name} still has the page password it was sold with."
                : $"The page password of {box.Name} is not noted.", box.Id);
        foreach (var box in house.Devices.Where(box => box.Room is null)) yield return new($"The room of {box.Name} is not noted.", box.Id);
        if (notes.Tested.IsEmpty) yield return new("No step of the work order is ticked, so the record does not say what was tested.",
            null);
    }
}
