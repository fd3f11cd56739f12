using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Diagnosis.Sightings;

/// <summary>A house as it may really be, with where the laptop really is.</summary>
/// <param name="LastPlace">Where the laptop really was when it was thought to be at its last place; null: there.</param>
/// <param name="FixedEverywhere">The laptop kept that address at every place; null: it asks.</param>
internal sealed record PossibleHouse(NetworkDocument House, LaptopPlace? LastPlace = null, EndpointAddress? FixedEverywhere = null);

/// <summary>What would be seen in a house as it may be. States are simulated when they are asked for, and kept.</summary>
/// <remarks>The laptop at every place is one simulation where that changes nothing: a laptop asks last, and takes nothing from
/// anybody.</remarks>
internal sealed class Hypothesis
{
    private readonly PossibleHouse possible;
    private readonly Ground ground;
    private readonly bool[] takesPart;
    private NetworkState? crowded;
    private NetworkState? sparse;
    private readonly Dictionary<int, (NetworkState State, string Id)> seats = [];
    private readonly Dictionary<(NetworkState From, SettledRace Race), NetworkState> decided = [];
    private readonly Dictionary<string, bool> opens = [];
    private readonly HashSet<Ipv4Address> setByHand;

    public Hypothesis(PossibleHouse possible, Ground ground)
    {
        (this.possible, this.ground) = (possible, ground);
        takesPart = InUse.Of(House);
        setByHand = [.. State.Interfaces.Where(one => one.Outcome == LeaseOutcome.Static).Select(one =>
            one.Candidates[0].Address!.Value.Address)];
    }

    public NetworkDocument House => possible.House;

    /// <summary>With laptops at every place where one changes nothing.</summary>
    public NetworkState State => crowded ??= WithLaptops(Enumerable.Range(0, ground.Places.Length).Where(MayShare));

    private NetworkState WithLaptops(IEnumerable<int> places) =>
        Simulator.Run(House with { Endpoints = [.. House.Endpoints, .. places.Select(LaptopOf)] });

    private static string LaptopAt(int place) => place == 0 ? Limits.LaptopId : $"{Limits.LaptopId}-{place}";

    private Endpoint LaptopOf(int place)
    {
        var where = ground.Places[place];
        if (place == ground.LastPlace && possible.LastPlace is { } really) where = really;
        if (possible.FixedEverywhere is { } held && where.Address.Method == EndpointMethod.Dhcp) where = where with { Address = held };
        return new() { Id = LaptopAt(place), Name = "Your laptop", Kind = "laptop", Connect = where.Connect, Address = where.Address };
    }

    /// <summary>The laptop at that place: a state, and its id there.</summary>
    /// <remarks>Laptops that ask on one segment see the same: the first of them stands for all. Where they took one another's addresses, it
    /// is alone on its segment.</remarks>
    private (NetworkState State, string Id) At(int place)
    {
        if (seats.TryGetValue(place, out var known)) return known;
        return seats[place] = !MayShare(place) ? (WithLaptops([place]), LaptopAt(place))
            : State.Net(LaptopAt(place))!.Segment < 0 ? (State, LaptopAt(place))
            : IsAsAlone(First(place)) ? (State, LaptopAt(First(place)))
                : (sparse ??= WithLaptops(Sharing().Select(First).Distinct()), LaptopAt(First(place)));
    }

    private IEnumerable<int> Sharing() =>
        Enumerable.Range(0, ground.Places.Length).Where(place => MayShare(place) && State.Net(LaptopAt(place))!.Segment >= 0);

