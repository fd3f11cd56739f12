using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Readings.Parsers;

namespace Altrin.Core.Readings.Eyes;

/// <summary>What a laptop may ask of a network that is not its own: inside the house, slowly, and nothing else.</summary>
public static class Manners
{
    /// <summary>A /22 less its network and broadcast address.</summary>
    public const int MostPings = 1022;

    private const int LongestSubnet = 22;

    /// <summary>Pings sent in a second.</summary>
    public const int PingsASecond = 50;

    /// <returns>Why it is not asked; null where it may be.</returns>
    public static string? Refuse(Ipv4Address address) =>
        AddressRanges.IsPrivate(address) || AddressRanges.LinkLocal.Contains(address) ? null
        : $"{address} is no address of a house: only private and link-local ones are asked (RFC 1918, RFC 3927).";

    /// <returns>What must be mended first; null where all of it may be looked at.</returns>
    public static string? Refuse(Glance glance) =>
        glance.Outside is { } outside && AddressRanges.DiesAtTheLine(outside)
            ? $"{outside} says nothing about the internet: it is no address out there."
        : glance.Outside is { } nobody && AddressRanges.WhyNoHost(nobody) is { } none ? $"{nobody} {none}. Name another address to ask."
        : glance.Pings.Length > MostPings ? $"{glance.Pings.Length} addresses at once. At most {MostPings} are asked: a /22."
        : glance.Pings.Concat(glance.Pages).Select(Refuse).FirstOrDefault(why => why is not null);

    /// <summary>Every address of the subnet that the laptop's cable or Wi-Fi is in, itself left out.</summary>
    /// <returns>None, and why, where it has no private address or its subnet is larger than a /22.</returns>
    public static (ImmutableArray<Ipv4Address> All, string? Why) OwnSubnet(PastedReading reading)
    {
        var own = reading.Adapters.Where(one => one.Kind != AdapterKind.Virtual
            && one.Gateway is not null).Concat(reading.Adapters.Where(one => one.Kind != AdapterKind.Virtual))
            .Select(one => InterfaceAddress.TryParse(one.Address, out var held) ? held : (InterfaceAddress?)null).OfType<InterfaceAddress>()
            .Where(held => AddressRanges.IsPrivate(held.Address)).Cast<InterfaceAddress?>().FirstOrDefault();
        if (own is not { } at) return ([], "The laptop has no private address: nobody can be asked.");
        if (at.Prefix.Length < LongestSubnet) return ([], $"{at.Prefix} has more than {MostPings} addresses: nobody in it is asked.");
        var all = ImmutableArray.CreateBuilder<Ipv4Address>();
        for (var value = at.Prefix.FirstUsable.Value; value <= at.Prefix.LastUsable.Value; value++)
            if (new Ipv4Address(value) is var one && one != at.Address) all.Add(one);
        return (all.ToImmutable(), null);
    }
}
