namespace Altrin.Core.Readings.Parsers;

/// <summary>Reads whatever was pasted: finds where each tool's output begins and ends, and has it read by its parser.</summary>
public static class PastedText
{
    /// <summary>More than any terminal holds; the rest is not looked at.</summary>
    public const int MostLetters = 4 << 20;

    /// <summary>Longer than any line that a tool prints for people: only what is meant for programs stands on one line.</summary>
    private const int LongestLine = 4096;

    private static readonly IPastedParser[] Parsers =
    [
        new WindowsIpconfig(), new WindowsArp(), new WindowsTracert(), new WindowsPing(), new WindowsWifiInterfaces(), new WindowsWifiNetworks(), new WindowsRoute(), new WindowsGetmac(),
        new IpAddr(), new IpNeigh(), new IpRoute(), new Ifconfig(), new Arp(), new NetstatRoute(), new UnixPing(), new Traceroute(), new Tracepath(), new Resolvectl(),
        new NmcliWifi(), new NmcliDevice(), new IwScan(), new IwLink(), new MacNetwork(), new MacWifi(), new WifiDetails(), new ClientTable(),
    ];

    /// <returns>A value an output, in order; the same output pasted twice is one. Empty where nothing is recognised.</returns>
    public static IReadOnlyList<PastedReading> Read(string text)
    {
        var lines = Lines(text.Length > MostLetters ? text[..MostLetters] : text);
        var readings = new List<PastedReading>();
        var before = new List<int>();
        for (var at = 0; at < lines.Length;)
        {
            if (lines[at].IsBlank) { at++; continue; }
            if (Begins(lines.AsSpan(at)).Parser is not { } parser)
            {
                before.Add(lines[at++].Number);
                continue;
            }
            var part = new Taken(lines[at++]);
            while (at < lines.Length && (lines[at].IsBlank || Reads(parser, lines[at]) && parser.GoesOn(part, lines[at]) && !IsOtherTool(lines.AsSpan(at), parser))) part.Add(lines[at++]);
            if (parser.Read(part) is { } reading) readings.Add(reading with { Unread = [.. before.Concat(reading.Unread).Distinct().Order()] });
            before.Clear();
        }
        // What stands after the last output that was recognised.
        if (before.Count > 0 && readings.Count > 0) readings[^1] = readings[^1] with { Unread = [.. readings[^1].Unread.Concat(before).Distinct().Order()] };
        return Once(readings);
    }

    private static (IPastedParser? Parser, int Sure) Begins(ReadOnlySpan<PastedLine> rest)
    {
        IPastedParser? best = null;
        var sure = 0;
        foreach (var parser in Parsers)
            if (Reads(parser, rest[0]) && parser.Begins(rest) is var here && here > sure) (best, sure) = (parser, here);
        return (best, sure);
    }

    private static bool Reads(IPastedParser parser, PastedLine line) => line.Text.Length <= LongestLine || parser.ReadsLongLines;

    /// <summary>A further line that no doubt begins another tool's output.</summary>
    private static bool IsOtherTool(ReadOnlySpan<PastedLine> rest, IPastedParser current) =>
        rest[0].Indent == 0 && Begins(rest) is { Parser: { } other, Sure: 3 } && other != current && current.Begins(rest) < 3;

    /// <summary>The same output twice says nothing new. Line numbers apart, they are equal as they would be printed.</summary>
    private static List<PastedReading> Once(List<PastedReading> readings)
    {
        var seen = new HashSet<string>(StringComparer.Ordinal);
        return [.. readings.Where(reading => seen.Add(ReadingWriter.Write(reading with { Unread = [] })))];
    }

    /// <summary>The lines as they are counted; what stands in them is as it was pasted.</summary>
    public static string[] Split(string text) => text.Replace("\r\n", "\n", StringComparison.Ordinal).Replace('\r', '\n').TrimStart('\ufeff').Split('\n');

    private static PastedLine[] Lines(string text)
    {
        var parts = Split(text);
        return [.. parts.Select((line, i) => new PastedLine(i + 1, IsPrompt(line) ? "" : Clean(line)))];
    }

    /// <summary>Colours of a terminal and other signs that are no letters go; a tab stays.</summary>
    private static string Clean(string line)
    {
        if (!line.Any(letter => letter is '\u001b' or '\0' or '\b' or '\u0007')) return line.TrimEnd();
        var clean = new System.Text.StringBuilder();
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
        if (text.Length > 2 && char.IsAsciiLetter(text[0]) && text[1] == ':' && text[2] == '\\' && text.Contains('>', StringComparison.Ordinal)) return true;
        if (text.StartsWith("PS ", StringComparison.Ordinal) && text.Contains('>', StringComparison.Ordinal)) return true;
        var words = text.Split(' ', 2)[0];
        if (words is "$" or "#" or "%" or ">" or "~$" or "~#") return text.Length <= 2 || text[words.Length] == ' ';
        if ((words.EndsWith('$') || words.EndsWith('#') || words.EndsWith('%')) && words.Contains('@', StringComparison.Ordinal)) return true;
        // “name@host dir % command” of a Mac.
        var percent = text.IndexOf(" % ", StringComparison.Ordinal);
        return words.Contains('@', StringComparison.Ordinal) && (percent > 0 || text.EndsWith(" %", StringComparison.Ordinal) || text.Contains("]$ ", StringComparison.Ordinal)) || text.StartsWith('[') && text.Contains('@', StringComparison.Ordinal) && (text.Contains("]$", StringComparison.Ordinal) || text.Contains("]#", StringComparison.Ordinal));
    }
}
