using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Radio;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Rules;

/// <summary>What a rule proposes and how it says it, where the house is not quite that of its example. Common practice, no source.</summary>
public class ProposalTests
{
    private static Finding Only(NetworkDocument house, string rule) => Assert.Single(Evaluation.Of(house).Findings, finding => finding.Rule == rule);

    private static IEnumerable<string> Says(NetworkDocument house, string rule) => Only(house, rule).Fixes.Select(fix => fix.Say);

    private static NetworkDocument With(NetworkDocument house, params InstallerAction[] actions)
    {
        foreach (var action in actions)
        {
            Assert.Null(action.Problem(house));
            house = action.Apply(house);
        }
        return house;
    }

    private static SetEndpointAddress Fixed(string thing, string address) => new(thing, EndpointAddress.Fixed(InterfaceAddress.Parse(address), Ipv4Address.Parse("192.168.31.1")));

    /// <summary>It grows up to the fixed addresses on either side, not over them.</summary>
    [Fact]
    public void A_pool_grows_between_the_fixed_addresses()
    {
        var house = Examples.House("pool-exhausted");
        house = house with { Endpoints = [.. house.Endpoints, .. new[] { ("a", 20), ("b", 50), ("c", 150), ("d", 180) }.Select(one => house.Endpoints[0] with { Id = one.Item1, Name = one.Item1, Mac = null, Connect = null })] };
        house = house.WithDevice("gw", box => box with { Ports = [.. box.Ports, .. Enumerable.Range(11, 4).Select(n => new Port { Id = $"lan{n}", Role = PortRole.Lan })] });
        house = With(house, [.. new[] { ("a", 20, 11), ("b", 50, 12), ("c", 150, 13), ("d", 180, 14) }.SelectMany(one => new InstallerAction[] { new ConnectEndpoint(one.Item1, Attachment.To(new("gw", $"lan{one.Item3}"))), Fixed(one.Item1, $"192.168.31.{one.Item2}/24") })]);
        Assert.Equal(["Let the pool run to .149", "Let the pool run from .51 to .149"], Says(house, "pool-exhausted"));
    }

    /// <summary>The same last numbers in the right subnet, where a thing may hold both.</summary>
    [Theory]
    [InlineData("192.168.1.100", "192.168.1.199", true)]
    [InlineData("192.168.1.100", "192.168.1.255", false)]      // the broadcast address is nobody’s
    [InlineData("192.168.1.0", "192.168.1.199", false)]
    public void A_pool_is_moved_into_the_subnet_by_its_last_numbers(string start, string end, bool isOffered)
    {
        var house = Examples.House("pool-outside-subnet").WithDevice("gw", box => box with { Lan = box.Lan! with { DhcpServer = box.Lan.DhcpServer! with { Start = Ipv4Address.Parse(start), End = Ipv4Address.Parse(end) } } });
        Assert.Equal(isOffered, Says(house, "pool-outside-subnet").Any(say => say.StartsWith("Let the pool run from 192.168.31.", StringComparison.Ordinal)));
    }

    [Fact]
    public void The_line_is_passed_only_to_a_router_that_is_plugged_in_there()
    {
        var house = Examples.House("passthrough-to-nobody");
        Assert.Equal(["second"], Targets(house));
        // A router on the table and an access point on that network are none.
        var spare = house.FindDevice("second")! with { Id = "spare", Name = "Spare router", Mac = null };
        house = house with { Devices = house.Devices.Add(spare).Add(spare with { Id = "point", Name = "Access point", Mode = DeviceMode.AccessPoint, Supports = [DeviceMode.AccessPoint], Lan = new() { Method = LanMethod.Dhcp } }) };
        house = house with { Cables = house.Cables.Add(new() { Id = "c9", A = new("gw", "lan2"), B = new("point", "lan1") }) };
        Assert.Equal(["second"], Targets(house));

        static IEnumerable<string> Targets(NetworkDocument house) => Only(house, "passthrough-to-nobody").Fixes.SelectMany(fix => fix.Actions).OfType<SetPassthroughTarget>().Select(action => action.Target!);
    }

