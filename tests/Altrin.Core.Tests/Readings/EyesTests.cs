using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Readings.Eyes;
using Altrin.Core.Readings.Parsers;
using Altrin.Core.Simulation;
using Altrin.Core.Visit;

namespace Altrin.Core.Tests.Readings;

/// <summary>What a laptop looks at by itself, and what it never asks.</summary>
public class EyesTests
{
    /// <summary>RFC 1918 and RFC 3927 are asked; RFC 5737, RFC 6598, loopback and multicast are not of a house.</summary>
    [Theory]
    [InlineData("10.0.0.1", true), InlineData("172.16.0.1", true), InlineData("192.168.255.254", true), InlineData("169.254.7.7", true)]
    [InlineData("192.0.2.1", false), InlineData("100.64.0.1", false), InlineData("127.0.0.1", false), InlineData("224.0.0.251", false),
        InlineData("172.32.0.1", false)]
    public void Only_addresses_of_a_house_are_asked(string address, bool may)
    {
        var at = Ipv4Address.Parse(address);
        Assert.Equal(may, Manners.Refuse(at) is null);
        Assert.Equal(may, Manners.Refuse(new Glance([], [at])) is null);
        var eyes = new SimulatedEyes(Simulator.Run(Examples.House("larkspur-house")), "nobody");
        if (!may) Assert.Throws<ArgumentException>(() => { _ = eyes.Look(new([at], []), TestContext.Current.CancellationToken); });
    }

    [Theory]
    [InlineData("192.168.7.20/24", 253, null), InlineData("10.1.0.9/22", 1021, null), InlineData("10.1.0.9/16", 0, "1022"),
        InlineData("192.0.2.9/24", 0, "private")]
    [InlineData("169.254.3.3/16", 0, "private")]
    public void Its_own_subnet_is_asked_and_no_larger_one(string address, int count, string? why)
    {
        var (all, refused) = Manners.OwnSubnet(Reading(new SeenAdapter("eth0") { Address = address }));
        Assert.Equal(count, all.Length);
        if (why is null) Assert.Null(refused);
        else Assert.Contains(why, refused, StringComparison.Ordinal);
        Assert.DoesNotContain(Ipv4Address.Parse(address.Split('/')[0]), all);
    }

    [Fact]
    public void What_one_tool_leaves_out_another_says()
    {
        var merged = OneReading.Of([Reading(new SeenAdapter("eth0") { Gateway = "192.168.7.1" }),
            Reading(new SeenAdapter("eth0") { Address = "192.168.7.9/24", Method = "dhcp", Kind = AdapterKind.Ethernet })]);
        var adapter = Assert.Single(merged.Adapters);
        Assert.Equal(("192.168.7.9/24", "192.168.7.1", "dhcp", AdapterKind.Ethernet),
            (adapter.Address, adapter.Gateway, adapter.Method, adapter.Kind));
    }

    /// <summary>A simulated laptop at the gateway shows what the simulator says, and of a house that is written down as it is proposes no
    /// thing that is there already.</summary>
    [Theory, MemberData(nameof(Examples.All), MemberType = typeof(Examples))]
    public async Task A_simulated_laptop_shows_what_the_simulator_says(string example)
    {
        var house = Laptop.Away(Examples.House(example));
        var socket = house.Devices.Select(box => house.FreePort(box, PortRole.Lan) is { } port ? new Socket(box.Id, port.Id)
            : null).FirstOrDefault(one => one is not null);
        Assert.SkipWhen(socket is null, "No socket is free.");
        var state = Simulator.Run(ActionRunner.DoAll(house, [new PlugLaptop(socket!)]).House!);
        var net = state.Net(Laptop.Id)!;
        var eyes = new SimulatedEyes(state, Laptop.Id);
        var plain = (await eyes.Look(Glance.Plain, TestContext.Current.CancellationToken)).Reading;
        var adapter = Assert.Single(plain.Adapters);
        Assert.Equal(net.Candidates.FirstOrDefault()?.Address?.ToString(), adapter.Address);
        Assert.Contains("\"format\":\"altrin.reading/1\"", ReadingWriter.Write(plain), StringComparison.Ordinal);
        var (all, why) = Manners.OwnSubnet(plain);
        if (why is not null) return;
        var swept = (await eyes.Look(new(all, [all[0]]), TestContext.Current.CancellationToken)).Reading;
        Assert.All(swept.Neighbours,
            one => Assert.Contains(state.HoldersOf(Ipv4Address.Parse(one.Address!)), held => held.Segment == net.Segment
            && $"{held.Mac}" == one.Mac));
        Assert.All(swept.Pings, one => Assert.Equal(state.Ping(Laptop.Id, Ipv4Address.Parse(one.Target)) != Answer.No, one.Received == 1));
        // Who holds a number out of a pool that nobody has looked at is not known, and not said.
        Assert.True(swept.Pings.Length == all.Length || (example == "pool-not-looked-at" && swept.Pings.Length >= all.Length - house.Endpoints.Length - 1));
        var known = house.Endpoints.Select(one => one.Mac).Concat(house.Devices.Select(one => one.Mac)).OfType<MacAddress>().Select(one =>
            $"{one}").ToHashSet();
        Assert.DoesNotContain(Paste.Of(house, swept with { Pings = [] }, null, isWhole: true).Proposals, one => one.IsThing
            && one.Mac is not null
            && known.Contains(one.Mac));
    }

    private static PastedReading Reading(SeenAdapter adapter) => new("ip-addr", null, [adapter], [], [], [], [], []);
}
