using System.Text.Json.Nodes;
using Altrin.Core.Readings.Parsers;

namespace Altrin.Core.Tests.Readings;

/// <summary>Each tool's output as it is printed; the forms are values from memory, but for <c>ip</c>, <c>ifconfig</c>, <c>arp</c> and <c>netstat</c>,
/// which are read from the real tools in <see cref="RealToolTests"/>.</summary>
public class PastedTextTests
{
    private static JsonNode Read(string text)
    {
        var readings = PastedText.Read(text);
        return JsonNode.Parse(ReadingWriter.Write(Assert.Single(readings)))!;
    }

    /// <summary>The reading has everything that is wanted, and nothing unread that is not named.</summary>
    private static void Says(string text, string wanted, params int[] unread)
    {
        var got = Read(text);
        var want = JsonNode.Parse(wanted)!.AsObject();
        want["format"] = "altrin.reading/1";
        want["unread"] = new JsonArray([.. unread.Select(line => (JsonNode)line)]);
        Assert.True(JsonNode.DeepEquals(Sorted(want), Sorted(got)), $"wanted {Sorted(want).ToJsonString()}\ngot    {Sorted(got).ToJsonString()}");
    }

    private static JsonNode Sorted(JsonNode node) => node switch
    {
        JsonObject fields => new JsonObject(fields.OrderBy(field => field.Key, StringComparer.Ordinal).Select(field => KeyValuePair.Create(field.Key, field.Value is null ? null : (JsonNode?)Sorted(field.Value)))),
        JsonArray items => new JsonArray([.. items.Select(item => item is null ? null : Sorted(item))]),
        _ => node.DeepClone(),
    };

    [Theory]
    [InlineData("Windows IP Configuration", "Ethernet adapter Ethernet:", "Physical Address", "DHCP Enabled", "Yes", "IPv4 Address", "(Preferred)", "Subnet Mask", "Default Gateway", "DHCP Server", "DNS Servers", "en", "Ethernet")]
    [InlineData("Windows-IP-Konfiguration", "Ethernet-Adapter Ethernet 2:", "Physische Adresse", "DHCP aktiviert", "Ja", "IPv4-Adresse", "(Bevorzugt)", "Subnetzmaske", "Standardgateway", "DHCP-Server", "DNS-Server", "de", "Ethernet 2")]
    [InlineData("Configuration IP de Windows", "Carte Ethernet Ethernet :", "Adresse physique", "DHCP activé", "Oui", "Adresse IPv4", "(préféré)", "Masque de sous-réseau", "Passerelle par défaut", "Serveur DHCP", "Serveurs DNS", "fr", "Ethernet")]
    [InlineData("Configuración IP de Windows", "Adaptador de Ethernet Ethernet:", "Dirección física", "DHCP habilitado", "sí", "Dirección IPv4", "(Preferido)", "Máscara de subred", "Puerta de enlace predeterminada", "Servidor DHCP", "Servidores DNS", "es", "Ethernet")]
    [InlineData("Configuraci\ufffdn IP de Windows", "Adaptador de Ethernet Ethernet:", "Direcci¢n f¡sica", "DHCP habilitado", "s¡", "Direcci¢n IPv4", "(Preferido)", "M scara de subred", "Puerta de enlace predeterminada", "Servidor DHCP", "Servidores DNS", "es", "Ethernet")]
    public void Addresses_of_Windows_in_four_languages_and_with_a_damaged_code_page(string heading, string adapter, string mac, string dhcp, string yes, string address, string preferred, string mask, string gateway, string server, string dns, string language, string name)
    {
        static string Line(string label, string value) => $"   {label} {new string('.', 3).Replace(".", ". ", StringComparison.Ordinal)}: {value}\r\n";
        var text = $"{heading}\r\n\r\n{adapter}\r\n\r\n{Line(mac, "02-00-5E-30-00-01")}{Line(dhcp, yes)}{Line(address, $"192.168.31.104{preferred}")}{Line(mask, "255.255.255.0")}{Line(gateway, "192.168.31.1")}{Line(server, "192.168.31.1")}{Line(dns, "192.168.31.1")}                                       192.0.2.53\r\n";
        Says(text, $$"""{ "source": "windows-ipconfig", "language": "{{language}}", "adapters": [ { "name": "{{name}}", "kind": "ethernet", "mac": "02:00:5E:30:00:01", "address": "192.168.31.104/24", "gateway": "192.168.31.1", "dns": ["192.168.31.1", "192.0.2.53"], "method": "dhcp", "server": "192.168.31.1", "linkLocal": false } ] }""");
    }

