using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Planning.Filling;
using Altrin.Core.Radio;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning.Search;

/// <summary>Two sources of the household that may sit on one channel, because one picks for itself: set apart they do not share the
/// air.</summary>
internal static class ChannelsApart
{
    /// <summary>Sources that pick for themselves beside another of the household's, of boxes that may be set and join nobody by that
    /// radio.</summary>
    public static IEnumerable<AirSource> Crowded(NetworkState state) => state.AirMap.Sources.Where(source =>
        source.Channel.Number is null && !source.WithOwn.IsEmpty && state.House.Devices[source.Device] is { LeaveAsFound: not true } box
        && !box.Traits.AlwaysAsks && box.Uplink?.Radio != source.Radio.Id);

    /// <summary>All of a band, then each alone.</summary>
    public static IEnumerable<ImmutableArray<InstallerAction>> Moves(NetworkState state)
    {
        if (Regulations.Of(state.House.Country) is not { } rules) yield break;
        foreach (var band in Crowded(state).GroupBy(source => source.Radio.Band))
        {
            var all = band.ToList();
            yield return Apart(state, rules, all);
            if (all.Count == 1) continue;
            foreach (var one in all) yield return Apart(state, rules, [one]);
        }
    }

    private static ImmutableArray<InstallerAction> Apart(NetworkState state, ImmutableArray<RadioRule> rules,
        IReadOnlyList<AirSource> sources)
    {
        var house = state.House;
        var fixedOnes = state.AirMap.Sources.Where(source => source.Channel.Number is not null).Select(source =>
            (source.Channel, Airspace.OwnWeight))
            .Concat(house.Neighbours.Where(one => one.Channel is not null).Select(one =>
                (new RadioChannel(one.Band, one.Channel, one.WidthMHz ?? 20), Airspace.NeighbourWeight))).ToList();
        var actions = ImmutableArray.CreateBuilder<InstallerAction>();
        foreach (var source in sources)
        {
            var box = house.Devices[source.Device];
            if (Airspace.Best(rules, fixedOnes, source.Radio, source.Channel.WidthMHz,
                Rooms.Find(house, box.Room)?.Outdoor == true) is not { } number) continue;
            fixedOnes.Add((source.Channel with { Number = number }, Airspace.OwnWeight));
            for (var i = 0; i < box.Wifi.Length; i++)
                if (box.Wifi[i].Radio == source.Radio.Id) actions.Add(new SetWifi(box.Id, i, box.Wifi[i] with { Channel = new(number) }));
        }
        return actions.ToImmutable();
    }
}
