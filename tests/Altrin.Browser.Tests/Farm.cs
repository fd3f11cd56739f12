namespace Altrin.Browser.Tests;

/// <summary>What a laptop and the routers’ pages show at Hawthorn Farm. Invented, in the form of the tools.</summary>
internal static class Farm
{
    /// <summary>In the kitchen, by cable, after a ping to every address.</summary>
    public const string Laptop = """
        C:\> ipconfig

        Windows IP Configuration

        Ethernet adapter Ethernet:

           Connection-specific DNS Suffix  . :
           IPv4 Address. . . . . . . . . . . : 192.168.44.104
           Subnet Mask . . . . . . . . . . . : 255.255.255.0
           Default Gateway . . . . . . . . . : 192.168.44.1

        C:\> arp -a

        Interface: 192.168.44.104 --- 0x7
          Internet Address      Physical Address      Type
          192.168.44.1          00-00-5e-00-53-02     dynamic
          192.168.44.3          00-00-5e-00-53-03     dynamic
          192.168.44.4          00-00-5e-00-53-04     dynamic
          192.168.44.5          00-00-5e-00-53-05     dynamic
          192.168.44.8          00-00-5e-00-53-08     dynamic
          192.168.44.9          00-00-5e-00-53-09     dynamic
          192.168.44.10         00-00-5e-00-53-0a     dynamic
          192.168.44.106        00-00-5e-00-53-0b     dynamic
          192.168.44.107        00-00-5e-00-53-06     dynamic
          192.168.44.108        00-00-5e-00-53-07     dynamic
          192.168.44.30         00-00-5e-00-53-22     dynamic
          192.168.44.150        00-00-5e-00-53-21     dynamic

        """;

    /// <summary>The list of devices on the Farmhouse router’s page.</summary>
    public const string Clients = """
        Name	IP address	MAC address	Connection	Assignment
        Camera recorder	192.168.44.20	00:00:5E:00:53:20	Wired	Reserved
        Office printer	192.168.44.30	00:00:5E:00:53:22	Wired	Static
        File store	192.168.44.150	00:00:5E:00:53:21	Wired	Static
        Kitchen phone	192.168.44.110	00:00:5E:00:53:23	hawthorn	DHCP
        Bedroom tablet	192.168.44.111	00:00:5E:00:53:24	hawthorn	DHCP
        Office laptop	192.168.44.112	00:00:5E:00:53:25	hawthorn	DHCP
        Games console	192.168.44.113	00:00:5E:00:53:26	Wired	DHCP
        East wing tablet	192.168.44.114	00:00:5E:00:53:27	hawthorn	DHCP
        Milk tank sensor	192.168.44.115	00:00:5E:00:53:28	hawthorn	DHCP
        Dairy phone	192.168.44.116	00:00:5E:00:53:29	hawthorn	DHCP
        Barn camera	192.168.44.117	00:00:5E:00:53:2A	Wired	DHCP
        Lounge television	192.168.44.118	00:00:5E:00:53:2B	Wired	DHCP
        Cottage television	192.168.44.119	00:00:5E:00:53:2E	Wired	DHCP
        Guest’s phone	192.168.201.10	00:00:5E:00:53:2C	hawthorn-guests	DHCP
        Guest’s tablet	192.168.201.11	00:00:5E:00:53:2D	hawthorn-guests	DHCP

        """;

    /// <summary>The same of the Entry gateway and of the Workshop router.</summary>
    public const string Others = """
        Name	IP address	MAC address	Connection	Assignment
        Telephone adapter	192.168.1.65	00:00:5E:00:53:31	Wired	DHCP

        Name	IP address	MAC address	Connection	Assignment
        Milling machine	192.168.60.100	00:00:5E:00:53:2F	Wired	DHCP
        Bench computer	192.168.60.101	00:00:5E:00:53:30	workshop	DHCP

        C:\> ipconfig

        Windows IP Configuration

        Wireless LAN adapter Wi-Fi:

           Connection-specific DNS Suffix  . :
           IPv4 Address. . . . . . . . . . . : 192.168.60.104
           Subnet Mask . . . . . . . . . . . : 255.255.255.0
           Default Gateway . . . . . . . . . : 192.168.60.1

        C:\> arp -a

        Interface: 192.168.60.104 --- 0x9
          Internet Address      Physical Address      Type
          192.168.60.1          02-00-5e-00-53-0b     dynamic

        """;

    /// <summary>Wi-Fi as heard on a walk through the house.</summary>
    public static string Air => "Interface name : Wi-Fi\nThere are 5 networks currently visible.\n\n"
        + Network(1, "hawthorn", ("00-00-5e-00-53-02", 6), ("02-00-5e-00-53-02", 36), ("00-00-5e-00-53-04", 11), ("02-00-5e-00-53-04", 100), ("00-00-5e-00-53-05", 11), ("02-00-5e-00-53-05", 44),
            ("02-00-5e-00-53-06", 36), ("02-00-5e-00-53-07", 36), ("00-00-5e-00-53-08", 6))
        + Network(2, "hawthorn-guests", ("06-00-5e-00-53-02", 6), ("06-00-5e-00-53-04", 11), ("06-00-5e-00-53-05", 11))
        + Network(3, "hawthorn-barn", ("00-00-5e-00-53-09", 6))
        + Network(4, "workshop", ("00-00-5e-00-53-0b", 11))
        + Network(5, "oak", ("02-00-5e-00-53-e1", 11)) + Network(6, "fern", ("02-00-5e-00-53-e2", 1));

    private static string Network(int number, string name, params (string Bssid, int Channel)[] senders) =>
        $"SSID {number} : {name}\n    Network type            : Infrastructure\n    Authentication          : WPA2-Personal\n    Encryption              : CCMP\n"
        + string.Concat(senders.Select((one, i) => $"    BSSID {i + 1}                 : {one.Bssid}\n         Signal             : 70%\n         Radio type         : 802.11ax\n         Channel            : {one.Channel}\n")) + "\n";
}
