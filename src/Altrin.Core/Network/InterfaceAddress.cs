using System.Text.Json.Serialization;

namespace Altrin.Core.Network;

/// <summary>An address as an interface holds it, with the length of its subnet: 192.168.31.1/24.</summary>
/// <remarks>Bare means /24, the size home boxes ship with.</remarks>
[JsonConverter(typeof(TextConverter<InterfaceAddress>))]
public readonly record struct InterfaceAddress : ITextValue<InterfaceAddress>
{
    public const int BareLength = 24;

    public static string Expected => "an address with its prefix length, such as 192.168.1.1/24";

    /// <exception cref="ArgumentOutOfRangeException">The length is not 0 to 32.</exception>
    public InterfaceAddress(Ipv4Address address, int length)
    {
        Prefix = Prefix.Of(address, length);
        Address = address;
    }

    public Ipv4Address Address { get; }
    public Prefix Prefix { get; }

    public static bool TryParse(string? text, out InterfaceAddress value)
    {
        value = default;
        if (text is null) return false;
        var slash = text.IndexOf('/');
        if (slash < 0)
        {
            if (!Ipv4Address.TryParse(text, out var bare)) return false;
            value = new(bare, BareLength);
            return true;
        }
        if (!Ipv4Address.TryParse(text[..slash], out var address)) return false;
        if (!Prefix.TryParse($"0.0.0.0/{text[(slash + 1)..]}", out var size)) return false;
        value = new(address, size.Length);
        return true;
    }

    /// <exception cref="FormatException">The text is no address.</exception>
    public static InterfaceAddress Parse(string text) =>
        TryParse(text, out var value) ? value : throw new FormatException($"“{text}” is not {Expected}.");

    public override string ToString() => $"{Address}/{Prefix.Length}";
}
