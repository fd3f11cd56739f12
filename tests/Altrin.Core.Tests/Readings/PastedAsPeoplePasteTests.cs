using Altrin.Core.Readings.Parsers;

namespace Altrin.Core.Tests.Readings;

/// <summary>Outputs as people really paste them: cut, quoted, wrapped, with chosen fields, from pages that copy badly. Forms: values from
/// memory.</summary>
public class PastedAsPeoplePasteTests
{
    private const string Neighbour = "client-table|192.168.31.104 02:00:5E:30:00:01 laptop-one|192.168.31.105 02:00:5E:30:00:02 tablet";

    /// <summary>All that was read, a word a fact, so that a wrong one shows.</summary>
    private static string Gist(string text) => string.Join("\n", PastedText.Read(text).Select(Gist));

    private static string Gist(PastedReading one) => string.Join("|", new[] { one.Source }
        .Concat(one.Adapters.Select(a =>
            Words(a.Name, a.Kind == AdapterKind.Other ? null : a.Kind.ToString(), a.Address, a.Gateway, a.Dns.IsEmpty ? null
            : string.Join(",", a.Dns), a.Method, a.Mac)))
        .Concat(one.Neighbours.Select(n => Words(n.Address, n.Mac, n.Name, n.Adapter)))
        .Concat(one.Networks.Select(n =>
            Words(n.Ssid ?? "(hidden)", n.Bssid, n.Band, $"{n.Channel}", n.SignalPercent is { } p ? $"{p}%" : null, n.Security)))
        .Concat(one.Hops.Select(h => Words($"{h.N}", h.Address ?? "*")))
        .Concat(one.Pings.Select(p => Words(p.Target, $"{p.Received}/{p.Sent}"))));

    private static string Words(params string?[] words) => string.Join(' ', words.Where(word => !string.IsNullOrEmpty(word)));

    [Theory]
    [InlineData("Name\nIP Address\nMAC Address\nlaptop-one\n192.168.31.104\n02:00:5E:30:00:01\ntablet\n192.168.31.105\n02:00:5E:30:00:02\n")]
    [InlineData("Device name\nMAC address\nIP address\nlaptop-one\n02:00:5E:30:00:01\n192.168.31.104\n\ntablet\n02:00:5E:30:00:02\n192.168.31.105\n")]
    [InlineData("laptop-one\n192.168.31.104\t02:00:5E:30:00:01\ntablet\n192.168.31.105\t02:00:5E:30:00:02\n")]
    [InlineData("Name\tIP Address\tMAC Address\nlaptop-one\n192.168.31.104\t02:00:5E:30:00:01\ntablet\n192.168.31.105\t02:00:5E:30:00:02\n")]
    [InlineData("Name ; IP Address ; MAC Address\nlaptop-one ;192.168.31.104 ;02-00-5E-30-00-01\ntablet ;192.168.31.105 ;02-00-5E-30-00-02\n")]
    [InlineData("Name;IP Address;MAC Address\nlaptop-one;192.168.31.104;02-00-5E-30-00-01\ntablet;192.168.31.105;02-00-5E-30-00-02\n")]
    [InlineData("Name | IP Address | MAC Address\nlaptop-one | 192.168.31.104 | 02-00-5E-30-00-01\ntablet | 192.168.31.105 | 02-00-5E-30-00-02\n")]
    public void A_routers_list_of_devices_however_its_page_copies(string text) => Assert.Equal(Neighbour, Gist(text));

    [Fact]
    public void A_list_copied_a_cell_a_line_keeps_its_other_columns_in_their_place() => Assert.Equal(
        "client-table|192.168.31.104 02:00:5E:30:00:01 laptop-one Wi-Fi 5 GHz|192.168.31.105 02:00:5E:30:00:02 tablet LAN 2",
        Gist("Hostname\nIP Address\nMAC Address\nConnection\nlaptop-one\n192.168.31.104\n02:00:5E:30:00:01\nWi-Fi 5 GHz\ntablet\n192.168.31.105\n02:00:5E:30:00:02\nLAN 2\n"));

