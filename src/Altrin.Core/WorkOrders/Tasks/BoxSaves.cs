using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Kit;
using Altrin.Core.Network;

namespace Altrin.Core.WorkOrders.Tasks;

/// <summary>The saves that are left to do at one box, a task each.</summary>
/// <param name="differ">Pages on which it is not yet as wanted.</param>
/// <param name="isAlone">It was reset or unpacked for this work, and nothing but the laptop is to be on it while it is set.</param>
internal sealed class BoxSaves(NetworkDocument planned, NetworkDocument house, Device now, Device wanted,
    ImmutableHashSet<SettingsPage> differ, bool isAlone)
{
    /// <summary>Groups of pages that one save may set: what is on one page together or one after the other.</summary>
    private static readonly ImmutableArray<ImmutableArray<SettingsPage>> Saves =
    [
        [SettingsPage.Address], [SettingsPage.Address, SettingsPage.Dhcp, SettingsPage.DhcpOff], [SettingsPage.Wifi], [SettingsPage.Dhcp],
            [SettingsPage.DhcpOff],
        [SettingsPage.Wan], [SettingsPage.Services], [SettingsPage.Sockets], [SettingsPage.Password], [SettingsPage.Mode],
    ];

    public IEnumerable<OrderTask> All()
    {
        if (differ.Contains(SettingsPage.Power))
        {
            yield return new PowerBox(wanted, new(wanted.Id, wanted.Off != true));
            if (now.Off == true) yield break;
        }
        // The household's key is not typed over a network that is open: first it gets a key of its own.
        if (now.SendsWifi && differ.Overlaps([SettingsPage.Wifi, SettingsPage.Mode])
            && now.Wifi.Any(network => network is { Enabled: true, Security: WifiSecurity.Open, Guest: false }))
            yield return new SecureWifi(now) { IsForNow = true };
        if (differ.Contains(SettingsPage.Address) && Aside() is { } aside) yield return aside;
        foreach (var save in Saves)
        {
            var pages = save.Where(differ.Contains).ToImmutableArray();
            // The whole group only where it is more than one of its pages alone.
            if (pages.IsEmpty || (save.Length > 1 && pages.Length < 2)) continue;
            var (actions, rows) = Acts(house, wanted, pages.AsSpan());
            if (pages is [SettingsPage.Mode])
            {
                // The mode is a page of its own; what the box joins is on the Wi-Fi page.
                foreach (var one in Parted()) yield return one;
                continue;
            }
            if (actions.IsEmpty) continue;
            yield return Save(pages, actions, rows, pages.Max(page => Wait(page, wanted)));
        }
    }

    /// <summary>Two boxes that each want the address that the other holds, or a box and a thing: the box goes to a free one for as long as
    /// that takes.</summary>
    private SaveSettings? Aside()
    {
        if (now.Lan is not { Method: LanMethod.Static, Address: { } held } || wanted.Lan?.Address is not { } due) return null;
        if (!IsHeld(house, wanted.Id, due.Address) || !IsHeld(planned, wanted.Id, held.Address)) return null;
        if (held.Prefix.FirstFree(address => IsSpokenFor(house, address) || IsSpokenFor(planned, address)) is not { } free) return null;
        var (actions, rows) = Acts(house, now with { Lan = now.Lan with { Address = new(free, held.Prefix.Length) } },
            SettingsPage.Address);
        return Save([SettingsPage.Address], actions, rows, Wait(SettingsPage.Address, wanted)) with
        {
            Key = $"save {wanted.Id} aside",
            IsForNow = true
        };
    }

    /// <summary>Held, given out, kept for somebody or named as gateway: what is to be free for the time of the work is none of
    /// it.</summary>
    private static bool IsSpokenFor(NetworkDocument house, Ipv4Address address) =>
        IsHeld(house, "", address) || house.Devices.Any(box => box.Wan?.Address?.Address == address || box.Wan?.Gateway == address
            || (box.Lan is { Address: { } own, DhcpServer: { } server }
                && (server.PoolIn(own.Prefix)?.Contains(address) == true || server.Reservations.Any(one => one.Address == address))));

    private IEnumerable<OrderTask> Parted()
    {
        var (actions, rows) = Acts(house, wanted, SettingsPage.Mode);
        var uplink = SettingCatalogue.Of("uplink");
        var joins = actions.Where(action => action is SetUplink).ToImmutableArray();
        var rest = actions.RemoveAll(action => action is SetUplink);
        var joinRows = joins.IsEmpty ? [] : uplink.Acts(house, now, wanted).SelectMany(act => act.Rows).ToImmutableArray();
        if (!rest.IsEmpty && !joins.IsEmpty && house.KindOf(now)?.SetUp.ModeAndJoinAreOneSave == true)
            yield return Save([SettingsPage.Mode], actions, rows,
                Wait(SettingsPage.Mode, wanted)) with
            { Key = $"save {wanted.Id} mode+uplink" };
        if (!rest.IsEmpty)
            yield return Save([SettingsPage.Mode], rest, [.. rows.Where(row => !joinRows.Contains(row))], Wait(SettingsPage.Mode, wanted));
        if (joins.IsEmpty) yield break;
        yield return Save([SettingsPage.Mode], joins, joinRows, Wait(SettingsPage.Mode, wanted)) with { Key = $"save {wanted.Id} uplink" };
        // With its own names, where those change too.
        if (differ.Contains(SettingsPage.Wifi) && Acts(house, wanted, SettingsPage.Wifi) is { Actions.IsEmpty: false } wifi)
            yield return Save([SettingsPage.Wifi, SettingsPage.Mode], [.. wifi.Actions, .. joins], [.. wifi.Rows, .. joinRows],
                Wait(SettingsPage.Mode, wanted)) with
            { Key = $"save {wanted.Id} wifi+uplink" };
    }

    private SaveSettings Save(ImmutableArray<SettingsPage> pages, ImmutableArray<InstallerAction> actions,
        ImmutableArray<SettingChange> rows, int wait) =>
        new(wanted, pages, actions, rows, HasPage(now, wanted) ? wanted.Id : null, wait, isAlone);

    /// <summary>A satellite is set by its main unit or its button, and a box without an address of its own by its button.</summary>
    private static bool HasPage(Device now, Device wanted) => now.Lan is not null && !(now.Traits.AlwaysAsks && wanted.Traits.AlwaysAsks);

    public static int Wait(SettingsPage page, Device box) => page switch
    {
        SettingsPage.Mode => WorkTimes.ModeSave(box),
        SettingsPage.Address or SettingsPage.DhcpOff => WorkTimes.Reboot(box),
        _ => 0,
    };

    /// <summary>What is set in one save of these pages, from the catalogue: each action on the box as the ones before it have left
    /// it.</summary>
    public static (ImmutableArray<InstallerAction> Actions, ImmutableArray<SettingChange> Rows) Acts(NetworkDocument house, Device planned,
        params ReadOnlySpan<SettingsPage> pages)
    {
        var (actions, rows) = (ImmutableArray.CreateBuilder<InstallerAction>(), ImmutableArray.CreateBuilder<SettingChange>());
        // Its own address is asked for when the mode allows it: a second look finds what the first had to leave.
        for (var round = 0; round < 2; round++)
            foreach (var setting in SettingCatalogue.All)
            {
                if (!pages.Contains(setting.Page) || setting.IsAlike(house.FindDevice(planned.Id)!, planned)) continue;
                foreach (var act in setting.Acts(house, house.FindDevice(planned.Id)!, planned))
                {
                    if (act.Action.Problem(house) is not null) continue;
                    house = act.Action.Apply(house);
                    actions.Add(act.Action);
                    rows.AddRange(act.RowsAt(planned));
                }
            }
        return (actions.ToImmutable(), rows.ToImmutable());
    }

    /// <summary>By another than that thing or box, as its own fixed one.</summary>
    public static bool IsHeld(NetworkDocument house, string who, Ipv4Address address) =>
        house.Endpoints.Any(other => other.Id != who && other.Address.Address?.Address == address)
            || house.Devices.Any(box => box.Id != who && box.Lan?.Address?.Address == address);
}
