using System.Collections;

namespace Altrin.Core.Readings.Parsers;

/// <summary>The lines of an output that were taken so far. What a parser asks of all of them is remembered, and only of the lines that came since is it worked out: a paste of a hundred thousand lines
/// stays as many looks, and not their square.</summary>
internal sealed class Taken : IReadOnlyList<PastedLine>
{
    private readonly List<PastedLine> lines;
    private readonly Dictionary<Delegate, object> looks = [];

    public Taken(PastedLine first) => lines = [first];

    public int Count => lines.Count;

    public PastedLine this[int index] => lines[index];

    public void Add(PastedLine line) => lines.Add(line);

    /// <summary>Whether a line says this already.</summary>
    /// <param name="of">What a line says; null where it says nothing of the kind. A named method, for it is what is remembered by.</param>
    public bool Says(Func<string, string?> of, string what) => Look(of, static () => new HashSet<string>(StringComparer.Ordinal), static (said, of, text) =>
    {
        if (of(text) is { } one) said.Add(one);
        return said;
    }).Contains(what);

    public bool Has(string text) => Says(Itself, text);

    /// <summary>Whether any line is of a kind.</summary>
    /// <param name="isOne">A named method, as above.</param>
    public bool HasOne(Func<string, bool> isOne) => Look(isOne, static () => new bool[1], static (any, isOne, text) =>
    {
        any[0] |= isOne(text);
        return any;
    })[0];

    /// <summary>The sum of what every line counts.</summary>
    public long Sum(Func<string, int> of) => Look(of, static () => new long[1], static (sum, of, text) =>
    {
        sum[0] += of(text);
        return sum;
    })[0];

    private static string Itself(string text) => text;

    private T Look<T, TOf>(TOf of, Func<T> start, Func<T, TOf, string, T> further) where TOf : Delegate where T : class
    {
        var look = (Seen<T>)(looks.TryGetValue(of, out var known) ? known : looks[of] = new Seen<T>(start()));
        for (; look.Upto < lines.Count; look.Upto++) look.What = further(look.What, of, lines[look.Upto].Text);
        return look.What;
    }

    public IEnumerator<PastedLine> GetEnumerator() => lines.GetEnumerator();

    IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();

    private sealed class Seen<T>(T start)
    {
        public T What { get; set; } = start;
        public int Upto { get; set; }
    }
}
