using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Rules;

public class NeedTests
{
    private static NeedVerdict Judge(HouseBuilder house, Need need) =>
        Evaluation.Of(house.With(h => h with { Needs = [need] })).Wants.Single();

    private static HouseBuilder OneNet() => new HouseBuilder().Gateway().Thing("a", "gw:lan1").Thing("b", "gw:lan2", services: new Service { Protocol = TransportProtocol.Tcp, Port = 80 });

    [Fact, Trait("source", "RFC 6762 section 2 (multicast DNS is link-local)")]
    public void To_be_found_by_name_both_must_be_on_one_segment()
    {
        var house = new HouseBuilder().Gateway().Box("r").Cable("gw:lan1", "r:wan").Thing("in", "r:lan1").Thing("out", "gw:lan2");
        var need = new Need.Reach { Id = "n", From = "in", To = "out" };
        Assert.Equal(Answer.Yes, Judge(house, need).Met);
        Assert.Equal((Answer.No, "in finds and uses out"), (Judge(house, need with { Discovery = true }).Met, Judge(house, need with { Discovery = true }).Sentence));
    }

    [Fact]
    public void A_port_is_said_and_decides_nothing()
    {
        var verdict = Judge(OneNet(), new Need.Reach { Id = "n", From = "a", To = "b", Port = 81 });
        Assert.Equal((Answer.Yes, "a reaches b on tcp 81"), (verdict.Met, verdict.Sentence));
    }

    [Theory]
    [InlineData(null, "No")]                    // whatever it is given
    [InlineData("192.168.31.50", "Yes")]        // static, outside the pool
    [InlineData("192.168.31.150", "No")]        // static, inside it
    public void A_fixed_address_is_one_that_no_server_may_hand_out(string? address, string met) =>
        Assert.Equal(met, Judge(new HouseBuilder().Gateway().Thing("a", "gw:lan1", address, "192.168.31.1"), new Need.FixedAddress { Id = "n", Endpoint = "a" }).Met.ToString());

    [Fact]
    public void A_reservation_is_a_fixed_address_too()
    {
        const string Mac = "00:00:5E:00:53:20";
        var house = new HouseBuilder().Gateway().Thing("a", "gw:lan1", mac: Mac).With(h => h.WithDevice("gw", d => d with
        { Lan = d.Lan! with { DhcpServer = d.Lan.DhcpServer! with { Reservations = [new() { Mac = MacAddress.Parse(Mac), Address = Ipv4Address.Parse("192.168.31.20") }] } } }));
        Assert.Equal("192.168.31.20 is reserved for it.", Judge(house, new Need.FixedAddress { Id = "n", Endpoint = "a" }).Because);
    }

    [Theory]
    [InlineData("00:00:5E:00:53:20", "Yes")]
    [InlineData("00:00:5E:00:53:21", "No")]     // reserved for another, who may be given it
    public void A_fixed_address_may_be_reserved_for_its_holder_and_for_nobody_else(string reservedFor, string met)
    {
        foreach (var address in new[] { "192.168.31.20", "192.168.31.150" })
        {
            var house = new HouseBuilder().Gateway().Thing("a", "gw:lan1", address, "192.168.31.1", "00:00:5E:00:53:20").With(h => h.WithDevice("gw", d => d with
            { Lan = d.Lan! with { DhcpServer = d.Lan.DhcpServer! with { Reservations = [new() { Mac = MacAddress.Parse(reservedFor), Address = Ipv4Address.Parse(address) }] } } }));
            Assert.Equal(met, Judge(house, new Need.FixedAddress { Id = "n", Endpoint = "a" }).Met.ToString());
            Assert.Equal(met == "No", Evaluation.Of(house).Findings.Any(finding => finding.Rule == "static-in-pool"));
        }
    }

    [Fact]
    public void A_carriers_translation_does_not_count_against_a_single_one_in_the_home() =>
        Assert.Equal(Answer.Yes, Judge(new HouseBuilder().Gateway(addressing: LineAddressing.Shared).Thing("a", "gw:lan1"), new Need.SingleNat { Id = "n", Endpoint = "a" }).Met);

    [Theory]
    [InlineData("192.168.0.0/16", "No")]
    [InlineData("10.0.0.0/8", "Yes")]
    public void A_tunnel_wants_its_prefix_for_itself(string prefix, string met) =>
        Assert.Equal(met, Judge(OneNet(), new Need.Tunnel { Id = "n", Prefix = Prefix.Parse(prefix) }).Met.ToString());

    [Fact]
    public void One_name_means_one_name_security_and_key()
    {
        WifiNetwork Net(string name, string key) => new() { Radio = "2g", Ssid = name, Security = WifiSecurity.Wpa2, Key = key };
        HouseBuilder House(WifiNetwork a, WifiNetwork b) => new HouseBuilder().Gateway().With(h => h.WithDevice("gw", d => d with { Wifi = [a] })).Box("ap", DeviceMode.AccessPoint, with: d => d with { Wifi = [b] }).Cable("gw:lan1", "ap:lan1");
        var need = new Need.OneName { Id = "n" };
        Assert.Equal(Answer.Yes, Judge(House(Net("home", "k"), Net("home", "k")), need).Met);
        Assert.Equal(Answer.No, Judge(House(Net("home", "k"), Net("home", "other")), need).Met);
        Assert.Equal(Answer.No, Judge(House(Net("home", "k"), Net("loft", "k")), need).Met);
        Assert.Equal(Answer.Yes, Judge(House(Net("home", "k"), Net("loft", "k")), new Need.OwnNames { Id = "n" }).Met);
    }

    [Fact]
    public void Every_kind_of_want_is_computed()
    {
        var heard = Enumerable.Range(0, 60).Select(Houses.Rich).SelectMany(house => house.Needs.Zip(Evaluation.Of(house).Wants, (need, want) => (need.Kind, IsComputed: want.Met is not null))).Distinct().ToList();
        Assert.Equal(Enum.GetValues<NeedKind>().Select(kind => (kind, true)), heard.Order());
    }
}
