using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Planning.Space;

namespace Altrin.Core.Tests.Planning;

/// <summary>What is settled beforehand holds in every plan: a mode, a cable, a radio join, a name.</summary>
public class PinTests
{
    /// <summary>A gateway and, on the table, a router that may be cabled over a laid run or join by radio.</summary>
    private static NetworkDocument House()
    {
        var gateway = KitShelf.Find("gateway-modem-mode")!.Make("gw", "Gateway", "hall");
        gateway = gateway with { Wifi = [.. gateway.Wifi.Select(network => network with { Ssid = "oak", Key = "home", Security = WifiSecurity.Wpa2 })] };
        var box = KitShelf.Find("router-mode-switch")!.Make("den:2", "Den router", "den");
        return new()
        {
            Name = "Pins",
            Country = "NZ",
            Line = new() { Device = "gw", Port = gateway.Ports.First(port => port.Role == PortRole.Wan).Id, DownMbps = 300 },
            Devices = [gateway, box],
            Runs = [new() { Id = "r1", A = "hall", B = "den", Laid = true }],
            Rooms = [new() { Id = "hall", Name = "Hall", Floor = 0 }, new() { Id = "den", Name = "Den", Floor = 0 }],
            Endpoints = [new() { Id = "phone", Name = "Phone", Kind = "phone", Room = "den", Connect = new Attachment.Join { Ssid = "oak", Security = WifiSecurity.Wpa2, Key = "home" } }],
            Needs = [new Need.Internet { Id = "n1", Endpoint = "phone" }],
        };
    }

    private static PlansFound Plans(params string[] pins) =>
        PlanSearch.Of(House(), pins: new([.. pins.Select(text => Pin.Read(House(), text.TrimStart('!'), text[0] == '!')!)]));

    private static BoxUse DenOf(RankedPlan plan) => new Ground(plan.House).AsFound.Boxes[1];

    [Fact]
    public void What_can_be_pinned_is_what_the_space_of_plans_has()
    {
        var den = Assert.Single(PinChoice.Of(House()), one => one.Device == "den:2");
        Assert.Contains(new PinnedUse.Under("gw", Joined.ByWire), den.Uses);
        Assert.Contains(new PinnedUse.Under("gw", Joined.ByRadio), den.Uses);
        Assert.All(den.Uses, use => Assert.Equal(use, PinnedUse.Read(House(), use.Write())));
    }

    [Fact]
    public void A_radio_join_that_is_pinned_is_made_though_there_is_a_cable()
    {
        var found = Plans("den:2:radio/gw");
        Assert.NotEmpty(found.Plans);
        Assert.All(found.Plans, plan => Assert.Equal((true, Joined.ByRadio, 0), (DenOf(plan).IsUsed, DenOf(plan).Joined, DenOf(plan).Parent)));
    }

    [Fact]
    public void A_cable_that_is_pinned_is_laid_in_every_plan()
    {
        var found = Plans("den:2:cable/gw");
        Assert.NotEmpty(found.Plans);
        Assert.All(found.Plans, plan => Assert.Equal((true, Joined.ByWire), (DenOf(plan).IsUsed, DenOf(plan).Joined)));
    }

    [Fact]
    public void A_cable_that_is_forbidden_is_in_no_plan()
    {
        var found = Plans("!den:2:cable/gw");
        Assert.NotEmpty(found.Plans);
        Assert.All(found.Plans, plan => Assert.NotEqual(Joined.ByWire, DenOf(plan).IsUsed ? DenOf(plan).Joined : Joined.ToNothing));
    }

    [Fact]
    public void A_mode_and_a_place_are_pinned_together()
    {
        var found = Plans("den:2:access-point", "den:2:cable/gw");
        Assert.NotEmpty(found.Plans);
        Assert.All(found.Plans, plan => Assert.Equal((DeviceMode.AccessPoint, Joined.ByWire), (DenOf(plan).ByHand ? DeviceMode.AccessPoint : DenOf(plan).Mode, DenOf(plan).Joined)));
    }

    private static IEnumerable<string> NamesOf(RankedPlan plan, string box) => plan.House.Devices.Single(one => one.Id == box).Wifi.Where(network => network is { Enabled: true, Guest: false }).Select(network => network.Ssid).Distinct();

    [Fact]
    public void A_name_that_is_pinned_is_given_in_every_plan_and_the_phone_goes_on()
    {
        var found = Plans("den:2:name/attic nine");
        Assert.NotEmpty(found.Plans);
        Assert.All(found.Plans, plan =>
        {
            Assert.True(DenOf(plan).IsUsed);
            Assert.Equal(["attic nine"], NamesOf(plan, "den:2"));
            Assert.Equal(1, plan.WantsHeld);
        });
    }

    /// <summary>The name that most things know is taken away: what knew it is put on the new one, or hears it from the other box.</summary>
    [Fact]
    public void The_main_box_is_called_otherwise_and_its_things_with_it()
    {
        var found = Plans("gw:name/elm");
        Assert.NotEmpty(found.Plans);
        Assert.All(found.Plans, plan => Assert.Equal(["elm"], NamesOf(plan, "gw")));
        Assert.All(found.Plans, plan => Assert.Equal(1, plan.WantsHeld));
    }

    [Fact]
    public void A_name_that_is_forbidden_is_given_in_no_plan()
    {
        Assert.Contains(Plans("den:2:cable/gw").Plans, plan => NamesOf(plan, "den:2").Contains("oak"));
        var found = Plans("!den:2:name/oak", "den:2:cable/gw");
        Assert.NotEmpty(found.Plans);
        Assert.All(found.Plans, plan => Assert.DoesNotContain("oak", NamesOf(plan, "den:2")));
    }

    /// <summary>By the slow second search, which looks at every candidate.</summary>
    [Theory]
    [InlineData("gw:name/elm")]
    [InlineData("den:2:name/attic nine")]
    [InlineData("!den:2:name/oak")]
    public void Nothing_better_is_left_with_a_name_settled(string text)
    {
        Pins pins = new([Pin.Read(House(), text.TrimStart('!'), text[0] == '!')!]);
        var found = PlanSearch.Run(House(), PlanSearch.UsualBudget, TestContext.Current.CancellationToken, pins);
        Assert.True(found.IsExact);
        Assert.True(found.Plans()[0].Rank <= EveryCandidate.Best(House(), 3000, pins)!.Value, text);
    }

    [Fact]
    public void The_names_of_the_house_may_be_pinned_and_are_read_as_they_are_written()
    {
        Assert.All(PinChoice.Of(House()), one => Assert.Contains(new PinnedUse.Called("oak"), one.Uses));
        Assert.Equal(new PinnedUse.Called("a/b:c"), Pin.Read(House(), "den:2:name/a/b:c", false)!.Use);
        Assert.Null(Pin.Read(House(), $"den:2:name/{new string('é', 17)}", false));
    }

    [Theory]
    [InlineData("den:2:name/")]
    [InlineData("den:2:balloon")]
    [InlineData("den:2:cable/attic")]
    [InlineData("attic:router")]
    [InlineData("den:2")]
    [InlineData("")]
    public void What_the_house_has_not_is_no_pin(string text) => Assert.Null(Pin.Read(House(), text, false));
}
