using Altrin.Core.Network;

namespace Altrin.Core.Rules.Spectrum;

/// <summary>40 MHz at 2.4 GHz where others are about: half the band for one box.</summary>
public sealed class WideAmongNeighbours : IRule
{
    public string Id => "wide-among-neighbours";
    public string Statement => "At 2.4 GHz a box is 20 MHz wide where others are about.";
    public string Source => "IEEE 802.11-2020 clause 11.15 (20/40 coexistence: no 40 MHz among others); value from memory";
    public RuleTraits Traits => RuleTraits.OfTheAir;

    public IEnumerable<Finding> Check(Facts facts)
    {
        var neighbours = facts.House.Neighbours.Where(one => one.Band == Band.Ghz24).ToList();
        foreach (var source in facts.State.AirMap.Sources)
        {
            if (source.Radio.Band != Band.Ghz24 || source.Channel.WidthMHz <= 20 || !ChannelFixes.IsOwn(facts, source) || neighbours.Count == 0) continue;
            var box = ChannelFixes.BoxOf(facts, source);
            yield return new(Id, Severity.Caution, "Too wide for the air", [box.Id], () => $"{box.Name} is {source.Channel.WidthMHz} MHz wide at 2.4 GHz, half the band, and {Facts.Join(neighbours.Select(one => one.Ssid ?? "a hidden network").Distinct())} {(neighbours.Count == 1 ? "is" : "are")} there too. "
                + "It has to wait for all of them, and they for it.", () => [new("Make it 20 MHz wide", ChannelFixes.Set(box, source.Radio.Id, network => network with { WidthMHz = 20 }))], source.Radio.Id);
        }
    }
}
