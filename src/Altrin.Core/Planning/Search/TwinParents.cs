using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Planning.Space;

namespace Altrin.Core.Planning.Search;

/// <summary>Of several boxes of one room on one network, each with a socket to spare, a cable goes to the first: the others would do as well, and
/// are not tried.</summary>
internal sealed class TwinParents(Ground ground, Choices choices)
{
    private const double UsualMbps = 1000;

    /// <summary>Of each box that routes, and of one that does not.</summary>
    private readonly ImmutableArray<(Sockets Routing, Sockets Plain)> sockets = [.. ground.Found.Devices.Select(box => (new Sockets(ground.Found, box, isAll: false), new Sockets(ground.Found, box, isAll: true)))];

    private sealed record Sockets(int Count, double Slowest, double Fastest, bool GivePower, bool HaveVlans)
    {
        public Sockets(NetworkDocument house, Device box, bool isAll)
            : this([.. box.Ports.Where(port => house.Line?.Socket != new Socket(box.Id, port.Id) && (isAll || port.Role == PortRole.Lan))]) { }

        private Sockets(List<Port> ports) : this(ports.Count, ports.Select(Speed).DefaultIfEmpty().Min(), ports.Select(Speed).DefaultIfEmpty().Max(), ports.Exists(port => port.PoeGives is not null), ports.Exists(port => port.Vlan is not null || !port.Tagged.IsDefaultOrEmpty)) { }

        private static double Speed(Port port) => port.SpeedMbps ?? UsualMbps;
    }

    /// <summary>Whether some cable of the boxes settled so far goes to a box in whose place another would do as well.</summary>
    public bool AreAny(Structure structure, int settled)
    {
        for (var i = 0; i <= settled; i++)
            if (structure.Boxes[i] is { IsUsed: true, Joined: Joined.ByWire, Medium: Medium.Ethernet, Parent: >= 0 and var parent } use && use != ground.AsFound.Boxes[i] && IsSettled(parent, settled))
                for (var other = 0; other < structure.Boxes.Length; other++)
                    if (IsBefore(other, parent) && IsSettled(other, settled) && WouldDo(structure, settled, i, parent, other)) return true;
        return false;
    }

    private bool IsSettled(int box, int settled) => box <= settled || box == ground.Root;

    /// <summary>The box at the line, then those in use, then those on the table.</summary>
    private bool IsBefore(int a, int b) => a != b && b != ground.Root && (a == ground.Root || (ground.InUse[a], -a).CompareTo((ground.InUse[b], -b)) > 0);

    private bool WouldDo(Structure structure, int settled, int box, int parent, int other)
    {
        if (!structure.Boxes[other].IsUsed || other == box || ground.PlaceOf(other, structure.Boxes[other]) != ground.PlaceOf(parent, structure.Boxes[parent])) return false;
        if (NetworkOf(structure, settled, parent, box) is not { } network || network != NetworkOf(structure, settled, other, box)) return false;
        var (mine, yours) = (SocketsOf(structure, parent), SocketsOf(structure, other));
        // What a socket is faster at, or gives power by, may be the reason.
        if (mine.Fastest > yours.Slowest || mine.GivePower || yours.HaveVlans || !choices.MayBe(box, structure.Boxes[box] with { Parent = other })) return false;
        return yours.Count > Taken(structure, settled, other, box);
    }

    /// <summary>Who routes for what is plugged in there; null where that is not settled, or the box itself is on the way.</summary>
    private int? NetworkOf(Structure structure, int settled, int at, int but)
    {
        for (var steps = 0; at >= 0 && steps <= structure.Boxes.Length; at = structure.Boxes[at].Parent, steps++)
        {
            if (at == but || !IsSettled(at, settled)) return null;
            if (structure.Boxes[at].Routes) return at;
        }
        return null;
    }

    private Sockets SocketsOf(Structure structure, int box) => Modes.Of(structure.Boxes[box].Mode).IsOneNetwork ? sockets[box].Plain : sockets[box].Routing;

    /// <summary>At the most: with what hangs there now and may stay, and every wired thing of the room.</summary>
    private int Taken(Structure structure, int settled, int box, int but)
    {
        var taken = structure.Boxes[box].Joined == Joined.ByWire ? 1 : 0;
        for (var i = 0; i < structure.Boxes.Length; i++)
            if (i != but && ((IsSettled(i, settled) ? structure.Boxes[i] : ground.AsFound.Boxes[i]) is { IsUsed: true, Joined: Joined.ByWire } use && use.Parent == box || !IsSettled(i, settled) && ground.AsFound.Boxes[i] is not { IsUsed: true })) taken++;
        var place = ground.PlaceOf(box, structure.Boxes[box]);
        foreach (var thing in ground.Found.Endpoints)
            if (thing.Connect is Attachment.Plug plug && (plug.Device == ground.Found.Devices[box].Id || ground.PlaceOf(plug.Device) == place) || thing.Connect is null && thing.Room is { } room && ground.PlaceOfRoom(room) == place) taken++;
        return taken;
    }
}
