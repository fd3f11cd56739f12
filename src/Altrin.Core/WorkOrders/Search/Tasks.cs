using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;

namespace Altrin.Core.WorkOrders.Search;

/// <summary>What is left to do between a house as the work has left it and the one that is planned, one act a step.</summary>
/// <param name="found">Before any of it.</param>
/// <param name="resets">Boxes whose page nobody can open, or whose settings nobody knows: held at reset before anything is set on them.</param>
internal sealed class Tasks(NetworkDocument found, NetworkDocument planned, ImmutableHashSet<string> resets)
{
    /// <summary>Groups of pages that one save may set: what is on one page together or one after the other.</summary>
    private static readonly ImmutableArray<ImmutableArray<SettingsPage>> Saves =
    [
        [SettingsPage.Address], [SettingsPage.Address, SettingsPage.Dhcp, SettingsPage.DhcpOff], [SettingsPage.Wifi], [SettingsPage.Dhcp], [SettingsPage.DhcpOff],
        [SettingsPage.Wan], [SettingsPage.Services], [SettingsPage.Sockets], [SettingsPage.Password], [SettingsPage.Mode],
    ];

    /// <summary>Pages on which a box differs from what it is to be. The same box stands in hundreds of houses that are looked at.</summary>
    private readonly Dictionary<Device, ImmutableHashSet<SettingsPage>> pagesOf = new(ReferenceEqualityComparer.Instance);

    private ImmutableHashSet<SettingsPage> Differ(Device now, Device wanted) => pagesOf.TryGetValue(now, out var known) ? known
        : pagesOf[now] = [.. SettingCatalogue.All.Where(setting => !setting.IsAlike(now, wanted)).Select(setting => setting.Page)];

    /// <summary>What the key is kept as that guards a box as sold while it is set.</summary>
    internal static string KeyForNow(string device) => $"{device}-for-now";

    /// <param name="done">Labels of what is done: a box that was reset is set, one that still has to be is not.</param>
    public IEnumerable<Act> In(NetworkDocument house, ImmutableSortedSet<string> done)
    {
        foreach (var wanted in planned.Devices)
        {
            if (house.FindDevice(wanted.Id) is not { } now)
            {
                yield return new($"bring {wanted.Id}", null, [new AddDevice(SettingCatalogue.AsSold(planned, wanted))]) { Device = wanted.Id, WaitSeconds = BoxWork.RebootSeconds(wanted) };
                continue;
            }
            if (CarryDevice.IsStillDue(found, house, now, wanted)) yield return new($"carry {wanted.Id}", null, [new CarryDevice(wanted.Id, wanted.Room!, wanted.At)]) { Device = wanted.Id, WaitSeconds = BoxWork.RebootSeconds(wanted) };
            if (MustBeReset(wanted.Id, done))
            {
                yield return Reset(now);
                continue;
            }
            if (ReferenceEquals(now, wanted)) continue;
            foreach (var save in Of(house, now, wanted)) yield return save;
        }
        foreach (var act in Cables(house, done)) yield return act;
        foreach (var act in Things(house)) yield return act;
        // What leaves the house takes its cables along.
        foreach (var gone in house.Devices.Where(box => planned.FindDevice(box.Id) is null && house.Line?.Device != box.Id)) yield return new($"away {gone.Id}", null, [new RemoveDevice(gone.Id)]) { Device = gone.Id };
        foreach (var gone in house.Endpoints.Where(thing => planned.FindEndpoint(thing.Id) is null)) yield return new($"away {gone.Id}", null, [new RemoveEndpoint(gone.Id)]);
    }

    private bool MustBeReset(string device, ImmutableSortedSet<string> done) => resets.Contains(device) && !done.Contains($"reset {device}");

    private static Act Reset(Device box) => new($"reset {box.Id}", null, [new FactoryReset(box.Id)]) { Device = box.Id, WaitSeconds = BoxWork.RebootSeconds(box) };

