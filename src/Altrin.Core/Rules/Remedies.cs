using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules;

/// <summary>Cures that several rules and the plans propose: lists of actions, none of them simulated yet.</summary>
public static class Remedies
{
    /// <summary>A second router made part of the main router's network: in access-point mode if it has one, else by hand.</summary>
    /// <returns>Null when it is on no other router's network, or there is no address or socket for it.</returns>
    public static ImmutableArray<InstallerAction>? JoinAsAccessPoint(Facts facts, Device box)
    {
        var uplink = UplinkSegment(facts, box);
        if (facts.MainsOn(uplink).FirstOrDefault(lan => lan.Owner != box.Id) is not { Address: { } main }) return null;
        var own = facts.State.Lan(box.Id)?.Address;
        var keeps = own is { } now && now.Prefix == main.Prefix && HolderCount(facts, uplink, now.Address) <= (IsOn(facts, box, uplink) ? 1 : 0)
            && !facts.ServersOn[uplink].Any(server => server.Device != box.Id && server.Pool.Contains(now.Address));
        var address = keeps ? own!.Value.Address : facts.FreeAddress(uplink, main.Prefix);
        if (address is not { } free) return null;

        var actions = ImmutableArray.CreateBuilder<InstallerAction>();
        if (!keeps) actions.Add(new SetLanAddress(box.Id, new(free, main.Prefix.Length)));
        if (box.KeptApart == true) actions.Add(new KeepApart(box.Id, false));
        if (box.ModeThat(mode => mode.IsAccessPoint) is { } accessPoint)
        {
            actions.Add(new SetMode(box.Id, accessPoint));
            return actions.ToImmutable();
        }
        // Firewall and UPnP go off with it: the main router does that work (common practice, no source).
        actions.AddRange(TurnOffServices(box));
        if (box.Lan?.DhcpServer is { Enabled: true }) actions.Add(new TurnOffDhcpServer(box.Id));
        if (UplinkCable(facts, box) is { } cable && EndAt(cable, box.Id) is var end && box.FindPort(end.Port)?.Role == PortRole.Wan)
        {
            if (facts.House.FreePort(box, PortRole.Lan) is not { } port) return null;
            actions.Add(new MoveCableEnd(cable.Id, end, new(box.Id, port.Id)));
        }
        return actions.ToImmutable();
    }

    public static ImmutableArray<InstallerAction> TurnOffServices(Device box) =>
    [
        .. box.Firewall ? [new SetFeature(box.Id, BoxFeature.Firewall, false)] : Array.Empty<InstallerAction>(),
        .. box.Upnp ? [new SetFeature(box.Id, BoxFeature.Upnp, false)] : Array.Empty<InstallerAction>(),
    ];

    public static string JoinAsAccessPointWords(Device box) => box.ModeThat(mode => mode.IsAccessPoint) is not null
        ? $"Make {box.Name} an access point"
        : $"Make {box.Name} an access point by hand";

    /// <summary>The router keeps a network of its own, in a subnet that nobody else in the house uses.</summary>
    public static ImmutableArray<InstallerAction>? MoveToOwnSubnet(Facts facts, Device box)
    {
        if (FreeSubnet(facts) is not { } subnet) return null;
        var actions = ImmutableArray.CreateBuilder<InstallerAction>();
        actions.Add(new SetLanAddress(box.Id, new(subnet.Network.Plus(1), subnet.Length)));
        if (box.Lan?.DhcpServer is { Enabled: true })
            actions.Add(new MovePool(box.Id, AddressPool.Usual(subnet).Start, AddressPool.Usual(subnet).End));
        if (box.Lan?.DhcpServer?.Gateway is not null) actions.Add(new SetLeaseGateway(box.Id, null));
        foreach (var one in facts.State.OnSegment[facts.State.InsideOf(box.Id)])
        {
            if (one is not { Outcome: LeaseOutcome.Static, Address: { } old } || one.Owner == box.Id) continue;
            var moved = new InterfaceAddress(Moved(old.Address), subnet.Length);
            if (!subnet.IsUsable(moved.Address)) continue;
            if (one.Kind == InterfaceKind.Net) actions.Add(new SetEndpointAddress(one.Owner, EndpointAddress.Fixed(moved, subnet.Network.Plus(1))));
            else if (one.Kind == InterfaceKind.Lan) actions.Add(new SetLanAddress(one.Owner, moved));
        }
        foreach (var forward in box.PortForwards) actions.Add(new SetForward(box.Id, forward with { ToAddress = Moved(forward.ToAddress) }));
        if (box.DmzHost is { } host) actions.Add(new SetDmzHost(box.Id, Moved(host)));
        return actions.ToImmutable();

        Ipv4Address Moved(Ipv4Address address) => subnet.Network.Plus(address.Value & ~subnet.Mask);
    }

