using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Simulation;

/// <summary>What stands beside a tread and a step: subnets, who gives out what, which address is handed over.</summary>
public class TreadLetteringTests
{
    private static Stairs Of(HouseBuilder house) => Stairs.Of(house.State);

    private static Tread First(HouseBuilder house) => Of(house).Treads.First(tread => tread.Depth == 1);

    [Fact]
    public void The_routers_subnet_is_named_and_no_other_of_a_thing_on_it() =>
        Assert.Equal(["192.168.31.0/24"], First(new HouseBuilder().Gateway().Thing("a", "gw:lan1", "10.1.2.3/8").Thing("b", "gw:lan2")).Subnets);

    [Fact]
    public void The_street_is_lettered_with_the_lines_own_subnet_once_it_was_seen()
    {
        NetworkDocument house = new HouseBuilder().Gateway();
        Assert.Empty(Stairs.Of(Simulator.Run(house)).Treads[0].Subnets);
        var seen = house with { Line = house.Line! with { Seen = new() { Address = InterfaceAddress.Parse("198.51.100.7/24"), Gateway = Ipv4Address.Parse("198.51.100.1") } } };
        Assert.Equal("198.51.100.0/24", Stairs.Of(Simulator.Run(seen)).Treads[0].Subnets[0]);
    }

    [Fact]
    public void A_gateway_in_pass_through_still_letters_its_own_subnet()
    {
        var house = new HouseBuilder().Gateway(mode: DeviceMode.Passthrough).Box("r").Cable("gw:lan1", "r:wan").Thing("a", "gw:lan2")
            .With(h => h.WithDevice("gw", d => d with { PassthroughTo = "r" }));
        Assert.Equal(["192.168.31.0/24"], Of(house).Treads.Single(tread => tread.Things.Contains("a")).Subnets);
        var step = Of(house).Steps.Single(step => step.Device == "r");
        Assert.Equal(("gw", 1), (step.PassedBy, step.Number));
    }

    [Fact]
    public void Without_a_router_the_things_own_subnet_stands_there_and_only_then_the_link_local_one()
    {
        HouseBuilder Alone(string? address) => new HouseBuilder().Box("s", DeviceMode.Switch, null).Thing("a", "s:lan1", address).Thing("b", "s:lan2");
        Assert.Equal(["192.168.5.0/24"], Of(Alone("192.168.5.9/24")).Treads.Single(tread => tread.Things.Contains("a")).Subnets);
        Assert.Equal(["169.254.0.0/16"], Of(Alone(null)).Treads.Single(tread => tread.Things.Contains("a")).Subnets);
    }

    [Theory]
    [InlineData("100-100", ".100")]
    [InlineData("100-101", ".100 to .101")]
    public void A_pool_is_said_by_its_ends_and_a_pool_of_one_by_its_address(string pool, string said)
    {
        var given = Assert.Single(First(new HouseBuilder().Gateway(dhcp: false).Box("r", pool: pool, address: "192.168.31.4/24").Cable("gw:lan1", "r:lan1")).Servers);
        Assert.Equal(("r", said), (given.Device, given.Pool));
    }

    [Fact]
    public void Every_name_on_the_air_of_a_tread_is_said_once()
    {
        WifiNetwork Named(string ssid) => new() { Radio = "2g", Ssid = ssid };
        var tread = First(new HouseBuilder().Gateway().With(h => h.WithDevice("gw", d => d with { Wifi = [Named("one"), Named("two")] }))
            .Box("ap", DeviceMode.AccessPoint, "192.168.31.2/24", with: d => d with { Wifi = [Named("one")] }).Cable("gw:lan1", "ap:lan1"));
        Assert.Equal(["one", "two"], tread.WifiNames);
    }

    [Fact]
    public void What_stands_on_the_table_is_on_a_tread_of_its_own_and_cut_off()
    {
        var table = Of(new HouseBuilder().Gateway().Box("idle", with: d => d with { Off = true })).Treads.Single(tread => tread.IsTable);
        Assert.Equal((true, 1), (table.IsCutOff, table.Boxes.Length));
        Assert.DoesNotContain(Of(new HouseBuilder().Gateway()).Treads, tread => tread.IsTable);
    }

    [Fact]
    public void A_step_without_a_lease_holds_nothing_and_one_with_its_wan_free_hangs_on_nothing()
    {
        var plugged = Of(new HouseBuilder().Gateway(dhcp: false).Box("r").Cable("gw:lan1", "r:wan").Thing("a", "r:lan1")).Steps.Single(step => step.Device == "r");
        Assert.Empty(plugged.Outside);
        Assert.NotNull(plugged.Upper);
        var free = Of(new HouseBuilder().Gateway().Box("r").Thing("a", "r:lan1")).Steps.Single(step => step.Device == "r");
        Assert.Null(free.Upper);
        Assert.Equal(("192.168.1.1/24", 1), (free.Inside, free.Number));
    }

    /// <summary>Each router's guests have a subnet of their own: 192.168.200.0/24 for the first box of the document, and never the home's.</summary>
    [Theory]
    [InlineData("192.168.31.1/24", "192.168.200.0/24", "192.168.201.0/24")]
    [InlineData("192.168.200.1/24", "192.168.136.0/24", "192.168.201.0/24")]
    public void Guests_have_a_subnet_of_their_own(string own, string first, string second)
    {
        static Device Guests(Device d) => d with { Wifi = [new() { Radio = "2g", Ssid = "visitors", Guest = true }] };
        var treads = Of(new HouseBuilder().Gateway(own).With(h => h.WithDevice("gw", Guests)).Box("r", with: Guests).Cable("gw:lan1", "r:wan")).Treads.Where(tread => tread.GuestsOf is not null).ToList();
        Assert.Equal([(first, "gw"), (second, "r")], treads.Select(tread => (tread.Subnets.Single(), tread.GuestsOf!)).OrderBy(one => one.Item2, StringComparer.Ordinal));
    }

    [Fact]
    public void A_lease_names_the_servers_dns_or_the_server_itself()
    {
        Candidate Lease(Func<Device, Device> with) => new HouseBuilder().Gateway().With(h => h.WithDevice("gw", with)).Thing("a", "gw:lan1").State.Net("a")!.Candidates.Single();
        Assert.Equal([Ipv4Address.Parse("192.168.31.1")], Lease(d => d).Dns);
        Assert.Equal([Ipv4Address.Parse("192.0.2.53")], Lease(d => d with { Lan = d.Lan! with { DhcpServer = d.Lan.DhcpServer! with { Dns = [Ipv4Address.Parse("192.0.2.53")] } } }).Dns);
    }
}
