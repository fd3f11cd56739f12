namespace Altrin.Core.Diagnosis.CallOuts;

/// <summary>Numbers by a seed, the same on every machine and in every version.</summary>
/// <remarks>SplitMix64: Steele, Lea and Flood, “Fast splittable pseudorandom number generators”, 2014; constants from memory.</remarks>
internal sealed class Dice(ulong seed)
{
    private ulong state = seed;

    private ulong Next()
    {
        var z = state += 0x9E3779B97F4A7C15;
        z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9;
        z = (z ^ (z >> 27)) * 0x94D049BB133111EB;
        return z ^ (z >> 31);
    }

    /// <summary>From 0 to one less.</summary>
    public int Below(int count) => (int)(Next() % (ulong)count);

    public bool OneIn(int count) => Below(count) == 0;

    public T Of<T>(IReadOnlyList<T> choices) => choices[Below(choices.Count)];

    /// <summary>As likely as its weight.</summary>
    public T Weighted<T>(IReadOnlyList<T> choices, Func<T, double> weight)
    {
        var at = Next() / (double)ulong.MaxValue * choices.Sum(weight);
        foreach (var choice in choices)
            if ((at -= weight(choice)) <= 0) return choice;
        return choices[^1];
    }
}
