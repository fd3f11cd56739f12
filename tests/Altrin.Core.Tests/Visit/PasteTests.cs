using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Visit;

namespace Altrin.Core.Tests.Visit;

/// <summary>What a paste says of a house that is being taken in.</summary>
public class PasteTests
{
    private static NetworkDocument House() =>
        new HouseBuilder().Gateway().Box("ap", DeviceMode.AccessPoint, "192.168.31.2/24").Cable("gw:lan1", "ap:lan1")
        .Thing("printer", "gw:lan2", "192.168.31.120/24", mac: "00:00:5E:00:53:07").Thing("recorder", "gw:lan3")
        .With(h => h.WithDevice("gw",
            d => d with
            {
                Name = "Hall gateway",
                Wifi = [new() { Radio = "2g", Ssid = "larkspur", Security = WifiSecurity.Wpa2, Key = "home", Channel = new(6) }]
            })
            .WithDevice("ap", d => d with { Mac = null, Name = "Loft point" }));

    private const string Arp = """
        C:\> arp -a

        Interface: 192.168.31.104 --- 0x7
          Internet Address      Physical Address      Type
          192.168.31.1          00-00-5e-00-53-f1     dynamic
          192.168.31.2          00-00-5e-00-53-f2     dynamic
          192.168.31.120        00-00-5e-00-53-07     dynamic
          192.168.31.131        00-00-5e-00-53-09     dynamic
          192.168.31.140        02-00-5e-00-53-2c     dynamic
          192.168.31.255        ff-ff-ff-ff-ff-ff     static
          224.0.0.22            01-00-5e-00-00-16     static
        """;

    [Fact]
    public void Each_line_of_a_neighbour_list_says_who_it_is()
    {
        var paste = Paste.Of(House(), Arp);
        Assert.Equal("Windows, neighbours", Assert.Single(paste.Parts).Says);
        Assert.Contains("spoken to", paste.Parts[0].Cannot, StringComparison.Ordinal);
        (LineKind, string?) At(string address) =>
            paste.Lines.Where(line => line.Text.Contains(address + " ", StringComparison.Ordinal)).Select(line =>
            (line.Kind, line.Says)).Single();
        Assert.Equal((LineKind.Laptop, "the laptop"), At("192.168.31.104"));
        Assert.Equal((LineKind.Known, "Hall gateway"), At("192.168.31.1"));
        Assert.Equal((LineKind.Known, "Loft point"), At("192.168.31.2"));
        Assert.Equal((LineKind.Known, "printer"), At("192.168.31.120"));
        Assert.Equal((LineKind.New, "new"), At("192.168.31.131"));
        Assert.Equal((LineKind.NoBox, "everyone: not a box"), At("192.168.31.255"));
        Assert.Equal((LineKind.NoBox, "a group: not a box"), At("224.0.0.22"));
        Assert.Equal(Arp.Split('\n').Length, paste.Lines.Length);
    }

    [Fact]
    public void What_is_new_is_offered_with_its_MAC_and_taken_with_one_press()
    {
        var house = House();
        var things = Paste.Of(house, Arp).Proposals.Where(one => one.IsThing).ToList();
        Assert.Equal(["00:00:5E:00:53:09", "02:00:5E:00:53:2C"], things.Select(one => one.Mac));
        Assert.Contains("private one", things[1].Because, StringComparison.Ordinal);
        var taken = things.SelectMany(one => one.Actions).Apply(house);
        Assert.Null(HouseCheck.WhyNot(taken));
        Assert.Equal(house.Endpoints.Length + 2, taken.Endpoints.Length);
        // Whose MACs nobody has yet, the box's among them, is told; of a MAC that is for everybody it is not.
        Assert.Equal(["00:00:5E:00:53:F1", "00:00:5E:00:53:F2", "00:00:5E:00:53:09", "02:00:5E:00:53:2C"],
            Paste.Of(house, Arp).Strangers.Select(mac => mac.ToString()));
        Assert.Equal(["00:00:5E:00:53:F1", "00:00:5E:00:53:F2"], Paste.Of(taken, Arp).Strangers.Select(mac => mac.ToString()));
        // Pasted again there is nothing new.
        Assert.DoesNotContain(Paste.Of(taken, Arp).Proposals, one => one.IsThing);
    }

