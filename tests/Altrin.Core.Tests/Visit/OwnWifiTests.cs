using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Visit;

namespace Altrin.Core.Tests.Visit;

/// <summary>The household's own networks, told by the MACs of its boxes. How a BSSID follows from a label: common practice, no source.</summary>
public class OwnWifiTests
{
    private static Device Take(string kit, string id, string name, string mac, string room) =>
        KitShelf.Find(kit)!.Make(id, name, room, MacAddress.Parse(mac));

    /// <summary>A router and a satellite as they come off the shelf.</summary>
    private static NetworkDocument House() => new HouseBuilder().Gateway()
        .With(house => house with { Devices = [.. house.Devices, Take("router-wds", "main", "Farmhouse router", "02:00:5E:10:00:20", "kitchen"), Take("mesh-satellite", "sat", "Hall satellite", "02:00:5E:10:00:40", "hall")] });

    private static string Scan(params (string Ssid, string Bssid, int Channel)[] heard) => "Interface name : Wi-Fi\nThere are networks currently visible.\n\n" + string.Join('\n', heard.Select((one, i) =>
        $"SSID {i + 1} : {one.Ssid}\n    Network type            : Infrastructure\n    Authentication          : WPA2-Personal\n    Encryption              : CCMP\n    BSSID 1                 : {one.Bssid}\n         Signal             : 84%\n         Radio type         : 802.11ax\n         Channel            : {one.Channel}\n"));

    [Fact]
    public void A_network_is_known_as_the_boxs_by_the_MAC_of_its_label()
    {
        var house = House();
        var paste = Paste.Of(house, Scan(("hawthorn", "02:00:5e:10:00:20", 6), ("hawthorn", "06:00:5e:10:00:20", 36), ("hawthorn-guests", "02:00:5e:10:00:22", 6), ("oak", "02:00:5e:10:00:99", 1)));
        var sends = Assert.Single(paste.Proposals, one => one.Key == "wifi main");
        Assert.Equal("Farmhouse router sends hawthorn on channel 6 and 36 and hawthorn-guests", sends.Title);
        Assert.EndsWith("by its name hawthorn-guests is for guests.", sends.Because, StringComparison.Ordinal);
        var taken = paste.Proposals.SelectMany(one => one.Actions).Apply(house);
        Assert.Null(HouseCheck.WhyNot(taken));
        // Its names as sold are gone, the neighbour is a neighbour.
        Assert.Equal([("hawthorn", Band.Ghz24, 6, false), ("hawthorn", Band.Ghz5, 36, false), ("hawthorn-guests", Band.Ghz24, (int?)null, true)],
            taken.FindDevice("main")!.Wifi.Select(one => (one.Ssid, taken.FindDevice("main")!.Radios.First(radio => radio.Id == one.Radio).Band, one.Channel?.Number, one.Guest)));
        Assert.All(taken.FindDevice("main")!.Wifi, one => Assert.Equal((WifiSecurity.Wpa2, one.Ssid), (one.Security, one.Key)));
        Assert.Equal("oak", Assert.Single(taken.Neighbours).Ssid);
        Assert.Contains(paste.Lines, line => line.Text.Contains("06:00:5e:10:00:20", StringComparison.Ordinal) && line.Says == "Farmhouse router");
        // Pasted again there is nothing new.
        Assert.Empty(Paste.Of(taken, Scan(("hawthorn", "02:00:5e:10:00:20", 6), ("hawthorn", "06:00:5e:10:00:20", 36), ("oak", "02:00:5e:10:00:99", 1))).Proposals);
    }

    [Theory]
    [InlineData("02:00:5E:10:00:20", "main")]
    [InlineData("02:00:5E:10:00:24", "main")]
    [InlineData("02:00:5E:10:00:25", null)]
    [InlineData("02:00:5E:10:00:1F", null)]
    [InlineData("FE:00:5E:10:00:20", "main")]
    // Registered to somebody: another maker's box with the same end.
    [InlineData("00:00:5E:10:00:20", null)]
    [InlineData("02:00:5E:10:00:41", "sat")]
    public void Who_sends_is_told_by_the_label(string bssid, string? box) => Assert.Equal(box, new Senders(House()).Of(bssid)?.Id);

