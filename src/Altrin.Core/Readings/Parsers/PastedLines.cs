using System.Text;

namespace Altrin.Core.Readings.Parsers;

/// <summary>A pasted text as lines that a parser can read: quote marks of a mail, colours of a terminal and prompts are gone, line numbers
/// are kept.</summary>
internal static class PastedLines
{
    /// <summary>Columns of a terminal at which a longer line goes on below.</summary>
    private const int Columns = 80;

    /// <summary>A mail is quoted once for each answer; more than this is no mail.</summary>
    private const int MostQuotes = 4;

    public static PastedLine[] Of(string text) => Numbered(Unquoted(PastedText.Split(text)).Select((line, i) => (i + 1, line)));

    /// <summary>The same with full rows joined to what follows them; null where no row is full or one is longer than a row.</summary>
    public static PastedLine[]? Unwrapped(string text)
    {
        var rows = Unquoted(PastedText.Split(text));
        if (!rows.Any(row => row.Length == Columns) || rows.Any(row => row.Length > Columns)) return null;
        var joined = new List<(int, string)>();
        for (var i = 0; i < rows.Length; i++)
        {
            var (first, line) = (i, new StringBuilder(rows[i]));
            while (rows[i].Length == Columns && i + 1 < rows.Length) line.Append(rows[++i]);
            joined.Add((first + 1, line.ToString()));
        }
        return Numbered(joined);
    }

    private static PastedLine[] Numbered(IEnumerable<(int Number, string Text)> lines) =>
        [.. lines.Select(line => new PastedLine(line.Number, IsPrompt(line.Text) ? "" : Clean(line.Text)))];

    private static string[] Unquoted(string[] lines)
    {
        for (var i = 0; i < MostQuotes && (Unmarked(lines, '>') ?? Unmarked(lines, '|')) is { } bare; i++) lines = bare;
        return lines;
    }

    /// <summary>Without a mark at the front of each line of a block; null where there is no such block. A single line so marked is a
    /// prompt.</summary>
    private static string[]? Unmarked(string[] lines, char mark)
    {
        bool IsMarked(int i) => i >= 0 && i < lines.Length && lines[i].StartsWith(mark);
        if (!Enumerable.Range(0, lines.Length).Any(i => IsMarked(i) && IsMarked(i + 1))) return null;
        var marked = Enumerable.Range(0, lines.Length).Where(IsMarked).ToList();
        var isSpaced = marked.All(i => lines[i].Length == 1 || lines[i][1] is ' ' || lines[i][1] == mark);
        var bare = (string[])lines.Clone();
        foreach (var i in marked.Where(i => IsMarked(i - 1) || IsMarked(i + 1))) bare[i] = isSpaced && lines[i].Length > 1
            && lines[i][1] == ' ' ? lines[i][2..] : lines[i][1..];
        return bare;
    }

    /// <summary>Colours of a terminal and other signs that are no letters go; a tab stays.</summary>
    private static string Clean(string line)
    {
        if (!line.Any(letter => letter is '\u001b' or '\0' or '\b' or '\u0007')) return line.TrimEnd();
        var clean = new StringBuilder();
        for (var i = 0; i < line.Length; i++)
        {
            if (line[i] == '\u001b' && i + 1 < line.Length && line[i + 1] == '[')
            {
                i += 2;
                while (i < line.Length && line[i] is not (>= '@' and <= '~')) i++;
            }
            else if (line[i] is not ('\0' or '\b' or '\u0007' or '\u001b')) clean.Append(line[i]);
        }
        return clean.ToString().TrimEnd();
    }

    /// <summary>A prompt, with or without the command behind it.</summary>
    private static bool IsPrompt(string line)
    {
        var text = line.TrimStart();
        if (text.Length > 2 && char.IsAsciiLetter(text[0]) && text[1] == ':' && text[2] == '\\'
            && text.Contains('>', StringComparison.Ordinal)) return true;
        if (text.StartsWith("PS ", StringComparison.Ordinal) && text.Contains('>', StringComparison.Ordinal)) return true;
        var words = text.Split(' ', 2)[0];
        if (words is "$" or "#" or "%" or ">" or "~$" or "~#") return text.Length <= 2 || text[words.Length] == ' ';
        var isAtHost = words.Contains('@', StringComparison.Ordinal);
        if (isAtHost && words[^1] is '$' or '#' or '%') return true;
        // “name@host dir % command” of a Mac.
        bool Has(string mark) => text.Contains(mark, StringComparison.Ordinal);
        return isAtHost
            && (text.IndexOf(" % ", StringComparison.Ordinal) > 0 || text.EndsWith(" %", StringComparison.Ordinal) || Has("]$ "))
            || text.StartsWith('[') && Has("@") && (Has("]$") || Has("]#"));
    }
}
