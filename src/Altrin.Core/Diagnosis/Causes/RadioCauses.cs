using Altrin.Core.Network;

namespace Altrin.Core.Diagnosis.Causes;

/// <summary>Keys that do not fit, networks that are off, and WDS ends on wandering channels.</summary>
internal static class RadioCauses
{
    /// <summary>The name of a key that no network has: a name of a secret, never the secret.</summary>
    private const string NoKey = "mistyped";

    public static IEnumerable<Cause> Of(CauseGround ground)
    {
        var (house, state) = (ground.House, ground.State);
        foreach (var box in ground.InUse)
        {
            if (box.Uplink is { } uplink && state.UplinkBox(box.Id) is { } upper)
                yield return CauseGround.OfBox("not-joined", box,
                    $"{box.Name} has not joined {uplink.Ssid} of {house.NameOf(upper)}: its key is mistyped, or it is too far away.",
                        "uplink",
                    one => one.Uplink is null ? one : one with { Uplink = one.Uplink with { Key = NoKey } });
            foreach (var network in box.SendsWifi ? box.Wifi.Where(one => one.Enabled) : [])
                yield return CauseGround.OfBox("wifi-off", box, $"{box.Name} does not send {network.Ssid}: the network is switched off.",
                    $"wifi.{network.Radio}.{network.Ssid}", one => Off(one, network), ("radio", network.Radio), ("ssid", network.Ssid));
        }
        foreach (var thing in house.Endpoints)
            if (thing.Connect is Attachment.Join join && state.JoinedBox(thing.Id) is not null)
                yield return CauseGround.One("not-joined",
                    $"{thing.Name} has not joined {join.Ssid}: its key is mistyped, or it is too far away.",
                    thing.Id, now =>
                        now.WithEndpoint(thing.Id, one => one.Connect is Attachment.Join on
                        ? one with { Connect = on with { Key = NoKey } } : one),
                    ("endpoint", thing.Id));
        foreach (var (box, radio) in LinkRadios(ground).Distinct())
            if (box.Wifi.FirstOrDefault(one => one.Radio == radio) is { Channel.Number: { } channel } first)
                yield return CauseGround.OfBox("wds-channel", box,
                    $"{box.Name} is on an automatic channel: the link needs channel {channel}.",
                    $"channel.{radio}", one => Wandering(one, radio), ("radio", radio));
    }

    private static Device Off(Device box, WifiNetwork network) => box with
    {
        Wifi = [.. box.Wifi.Select(one => one.Radio == network.Radio && one.Ssid == network.Ssid ? one with { Enabled = false } : one)],
    };

    private static Device Wandering(Device box, string radio)
    {
        var first = box.Wifi.FirstOrDefault(one => one.Radio == radio);
        return box with { Wifi = [.. box.Wifi.Select(one => ReferenceEquals(one, first) ? one with { Channel = new(null) } : one)] };
    }

    /// <summary>Both ends of every link that needs one fixed channel.</summary>
    private static IEnumerable<(Device Box, string Radio)> LinkRadios(CauseGround ground)
    {
        foreach (var box in ground.InUse)
        {
            if (!box.Traits.NeedsFixedChannel || box.Uplink is not { } uplink
                || ground.State.JoinedNetwork(box.Id) is not var (upper, place)) continue;
            yield return (box, uplink.Radio);
            var other = ground.House.FindDevice(upper)!;
            yield return (other, other.Wifi[place].Radio);
        }
    }
}
