using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Slow;

/// <summary>A second simulator, written from the format's page alone, for cabled houses: plain loops, no indexes, no memory.
/// It walks one packet at a time through one world (every race decided) and knows nothing of the fast one.</summary>
internal sealed class PlainHouse
{
    public sealed record Card(string Owner, string Kind, HashSet<string> Wire, string? Mac, bool Asks, bool IsPlugged)
    {
        public InterfaceAddress? Address { get; set; }
        public Ipv4Address? Gateway { get; set; }
        public string? Server { get; set; }
    }

    public sealed record Giver(string Device, HashSet<string> Wire, InterfaceAddress Own, AddressPool Pool, Ipv4Address Gateway, IReadOnlyList<Reservation> Reserved);

    private readonly NetworkDocument house;

    public PlainHouse(NetworkDocument house)
    {
        this.house = house;
        foreach (var device in house.Devices)
        {
            if (device.Mode == DeviceMode.Router && device.Ports.FirstOrDefault(p => p.Role == PortRole.Wan) is { } wan)
                Cards.Add(new(device.Id, "wan", WireOf($"{device.Id}/wan"), device.Mac?.ToString(), device.Wan?.Method is null or WanMethod.Dhcp or WanMethod.Pppoe, IsPlugged(device, wan)));
            if (device.Lan is null || (device.Mode == DeviceMode.Modem && device.Lan.Method == LanMethod.Dhcp)) continue;
            var lan = new Card(device.Id, "lan", WireOf(device.Id), device.Mode == DeviceMode.Router ? null : device.Mac?.ToString(),
                device.Lan.Method == LanMethod.Dhcp, device.Ports.Any(p => !(device.Mode == DeviceMode.Router && p.Role == PortRole.Wan) && IsLive(device, p) && IsPlugged(device, p)));
            if (device.Lan.Method == LanMethod.Static) lan.Address = device.Lan.Address;
            Cards.Add(lan);
        }
        foreach (var thing in house.Endpoints)
        {
            var wire = thing.Connect?.Socket is { } socket && SideOf(socket) is { } side ? WireOf(side) : [];
            var net = new Card(thing.Id, "net", wire, thing.Mac?.ToString(), thing.Address.Method == EndpointMethod.Dhcp, wire.Count > 0);
            if (thing.Address.Method == EndpointMethod.Static && wire.Count > 0) (net.Address, net.Gateway) = (thing.Address.Address, thing.Address.Gateway);
            Cards.Add(net);
        }
        foreach (var device in house.Devices)
        {
            if (device.Mode != DeviceMode.Router || device.Lan is not { Method: LanMethod.Static, Address: { } own, DhcpServer: { Enabled: true, Pool: { } pool } server }) continue;
            if (pool.IsInside(own.Prefix)) Givers.Add(new(device.Id, WireOf(device.Id), own, pool, server.Gateway ?? own.Address, server.Reservations));
        }
        if (house.Line is { HandOff: HandOff.Dhcp, Addresses: > 0 } line)
        {
            var own = Line(line, 1);
            Givers.Insert(0, new("isp", WireOf("isp"), own, new(Line(line, 10).Address, Line(line, 9u + (uint)line.Addresses).Address), own.Address, []));
        }
    }

    public List<Card> Cards { get; } = [];
    public List<Giver> Givers { get; } = [];

    public Card CardOf(string owner, string kind) => Cards.First(card => card.Owner == owner && card.Kind == kind);

    /// <summary>Every address that each asking card may end up with, one per server that could answer it alone.</summary>
    public List<(Card Card, List<(InterfaceAddress Address, Ipv4Address Gateway, string Server)> Offers)> Offers()
    {
        var asking = Cards.Where(card => card is { Asks: true, IsPlugged: true } && !IsPppoe(card))
            .OrderBy(card => card.Kind switch { "wan" => 0, "lan" => 1, _ => 2 }).ToList();     // a stable sort keeps document order
        var offers = asking.ToDictionary(card => card, _ => new List<(InterfaceAddress, Ipv4Address, string)>());
        foreach (var giver in Givers)
        {
            var gone = new List<Ipv4Address> { giver.Own.Address };
            gone.AddRange(Cards.Where(card => card.Address is not null && card.Wire.Overlaps(giver.Wire) && !card.Asks).Select(card => card.Address!.Value.Address));
            foreach (var card in asking.Where(card => card.Wire.Overlaps(giver.Wire)))
            {
                var inside = giver.Reserved.Where(r => giver.Own.Prefix.Contains(r.Address)).ToList();
                Ipv4Address? got = inside.FirstOrDefault(r => r.Mac.ToString() == card.Mac) is { } own && giver.Own.Prefix.IsUsable(own.Address) && !gone.Contains(own.Address) ? own.Address : null;
                for (var at = giver.Pool.Start; got is null && at <= giver.Pool.End; at = at.Next())
                    if (giver.Own.Prefix.IsUsable(at) && !gone.Contains(at) && inside.All(r => r.Address != at)) got = at;
                if (got is not { } address) continue;
                gone.Add(address);
                offers[card].Add((new(address, giver.Own.Prefix.Length), giver.Gateway, giver.Device));
            }
        }
        return [.. asking.Select(card => (card, offers[card]))];
    }

    /// <summary>Whether a packet from the one arrives at the other and the answer comes back.</summary>
    public bool Reaches(Card from, Card to) => to.Address is { } target && Walk(from, target.Address, to, [], 0);

