using Altrin.Core.Network;

namespace Altrin.Core.Air.Channels;

/// <summary>What a plan of channels is called.</summary>
public static class ChannelWords
{
    /// <returns>Null where nothing is to be set.</returns>
    public static string? Say(NetworkDocument house, ChannelPlan plan)
    {
        var changed = plan.Radios.Where(radio => radio.IsChanged && plan.Actions.Length > 0).ToList();
        var bands = changed.Select(radio => (radio.Device, radio.Radio)).Distinct().Count();
        if (plan.Actions.IsEmpty) return null;
        if (changed.Count == 1) return $"Put {house.NameOf(changed[0].Device)} on {Channel(changed[0])}";
        var numbers = changed.Select(radio => radio.To).Distinct().ToList();
        return bands <= 3 && numbers.TrueForAll(number => number is not null) && numbers.Count == bands ? $"Set {string.Join(", ", numbers.SkipLast(1))} and {numbers[^1]}" : $"Set these {Number(bands)} channels";
    }

    public static string Channel(PlannedChannel radio) => $"{(radio.To is { } number ? $"channel {number}" : "an automatic channel")}{(radio.ToWidthMHz != radio.FromWidthMHz ? $", {radio.ToWidthMHz} MHz" : "")}";

    private static string Number(int n) => n switch { 2 => "two", 3 => "three", 4 => "four", 5 => "five", 6 => "six", _ => $"{n}" };
}