    [Theory]
    [InlineData("Network name\nlarkspur\nSecurity\nWPA2-Personal\n", "larkspur wpa2")]
    [InlineData("Network name\tlarkspur\nSecurity\tWPA2-Personal\nFrequency\t5 GHz\n", "larkspur 5 wpa2")]
    [InlineData("SSID\nlark spur\n\nSecurity type\nWPA3-Personal\n\nBand\n2.4 GHz\n", "lark spur 2.4 wpa3")]
    [InlineData("Netzwerkname\nlarkspur\nSicherheit\nWPA2\nPasswort\nnicht-zu-sehen\n", "larkspur wpa2")]
    public void A_phones_details_with_the_label_above_its_value_or_a_tab_between(string text, string network) =>
        Assert.Equal($"wifi-details|{network}", Gist(text));

    [Fact]
    public void A_phones_details_never_hold_its_password() =>
        Assert.DoesNotContain("nicht-zu-sehen",
            ReadingWriter.Write(Assert.Single(PastedText.Read("Netzwerkname\nlarkspur\nPasswort\nnicht-zu-sehen\nSicherheit\nWPA2\n"))),
            StringComparison.Ordinal);

    /// <summary><c>nmcli -f …</c>, <c>nmcli -t -f …</c> and <c>nmcli -m multiline</c>.</summary>
    [Theory]
    [InlineData("SSID      BSSID              SIGNAL  CHAN\nlarkspur  02:00:5E:10:00:03  84      36\n", "larkspur 02:00:5E:10:00:03 5 36 84%")]
    [InlineData("SSID      CHAN  SIGNAL\nlarkspur  6     40\nlark spur 11    22\n", "larkspur 2.4 6 40%|lark spur 2.4 11 22%")]
    [InlineData("larkspur:02\\:00\\:5E\\:10\\:00\\:03:36:84:WPA2\n", "larkspur 02:00:5E:10:00:03 5 36 84% wpa2")]
    [InlineData("lark\\:spur:84:WPA2\nhawthorn:40:WPA3\n", "lark:spur 84% wpa2|hawthorn 40% wpa3")]
    [InlineData("SSID:                                   larkspur\nBSSID:                                  02:00:5E:10:00:03\nCHAN:                                   36\nSIGNAL:                                 84\nSECURITY:                               WPA2\n" +
        "-------------------------------------------------------------------------------\nSSID:                                   --\nBSSID:                                  02:00:5E:10:00:04\nCHAN:                                   6\nSIGNAL:                                 40\nSECURITY:                               --\n",
        "larkspur 02:00:5E:10:00:03 5 36 84% wpa2|(hidden) 02:00:5E:10:00:04 2.4 6 40% open")]
    public void Networks_with_chosen_fields_and_in_blocks(string text, string networks) =>
        Assert.Equal($"nmcli-wifi|{networks}", Gist(text));

    /// <summary>At 6 GHz a box may say its channel nowhere but in its frequency (IEEE 802.11: 5950 + 5 n).</summary>
    [Fact]
    public void A_network_at_6_GHz_without_a_channel()
    {
        Assert.Equal("iw-scan|larkspur 02:00:5E:10:00:03 6 5 wpa3",
            Gist("BSS 02:00:5e:10:00:03(on wlan0)\n\tfreq: 5975\n\tcapability: ESS Privacy (0x0011)\n\tsignal: -61.00 dBm\n\tSSID: larkspur\n\tRSN:\t * Version: 1\n\t\t * Authentication suites: SAE\n"));
        Assert.Equal("windows-wifi-networks|larkspur 02:00:5E:10:00:03 6 84% wpa3",
            Gist("SSID 1 : larkspur\n    Network type            : Infrastructure\n    Authentication          : WPA3-Personal\n    Encryption              : CCMP\n    BSSID 1                 : 02:00:5e:10:00:03\n         Signal             : 84%\n         Radio type         : 802.11ax\n         Band               : 6 GHz\n"));
        Assert.Equal("windows-wifi-networks|larkspur 02:00:5E:10:00:03 6 5 84% wpa3",
            Gist("SSID 1 : larkspur\n    Network type            : Infrastructure\n    Authentication          : WPA3-Personal\n    Encryption              : CCMP\n    BSSID 1                 : 02:00:5e:10:00:03\n         Signal             : 84%\n         Radio type         : 802.11ax\n         Band               : 6 GHz\n         Channel            : 5\n"));
    }

