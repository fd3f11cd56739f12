using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Radio;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Slow;

/// <summary>Points 4, 6 and 7 of the format's section 6 read a second time, plainly: every pair of radios, every way to the line there is. Places, walls and the tables of
/// rates (points 1, 2 and 5) have their own tests and are taken from the core; who joined whom is the simulator's.</summary>
internal sealed class PlainAir
{
    public sealed record Source(Device Box, WirelessRadio Radio, RadioChannel Channel, double PowerDbm, string? Ssid)
    {
        public double Share { get; set; } = 1;
        public int Others { get; set; }
    }

    /// <param name="Mbps">Of a radio before its share; of a wire as it is counted.</param>
    /// <param name="Lower">The box further from the line, and with which of its radios; null for a wire.</param>
    private sealed record Hop(string Lower, string Upper, double Mbps, WirelessRadio? LowerRadio, WirelessRadio? UpperRadio, bool LowerJoins);

    private readonly NetworkDocument house;
    private readonly NetworkState state;
    private readonly FloorPlan plan;
    private readonly List<(string A, string B, double Mbps, WirelessRadio? Joining, Source? Serving)> edges = [];

    public PlainAir(NetworkState state)
    {
        (this.state, house, plan) = (state, state.House, FloorPlan.Of(state.House));
        foreach (var box in house.Devices.Where(box => state.IsInUse(box.Id) && box.SendsWifi))
            foreach (var radio in box.Radios)
            {
                var on = box.Wifi.Where(network => network.Enabled && network.Radio == radio.Id).ToList();
                if (on.Count == 0) continue;
                var channel = ChannelOf(box, radio, 0);
                Sources.Add(new(box, radio, channel, RadioPower.Of(radio, channel, Regulations.Of(house.Country)), on.FirstOrDefault(network => !network.Guest)?.Ssid));
            }
        foreach (var source in Sources) ShareOut(source);
        foreach (var cable in house.Cables)
            if (state.SegmentOf(cable.A) >= 0 && state.SegmentOf(cable.B) >= 0) edges.Add((cable.A.Device, cable.B.Device, WireMbps(cable), null, null));
        foreach (var box in house.Devices)
            if (Joined(box) is { } upper && SourceOf(upper.Box, upper.Radio) is { } serving)
            {
                var joining = box.Radios.First(radio => radio.Id == box.Uplink!.Radio);
                var width = Math.Max(20, Math.Min(serving.Channel.WidthMHz, Widest(box, joining)));
                var (level, cap) = (LevelAt(serving, PlaceOf(box)), Measured(box.Room, serving).LevelDbm);
                var isBelieved = !AreDrawn(box.Room, serving.Box.Room) && cap > level;
                var mbps = LinkRate.Mbps(RadioAbility.Of(serving.Radio), RadioAbility.Of(joining), width, Math.Min(level, cap), isBelieved);
                edges.Add((box.Id, serving.Box.Id, cap <= level ? Math.Max(mbps, 0.5) : mbps, joining, serving));
            }
    }

    public List<Source> Sources { get; } = [];

    /// <summary>Boxes that join by radio: a join that would close a cycle through a mesh unit is not made, and of such a house nothing is said here.</summary>
    public int Joins => edges.Count(edge => edge.Serving is not null);

    /// <summary>What the best source may give in the room, by each of the ways that are as short.</summary>
    public List<double> RoomMbps(Room room)
    {
        var place = plan.PlaceOf(room.Id, null);
        var all = new List<List<double>>();
        foreach (var source in Sources.Where(source => source.Ssid is not null))
        {
            var cap = Measured(room.Id, source);
            var level = Math.Min(LevelAt(source, place), cap.LevelDbm);
            if (level < (source.Radio.Band == Band.Ghz24 ? -85 : -82)) continue;
            all.Add(OfSource(source, LinkRate.Mbps(RadioAbility.Of(source.Radio), RadioAbility.Household(RadioAbility.Of(source.Radio)), source.Channel.WidthMHz, level)).ConvertAll(rate => Math.Min(rate, cap.Mbps)));
        }
        // Whichever way each source has, the best is no less than the least of any.
        return all.Count == 0 ? [0] : [.. all.SelectMany(rates => rates).Where(rate => rate >= all.Max(rates => rates.Min()))];
    }

    /// <summary>Of a thing on a cable, by each of the ways that are as short.</summary>
    public List<double> SocketMbps(Socket socket) => [.. BestWays(socket.Device).Select(way => Math.Min(0.94 * Speed(socket), OfWay(way, null, 0)))];

