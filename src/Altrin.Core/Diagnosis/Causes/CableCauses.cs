using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Diagnosis.Causes;

/// <summary>Plugs that are out, in the wrong socket or swapped, and damaged cables.</summary>
internal static class CableCauses
{
    /// <summary>A plug in a socket: an end of a cable, or a thing's wire.</summary>
    private sealed record Plug(Socket At, Cable? Cable, Endpoint? Thing)
    {
        public (string, object) Subject => Cable is not null ? ("cable", Cable.Id) : ("endpoint", Thing!.Id);

        /// <summary>What it changes: this end, or that wire.</summary>
        public string Field => Cable is not null ? $"{Cable.Id}.{(Cable.A == At ? "a" : "b")}" : Thing!.Id;

        public Func<NetworkDocument, NetworkDocument> MoveTo(Socket to) => house => Cable is null
            ? house.WithEndpoint(Thing!.Id, thing => thing with { Connect = Attachment.To(to) })
            : house with
            {
                Cables = [.. house.Cables.Select(one => one.Id != Cable.Id ? one : Cable.A == At ? one with { A = to }
                    : one with { B = to })],
            };
    }

    public static IEnumerable<Cause> Of(CauseGround ground)
    {
        var house = ground.House;
        foreach (var cable in house.Cables)
        {
            yield return CauseGround.One("cable-out",
                $"The cable between {ground.Socket(cable.A)} and {ground.Socket(cable.B)} is not plugged in.",
                cable.Id, now => now with { Cables = now.Cables.RemoveAll(one => one.Id == cable.Id) }, ("cable", cable.Id)) with
            { Fields = [$"{cable.Id}.a", $"{cable.Id}.b"] };
            if (cable.Medium == Medium.Ethernet && SocketRates.Agreed(house, cable) > SlowMbps)
                yield return CauseGround.One("slow-cable",
                    $"The cable between {ground.Socket(cable.A)} and {ground.Socket(cable.B)} runs at {SlowMbps} Mb/s: one of its pairs is broken.",
                    $"{cable.Id}.speed",
                    now => now with
                    {
                        Cables = [.. now.Cables.Select(one => one.Id == cable.Id ? one with { AgreedMbps = SlowMbps }
                        : one)]
                    },
                    ("cable", cable.Id));
        }
        foreach (var thing in house.Endpoints)
            if (thing.Connect?.Socket is { } socket)
                yield return CauseGround.One("cable-out", $"{thing.Name} is not plugged into {ground.Socket(socket)}.", thing.Id,
                    now => now.WithEndpoint(thing.Id, one => one with { Connect = null }), ("endpoint", thing.Id));
        foreach (var box in house.Devices)
        {
            var plugs = Plugs(house, box).ToList();
            var free = box.Ports.Select(port => new Socket(box.Id, port.Id)).Where(socket => house.OccupantOf(socket) is null).ToList();
            foreach (var plug in plugs)
                foreach (var cause in CauseGround.Variants(free.Select(to => Moved(ground, box, plug, to)))) yield return cause;
            foreach (var cause in Swapped(ground, box, plugs)) yield return cause;
        }
    }

    private const int SlowMbps = 100;

    private static Cause Moved(CauseGround ground, Device box, Plug plug, Socket to) => CauseGround.One("other-socket",
        $"{Name(ground, plug)} is in {ground.Socket(to)}, not in {ground.Socket(plug.At)}.", plug.Field, plug.MoveTo(to),
        plug.Subject, ("device", box.Id), ("port", to.Port));

    private static string Name(CauseGround ground, Plug plug) => plug.Thing is { } thing ? $"The plug of {thing.Name}"
        : $"The cable from {ground.Socket(plug.Cable!.A == plug.At ? plug.Cable.B : plug.Cable.A)}";

    private static IEnumerable<Cause> Swapped(CauseGround ground, Device box, List<Plug> plugs)
    {
        for (var i = 0; i < plugs.Count; i++)
            for (var j = i + 1; j < plugs.Count; j++)
            {
                var (one, other) = (plugs[i], plugs[j]);
                if (IsPlainLan(box, one.At) && IsPlainLan(box, other.At) || (one.Cable is not null && one.Cable == other.Cable)) continue;
                var (first, second) = (one.MoveTo(other.At), other.MoveTo(one.At));
                yield return CauseGround.One("plugs-swapped",
                    $"The plugs in {ground.Socket(one.At)} and {ground.Socket(other.At)} are swapped.",
                    one.Field, house => second(first(house)), ("device", box.Id), ("ports", new[] { one.At.Port, other.At.Port })) with
                { Fields = [one.Field, other.Field] };
            }
    }

    private static bool IsPlainLan(Device box, Socket socket) =>
        box.FindPort(socket.Port) is { Role: PortRole.Lan, Vlan: null, Tagged.IsDefaultOrEmpty: true };

    /// <summary>In the order of the box's sockets; the provider's line is no plug.</summary>
    private static IEnumerable<Plug> Plugs(NetworkDocument house, Device box)
    {
        foreach (var port in box.Ports)
        {
            var socket = new Socket(box.Id, port.Id);
            foreach (var cable in house.Cables)
                if (cable.A == socket || cable.B == socket) yield return new(socket, cable, null);
            foreach (var thing in house.Endpoints)
                if (thing.Connect?.Socket == socket) yield return new(socket, null, thing);
        }
    }
}
