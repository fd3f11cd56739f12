using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Diagnosis;

/// <summary>The fields of section 7 of the format that a diagnosis sets: what each does in a house, worked out by hand.</summary>
public class LineFieldsTests
{
    private static readonly MacAddress Own = MacAddress.Parse("02:00:5E:10:00:01"), Stranger = MacAddress.Parse("02:00:5E:FF:FF:FF");

    private static NetworkDocument House(Func<Line, Line> line, HandOff handOff = HandOff.Dhcp)
    {
        NetworkDocument house = new HouseBuilder().Gateway(handOff: handOff).Thing("tablet", "gw:lan1");
        return house.WithDevice("gw", box => box with { Mac = Own }) with { Line = line(house.Line!) };
    }

    private static Answer Internet(NetworkDocument house) => Simulator.Run(house).Internet("tablet").Reachable;

    [Theory]
    [InlineData(HandOff.Dhcp)]
    [InlineData(HandOff.Pppoe)]
    public void A_line_that_is_down_gives_nobody_an_address(HandOff handOff)
    {
        Assert.Equal(Answer.Yes, Internet(House(line => line, handOff)));
        var down = House(line => line with { Down = true }, handOff);
        Assert.Equal(Answer.No, Internet(down));
        Assert.Equal(LeaseOutcome.None, Simulator.Run(down).Wan("gw")!.Outcome);
        // At home all goes on.
        Assert.Equal(LeaseOutcome.Leased, Simulator.Run(down).Net("tablet")!.Outcome);
    }

    /// <summary>A fixed address stays set, and nobody answers it.</summary>
    [Fact]
    public void A_line_of_fixed_address_is_silent_too()
    {
        var house = House(line => line, HandOff.Static).WithDevice("gw", box => box with
        {
            Wan = new()
            {
                Method = WanMethod.Static,
                Address = InterfaceAddress.Parse("198.51.100.22/30"),
                Gateway = Ipv4Address.Parse("198.51.100.21")
            },
        });
        Assert.Equal(Answer.Yes, Internet(house));
        Assert.Equal(Answer.No, Internet(house with { Line = house.Line! with { Down = true } }));
        Assert.Equal(Answer.No, Internet(house with { Line = house.Line! with { Holds = Stranger } }));
    }

    [Fact]
    public void A_provider_that_holds_a_box_answers_that_one_alone()
    {
        Assert.Equal(Answer.Yes, Internet(House(line => line with { Holds = Own })));
        Assert.Equal(Answer.No, Internet(House(line => line with { Holds = Stranger })));
    }

    /// <summary>Numbers are reached and names are not; servers set by hand in the router help.</summary>
    [Fact]
    public void Silent_name_servers_of_the_line()
    {
        var silent = House(line => line with { NamesSilent = true });
        Assert.Equal(Answer.Yes, Internet(silent));
        Assert.Equal(Answer.No, NameServers.Answer(Simulator.Run(silent), "tablet"));
        var byHand = silent.WithDevice("gw", box => box with { Wan = box.Wan! with { Dns = [Ipv4Address.Parse("192.0.2.53")] } });
        Assert.Equal(Answer.Yes, NameServers.Answer(Simulator.Run(byHand), "tablet"));
        var given = silent.WithDevice("gw",
            box => box with { Lan = box.Lan! with { DhcpServer = box.Lan.DhcpServer! with { Dns = [Ipv4Address.Parse("192.0.2.53")] } } });
        Assert.Equal(Answer.Yes, NameServers.Answer(Simulator.Run(given), "tablet"));
    }

    [Theory]
    [InlineData(8443, "provider")]
    [InlineData(443, null)]
    public void A_port_that_the_provider_closes_is_the_one_outside(int closed, string? stoppedAt)
    {
        NetworkDocument open = new HouseBuilder().Gateway().Thing("recorder", "gw:lan1", "192.168.31.20/24", "192.168.31.1", null,
            new Service { Protocol = TransportProtocol.Tcp, Port = 443 });
        open = open.WithDevice("gw", box => box with
        {
            PortForwards = [new() { Protocol = TransportProtocol.Tcp, Port = 8443, ToAddress = Ipv4Address.Parse("192.168.31.20"),
                ToPort = 443 }],
        });
        Assert.Equal(Answer.Yes, Simulator.Run(open).Inbound("recorder", TransportProtocol.Tcp, 443).Reachable);
        var shut = Simulator.Run(open with { Line = open.Line! with { ClosedPorts = [closed] } }).Inbound("recorder",
            TransportProtocol.Tcp, 443);
        Assert.Equal((stoppedAt is null ? Answer.Yes : Answer.No, stoppedAt), (shut.Reachable, shut.StoppedAt));
    }

    /// <summary>The least of both sockets, of what was agreed and of the category; cat6 counts as 5 Gb/s over any length (section
    /// 6.7).</summary>
    [Theory]
    [InlineData(1000, 2500, null, null, 1000)]
    [InlineData(10_000, 10_000, "cat6", null, 5000)]
    [InlineData(2500, 2500, "cat5e", 100.0, 100)]
    [InlineData(null, null, null, null, 1000)]
    public void What_the_lamp_of_a_socket_says(int? a, int? b, string? category, double? agreed, double mbps)
    {
        NetworkDocument house = new HouseBuilder().Gateway().Box("ap", DeviceMode.AccessPoint, "192.168.31.2/24",
            dhcp: false).Cable("gw:lan1", "ap:lan1");
        Device Socket(Device box, double? speed) =>
            box with { Ports = [.. box.Ports.Select(port => port.Id == "lan1" ? port with { SpeedMbps = speed } : port)] };
        house = house.WithDevice("gw", box => Socket(box, a)).WithDevice("ap", box => Socket(box, b));
        house = house with { Cables = [house.Cables[0] with { Category = category, AgreedMbps = agreed }] };
        Assert.Equal(mbps, SocketRates.Of(house, new("gw", "lan1")));
        Assert.Null(SocketRates.Of(house, new("gw", "lan2")));
        Assert.Null(SocketRates.Of(house.WithDevice("ap", box => box with { Off = true }), new("gw", "lan1")));
    }

    [Fact]
    public void A_box_that_stands_in_its_place_is_in_use_without_a_cable()
    {
        NetworkDocument house = new HouseBuilder().Gateway().Box("ap", DeviceMode.AccessPoint, "192.168.31.2/24", dhcp: false);
        Assert.False(Simulator.Run(house).IsInUse("ap"));
        Assert.True(Simulator.Run(house.WithDevice("ap", box => box with { InUse = true })).IsInUse("ap"));
    }
}