    /// <summary>A router's label bears the MAC of its WAN side, and shows another on its own network.</summary>
    [Fact]
    public void The_MAC_of_a_box_that_bridges_is_noted_and_that_of_a_router_is_not()
    {
        var notes = Paste.Of(House(), Arp).Proposals.Where(one => one.Actions[0] is DescribeDevice).ToList();
        Assert.Equal(("Loft point has the MAC 00:00:5E:00:53:F2", "00:00:5E:00:53:F2"),
            (notes.Single().Title, ((DescribeDevice)notes.Single().Actions[0]).Box.Mac.ToString()));
    }

    [Fact]
    public void A_name_in_a_client_table_gives_a_guess_and_only_a_guess()
    {
        var paste = Paste.Of(House(),
            "Hostname\tIP address\tMAC address\ncam-yard\t192.168.31.131\t00:00:5E:00:53:09\nrecorder\t192.168.31.101\t00:00:5E:00:53:0A\n");
        var camera = Assert.Single(paste.Proposals, one => one.IsThing);
        Assert.StartsWith("A camera, it seems: calls itself cam-yard", camera.Because, StringComparison.Ordinal);
        Assert.Contains("fixed address", paste.Parts[0].Cannot, StringComparison.Ordinal);
        // The recorder is known by its name, and its MAC is noted.
        Assert.Contains(paste.Proposals, one => one.Title == "recorder has the MAC 00:00:5E:00:53:0A");
    }

    [Fact]
    public void Of_two_lists_the_new_one_is_the_box()
    {
        var before = Arp.Replace("  192.168.31.131        00-00-5e-00-53-09     dynamic\n", "",
            StringComparison.Ordinal).Replace("  192.168.31.2          00-00-5e-00-53-f2     dynamic\n", "", StringComparison.Ordinal);
        var house = House() with { };
        house = house.WithDevice("ap", d => d with { Lan = new() { Method = LanMethod.Dhcp } });
        var one = Paste.Of(house, Arp.Replace("  192.168.31.2          00-00-5e-00-53-f2     dynamic\n", "", StringComparison.Ordinal),
            before);
        Assert.Contains("192.168.31.131 came between the two lists: that is the box.", one.Meanings);
        Assert.Equal("It is Loft point", one.Proposals[0].Title);
        Assert.Equal("00:00:5E:00:53:09", one.Proposals[0].Actions.Apply(house).FindDevice("ap")!.Mac.ToString());
        Assert.StartsWith("Nothing came", Assert.Single(Paste.Of(house, Arp, Arp).Meanings), StringComparison.Ordinal);
        Assert.StartsWith("2 came", Assert.Single(Paste.Of(house, Arp, before).Meanings), StringComparison.Ordinal);
    }

    [Fact]
    public void The_laptops_gateway_is_held_against_the_record()
    {
        const string Config = "Windows IP Configuration\n\nEthernet adapter Ethernet:\n\n   Physical Address. . . . . . . . . : 00-00-5E-00-53-31\n   DHCP Enabled. . . . . . . . . . . : Yes\n   IPv4 Address. . . . . . . . . . . : 192.168.{0}.104(Preferred)\n   Subnet Mask . . . . . . . . . . . : 255.255.255.0\n   Default Gateway . . . . . . . . . : 192.168.{0}.1\n   DHCP Server . . . . . . . . . . . : 192.168.{0}.1\n";
        var house = new HouseBuilder().Gateway().House;
        Assert.Equal(["The laptop hangs on the network of gw."],
            Paste.Of(house, Config.Replace("{0}", "31", StringComparison.Ordinal)).Meanings);
        // The mask is nobody, and no address for everyone either.
        Assert.Null(Paste.Of(house,
            Config.Replace("{0}", "31", StringComparison.Ordinal)).Lines.Single(line =>
            line.Text.Contains("Subnet Mask", StringComparison.Ordinal)).Says);
        var other = Assert.Single(Paste.Of(house, Config.Replace("{0}", "8", StringComparison.Ordinal)).Proposals);
        Assert.Equal("gw is at 192.168.8.1", other.Title);
        Assert.Equal("192.168.8.1/24", other.Actions.Apply(house).FindDevice("gw")!.Lan!.Address.ToString());
        // Its own line in the list of neighbours is that same box, not one thing more.
        var both = Paste.Of(house,
            Config.Replace("{0}", "8",
            StringComparison.Ordinal)
                + "\nInterface: 192.168.8.104 --- 0x7\n  Internet Address      Physical Address      Type\n  192.168.8.1           00-00-5e-00-53-f1     dynamic\n  192.168.8.30          00-00-5e-00-53-09     dynamic\n");
        Assert.Equal("192.168.8.30", Assert.Single(both.Proposals, one => one.IsThing).Address);
        Assert.Single(both.Proposals, one => one.Address == "192.168.8.1");
        // Two routers: nobody can say which of them it is.
        Assert.Empty(Paste.Of(House().WithDevice("ap", d => d with { Mode = DeviceMode.Router }),
            Config.Replace("{0}", "8", StringComparison.Ordinal)).Proposals);
    }