    [Fact]
    public void Two_real_adapters_are_both_shown_and_virtual_ones_are_called_so()
    {
        var adapters = Read("""
            Ethernet adapter Ethernet:

               Autoconfiguration IPv4 Address. . : 169.254.10.20
               Subnet Mask . . . . . . . . . . . : 255.255.0.0
               Default Gateway . . . . . . . . . :

            Wireless LAN adapter Wi-Fi:

               IPv4 Address. . . . . . . . . . . : 192.168.31.105
               Subnet Mask . . . . . . . . . . . : 255.255.255.0
               IPv4 Address. . . . . . . . . . . : 10.0.0.5
               Subnet Mask . . . . . . . . . . . : 255.0.0.0
               Default Gateway . . . . . . . . . : 192.168.31.1

            Ethernet adapter Bluetooth Network Connection:

               Media State . . . . . . . . . . . : Media disconnected

            Tunnel adapter Local Area Connection* 11:

               IPv4 Address. . . . . . . . . . . : 10.9.8.7
            """)["adapters"]!.AsArray();
        Assert.Equal(["ethernet", "wifi", "virtual", "virtual"], adapters.Select(one => (string)one!["kind"]!));
        Assert.Equal(("169.254.10.20/16", true), ((string)adapters[0]!["address"]!, (bool)adapters[0]!["linkLocal"]!));
        Assert.Equal(("192.168.31.105/24", "10.0.0.5/8"), ((string)adapters[1]!["address"]!, (string)adapters[1]!["also"]![0]!));
    }

    [Theory]
    [InlineData("Interface: 192.168.31.104 --- 0x5", "  Internet Address      Physical Address      Type", "dynamic", "static", "en")]
    [InlineData("Schnittstelle: 192.168.31.104 --- 0x5", "  Internetadresse       Physische Adresse     Typ", "dynamisch", "statisch", "de")]
    [InlineData("Interface : 192.168.31.104 --- 0x5", "  Adresse Internet      Adresse physique      Type", "dynamique", "statique", "fr")]
    [InlineData("Interfaz: 192.168.31.104 --- 0x5", "  Dirección de Internet          Dirección física      Tipo", "dinámico", "estático", "es")]
    public void Neighbours_of_Windows(string heading, string columns, string dynamic, string fixed_, string language) =>
        Says($"{heading}\n{columns}\n  192.168.31.1          02-00-5e-10-00-01     {dynamic}\n  192.168.31.255        ff-ff-ff-ff-ff-ff     {fixed_}\n  224.0.0.22            01-00-5e-00-00-16     {fixed_}\n",
            $$"""{ "source": "windows-arp", "language": "{{language}}", "neighbours": [ { "address": "192.168.31.1", "mac": "02:00:5E:10:00:01", "name": null, "adapter": "192.168.31.104" } ] }""");

    [Fact]
    public void A_list_that_says_there_is_nothing_is_a_reading_too()
    {
        Says("No ARP Entries Found.\n", """{ "source": "windows-arp", "language": "en", "neighbours": [] }""");
        Says("Not connected.\n", """{ "source": "iw-link", "networks": [] }""");
    }