    private int First(int place)
    {
        var segment = State.Net(LaptopAt(place))!.Segment;
        return Sharing().First(one => State.Net(LaptopAt(one))!.Segment == segment);
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

    /// <summary>What one thing is leased changes nothing for another: all races of things are decided in one state, but where one is to
    /// reach another.</summary>
    private NetworkState Decided(NetworkState from, string? owner, int candidate)
    {
        var race = new SettledRace(owner, candidate);
        return decided.TryGetValue((from, race), out var known) ? known : decided[(from, race)] = Simulator.Run(from.House, race);
    }

    /// <summary>How many ways chance may decide for whoever the look is of; 1 where it decides nothing. Besides the lease it decides which
    /// of two holders of its gateway's address a client talks to: that too once, for all that is seen of it.</summary>
    public int Ways(Look look)
    {
        var (state, who, one) = Client(look);
        return (one is { Outcome: LeaseOutcome.Contested } ? one.Candidates.Length : 1) * RaceOutcomes(state, who);
    }

    private static int RaceOutcomes(NetworkState state, string? who) =>
        who is not null && state.Net(who) is { } net && state.IsOnline(net) == Answer.Sometimes ? 2 : 1;

    private readonly Dictionary<(NetworkState State, int Segment), bool> guests = [];

    private bool IsGuest(NetworkState state, string? who)
    {
        if (who is null || state.Net(who) is not { Segment: >= 0 and var segment }) return false;
        return guests.TryGetValue((state, segment), out var known) ? known : guests[(state, segment)] = Ground.IsGuest(state, who);
    }

    private (NetworkState State, string? Who, Interface? One) Client(Look look)
    {
        if (look.From is { } from)
        {
            var place = ground.PlaceOf(from);
            var (state, id) = At(place);
            // Which box it joined is its own affair.
            if (look.Reading == ReadingKind.Joined && MayShare(place)) (state, id) = (State, LaptopAt(place));
            return (state, id, state.Net(id));
        }
        if (look.Who is { } who) return (State, who, State.Net(who));
        return (State, null, look.Reading switch
        {
            ReadingKind.WanAddress => State.Wan(look.Device!),
            ReadingKind.Listed => State.Interfaces.FirstOrDefault(one => one.Mac == look.Mac),
            _ => null,
        });
    }

    /// <summary>What the look may show where chance decided for its client in that way: each as likely as the other.</summary>
    public IReadOnlyList<Shown> Shows(Look look, int way)
    {
        var (state, who, one) = Client(look);
        var outcomes = RaceOutcomes(state, who);
        bool? isRight = outcomes == 1 ? null : way % outcomes == 0;
        var all = way;
        way /= outcomes;
        var held = one is { Candidates: { IsEmpty: false } leases } ? leases[Math.Min(way, leases.Length - 1)] : null;
        switch (look.Reading)
        {
            case ReadingKind.WanAddress: return PageOpens(look.Device!) ? [Address(state, one, held)] : NoPage;
            case ReadingKind.Listed:
                return !PageOpens(look.Device!) ? NoPage : one is { Outcome: LeaseOutcome.Leased or LeaseOutcome.Contested }
                    && held?.Server == look.Device ? IsSo : IsNot;
        }
        var isGuest = IsGuest(state, who);
        Shown Own(Shown shown) => isGuest ? shown.OrAnything() : shown;
        switch (look.Reading)
        {
            case ReadingKind.Address: return [Own(Address(state, one, held))];
            case ReadingKind.Gateway: return [Own(held?.Gateway is { } gateway ? Shown.Exactly($"{gateway}") : Shown.None)];
            case ReadingKind.Server: return [Own(Server(state, held?.Server))];
            case ReadingKind.Dns: return [Own(Dns(held))];
            case ReadingKind.Page when isGuest: return [NobodysPage[0].OrAnything()];
            case ReadingKind.Ping when isGuest: return [IsNot[0].OrAnything()];
        }
        if (one is { Outcome: LeaseOutcome.Contested }) state = Decided(state, look.Reading == ReadingKind.Reach ? who : null, way);
        return look.Reading == ReadingKind.Laptop ? Together(look, all) : ByRace(One(look, state, who), look, isRight, held);
    }

    /// <summary>Of what a race leaves open, what is so where the client has met the right one, or the other one.</summary>
    private static IReadOnlyList<Shown> ByRace(IReadOnlyList<Shown> shown, Look look, bool? metRightHolder, Candidate? held)
    {
        if (metRightHolder is not { } isRight) return shown;
        return look.Reading switch
        {
            ReadingKind.Internet or ReadingKind.Lookup when shown.Count > 1 => isRight ? IsSo : IsNot,
            ReadingKind.NatLayers when !isRight => [Shown.Nothing],
            ReadingKind.Page when shown.Count > 1 && look.At == held?.Gateway => isRight ? [shown[0]] : [.. shown.Skip(1)],
            _ => shown,
        };
    }

    private List<Shown> Together(Look look, int way)
    {
        List<Shown> rows = [Shown.Of([])];
        foreach (var kind in Look.OfLaptop)
        {
            var values = Shows(look with { Reading = kind }, way);
            rows = [.. from row in rows from value in values select row.With(kind, value)];
        }
        return rows;
    }

    private IReadOnlyList<Shown> One(Look look, NetworkState state, string? who) => look.Reading switch
    {
        ReadingKind.Internet => YesNo(state.Internet(who!).Reachable),
        ReadingKind.Lookup => YesNo(NameServers.Answer(state, who!)),
        ReadingKind.NatLayers =>
            [state.Internet(who!) is { Reachable: not Answer.No, NatLayers: var n } ? Shown.Exactly($"{n}") : Shown.Nothing],
        ReadingKind.Page or ReadingKind.Ping => AtAddress(look, state, who!),
        ReadingKind.Joined => [Shown.Exactly(state.JoinedBox(who!) ?? Shown.Nobody)],
        ReadingKind.Network => state.Air.Any(one => one.Network.Ssid == look.Ssid && one.Network.Broadcast) ? IsSo : IsNot,
        ReadingKind.Reach => YesNo(state.Reach(who!, look.To!).Reachable),
        ReadingKind.Outside => YesNo(Outside(state, look.Endpoint!, look.OutsidePort!.Value)),
        ReadingKind.Mode => PageOpens(look.Device!) ? [Shown.Exactly(Words<DeviceMode>.Of(House.FindDevice(look.Device!)!.Mode))] : NoPage,
        ReadingKind.Dhcp => PageOpens(look.Device!) ? [Shown.Exactly(IsServing(House.FindDevice(look.Device!)!) ? "on" : "off")] : NoPage,
        ReadingKind.Power => House.FindDevice(look.Device!) is { Off: not true } ? IsSo : IsNot,
        ReadingKind.Link => SocketRates.Of(House, new(look.Device!, look.Port!)) is { } mbps ? [Shown.Exactly(Shown.Number(mbps))] : NoPage,
        _ => throw new InvalidOperationException($"{look.Reading} is not handled."),
    };

    private static readonly Shown[] IsSo = [Shown.Yes(true)], IsNot = [Shown.Yes(false)], NoPage = [Shown.None];

    private static readonly Shown[] NobodysPage = [Shown.Exactly(Shown.Nobody)];

    private static bool IsServing(Device box) => box.Traits.RunsServer && box.Lan?.DhcpServer?.Enabled == true;

    private Shown Address(NetworkState state, Interface? one, Candidate? held)
    {
        if (one is null || held is not { Address: { } own }) return Shown.None;
        return one.Outcome switch
        {
            LeaseOutcome.LinkLocal => Shown.LinkLocal(own.Address),
            LeaseOutcome.Static => Shown.Exactly($"{own.Address}"),
            _ when held.Server == Line.ProviderId => Shown.Within(state.LineNumbers!.Prefix, own.Address, NoOne),
            _ => Shown.Within(own.Prefix, own.Address, setByHand),
        };
    }

    private static readonly HashSet<Ipv4Address> NoOne = [];

    private static Shown Server(NetworkState state, string? server) => server switch
    {
        null => Shown.None,
        Line.ProviderId => Shown.Exactly($"{state.LineNumbers!.Router.Address}"),
        _ => state.Servers.FirstOrDefault(one => one.Device == server) is { } running ? Shown.Exactly($"{running.Own.Address}")
            : Shown.None,
    };

    private static Shown Dns(Candidate? held) => held is null or { Dns.IsDefaultOrEmpty: true } ? Shown.Exactly("")
        : held.Server == Line.ProviderId ? Shown.Exactly(Shown.Servers(held.Dns.Select(one => $"{one}"))).OrAnything()
            : Shown.Exactly(Shown.Servers(held.Dns.Select(one => $"{one}")));

    private static IReadOnlyList<Shown> YesNo(Answer answer) => answer switch
    {
        Answer.Yes => IsSo,
        Answer.No => IsNot,
        _ => [IsSo[0], IsNot[0]],
    };

    /// <summary>Worked out once for all laptops that one stands for.</summary>
    private IReadOnlyList<Shown> AtAddress(Look look, NetworkState state, string who)
    {
        var key = (state, who, look.Reading, look.At!.Value);
        if (answered.TryGetValue(key, out var known)) return known;
        return answered[key] = look.Reading == ReadingKind.Page ? Page(state, who, look.At.Value) : YesNo(state.Ping(who, look.At.Value));
    }

    private readonly Dictionary<(NetworkState State, string Who, ReadingKind Reading, Ipv4Address At), IReadOnlyList<Shown>> answered = [];

    private IReadOnlyList<Shown> Page(NetworkState state, string who, Ipv4Address at)
    {
        var perhaps = new List<Shown>();
        foreach (var holder in state.HoldersOf(at))
        {
            if (holder.Kind != InterfaceKind.Lan) continue;
            var name = Shown.Exactly(ground.House.FindDevice(holder.Owner) is null ? Shown.Other : holder.Owner);
            var answer = state.Admin(who, holder.Owner).Reachable;
            if (answer == Answer.Yes) return [name];
            if (answer == Answer.Sometimes) perhaps.Add(name);
        }
        // Two boxes race for it; one alone races with a thing that has no page.
        if (perhaps.Count == 0) return NobodysPage;
        if (perhaps.Count == 1) perhaps.Add(NobodysPage[0]);
        return perhaps;
    }

    /// <summary>Whether the page opens to a laptop that asks for its address anywhere in the house.</summary>
    private bool PageOpens(string device)
    {
        if (opens.TryGetValue(device, out var known)) return known;
        return opens[device] = ground.PagePlaces.Any(place => At(place) is var (state, id)
            && state.Admin(id, device).Reachable != Answer.No);
    }

    private static Answer Outside(NetworkState state, string endpoint, int port) =>
        state.House.FindEndpoint(endpoint)?.Services.FirstOrDefault(one => one.Port == port) is { } service
            ? state.Inbound(endpoint, service.Protocol, port).Reachable : Answer.No;
}
