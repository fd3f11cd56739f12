using System.Text.Json.Nodes;

namespace Altrin.Core.Tests.WorkOrders;

/// <summary>A second, plain reader of a printed house: who is bridged with whom, which address is fixed twice there, where two DHCP servers answer, and whose
/// open Wi-Fi leads to another box. It reads the JSON itself and uses no code of the simulator.</summary>
internal static class PlainClashes
{
    public static HashSet<string> In(JsonNode house) => Read(house, null, out _);

    /// <summary>Whether the page at an address is on the laptop's own network and in a subnet that it has there; null where it is on another network, for
    /// then a router may lead to it, or where it is no address of a box.</summary>
    public static bool? Opens(JsonNode house, string open)
    {
        _ = Read(house, open["http://".Length..], out var opens);
        return opens;
    }

    private static HashSet<string> Read(JsonNode house, string? page, out bool? opens)
    {
        opens = null;
        var parents = new Dictionary<string, string>(StringComparer.Ordinal);
        string Root(string at)
        {
            parents.TryAdd(at, at);
            while (parents[at] != at) at = parents[at];
            return at;
        }
        void Join(string a, string b) => parents[Root(a)] = Root(b);
        var devices = house["devices"]!.AsArray().Select(one => one!).ToList();
        JsonNode? Box(string? id) => devices.Find(one => (string)one["id"]! == id);
        bool IsLan(JsonNode box, string port) => (string)box["mode"]! is not ("router" or "passthrough" or "modem") || (string)box["ports"]!.AsArray().First(one => (string)one!["id"]! == port)!["role"]! == "lan";
        string Side(JsonNode end) => Box((string)end["device"]!) is { } box && IsLan(box, (string)end["port"]!) ? $"{box["id"]} in" : $"{end["device"]}:{end["port"]} out";
        foreach (var cable in house["cables"]?.AsArray() ?? []) Join(Side(cable!["a"]!), Side(cable["b"]!));
        foreach (var box in devices)
            if (box["uplink"] is { } uplink && (string)box["mode"]! is "repeater" or "wds" or "client-bridge" or "mesh-satellite" && Sender(uplink, (string)box["id"]!) is { } upper) Join($"{box["id"]} in", $"{upper} in");

        var held = new List<(string Segment, string Address, string Owner)>();
        var servers = new List<(string Segment, string Owner)>();
        foreach (var box in devices)
        {
            var segment = Root($"{box["id"]} in");
            if (box["lan"] is not { } lan || (string?)lan["method"] == "dhcp" || (string?)lan["address"] is not { } address || (string)box["mode"]! == "mesh-satellite") continue;
            held.Add((segment, address.Split('/')[0], (string)box["id"]!));
            if ((string)box["mode"]! is "router" or "passthrough" or "repeater" or "wds" or "client-bridge" && (bool?)lan["dhcpServer"]?["enabled"] == true) servers.Add((segment, (string)box["id"]!));
        }
        foreach (var thing in house["endpoints"]?.AsArray() ?? [])
        {
            if ((string?)thing!["address"]?["method"] != "static" || thing["connect"] is not { } connect) continue;
            var at = connect["device"] is not null ? Side(connect) : Sender(connect, null) is { } sender ? $"{sender} in" : null;
            if (at is not null) held.Add((Root(at), ((string)thing["address"]!["address"]!).Split('/')[0], (string)thing["id"]!));
        }
        if (page is not null && house["endpoints"]!.AsArray().FirstOrDefault(thing => (string)thing!["id"]! == "installer-laptop") is { } laptop && laptop["connect"] is { } plug)
        {
            var at = plug["device"] is not null ? Side(plug) : Sender(plug, null) is { } sender ? $"{sender} in" : null;
            if (at is not null && held.Exists(one => one.Address == page && one.Segment == Root(at)))
                opens = (string?)laptop["address"]?["method"] == "static"
                    ? IsIn(page, (string)laptop["address"]!["address"]!)
                    : servers.FindAll(one => one.Segment == Root(at)) is { Count: > 0 } there
                        // Where none of them is in that subnet, their router may lead to another box of that address.
                        ? there.Exists(one => IsIn(page, (string)Box(one.Owner)!["lan"]!["address"]!)) ? true : null
                        : false;
        }
        var open = devices.Where(box => (bool?)box["off"] != true && (string)box["mode"]! is "router" or "access-point" or "repeater" or "wds" or "mesh-main" or "mesh-satellite"
            && (box["wifi"]?.AsArray() ?? []).Any(network => (bool?)network!["enabled"] != false && (bool?)network["guest"] != true && (string?)network["security"] == "open")
            && devices.Exists(other => other != box && (bool?)other["off"] != true && other["lan"] is not null && (Root($"{other["id"]} in") == Root($"{box["id"]} in") || (!IsTheStreetTo(other, box) && Outside(box).Any(side => Root($"{other["id"]} in") == Root(side)))))).Select(box => $"open: {box["id"]}").ToList();
        // Two by two: where three were, two that are left are nothing new.
        return [.. held.GroupBy(one => (one.Segment, one.Address)).SelectMany(group => Pairs(group.Select(one => one.Owner)).Select(pair => $"{group.Key.Address}: {pair}")),
            .. servers.GroupBy(one => one.Segment).SelectMany(group => Pairs(group.Select(one => one.Owner)).Select(pair => $"servers: {pair}")), .. open];

        bool IsTheStreetTo(JsonNode other, JsonNode box) => (string)other["mode"]! == "modem" || ((string)other["mode"]! == "passthrough" && (string?)other["passthroughTo"] == (string)box["id"]!);

        // What a router leads to: the sockets of its WAN, and whose Wi-Fi it joins.
        IEnumerable<string> Outside(JsonNode box)
        {
            if ((string)box["mode"]! != "router") yield break;
            if (box["uplink"] is { } uplink)
            {
                if (Sender(uplink, (string)box["id"]!) is { } upper) yield return $"{upper} in";
                yield break;
            }
            foreach (var port in box["ports"]?.AsArray() ?? [])
                if ((string)port!["role"]! == "wan") yield return $"{box["id"]}:{port["id"]} out";
        }

        string? Sender(JsonNode join, string? but)
        {
            bool Makes(JsonNode box) => (string)box["id"]! != but && (box["wifi"]?.AsArray() ?? []).Any(network => (bool?)network!["enabled"] != false && (string)network["ssid"]! == (string)join["ssid"]! && (string?)network["key"] == (string?)join["key"] && (bool?)network["guest"] != true);
            if (Box((string?)join["near"]) is { } near && Makes(near)) return (string)near["id"]!;
            return (string?)devices.Find(Makes)?["id"];
        }
    }

    private static IEnumerable<string> Pairs(IEnumerable<string> owners)
    {
        var all = owners.Order(StringComparer.Ordinal).ToList();
        for (var i = 0; i < all.Count; i++)
            for (var j = i + 1; j < all.Count; j++) yield return $"{all[i]} {all[j]}";
    }

    private static bool IsIn(string address, string subnet)
    {
        static uint Number(string text) => text.Split('.').Aggregate(0u, (sum, part) => (sum << 8) + uint.Parse(part, System.Globalization.CultureInfo.InvariantCulture));
        var parts = subnet.Split('/');
        var length = parts.Length > 1 ? int.Parse(parts[1], System.Globalization.CultureInfo.InvariantCulture) : 24;
        return (Number(address) ^ Number(parts[0])) >> (32 - length) == 0;
    }
}
