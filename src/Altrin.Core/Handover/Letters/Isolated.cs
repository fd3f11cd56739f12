using System.Text;

namespace Altrin.Core.Handover.Letters;

/// <summary>Names as they stand in text that runs from left to right.</summary>
internal static class Isolated
{
    private const char First = '\u2068', Last = '\u2069';

    /// <summary>Keeps a right-to-left name from reordering the text around it (Unicode Standard Annex 9, FSI and
    /// PDI).</summary>
    public static string Name(string name) => name.EnumerateRunes().Any(RunsFromTheRight) ? $"{First}{name}{Last}" : name;

    /// <summary>Hebrew, Arabic and the scripts beside them, with their presentation forms, and marks that turn the direction.</summary>
    private static bool RunsFromTheRight(Rune rune) =>
        rune.Value is >= 0x590 and <= 0x8FF or >= 0xFB1D and <= 0xFDFF or >= 0xFE70 and <= 0xFEFF
        or >= 0x10800 and <= 0x10FFF or >= 0x1E800 and <= 0x1EFFF or 0x200F or >= 0x202A and <= 0x202E or 0x2067;
}
