using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.WorkOrders.Steps;

/// <summary>Where the laptop can be so that a page opens: where it is; in a socket of the box or of its network; on its Wi-Fi; with an
/// address of its
/// own only where automatic does not do.</summary>
internal sealed class Spots(Hands hands, NetworkDocument planned)
{
    /// <summary>A house and the same without the laptop, each simulated when it is asked for.</summary>
    private sealed class Looked(NetworkDocument house)
    {
        private NetworkState? state, withoutLaptop;

        public NetworkDocument House => house;
        public NetworkDocument Away { get; } = Laptop.Away(house);
        public NetworkState State => state ??= Simulator.Run(house);
        public NetworkState WithoutLaptop => withoutLaptop ??= ReferenceEquals(Away, House) ? State : Simulator.Run(Away);
    }

    /// <summary>The search asks for one page after the other from one house.</summary>
    private Looked? last;

    /// <summary>Where a box is proved: in a socket of it, or on its Wi-Fi, asking for its address as a thing of the household would
    /// wherever the page opens so.</summary>
    /// <returns>As <see cref="ToPage"/>.</returns>
    public ImmutableArray<InstallerAction>? AsAThingAt(NetworkDocument house, string device)
    {
        if (house.FindEndpoint(Laptop.Id) is not { } laptop) return ToPage(house, device, out _);
        var isFixed = laptop.Address.Method == EndpointMethod.Static;
        if (IsAtBox(laptop, device))
        {
            if (isFixed && Try(house, [new SetLaptopAddress()], device, out _)) return [new SetLaptopAddress()];
            if (Opens(Look(house).State, device)) return [];
        }
        return Anew(house, device, out _);
    }

    private bool IsAtBox(Endpoint laptop, string device) =>
        hands == Hands.Laptop ? laptop.Connect?.Socket?.Device == device : (laptop.Connect as Attachment.Join)?.Near == device;

    /// <returns>The moves that bring it there, none where it stays; null where there is no such spot.</returns>
    public ImmutableArray<InstallerAction>? ToPage(NetworkDocument house, string device, out NetworkDocument moved)
    {
        moved = house;
        return house.FindEndpoint(Laptop.Id) is not null && Opens(Look(house).State, device) ? [] : Anew(house, device, out moved);
    }

    private Looked Look(NetworkDocument house) => ReferenceEquals(last?.House, house) ? last : last = new(house);

    private ImmutableArray<InstallerAction>? Anew(NetworkDocument house, string device, out NetworkDocument moved)
    {
        moved = house;
        Look(house);
        var (away, state) = (last!.Away, last.WithoutLaptop);
        foreach (var spot in Places(away, state, device))
        {
            var isThere = house.FindEndpoint(Laptop.Id) is { } laptop && IsAt(laptop, spot);
            ImmutableArray<InstallerAction> join = isThere ? [] : [spot];
            var isFixed = house.FindEndpoint(Laptop.Id)?.Address.Method == EndpointMethod.Static;
            // Over the air it joins as any thing does; a plug comes before what is typed.
            ImmutableArray<InstallerAction> automatic = !isFixed ? join : spot is JoinLaptop ? [new SetLaptopAddress(), .. join]
                : [.. join, new SetLaptopAddress()];
            if (Try(house, automatic, device, out moved) && !automatic.IsEmpty) return automatic;
            if (FreeBeside(state, device) is not { } own) continue;
            ImmutableArray<InstallerAction> set = [.. join, new SetLaptopAddress(own)];
            if (Try(house, set, device, out moved)) return set;
        }
        return null;
    }

    private static bool Opens(NetworkState state, string device) =>
        state.Admin(Laptop.Id, device) is { Reachable: Answer.Yes, Address: { } address } && !AddressRanges.LinkLocal.Contains(address);

    private static bool Try(NetworkDocument house, ImmutableArray<InstallerAction> actions, string device, out NetworkDocument moved)
    {
        moved = house;
        foreach (var action in actions)
        {
            if (action.Problem(moved) is not null) return false;
            moved = action.Apply(moved);
        }
        return Opens(Simulator.Run(moved), device);
    }

    private static bool IsAt(Endpoint laptop, InstallerAction spot) => spot switch
    {
        PlugLaptop plug => laptop.Connect?.Socket == plug.To,
        JoinLaptop join => laptop.Connect is Attachment.Join now
            && (now.Ssid, now.Near, now.Key, now.Security ?? WifiSecurity.Open) == (join.Ssid, join.Near, join.Key, join.Security),
        _ => false,
    };

    private IEnumerable<InstallerAction> Places(NetworkDocument house, NetworkState state, string device)
    {
        if (hands == Hands.Laptop)
        {
            var segment = state.InsideOf(device);
            var free = house.Devices.SelectMany(box =>
                box.Ports.Where(port => port.Role == PortRole.Lan).Select(port => new Socket(box.Id, port.Id))).Where(socket =>
                    house.OccupantOf(socket) is null).ToList();
            // At the box itself before elsewhere on its network; a socket that the plan does not need before one that is only free for now.
            foreach (var socket in free.Where(socket =>
                socket.Device == device || (segment >= 0 && state.SegmentOf(socket) == segment)).OrderBy(socket =>
                    socket.Device != device).ThenBy(socket => planned.OccupantOf(socket) is not null))
                yield return new PlugLaptop(socket);
        }
        foreach (var join in ByAir(house, state, device)) yield return join;
    }

    /// <summary>The networks over which its page may open.</summary>
    public static IEnumerable<JoinLaptop> ByAir(NetworkDocument house, NetworkState state, string device)
    {
        var box = house.FindDevice(device)!;
        // On the box's own network first; a box on the table is in use while the laptop is on it.
        if (box.SendsWifi)
            foreach (var network in box.Wifi.Where(network => network is { Enabled: true, Guest: false })) yield return Join(box, network);
        var inside = state.InsideOf(device);
        foreach (var one in state.Air.Where(one => one.Segment == inside && inside >= 0 && one.Box.Id != device && !one.Network.Guest))
            yield return Join(one.Box, one.Network);
    }

    private static JoinLaptop Join(Device box, WifiNetwork network) => new(network.Ssid, box.Id, network.Security, network.Key);

    /// <summary>An address in the subnet of a box's page that nobody holds, from the top down; null where the box has no page or no room is
    /// left.</summary>
    public static InterfaceAddress? FreeBeside(NetworkState state, string device)
    {
        // On the table nothing of it is computed yet: then its settings say it.
        if ((state.Lan(device)?.Address ?? state.House.FindDevice(device)?.Lan?.Address) is not { } page
            || AddressRanges.LinkLocal.Contains(page.Address)) return null;
        var held = state.Interfaces.SelectMany(one => one.Candidates).Select(one => one.Address?.Address).ToHashSet();
        return page.Prefix.LastFree(address => address == page.Address || held.Contains(address)) is { } free
            ? new(free, page.Prefix.Length) : null;
    }
}
