using System.Collections.Immutable;

namespace Altrin.Core.Actions;

/// <summary>Under which words settings pages keep a setting, by kind of box: a kit shelf brings its own; where it says nothing, what most
/// pages say. Common practice, no source.</summary>
public static class SettingWords
{
    private static readonly ImmutableDictionary<SettingsPage, string> Usual = new Dictionary<SettingsPage, string>
    {
        [SettingsPage.Address] = "Network, LAN, or Local network",
        [SettingsPage.Wifi] = "Wireless, or Wi-Fi",
        [SettingsPage.Dhcp] = "DHCP, LAN, or Address reservation",
        [SettingsPage.Wan] = "Internet, or WAN",
        [SettingsPage.Services] = "Security, NAT, or Port forwarding",
        [SettingsPage.Sockets] = "VLAN, or Port settings",
        [SettingsPage.Password] = "System, Administration, or Password",
        [SettingsPage.DhcpOff] = "DHCP, or LAN",
        [SettingsPage.Mode] = "Operation mode, or Working mode",
    }.ToImmutableDictionary();

    /// <param name="kit">The kind that the box was taken from; null where nobody has said.</param>
    /// <param name="ofKinds">What kinds say of their own pages.</param>
    /// <returns>Null for what is no page.</returns>
    public static string? Find(SettingsPage page, string? kit = null, ImmutableDictionary<(string Kit, SettingsPage Page), string>? ofKinds = null) =>
        kit is not null && ofKinds is not null && ofKinds.TryGetValue((kit, page), out var own) ? own : Usual.GetValueOrDefault(page);
}
