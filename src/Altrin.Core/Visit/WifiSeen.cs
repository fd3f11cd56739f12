using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Readings.Parsers;

namespace Altrin.Core.Visit;

/// <summary>Networks in the air: the household’s own with their channels, and the neighbours’.</summary>
internal sealed class WifiSeen(NetworkDocument house, IReadOnlyList<PastedReading> readings, Dictionary<string, (LineKind Kind, string Says)> notes, List<Proposal> proposals, List<string> meanings)
{
    /// <summary>Beyond so many, more neighbours change nothing.</summary>
    private const int MostNeighbours = 40;

    public void Read()
    {
        var others = new List<NeighbourNetwork>();
        foreach (var seen in readings.SelectMany(reading => reading.Networks))
        {
            if (seen.Ssid is not { } ssid || Limits.WhyNoSsid(ssid) is not null || !Words<Band>.TryRead(seen.Band, out var band)) continue;
            var own = (from box in house.Devices from i in Enumerable.Range(0, box.Wifi.Length) where box.Wifi[i].Ssid == ssid && BandOf(box, box.Wifi[i]) == band select (Box: box, Place: i)).ToList();
            if (own.Count > 0)
            {
                notes[ssid] = (LineKind.Known, string.Join(", ", own.Select(one => one.Box.Name).Distinct()));
                Channel(own, seen);
            }
            else if (house.Devices.SelectMany(box => box.Wifi).Any(one => one.Ssid == ssid)) notes[ssid] = (LineKind.Known, "the household’s");
            else if (ByLastFour(ssid) is { } box) notes[ssid] = (LineKind.Known, $"the last four of the MAC of {box.Name}: its network as sold");
            else
            {
                notes[ssid] = (LineKind.Neighbour, "a neighbour’s");
                others.Add(new() { Ssid = ssid, Band = band, Channel = seen.Channel, WidthMHz = seen.WidthMHz, LevelDbm = seen.LevelDbm });
            }
        }
        Neighbours(others);
    }

    /// <summary>Where one box alone sends the name on that band there is no doubt whose channel it is.</summary>
    private void Channel(List<(Device Box, int Place)> own, SeenNetwork seen)
    {
        if (own is not [var (box, place)] || seen.Channel is not { } channel) return;
        var network = box.Wifi[place];
        if (network.Channel?.Number == channel) return;
        proposals.Add(new($"channel {box.Id} {place}", $"{box.Name} sends {network.Ssid} on channel {channel}",
            network.Channel?.Number is { } noted ? $"The record says {noted}." : "The record leaves the channel open.",
            [new SetWifi(box.Id, place, network with { Channel = new(channel) })]));
    }

    private Device? ByLastFour(string ssid) => house.Devices.FirstOrDefault(box => box.Mac is { } mac
        && ssid.EndsWith(mac.ToString().Replace(":", "", StringComparison.Ordinal)[^4..], StringComparison.OrdinalIgnoreCase));

    private void Neighbours(List<NeighbourNetwork> others)
    {
        var known = house.Neighbours.Select(Key).ToHashSet();
        var fresh = others.OrderByDescending(one => one.LevelDbm ?? NeighbourNetwork.LowestDbm).Where(one => known.Add(Key(one))).Take(MostNeighbours).ToList();
        if (fresh.Count == 0) return;
        meanings.Add($"{fresh.Count} {(fresh.Count == 1 ? "network" : "networks")} of neighbours, the strongest {fresh[0].Ssid}{(fresh[0].Channel is { } channel ? $" on channel {channel}" : "")}.");
        proposals.Add(new("neighbours", fresh.Count == 1 ? "Note the neighbour’s network" : $"Note {fresh.Count} networks of neighbours", "They share the air with the household’s own.",
            [new DescribeHouse(house.Name, house.Country, house.Building) { Rooms = house.Rooms, Runs = house.Runs, Neighbours = [.. house.Neighbours, .. fresh] }]));
    }

    private static (string?, Band, int?) Key(NeighbourNetwork one) => (one.Ssid, one.Band, one.Channel);

    private static Band BandOf(Device box, WifiNetwork network) => box.Radios.First(radio => radio.Id == network.Radio).Band;
}
