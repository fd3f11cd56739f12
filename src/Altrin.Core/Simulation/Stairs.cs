using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>The chain as stairs: the street on top, each translation one step down, everything of one segment on one tread.</summary>
/// <param name="StreetAddresses">The addresses that the provider gives this house.</param>
/// <param name="Treads">From the street downwards, a tread right after the one it hangs from.</param>
/// <param name="Loose">Things and boxes on no segment with anything else.</param>
public sealed record Stairs(
    ImmutableArray<string> StreetAddresses, ImmutableArray<Tread> Treads, ImmutableArray<Step> Steps, ImmutableArray<string> Loose)
{
    public static Stairs Of(NetworkState state) => new StairsBuilder(state).Build();
}

/// <param name="Depth">Boxes between it and the street; 0 is the provider's own segment.</param>
/// <param name="Parent">The tread above; null at the street and for one that leads nowhere.</param>
/// <param name="IsCutOff">Nothing leads from here to the street.</param>
/// <param name="GuestsOf">The router whose guest network it is; null for any other tread.</param>
/// <param name="Boxes">Devices that stand on it without being a step: access points, switches, modems, routers used as bridges.</param>
public sealed record Tread(string Segment, int Depth, string? Parent, bool IsCutOff, bool IsLoop, string? GuestsOf, ImmutableArray<string> Subnets,
    ImmutableArray<GivesOut> Servers, ImmutableArray<string> WifiNames, ImmutableArray<string> Boxes, ImmutableArray<string> Things)
{
    /// <summary>No segment but the table: boxes that lie there, or have no power. Their sockets wait to be used.</summary>
    public bool IsTable { get; init; }
}

public sealed record GivesOut(string Device, string Pool);

/// <summary>A router standing on the edge between two treads.</summary>
/// <param name="Number">Translations between its inside and the street: 1 for the first step down, 0 where nothing translates.</param>
/// <param name="PassedBy">The gateway that passes the line through to it; null for any other router.</param>
/// <param name="Outside">What its WAN side holds: an address, several where chance decides, or none.</param>
public sealed record Step(string Device, string? Upper, string Lower, int Number, bool Translates, ImmutableArray<string> Outside, string? Inside,
    string? PassedBy);

/// <summary>Every list that is asked for by segment is sorted by segment once: a house of a thousand steps is drawn in the time of a thousand.</summary>
internal sealed class StairsBuilder
{
    private readonly NetworkState state;
    private readonly NetworkDocument house;
    private readonly Dictionary<int, int> depth = [];
    private readonly Dictionary<int, int> parent = [];
    private readonly List<int> order = [];
    private readonly Dictionary<int, string> guests;
    private readonly ILookup<int, Device> inside;
    private readonly ILookup<int, string> things;
    private readonly ILookup<int, RunningServer> servers;
    private readonly HashSet<int> onAir;
    private readonly List<Device> routers;
    private readonly HashSet<string> steps;
    private readonly ILookup<int, Device> below;
    private readonly Dictionary<int, Device> above = [];
    private readonly Dictionary<string, int> translations = new(StringComparer.Ordinal);
    private readonly Dictionary<string, string> passedBy = new(StringComparer.Ordinal);

    public StairsBuilder(NetworkState state)
    {
        (this.state, house) = (state, state.House);
        guests = house.Devices.Where(box => state.GuestsOf(box.Id) >= 0).GroupBy(box => state.GuestsOf(box.Id)).ToDictionary(group => group.Key, group => group.First().Id);
        inside = house.Devices.ToLookup(box => state.InsideOf(box.Id));
        things = house.Endpoints.Where(thing => state.Net(thing.Id) is { Segment: >= 0 }).ToLookup(thing => state.Net(thing.Id)!.Segment, thing => thing.Id);
        servers = state.Servers.ToLookup(server => server.Segment);
        onAir = [.. state.Air.Select(one => one.Segment)];
        routers = [.. house.Devices.Where(IsStep)];
        steps = routers.Select(box => box.Id).ToHashSet(StringComparer.Ordinal);
        below = routers.ToLookup(box => state.OutsideOf(box.Id));
        foreach (var router in routers)
        {
            above.TryAdd(state.InsideOf(router.Id), router);
            if (state.GuestsOf(router.Id) is >= 0 and var segment) above.TryAdd(segment, router);
        }
        foreach (var box in house.Devices)
            if (box is { Traits.HandsLineOn: true, PassthroughTo: { } target }) passedBy.TryAdd(target, box.Id);
    }

