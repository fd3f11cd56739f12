using System.Net;
using System.Text.Json.Serialization;

namespace Altrin.Core.Network;

/// <summary>A subnet as its network address and length, host bits zero: 192.168.31.0/24.</summary>
/// <remarks>RFC 4632 section 3.1. Parsing is <see cref="IPNetwork"/>'s.</remarks>
[JsonConverter(typeof(TextConverter<Prefix>))]
public readonly record struct Prefix : IComparable<Prefix>, ITextValue<Prefix>
{
    private const long MostTried = 1024;

    public static string Expected => "a prefix such as 192.168.1.0/24";

    private Prefix(Ipv4Address network, int length) => (Network, Length) = (network, length);

    /// <summary>The lowest address: every host bit zero.</summary>
    public Ipv4Address Network { get; }

    /// <summary>0 to 32, both included.</summary>
    public int Length { get; }

    /// <summary>The prefix of the given length that holds the address.</summary>
    /// <exception cref="ArgumentOutOfRangeException">The length is not 0 to 32.</exception>
    public static Prefix Of(Ipv4Address address, int length)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(length);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(length, 32);
        return new(new(address.Value & MaskOf(length)), length);
    }

    public static bool TryParse(string? text, out Prefix prefix)
    {
        prefix = default;
        var slash = text?.IndexOf('/') ?? -1;
        if (slash < 0 || !IPNetwork.TryParse(text, out var parsed)) return false;
        if (!Ipv4Address.TryParse(text![..slash], out var address) || text[(slash + 1)..] != parsed.PrefixLength.ToString()) return false;
        if (address != new Ipv4Address(address.Value & MaskOf(parsed.PrefixLength))) return false;
        prefix = new(address, parsed.PrefixLength);
        return true;
    }

    /// <exception cref="FormatException">The text is no prefix, or has host bits set.</exception>
    public static Prefix Parse(string text) =>
        TryParse(text, out var prefix) ? prefix : throw new FormatException($"“{text}” is not {Expected}.");

    public uint Mask => MaskOf(Length);

    /// <summary>The highest address: every host bit one. In a /31 or /32 it is an ordinary host (RFC 3021).</summary>
    public Ipv4Address Broadcast => new(Network.Value | ~Mask);

    /// <summary>How many addresses a host may hold: network and broadcast are taken off up to /30.</summary>
    public long Usable => Length >= 31 ? 1L << (32 - Length) : (1L << (32 - Length)) - 2;

    public Ipv4Address FirstUsable => Length >= 31 ? Network : Network.Next();
    public Ipv4Address LastUsable => Length >= 31 ? Broadcast : new(Broadcast.Value - 1);

    public bool Contains(Ipv4Address address) => (address.Value & Mask) == Network.Value;
    public bool Contains(Prefix other) => other.Length >= Length && Contains(other.Network);
    public bool Overlaps(Prefix other) => Contains(other.Network) || other.Contains(Network);

    /// <summary>Whether a host may hold the address: inside, and neither the network nor the broadcast address.</summary>
    public bool IsUsable(Ipv4Address address) => address >= FirstUsable && address <= LastUsable;

    /// <summary>The address at the same place in this subnet.</summary>
    public Ipv4Address Counterpart(Ipv4Address elsewhere) => new(Network.Value | (elsewhere.Value & ~Mask));

    /// <summary>The lowest address that is free, but for the first, the router's place by custom; then the highest.</summary>
    /// <returns>Null when none is, of the first and the last thousand or so.</returns>
    public Ipv4Address? FirstFree(Predicate<Ipv4Address> isTaken)
    {
        var usable = (uint)Math.Min(Usable, MostTried);
        for (var i = 1u; i < usable; i++)
            if (FirstUsable.Plus(i) is var low && IsUsable(low) && !isTaken(low)) return low;
        return LastFree(isTaken);
    }

    /// <summary>The highest address that is free; null when none of the last thousand or so is.</summary>
    public Ipv4Address? LastFree(Predicate<Ipv4Address> isTaken)
    {
        var usable = (uint)Math.Min(Usable, MostTried);
        for (var i = 0u; i < usable; i++)
            if (new Ipv4Address(LastUsable.Value - i) is var high && IsUsable(high) && !isTaken(high)) return high;
        return null;
    }

    public int CompareTo(Prefix other) =>
        Network != other.Network ? Network.CompareTo(other.Network) : Length.CompareTo(other.Length);

    public override string ToString() => $"{Network}/{Length}";

    private static uint MaskOf(int length) => length == 0 ? 0 : uint.MaxValue << (32 - length);
}