    [Theory]
    [InlineData("Tracing route to 198.51.100.7 over a maximum of 30 hops", "Request timed out.", "Trace complete.", "en")]
    [InlineData("Routenverfolgung zu 198.51.100.7 über maximal 30 Hops", "Zeitüberschreitung der Anforderung.", "Ablaufverfolgung beendet.", "de")]
    [InlineData("Détermination de l’itinéraire vers 198.51.100.7 avec un maximum de 30 sauts.", "Délai d’attente de la demande dépassé.", "Itinéraire déterminé.", "fr")]
    [InlineData("Traza a la dirección 198.51.100.7 sobre un máximo de 30 saltos.", "Tiempo de espera agotado para esta solicitud.", "Traza completa.", "es")]
    public void A_way_of_Windows(string heading, string silent, string end, string language) =>
        Says($"{heading}\n\n  1    <1 ms    <1 ms     1 ms  192.168.31.1\n  2     *        *        *     {silent}\n  3    12 ms    11 ms    14 ms  edge.example.net [203.0.113.1]\n\n{end}\n",
            $$"""{ "source": "windows-tracert", "language": "{{language}}", "hops": [ { "n": 1, "address": "192.168.31.1", "ms": 0.5 }, { "n": 2, "address": null, "ms": null }, { "n": 3, "address": "203.0.113.1", "ms": 12 } ] }""");

    [Theory]
    [InlineData("Pinging 192.168.31.2 with 32 bytes of data:", "Reply from", "time", "Request timed out.", "Ping statistics for 192.168.31.2:", "Packets: Sent = 3, Received = 2, Lost = 1 (33% loss),", "Approximate round trip times in milli-seconds:", "Minimum = 1ms, Maximum = 5ms, Average = 3ms", "en")]
    [InlineData("Ping wird ausgeführt für 192.168.31.2 mit 32 Bytes Daten:", "Antwort von", "Zeit", "Zeitüberschreitung der Anforderung.", "Ping-Statistik für 192.168.31.2:", "Pakete: Gesendet = 3, Empfangen = 2, Verloren = 1", "Ca. Zeitangaben in Millisek.:", "Minimum = 1ms, Maximum = 5ms, Mittelwert = 3ms", "de")]
    [InlineData("Envoi d’une requête 'Ping'  192.168.31.2 avec 32 octets de données :", "Réponse de", "temps", "Délai d’attente de la demande dépassé.", "Statistiques Ping pour 192.168.31.2:", "Paquets : envoyés = 3, reçus = 2, perdus = 1 (perte 33%),", "Durée approximative des boucles en millisecondes :", "Minimum = 1ms, Maximum = 5ms, Moyenne = 3ms", "fr")]
    [InlineData("Haciendo ping a 192.168.31.2 con 32 bytes de datos:", "Respuesta desde", "tiempo", "Tiempo de espera agotado para esta solicitud.", "Estadísticas de ping para 192.168.31.2:", "Paquetes: enviados = 3, recibidos = 2, perdidos = 1", "Tiempos aproximados de ida y vuelta en milisegundos:", "Mínimo = 1ms, Máximo = 5ms, Media = 3ms", "es")]
    public void An_echo_of_Windows(string heading, string from, string time, string silent, string statistics, string packets, string times, string average, string language) =>
        Says($"{heading}\n{from} 192.168.31.2: bytes=32 {time}=1ms TTL=64\n{from} 192.168.31.2: bytes=32 {time}=5ms TTL=64\n{silent}\n\n{statistics}\n    {packets}\n{times}\n    {average}\n",
            $$"""{ "source": "windows-ping", "language": "{{language}}", "pings": [ { "target": "192.168.31.2", "sent": 3, "received": 2, "ms": 3 } ] }""");

    [Fact]
    public void What_another_says_of_the_target_is_no_answer_of_it() =>
        Says("Pinging 192.168.31.9 with 32 bytes of data:\nReply from 192.168.31.104: Destination host unreachable.\nReply from 192.168.31.104: Destination host unreachable.\n\nPing statistics for 192.168.31.9:\n    Packets: Sent = 2, Received = 2, Lost = 0 (0% loss),\n",
            """{ "source": "windows-ping", "language": "en", "pings": [ { "target": "192.168.31.9", "sent": 2, "received": 0 } ] }""");

