using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>What is said of an address at the house's end of the line.</summary>
/// <remarks>Until it was seen or agreed a house is computed with a stand-in (section 3, rule 3 of the format). Nobody ever saw that number:
/// it is never shown.</remarks>
public static class LineWords
{
    public const string Own = "the line’s own address", Shared = "the line’s own address, shared with other customers";

    /// <summary>Whether the number stands for an address that nobody has seen or agreed.</summary>
    public static bool IsStandIn(NetworkDocument house, Ipv4Address address)
    {
        if (house.Line is not { } line || (line.HandOff == HandOff.Static ? line.Agreed : line.Seen) is not null) return false;
        var standIn = LineNumbers.IsSharedLine(line) ? LineNumbers.SharedLine : LineNumbers.PublicLine;
        return standIn.Contains(address) && !IsSetByHand(house, address);
    }

    /// <summary>The number, or what is known of it.</summary>
    public static string Say(NetworkDocument house, Ipv4Address address) =>
        !IsStandIn(house, address) ? address.ToString() : LineNumbers.IsSharedLine(house.Line!) ? Shared : Own;

    /// <summary>The same where it is said beside it that the line is shared.</summary>
    public static string SayShort(NetworkDocument house, Ipv4Address address) => IsStandIn(house, address) ? Own : address.ToString();

    /// <summary>A fixed address on a line of fixed address is one that somebody wrote down.</summary>
    private static bool IsSetByHand(NetworkDocument house, Ipv4Address address) =>
        house.Devices.Any(box => box.Wan is { Address: { } own } wan && (own.Address == address || wan.Gateway == address))
        || house.Endpoints.Any(thing => thing.Address is { Address: { } own } set && (own.Address == address || set.Gateway == address));
}
