using System.Text;
using Altrin.Core.Network;

namespace Altrin.Core.Air;

/// <summary>Names of networks that are made of other names.</summary>
public static class WifiNames
{
    /// <summary>Small letters, digits and hyphens: what every device can show and every page takes.</summary>
    public static string Slug(string text) => new([.. text.ToLowerInvariant().Select(letter => char.IsAsciiLetterOrDigit(letter) ? letter : '-')]);

    /// <summary>The name, with a number where it is taken; cut so that it and an ending stay within what a name may have.</summary>
    /// <param name="spare">Octets kept free for an ending.</param>
    public static string Free(IReadOnlySet<string> taken, string name, int spare = 2)
    {
        var free = With(name, "", spare);
        for (var n = 2; taken.Contains(free); n++) free = With(name, $"-{n}", spare);
        return free;
    }

    /// <summary>The name with that ending, as much of the name as there is room for.</summary>
    public static string With(string name, string ending, int spare = 0)
    {
        while (Encoding.UTF8.GetByteCount(name) + Encoding.UTF8.GetByteCount(ending) > Limits.SsidBytes - spare) name = name[..^1];
        return name + ending;
    }
}
