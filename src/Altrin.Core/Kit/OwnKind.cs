using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Kit;

/// <summary>A kind made of a box that an installer has before him.</summary>
public static class OwnKind
{
    /// <summary>What belongs to that one box and its house goes: name, room, MAC, what it joins, what it forwards, who uses it.</summary>
    /// <param name="like">The kind it was taken from, whose words it keeps; null for none.</param>
    public static KitKind Of(Device box, string kit, string name, KitKind? like)
    {
        var server = box.Lan?.DhcpServer;
        var sold = box with
        {
            Id = "box",
            Name = "Box",
            Room = null,
            At = null,
            Mac = null,
            Kit = null,
            Off = null,
            LeaveAsFound = null,
            MustUse = null,
            KeptApart = null,
            PortForwards = [],
            DmzHost = null,
            PassthroughTo = null,
            Uplink = null,
            Lan = box.Lan is null ? null : box.Lan with { DhcpServer = server is null ? null : server with { Reservations = [] } },
            Wifi = [.. box.Wifi.Where(network => !network.Guest).Select(network =>
                network with { Key = network.Key is null ? null : KitKind.AsSold })],
            Unknown = null,
        };
        return new(kit, name, GroupOf(box), $"Your own kind, made of {box.Name}.", null, sold,
            like?.SetUp ?? KitSetUp.Usual,
            like?.Menus ?? ImmutableDictionary<MenuItem, string>.Empty, like?.Lamps ?? ImmutableDictionary<Lamp, string>.Empty);
    }

    /// <summary>What may be a router is sold as one, and as a gateway where it can hand the line on too.</summary>
    private static KitGroup GroupOf(Device box) => box switch
    {
        { Traits.Shelf: KitGroup.Gateway or KitGroup.Mesh or KitGroup.Switch } => box.Traits.Shelf,
        { Traits.IsRouter: true } when box.ModeThat(mode => mode.AtTheLine is not null) is not null => KitGroup.Gateway,
        { CanRoute: true } => KitGroup.Router,
        _ => box.Traits.Shelf,
    };
}
