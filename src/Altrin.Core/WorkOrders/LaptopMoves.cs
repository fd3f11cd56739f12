using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders.Search;

namespace Altrin.Core.WorkOrders;

/// <summary>Where the laptop has to be so that a page opens.</summary>
internal static class LaptopMoves
{
    /// <summary>Plugs the laptop into the box, automatic; a fixed address only where automatic does not open the page.</summary>
    /// <param name="asAThing">To prove what a thing of the household would have there: an address of its own is given up wherever the page opens without.</param>
    public static void ToPageOf(WorkInProgress work, string device, bool asAThing = false)
    {
        if (work.Hands != Hands.Laptop)
        {
            OverTheAir(work, device);
            return;
        }
        var isThere = work.Laptop?.Connect?.Socket?.Device == device;
        if (asAThing && isThere && work.Laptop!.Address.Method == EndpointMethod.Static && OpensAutomatic(work, device)) LaptopSteps.Automatic(work);
        if (isThere && work.PageOpens(device)) return;
        var box = work.House.FindDevice(device)!;
        var isAutomatic = work.Laptop is { Address.Method: EndpointMethod.Dhcp };
        if (!isThere && SocketFor(work, box) is { } socket && !(isAutomatic && work.Laptop!.Connect?.Socket == socket))
        {
            var wasFixed = work.Laptop?.Address.Method == EndpointMethod.Static;
            LaptopSteps.Plug(work, new(socket), wasFixed ? [new SetLaptopAddress(null)] : []);
        }
        if (!work.PageOpens(device) && LaptopSteps.FreeBeside(work.State, device) is { } own) LaptopSteps.FixAddress(work, own);
    }

    /// <summary>Without a socket: onto the box's own Wi-Fi, else onto another of its network; always automatic, as a thing of the household is.</summary>
    private static void OverTheAir(WorkInProgress work, string device)
    {
        var away = Laptop.Away(work.House);
        var isFixed = work.Laptop is { Address.Method: EndpointMethod.Static };
        foreach (var join in Spots.ByAir(away, work.Played.Of(away), device))
        {
            if (!new WorkInProgress(join.Apply(away), work.Planned, work.Played).PageOpens(device)) continue;
            if (isFixed) LaptopSteps.Automatic(work);
            if (!SameWritten.Are(join.Apply(work.House).FindEndpoint(Laptop.Id), work.Laptop)) LaptopSteps.Join(work, join);
            return;
        }
    }

    private static bool OpensAutomatic(WorkInProgress work, string device)
    {
        var trial = new WorkInProgress(new SetLaptopAddress().Apply(work.House), work.Planned, work.Played);
        return trial.PageOpens(device);
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
}
