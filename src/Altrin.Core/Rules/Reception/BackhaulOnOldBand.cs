using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Radio;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Reception;

/// <summary>A box that joins at 2.4 GHz where 5 GHz reaches and carries more.</summary>
public sealed class BackhaulOnOldBand : IRule
{
    public string Id => "backhaul-on-old-band";
    public string Statement => "Where 5 GHz reaches, boxes join by it and not at 2.4 GHz.";
    public string Source => "common practice, no source";
    public RuleTraits Traits => RuleTraits.OfTheAir;

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var link in facts.State.AirMap.Links)
        {
            if (link.Source.Radio.Band != Band.Ghz24 || !facts.State.AirMap.ArePlaced(link)) continue;
            var (box, far) = (facts.House.Devices[link.From], facts.House.Devices[link.To]);
            foreach (var (radio, better) in Others(facts, link, box, far))
            {
                yield return new(Id, Severity.Caution, "Joined on the slower band", [box.Id, far.Id],
                    () => $"{box.Name} joins {far.Name} at 2.4 GHz, {link.LinkMbps * link.Source.Share:0} Mb/s at most. At {Words<Band>.Of(radio.Band)} GHz it hears it at {better.Level:0} dBm, which carries {better.Mbps:0}.",
                    () => [new($"Join at {Words<Band>.Of(radio.Band)} GHz", new SetUplink(box.Id, box.Uplink! with { Radio = radio.Id, Near = far.Id }))], box.Id);
                break;
            }
        }
    }

    /// <summary>A radio of it of a newer band on which the same box makes the same network, and what that would carry.</summary>
    private static IEnumerable<(WirelessRadio Radio, (double Level, double Mbps) Better)> Others(Facts facts, AirLink link, Device box, Device far)
    {
        var air = facts.State.AirMap;
        foreach (var radio in box.Radios.Where(one => one.Band != Band.Ghz24).OrderByDescending(one => one.Band))
        {
            var source = air.Sources.FirstOrDefault(one => one.Device == link.To && one.Radio.Band == radio.Band && far.Wifi.Any(network => network.Enabled && network.Radio == one.Radio.Id && network.Ssid == box.Uplink!.Ssid && network.Key == box.Uplink.Key));
            if (source is null) continue;
            var level = air.LevelDbm(source, link.From);
            if (level < LinkRate.LeastDbm(radio.Band)) continue;
            var mbps = LinkRate.Mbps(source.Ability, RadioAbility.Of(radio), source.Channel.WidthMHz, level) * source.Share;
            // Less than a third more is not worth a setting.
            if (mbps >= link.LinkMbps * link.Source.Share * 4 / 3) yield return (radio, (level, mbps));
        }
    }
}
