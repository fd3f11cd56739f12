namespace Altrin.Core.Documents;

/// <summary>Tells a slip of the pen from another word.</summary>
internal static class Spelling
{
    /// <summary>Whether the names differ in case alone, or by one letter changed, dropped or added (names of five or more).</summary>
    public static bool IsNear(string a, string b)
    {
        if (string.Equals(a, b, StringComparison.OrdinalIgnoreCase)) return true;
        if (Math.Min(a.Length, b.Length) < 5 || Math.Abs(a.Length - b.Length) > 1) return false;
        var (shorter, longer) = a.Length <= b.Length ? (a, b) : (b, a);
        var same = 0;
        while (same < shorter.Length && shorter[same] == longer[same]) same++;
        var skip = longer.Length - shorter.Length;
        return shorter.AsSpan(same + 1 - skip).SequenceEqual(longer.AsSpan(same + 1));
    }
}
