using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Readings;

/// <summary>What a laptop must show in a simulated house, and whether what it shows is that.</summary>
public static class Expected
{
    /// <summary>Its address, its gateway, its name servers, whether the internet answers and over how many translations.</summary>
    public static ImmutableArray<Reading> Of(NetworkState state, string laptop)
    {
        if (state.Net(laptop) is not { } net) return [];
        var readings = ImmutableArray.CreateBuilder<Reading>();
        readings.Add(Address(state, laptop));
        var gateways = net.Candidates.Select(held => held.Gateway).OfType<Ipv4Address>().Distinct().ToImmutableArray();
        if (!gateways.IsEmpty) readings.Add(new GatewayReading(gateways));
        // Where chance decides between servers, so it does between what they give.
        if (net.Candidates is [{ Dns.IsDefaultOrEmpty: false } only]) readings.Add(new DnsReading(only.Dns));
        var way = state.Internet(laptop);
        readings.Add(new InternetReading(laptop, way.Reachable));
        if (way.Reachable == Answer.Yes) readings.Add(new NatLayersReading(way.NatLayers));
        return readings.ToImmutable();
    }

    public static AddressReading Address(NetworkState state, string who)
    {
        if (state.Net(who) is not { Candidates.IsEmpty: false } net) return new(who, [new(AddressSource.None)]);
        var source = net.Outcome switch
        {
            LeaseOutcome.Leased or LeaseOutcome.Contested => AddressSource.Leased,
            LeaseOutcome.Static => AddressSource.Fixed,
            LeaseOutcome.LinkLocal => AddressSource.LinkLocal,
            LeaseOutcome.None => AddressSource.None,
            _ => throw new InvalidOperationException($"{net.Outcome} is not handled."),
        };
        return new(who, [.. net.Candidates.Select(held => held.Address is null ? new HeldAddress(AddressSource.None) : new(source,
            held.Address, held.Server))]);
    }

    /// <summary>Whether the page of a box opens for the laptop; null where nobody can know its address.</summary>
    public static PageReading? Page(NetworkState state, string laptop, string device) =>
        IsAddressKnown(state, device) && state.Admin(laptop, device) is { Address: { } at } answer ? new(device, at,
            answer.Reachable == Answer.Yes) : null;

    /// <summary>Whether it is known under which address its page is: its own, or one that is reserved for it. What a server picks, and
    /// what it
    /// gives itself where nobody answers, is found by looking.</summary>
    public static bool IsAddressKnown(NetworkState state, string device) => state.Lan(device) switch
    {
        { Outcome: LeaseOutcome.Static } => true,
        { Outcome: LeaseOutcome.Leased, Mac: { } mac } => state.Servers.Any(server => server.Reservations.Any(one => one.Mac == mac)),
        _ => false,
    };

    /// <summary>That a thing or box stands in the list of the box that leases it its address, where the laptop can open that list; null
    /// where it cannot, or where
    /// nobody knows its MAC. A list of leases is on every page that has a server; what else is heard of, not every box lists.</summary>
    public static ClientReading? Client(NetworkState state, string laptop, string who)
    {
        if (LeasedTo(state, who) is not { Mac: { } mac, Segment: var segment, Candidates: [{ Server: { } server }] }
            || state.FindDevice(server) is not { } box) return null;
        // What hangs behind a repeater or a client bridge may stand there under the bridge's MAC: common practice, no source.
        if (state.House.Devices.Any(bridge => bridge.Id != who && bridge.Traits.HidesMacs && state.UplinkBox(bridge.Id) is not null
            && state.InsideOf(bridge.Id) == segment)) return null;
        return Page(state, laptop, box.Id) is { Opens: true } ? new(box.Id, mac, who, true) : null;
    }

    /// <summary>The one interface by which a thing, or a box that does not route, is on the network with a lease.</summary>
    private static Interface? LeasedTo(NetworkState state, string who) =>
        (state.Net(who) ?? state.Lan(who)) is { Outcome: LeaseOutcome.Leased } own ? own : null;

    /// <summary>The names that come into the list of networks, or go from it, between two houses.</summary>
    public static IEnumerable<SsidReading> NamesChanged(NetworkState before, NetworkState after)
    {
        var (old, now) = (Names(before), Names(after));
        foreach (var name in now.Except(old).Order(StringComparer.Ordinal)) yield return new(name, true);
        foreach (var name in old.Except(now).Order(StringComparer.Ordinal)) yield return new(name, false);
    }

