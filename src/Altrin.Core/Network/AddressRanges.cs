namespace Altrin.Core.Network;

/// <summary>The ranges that the RFCs set aside and this trade meets.</summary>
public static class AddressRanges
{
    /// <summary>RFC 1918 section 3.</summary>
    public static readonly Prefix[] Private =
        [Prefix.Parse("10.0.0.0/8"), Prefix.Parse("172.16.0.0/12"), Prefix.Parse("192.168.0.0/16")];

    /// <summary>Shared by a carrier among its customers: RFC 6598 section 7.</summary>
    public static readonly Prefix Shared = Prefix.Parse("100.64.0.0/10");

    /// <summary>What a host gives itself when nobody answers: RFC 3927 section 2.1.</summary>
    public static readonly Prefix LinkLocal = Prefix.Parse("169.254.0.0/16");

    /// <summary>For examples and documentation: RFC 5737 section 3.</summary>
    public static readonly Prefix[] Documentation =
        [Prefix.Parse("192.0.2.0/24"), Prefix.Parse("198.51.100.0/24"), Prefix.Parse("203.0.113.0/24")];

    public static bool IsPrivate(Ipv4Address address) => Array.Exists(Private, range => range.Contains(address));

    /// <summary>Private, shared and link-local addresses mean nothing beyond the wall: the line drops them.</summary>
    public static bool DiesAtTheLine(Ipv4Address address) =>
        IsPrivate(address) || Shared.Contains(address) || LinkLocal.Contains(address);

    /// <summary>Why no interface may hold the address at all, or null when one may (RFC 6890; RFC 1122 section 3.2.1.3).</summary>
    public static string? WhyNoHost(Ipv4Address address) => (address.Value >> 24) switch
    {
        0 => "belongs to “this network” (0.0.0.0/8)",
        127 => "is a loopback address",
        >= 224 and < 240 => "is a multicast address",
        >= 240 => "is reserved",
        _ => null,
    };
}
