using Altrin.Core.Network;
using Altrin.Core.Radio;

namespace Altrin.Core.Rules.Spectrum;

/// <summary>A channel, or a width, that the country does not allow.</summary>
public sealed class ChannelUnlawful : IRule
{
    public string Id => "channel-unlawful";
    public string Statement => "Every radio sends where the country allows it, and no wider.";
    public string Source => "the open wireless regulatory database (a snapshot is shipped); ETSI EN 300 328 and EN 301 893 for Europe, values from memory";
    public RuleTraits Traits => RuleTraits.OfTheAir | RuleTraits.CuredByChannels;

    public IEnumerable<Finding> Check(Facts facts)
    {
        if (Regulations.Of(facts.House.Country) is not { } rules) yield break;
        foreach (var source in facts.State.AirMap.Sources)
        {
            if (source.Channel.Number is not { } number || !ChannelFixes.IsOwn(facts, source)) continue;
            var box = ChannelFixes.BoxOf(facts, source);
            if (Regulations.WhyNot(rules, source.Channel, Rooms.Find(facts.House, box.Room)?.Outdoor == true) is not { } why) continue;
            yield return new(Id, Severity.Fault, "A channel the country forbids", [box.Id], () => $"{box.Name} sends on channel {number} at {ChannelFixes.BandWords(source.Radio.Band)}, {source.Channel.WidthMHz} MHz wide. {Say(why, facts.House.Country!)} "
                + "It can jam others, and it is unlawful, whatever its settings page offers.", () => ChannelFixes.Plan(facts), source.Radio.Id);
        }
    }

    private static string Say(Unlawful why, string country) => why switch
    {
        Unlawful.NoRule => $"Nobody may send there in {country}.",
        Unlawful.Passive => $"In {country} one may listen there, and begin no network.",
        Unlawful.IndoorsOnly => $"In {country} that is allowed indoors alone, and it stands outdoors.",
        Unlawful.TooWide => $"In {country} nobody may be that wide there.",
        _ => throw new InvalidOperationException($"{why} is not handled."),
    };
}
