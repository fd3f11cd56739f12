using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules;

/// <summary>How near an uplink or a device is to joining what is on the air.</summary>
internal static class WifiMatch
{
    /// <summary>Networks of that name that password and security fit, on a band that the uplink's radio has.</summary>
    public static IEnumerable<AirNetwork> Willing(Facts facts, Uplink uplink, Device box)
    {
        var band = box.Radios.First(radio => radio.Id == uplink.Radio).Band;
        return facts.State.Air.Where(one => one.Box.Id != box.Id && one.Network.Ssid == uplink.Ssid && one.Network.Key == uplink.Key
            && one.Band == band && WirelessJoins.Speak(one.Network.Security, uplink.Security));
    }

    /// <summary>Why nothing is joined: a sentence about what is asked for and what is there, and the network that was likely meant.</summary>
    public static (string Why, AirNetwork? Meant) WhyNot(Facts facts, string ssid, WifiSecurity security, string? key, Band? band, string? except, string? room, FloorPoint? at)
    {
        var named = facts.State.Air.Where(one => one.Network.Ssid == ssid && one.Box.Id != except).ToList();
        if (named.Count == 0)
        {
            var off = facts.InUse.FirstOrDefault(box => box.Id != except && box.Wifi.Any(network => network.Ssid == ssid));
            return (off is null ? $"no box makes {ssid}" : $"{off.Name} has {ssid} but does not send it", null);
        }
        var onBand = named.Where(one => band is null || one.Band == band).ToList();
        if (onBand.Count == 0) return ($"{named[0].Box.Name} makes {ssid} on another band", null);
        if (onBand.Find(one => one.Network.Key == key) is { } spoken)
            return IsUnheard(facts, spoken, room, at) ? ($"{spoken.Box.Name} is not heard there: it stands too far away, or behind too much", null) : WirelessJoins.Speak(spoken.Network.Security, security)
                ? ($"{spoken.Box.Name} hangs below it", null)
                : ($"{spoken.Box.Name} speaks {Actions.Naming.Say(spoken.Network.Security)}, not {Actions.Naming.Say(security)}", spoken);
        return ($"{onBand[0].Box.Name} has another password for {ssid}", onBand[0]);
    }

    /// <summary>Whether its network is too weak for whoever stands there to know of it.</summary>
    private static bool IsUnheard(Facts facts, AirNetwork network, string? room, FloorPoint? at)
    {
        var (air, box) = (facts.State.AirMap, facts.House.Devices.IndexOf(network.Box));
        var place = air.Hearing.Plan.PlaceOf(room, at);
        return air.Hearing.AreKnown(place, air.Hearing.PlaceOf(box)) && air.Sources.FirstOrDefault(source => source.Device == box && source.Radio.Id == network.Network.Radio) is { } source
            && air.Hearing.LevelDbm(box, source.Radio, source.Channel, place) < Radio.LinkRate.LeastDbm(network.Band);
    }

    /// <summary>Whether the bands of a thing, and no wrong password, keep it off the network that it asks for.</summary>
    public static bool MissesItsBand(Facts facts, Endpoint thing) =>
        thing.Connect is Attachment.Join join && !thing.Bands.IsEmpty && facts.State.JoinedNetwork(thing.Id) is null && IsOnOthers(facts, join.Ssid, thing.Bands);

    private static bool IsOnOthers(Facts facts, string ssid, ImmutableArray<Band> bands) =>
        facts.State.Air.Where(one => one.Network.Ssid == ssid).ToList() is { Count: > 0 } named && named.TrueForAll(one => !bands.Contains(one.Band));
}
