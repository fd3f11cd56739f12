using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Radio;

namespace Altrin.Core.Simulation;

/// <summary>A radio that others can join.</summary>
/// <param name="Ssid">Of its first enabled network for the household; null where all of them are for guests.</param>
/// <param name="PowerDbm">What it radiates there.</param>
public sealed record AirSource(int Device, WirelessRadio Radio, RadioAbility Ability, RadioChannel Channel, string? Ssid, double PowerDbm)
{
    /// <summary>Of its own and of neighbours' sources on the same air, by name.</summary>
    public ImmutableArray<string> With { get; init; } = [];

    /// <summary>Of these the household’s own, by their place among the sources.</summary>
    internal ImmutableArray<int> WithOwn { get; init; } = [];

    /// <summary>What is left to it of the air's time: 0 to 1.</summary>
    public double Share { get; init; } = 1;

    /// <summary>What a tablet or the like gets of it, by level: asked for every room and thing.</summary>
    internal LinkCurve Household { get; } = LinkCurve.Of(Ability, RadioAbility.Household(Ability), Channel.WidthMHz);
}

/// <summary>A box that has joined another by radio.</summary>
public sealed record AirLink(int From, int To, WirelessRadio Radio, AirSource Source, RadioChannel Channel, double LevelDbm,
    double LinkMbps, Between Between);

/// <summary>The best source for whoever stands in a room.</summary>
/// <param name="Source">Null: nothing is heard.</param>
public sealed record AirRoom(int Room, AirSource? Source, double LevelDbm, double LinkMbps, RateAnswer Expected);

/// <summary>Somebody else's network, by all the notes of it: one name, band and channel are one neighbour.</summary>
public sealed record HeardNeighbour(string Name, RadioChannel Channel, ImmutableArray<NeighbourNetwork> Notes)
{
    public static ImmutableArray<HeardNeighbour> Of(NetworkDocument house) =>
        [.. house.Neighbours.GroupBy(one => (one.Ssid, one.Band, one.Channel))
        .Select(notes => new HeardNeighbour(notes.Key.Ssid ?? "a hidden network",
            new(notes.Key.Band, notes.Key.Channel, notes.Max(note => note.WidthMHz ?? 20)), [.. notes]))];
}

/// <summary>What the radios of a house do to each other and carry: section 6 of the format. An honest estimate, never a promise.</summary>
public sealed class AirMap
{
    internal const double NeighbourWeight = 0.25, OneIsAutomatic = 0.5;

    private readonly NetworkDocument house;
    private readonly Fabric fabric;
    private readonly Hearing hearing;
    private readonly List<AirSource> sources = [];
    private readonly Dictionary<(int Device, string Radio), int> sourceOf = [];
    private readonly List<AirLink> links = [];

    /// <summary>Of each source the one that its radio joined; −1 for none.</summary>
    private int[] above = [];
    private readonly Lazy<Backbone> backbone;

    /// <summary>What is heard in the middle of each room, which several rules ask; null for a building too large to keep all of
    /// it.</summary>
    private readonly ImmutableArray<AirRoom>[]? heardIn;

    private const int MostKept = 2000;

    internal AirMap(Fabric fabric)
    {
        (this.fabric, house, hearing) = (fabric, fabric.House, fabric.Hearing);
        var joins = RadioTree.Made(fabric);
        ListSources(joins);
        foreach (var (device, network) in joins) ListLink(device, network);
        ShareOut(joins);
        // Shares are known now: a link's source is the one with its share.
        for (var i = 0; i < links.Count; i++) links[i] = links[i] with
        {
            Source = sources[sourceOf[(links[i].To,
            links[i].Source.Radio.Id)]]
        };
        // The way of the boxes to the line is asked for where something hears something: a house of cables alone does without.
        backbone = new(() => new(fabric, links));
        // All at once: the map is asked from any thread, and nothing of it is remembered while it is asked.
        heardIn = house.Rooms.Length * sources.Count <= MostKept
            ? [.. house.Rooms.Select((one, room) => Heard(hearing.PlaceOf(one), room).ToImmutableArray())] : null;
        Rooms = [.. Enumerable.Range(0, house.Rooms.Length).Select(RoomAt)];
    }

