using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;

namespace Altrin.Core.Tests.Rules;

/// <summary>What is asked of every rule, over the example documents and over random houses.</summary>
public class RuleTests
{
    /// <summary>Rule, example, and the very words. One row a mistake.</summary>
    public static IEnumerable<TheoryDataRow<string, string, Severity, string>> Mistakes() =>
    [
        new("double-nat", "double-nat", Severity.Fault, "Second router translates 192.168.1.0/24 into 192.168.31.100, and Hall gateway translates again. Nothing behind Second router can be reached or found by name from the rest of the house or from the street."),
        new("double-nat", "kept-apart", Severity.Caution, "Second router translates 192.168.1.0/24 into 192.168.31.100, and Hall gateway translates again. Nothing behind Second router can be reached or found by name from the rest of the house or from the street. The household wants it kept apart, so this is meant."),
        new("address-held-twice", "address-held-twice", Severity.Fault, "Hall gateway and Second router hold 192.168.31.1 on the same network. It is the gateway's own address: what is sent there reaches now the one, now the other, and the whole network loses the internet."),
        new("two-dhcp-servers", "two-dhcp-servers", Severity.Fault, "Second router gives out addresses on the network of Hall gateway. So does Hall gateway. Which one answers is chance. Tablet and Laptop may get an address that leads nowhere."),
        new("wan-lan-overlap", "wan-lan-overlap", Severity.Fault, "Second router has 192.168.31.0/24 on its WAN side and 192.168.31.0/24 on its LAN side. It cannot tell inside from outside, so nothing behind it has internet."),
        new("static-in-pool", "static-in-pool", Severity.Caution, "Printer is fixed at 192.168.31.150, and Hall gateway may give that address to another device; then both lose the network."),
        new("static-in-pool", "pool-not-looked-at", Severity.Caution, "Printer is fixed at 192.168.31.150, and nobody has looked which addresses Hall gateway gives out: it may be one of them. Look at its DHCP page and write the pool down."),
        new("band-not-served", "band-not-served", Severity.Fault, "Heating plug has 2.4 GHz alone, and hollow of Hall gateway is on 5 GHz. It hears nothing that it knows."),
        new("copper-between-buildings", "copper-between-buildings", Severity.Caution, "The cable between Hall gateway LAN 2 and Barn access point WAN goes from one building into another. A stroke of lightning nearby, or the difference between the two earths, goes along it into both. Fibre or a radio link is preferred; else a licensed person fits protectors at both ends. Local codes come first."),
        new("wandering-page", "wandering-page", Severity.Caution, "Loft access point asks Hall gateway for its own address and has 192.168.31.100 just now. After the next restart its settings page may be at another, and then it has to be looked for."),
        new("static-outside-subnet", "static-outside-subnet", Severity.Fault, "Printer is fixed at 192.168.0.50, but the network it is on is 192.168.31.0/24: nobody there reaches it, and it has no internet."),
        new("static-outside-subnet", "static-broadcast", Severity.Fault, "Printer is fixed at 192.168.31.255, the broadcast address of 192.168.31.0/24, which no device may hold: it reaches nothing."),
        new("no-dhcp-server", "no-dhcp-server", Severity.Fault, "No DHCP server answers here. Tablet gives itself 169.254.x.x and has no internet."),
        new("no-dhcp-server", "cable-in-wan", Severity.Fault, "No DHCP server answers here. Laptop gives itself 169.254.x.x and has no internet."),
        new("pool-exhausted", "pool-exhausted", Severity.Fault, "Hall gateway gives out 192.168.31.100 to 192.168.31.101, 2 addresses. Kitchen radio gets none, so no internet."),
        new("pool-outside-subnet", "pool-outside-subnet", Severity.Fault, "Hall gateway is at 192.168.31.1/24, but its pool runs from 192.168.1.100 to 192.168.1.199. It gives out nothing, and what asks it has no internet."),
        new("lease-gateway-missing", "lease-gateway-missing", Severity.Fault, "Hall gateway sends its clients to 192.168.31.254, where nobody answers. Tablet has no internet from it."),
        new("wrong-socket", "wrong-socket", Severity.Fault, "The cable is in Second router LAN 2 and its WAN socket is empty, so Second router routes nothing; yet it gives out addresses with itself as gateway. Whoever gets one of those has no internet."),
        new("wrong-socket", "wrong-socket-line", Severity.Fault, "The provider's line is in Hall gateway LAN 4, and Hall gateway is a router: it does not route what comes in there. Nothing on its network is protected, and at most one device gets the provider's address."),
        new("loop", "loop", Severity.Fault, "The cable between Hall gateway LAN 3 and Switch LAN 2 closes it: broadcasts run round it until nothing on this network gets through."),
        new("admin-page-out-of-reach", "admin-page-out-of-reach", Severity.Caution, "Loft access point has its own page at 192.168.1.2/24, but the network it is on is 192.168.31.0/24: nobody there can open it."),
        new("bridge-gives-addresses", "bridge-gives-addresses", Severity.Fault, "Loft repeater is a repeater, and its DHCP server is still on, with itself as gateway. It does not route: whoever gets an address from it has no internet."),
        new("bridge-serves-wired-only", "bridge-serves-wired-only", Severity.Fault, "Tablet is to use lounge of Lounge bridge, but Lounge bridge is a client bridge that serves its sockets alone."),
        new("cable-beside-radio", "cable-beside-radio", Severity.Fault, "Loft repeater joins hollow by radio and is on the same network by cable: everything runs round that circle until nothing gets through. Mesh units break such a circle themselves; this one does not."),
        new("cable-beyond-standard", "cable-beyond-standard", Severity.Caution, "The cable between Hall gateway LAN 1 and Loft access point WAN is cat5, 22 m, good for 1 Gb/s; its sockets can do 2.5 Gb/s."),
        new("cable-beyond-standard", "cable-too-long", Severity.Caution, "The cable between Hall gateway LAN 1 and Orchard access point WAN is 130 m (427 ft) long; the standard ends at 100 m (328 ft). Put a switch half way, or use fibre."),
        new("default-admin-password", "default-admin-password", Severity.Caution, "The settings page of Hall gateway still opens with the password on its label. Whoever is on the network can change everything."),
        new("dhcp-through-bridge", "dhcp-through-bridge", Severity.Caution, "Television is plugged into Lounge bridge, a wireless client bridge, and asks Hall gateway for its address through it. On some boxes that fails now and then; a fixed address does not."),
        new("forward-handed-on", "forward-handed-on", Severity.Fault, "Hall gateway forwards tcp 8443, but it hands the line to Second router: all that comes in from the internet goes there, and nothing to what is on Hall gateway. What is to be reached from outside belongs behind Second router."),
        new("forward-stops-outside", "forward-stops-outside", Severity.Fault, "Second router forwards tcp 8443, but what comes from the internet meets Hall gateway first, and that sends it nowhere."),
        new("inbound-target-moved", "forward-target-moved", Severity.Fault, "Hall gateway forwards tcp 8443 to 192.168.31.50, but nothing on its network is there: the device has moved to another address, or is gone. What comes in is lost."),
        new("forward-through-carrier", "forward-through-carrier", Severity.Fault, "Hall gateway forwards tcp 8443, but the provider shares the line’s address among customers: nothing from the internet gets as far as Hall gateway. It takes a fixed address from the provider, a tunnel or a relay."),
        new("gateway-wifi-left-on", "gateway-wifi-left-on", Severity.Caution, "Loft access point makes the household’s Wi-Fi, and nobody is on Hall gateway’s gateway-2af0. The two disturb each other, and there is one more box to keep safe. Few things are noted yet: look first whether Hall gateway lists others on its Wi-Fi."),
        new("guests-not-apart", "guests-not-apart", Severity.Fault, "Loft access point is no router, so its guest network hollow-guests is not apart: whoever is on it is on 192.168.31.0/24 and reaches every device and settings page there."),
        new("idle-router-services", "idle-router-services", Severity.Caution, "Second router no longer routes, and its firewall and UPnP are still on. The main router does that work; here it only gets in the way."),
        new("inbound-target-moved", "inbound-target-moved", Severity.Fault, "Hall gateway makes 192.168.31.50 its DMZ host, but nothing on its network is there: the device has moved to another address, or is gone. What comes in is lost."),
        new("one-name-two-keys", "one-name-two-keys", Severity.Fault, "Loft access point and Hall gateway are both called hollow but have another password each. A device that is carried from one to the other is thrown off."),
        new("passthrough-bystander", "passthrough-bystander", Severity.Fault, "Hall gateway passes the line through to Second router. Laptop is still on Hall gateway: its settings page opens there, and there is no internet."),
        new("passthrough-to-nobody", "passthrough-to-nobody", Severity.Fault, "Hall gateway passes the line through to nobody. Nobody in the house has internet."),
        new("poe-class-not-met", "poe-class-not-met", Severity.Fault, "Loft access point wants 802.3at power through Loft access point WAN, and Switch LAN 2 gives 802.3af. It stays dark. An injector between them does it: its data side to the router, its power side to this box."),
        new("portable-fixed-address", "portable-fixed-address", Severity.Fault, "Laptop is fixed at 192.168.1.9 without a gateway. It connects and has no internet."),
        new("satellites-in-row", "satellites-in-row", Severity.Caution, "Loft satellite joins Landing satellite, which itself joins by radio: each hop takes about half of what is left. Hall gateway makes the same network and is a hop less away."),
        new("several-wifi-names", "several-wifi-names", Severity.Fault, "The household wants one Wi-Fi name and has hollow and hollow-loft. Devices stay on the one they know, however weak, when they are carried through the house."),
        new("slow-socket", "slow-socket", Severity.Caution, "Old access point WAN is a 100 Mb/s socket on a 500 Mb/s line: what is behind Old access point gets at most about 94 Mb/s."),
        new("switch-before-router", "switch-before-router", Severity.Fault, "Switch is on the provider’s side. Printer stands in the street, outside the router: without its protection, and the provider gives out 1 address only."),
        new("thing-not-joined", "thing-not-joined", Severity.Fault, "Tablet asks for hollow, but Hall gateway has another password for hollow. It is on no network."),
        new("tunnel-clash", "tunnel-clash", Severity.Fault, "Hall gateway makes 192.168.31.0/24 at home, and the work tunnel uses 192.168.0.0/16. While it is up, a device takes the one for the other: what is at work, or what is at home, cannot be reached."),
        new("uplink-not-joined", "uplink-not-joined", Severity.Fault, "Loft repeater is to join hollow, but Hall gateway has another password for hollow. It and what is behind it are cut off."),
        new("wds-channel", "wds-channel", Severity.Fault, "Barn bridge is on channel 11 and Hall gateway on an automatic channel. A WDS link comes up only on one fixed channel, so Barn bridge and what is behind it are cut off."),
        new("wds-unsupported", "wds-unsupported", Severity.Caution, "Barn bridge is set to WDS, but Hall gateway does not list WDS among its modes. Each maker has its own; the link may never come up."),
        new("weak-wifi-security", "weak-wifi-security", Severity.Caution, "setup-5302 of Loft access point is open: whoever is in the street is in the house, and everything said on it can be heard."),
        new("weak-wifi-security", "weak-wifi-wep", Severity.Caution, "hollow of Hall gateway has WEP, which is broken in minutes. Use WPA2 or WPA3."),
        new("wisp-where-repeater", "wisp-where-repeater", Severity.Fault, "Loft repeater joins hollow of Hall gateway as a client router and translates again. What is behind Loft repeater cannot be reached or found by name from the rest of the house."),
        new("own-channels-overlap", "own-channels-overlap", Severity.Caution, "Hall gateway, Lounge access point and Study access point send on channel 6 at 2.4 GHz, hear each other and take turns: 33 % of the time is left to Hall gateway."),
        new("channel-unlawful", "channel-unlawful", Severity.Fault, "Hall gateway sends on channel 165 at 5 GHz, 20 MHz wide. Nobody may send there in JP. It can jam others, and it is unlawful, whatever its settings page offers."),
        new("radar-under-bridge", "radar-under-bridge", Severity.Caution, "Study bridge hangs on channel 100 of Hall gateway, which has to be left when a radar is heard, and is listened to for a minute before it is used. Each time Study bridge and what is behind it are cut off."),
        new("channel-between", "channel-between", Severity.Caution, "Hall gateway is on channel 3 at 2.4 GHz, between those that do not overlap: it disturbs two of them, and both disturb it. They are 1, 6 and 11."),
        new("wide-among-neighbours", "wide-among-neighbours", Severity.Caution, "Hall gateway is 40 MHz wide at 2.4 GHz, half the band, and oak is there too. It has to wait for all of them, and they for it."),
        new("power-over-limit", "power-over-limit", Severity.Fault, "Hall gateway is noted to radiate 30 dBm (EIRP) at 5 GHz; GB allows 23 dBm on its channel. Set its real country, or lower its power, on its settings page. Nothing is gained by more: what it sends louder it does not hear better."),
        new("joined-too-weak", "joined-too-weak", Severity.Caution, "Den repeater hears Hall gateway at -80 dBm, 16 m (52 ft) and two brick walls and two wood walls: that carries 9.4 Mb/s, and whoever is on Den repeater gets no more."),
        new("beside-its-parent", "beside-its-parent", Severity.Caution, "Second repeater stands in one room with Hall gateway, which it repeats: in no room of the house is it the better of the two, and it takes of the same air."),
        new("backhaul-on-old-band", "backhaul-on-old-band", Severity.Caution, "Study repeater joins Hall gateway at 2.4 GHz, 94 Mb/s at most. At 5 GHz it hears it at -50 dBm, which carries 563."),
        new("hears-another-better", "hears-another-better", Severity.Caution, "Tablet is on Hall gateway and may expect 169 Mb/s; Den access point would give it 500. The two have one name, and it clings to the one it met first."),
        new("hears-another-better", "hears-other-name-better", Severity.Caution, "Tablet is on Hall gateway and may expect 169 Mb/s; Den access point would give it 500. That one is called hollow-den, and it does not look for it by itself."),
        new("room-without-wifi", "room-without-wifi", Severity.Caution, "In Cellar none of the household’s boxes is heard. Tablet is there. A box nearer by, or a cable and an access point, is missing."),
        new("two-sources-one-room", "two-sources-one-room", Severity.Caution, "Hall access point and Hall gateway stand in Hall and both send: they cover the same rooms and share the air. One is enough, and one less to keep safe."),
        new("old-standard", "old-standard", Severity.Caution, "Old access point makes Wi-Fi by 802.11g: 54 Mb/s on paper, about 27 in use, on a line of 500. And while it sends, everybody else on its channel waits the longer. A newer box in its place, or a cable to one, is the cure."),
    ];

