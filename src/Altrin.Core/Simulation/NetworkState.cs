using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <param name="NatLayers">Translating devices on the way, a carrier's included; 0 when nothing arrives.</param>
/// <param name="Hops">Those devices from the inside out; <c>carrier</c> for the provider's own.</param>
public sealed record InternetAnswer(string From, Answer Reachable, int NatLayers, ImmutableArray<string> Hops, ReachProblem Why);

public sealed record ReachAnswer(string From, string To, Answer Reachable, ReachProblem Why);

/// <param name="Address">Where the page is opened; null when the device has no address now.</param>
public sealed record AdminAnswer(string From, string Device, Ipv4Address? Address, Answer Reachable, ReachProblem Why);

/// <param name="FromInside">Whether a device behind the outermost translator gets there by the public address too (RFC 4787 REQ-9).</param>
public sealed record InboundAnswer(
    string Endpoint, TransportProtocol Protocol, int Port, Answer Reachable, Answer FromInside, string? StoppedAt);

/// <summary>A Wi-Fi network on the air.</summary>
/// <param name="Place">Its place in the box's list.</param>
/// <param name="Segment">What whoever joins it is on.</param>
public sealed record AirNetwork(Device Box, int Place, WifiNetwork Network, Band Band, int Segment);

/// <summary>What every device and person in the house would see. Asked, not listed: a big house has millions of pairs.</summary>
public sealed class NetworkState
{
    private readonly Fabric fabric;
    private readonly SegmentMap segments;
    private readonly InterfaceTable table;
    private readonly Delivery delivery;
    private readonly Climb climb;
    private readonly InternetWays ways;
    private readonly Dictionary<string, int> endpointIndex;
    private readonly Lazy<Tracer> tracer;
    private readonly Lazy<AirMap> air;

    /// <param name="settled">Races that are taken as decided.</param>
    internal NetworkState(NetworkDocument house, SettledRace? settled = null)
    {
        House = house;
        fabric = Fabric.Build(house);
        segments = SegmentMap.Build(fabric);
        table = InterfaceTable.Build(fabric, segments);
        Servers = LeaseTable.Settle(fabric, segments, table);
        if (settled is not null) table.Decide(settled);
        delivery = new(fabric, segments, table);
        climb = new(delivery);
        ways = new(delivery, climb);
        tracer = new(() => new(delivery, climb, ways));
        air = new(() => new(fabric));
        endpointIndex = new(house.Endpoints.Length, StringComparer.Ordinal);
        for (var i = 0; i < house.Endpoints.Length; i++) endpointIndex[house.Endpoints[i].Id] = i;
        Interfaces = Shown(table.All);
        Air = [.. fabric.Networks.Select(network =>
            new AirNetwork(house.Devices[network.Device], network.Place, network.Settings, network.Band, segments.OfGroup[network.Group]))];
        OnSegment = new(Interfaces, Segments.Length, one => one.Segment);
    }

    private static ImmutableArray<Interface> Shown(List<Interface> all)
    {
        var shown = ImmutableArray.CreateBuilder<Interface>(all.Count);
        foreach (var one in all)
            if (one.Kind != InterfaceKind.Provider && !one.SharesTheLine) shown.Add(one);
        return shown.DrainToImmutable();
    }

    public NetworkDocument House { get; }

    /// <summary>Null where no box of that id is.</summary>
    internal Device? FindDevice(string id) => fabric.DeviceIndex.TryGetValue(id, out var d) ? House.Devices[d] : null;
    public ImmutableArray<Segment> Segments => segments.All;

    /// <summary>Index of the segment that the provider is on; −1 where no line comes in.</summary>
    public int ProviderSegment => segments.Provider;

    public ImmutableArray<Interface> Interfaces { get; }
    public ImmutableArray<RunningServer> Servers { get; }

    /// <summary>Every Wi-Fi network on the air, in document order: a box that makes none in its mode is silent here.</summary>
    public ImmutableArray<AirNetwork> Air { get; }

    public BySegment<Interface> OnSegment { get; }

    public Interface? Wan(string device) => At(table.WanOf, fabric.DeviceIndex, device);
    public Interface? Lan(string device) => At(table.LanOf, fabric.DeviceIndex, device);
    public Interface? Net(string endpoint) => At(table.NetOf, endpointIndex, endpoint);

