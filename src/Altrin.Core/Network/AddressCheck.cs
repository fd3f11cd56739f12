namespace Altrin.Core.Network;

/// <summary>Whether an address can be typed into a thing's settings at all.</summary>
public static class AddressCheck
{
    /// <summary>Why not, with the mend; null when it can.</summary>
    /// <param name="isBox">A box's page refuses the network and the broadcast address; the panel of a printer or a camera
    /// often takes them, so for endpoints they are a fault of the house, not of the document.</param>
    public static string? WhyNot(InterfaceAddress address, bool isBox)
    {
        if (AddressRanges.WhyNoHost(address.Address) is { } why) return $"{address.Address} {why}, which no device may hold.";
        if (!isBox || address.Prefix.IsUsable(address.Address)) return null;
        var prefix = address.Prefix;
        var kind = address.Address == prefix.Network ? "network" : "broadcast";
        var range = prefix.Length >= 24
            ? $"{prefix.FirstUsable.LastNumber} to {prefix.LastUsable.LastNumber}"
            : $"{prefix.FirstUsable} to {prefix.LastUsable}";
        return $"{address} is the {kind} address of {prefix}, which no box may hold. Use {range}.";
    }
}
