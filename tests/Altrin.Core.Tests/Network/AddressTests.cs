using System.Net;
using Altrin.Core.Network;

namespace Altrin.Core.Tests.Network;

public class AddressTests
{
    [Theory, Trait("source", "RFC 6943 section 3.1.1 (leading zeros are ambiguous)")]
    [InlineData("192.168.1.1", true)]
    [InlineData("0.0.0.0", true)]
    [InlineData("255.255.255.255", true)]
    [InlineData("192.168.1.01", false)]     // .1 or octal
    [InlineData("192.168.1", false)]        // short form
    [InlineData("0xC0.168.1.1", false)]
    [InlineData("3232235777", false)]
    [InlineData("192.168.1.256", false)]
    [InlineData(" 192.168.1.1", false)]
    [InlineData("::1", false)]
    [InlineData("", false)]
    public void Only_the_plain_dotted_quad_is_an_address(string text, bool isOne)
    {
        Assert.Equal(isOne, Ipv4Address.TryParse(text, out var address));
        if (isOne) Assert.Equal(text, address.ToString());
    }

    [Theory, Trait("source", "RFC 1918 section 3")]
    [InlineData("9.255.255.255", false)]
    [InlineData("10.0.0.0", true)]
    [InlineData("10.255.255.255", true)]
    [InlineData("172.15.255.255", false)]
    [InlineData("172.16.0.0", true)]
    [InlineData("172.31.255.255", true)]
    [InlineData("172.32.0.0", false)]
    [InlineData("192.168.0.0", true)]
    [InlineData("192.168.255.255", true)]
    [InlineData("192.169.0.0", false)]
    public void The_private_ranges_have_their_published_ends(string address, bool isPrivate) =>
        Assert.Equal(isPrivate, AddressRanges.IsPrivate(Ipv4Address.Parse(address)));

    [Theory, Trait("source", "RFC 6598 section 7; RFC 3927 section 2.1; RFC 1918; RFC 5737")]
    [InlineData("100.63.255.255", false)]
    [InlineData("100.64.0.0", true)]
    [InlineData("100.127.255.255", true)]
    [InlineData("100.128.0.0", false)]
    [InlineData("169.253.255.255", false)]
    [InlineData("169.254.0.0", true)]
    [InlineData("169.254.255.255", true)]
    [InlineData("169.255.0.0", false)]
    [InlineData("203.0.113.10", false)]     // documentation, but routed in examples
    public void What_dies_at_the_line_is_private_shared_or_link_local(string address, bool dies) =>
        Assert.Equal(dies, AddressRanges.DiesAtTheLine(Ipv4Address.Parse(address)));

    [Fact, Trait("source", "RFC 5737 section 3")]
    public void The_documentation_ranges_are_the_three_test_nets() =>
        Assert.Equal(["192.0.2.0/24", "198.51.100.0/24", "203.0.113.0/24"], AddressRanges.Documentation.Select(range => range.ToString()));

    [Theory, Trait("source", "RFC 4632 section 3.1; RFC 950; RFC 3021 for /31")]
    [InlineData("192.168.31.0/24", "192.168.31.1", "192.168.31.254", "192.168.31.255", 254)]
    [InlineData("10.20.3.192/26", "10.20.3.193", "10.20.3.254", "10.20.3.255", 62)]
    [InlineData("10.0.0.0/8", "10.0.0.1", "10.255.255.254", "10.255.255.255", 16777214)]
    [InlineData("192.0.2.4/30", "192.0.2.5", "192.0.2.6", "192.0.2.7", 2)]
    [InlineData("192.0.2.4/31", "192.0.2.4", "192.0.2.5", "192.0.2.5", 2)]
    [InlineData("192.0.2.4/32", "192.0.2.4", "192.0.2.4", "192.0.2.4", 1)]
    [InlineData("0.0.0.0/0", "0.0.0.1", "255.255.255.254", "255.255.255.255", 4294967294)]
    public void A_prefix_has_its_usable_range_and_broadcast(string text, string first, string last, string broadcast, long usable)
    {
        var prefix = Prefix.Parse(text);
        Assert.Equal(
            (first, last, broadcast, usable),
            (prefix.FirstUsable.ToString(), prefix.LastUsable.ToString(), prefix.Broadcast.ToString(), prefix.Usable));
        Assert.Equal(text, prefix.ToString());
    }

    [Theory]
    [InlineData("10.1.0.0/8")]              // host bits set
    [InlineData("10.0.0.0/33")]
    [InlineData("10.0.0.0/-1")]
    [InlineData("10.0.0.0/08")]
    [InlineData("10.0.0.0")]
    [InlineData("10.0.0.0/")]
    public void A_prefix_with_host_bits_or_a_bad_length_is_refused(string text) => Assert.False(Prefix.TryParse(text, out _));

    [Fact, Trait("source", "System.Net.IPNetwork as a second implementation")]
    public void Containment_agrees_with_the_platforms_own()
    {
        var random = new Random(4632);
        for (var i = 0; i < 5000; i++)
        {
            var (address, length) = (new Ipv4Address((uint)random.NextInt64(1L << 32)), random.Next(33));
            var prefix = Prefix.Of(new((uint)random.NextInt64(1L << 32) & 0xC0FFFFFF | address.Value & 0x3F000000), length);
            var theirs = IPNetwork.Parse(prefix.ToString());
            Assert.Equal(theirs.Contains(IPAddress.Parse(address.ToString())), prefix.Contains(address));
        }
    }