    [Theory]
    [InlineData("""[{"dst":"192.168.31.1","dev":"enp3s0","lladdr":"02:00:5e:10:00:01","state":["STALE"]},{"dst":"192.168.31.7","dev":"enp3s0","lladdr":"02:00:5e:10:00:07","state":["STALE"]}]""")]
    [InlineData("""[ {"dst":"192.168.31.1","dev":"enp3s0","lladdr":"02:00:5e:10:00:01","state":["REACHABLE"]},{"dst":"192.168.31.9","dev":"enp3s0","state":["FAILED"]},{"dst":"192.168.31.7","dev":"enp3s0","lladdr":"02:00:5e:10:00:07","state":["STALE"]} ]""")]
    [InlineData("[ {\n        \"dst\": \"192.168.31.1\",\n        \"dev\": \"enp3s0\",\n        \"lladdr\": \"02:00:5e:10:00:01\",\n        \"state\": [ \"STALE\" ]\n    },{\n        \"dst\": \"192.168.31.7\",\n        \"dev\": \"enp3s0\",\n        \"lladdr\": \"02:00:5e:10:00:07\",\n        \"state\": [ \"STALE\" ]\n    } ]\n")]
    public void Neighbours_for_programs(string text) =>
        Assert.Equal("ip-neigh|192.168.31.1 02:00:5E:10:00:01 enp3s0|192.168.31.7 02:00:5E:10:00:07 enp3s0", Gist(text));

    [Theory]
    [InlineData("Verbindungsname Netzwerkadapter Physische Adresse   Transportname\n=============== =============== =================== ==========================================================\nEthernet        Adapter der Wer 02-00-5E-30-00-01   Medien getrennt\n", "Ethernet Ethernet 02:00:5E:30:00:01")]
    [InlineData("Nom de la conne Carte réseau    Adresse physique    Nom du transport\n=============== =============== =================== ==========================================================\nEthernet        Carte filaire   02-00-5E-30-00-01   Support déconnecté\n", "Ethernet Ethernet 02:00:5E:30:00:01")]
    [InlineData("Nombre de conex Adaptador de re Dirección física    Nombre de transporte\n=============== =============== =================== ==========================================================\nEthernet        Tarjeta         02-00-5E-30-00-01   Medios desconectados\n", "Ethernet Ethernet 02:00:5E:30:00:01")]
    [InlineData("Dirección física    Nombre de transporte\n=================== ==========================================================\n02-00-5E-30-00-01   Medios desconectados\n", "02:00:5E:30:00:01 02:00:5E:30:00:01")]
    [InlineData("Adresse physique    Nom du transport\n=================== ==========================================================\n02-00-5E-30-00-01   Support déconnecté\n", "02:00:5E:30:00:01 02:00:5E:30:00:01")]
    [InlineData("Physikal. Adresse   Transportname\n=================== ==========================================================\n02-00-5E-30-00-01   Medien getrennt\n", "02:00:5E:30:00:01 02:00:5E:30:00:01")]
    public void The_list_of_MACs_in_other_languages(string text, string adapter) => Assert.Equal($"windows-getmac|{adapter}", Gist(text));

