using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Diagnosis.Causes;

/// <summary>What nobody put there on purpose: a router of nobody's that gives out addresses, a cable that closes a loop.</summary>
internal static class StrangerCauses
{
    public const string UnknownServer = "unknown-server";

    private const string AddedSocket = "added", AddedCable = "added-cable";

    private static readonly Prefix[] Usual = [Prefix.Parse("192.168.1.0/24"), Prefix.Parse("192.168.0.0/24"), Prefix.Parse("10.0.0.0/24")];

    public static IEnumerable<Cause> Of(CauseGround ground)
    {
        var own = Own(ground).ToList();
        var at = Seen(ground, own)
            ?? Usual.Where(one => !own.Any(one.Overlaps)).Select(one => (Ipv4Address?)one.Network.Plus(1)).FirstOrDefault();
        if (at is { } address)
            foreach (var segment in ground.House.Devices.Where(box => box.RoutesForItsOwn).Select(box =>
                ground.State.InsideOf(box.Id)).Where(one => one >= 0).Distinct())
                if (Second(ground, segment, address) is { } second) yield return second;
        foreach (var segment in ground.State.Segments)
            if (Ring(ground, segment.Index) is { } ring) yield return ring;
    }

    private static IEnumerable<Prefix> Own(CauseGround ground) =>
        ground.State.Segments.SelectMany(one => ground.State.SubnetsOn(one.Index)).Distinct();

    /// <summary>Where a stranger's server must be, by what was seen: its own address, a gateway, or .1 beside an address.</summary>
    private static Ipv4Address? Seen(CauseGround ground, List<Prefix> own)
    {
        foreach (var kind in (ReadOnlySpan<ReadingKind>)[ReadingKind.Server, ReadingKind.Gateway, ReadingKind.Address])
            foreach (var sighting in ground.Ground.Seen)
            {
                if (sighting.Look.Reading != kind || !Ipv4Address.TryParse(sighting.Value, out var seen)) continue;
                if (AddressRanges.LinkLocal.Contains(seen) || own.Any(one => one.Contains(seen))) continue;
                return kind == ReadingKind.Address ? Prefix.Of(seen, InterfaceAddress.BareLength).Network.Plus(1) : seen;
            }
        return null;
    }

    private static Cause? Second(CauseGround ground, int segment, Ipv4Address address)
    {
        if (ground.House.Devices.FirstOrDefault(box => ground.State.IsInUse(box.Id)
            && ground.State.InsideOf(box.Id) == segment) is not { } first) return null;
        var subnet = Prefix.Of(address, InterfaceAddress.BareLength);
        var stranger = new Device
        {
            Id = UnknownServer,
            Name = "Unknown router",
            Mode = Modes.First(mode => mode.IsRouter),
            Supports = [Modes.First(mode => mode.IsRouter)],
            Ports = [new() { Id = "lan1", Role = PortRole.Lan }],
            Wan = new() { Method = WanMethod.None },
            Lan = new()
            {
                Address = new(address, subnet.Length),
                DhcpServer = new() { Enabled = true, Start = subnet.Network.Plus(100), End = subnet.Network.Plus(199) },
            },
        };
        return CauseGround.One("second-server", $"An unknown router at {address} gives out addresses on the network of {first.Name}.",
            $"stranger.{first.Id}",
            house => house.WithDevice(first.Id,
                box => box with { Ports = box.Ports.Add(new() { Id = AddedSocket, Role = PortRole.Lan }) }) with
            {
                Devices = house.WithDevice(first.Id,
                    box => box with { Ports = box.Ports.Add(new() { Id = AddedSocket, Role = PortRole.Lan }) }).Devices.Add(stranger),
                Cables = house.Cables.Add(new() { Id = AddedCable, A = new(first.Id, AddedSocket), B = new(UnknownServer, "lan1") }),
            },
            ("device", first.Id), ("address", $"{address}")) with
        { Undo = _ => [new UnplugCable(AddedCable), new RemoveDevice(UnknownServer)], Fields = ["stranger"] };
    }

    private static Cause? Ring(CauseGround ground, int segment)
    {
        var free = ground.House.Devices.Where(box => ground.State.IsInUse(box.Id)).SelectMany(box => box.Ports
            .Where(port => port.Role == PortRole.Lan).Select(port => new Socket(box.Id, port.Id)))
            .Where(socket => ground.State.SegmentOf(socket) == segment && ground.House.OccupantOf(socket) is null).Take(2).ToList();
        if (free is not [var a, var b]) return null;
        var cable = new Cable { Id = "added-loop", A = a, B = b };
        return CauseGround.One("loop", $"A cable joins {ground.Socket(a)} and {ground.Socket(b)}: that is a loop.", $"loop.{segment}",
            house => house with { Cables = house.Cables.Add(cable) },
            ("device", a.Device), ("port", a.Port),
                ("to", new Dictionary<string, string> { ["device"] = b.Device, ["port"] = b.Port })) with
        { Undo = _ => [new UnplugCable(cable.Id)] };
    }
}