    public Stairs Build()
    {
        if (state.ProviderSegment >= 0) Descend(state.ProviderSegment, 0);
        var cutOff = new HashSet<int>();
        foreach (var top in CutOffTops())
        {
            var before = order.Count;
            Descend(top, 1);
            cutOff.UnionWith(order.Skip(before));
        }
        var treads = order.Where(IsWorthATread).Select(segment => TreadOf(segment, cutOff.Contains(segment))).Concat(Table()).ToImmutableArray();
        var drawn = routers.Select(StepOf).ToImmutableArray();
        var placed = treads.SelectMany(tread => tread.Boxes.Concat(tread.Things)).Concat(steps).ToHashSet(StringComparer.Ordinal);
        var loose = house.Devices.Select(device => device.Id).Concat(house.Endpoints.Select(endpoint => endpoint.Id))
            .Where(id => !placed.Contains(id)).ToImmutableArray();
        var street = state.Interfaces.SelectMany(one => one.Candidates).Where(state.IsOfTheLine)
            .Select(candidate => LineWords.SayShort(house, candidate.Address!.Value.Address)).Distinct().ToImmutableArray();
        return new(street, treads, drawn, loose);
    }

    /// <summary>A router is a step unless it is a bridge in practice: its WAN empty while its LAN hangs on another's network.</summary>
    private bool IsStep(Device device)
    {
        if (!IsRouterLike(device) || !state.IsInUse(device.Id)) return false;
        if (device.Traits.HandsLineOn) return house.Line?.Device == device.Id;
        var segment = state.InsideOf(device.Id);
        // With the line in a LAN socket its inside is the street itself: nothing steps down there.
        if (segment == state.ProviderSegment) return false;
        if (state.IsWanPlugged(device.Id)) return true;
        // Of several that lead nowhere the first in the document is the step. The rest of a segment is looked at only as far as the box itself.
        foreach (var other in inside[segment])
            if (IsRouterLike(other) && (state.IsWanPlugged(other.Id) || other == device)) return other == device;
            else if (IsRouterLike(other)) return false;
        return true;
    }

    /// <summary>It stands between two networks: as a router, or as the gateway that hands the line on.</summary>
    private static bool IsRouterLike(Device device) => device.Traits.Routing != Routing.Nobody;

    private void Descend(int segment, int down)
    {
        var open = new Stack<(int Segment, int Depth)>([(segment, down)]);
        while (open.TryPop(out var here))
        {
            if (!depth.TryAdd(here.Segment, here.Depth)) continue;
            order.Add(here.Segment);
            foreach (var router in below[here.Segment].Reverse())
                // Its guests come after its own network, so they go on the stack before it.
                foreach (var leads in new[] { state.GuestsOf(router.Id), state.InsideOf(router.Id) })
                {
                    if (leads < 0 || depth.ContainsKey(leads)) continue;
                    parent[leads] = here.Segment;
                    open.Push((leads, here.Depth + 1));
                }
        }
    }

    /// <summary>Segments that nothing leads to from above, first those that no router's LAN feeds.</summary>
    private IEnumerable<int> CutOffTops()
    {
        var fed = routers.Where(router => state.IsWanPlugged(router.Id) && state.OutsideOf(router.Id) != state.InsideOf(router.Id))
            .SelectMany(router => new[] { state.InsideOf(router.Id), state.GuestsOf(router.Id) }).ToHashSet();
        foreach (var segment in state.Segments)
            if (!depth.ContainsKey(segment.Index) && !fed.Contains(segment.Index) && IsWorthATread(segment.Index)) yield return segment.Index;
        foreach (var segment in state.Segments)
            if (!depth.ContainsKey(segment.Index) && IsWorthATread(segment.Index)) yield return segment.Index;
    }

