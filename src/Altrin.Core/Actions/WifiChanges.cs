using Altrin.Core.Network;

namespace Altrin.Core.Actions;

/// <summary>What is set otherwise in a Wi-Fi network, in a few words each.</summary>
internal static class WifiChanges
{
    public static List<string> Between(WifiNetwork before, WifiNetwork after)
    {
        var said = new List<string>();
        if (before.Ssid != after.Ssid) said.Add($"name {after.Ssid}");
        if (before.Security != after.Security) said.Add(after.Security.Say());
        if (before.Key != after.Key) said.Add(after.Key is { } key ? $"the password kept as {key}" : "no password");
        if (before.Channel?.Number != after.Channel?.Number) said.Add(after.Channel?.Number is { } number ? $"channel {number}" : "an automatic channel");
        if (before.WidthMHz != after.WidthMHz) said.Add(after.WidthMHz is { } width ? $"{width} MHz wide" : "a width of its own choice");
        if (before.Vlan != after.Vlan) said.Add(after.Vlan is { } vlan ? $"VLAN {vlan}" : "its own network");
        if (before.Guest != after.Guest) said.Add(after.Guest ? "for guests" : "for the household");
        if (before.Broadcast != after.Broadcast) said.Add(after.Broadcast ? "its name shown" : "its name hidden");
        if (before.Radio != after.Radio) said.Add($"on radio {after.Radio}");
        if (!before.Enabled && after.Enabled) said.Add("on the air");
        return said;
    }
}
