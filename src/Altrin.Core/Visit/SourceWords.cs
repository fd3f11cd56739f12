namespace Altrin.Core.Visit;

/// <summary>What the tools are called by somebody who uses them, and what their lists cannot show. Common practice, no source.</summary>
internal static class SourceWords
{
    private const string SpokenTo = "Lists only whom this laptop has spoken to.",
        NoFixed = "Leaves out what has a fixed address, and may have a second page.";

    public static (string Says, string? Cannot) Of(string source) => source switch
    {
        Readings.Eyes.OneReading.Source => ("This laptop", SpokenTo),
        "windows-ipconfig" => ("Windows, addresses", null),
        "windows-arp" => ("Windows, neighbours", SpokenTo),
        "windows-tracert" => ("Windows, way out", null),
        "windows-ping" => ("Windows, ping", null),
        "windows-wifi-networks" => ("Windows, Wi-Fi around", null),
        "windows-wifi-interfaces" => ("Windows, Wi-Fi joined", null),
        "windows-route" => ("Windows, routes", null),
        "windows-getmac" => ("Windows, adapters", null),
        "ip-addr" or "ifconfig" => ("addresses", null),
        "ip-route" or "netstat-route" => ("routes", null),
        "ip-neigh" or "arp" => ("neighbours", SpokenTo),
        "ping" => ("ping", null),
        "traceroute" or "tracepath" => ("way out", null),
        "nmcli-wifi" or "iw-scan" => ("Wi-Fi around", null),
        "nmcli-device" => ("devices and addresses", null),
        "iw-link" => ("Wi-Fi joined", null),
        "resolvectl" => ("name servers", null),
        "mac-network" => ("network settings", null),
        "mac-wifi" => ("Wi-Fi", null),
        "client-table" => ("a box’s list of devices", NoFixed),
        "wifi-details" => ("a phone’s Wi-Fi details", null),
        _ => (source, null),
    };
}
