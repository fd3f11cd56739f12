using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.WorkOrders;

/// <summary>Where the laptop has to be so that a page opens.</summary>
internal static class LaptopMoves
{
    /// <summary>Plugs the laptop into the box, automatic; a fixed address only where automatic does not open the page.</summary>
    public static void ToPageOf(WorkInProgress work, string device)
    {
        var isThere = work.Laptop?.Connect?.Socket?.Device == device;
        if (isThere && work.PageOpens(device)) return;
        var box = work.House.FindDevice(device)!;
        var isAutomatic = work.Laptop is { Address.Method: EndpointMethod.Dhcp };
        if (!isThere && SocketFor(work, box) is { } socket && !(isAutomatic && work.Laptop!.Connect?.Socket == socket))
        {
            var actions = work.Laptop?.Address.Method == EndpointMethod.Static
                ? ImmutableArray.Create<InstallerAction>(new PlugLaptop(socket), new SetLaptopAddress(null))
                : [new PlugLaptop(socket)];
            work.Step(new("Laptop there", $"Plug your laptop into {work.House.SocketName(socket)}")
            {
                Actions = actions,
                NeedsLaptop = true,
                Expect = after => after.LaptopShows(),
                Cautions = ["Turn the laptop's Wi-Fi off, or it may talk to another box than the one on the cable."],
            });
        }
        if (!work.PageOpens(device)) FixAddress(work, box);
    }

    /// <summary>A free LAN socket of the box itself, one that the plan does not need before one that is free for now; else of another box
    /// on the same segment.</summary>
    private static Socket? SocketFor(WorkInProgress work, Device box)
    {
        var house = Laptop.Away(work.House);
        var segment = work.State.InsideOf(box.Id);
        var free = house.Devices.SelectMany(device => device.Ports.Where(port => port.Role == PortRole.Lan).Select(port => new Socket(device.Id, port.Id)))
            .Where(socket => house.OccupantOf(socket) is null && work.State.SegmentOf(socket) == segment);
        return free.OrderBy(socket => socket.Device != box.Id).ThenBy(socket => work.Planned.OccupantOf(socket) is not null).FirstOrDefault();
    }

    private static void FixAddress(WorkInProgress work, Device box)
    {
        if (work.State.Lan(box.Id)?.Address is not { } page || FreeBeside(work, box, page) is not { } own) return;
        work.Step(new("Laptop address", $"Give your laptop the fixed address {own.Address}")
        {
            Actions = [new SetLaptopAddress(own)],
            NeedsLaptop = true,
            Changes = [new("IP address", "automatic", own.Address.ToString()), new("Subnet mask", null, MaskOf(own.Prefix)), new("Gateway", null, "leave empty")],
            Expect = after => after.LaptopShows(),
            Cautions = ["Set it back to automatic afterwards, or it will connect without internet elsewhere."],
        });
    }

    /// <summary>An address in the page's own subnet that nobody on the segment holds, from the top down.</summary>
    private static InterfaceAddress? FreeBeside(WorkInProgress work, Device box, InterfaceAddress page)
    {
        var held = work.State.OnSegment[work.State.InsideOf(box.Id)].SelectMany(one => one.Candidates)
            .Select(candidate => candidate.Address?.Address).ToHashSet();
        for (var address = page.Prefix.LastUsable; address >= page.Prefix.FirstUsable; address = new(address.Value - 1))
            if (!held.Contains(address)) return new(address, page.Prefix.Length);
        return null;
    }

    internal static string MaskOf(Prefix prefix) => new Ipv4Address(prefix.Mask).ToString();
}
