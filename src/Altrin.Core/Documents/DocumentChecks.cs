using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Documents;

/// <summary>What the parts of a document must be to one another: ids once, references that lead somewhere, one plug a socket.</summary>
internal static class DocumentChecks
{
    private sealed record Index(Dictionary<string, Device> Devices, HashSet<string> Endpoints);

    public static void Run(NetworkDocument house, ProblemList problems)
    {
        var owners = new Dictionary<string, string>(StringComparer.Ordinal);
        Unique(house.Devices, "devices", device => device.Id, owners, problems);
        // Devices and endpoints share one space of names: an interface is named by its owner alone.
        Unique(house.Endpoints, "endpoints", endpoint => endpoint.Id, owners, problems);
        Unique(house.Cables, "cables", cable => cable.Id, new(StringComparer.Ordinal), problems);
        Unique(house.Needs, "needs", need => need.Id, new(StringComparer.Ordinal), problems);
        // Rooms are named in any letter case.
        Unique(house.Rooms, "rooms", room => room.Id, new(StringComparer.OrdinalIgnoreCase), problems);
        Unique(house.Runs, "runs", run => run.Id, new(StringComparer.Ordinal), problems);
        Unique(house.Kinds, "kinds", kind => kind.Kit, new(StringComparer.Ordinal), problems, "kit");
        NotReserved(house, problems);
        NotTooMany(house, problems);
        if (problems.Found.Count > 0) return;

        var index = new Index(house.Devices.ToDictionary(d => d.Id, StringComparer.Ordinal),
            house.Endpoints.Select(e => e.Id).ToHashSet(StringComparer.Ordinal));
        for (var i = 0; i < house.Devices.Length; i++) Check(house.Devices[i], $"devices[{i}]", index, problems);
        Sockets(house, index, problems);
        for (var i = 0; i < house.Endpoints.Length; i++)
            Near((house.Endpoints[i].Connect as Attachment.Join)?.Near, $"endpoints[{i}].connect.near", index, problems);
        for (var i = 0; i < house.Needs.Length; i++) Check(house.Needs[i], $"needs[{i}]", index, problems);
        for (var i = 0; i < house.Runs.Length; i++) Check(house, house.Runs[i], $"runs[{i}]", problems);
        for (var i = 0; i < house.Kinds.Length; i++) KitReader.CheckBox(house.Kinds[i], $"kinds[{i}].device", problems);
    }

    private static void Check(NetworkDocument house, CableRun run, string place, ProblemList problems)
    {
        Known(run.A, "a");
        Known(run.B, "b");
        if (Rooms.AreSame(house, run.A, run.B)) problems.Add($"{place}.b", "A run leads from one room to another; inside a room any cable may be laid. Name the other room.");

        void Known(string room, string field)
        {
            if (Rooms.Find(house, room) is null)
                problems.Add($"{place}.{field}", $"There is no room “{room}”. {Have("The rooms are", house.Rooms.Select(one => one.Id), "The document lists none: add it to rooms")}.");
        }
    }

    private static void NotTooMany(NetworkDocument house, ProblemList problems)
    {
        Count(house.Rooms.Length, Limits.MostRooms, "rooms", "rooms");
        Count(house.Kinds.Length, Limits.MostKinds, "kinds", "kinds of boxes");
        Count(house.Neighbours.Length, Limits.MostNeighbours, "neighbours", "neighbours’ networks");
        Count(house.Devices.Sum(box => box.Radios.Count(radio => box.Wifi.Any(network => network.Radio == radio.Id))), Limits.MostSendingRadios, "devices", "radios that send Wi-Fi");

        void Count(int there, int most, string place, string what)
        {
            if (there > most) problems.Add(place, $"These are {there} {what}; the air of at most {most} can be reckoned. Make a job of each part of the building.");
        }
    }

    /// <summary>The laptop of a work order is the last thing of its houses; anywhere else the name would be taken for it.</summary>
    private static void NotReserved(NetworkDocument house, ProblemList problems)
    {
        for (var i = 0; i < house.Devices.Length; i++) Check(house.Devices[i].Id, $"devices[{i}].id", false);
        for (var i = 0; i < house.Endpoints.Length; i++) Check(house.Endpoints[i].Id, $"endpoints[{i}].id", i == house.Endpoints.Length - 1);

        void Check(string id, string place, bool mayBeLaptop)
        {
            if (!Limits.ReservedIds.TryGetValue(id, out var what) || (mayBeLaptop && id == Limits.LaptopId)) return;
            problems.Add(place, $"“{id}” means {what}. Give it another id.");
        }
    }

