using Altrin.Core.Network;

namespace Altrin.Core.Actions;

/// <summary>One setting of a Wi-Fi network that is set otherwise.</summary>
/// <param name="From">Null for a network that is new.</param>
/// <param name="Say">The same in a few words, for a sentence.</param>
internal sealed record WifiChange(string Setting, string? From, string To, string Say, bool IsSecret = false);

/// <summary>What is set otherwise in a Wi-Fi network: the rows of a step and the words of the log come from here.</summary>
internal static class WifiChanges
{
    public static List<WifiChange> Between(WifiNetwork? before, WifiNetwork after)
    {
        var list = new List<WifiChange>();
        if (before?.Ssid != after.Ssid) list.Add(new("Name (SSID)", before?.Ssid, after.Ssid, $"name {after.Ssid}"));
        if (before?.Security != after.Security) list.Add(new("Security", before?.Security.Say(), after.Security.Say(), after.Security.Say()));
        // What the old password was nobody has to know.
        if (after.Key is { } key && key != before?.Key) list.Add(new("Password", null, key, KitKind.IsOnLabel(key) ? "the password on its label" : $"the password kept as {key}", IsSecret: true));
        Compare("Channel", network => network.Channel?.Number is { } number ? $"{number}" : "auto", to => to == "auto" ? "an automatic channel" : $"channel {to}");
        Compare("Width", network => network.WidthMHz is { } width ? $"{width} MHz" : "auto", to => to == "auto" ? "an automatic width" : $"{to} wide");
        Compare("VLAN", network => network.Vlan is { } vlan ? $"{vlan}" : "its own network", to => to == "its own network" ? to : $"VLAN {to}");
        Compare("For guests", network => network.Guest ? "on" : "off", to => to == "on" ? "for guests" : "for the household");
        Compare("Name shown", network => network.Broadcast ? "on" : "off", to => to == "on" ? "its name shown" : "its name hidden");
        Compare("Wi-Fi", network => network.Enabled ? "on" : "off", to => to == "on" ? "on the air" : "off the air");
        return list;

        // A new network is set only where it differs from what any network starts with.
        void Compare(string setting, Func<WifiNetwork, string> read, Func<string, string> say)
        {
            var (from, to) = (read(before ?? Fresh), read(after));
            if (from != to) list.Add(new(setting, before is null ? null : from, to, say(to)));
        }
    }

    private static readonly WifiNetwork Fresh = new() { Radio = "", Ssid = "" };
}
