using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Addressing;

/// <summary>A subnet moved whole, with everything that is in it.</summary>
/// <param name="Touches">Things fixed in it, which somebody has to go to.</param>
/// <param name="Clash">What the new place meets in this house; null for nothing.</param>
public sealed record SubnetMove(Prefix From, Prefix To, ImmutableArray<InstallerAction> Actions, ImmutableArray<string> Touches, string? Clash)
{
    /// <returns>Null where no such subnet is on that segment; a problem where it cannot go there.</returns>
    public static (SubnetMove? Move, string? Problem) Of(NetworkState state, string segment, Prefix from, Prefix to)
    {
        if (state.Segments.FirstOrDefault(one => one.Id == segment) is not { } here || !state.SubnetsOn(here.Index).Contains(from)) return (null, $"{from} is not there any more. Look at the present state.");
        if (to.Length != from.Length) return (null, $"{to} has another size. Write a /{from.Length}, so that everything keeps its place in it.");
        if (to == from) return (null, $"It is {from} already.");
        if (!Array.Exists(AddressRanges.Private, range => range.Contains(to))) return (null, $"{to} is not private (RFC 1918). Use 192.168.0.0/16, 172.16.0.0/12 or 10.0.0.0/8.");
        var moved = Moved(state, here.Index, from, to);
        var touches = state.House.Endpoints.Zip(moved.Endpoints).Where(pair => pair.First != pair.Second).Select(pair => pair.First.Name).ToImmutableArray();
        return (new(from, to, [.. Difference.Actions(state.House, moved)], touches, Meets(state, here.Index, to)), null);
    }

    private static string? Meets(NetworkState state, int segment, Prefix to)
    {
        foreach (var other in state.Segments.Where(other => other.Index != segment))
            foreach (var subnet in state.SubnetsOn(other.Index).Where(subnet => subnet.Overlaps(to)))
                return $"{subnet} is {(other.Index == state.ProviderSegment ? "the line’s" : "another network of this house")}: things in the two could not tell each other apart.";
        return state.House.Needs.OfType<Need.Tunnel>().FirstOrDefault(need => need.Prefix.Overlaps(to)) is { } tunnel ? $"It overlaps the work tunnel {tunnel.Prefix}." : null;
    }

    private static NetworkDocument Moved(NetworkState state, int segment, Prefix from, Prefix to)
    {
        var inside = state.OnSegment[segment].Where(one => one.Kind == InterfaceKind.Lan).Select(one => one.Owner).ToHashSet(StringComparer.Ordinal);
        var outside = state.OnSegment[segment].Where(one => one.Kind == InterfaceKind.Wan).Select(one => one.Owner).ToHashSet(StringComparer.Ordinal);
        var things = state.OnSegment[segment].Where(one => one.Kind == InterfaceKind.Net).Select(one => one.Owner).ToHashSet(StringComparer.Ordinal);

        Ipv4Address? At(Ipv4Address? address) => address is { } given && from.Contains(given) ? to.Counterpart(given) : address;
        Ipv4Address Sure(Ipv4Address address) => At(address)!.Value;
        InterfaceAddress? Held(InterfaceAddress? held) => held is { } one && from.Contains(one.Address) ? new(Sure(one.Address), one.Prefix.Length) : held;
        ImmutableArray<Ipv4Address> All(ImmutableArray<Ipv4Address> list) => list.Any(from.Contains) ? [.. list.Select(Sure)] : list;
        LanSettings? Lan(LanSettings? lan) => lan is null ? null : lan with
        {
            Address = Held(lan.Address),
            DhcpServer = lan.DhcpServer is not { } server ? null : server with
            {
                Start = At(server.Start),
                End = At(server.End),
                Gateway = At(server.Gateway),
                Dns = All(server.Dns),
                Reservations = [.. server.Reservations.Select(one => one with { Address = Sure(one.Address) })],
            },
        };
        return state.House with
        {
            Devices =
            [
                .. state.House.Devices.Select(box =>
                {
                    if (inside.Contains(box.Id)) box = box with { Lan = Lan(box.Lan), DmzHost = At(box.DmzHost), PortForwards = [.. box.PortForwards.Select(one => one with { ToAddress = Sure(one.ToAddress) })] };
                    return outside.Contains(box.Id) && box.Wan is { } wan ? box with { Wan = wan with { Address = Held(wan.Address), Gateway = At(wan.Gateway), Dns = All(wan.Dns) } } : box;
                }),
            ],
            Endpoints =
            [
                .. state.House.Endpoints.Select(thing => things.Contains(thing.Id) && thing.Address is { Method: EndpointMethod.Static, Address: { } held } && from.Contains(held.Address)
                    ? thing with { Address = thing.Address with { Address = Held(held), Gateway = At(thing.Address.Gateway), Dns = All(thing.Address.Dns) } }
                    : thing),
            ],
        };
    }
}
