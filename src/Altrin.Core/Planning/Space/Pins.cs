using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Planning.Space;

/// <summary>What the installer says of a plan beforehand: this box in this mode, or never in that one.</summary>
public sealed record Pin(string Device, DeviceMode Mode, bool IsForbidden);

/// <summary>All that was pinned or forbidden; what is not spoken of is free.</summary>
public sealed record Pins(ImmutableArray<Pin> All)
{
    public static readonly Pins None = new([]);

    /// <summary>Whether a box may be used so. One that is pinned is used.</summary>
    public bool Allow(string device, BoxUse use) => All.All(pin => pin.Device != device
        || (pin.IsForbidden ? !use.IsUsed || Role(use) != pin.Mode : use.IsUsed && Role(use) == pin.Mode));

    /// <summary>A router that is made an access point by hand is one.</summary>
    private static DeviceMode Role(BoxUse use) => use.ByHand ? DeviceMode.AccessPoint : use.Mode;
}
