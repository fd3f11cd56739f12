using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>Who joins whose Wi-Fi: same name, same key, a security both speak, a band the radio has.</summary>
internal sealed class WirelessJoins
{
    private const int Unreached = int.MaxValue;

    private readonly Fabric fabric;
    private readonly List<RadioNetwork> networks = [];
    private readonly Dictionary<string, List<RadioNetwork>> byName = new(StringComparer.Ordinal);
    private readonly DisjointSets connected;
    private readonly RadioNetwork?[] joined;
    private readonly List<(int A, int B)> crossings = [];
    private int[] hops = [];

    private WirelessJoins(Fabric fabric)
    {
        this.fabric = fabric;
        joined = new RadioNetwork?[fabric.House.Devices.Length];
        connected = new(fabric.GroupCount);
        foreach (var (a, b) in fabric.Wires) connected.Union(a, b);
        ListNetworks();
    }

    public static (IReadOnlyList<RadioNetwork> Networks, RadioNetwork?[] Uplinks, RadioNetwork?[] Endpoints) Resolve(Fabric fabric)
    {
        var joins = new WirelessJoins(fabric);
        joins.JoinUplinks();
        return (joins.networks, joins.joined, joins.JoinEndpoints());
    }

    /// <summary>Whether two ends can agree: WPA2 and the mixed mode meet on WPA2, the mixed mode and WPA3 on WPA3.</summary>
    public static bool Speak(WifiSecurity a, WifiSecurity b) =>
        a == b
        || (a == WifiSecurity.Wpa2Wpa3 && b is WifiSecurity.Wpa2 or WifiSecurity.Wpa3)
        || (b == WifiSecurity.Wpa2Wpa3 && a is WifiSecurity.Wpa2 or WifiSecurity.Wpa3);

    private void ListNetworks()
    {
        var order = 0;
        var devices = fabric.House.Devices;
        for (var d = 0; d < devices.Length; d++)
        {
            var groups = fabric.Groups[d];
            // A router's two sides are one way to the line, though two segments.
            if (groups.Wan != DeviceGroups.Dead) Cross(groups.Lan, groups.Wan);
            if (groups.Guest != DeviceGroups.Dead) Cross(groups.Lan, groups.Guest);
            for (var w = 0; w < devices[d].Wifi.Length; w++)
            {
                if (groups.OfWifi[w] == DeviceGroups.Dead) continue;
                var settings = devices[d].Wifi[w];
                var radio = devices[d].Radios.First(r => r.Id == settings.Radio);
                if (!byName.TryGetValue(settings.Ssid, out var list)) byName[settings.Ssid] = list = [];
                list.Add(new(d, w, groups.OfWifi[w], settings, radio.Band, order++));
                networks.Add(list[^1]);
            }
        }
    }

    private void Cross(int a, int b)
    {
        connected.Union(a, b);
        crossings.Add((a, b));
    }

    private void JoinUplinks()
    {
        var waiting = new List<int>();
        var devices = fabric.House.Devices;
        for (var d = 0; d < devices.Length; d++)
            if (devices[d].Uplink is not null && fabric.Groups[d].Uplink != DeviceGroups.Dead) waiting.Add(d);

        // Nearest to the line first, a ring at a time: who joins a repeater needs to know how far that repeater is, and
        // joins on one ring do not change one another's choice.
        while (waiting.Count > 0)
        {
            Survey();
            var choices = waiting.Select(d => (Device: d, Network: Choose(d))).Where(choice => choice.Network is not null).ToList();
            if (choices.Count == 0) break;
            var ring = choices.Min(choice => hops[choice.Network!.Group]);
            var before = waiting.Count;
            foreach (var (d, network) in choices)
            {
                if (hops[network!.Group] != ring || HangsBelow(d, network)) continue;
                joined[d] = network;
                connected.Union(fabric.Groups[d].Uplink, network.Group);
                waiting.Remove(d);
            }
            if (waiting.Count == before) break;
        }
        Survey();
    }

    /// <summary>Measures the way from everywhere to the line, and puts each name's networks in order of it.</summary>
    private void Survey()
    {
        hops = CountHops();
        foreach (var list in byName.Values)
            list.Sort((a, b) => hops[a.Group] != hops[b.Group] ? hops[a.Group].CompareTo(hops[b.Group]) : a.Order.CompareTo(b.Order));
    }

