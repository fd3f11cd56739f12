using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules;

/// <summary>What closes a circle of cables: several rules speak of it.</summary>
internal static class ClosingCables
{
    /// <summary>The cables, in document order, whose two ends were joined already by those before.</summary>
    public static IEnumerable<Cable> Of(Facts facts, Segment segment)
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
}
