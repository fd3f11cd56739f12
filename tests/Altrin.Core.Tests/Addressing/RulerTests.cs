using Altrin.Core.Addressing;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Addressing;

public class RulerTests
{
    private static Ruler Home(HouseBuilder house) => Of(house.State).First(ruler => !ruler.IsLine);

    private static IReadOnlyList<Ruler> Of(NetworkState state) => Rulers.Of(state, Stairs.Of(state));

    private static AddressMark Mark(Ruler ruler, string owner) => Assert.Single(ruler.Marks, mark => mark.Owner == owner);

    [Fact]
    public void Everything_on_a_subnet_stands_at_its_place()
    {
        var ruler = Home(new HouseBuilder().Gateway().Thing("leased", "gw:lan1").Thing("fixed", "gw:lan2", "192.168.31.20/24").Thing("kept", "gw:lan3", mac: "00:00:5E:00:53:01")
            .With(h => h.WithDevice("gw", d => d with { Lan = d.Lan! with { DhcpServer = d.Lan.DhcpServer! with { Reservations = [new() { Mac = MacAddress.Parse("00:00:5E:00:53:01"), Address = Ipv4Address.Parse("192.168.31.30") }, new() { Mac = MacAddress.Parse("00:00:5E:00:53:02"), Address = Ipv4Address.Parse("192.168.31.31") }] } } })));
        Assert.Equal(("192.168.31.0/24", 254L, 1), (ruler.Prefix.ToString(), ruler.Usable, ruler.Depth));
        Assert.Equal(MarkKind.Gateway, Mark(ruler, "gw").Kind);
        Assert.Equal((MarkKind.Fixed, "192.168.31.20"), (Mark(ruler, "fixed").Kind, Mark(ruler, "fixed").Address.ToString()));
        Assert.Equal((MarkKind.Leased, "192.168.31.100"), (Mark(ruler, "leased").Kind, Mark(ruler, "leased").Address.ToString()));
        Assert.Equal((MarkKind.Reserved, "192.168.31.30"), (Mark(ruler, "kept").Kind, Mark(ruler, "kept").Address.ToString()));
        // Kept for somebody who is not here.
        Assert.Equal("00:00:5E:00:53:02", Assert.Single(ruler.Marks, mark => mark.Owner is null).Name);
        var pool = Assert.Single(ruler.Pools);
        Assert.Equal(("gw", "192.168.31.100", "192.168.31.199", 100L), (pool.Device, pool.Start.ToString(), pool.End.ToString(), pool.Count));
        Assert.Equal(0, ruler.Clashes);
    }

    [Theory]
    [InlineData("192.168.31.150/24", "inside the pool of gw")]
    [InlineData("192.168.31.1/24", "held by gw too")]
    [InlineData("192.168.31.20/24", null)]
    public void A_clash_says_why(string address, string? why) => Assert.Equal(why, Mark(Home(new HouseBuilder().Gateway().Thing("a", "gw:lan1", address)), "a").Amiss);

    /// <summary>Common practice, no source: .2-style low numbers, .254-style top numbers, never .255.</summary>
    [Fact]
    public void The_next_address_is_offered_by_both_habits_and_the_usual_mistake_is_named()
    {
        var ruler = Home(new HouseBuilder().Gateway().Thing("a", "gw:lan1", "192.168.31.2/24"));
        Assert.Equal([("192.168.31.3", true), ("192.168.31.254", true), ("192.168.31.255", false)], ruler.Free.Select(free => (free.Address.ToString(), free.CanBeUsed)));
    }

    [Fact]
    public void A_full_subnet_offers_nothing_but_the_warning() =>
        Assert.Equal([false], Home(new HouseBuilder().Gateway("192.168.31.1/30", dhcp: false).Thing("a", "gw:lan1", "192.168.31.2/30")).Free.Select(free => free.CanBeUsed));

    /// <summary>Law: what is offered is held by nobody, in no pool, and usable; whatever the house.</summary>
    [Fact]
    public void What_is_offered_is_free_in_any_house()
    {
        var offered = 0;
        for (var seed = 1; seed <= 400; seed++)
        {
            var state = Simulator.Run(Houses.Make(seed, Enum.GetValues<DeviceMode>()));
            foreach (var ruler in Of(state))
                foreach (var free in ruler.Free.Where(free => free.CanBeUsed))
                {
                    offered++;
                    Assert.True(ruler.Prefix.IsUsable(free.Address));
                    Assert.DoesNotContain(state.Interfaces, one => one.Segment >= 0 && state.Segments[one.Segment].Id == ruler.Segment && one.Candidates.Any(held => held.Address?.Address == free.Address));
                    Assert.DoesNotContain(state.Servers, server => state.Segments[server.Segment].Id == ruler.Segment && server.Pool.Contains(free.Address) && server.Pool.IsInside(ruler.Prefix));
                }
        }
        Assert.True(offered > 300, $"{offered}");
    }

    [Fact]
    public void Every_tread_with_a_subnet_has_its_ruler_in_the_order_of_the_stairs()
    {
        var state = Simulator.Run(Examples.House("larkspur-house"));
        var rulers = Of(state);
        Assert.Equal(Stairs.Of(state).Treads.Where(tread => !tread.IsTable).SelectMany(tread => tread.Subnets), rulers.Select(ruler => ruler.Prefix.ToString()));
        Assert.Contains(rulers, ruler => ruler.Clashes > 0);
    }
}
