using Altrin.Core.Actions;
using Altrin.Core.Air;
using Altrin.Core.Network;
using Altrin.Core.Simulation;
using static Altrin.Core.Tests.Air.AirHouses;

namespace Altrin.Core.Tests.Air;

/// <summary>One name, a name a box, a suffix: what each makes, and on whom it has to be typed anew.</summary>
[Trait("source", "common practice, no source")]
public class NameSchoolTests
{
    private static HouseBuilder House() => Gateway(3, wifi: [Home("2g", 1), Home("5g", 36)]).Point("den", "r1", Home("2g", 6, ssid: "den")).Joins("rep", "r2", Up("5g"), wifi: [Home("2g"), Home("5g")])
        .Thing("phone", "~home").Thing("printer", "~den")
        .With(h => h with { Endpoints = [.. h.Endpoints.Select(thing => thing with { Kind = thing.Id, Room = thing.Id == "printer" ? "r1" : "r0", Connect = (thing.Connect as Attachment.Join)! with { Security = WifiSecurity.Wpa2, Key = "k" } })] });

    private static NameSchool School(NetworkDocument house, string id, bool apart = false) => NameSchools.Of(Simulator.Run(house), apart).Single(one => one.Id == id);

    private static string[] NamesOf(NetworkDocument house) => [.. house.Devices.SelectMany(box => box.Wifi).Select(network => network.Ssid)];

    [Fact]
    public void One_name_touches_who_was_on_another()
    {
        var one = School(House(), "one");
        Assert.Equal(["printer"], one.Touches);
        Assert.Equal(["home", "home", "home", "home", "home"], NamesOf(one.Actions.Apply(House())));
        Assert.True(School(one.Actions.Apply(House()), "one").IsNow);
    }

    [Fact]
    public void A_name_a_box_leaves_what_has_a_name_of_its_own()
    {
        var own = School(House(), "own");
        // The repeater takes the name of its room; nothing was on it.
        Assert.Empty(own.Touches);
        Assert.Equal(["home", "home", "den", "room-2", "room-2"], NamesOf(own.Actions.Apply(House())));
    }

    [Fact]
    public void A_suffix_says_the_box_and_the_household()
    {
        var suffix = School(House(), "suffix");
        Assert.Equal(["home", "home", "home-room-1", "home-room-2", "home-room-2"], NamesOf(suffix.Actions.Apply(House())));
        Assert.Equal(["printer"], suffix.Touches);
    }

    [Fact]
    public void Bands_apart_give_the_newer_band_a_name_of_its_own() =>
        Assert.Equal(["home", "home-5", "home", "home", "home-5"], NamesOf(School(House(), "one", apart: true).Actions.Apply(House())));

    [Theory]
    [InlineData("one")]
    [InlineData("own")]
    [InlineData("suffix")]
    public void Nobody_loses_the_internet_or_his_uplink_by_a_name(string id)
    {
        foreach (var house in Examples.All().Select(row => Examples.House(row.Data)).Append(House().House))
            foreach (var apart in new[] { false, true })
                foreach (var school in NameSchools.Of(Simulator.Run(house), apart).Where(one => one.Id == id))
                {
                    var (before, after) = (Simulator.Run(house), Simulator.Run(school.Actions.Apply(house)));
                    foreach (var thing in house.Endpoints)
                        if (before.Internet(thing.Id).Reachable == Answer.Yes) Assert.True(after.Internet(thing.Id).Reachable == Answer.Yes, $"{house.Name}, {id}: {thing.Name}");
                    foreach (var box in house.Devices) Assert.Equal(before.UplinkBox(box.Id) is null, after.UplinkBox(box.Id) is null);
                }
    }

    [Fact]
    public void A_name_of_the_longest_kind_stays_within_32_octets()
    {
        var house = House().With(h => h with { Devices = [.. h.Devices.Select(box => box with { Wifi = [.. box.Wifi.Select(network => network with { Ssid = network.Ssid == "home" ? new string('é', 16) : network.Ssid })], Uplink = box.Uplink is { } up ? up with { Ssid = new string('é', 16) } : null })] }).House;
        foreach (var school in NameSchools.Of(Simulator.Run(house), bandsApart: true)) Assert.All(school.Names, name => Assert.Null(Limits.WhyNoSsid(name.Ssid)));
    }
}
