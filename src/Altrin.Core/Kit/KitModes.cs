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
    bool NamesPartner, bool Routes);

/// <summary>What a box of a kind may be meant to be.</summary>
/// <param name="Part">Empty: whatever is best; <see cref="KitModes.MainRouter"/>; or a mode, as a pin names it.</param>
public sealed record PartChoice(string Part, string Say);

public static class KitModes
{
    /// <returns>As it is sold first; none for a pair.</returns>
    public static ImmutableArray<KitMode> Of(KitKind kind) => kind.Sold is { } sold
        ? [.. sold.Supports.Prepend(sold.Mode).Distinct().Select(mode => Of(sold, Modes.Of(mode)))]
        : [];

    /// <summary>The part of the router that everybody gets out through: a want, and no mode.</summary>
    public const string MainRouter = "main-router";

    /// <summary>The parts that a box of the kind can play, as an installer says them. A router without access-point mode is made one by hand.</summary>
    public static ImmutableArray<PartChoice> Parts(KitKind kind)
    {
        var modes = Of(kind);
        var routes = modes.Any(one => one.Routes);
        var parts = modes.Where(one => !one.Routes).Select(one => new PartChoice(Words<DeviceMode>.Of(one.Mode), one.Say))
            .Prepend(new("", "whatever is best"));
        var plain = Modes.All.First(one => one.IsAccessPoint);
        if (routes && !modes.Any(one => one.Mode == plain.Mode))
            parts = parts.Append(new(Words<DeviceMode>.Of(plain.Mode), $"{plain.Say}, by hand"));
        return [.. routes ? parts.Append(new(MainRouter, "the router for everybody")) : parts];
    }

    private static KitMode Of(Device sold, ModeTraits traits)
    {
        string? First(PortRole role) => sold.Ports.FirstOrDefault(port => port.Role == role)?.Id;
        var socket = traits.Wan == WanSide.Apart ? First(PortRole.Wan) ?? First(PortRole.Lan) : First(PortRole.Lan) ?? First(PortRole.Wan);
        return new(traits.Mode, traits.Say, socket, traits.BridgesByRadio && !sold.Radios.IsEmpty, traits.AlwaysAsks
            && traits.BridgesByRadio,
            traits.OnlyBridges && sold.Lan?.DhcpServer is not null, traits.NeedsFixedChannel, traits.IsRouter);
    }
}