    [Theory, MemberData(nameof(Mistakes))]
    public void Each_mistake_is_found_and_said_in_these_words(string rule, string example, Severity severity, string message)
    {
        var finding = Assert.Single(Evaluation.Of(Examples.House(example)).Findings, found => found.Rule == rule);
        Assert.Equal((severity, message), (finding.Severity, finding.Message));
        Assert.Contains(finding.Subjects, subject => Examples.House(example).NameOf(subject) != subject);
    }

    /// <summary>Where nothing can be offered, and why.</summary>
    private static readonly HashSet<string> WithoutFix =
    [
        "kept-apart",               // it is meant
        "copper-between-buildings", // fibre, radio or protectors: work for a licensed person
        "slow-socket",              // another box has to be bought
        "cable-too-long",           // a switch half way, or fibre: a matter of the building
        "room-without-wifi",        // a box or a cable is missing
        "old-standard",             // a newer box is
    ];

    [Theory, MemberData(nameof(Mistakes))]
    public void Each_mistake_has_a_fix_that_proves_itself(string rule, string example, Severity severity, string message)
    {
        _ = (severity, message);
        var house = Evaluation.Of(Examples.House(example));
        var finding = house.Findings.First(found => found.Rule == rule);
        Assert.Equal(WithoutFix.Contains(example), house.ProvenFixes(finding).IsEmpty);
    }

