using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>The wires and radio links of the house as a graph of bridged groups; the provider is group 0.</summary>
internal sealed class Fabric
{
    public const int Provider = 0;

    public required NetworkDocument House { get; init; }
    public required DeviceGroups[] Groups { get; init; }
    public required Dictionary<string, int> DeviceIndex { get; init; }

    /// <summary>Which boxes are in use.</summary>
    public required bool[] TakesPart { get; init; }

    /// <summary>Who would hear whom.</summary>
    public required Hearing Hearing { get; init; }

    public required int GroupCount { get; init; }

    /// <summary>Which device a group belongs to; −1 is the provider's.</summary>
    public required int[] OwnerOf { get; init; }

    /// <summary>Cables between two living sockets, and the line, as pairs of groups.</summary>
    public required List<(int A, int B)> Wires { get; init; }

    /// <summary>The same with the id of the cable, null for the line: for following a way over them.</summary>
    public IEnumerable<(int A, int B, string? Cable)> Labelled() => Wires.Zip(wireIds, (wire, id) => (wire.A, wire.B, id));

    private List<string?> wireIds = [];

    /// <summary>Whether anything is in a socket of the group.</summary>
    public required bool[] IsPlugged { get; init; }

    public int LineGroup { get; private set; } = DeviceGroups.Dead;

    /// <summary>Every network on the air, in document order.</summary>
    public IReadOnlyList<RadioNetwork> Networks { get; private set; } = [];

    /// <summary>For each device with an uplink: the network it joined, or null.</summary>
    public RadioNetwork?[] Joined { get; private set; } = [];

    /// <summary>Whether somebody has joined the group by Wi-Fi.</summary>
    public bool HasVisitors(int group) => visited[group];

    private bool[] visited = [];

    /// <summary>For each endpoint: its group, or −1 when it is neither plugged in nor joined.</summary>
    public int[] EndpointGroup { get; private set; } = [];

    /// <summary>For each endpoint on Wi-Fi: the network it joined.</summary>
    public RadioNetwork?[] EndpointNetwork { get; private set; } = [];

    public static Fabric Build(NetworkDocument house)
    {
        var owners = new List<int> { -1 };
        var index = new Dictionary<string, int>(house.Devices.Length, StringComparer.Ordinal);
        var groups = new DeviceGroups[house.Devices.Length];
        for (var i = 0; i < groups.Length; i++) index[house.Devices[i].Id] = i;
        var takesPart = InUse.Of(house, index);
        var owner = 0;
        var line = house.Line?.Socket;
        Func<int> newGroup = () =>
        {
            owners.Add(owner);
            return owners.Count - 1;
        };
        for (; owner < groups.Length; owner++) groups[owner] = DeviceGroups.Of(house.Devices[owner], line, takesPart[owner], newGroup);
        var fabric = new Fabric
        {
            House = house,
            Groups = groups,
            DeviceIndex = index,
            TakesPart = takesPart,
            Hearing = new(house),
            GroupCount = owners.Count,
            OwnerOf = [.. owners],
            IsPlugged = new bool[owners.Count],
            Wires = new(house.Cables.Length + 1),
            wireIds = new(house.Cables.Length + 1),
        };
        fabric.Wire();
        (fabric.Networks, fabric.Joined, fabric.EndpointNetwork) = WirelessJoins.Resolve(fabric);
        fabric.PlaceEndpoints();
        return fabric;
    }

    /// <summary>The group of the socket's untagged frames.</summary>
    public int GroupOf(Socket socket) => GroupOf(socket.Device, socket.Port);

    private int GroupOf(string device, string socket)
    {
        var (groups, port) = Find(device, socket);
        return port < 0 ? DeviceGroups.Dead : groups.OfPort[port];
    }

    private (DeviceGroups Groups, int Port) Find(string id, string socket)
    {
        var device = DeviceIndex[id];
        var ports = House.Devices[device].Ports;
        for (var i = 0; i < ports.Length; i++)
            if (ports[i].Id == socket) return (Groups[device], i);
        return (Groups[device], -1);
    }

    private void Wire()
    {
        if (House.Line is { } line)
        {
            LineGroup = GroupOf(line.Socket);
            if (LineGroup != DeviceGroups.Dead)
            {
                Wires.Add((Provider, LineGroup));
                wireIds.Add(null);
                IsPlugged[LineGroup] = true;
            }
        }
        foreach (var cable in House.Cables)
        {
            var ((near, a), (far, b)) = (Find(cable.A.Device, cable.A.Port), Find(cable.B.Device, cable.B.Port));
            Lane(cable.Id, near.OfPort[a], far.OfPort[b]);
            // A frame with a tag arrives only where the other end knows that tag.
            foreach (var (vlan, group) in near.TaggedOf(a)) Lane(cable.Id, group, far.GroupOfTag(b, vlan));
            foreach (var (_, group) in far.TaggedOf(b)) IsPlugged[group] = true;
        }

        void Lane(string id, int a, int b)
        {
            if (a != DeviceGroups.Dead) IsPlugged[a] = true;
            if (b != DeviceGroups.Dead) IsPlugged[b] = true;
            if (a == DeviceGroups.Dead || b == DeviceGroups.Dead) return;
            Wires.Add((a, b));
            wireIds.Add(id);
        }
    }

    private void PlaceEndpoints()
    {
        visited = new bool[GroupCount];
        foreach (var network in Joined.Concat(EndpointNetwork)) if (network is not null) visited[network.Group] = true;
        EndpointGroup = new int[House.Endpoints.Length];
        for (var i = 0; i < EndpointGroup.Length; i++)
        {
            var plug = House.Endpoints[i].Connect as Attachment.Plug;
            EndpointGroup[i] = plug is not null ? GroupOf(plug.Device, plug.Port) : EndpointNetwork[i]?.Group ?? DeviceGroups.Dead;
            if (plug is not null && EndpointGroup[i] != DeviceGroups.Dead) IsPlugged[EndpointGroup[i]] = true;
        }
    }
}

/// <summary>One Wi-Fi network on the air.</summary>
/// <param name="Device">Index of the box that makes it.</param>
/// <param name="Order">Its place in the document: breaks ties.</param>
/// <param name="Place">Its place in the box's list.</param>
internal sealed record RadioNetwork(int Device, int Place, int Group, WifiNetwork Settings, Band Band, int Order);
