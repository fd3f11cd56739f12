using System.Collections.Immutable;
using System.Text.Json;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Simulation;

namespace Altrin.Core.Diagnosis.Sightings;

/// <summary>What a diagnosis stands on: the house as it is believed to be, what was seen, and where the laptop can go.</summary>
internal sealed class Ground
{
    private readonly Dictionary<string, int> placeOf = new(StringComparer.Ordinal);
    private readonly List<LaptopPlace> places = [];

    /// <summary>The same by the object itself: places are asked for many thousand times, and writing one out takes long.</summary>
    private readonly Dictionary<LaptopPlace, int> known = new(ReferenceEqualityComparer.Instance);

    /// <summary>Causes beyond the table of the format are thought of too.</summary>
    public bool ThinksFurther { get; init; }

    /// <param name="hasSocket">Whether what is in hand can be plugged in.</param>
    /// <param name="further">A place besides, that may be asked about.</param>
    public Ground(NetworkDocument house, ImmutableArray<Sighting> seen, bool hasSocket, LaptopPlace? further = null)
    {
        (House, Seen, State) = (house, seen, Simulator.Run(house));
        foreach (var sighting in seen)
            if (sighting.Look.From is { } from) LastPlace = Add(from);
        var sockets = hasSocket
            ? house.Devices.Where(box => State.IsInUse(box.Id)).Select(FreeSocket).OfType<Socket>().Select(Attachment.To) : [];
        var all = sockets.Concat(Networks(house, State)).Select(LaptopPlace.Asking).ToList();
        PagePlaces = [.. all.Select(Add).Distinct()];
        // Another free socket of the box that the laptop is in tells nothing new.
        var here = LastPlace >= 0 ? places[LastPlace].Connect?.Socket : null;
        var isLan = here is not null && house.FindDevice(here.Device)?.FindPort(here.Port)?.Role == PortRole.Lan;
        var tests = PagePlaces.Where(place => !(isLan && place != LastPlace && places[place].Connect?.Socket?.Device == here!.Device));
        TestPlaces = [.. LastPlace >= 0 ? tests.Prepend(LastPlace).Distinct() : tests];
        if (further is not null) Add(further);
        Places = [.. places];

        Socket? FreeSocket(Device box) => house.FreePort(box, PortRole.Lan) is { } port ? new(box.Id, port.Id) : null;
    }

    public NetworkDocument House { get; }
    public NetworkState State { get; }

    /// <summary>What the rules ask of the house as believed.</summary>
    public Facts Believed => believed ??= new(State);

    private Facts? believed;
    public ImmutableArray<Sighting> Seen { get; }
    public ImmutableArray<LaptopPlace> Places { get; }

    /// <summary>Where the laptop was last; −1 where it was nowhere yet.</summary>
    public int LastPlace { get; } = -1;

    /// <summary>From where a settings page may be opened.</summary>
    public ImmutableArray<int> PagePlaces { get; }

    /// <summary>Where the laptop may be taken to look.</summary>
    public ImmutableArray<int> TestPlaces { get; }

    public int PlaceOf(LaptopPlace place) => known.TryGetValue(place, out var index) ? index : placeOf[KeyOf(place)];

    private int Add(LaptopPlace place)
    {
        var key = KeyOf(place);
        if (placeOf.TryAdd(key, places.Count)) places.Add(place);
        return known[place] = placeOf[key];
    }

    internal static string KeyOf(LaptopPlace place) =>
        JsonSerializer.Serialize(place.Connect, AltrinJson.Compact) + JsonSerializer.Serialize(place.Address, AltrinJson.Compact);

    /// <summary>The networks of boxes in use that a laptop could join, one a name and box.</summary>
    internal static IEnumerable<Attachment> Networks(NetworkDocument house, NetworkState state) => state.Air
        .Select(one => new Attachment.Join
        {
            Ssid = one.Network.Ssid,
            Security = one.Network.Security == WifiSecurity.Open ? null : one.Network.Security,
            Key = one.Network.Key,
            Near = one.Box.Id,
        }).DistinctBy(one => (one.Ssid, one.Near, one.Key));

    /// <summary>Whether a thing is on the guest network that a router keeps apart.</summary>
    internal static bool IsGuest(NetworkState state, string who) => state.Net(who) is { Segment: >= 0 and var segment }
        && state.House.Devices.Any(box => state.GuestsOf(box.Id) == segment && state.InsideOf(box.Id) != segment);

    /// <summary>Minutes before a reading there, common practice: to another socket of the box 1, to another network 1, to another box
    /// 2.</summary>
    public double MinutesTo(int place)
    {
        if (place == LastPlace) return 0;
        if (places[place].Connect?.Socket is not { } to) return 1;
        return LastPlace >= 0 && places[LastPlace].Connect?.Socket?.Device == to.Device ? 1 : 2;
    }
}