    [Fact]
    public void Networks_that_Windows_hears_and_the_one_it_has_joined()
    {
        Says("""
            Interface name : Wi-Fi
            There are 2 networks currently visible.

            SSID 1 : larkspur
                Network type            : Infrastructure
                Authentication          : WPA2-Personal
                Encryption              : CCMP
                BSSID 1                 : 02:00:5e:10:00:03
                     Signal             : 84%
                     Radio type         : 802.11ac
                     Channel            : 36
                     Basic rates (Mbps) : 6 12 24
                BSSID 2                 : 02:00:5e:10:00:04
                     Signal             : 40%
                     Radio type         : 802.11n
                     Channel            : 6

            SSID 2 :
                Network type            : Infrastructure
                Authentication          : Open
                Encryption              : None
                BSSID 1                 : 02:00:5e:10:00:05
                     Signal             : 10%
                     Channel            : 11
            """, """
            { "source": "windows-wifi-networks", "language": "en", "networks": [ { "ssid": "larkspur", "bssid": "02:00:5E:10:00:03", "band": "5", "channel": 36, "signalPercent": 84, "security": "wpa2" },
              { "ssid": "larkspur", "bssid": "02:00:5E:10:00:04", "band": "2.4", "channel": 6, "signalPercent": 40, "security": "wpa2" }, { "ssid": null, "bssid": "02:00:5E:10:00:05", "band": "2.4", "channel": 11, "signalPercent": 10, "security": "open" } ] }
            """);
        Says("""
            There is 1 interface on the system:

                Name                   : Wi-Fi
                Description            : Wireless Card
                GUID                   : 00000000-0000-0000-0000-000000000001
                Physical address       : 02:00:5e:30:00:02
                State                  : connected
                SSID                   : larkspur
                BSSID                  : 02:00:5e:10:00:03
                Network type           : Infrastructure
                Radio type             : 802.11ac
                Authentication         : WPA3-Personal
                Cipher                 : CCMP
                Channel                : 36
                Receive rate (Mbps)    : 433.3
                Signal                 : 91%
                Profile                : larkspur
            """, """
            { "source": "windows-wifi-interfaces", "language": "en", "adapters": [ { "name": "Wi-Fi", "kind": "wifi", "mac": "02:00:5E:30:00:02" } ],
              "networks": [ { "ssid": "larkspur", "bssid": "02:00:5E:10:00:03", "band": "5", "channel": 36, "signalPercent": 91, "security": "wpa3" } ] }
            """);
    }

    [Fact]
    public void Routes_and_cards_of_Windows()
    {
        Says("""
            ===========================================================================
            Interface List
              5...02 00 5e 30 00 01 ......Gigabit Network Connection
              1...........................Software Loopback Interface 1
            ===========================================================================

            IPv4 Route Table
            ===========================================================================
            Active Routes:
            Network Destination        Netmask          Gateway       Interface  Metric
                      0.0.0.0          0.0.0.0     192.168.31.1   192.168.31.104     25
                    127.0.0.0        255.0.0.0         On-link         127.0.0.1    331
                 192.168.31.0    255.255.255.0         On-link    192.168.31.104    281
               192.168.31.104  255.255.255.255         On-link    192.168.31.104    281
            ===========================================================================
            Persistent Routes:
              None
            """, """{ "source": "windows-route", "language": "en", "adapters": [ { "name": "192.168.31.104", "kind": "other", "address": "192.168.31.104/24", "gateway": "192.168.31.1" } ] }""");
        Says("""

            Connection Name Network Adapter Physical Address    Transport Name
            =============== =============== =================== ==========================================================
            Ethernet        Gigabit Connect 02-00-5E-30-00-01   \Device\Tcpip_{00000000}
            Bluetooth Netwo Bluetooth Devic 02-00-5E-30-00-09   Media disconnected
            """, """{ "source": "windows-getmac", "language": "en", "adapters": [ { "name": "Ethernet", "kind": "ethernet", "mac": "02:00:5E:30:00:01" }, { "name": "Bluetooth Netwo", "kind": "virtual", "mac": "02:00:5E:30:00:09" } ] }""");
    }

