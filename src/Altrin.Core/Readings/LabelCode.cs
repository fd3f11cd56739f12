using System.Globalization;
using System.Text;
using Altrin.Core.Network;
using Altrin.Core.Readings.Parsers;

namespace Altrin.Core.Readings;

/// <summary>What a QR code on a label offers. A serial number is never among it.</summary>
/// <remarks>Wi-Fi codes by the two published descriptions: the “Wi-Fi network config” of the ZXing project’s page of barcode contents
/// (<c>WIFI:T:WPA;S:name;P:key;;</c>, backslash before special signs), and the URI of the WPA3 specification, section 7, which adds
/// <c>R</c>, <c>I</c> and <c>K</c> and writes other signs as %XX. Values from memory.</remarks>
/// <param name="Ssid">Null where the code is no Wi-Fi code.</param>
public sealed record LabelCode(string? Ssid, WifiSecurity? Security, string? Key, bool Hidden, string? Mac, string? Page)
{
    private const string Start = "WIFI:";

    public static LabelCode Read(string text)
    {
        var fields = text.StartsWith(Start, StringComparison.OrdinalIgnoreCase) ? Fields(text[Start.Length..]) : null;
        if (fields is null) return new(null, null, null, false, MacIn(text), PageIn(text));
        var isUri = fields.ContainsKey('R') || fields.ContainsKey('I') || fields.ContainsKey('K');
        string? Value(char name) => fields.TryGetValue(name, out var value) && value.Length > 0 ? Plain(isUri ? Percent(value) : value) : null;
        var ssid = Value('S');
        if (ssid is null || Limits.WhyNoSsid(ssid) is not null) return new(null, null, null, false, null, null);
        return new(ssid, SecurityOf(Value('T'), Value('R')), Value('P'), string.Equals(Value('H'), "true", StringComparison.OrdinalIgnoreCase), null, null);
    }

    /// <param name="disabled">Which transitions the network forbids: 1 is that from WPA2.</param>
    private static WifiSecurity SecurityOf(string? type, string? disabled) => type?.ToUpperInvariant() switch
    {
        null or "" or "NOPASS" => WifiSecurity.Open,
        "WEP" => WifiSecurity.Wep,
        "SAE" => WifiSecurity.Wpa3,
        // The URI of the WPA3 specification writes WPA for all of them.
        _ => disabled is null ? WifiSecurity.Wpa2 : disabled == "1" ? WifiSecurity.Wpa3 : WifiSecurity.Wpa2Wpa3,
    };

    /// <summary>By letter; the first of each counts. A semicolon ends a field unless a backslash stands before it.</summary>
    private static Dictionary<char, string> Fields(string text)
    {
        var fields = new Dictionary<char, string>();
        for (var at = 0; at < text.Length;)
        {
            var end = at;
            while (end < text.Length && text[end] != ';') end += text[end] == '\\' && end + 1 < text.Length ? 2 : 1;
            end = Math.Min(end, text.Length);
            if (end - at > 1 && text[at + 1] == ':') fields.TryAdd(char.ToUpperInvariant(text[at]), Unescape(text[(at + 2)..end]));
            at = end + 1;
        }
        return fields;
    }

    private static string Unescape(string value)
    {
        var plain = new StringBuilder(value.Length);
        for (var i = 0; i < value.Length; i++) plain.Append(value[i] == '\\' && i + 1 < value.Length ? value[++i] : value[i]);
        return plain.ToString();
    }

    /// <summary>A value in quotation marks is the value between them.</summary>
    private static string Plain(string value) => value.Length > 1 && value[0] == '"' && value[^1] == '"' ? value[1..^1] : value;

    private static string Percent(string value)
    {
        if (!value.Contains('%', StringComparison.Ordinal)) return value;
        var bytes = new List<byte>(value.Length);
        for (var i = 0; i < value.Length; i++)
        {
            if (value[i] == '%' && i + 2 < value.Length && byte.TryParse(value.AsSpan(i + 1, 2), NumberStyles.HexNumber, CultureInfo.InvariantCulture, out var code))
            {
                bytes.Add(code);
                i += 2;
            }
            else bytes.AddRange(Encoding.UTF8.GetBytes(value[i].ToString()));
        }
        return Encoding.UTF8.GetString([.. bytes]);
    }

    private static string? MacIn(string text) => text.Split([' ', ',', ';', '\t', '\n', '\r', '=', '|'], StringSplitOptions.RemoveEmptyEntries)
        .Select(word => Scan.Mac(word.StartsWith("MAC:", StringComparison.OrdinalIgnoreCase) ? word[4..] : word)).FirstOrDefault(mac => mac is not null);

    /// <summary>The address of a settings page, where the code is one.</summary>
    private static string? PageIn(string text) => Uri.TryCreate(text.Trim(), UriKind.Absolute, out var page) && page.Scheme is "http" or "https"
        && Ipv4Address.TryParse(new Uri(text.Trim()).Host, out var host) && AddressRanges.IsPrivate(host) ? host.ToString() : null;
}