    [Theory]
    [InlineData(null, null, "to nobody")]
    [InlineData("second", "wan", "to Second router, which does not ask for it")]
    [InlineData("second", "lan2", "to Second router, whose WAN side is not on its network")]
    [InlineData("second", null, "to Second router, whose WAN side is not on its network")]
    public void Why_nobody_gets_the_line_is_said(string? target, string? port, string why)
    {
        var house = Examples.House("passthrough-to-nobody").WithDevice("gw", box => box with { PassthroughTo = target });
        house = house.WithDevice("second", box => box with { Wan = new() { Method = WanMethod.Static, Address = InterfaceAddress.Parse("192.168.31.77/24") } });
        if (target is not null) house = house with { Cables = port is null ? [] : [house.Cables[0] with { B = new("second", port) }] };
        // Plugged in, but behind another box.
        if (port == "lan2") house = house with { Devices = house.Devices.Add(house.FindDevice("second")! with { Id = "third", Name = "Third router", Mac = null }), Cables = house.Cables.Add(new() { Id = "c9", A = new("third", "lan1"), B = new("second", "wan") }) };
        Assert.Contains($" passes the line through {why}. Nobody", Only(house, "passthrough-to-nobody").Message, StringComparison.Ordinal);
    }

    /// <summary>The first channel and country of which that is so, by the rules that are shipped.</summary>
    [Theory]
    [InlineData(Unlawful.NoRule, "Nobody may send there in ")]
    [InlineData(Unlawful.IndoorsOnly, "that is allowed indoors alone, and it stands outdoors.")]
    [InlineData(Unlawful.TooWide, "nobody may be that wide there.")]
    public void Why_a_channel_is_unlawful_is_said(Unlawful kind, string why)
    {
        var house = Examples.House("channel-unlawful");
        var all = from country in new[] { "GB", "US", "JP", "NZ", "DE", "CA" }
                  from band in new[] { Band.Ghz24, Band.Ghz5 }
                  from number in band == Band.Ghz24 ? Enumerable.Range(1, 14) : [36, 52, 100, 120, 149, 165]
                  from width in band == Band.Ghz24 ? new[] { 20, 40 } : [20, 40, 80, 160]
                  from outdoors in new[] { false, true }
                  where Regulations.WhyNot(Regulations.Of(country)!.Value, new(band, number, width), outdoors) == kind
                  select (country, band, number, width, outdoors);
        var (land, on, channel, wide, isOut) = all.First();
        house = house with { Country = land, Rooms = [.. house.Rooms.Select(room => room with { Outdoor = isOut })] };
        house = house.WithDevice("gw", box => box with { Radios = [box.Radios[0] with { Band = on, MaxWidthMHz = 160, Generation = on == Band.Ghz24 ? "n" : "ac" }], Wifi = [box.Wifi[0] with { Radio = box.Radios[0].Id, Channel = new(channel), WidthMHz = wide }] });
        Assert.Contains(why, Only(house, "channel-unlawful").Message, StringComparison.Ordinal);
    }

    [Fact]
    public void Coverage_is_wanted_everywhere_or_in_the_rooms_that_are_named()
    {
        var house = Examples.House("hawthorn-farm");
        string Sentence(params string[] rooms) => Evaluation.Of(house with { Needs = [new Need.Coverage { Id = "n", Mbps = 20, Rooms = [.. rooms] }] }).Wants.Single().Sentence;
        Assert.Contains("in every room", Sentence(), StringComparison.Ordinal);
        Assert.EndsWith($"in {house.Rooms[0].Name} and {house.Rooms[1].Name}", Sentence(house.Rooms[0].Id, house.Rooms[1].Id), StringComparison.Ordinal);
    }

    /// <summary>A hop less is no gain where that box is hardly heard.</summary>
    [Theory]
    [InlineData(4, true)]
    [InlineData(200, false)]
    public void A_nearer_box_is_proposed_only_where_it_is_heard_well(double metres, bool isSaid)
    {
        var house = Examples.House("satellites-in-row");
        house = house with { Rooms = [new() { Id = "hall", Name = "Hall", Floor = 0, Rect = new(0, 0, 3, 3) }, new() { Id = "study", Name = "Study", Floor = 0, Rect = new(metres, 0, 3, 3) }] };
        // The one in between is heard by both.
        house = house.WithDevice("landing", box => box with { Room = "study", At = new(metres + 1, 1), Radios = [.. box.Radios.Select(radio => radio with { TxDbm = 30 })] }).WithDevice("gw", box => box with { Room = "hall" });
        Assert.Equal(isSaid, Evaluation.Of(house).Findings.Any(finding => finding.Rule == "satellites-in-row"));
    }

    [Fact]
    public void A_want_that_is_nice_to_have_says_so()
    {
        var house = new HouseBuilder().Gateway().Thing("pc", "gw:lan1").With(house => house with { Needs = [new Need.Internet { Id = "a", Endpoint = "pc" }, new Need.Internet { Id = "b", Endpoint = "pc", Nice = true }] }).House;
        Assert.Equal(["pc has internet", "pc has internet, if it can be had"], Evaluation.Of(house).Wants.Select(want => want.Sentence));
    }

