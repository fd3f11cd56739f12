using System.Collections.Immutable;
using Altrin.Core.Documents;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

// Addresses, what is given out, and the side towards the provider.
public static partial class SettingCatalogue
{
    private static LanSettings LanOf(Device box) => box.Lan ?? new();
    private static DhcpServer ServerOf(Device box) => box.Lan?.DhcpServer ?? new();
    private static WanSettings WanOf(Device box) => box.Wan ?? new();

    private static Device WithServer(Device box, Func<DhcpServer, DhcpServer> change) => box.WithServer(change);

    private static bool IsStatic(Device box) => box.Lan is { Method: LanMethod.Static, Address: not null } && !box.Traits.AlwaysAsks;

    private static ImmutableArray<Setting> Addresses =>
    [
        new("lan-address", "IP address", SettingsPage.Address, box => IsStatic(box) || (box.Lan is null && !box.Traits.AlwaysAsks),
            (box, from) => from.Lan is null ? box with { Lan = null } : IsStatic(from) ? box with { Lan = LanOf(box) with { Method = LanMethod.Static, Address = from.Lan!.Address } } : box with { Lan = LanOf(box) with { Method = LanMethod.Dhcp, Address = null } },
            (_, now, wanted) => wanted.Lan is null || (now.Lan is { Method: LanMethod.Static } lan && lan.Address == wanted.Lan.Address) ? []
                : [new(new SetLanAddress(now.Id, wanted.Lan!.Address!.Value), Rows(
                    ("IP address", now.Lan?.Address?.Address.ToString(), wanted.Lan.Address.Value.Address.ToString()), ("Subnet mask", Mask(now.Lan?.Address), Mask(wanted.Lan.Address))))],
            box => box.Lan is null && !box.CanRoute ? box : box with { Lan = LanOf(box) with { Method = LanMethod.Static, Address = SoldAddress(box) } })
        { CutsOff = true, WhyNoAct = "a box keeps an address of its own" },
        new("lan-asks", "Its own address", SettingsPage.Mode, box => box.Lan is { Method: LanMethod.Dhcp } && !box.Traits.AlwaysAsks && box.Traits.MayAskForAddress,
            (box, from) => box with { Lan = from.Lan is { Method: LanMethod.Dhcp } ? LanOf(box) with { Method = LanMethod.Dhcp } : LanOf(box) with { Method = LanMethod.Static, Address = from.Lan?.Address } },
            (_, now, _) => now.Lan is { Method: LanMethod.Dhcp } ? [] : [new(new AskForLanAddress(now.Id), new SettingChange("Its own address", now.Lan?.Address?.Address.ToString(), "automatic"))],
            box => box)
        { CutsOff = true, WhyNoAct = "a box that routes cannot ask its own network" },
    ];

    private static InterfaceAddress SoldAddress(Device box) => new(box.Label?.DefaultAddress ?? FactoryReset.UsualAddress, InterfaceAddress.BareLength);

    private static bool Serves(Device box) => box.Traits.RunsServer && box.Lan?.DhcpServer is { Enabled: true };

    private static Setting OfServer<T>(string id, string name, Func<DhcpServer, bool> counts, Func<DhcpServer, T> read, Func<DhcpServer, DhcpServer, DhcpServer> take,
        Func<T, string> say, Func<string, T, InstallerAction> act, Func<DhcpServer, DhcpServer> asSold) =>
        new(id, name, SettingsPage.Dhcp, box => Serves(box) && counts(box.Lan!.DhcpServer!), (box, from) => WithServer(box, server => take(server, ServerOf(from))),
            (_, now, wanted) => SameWritten.Are(read(ServerOf(now)), read(ServerOf(wanted))) ? []
                : [new(act(now.Id, read(ServerOf(wanted))), new SettingChange(name, now.Lan?.DhcpServer is null ? null : say(read(ServerOf(now))), say(read(ServerOf(wanted)))))],
            box => box.Lan is null ? box : WithServer(box, asSold));

