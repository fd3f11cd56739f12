using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Planning.Space;
using Altrin.Core.Radio;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning.Search;

/// <summary>What a box could give in each room at best, in Mb/s.</summary>
internal sealed class UseRates(Ground ground)
{
    private readonly Hearing hearing = new(ground.Found);
    private readonly Dictionary<(int Box, Place At, Band? Joins, double? Hop, bool IsAlone), ImmutableArray<double>> known = [];

    public ImmutableArray<double> None { get; } = [.. ground.Found.Rooms.Select(_ => 0.0)];

    /// <param name="isAlone">No other box of the house sends: then a plan of channels may set it wide at 2.4 GHz too, if no neighbour is near.</param>
    public ImmutableArray<double> Of(int i, Device box, BoxUse use, bool isAlone)
    {
        isAlone &= ground.Found.Neighbours.All(one => one.Band != Band.Ghz24);
        var place = use.Room is { } room ? hearing.Plan.PlaceOf(room, null) : hearing.PlaceOf(i);
        double? hop = use.Joined == Joined.ByRadio ? Hop(box, use, place) : null;
        var key = (i, place, hop is null ? (Band?)null : use.Band, hop, isAlone);
        if (!known.TryGetValue(key, out var rates)) known[key] = rates = [.. ground.Found.Rooms.Select(one => InRoom(i, box, use, place, hop, one, isAlone))];
        var cap = Cap(i, use);
        return rates.All(rate => rate <= cap) ? rates : [.. rates.Select(rate => Math.Min(rate, cap))];
    }

    private double InRoom(int i, Device box, BoxUse use, Place place, double? hop, Room room, bool isAlone)
    {
        var best = 0.0;
        foreach (var radio in box.Radios)
        {
            var level = (radio.TxDbm ?? RadioPower.UsualDbm(radio.Band)) - hearing.Plan.LossDb(hearing.Plan.Between(place, hearing.PlaceOf(room)), radio.Band);
            if (level < LinkRate.LeastDbm(radio.Band)) continue;
            var ability = RadioAbility.Of(radio);
            var household = RadioAbility.Household(ability);
            // As it is set, or as a plan of channels could set it: no wider than a household's devices can use, at 2.4 GHz only where it is alone.
            var width = Math.Max(Hearing.Configured(box, radio).WidthMHz, Hearing.Configured(ground.Found.Devices[i], radio).WidthMHz);
            if (isAlone || radio.Band != Band.Ghz24) width = Math.Max(width, household.WidestMHz);
            var rate = LinkRate.Mbps(ability, household, width, level);
            // One radio that joins and serves does both in turns.
            if (hop is { } above) rate = radio.Band == use.Band && box.Radios.Count(other => other.Band == use.Band) == 1 ? 1 / (1 / rate + 1 / above) : Math.Min(rate, above);
            best = Math.Max(best, rate);
        }
        return best;
    }

    /// <summary>The line, its socket and the box's own.</summary>
    private double Cap(int i, BoxUse use)
    {
        var house = ground.Found;
        var cap = house.Line is { } line ? Math.Min(line.DownMbps ?? double.PositiveInfinity, Wire(house.FindDevice(line.Device)?.FindPort(line.Port))) : double.PositiveInfinity;
        if (use.Joined != Joined.ByWire) return cap;
        cap = Math.Min(cap, house.Devices[i].Ports.Select(Wire).DefaultIfEmpty().Max());
        return use.Medium switch { Medium.Powerline => Math.Min(cap, Backbone.PowerlineMbps), Medium.Coax => Math.Min(cap, Backbone.CoaxMbps), _ => cap };
    }

    private static double Wire(Port? port) => CableRates.ShareForData * (port?.SpeedMbps ?? Backbone.UsualSocketMbps);

    /// <summary>What the join to the box above carries; null where it is not known where that one will stand.</summary>
    private double? Hop(Device box, BoxUse use, Place place)
    {
        if (!ground.InUse[use.Parent] && use.Parent != ground.Root) return null;
        var above = hearing.PlaceOf(use.Parent);
        if (!hearing.AreKnown(place, above)) return null;
        var best = 0.0;
        foreach (var upper in ground.Found.Devices[use.Parent].Radios.Where(radio => radio.Band == use.Band))
            foreach (var radio in box.Radios.Where(radio => radio.Band == use.Band))
            {
                var level = (upper.TxDbm ?? RadioPower.UsualDbm(upper.Band)) - hearing.Plan.LossDb(hearing.Plan.Between(above, place), upper.Band);
                var (a, b) = (RadioAbility.Of(upper), RadioAbility.Of(radio));
                best = Math.Max(best, LinkRate.Mbps(a, b, Math.Min(a.WidestMHz, b.WidestMHz), level));
            }
        return best;
    }
}
