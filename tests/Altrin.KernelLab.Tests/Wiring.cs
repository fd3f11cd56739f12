using Altrin.Core.Network;
using Altrin.Core.Simulation;
using QuikGraph;
using QuikGraph.Algorithms;

namespace Altrin.KernelLab.Tests;

/// <summary>A bridge inside a box, or the one interface of a thing.</summary>
internal readonly record struct Place(string Owner, string Bridge)
{
    public override string ToString() => $"{Owner}/{Bridge}";
}

/// <summary>What is bridged and joined to what, read from the table in section 2 of the format and from nothing of the simulator's,
/// but for who joins whose Wi-Fi: radio is no matter of the kernel's.</summary>
internal sealed class Wiring
{
    public const string Own = "b1", Wan = "bwan", Guest = "bguest", Net = "eth0";
    public static readonly Place Provider = new("isp", "bline");

    private readonly NetworkDocument house;
    private readonly UndirectedGraph<Place, Edge<Place>> graph = new(allowParallelEdges: true);
    private readonly HashSet<Place> plugged = [];

    private readonly HashSet<string> inUse;

    public Wiring(NetworkDocument house, NetworkState state)
    {
        this.house = house;
        inUse = InUse(house);
        graph.AddVertex(Provider);
        foreach (var device in house.Devices.Where(TakesPart)) AddBridges(device);
        foreach (var thing in house.Endpoints) graph.AddVertex(new(thing.Id, Net));
        var links = Cables().ToList();
        foreach (var thing in house.Endpoints)
            if (thing.Connect?.Socket is { } socket)
                links.AddRange(Lanes(socket).Where(lane => lane.Tag == 0).Select(lane => (new Place(thing.Id, Net), lane.At)));
        plugged.UnionWith(links.SelectMany(link => new[] { link.A, link.B }));
        links.AddRange(Joins(state));
        Lay(links);
        graph.ConnectedComponents(SegmentOf);
    }

    /// <summary>Whether the box has power and does not lie on the table.</summary>
    public bool TakesPart(Device device) => inUse.Contains(device.Id);

    public bool IsOnTheLine(Place place) => SegmentOf.TryGetValue(place, out var segment) && segment == SegmentOf[Provider];

    /// <summary>Section 1: at the line, with a cable, an uplink or a thing plugged in, or named by a join that its own network
    /// matches.</summary>
    private static HashSet<string> InUse(NetworkDocument house)
    {
        var used = house.Cables.SelectMany(cable => new[] { cable.A.Device, cable.B.Device }).ToHashSet();
        if (house.Line is { } line) used.Add(line.Device);
        used.UnionWith(house.Devices.Where(box => box.Uplink is not null || box.InUse == true).Select(box => box.Id));
        used.UnionWith(house.Endpoints.Select(thing => thing.Connect?.Socket?.Device).OfType<string>());
        var names = house.Endpoints.Select(thing => thing.Connect).OfType<Attachment.Join>().Where(join =>
            join.Near is not null).Select(join => (join.Near, join.Ssid, join.Key, join.Security ?? WifiSecurity.Open))
            .Concat(house.Devices.Where(box => box.Uplink?.Near is not null).Select(box =>
                (box.Uplink!.Near, box.Uplink.Ssid, box.Uplink.Key, box.Uplink.Security)));
        foreach (var (near, ssid, key, security) in names)
            if (house.FindDevice(near!) is { } box
                && Enumerable.Range(0, box.Wifi.Length).Any(i => box.Wifi[i].Ssid == ssid && box.Wifi[i].Key == key
                && box.Wifi[i].Security == security && WifiOf(box, i) is not null))
                used.Add(box.Id);
        return [.. used.Where(id => house.FindDevice(id)!.Off != true)];
    }

    /// <summary>A number for each set of places that frames pass between (QuikGraph's connected components).</summary>
    public Dictionary<Place, int> SegmentOf { get; } = [];

    public IEnumerable<(Place A, Place B)> Links => graph.Edges.Select(edge => (edge.Source, edge.Target));
    public IEnumerable<Place> Places => graph.Vertices;

    /// <summary>A cycle with no mesh unit to break it: such a house is never built.</summary>
    public bool HasLoop { get; private set; }

    public bool IsPlugged(Place place) => plugged.Contains(place);

    /// <summary>A cycle through a mesh unit is broken, so the link that would close it is left out.</summary>
    private void Lay(List<(Place A, Place B)> links)
    {
        foreach (var (a, b) in links.OrderBy(link => IsMesh(link.A) || IsMesh(link.B)))
        {
            var before = new Dictionary<Place, int>();
            graph.ConnectedComponents(before);
            if (before[a] != before[b]) graph.AddEdge(new Edge<Place>(a, b));
            else if (!IsMesh(a) && !IsMesh(b)) HasLoop = true;
        }
    }