    /// <summary>Of a thing that joined: the matching radio of its box with the highest rate, among the bands that it knows.</summary>
    public List<double> JoinedMbps(Endpoint thing)
    {
        if (state.JoinedNetwork(thing.Id) is not { } joined) return [0];
        var (box, place) = (house.FindDevice(joined.Box)!, plan.PlaceOf(thing.Room, thing.At));
        var network = box.Wifi[joined.Place];
        var rates = new List<List<double>>();
        foreach (var like in box.Wifi.Where(one => one.Enabled && (one.Ssid, one.Key, one.Security) == (network.Ssid, network.Key, network.Security)))
        {
            if (SourceOf(box.Id, like.Radio) is not { } source || !(thing.Bands.IsEmpty || thing.Bands.Contains(source.Radio.Band))) continue;
            var (level, cap) = (LevelAt(source, place), Measured(thing.Room, source));
            var ability = RadioAbility.Of(source.Radio);
            var link = LinkRate.Mbps(ability, RadioAbility.Household(ability), source.Channel.WidthMHz, Math.Min(level, cap.LevelDbm),
                !AreDrawn(thing.Room, box.Room) && cap.LevelDbm > level);
            rates.Add(OfSource(source, link).ConvertAll(rate => Math.Min(rate, cap.Mbps)));
        }
        // Whichever way each radio has, the thing's is the one with the most.
        return rates.Count == 0 ? [0] : [.. rates.SelectMany(one => one).Where(rate => rate >= rates.Max(one => one.Min()))];
    }

    /// <summary>The most radio joins between a box that has a way and the line.</summary>
    public int MostRadioHops => house.Devices.Select(box => BestWays(box.Id)).Where(ways => ways.Count > 0).Select(ways => ways[0].Count(hop => hop.LowerRadio is not null)).DefaultIfEmpty().Max();

    private List<double> OfSource(Source source, double link) => [.. BestWays(source.Box.Id).Select(way => OfWay(way, source, link * source.Share)).DefaultIfEmpty(0)];

    /// <summary>The least of what is met; hops over one radio that joins on one side and serves on the other share its time.</summary>
    private double OfWay(List<Hop> way, Source? from, double firstMbps)
    {
        var groups = new List<List<double>>();
        // The radio that took part in the last hop at the box where the way goes on, and whether it served there.
        (WirelessRadio Radio, bool Serves)? last = null;
        if (from is not null)
        {
            groups.Add([firstMbps]);
            last = (from.Radio, true);
        }
        foreach (var hop in way)
        {
            if (hop.LowerRadio is null)
            {
                groups.Add([hop.Mbps]);
                last = null;
                continue;
            }
            if (last is { } before && before.Radio.Id == hop.LowerRadio.Id && before.Serves == hop.LowerJoins) groups[^1].Add(hop.Mbps);
            else groups.Add([hop.Mbps]);
            last = (hop.UpperRadio!, hop.LowerJoins);
        }
        var line = house.Line!;
        var least = Math.Min(line.DownMbps ?? double.PositiveInfinity, 0.94 * Speed(line.Socket));
        foreach (var group in groups) least = Math.Min(least, group.Count == 1 ? group[0] : group.Contains(0) ? 0 : 1 / group.Sum(rate => 1 / rate));
        return least;
    }

    /// <summary>Every way of a box to the line without coming twice to a box, of those the ones with the fewest radio joins, then the fewest cables.</summary>
    private List<List<Hop>> BestWays(string from)
    {
        if (house.Line is not { } line || !state.IsInUse(line.Device) || state.SegmentOf(line.Socket) < 0) return [];
        var all = new List<List<Hop>>();
        Go(from, [], [from]);
        if (all.Count == 0) return [];
        var least = all.Min(way => (way.Count(hop => hop.LowerRadio is not null), way.Count));
        return [.. all.Where(way => (way.Count(hop => hop.LowerRadio is not null), way.Count) == least)];

        void Go(string at, List<Hop> way, HashSet<string> seen)
        {
            if (at == line.Device) all.Add([.. way]);
            foreach (var edge in edges)
                foreach (var isUp in new[] { true, false })
                {
                    if ((isUp ? edge.A : edge.B) != at || (isUp ? edge.B : edge.A) is var next && !seen.Add(next)) continue;
                    // A radio link is written from the one that joins to the one that serves.
                    way.Add(edge.Serving is null ? new(at, next, edge.Mbps, null, null, false)
                        : new(at, next, edge.Mbps * edge.Serving.Share, isUp ? edge.Joining : edge.Serving.Radio, isUp ? edge.Serving.Radio : edge.Joining, isUp));
                    Go(next, way, seen);
                    way.RemoveAt(way.Count - 1);
                    seen.Remove(next);
                }
        }
    }

    private double WireMbps(Cable cable)
    {
        var category = cable.Medium == Medium.Ethernet ? CableRates.CountedMbps(cable) : double.PositiveInfinity;
        var wire = 0.94 * Math.Min(Math.Min(Speed(cable.A), Speed(cable.B)), category);
        return Math.Min(wire, cable.Medium switch { Medium.Powerline => 100, Medium.Coax => 400, _ => double.PositiveInfinity });
    }

    private double Speed(Socket socket) => house.FindDevice(socket.Device)?.FindPort(socket.Port)?.SpeedMbps ?? 1000;

