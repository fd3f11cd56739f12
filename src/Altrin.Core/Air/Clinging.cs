using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Radio;
using Altrin.Core.Simulation;

namespace Altrin.Core.Air;

/// <summary>A thing that would get clearly more from another box than from the one it is on.</summary>
/// <param name="Network">What it would join there.</param>
/// <param name="IsSameName">It knows that name, and may move by itself or cling.</param>
public sealed record Clinger(string Thing, string On, double OnMbps, string Better, double BetterMbps, string Radio, WifiNetwork Network, bool IsSameName);

public static class Clinging
{
    /// <summary>Less is no reason to move. Common practice, no source.</summary>
    private const double ClearlyMore = 4.0 / 3;

    /// <summary>Those whose place is known, in the order of the document.</summary>
    public static IEnumerable<Clinger> Of(NetworkState state)
    {
        var (house, air) = (state.House, state.AirMap);
        if (house.Rooms.IsEmpty) yield break;
        // Where one box alone sends there is no other.
        if (!air.Sources.Any(source => source.Device != air.Sources[0].Device)) yield break;
        for (var i = 0; i < house.Endpoints.Length; i++)
        {
            var thing = house.Endpoints[i];
            if (thing.Connect is not Attachment.Join join || state.JoinedBox(thing.Id) is not { } on || Rooms.Find(house, thing.Room) is null || Rooms.Find(house, house.FindDevice(on)!.Room) is null) continue;
            var now = air.Of(i).Printed;
            (AirRoom At, WifiNetwork Network)? best = null;
            var place = air.Hearing.PlaceOf(thing);
            foreach (var at in air.HeardAt(place, -1))
            {
                if (house.Devices[at.Source!.Device].Id == on || at.Expected.Printed < ClearlyMore * now || (best is not null && at.Expected.Printed <= best.Value.At.Expected.Printed)) continue;
                var box = house.Devices[at.Source.Device];
                // How far a box is that stands nowhere, or in another room that nobody has drawn, is a guess: no reason to send a thing there.
                if (!IsMeasured(house, place, air.Hearing.PlaceOf(at.Source.Device)) || (!thing.Bands.IsEmpty && !thing.Bands.Contains(at.Source.Radio.Band))) continue;
                var known = box.Wifi.FirstOrDefault(network => network is { Enabled: true, Guest: false } && network.Radio == at.Source.Radio.Id && network.Ssid == join.Ssid && network.Key == join.Key && WirelessJoins.Speak(network.Security, join.Security ?? WifiSecurity.Open));
                // Another name of the household with the same password is as good as known.
                var network = known ?? box.Wifi.FirstOrDefault(one => one is { Enabled: true, Guest: false } && one.Radio == at.Source.Radio.Id && one.Key == join.Key && WirelessJoins.Speak(one.Security, join.Security ?? WifiSecurity.Open));
                if (network is not null) best = (at, network);
            }
            if (best is not { } better || IsAcross(state, on, house.Devices[better.At.Source!.Device].Id)) continue;
            yield return new(thing.Id, on, now, house.Devices[better.At.Source.Device].Id, better.At.Expected.Printed, better.At.Source.Radio.Id, better.Network, better.Network.Ssid == join.Ssid);
        }
    }

    private static bool IsMeasured(NetworkDocument house, Place from, Place to) => to.IsListed && (from.Index == to.Index || (IsDrawn(house, from) && IsDrawn(house, to)));

    private static bool IsDrawn(NetworkDocument house, Place place) => place.At is not null || house.Rooms[place.Index].Rect is not null;

    /// <summary>Whether the other is on another network, where the thing would no longer be among its own.</summary>
    private static bool IsAcross(NetworkState state, string on, string other) => state.InsideOf(on) != state.InsideOf(other);
}
