using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.WorkOrders.Proof;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.WorkOrders;

/// <summary>Which boxes play another part in the planned house than in the one as found.</summary>
internal sealed class NewParts
{
    private readonly NetworkDocument found, planned;

    public NewParts(NetworkDocument found, NetworkDocument planned, Played played)
    {
        (this.found, this.planned) = (found, planned);
        var changed = planned.Devices.Where(box => found.FindDevice(box.Id) is { } old && !SettingCatalogue.AreAlike(old, box)).ToList();
        var added = planned.Devices.Where(box => found.FindDevice(box.Id) is null);
        var spots = new Spots(Hands.Laptop, planned);
        // The box at the line stays where it is and keeps its settings: the household lives on it.
        Anew = [.. changed.Where(box =>
            IsMadeAnew(found.FindDevice(box.Id)!, box) || spots.ToPage(found, box.Id, out _) is null).Concat(added)
            .Where(box => box.Id != planned.Line?.Device && box.CanRoute)];
        InPlace = [.. changed.Where(box => !Anew.Contains(box))];
        HandsOn = [.. from box in planned.Devices
                      let receiver = ReceiverOf(planned, box)
                      where receiver is not null && (found.FindDevice(box.Id) is not { } old || ReceiverOf(found, old) != receiver)
                      select (box, receiver)];
    }

    /// <summary>Boxes that the trade resets first and sets with nothing but the laptop on them: those that could be a router and get a part
    /// that they did not
    /// play, or whose page opens from nowhere. Common practice, no source; not for a switch or a name on its page.</summary>
    public ImmutableArray<Device> Anew { get; }

    /// <summary>Boxes set where they stand.</summary>
    public ImmutableArray<Device> InPlace { get; }

    /// <summary>Gateways that shall hand the line's own address to another box than before, as modem or by pass-through, and that
    /// box.</summary>
    public ImmutableArray<(Device Gateway, string Router)> HandsOn { get; }

    /// <summary>Another mode, another address of its own, or the kind of network it makes: a box with a new part to play.</summary>
    private static bool IsMadeAnew(Device old, Device planned) => old.Mode != planned.Mode || old.Lan?.Address != planned.Lan?.Address
        || (planned.Traits.IsRouter && old.Lan?.DhcpServer?.Enabled != planned.Lan?.DhcpServer?.Enabled);

    private static string? ReceiverOf(NetworkDocument house, Device gateway) => gateway switch
    {
        { Traits.HandsLineOn: true, PassthroughTo: { } target } when house.FindDevice(target) is not null => target,
        { Traits.IsModem: true } when house.Line?.Device == gateway.Id =>
            house.Devices.FirstOrDefault(box => IsByItsWan(house, box, gateway.Id))?.Id,
        _ => null,
    };

    private static bool IsByItsWan(NetworkDocument house, Device box, string gateway) =>
        box.Ports.Any(port => port.Role == PortRole.Wan && house.Cables.Any(cable =>
        (cable.A == new Socket(box.Id, port.Id) && cable.B.Device == gateway)
            || (cable.B == new Socket(box.Id, port.Id) && cable.A.Device == gateway)));

    /// <summary>What an order is called: the part that a box did not play before; else what is set, moved or plugged.</summary>
    public string Title()
    {
        if (Anew is [var only, ..]
            && (found.FindDevice(only.Id) is not { } old || !IsJoined(old) || PartOf(old with { Name = only.Name }) != PartOf(only)
                || only.KeptApart == true))
            return PartOf(only) ?? $"Set {only.Name}";
        if (Anew is [var first, ..]) return $"Set {first.Name}{More(Anew.Length + InPlace.Length - 1)}";
        if (InPlace is [var main, .. var rest])
        {
            var was = found.FindDevice(main.Id)!;
            var also = rest.IsEmpty ? "" : $" and set {rest.Length} more";
            if (was.Mode != main.Mode) return $"Put {main.Name} into {main.Mode.Say()} mode{also}";
            return main.Uplink is { } uplink && !SameWritten.Are(was.Uplink, uplink) ? $"Join {main.Name} to {uplink.Ssid}{also}"
                : $"Set {main.Name}{More(rest.Length)}";
        }
        var things = planned.Endpoints.Where(thing =>
            found.FindEndpoint(thing.Id) is not { } now || !SameWritten.Are(now, thing)).ToImmutableArray();
        return things is [var thing, .. var others] ? $"Set {thing.Name}{More(others.Length)}" : "Change the cables";
    }

    private static string More(int more) => more > 0 ? $" and {more} more" : "";

    /// <summary>The part a box plays once it is set; null for a router like any other.</summary>
    private static string? PartOf(Device box) => box switch
    {
        { Traits.IsAccessPoint: true } or { Traits.IsRouter: true, Lan.DhcpServer.Enabled: false } => $"Make {box.Name} an access point",
        { Traits.BridgesByRadio: true } => $"Make {box.Name} a {box.Mode.Say()}",
        { KeptApart: true } => $"Keep the network of {box.Name} apart",
        _ => null,
    };

    private bool IsJoined(Device box) =>
        box.Uplink is not null || found.Line?.Device == box.Id
            || found.Cables.Any(cable => cable.A.Device == box.Id || cable.B.Device == box.Id);
}
