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
    ImmutableArray<GivesOut> Servers, ImmutableArray<string> WifiNames, ImmutableArray<string> Boxes, ImmutableArray<string> Things);

public sealed record GivesOut(string Device, string Pool);

/// <summary>A router standing on the edge between two treads.</summary>
/// <param name="Number">Translations between its inside and the street: 1 for the first step down, 0 where nothing translates.</param>
/// <param name="PassedBy">The gateway that passes the line through to it; null for any other router.</param>
/// <param name="Outside">What its WAN side holds: an address, several where chance decides, or none.</param>
public sealed record Step(string Device, string? Upper, string Lower, int Number, bool Translates, ImmutableArray<string> Outside, string? Inside,
    string? PassedBy);

internal sealed class StairsBuilder(NetworkState state)
{
    private readonly NetworkDocument house = state.House;
    private readonly Dictionary<int, int> depth = [];
    private readonly Dictionary<int, int> parent = [];
    private readonly List<int> order = [];
    private readonly Dictionary<int, string> guests = state.House.Devices.Where(box => state.GuestsOf(box.Id) >= 0)
        .GroupBy(box => state.GuestsOf(box.Id)).ToDictionary(group => group.Key, group => group.First().Id);

    public Stairs Build()
    {
        var routers = house.Devices.Where(IsStep).ToList();
        if (state.ProviderSegment >= 0) Descend(state.ProviderSegment, 0, routers);
        var cutOff = new HashSet<int>();
        foreach (var top in CutOffTops(routers))
        {
            var before = order.Count;
            Descend(top, 1, routers);
            cutOff.UnionWith(order.Skip(before));
        }
        var treads = order.Where(IsWorthATread).Select(segment => TreadOf(segment, cutOff.Contains(segment))).ToImmutableArray();
        var steps = routers.Select(StepOf).ToImmutableArray();
        var placed = treads.SelectMany(tread => tread.Boxes.Concat(tread.Things)).Concat(steps.Select(step => step.Device)).ToHashSet();
        var loose = house.Devices.Select(device => device.Id).Concat(house.Endpoints.Select(endpoint => endpoint.Id))
            .Where(id => !placed.Contains(id)).ToImmutableArray();
        var street = state.Interfaces.SelectMany(one => one.Candidates).Where(state.IsOfTheLine)
            .Select(candidate => candidate.Address!.Value.Address.ToString()).Distinct().ToImmutableArray();
        return new(street, treads, steps, loose);
    }

    /// <summary>A router is a step unless it is a bridge in practice: its WAN empty while its LAN hangs on another's network.</summary>
    private bool IsStep(Device device)
    {
        if (!IsRouterLike(device) || !state.IsInUse(device.Id)) return false;
        if (device.Traits.HandsLineOn) return house.Line?.Device == device.Id;
        var inside = state.InsideOf(device.Id);
        // With the line in a LAN socket its inside is the street itself: nothing steps down there.
        if (inside == state.ProviderSegment) return false;
        if (state.IsWanPlugged(device.Id)) return true;
        return !house.Devices.Any(other => other.Id != device.Id && IsRouterLike(other)
            && state.InsideOf(other.Id) == inside && (state.IsWanPlugged(other.Id) || IsBefore(other, device)));
    }

    /// <summary>It stands between two networks: as a router, or as the gateway that hands the line on.</summary>
    private static bool IsRouterLike(Device device) => device.Traits.Routing != Routing.Nobody;

    private bool IsBefore(Device a, Device b) => house.Devices.IndexOf(a) < house.Devices.IndexOf(b);

    private void Descend(int segment, int steps, List<Device> routers)
    {
        var open = new Stack<(int Segment, int Depth)>([(segment, steps)]);
        while (open.TryPop(out var here))
        {
            if (!depth.TryAdd(here.Segment, here.Depth)) continue;
            order.Add(here.Segment);
            foreach (var router in Enumerable.Reverse(routers))
            {
                if (state.OutsideOf(router.Id) != here.Segment) continue;
                // Its guests come after its own network, so they go on the stack before it.
                foreach (var inside in new[] { state.GuestsOf(router.Id), state.InsideOf(router.Id) })
                {
                    if (inside < 0 || depth.ContainsKey(inside)) continue;
                    parent[inside] = here.Segment;
                    open.Push((inside, here.Depth + 1));
                }
            }
        }
    }

