namespace Altrin.Core.Simulation;

/// <summary>Union-find over numbers from 0; nearly constant cost a step.</summary>
internal sealed class DisjointSets
{
    private readonly int[] parent;

    public DisjointSets(int count)
    {
        parent = new int[count];
        for (var i = 0; i < count; i++) parent[i] = i;
    }

    public int Find(int item)
    {
        while (parent[item] != item) item = parent[item] = parent[parent[item]];
        return item;
    }

    /// <returns>False when the two were joined before: one more join between them closes a cycle.</returns>
    public bool Union(int a, int b)
    {
        (a, b) = (Find(a), Find(b));
        if (a == b) return false;
        // The lower number stays the root, so that roots come in document order.
        if (a < b) parent[b] = a;
        else parent[a] = b;
        return true;
    }
}