    [Fact]
    public void An_echo_and_a_way_of_Unix()
    {
        Says("PING gw.lan (192.168.31.1) 56(84) bytes of data.\n64 bytes from gw.lan (192.168.31.1): icmp_seq=1 ttl=64 time=1.10 ms\n64 bytes from gw.lan (192.168.31.1): icmp_seq=2 ttl=64 time=1.30 ms\n\n--- gw.lan ping statistics ---\n2 packets transmitted, 2 received, 0% packet loss, time 1001ms\nrtt min/avg/max/mdev = 1.100/1.200/1.300/0.100 ms\n",
            """{ "source": "ping", "pings": [ { "target": "192.168.31.1", "sent": 2, "received": 2, "ms": 1.2 } ] }""");
        Says("PING 192.168.31.1 (192.168.31.1): 56 data bytes\nRequest timeout for icmp_seq 0\n64 bytes from 192.168.31.1: icmp_seq=1 ttl=64 time=2.5 ms\n\n--- 192.168.31.1 ping statistics ---\n2 packets transmitted, 1 packets received, 50.0% packet loss\nround-trip min/avg/max/stddev = 2.5/2.5/2.5/0.0 ms\n",
            """{ "source": "ping", "pings": [ { "target": "192.168.31.1", "sent": 2, "received": 1, "ms": 2.5 } ] }""");
        Says("traceroute to 198.51.100.7 (198.51.100.7), 30 hops max, 60 byte packets\n 1  gw.lan (192.168.31.1)  0.9 ms  1.1 ms  1.0 ms\n 2  * * *\n 3  a.example.net (203.0.113.1)  9.0 ms b.example.net (203.0.113.2)  11.0 ms  10.0 ms\n",
            """{ "source": "traceroute", "hops": [ { "n": 1, "address": "192.168.31.1", "ms": 1 }, { "n": 2, "address": null, "ms": null }, { "n": 3, "address": "203.0.113.1", "ms": 9 } ] }""");
        Says(" 1?: [LOCALHOST]                      pmtu 1500\n 1:  192.168.31.1                      1.100ms \n 1:  192.168.31.1                      0.900ms \n 2:  no reply\n 3:  203.0.113.1                       9.500ms reached\n     Resume: pmtu 1500 hops 3 back 3 \n",
            """{ "source": "tracepath", "hops": [ { "n": 1, "address": "192.168.31.1", "ms": 1.1 }, { "n": 2, "address": null, "ms": null }, { "n": 3, "address": "203.0.113.1", "ms": 9.5 } ] }""");
    }

