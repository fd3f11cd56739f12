using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Simulation;

public class StairsTests
{
    private static Stairs Of(HouseBuilder house) => Stairs.Of(house.State);

    [Fact]
    public void One_translation_is_one_step_down_and_a_second_is_seen_as_such()
    {
        var stairs = Of(new HouseBuilder().Gateway().Box("r").Cable("gw:lan1", "r:wan").Thing("up", "gw:lan2").Thing("down", "r:lan1"));
        Assert.Equal([("gw", 1), ("r", 2)], stairs.Steps.Select(step => (step.Device, step.Number)));
        Assert.Equal([0, 1, 2], stairs.Treads.Select(tread => tread.Depth));
        Assert.Equal(("up", "down"), (Assert.Single(stairs.Treads[1].Things), Assert.Single(stairs.Treads[2].Things)));
        Assert.Equal((stairs.Treads[1].Segment, stairs.Treads[0].Segment), (stairs.Treads[2].Parent, stairs.Treads[1].Parent));
        Assert.Equal(LineWords.Own, Assert.Single(stairs.StreetAddresses));
    }

    [Fact]
    public void An_access_point_stands_on_the_tread_and_a_router_used_as_a_bridge_too()
    {
        var stairs = Of(new HouseBuilder().Gateway().Box("ap", DeviceMode.AccessPoint, "192.168.31.2/24").Cable("gw:lan1", "ap:wan")
            .Box("old", address: "192.168.31.3/24", dhcp: false).Cable("gw:lan2", "old:lan1"));
        Assert.Equal(["ap", "old"], stairs.Treads.Single(tread => tread.Depth == 1).Boxes);
        Assert.Equal("gw", Assert.Single(stairs.Steps).Device);
    }

    [Fact]
    public void A_modem_stands_on_the_street_itself()
    {
        var stairs = Of(new HouseBuilder().Gateway(mode: DeviceMode.Modem).Box("r").Cable("gw:lan1", "r:wan"));
        Assert.Equal("gw", Assert.Single(stairs.Treads.Single(tread => tread.Depth == 0).Boxes));
        Assert.Equal(("r", 1), (stairs.Steps[0].Device, stairs.Steps[0].Number));
    }

    [Fact]
    public void With_the_line_in_a_lan_socket_the_router_stands_on_the_street_and_is_no_step()
    {
        var stairs = Stairs.Of(Simulator.Run(Examples.House("wrong-socket-line")));
        Assert.Empty(stairs.Steps);
        Assert.Equal("gw", Assert.Single(stairs.Treads.Single(tread => tread.Depth == 0).Boxes));
    }

    [Theory]
    [InlineData("modem-in-front")]
    [InlineData("wrong-socket-line")]
    public void Only_addresses_of_the_provider_stand_at_the_street(string example) =>
        Assert.Equal(LineWords.Own, Assert.Single(Stairs.Of(Simulator.Run(Examples.House(example))).StreetAddresses));

    [Fact]
    public void What_leads_nowhere_is_cut_off_and_what_is_on_nothing_is_loose()
    {
        var stairs = Of(new HouseBuilder().Gateway().Box("alone").Thing("a", "alone:lan1").Thing("b", null));
        var tread = stairs.Treads.Single(tread => tread.Things.Contains("a"));
        Assert.True(tread.IsCutOff);
        Assert.Null(stairs.Steps.Single(step => step.Device == "alone").Upper);
        Assert.Equal("b", Assert.Single(stairs.Loose));
    }

    [Theory]
    [InlineData(true, false, true)]
    [InlineData(false, true, true)]
    [InlineData(false, false, false)]
    public void A_guest_network_is_shown_while_it_is_on_the_air_or_something_is_on_it(bool isOnAir, bool isUsed, bool isShown)
    {
        var house = new HouseBuilder().Gateway().With(h => h.WithDevice("gw", d => d with
        {
            Wifi = [new() { Radio = "2g", Ssid = "visitors", Guest = true, Vlan = 20, Enabled = isOnAir }],
            Ports = [.. d.Ports.Select(port => port.Id == "lan1" ? port with { Vlan = 20 } : port)],
        }));
        if (isUsed) house.Thing("a", "gw:lan1");
        var tread = Of(house).Treads.SingleOrDefault(tread => tread.GuestsOf == "gw");
        Assert.Equal(isShown, tread is not null);
        if (isUsed) Assert.Equal("a", Assert.Single(tread!.Things));
    }

    [Fact]
    public void Every_box_and_thing_of_any_house_is_shown_exactly_once()
    {
        for (var seed = 1; seed <= 600; seed++)
        {
            var house = Houses.Make(seed, Enum.GetValues<DeviceMode>());
            var stairs = Stairs.Of(Simulator.Run(house));
            var shown = stairs.Treads.SelectMany(tread => tread.Boxes.Concat(tread.Things)).Concat(stairs.Steps.Select(step => step.Device)).Concat(stairs.Loose).ToList();
            Assert.Equal(house.Devices.Select(d => d.Id).Concat(house.Endpoints.Select(e => e.Id)).Order(StringComparer.Ordinal), shown.Order(StringComparer.Ordinal));
            var segments = stairs.Treads.Select(tread => tread.Segment).ToList();
            Assert.Equal(segments.Count, segments.Distinct().Count());
            foreach (var tread in stairs.Treads)
                if (tread.Parent is { } parent) Assert.True(segments.IndexOf(parent) < segments.IndexOf(tread.Segment), $"house {seed}");
        }
    }
}
