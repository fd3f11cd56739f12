using System.Text;
using Altrin.Core.Handover.Holding;
using Altrin.Core.Handover.Letters;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Handover;

/// <summary><c>hosts</c> and <c>dnsmasq</c>: names for the addresses that stay.</summary>
internal static class HostFiles
{
    private sealed record Kept(string Id, string Name, MacAddress? Mac, Ipv4Address Address);

    /// <summary><c>ADDRESS NAME</c> of each box and thing in use that is fixed or reserved.</summary>
    public static string Hosts(HandoverGround ground)
    {
        var names = new HostNames();
        var text = new StringBuilder();
        foreach (var one in Boxes(ground,
            box => ground.State.Lan(box.Id)).Concat(Things(ground))) text.Append($"{one.Address} {names.Give(one.Name, one.Id)}\n");
        return text.ToString();
    }

    /// <summary><c>dhcp-host=MAC,ADDRESS,NAME</c>; an address stands once, with its first holder.</summary>
    public static string Dnsmasq(HandoverGround ground)
    {
        var (names, given) = (new HostNames(), new HashSet<Ipv4Address>());
        var text = new StringBuilder();
        // A router's MAC is that of its WAN: its LAN address never belongs to it.
        foreach (var one in Boxes(ground, box => box.Traits.IsRouter ? WanInTheHome(ground, box)
            : ground.State.Lan(box.Id)).Concat(Things(ground)))
            if (one.Mac is { } mac
                && given.Add(one.Address)) text.Append($"dhcp-host={mac},{one.Address},{names.Give(one.Name, one.Id)}\n");
        foreach (var kept in ground.State.Servers.Where(server => server.Device != Line.ProviderId).SelectMany(server =>
            server.Reservations))
            if (given.Add(kept.Address)) text.Append($"dhcp-host={kept.Mac},{kept.Address}\n");
        return text.ToString();
    }

    private static Interface? WanInTheHome(HandoverGround ground, Device box) =>
        ground.State.Wan(box.Id) is { Segment: >= 0 } wan && wan.Segment != ground.State.ProviderSegment ? wan : null;

    private static IEnumerable<Kept> Boxes(HandoverGround ground, Func<Device, Interface?> side) =>
        from box in ground.House.Devices
        where ground.State.IsInUse(box.Id)
        let address = Stays(ground, side(box))
        where address is not null
        select new Kept(box.Id, box.Name, box.Mac, address.Value);

    private static IEnumerable<Kept> Things(HandoverGround ground) =>
        from thing in ground.House.Endpoints
        let address = Stays(ground, ground.State.Net(thing.Id))
        where address is not null
        select new Kept(thing.Id, thing.Name, thing.Mac, address.Value);

    private static Ipv4Address? Stays(HandoverGround ground, Interface? one) =>
        ground.Holders.Of(one) is { By: HeldBy.Fixed or HeldBy.Reserved, Address: { } own } ? own.Address : null;
}