    /// <summary>The segment of a socket; −1 for a dead one.</summary>
    public int SegmentOf(Socket socket) => fabric.GroupOf(socket) is >= 0 and var group ? segments.OfGroup[group] : -1;

    /// <summary>The segment on the inside of a device, with its Wi-Fi; −1 for an unknown id.</summary>
    public int InsideOf(string device) =>
        fabric.DeviceIndex.TryGetValue(device, out var d) && fabric.Groups[d].Lan >= 0 ? segments.OfGroup[fabric.Groups[d].Lan] : -1;

    /// <summary>Whether the box takes part: it has power and does not lie on the table.</summary>
    public bool IsInUse(string device) => fabric.DeviceIndex.TryGetValue(device, out var d) && fabric.TakesPart[d];

    /// <summary>Whether a carrier translates in front of the house, by what the provider says or by what was seen.</summary>
    public bool IsLineShared => House.Line is { } line && LineNumbers.IsSharedLine(line);

    /// <summary>Whether the address belongs to the line: given out by the provider, seen or agreed.</summary>
    internal bool IsOfTheLine(Candidate candidate) => candidate.Address is { } address && table.Numbers is { } numbers
        && (candidate.Server == InterfaceTable.ProviderId || numbers.Prefix.Contains(address.Address));

    /// <summary>The segment on the provider's side of a router; −1 where it has none.</summary>
    public int OutsideOf(string device) =>
        fabric.DeviceIndex.TryGetValue(device, out var d) && fabric.Groups[d].Wan >= 0 ? segments.OfGroup[fabric.Groups[d].Wan] : -1;

    /// <summary>The segment of a router's guests; −1 where it has none.</summary>
    public int GuestsOf(string device) =>
        fabric.DeviceIndex.TryGetValue(device, out var d) && fabric.Groups[d].Guest >= 0 ? segments.OfGroup[fabric.Groups[d].Guest] : -1;

    /// <summary>Whether a cable, the line or a joined uplink is on the router's WAN side.</summary>
    public bool IsWanPlugged(string device) =>
        fabric.DeviceIndex.TryGetValue(device, out var d) && fabric.Groups[d].Wan is >= 0 and var wan
        && (fabric.IsPlugged[wan] || fabric.Joined[d] is not null);

    /// <summary>The box whose Wi-Fi an endpoint has joined; null when it is on a cable or on nothing.</summary>
    public string? JoinedBox(string endpoint) =>
        endpointIndex.TryGetValue(endpoint, out var e) && fabric.EndpointNetwork[e] is { } network
            ? House.Devices[network.Device].Id : null;

    /// <summary>The network an endpoint or an uplink has joined: the box, and the place in its list; null when it has joined
    /// none.</summary>
    public (string Box, int Place)? JoinedNetwork(string endpointOrDevice)
    {
        var network = endpointIndex.TryGetValue(endpointOrDevice, out var e) ? fabric.EndpointNetwork[e]
            : fabric.DeviceIndex.TryGetValue(endpointOrDevice, out var d) ? fabric.Joined[d] : null;
        return network is null ? null : (House.Devices[network.Device].Id, network.Place);
    }

    /// <summary>The box whose Wi-Fi a device's uplink has joined.</summary>
    public string? UplinkBox(string device) =>
        fabric.DeviceIndex.TryGetValue(device, out var d) && fabric.Joined[d] is { } network ? House.Devices[network.Device].Id : null;

    /// <summary>The subnets that routers and the provider make on a segment; where there are none, what its things hold.</summary>
    public IEnumerable<Prefix> SubnetsOn(int segment)
    {
        // A gateway in pass-through still makes its own subnet; the address it hands on is not of it.
        var made = OnSegment[segment].Where(one => one.Address is not null && (one.Routes
                || (one is { Kind: InterfaceKind.Lan, Device: >= 0 } && House.Devices[one.Device].Traits.HandsLineOn))).Select(one =>
                    one.Address!.Value.Prefix).ToList();
        if (segment == ProviderSegment && table.Numbers is { } numbers) made.Insert(0, numbers.Prefix);
        if (made.Count == 0)
            made.AddRange(OnSegment[segment].Where(one => one.Address is not null
                && one.Outcome != LeaseOutcome.LinkLocal).Select(one => one.Address!.Value.Prefix));
        // What things give themselves is a subnet only where there is no other.
        if (made.Count == 0 && OnSegment[segment].Any(one => one.Outcome == LeaseOutcome.LinkLocal)) made.Add(AddressRanges.LinkLocal);
        return made.Distinct();
    }