    [Theory]
    [InlineData("PING fe80::1(fe80::1%enp3s0) 56 data bytes\n64 bytes from fe80::1%enp3s0: icmp_seq=1 ttl=64 time=0.41 ms\n64 bytes from fe80::1%enp3s0: icmp_seq=2 ttl=64 time=0.39 ms\n\n--- fe80::1 ping statistics ---\n2 packets transmitted, 2 received, 0% packet loss, time 1001ms\nrtt min/avg/max/mdev = 0.390/0.400/0.410/0.010 ms\n", "ping|fe80::1 2/2")]
    [InlineData("PING6(56=40+8+8 bytes) fe80::2%en0 --> fe80::1%en0\n16 bytes from fe80::1%en0, icmp_seq=0 hlim=64 time=0.5 ms\n16 bytes from fe80::1%en0, icmp_seq=1 hlim=64 time=0.6 ms\n\n--- fe80::1%en0 ping6 statistics ---\n2 packets transmitted, 2 packets received, 0.0% packet loss\nround-trip min/avg/max/std-dev = 0.5/0.55/0.6/0.05 ms\n", "ping|fe80::1 2/2")]
    [InlineData("Pinging 2001:db8::1 with 32 bytes of data:\nReply from 2001:db8::1: time=1ms\nReply from 2001:db8::1: time=1ms\n\nPing statistics for 2001:db8::1:\n    Packets: Sent = 2, Received = 2, Lost = 0 (0% loss),\n", "windows-ping|2001:db8::1 2/2")]
    [InlineData("PING 192.168.31.9 (192.168.31.9) 56(84) bytes of data.\nFrom 192.168.31.104 icmp_seq=1 Destination Host Unreachable\nFrom 192.168.31.104 icmp_seq=2 Destination Host Unreachable\n", "ping|192.168.31.9 0/2")]
    [InlineData("PING 192.168.31.9 (192.168.31.9) 56(84) bytes of data.\nFrom 192.168.31.104 icmp_seq=1 Destination Host Unreachable\n\n--- 192.168.31.9 ping statistics ---\n1 packets transmitted, 0 received, +1 errors, 100% packet loss, time 0ms\n\nping: sendmsg: Network is unreachable\n", "ping|192.168.31.9 0/1")]
    [InlineData("Pinging 192.168.31.9 with 32 bytes of data:\nReply from 192.168.31.104: Destination host unreachable.\n\nPing statistics for 192.168.31.9:\n    Packets: Sent = 1, Received = 1, Lost = 0 (0% loss),\n", "windows-ping|192.168.31.9 0/1")]
    [InlineData("ping: connect: Network is unreachable\n", "")]
    public void An_echo_over_IPv6_and_one_that_ends_unreachable(string text, string gist) => Assert.Equal(gist, Gist(text));

    private const string Ipconfig = """
        Ethernet adapter Ethernet:

           Connection-specific DNS Suffix  . : home.arpa
           IPv4 Address. . . . . . . . . . . : 192.168.31.104(Preferred)
           Subnet Mask . . . . . . . . . . . : 255.255.255.0
           Default Gateway . . . . . . . . . : 192.168.31.1
           DNS Servers . . . . . . . . . . . : 192.168.31.1
        """;

    private const string IpAddress = """
        2: enp3s0: <BROADCAST,MULTICAST,UP,LOWER_UP> mtu 1500 qdisc fq_codel state UP group default qlen 1000
            link/ether 02:00:5e:30:00:01 brd ff:ff:ff:ff:ff:ff
            inet 192.168.31.104/24 brd 192.168.31.255 scope global dynamic noprefixroute enp3s0
               valid_lft 86012sec preferred_lft 86012sec
        """;

    [Theory]
    [InlineData("> ")]
    [InlineData(">")]
    [InlineData(">> ")]
    [InlineData("> > ")]
    [InlineData("| ")]
    public void What_was_quoted_in_a_mail_once_or_twice(string mark)
    {
        Assert.Equal(Gist(Ipconfig), Gist(Quoted(Ipconfig, mark)));
        Assert.Equal(Gist(IpAddress), Gist("On Monday somebody wrote:\n" + Quoted(IpAddress, mark)));
        Assert.Equal(Neighbour,
            Gist(Quoted("Name\tIP Address\tMAC Address\nlaptop-one\t192.168.31.104\t02:00:5E:30:00:01\ntablet\t192.168.31.105\t02:00:5E:30:00:02\n", mark)));
    }