    /// <summary>At the least so many minutes more, whatever the order.</summary>
    public double MinutesLeft(NetworkDocument house)
    {
        var minutes = 0.0;
        foreach (var wanted in planned.Devices)
        {
            var now = house.FindDevice(wanted.Id);
            if (now is null) minutes += 2;
            else if (CarryDevice.IsStillDue(found, house, now, wanted)) minutes += 2;
            if (now is not null && !ReferenceEquals(now, wanted))
            {
                // On a page of its own only where it does not stand beside another.
                var pages = Differ(now, wanted);
                foreach (var page in pages)
                    if (!IsBeside(page, pages)) minutes += 1 + Wait(page, wanted) / 60.0;
            }
        }
        foreach (var cable in planned.Cables)
            if (house.FindCable(cable.Id) is not { } now) minutes += 1.5;
            else minutes += (now.A == cable.A ? 0 : 1) + (now.B == cable.B ? 0 : 1);
        minutes += house.Cables.Count(cable => planned.FindCable(cable.Id) is null);
        foreach (var thing in planned.Endpoints)
            if (house.FindEndpoint(thing.Id) is { } now && !ReferenceEquals(now, thing))
                minutes += (SameWritten.Are(now.Connect, thing.Connect) ? 0 : 1) + (SameWritten.Are(now.Address, thing.Address) ? 0 : 1);
        return minutes;
    }

    /// <summary>The boxes that have to restart yet, and for how many minutes at the least: an address and the server go in one save, a mode is one of its own.</summary>
    public IEnumerable<(string Device, double Minutes)> RestartsLeft(NetworkDocument house)
    {
        foreach (var wanted in planned.Devices)
        {
            if (house.FindDevice(wanted.Id) is not { } now || ReferenceEquals(now, wanted)) continue;
            var pages = Differ(now, wanted);
            var minutes = (pages.Contains(SettingsPage.Address) || pages.Contains(SettingsPage.DhcpOff) ? 1 + Wait(SettingsPage.Address, wanted) / 60.0 : 0)
                + (pages.Contains(SettingsPage.Mode) ? 1 + Wait(SettingsPage.Mode, wanted) / 60.0 : 0);
            if (minutes > 0) yield return (wanted.Id, minutes);
        }
    }

    private static bool IsBeside(SettingsPage page, ImmutableHashSet<SettingsPage> pages) => page switch
    {
        SettingsPage.DhcpOff => pages.Contains(SettingsPage.Address) || pages.Contains(SettingsPage.Dhcp),
        SettingsPage.Dhcp => pages.Contains(SettingsPage.Address),
        _ => false,
    };

    private IEnumerable<Act> Of(NetworkDocument house, Device now, Device wanted)
    {
        var differ = Differ(now, wanted);
        if (differ.Count == 0) yield break;
        if (differ.Contains(SettingsPage.Power))
        {
            yield return new($"power {wanted.Id}", null, BoxWork.Acts(house, wanted, SettingsPage.Power).Actions) { Device = wanted.Id, WaitSeconds = wanted.Off == true ? 0 : BoxWork.RebootSeconds(wanted) };
            if (now.Off == true) yield break;
        }
        // The household's key is not typed over a network that is open: first it gets a key of its own.
        if (now.SendsWifi && differ.Overlaps([SettingsPage.Wifi, SettingsPage.Mode]) && now.Wifi.Any(network => network is { Enabled: true, Security: WifiSecurity.Open, Guest: false }))
            yield return new($"secure {wanted.Id}", wanted.Id, [.. now.Wifi.Select((network, i) => (network, i)).Where(one => one.network is { Enabled: true, Security: WifiSecurity.Open, Guest: false })
                .Select(one => (InstallerAction)new SetWifi(wanted.Id, one.i, one.network with { Security = WifiSecurity.Wpa2, Key = KeyForNow(wanted.Id) }))])
            { Pages = [SettingsPage.Wifi], Device = wanted.Id, IsForNow = true };
        if (differ.Contains(SettingsPage.Address) && Aside(house, now, wanted) is { } aside) yield return aside;
        foreach (var save in Saves)
        {
            var pages = save.Where(differ.Contains).ToImmutableArray();
            // The whole group only where it is more than one of its pages alone.
            if (pages.IsEmpty || (save.Length > 1 && pages.Length < 2)) continue;
            var (actions, rows) = BoxWork.Acts(house, wanted, pages.AsSpan());
            if (pages is [SettingsPage.Mode])
            {
                // The mode is a page of its own; what the box joins is on the Wi-Fi page.
                foreach (var one in Parted(house, now, wanted, differ)) yield return one;
                continue;
            }
            if (actions.IsEmpty) continue;
            yield return Save(now, wanted, pages, actions, rows, pages.Max(page => Wait(page, wanted)));
        }
    }