    /// <summary>The air alone of a house: no lease, no segment, no rule is asked for.</summary>
    public static AirMap Of(NetworkDocument house) => new(Fabric.Build(house));

    public FloorPlan Plan => hearing.Plan;

    internal Hearing Hearing => hearing;

    /// <summary>Whether it is known where both ends of a join stand. Else it is believed, and says nothing of levels.</summary>
    internal bool ArePlaced(AirLink link) => hearing.AreKnown(hearing.PlaceOf(link.From), hearing.PlaceOf(link.To));

    /// <summary>What a box hears of a source, in dBm.</summary>
    internal double LevelDbm(AirSource source, int atDevice) => LevelDbm(source, hearing.PlaceOf(atDevice));

    /// <summary>By the places, and no more than was measured there.</summary>
    private double LevelDbm(AirSource source, Place at) => Math.Min(CapAt(source, at).LevelDbm,
        source.PowerDbm - hearing.Plan.LossDb(hearing.Plan.Between(hearing.PlaceOf(source.Device), at), source.Radio.Band));

    private (double LevelDbm, double Mbps) CapAt(AirSource source, Place at) =>
        hearing.Caps?.At(at, source.Device, source.Radio.Band) ?? (double.PositiveInfinity, double.PositiveInfinity);

    public IReadOnlyList<AirSource> Sources => sources;
    public IReadOnlyList<AirLink> Links => links;
    public ImmutableArray<AirRoom> Rooms { get; }

    /// <summary>The most radio joins between a box in use and the line.</summary>
    public int MostRadioHops => backbone.Value.MostRadioHops;

    /// <summary>On what a box hangs, on the way with the fewest radio hops, then cables.</summary>
    /// <returns>The box next towards the line and the cable to it, no cable for a radio join; null at the line and for a box without a
    /// way.</returns>
    public (string Box, Cable? Cable)? WayUp(string device) =>
        fabric.DeviceIndex.TryGetValue(device, out var d) && backbone.Value.WayUp(d) is { } up
        ? (house.Devices[up.Upper].Id, up.Cable) : null;

    private void ListSources(List<(int Device, RadioNetwork Network)> joins)
    {
        var joined = joins.ToDictionary(join => join.Device, join => join.Network);
        for (var d = 0; d < house.Devices.Length; d++)
        {
            var box = house.Devices[d];
            if (!fabric.TakesPart[d] || !box.SendsWifi) continue;
            foreach (var radio in box.Radios)
            {
                if (!box.Wifi.Any(network => network.Enabled && network.Radio == radio.Id)) continue;
                sourceOf[(d, radio.Id)] = sources.Count;
                var channel = hearing.ChannelOf(d, radio, joined.GetValueOrDefault);
                sources.Add(new(d, radio, RadioAbility.Of(radio), channel,
                    box.Wifi.FirstOrDefault(network => network.Enabled && !network.Guest && network.Radio == radio.Id)?.Ssid,
                    RadioPower.Of(radio, channel, hearing.Rules)));
            }
        }
    }

    private void ListLink(int device, RadioNetwork network)
    {
        var source = sources[sourceOf[(network.Device, network.Settings.Radio)]];
        var radio = house.Devices[device].Radios.First(one => one.Id == house.Devices[device].Uplink!.Radio);
        var (here, there) = (hearing.PlaceOf(device), hearing.PlaceOf(network.Device));
        var level = LevelDbm(source, here);
        var channel = source.Channel with { WidthMHz = Math.Max(20, Math.Min(source.Channel.WidthMHz, hearing.Widest(device, radio))) };
        var cap = CapAt(source, here).LevelDbm;
        var isBelieved = !hearing.AreKnown(here, there) && cap > level;
        var rate = LinkRate.Mbps(source.Ability, RadioAbility.Of(radio), channel.WidthMHz, level, isBelieved);
        // A box that joined is up, however little was measured there.
        if (cap <= level) rate = Math.Max(rate, LinkCurve.BarelyMbps);
        links.Add(new(device, network.Device, radio, source, channel, level, rate, hearing.Plan.Between(here, there)));
    }

