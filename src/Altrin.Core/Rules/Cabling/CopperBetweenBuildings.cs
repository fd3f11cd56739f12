using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Rules.Cabling;

/// <summary>A cable of copper that joins two buildings.</summary>
/// <remarks>It takes lightning and the difference between two earths from the one house into the other. Nothing that a page sets mends it.</remarks>
public sealed class CopperBetweenBuildings : IRule
{
    public string Id => "copper-between-buildings";
    public string Statement => "Between two buildings goes fibre or radio, or copper with protectors that a licensed person has fitted at both ends.";
    public string Source => "IEC 62305-4 and IEC 60364-4-44 (surge protection, common earthing); values from memory";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var cable in facts.House.Cables)
        {
            if (cable.Medium != Medium.Powerline && Buildings.Between(facts.House, RoomOf(facts, cable.A), RoomOf(facts, cable.B)) == BuildingsApart.Yes)
                yield return Found(facts, cable);
        }
    }

    private Finding Found(Facts facts, Cable cable) => new(Id, Severity.Caution, "Copper between two buildings", [cable.A.Device, cable.B.Device],
        () => $"The cable between {facts.House.SocketName(cable.A)} and {facts.House.SocketName(cable.B)} goes from one building into another. A stroke of lightning nearby, or the difference between the two earths, goes along it into both. "
            + "Fibre or a radio link is preferred; else a licensed person fits protectors at both ends. Local codes come first.", () => [], cable.Id);

    private static string? RoomOf(Facts facts, Socket socket) => facts.FindDevice(socket.Device)?.Room;
}
