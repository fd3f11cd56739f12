using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Readings.Parsers;
using Altrin.Core.Simulation;

namespace Altrin.Core.Visit;

/// <summary>Things that were seen and are not in the house: what each may be, and where.</summary>
internal sealed class NewThings
{
    private readonly HashSet<string> taken, names;
    private readonly ThingPlace place;
    private readonly Func<MacAddress, string?>? maker;
    private readonly NetworkDocument then;

    /// <param name="corrections">Taken in before them: a name on the air may be one of these.</param>
    public NewThings(NetworkDocument house, NetworkState state, IReadOnlyCollection<Proposal> corrections, Func<MacAddress, string?>? maker)
    {
        this.maker = maker;
        then = corrections.SelectMany(one => one.Actions).Apply(house);
        place = new(then, corrections.Count == 0 ? state : Simulator.Run(then));
        taken = [.. house.Devices.Select(box => box.Id), .. house.Endpoints.Select(thing => thing.Id)];
        names = new(house.Devices.Select(box => box.Name).Concat(house.Endpoints.Select(thing => thing.Name)), StringComparer.OrdinalIgnoreCase);
    }

    public IEnumerable<Proposal> Of(IEnumerable<(SeenNeighbour Seen, bool IsNew)> strange) =>
        strange.Where(one => one.Seen is not { Mac: null, Address: null, Name: null }).Select(one => Thing(one.Seen, one.IsNew));

    private Proposal Thing(SeenNeighbour seen, bool isNew)
    {
        var (kind, guess) = ThingGuess.Of(seen.Name);
        var name = Fresh(seen.Name ?? $"Thing {(seen.Address is { } at ? at[at.LastIndexOf('.')..] : seen.Mac![^5..])}");
        var id = FreshId(kind ?? "thing");
        var how = seen.Name is { } called ? $"calls itself {called}" : "ask, turn it off and paste again, or look at the label";
        var mac = MacAddress.TryParse(seen.Mac, out var own) ? own : (MacAddress?)null;
        if (mac is { IsLocallyAdministered: true }) how += "; its MAC is a private one and may change";
        else if (mac is { } registered && maker?.Invoke(registered) is { } by) how += $"; its MAC is registered to {by}";
        if (isNew) how = $"came between the two lists; {how}";
        var room = place.RoomOf(name);
        var (connect, says) = place.Of(seen.Adapter, room) ?? default;
        if (says is not null) how += $". {says}";
        var held = HeldAs(seen, mac);
        if (held.Says is not null) how += $". {held.Says}";
        return new($"thing {seen.Mac ?? seen.Address ?? seen.Name}", name, $"{guess}: {how}.",
            [new AddEndpoint(new() { Id = id, Name = name, Kind = kind, Mac = mac, Connect = connect, Room = room, Address = held.Address }), .. held.Reserve], IsThing: true, seen.Address, seen.Mac);
    }

    /// <summary>Its address as the router's list says that it is held: asked for, reserved there, or set on the thing itself.</summary>
    private (EndpointAddress Address, InstallerAction[] Reserve, string? Says) HeldAs(SeenNeighbour seen, MacAddress? mac)
    {
        var router = Ipv4Address.TryParse(seen.Address, out var at) ? then.Devices.FirstOrDefault(box => box.RoutesForItsOwn && box.Lan?.Address?.Prefix.Contains(at) == true) : null;
        if (router?.Lan?.Address is not { } own) return (new(), [], null);
        if (seen.Held == Held.Fixed) return (EndpointAddress.Fixed(new(at, own.Prefix.Length), own.Address), [], "Its address is set on it, says the list");
        if (seen.Held == Held.Reserved && mac is { } its && new ReserveAddress(router.Id, its, at) is var reserve && reserve.Problem(then) is null) return (new(), [reserve], $"Reserved at {router.Name}, says the list");
        return (new(), [], null);
    }

    private string Fresh(string stem)
    {
        var name = stem.Length > Limits.NameLetters ? stem[..Limits.NameLetters] : stem;
        for (var n = 2; !names.Add(name); n++) name = $"{stem} {n}";
        return name;
    }

    private string FreshId(string stem)
    {
        for (var n = 1; ; n++)
            if (taken.Add($"{stem}{n}")) return $"{stem}{n}";
    }
}