    [Fact]
    public void Every_rule_has_an_example_and_a_source()
    {
        var tried = Mistakes().Select(row => row.Data.Item1).ToHashSet();
        Assert.All(RuleBook.All, rule =>
        {
            Assert.Contains(rule.Id, tried);
            Assert.EndsWith(".", rule.Statement, StringComparison.Ordinal);
            Assert.Matches("RFC|IEEE|ETSI|IEC|common practice, no source", rule.Source);
        });
        Assert.Equal(RuleBook.All.Select(rule => rule.Id).Distinct().Order(StringComparer.Ordinal), RuleBook.All.Select(rule => rule.Id));
    }

    [Theory]
    [InlineData("healthy")]
    [InlineData("modem-in-front")]
    [InlineData("guests-in-vlan")]
    [InlineData("hairpin")]
    [InlineData("mesh")]
    [InlineData("passthrough")]
    [InlineData("pppoe-line")]
    [InlineData("static-line")]
    public void A_healthy_house_is_silent(string example) => Assert.Empty(Evaluation.Of(Examples.House(example)).Findings);

    [Theory, MemberData(nameof(Examples.All), MemberType = typeof(Examples))]
    public void No_rule_touches_the_house_or_leaves_a_blank(string example)
    {
        var house = Examples.House(example);
        var before = AltrinJson.Write(house);
        var found = Evaluation.Of(house).Findings;
        Assert.Equal(before, AltrinJson.Write(house));
        Assert.All(found, finding =>
        {
            Assert.DoesNotMatch("  |\\{|\\}|null| ,|^ | $", finding.Message);
            Assert.NotEmpty(finding.Subjects);
        });
    }

