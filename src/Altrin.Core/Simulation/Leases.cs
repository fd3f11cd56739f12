using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>Stage 3: who asks, who answers, who gets which address (section 3, rule 2).</summary>
internal sealed class LeaseTable
{
    private readonly Fabric fabric;
    private readonly InterfaceTable table;
    private readonly List<RunningServer> servers = [];

    /// <summary>Pass-through targets: what the provider gives them, and the gateway whose own server ignores them.</summary>
    private readonly Dictionary<Interface, Candidate> handed = [];
    private readonly Dictionary<Interface, string> ignoredBy = [];

    /// <summary>The addresses set by hand, each with its segment in one number.</summary>
    private readonly HashSet<long> held;

    /// <summary>What each interface is offered first; nearly everything is offered one address.</summary>
    private readonly Candidate?[] offers;

    /// <summary>What some are offered besides.</summary>
    private readonly Dictionary<int, List<Candidate>> rivals = [];

    private LeaseTable(Fabric fabric, InterfaceTable table)
    {
        (this.fabric, this.table) = (fabric, table);
        held = new(fabric.House.Devices.Length);
        offers = new Candidate?[table.All.Count];
    }

    public static ImmutableArray<RunningServer> Settle(Fabric fabric, SegmentMap segments, InterfaceTable table)
    {
        var leases = new LeaseTable(fabric, table);
        leases.HandOver(segments);
        leases.ListServers();
        leases.Answer(segments.All.Length);
        return [.. leases.servers];
    }

    /// <summary>In pass-through the router named gets the line's own address, straight from the provider. A rival server on that
    /// network may still be quicker.</summary>
    private void HandOver(SegmentMap segments)
    {
        var house = fabric.House;
        for (var d = 0; d < house.Devices.Length; d++)
        {
            if (!house.Devices[d].Traits.HandsLineOn || !fabric.TakesPart[d]) continue;
            var gateway = house.Devices[d];
            var isAtLine = house.Line is { Addresses: > 0 } line && line.Device == gateway.Id && table.Provider is not null;
            if (isAtLine && table.WanOf[d] >= 0) Keep(table.All[table.WanOf[d]], house.Line!, gateway);
            if (gateway.PassthroughTo is not { } target || !fabric.DeviceIndex.TryGetValue(target, out var t)
                || table.WanOf[t] < 0) continue;
            var wan = table.All[table.WanOf[t]];
            if (!wan.IsPlugged || wan.SharesTheLine || wan.Segment != segments.OfGroup[fabric.Groups[d].Lan]) continue;
            // Line or no line, the gateway's own server leaves its target alone.
            ignoredBy[wan] = gateway.Id;
            if (!isAtLine) continue;
            // With the line in a LAN socket the provider's own server is on that very network, for its target as for anybody.
            if (wan.Segment == segments.Provider) continue;
            var method = house.Devices[t].Wan?.Method ?? WanMethod.Dhcp;
            if (method != (house.Line!.HandOff == HandOff.Pppoe ? WanMethod.Pppoe : WanMethod.Dhcp)) continue;
            if (!LineNumbers.Serves(house.Line, house.Devices[t].Mac)) continue;
            handed[wan] = ProviderOffer();
            wan.PassedLink = table.Provider!.Link;
        }
    }

    /// <summary>A gateway that shares keeps the line's address for everyone else, by the same log-in as any router.</summary>
    private void Keep(Interface wan, Line line, Device gateway)
    {
        var method = gateway.Wan?.Method ?? WanMethod.Dhcp;
        var wanted = line.HandOff switch
        {
            HandOff.Dhcp => WanMethod.Dhcp,
            HandOff.Pppoe => WanMethod.Pppoe,
            HandOff.Static => WanMethod.Static,
            _ => throw new InvalidOperationException($"{line.HandOff} is not handled."),
        };
        if (!wan.IsPlugged || method != wanted) return;
        wan.Link = table.Provider!.Link;
        if (wan.AsksForAddress && LineNumbers.Serves(line, gateway.Mac)) wan.Settle(LeaseOutcome.Leased, ProviderOffer());
    }