    [Fact]
    public void Addresses_neighbours_and_routes_of_a_Mac()
    {
        Says("""
            lo0: flags=8049<UP,LOOPBACK,RUNNING,MULTICAST> mtu 16384
            	inet 127.0.0.1 netmask 0xff000000
            en0: flags=8863<UP,BROADCAST,SMART,RUNNING,SIMPLEX,MULTICAST> mtu 1500
            	ether 02:00:5e:30:00:03
            	inet6 fe80::1%en0 prefixlen 64 scopeid 0x6
            	inet 192.168.31.107 netmask 0xffffff00 broadcast 192.168.31.255
            	media: autoselect
            	status: active
            utun0: flags=8051<UP,POINTOPOINT,RUNNING,MULTICAST> mtu 1380
            """, """
            { "source": "ifconfig", "adapters": [ { "name": "lo0", "kind": "virtual", "address": "127.0.0.1/8", "linkLocal": false }, { "name": "en0", "kind": "other", "mac": "02:00:5E:30:00:03", "address": "192.168.31.107/24", "linkLocal": false },
              { "name": "utun0", "kind": "virtual" } ] }
            """);
        Says("? (192.168.31.1) at 2:0:5e:10:0:1 on en0 ifscope [ethernet]\nprinter.lan (192.168.31.20) at 2:0:5e:20:0:7 on en0 ifscope [ethernet]\n? (192.168.31.9) at (incomplete) on en0 ifscope [ethernet]\n? (192.168.31.255) at ff:ff:ff:ff:ff:ff on en0 ifscope [ethernet]\n",
            """{ "source": "arp", "neighbours": [ { "address": "192.168.31.1", "mac": "02:00:5E:10:00:01", "name": null, "adapter": "en0" }, { "address": "192.168.31.20", "mac": "02:00:5E:20:00:07", "name": "printer.lan", "adapter": "en0" } ] }""");
        Says("Routing tables\n\nInternet:\nDestination        Gateway            Flags               Netif Expire\ndefault            192.168.31.1       UGScg                 en0\n127                127.0.0.1          UCS                   lo0\n192.168.31         link#6             UCS                   en0      !\n",
            """{ "source": "netstat-route", "adapters": [ { "name": "en0", "kind": "other", "gateway": "192.168.31.1" } ] }""");
        Says("DHCP Configuration\nIP address: 192.168.31.107\nSubnet mask: 255.255.255.0\nRouter: 192.168.31.1\nClient ID:\nIPv6: Automatic\nIPv6 IP address: none\nIPv6 Router: none\nWi-Fi ID: 02:00:5e:30:00:03\n",
            """{ "source": "mac-network", "adapters": [ { "kind": "wifi", "mac": "02:00:5E:30:00:03", "address": "192.168.31.107/24", "gateway": "192.168.31.1", "method": "dhcp", "linkLocal": false } ] }""");
        Says("""
            Wi-Fi:

                  Interfaces:
                    en0:
                      Card Type: Wi-Fi
                      MAC Address: 02:00:5e:30:00:03
                      Status: Connected
                      Current Network Information:
                        larkspur:
                          PHY Mode: 802.11ac
                          Channel: 36 (5GHz, 80MHz)
                          Network Type: Infrastructure
                          Security: WPA2 Personal
                          Signal / Noise: -58 dBm / -92 dBm
                      Other Local Wi-Fi Networks:
                        oak:
                          PHY Mode: 802.11n
                          Channel: 6 (2GHz, 20MHz)
                          Network Type: Infrastructure
                          Security: None
            """, """
            { "source": "mac-wifi", "adapters": [ { "name": "en0", "kind": "wifi", "mac": "02:00:5E:30:00:03" } ],
              "networks": [ { "ssid": "larkspur", "band": "5", "channel": 36, "widthMHz": 80, "levelDbm": -58, "security": "wpa2" }, { "ssid": "oak", "band": "2.4", "channel": 6, "widthMHz": 20, "security": "open" } ] }
            """);
    }

