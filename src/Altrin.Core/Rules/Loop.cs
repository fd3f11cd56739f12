using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules;

/// <summary>A circle of cables: every broadcast runs round it for ever.</summary>
public sealed class Loop : IRule
{
    public string Id => "loop";
    public string Statement => "Between two places of one segment there is one way.";
    public string Source => "IEEE 802.1D (bridges need a tree); value from memory";

    public IEnumerable<Finding> Check(Facts facts)
    {
        foreach (var segment in facts.State.Segments)
        {
            if (!segment.IsLoop) continue;
            var closing = ClosingCables(facts, segment).ToList();
            // Closed by a radio link it is another rule's finding.
            if (closing.Count == 0) continue;
            var boxes = closing.SelectMany(cable => new[] { cable.A.Device, cable.B.Device }).Distinct().ToImmutableArray();
            var which = $"The cable between {facts.House.SocketName(closing[0].A)} and {facts.House.SocketName(closing[0].B)} closes it";
            yield return new(Id, Severity.Fault, "The cables form a circle", boxes,
                $"{which}: broadcasts run round it until nothing on this network gets through.", () => Fixes(facts, closing), [.. closing.Select(cable => cable.Id)]);
        }
    }

    /// <summary>The cables, in document order, whose two ends were joined already by those before.</summary>
    internal static IEnumerable<Cable> ClosingCables(Facts facts, Segment segment)
    {
        var groups = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var cable in facts.House.Cables)
        {
            if (facts.State.SegmentOf(cable.A) != segment.Index || facts.State.SegmentOf(cable.B) != segment.Index) continue;
            if (IsMesh(cable.A) || IsMesh(cable.B)) continue;
            var (a, b) = (Root(Side(cable.A)), Root(Side(cable.B)));
            if (a == b) yield return cable;
            else groups[a] = b;
        }

        bool IsMesh(Socket socket) => facts.Device(socket.Device).Traits.BreaksLoops;

        // A router's WAN side and LAN side are two places even where both are on this segment.
        string Side(Socket socket) => facts.Device(socket.Device) is { Traits.Wan: WanSide.Apart } box
            && box.FindPort(socket.Port)?.Role == PortRole.Wan ? $"{box.Id}:wan" : socket.Device;

        string Root(string place)
        {
            while (groups.TryGetValue(place, out var up)) place = up;
            return place;
        }
    }

    private static ImmutableArray<Fix> Fixes(Facts facts, List<Cable> closing)
    {
        return [new(closing.Count == 1 ? $"Unplug it at {facts.House.SocketName(closing[0].B)}" : $"Unplug the {closing.Count} cables that close it",
            [.. closing.Select(cable => new UnplugCable(cable.Id))])];
    }
}
