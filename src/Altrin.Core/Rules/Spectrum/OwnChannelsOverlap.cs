using Altrin.Core.Air.Channels;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Spectrum;

/// <summary>Boxes of one household that take turns on one channel where they could each have their own.</summary>
public sealed class OwnChannelsOverlap : IRule
{
    public string Id => "own-channels-overlap";
    public string Statement => "The household’s own boxes do not sit on each other’s channels where they hear each other.";
    public string Source => "common practice, no source (two sources taken off one channel went from 180 to 470 Mb/s)";
    public RuleTraits Traits => RuleTraits.OfTheAir | RuleTraits.CuredByChannels;

    public IEnumerable<Finding> Check(Facts facts)
    {
        var sources = facts.State.AirMap.Sources;
        var sharing = new DisjointSets(sources.Count);
        var isShared = false;
        for (var i = 0; i < sources.Count; i++)
            foreach (var other in sources[i].WithOwn)
                if (sources[i].Channel.Number is not null && sources[other].Channel.Number is not null) isShared |= sharing.Union(i, other);
        if (!isShared) yield break;
        // All that hang together by sharing. Two bands never share.
        foreach (var group in Enumerable.Range(0, sources.Count).GroupBy(sharing.Find))
        {
            var boxes = group.Select(i => sources[i].Device).Distinct().Select(device => facts.House.Devices[device]).ToList();
            if (boxes.Count > 1) yield return Found(facts, sources[group.Key].Radio.Band, [.. group.Select(i => sources[i])], boxes);
        }
    }

    private Finding Found(Facts facts, Band band, List<AirSource> group, List<Device> boxes)
    {
        var numbers = group.Select(source => source.Channel.Number!.Value).Distinct().Order().ToList();
        var on = numbers.Count == 1 ? $"channel {numbers[0]}" : $"channels {Facts.Join(numbers.Select(number => $"{number}"), 4)}, which overlap";
        var least = group.MinBy(source => source.Share)!;
        return new(Id, Severity.Caution, numbers.Count == 1 ? $"{Count(boxes.Count)} boxes on channel {numbers[0]}" : $"{Count(boxes.Count)} boxes on overlapping channels", [.. boxes.Select(box => box.Id)],
            () => $"{Facts.Join(boxes.Select(box => box.Name), 4)} send on {on} at {ChannelFixes.BandWords(band)}, hear each other and take turns: {least.Share * 100:0} % of the time is left to {ChannelFixes.BoxOf(facts, least).Name}.",
            () => ChannelFixes.Plan(facts), Words<Band>.Of(band));
    }

    private static string Count(int n) => n switch { 2 => "Two", 3 => "Three", 4 => "Four", 5 => "Five", _ => $"{n}" };
}
