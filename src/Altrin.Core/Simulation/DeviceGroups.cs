using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>Which sockets, networks and uplinks of one box are bridged together in the mode it is in.</summary>
/// <remarks>One row of the table in section 2 of the format a mode. A group is a number; −1 is dead. A box that knows VLANs
/// has a group for each (IEEE 802.1Q): VLAN 1 is its own network, the one its address is on.</remarks>
internal sealed class DeviceGroups
{
    public const int Dead = -1;

    /// <summary>Of each VLAN but the box's own; null while there is none, as in most boxes.</summary>
    private Dictionary<int, int>? ofVlan;

    public int Lan { get; private set; } = Dead;
    public int Wan { get; private set; } = Dead;

    /// <summary>The router's own guest network: apart from its LAN.</summary>
    public int Guest { get; private set; } = Dead;

    /// <summary>The group that the wireless uplink belongs to, where the mode has one.</summary>
    public int Uplink { get; private set; } = Dead;

    /// <summary>The group of the untagged frames of each socket.</summary>
    public required int[] OfPort { get; init; }

    /// <summary>The tagged lanes of each socket, null for one that carries none; null as a whole in most boxes.</summary>
    private (int Vlan, int Group)[]?[]? tagged;

    public ReadOnlySpan<(int Vlan, int Group)> TaggedOf(int socket) => tagged is null ? [] : tagged[socket];

    /// <summary>Where a frame with that tag goes from that socket; dead where the socket does not know it.</summary>
    public int GroupOfTag(int socket, int vlan)
    {
        foreach (var lane in TaggedOf(socket)) if (lane.Vlan == vlan) return lane.Group;
        return Dead;
    }

    public required int[] OfWifi { get; init; }

    /// <param name="takesPart">False for a box that lies on the table or has no power: everything of it is dead.</param>
    public static DeviceGroups Of(Device device, Socket? line, bool takesPart, Func<int> newGroup)
    {
        var groups = new DeviceGroups
        {
            OfPort = new int[device.Ports.Length],
            OfWifi = device.Wifi.IsEmpty ? [] : new int[device.Wifi.Length],
        };
        Array.Fill(groups.OfWifi, Dead);
        if (!takesPart)
        {
            Array.Fill(groups.OfPort, Dead);
            return groups;
        }
        groups.Lan = newGroup();
        Array.Fill(groups.OfPort, groups.Lan);
        switch (device.Traits.Wan)
        {
            case WanSide.Apart: groups.SplitWan(device, line, newGroup); break;
            case WanSide.ApartForTheLine: groups.SplitLine(device, line, newGroup); break;
            case WanSide.BridgedForTheLine: groups.KillAllButTheLine(device, line); break;
            case WanSide.Bridged: break;
            default: throw new InvalidOperationException($"{device.Traits.Wan} is not handled.");
        }
        if (device.Traits.Uplink == UplinkSide.Bridged) groups.Uplink = groups.Lan;
        if (device.RoutesForItsOwn) groups.SetGuestsApart(device, newGroup);
        if (device.SendsWifi) groups.JoinWifi(device, newGroup);
        if (device.Traits.KnowsVlans) groups.JoinVlans(device, newGroup);
        return groups;
    }

    private void KillAllButTheLine(Device device, Socket? line)
    {
        for (var i = 0; i < device.Ports.Length; i++)
            if (device.Ports[i].Role == PortRole.Wan && !IsLine(device, i, line)) OfPort[i] = Dead;
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

    /// <summary>A router keeps its guests in a group of its own. One with a VLAN is there for the trunks even while the router's
    /// own radio for it is off.</summary>
    private void SetGuestsApart(Device device, Func<int> newGroup)
    {
        foreach (var network in device.Wifi)
        {
            if (!network.Guest || (!network.Enabled && network.Vlan is null)) continue;
            if (Guest == Dead) Guest = newGroup();
            if (network.Vlan is { } vlan && vlan != Vlan.Own) (ofVlan ??= []).TryAdd(vlan, Guest);
        }
    }

    private void JoinWifi(Device device, Func<int> newGroup)
    {
        for (var i = 0; i < device.Wifi.Length; i++)
        {
            var network = device.Wifi[i];
            if (!network.Enabled) continue;
            OfWifi[i] = network.Guest && device.RoutesForItsOwn ? Guest : GroupOf(network.Vlan ?? Vlan.Own, newGroup);
        }
    }

    private void JoinVlans(Device device, Func<int> newGroup)
    {
        for (var i = 0; i < device.Ports.Length; i++)
        {
            var port = device.Ports[i];
            // A router's WAN side and a dead socket know no VLAN of the home.
            if (OfPort[i] != Lan) continue;
            if (port.Vlan is { } vlan) OfPort[i] = GroupOf(vlan, newGroup);
            if (!port.Tagged.IsDefaultOrEmpty) (tagged ??= new (int, int)[]?[device.Ports.Length])[i] = Lanes(port, newGroup);
        }
    }

    private (int Vlan, int Group)[] Lanes(Port port, Func<int> newGroup) => [.. port.Tagged.Distinct().Select(tag => (tag, GroupOf(tag, newGroup)))];

    private int GroupOf(int vlan, Func<int> newGroup) =>
        vlan == Vlan.Own ? Lan : (ofVlan ??= []).TryGetValue(vlan, out var group) ? group : ofVlan[vlan] = newGroup();

    private static bool IsLine(Device device, int port, Socket? line) =>
        line is not null && line.Device == device.Id && line.Port == device.Ports[port].Id;
}