    private RadioNetwork? Choose(int device)
    {
        var uplink = fabric.House.Devices[device].Uplink!;
        var band = fabric.House.Devices[device].Radios.First(radio => radio.Id == uplink.Radio).Band;
        return Pick(uplink.Ssid, uplink.Near, network => network.Band == band && network.Settings.Key == uplink.Key
            && Speak(network.Settings.Security, uplink.Security) && network.Device != device
            && LinkComesUp(device, network) && !HangsBelow(device, network));
    }

    /// <summary>The network of the device heard best, if that one will do; else the first that will, in order of hops and document.</summary>
    private RadioNetwork? Pick(string ssid, string? near, Predicate<RadioNetwork> willDo)
    {
        if (!byName.TryGetValue(ssid, out var named)) return null;
        if (near is not null && fabric.DeviceIndex.TryGetValue(near, out var heard)
            && named.Find(network => network.Device == heard && willDo(network)) is { } best) return best;
        return named.Find(willDo);
    }

    /// <summary>A WDS pair speaks only on one fixed channel: each end's first network on that radio tells which.</summary>
    private bool LinkComesUp(int device, RadioNetwork network)
    {
        var box = fabric.House.Devices[device];
        if (!box.Traits.NeedsFixedChannel) return true;
        return FixedChannel(box, box.Uplink!.Radio) is { } own
            && own == FixedChannel(fabric.House.Devices[network.Device], network.Settings.Radio);
    }

    private static int? FixedChannel(Device device, string radio) =>
        device.Wifi.FirstOrDefault(network => network.Radio == radio)?.Channel?.Number;

    /// <summary>Whether the network gets its own way to the line only through the device.</summary>
    private bool HangsBelow(int device, RadioNetwork network)
    {
        var own = fabric.Groups[device].Uplink;
        if (connected.Find(own) != connected.Find(network.Group)) return false;
        if (connected.Find(own) != connected.Find(Fabric.Provider)) return true;
        return !ReachableWithout(device).Contains(network.Group);
    }

    private HashSet<int> ReachableWithout(int device)
    {
        var seen = new HashSet<int> { Fabric.Provider };
        var queue = new Queue<int>(seen);
        var neighbours = Neighbours();
        while (queue.TryDequeue(out var group))
            foreach (var (next, _) in neighbours[group])
                if (fabric.OwnerOf[next] != device && seen.Add(next)) queue.Enqueue(next);
        return seen;
    }

    /// <summary>Radio hops from each group to the line; a cable costs none.</summary>
    private int[] CountHops()
    {
        var distance = new int[fabric.GroupCount];
        Array.Fill(distance, Unreached);
        distance[Fabric.Provider] = 0;
        var neighbours = Neighbours();
        var queue = new LinkedList<int>([Fabric.Provider]);
        while (queue.First is { } first)
        {
            queue.RemoveFirst();
            foreach (var (next, cost) in neighbours[first.Value])
            {
                var through = distance[first.Value] + cost;
                if (through >= distance[next]) continue;
                distance[next] = through;
                if (cost == 0) queue.AddFirst(next);
                else queue.AddLast(next);
            }
        }
        return distance;
    }

    private List<(int Group, int Cost)>[] Neighbours()
    {
        var lists = new List<(int, int)>[fabric.GroupCount];
        for (var i = 0; i < lists.Length; i++) lists[i] = [];
        foreach (var (a, b) in fabric.Wires) Add(a, b, 0);
        foreach (var (a, b) in crossings) Add(a, b, 0);
        for (var d = 0; d < joined.Length; d++)
            if (joined[d] is { } network) Add(fabric.Groups[d].Uplink, network.Group, 1);
        return lists;

        void Add(int a, int b, int cost)
        {
            lists[a].Add((b, cost));
            lists[b].Add((a, cost));
        }
    }

    private RadioNetwork?[] JoinEndpoints()
    {
        var endpoints = fabric.House.Endpoints;
        var networks = new RadioNetwork?[endpoints.Length];
        for (var i = 0; i < networks.Length; i++)
        {
            if (endpoints[i].Connect is not { Ssid: { } ssid } connect) continue;
            var security = connect.Security ?? WifiSecurity.Open;
            var bands = endpoints[i].Bands;
            networks[i] = Pick(ssid, connect.Near, n => n.Settings.Key == connect.Key && Speak(n.Settings.Security, security)
                && (bands.IsEmpty || bands.Contains(n.Band)));
        }
        return networks;
    }
}
