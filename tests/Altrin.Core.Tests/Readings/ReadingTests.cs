using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Readings;
using Altrin.Core.Simulation;
using Altrin.Core.Tests.Planning;
using Altrin.Core.Tests.WorkOrders;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.Tests.Readings;

/// <summary>Readings are values: what a laptop must show, whether what it shows is that, and the words for it.</summary>
public class ReadingTests
{
    private static InterfaceAddress At(string text) => InterfaceAddress.Parse(text);
    private static AddressReading Leased(string address, string? server) => new("a", [new(AddressSource.Leased, At(address), server)]);

    private static string Say(Reading reading) => ReadingWords.Say(reading, Examples.House("larkspur-house"), "a") is var said ? $"{said.Reading}: {said.Value}" : "";

    [Fact]
    public void A_laptop_on_a_healthy_network_shows_address_gateway_servers_internet_and_translations() => Assert.Equal(
        ["laptop address: 192.168.31.100, or near it, from gw", "gateway: 192.168.31.1", "DNS servers: 192.168.31.1", "internet: works", "translations: 1"],
        Expected.Of(new HouseBuilder().Gateway().Thing("a", "gw:lan1").State, "a").Select(reading => ReadingWords.Say(reading, new HouseBuilder().Gateway(), "a") is var said ? $"{said.Reading}: {said.Value}" : ""));

    [Fact, Trait("source", "RFC 3927 section 2.1")]
    public void Where_nobody_gives_addresses_it_shows_one_of_its_own()
    {
        var shown = Expected.Of(new HouseBuilder().Gateway(dhcp: false).Thing("a", "gw:lan1").State, "a");
        Assert.Equal(AddressSource.LinkLocal, Assert.IsType<AddressReading>(shown[0]).Ways.Single().Source);
        Assert.Equal("laptop address: 169.254.x.x: nobody gives one out", Say(shown[0]));
    }

    [Fact]
    public void Two_servers_make_two_ways_and_either_is_what_was_expected()
    {
        var shown = Expected.Of(new HouseBuilder().Gateway().Box("rival", address: "192.168.31.2/24", pool: "200-220").Cable("gw:lan1", "rival:lan1").Thing("a", "gw:lan2").State, "a");
        Assert.Equal(2, Assert.IsType<AddressReading>(shown[0]).Ways.Length);
        Assert.True(Expected.Matches(shown[0], Leased("192.168.31.104/24", "gw")));
        Assert.True(Expected.Matches(shown[0], Leased("192.168.31.204/24", "rival")));
        Assert.False(Expected.Matches(shown[0], Leased("192.168.1.104/24", "gw")));
    }

    public static IEnumerable<TheoryDataRow<Reading, Reading, bool>> Pairs() =>
    [
        new(Leased("192.168.31.100/24", "gw"), Leased("192.168.31.142/24", "gw"), true),         // which number is the server's affair: RFC 2131 section 4.3.1
        new(Leased("192.168.31.100/24", "gw"), Leased("192.168.31.142/24", null), true),         // the server does not show
        new(Leased("192.168.31.100/24", "gw"), Leased("192.168.31.142/24", "studio"), false),
        new(Leased("192.168.31.100/24", "gw"), Leased("192.168.32.100/24", "gw"), false),
        new(Leased("192.168.31.100/24", "gw"), new AddressReading("a", [new(AddressSource.LinkLocal, At("169.254.3.4/16"))]), false),
        new(new AddressReading("a", [new(AddressSource.Fixed, At("192.168.31.7/24"))]), new AddressReading("a", [new(AddressSource.Fixed, At("192.168.31.7/16"))]), true),
        new(new AddressReading("a", [new(AddressSource.None)]), new AddressReading("a", [new(AddressSource.None)]), true),
        new(new GatewayReading([Ipv4Address.Parse("192.168.31.1")]), new GatewayReading([Ipv4Address.Parse("192.168.31.1")]), true),
        new(new GatewayReading([Ipv4Address.Parse("192.168.31.1")]), new GatewayReading([Ipv4Address.Parse("192.168.1.1")]), false),
        new(new DnsReading([Ipv4Address.Parse("192.0.2.1"), Ipv4Address.Parse("192.0.2.2")]), new DnsReading([Ipv4Address.Parse("192.0.2.2"), Ipv4Address.Parse("192.0.2.1")]), true),
        new(new DnsReading([Ipv4Address.Parse("192.0.2.1")]), new DnsReading([Ipv4Address.Parse("192.0.2.2")]), false),
        new(new InternetReading("a", Answer.Sometimes), new InternetReading("a", Answer.No), true),
        new(new InternetReading("a", Answer.Yes), new InternetReading("a", Answer.No), false),
        new(new NatLayersReading(1), new NatLayersReading(2), false),
        new(new PageReading("gw", Ipv4Address.Parse("192.168.31.1"), true), new PageReading("gw", Ipv4Address.Parse("192.168.31.1"), true), true),
        new(new PageReading("gw", Ipv4Address.Parse("192.168.31.1"), true), new PageReading("gw", Ipv4Address.Parse("192.168.31.1"), false), false),
        new(new PingReading(Ipv4Address.Parse("192.168.31.9"), false), new PingReading(Ipv4Address.Parse("192.168.31.9"), true), false),
        new(new LampReading("rep", Lamp.Weak), new LampReading("rep", Lamp.OutOfRange), false),
        new(new NatLayersReading(1), new InternetReading("a", Answer.Yes), false),
    ];

