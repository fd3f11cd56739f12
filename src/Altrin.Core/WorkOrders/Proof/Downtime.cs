using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.WorkOrders.Proof;

/// <summary>The house while a step is waited for: a box that restarts, is carried or waits for its turn carries nobody's traffic
/// meanwhile.</summary>
internal static class Downtime
{
    /// <summary>The boxes that an act with a wait leaves without power, or starting.</summary>
    public static IEnumerable<string> Of(ImmutableArray<InstallerAction> actions) => actions.Select(action => action switch
    {
        // Moved, it trains or signs in anew: until then its box has no line.
        SetLine line => line.Line.Device,
        _ => action.BoxTouched(),
    }).OfType<string>().Distinct();

    /// <summary>The house that an act leaves, as it is while its end is waited for: boxes that restart are off, and over a cable that is
    /// put in or moved nothing goes until its link is up.
    /// Null where that cuts nobody.</summary>
    public static NetworkDocument? While(NetworkState state, ImmutableArray<InstallerAction> actions, IEnumerable<string>? off = null)
    {
        var house = Without(state, off ?? Of(actions));
        foreach (var action in actions)
        {
            var cable = action switch { PlugCable plug => plug.Cable.Id, MoveCableEnd move => move.Cable, _ => null };
            if (cable is not null) house = new UnplugCable(cable).Apply(house ?? state.House);
        }
        return house;
    }

    /// <summary>The same house with those boxes off; null where nobody hangs on any of them.</summary>
    public static NetworkDocument? Without(NetworkState state, IEnumerable<string> boxes)
    {
        var house = state.House;
        var off = boxes.Where(box => house.FindDevice(box) is not null && HasSomebodyBehind(state, box)).ToList();
        return off.Count == 0 ? null : off.Aggregate(house, (now, box) => now.WithDevice(box, one => one with { Off = true }));
    }

    public static bool HasSomebodyBehind(NetworkState state, string box)
    {
        var house = state.House;
        return house.Cables.Any(cable => cable.A.Device == box || cable.B.Device == box)
            || house.Endpoints.Any(thing =>
                thing.Id != Laptop.Id && (thing.Connect?.Socket?.Device == box || state.JoinedBox(thing.Id) == box))
            || house.Devices.Any(other => state.UplinkBox(other.Id) == box);
    }
}
