using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Slow;

/// <summary>The fast simulator held against the plain one on some hundred random cabled houses.</summary>
public class SecondOpinionTests
{
    /// <summary>Cables only, and no PPPoE or agreed lines: what the plain simulator speaks of.</summary>
    private static NetworkDocument Cabled(int seed)
    {
        var house = Houses.Make(seed);
        return house with
        {
            Line = house.Line is { } line ? line with { HandOff = HandOff.Dhcp } : null,
            Devices = [.. house.Devices.Select(device => device with { Uplink = null, Wifi = [] })],
            Endpoints = [.. house.Endpoints.Select(thing => thing.Connect?.Socket is null ? thing with { Connect = null } : thing)],
        };
    }

    private static bool HasTwins(NetworkState state) => state.Interfaces.Where(one => one.Address is not null && one.Segment >= 0)
        .GroupBy(one => (one.Segment, one.Address!.Value.Address)).Any(group => group.Skip(1).Any());

    [Fact]
    public void Leases_are_the_same()
    {
        var (leased, contested) = (0, 0);
        for (var seed = 1; seed <= 500; seed++)
        {
            var house = Cabled(seed);
            var state = Simulator.Run(house);
            foreach (var (card, offers) in new PlainHouse(house).Offers())
            {
                var fast = state.Interfaces.First(one => one.Owner == card.Owner && Words<InterfaceKind>.Of(one.Kind) == card.Kind);
                var ours = fast.Candidates.Where(c => c.Server is not null).Select(c => $"{c.Address} via {c.Gateway} from {c.Server}");
                Assert.Equal(offers.Select(offer => $"{offer.Address} via {offer.Gateway} from {offer.Server}"), ours);
                leased += offers.Count == 1 ? 1 : 0;
                contested += offers.Count > 1 ? 1 : 0;
            }
        }
        Assert.True(leased > 300 && contested > 30, $"{leased} leased, {contested} contested");
    }

    [Fact]
    public void Reach_and_internet_are_the_same_where_nothing_is_left_to_chance()
    {
        var (yes, no) = (0, 0);
        foreach (var (seed, house, state, plain) in Certain())
        {
            foreach (var a in house.Endpoints)
            {
                Compare(plain.IsOnline(plain.CardOf(a.Id, "net")), state.Internet(a.Id).Reachable, $"house {seed}, {a.Id} online");
                foreach (var b in house.Endpoints.Where(b => b != a))
                    Compare(plain.Reaches(plain.CardOf(a.Id, "net"), plain.CardOf(b.Id, "net")), state.Reach(a.Id, b.Id).Reachable, $"house {seed}, {a.Id} to {b.Id}");
                foreach (var device in house.Devices.Where(device => state.Lan(device.Id) is { Candidates.IsEmpty: false }))
                    Compare(plain.Reaches(plain.CardOf(a.Id, "net"), plain.CardOf(device.Id, "lan")), state.Admin(a.Id, device.Id).Reachable, $"house {seed}, {a.Id} opens {device.Id}");
            }
        }
        Assert.True(yes > 300 && no > 300, $"{yes} yes, {no} no");

        void Compare(bool plain, Answer fast, string what)
        {
            Assert.True((plain ? Answer.Yes : Answer.No) == fast, $"{what}: the plain simulator says {plain}, the fast one {fast}");
            if (plain) yes++;
            else no++;
        }
    }

    [Fact]
    public void A_race_between_leases_has_just_the_ends_that_its_worlds_have()
    {
        var (races, sometimes) = (0, 0);
        for (var seed = 1; seed <= 2500; seed++)
        {
            var house = Cabled(seed);
            var state = Simulator.Run(house);
            if (HasTwins(state) || !state.Interfaces.Any(one => one.Outcome == LeaseOutcome.Contested)) continue;
            if (state.Interfaces.Any(one => one.Candidates.Any(candidate => candidate.Address is null))) continue;
            var worlds = Worlds(house).Take(129).ToList();
            // A careful server asks before it gives, so worlds where two servers gave one address do not come about.
            worlds.RemoveAll(world => world.Cards.Where(card => card.Address is not null)
                .Any(card => world.Cards.Any(other => other != card && other.Address?.Address == card.Address?.Address && other.Wire.Overlaps(card.Wire))));
            if (worlds.Count is 0 or > 128) continue;
            races++;
            foreach (var thing in house.Endpoints)
            {
                var ends = worlds.Select(world => world.IsOnline(world.CardOf(thing.Id, "net"))).Distinct().ToList();
                var expected = ends.Count == 2 ? Answer.Sometimes : ends[0] ? Answer.Yes : Answer.No;
                Assert.True(expected == state.Internet(thing.Id).Reachable, $"house {seed}, {thing.Id}: {expected} by its worlds, {state.Internet(thing.Id).Reachable} by the simulator");
                sometimes += expected == Answer.Sometimes ? 1 : 0;
            }
        }
        Assert.True(races > 50 && sometimes > 10, $"{races} races, {sometimes} of them open");
    }

    /// <summary>Houses in which every lease is certain and no address is held twice, with the plain house after its leases.</summary>
    private static IEnumerable<(int Seed, NetworkDocument House, NetworkState State, PlainHouse Plain)> Certain()
    {
        for (var seed = 1; seed <= 1500; seed++)
        {
            var house = Cabled(seed);
            var state = Simulator.Run(house);
            if (HasTwins(state) || state.Interfaces.Any(one => one.Outcome is LeaseOutcome.Contested)) continue;
            yield return (seed, house, state, Worlds(house).First());
        }
    }

    /// <summary>One plain house for every way that the races between servers can end.</summary>
    private static IEnumerable<PlainHouse> Worlds(NetworkDocument house)
    {
        var counts = new PlainHouse(house).Offers().Select(one => Math.Max(1, one.Offers.Count)).ToList();
        var total = counts.Aggregate(1L, (product, count) => Math.Min(product * count, 1000));
        for (var world = 0L; world < total; world++)
        {
            var plain = new PlainHouse(house);
            var rest = world;
            var link = 0u;
            foreach (var ((card, offers), i) in plain.Offers().Select((one, i) => (one, i)))
            {
                if (offers.Count > 0) (card.Address, card.Gateway, card.Server) = offers[(int)(rest % counts[i])];
                else if (card.Kind != "wan") card.Address = new(Ipv4Address.Parse("169.254.1.0").Plus(link++), 16);
                rest /= counts[i];
            }
            yield return plain;
        }
    }
}