    /// <summary>A guest network is shown while it is on the air or something is on it; any other segment with a box or thing on it.</summary>
    private bool IsWorthATread(int segment) => segment == state.ProviderSegment || (guests.ContainsKey(segment)
        ? onAir.Contains(segment) || state.OnSegment[segment].Any(one => one.Kind == InterfaceKind.Net)
        : state.OnSegment[segment].Any(one => one.Kind != InterfaceKind.Wan || one.IsPlugged) || inside.Contains(segment));

    private Tread TreadOf(int segment, bool isCutOff)
    {
        var s = state.Segments[segment];
        var names = s.Members.Where(member => member.StartsWith("wifi:", StringComparison.Ordinal))
            .Select(member => member[(member.IndexOf('/') + 1)..member.LastIndexOf('@')]).Distinct();
        var given = servers[segment].Where(server => !LineWords.IsStandIn(house, server.Pool.Start)).Select(server => new GivesOut(server.Device, server.Pool.Count == 1
            ? server.Pool.Start.LastNumber
            : $"{server.Pool.Start.LastNumber} to {server.Pool.End.LastNumber}"));
        return new(s.Id, depth[segment], parent.TryGetValue(segment, out var over) ? state.Segments[over].Id : null, isCutOff, s.IsLoop, guests.GetValueOrDefault(segment),
            [.. state.SubnetsOn(segment).Where(prefix => !LineWords.IsStandIn(house, prefix.FirstUsable)).Select(prefix => prefix.ToString())], [.. given], [.. names],
            [.. inside[segment].Select(box => box.Id).Where(id => !steps.Contains(id))], [.. things[segment]]);
    }

    private IEnumerable<Tread> Table()
    {
        var idle = house.Devices.Where(box => !state.IsInUse(box.Id)).Select(box => box.Id).ToImmutableArray();
        if (!idle.IsEmpty) yield return new("table", 1, null, true, false, null, [], [], [], idle, []) { IsTable = true };
    }

    private static bool Translates(Device router) => router is { RoutesForItsOwn: true, Nat: true };

    /// <summary>Counted up the stairs, by what is plugged where and not by leases: a picture shows a step where one is, whether it works or
    /// not. A router that receives the line itself stands right below the street.</summary>
    private int Translations(Device router)
    {
        var way = new Stack<Device>();
        var count = 0;
        for (var at = router; ;)
        {
            if (translations.TryGetValue(at.Id, out count)) break;
            // Stands while the way up is walked: whoever comes back here goes in a circle, and stops.
            translations[at.Id] = 0;
            way.Push(at);
            var outside = IsPassed(at) ? -1 : state.OutsideOf(at.Id);
            if (outside < 0 || outside == state.ProviderSegment || !above.TryGetValue(outside, out var next) || next.Id == at.Id) break;
            at = next;
        }
        foreach (var box in way) translations[box.Id] = count += Translates(box) ? 1 : 0;
        return translations[router.Id];
    }

    /// <summary>Whether its WAN holds the line's own address though it stands on another network.</summary>
    private bool IsPassed(Device router) => passedBy.ContainsKey(router.Id) && state.OutsideOf(router.Id) != state.ProviderSegment
        && state.Wan(router.Id)?.Candidates.Any(state.IsOfTheLine) == true;

    private Step StepOf(Device router)
    {
        var outside = state.OutsideOf(router.Id);
        var held = state.Wan(router.Id)?.Candidates.Select(candidate => candidate.Address is { } own ? LineWords.SayShort(house, own.Address) : "none").ToArray() ?? [];
        var upper = outside >= 0 && depth.ContainsKey(outside) && state.IsWanPlugged(router.Id) ? state.Segments[outside].Id : null;
        return new(router.Id, upper, state.Segments[state.InsideOf(router.Id)].Id, Translations(router), Translates(router), [.. held],
            state.Lan(router.Id)?.Address?.ToString(), IsPassed(router) ? passedBy[router.Id] : null);
    }
}
