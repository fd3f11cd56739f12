using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Air;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules.Reception;

/// <summary>Two boxes of one room that both make the household's Wi-Fi.</summary>
public sealed class TwoSourcesOneRoom : IRule
{
    public string Id => "two-sources-one-room";
    public string Statement => "One box makes the Wi-Fi of a room.";
    public string Source => "common practice, no source";
    public RuleTraits Traits => RuleTraits.OfTheAir;

    public IEnumerable<Finding> Check(Facts facts)
    {
        var air = facts.State.AirMap;
        if (!MayBe(air)) yield break;
        // Who joins another by radio and stands beside it is a matter of its own.
        var placed = air.Sources.Where(source => source.Ssid is not null && air.Hearing.PlaceOf(source.Device).IsListed && facts.State.UplinkBox(facts.House.Devices[source.Device].Id) is null).ToList();
        foreach (var room in placed.GroupBy(source => air.Hearing.PlaceOf(source.Device).Index))
        {
            var boxes = room.GroupBy(source => source.Device).ToList();
            if (boxes.Count < 2 || !room.GroupBy(source => source.Radio.Band).Any(band => band.Select(source => source.Device).Distinct().Count() > 1)) continue;
            // The best stays: the one that carries most near by.
            var (stays, goes) = (boxes.MaxBy(Best)!, boxes.MinBy(Best)!);
            if (stays.Key == goes.Key) (stays, goes) = (boxes[0], boxes[1]);
            var (keeper, other) = (facts.House.Devices[stays.Key], facts.House.Devices[goes.Key]);
            if (facts.House.Line?.Device == other.Id && !IsJoined(facts, other)) continue;
            yield return new(Id, Severity.Caution, $"Two boxes make the Wi-Fi of {facts.House.Rooms[room.Key].Name}", [other.Id, keeper.Id],
                () => $"{keeper.Name} and {other.Name} stand in {facts.House.Rooms[room.Key].Name} and both send: they cover the same rooms and share the air. One is enough, and one less to keep safe.",
                () => Fixes(facts, other, keeper), facts.House.Rooms[room.Key].Id);
        }
    }

    /// <summary>A quick look: whether two boxes of one place send on one band at all.</summary>
    private static bool MayBe(AirMap air)
    {
        var first = new Dictionary<(int Place, Band Band), int>();
        foreach (var source in air.Sources)
        {
            var place = air.Hearing.PlaceOf(source.Device);
            if (place.IsListed && !first.TryAdd((place.Index, source.Radio.Band), source.Device) && first[(place.Index, source.Radio.Band)] != source.Device) return true;
        }
        return false;
    }

    private static double Best(IGrouping<int, AirSource> box) => box.Max(source => Radio.LinkRate.Mbps(source.Ability, Radio.RadioAbility.Household(source.Ability), source.Channel.WidthMHz, -40));

    private static bool IsJoined(Facts facts, Device box) => facts.House.Endpoints.Any(thing => facts.State.JoinedBox(thing.Id) == box.Id) || facts.InUse.Any(one => facts.State.UplinkBox(one.Id) == box.Id);

    /// <summary>Whoever was on it goes to the other, which must make a network that is known there, or one that is named.</summary>
    private static ImmutableArray<Fix> Fixes(Facts facts, Device other, Device keeper)
    {
        var off = other.Wifi.Select((network, place) => (network, place)).Where(one => one.network.Enabled).Select(one => (InstallerAction)new SetWifi(other.Id, one.place, one.network with { Enabled = false }));
        var moves = facts.House.Endpoints.Where(thing => facts.State.JoinedBox(thing.Id) == other.Id && thing.Connect is Attachment.Join).Select(thing => Moved(thing, keeper)).ToList();
        return moves.Contains(null) ? [] : [new($"Turn off the Wi-Fi of {other.Name}", [.. moves.OfType<InstallerAction>(), .. off])];
    }

    private static ConnectEndpoint? Moved(Endpoint thing, Device keeper)
    {
        var join = (Attachment.Join)thing.Connect!;
        var network = keeper.Wifi.FirstOrDefault(one => one is { Enabled: true, Guest: false } && one.Ssid == join.Ssid && one.Key == join.Key) ?? keeper.Wifi.FirstOrDefault(one => one is { Enabled: true, Guest: false });
        return network is null ? null : new(thing.Id, join with { Ssid = network.Ssid, Security = network.Security, Key = network.Key, Near = keeper.Id });
    }
}