    /// <summary>A name that is not shown stands in no list; that of a box on the table does, though nobody is on it.</summary>
    private static HashSet<string> Names(NetworkState state) => [.. Listed(state).Select(one => one.Ssid)];

    /// <summary>The networks that a laptop in the house has in its list.</summary>
    internal static IEnumerable<WifiNetwork> Listed(NetworkState state) =>
        state.Air.Select(one => one.Network).Concat(state.House.Devices.Where(box => !state.IsInUse(box.Id) && box is
        {
            SendsWifi: true,
            Off: not true
        }).SelectMany(box => box.Wifi).Where(one => one.Enabled))
            .Where(one => one.Broadcast);

    /// <summary>What the laptop shows of the same kind in another house; null for what a house does not say.</summary>
    public static Reading? Again(NetworkState state, string laptop, Reading reading) => reading switch
    {
        AddressReading address => Address(state, address.Who),
        GatewayReading or DnsReading or NatLayersReading => Of(state, laptop).FirstOrDefault(one => one.GetType() == reading.GetType()),
        InternetReading way => new InternetReading(way.Who, state.Internet(way.Who).Reachable),
        PageReading page => new PageReading(page.Device, page.At, state.Admin(laptop, page.Device) is
        {
            Reachable: Answer.Yes,
            Address: { } at
        } && at == page.At),
        OwnAddressReading own => new OwnAddressReading(own.Device, state.Lan(own.Device)?.Address),
        OutsideAddressReading outside => state.Wan(outside.Device) is { Candidates: [{ Address: { } at, Server: Line.ProviderId }] }
            ? outside with { Address = at.Address } : null,
        ClientReading client => client with
        {
            IsThere = LeasedTo(state, client.Who) is { Candidates: [{ Server: { } server }] }
            && server == client.Device
        },
        SsidReading name => name with { IsThere = Names(state).Contains(name.Ssid) },
        PingReading or LampReading or WantReading => null,
        _ => throw new InvalidOperationException($"{reading.GetType().Name} is not handled."),
    };

    /// <summary>Whether what was seen is what was to be seen. Readings of two kinds never match.</summary>
    /// <remarks>A leased address matches by its subnet and, where it shows, its server: which number a server picks is its own affair (RFC
    /// 2131 section 4.3.1), and a lease from before may still be held.</remarks>
    public static bool Matches(Reading expected, Reading seen) => (expected, seen) switch
    {
        (AddressReading wanted, AddressReading shown) => shown.Ways.All(one => wanted.Ways.Any(way => IsSame(way, one))),
        (GatewayReading wanted, GatewayReading shown) => shown.Any.All(wanted.Any.Contains),
        (DnsReading wanted, DnsReading shown) => wanted.Servers.ToHashSet().SetEquals(shown.Servers),
        (InternetReading wanted, InternetReading shown) => wanted.Reachable == Answer.Sometimes || wanted.Reachable == shown.Reachable,
        (OwnAddressReading wanted, OwnAddressReading shown) => wanted.Device == shown.Device && wanted.Address == shown.Address,
        (OutsideAddressReading wanted, OutsideAddressReading shown) => wanted.Device == shown.Device && (!wanted.IsKnown
            || wanted.Address == shown.Address),
        (NatLayersReading or ClientReading or SsidReading or PageReading or PingReading or LampReading, _) => expected == seen,
        (WantReading wanted, WantReading shown) => wanted.Need == shown.Need && wanted.Met == shown.Met,
        _ => false,
    };

    private static bool IsSame(HeldAddress wanted, HeldAddress shown) => wanted.Source == shown.Source && wanted.Source switch
    {
        AddressSource.Leased => wanted.Address!.Value.Prefix.Contains(shown.Address!.Value.Address) && (shown.Server is null
            || shown.Server == wanted.Server),
        AddressSource.Fixed => wanted.Address!.Value.Address == shown.Address!.Value.Address,
        AddressSource.LinkLocal or AddressSource.None => true,
        _ => throw new InvalidOperationException($"{wanted.Source} is not handled."),
    };
}