    /// <summary>Whether an interface has no address for certain, or one that no subnet of its segment has room for.</summary>
    public bool IsAmiss(Interface one) => one.Outcome switch
    {
        LeaseOutcome.Leased => false,
        LeaseOutcome.Static =>
            one.Address is not { } held
            || !SubnetsOn(one.Segment).Any(subnet => subnet.Length <= held.Prefix.Length && subnet.IsUsable(held.Address)),
        LeaseOutcome.LinkLocal or LeaseOutcome.Contested or LeaseOutcome.None => true,
        _ => throw new InvalidOperationException($"{one.Outcome} is not handled."),
    };

    public InternetAnswer Internet(string endpoint) =>
        Net(endpoint) is { } net ? Internet(net) : new(endpoint, Answer.No, 0, [], ReachProblem.NoAddress);

    /// <summary>Whether an interface reaches the internet, without listing its way: in a deep chain a way is as long as the
    /// chain.</summary>
    public Answer IsOnline(Interface from) => ways.Of(from).Ends.ToAnswer();

    /// <summary>Whether what hangs on a box can get out: it routes to the line itself, or stands on the network of one that does.</summary>
    public bool HasWayToLine(string device)
    {
        if (InsideOf(device) is not (>= 0 and var inside)) return false;
        if (inside == ProviderSegment) return true;
        foreach (var one in OnSegment[inside])
            if (one is { Routes: true, Device: >= 0 } && Wan(one.Owner) is { } wan && IsOnline(wan) != Answer.No) return true;
        return false;
    }

    /// <summary>Translating devices on the way, without listing them.</summary>
    public int LayersOf(Interface from) => ways.Of(from).Layers;

    /// <summary>Of each router in use that has internet and makes a network: the translations that a thing on it would meet, whether there
    /// is one or not.</summary>
    public IEnumerable<(Device Router, int Layers)> NetworkLayers()
    {
        foreach (var box in House.Devices)
        {
            if (!box.Traits.IsRouter || !IsInUse(box.Id) || !(box.SendsWifi || box.Ports.Any(port => port.Role == PortRole.Lan))) continue;
            if (Lan(box.Id) is not { Routes: true } || Wan(box.Id) is not { } wan || IsOnline(wan) == Answer.No) continue;
            yield return (box, LayersOf(wan) + (box.Nat == false ? 0 : 1));
        }
    }

    public InternetAnswer Internet(Interface from)
    {
        var way = ways.Of(from);
        var hops = ImmutableArray.CreateBuilder<string>();
        for (var hop = way.Path; hop is not null; hop = hop.Next) hops.Add(hop.Device);
        return new(from.Owner, way.Ends.ToAnswer(), way.Layers, hops.ToImmutable(), way.Why);
    }

    /// <summary>The routers that a WAN side sends to, by any lease that it may hold: one, or several where a race decides.</summary>
    public IEnumerable<Device> RoutersAbove(Interface wan)
    {
        foreach (var held in wan.Candidates)
            foreach (var gateway in climb.Gateways(wan, held))
                if (gateway is { Routes: true, Device: >= 0 } && gateway.Owner != wan.Owner) yield return House.Devices[gateway.Device];
    }

    /// <summary>The way of an endpoint to the street, over every box it meets.</summary>
    public Trace TraceOf(string endpoint) => endpointIndex.TryGetValue(endpoint, out var e)
        ? tracer.Value.From(table.All[table.NetOf[e]], e)
        : new(endpoint, Answer.No, [], ReachProblem.NoAddress);

    /// <summary>The air: who is heard where, what radios carry and share. Computed when it is first asked for.</summary>
    public AirMap AirMap => air.Value;

