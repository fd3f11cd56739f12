using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;

namespace Altrin.Core.WorkOrders;

/// <summary>What has to be touched to get from one house to the other, sorted by how it is done.</summary>
internal sealed class Undertaking
{
    /// <param name="resets">Boxes that have to be reset whatever changes on them.</param>
    public Undertaking(NetworkDocument found, NetworkDocument planned, Played played, ImmutableHashSet<string>? resets = null)
    {
        Planned = planned;
        var changed = planned.Devices.Where(device => found.FindDevice(device.Id) is { } old && !BoxWork.SameSettings(old, device)).ToList();
        // The box at the line stays where it is and keeps its settings: the household lives on it. Any other box that could
        // be a router is set alone, after a reset (common practice, no source), but not for a switch or a name on its page.
        var added = planned.Devices.Where(device => found.FindDevice(device.Id) is null).ToList();
        Alone = [.. changed.Where(device => IsMadeAnew(found.FindDevice(device.Id)!, device) || !OpensInPlace(found, planned, device.Id, played)).Concat(added)
            .Where(device => device.Id != planned.Line?.Device && device.CanRoute)
            .Union(resets is null ? [] : planned.Devices.Where(device => resets.Contains(device.Id)))];
        InPlace = [.. changed.Where(device => !Alone.Contains(device))];
        BroughtIn = [.. added.Where(device => !Alone.Contains(device))];
        TakenAway = [.. found.Devices.Where(device => planned.FindDevice(device.Id) is null)];
        Gone = [.. found.Endpoints.Where(thing => planned.FindEndpoint(thing.Id) is null)];
        CablesOut = [.. found.Cables.Where(cable => planned.FindCable(cable.Id) is not { } same || same != cable)];
        HandsOn = [.. planned.Devices.Where(box => ReceiverOf(planned, box) is { } now && (found.FindDevice(box.Id) is not { } old || ReceiverOf(found, old) != now))
            .Select(box => (box, ReceiverOf(planned, box)!))];
        Things = [.. planned.Endpoints.Where(endpoint => found.FindEndpoint(endpoint.Id) is not { } old || !SameWritten.Are(old, endpoint))];
    }

    /// <summary>Another mode, another address of its own, or the kind of network it makes: a box with a new part to play.</summary>
    private static bool IsMadeAnew(Device old, Device planned) => old.Mode != planned.Mode || old.Lan?.Address != planned.Lan?.Address
        || (planned.Traits.IsRouter && old.Lan?.DhcpServer?.Enabled != planned.Lan?.DhcpServer?.Enabled);

    /// <summary>Whether its page opens where it stands, from some socket and with some address: tried on the simulated house.</summary>
    private static bool OpensInPlace(NetworkDocument found, NetworkDocument planned, string device, Played played)
    {
        var trial = new WorkInProgress(found, planned, played);
        LaptopMoves.ToPageOf(trial, device);
        return trial.PageOpens(device);
    }

    public NetworkDocument Planned { get; }

    /// <summary>Boxes taken out, reset and set with nothing but the laptop on them.</summary>
    public ImmutableArray<Device> Alone { get; }

    /// <summary>Boxes set where they stand.</summary>
    public ImmutableArray<Device> InPlace { get; }

    /// <summary>New boxes with nothing to set: put in their place.</summary>
    public ImmutableArray<Device> BroughtIn { get; }

    public ImmutableArray<Device> TakenAway { get; }

    /// <summary>Things that are in the house no more.</summary>
    public ImmutableArray<Endpoint> Gone { get; }

    /// <summary>Cables, as found, that go or end elsewhere.</summary>
    public ImmutableArray<Cable> CablesOut { get; }

    public ImmutableArray<Endpoint> Things { get; }

    /// <summary>Gateways that shall hand the line's own address to another box than before, as modem or by pass-through, and that box.</summary>
    public ImmutableArray<(Device Gateway, string Router)> HandsOn { get; }

    private static string? ReceiverOf(NetworkDocument house, Device gateway) => gateway switch
    {
        { Traits.HandsLineOn: true, PassthroughTo: { } target } when house.FindDevice(target) is not null => target,
        { Traits.IsModem: true } when house.Line?.Device == gateway.Id => house.Devices.FirstOrDefault(box => box.Ports.Any(port => port.Role == PortRole.Wan
            && house.Cables.Any(cable => (cable.A == new Socket(box.Id, port.Id) && cable.B.Device == gateway.Id) || (cable.B == new Socket(box.Id, port.Id) && cable.A.Device == gateway.Id))))?.Id,
        _ => null,
    };
}
