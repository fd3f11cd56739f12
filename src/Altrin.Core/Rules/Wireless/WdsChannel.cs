using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Wireless;

/// <summary>A WDS link that stays down because its two ends are not on one fixed channel.</summary>
public sealed class WdsChannel : IRule
{
    public string Id => "wds-channel";
    public string Statement => "Both ends of a WDS link sit on one fixed channel.";
    public string Source => "common practice, no source";
    public RuleTraits Traits => RuleTraits.OfTheAir;

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var box in facts.InUse)
        {
            if (box is not { Traits.NeedsFixedChannel: true, Uplink: { } uplink } || facts.State.UplinkBox(box.Id) is not null) continue;
            if (WifiMatch.Willing(facts, uplink, box).FirstOrDefault() is not { } far) continue;
            yield return Found(box, uplink, far);
        }
    }

    private Finding Found(Device box, Uplink uplink, AirNetwork far) => new(Id, Severity.Fault, "A WDS link on two channels", [box.Id, far.Box.Id],
        () => $"{box.Name} is on {Say(First(box, uplink.Radio)?.Channel)} and {far.Box.Name} on {Say(First(far.Box, far.Network.Radio)?.Channel)}. "
        + $"A WDS link comes up only on one fixed channel, so {box.Name} and what is behind it are cut off.", () => Fixes(box, uplink, far), box.Id);

    private static string Say(WifiChannel? channel) => channel?.Number is { } number ? $"channel {number}" : "an automatic channel";

    private static WifiNetwork? First(Device box, string radio) => box.Wifi.FirstOrDefault(network => network.Radio == radio);

    private static ImmutableArray<Fix> Fixes(Device box, Uplink uplink, AirNetwork far)
    {
        var first = First(far.Box, far.Network.Radio)!;
        var own = First(box, uplink.Radio);
        // One end's fixed channel for both; else 1 or 36, lawful indoors nearly everywhere; the person may choose another.
        var number = first.Channel?.Number ?? own?.Channel?.Number ?? (far.Band == Band.Ghz24 ? 1 : 36);
        var actions = ImmutableArray.CreateBuilder<InstallerAction>();
        if (first.Channel?.Number != number) actions.Add(new SetWifi(far.Box.Id, far.Box.Wifi.IndexOf(first), first with { Channel = new(number) }));
        if (own?.Channel?.Number != number) actions.Add(own is null
            ? new SetWifi(box.Id, box.Wifi.Length, new() { Radio = uplink.Radio, Ssid = uplink.Ssid, Security = uplink.Security, Key = uplink.Key, Channel = new(number) })
            : new SetWifi(box.Id, box.Wifi.IndexOf(own), own with { Channel = new(number) }));
        return [new($"Put both on channel {number}", actions.ToImmutable())];
    }
}