    [Fact]
    public void Networks_that_Linux_hears()
    {
        Says("""
            IN-USE  BSSID              SSID      MODE   CHAN  RATE        SIGNAL  BARS  SECURITY
            *       02:00:5E:10:00:03  larkspur  Infra  36    270 Mbit/s  84      ▂▄▆█  WPA2
                    02:00:5E:10:00:05  --        Infra  11    54 Mbit/s   20      ▂___  --
                    02:00:5E:10:00:06  oak tree  Infra  6     130 Mbit/s  40      ▂▄__  WPA1 WPA2
                    02:00:5E:10:00:07  company   Infra  1     130 Mbit/s  40      ▂▄__  WPA2 802.1X
            """, """
            { "source": "nmcli-wifi", "networks": [ { "ssid": "larkspur", "bssid": "02:00:5E:10:00:03", "band": "5", "channel": 36, "signalPercent": 84, "security": "wpa2" },
              { "ssid": null, "bssid": "02:00:5E:10:00:05", "band": "2.4", "channel": 11, "signalPercent": 20, "security": "open" }, { "ssid": "oak tree", "bssid": "02:00:5E:10:00:06", "band": "2.4", "channel": 6, "signalPercent": 40, "security": "wpa2" },
              { "ssid": "company", "bssid": "02:00:5E:10:00:07", "band": "2.4", "channel": 1, "signalPercent": 40, "security": "enterprise" } ] }
            """);
        Says("*:02\\:00\\:5E\\:10\\:00\\:03:lark\\:spur:Infra:36:270 Mbit/s:84:▂▄▆█:WPA2 WPA3\n",
            """{ "source": "nmcli-wifi", "networks": [ { "ssid": "lark:spur", "bssid": "02:00:5E:10:00:03", "band": "5", "channel": 36, "signalPercent": 84, "security": "wpa2-wpa3" } ] }""");
        Says("""
            BSS 02:00:5e:10:00:03(on wlan0) -- associated
            	TSF: 12345 usec (0d, 00:00:12)
            	freq: 5180
            	capability: ESS Privacy (0x0011)
            	signal: -58.00 dBm
            	SSID: caf\xc3\xa9
            	RSN:	 * Version: 1
            		 * Group cipher: CCMP
            		 * Authentication suites: PSK SAE
            	HT operation:
            		 * primary channel: 36
            		 * secondary channel offset: above
            	VHT operation:
            		 * channel width: 1 (80 MHz)
            BSS 02:00:5e:10:00:05(on wlan0)
            	freq: 2412
            	capability: ESS (0x0001)
            	signal: -81.00 dBm
            	SSID: \x00\x00\x00
            """, """
            { "source": "iw-scan", "networks": [ { "ssid": "café", "bssid": "02:00:5E:10:00:03", "band": "5", "channel": 36, "widthMHz": 80, "levelDbm": -58, "security": "wpa2-wpa3" },
              { "ssid": null, "bssid": "02:00:5E:10:00:05", "band": "2.4", "channel": 1, "levelDbm": -81, "security": "open" } ] }
            """.Replace("\"widthMHz\": 80", "\"widthMHz\": 80", StringComparison.Ordinal));
        Says("Connected to 02:00:5e:10:00:03 (on wlan0)\n\tSSID: larkspur\n\tfreq: 5180\n\tRX: 100 bytes (2 packets)\n\tsignal: -57 dBm\n\ttx bitrate: 433.3 MBit/s VHT-MCS 9 80MHz short GI VHT-NSS 1\n",
            """{ "source": "iw-link", "networks": [ { "ssid": "larkspur", "bssid": "02:00:5E:10:00:03", "band": "5", "channel": 36, "widthMHz": 80, "levelDbm": -57 } ] }""");
    }

    [Fact]
    public void What_a_link_is_told_of_names_and_what_a_manager_says_of_it()
    {
        Says("Global\n       Protocols: -LLMNR -mDNS\nresolv.conf mode: stub\n\nLink 2 (enp3s0)\n    Current Scopes: DNS\n         Protocols: +DefaultRoute\nCurrent DNS Server: 192.168.31.1\n       DNS Servers: 192.168.31.1 192.0.2.53\n                    fe80::1%2\n        DNS Domain: lan\n",
            """{ "source": "resolvectl", "adapters": [ { "name": "enp3s0", "kind": "ethernet", "dns": ["192.168.31.1", "192.0.2.53"] } ] }""");
        Says("GENERAL.DEVICE:                         enp3s0\nGENERAL.TYPE:                           ethernet\nGENERAL.HWADDR:                         02:00:5E:30:00:04\nIP4.ADDRESS[1]:                         192.168.31.108/24\nIP4.GATEWAY:                            192.168.31.1\nIP4.ROUTE[1]:                           dst = 0.0.0.0/0, nh = 192.168.31.1, mt = 100\nIP4.DNS[1]:                             192.168.31.1\n\nGENERAL.DEVICE:                         lo\nGENERAL.TYPE:                           loopback\n",
            """{ "source": "nmcli-device", "adapters": [ { "name": "enp3s0", "kind": "ethernet", "mac": "02:00:5E:30:00:04", "address": "192.168.31.108/24", "gateway": "192.168.31.1", "dns": ["192.168.31.1"], "linkLocal": false }, { "name": "lo", "kind": "virtual" } ] }""");
    }