    /// <summary>Segments that nothing leads to from above, first those that no router's LAN feeds.</summary>
    private IEnumerable<int> CutOffTops(List<Device> routers)
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
        ? state.Air.Any(one => one.Segment == segment) || state.OnSegment[segment].Any(one => one.Kind == InterfaceKind.Net)
        : IsInhabited(segment));

    private bool IsInhabited(int segment) => state.OnSegment[segment].Any(one => one.Kind != InterfaceKind.Wan || one.IsPlugged) || house.Devices.Any(device => state.InsideOf(device.Id) == segment);

    private Tread TreadOf(int segment, bool isCutOff)
    {
        var s = state.Segments[segment];
        var boxes = house.Devices.Where(device => !IsStep(device) && state.InsideOf(device.Id) == segment).Select(device => device.Id);
        var things = house.Endpoints.Where(endpoint => state.Net(endpoint.Id)?.Segment == segment).Select(endpoint => endpoint.Id);
        var names = s.Members.Where(member => member.StartsWith("wifi:", StringComparison.Ordinal))
            .Select(member => member[(member.IndexOf('/') + 1)..member.LastIndexOf('@')]).Distinct();
        var servers = state.Servers.Where(server => server.Segment == segment)
            .Select(server => new GivesOut(server.Device, server.Pool.Count == 1
                ? server.Pool.Start.LastNumber
                : $"{server.Pool.Start.LastNumber} to {server.Pool.End.LastNumber}"));
        return new(s.Id, depth[segment], parent.TryGetValue(segment, out var above) ? state.Segments[above].Id : null, isCutOff, s.IsLoop, guests.GetValueOrDefault(segment),
            [.. SubnetsOf(segment)], [.. servers], [.. names], [.. boxes], [.. things]);
    }

    private static bool Translates(Device router) => router is { RoutesForItsOwn: true, Nat: true };

    /// <summary>Counted up the stairs; a router that receives the line itself stands right below the street.</summary>
    private int Translations(Device router, bool isPassed)
    {
        var count = Translates(router) ? 1 : 0;
        var at = isPassed ? -1 : state.OutsideOf(router.Id);
        for (var steps = 0; at >= 0 && at != state.ProviderSegment && steps < house.Devices.Length; steps++)
        {
            var above = house.Devices.FirstOrDefault(box => IsStep(box) && (state.InsideOf(box.Id) == at || state.GuestsOf(box.Id) == at) && box.Id != router.Id);
            if (above is null) break;
            if (Translates(above)) count++;
            at = state.OutsideOf(above.Id);
        }
        return count;
    }

    private IEnumerable<string> SubnetsOf(int segment) => state.SubnetsOn(segment).Select(prefix => prefix.ToString());

    private Step StepOf(Device router)
    {
        var outside = state.OutsideOf(router.Id);
        var inside = state.InsideOf(router.Id);
        var wan = state.Wan(router.Id);
        var held = wan?.Candidates.Select(candidate => candidate.Address?.Address.ToString() ?? "none").ToArray() ?? [];
        var passedBy = held.Length > 0 && wan!.Candidates.Any(state.IsOfTheLine) && outside != state.ProviderSegment
            ? house.Devices.FirstOrDefault(box => box.Traits.HandsLineOn && box.PassthroughTo == router.Id)?.Id : null;
        var upper = outside >= 0 && depth.ContainsKey(outside) && state.IsWanPlugged(router.Id) ? state.Segments[outside].Id : null;
        return new(router.Id, upper, state.Segments[inside].Id, Translations(router, passedBy is not null), Translates(router), [.. held],
            state.Lan(router.Id)?.Address?.ToString(), passedBy);
    }
}
