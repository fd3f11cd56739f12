using System.Collections.Immutable;
using System.Runtime.InteropServices;
using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>What bridging joins: everything on it hears everything else on it.</summary>
/// <param name="members">Those of every segment, put into words when somebody asks: few who compute a house read them.</param>
public sealed class Segment(int index, bool isLoop, Lazy<ImmutableArray<string>[]> members)
{
    public int Index => index;
    public string Id => $"s{index + 1}";

    /// <summary>A cycle with no mesh unit to break it: nothing on it works.</summary>
    public bool IsLoop => isLoop;

    /// <summary>Sockets, Wi-Fi networks and uplinks, in document order: <c>gw:lan1</c>, <c>gw:lan1.20</c> for its tagged VLAN 20, <c>wifi:gw/name@5g</c>, <c>uplink:loft</c>.</summary>
    public ImmutableArray<string> Members => members.Value[index];
}

/// <summary>Stage 1: groups joined into segments.</summary>
internal sealed class SegmentMap
{
    public required ImmutableArray<Segment> All { get; init; }

    /// <summary>The segment of each group.</summary>
    public required int[] OfGroup { get; init; }

    /// <summary>The provider's segment; −1 where no line comes in.</summary>
    public required int Provider { get; init; }

    public static SegmentMap Build(Fabric fabric)
    {
        var sets = new DisjointSets(fabric.GroupCount);
        var withoutMesh = new DisjointSets(fabric.GroupCount);
        var looped = new List<int>();
        foreach (var (a, b) in fabric.Wires) Join(a, b);
        for (var d = 0; d < fabric.Joined.Length; d++)
            if (fabric.Joined[d] is { } network) Join(fabric.Groups[d].Uplink, network.Group);

        var hasLine = fabric.LineGroup != DeviceGroups.Dead;
        var ofGroup = new int[fabric.GroupCount];
        Array.Fill(ofGroup, -1);
        var indexOfRoot = new Dictionary<int, int>();
        // Group 0 is the provider's: it is named with the segment that the line enters.
        for (var g = 1; g < fabric.GroupCount; g++)
        {
            var root = sets.Find(g);
            if (!indexOfRoot.TryGetValue(root, out var index)) indexOfRoot[root] = index = indexOfRoot.Count;
            ofGroup[g] = index;
        }
        if (hasLine) ofGroup[Fabric.Provider] = ofGroup[fabric.LineGroup];
        var loops = looped.Select(g => ofGroup[g]).ToHashSet();
        var count = indexOfRoot.Count;
        var members = new Lazy<ImmutableArray<string>[]>(() => Members(fabric, ofGroup, count));
        var all = new Segment[count];
        for (var i = 0; i < count; i++) all[i] = new(i, loops.Contains(i), members);
        return new()
        {
            All = ImmutableCollectionsMarshal.AsImmutableArray(all),
            OfGroup = ofGroup,
            Provider = hasLine ? ofGroup[Fabric.Provider] : -1,
        };

        void Join(int a, int b)
        {
            sets.Union(a, b);
            if (IsMesh(fabric, a) || IsMesh(fabric, b)) return;
            if (!withoutMesh.Union(a, b)) looped.Add(a == Fabric.Provider ? b : a);
        }
    }

    private static bool IsMesh(Fabric fabric, int group) =>
        fabric.OwnerOf[group] is >= 0 and var device && fabric.House.Devices[device].Traits.BreaksLoops;

    private static ImmutableArray<string>[] Members(Fabric fabric, int[] ofGroup, int count)
    {
        var lists = new List<string>[count];
        for (var i = 0; i < count; i++) lists[i] = [];
        for (var d = 0; d < fabric.Groups.Length; d++)
        {
            var (device, groups) = (fabric.House.Devices[d], fabric.Groups[d]);
            for (var p = 0; p < device.Ports.Length; p++)
            {
                if (groups.OfPort[p] >= 0) lists[ofGroup[groups.OfPort[p]]].Add($"{device.Id}:{device.Ports[p].Id}");
                foreach (var (vlan, group) in groups.TaggedOf(p)) lists[ofGroup[group]].Add($"{device.Id}:{device.Ports[p].Id}.{vlan}");
            }
            for (var w = 0; w < device.Wifi.Length; w++)
                if (groups.OfWifi[w] >= 0)
                    lists[ofGroup[groups.OfWifi[w]]].Add($"wifi:{device.Id}/{device.Wifi[w].Ssid}@{device.Wifi[w].Radio}");
            if (groups.Uplink >= 0 && device.Uplink is not null) lists[ofGroup[groups.Uplink]].Add($"uplink:{device.Id}");
        }
        return [.. lists.Select(list => list.ToImmutableArray())];
    }
}