    [Theory]
    [InlineData("192.168.0.0/16", "192.168.31.0/24", true)]
    [InlineData("192.168.31.0/24", "192.168.0.0/16", true)]
    [InlineData("192.168.31.0/25", "192.168.31.128/25", false)]
    [InlineData("0.0.0.0/0", "203.0.113.0/24", true)]
    public void Prefixes_overlap_when_one_holds_the_other(string a, string b, bool overlap) =>
        Assert.Equal(overlap, Prefix.Parse(a).Overlaps(Prefix.Parse(b)));

    [Theory, Trait("source", "RFC 2131 section 4.3.1")]
    [InlineData("192.168.31.99", false)]    // the last address before it
    [InlineData("192.168.31.100", true)]    // its first
    [InlineData("192.168.31.199", true)]    // its last
    [InlineData("192.168.31.200", false)]
    public void Both_ends_belong_to_the_pool(string address, bool inside) =>
        Assert.Equal(inside, new AddressPool(Ipv4Address.Parse("192.168.31.100"), Ipv4Address.Parse("192.168.31.199")).Contains(Ipv4Address.Parse(address)));

    [Fact]
    public void A_pool_upside_down_cannot_be_made() =>
        Assert.Throws<ArgumentException>(() => new AddressPool(Ipv4Address.Parse("10.0.0.2"), Ipv4Address.Parse("10.0.0.1")));

    [Theory, Trait("source", "IEEE 802 (group and local bits); RFC 7042 section 2.1.1 (documentation range)")]
    [InlineData("00:00:5E:00:53:01", false, false)]
    [InlineData("02:00:5E:10:00:01", true, false)]
    [InlineData("01:00:5E:90:10:00", false, true)]
    [InlineData("FF:FF:FF:FF:FF:FF", true, true)]
    public void A_mac_tells_who_gave_it_and_whether_it_is_a_group(string text, bool local, bool group)
    {
        var mac = MacAddress.Parse(text);
        Assert.Equal((local, group, text), (mac.IsLocallyAdministered, mac.IsGroup, mac.ToString()));
    }

    /// <summary>One end said, in a /24 whose pool runs from .100 to .199: the other stays where it may, else the pool keeps its length.</summary>
    [Theory]
    [InlineData("192.168.44.150", null, "192.168.44.150 to 192.168.44.199")]
    [InlineData("192.168.44.199", null, "192.168.44.199 to 192.168.44.199")]
    [InlineData("192.168.44.210", null, "192.168.44.210 to 192.168.44.254")]
    [InlineData(null, "192.168.44.250", "192.168.44.100 to 192.168.44.250")]
    [InlineData(null, "192.168.44.50", "192.168.44.1 to 192.168.44.50")]
    [InlineData("192.168.45.10", null, null)]
    [InlineData("192.168.44.255", null, null)]
    [InlineData(null, "192.168.43.10", null)]
    public void A_pool_of_which_one_end_is_said_follows(string? start, string? end, string? pool)
    {
        var was = new AddressPool(Ipv4Address.Parse("192.168.44.100"), Ipv4Address.Parse("192.168.44.199"));
        var subnet = Prefix.Parse("192.168.44.0/24");
        Assert.Equal(pool, AddressPool.Following(was, subnet, At(start), At(end))?.ToString());
    }

    [Fact]
    public void A_pool_keeps_its_length_where_there_is_room()
    {
        var was = new AddressPool(Ipv4Address.Parse("10.0.0.10"), Ipv4Address.Parse("10.0.0.49"));
        Assert.Equal("10.0.2.10 to 10.0.2.49", AddressPool.Following(was, Prefix.Parse("10.0.0.0/22"), At("10.0.2.10"), null)?.ToString());
        // One that nobody has looked at is as most are sold.
        Assert.Equal("192.168.0.120 to 192.168.0.199", AddressPool.Following(null, Prefix.Parse("192.168.0.0/24"), At("192.168.0.120"), null)?.ToString());
        Assert.Equal("192.168.0.100 to 192.168.0.220", AddressPool.Following(null, Prefix.Parse("192.168.0.0/24"), null, At("192.168.0.220"))?.ToString());
    }

    private static Ipv4Address? At(string? address) => address is null ? null : Ipv4Address.Parse(address);

    [Theory]
    [InlineData("00-00-5e-00-53-01", true)]
    [InlineData("00:00:5e:00:53:1", false)]
    [InlineData("00005E005301", false)]
    [InlineData("00:00:5E:00:53:0G", false)]
    public void A_mac_is_six_pairs(string text, bool isOne) => Assert.Equal(isOne, MacAddress.TryParse(text, out _));

    [Theory]
    [InlineData("192.168.1.5", "192.168.1.5/24")]
    [InlineData("192.168.1.5/16", "192.168.1.5/16")]
    public void A_bare_address_means_a_slash_24(string text, string meant) => Assert.Equal(meant, InterfaceAddress.Parse(text).ToString());

    [Theory]
    [InlineData("192.168.1.0/24", 0, "192.168.1.2")]      // .1 is the router's place by custom
    [InlineData("192.168.1.0/24", 250, "192.168.1.252")]
    [InlineData("192.168.1.0/29", 4, "192.168.1.6")]
    [InlineData("192.168.1.0/29", 5, "192.168.1.1")]      // before there is none at all, the first
    [InlineData("192.168.1.0/29", 6, null)]
    public void The_lowest_free_address_but_the_first_comes_before_the_highest(string prefix, int taken, string? free)
    {
        var subnet = Prefix.Parse(prefix);
        // So many from the second on are held, then the first.
        bool IsTaken(Ipv4Address address) => address == subnet.FirstUsable ? taken >= subnet.Usable : address.Value - subnet.FirstUsable.Value <= taken;
        Assert.Equal(free, subnet.FirstFree(IsTaken)?.ToString());
    }
}
