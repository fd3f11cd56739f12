using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Kit;

/// <summary>What a box of a kind may be found set as, and how it then hangs on the house.</summary>
/// <param name="Socket">Where the cable from the house goes; null where it has no socket.</param>
/// <param name="Joins">It may hang on by radio instead.</param>
/// <param name="SendsWhatItJoins">It has no name of its own to set: it sends the one that it joins.</param>
/// <param name="MayGive">It only bridges, and its own DHCP server answers all the same where it is left on.</param>
/// <param name="NamesPartner">Its link is to one box, which it names.</param>
public sealed record KitMode(DeviceMode Mode, string Say, string? Socket, bool Joins, bool SendsWhatItJoins, bool MayGive,
    bool NamesPartner);

public static class KitModes
{
    /// <returns>As it is sold first; none for a pair.</returns>
    public static ImmutableArray<KitMode> Of(KitKind kind) => kind.Sold is { } sold
        ? [.. sold.Supports.Prepend(sold.Mode).Distinct().Select(mode => Of(sold, Modes.Of(mode)))]
        : [];

    private static KitMode Of(Device sold, ModeTraits traits)
    {
        string? First(PortRole role) => sold.Ports.FirstOrDefault(port => port.Role == role)?.Id;
        var socket = traits.Wan == WanSide.Apart ? First(PortRole.Wan) ?? First(PortRole.Lan) : First(PortRole.Lan) ?? First(PortRole.Wan);
        return new(traits.Mode, traits.Say, socket, traits.BridgesByRadio && !sold.Radios.IsEmpty, traits.AlwaysAsks
            && traits.BridgesByRadio,
            traits.OnlyBridges && sold.Lan?.DhcpServer is not null, traits.NeedsFixedChannel);
    }
}