    [Fact]
    public void A_thing_of_the_house_is_no_sender()
    {
        var house = new HouseBuilder().Gateway().Thing("phone", "gw:lan2", mac: "02:00:5E:10:00:21").With(house => house with { Devices = [.. house.Devices, Take("router-wds", "main", "Main", "02:00:5E:10:00:20", "kitchen")] }).House;
        Assert.Null(new Senders(house).Of("02:00:5E:10:00:21"));
    }

    [Fact]
    public void A_satellite_that_sends_the_name_of_another_box_joins_it()
    {
        var house = House();
        var paste = Paste.Of(house, Scan(("hawthorn", "02:00:5e:10:00:20", 36), ("hawthorn", "02:00:5e:10:00:40", 36)));
        Assert.Contains(paste.Proposals, one => one.Title == "Hall satellite joins hawthorn");
        var taken = paste.Proposals.SelectMany(one => one.Actions).Apply(house);
        Assert.Equal(("hawthorn", "hawthorn", "5g"), (taken.FindDevice("sat")!.Uplink!.Ssid, taken.FindDevice("sat")!.Uplink!.Key, taken.FindDevice("sat")!.Uplink!.Radio));
        // Its channel is the one it joins: none is set on it.
        Assert.Null(taken.FindDevice("sat")!.Wifi.Single().Channel);
        // Alone on the air it may hang on a cable.
        Assert.DoesNotContain(Paste.Of(house, Scan(("hawthorn", "02:00:5e:10:00:40", 36))).Proposals, one => one.Key == "joins sat");
    }

    [Fact]
    public void A_name_that_was_taken_for_a_neighbours_is_the_households_once_its_box_is_known()
    {
        var house = House();
        var scan = Scan(("hawthorn-barn", "02:00:5e:10:00:70", 6), ("oak", "02:00:5e:10:00:99", 1));
        var before = Paste.Of(house, scan).Proposals.SelectMany(one => one.Actions).Apply(house);
        Assert.Equal(["hawthorn-barn", "oak"], before.Neighbours.Select(one => one.Ssid));
        var with = before with { Devices = [.. before.Devices, Take("router-wds", "barn", "Barn bridge", "02:00:5E:10:00:70", "barn")] };
        var paste = Paste.Of(with, scan);
        Assert.Contains(paste.Proposals, one => one.Title == "hawthorn-barn: no neighbour’s");
        Assert.Equal(["oak"], paste.Proposals.SelectMany(one => one.Actions).Apply(with).Neighbours.Select(one => one.Ssid));
    }

    [Fact]
    public void A_list_that_says_how_an_address_is_held_is_believed()
    {
        var house = new HouseBuilder().Gateway().House;
        const string Table = "Device\tIP address\tMAC address\tAssignment\nOffice printer\t192.168.31.30\t02:00:5E:20:00:01\tStatic\nRecorder\t192.168.31.20\t02:00:5E:20:00:02\tReserved\nTablet\t192.168.31.110\t02:00:5E:20:00:03\tDHCP\nElsewhere\t192.168.99.30\t02:00:5E:20:00:04\tStatic\n";
        var taken = Paste.Of(house, Table).Proposals.SelectMany(one => one.Actions).Apply(house);
        Assert.Null(HouseCheck.WhyNot(taken));
        EndpointAddress At(string name) => taken.Endpoints.Single(thing => thing.Name == name).Address;
        Assert.Equal(("192.168.31.30/24", "192.168.31.1"), (At("Office printer").Address.ToString(), At("Office printer").Gateway.ToString()));
        Assert.Equal(EndpointMethod.Dhcp, At("Recorder").Method);
        Assert.Equal(("02:00:5E:20:00:02", "192.168.31.20"), taken.FindDevice("gw")!.Lan!.DhcpServer!.Reservations.Select(one => (one.Mac.ToString(), one.Address.ToString())).Single());
        Assert.Equal(EndpointMethod.Dhcp, At("Tablet").Method);
        // Of a subnet that nobody knows yet nothing is set.
        Assert.Equal(EndpointMethod.Dhcp, At("Elsewhere").Method);
    }