    private void ShareOut(List<(int Device, RadioNetwork Network)> joins)
    {
        above = Above(joins);
        var neighbours = HeardNeighbour.Of(house);
        var (with, own) = (ImmutableArray.CreateBuilder<string>(), ImmutableArray.CreateBuilder<int>());
        for (var i = 0; i < sources.Count; i++)
        {
            var one = sources[i];
            var others = 0.0;
            with.Clear();
            own.Clear();
            for (var j = 0; j < sources.Count; j++)
            {
                var other = sources[j];
                if (i == j || AreInOneRow(i, j) || !one.Channel.Overlaps(other.Channel) || !HearEachOther(one, other)) continue;
                others += Weight(one.Channel, other.Channel);
                with.Add(NameOf(house, other));
                own.Add(j);
            }
            foreach (var neighbour in neighbours)
            {
                if (!one.Channel.Overlaps(neighbour.Channel) || !IsHeard(neighbour, one.Device)) continue;
                others += NeighbourWeight * Weight(one.Channel, neighbour.Channel);
                with.Add(neighbour.Name);
            }
            sources[i] = one with { Share = 1 / (1 + others), With = with.ToImmutable(), WithOwn = own.ToImmutable() };
        }
    }

    /// <summary>As it stands in the lists of those who share with it: box and radio.</summary>
    internal static string NameOf(NetworkDocument house, AirSource source) => $"{house.Devices[source.Device].Id}:{source.Radio.Id}";

    /// <summary>Of each source the one that its radio joined; −1 for none. A radio that only joins is no source.</summary>
    private int[] Above(List<(int Device, RadioNetwork Network)> joins)
    {
        var above = new int[sources.Count];
        Array.Fill(above, -1);
        foreach (var (device, network) in joins)
            if (sourceOf.TryGetValue((device, house.Devices[device].Uplink!.Radio), out var own))
                above[own] = sourceOf[(network.Device, network.Settings.Radio)];
        return above;
    }

    /// <summary>Radios of which one joined the other, directly or in a row, share by airtime on the way and not as strangers. Two that
    /// joined the same
    /// box are strangers.</summary>
    /// <param name="a">A place among the sources, as the other.</param>
    internal bool AreInOneRow(int a, int b) => IsAbove(a, b) || IsAbove(b, a);

    private bool IsAbove(int upper, int lower)
    {
        for (var (at, steps) = (above[lower], 0); at >= 0 && steps <= above.Length; at = above[at], steps++)
            if (at == upper) return true;
        return false;
    }

    /// <summary>How much one counts for the other on the same air, where they hear each other: half where exactly one picks its channel
    /// itself.</summary>
    internal static double Weight(RadioChannel a, RadioChannel b) => a.Number is null != b.Number is null ? OneIsAutomatic : 1;

    private bool HearEachOther(AirSource a, AirSource b) => a.Device == b.Device
        || (hearing.Plan.MayReach(hearing.PlaceOf(a.Device), hearing.PlaceOf(b.Device), a.Radio.Band, Math.Min(a.PowerDbm, b.PowerDbm),
            LinkRate.SharingDbm)
            && Math.Min(a.PowerDbm,
            b.PowerDbm) - hearing.Plan.LossDb(hearing.Plan.Between(hearing.PlaceOf(a.Device), hearing.PlaceOf(b.Device)),
            a.Radio.Band) >= LinkRate.SharingDbm);

    internal bool IsHeard(HeardNeighbour neighbour, int device) => neighbour.Notes.Any(note => IsHeard(note, device));

    /// <summary>At the noted level less the walls and floors between the room it was noted in and the source, but not the
    /// distance.</summary>
    private bool IsHeard(NeighbourNetwork note, int device)
    {
        if (note.LevelDbm is not { } level) return true;
        if (note.Room is null) return level >= LinkRate.SharingDbm;
        var between = hearing.Plan.Between(hearing.Plan.PlaceOf(note.Room, null), hearing.PlaceOf(device));
        return level - hearing.Plan.ThroughDb(between, note.Band) >= LinkRate.SharingDbm;
    }