    /// <summary>Every fix that is offered removes its finding, adds no fault and breaks no want that held. Judged here from the
    /// outside: from two evaluations, not from the code that offered it.</summary>
    [Property(MaxTest = 150)]
    public Property Every_offered_fix_does_what_it_claims() => Prop.ForAll(Houses.Any(), house =>
    {
        var before = Evaluation.Of(house);
        var (offered, honest) = (0, true);
        foreach (var finding in before.Findings)
            foreach (var fix in before.ProvenFixes(finding))
            {
                offered++;
                var after = Evaluation.Of(Altrin.Core.Actions.ActionList.Apply(fix.Actions, house));
                var faultsBefore = before.Findings.Where(f => f.Severity == Severity.Fault).Select(f => f.Key).ToHashSet();
                honest &= after.Findings.All(f => f.Key != finding.Key);
                honest &= after.Findings.Where(f => f.Severity == Severity.Fault).All(f => faultsBefore.Contains(f.Key));
                honest &= before.Wants.All(want => want.Met != Altrin.Core.Simulation.Answer.Yes
                    || after.Wants.Any(w => w.Need == want.Need && w.Met == Altrin.Core.Simulation.Answer.Yes));
                honest &= DocumentReader.Read(AltrinJson.Write(after.State.House)).Document is not null;
            }
        return honest.Classify(offered == 0, "nothing offered").Label(house.Name);
    });

