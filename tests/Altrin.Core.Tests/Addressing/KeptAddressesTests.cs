using Altrin.Core.Actions;
using Altrin.Core.Addressing;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Addressing;

/// <summary>Several things keep their addresses at once; who cannot is told why.</summary>
public class KeptAddressesTests
{
    [Theory, MemberData(nameof(Examples.All), MemberType = typeof(Examples))]
    public void Once_reserved_every_thing_has_the_address_it_had_and_nothing_is_left_to_reserve(string example)
    {
        var house = Examples.House(example);
        var before = Simulator.Run(house);
        var kept = KeptAddresses.Of(before, house.Endpoints.Select(thing => thing.Id));
        Assert.Equal(house.Endpoints.Length, kept.Actions.Length + kept.Not.Length);
        if (kept.Actions.IsEmpty) return;
        var attempt = ActionRunner.DoAll(house, kept.Actions);
        Assert.True(attempt.House is not null, attempt.Problem?.Message);
        var after = Simulator.Run(attempt.House!);
        foreach (var reserved in kept.Actions.Cast<ReserveAddress>())
        {
            var thing = house.Endpoints.First(one => one.Mac == reserved.Mac).Id;
            Assert.Equal(reserved.Address, Assert.Single(after.Net(thing)!.Candidates).Address!.Value.Address);
        }
        Assert.Empty(KeptAddresses.Of(after, house.Endpoints.Select(thing => thing.Id)).Actions);
    }

    [Fact]
    public void Who_cannot_have_one_is_told_why()
    {
        var house = Examples.House("larkspur-house");
        string Why(NetworkDocument changed, string thing) => Assert.Single(KeptAddresses.Of(Simulator.Run(changed), [thing, thing, "nobody"]).Not).Why;
        Assert.Equal("its address is fixed in itself", Why(house, "printer"));
        Assert.Equal("its MAC is not noted", Why(house.WithEndpoint("work-laptop", thing => thing with { Mac = null }), "work-laptop"));
        Assert.Equal("nobody gives it an address", Why(house.WithEndpoint("work-laptop", thing => thing with { Connect = null }), "work-laptop"));
        Assert.Equal("Studio router is left as found", Why(house.WithDevice("studio", box => box with { LeaveAsFound = true }), "work-laptop"));
    }
}