    private static string Quoted(string text, string mark) => string.Join('\n', text.Split('\n').Select(line => mark + line));

    [Fact]
    public void A_terminal_wraps_at_80_columns()
    {
        Assert.Contains('\n', Wrapped("a" + new string('b', 90)));
        Assert.Equal(Gist(IpAddress), Gist(Wrapped(IpAddress)));
        const string Route = "default via 192.168.31.1 dev enp3s0 proto dhcp src 192.168.31.104 metric 100 mtu 1500 onlink\n192.168.31.0/24 dev enp3s0 proto kernel scope link src 192.168.31.104 metric 100\n";
        Assert.Equal("ip-route|enp3s0 Ethernet 192.168.31.104/24 192.168.31.1 dhcp", Gist(Wrapped(Route)));
        const string Networks = "IN-USE  BSSID              SSID                   MODE   CHAN  RATE        SIGNAL  BARS  SECURITY\n*       02:00:5E:10:00:03  larkspur               Infra  36    540 Mbit/s  84      ▂▄▆█  WPA2\n        02:00:5E:10:00:04  hawthorn               Infra  6     130 Mbit/s  40      ▂▄__  WPA1 WPA2\n";
        Assert.Equal(Gist(Networks), Gist(Wrapped(Networks)));
        const string Arp = "? (192.168.31.1) at 02:00:5e:10:00:01 on a-long-interface-name-1 ifscope [ethernet]\n? (192.168.31.7) at 02:00:5e:10:00:07 on a-long-interface-name-1 ifscope [ethernet]\n";
        Assert.Equal(Gist(Arp), Gist(Wrapped(Arp)));
    }

    private static string Wrapped(string text) =>
        string.Join('\n', text.Split('\n').SelectMany(line => line.Length == 0 ? [""] : line.Chunk(80).Select(part => new string(part))));

    [Fact]
    public void With_its_top_missing()
    {
        Assert.Equal("windows-ipconfig|192.168.31.104/24 192.168.31.1 192.168.31.1", Gist(string.Join('\n', Ipconfig.Split('\n')[2..])));
        Assert.Equal("ip-addr|192.168.31.104/24 dhcp 02:00:5E:30:00:01", Gist(string.Join('\n', IpAddress.Split('\n')[1..])));
        Assert.Equal("windows-arp|192.168.31.1 02:00:5E:10:00:01",
            Gist("  192.168.31.1          02-00-5e-10-00-01     dynamic\n  192.168.31.255        ff-ff-ff-ff-ff-ff     static\n"));
        Assert.Equal("nmcli-wifi|larkspur 02:00:5E:10:00:03 5 36 84% wpa2|hawthorn 02:00:5E:10:00:04 2.4 6 40% wpa2",
            Gist("*       02:00:5E:10:00:03  larkspur               Infra  36    540 Mbit/s  84      ▂▄▆█  WPA2\n        02:00:5E:10:00:04  hawthorn               Infra  6     130 Mbit/s  40      ▂▄__  WPA1 WPA2\n"));
        Assert.Equal("windows-tracert|2 203.0.113.1|3 198.51.100.7",
            Gist("  2    12 ms    11 ms    14 ms  203.0.113.1\n  3    12 ms    11 ms    14 ms  198.51.100.7\n"));
    }

    [Fact]
    public void A_line_of_a_megabyte_is_passed_over_alone()
    {
        var lines = IpAddress.Split('\n').ToList();
        lines.Insert(2, new string('x', 1_000_000));
        var reading = Assert.Single(PastedText.Read(string.Join('\n', lines)));
        Assert.Equal(Gist(IpAddress), Gist(reading));
        Assert.Equal([3], reading.Unread);
        var ipconfig = Ipconfig.Split('\n').ToList();
        ipconfig.Insert(4, new string('x', 1_000_000));
        Assert.Equal(Gist(Ipconfig), Gist(Assert.Single(PastedText.Read(string.Join('\n', ipconfig)))));
    }
}