    [Fact]
    public void Two_routers_on_the_way_out_are_told()
    {
        const string Trace = "traceroute to 198.51.100.9 (198.51.100.9), 30 hops max\n 1  192.168.1.1  1.1 ms  1.0 ms  1.2 ms\n 2  192.168.31.1  2.1 ms  2.0 ms  2.2 ms\n 3  203.0.113.1  9.1 ms  9.0 ms  9.2 ms\n";
        Assert.Contains("more than one router before the street", Assert.Single(Paste.Of(House(), Trace).Meanings),
            StringComparison.Ordinal);
        Assert.Contains("carrier shares addresses",
            Assert.Single(Paste.Of(House(), Trace.Replace("192.168.31.1", "100.64.0.1", StringComparison.Ordinal)).Meanings),
            StringComparison.Ordinal);
    }

    [Fact]
    public void Networks_in_the_air_are_the_households_or_a_neighbours()
    {
        const string Scan = "SSID 1 : larkspur\n    Network type            : Infrastructure\n    Authentication          : WPA2-Personal\n    Encryption              : CCMP\n    BSSID 1                 : 00:00:5e:00:53:61\n         Signal             : 84%\n         Radio type         : 802.11n\n         Channel            : 11\n\nSSID 2 : oak\n    Network type            : Infrastructure\n    Authentication          : WPA2-Personal\n    Encryption              : CCMP\n    BSSID 1                 : 00:00:5e:00:53:62\n         Signal             : 40%\n         Radio type         : 802.11n\n         Channel            : 6\n";
        var house = House();
        var paste = Paste.Of(house, "Interface name : Wi-Fi\nThere are 2 networks currently visible.\n\n" + Scan);
        var taken = paste.Proposals.SelectMany(one => one.Actions).Apply(house);
        Assert.Equal(11, taken.FindDevice("gw")!.Wifi[0].Channel!.Value.Number);
        Assert.Equal(("oak", Band.Ghz24, 6),
            (taken.Neighbours.Single().Ssid, taken.Neighbours.Single().Band, taken.Neighbours.Single().Channel));
        Assert.Empty(Paste.Of(taken, "Interface name : Wi-Fi\nThere are 2 networks currently visible.\n\n" + Scan).Proposals);
    }

    [Fact]
    public void What_is_not_recognised_proposes_nothing()
    {
        var paste = Paste.Of(House(), "good morning\nthe quick brown fox");
        Assert.Empty(paste.Parts);
        Assert.Empty(paste.Proposals);
    }

    /// <summary>Law: whatever is pasted into whatever house, each proposal can be done and leaves a house that reads back.</summary>
    [Fact]
    public void What_is_proposed_can_be_done_in_any_house()
    {
        var done = 0;
        for (var seed = 1; seed <= 150; seed++)
        {
            var house = Houses.Make(seed, Enum.GetValues<DeviceMode>());
            var now = house;
            foreach (var action in Paste.Of(house, Arp, seed % 2 == 0 ? null : Arp[..300]).Proposals.SelectMany(one => one.Actions))
            {
                Assert.Null(action.Problem(now));
                now = action.Apply(now);
                done++;
            }
            Assert.Null(HouseCheck.WhyNot(now));
        }
        Assert.True(done > 200, $"{done}");
    }

