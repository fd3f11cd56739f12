using Altrin.Core.Network;
using Altrin.Core.Radio;

namespace Altrin.Core.Rules.Spectrum;

/// <summary>A bridge or WDS link on a channel that a radar may take away.</summary>
public sealed class RadarUnderBridge : IRule
{
    public string Id => "radar-under-bridge";
    public string Statement => "A bridge or WDS link sits on no channel that has to be left for radar.";
    public string Source => "ETSI EN 301 893 (DFS: 60 s of listening, then leaving within 10 s); value from memory";
    public RuleTraits Traits => RuleTraits.OfTheAir | RuleTraits.CuredByChannels;

    public IEnumerable<Finding> Check(Facts facts)
    {
        if (Regulations.Of(facts.House.Country) is not { } rules) yield break;
        foreach (var link in facts.State.AirMap.Links)
        {
            var box = facts.House.Devices[link.From];
            if (!box.Traits.IsRadioLink || link.Source.Channel.Number is not { } number || !Regulations.IsRadar(rules, link.Source.Channel)) continue;
            var far = facts.House.Devices[link.To];
            yield return new(Id, Severity.Caution, "A bridge on a radar channel", [far.Id, box.Id], () => $"{box.Name} hangs on channel {number} of {far.Name}, which has to be left when a radar is heard, and is listened to for a minute before it is used. "
                + $"Each time {box.Name} and what is behind it are cut off.", () => ChannelFixes.Plan(facts), box.Id);
        }
    }
}
