using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Readings.Parsers;

namespace Altrin.Core.Visit;

/// <summary>Networks in the air: the household's own with their channels, and the neighbours’.</summary>
internal sealed class WifiSeen(NetworkDocument house, IReadOnlyList<PastedReading> readings, Dictionary<string, (LineKind Kind, string Says)> notes, List<Proposal> proposals, List<string> meanings)
{
    /// <summary>Beyond so many, more neighbours change nothing.</summary>
    private const int MostNeighbours = 40;

    private readonly Senders senders = new(house);

    public void Read()
    {
        var others = new List<NeighbourNetwork>();
        var own = new List<(Device Box, SeenNetwork Seen, Band Band)>();
        foreach (var seen in readings.SelectMany(reading => reading.Networks))
        {
            if (seen.Ssid is not { } ssid || Limits.WhyNoSsid(ssid) is not null || !Words<Band>.TryRead(seen.Band, out var band)) continue;
            if (senders.Of(seen.Bssid) is { } sender && sender.Radios.Any(radio => radio.Band == band))
            {
                if (seen.Bssid is { } bssid) notes[bssid] = (LineKind.Known, sender.Name);
                notes[ssid] = (LineKind.Known, "the household’s");
                own.Add((sender, seen, band));
                continue;
            }
            var noted = (from box in house.Devices from i in Enumerable.Range(0, box.Wifi.Length) where box.Wifi[i].Ssid == ssid && BandOf(box, box.Wifi[i]) == band select (Box: box, Place: i)).ToList();
            if (noted.Count > 0)
            {
                notes[ssid] = (LineKind.Known, string.Join(", ", noted.Select(one => one.Box.Name).Distinct()));
                Channel(noted, seen);
            }
            else if (house.Devices.SelectMany(box => box.Wifi).Any(one => one.Ssid == ssid)) notes[ssid] = (LineKind.Known, "the household’s");
            else if (ByLastFour(ssid) is { } box) notes[ssid] = (LineKind.Known, $"the last four of the MAC of {box.Name}: its network as sold");
            else
            {
                notes.TryAdd(ssid, (LineKind.Neighbour, "a neighbour’s"));
                others.Add(new() { Ssid = ssid, Band = band, Channel = seen.Channel, WidthMHz = seen.WidthMHz, LevelDbm = seen.LevelDbm });
            }
        }
        proposals.AddRange(new OwnWifi(house, own).Proposals());
        // A name that a box of the house sends is the household's wherever else it is heard.
        var names = own.Select(one => one.Seen.Ssid).ToHashSet();
        Neighbours(others.FindAll(one => !names.Contains(one.Ssid)), [.. house.Neighbours.Where(one => !names.Contains(one.Ssid))]);
    }

    /// <summary>Where one box alone sends the name on that band there is no doubt whose channel it is.</summary>
    private void Channel(List<(Device Box, int Place)> noted, SeenNetwork seen)
    {
        if (noted is not [var (box, place)] || seen.Channel is not { } channel) return;
        var network = box.Wifi[place];
        if (network.Channel?.Number == channel) return;
        proposals.Add(new($"channel {box.Id} {place}", $"{box.Name} sends {network.Ssid} on channel {channel}",
            network.Channel?.Number is { } was ? $"The record says {was}." : "The record leaves the channel open.",
            [new SetWifi(box.Id, place, network with { Channel = new(channel) })]));
    }

    private Device? ByLastFour(string ssid) => house.Devices.FirstOrDefault(box => box.Mac is { } mac
        && ssid.EndsWith(mac.ToString().Replace(":", "", StringComparison.Ordinal)[^4..], StringComparison.OrdinalIgnoreCase));

    /// <param name="still">Those of the record that are not the household's after all.</param>
    private void Neighbours(List<NeighbourNetwork> others, ImmutableArray<NeighbourNetwork> still)
    {
        var known = still.Select(Key).ToHashSet();
        var fresh = others.OrderByDescending(one => one.LevelDbm ?? NeighbourNetwork.LowestDbm).Where(one => known.Add(Key(one))).Take(MostNeighbours).ToList();
        var own = house.Neighbours.Except(still).Select(one => one.Ssid).OfType<string>().Distinct().ToList();
        if (fresh.Count > 0) meanings.Add($"{fresh.Count} {(fresh.Count == 1 ? "network" : "networks")} of neighbours, the strongest {fresh[0].Ssid}{(fresh[0].Channel is { } channel ? $" on channel {channel}" : "")}.");
        if (fresh.Count == 0 && own.Count == 0) return;
        var (title, because) = fresh.Count == 0 ? ($"{string.Join(" and ", own)}: no neighbour’s", "A box of the house sends it.")
            : (fresh.Count == 1 ? "Note the neighbour’s network" : $"Note {fresh.Count} networks of neighbours", "They share the air with the household’s own.");
        proposals.Add(new("neighbours", title, because,
            [new DescribeHouse(house.Name, house.Country, house.Building) { Rooms = house.Rooms, Runs = house.Runs, Neighbours = [.. still, .. fresh] }]));
    }

    private static (string?, Band, int?) Key(NeighbourNetwork one) => (one.Ssid, one.Band, one.Channel);

    private static Band BandOf(Device box, WifiNetwork network) => box.Radios.First(radio => radio.Id == network.Radio).Band;
}
