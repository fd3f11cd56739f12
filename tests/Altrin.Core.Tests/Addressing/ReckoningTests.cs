using System.Net;
using Altrin.Core.Addressing;
using Altrin.Core.Network;

namespace Altrin.Core.Tests.Addressing;

/// <summary>The installer's arithmetic, held against worked values of the RFCs and against <see cref="IPNetwork"/>.</summary>
public class ReckoningTests
{
    /// <summary>RFC 4632 section 3.1 (prefix lengths), RFC 950 (masks), RFC 3021 (/31).</summary>
    [Theory]
    [InlineData("10.20.3.200/26", "10.20.3.192/26", "10.20.3.193", "10.20.3.254", "10.20.3.255", "255.255.255.192", 62)]
    [InlineData("192.168.1.77", "192.168.1.0/24", "192.168.1.1", "192.168.1.254", "192.168.1.255", "255.255.255.0", 254)]
    [InlineData("172.16.5.130 255.255.255.128", "172.16.5.128/25", "172.16.5.129", "172.16.5.254", "172.16.5.255", "255.255.255.128", 126)]
    [InlineData("172.16.5.130 0.0.0.127", "172.16.5.128/25", "172.16.5.129", "172.16.5.254", "172.16.5.255", "255.255.255.128", 126)]
    [InlineData("198.51.100.21/30", "198.51.100.20/30", "198.51.100.21", "198.51.100.22", "198.51.100.23", "255.255.255.252", 2)]
    [InlineData("192.0.2.4/31", "192.0.2.4/31", "192.0.2.4", "192.0.2.5", "192.0.2.5", "255.255.255.254", 2)]
    [InlineData("203.0.113.9/32", "203.0.113.9/32", "203.0.113.9", "203.0.113.9", "203.0.113.9", "255.255.255.255", 1)]
    [InlineData("0.0.0.0/0", "0.0.0.0/0", "0.0.0.1", "255.255.255.254", "255.255.255.255", "0.0.0.0", 4294967294)]
    public void Worked_values(string asked, string prefix, string first, string last, string broadcast, string mask, long hosts)
    {
        var one = Reckoning.Of(asked)!;
        Assert.Equal((prefix, first, last, broadcast, mask, hosts), (one.Prefix, one.First, one.Last, one.Broadcast, one.Mask, one.Hosts));
    }

    [Fact, Trait("source", "System.Net.IPNetwork")]
    public void Any_address_and_length_is_in_the_network_that_another_library_finds()
    {
        var random = new Random(11);
        for (var n = 0; n < 4000; n++)
        {
            var (address, length) = (new Ipv4Address((uint)random.NextInt64(1L << 32)), random.Next(33));
            var one = Reckoning.Of($"{address}/{length}")!;
            var theirs = IPNetwork.Parse(one.Prefix);
            Assert.Equal((length, one.Network), (theirs.PrefixLength, theirs.BaseAddress.ToString()));
            Assert.True(theirs.Contains(IPAddress.Parse(address.ToString())) && theirs.Contains(IPAddress.Parse(one.First)) && theirs.Contains(IPAddress.Parse(one.Last)));
            var after = (ulong)Ipv4Address.Parse(one.Broadcast).Value + 1;
            Assert.True(after > uint.MaxValue || !theirs.Contains(IPAddress.Parse(new Ipv4Address((uint)after).ToString())));
        }
    }

    [Theory]
    [InlineData("192.168.0.9", "RFC 1918")]
    [InlineData("172.32.0.1", "public")]
    [InlineData("100.64.0.1", "RFC 6598")]
    [InlineData("100.128.0.1", "public")]
    [InlineData("169.254.9.9", "RFC 3927")]
    [InlineData("198.51.100.7", "RFC 5737")]
    [InlineData("127.0.0.1", "RFC 6890")]
    [InlineData("224.0.0.22", "RFC 6890")]
    public void What_kind_it_is(string asked, string says) => Assert.Contains(says, Reckoning.Of(asked)!.Kind, StringComparison.Ordinal);

    [Theory]
    [InlineData("192.168.1.255", "broadcast")]
    [InlineData("192.168.1.0/25", null)]
    [InlineData("192.168.1.0 255.255.255.0", null)]
    [InlineData("192.168.1.128/24", "a host may hold it")]
    [InlineData("192.168.1.127/25", "broadcast")]
    [InlineData("192.0.2.4/31", "a host may hold it")]
    public void What_the_address_is_in_it(string asked, string? says)
    {
        var role = Reckoning.Of(asked)!.Role;
        if (says is null) Assert.Null(role);
        else Assert.Contains(says, role, StringComparison.Ordinal);
    }

    [Fact]
    public void It_says_what_of_this_house_it_meets()
    {
        var state = new HouseBuilder().Gateway().Thing("a", "gw:lan1", "192.168.31.9/24").With(h => h with { Needs = [new Need.Tunnel { Id = "t", Prefix = Prefix.Parse("10.0.0.0/8") }] }).State;
        Assert.Equal(["overlaps the work tunnel 10.0.0.0/8"], Reckoning.Of("10.20.3.200/26", state)!.Clashes);
        Assert.Equal(["is 192.168.31.0/24 of this house", "held by a"], Reckoning.Of("192.168.31.9", state)!.Clashes);
        Assert.Equal(["overlaps 192.168.31.0/24 of this house"], Reckoning.Of("192.168.0.0/16", state)!.Clashes);
        Assert.Contains(Reckoning.Of("203.0.113.77", state)!.Clashes, clash => clash.EndsWith("of the line", StringComparison.Ordinal));
        Assert.Empty(Reckoning.Of("172.16.0.0/12", state)!.Clashes);
    }

    [Theory]
    [InlineData("")]
    [InlineData("hello")]
    [InlineData("192.168.1")]
    [InlineData("192.168.1.1/33")]
    [InlineData("192.168.1.1/-1")]
    [InlineData("192.168.1.1 255.0.255.0")]
    [InlineData("1.2.3.4 5.6.7.8 9")]
    [InlineData("192.168.1.1/24/24")]
    public void What_is_no_address_is_refused(string asked) => Assert.Null(Reckoning.Of(asked));
}
