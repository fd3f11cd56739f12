using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Rules;

/// <summary>What is said of boxes and things on their cards.</summary>
public class HouseCardsTests
{
    private static List<BoxWords> Boxes(NetworkDocument house) => Evaluation.Of(house) is var now ? [.. HouseCards.Boxes(now, Stairs.Of(now.State))] : [];

    private static BoxWords Box(NetworkDocument house, string box) => Boxes(house).Single(one => one.Id == box);

    [Theory]
    [InlineData("hawthorn-farm", "gw", "pass-through to Farmhouse router, gives addresses", "hands the line on")]
    [InlineData("hawthorn-farm", "main", "router, gives addresses", "one step down")]
    [InlineData("hawthorn-farm", "pantry", "switch", "")]
    [InlineData("hawthorn-farm", "eastsat", "mesh satellite, joins Hall satellite", "")]
    [InlineData("hawthorn-farm", "dairy", "repeater, gives addresses, joins Farmhouse router", "")]
    [InlineData("hawthorn-farm", "barn", "WDS bridge", "")]
    [InlineData("hawthorn-farm", "workshop", "router, gives addresses", "second step down: double NAT")]
    [InlineData("millrace-terrace", "old", "router, gives addresses", "third step down: double NAT")]
    [InlineData("millrace-terrace", "mesh", "router, at hand, not in use", "")]
    [InlineData("passthrough-to-nobody", "gw", "pass-through to nobody, gives addresses", "hands the line on")]
    [InlineData("idle-router-services", "second", "router, used as access point", "")]
    [InlineData("modem-in-front", "gw", "modem", "")]
    [InlineData("no-dhcp-server", "gw", "router", "one step down")]
    public void A_card_says_what_a_box_is_and_does(string example, string box, string says, string step)
    {
        var one = Box(Examples.House(example), box);
        Assert.Equal((says, step), (one.Says, one.Step));
    }

    [Fact]
    public void Without_power_a_box_is_that_and_nothing_else() =>
        Assert.Equal("router, without power", Box(Examples.House("larkspur-house").WithDevice("studio", box => box with { Off = true }), "studio").Says);

    [Fact]
    public void A_router_with_an_empty_WAN_side_leads_nowhere_and_one_that_does_not_translate_says_so()
    {
        var alone = new HouseBuilder().Gateway().Box("in").Thing("pc", "in:lan1").House;
        Assert.Equal("leads nowhere: its WAN side is empty", Box(alone, "in").Step);
        var plain = new HouseBuilder().Gateway().Box("in").Cable("gw:lan1", "in:wan").House.WithDevice("in", box => box with { Nat = false });
        Assert.Equal("no translation", Box(plain, "in").Step);
    }

    /// <summary>Every further router in a row is counted in words.</summary>
    [Fact]
    public void The_fourth_step_down_is_counted_too()
    {
        var house = new HouseBuilder().Gateway();
        foreach (var (at, above, net) in new[] { ("a", "gw", 41), ("b", "a", 42), ("c", "b", 43) }) house = house.Box(at, address: $"192.168.{net}.1/24").Cable($"{above}:lan1", $"{at}:wan");
        Assert.Equal(["one step down", "second step down: double NAT", "third step down: double NAT", "4th step down: double NAT"], Boxes(house.House).Select(box => box.Step));
    }

    [Fact]
    public void A_box_may_be_put_into_its_own_mode_and_those_it_lists()
    {
        var dairy = Box(Examples.House("hawthorn-farm"), "dairy");
        Assert.Equal(["repeater", "router", "access point"], dairy.Modes.Select(mode => mode.Say));
        // A router cannot ask its own network for an address, and a satellite always asks.
        Assert.True(dairy.MayAskForAddress);
        Assert.False(Box(Examples.House("hawthorn-farm"), "main").MayAskForAddress);
        Assert.False(Box(Examples.House("hawthorn-farm"), "hallsat").MayAskForAddress);
    }

    [Fact]
    public void What_a_box_could_join_is_what_others_send_on_its_bands()
    {
        var house = Examples.House("hawthorn-farm");
        Assert.Equal(["5g hawthorn"], Box(house, "lounge").Joinable.Select(one => $"{one.Radio} {one.Ssid}"));
        Assert.Equal(["2g hawthorn", "2g hawthorn-guests", "2g workshop"], Box(house, "barn").Joinable.Select(one => $"{one.Radio} {one.Ssid}"));
        // A switch joins nothing, and what has no power sends nothing.
        Assert.Empty(Box(house, "pantry").Joinable);
        Assert.DoesNotContain(Box(house.WithDevice("workshop", box => box with { Off = true }), "barn").Joinable, one => one.Ssid == "workshop");
        Assert.DoesNotContain(Box(house.WithDevice("workshop", box => box with { Wifi = [.. box.Wifi.Select(network => network with { Enabled = false })] }), "barn").Joinable, one => one.Ssid == "workshop");
    }

    [Fact]
    public void A_thing_is_offered_the_networks_of_its_bands_each_name_once()
    {
        var house = Examples.House("hawthorn-farm");
        var id = house.Endpoints.First(thing => thing.Connect is Attachment.Join).Id;
        ImmutableArray<JoinChoice> Offered(params Band[] bands) => HouseCards.Things(Evaluation.Of(house with { Endpoints = [.. house.Endpoints.Select(thing => thing.Id == id ? thing with { Bands = [.. bands] } : thing)] })).Single(one => one.Id == id).Joinable;
        Assert.All(Offered(Band.Ghz5), one => Assert.Equal(Band.Ghz5, one.Band));
        Assert.NotEmpty(Offered(Band.Ghz5));
        Assert.Equal(Offered().Length, Offered(Band.Ghz24, Band.Ghz5, Band.Ghz6).Length);
        Assert.Equal(Offered().Length, Offered().Select(one => (one.Ssid, one.Security, one.Key, one.Band)).Distinct().Count());
        Assert.Contains(Offered(), one => one is { Ssid: "hawthorn", Band: Band.Ghz24, Radio: null });
    }

    [Fact]
    public void The_mark_is_the_worst_that_blames_it_and_who_stands_by_has_none()
    {
        var house = Examples.House("larkspur-house");
        var now = Evaluation.Of(house);
        foreach (var (id, mark) in Boxes(house).Select(one => (one.Id, one.Mark)).Concat(HouseCards.Things(now).Select(one => (one.Id, one.Mark))))
        {
            var blamed = now.Findings.Where(finding => (finding.BlamesAll ? finding.Subjects : [finding.Subjects[0]]).Contains(id)).ToList();
            Assert.Equal(blamed.Count == 0 ? null : blamed.Exists(finding => finding.Severity == Severity.Fault) ? Severity.Fault : Severity.Caution, mark);
        }
        // The gateway stands by at double NAT, which is the studio's.
        Assert.Equal((Severity.Caution, Severity.Fault), (Box(house, "gw").Mark, Box(house, "studio").Mark));
    }

    [Fact]
    public void Sockets_and_settings_are_those_of_its_mode()
    {
        var gateway = Box(Examples.House("larkspur-house"), "gw");
        Assert.Equal(["WAN", "LAN 1", "LAN 2", "LAN 3", "LAN 4"], gateway.Sockets.Select(socket => socket.Say));
        Assert.Equal(SettingCatalogue.All.Where(setting => setting.Counts(Examples.House("larkspur-house").FindDevice("gw")!)).Select(setting => setting.Id), gateway.Settings);
    }
}
