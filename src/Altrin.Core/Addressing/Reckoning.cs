using System.Globalization;
using Altrin.Core.Network;
using Altrin.Core.Simulation;
using Subnet = Altrin.Core.Network.Prefix;

namespace Altrin.Core.Addressing;

/// <summary>What an address or a prefix is: the arithmetic an installer would do on paper.</summary>
/// <param name="Hosts">Addresses that a host may hold (RFC 4632; RFC 3021 for a /31).</param>
/// <param name="Kind">In words, with the RFC that says so.</param>
/// <param name="Role">What the address itself is within the prefix; null where a prefix alone was asked.</param>
/// <param name="Clashes">Where it meets the subnets, the line or the work tunnels of this house.</param>
public sealed record Reckoning(string Asked, string Prefix, string Network, string First, string Last, string Broadcast, string Mask, string Wildcard, long Hosts,
    string Kind, string? Role, IReadOnlyList<string> Clashes)
{
    public const string Expected = "an address or a prefix, such as 192.168.1.77, 10.20.3.200/26 or 10.20.3.200 255.255.255.192";

    /// <summary>An address alone counts as of a /24, as homes have it.</summary>
    public const int UsualLength = 24;

    /// <returns>Null for what is neither.</returns>
    public static Reckoning? Of(string text, NetworkState? state = null)
    {
        if (!TryRead(text, out var address, out var length, out var isPrefixAlone)) return null;
        var prefix = Subnet.Of(address, length);
        return new(text.Trim(), prefix.ToString(), prefix.Network.ToString(), prefix.FirstUsable.ToString(), prefix.LastUsable.ToString(), prefix.Broadcast.ToString(),
            new Ipv4Address(prefix.Mask).ToString(), new Ipv4Address(~prefix.Mask).ToString(), prefix.Usable, KindOf(address), isPrefixAlone ? null : RoleOf(address, prefix),
            state is null ? [] : [.. Clash(state, prefix, isPrefixAlone ? null : address)]);
    }

    private static bool TryRead(string text, out Ipv4Address address, out int length, out bool isPrefixAlone)
    {
        (address, length, isPrefixAlone) = (default, UsualLength, false);
        var parts = text.Trim().Split(['/', ' ', '\t'], StringSplitOptions.RemoveEmptyEntries);
        if (parts.Length is 0 or > 2 || !Ipv4Address.TryParse(parts[0], out address)) return false;
        if (parts.Length == 2)
        {
            if (Ipv4Address.TryParse(parts[1], out var mask))
            {
                // A mask is ones, then zeros: RFC 950. Turned round it is what routers' access lists are written with.
                var bits = IsMask(mask.Value) ? mask.Value : ~mask.Value;
                if (!IsMask(bits)) return false;
                length = System.Numerics.BitOperations.PopCount(bits);
            }
            else if (!int.TryParse(parts[1], NumberStyles.None, CultureInfo.InvariantCulture, out length) || length > 32) return false;
            isPrefixAlone = Subnet.Of(address, length) is var prefix && prefix.Network == address && length < 31;
        }
        return true;
    }

    private static bool IsMask(uint bits) => (~bits & (~bits + 1)) == 0;

    private static string RoleOf(Ipv4Address address, Subnet prefix)
    {
        if (prefix.Length < 31 && address == prefix.Network) return "the network’s own address: no host may hold it";
        if (prefix.Length < 31 && address == prefix.Broadcast) return "the broadcast address: no host may hold it";
        return "a host may hold it";
    }

    private static string KindOf(Ipv4Address address)
    {
        if (AddressRanges.WhyNoHost(address) is { } why) return $"{why} (RFC 6890)";
        if (AddressRanges.IsPrivate(address)) return "private (RFC 1918)";
        if (AddressRanges.Shared.Contains(address)) return "shared by a carrier among its customers (RFC 6598)";
        if (AddressRanges.LinkLocal.Contains(address)) return "link-local: nobody gave it an address (RFC 3927)";
        if (Array.Exists(AddressRanges.Documentation, range => range.Contains(address))) return "set aside for documentation (RFC 5737)";
        return "public";
    }

    private static IEnumerable<string> Clash(NetworkState state, Subnet prefix, Ipv4Address? address)
    {
        foreach (var segment in state.Segments)
            foreach (var subnet in state.SubnetsOn(segment.Index).Where(subnet => subnet.Overlaps(prefix)))
            {
                var where = segment.Index == state.ProviderSegment ? "the line" : "this house";
                yield return subnet == prefix ? $"is {subnet} of {where}" : $"overlaps {subnet} of {where}";
            }
        foreach (var need in state.House.Needs.OfType<Need.Tunnel>().Where(need => need.Prefix.Overlaps(prefix)))
            yield return $"overlaps the work tunnel {need.Prefix}";
        if (address is { } held)
            foreach (var one in state.Interfaces.Where(one => one.Candidates.Any(candidate => candidate.Address?.Address == held)).Select(one => one.Owner).Distinct())
                yield return $"held by {NameOf(state, one)}";
    }

    private static string NameOf(NetworkState state, string owner) =>
        state.House.FindDevice(owner)?.Name ?? state.House.FindEndpoint(owner)?.Name ?? "the provider";
}
