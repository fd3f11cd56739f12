using System.Net;
using System.Text;

namespace Altrin.Core.Handover.Letters;

/// <summary>Text inside XML, HTML and SVG.</summary>
internal static class Xml
{
    /// <summary>Without the characters that XML 1.0 (section 2.2) cannot hold.</summary>
    public static string Clean(string text)
    {
        if (text.AsSpan().IndexOfAnyInRange('\0', '\x1F') < 0
            && !text.Any(one => char.IsSurrogate(one) || one is '\uFFFE' or '\uFFFF')) return text;
        var clean = new StringBuilder(text.Length);
        foreach (var rune in text.EnumerateRunes())
            if (rune.Value is '\t' or '\n' or '\r' or >= 0x20 and not (0xFFFE or 0xFFFF)) clean.Append(rune);
        return clean.ToString();
    }

    /// <summary>As text or as the value of an attribute in quotes.</summary>
    public static string Escape(string text) => WebUtility.HtmlEncode(Clean(text));
}