    private AirRoom RoomAt(int room)
    {
        AirRoom? best = null;
        var bestShared = 0.0;
        foreach (var heard in HeardAt(hearing.PlaceOf(house.Rooms[room]), room))
        {
            // Equal is what is printed alike.
            var shared = RateAnswer.Round(heard.LinkMbps * heard.Source!.Share);
            if (best is not null && (heard.Expected.Printed, shared, RateAnswer.Round(heard.LevelDbm))
                .CompareTo((best.Expected.Printed, bestShared, RateAnswer.Round(best.LevelDbm))) <= 0) continue;
            (best, bestShared) = (heard, shared);
        }
        return best ?? new(room, null, double.NaN, 0, RateAnswer.Nothing);
    }

    /// <summary>Each source that a device at that place hears and may be on, with what it would give; networks for guests alone are left
    /// out.</summary>
    /// <param name="room">As it is written into the answers; in the middle of a room that room’s own.</param>
    internal IEnumerable<AirRoom> HeardAt(Place place, int room) =>
        heardIn is not null && place is { IsListed: true, At: null } ? heardIn[place.Index] : Heard(place, room);

    private IEnumerable<AirRoom> Heard(Place place, int room)
    {
        foreach (var source in sources)
        {
            if (source.Ssid is null) continue;
            if (!hearing.Plan.MayReach(hearing.PlaceOf(source.Device), place, source.Radio.Band, source.PowerDbm,
                LinkRate.LeastDbm(source.Radio.Band))) continue;
            var between = hearing.Plan.Between(hearing.PlaceOf(source.Device), place);
            var cap = CapAt(source, place);
            var level = Math.Min(cap.LevelDbm, source.PowerDbm - hearing.Plan.LossDb(between, source.Radio.Band));
            if (level < LinkRate.LeastDbm(source.Radio.Band)) continue;
            var rate = source.Household.Mbps(level);
            yield return new(room, source, level, rate, Capped(backbone.Value.From(source, rate, between), cap.Mbps, source));
        }
    }

    /// <summary>What a thing may expect: at the network it joined, by that box's matching radio with the highest rate; a wired one at its
    /// socket. Reckoned
    /// when it is asked for: most things are asked by nobody.</summary>
    internal RateAnswer Of(int endpoint)
    {
        var thing = house.Endpoints[endpoint];
        if (thing.Connect?.Socket is { } socket) return backbone.Value.From(socket);
        if (fabric.EndpointNetwork[endpoint] is not { } joined) return RateAnswer.Nothing;
        var (place, there) = (hearing.PlaceOf(thing), hearing.PlaceOf(joined.Device));
        var box = house.Devices[joined.Device];
        RateAnswer? best = null;
        foreach (var network in box.Wifi)
        {
            if (!network.Enabled || network.Ssid != joined.Settings.Ssid || network.Key != joined.Settings.Key
                || network.Security != joined.Settings.Security) continue;
            if (!sourceOf.TryGetValue((joined.Device, network.Radio), out var i)) continue;
            var source = sources[i];
            if (!thing.Bands.IsEmpty && !thing.Bands.Contains(source.Radio.Band)) continue;
            var (level, cap) = (LevelDbm(source, place), CapAt(source, place));
            var rate = source.Household.Mbps(level, isBelieved: !hearing.AreKnown(place, there) && cap.LevelDbm > level);
            var answer = Capped(backbone.Value.From(source, rate, hearing.Plan.Between(there, place)), cap.Mbps, source);
            if (best is null || answer.Mbps > best.Mbps) best = answer;
        }
        return best ?? RateAnswer.Nothing;
    }

    /// <summary>No more than was measured there.</summary>
    private RateAnswer Capped(RateAnswer reckoned, double mostMbps, AirSource source) => reckoned.Mbps <= mostMbps ? reckoned
        : new(mostMbps, new(mostMbps, RateLimitKind.Measured, house.Devices[source.Device].Id));
}
