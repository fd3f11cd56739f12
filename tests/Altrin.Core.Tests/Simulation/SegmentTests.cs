using Altrin.Core.Network;
using Altrin.Core.Simulation;
using QuikGraph;
using QuikGraph.Algorithms;

namespace Altrin.Core.Tests.Simulation;

public class SegmentTests
{
    [Fact]
    public void A_router_parts_its_wan_from_its_lan()
    {
        var state = new HouseBuilder().Gateway().State;
        Assert.NotEqual(state.SegmentOf(new("gw", "wan")), state.SegmentOf(new("gw", "lan1")));
    }

    [Theory]
    [InlineData(DeviceMode.AccessPoint)]
    [InlineData(DeviceMode.Switch)]
    public void A_bridging_box_joins_every_socket_the_wan_one_too(DeviceMode mode)
    {
        var state = new HouseBuilder().Gateway().Box("b", mode).Cable("gw:lan1", "b:wan").State;
        Assert.Equal(state.SegmentOf(new("gw", "lan1")), state.SegmentOf(new("b", "lan3")));
    }

    [Fact]
    public void A_modem_joins_the_line_to_its_lan_sockets_and_its_other_wan_is_dead()
    {
        var state = new HouseBuilder().Gateway(mode: DeviceMode.Modem)
            .With(h => h.WithDevice("gw", d => d with { Ports = d.Ports.Add(new() { Id = "wan2", Role = PortRole.Wan }) })).State;
        Assert.Equal(state.ProviderSegment, state.SegmentOf(new("gw", "lan1")));
        Assert.Equal(-1, state.SegmentOf(new("gw", "wan2")));
    }

    [Fact]
    public void A_routers_wan_side_knows_no_vlan_of_the_home()
    {
        var state = new HouseBuilder().Gateway().With(h => h.WithDevice("gw", d => d with { Ports = [.. d.Ports.Select(port => port.Id is "wan" or "lan1" ? port with { Vlan = 20 } : port)] })).State;
        Assert.Equal(state.ProviderSegment, state.SegmentOf(new("gw", "wan")));
        Assert.NotEqual(state.SegmentOf(new("gw", "wan")), state.SegmentOf(new("gw", "lan1")));
    }

    [Fact]
    public void A_gateway_that_hands_its_line_on_takes_it_in_one_socket_alone()
    {
        var state = new HouseBuilder().Gateway(mode: DeviceMode.Passthrough)
            .With(h => h.WithDevice("gw", d => d with { Ports = [new() { Id = "wan2", Role = PortRole.Wan }, .. d.Ports, new() { Id = "wan3", Role = PortRole.Wan }] })).State;
        Assert.Equal((-1, state.ProviderSegment, -1), (state.SegmentOf(new("gw", "wan2")), state.SegmentOf(new("gw", "wan")), state.SegmentOf(new("gw", "wan3"))));
    }

    [Fact]
    public void Two_cables_between_two_switches_are_a_loop_and_others_still_work()
    {
        var state = new HouseBuilder().Gateway().Box("s", DeviceMode.Switch, null).Box("r").Cable("gw:lan1", "s:lan1").Cable("gw:lan2", "s:lan2")
            .Thing("a", "gw:lan3").Thing("b", "gw:lan4").Thing("c", "r:lan1").Thing("d", "r:lan2").State;
        Assert.True(state.Segments[state.InsideOf("gw")].IsLoop);
        Assert.False(state.Segments[state.InsideOf("r")].IsLoop);
        Assert.Equal((Answer.No, ReachProblem.Loop), (state.Reach("a", "b").Reachable, state.Reach("a", "b").Why));
        Assert.Equal(Answer.No, state.Internet("a").Reachable);
        Assert.Equal(Answer.Yes, state.Reach("c", "d").Reachable);
    }

    [Fact]
    public void A_cable_from_a_box_to_itself_is_a_loop() =>
        Assert.True(new HouseBuilder().Gateway().Cable("gw:lan1", "gw:lan2").State.Segments.Any(segment => segment.IsLoop));

    [Fact]
    public void A_cycle_through_a_mesh_satellite_is_broken_by_it() =>
        Assert.DoesNotContain(new HouseBuilder().Gateway().Box("m", DeviceMode.MeshSatellite, null).Cable("gw:lan1", "m:lan1").Cable("gw:lan2", "m:lan2")
            .State.Segments, segment => segment.IsLoop);

