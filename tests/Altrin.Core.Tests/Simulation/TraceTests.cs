using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Simulation;

/// <summary>The way to the street, box by box, in one line: over what, to whom, as whom.</summary>
public class TraceTests
{
    private static string Said(NetworkDocument house, string from) => string.Join(" ", Simulator.Run(house).TraceOf(from).Hops
        .Select(hop => $"{hop.Cable ?? Words<TraceLink>.Of(hop.Over)}>{hop.Device}:{Words<TraceRole>.Of(hop.Role)}{(hop.Becomes is { } now ? $"={now}" : "")}"));

    [Theory]
    [InlineData("healthy", "laptop", "plug>second:bridge c1>gw:router=the line’s own address line>isp:street")]
    [InlineData("double-nat", "laptop", "plug>second:router=192.168.31.100 c1>gw:router=the line’s own address line>isp:street")]
    [InlineData("mesh", "laptop", "plug>landing:bridge radio>gw:router=the line’s own address line>isp:street")]
    [InlineData("modem-in-front", "laptop", "plug>second:router=the line’s own address c1>gw:bridge line>isp:street")]
    [InlineData("passthrough", "tablet", "plug>second:router=the line’s own address c1>gw:bridge line>isp:street")]
    [InlineData("guests-in-vlan", "visitor", "radio>loft:bridge c2>switch:bridge c1>gw:router=the line’s own address line>isp:street")]
    [InlineData("wisp-where-repeater", "laptop", "plug>loft:router=192.168.31.100 radio>gw:router=the line’s own address line>isp:street")]
    [InlineData("forward-through-carrier", "tablet", "plug>gw:router=the line’s own address, shared with other customers line>isp:carrier=a shared address")]
    [InlineData("thing-not-joined", "tablet", "")]
    public void A_way_is_told_box_by_box(string example, string from, string way) => Assert.Equal(way, Said(Examples.House(example), from));

    [Theory, MemberData(nameof(Examples.All), MemberType = typeof(Examples))]
    public void Where_the_internet_is_reached_the_routers_on_the_way_are_the_translators(string example)
    {
        var state = Simulator.Run(Examples.House(example));
        foreach (var thing in state.House.Endpoints)
        {
            var (trace, way) = (state.TraceOf(thing.Id), state.Internet(thing.Id));
            Assert.Equal(way.Reachable, trace.Reachable);
            if (way.Reachable != Answer.Yes || state.Interfaces.Any(one => one.Outcome == LeaseOutcome.Contested)) continue;
            Assert.Equal(way.Hops, trace.Hops.Where(hop => hop.Becomes is not null).Select(hop => hop.Role == TraceRole.Carrier ? "carrier" : hop.Device));
            Assert.Equal("isp", trace.Hops[^1].Device);
        }
    }

    [Fact]
    public void A_trace_never_throws_on_any_house()
    {
        for (var seed = 1; seed <= 600; seed++)
        {
            var state = Simulator.Run(Houses.Make(seed, Enum.GetValues<DeviceMode>()));
            foreach (var thing in state.House.Endpoints) Assert.NotNull(state.TraceOf(thing.Id).From);
        }
    }

    [Theory]
    [InlineData("double-nat", "laptop", "tablet", "Yes", "Tablet is at 192.168.31.101, up the stairs from Laptop: reached by its address, not found by name.")]
    [InlineData("double-nat", "tablet", "laptop", "No", "Laptop stands behind Second router, which lets nothing in that was not asked for.")]
    [InlineData("healthy", "tablet", "laptop", "Yes", "Both are on one network: Tablet is at 192.168.31.100, Laptop is at 192.168.31.101. It is found by name too.")]
    [InlineData("guests-in-vlan", "visitor", "printer", "No", "Visitor’s phone is on a guest network, which lets out to the internet and to nothing of the home.")]
    [InlineData("healthy", "tablet", "isp", "Yes", "Its address is translated by Hall gateway.")]
    public void Who_reaches_whom_is_explained(string example, string from, string to, string reachable, string because)
    {
        var said = ReachExplained.Of(Evaluation.Of(Examples.House(example)).Facts, from, to);
        Assert.Equal((reachable, because), (said.Reachable.ToString(), said.Because));
    }
}
