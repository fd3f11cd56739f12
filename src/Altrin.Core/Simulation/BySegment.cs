namespace Altrin.Core.Simulation;

/// <summary>Things by the segment they are on, each segment's in their own order. Asked by every rule of every segment: laid out in one row, sorted by counting.</summary>
public sealed class BySegment<T>
{
    private readonly T[] row;

    /// <summary>Where the things of each segment begin in the row; one number more than there are segments.</summary>
    private readonly int[] starts;

    /// <param name="segments">How many there are; what is on none, −1, is left out.</param>
    public BySegment(IReadOnlyList<T> things, int segments, Func<T, int> segmentOf)
    {
        starts = new int[segments + 1];
        for (var i = 0; i < things.Count; i++)
            if (segmentOf(things[i]) is >= 0 and var segment) starts[segment + 1]++;
        for (var s = 0; s < segments; s++) starts[s + 1] += starts[s];
        row = new T[starts[segments]];
        var next = starts.AsSpan(0, segments).ToArray();
        for (var i = 0; i < things.Count; i++)
            if (segmentOf(things[i]) is >= 0 and var segment) row[next[segment]++] = things[i];
    }

    /// <summary>Nothing for a number that is no segment's.</summary>
    public ArraySegment<T> this[int segment] =>
        segment >= 0 && segment < starts.Length - 1 ? new(row, starts[segment], starts[segment + 1] - starts[segment]) : ArraySegment<T>.Empty;
}