    [Fact]
    public void Guests_of_two_vlans_are_on_the_routers_one_guest_network_over_a_trunk()
    {
        static Device Trunk(Device box) => box with { Ports = [.. box.Ports.Select(port => port.Id == "lan1" ? port with { Tagged = [20, 30] } : port)] };
        static WifiNetwork Of(string ssid, int vlan, bool isGuest) => new() { Radio = "2g", Ssid = ssid, Vlan = vlan, Guest = isGuest };
        var state = new HouseBuilder().Gateway().With(h => h.WithDevice("gw", d => Trunk(d) with { Wifi = [Of("first", 20, true), Of("second", 30, true)] }))
            .Box("ap", DeviceMode.AccessPoint, null, with: d => Trunk(d) with { Wifi = [Of("far first", 20, false), Of("far second", 30, false)] }).Cable("gw:lan1", "ap:lan1")
            .Thing("a", "~far first").Thing("b", "~far second").State;
        Assert.True(state.GuestsOf("gw") >= 0);
        Assert.Equal((state.GuestsOf("gw"), state.GuestsOf("gw")), (state.Net("a")!.Segment, state.Net("b")!.Segment));
        // A socket of a trunk is on each network that it carries, and is named with its VLAN there.
        foreach (var socket in new[] { "gw:lan1.20", "gw:lan1.30", "ap:lan1.20", "ap:lan1.30" }) Assert.Contains(socket, state.Segments[state.GuestsOf("gw")].Members);
        Assert.Contains("gw:lan1", state.Segments[state.InsideOf("gw")].Members);
    }

    [Fact]
    public void The_guests_of_two_routers_have_a_subnet_each()
    {
        static NetworkDocument Guests(NetworkDocument house, string box) => house.WithDevice(box, d => d with { Wifi = [new() { Radio = "2g", Ssid = $"visitors of {box}", Guest = true }] });
        var state = new HouseBuilder().Gateway().Box("r").Cable("gw:lan1", "r:wan").With(h => Guests(Guests(h, "gw"), "r")).State;
        var subnets = new[] { "gw", "r" }.Select(box => Assert.Single(state.SubnetsOn(state.GuestsOf(box)))).ToList();
        Assert.False(subnets[0].Overlaps(subnets[1]), string.Join(" and ", subnets));
    }

    [Fact]
    public void On_no_segment_is_nothing()
    {
        var state = new HouseBuilder().Gateway().Thing("a", "gw:lan1").State;
        Assert.Equal(0, state.OnSegment[-1].Count);
        Assert.Equal(0, state.OnSegment[state.Segments.Length].Count);
        Assert.Contains(state.OnSegment[state.InsideOf("gw")], one => one.Owner == "a");
    }

    [Fact, Trait("source", "QuikGraph: connected components, and cyclomatic number for loops")]
    public void Segments_and_loops_are_those_of_a_graph_library()
    {
        var (several, loops) = (0, 0);
        for (var seed = 1; seed <= 400; seed++)
        {
            var house = Unplugged(Houses.Make(seed));
            var state = Simulator.Run(house);
            var graph = new UndirectedGraph<string, UndirectedEdge<string>>(allowParallelEdges: true);
            foreach (var device in house.Devices.Where(device => state.IsInUse(device.Id)))
                foreach (var port in device.Ports)
                    if (Side(device, port) is { } side) graph.AddVertex(side);
            foreach (var cable in house.Cables)
                if (SideAt(house, cable.A) is { } a && SideAt(house, cable.B) is { } b)
                    graph.AddEdge(string.CompareOrdinal(a, b) <= 0 ? new(a, b) : new(b, a));
            var components = new Dictionary<string, int>();
            graph.ConnectedComponents(components);

            var ours = house.Devices.Where(device => state.IsInUse(device.Id)).SelectMany(device => device.Ports.Select(port => (device, port)))
                .Where(one => Side(one.device, one.port) is not null)
                .Select(one => (Segment: state.SegmentOf(new(one.device.Id, one.port.Id)), Theirs: components[Side(one.device, one.port)!])).Distinct().ToList();
            Assert.Equal(ours.Count, ours.Select(pair => pair.Segment).Distinct().Count());
            Assert.Equal(ours.Count, ours.Select(pair => pair.Theirs).Distinct().Count());

            foreach (var (segment, theirs) in ours)
            {
                var vertices = components.Count(pair => pair.Value == theirs);
                var edges = graph.Edges.Count(edge => components[edge.Source] == theirs);
                Assert.Equal(edges >= vertices, state.Segments[segment].IsLoop);
                loops += edges >= vertices ? 1 : 0;
            }
            several += ours.Count > 2 ? 1 : 0;
        }
        Assert.True(several > 100 && loops > 40, $"{several} houses with several segments and {loops} loops tried too little");

        // Radio links join segments too; here the cables alone are compared.
        static NetworkDocument Unplugged(NetworkDocument house) =>
            house with { Line = null, Devices = [.. house.Devices.Select(device => device with { Uplink = null })] };

        static string? SideAt(NetworkDocument house, Socket socket) =>
            Side(house.FindDevice(socket.Device)!, house.FindDevice(socket.Device)!.FindPort(socket.Port)!);
    }

    /// <summary>The vertex a socket belongs to, told from the table of modes alone: box, or box and side; null for one that is
    /// dead, or alive only by the line (a modem's).</summary>
    private static string? Side(Device device, Port port) => (device.Mode, port.Role) switch
    {
        (DeviceMode.Router, PortRole.Wan) => device.Uplink is null ? $"{device.Id}/wan" : null,
        (DeviceMode.Modem, PortRole.Wan) => null,
        _ => device.Id,
    };
}
