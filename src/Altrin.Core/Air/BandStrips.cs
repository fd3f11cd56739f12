using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Radio;
using Altrin.Core.Simulation;

namespace Altrin.Core.Air;

/// <summary>A channel of 20 MHz on its ruler.</summary>
/// <param name="Why">Why nobody may send there: <c>no-rule</c>, <c>passive</c>, <c>indoors-only</c>; null where one may.</param>
/// <param name="IsRadar">One waits a minute for radar there, and leaves when one is heard.</param>
/// <param name="MostDbm">EIRP; null where it is not lawful, or no country is set.</param>
public sealed record StripChannel(int Number, double LowMHz, double HighMHz, string? Why, bool IsRadar, double? MostDbm);

/// <summary>A radio of the house on its channels.</summary>
/// <param name="Channel">Null: picks one itself.</param>
/// <param name="LowMHz">Where it lies; the first channel of the band where it picks for itself.</param>
/// <param name="With">Who shares the air with it, in words.</param>
/// <param name="Share">0 to 1.</param>
/// <param name="Follows">The box whose channel it sits on, for it joins that one; null where it has its own.</param>
/// <param name="MayMove">Somebody may set it.</param>
public sealed record StripRadio(string Device, string Name, string Radio, int? Channel, int WidthMHz, double LowMHz, double HighMHz, double Share, ImmutableArray<string> With, string? Follows, bool MayMove, int WidestMHz);

public sealed record StripNeighbour(string Name, int? Channel, double LowMHz, double HighMHz, double? LevelDbm, string? Room);

/// <summary>One band as a ruler of channels with everybody who is on it.</summary>
public sealed record BandStrip(Band Band, double LowMHz, double HighMHz, ImmutableArray<StripChannel> Channels, ImmutableArray<StripRadio> Radios, ImmutableArray<StripNeighbour> Neighbours);

public static class BandStrips
{
    /// <summary>The bands that any radio of the house or a neighbour is on.</summary>
    public static ImmutableArray<BandStrip> Of(NetworkState state)
    {
        var house = state.House;
        var neighbours = HeardNeighbour.Of(house);
        var boxOf = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var source in state.AirMap.Sources) boxOf[AirMap.NameOf(house, source)] = house.Devices[source.Device].Name;
        var bands = state.AirMap.Sources.Select(source => source.Radio.Band).Concat(neighbours.Select(one => one.Channel.Band)).Distinct().Order();
        return [.. bands.Select(band => Strip(state, band, neighbours, boxOf))];
    }

    private static BandStrip Strip(NetworkState state, Band band, ImmutableArray<HeardNeighbour> neighbours, Dictionary<string, string> boxOf)
    {
        var rules = Regulations.Of(state.House.Country);
        ImmutableArray<StripChannel> channels = [.. Numbers(band).Select(number => Channel(rules, band, number))];
        // What the country has at neither end is not shown.
        var shown = channels.Where(channel => channel.Why is null).ToList();
        var (low, high) = shown.Count == 0 ? (channels[0].LowMHz, channels[^1].HighMHz) : (shown.Min(channel => channel.LowMHz), shown.Max(channel => channel.HighMHz));
        var radios = state.AirMap.Sources.Where(source => source.Radio.Band == band).Select(source => Radio(state, source, boxOf)).ToImmutableArray();
        var theirs = neighbours.Where(one => one.Channel.Band == band).Select(Neighbour).ToImmutableArray();
        foreach (var (from, to) in radios.Select(one => (one.LowMHz, one.HighMHz)).Concat(theirs.Select(one => (one.LowMHz, one.HighMHz)))) (low, high) = (Math.Min(low, from), Math.Max(high, to));
        return new(band, low, high, [.. channels.Where(channel => channel.HighMHz > low && channel.LowMHz < high)], radios, theirs);
    }

    private static IEnumerable<int> Numbers(Band band) => band switch
    {
        Band.Ghz24 => Enumerable.Range(1, 13),
        Band.Ghz5 => Enumerable.Range(0, 8).Select(n => 36 + 4 * n).Concat(Enumerable.Range(0, 12).Select(n => 100 + 4 * n)).Concat(Enumerable.Range(0, 8).Select(n => 149 + 4 * n)),
        _ => Enumerable.Range(0, 59).Select(n => 1 + 4 * n),
    };

    private static StripChannel Channel(ImmutableArray<RadioRule>? rules, Band band, int number)
    {
        var (channel, centre) = (new RadioChannel(band, number, 20), Core.Radio.Channels.PrimaryMHz(band, number));
        var why = rules is { } lawful ? Regulations.WhyNot(lawful, channel, isOutdoors: false) : null;
        return new(number, centre - 10, centre + 10, why is { } reason ? Words(reason) : null, rules is { } known && Regulations.IsRadar(known, channel), rules is { } all && why is null ? Regulations.MostDbm(all, centre) : null);
    }

    private static string Words(Unlawful why) => why switch { Unlawful.NoRule => "no-rule", Unlawful.Passive => "passive", Unlawful.IndoorsOnly => "indoors-only", _ => "too-wide" };

    private static StripRadio Radio(NetworkState state, AirSource source, Dictionary<string, string> boxOf)
    {
        var house = state.House;
        var box = house.Devices[source.Device];
        var follows = state.AirMap.Links.FirstOrDefault(link => link.From == source.Device && link.Radio.Id == source.Radio.Id);
        var (low, high) = (source.Channel.CentreMHz - source.Channel.WidthMHz / 2.0, source.Channel.CentreMHz + source.Channel.WidthMHz / 2.0);
        return new(box.Id, box.Name, source.Radio.Id, source.Channel.Number, source.Channel.WidthMHz, low, high, Math.Round(source.Share, 2), [.. source.With.Select(other => boxOf.GetValueOrDefault(other, other))], follows is null ? null : house.Devices[follows.To].Name,
            follows is null && box.LeaveAsFound != true, source.Ability.WidestMHz);
    }

    private static StripNeighbour Neighbour(HeardNeighbour one)
    {
        var strongest = one.Notes.MaxBy(note => note.LevelDbm ?? double.NegativeInfinity)!;
        return new(one.Name, one.Channel.Number, one.Channel.CentreMHz - one.Channel.WidthMHz / 2.0, one.Channel.CentreMHz + one.Channel.WidthMHz / 2.0, strongest.LevelDbm, strongest.Room);
    }
}
