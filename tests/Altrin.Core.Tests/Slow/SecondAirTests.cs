using Altrin.Core.Network;
using Altrin.Core.Simulation;
using Altrin.Core.Tests.Planning;

namespace Altrin.Core.Tests.Slow;

/// <summary>What radios share and rooms may expect, held against the plain reading of the format's section 6.</summary>
public class SecondAirTests
{
    private static IEnumerable<(string Name, NetworkDocument House)> HousesWithAir()
    {
        foreach (var example in Examples.Names()) yield return (example, Examples.House(example));
        for (var seed = 1; seed <= 120; seed++) yield return ($"trade {seed}", TradeHouses.Make(seed));
        // The same far apart, behind stone, and some boxes nobody knows where: who does not hear whom any more, and what is believed.
        for (var seed = 1; seed <= 120; seed++) yield return ($"scattered {seed}", Scattered(TradeHouses.Make(seed), seed));
        for (var seed = 1; seed <= 250; seed++) yield return ($"house {seed}", Houses.Rich(seed));
        for (var seed = 1; seed <= 120; seed++) yield return ($"measured {seed}", Measured(Scattered(TradeHouses.Make(seed), seed), seed));
    }

    private static NetworkDocument Scattered(NetworkDocument house, int seed) => house with
    {
        Building = new() { Walls = WallMaterial.Stone },
        Rooms = [.. house.Rooms.Select((room, i) => room with { Rect = new(i * (3 + seed % 4 * 6), i % 2 * 5, 3, 4), Walls = null })],
        Devices = [.. house.Devices.Select((box, i) => box with { At = null, Room = (seed + i) % 5 == 0 ? null : box.Room })],
        Endpoints = [.. house.Endpoints.Select((thing, i) => thing with { At = null, Room = (seed + i) % 4 == 0 ? null : thing.Room })],
    };

    /// <summary>A level or a rate in each third room, of one box or of any; one room without Wi-Fi; some rooms not drawn.</summary>
    private static NetworkDocument Measured(NetworkDocument house, int seed) => house with
    {
        Rooms = [.. house.Rooms.Select((room, i) => room with
        {
            NoWifi = (seed + i) % 7 == 0 ? true : null,
            Rect = (seed + i) % 6 == 0 ? null : room.Rect,
        })],
        Measured = [.. house.Rooms.Where((_, i) => (seed + i) % 3 == 0).Select((room, i) => new Measurement
        {
            Id = $"m{i}",
            Room = i % 2 == 0 ? room.Id : room.Name.ToUpperInvariant(),
            LevelDbm = (seed + i) % 2 == 0 ? -60 - seed % 25 : null,
            Mbps = (seed + i) % 4 < 2 ? 5 + seed % 90 : null,
            Source = i % 2 == 0 ? house.Devices[seed % house.Devices.Length].Id : null,
            Band = seed % 3 == 0 ? Band.Ghz5 : null,
            Device = seed % 5 == 0 ? house.Endpoints.FirstOrDefault(thing => thing.Connect?.Socket is not null)?.Id : null,
        })],
    };

    private static IEnumerable<(string Name, NetworkState State, PlainAir Plain)> Both()
    {
        foreach (var (name, house) in HousesWithAir())
        {
            var state = Simulator.Run(house);
            var plain = new PlainAir(state);
            // A join that would close a cycle through a mesh unit is not made: what that leaves has tests of its own.
            if (house.Devices.Length <= 9 && state.AirMap.Links.Count == plain.Joins) yield return (name, state, plain);
        }
    }

    [Fact]
    public void Channels_powers_and_shares_are_the_same()
    {
        var (shared, joined) = (0, 0);
        foreach (var (name, state, plain) in Both())
        {
            var air = state.AirMap;
            Assert.Equal(plain.Sources.Select(one => (one.Box.Id, one.Radio.Id, one.Channel, one.Ssid)), air.Sources.Select(one => (state.House.Devices[one.Device].Id, one.Radio.Id, one.Channel, one.Ssid)));
            for (var i = 0; i < plain.Sources.Count; i++)
            {
                Assert.Equal(plain.Sources[i].PowerDbm, air.Sources[i].PowerDbm);
                Assert.True(Math.Abs(plain.Sources[i].Share - air.Sources[i].Share) < 1e-9, $"{name}, {plain.Sources[i].Box.Id}:{plain.Sources[i].Radio.Id}: {plain.Sources[i].Share} by the plain reading, {air.Sources[i].Share}");
                Assert.Equal(plain.Sources[i].Others, air.Sources[i].With.Length);
                if (plain.Sources[i].Others > 0) shared++;
            }
            joined += plain.Joins;
        }
        Assert.True(shared > 200 && joined > 30, $"{shared} share, {joined} joined");
    }

    [Fact]
    public void What_a_room_and_a_thing_may_expect_is_the_same()
    {
        var (rooms, sockets, joined, hops) = (0, 0, 0, 0);
        foreach (var (name, state, plain) in Both())
        {
            foreach (var room in state.AirMap.Rooms)
            {
                var expected = plain.RoomMbps(state.House.Rooms[room.Room]);
                Assert.True(expected.Exists(one => Math.Abs(one - room.Expected.Mbps) < 1e-6), $"{name}, {state.House.Rooms[room.Room].Id}: {string.Join(" or ", expected)} by the plain reading, {room.Expected.Mbps}");
                if (room.Expected.Mbps > 0) rooms++;
            }
            foreach (var thing in state.House.Endpoints)
            {
                if (thing.Connect is null) continue;
                var expected = thing.Connect.Socket is { } socket ? plain.SocketMbps(socket) : plain.JoinedMbps(thing);
                var rate = state.RateOf(thing.Id).Mbps;
                Assert.True(expected.Count == 0 ? rate == 0 : expected.Exists(one => Math.Abs(one - rate) < 1e-6), $"{name}, {thing.Id}: {string.Join(" or ", expected)} by the plain reading, {rate}");
                if (rate > 0 && thing.Connect.Socket is not null) sockets++;
                else if (rate > 0) joined++;
            }
            Assert.Equal(plain.MostRadioHops, state.AirMap.MostRadioHops);
            hops = Math.Max(hops, plain.MostRadioHops);
        }
        Assert.True(rooms > 200 && sockets > 100 && joined > 100 && hops > 1, $"{rooms} rooms, {sockets} sockets, {joined} joined, {hops} radio joins in a row");
    }
}