    private const string First = """
        Windows IP Configuration

        Ethernet adapter vEthernet (Default Switch):
           Description . . . . . . . . . . . : Virtual Ethernet Adapter
           Physical Address. . . . . . . . . : 00-00-5E-00-53-EE
           IPv4 Address. . . . . . . . . . . : 172.20.16.1(Preferred)
           Subnet Mask . . . . . . . . . . . : 255.255.240.0

        Ethernet adapter Ethernet:
           Physical Address. . . . . . . . . : 00-00-5E-00-53-10
           DHCP Enabled. . . . . . . . . . . : Yes
           IPv4 Address. . . . . . . . . . . : 192.168.0.104(Preferred)
           Subnet Mask . . . . . . . . . . . : 255.255.254.0
           Default Gateway . . . . . . . . . : 192.168.0.1
           DHCP Server . . . . . . . . . . . : 192.168.0.1
           DNS Servers . . . . . . . . . . . : 192.168.0.1

        Interface: 192.168.0.104 --- 0x7
          Internet Address      Physical Address      Type
          192.168.0.1           00-00-5e-00-53-f1     dynamic
          192.168.0.31          00-00-5e-00-53-09     dynamic
        """;

    [Fact]
    public void An_empty_house_begins_with_the_gateway_that_the_laptop_shows()
    {
        var empty = new NetworkDocument { Name = "New house" };
        var paste = Paste.Of(empty, First);
        var begin = Assert.Single(paste.Proposals);
        Assert.Equal(("Begin with the gateway at 192.168.0.1", 1), (begin.Title, paste.Waiting));
        // What is only the laptop's is marked as such.
        Assert.Contains(paste.Lines, line => line.Text.Contains("172.20.16.1", StringComparison.Ordinal)
            && line.Says == "a virtual adapter of the laptop: not the house");
        var house = begin.Actions.Apply(empty);
        Assert.Null(HouseCheck.WhyNot(house));
        var box = Assert.Single(house.Devices);
        Assert.Equal((house.Line!.Device, "192.168.0.1/23"), (box.Id, box.Lan!.Address.ToString()));
        // Nobody has looked at its pool or its Wi-Fi.
        Assert.Equal((null, null, 0), (box.Lan.DhcpServer!.Start, box.Lan.DhcpServer.End, box.Wifi.Length));
        // Read again, the rest is offered.
        var rest = Paste.Of(house, First);
        Assert.Equal(("192.168.0.31", 0), (Assert.Single(rest.Proposals).Address, rest.Waiting));
    }

    /// <summary>A house that has a box, a laptop that nobody gave an address, one whose way out is outside: none begins a house.</summary>
    [Theory]
    [InlineData("192.168.0.1", "", true)]
    [InlineData("192.168.0.1", "gw", false)]
    [InlineData("203.0.113.1", "", false)]
    [InlineData("", "", false)]
    public void Only_an_empty_house_begins_so_and_only_by_a_private_way_out(string gateway, string box, bool begins)
    {
        var house = box == "" ? new NetworkDocument { Name = "New house" } : new HouseBuilder().Gateway().House;
        var text = First.Replace("Gateway . . . . . . . . . : 192.168.0.1", $"Gateway . . . . . . . . . : {gateway}",
            StringComparison.Ordinal);
        Assert.Equal(begins, Paste.Of(house, text).Proposals.Any(one => one.Title.StartsWith("Begin", StringComparison.Ordinal)));
    }

    [Fact]
    public void A_line_without_end_is_shown_as_far_as_a_line_goes()
    {
        var paste = Paste.Of(House(), "PING 192.0.2.1 (192.0.2.1) 56(84) bytes of data.\n" + new string('x', 1 << 20));
        Assert.Equal(["PING 192.0.2.1 (192.0.2.1) 56(84) bytes of data.", new string('x', Paste.LongestShown) + "…"],
            paste.Lines.Select(line => line.Text));
    }

    /// <summary>A list of sixty thousand is no home's: it is answered in bounded time, and what is beyond is not looked at.</summary>
    [Fact]
    public void A_hostile_list_is_answered_in_time()
    {
        var text = "Interface: 10.0.0.2 --- 0x7\n" + string.Join('\n',
            Enumerable.Range(0,
            60_000).Select(n =>
            $"  10.{n / 65536}.{n / 256 % 256}.{n % 256}   02-00-00-{n / 65536:x2}-{n / 256 % 256:x2}-{n % 256:x2}   dynamic"));
        var start = ThreadClock.Now;
        var paste = Paste.Of(House(), text);
        Assert.InRange(ThreadClock.Now - start, TimeSpan.Zero, TimeSpan.FromSeconds(10));
        Assert.Equal((Paste.MostLines, 60_001), (paste.Lines.Length, paste.LineCount));
        Assert.InRange(paste.Proposals.Length, 300, 600);
    }
}