    [Theory, MemberData(nameof(Pairs))]
    public void What_was_seen_matches_what_was_to_be_seen(Reading expected, Reading seen, bool matches) => Assert.Equal(matches, Expected.Matches(expected, seen));

    /// <summary>Over random houses: a laptop shows what is expected of it, and not what is expected in a house where it stands behind another router.</summary>
    [Fact]
    public void What_a_state_shows_is_what_is_expected_of_it_and_words_are_found_for_all()
    {
        var (same, other) = (0, 0);
        for (var seed = 1; seed <= 300; seed++)
        {
            var state = Simulator.Run(Houses.Make(seed, Enum.GetValues<DeviceMode>()));
            foreach (var thing in state.House.Endpoints)
            {
                var expected = Expected.Of(state, thing.Id);
                Assert.All(expected, reading => Assert.True(Expected.Matches(reading, reading), $"house {seed}: {reading}"));
                Assert.All(expected, reading => Assert.NotEmpty(ReadingWords.Say(reading, state.House, thing.Id).Value));
                same += expected.Length;
                var behind = Expected.Of(new HouseBuilder().Gateway("10.99.0.1/24").Thing(thing.Id, "gw:lan1").State, thing.Id);
                if (expected[0] is AddressReading { Ways: [{ Source: AddressSource.Leased, Address: { } own }] } && own.Prefix.ToString() != "10.99.0.0/24")
                {
                    other++;
                    Assert.False(Expected.Matches(expected[0], behind[0]), $"house {seed}, {thing.Id}");
                }
            }
        }
        Assert.True(same > 1000 && other > 100, $"{same} and {other}");
    }

    /// <summary>Every reading of a step is what the house shows when the step is done, held against a state computed from the actions alone.</summary>
    [Theory]
    [InlineData("larkspur-house")]
    [InlineData("hawthorn-farm")]
    public void The_readings_of_an_order_are_those_of_the_house_at_that_step(string example)
    {
        var compared = 0;
        foreach (var plan in HandPlanner.Propose(Examples.House(example)))
        {
            var house = Examples.House(example);
            foreach (var step in Orders.Trade(house, plan.House).Steps)
            {
                house = step.Actions.Apply(house);
                var state = Simulator.Run(house);
                foreach (var reading in step.Readings)
                {
                    Reading? now = reading switch
                    {
                        AddressReading one => Expected.Address(state, one.Who),
                        InternetReading one => new InternetReading(one.Who, state.Internet(one.Who).Reachable),
                        OwnAddressReading one => new OwnAddressReading(one.Device, state.Lan(one.Device)?.Address),
                        GatewayReading => Expected.Of(state, Laptop.Id).OfType<GatewayReading>().FirstOrDefault(),
                        _ => null,
                    };
                    if (now is null) continue;
                    compared++;
                    Assert.True(Expected.Matches(reading, now), $"{step.Title}: {reading} was said, {now} is shown");
                }
                Assert.Equal(step.Readings.Length, step.Expect.Length);
            }
        }
        Assert.True(compared > 20, $"only {compared} compared");
    }
}