    /// <summary>The first /24 of 192.168, then 172.16, then 10, clear of every subnet of the house and of its tunnels. 0 and 1 are
    /// what most boxes ship with: left alone.</summary>
    public static Prefix? FreeSubnet(Facts facts) => FreeSubnet([.. facts.SubnetsInUse().Distinct()]);

    public static Prefix? FreeSubnet(IReadOnlyCollection<Prefix> used)
    {
        foreach (var range in new[] { "192.168.0.0", "172.16.0.0", "10.44.0.0" })
            for (var n = 2u; n < 255; n++)
            {
                var subnet = Prefix.Of(Ipv4Address.Parse(range).Plus(n << 8), 24);
                if (!used.Any(other => other.Overlaps(subnet))) return subnet;
            }
        return null;
    }

    /// <summary>The segment through which a box is fed: its WAN side if something is there, else its inside.</summary>
    public static int UplinkSegment(Facts facts, Device box) =>
        box.RoutesForItsOwn && facts.State.IsWanPlugged(box.Id) ? facts.State.OutsideOf(box.Id) : facts.State.InsideOf(box.Id);

    /// <summary>The cable that feeds a box: in its WAN socket if there is one, else the first whose other end leads to a main router.</summary>
    public static Cable? UplinkCable(Facts facts, Device box)
    {
        var own = facts.House.Cables.Where(cable => cable.A.Device == box.Id || cable.B.Device == box.Id).ToList();
        if (box.RoutesForItsOwn
            && own.Find(cable => box.FindPort(EndAt(cable, box.Id).Port)?.Role == PortRole.Wan) is { } wan) return wan;
        var main = facts.MainsOn(facts.State.InsideOf(box.Id)).FirstOrDefault(lan => lan.Owner != box.Id)?.Owner;
        if (main is null) return null;
        return own.Find(cable => EndOpposite(cable, box.Id).Device == main)
            ?? own.Find(cable => LeadsTo(facts, EndOpposite(cable, box.Id).Device, main, [box.Id]));
    }

    public static Socket EndAt(Cable cable, string device) => cable.A.Device == device ? cable.A : cable.B;
    public static Socket EndOpposite(Cable cable, string device) => cable.A.Device == device ? cable.B : cable.A;

    /// <summary>A fixed address for an endpoint, and the gateway that belongs to it.</summary>
    public static SetEndpointAddress FixEndpoint(string endpoint, Interface main, Ipv4Address address) =>
        new(endpoint, EndpointAddress.Fixed(new(address, main.Address!.Value.Prefix.Length), main.Address.Value.Address));

    private static bool LeadsTo(Facts facts, string from, string to, HashSet<string> seen)
    {
        var open = new Stack<string>([from]);
        while (open.TryPop(out var at))
        {
            if (at == to) return true;
            if (!seen.Add(at)) continue;
            foreach (var cable in facts.House.Cables)
                if (cable.A.Device == at || cable.B.Device == at) open.Push(EndOpposite(cable, at).Device);
        }
        return false;
    }

    internal static int HolderCount(Facts facts, int segment, Ipv4Address address) =>
        facts.State.OnSegment[segment].Count(one => one.Address?.Address == address);

    private static bool IsOn(Facts facts, Device box, int segment) => facts.State.Lan(box.Id)?.Segment == segment;
}
