using System.Globalization;
using Altrin.Core.Network;

namespace Altrin.Core.Readings.Parsers;

/// <summary>Small pieces that the parsers share.</summary>
public static class Scan
{
    private static readonly char[] Blanks = [' ', '\t', '\u00a0'];

    public static string[] Words(string text) => text.Split(Blanks, StringSplitOptions.RemoveEmptyEntries);

    /// <summary>Letters and digits alone, small: what is left of a label whatever a code page did to its accents.</summary>
    public static string Fold(string text) => string.Create(text.Count(IsPlain), text, static (to, from) =>
    {
        var at = 0;
        foreach (var letter in from)
            if (IsPlain(letter)) to[at++] = char.ToLowerInvariant(letter);
    });

    /// <summary>What stands beside the first entry that the folded text is, or begins with; null for none.</summary>
    internal static string? Known((string Fold, string Language)[] table, string text, bool whole = false)
    {
        var fold = Fold(text);
        foreach (var (known, language) in table)
            if (whole ? fold == known : fold.StartsWith(known, StringComparison.Ordinal)) return language;
        return null;
    }

    private static bool IsPlain(char letter) => char.IsAsciiLetterOrDigit(letter);

    /// <summary>An IPv4 address, without what may stand about it: brackets, a port, a full stop.</summary>
    public static string? Address(string? text)
    {
        if (text is null) return null;
        var bare = text.Trim().Trim('(', ')', '[', ']', ',', ';', ':');
        return Ipv4Address.TryParse(bare, out var address) ? address.ToString() : null;
    }

    /// <summary>An IPv4 or IPv6 address, without the interface that may stand behind it (<c>fe80::1%5</c>).</summary>
    public static string? AnyAddress(string text) =>
        Address(text)
            ?? (text.Trim('(', ')', '[', ']', ',', ';').TrimEnd(':', '.') is var bare && IsIpv6(bare) ? bare.Split('%')[0] : null);

    public static string? AnyAddressIn(string text) => Words(text).Select(AnyAddress).FirstOrDefault(one => one is not null);

    public static string? AddressIn(string text) => Words(text).Select(Address).FirstOrDefault(one => one is not null);

    /// <summary>With a prefix (<c>192.168.1.4/24</c>), or bare.</summary>
    public static string? AddressWithPrefix(string text) =>
        Address(text)
        ?? (InterfaceAddress.TryParse(text.Trim(), out var held) && text.Contains('/', StringComparison.Ordinal) ? held.ToString() : null);

    public static string WithMask(string address, string? mask) => PrefixLength(mask) is { } length ? $"{address}/{length}" : address;

    /// <summary>Of a mask in dots or in hexadecimal (<c>0xffffff00</c>); null where it is none.</summary>
    public static int? PrefixLength(string? mask)
    {
        if (mask is null) return null;
        uint bits;
        if (mask.StartsWith("0x", StringComparison.OrdinalIgnoreCase))
        {
            if (!uint.TryParse(mask.AsSpan(2), NumberStyles.HexNumber, CultureInfo.InvariantCulture, out bits)) return null;
        }
        else if (Ipv4Address.TryParse(mask, out var dots)) bits = dots.Value;
        else return null;
        var length = System.Numerics.BitOperations.LeadingZeroCount(~bits);
        return length == 32 || bits << length == 0 ? length : null;
    }

    /// <summary>A hardware address in any notation, in capitals with colons; null for none, for nought and for all ones.</summary>
    /// <remarks>IEEE 802 (hyphens), RFC 7042 (colons), dotted triples, bare digits, single digits as some lists print them.</remarks>
    public static string? Mac(string? text)
    {
        if (text is null) return null;
        text = text.Trim().Trim('(', ')', '[', ']', ',');
        var parts = text.Split(':', '-', '.');
        string hex;
        if (parts.Length == 6 && parts.All(part => part.Length is 1 or 2)) hex = string.Concat(parts.Select(part => part.PadLeft(2, '0')));
        else if (parts.Length == 3 && parts.All(part => part.Length == 4)) hex = string.Concat(parts);
        else if (parts.Length == 1 && text.Length == 12) hex = text;
        else return null;
        if (!hex.All(char.IsAsciiHexDigit)) return null;
        hex = hex.ToUpperInvariant();
        if (hex is "000000000000" or "FFFFFFFFFFFF") return null;
        return string.Join(':', Enumerable.Range(0, 6).Select(i => hex.Substring(i * 2, 2)));
    }

    public static bool IsMacLike(string text) => Mac(text) is not null || Fold(text) is "000000000000" or "ffffffffffff";

    public static bool IsIpv6(string text)
    {
        var bare = text.Split('%')[0].Split('/')[0].Trim('(', ')', '[', ']');
        return bare.Contains(':', StringComparison.Ordinal) && !IsMacLike(bare) && System.Net.IPAddress.TryParse(bare, out var address)
            && address.AddressFamily == System.Net.Sockets.AddressFamily.InterNetworkV6;
    }

    /// <summary>A number with point or comma, what follows it left aside.</summary>
    public static double? Number(string text)
    {
        text = text.Trim().TrimStart('<', '=', '~');
        var end = 0;
        while (end < text.Length && (char.IsAsciiDigit(text[end]) || (text[end] is '.' or ',' or '-' && end < text.Length - 1))) end++;
        return double.TryParse(text[..end].Replace(',', '.'), NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint,
            CultureInfo.InvariantCulture, out var number) ? number : null;
    }

