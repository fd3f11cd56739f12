using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Diagnosis.Sightings;

/// <summary>A house as it may really be, with where the laptop really is.</summary>
/// <param name="LastPlace">Where the laptop really was when it was thought to be at its last place; null: there.</param>
/// <param name="FixedEverywhere">The laptop kept that address at every place; null: it asks.</param>
internal sealed record PossibleHouse(NetworkDocument House, LaptopPlace? LastPlace = null, EndpointAddress? FixedEverywhere = null);

/// <summary>What would be seen in a house as it may be. States are simulated when they are asked for, and kept.</summary>
/// <remarks>The laptop at every place is one simulation where that changes nothing: a laptop asks last, and takes nothing from anybody.</remarks>
internal sealed class Hypothesis
{
    private readonly PossibleHouse possible;
    private readonly Ground ground;
    private readonly bool[] takesPart;
    private NetworkState? crowded;
    private readonly Dictionary<int, NetworkState> alone = [];
    private readonly Dictionary<(string Owner, InterfaceKind Kind, int Place, int Candidate), NetworkState> decided = [];
    private readonly Dictionary<string, bool> opens = [];
    private static readonly HashSet<Ipv4Address> None = [];
    private readonly HashSet<Ipv4Address> setByHand;

    public Hypothesis(PossibleHouse possible, Ground ground)
    {
        (this.possible, this.ground) = (possible, ground);
        var index = new Dictionary<string, int>(StringComparer.Ordinal);
        for (var i = 0; i < House.Devices.Length; i++) index[House.Devices[i].Id] = i;
        takesPart = InUse.Of(House, index);
        setByHand = [.. State.Interfaces.Where(one => one.Outcome == LeaseOutcome.Static).Select(one => one.Candidates[0].Address!.Value.Address)];
    }

    /// <summary>Simulates all that is asked of it later, so that several may ask at once.</summary>
    public void Settle()
    {
        for (var place = 0; place < ground.Places.Length; place++) At(place);
        foreach (var device in House.Devices) PageOpens(device.Id);
    }

    public NetworkDocument House => possible.House;

    /// <summary>With laptops at every place where one changes nothing.</summary>
    public NetworkState State => crowded ??= Simulator.Run(House with
    {
        Endpoints = [.. House.Endpoints, .. Enumerable.Range(0, ground.Places.Length).Where(MayShare).Select(LaptopOf)],
    });

    private static string LaptopAt(int place) => place == 0 ? Limits.LaptopId : $"{Limits.LaptopId}-{place}";

    private Endpoint LaptopOf(int place)
    {
        var where = ground.Places[place];
        if (place == ground.LastPlace && possible.LastPlace is { } really) where = really;
        if (possible.FixedEverywhere is { } held && where.Address.Method == EndpointMethod.Dhcp) where = where with { Address = held };
        return new() { Id = LaptopAt(place), Name = "Your laptop", Kind = "laptop", Connect = where.Connect, Address = where.Address };
    }

    /// <summary>A state with the laptop at that place.</summary>
    private NetworkState At(int place)
    {
        if (alone.TryGetValue(place, out var known)) return known;
        var state = MayShare(place) && IsAsAlone(place) ? State : Simulator.Run(House with { Endpoints = House.Endpoints.Add(LaptopOf(place)) });
        return alone[place] = state;
    }

    /// <summary>Laptops at several places disturb each other where one has a fixed address, or brings a box into use.</summary>
    private bool MayShare(int place)
    {
        var laptop = LaptopOf(place);
        if (laptop.Address.Method == EndpointMethod.Static) return false;
        var box = laptop.Connect?.Match(plug => plug.Device, join => join.Near);
        if (box is null) return true;
        for (var i = 0; i < takesPart.Length; i++)
            if (House.Devices[i].Id == box) return takesPart[i] || House.Devices[i].Off == true;
        return true;
    }

    /// <summary>Every server that would answer the laptop alone has had an address left for it.</summary>
    private bool IsAsAlone(int place)
    {
        var net = State.Net(LaptopAt(place))!;
        if (net.Segment < 0) return true;
        var servers = State.Servers.Count(server => server.Segment == net.Segment);
        return servers == 0 || (net.Outcome != LeaseOutcome.LinkLocal && net.Candidates.Count(held => held.Address is not null) == servers);
    }

    private readonly Lock settling = new();

