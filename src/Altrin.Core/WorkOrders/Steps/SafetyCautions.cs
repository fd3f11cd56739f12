using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.WorkOrders.Steps;

/// <summary>What can hurt where a cable is laid. Common practice, no source; local codes and licensed practice come first.</summary>
internal static class SafetyCautions
{
    private static readonly string[] High = ["loft", "attic", "roof", "ceiling"];

    public static ImmutableArray<string> OfCable(NetworkDocument house, Cable cable)
    {
        var cautions = ImmutableArray.CreateBuilder<string>();
        var rooms = new[] { cable.A.Device, cable.B.Device }.Select(id => house.FindDevice(id)?.Room).ToList();
        if (cable.Medium == Medium.Powerline)
        {
            cautions.Add("Powerline plugs go straight into the wall: no strips with surge filters, no damp places, and never open a mains "
                + "device. Fixed wiring is for a licensed electrician.");
            cautions.Add("Pair the one at the router first, then the far one; wait until the lamps stop blinking.");
        }
        else if (Buildings.Between(house, rooms[0], rooms[1]) != BuildingsApart.No)
            cautions.Add("A copper cable between buildings can carry lightning and a difference of earth potential. Fibre or wireless is "
                + "preferred; protectors are for a licensed person, and local codes come first.");
        if (Has(rooms, High))
            cautions.Add("Ladder and loft: somebody holds the ladder, tread on joists alone, and look for pipes and cables before you "
                + "drill.");
        return cautions.ToImmutable();
    }

    /// <summary>A box that is powered by its injector: which side goes where.</summary>
    /// <param name="powered">The socket of the box.</param>
    /// <param name="other">What the data side goes into.</param>
    public static IEnumerable<string> OfInjector(NetworkDocument house, Socket powered, Socket? other)
    {
        if (house.FindDevice(powered.Device) is not { Injector: true } box || box.FindPort(powered.Port)?.PoeNeeds is null) yield break;
        var data = other is null ? "your laptop" : house.SocketName(other);
        yield return $"Through its injector: the data side (LAN, IN) to {data}, the power side (PoE, OUT) to {house.SocketName(powered)}. The "
            + "power side goes into nothing else.";
    }

    private static bool Has(List<string?> rooms, string[] words) =>
        rooms.Exists(room => words.Any(word => room?.Contains(word, StringComparison.OrdinalIgnoreCase) == true));
}