    public static int? Whole(string text) =>
        int.TryParse(text.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number : null;

    /// <summary>Broadcast, multicast, nought and the loopback are nobody's neighbours.</summary>
    public static bool IsSomebody(string address) => Ipv4Address.TryParse(address, out var one)
        && (one.Value >> 24) is not (0 or 127) and < 224 && one.Value != uint.MaxValue;

    public static bool IsLinkLocal(string? address) => address is not null && address.StartsWith("169.254.", StringComparison.Ordinal);

    /// <summary>Label and value at the first colon that ends a label; null where there is none.</summary>
    public static (string Label, string Value)? Pair(string line, char mark = ':')
    {
        var at = line.IndexOf(mark, StringComparison.Ordinal);
        return at <= 0 ? null : (line[..at].Trim(' ', '.', '\t', '\u00a0'), line[(at + 1)..].Trim());
    }

    /// <summary><c>\xC3\xA9</c> in a name is the bytes of its letters.</summary>
    public static string Unescape(string name)
    {
        if (!name.Contains('\\', StringComparison.Ordinal)) return name;
        var bytes = new List<byte>();
        for (var i = 0; i < name.Length; i++)
        {
            if (name[i] == '\\' && i + 3 < name.Length && name[i + 1] == 'x'
                && byte.TryParse(name.AsSpan(i + 2, 2), NumberStyles.HexNumber, CultureInfo.InvariantCulture, out var code))
            {
                bytes.Add(code);
                i += 3;
            }
            else if (name[i] == '\\' && i + 1 < name.Length && name[i + 1] is '\\' or '\'' or '"')
            {
                bytes.AddRange(System.Text.Encoding.UTF8.GetBytes(name[++i].ToString()));
            }
            else bytes.AddRange(System.Text.Encoding.UTF8.GetBytes(name[i].ToString()));
        }
        return System.Text.Encoding.UTF8.GetString([.. bytes]);
    }

    /// <summary>The band of a channel's middle, in MHz.</summary>
    public static string? BandOf(double mhz) =>
        mhz switch { >= 2400 and < 2500 => "2.4", >= 4900 and < 5925 => "5", >= 5925 and < 7200 => "6", _ => null };

    /// <summary>The channel of a middle (IEEE 802.11: 2407 + 5 n, 5000 + 5 n, 5950 + 5 n; channel 14 at 2484).</summary>
    public static int? ChannelOf(double mhz) => mhz switch
    {
        2484 => 14,
        >= 2400 and < 2500 => (int)Math.Round((mhz - 2407) / 5),
        >= 4900 and < 5925 => (int)Math.Round((mhz - 5000) / 5),
        >= 5925 and < 7200 => (int)Math.Round((mhz - 5950) / 5),
        _ => null,
    };

    /// <summary>Of a channel number alone: those of 6 GHz cannot be told from others, and are said by the text.</summary>
    public static string? BandOfChannel(int channel) => channel switch { >= 1 and <= 14 => "2.4", >= 32 and <= 177 => "5", _ => null };

    /// <summary>Virtual, tunnel and Bluetooth adapters, by the names that systems give them.</summary>
    public static bool IsVirtual(string name)
    {
        var words = name.ToLowerInvariant();
        string[] parts = ["virtual", "virtuel", "vethernet", "hyper-v", "loopback", "tunnel", "teredo", "isatap", "6to4", "bluetooth",
            "tap-", "tap adapter", "vpn", "wireguard", "wintun", "docker",
            "pseudo", "wi-fi direct", "wifi direct", "wan miniport", "bridge0", "npcap", "host-only"];
        if (parts.Any(part => words.Contains(part, StringComparison.Ordinal))) return true;
        string[] starts = ["lo", "docker", "veth", "virbr", "br-", "tun", "tap", "wg", "utun", "awdl", "llw", "gif", "stf", "anpi", "ap1",
            "vmnet", "vnet", "bridge", "ppp", "sit", "ip6tnl", "dummy", "ipsec", "p2p", "bnep", "lxc", "lxd", "cni", "flannel", "pktap",
            "xhc"];
        return starts.Any(start => words.StartsWith(start, StringComparison.Ordinal)
            && (words.Length == start.Length || start.Length > 2 || char.IsAsciiDigit(words[start.Length]) || words[start.Length] == '-'));
    }

    /// <summary>By the name that Linux gives an interface.</summary>
    public static AdapterKind KindOf(string name) =>
        IsVirtual(name) ? AdapterKind.Virtual
        : name.StartsWith("wl", StringComparison.Ordinal) || name.StartsWith("ath", StringComparison.Ordinal) ? AdapterKind.Wifi
        : name.StartsWith("eth", StringComparison.Ordinal) || name.StartsWith("en", StringComparison.Ordinal)
            || name.StartsWith("usb", StringComparison.Ordinal) ? AdapterKind.Ethernet
        : AdapterKind.Other;

    public static double? Median(IEnumerable<double> numbers)
    {
        var sorted = numbers.Order().ToList();
        if (sorted.Count == 0) return null;
        return sorted.Count % 2 == 1 ? sorted[sorted.Count / 2] : (sorted[sorted.Count / 2 - 1] + sorted[sorted.Count / 2]) / 2;
    }
}