    private bool IsMesh(Place place) => house.FindDevice(place.Owner)?.Mode == DeviceMode.MeshSatellite;

    private void AddBridges(Device device)
    {
        graph.AddVertex(new(device.Id, Own));
        foreach (var port in device.Ports)
            foreach (var (_, at) in Lanes(new(device.Id, port.Id))) graph.AddVertex(at);
        for (var i = 0; i < device.Wifi.Length; i++)
            if (WifiOf(device, i) is { } network) graph.AddVertex(network);
        if (UplinkOf(device) is { } uplink) graph.AddVertex(uplink);
        if (GuestVlans(device) is not null) graph.AddVertex(new(device.Id, Guest));
    }

    private IEnumerable<(Place A, Place B)> Cables()
    {
        if (house.Line is { } line)
            foreach (var (_, at) in Lanes(line.Socket).Take(1)) yield return (Provider, at);
        foreach (var cable in house.Cables)
        {
            var (near, far) = (Lanes(cable.A).ToList(), Lanes(cable.B).ToList());
            foreach (var at in near.Concat(far)) plugged.Add(at.At);
            foreach (var a in near)
                foreach (var b in far)
                    if (a.Tag == b.Tag) yield return (a.At, b.At);
        }
    }

    /// <summary>Joined Wi-Fi: who joins counts as plugged in, and so does the side of the box that is joined.</summary>
    private IEnumerable<(Place A, Place B)> Joins(NetworkState state)
    {
        var joining = house.Devices.Where(TakesPart).Select(device => (device.Id, At: UplinkOf(device)))
            .Concat(house.Endpoints.Where(thing => thing.Connect?.Socket is null).Select(thing =>
                (thing.Id, At: (Place?)new Place(thing.Id, Net))));
        foreach (var (id, at) in joining)
            if (at is { } own && state.JoinedNetwork(id) is { } joined
                && WifiOf(house.FindDevice(joined.Box)!, joined.Place) is { } network)
            {
                plugged.Add(own);
                plugged.Add(network);
                yield return (own, network);
            }
    }

    /// <summary>The bridges that a socket leads into: untagged (tag 0), then each tag of a trunk.</summary>
    private IEnumerable<(int Tag, Place At)> Lanes(Socket socket)
    {
        var device = house.FindDevice(socket.Device)!;
        if (!TakesPart(device)) return [];
        var port = device.FindPort(socket.Port)!;
        var isLine = house.Line?.Socket == socket;
        if (port.Role == PortRole.Wan)
            switch (device.Mode)
            {
                case DeviceMode.Router:
                    var lineHere = house.Line?.Device == device.Id && device.FindPort(house.Line.Port)?.Role == PortRole.Wan;
                    var isTheWan = lineHere ? isLine : device.Ports.First(p => p.Role == PortRole.Wan) == port;
                    return device.Uplink is null && isTheWan ? [(0, new(device.Id, Wan))] : [];
                case DeviceMode.Modem when !isLine: return [];
                case DeviceMode.Passthrough: return isLine ? [(0, new(device.Id, Wan))] : [];
            }
        if (device.Mode is DeviceMode.Modem or DeviceMode.Passthrough) return [(0, new(device.Id, Own))];
        return [(0, VlanOf(device, port.Vlan ?? 1)), .. port.Tagged.Distinct().Select(tag => (tag, VlanOf(device, tag)))];
    }

    private static Place VlanOf(Device device, int vlan) =>
        new(device.Id, vlan == 1 ? Own : GuestVlans(device)?.Contains(vlan) == true ? Guest : $"b{vlan}");

    /// <summary>The VLANs that a router's guest network carries; null where it has none.</summary>
    public static HashSet<int>? GuestVlans(Device device)
    {
        if (device.Mode != DeviceMode.Router) return null;
        var guests = device.Wifi.Where(network => network.Guest && (network.Enabled || network.Vlan is not null)).ToList();
        return guests.Count == 0 ? null : [.. guests.Select(network => network.Vlan).OfType<int>().Where(vlan => vlan != 1)];
    }

    private static Place? WifiOf(Device device, int place)
    {
        var network = device.Wifi[place];
        if (!network.Enabled || device.Mode is DeviceMode.Switch or DeviceMode.Modem or DeviceMode.Passthrough) return null;
        if (device is { Mode: DeviceMode.ClientBridge, ServesWifi: false }) return null;
        return device.Mode == DeviceMode.Router && network.Guest ? new(device.Id, Guest) : VlanOf(device, network.Vlan ?? 1);
    }

    private static Place? UplinkOf(Device device) => device.Uplink is null ? null : device.Mode switch
    {
        DeviceMode.Router => new(device.Id, Wan),
        DeviceMode.Repeater or DeviceMode.Wds or DeviceMode.ClientBridge or DeviceMode.MeshSatellite => new(device.Id, Own),
        _ => null,
    };
}