    /// <summary>Fed through a switch the cable that is meant is still found.</summary>
    [Fact]
    public void The_cable_that_feeds_a_router_is_found_across_a_switch()
    {
        var house = new HouseBuilder().Gateway().Box("switch", DeviceMode.Switch, address: null).Box("in", address: "192.168.31.2/24", pool: "200-220")
            .Cable("in:lan3", "other:lan1").Box("other", DeviceMode.Switch, address: null).Cable("gw:lan1", "switch:lan1").Cable("switch:lan2", "in:lan2").Thing("pc", "in:lan1").House;
        var found = Only(house, "wrong-socket");
        Assert.StartsWith("The cable is in in LAN 2 and its WAN socket is empty", found.Message, StringComparison.Ordinal);
        Assert.Contains(found.Fixes, fix => fix.Actions is [MoveCableEnd { From: var from, To: var to }] && from == new Socket("in", "lan2") && to == new Socket("in", "wan"));
    }

    [Fact]
    public void Channels_that_overlap_are_said_in_their_order()
    {
        var house = Examples.House("own-channels-overlap").WithDevice("lounge", box => box with { Wifi = [.. box.Wifi.Select(network => network with { Channel = new(8) })] })
            .WithDevice("study", box => box with { Wifi = [.. box.Wifi.Select(network => network with { Channel = new(4) })] });
        var found = Only(house, "own-channels-overlap");
        Assert.Equal("Three boxes on overlapping channels", found.Title);
        Assert.Contains("send on channels 4, 6 and 8, which overlap at 2.4 GHz", found.Message, StringComparison.Ordinal);
    }

    /// <summary>Who has both is to blame, not who stands beside it on the same network.</summary>
    [Fact]
    public void Cable_and_radio_at_once_is_the_fault_of_the_box_that_has_both()
    {
        var house = Examples.House("cable-beside-radio");
        var loft = house.FindDevice("loft")!;
        house = house with
        {
            Devices = house.Devices.Add(loft with { Id = "point", Name = "Far point", Mac = null, Mode = DeviceMode.AccessPoint, Supports = [DeviceMode.AccessPoint], Uplink = null, Lan = loft.Lan! with { Address = InterfaceAddress.Parse("192.168.31.9/24"), DhcpServer = null } })
                .Add(loft with { Id = "plain", Name = "Plain repeater", Mac = null, Lan = loft.Lan! with { Address = InterfaceAddress.Parse("192.168.31.8/24") } }),
            Cables = house.Cables.Add(new() { Id = "c9", A = new("gw", "lan3"), B = new("point", "lan1") }),
        };
        Assert.Equal(["loft"], Only(house, "cable-beside-radio").Subjects);
    }

    [Fact]
    public void Who_stands_beside_its_parent_may_do_so_for_what_is_plugged_into_it()
    {
        var house = Examples.House("beside-its-parent");
        var thing = new Endpoint { Id = "tv", Name = "Television", Connect = Attachment.To(new("rep", house.FindDevice("rep")!.Ports[^1].Id)) };
        Assert.Single(Evaluation.Of(house).Findings, finding => finding.Rule == "beside-its-parent");
        Assert.DoesNotContain(Evaluation.Of(house with { Endpoints = house.Endpoints.Add(thing) }).Findings, finding => finding.Rule == "beside-its-parent");
    }

    [Fact]
    public void Who_sends_on_one_radio_alone_stands_beside_its_parent_too_and_who_sends_on_none_does_not()
    {
        var house = Examples.House("beside-its-parent");
        bool Says(Func<WifiNetwork, ImmutableArray<WifiNetwork>> change) => Evaluation.Of(house.WithDevice("rep", box => box with { Wifi = change(box.Wifi[0]) })).Findings.Any(finding => finding.Rule == "beside-its-parent");
        Assert.True(Says(one => [one, one with { Ssid = "other", Enabled = false }]));
        Assert.False(Says(one => [one with { Enabled = false }]));
    }

    /// <summary>Of two newer bands that would both do it is said once, the newest.</summary>
    [Fact]
    public void A_slower_band_is_said_once_however_many_are_better()
    {
        var house = Examples.House("backhaul-on-old-band");
        var (main, rep) = (house.Devices.First(box => box.Uplink is null), house.Devices.First(box => box.Uplink is not null));
        Device With6(Device box) => box with { Radios = [.. box.Radios, box.Radios.First(radio => radio.Band == Band.Ghz5) with { Id = "6g", Band = Band.Ghz6, Generation = "ax" }] };
        house = house.WithDevice(main.Id, box => With6(box) with { Wifi = [.. box.Wifi, box.Wifi[0] with { Radio = "6g", Channel = new(1), WidthMHz = 80 }] }).WithDevice(rep.Id, With6);
        var found = Only(house, "backhaul-on-old-band");
        Assert.Equal("Join at 6 GHz", Assert.Single(found.Fixes).Say);
    }