    [Fact]
    public void A_box_that_is_known_by_its_MAC_is_found_at_its_address()
    {
        const string Arp = "C:\\> arp -a\n\nInterface: 192.168.44.104 --- 0x7\n  Internet Address      Physical Address      Type\n  192.168.44.4          02-00-5e-10-00-50     dynamic\n  192.168.44.1          02-00-5e-10-00-20     dynamic\n";
        var house = new HouseBuilder().Gateway().With(house => house with { Devices = [.. house.Devices, Take("access-point-ceiling", "up", "Upstairs point", "02:00:5E:10:00:50", "landing"), Take("router-wds", "main", "Farmhouse router", "02:00:5E:10:00:20", "kitchen")] }).House;
        var paste = Paste.Of(house, Arp);
        var found = Assert.Single(paste.Proposals);
        Assert.Equal("Upstairs point is at 192.168.44.4", found.Title);
        Assert.Equal("192.168.44.4/24", found.Actions.Apply(house).FindDevice("up")!.Lan!.Address.ToString());
        // Of the router it is what its WAN side was given, unless everything leaves by it.
        var with = Paste.Of(house, "Windows IP Configuration\n\nEthernet adapter Ethernet:\n\n   IPv4 Address. . . . . . . . . . . : 192.168.44.104\n   Subnet Mask . . . . . . . . . . . : 255.255.255.0\n   Default Gateway . . . . . . . . . : 192.168.44.1\n\n" + Arp);
        var taken = with.Proposals.SelectMany(one => one.Actions).Apply(house);
        Assert.Equal("192.168.44.1/24", taken.FindDevice("main")!.Lan!.Address.ToString());
        Assert.StartsWith("192.168.44.", taken.FindDevice("main")!.Lan!.DhcpServer!.Start.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void A_client_table_says_by_what_a_thing_hangs_on_and_a_name_says_its_room()
    {
        var house = new HouseBuilder().Gateway().With(house => house with
        {
            Rooms = [new() { Id = "east-wing", Name = "East wing" }, new() { Id = "barn", Name = "Barn" }],
            Devices = [.. house.Devices, Take("switch-5", "barn1", "Barn switch", "02:00:5E:10:00:60", "barn")],
        }).With(house => house.WithDevice("gw", box => box with { Wifi = [new() { Radio = "2g", Ssid = "hawthorn", Security = WifiSecurity.Wpa2, Key = "family" }, new() { Radio = "2g", Ssid = "hawthorn-guests", Security = WifiSecurity.Wpa2, Key = "guests", Guest = true }] })).House;
        const string Table = "Name\tIP address\tMAC address\tConnection\nEast wing tablet\t192.168.44.110\t02:00:5E:20:00:01\t5 GHz\nBarn camera\t192.168.44.111\t02:00:5E:20:00:02\tWired\nBarn clock\t192.168.44.115\t02:00:5E:20:00:06\tLAN 2\nMilling machine\t192.168.44.112\t02:00:5E:20:00:03\tWired\nGuest phone\t192.168.44.113\t02:00:5E:20:00:04\thawthorn-guests\nBarnaby phone\t192.168.44.114\t02:00:5E:20:00:05\t2.4 GHz\n";
        var taken = Paste.Of(house, Table).Proposals.SelectMany(one => one.Actions).Apply(house).Endpoints;
        Assert.Equal(6, taken.Length);
        string Where(string name) => taken.Single(thing => thing.Name == name) is var thing ? $"{thing.Room ?? "-"} {thing.Connect?.Match(plug => $"{plug.Device} {plug.Port}", join => join.Ssid) ?? "-"}" : "";
        Assert.Equal("east-wing hawthorn", Where("East wing tablet"));
        Assert.Null(((Attachment.Join)taken.Single(thing => thing.Name == "East wing tablet").Connect!).Near);
        // A box that sends the name in its room is the one it hears best.
        var near = Paste.Of(house.WithDevice("gw", box => box with { Room = "East wing" }), Table).Proposals.Single(one => one.Title == "East wing tablet");
        Assert.Contains("of gw, which stands there", near.Because, StringComparison.Ordinal);
        Assert.Equal("gw", ((Attachment.Join)((AddEndpoint)near.Actions[0]).Endpoint.Connect!).Near);
        Assert.Equal("barn barn1 lan1", Where("Barn camera"));
        Assert.Equal("barn barn1 lan2", Where("Barn clock"));
        Assert.Equal("- -", Where("Milling machine"));
        Assert.Equal("- hawthorn-guests", Where("Guest phone"));
        Assert.Equal("- hawthorn", Where("Barnaby phone"));
    }
}
