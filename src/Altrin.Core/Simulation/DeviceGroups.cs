using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>Which sockets, networks and uplinks of one box are bridged together in the mode it is in.</summary>
/// <remarks>One row of the table in section 2 of the format a mode. A group is a number; −1 is dead.</remarks>
internal sealed class DeviceGroups
{
    public const int Dead = -1;

    public int Lan { get; private set; } = Dead;
    public int Wan { get; private set; } = Dead;

    /// <summary>The router's own guest network: apart from its LAN.</summary>
    public int Guest { get; private set; } = Dead;

    /// <summary>The group that the wireless uplink belongs to, where the mode has one.</summary>
    public int Uplink { get; private set; } = Dead;

    public required int[] OfPort { get; init; }
    public required int[] OfWifi { get; init; }

    public static DeviceGroups Of(Device device, Socket? line, Func<int> newGroup)
    {
        var groups = new DeviceGroups { OfPort = new int[device.Ports.Length], OfWifi = new int[device.Wifi.Length] };
        groups.Lan = newGroup();
        Array.Fill(groups.OfPort, groups.Lan);
        switch (device.Mode)
        {
            case DeviceMode.Router:
                groups.SplitWan(device, line, newGroup);
                groups.JoinWifi(device, guestApart: newGroup);
                break;
            case DeviceMode.Passthrough:
                groups.SplitLine(device, line, newGroup);
                Array.Fill(groups.OfWifi, Dead);
                break;
            case DeviceMode.Modem:
                for (var i = 0; i < device.Ports.Length; i++)
                    if (device.Ports[i].Role == PortRole.Wan && !IsLine(device, i, line)) groups.OfPort[i] = Dead;
                Array.Fill(groups.OfWifi, Dead);
                break;
            case DeviceMode.Switch:
                Array.Fill(groups.OfWifi, Dead);
                break;
            case DeviceMode.AccessPoint:
                groups.JoinWifi(device, guestApart: null);
                break;
            case DeviceMode.ClientBridge:
                groups.Uplink = groups.Lan;
                if (device.ServesWifi) groups.JoinWifi(device, guestApart: null);
                else Array.Fill(groups.OfWifi, Dead);
                break;
            case DeviceMode.Repeater or DeviceMode.Wds or DeviceMode.MeshSatellite:
                groups.Uplink = groups.Lan;
                groups.JoinWifi(device, guestApart: null);
                break;
        }
        return groups;
    }

    /// <summary>A router has one way out: its uplink if it has one, else the line's socket, else its first WAN socket.</summary>
    private void SplitWan(Device device, Socket? line, Func<int> newGroup)
    {
        var wan = -1;
        for (var i = 0; i < device.Ports.Length; i++)
        {
            if (device.Ports[i].Role != PortRole.Wan) continue;
            OfPort[i] = Dead;
            if (wan < 0 || IsLine(device, i, line)) wan = i;
        }
        if (device.Uplink is not null) Wan = Uplink = newGroup();
        else if (wan >= 0) OfPort[wan] = Wan = newGroup();
    }

    private void SplitLine(Device device, Socket? line, Func<int> newGroup)
    {
        for (var i = 0; i < device.Ports.Length; i++)
        {
            if (device.Ports[i].Role != PortRole.Wan) continue;
            OfPort[i] = IsLine(device, i, line) ? Wan = newGroup() : Dead;
        }
    }

    private void JoinWifi(Device device, Func<int>? guestApart)
    {
        for (var i = 0; i < device.Wifi.Length; i++)
        {
            if (!device.Wifi[i].Enabled) OfWifi[i] = Dead;
            else if (!device.Wifi[i].Guest || guestApart is null) OfWifi[i] = Lan;
            else OfWifi[i] = Guest != Dead ? Guest : Guest = guestApart();
        }
    }

    private static bool IsLine(Device device, int port, Socket? line) =>
        line is not null && line.Device == device.Id && line.Port == device.Ports[port].Id;
}
