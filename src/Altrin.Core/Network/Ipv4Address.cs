using System.Buffers.Binary;
using System.Net;
using System.Text.Json.Serialization;

namespace Altrin.Core.Network;

/// <summary>One IPv4 address, small and comparable, safe as a key.</summary>
/// <remarks>Parsing is <see cref="IPAddress"/>'s; on top of it only the dotted quad without leading zeros is taken, for
/// "192.168.1.010" means .8 to one program and .10 to the next (RFC 6943 section 3.1.1).</remarks>
[JsonConverter(typeof(TextConverter<Ipv4Address>))]
public readonly record struct Ipv4Address(uint Value) : IComparable<Ipv4Address>, ITextValue<Ipv4Address>
{
    public static string Expected => "an IPv4 address such as 192.168.1.1";

    public static bool TryParse(string? text, out Ipv4Address address)
    {
        address = default;
        if (!IPAddress.TryParse(text, out var parsed) || parsed.ToString() != text) return false;
        Span<byte> bytes = stackalloc byte[16];
        if (!parsed.TryWriteBytes(bytes, out var written) || written != 4) return false;
        address = new(BinaryPrimitives.ReadUInt32BigEndian(bytes));
        return true;
    }

    /// <exception cref="FormatException">The text is no IPv4 address.</exception>
    public static Ipv4Address Parse(string text) =>
        TryParse(text, out var address) ? address : throw new FormatException($"“{text}” is not {Expected}.");

    /// <summary>The address after this one; 255.255.255.255 is followed by 0.0.0.0.</summary>
    public Ipv4Address Next() => new(Value + 1);

    public Ipv4Address Plus(uint offset) => new(Value + offset);

    public int CompareTo(Ipv4Address other) => Value.CompareTo(other.Value);

    public static bool operator <(Ipv4Address a, Ipv4Address b) => a.Value < b.Value;
    public static bool operator >(Ipv4Address a, Ipv4Address b) => a.Value > b.Value;
    public static bool operator <=(Ipv4Address a, Ipv4Address b) => a.Value <= b.Value;
    public static bool operator >=(Ipv4Address a, Ipv4Address b) => a.Value >= b.Value;

    /// <summary>The last number alone, as installers say it: ".20".</summary>
    public string LastNumber => $".{Value & 0xff}";

    public override string ToString() => $"{Value >> 24}.{Value >> 16 & 0xff}.{Value >> 8 & 0xff}.{Value & 0xff}";
}