    private static ImmutableArray<Setting> Leases =>
    [
        // Turned on with its pool; off is a setting of its own, since it comes last.
        new("dhcp-server", "DHCP server", SettingsPage.Dhcp, Serves, (box, from) => WithServer(box, server => server with { Enabled = ServerOf(from).Enabled }),
            (_, now, wanted) => now.Lan?.DhcpServer is { Enabled: true } ? []
                : [new(PoolOf(wanted) is { } pool ? new TurnOnDhcpServer(now.Id, pool.Start, pool.End) : new TurnOnDhcpServer(now.Id), Rows(
                    ("DHCP server", "off", "on"), ("First address", ServerOf(now).Start?.ToString(), PoolOf(wanted)?.Start.ToString()), ("Last address", ServerOf(now).End?.ToString(), PoolOf(wanted)?.End.ToString())))],
            box => box.Lan is null ? box : WithServer(box, server => server with { Enabled = box.Traits.IsRouter })),
        new("dhcp-pool", "Pool", SettingsPage.Dhcp, box => Serves(box) && PoolOf(box) is not null,
            (box, from) => WithServer(box, server => server with { Start = ServerOf(from).Start, End = ServerOf(from).End }),
            (_, now, wanted) => PoolOf(now) == PoolOf(wanted) ? []
                : [new(new MovePool(now.Id, PoolOf(wanted)!.Start, PoolOf(wanted)!.End), Rows(
                    ("First address", ServerOf(now).Start?.ToString(), PoolOf(wanted)!.Start.ToString()), ("Last address", ServerOf(now).End?.ToString(), PoolOf(wanted)!.End.ToString())))],
            box => box.Lan is null ? box : WithServer(box, server => server.With(AddressPool.Usual(SoldAddress(box).Prefix)))),
        OfServer("lease-gateway", "Gateway given", _ => true, server => server.Gateway, (server, from) => server with { Gateway = from.Gateway },
            gateway => gateway?.ToString() ?? "the box itself", (id, gateway) => new SetLeaseGateway(id, gateway), server => server with { Gateway = null }),
        OfServer("lease-dns", "DNS servers given", _ => true, server => server.Dns, (server, from) => server with { Dns = from.Dns },
            dns => List(dns, "the box itself"), (id, dns) => new SetLeaseDns(id) { Servers = dns }, server => server with { Dns = [] }),
        OfServer("lease-time", "Lease time", server => server.LeaseMinutes is not null, server => server.LeaseMinutes, (server, from) => server with { LeaseMinutes = from.LeaseMinutes },
            minutes => minutes is { } known ? SayMinutes(known) : "not known", (id, minutes) => new SetLeaseTime(id, minutes!.Value), server => server with { LeaseMinutes = 1440 }),
        new("reservations", "Reservations", SettingsPage.Dhcp, Serves, (box, from) => WithServer(box, server => server with { Reservations = Alike(ServerOf(box).Reservations, ServerOf(from).Reservations) }),
            (_, now, wanted) => Reservations(now.Id, ServerOf(now).Reservations, ServerOf(wanted).Reservations), box => box.Lan is null ? box : WithServer(box, server => server with { Reservations = [] }))
        { WhyNoAct = "an address outside its subnet cannot be reserved" },
        new("dhcp-off", "DHCP server", SettingsPage.DhcpOff, box => box.Traits.RunsServer && !Serves(box), (box, from) => from.Lan?.DhcpServer is { Enabled: true } ? WithServer(box, server => server with { Enabled = true }) : box,
            (_, now, _) => now.Lan?.DhcpServer is { Enabled: true } ? [new(new TurnOffDhcpServer(now.Id), new SettingChange("DHCP server", "on", "off"))] : [], box => box)
        { CutsOff = true },
    ];

    private static AddressPool? PoolOf(Device box) => ServerOf(box).Pool;

    internal static string SayMinutes(int minutes) => minutes % 1440 == 0 ? Naming.Count(minutes / 1440, "day") : minutes % 60 == 0 ? Naming.Count(minutes / 60, "hour") : Naming.Count(minutes, "minute");

    /// <summary>The same reservations in any order are alike; then the order stays.</summary>
    private static ImmutableArray<Reservation> Alike(ImmutableArray<Reservation> own, ImmutableArray<Reservation> other) =>
        own.Length == other.Length && other.All(one => own.Any(mine => (mine.Mac, mine.Address) == (one.Mac, one.Address))) ? own : other;

    private static IEnumerable<SettingAct> Reservations(string box, ImmutableArray<Reservation> now, ImmutableArray<Reservation> wanted)
    {
        foreach (var gone in now.Where(one => !wanted.Any(kept => (kept.Mac, kept.Address) == (one.Mac, one.Address))).DistinctBy(one => one.Mac))
            yield return new(new ReleaseReservation(box, gone.Mac), wanted.Any(kept => kept.Mac == gone.Mac) ? [] : [new($"Reservation {gone.Mac}", gone.Address.ToString(), "none")]);
        foreach (var kept in wanted.Where(one => !now.Any(old => (old.Mac, old.Address) == (one.Mac, one.Address))))
            yield return new(new ReserveAddress(box, kept.Mac, kept.Address), new SettingChange($"Reservation {kept.Mac}", now.FirstOrDefault(old => old.Mac == kept.Mac)?.Address.ToString(), kept.Address.ToString()));
    }

    private static ImmutableArray<Setting> Wan =>
    [
        new("wan", "WAN", SettingsPage.Wan, box => box.RoutesForItsOwn, (box, from) => box with { Wan = WanOf(from) with { Dns = WanOf(box).Dns } },
            (_, now, wanted) => SameWritten.Are(WanOf(now) with { Dns = [] }, WanOf(wanted) with { Dns = [] }) ? []
                : [new(new SetWan(now.Id, WanOf(wanted) with { Dns = WanOf(now).Dns }), Rows(
                    ("WAN", SayWan(WanOf(now)), SayWan(WanOf(wanted))), ("WAN gateway", WanOf(now).Gateway?.ToString(), WanOf(wanted).Gateway?.ToString())))],
            box => box with { Wan = box.Traits.IsRouter ? new() : null }) { CutsOff = true },
        new("wan-dns", "DNS servers", SettingsPage.Wan, box => box.RoutesForItsOwn, (box, from) => box with { Wan = WanOf(box) with { Dns = WanOf(from).Dns } },
            (_, now, wanted) => SameWritten.Are(WanOf(now).Dns, WanOf(wanted).Dns) ? []
                : [new(new SetWanDns(now.Id) { Servers = WanOf(wanted).Dns }, new SettingChange("DNS servers", List(WanOf(now).Dns, "the provider’s"), List(WanOf(wanted).Dns, "the provider’s")))], box => box),
    ];

    private static string SayWan(WanSettings wan) => wan.Method switch
    {
        WanMethod.Dhcp => "automatic",
        WanMethod.Static => $"fixed, {wan.Address}",
        WanMethod.Pppoe => "PPPoE",
        WanMethod.None => "off",
        _ => throw new InvalidOperationException($"{wan.Method} is not handled."),
    };
}
