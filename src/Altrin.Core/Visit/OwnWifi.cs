using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Readings.Parsers;

namespace Altrin.Core.Visit;

/// <summary>Networks that were heard from boxes of the house: what each box sends, and whose Wi-Fi a repeater then joins.</summary>
internal sealed class OwnWifi(NetworkDocument house, IReadOnlyList<(Device Box, SeenNetwork Seen, Band Band)> heard)
{
    /// <summary>In a name they say whom the network is for. Common practice, no source.</summary>
    private static readonly string[] GuestWords = ["guest", "gast", "gäste", "invite", "invité", "invitado", "visitor"];

    public IEnumerable<Proposal> Proposals()
    {
        foreach (var own in heard.GroupBy(one => one.Box))
        {
            if (Sends(own.Key, [.. own.DistinctBy(one => (one.Seen.Ssid, one.Band)).Select(one => Network(one.Box, one.Seen, one.Band))]) is { } sends) yield return sends;
            if (Joins(own.Key, [.. own.Select(one => one.Seen)]) is { } joins) yield return joins;
        }
    }

    private Proposal? Sends(Device box, List<WifiNetwork> sent)
    {
        var list = box.Wifi.ToList();
        // A radio has one channel, and it is said once.
        sent = [.. sent.Select((one, i) => sent.Take(i).Any(other => other.Radio == one.Radio) ? one with { Channel = null, WidthMHz = null } : one)];
        foreach (var one in sent)
        {
            var at = list.FindIndex(network => network.Ssid == one.Ssid && network.Radio == one.Radio);
            if (at >= 0)
            {
                list[at] = list[at] with { Channel = one.Channel ?? list[at].Channel, Security = one.Security, Key = one.Security == WifiSecurity.Open ? null : list[at].Key ?? one.Key };
                continue;
            }
            // What the carton said is no more, where the radio was heard under another name.
            at = list.FindIndex(network => network.Radio == one.Radio && IsAsSold(box, network) && !sent.Exists(other => other.Ssid == network.Ssid));
            if (at >= 0) list[at] = one;
            else list.Add(one);
        }
        var deeds = Enumerable.Range(0, list.Count).Where(i => i >= box.Wifi.Length || list[i] != box.Wifi[i]).Select(i => (InstallerAction)new SetWifi(box.Id, i, list[i])).ToList();
        if (deeds.Count == 0) return null;
        var guests = sent.Where(one => one.Guest).Select(one => one.Ssid).Distinct().ToList();
        return new($"wifi {box.Id}", $"{box.Name} sends {string.Join(" and ", sent.GroupBy(one => one.Ssid).Select(SayNetwork))}",
            $"Heard under the MAC of its label, or one that is made of it{(guests.Count > 0 ? $"; by its name {string.Join(" and ", guests)} is for guests" : "")}.", [.. deeds]);
    }

    private static string SayNetwork(IGrouping<string, WifiNetwork> network)
    {
        var channels = network.Select(one => one.Channel?.Number).OfType<int>().Distinct().ToList();
        return channels.Count == 0 ? network.Key : $"{network.Key} on channel {string.Join(" and ", channels)}";
    }

    private WifiNetwork Network(Device box, SeenNetwork seen, Band band)
    {
        var security = Words<WifiSecurity>.TryRead(seen.Security, out var said) ? said : WifiSecurity.Wpa2;
        return new()
        {
            Radio = box.Radios.First(radio => radio.Band == band).Id,
            Ssid = seen.Ssid!,
            Security = security,
            Key = security == WifiSecurity.Open ? null : KeyOf(seen.Ssid!),
            // Who passes another’s Wi-Fi on is on its channel; only a WDS partner has one set.
            Channel = seen.Channel is { } channel && (!box.Traits.BridgesByRadio || box.Traits.NeedsFixedChannel) ? new(channel) : null,
            WidthMHz = seen.WidthMHz,
            Guest = Array.Exists(GuestWords, word => seen.Ssid!.Contains(word, StringComparison.OrdinalIgnoreCase)),
        };
    }

    /// <summary>One name, one password, until somebody finds it otherwise.</summary>
    private string KeyOf(string ssid) => house.Devices.SelectMany(box => box.Wifi).FirstOrDefault(network => network.Ssid == ssid && network.Key is not null)?.Key ?? ssid;

    /// <summary>Taken off the shelf before its MAC was known it has the name of a box without one.</summary>
    private bool IsAsSold(Device box, WifiNetwork network) =>
        box.Kit is not null && new[] { box, box with { Mac = null } }.Any(one => SettingCatalogue.AsSold(house, one).Wifi.Any(other => other.Ssid == network.Ssid));

    /// <summary>A box that passes another’s Wi-Fi on sends its name: it joins whoever sends that name by itself.</summary>
    private Proposal? Joins(Device box, List<SeenNetwork> sent)
    {
        if (!box.Traits.BridgesByRadio || box.Uplink is not null || house.Cables.Any(cable => cable.A.Device == box.Id || cable.B.Device == box.Id)) return null;
        var (seen, radio) = (from one in sent
                             from own in box.Radios
                             where SentByAnother(box, one.Ssid!, own.Band)
                             orderby own.Band descending
                             select (one, own)).FirstOrDefault();
        if (seen is null) return null;
        var network = Network(box, seen, radio.Band);
        return new($"joins {box.Id}", $"{box.Name} joins {network.Ssid}", $"It sends that name, and a box that is set as {box.Traits.Say} passes on the Wi-Fi that it joins.",
            [new SetUplink(box.Id, new() { Radio = radio.Id, Ssid = network.Ssid, Security = network.Security, Key = network.Key })]);
    }

    private bool SentByAnother(Device box, string ssid, Band band) =>
        heard.Any(one => one.Box.Id != box.Id && one.Seen.Ssid == ssid && one.Band == band && !one.Box.Traits.BridgesByRadio)
        || house.Devices.Any(other => other.Id != box.Id && !other.Traits.BridgesByRadio && other.Wifi.Any(network => network.Ssid == ssid && other.Radios.Any(radio => radio.Id == network.Radio && radio.Band == band)));
}