    public bool IsOnline(Card from) => Walk(from, Ipv4Address.Parse("198.51.100.1"), null, [], 0);

    private bool Walk(Card sender, Ipv4Address to, Card? goal, List<(Card Inner, Card Router)> passed, int depth)
    {
        if (sender.Address is not { } own || depth > house.Devices.Length + 1 || IsLooped(sender.Wire)) return false;
        if (own.Prefix.Contains(to)) return goal is not null && Holder(sender.Wire, to) == goal && Back(goal, sender, passed);
        if (sender.Gateway is not { } gateway || !own.Prefix.Contains(gateway)) return false;
        if (house.Line is { HandOff: HandOff.Dhcp } line && gateway == Line(line, 1).Address && sender.Wire.Overlaps(WireOf("isp")) && Holder(sender.Wire, gateway) is null)
        {
            if (Line(line, 1).Prefix.Contains(to)) return goal is not null && Holder(sender.Wire, to) == goal && Back(goal, sender, passed);
            return goal is null && Line(line, 1).Prefix.Contains(own.Address) && Holder(sender.Wire, own.Address) == sender && Unwind(sender, passed);
        }
        if (Holder(sender.Wire, gateway) is not { Kind: "lan" } router || Box(router).Mode != DeviceMode.Router) return false;
        if (router.Address!.Value.Prefix.Contains(to)) return goal is not null && Holder(router.Wire, to) == goal && Back(goal, sender, passed);
        var wan = Cards.FirstOrDefault(card => card.Owner == router.Owner && card.Kind == "wan");
        if (wan?.Address is not { } outer || !Box(router).Nat || outer.Prefix.Overlaps(router.Address.Value.Prefix)) return false;
        return Walk(wan, to, goal, [.. passed, (sender, router)], depth + 1);
    }

    /// <summary>The answer: from the goal to the source it saw, then down through the same translators.</summary>
    private bool Back(Card goal, Card seen, List<(Card Inner, Card Router)> passed)
    {
        if (IsLooped(goal.Wire)) return false;
        var (own, source) = (goal.Address!.Value, seen.Address!.Value.Address);
        if (own.Prefix.Contains(source)) return Holder(goal.Wire, source) == seen && Unwind(seen, passed);
        if (goal.Gateway is not { } gateway || !own.Prefix.Contains(gateway)) return false;
        if (house.Line is { HandOff: HandOff.Dhcp } line && gateway == Line(line, 1).Address && goal.Wire.Overlaps(WireOf("isp")) && Holder(goal.Wire, gateway) is null)
            return Line(line, 1).Prefix.Contains(source) && Holder(goal.Wire, source) == seen && Unwind(seen, passed);
        return Holder(goal.Wire, gateway) is { Kind: "lan" } router && Box(router).Mode == DeviceMode.Router
            && router.Address!.Value.Prefix.Contains(source) && Holder(router.Wire, source) == seen && Unwind(seen, passed);
    }

    private bool Unwind(Card at, List<(Card Inner, Card Router)> passed)
    {
        _ = at;
        foreach (var (inner, router) in Enumerable.Reverse(passed))
            if (!router.Address!.Value.Prefix.Contains(inner.Address!.Value.Address) || Holder(router.Wire, inner.Address.Value.Address) != inner) return false;
        return true;
    }

    private Card? Holder(HashSet<string> wire, Ipv4Address address) =>
        Cards.FirstOrDefault(card => card.Address?.Address == address && card.Wire.Overlaps(wire));

    private Device Box(Card card) => house.FindDevice(card.Owner)!;
    private bool IsPppoe(Card card) => card.Kind == "wan" && Box(card).Wan?.Method == WanMethod.Pppoe;

    private static InterfaceAddress Line(Line line, uint host) =>
        new(Prefix.Parse(line.Addressing == LineAddressing.Public ? "203.0.113.0/24" : "100.64.0.0/24").Network.Plus(host), 24);

    // ---- wires: a side is a box, or a router's WAN; walked breadth first, cable by cable ----

    private static bool IsLive(Device device, Port port) => !(device.Mode == DeviceMode.Modem && port.Role == PortRole.Wan && port.Id != "wan");

    private bool IsPlugged(Device device, Port port) => house.OccupantOf(new(device.Id, port.Id)) is not null;

    private string? SideOf(Socket socket)
    {
        var device = house.FindDevice(socket.Device)!;
        var isWan = device.FindPort(socket.Port)!.Role == PortRole.Wan;
        if (device.Mode == DeviceMode.Modem && isWan && house.Line?.Socket != socket) return null;
        return device.Mode == DeviceMode.Router && isWan ? $"{device.Id}/wan" : device.Id;
    }

    private IEnumerable<(string A, string B)> Links()
    {
        if (house.Line is { } line && SideOf(line.Socket) is { } enters) yield return ("isp", enters);
        foreach (var cable in house.Cables)
            if (SideOf(cable.A) is { } a && SideOf(cable.B) is { } b) yield return (a, b);
    }

    private HashSet<string> WireOf(string side)
    {
        var seen = new HashSet<string> { side };
        for (var grew = true; grew;)
        {
            grew = false;
            foreach (var (a, b) in Links())
                if (seen.Contains(a) != seen.Contains(b)) grew = seen.Add(a) | seen.Add(b);
        }
        return seen;
    }

    /// <summary>As many links as sides, or more, is a circle.</summary>
    private bool IsLooped(HashSet<string> wire) => wire.Count > 0 && Links().Count(link => wire.Contains(link.A)) >= wire.Count;
}
