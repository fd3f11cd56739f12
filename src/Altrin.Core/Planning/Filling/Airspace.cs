using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Planning.Space;
using Altrin.Core.Radio;

namespace Altrin.Core.Planning.Filling;

/// <summary>Channels of boxes that come onto the air, or whose Wi-Fi is set anyway and picks for itself: apart from the household's others
/// and from
/// the neighbours, lawful, and where no radar is to be waited for. Where no country is known channels stay as found.</summary>
internal static class Airspace
{
    /// <summary>At 2.4 GHz those that do not overlap; above, the first of each block of 80 MHz.</summary>
    private static readonly ImmutableArray<int> Narrow = [1, 6, 11], Wide = [36, 149, 52, 100, 116, 132], Widest = [5, 21, 37, 53, 69, 85];

    /// <summary>What it weighs to sit on another source of the household's, or on a neighbour's.</summary>
    internal const int OwnWeight = 4, NeighbourWeight = 1;

    public static void Fill(Draft draft)
    {
        if (Regulations.Of(draft.Found.Country) is not { } rules) return;
        for (var i = 0; i < draft.Boxes.Length; i++)
        {
            if (!draft.Use(i).IsUsed || !draft.MaySet(i) || !Names.Sends(draft, i)) continue;
            var isNew = !draft.Ground.InUse[i];
            if (!isNew && draft.Boxes[i].Wifi == draft.Found.Devices[i].Wifi) continue;
            foreach (var radio in draft.Boxes[i].Radios)
            {
                // A radio that joins another sits on that one's channel.
                if (draft.Boxes[i].Uplink?.Radio == radio.Id
                    || (draft.Use(i).Joined == Joined.ByRadio && draft.Use(i).Band == radio.Band)) continue;
                if (draft.Boxes[i].Wifi.FirstOrDefault(network => network.Enabled && network.Radio == radio.Id)
                    is not { Channel: null or { Number: null } } first) continue;
                if (Best(rules, [.. Sources(draft, i)], radio, first.WidthMHz,
                    Rooms.Find(draft.Found, draft.Boxes[i].Room)?.Outdoor == true) is not { } number) continue;
                draft.Change(i,
                    box => box with
                    {
                        Wifi = [.. box.Wifi.Select(network => network.Radio == radio.Id
                    ? network with { Channel = new(number) } : network)]
                    });
            }
        }
    }

    /// <param name="others">On the air in that house, with the weight of sitting on them.</param>
    /// <param name="width">As it is set; null: as is usual in the band.</param>
    /// <returns>Null where none is lawful.</returns>
    internal static int? Best(ImmutableArray<RadioRule> rules, IReadOnlyList<(RadioChannel Channel, int Weight)> others,
        WirelessRadio radio, int? width, bool isOutdoors)
    {
        var wide = Math.Min(width ?? (radio.Band == Band.Ghz24 ? 20 : 80), radio.MaxWidthMHz ?? (radio.Band == Band.Ghz24 ? 20 : 80));
        (int Number, double Cost)? best = null;
        foreach (var number in radio.Band switch { Band.Ghz24 => Narrow, Band.Ghz5 => Wide, _ => Widest })
        {
            var channel = new RadioChannel(radio.Band, number, wide);
            if (Regulations.WhyNot(rules, channel, isOutdoors) is not null) continue;
            var isRadar = Regulations.IsRadar(rules, channel);
            // Three decibels less are about a row of the table of rates.
            var weaker = (RadioPower.UsualDbm(radio.Band) - RadioPower.Of(radio, channel, rules)) / 3;
            var cost = others.Sum(other => channel.Overlaps(other.Channel) ? other.Weight : 0) * 2 + (isRadar ? 1
                : 0) + Math.Max(0, weaker);
            if (best is null || cost < best.Value.Cost) best = (number, cost);
        }
        return best?.Number;
    }

    private static IEnumerable<(RadioChannel Channel, int Weight)> Sources(Draft draft, int but)
    {
        for (var i = 0; i < draft.Boxes.Length; i++)
            if (i != but && draft.Use(i).IsUsed && Names.Sends(draft, i))
                foreach (var radio in draft.Boxes[i].Radios)
                    if (draft.Boxes[i].Wifi.FirstOrDefault(network => network.Enabled
                        && network.Radio == radio.Id) is { Channel.Number: { } number } first)
                        yield return (new(radio.Band, number,
                            Math.Min(first.WidthMHz ?? (radio.Band == Band.Ghz24 ? 20 : 80), radio.MaxWidthMHz ?? 20)), OwnWeight);
        foreach (var one in draft.Found.Neighbours)
            if (one.Channel is { } number) yield return (new(one.Band, number, one.WidthMHz ?? 20), NeighbourWeight);
    }
}
