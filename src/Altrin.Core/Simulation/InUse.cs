using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>Which boxes take part (section 1): one without power does not, nor one that lies on the table.</summary>
public static class InUse
{
    /// <returns>One flag a device, in document order.</returns>
    public static bool[] Of(NetworkDocument house)
    {
        var index = new Dictionary<string, int>(house.Devices.Length, StringComparer.Ordinal);
        for (var i = 0; i < house.Devices.Length; i++) index[house.Devices[i].Id] = i;
        return Of(house, index);
    }

    /// <summary>Settled before any join, so that who joins whom never decides who is there to be joined.</summary>
    /// <returns>One flag a device, in document order.</returns>
    /// <param name="index">Of each device, by id.</param>
    public static bool[] Of(NetworkDocument house, Dictionary<string, int> index)
    {
        var used = new bool[house.Devices.Length];
        for (var i = 0; i < used.Length; i++) used[i] = house.Devices[i].Uplink is not null || house.Devices[i].InUse == true;
        if (house.Line is { } line) Use(line.Device);
        foreach (var cable in house.Cables)
        {
            Use(cable.A.Device);
            Use(cable.B.Device);
        }
        foreach (var thing in house.Endpoints)
        {
            if (thing.Connect is Attachment.Plug plug) Use(plug.Device);
            else if (thing.Connect is Attachment.Join { Near: { } near } join) Named(near, join.Ssid, join.Security
                ?? WifiSecurity.Open, join.Key);
        }
        foreach (var box in house.Devices)
            if (box.Uplink is { Near: { } near } uplink && near != box.Id) Named(near, uplink.Ssid, uplink.Security, uplink.Key);
        for (var i = 0; i < used.Length; i++) used[i] &= house.Devices[i].Off != true;
        return used;

        void Use(string device)
        {
            if (index.TryGetValue(device, out var i)) used[i] = true;
        }

        void Named(string near, string ssid, WifiSecurity security, string? key)
        {
            if (!index.TryGetValue(near, out var i) || used[i] || !house.Devices[i].SendsWifi) return;
            used[i] = house.Devices[i].Wifi.Any(network => network.Enabled && network.Ssid == ssid && network.Key == key
                && WirelessJoins.Speak(network.Security, security));
        }
    }
}
