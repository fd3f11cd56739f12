using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Readings.Parsers;

namespace Altrin.Core.Readings.Eyes;

/// <summary>Which of a laptop's adapters is on the house's network. A laptop on the cable of one house and on the Wi-Fi of another shows
/// both at once.</summary>
public static class HouseAdapter
{
    /// <summary>Adapters with an address that is not of the laptop's own making; virtual ones aside.</summary>
    public static ImmutableArray<SeenAdapter> Hanging(PastedReading reading) =>
        [.. reading.Adapters.Where(one => one.Kind != AdapterKind.Virtual && one.Address is not null && one.LinkLocal != true)];

    /// <summary>What that adapter shows; of neighbours those that it met, or of whom it is not said who met them.</summary>
    /// <param name="name">Null: all of it.</param>
    public static PastedReading Only(PastedReading reading, string? name) => name is null || !reading.Adapters.Any(one => one.Name == name)
        ? reading
        : reading with
        {
            Adapters = [.. reading.Adapters.Where(one => one.Name == name)],
            Neighbours = [.. reading.Neighbours.Where(one => one.Adapter is null || one.Adapter == name)],
        };

    /// <returns>The question, where the laptop is on two networks and nobody said which is the house's; null otherwise.</returns>
    public static string? Ask(PastedReading reading, string? chosen) =>
        Hanging(reading) is { Length: > 1 } all && all.All(one => one.Name != chosen)
            ? $"The laptop is on {all.Length} networks at once: {string.Join(" and ", all.Select(Say))}. Which one is the house’s?" : null;

    /// <returns>A warning where the address was typed into the laptop; null otherwise.</returns>
    public static string? Fixed(PastedReading reading) => Hanging(reading).FirstOrDefault(one => one.Method == "static") is { } typed
        ? $"This laptop’s own address is fixed: {typed.Address} on {typed.Name}. Set it back to automatic when the work is done: elsewhere it would reach nobody."
        : null;

    public static string Say(SeenAdapter adapter) =>
        $"{adapter.Name} ({(adapter.Kind == AdapterKind.Wifi ? "Wi-Fi" : "cable")}, {adapter.Address})";
}
