using System.Globalization;
using System.Net.NetworkInformation;
using System.Text.Json.Serialization;

namespace Altrin.Core.Network;

/// <summary>A 48-bit hardware address, printed in capitals with colons as labels print it.</summary>
[JsonConverter(typeof(TextConverter<MacAddress>))]
public readonly record struct MacAddress(ulong Value) : ITextValue<MacAddress>
{
    public static string Expected => "a MAC address such as 02:00:5E:10:00:01";

    public static bool TryParse(string? text, out MacAddress mac)
    {
        mac = default;
        if (text is not { Length: 17 } || !PhysicalAddress.TryParse(text, out var parsed) || parsed is null) return false;
        if (!ulong.TryParse(parsed.ToString(), NumberStyles.AllowHexSpecifier, CultureInfo.InvariantCulture, out var value)) return false;
        mac = new(value);
        return true;
    }

    /// <exception cref="FormatException">The text is no MAC address.</exception>
    public static MacAddress Parse(string text) =>
        TryParse(text, out var mac) ? mac : throw new FormatException($"“{text}” is not {Expected}.");

    /// <summary>Set by an administrator, not by a maker: the second-lowest bit of the first octet (IEEE 802).</summary>
    public bool IsLocallyAdministered => (Value >> 41 & 1) == 1;

    /// <summary>What MACs have in common that one box has made of another: its maker changes the first octet.</summary>
    public ulong WithoutFirstOctet => Value & ((1UL << 40) - 1);

    /// <summary>Addresses a group, so no single interface may own it: the lowest bit of the first octet (IEEE 802).</summary>
    public bool IsGroup => (Value >> 40 & 1) == 1;

    public override string ToString()
    {
        var value = Value;
        return string.Create(17, value, static (text, v) =>
        {
            for (var i = 0; i < 6; i++)
            {
                var octet = (int)(v >> (40 - 8 * i) & 0xff);
                text[3 * i] = "0123456789ABCDEF"[octet >> 4];
                text[3 * i + 1] = "0123456789ABCDEF"[octet & 15];
                if (i < 5) text[3 * i + 2] = ':';
            }
        });
    }
}
