using Altrin.Core.Actions;
using Altrin.Core.Addressing;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Addressing;

public class SubnetMoveTests
{
    private static (SubnetMove? Move, string? Problem) Of(NetworkState state, string to)
    {
        var ruler = Rulers.Of(state, Stairs.Of(state)).First(one => !one.IsLine);
        return SubnetMove.Of(state, ruler.Segment, ruler.Prefix, Prefix.Parse(to));
    }

    [Fact]
    public void Everything_in_it_goes_along_and_what_is_fixed_is_a_touch()
    {
        var house = new HouseBuilder().Gateway().Box("ap", DeviceMode.AccessPoint, "192.168.31.2/24").Cable("gw:lan1", "ap:lan1").Thing("fixed", "gw:lan2", "192.168.31.9/24", "192.168.31.1").Thing("leased", "ap:lan2")
            .With(h => h.WithDevice("gw", d => d with { PortForwards = [new() { Protocol = TransportProtocol.Tcp, Port = 443, ToAddress = Ipv4Address.Parse("192.168.31.9") }], Lan = d.Lan! with { DhcpServer = d.Lan.DhcpServer! with { Reservations = [new() { Mac = MacAddress.Parse("00:00:5E:00:53:01"), Address = Ipv4Address.Parse("192.168.31.30") }] } } }));
        var move = Of(house.State, "10.7.7.0/24").Move!;
        Assert.Equal("fixed", Assert.Single(move.Touches));
        Assert.Null(move.Clash);
        var after = move.Actions.Apply(house.House);
        Assert.Null(HouseCheck.WhyNot(after));
        Assert.DoesNotContain("192.168.31.", AltrinJson.WriteCompact(after), StringComparison.Ordinal);
        var (old, now) = (house.State, Simulator.Run(after));
        Assert.Equal("10.7.7.1/24", after.FindDevice("gw")!.Lan!.Address.ToString());
        Assert.Equal(("10.7.7.9", "10.7.7.9"), (after.FindDevice("gw")!.PortForwards[0].ToAddress.ToString(), now.Net("fixed")!.Address!.Value.Address.ToString()));
        foreach (var thing in new[] { "fixed", "leased" }) Assert.Equal(old.Internet(thing).Reachable, now.Internet(thing).Reachable);
    }

    [Theory]
    [InlineData("192.168.31.0/24", "already")]
    [InlineData("192.168.0.0/16", "another size")]
    [InlineData("203.0.113.0/24", "not private")]
    public void Where_it_cannot_go_is_said(string to, string says) => Assert.Contains(says, Of(new HouseBuilder().Gateway().Thing("a", "gw:lan1").State, to).Problem, StringComparison.Ordinal);

    [Fact]
    public void What_it_would_meet_there_is_said()
    {
        var house = new HouseBuilder().Gateway().Box("r").Cable("gw:lan1", "r:wan").Thing("a", "r:lan1").With(h => h with { Needs = [new Need.Tunnel { Id = "t", Prefix = Prefix.Parse("10.0.0.0/8") }] });
        Assert.StartsWith("192.168.1.0/24 is another network of this house", Of(house.State, "192.168.1.0/24").Move!.Clash, StringComparison.Ordinal);
        Assert.StartsWith("It overlaps the work tunnel", Of(house.State, "10.7.7.0/24").Move!.Clash, StringComparison.Ordinal);
        Assert.Null(Of(house.State, "192.168.90.0/24").Move!.Clash);
    }

    /// <summary>Law: a move to a place where nothing is changes who reaches the internet for nobody.</summary>
    [Fact]
    public void In_any_house_a_move_changes_nobodys_internet()
    {
        var moved = 0;
        for (var seed = 1; seed <= 200; seed++)
        {
            var state = Simulator.Run(Houses.Make(seed, Enum.GetValues<DeviceMode>()));
            foreach (var ruler in Rulers.Of(state, Stairs.Of(state)).Where(one => one is { IsLine: false, GuestsOf: null } && one.Prefix.Length >= 16))
            {
                var (move, problem) = SubnetMove.Of(state, ruler.Segment, ruler.Prefix, Prefix.Of(Ipv4Address.Parse("172.29.0.0"), ruler.Prefix.Length));
                if (move is not { Clash: null }) continue;
                Assert.Null(problem);
                var after = move.Actions.Apply(state.House);
                Assert.Null(HouseCheck.WhyNot(after));
                moved++;
                // Two subnets on one network are not moved together: only a house with one tells.
                if (state.SubnetsOn(state.Segments.First(one => one.Id == ruler.Segment).Index).Count() > 1) continue;
                var now = Simulator.Run(after);
                Assert.All(state.House.Endpoints, thing => Assert.Equal((seed, thing.Id, state.Internet(thing.Id).Reachable), (seed, thing.Id, now.Internet(thing.Id).Reachable)));
            }
        }
        Assert.True(moved > 100, $"{moved}");
    }
}
