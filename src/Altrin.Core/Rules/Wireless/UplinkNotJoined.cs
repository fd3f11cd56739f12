using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Wireless;

/// <summary>A repeater, bridge or satellite whose radio joins nothing: wrong name, password, security or band.</summary>
public sealed class UplinkNotJoined : IRule
{
    public string Id => "uplink-not-joined";
    public string Statement => "A box’s uplink has the name, password, security and band of the network it is to join.";
    public string Source => "IEEE 802.11 (a station joins by SSID and matching security); value from memory";
    public RuleTraits Traits => RuleTraits.OfTheAir;

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var box in facts.InUse)
        {
            if (box.Uplink is not { } uplink || facts.State.UplinkBox(box.Id) is not null) continue;
            // An access point, a switch, a modem and a gateway in pass-through use no uplink; a satellite may be on a cable instead.
            if (box.Traits.Uplink == UplinkSide.None) continue;
            if (box.Traits.BreaksLoops && facts.MainOn(facts.State.InsideOf(box.Id)) is not null) continue;
            // Everything fits and still no link: the channel is to blame, and that is another rule's.
            if (box.Traits.NeedsFixedChannel && WifiMatch.Willing(facts, uplink, box).Any()) continue;
            yield return Found(facts, box, uplink);
        }
    }

    private Finding Found(Facts facts, Device box, Uplink uplink)
    {
        var band = box.Radios.First(radio => radio.Id == uplink.Radio).Band;
        var (why, meant) = WifiMatch.WhyNot(facts, uplink.Ssid, uplink.Security, uplink.Key, band, box.Id, box.Room, box.At);
        return new(Id, Severity.Fault, "The uplink joins nothing", meant is null ? [box.Id] : [box.Id, meant.Box.Id],
            () => $"{box.Name} is to join {uplink.Ssid}, but {why}. It and what is behind it are cut off.", () => Fixes(facts, box, uplink, band), box.Id);
    }

    /// <summary>What the network of that name asks for; where there is none of that name, every network of the house that the radio can hear.</summary>
    private static ImmutableArray<Fix> Fixes(Facts facts, Device box, Uplink uplink, Band band)
    {
        var heard = facts.State.Air.Where(one => one.Band == band && one.Box.Id != box.Id && !one.Network.Guest).ToList();
        var named = heard.Where(one => one.Network.Ssid == uplink.Ssid).ToList();
        return [.. (named.Count > 0 ? named : heard).DistinctBy(one => (one.Network.Ssid, one.Network.Key, one.Network.Security)).Take(3)
            .Select(one => new Fix(named.Count > 0 ? $"Use the password and security of {one.Box.Name}" : $"Join {one.Network.Ssid} of {one.Box.Name}",
                new SetUplink(box.Id, uplink with { Ssid = one.Network.Ssid, Key = one.Network.Key, Security = one.Network.Security })))];
    }
}
