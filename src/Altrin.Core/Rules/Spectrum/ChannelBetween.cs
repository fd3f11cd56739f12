using Altrin.Core.Air.Channels;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Spectrum;

/// <summary>At 2.4 GHz between the channels that do not overlap, where others are about.</summary>
public sealed class ChannelBetween : IRule
{
    public string Id => "channel-between";
    public string Statement => "At 2.4 GHz boxes sit on 1, 6 or 11 (or 13 where it is lawful), not between.";
    public string Source => "common practice, no source; IEEE 802.11 (channels 5 MHz apart, 20 MHz wide)";
    public RuleTraits Traits => RuleTraits.OfTheAir | RuleTraits.CuredByChannels;

    public IEnumerable<Finding> Check(Facts facts)
    {
        var sources = facts.State.AirMap.Sources.Where(source => source.Radio.Band == Band.Ghz24).ToList();
        var neighbours = facts.House.Neighbours.Any(one => one.Band == Band.Ghz24);
        foreach (var source in sources)
        {
            if (source.Channel.Number is not { } number || ChannelOptions.Apart.Contains(number) || !ChannelFixes.IsOwn(facts, source)) continue;
            // Alone on the air it disturbs nobody.
            if (!neighbours && sources.TrueForAll(other => other.Device == source.Device)) continue;
            var box = ChannelFixes.BoxOf(facts, source);
            var nearest = ChannelOptions.Apart.Where(one => one != 13).MinBy(one => Math.Abs(one - number));
            yield return new(Id, Severity.Caution, "Between two channels", [box.Id], () => $"{box.Name} is on channel {number} at 2.4 GHz, between those that do not overlap: it disturbs two of them, and both disturb it. They are 1, 6 and 11.",
                () => ChannelFixes.Plan(facts) is { IsEmpty: false } plan ? plan : [new($"Put {box.Name} on channel {nearest}", ChannelFixes.Set(box, source.Radio.Id, network => network with { Channel = new(nearest) }))], source.Radio.Id);
        }
    }
}
