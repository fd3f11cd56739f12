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

    private RadioNetwork? HasJoined(int device) => joined[device];

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
        // Where nothing is on the air nobody has a choice.
        if (byName.Count == 0) return;
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
            && LinkComesUp(device, network) && fabric.Hearing.IsThereForBox(network, fabric.Hearing.PlaceOf(device), HasJoined)
                && !HangsBelow(device, network));
    }

    /// <summary>The network of the device heard best, if that one will do; else the first that will, in order of hops and
    /// document.</summary>
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
        var links = Links.Of(this);
        while (queue.TryDequeue(out var group))
            for (var link = links.First[group]; link >= 0; link = links.Next[link])
                if (fabric.OwnerOf[links.To[link]] != device && seen.Add(links.To[link])) queue.Enqueue(links.To[link]);
        return seen;
    }

    /// <summary>Radio hops from each group to the line; a cable costs none.</summary>
    private int[] CountHops()
    {
        var distance = new int[fabric.GroupCount];
        Array.Fill(distance, Unreached);
        distance[Fabric.Provider] = 0;
        var links = Links.Of(this);
        // All that is as far away, then all that is a radio hop further.
        var (near, far) = (new Stack<int>([Fabric.Provider]), new Stack<int>());
        for (var hops = 0; near.Count > 0; hops++, (near, far) = (far, near))
            while (near.TryPop(out var group))
            {
                if (distance[group] != hops) continue;
                for (var link = links.First[group]; link >= 0; link = links.Next[link])
                {
                    var (to, through) = (links.To[link], hops + (links.IsRadio(link) ? 1 : 0));
                    if (through >= distance[to]) continue;
                    distance[to] = through;
                    (through == hops ? near : far).Push(to);
                }
            }
        return distance;
    }

    /// <summary>What leads from group to group, as chains in four arrays: a big house is measured several times.</summary>
    private readonly record struct Links(int[] First, int[] Next, int[] To, int Wired)
    {
        public bool IsRadio(int link) => link >= Wired;

        public static Links Of(WirelessJoins joins)
        {
            var fabric = joins.fabric;
            var wired = 2 * (fabric.Wires.Count + joins.crossings.Count);
            var count = wired + (2 * joins.joined.Count(network => network is not null));
            var links = new Links(new int[fabric.GroupCount], new int[count], new int[count], wired);
            Array.Fill(links.First, -1);
            var at = 0;
            foreach (var (a, b) in fabric.Wires) Add(a, b);
            foreach (var (a, b) in joins.crossings) Add(a, b);
            for (var d = 0; d < joins.joined.Length; d++)
                if (joins.joined[d] is { } network) Add(fabric.Groups[d].Uplink, network.Group);
            return links;

            void Add(int a, int b)
            {
                (links.To[at], links.Next[at], links.First[a]) = (b, links.First[a], at);
                at++;
                (links.To[at], links.Next[at], links.First[b]) = (a, links.First[b], at);
                at++;
            }
        }
    }

    private RadioNetwork?[] JoinEndpoints()
    {
        var endpoints = fabric.House.Endpoints;
        var networks = new RadioNetwork?[endpoints.Length];
        for (var i = 0; i < networks.Length; i++)
        {
            if (endpoints[i].Connect is not Attachment.Join connect) continue;
            networks[i] = Choose(endpoints[i], connect);
            if (endpoints[i].Knows is { } known && !IsSent(connect)) networks[i] = Choose(endpoints[i], known.AsJoin(connect.Near));
        }
        return networks;
    }

    /// <summary>Whether anybody sends that name with that password, heard or not.</summary>
    private bool IsSent(Attachment.Join wanted) => byName.TryGetValue(wanted.Ssid, out var named)
        && named.Exists(network => network.Settings.Key == wanted.Key
            && Speak(network.Settings.Security, wanted.Security ?? WifiSecurity.Open));

    private RadioNetwork? Choose(Endpoint thing, Attachment.Join connect)
    {
        var security = connect.Security ?? WifiSecurity.Open;
        var place = fabric.Hearing.PlaceOf(thing);
        return Pick(connect.Ssid, connect.Near, n => n.Settings.Key == connect.Key && Speak(n.Settings.Security, security)
            && (thing.Bands.IsEmpty || thing.Bands.Contains(n.Band)) && fabric.Hearing.IsThere(n, place, HasJoined));
    }
}