    private NetworkState Decided(string owner, InterfaceKind kind, int place, int candidate)
    {
        var from = place >= 0 ? At(place) : State;
        lock (settling)
            return decided.TryGetValue((owner, kind, place, candidate), out var known) ? known
                : decided[(owner, kind, place, candidate)] = Simulator.Run(from.House, new SettledRace(owner, kind, candidate));
    }

    /// <summary>How many ways chance may decide for whoever the look is of; 1 where it decides nothing.</summary>
    public int Ways(Look look) => Client(look) is ({ } state, { } one) && one.Outcome == LeaseOutcome.Contested ? one.Candidates.Length : 1;

    private (NetworkState State, Interface? One) Client(Look look)
    {
        if (look.From is { } from && ground.PlaceOf(from) is var place) return (At(place), At(place).Net(LaptopAt(place)));
        if (look.Who is { } who) return (State, State.Net(who));
        return look.Reading switch
        {
            ReadingKind.WanAddress => (State, State.Wan(look.Device!)),
            ReadingKind.Listed => (State, State.Interfaces.FirstOrDefault(one => one.Mac == look.Mac)),
            _ => (State, null),
        };
    }

    /// <summary>What the look may show where chance decided for its client in that way: each as likely as the other.</summary>
    public IReadOnlyList<Shown> Shows(Look look, int way)
    {
        var (state, one) = Client(look);
        var laptop = look.From is { } from ? ground.PlaceOf(from) : -1;
        if (one is { Outcome: LeaseOutcome.Contested }) state = Decided(one.Owner, one.Kind, laptop, way);
        var who = laptop >= 0 ? LaptopAt(laptop) : look.Who;
        return look.Reading == ReadingKind.Laptop ? Together(state, who!) : One(look, state, who);
    }

    private List<Shown> Together(NetworkState state, string who)
    {
        List<Shown> rows = [Shown.Of([])];
        foreach (var kind in Look.OfLaptop)
        {
            var values = One(new(kind), state, who);
            rows = [.. from row in rows from value in values select row.With(kind, value)];
        }
        return rows;
    }

    private IReadOnlyList<Shown> One(Look look, NetworkState state, string? who) => look.Reading switch
    {
        ReadingKind.Address => [IsGuest(state, who!) ? Shown.Anything : Address(state, state.Net(who!))],
        ReadingKind.Gateway => [IsGuest(state, who!) ? Shown.Anything : Held(state, who!) is { Gateway: { } gateway } ? Shown.Exactly($"{gateway}") : Shown.None],
        ReadingKind.Server => [IsGuest(state, who!) ? Shown.Anything : Server(state, Held(state, who!)?.Server)],
        ReadingKind.Dns => [IsGuest(state, who!) ? Shown.Anything : Dns(Held(state, who!))],
        ReadingKind.Internet => YesNo(state.Internet(who!).Reachable),
        ReadingKind.Lookup => YesNo(NameServers.Answer(state, who!)),
        ReadingKind.NatLayers => [state.Internet(who!) is { Reachable: not Answer.No, NatLayers: var n } ? Shown.Exactly($"{n}") : Shown.Nothing],
        ReadingKind.Page => IsGuest(state, who!) ? [Shown.Anything] : Page(state, who!, look.At!.Value),
        ReadingKind.Ping => IsGuest(state, who!) ? [Shown.Anything] : YesNo(state.Ping(who!, look.At!.Value)),
        ReadingKind.Joined => [Shown.Exactly(state.JoinedBox(who!) ?? Shown.Nobody)],
        ReadingKind.Network => [Shown.Yes(state.Air.Any(one => one.Network.Ssid == look.Ssid && one.Network.Broadcast))],
        ReadingKind.Reach => YesNo(state.Reach(who!, look.To!).Reachable),
        ReadingKind.Outside => YesNo(Outside(state, look.Endpoint!, look.OutsidePort!.Value)),
        ReadingKind.WanAddress => [PageOpens(look.Device!) ? Address(state, state.Wan(look.Device!)) : Shown.None],
        ReadingKind.Listed => PageOpens(look.Device!) ? [Shown.Yes(IsListed(state, look.Device!, look.Mac!.Value))] : [Shown.None],
        ReadingKind.Mode => [PageOpens(look.Device!) ? Shown.Exactly(Words<DeviceMode>.Of(House.FindDevice(look.Device!)!.Mode)) : Shown.None],
        ReadingKind.Dhcp => [PageOpens(look.Device!) ? Shown.Exactly(IsServing(House.FindDevice(look.Device!)!) ? "on" : "off") : Shown.None],
        ReadingKind.Power => [Shown.Yes(House.FindDevice(look.Device!) is { Off: not true })],
        ReadingKind.Link => [SocketRates.Of(House, new(look.Device!, look.Port!)) is { } mbps ? Shown.Exactly(Shown.Number(mbps)) : Shown.None],
        _ => throw new InvalidOperationException($"{look.Reading} is not handled."),
    };