    [Fact]
    public void A_WDS_pair_without_a_channel_is_put_on_one_of_its_band()
    {
        var house = Examples.House("wds-channel");
        house = house with { Devices = [.. house.Devices.Select(box => box with { Wifi = [.. box.Wifi.Select(network => network with { Channel = null })] })] };
        var band = house.Devices.First(box => box.Uplink is not null) is var far ? far.Radios.First(radio => radio.Id == far.Uplink!.Radio).Band : default;
        Assert.Equal([$"Put both on channel {(band == Band.Ghz24 ? 1 : 36)}"], Says(house, "wds-channel"));
        Assert.Equal(Band.Ghz24, band);
    }

    /// <summary>What is known on the devices stays: of the household’s own, of the network itself, and only then a new one.</summary>
    [Fact]
    public void A_weak_network_keeps_the_password_it_has()
    {
        var house = Examples.House("weak-wifi-wep");
        Assert.Equal("home", Key(house));
        Assert.Equal("hollow", Key(house.WithDevice("gw", box => box with { Wifi = [.. box.Wifi.Select(network => network with { Security = WifiSecurity.Open, Key = null })] })));
        var point = house.FindDevice("gw")! with { Id = "point", Name = "Access point", Mac = null, Mode = DeviceMode.AccessPoint, Lan = new() { Method = LanMethod.Dhcp } };
        point = point with { Wifi = [.. point.Wifi.Select(network => network with { Security = WifiSecurity.Wpa3, Key = "other" })] };
        house = house with { Devices = house.Devices.Add(point), Cables = house.Cables.Add(new() { Id = "c9", A = new("gw", "lan1"), B = new("point", "lan1") }) };
        Assert.Equal("other", Key(house));
        Assert.Equal("other", Key(house.WithDevice("point", box => box with { Wifi = [.. box.Wifi.Select(network => network with { Security = WifiSecurity.Wpa2 })] })));

        static string? Key(NetworkDocument house) => Only(house, "weak-wifi-security").Fixes[0].Actions.OfType<SetWifi>().First().Network.Key;
    }

    /// <summary>A reason for every pair and for the way out, whichever it is.</summary>
    [Fact]
    public void Who_reaches_whom_has_a_reason_that_names_the_two()
    {
        var (through, upstairs, together) = (0, 0, 0);
        foreach (var house in Examples.Names().Select(Examples.House).Concat(Enumerable.Range(1, 60).Select(Houses.Rich)))
        {
            var facts = Evaluation.Of(house).Facts;
            foreach (var from in house.Endpoints.Take(6))
            {
                var way = ReachExplained.Of(facts, from.Id, Line.ProviderId);
                Assert.EndsWith(".", way.Because, StringComparison.Ordinal);
                var hops = facts.State.Internet(from.Id).Hops;
                if (way.Reachable == Answer.Yes && hops.Length > 0)
                {
                    through++;
                    Assert.StartsWith("Its address is translated by ", way.Because, StringComparison.Ordinal);
                    foreach (var hop in hops.Take(6)) Assert.Contains(hop == Line.CarrierId ? "the provider" : facts.NameOf(hop), way.Because, StringComparison.Ordinal);
                }
                foreach (var to in house.Endpoints.Take(6).Where(to => to != from))
                {
                    var said = ReachExplained.Of(facts, from.Id, to.Id);
                    Assert.EndsWith(".", said.Because, StringComparison.Ordinal);
                    if (said.Reachable != Answer.Yes)
                    {
                        Assert.DoesNotContain("found by name", said.Because, StringComparison.Ordinal);
                        continue;
                    }
                    Assert.Contains(facts.NameOf(to.Id), said.Because, StringComparison.Ordinal);
                    if (said.ByName) together++;
                    else upstairs++;
                    Assert.Equal(said.ByName, said.Because.Contains("found by name too", StringComparison.Ordinal));
                    Assert.Equal(facts.State.Net(from.Id)!.Segment == facts.State.Net(to.Id)!.Segment, said.ByName);
                }
            }
        }
        Assert.True(through > 20 && upstairs > 5 && together > 20, $"{through} out, {upstairs} up the stairs, {together} together");
    }
}