    private (string Box, string Radio)? Joined(Device box) => state.UplinkBox(box.Id) is { } upper && state.JoinedNetwork(box.Id) is { } network ? (upper, house.FindDevice(upper)!.Wifi[network.Place].Radio) : null;

    private Source? SourceOf(string box, string radio) => Sources.Find(one => one.Box.Id == box && one.Radio.Id == radio);

    /// <summary>A radio that joins another sits on the channel it joined, no wider.</summary>
    private RadioChannel ChannelOf(Device box, WirelessRadio radio, int depth)
    {
        if (depth <= house.Devices.Length && box.Uplink?.Radio == radio.Id && Joined(box) is { } upper)
        {
            var above = house.FindDevice(upper.Box)!;
            var its = ChannelOf(above, above.Radios.First(one => one.Id == upper.Radio), depth + 1);
            return its with { WidthMHz = Math.Max(20, Math.Min(Widest(box, radio), its.WidthMHz)) };
        }
        return Configured(box, radio);
    }

    private static RadioChannel Configured(Device box, WirelessRadio radio)
    {
        var first = box.Wifi.FirstOrDefault(network => network.Enabled && network.Radio == radio.Id);
        var usual = radio.Band == Band.Ghz24 ? 20 : 80;
        if (RadioAbility.Of(radio).Generation is "a" or "b" or "g") usual = 20;
        else usual = Math.Max(20, Math.Min(first?.WidthMHz ?? usual, radio.MaxWidthMHz ?? int.MaxValue));
        return new(radio.Band, first?.Channel?.Number, usual);
    }

    private static int Widest(Device box, WirelessRadio radio) => box.SendsWifi && box.Wifi.Any(network => network.Enabled && network.Radio == radio.Id) ? Configured(box, radio).WidthMHz : RadioAbility.Of(radio).WidestMHz;

    private Place PlaceOf(Device box) => plan.PlaceOf(box.Room, box.At);

    private double LevelAt(Source source, Place at) => source.PowerDbm - plan.LossDb(plan.Between(PlaceOf(source.Box), at), source.Radio.Band);

    private void ShareOut(Source one)
    {
        var sum = 0.0;
        foreach (var other in Sources)
        {
            if (other == one || AreOfOneRow(one, other) || !one.Channel.Overlaps(other.Channel)) continue;
            var (toOther, toOne) = (LevelAt(one, PlaceOf(other.Box)), LevelAt(other, PlaceOf(one.Box)));
            if (one.Box != other.Box && Math.Min(toOther, toOne) < -82) continue;
            sum += one.Channel.Number is null ^ other.Channel.Number is null ? 0.5 : 1;
            one.Others++;
        }
        foreach (var notes in house.Neighbours.GroupBy(note => (note.Ssid, note.Band, note.Channel)))
        {
            var channel = new RadioChannel(notes.Key.Band, notes.Key.Channel, notes.Select(note => note.WidthMHz ?? 20).Max());
            if (!one.Channel.Overlaps(channel) || !notes.Any(note => note.LevelDbm is not { } level
                || level - (note.Room is { } room ? plan.ThroughDb(plan.Between(plan.PlaceOf(room, null), PlaceOf(one.Box)), note.Band) : 0) >= -82)) continue;
            sum += 0.25 * (one.Channel.Number is null ^ channel.Number is null ? 0.5 : 1);
            one.Others++;
        }
        one.Share = 1 / (1 + sum);
    }

    /// <summary>Whether one joined the other, directly or over others between them.</summary>
    private bool AreOfOneRow(Source a, Source b) => Up(a).Contains(b) || Up(b).Contains(a);

    private List<Source> Up(Source from)
    {
        var up = new List<Source>();
        for (Source? at = from; at is not null && !up.Contains(at);)
        {
            up.Add(at);
            at = at.Box.Uplink?.Radio == at.Radio.Id && Joined(at.Box) is { } upper ? SourceOf(upper.Box, upper.Radio) : null;
        }
        return up;
    }

    private bool AreDrawn(string? a, string? b) => Rooms.Find(house, a)?.Rect is not null && Rooms.Find(house, b)?.Rect is not null;

    /// <summary>The least that was measured in a room of a source: by Wi-Fi, of that box or of any, on that band or on any.</summary>
    private (double LevelDbm, double Mbps) Measured(string? room, Source source)
    {
        var notes = house.Measured.Where(note => Rooms.AreSame(house, note.Room, room) && (note.Source ?? source.Box.Id) == source.Box.Id
            && (note.Band ?? source.Radio.Band) == source.Radio.Band && house.Endpoints.All(thing => thing.Id != note.Device || thing.Connect?.Socket is null)).ToList();
        var level = notes.Min(note => note.LevelDbm) ?? double.PositiveInfinity;
        if (Rooms.Find(house, room)?.NoWifi == true) level = Math.Min(level, -90);
        return (level, notes.Min(note => note.Mbps) ?? double.PositiveInfinity);
    }
}
