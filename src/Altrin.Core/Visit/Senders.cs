using Altrin.Core.Network;

namespace Altrin.Core.Visit;

/// <summary>Which box of the house sends under a BSSID, told by the MAC on its label.</summary>
/// <remarks>A radio has the label’s MAC, the same with another first octet (a locally administered one, IEEE 802), or one counted on from
/// it. Common practice, no source.</remarks>
internal sealed class Senders(NetworkDocument house)
{
    /// <summary>Radios and guest networks of one box that are counted on from its MAC.</summary>
    private const ulong CountedOn = 4;

    private readonly List<Device> labelled = [.. house.Devices.Where(box => box.Mac is not null)];
    private readonly HashSet<MacAddress> others = [.. house.Endpoints.Select(thing => thing.Mac).OfType<MacAddress>()];

    /// <returns>Null where it is nobody’s of the house, or where two boxes could be meant.</returns>
    public Device? Of(string? bssid)
    {
        if (!MacAddress.TryParse(bssid, out var mac) || others.Contains(mac)) return null;
        return Only(box => box.Mac!.Value == mac)
            ?? Only(box => mac.IsLocallyAdministered && box.Mac!.Value.WithoutFirstOctet == mac.WithoutFirstOctet)
            ?? labelled.Where(box => mac.Value - box.Mac!.Value.Value is > 0 and <= CountedOn).MaxBy(box => box.Mac!.Value.Value);
    }

    private Device? Only(Func<Device, bool> isIt) => labelled.Where(isIt).ToList() is [var only] ? only : null;
}
