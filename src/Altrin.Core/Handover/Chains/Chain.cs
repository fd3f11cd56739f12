using Altrin.Core.Handover.Holding;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Handover.Chains;

/// <param name="Kind">“box”, or what a thing is.</param>
/// <param name="Mode">Null for a thing.</param>
internal sealed record ChainNode(string Id, string Name, string? Kind, string? Mode, string? Address, string? Room)
{
    public IEnumerable<(string Field, string Value)> Fields() =>
        Some(("name", Name), ("kind", Kind), ("mode", Mode), ("address", Address), ("room", Room));

    internal static IEnumerable<(string Field, string Value)> Some(params (string Field, string? Value)[] fields) =>
        from one in fields where !string.IsNullOrEmpty(one.Value) select (one.Field, one.Value!);
}

/// <param name="FromSocket">Null for a radio.</param>
/// <param name="ToSocket">Null for a radio, and at a thing.</param>
/// <param name="Mbps">What the two ends agreed on; null where one has no power, and for a thing on Wi-Fi.</param>
internal sealed record ChainEdge(string From, string To, string Medium, string? FromSocket, string? ToSocket, double? Mbps)
{
    public IEnumerable<(string Field, string Value)> Fields() =>
        ChainNode.Some(("medium", Medium), ("from_socket", FromSocket), ("to_socket", ToSocket), ("mbps", Tables.Csv.Number(Mbps)));
}

/// <summary>Boxes and things as nodes, cables, joins and wires as edges. Undirected.</summary>
internal sealed record Chain(string Name, IReadOnlyList<ChainNode> Nodes, IReadOnlyList<ChainEdge> Edges)
{
    private const string Radio = "radio";

    public static Chain Of(HandoverGround ground) => new(ground.House.Name, [.. NodesOf(ground)], [.. EdgesOf(ground)]);

    private static IEnumerable<ChainNode> NodesOf(HandoverGround ground)
    {
        foreach (var box in ground.House.Devices)
            yield return new(box.Id, box.Name, "box", Words<DeviceMode>.Of(box.Mode),
                ground.Holders.OfLan(box).Address?.Address.ToString(), ground.RoomOf(box.Room));
        foreach (var thing in ground.House.Endpoints)
            yield return new(thing.Id, thing.Name, thing.Kind, null, ground.Holders.OfThing(thing).Address?.Address.ToString(),
                ground.RoomOf(thing.Room));
    }

    private static IEnumerable<ChainEdge> EdgesOf(HandoverGround ground)
    {
        var house = ground.House;
        foreach (var cable in house.Cables)
            yield return new(cable.A.Device, cable.B.Device, Words<Medium>.Of(cable.Medium), cable.A.Port, cable.B.Port,
                SocketRates.Agreed(house, cable));
        foreach (var link in ground.State.AirMap.Links)
            yield return new(house.Devices[link.From].Id, house.Devices[link.To].Id, Radio, null, null, RateAnswer.Round(link.LinkMbps));
        foreach (var thing in house.Endpoints)
        {
            if (thing.Connect?.Socket is { } socket) yield return new(socket.Device, thing.Id, Words<Medium>.Of(Medium.Ethernet),
                socket.Port, null, SocketRates.Of(house, socket));
            else if (ground.State.JoinedBox(thing.Id) is { } box) yield return new(box, thing.Id, Radio, null, null, null);
        }
    }
}