    /// <summary>Two boxes that each want the address that the other holds, or a box and a thing: the box goes to a free one for as long as that takes.</summary>
    private Act? Aside(NetworkDocument house, Device now, Device wanted)
    {
        if (now.Lan is not { Method: LanMethod.Static, Address: { } held } || wanted.Lan?.Address is not { } due) return null;
        if (!IsHeld(house, wanted.Id, due.Address) || !IsHeld(planned, wanted.Id, held.Address)) return null;
        if (held.Prefix.FirstFree(address => IsSpokenFor(house, address) || IsSpokenFor(planned, address)) is not { } free) return null;
        var (actions, rows) = BoxWork.Acts(house, now with { Lan = now.Lan with { Address = new(free, held.Prefix.Length) } }, SettingsPage.Address);
        return Save(now, wanted, [SettingsPage.Address], actions, rows, Wait(SettingsPage.Address, wanted)) with { Label = $"save {wanted.Id} aside", IsForNow = true };
    }

    /// <summary>Held, given out, kept for somebody or named as gateway: what is to be free for the time of the work is none of it.</summary>
    private static bool IsSpokenFor(NetworkDocument house, Ipv4Address address) =>
        IsHeld(house, "", address) || house.Devices.Any(box => box.Wan?.Address?.Address == address || box.Wan?.Gateway == address
            || (box.Lan is { Address: { } own, DhcpServer: { } server } && (server.PoolIn(own.Prefix)?.Contains(address) == true || server.Reservations.Any(one => one.Address == address))));

    private static IEnumerable<Act> Parted(NetworkDocument house, Device now, Device wanted, ImmutableHashSet<SettingsPage> differ)
    {
        var (actions, rows) = BoxWork.Acts(house, wanted, SettingsPage.Mode);
        var uplink = SettingCatalogue.Of("uplink");
        var joins = actions.Where(action => action is SetUplink).ToImmutableArray();
        var rest = actions.RemoveAll(action => action is SetUplink);
        var joinRows = joins.IsEmpty ? [] : uplink.Acts(house, now, wanted).SelectMany(act => act.Rows).ToImmutableArray();
        if (!rest.IsEmpty) yield return Save(now, wanted, [SettingsPage.Mode], rest, [.. rows.Where(row => !joinRows.Contains(row))], Wait(SettingsPage.Mode, wanted));
        if (joins.IsEmpty) yield break;
        yield return Save(now, wanted, [SettingsPage.Mode], joins, joinRows, Wait(SettingsPage.Mode, wanted)) with { Label = $"save {wanted.Id} uplink" };
        // With its own names, where those change too.
        if (differ.Contains(SettingsPage.Wifi) && BoxWork.Acts(house, wanted, SettingsPage.Wifi) is { Actions.IsEmpty: false } wifi)
            yield return Save(now, wanted, [SettingsPage.Wifi, SettingsPage.Mode], [.. wifi.Actions, .. joins], [.. wifi.Rows, .. joinRows], Wait(SettingsPage.Mode, wanted)) with { Label = $"save {wanted.Id} wifi+uplink" };
    }

    private static Act Save(Device now, Device wanted, ImmutableArray<SettingsPage> pages, ImmutableArray<InstallerAction> actions, ImmutableArray<SettingChange> rows, int wait) =>
        new($"save {wanted.Id} {string.Join('+', pages)}", HasPage(now, wanted) ? wanted.Id : null, actions) { Pages = pages, Rows = rows, Device = wanted.Id, WaitSeconds = wait };

    /// <summary>A satellite is set by its main unit or its button, and a box without an address of its own by its button.</summary>
    private static bool HasPage(Device now, Device wanted) => now.Lan is not null && !(now.Traits.AlwaysAsks && wanted.Traits.AlwaysAsks);