    private static void Unique<T>(
        ImmutableArray<T> parts, string list, Func<T, string> id, Dictionary<string, string> seen, ProblemList problems, string field = "id")
    {
        for (var i = 0; i < parts.Length; i++)
            if (!seen.TryAdd(id(parts[i]), $"{list}[{i}]"))
                problems.Add($"{list}[{i}].{field}", $"“{id(parts[i])}” is taken by {seen[id(parts[i])]}. Give it another id.");
    }

    private static void Check(Device device, string place, Index index, ProblemList problems)
    {
        Unique(device.Ports, $"{place}.ports", port => port.Id, new(StringComparer.Ordinal), problems);
        Unique(device.Radios, $"{place}.radios", radio => radio.Id, new(StringComparer.Ordinal), problems);
        for (var i = 0; i < device.Wifi.Length; i++) Radio(device.Wifi[i].Radio, $"{place}.wifi[{i}].radio");
        if (device.Uplink is { } uplink)
        {
            Radio(uplink.Radio, $"{place}.uplink.radio");
            Near(uplink.Near, $"{place}.uplink.near", index, problems);
        }
        if (device.PassthroughTo is { } target && !index.Devices.ContainsKey(target))
            problems.Add($"{place}.passthroughTo", $"There is no device “{target}”.{KnownDevices(index)}");

        void Radio(string id, string at)
        {
            if (!device.Radios.Any(radio => radio.Id == id))
                problems.Add(at, $"{device.Name} has no radio “{id}”. {Have("Its radios are", device.Radios.Select(r => r.Id), "It lists none: add one to radios")}.");
        }
    }

    private static void Sockets(NetworkDocument house, Index index, ProblemList problems)
    {
        var taken = new Dictionary<Socket, string>();
        if (house.Line is { } line) Take(line.Socket, "line", "line.port");
        for (var i = 0; i < house.Cables.Length; i++)
        {
            Take(house.Cables[i].A, $"cables[{i}].a", $"cables[{i}].a.port");
            Take(house.Cables[i].B, $"cables[{i}].b", $"cables[{i}].b.port");
        }
        for (var i = 0; i < house.Endpoints.Length; i++)
            if (house.Endpoints[i].Connect?.Socket is { } socket)
                Take(socket, $"endpoints[{i}].connect", $"endpoints[{i}].connect.port");

        void Take(Socket socket, string by, string place)
        {
            if (!index.Devices.TryGetValue(socket.Device, out var device))
                problems.Add(place[..place.LastIndexOf('.')] + ".device", $"There is no device “{socket.Device}”.{KnownDevices(index)}");
            else if (device.FindPort(socket.Port) is null)
                problems.Add(place, $"{device.Name} has no socket “{socket.Port}”. {Have("Its sockets are", device.Ports.Select(p => p.Id), "It lists none: add one to ports")}.");
            else if (!taken.TryAdd(socket, by))
                problems.Add(place, $"Socket {socket.Port} of {device.Name} is taken by {taken[socket]}. Use another socket.");
        }
    }

    private static void Check(Need need, string place, Index index, ProblemList problems)
    {
        foreach (var (field, id) in need.Things)
            if (id.Length > 0 && !index.Endpoints.Contains(id))
                problems.Add($"{place}.{field}", $"There is no endpoint “{id}”. {Have("The endpoints are", index.Endpoints.Order(StringComparer.Ordinal), "The document lists none")}.");
    }

    private static void Near(string? near, string place, Index index, ProblemList problems)
    {
        if (near is not null && !index.Devices.ContainsKey(near))
            problems.Add(place, $"There is no device “{near}”.{KnownDevices(index)}");
    }

    private static string KnownDevices(Index index) =>
        $" {Have("The devices are", index.Devices.Keys, "The document lists none")}.";

    /// <summary>At most eight names: an error is one line.</summary>
    private static string Have(string lead, IEnumerable<string> names, string none)
    {
        var some = names.Take(9).ToList();
        if (some.Count == 0) return none;
        return $"{lead} {string.Join(", ", some.Take(8))}{(some.Count > 8 ? " and more" : "")}";
    }
}
