using System.Text;
using Altrin.Core.Handover.Letters;

namespace Altrin.Core.Handover.Records;

/// <summary>The record as Markdown without HTML in it, or as one HTML file that needs no other.</summary>
internal static class RecordWriter
{
    private const string Marks = "\\`*_{}[]<>()#+-!|~&";

    public static string Markdown(string title, IReadOnlyList<RecordPart> parts)
    {
        var text = new StringBuilder($"# {Plain(title)}\n");
        foreach (var part in parts)
        {
            text.Append('\n');
            switch (part.Kind)
            {
                case PartKind.Heading: text.Append(new string('#', part.Level)).Append(' ').Append(Plain(part.Text)).Append('\n'); break;
                case PartKind.Line: text.Append(Plain(part.Text)).Append('\n'); break;
                case PartKind.Items:
                    foreach (var item in part.Items) text.Append("- ").Append(Plain(item)).Append('\n');
                    break;
                case PartKind.Table:
                    Row(text, part.Rows[0]);
                    Row(text, part.Rows[0].Select(_ => "---"), isPlain: false);
                    foreach (var row in part.Rows.Skip(1)) Row(text, row);
                    break;
            }
        }
        return text.ToString();
    }

    private static void Row(StringBuilder text, IEnumerable<string> cells, bool isPlain = true) =>
        text.Append("| ").AppendJoin(" | ", isPlain ? cells.Select(Plain) : cells).Append(" |\n");

    /// <summary>What Markdown would take for a mark is escaped (CommonMark 0.31, section 2.4); an address stays as it is, so that it is a
    /// link.</summary>
    private static string Plain(string text)
    {
        var plain = new StringBuilder(text.Length);
        var words = Xml.Clean(text).ReplaceLineEndings(" ").Split(' ');
        for (var i = 0; i < words.Length; i++)
        {
            if (i > 0) plain.Append(' ');
            foreach (var letter in words[i])
            {
                if (Marks.Contains(letter, StringComparison.Ordinal) && !IsInside(words[i], letter)) plain.Append('\\');
                plain.Append(letter);
            }
        }
        return plain.ToString();
    }

    /// <summary>A hyphen inside a word marks nothing, nor do brackets round words.</summary>
    private static bool IsInside(string word, char letter) => letter switch
    {
        '-' or '+' => word[0] != letter,
        '(' or ')' or '!' or '#' =>
            word[0] != '#' && !word.Contains('[', StringComparison.Ordinal) && !word.Contains(']', StringComparison.Ordinal),
        _ => false,
    };

    public static string Html(string title, IReadOnlyList<RecordPart> parts)
    {
        var text = new StringBuilder($"""
            <!DOCTYPE html>
            <html lang="en">
            <head>
            <meta charset="utf-8"/>
            <title>{Xml.Escape(title)}</title>
            <style>
            body {"{"} font: 11pt/1.45 system-ui, sans-serif; max-width: 46em; margin: 2em auto; padding: 0 1em; color: #111; {"}"}
            h1 {"{"} font-size: 1.6em; {"}"} h2 {"{"} font-size: 1.2em; border-top: 1px solid #999; padding-top: .6em; break-after: avoid; {"}"}
            h3 {"{"} font-size: 1em; break-after: avoid; {"}"} ul {"{"} break-inside: avoid; {"}"}
            table {"{"} border-collapse: collapse; width: 100%; {"}"} th, td {"{"} border: 1px solid #999; padding: .25em .5em; text-align: start; {"}"}
            @media print {"{"} body {"{"} margin: 0; max-width: none; {"}"} {"}"}
            </style>
            </head>
            <body>
            <h1>{Xml.Escape(title)}</h1>

            """.ReplaceLineEndings("\n"));
        foreach (var part in parts)
            switch (part.Kind)
            {
                case PartKind.Heading: text.Append($"<h{part.Level}>{Said(part.Text)}</h{part.Level}>\n"); break;
                case PartKind.Line: text.Append($"<p>{Said(part.Text)}</p>\n"); break;
                case PartKind.Items:
                    text.Append("<ul>\n");
                    foreach (var item in part.Items) text.Append($"<li>{Said(item)}</li>\n");
                    text.Append("</ul>\n");
                    break;
                case PartKind.Table:
                    text.Append("<table>\n<thead><tr>").AppendJoin("",
                        part.Rows[0].Select(cell => $"<th>{Said(cell)}</th>")).Append("</tr></thead>\n<tbody>\n");
                    foreach (var row in part.Rows.Skip(1)) text.Append("<tr>").AppendJoin("",
                        row.Select(cell => $"<td>{Said(cell)}</td>")).Append("</tr>\n");
                    text.Append("</tbody>\n</table>\n");
                    break;
            }
        return text.Append("</body>\n</html>\n").ToString();
    }

    /// <summary>The page of a box is a link; nothing else is.</summary>
    private static string Said(string text)
    {
        const string Before = "Its page: ";
        var at = text.IndexOf(Before, StringComparison.Ordinal);
        if (at < 0) return Xml.Escape(text);
        var page = text[(at + Before.Length)..];
        return System.Text.RegularExpressions.Regex.IsMatch(page, @"\Ahttp://\d+\.\d+\.\d+\.\d+\z")
            ? $"{Xml.Escape(text[..(at + Before.Length)])}<a href=\"{page}\">{page}</a>" : Xml.Escape(text);
    }
}
