using Altrin.Core.Actions;
using Altrin.Core.Air;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;
using static Altrin.Core.Tests.Air.AirHouses;

namespace Altrin.Core.Tests.Air;

/// <summary>A network for guests in one press: by a router, where it is apart by itself, and under a name that nobody has.</summary>
[Trait("source", "common practice, no source")]
public class GuestOfferTests
{
    private static HouseBuilder House(string ssid = "home") => Gateway(2, wifi: [Home("2g", 1, ssid: ssid), Home("5g", 36, ssid: ssid)]).Point("den", "r1", Home("2g", 6, ssid: ssid)).Thing("phone", $"~{ssid}");

    private static GuestOffer Offer(NetworkDocument house) => AirProposals.Guests(Evaluation.Of(house));

    [Fact]
    public void The_router_makes_it_on_each_of_its_radios()
    {
        var offer = Offer(House());
        Assert.Equal(("gw", "home-guests"), (offer.Device, offer.Ssid));
        Assert.Equal(["2g", "5g"], offer.Actions.Cast<SetWifi>().Select(one => one.Network.Radio));
    }

    [Fact]
    public void Whoever_is_on_it_has_the_internet_and_reaches_nobody_of_the_home()
    {
        var house = Offer(House()).Actions.Apply(House());
        var guest = house with { Endpoints = [.. house.Endpoints, new() { Id = "guest", Name = "Guest", Kind = "phone", Connect = new Attachment.Join { Ssid = "home-guests", Security = WifiSecurity.Wpa2, Key = "guests", Near = "gw" } }] };
        var state = Simulator.Run(guest);
        Assert.Equal(Answer.Yes, state.Internet("guest").Reachable);
        Assert.Equal(Answer.No, state.Reach("guest", "phone").Reachable);
        Assert.Equal(Answer.No, state.Reach("phone", "guest").Reachable);
    }

    [Fact]
    public void Made_it_is_named_and_not_offered_again()
    {
        var after = Offer(Offer(House()).Actions.Apply(House()));
        Assert.Equal("home-guests", Assert.Single(after.Names));
        Assert.Equal("gw", Assert.Single(after.By));
        Assert.Empty(after.Actions);
    }

    [Fact]
    public void A_name_that_is_there_is_not_taken_twice()
    {
        NetworkDocument house = House();
        house = house with { Devices = [.. house.Devices.Select(box => box.Id == "den" ? box with { Wifi = box.Wifi.Add(new() { Radio = "2g", Ssid = "home-guests", Enabled = false }) } : box)] };
        Assert.Equal("home-guests-2", Offer(house).Ssid);
    }

    /// <summary>IEEE 802.11-2020 9.4.2.2: a name has at most 32 octets.</summary>
    [Fact]
    public void A_long_name_is_cut_and_its_ending_kept()
    {
        var ssid = Offer(House(new string('n', 32))).Ssid!;
        Assert.True(ssid.Length <= 32 && ssid.EndsWith("-guests", StringComparison.Ordinal), ssid);
    }

    [Fact]
    public void Without_a_router_that_sends_it_says_why_there_is_none()
    {
        NetworkDocument house = House();
        house = house with { Devices = [.. house.Devices.Select(box => box.Id == "gw" ? box with { Wifi = [] } : box)] };
        var offer = Offer(house);
        Assert.True(offer.Actions.IsEmpty);
        Assert.Contains("only bridges cannot keep guests apart", offer.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void A_router_that_is_to_be_left_alone_is_left_alone()
    {
        NetworkDocument house = House();
        house = house with { Devices = [.. house.Devices.Select(box => box.Id == "gw" ? box with { LeaveAsFound = true } : box)] };
        Assert.Equal("The router that could make one is to be left as it is.", Offer(house).Says);
    }

    [Fact]
    public void In_no_house_of_the_examples_does_it_bring_a_fault()
    {
        foreach (var house in Examples.All().Select(row => Examples.House(row.Data)))
        {
            var before = Evaluation.Of(house);
            var offer = AirProposals.Guests(before);
            if (offer.Actions.IsEmpty) continue;
            var after = Evaluation.Of(offer.Actions.Apply(house));
            Assert.True(before.AddsNoFault(after) && before.BreaksNoWant(after), house.Name);
        }
    }
}
