using Altrin.Core.Network;
using Altrin.Core.Planning.Space;
using Altrin.Core.Radio;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning.Filling;

/// <summary>Whose Wi-Fi a box joins, with name, password and security; of a WDS pair the channel of both ends.</summary>
internal static class Uplinks
{
    /// <returns>False where the upper box cannot be joined.</returns>
    public static bool Fill(Draft draft)
    {
        for (var i = 0; i < draft.Boxes.Length; i++)
            if (draft.Use(i) is { IsUsed: true, Joined: Joined.ByRadio } && !Join(draft, i)) return false;
        return true;
    }

    private static bool Join(Draft draft, int box)
    {
        var (use, above) = (draft.Use(box), draft.Use(box).Parent);
        if (!Names.Sends(draft, above)) return false;
        var own = draft.Boxes[box];
        if (own.Uplink is { } now && use.Band == Names.BandOf(own, now.Radio) && draft.Ground.AsFound.Boxes[box] is { Joined: Joined.ByRadio } was && was.Parent == above
            && Fits(draft, above, now, use.Band))
            return !Modes.Of(use.Mode).NeedsFixedChannel || Channels(draft, box, above);
        if (!draft.MaySet(box) || own.Radios.FirstOrDefault(radio => radio.Band == use.Band) is not { } radio) return false;
        if (Network(draft, above, use.Band) is not { } network) return false;
        // Of several boxes of one name the nearest is meant; of one alone nothing need be said.
        draft.Change(box, one => one with { Uplink = new() { Radio = radio.Id, Ssid = network.Ssid, Security = network.Security, Key = network.Key, Near = draft.Boxes[above].Id } });
        return !Modes.Of(use.Mode).NeedsFixedChannel || Channels(draft, box, above);
    }

    private static bool Fits(Draft draft, int above, Uplink uplink, Band band) => draft.Boxes[above].Wifi.Any(network => network.Enabled && network.Ssid == uplink.Ssid && network.Key == uplink.Key
        && WirelessJoins.Speak(network.Security, uplink.Security) && Names.BandOf(draft.Boxes[above], network.Radio) == band)
        && (uplink.Near == draft.Boxes[above].Id || uplink.Near is null && Enumerable.Range(0, draft.Boxes.Length).All(i => i == above || !draft.Use(i).IsUsed || !Names.Sends(draft, i)
            || !draft.Boxes[i].Wifi.Any(network => network.Enabled && network.Ssid == uplink.Ssid && network.Key == uplink.Key) || draft.Ground.AsFound.Boxes[i] == draft.Use(i)));

    /// <summary>The upper box's network on the band: the household's if it has it there, else its first; on a radio that is silent the household's is put on the air.</summary>
    private static WifiNetwork? Network(Draft draft, int above, Band band)
    {
        var box = draft.Boxes[above];
        var on = box.Wifi.Where(network => network is { Enabled: true, Guest: false } && Names.BandOf(box, network.Radio) == band).ToList();
        var main = Names.Main(draft);
        if (on.Find(network => main is not null && (network.Ssid, network.Key) == (main.Ssid, main.Key)) is { } known) return known;
        if (on.Count > 0) return on[0];
        if (!draft.MaySet(above) || box.Radios.FirstOrDefault(radio => radio.Band == band) is not { } radio) return null;
        var made = box.Wifi.FirstOrDefault(network => network.Radio == radio.Id && !network.Guest);
        var name = box.Wifi.FirstOrDefault(network => network is { Enabled: true, Guest: false }) ?? main ?? made;
        if (name is null) return null;
        var fresh = (made ?? new WifiNetwork { Radio = radio.Id, Ssid = name.Ssid }) with { Ssid = name.Ssid, Security = name.Security, Key = name.Key, Enabled = true };
        draft.Change(above, one => one with { Wifi = made is null ? one.Wifi.Add(fresh) : one.Wifi.Replace(made, fresh) });
        return fresh;
    }

    /// <summary>Both ends of a WDS link on one fixed channel: the upper one's if it has one, else one that is lawful.</summary>
    private static bool Channels(Draft draft, int box, int above)
    {
        var radio = draft.Boxes[box].Uplink!.Radio;
        var upper = draft.Boxes[above].Wifi.First(network => network.Enabled && network.Ssid == draft.Boxes[box].Uplink!.Ssid && Names.BandOf(draft.Boxes[above], network.Radio) == draft.Use(box).Band);
        var first = draft.Boxes[above].Wifi.First(network => network.Radio == upper.Radio);
        var mine = draft.Boxes[box].Wifi.FirstOrDefault(network => network.Radio == radio);
        if (first.Channel?.Number is not { } number)
        {
            number = mine?.Channel?.Number ?? (draft.Use(box).Band == Band.Ghz24 ? 6 : draft.Use(box).Band == Band.Ghz5 ? 36 : 5);
            if (!draft.MaySet(above)) return false;
            draft.Change(above, one => one with { Wifi = [.. one.Wifi.Select(network => network.Radio == upper.Radio ? network with { Channel = new(number) } : network)] });
        }
        if (mine?.Channel?.Number == number) return true;
        if (!draft.MaySet(box)) return false;
        var name = draft.Boxes[box].Uplink!;
        draft.Change(box, one => one with
        {
            Wifi = mine is null ? one.Wifi.Add(new() { Radio = radio, Ssid = name.Ssid, Security = name.Security, Key = name.Key, Channel = new(number) })
                : [.. one.Wifi.Select(network => network.Radio == radio ? network with { Channel = new(number) } : network)],
        });
        return true;
    }
}