    [Theory]
    [InlineData("Device Name\tIP Address\tMAC Address\tLease\nStudy printer\t192.168.31.20\t02:00:5E:20:00:07\t11:59\n\t192.168.31.101\t02-00-5e-20-00-08\t10:00\n")]
    [InlineData("Hostname        IP              MAC\nStudy printer   192.168.31.20   0200.5e20.0007\nUnknown         192.168.31.101  02005E200008\n")]
    [InlineData("MAC-Adresse        IP-Adresse      Gerät\n02:00:5e:20:00:07  192.168.31.20   Study printer\n02:00:5e:20:00:08  192.168.31.101  unbekannt\n")]
    public void A_routers_list_of_devices_with_any_heading_and_any_notation(string text) =>
        Says(text, """{ "source": "client-table", "neighbours": [ { "address": "192.168.31.20", "mac": "02:00:5E:20:00:07", "name": "Study printer" }, { "address": "192.168.31.101", "mac": "02:00:5E:20:00:08", "name": null } ] }""");

    [Fact]
    public void A_shared_code_gives_the_name_and_never_the_password()
    {
        Says("WIFI:T:WPA;S:lark\\;spur;P:planted-secret;H:false;;\n", """{ "source": "wifi-details", "networks": [ { "ssid": "lark;spur", "security": "wpa2" } ] }""");
        Says("Network name: larkspur\nSecurity: WPA3\nPassword: planted-secret\n", """{ "source": "wifi-details", "networks": [ { "ssid": "larkspur", "security": "wpa3" } ] }""");
        Assert.DoesNotContain("planted-secret", ReadingWriter.Write(PastedText.Read("WIFI:T:WPA;S:a;P:planted-secret;;")[0]), StringComparison.Ordinal);
    }

    [Fact]
    public void Several_outputs_with_prompts_are_several_readings_and_twice_the_same_is_one()
    {
        const string Two = "C:\\Users\\me>ipconfig\r\n\r\nWindows IP Configuration\r\n\r\n\r\nEthernet adapter Ethernet:\r\n\r\n   IPv4 Address. . . . . . . . . . . : 192.168.31.104\r\n   Subnet Mask . . . . . . . . . . . : 255.255.255.0\r\n\r\nC:\\Users\\me>arp -a\r\n\r\nInterface: 192.168.31.104 --- 0x5\r\n  Internet Address      Physical Address      Type\r\n  192.168.31.1          02-00-5e-10-00-01     dynamic\r\n\r\nC:\\Users\\me>";
        Assert.Equal(["windows-ipconfig", "windows-arp"], PastedText.Read(Two).Select(one => one.Source));
        Assert.Equal(["windows-ipconfig", "windows-arp"], PastedText.Read($"{Two}\n{Two}").Select(one => one.Source));
        Assert.Equal(3, PastedText.Read(string.Concat(Enumerable.Range(1, 3).Select(n => $"PING 192.168.31.{n} (192.168.31.{n}) 56(84) bytes of data.\n\n--- 192.168.31.{n} ping statistics ---\n1 packets transmitted, 0 received, 100% packet loss, time 0ms\n\n"))).Count);
        Assert.Equal([1, 8], PastedText.Read("what is this\n\nEthernet adapter Ethernet:\n\n   IPv4 Address. . . . . . . . . . . : 192.168.31.104\n   Subnet Mask . . . . . . . . . . . : 255.255.255.0\n\nand that?\n").Single().Unread);
        Assert.Empty(PastedText.Read("Dear all,\nthe printer is broken again.\n"));
        Assert.Empty(PastedText.Read(""));
    }
}
