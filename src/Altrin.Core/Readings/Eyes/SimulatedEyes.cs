using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Readings.Parsers;
using Altrin.Core.Simulation;

namespace Altrin.Core.Readings.Eyes;

/// <summary>A laptop in a simulated house: what it would show there. Where chance decides it shows the first of the ways.</summary>
/// <param name="who">The thing that looks.</param>
public sealed class SimulatedEyes(NetworkState state, string who) : IEyes
{
    public string Says => "a simulated laptop: this house is an invented one";

    public Task<Sight> Look(Glance glance, CancellationToken cancel)
    {
        if (Manners.Refuse(glance) is { } why) throw new ArgumentException(why, nameof(glance));
        var pings = glance.Pings.Where(at => !IsStandIn(at)).Select(at => (At: at, Answers: state.Ping(who, at) != Answer.No)).ToList();
        var pages = glance.Pages.Select(Page).ToImmutableArray();
        var own = Adapter();
        var spokenTo = pings.Where(one => one.Answers).Select(one =>
            one.At).Concat(pages.Where(one => one.Opens).Select(one => Ipv4Address.Parse(one.Address)));
        if (Ipv4Address.TryParse(own?.Gateway, out var gateway)) spokenTo = spokenTo.Prepend(gateway);
        var reading = new PastedReading(OneReading.Source, null, own is null ? []
            : [own], [.. spokenTo.Distinct().Select(Neighbour).OfType<SeenNeighbour>()],
            [.. glance.Air ? Networks() : []], [], [.. pings.Select(one => new SeenPing($"{one.At}", 1, one.Answers ? 1 : 0, null)),
                .. Outside(glance)], [])
        {
            Tells = [ReadingPart.Adapters, ReadingPart.Neighbours, ReadingPart.Pings, .. glance.Air ? [ReadingPart.Networks]
                : ImmutableArray<ReadingPart>.Empty],
            Pages = pages,
        };
        return Task.FromResult(new Sight(reading, [$"Asked {Says}."], []));
    }

    /// <summary>Out of a pool that nobody has looked at any number may be given: who holds this one is not known.</summary>
    private bool IsStandIn(Ipv4Address at) => state.HoldersOf(at).ToList() is { Count: > 0 } all && all.All(one => one.Outcome == LeaseOutcome.Leased
        && one.Candidates.All(held => held.Server is { } server && state.House.FindDevice(server)?.Lan?.DhcpServer is { IsPoolUnknown: true }));

    /// <summary>No time passes in a simulated house: none is said.</summary>
    public Task<GatewaySpeed> Measure(Ipv4Address gateway, CancellationToken cancel)
    {
        if (Manners.Refuse(gateway) is { } why) throw new ArgumentException(why, nameof(gateway));
        var answers = state.Ping(who, gateway) == Answer.Yes;
        return Task.FromResult(new GatewaySpeed(gateway, GatewaySpeed.Pings, answers ? GatewaySpeed.Pings : 0, null, null, null, null));
    }

    private IEnumerable<SeenPing> Outside(Glance glance) => glance.Outside is { } at
        ? [new($"{at}", 1, state.Internet(who).Reachable != Answer.No ? 1 : 0, null)] : [];

    private SeenAdapter? Adapter()
    {
        if (state.Net(who) is not { } net) return null;
        var isJoined = state.House.FindEndpoint(who)?.Connect is Attachment.Join;
        var adapter = new SeenAdapter(isJoined ? "Wi-Fi" : "Ethernet")
        {
            Kind = isJoined ? AdapterKind.Wifi
            : AdapterKind.Ethernet,
            Mac = net.Mac?.ToString()
        };
        if (net.Candidates is not [{ Address: { } address } held, ..]) return adapter;
        var isLinkLocal = net.Outcome == LeaseOutcome.LinkLocal;
        return adapter with
        {
            Address = $"{address}",
            Gateway = held.Gateway?.ToString(),
            Dns = held.Dns.IsDefaultOrEmpty ? [] : [.. held.Dns.Select(one => one.ToString())],
            Method = net.Outcome == LeaseOutcome.Static ? "static" : isLinkLocal ? null : "dhcp",
            Server = held.Server is { } server ? state.Lan(server)?.Address?.Address.ToString() : null,
            LinkLocal = isLinkLocal,
        };
    }

    /// <summary>Only who is in the same segment stands in the list, by its own MAC.</summary>
    private SeenNeighbour? Neighbour(Ipv4Address at)
    {
        var segment = state.Net(who)?.Segment ?? -1;
        return state.HoldersOf(at).FirstOrDefault(one => one.Segment == segment && segment >= 0) is { Mac: { } mac }
            ? new($"{at}", $"{mac}", null) : null;
    }

    private SeenPage Page(Ipv4Address at)
    {
        // Of two that hold the address the one on the laptop's own network answers.
        var segment = state.Net(who)?.Segment ?? -1;
        var box = state.HoldersOf(at).Where(one => one.Kind is not InterfaceKind.Wan).OrderBy(one => one.Segment != segment)
            .Select(one => state.House.FindDevice(one.Owner)).FirstOrDefault(one => one is not null);
        var opens = box is not null && state.Ping(who, at) != Answer.No;
        return new($"{at}", opens, opens ? box!.Name : null);
    }

    private IEnumerable<SeenNetwork> Networks()
    {
        var bands = state.Air.GroupBy(one => one.Network).ToDictionary(one => one.Key, one => one.First().Band);
        return Expected.Listed(state).Where(one => one.Enabled).Select(one => new SeenNetwork(one.Ssid)
        {
            Band = bands.TryGetValue(one, out var band) ? Words<Band>.Of(band) : null,
            Channel = one.Channel?.Number,
            Security = Words<WifiSecurity>.Of(one.Security),
        }).Distinct();
    }
}