    /// <summary>What a download to that thing may reach.</summary>
    public RateAnswer RateOf(string endpoint) => endpointIndex.TryGetValue(endpoint, out var e) ? air.Value.Of(e) : RateAnswer.Nothing;

    public ReachAnswer Reach(string from, string to)
    {
        var (reachable, why) = Net(from) is { } a && Net(to) is { } b ? Reach(a, b) : (Answer.No, ReachProblem.NoAddress);
        return new(from, to, reachable, why);
    }

    public AdminAnswer Admin(string from, string device)
    {
        if (Net(from) is not { } sender || Lan(device) is not { } page) return new(from, device, null, Answer.No, ReachProblem.NoAddress);
        var (reachable, why) = Reach(sender, page);
        return new(from, device, page.Candidates.FirstOrDefault()?.Address?.Address, reachable, why);
    }

    /// <summary>Whether anybody at home answers at an address; a WAN side never does.</summary>
    internal Answer Ping(string from, Ipv4Address address)
    {
        if (Net(from) is not { } sender) return Answer.No;
        var perhaps = 0;
        foreach (var one in HoldersOf(address))
        {
            if (one.Kind is InterfaceKind.Wan || one == sender) continue;
            var (reachable, _) = Reach(sender, one);
            if (reachable == Answer.Yes) return Answer.Yes;
            if (reachable == Answer.Sometimes) perhaps++;
        }
        // Of two who race for it one answers.
        return perhaps switch { 0 => Answer.No, 1 => Answer.Sometimes, _ => Answer.Yes };
    }

    private ILookup<Ipv4Address, Interface>? holders;

    /// <summary>Who has the address, or may have it.</summary>
    internal IEnumerable<Interface> HoldersOf(Ipv4Address address) => (holders ??= (
        from one in Interfaces
        from held in one.Candidates.Select(candidate => candidate.Address?.Address).OfType<Ipv4Address>().Distinct()
        select (one, held)).ToLookup(pair => pair.held, pair => pair.one))[address];

    /// <summary>The line in numbers; null where none comes in.</summary>
    internal LineNumbers? LineNumbers => table.Numbers;

    public InboundAnswer Inbound(string endpoint, TransportProtocol protocol, int port)
    {
        var (reachable, inside, stoppedAt) = Net(endpoint) is { } net
            ? InboundQuery.Ask(delivery, climb, ways, net, protocol, port) : (Answer.No, Answer.No, null);
        return new(endpoint, protocol, port, reachable, inside, stoppedAt);
    }

    private (Answer, ReachProblem) Reach(Interface from, Interface to)
    {
        var (ends, why) = (Ends.None, ReachProblem.None);
        foreach (var target in to.Candidates)
            foreach (var source in from.Candidates)
            {
                if (target.Address is null || source.Address is null)
                {
                    (ends, why) = (ends | Ends.No, Known(why, ReachProblem.NoAddress));
                    continue;
                }
                var query = new ReachQuery(delivery, climb, to, target);
                ends |= query.From(from, source);
                why = Known(why, query.Why);
            }
        if (ends == Ends.None) (ends, why) = (Ends.No, ReachProblem.NoAddress);
        return (ends.ToAnswer(), ends == Ends.Yes ? ReachProblem.None : why);
    }

    private static ReachProblem Known(ReachProblem first, ReachProblem second) => first != ReachProblem.None ? first : second;

    private Interface? At(int[] indexes, Dictionary<string, int> index, string id) =>
        index.TryGetValue(id, out var i) && indexes[i] >= 0 ? table.All[indexes[i]] : null;
}

/// <summary>Which of several leases chance gave to things.</summary>
/// <param name="Owner">The thing; null: every one of them.</param>
/// <param name="Candidate">Its place among the candidates, from 0; the last where there are fewer.</param>
internal sealed record SettledRace(string? Owner, int Candidate);

/// <summary>Document in, state out: same document, same state, byte for byte.</summary>
public static class Simulator
{
    public static NetworkState Run(NetworkDocument house) => new(house);

    /// <summary>The same where races of things went one way.</summary>
    internal static NetworkState Run(NetworkDocument house, SettledRace settled) => new(house, settled);
}
