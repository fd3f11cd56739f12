using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Needs;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Rules;

/// <summary>Just these name servers, a router's own address standing for those of its WAN.</summary>
[Trait("source", "RFC 5625 (a home router passes questions on), RFC 2132 section 3.8 (the option)")]
public class DnsNeedTests
{
    private static Ipv4Address[] Servers(string list) => [.. list.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(Ipv4Address.Parse)];

    private static string Met(HouseBuilder house, string wanted, string? endpoint = "a") =>
        NeedBook.Judge(new(house.State), new Need.Dns { Id = "n", Endpoint = endpoint, Servers = [.. Servers(wanted)] }) is { Because: [_, .., '.'] } verdict ? verdict.Met.ToString()! : "no reason";

    [Theory]
    [InlineData("", "", "", "203.0.113.1", "Yes")]                                  // all the way up: the provider's
    [InlineData("", "", "", "192.168.31.1", "No")]                                  // the router's own address stands for others
    [InlineData("192.0.2.1 192.0.2.2", "", "", "192.0.2.2 192.0.2.1", "Yes")]       // set on its WAN, in any order
    [InlineData("192.0.2.1 192.0.2.2", "", "", "192.0.2.1", "No")]                  // exactly these
    [InlineData("192.0.2.1", "198.51.100.3", "", "198.51.100.3", "Yes")]            // given with the lease
    [InlineData("192.0.2.1", "192.168.31.1 198.51.100.3", "", "192.0.2.1 198.51.100.3", "Yes")]
    [InlineData("", "198.51.100.3", "192.0.2.9", "192.0.2.9", "Yes")]               // set at the thing itself
    public void A_thing_asks_just_these(string wan, string lease, string own, string wanted, string met) => Assert.Equal(met, Met(new HouseBuilder().Gateway().Thing("a", "gw:lan1")
        .With(h => h.WithDevice("gw", d => d with { Wan = d.Wan! with { Dns = [.. Servers(wan)] }, Lan = d.Lan! with { DhcpServer = d.Lan.DhcpServer! with { Dns = [.. Servers(lease)] } } })
            .WithEndpoint("a", e => e with { Address = e.Address with { Dns = [.. Servers(own)] } })), wanted));

    [Fact]
    public void Behind_two_routers_the_outer_ones_count() => Assert.Equal("Yes", Met(new HouseBuilder().Gateway().Box("in").Cable("gw:lan1", "in:wan").Thing("a", "in:lan1")
        .With(h => h.WithDevice("gw", d => d with { Wan = d.Wan! with { Dns = [.. Servers("192.0.2.1")] } })), "192.0.2.1"));

    [Fact]
    public void Without_a_thing_named_each_with_internet_counts_and_no_other()
    {
        var house = new HouseBuilder().Gateway().Thing("a", "gw:lan1").Thing("cut", "gw:lan2", "10.9.9.9", "10.9.9.1");
        Assert.Equal("Yes", Met(house, "203.0.113.1", null));
        Assert.Equal("No", Met(house.Thing("b", "gw:lan3", "192.168.31.9", "192.168.31.1"), "203.0.113.1 192.0.2.1", null));
    }

    [Fact]
    public void Two_servers_that_give_different_ones_make_it_chance() => Assert.Equal("Sometimes", Met(new HouseBuilder().Gateway().Box("rival", address: "192.168.31.2/24", pool: "200-220")
        .Cable("gw:lan1", "rival:lan1").Thing("a", "gw:lan2").With(h => h.WithDevice("rival", d => d with { Lan = d.Lan! with { DhcpServer = d.Lan.DhcpServer! with { Dns = [.. Servers("192.0.2.1")] } } })), "192.0.2.1"));
}
