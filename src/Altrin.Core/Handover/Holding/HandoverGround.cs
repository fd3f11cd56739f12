using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Handover.Holding;

/// <summary>A house with its state, as everything that is handed over reads it.</summary>
internal sealed class HandoverGround(NetworkState state)
{
    public NetworkState State { get; } = state;

    public NetworkDocument House => State.House;

    public Holders Holders { get; } = new(state);

    /// <summary>The listed room's name; its id where that name leads to another room; else as it is written.</summary>
    public string? RoomOf(string? word)
    {
        if (Rooms.Find(House, word) is not { } room) return word;
        return Rooms.Find(House, room.Name)?.Id == room.Id ? room.Name : room.Id;
    }

    /// <summary>The networks of a box that are on the air, in document order.</summary>
    public IEnumerable<WifiNetwork> OnAir(Device box) => State.Air.Where(one => one.Box.Id == box.Id).Select(one => one.Network);

    /// <summary>The networks on the air, each name once for each password.</summary>
    public IEnumerable<WifiNetwork> Networks =>
        State.Air.Select(one => one.Network).DistinctBy(network => (network.Ssid, network.Key, network.Security));

    public string? PageOf(Device box) => box.Traits.BreaksLoops && box.Traits.AlwaysAsks || Holders.OfLan(box).Address is not { } own ? null
        : $"http://{own.Address}";
}
