using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Visit;

/// <summary>Where a thing that was seen may be: its room by its name, and by what it hangs on the network. Guesses, said as such. Common
/// practice, no source.</summary>
internal sealed class ThingPlace(NetworkDocument house, NetworkState state)
{
    private static readonly string[] Wired = ["wired", "cable", "ethernet", "lan", "port", "kabel", "filaire", "cable", "eth"], Wireless = ["wlan", "wifi", "wi-fi", "wireless", "ghz", "sans fil", "inalámbric", "funk"];

    private readonly HashSet<Socket> taken = [];

    /// <summary>“Kitchen phone” is in the kitchen: the household calls its things so.</summary>
    /// <returns>The room as the house writes it; null where the name says none.</returns>
    public string? RoomOf(string name) => house.Rooms.Select(room => (Said: room.Name, Word: room.Id))
        .Concat(house.Devices.Select(box => box.Room).OfType<string>().Select(room => (Said: Rooms.Say(house, room), Word: room)))
        .Where(room => name.StartsWith(room.Said, StringComparison.OrdinalIgnoreCase) && (name.Length == room.Said.Length || !char.IsLetter(name[room.Said.Length])))
        .OrderByDescending(room => room.Said.Length).Select(room => room.Word).FirstOrDefault();

    /// <param name="by">How a list says it is joined: “Wired”, “5 GHz”, a Wi-Fi name; null where it does not.</param>
    /// <returns>The place and a clause that says it is taken so; null where nothing tells it.</returns>
    public (Attachment Place, string Says)? Of(string? by, string? room)
    {
        var networks = state.Air.Select(one => one.Network).DistinctBy(one => (one.Ssid, one.Key, one.Security)).ToList();
        if (networks.Find(one => one.Ssid == by) is { } named) return Join(named, room);
        if (by is not null && Has(by, Wired) && !Has(by, Wireless)) return Plugged(room);
        // Most things of a home are on its Wi-Fi: where it has one name, that is the guess.
        return networks.FindAll(one => !one.Guest) is [var only] ? Join(only, room) : null;
    }

    /// <summary>It hears best the box that sends the name in its own room, where there is one.</summary>
    private (Attachment, string) Join(WifiNetwork network, string? room)
    {
        var near = room is null ? [] : state.Air.Where(one => one.Network.Ssid == network.Ssid && Rooms.AreSame(house, one.Box.Room, room)).Select(one => one.Box).DistinctBy(box => box.Id).ToList();
        return (new Attachment.Join { Ssid = network.Ssid, Key = network.Key, Security = network.Security, Near = near is [var only] ? only.Id : null },
            $"Taken as on Wi-Fi {network.Ssid}{(near is [var box] ? $" of {box.Name}, which stands there" : "")}");
    }

    /// <summary>By cable, and one box alone stands in its room.</summary>
    private (Attachment, string)? Plugged(string? room)
    {
        if (room is null || house.Devices.Where(box => Rooms.AreSame(house, box.Room, room) && box.Ports.Any(port => port.Role == PortRole.Lan)).ToList() is not [var box]) return null;
        var socket = box.Ports.Where(port => port.Role == PortRole.Lan).Select(port => new Socket(box.Id, port.Id)).FirstOrDefault(one => house.OccupantOf(one) is null && !taken.Contains(one));
        if (socket == default) return null;
        taken.Add(socket);
        return (Attachment.To(socket), $"Taken as plugged into {house.SocketName(socket)}, of the one box in its room");
    }

    private static bool Has(string by, string[] words) => Array.Exists(words, word => by.Contains(word, StringComparison.OrdinalIgnoreCase));
}
