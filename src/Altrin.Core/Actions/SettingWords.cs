using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

/// <summary>Under which words settings pages keep a setting: the box's own kind on the kit shelf, where it says; else what most pages say.
/// Common practice, no source.</summary>
public static class SettingWords
{
    private static readonly ImmutableDictionary<SettingsPage, (string Usual, MenuItem[] Items)> Pages = new Dictionary<SettingsPage, (string, MenuItem[])>
    {
        [SettingsPage.Address] = ("Network, LAN, or Local network", [MenuItem.Lan]),
        [SettingsPage.Wifi] = ("Wireless, or Wi-Fi", [MenuItem.Wifi]),
        [SettingsPage.Dhcp] = ("DHCP, LAN, or Address reservation", [MenuItem.Dhcp, MenuItem.Reservation]),
        [SettingsPage.Wan] = ("Internet, or WAN", [MenuItem.Wan]),
        [SettingsPage.Services] = ("Security, NAT, or Port forwarding", [MenuItem.Forwards]),
        [SettingsPage.Sockets] = ("VLAN, or Port settings", [MenuItem.Vlan]),
        [SettingsPage.Password] = ("System, Administration, or Password", [MenuItem.Password]),
        [SettingsPage.DhcpOff] = ("DHCP, or LAN", [MenuItem.Dhcp]),
        [SettingsPage.Mode] = ("Operation mode, or Working mode", [MenuItem.Mode]),
    }.ToImmutableDictionary();

    /// <param name="kind">That the box was taken from; null where nobody has said.</param>
    /// <returns>Null for what is no page.</returns>
    public static string? Find(SettingsPage page, KitKind? kind = null)
    {
        if (!Pages.TryGetValue(page, out var words)) return null;
        var own = words.Items.Select(item => kind?.Menus.GetValueOrDefault(item)).OfType<string>().Distinct().ToList();
        return own.Count > 0 ? string.Join("; ", own) : words.Usual;
    }
}