    private static bool IsServing(Device box) => box.Traits.RunsServer && box.Lan?.DhcpServer?.Enabled == true;

    private static Candidate? Held(NetworkState state, string who) => state.Net(who) is { Candidates: [var held, ..] } ? held : null;

    /// <summary>On a router's guest network the addresses are the router's own affair.</summary>
    private static bool IsGuest(NetworkState state, string who) => state.Net(who) is { Segment: >= 0 and var segment }
        && state.House.Devices.Any(box => state.GuestsOf(box.Id) == segment && state.InsideOf(box.Id) != segment);

    private Shown Address(NetworkState state, Interface? one)
    {
        if (one is not { Candidates: [{ Address: { } held } candidate, ..] }) return Shown.None;
        return one.Outcome switch
        {
            LeaseOutcome.LinkLocal => Shown.LinkLocal(held.Address),
            LeaseOutcome.Static => Shown.Exactly($"{held.Address}"),
            _ when candidate.Server == Line.ProviderId => Shown.Within(state.LineNumbers!.Prefix, held.Address, None),
            _ => Shown.Within(held.Prefix, held.Address, setByHand),
        };
    }

    private static Shown Server(NetworkState state, string? server) => server switch
    {
        null => Shown.None,
        Line.ProviderId => Shown.Exactly($"{state.LineNumbers!.Router.Address}"),
        _ => state.Servers.FirstOrDefault(one => one.Device == server) is { } running ? Shown.Exactly($"{running.Own.Address}") : Shown.None,
    };

    private static Shown Dns(Candidate? held) => held is null or { Dns.IsDefaultOrEmpty: true } ? Shown.Exactly("")
        : held.Server == Line.ProviderId ? Shown.Anything : Shown.Exactly(Shown.Servers(held.Dns.Select(one => $"{one}")));

    private static IReadOnlyList<Shown> YesNo(Answer answer) => answer switch
    {
        Answer.Yes => [Shown.Yes(true)],
        Answer.No => [Shown.Yes(false)],
        _ => [Shown.Yes(true), Shown.Yes(false)],
    };

    private List<Shown> Page(NetworkState state, string who, Ipv4Address at)
    {
        var perhaps = new List<Shown>();
        foreach (var box in House.Devices)
        {
            if (state.Lan(box.Id) is not { } page || !page.Candidates.Any(held => held.Address?.Address == at)) continue;
            var name = Shown.Exactly(ground.House.FindDevice(box.Id) is null ? Shown.Other : box.Id);
            var answer = state.Admin(who, box.Id).Reachable;
            if (answer == Answer.Yes) return [name];
            if (answer == Answer.Sometimes) perhaps.Add(name);
        }
        // Two boxes race for it; one alone races with a thing that has no page.
        if (perhaps.Count < 2) perhaps.Add(Shown.Exactly(Shown.Nobody));
        return perhaps;
    }

    /// <summary>Whether the page opens to a laptop that asks for its address anywhere in the house.</summary>
    private bool PageOpens(string device)
    {
        if (opens.TryGetValue(device, out var known)) return known;
        return opens[device] = ground.PagePlaces.Any(place => At(place).Admin(LaptopAt(place), device).Reachable != Answer.No);
    }

    private static bool IsListed(NetworkState state, string device, MacAddress mac) =>
        state.Interfaces.Any(one => one.Mac == mac && one.Candidates.Any(held => held.Server == device));

    private static Answer Outside(NetworkState state, string endpoint, int port) =>
        state.House.FindEndpoint(endpoint)?.Services.FirstOrDefault(one => one.Port == port) is { } service
            ? state.Inbound(endpoint, service.Protocol, port).Reachable : Answer.No;
}