    private Candidate ProviderOffer()
    {
        var numbers = table.Numbers!;
        return new(new(numbers.First, numbers.Prefix.Length), numbers.Router.Address, [numbers.Router.Address], InterfaceTable.ProviderId);
    }

    private void ListServers()
    {
        var house = fabric.House;
        if (house.Line is { HandOff: not HandOff.Static, Addresses: > 0 } line && table.Provider is { } provider)
        {
            var (own, numbers) = (provider.Candidates[0].Address!.Value, table.Numbers!);
            servers.Add(new(InterfaceTable.ProviderId, provider.Segment, own, new(numbers.First, numbers.Last),
                new(own, own.Address, [own.Address], InterfaceTable.ProviderId), [])
            { Subnet = numbers.Prefix });
        }
        for (var d = 0; d < house.Devices.Length; d++)
        {
            if (house.Devices[d].Traits.RunsServer && table.LanOf[d] >= 0) AddServer(house.Devices[d], table.All[table.LanOf[d]]);
            if (table.GuestOf[d] < 0) continue;
            var guest = table.All[table.GuestOf[d]];
            var own = guest.Address!.Value;
            servers.Add(new(house.Devices[d].Id, guest.Segment, own, GuestNetwork.PoolOf(own),
                new(own, own.Address, [own.Address], house.Devices[d].Id), []));
        }
    }

    private void AddServer(Device device, Interface lan)
    {
        if (lan.Outcome != LeaseOutcome.Static || device.Lan?.DhcpServer is not { Enabled: true } settings) return;
        var own = lan.Address!.Value;
        if (settings.PoolIn(own.Prefix) is not { } pool || !pool.IsInside(own.Prefix)) return;
        var dns = settings.Dns.IsDefaultOrEmpty ? [own.Address] : settings.Dns;
        servers.Add(new(device.Id, lan.Segment, own, pool,
            new(own, settings.Gateway ?? own.Address, dns, device.Id), settings.Reservations)
        { IsPoolUnknown = settings.IsPoolUnknown });
    }

    private void Answer(int segmentCount)
    {
        foreach (var one in table.All)
            if (one.Segment >= 0 && one.Outcome == LeaseOutcome.Static) held.Add(Delivery.Key(one.Segment, one.Address!.Value.Address));
        var clients = InAskingOrder();
        var onSegment = new BySegment<Interface>(clients, segmentCount, one => one.Segment);
        foreach (var (wan, offer) in handed) Offer(wan, offer);
        foreach (var server in servers) Lease(server, onSegment[server.Segment]);

        var confused = Confused();
        foreach (var client in clients) SettleClient(client, confused);
    }

    /// <summary>Who asks: router WANs first, then management addresses, then endpoints, each in document order.</summary>
    private List<Interface> InAskingOrder()
    {
        var asking = new List<Interface>(table.All.Count);
        for (var turn = 0; turn < 3; turn++)
            foreach (var one in table.All)
                if (Turn(one.Kind) == turn
                    && one is
                    {
                        Segment: >= 0, AsksForAddress: true, IsPlugged: true, SharesTheLine: false,
                        Outcome: LeaseOutcome.None
                    }) asking.Add(one);
        return asking;

        static int Turn(InterfaceKind kind) => kind switch { InterfaceKind.Wan => 0, InterfaceKind.Net => 2, _ => 1 };
    }

    private void Offer(Interface client, Candidate offer)
    {
        if (offers[client.Index] is null) offers[client.Index] = offer;
        else Rivals(client).Add(offer);
    }

    private List<Candidate> Rivals(Interface client) => rivals.TryGetValue(client.Index, out var list) ? list : rivals[client.Index] = [];