    [Fact]
    public void The_simulator_and_the_rules_never_throw_on_any_house()
    {
        var found = 0;
        for (var seed = 1; seed <= 1500; seed++)
        {
            var house = Houses.Make(seed, Enum.GetValues<DeviceMode>());
            var evaluation = Evaluation.Of(house);
            found += evaluation.Findings.Length;
            foreach (var a in house.Endpoints)
            {
                evaluation.State.Internet(a.Id);
                evaluation.State.Inbound(a.Id, TransportProtocol.Tcp, 80);
                foreach (var b in house.Endpoints) evaluation.State.Reach(a.Id, b.Id);
                foreach (var device in house.Devices) evaluation.State.Admin(a.Id, device.Id);
            }
            Altrin.Core.Simulation.Stairs.Of(evaluation.State);
        }
        Assert.True(found > 1000);
    }

    [Theory]
    [InlineData("n1", "Yes")]
    [InlineData("n2", "Sometimes")]
    [InlineData("n3", "Sometimes")]
    [InlineData("n4", "No")]
    [InlineData("n5", "No")]
    [InlineData("n6", "No")]
    [InlineData("n7", "Yes")]
    public void The_wants_of_the_demo_house_are_judged_as_found(string need, string met) =>
        Assert.Equal(met, Evaluation.Of(Examples.House("larkspur-house")).Wants.First(want => want.Need == need).Met.ToString());

    [Fact]
    public void The_demo_house_has_three_faults_and_four_cautions()
    {
        var demo = Evaluation.Of(Examples.House("larkspur-house"));
        Assert.Equal((3, 4, 2), (demo.Faults, demo.Cautions, demo.WantsHeld));
    }
}
