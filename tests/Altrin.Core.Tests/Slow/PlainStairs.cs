using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Slow;

/// <summary>The stairs of a house read a second time: recursion instead of a stack, every question put to the state anew, nothing sorted beforehand.</summary>
internal sealed class PlainStairs
{
    public sealed record Place(int Depth, int Above, bool IsCutOff);

    private readonly NetworkState state;
    private readonly NetworkDocument house;

    public PlainStairs(NetworkState state)
    {
        (this.state, house) = (state, state.House);
        if (state.ProviderSegment >= 0) Down(state.ProviderSegment, new(0, -1, false));
        // What nothing feeds first, then what goes round in a circle.
        foreach (var isLast in new[] { false, true })
            foreach (var segment in state.Segments)
                if (!Places.ContainsKey(segment.Index) && IsShown(segment.Index) && (isLast || !IsFed(segment.Index))) Down(segment.Index, new(1, -1, true));
    }

    /// <summary>By segment, in the order in which they are come by.</summary>
    public Dictionary<int, Place> Places { get; } = [];

    public IEnumerable<int> Shown => Places.Keys.Where(IsShown);

    private void Down(int segment, Place place)
    {
        if (!Places.TryAdd(segment, place)) return;
        foreach (var router in house.Devices.Where(box => IsStep(box) && state.OutsideOf(box.Id) == segment))
            foreach (var below in new[] { state.InsideOf(router.Id), state.GuestsOf(router.Id) })
                if (below >= 0) Down(below, new(place.Depth + 1, segment, place.IsCutOff));
    }

    private bool IsFed(int segment) => house.Devices.Any(box => IsStep(box) && state.IsWanPlugged(box.Id) && state.OutsideOf(box.Id) != state.InsideOf(box.Id)
        && (state.InsideOf(box.Id) == segment || state.GuestsOf(box.Id) == segment));

    /// <summary>A router stands on the edge of a step, but for one that is a bridge in practice.</summary>
    public bool IsStep(Device box)
    {
        if (box.Mode is not (DeviceMode.Router or DeviceMode.Passthrough) || !state.IsInUse(box.Id)) return false;
        if (box.Mode == DeviceMode.Passthrough) return house.Line?.Device == box.Id;
        if (state.InsideOf(box.Id) == state.ProviderSegment) return false;
        if (state.IsWanPlugged(box.Id)) return true;
        // Nothing in its WAN: it is a step where it is the first router of its network, and no other comes down to that by its WAN.
        var first = house.Devices.First(other => state.InsideOf(other.Id) == state.InsideOf(box.Id) && other.Mode is DeviceMode.Router or DeviceMode.Passthrough);
        return first == box;
    }

    public bool IsShown(int segment)
    {
        if (segment == state.ProviderSegment) return true;
        if (house.Devices.Any(box => state.GuestsOf(box.Id) == segment)) return state.Air.Any(network => network.Segment == segment) || house.Endpoints.Any(thing => state.Net(thing.Id)?.Segment == segment);
        return house.Devices.Any(box => state.InsideOf(box.Id) == segment) || house.Endpoints.Any(thing => state.Net(thing.Id)?.Segment == segment)
            || state.Interfaces.Any(one => one.Segment == segment && (one.Kind != InterfaceKind.Wan || one.IsPlugged));
    }

    /// <summary>Translations between a router's inside and the street; null where the way up goes in a circle.</summary>
    public int? Translations(Device router, int steps = 0)
    {
        if (steps > house.Devices.Length) return null;
        var own = Translates(router) ? 1 : 0;
        var outside = state.OutsideOf(router.Id);
        if (PassedBy(router) is not null || outside < 0 || outside == state.ProviderSegment) return own;
        var above = house.Devices.FirstOrDefault(box => IsStep(box) && (state.InsideOf(box.Id) == outside || state.GuestsOf(box.Id) == outside));
        if (above is null) return own;
        return above.Id == router.Id ? null : own + Translations(above, steps + 1);
    }

    /// <summary>A gateway that hands the line through to one translates for everybody else where it shares the line.</summary>
    public static bool Translates(Device box) => box is { Mode: DeviceMode.Router, Nat: true } or { Mode: DeviceMode.Passthrough, PassthroughShares: true, Nat: true };

    /// <summary>The gateway that hands the line through to it, where its WAN got the line's own address on another network.</summary>
    public string? PassedBy(Device router) => house.Devices.FirstOrDefault(box => box.Mode == DeviceMode.Passthrough && box.PassthroughTo == router.Id)?.Id is { } gateway
        && state.OutsideOf(router.Id) != state.ProviderSegment && state.Wan(router.Id)?.Candidates.Any(state.IsOfTheLine) == true ? gateway : null;
}
