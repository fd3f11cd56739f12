using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>Which joins of boxes are made: cables first, then joins from the line outward. One that would close a cycle with a mesh unit
/// anywhere
/// in it is not (section 6, 8 of the format).</summary>
internal sealed class RadioTree
{
    private readonly Fabric fabric;
    private readonly DisjointSets connected;
    private readonly List<int>[] edges;

    private RadioTree(Fabric fabric)
    {
        this.fabric = fabric;
        connected = new(fabric.GroupCount);
        edges = [.. Enumerable.Range(0, fabric.GroupCount).Select(_ => new List<int>())];
        foreach (var (a, b) in fabric.Wires) Connect(a, b);
    }

    public static List<(int Device, RadioNetwork Network)> Made(Fabric fabric)
    {
        var all = Enumerable.Range(0, fabric.Joined.Length).Where(d => fabric.Joined[d] is not null)
            .Select(d => (Device: d, Network: fabric.Joined[d]!)).ToList();
        if (all.Count == 0) return all;
        var tree = new RadioTree(fabric);
        var hops = tree.Hops(all);
        return [.. all.OrderBy(join => hops[join.Network.Group]).ThenBy(join => join.Device)
            .Where(join => tree.Make(join.Device, join.Network))
            .OrderBy(join => join.Device)];
    }

    private void Connect(int a, int b)
    {
        connected.Union(a, b);
        edges[a].Add(b);
        edges[b].Add(a);
    }

    private bool Make(int device, RadioNetwork network)
    {
        var own = fabric.Groups[device].Uplink;
        if (connected.Find(own) == connected.Find(network.Group) && ClosesThroughMesh(device, network)) return false;
        Connect(own, network.Group);
        return true;
    }

    /// <summary>Radio joins from the line to each group, outward: from who serves to who joins.</summary>
    private int[] Hops(List<(int Device, RadioNetwork Network)> joins)
    {
        var hops = new int[fabric.GroupCount];
        Array.Fill(hops, int.MaxValue);
        var open = new PriorityQueue<int, int>();
        void Reach(int group, int through)
        {
            if (through >= hops[group]) return;
            hops[group] = through;
            open.Enqueue(group, through);
        }
        Reach(Fabric.Provider, 0);
        while (open.TryDequeue(out var at, out var through))
        {
            if (through > hops[at]) continue;
            foreach (var next in edges[at]) Reach(next, through);
            foreach (var next in AcrossOf(at)) Reach(next, through);
            foreach (var (device, network) in joins)
                if (network.Group == at) Reach(fabric.Groups[device].Uplink, through + 1);
        }
        return hops;
    }

    /// <summary>The other sides of a router: one way to the line, though several networks.</summary>
    private IEnumerable<int> AcrossOf(int group)
    {
        foreach (var sides in fabric.Groups)
        {
            if (sides.Lan == DeviceGroups.Dead || sides.Wan == DeviceGroups.Dead) continue;
            if (sides.Lan == group) yield return sides.Wan;
            if (sides.Wan == group) yield return sides.Lan;
        }
    }

    private bool ClosesThroughMesh(int device, RadioNetwork network)
    {
        var (a, b) = (fabric.Groups[device].Uplink, network.Group);
        if (BreaksLoops(device) || BreaksLoops(network.Device)) return true;
        for (var d = 0; d < fabric.House.Devices.Length; d++)
            if (BreaksLoops(d) && fabric.Groups[d].Lan is >= 0 and var mesh && IsBetween(mesh, a, b)) return true;
        return false;
    }

    private bool BreaksLoops(int device) => fabric.House.Devices[device].Traits.BreaksLoops;

    /// <summary>Whether some way from a to b goes through it and comes nowhere twice: no single place cuts it off from both
    /// (Menger).</summary>
    private bool IsBetween(int mesh, int a, int b)
    {
        if (mesh == a || mesh == b) return connected.Find(a) == connected.Find(b);
        for (var cut = 0; cut < fabric.GroupCount; cut++)
            if (cut != mesh && !Reaches(mesh, a, b, cut)) return false;
        return true;
    }

    private bool Reaches(int from, int a, int b, int cut)
    {
        var seen = new HashSet<int> { from, cut };
        var open = new Stack<int>([from]);
        while (open.TryPop(out var at))
        {
            if (at == a || at == b) return true;
            foreach (var next in edges[at])
                if (seen.Add(next)) open.Push(next);
        }
        return false;
    }
}