    private void Lease(RunningServer server, ArraySegment<Interface> asking)
    {
        if (asking.Count == 0) return;
        var prefix = server.Subnet;
        // Most servers have no reservations; then nothing can be given twice, and nothing has to be remembered.
        var reserved = server.Reservations.IsEmpty ? null : new Dictionary<MacAddress, Ipv4Address>();
        var kept = reserved is null ? null : new HashSet<Ipv4Address>();
        var given = reserved is null ? null : new HashSet<Ipv4Address>();
        foreach (var reservation in server.Reservations)
        {
            if (!prefix.Contains(reservation.Address)) continue;
            kept!.Add(reservation.Address);
            reserved!.TryAdd(reservation.Mac, reservation.Address);
        }
        var next = (long)server.Pool.Start.Value;
        foreach (var client in asking)
        {
            if (!Answers(server, client)) continue;
            var address = Reserved(client) ?? NextFree();
            if (address is not { } free) continue;
            given?.Add(free);
            Offer(client, server.Offer with { Address = new(free, prefix.Length) });
            if (server.Device == InterfaceTable.ProviderId) client.Link = table.Provider!.Link;
        }

        Ipv4Address? Reserved(Interface client) =>
            reserved is not null && client.Mac is { } mac && reserved.TryGetValue(mac, out var address) && MayGive(address) ? address
                : null;

        Ipv4Address? NextFree()
        {
            for (; next <= server.Pool.End.Value; next++)
            {
                var address = new Ipv4Address((uint)next);
                if (kept?.Contains(address) == true || !MayGive(address)) continue;
                next++;
                return address;
            }
            return null;
        }

        bool MayGive(Ipv4Address address) => prefix.IsUsable(address) && address != server.Own.Address
            && !held.Contains(Delivery.Key(server.Segment, address)) && given?.Contains(address) != true;
    }

    /// <summary>A PPPoE line talks to PPPoE sessions alone; nothing else in the house answers one.</summary>
    private bool Answers(RunningServer server, Interface client)
    {
        if (ignoredBy.TryGetValue(client, out var gateway) && gateway == server.Device) return false;
        if (server.Device == InterfaceTable.ProviderId && !LineNumbers.Serves(fabric.House.Line!, client.Mac)) return false;
        var pppoe = client.Kind == InterfaceKind.Wan && fabric.House.Devices[client.Device].Wan?.Method == WanMethod.Pppoe;
        return pppoe == (server.Device == InterfaceTable.ProviderId && fabric.House.Line!.HandOff == HandOff.Pppoe);
    }

    /// <summary>Segments where two servers hold one address: their clients cannot tell which of them they talk to.</summary>
    private HashSet<int> Confused()
    {
        var seen = new HashSet<long>(servers.Count);
        return [.. servers.Where(server => !seen.Add(Delivery.Key(server.Segment, server.Own.Address))).Select(server => server.Segment)];
    }

    private void SettleClient(Interface client, HashSet<int> confused)
    {
        if (offers[client.Index] is not { } first)
        {
            // A router's WAN stays without; anything else gives itself an address that is never routed (RFC 3927).
            if (client.Kind != InterfaceKind.Wan) client.Settle(LeaseOutcome.LinkLocal, LinkLocal(client.Index));
            return;
        }
        if (confused.Contains(client.Segment)) Rivals(client).Add(new(null, null, [], null));
        if (rivals.TryGetValue(client.Index, out var others)) client.Settle(LeaseOutcome.Contested, [first, .. others]);
        else client.Settle(LeaseOutcome.Leased, first);
    }

    /// <summary>169.254.1.0 to 169.254.254.255 may be taken (RFC 3927 section 2.1); chance picks in life, the index here.</summary>
    private static Candidate LinkLocal(int index)
    {
        var first = AddressRanges.LinkLocal.Network.Plus(256);
        return new(new(first.Plus((uint)(index % (254 * 256))), AddressRanges.LinkLocal.Length), null, [], null);
    }
}
