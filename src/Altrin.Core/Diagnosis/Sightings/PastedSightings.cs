using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Readings.Parsers;

namespace Altrin.Core.Diagnosis.Sightings;

/// <summary>What a terminal showed, as sightings of the place where the laptop stands.</summary>
public static class PastedSightings
{
    public static ImmutableArray<Sighting> Of(NetworkDocument house, LaptopPlace place, IReadOnlyList<PastedReading> pasted) =>
        [.. pasted.SelectMany(one => Adapter(place, one).Concat(Pings(place, one)).Concat(Networks(house, one))).DistinctBy(one =>
            one.Look)];

    private static IEnumerable<Sighting> Adapter(LaptopPlace place, PastedReading pasted)
    {
        if (pasted.InUse(place.Connect is Attachment.Join) is not { } adapter) yield break;
        yield return new(new(ReadingKind.Address, place), adapter.Address!.Split('/')[0]);
        // Some tools say neither: then nothing was seen.
        if (pasted.Source is "windows-ipconfig" or "nmcli-device") yield return new(new(ReadingKind.Gateway, place), adapter.Gateway
            ?? "none");
        else if (adapter.Gateway is { } gateway) yield return new(new(ReadingKind.Gateway, place), gateway);
        if (adapter.Server is { } server) yield return new(new(ReadingKind.Server, place), server);
        if (!adapter.Dns.IsEmpty) yield return new(new(ReadingKind.Dns, place),
            Shown.Servers(adapter.Dns.Where(one => Ipv4Address.TryParse(one, out _))));
    }

    private static IEnumerable<Sighting> Pings(LaptopPlace place, PastedReading pasted)
    {
        foreach (var ping in pasted.Pings)
        {
            var answers = ping.Received > 0 ? "yes" : "no";
            if (!Ipv4Address.TryParse(ping.Target, out var target)) yield return new(new(ReadingKind.Lookup, place), ping.Sent > 0 ? "yes"
                : "no");
            else if (AddressRanges.DiesAtTheLine(target)) yield return new(new(ReadingKind.Ping, place, At: target), answers);
            else yield return new(new(ReadingKind.Internet, place), answers);
        }
    }

    private static IEnumerable<Sighting> Networks(NetworkDocument house, PastedReading pasted)
    {
        if (pasted.Networks.IsEmpty || pasted.Source is "wifi-details" or "iw-link") yield break;
        var heard = pasted.Networks.Select(one => one.Ssid).ToHashSet(StringComparer.Ordinal);
        // What stands in the list is there; what does not may only be too far away.
        foreach (var ssid in house.Devices.SelectMany(box => box.Wifi).Select(one =>
            one.Ssid).Distinct(StringComparer.Ordinal).Where(heard.Contains))
            yield return new(new(ReadingKind.Network, Ssid: ssid), "yes");
    }
}