    private static int Wait(SettingsPage page, Device box) => page switch
    {
        SettingsPage.Mode => Math.Max(box.Traits.SaveSeconds, BoxWork.RebootSeconds(box)),
        SettingsPage.Address or SettingsPage.DhcpOff => BoxWork.RebootSeconds(box),
        _ => 0,
    };

    private IEnumerable<Act> Cables(NetworkDocument house, ImmutableSortedSet<string> done)
    {
        foreach (var cable in house.Cables)
        {
            var wanted = planned.FindCable(cable.Id);
            if (wanted is null || (cable.A != wanted.A && cable.B != wanted.B)) yield return new($"pull {cable.Id}", null, [new UnplugCable(cable.Id)]);
            else if (cable.A != wanted.A || cable.B != wanted.B)
            {
                var (from, to) = cable.A != wanted.A ? (cable.A, wanted.A) : (cable.B, wanted.B);
                yield return new($"move {cable.Id}", null, [new MoveCableEnd(cable.Id, from, to)]) { WaitSeconds = 30 };
                yield return new($"pull {cable.Id}", null, [new UnplugCable(cable.Id)]);
            }
            // Pulled for the time of the work: a box that is being set must not meet the house half done.
            else if (IsBeingSet(house, cable.A.Device, done) || IsBeingSet(house, cable.B.Device, done)) yield return new($"pull {cable.Id}", null, [new UnplugCable(cable.Id)]) { IsForNow = true };
        }
        foreach (var cable in planned.Cables)
            if (house.FindCable(cable.Id) is null && !IsStillElsewhere(house, cable.A) && !IsStillElsewhere(house, cable.B)) yield return new($"plug {cable.Id}", null, [new PlugCable(cable)]) { WaitSeconds = 30 };
        if (planned.Line is { } line && house.Line?.Socket != line.Socket) yield return new("line", null, [new SetLine(line)]) { WaitSeconds = 120 };
    }

    private bool IsStillElsewhere(NetworkDocument house, Socket socket) => house.FindDevice(socket.Device) is { } now && CarryDevice.IsStillDue(found, house, now, planned.FindDevice(socket.Device)!);

    private bool IsBeingSet(NetworkDocument house, string device, ImmutableSortedSet<string> done) => (house.FindDevice(device) is not null && MustBeReset(device, done)) || (house.FindDevice(device) is { } now && planned.FindDevice(device) is { } wanted && !ReferenceEquals(now, wanted) && !BoxWork.SameSettings(now, wanted));

    private IEnumerable<Act> Things(NetworkDocument house)
    {
        foreach (var wanted in planned.Endpoints)
        {
            if (house.FindEndpoint(wanted.Id) is not { } now)
            {
                yield return new($"thing {wanted.Id}", null, [new AddEndpoint(wanted)]);
                continue;
            }
            if (ReferenceEquals(now, wanted)) continue;
            if (!SameWritten.Are(now.Connect, wanted.Connect))
                yield return new($"join {wanted.Id}", null, [wanted.Connect is { } to ? new ConnectEndpoint(wanted.Id, to) : new UnplugEndpoint(wanted.Id)]);
            if (SameWritten.Are(now.Address, wanted.Address)) continue;
            yield return new($"address {wanted.Id}", null, [new SetEndpointAddress(wanted.Id, wanted.Address)]);
            // Each wants what the other has: one of them asks for an address for as long as that takes.
            if (now.Address.Address is { } held && wanted.Address.Address is { } due && IsHeld(house, wanted.Id, due.Address) && IsHeld(planned, wanted.Id, held.Address))
                yield return new($"address {wanted.Id} for now", null, [new SetEndpointAddress(wanted.Id, new())]) { IsForNow = true };
        }
    }

    /// <summary>By another than that thing or box, as its own fixed one.</summary>
    private static bool IsHeld(NetworkDocument house, string who, Ipv4Address address) =>
        house.Endpoints.Any(other => other.Id != who && other.Address.Address?.Address == address) || house.Devices.Any(box => box.Id != who && box.Lan?.Address?.Address == address);
}
