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
        new WindowsIpconfig(), new WindowsArp(), new WindowsTracert(), new WindowsPing(), new WindowsWifiInterfaces(),
            new WindowsWifiNetworks(), new WindowsRoute(), new WindowsGetmac(),
        new IpAddr(), new IpNeigh(), new IpRoute(), new Ifconfig(), new Arp(), new NetstatRoute(), new UnixPing(), new Traceroute(),
            new Tracepath(), new Resolvectl(),
        new NmcliWifi(), new NmcliDevice(), new IwScan(), new IwLink(), new MacNetwork(), new MacWifi(), new WifiDetails(),
            new ClientTable(),
    ];

    /// <returns>A value an output, in order; the same output pasted twice is one. Empty where nothing is recognised.</returns>
    public static IReadOnlyList<PastedReading> Read(string text)
    {
        if (text.Length > MostLetters) text = text[..MostLetters];
        var asItStands = Read(PastedLines.Of(text));
        return PastedLines.Unwrapped(text) is { } lines && Read(lines) is var unwrapped && Says(unwrapped) > Says(asItStands) ? unwrapped
            : asItStands;
    }

    /// <summary>What was read, less what was not: of two ways to take a text the one that says more is right. A torn output says some
    /// things twice.</summary>
    private static int Says(List<PastedReading> readings) => readings.Sum(reading => reading.Facts - reading.Unread.Length - CostOfTearing);

    private const int CostOfTearing = 4;

    private static List<PastedReading> Read(PastedLine[] lines)
    {
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
            while (at < lines.Length)
            {
                // A line longer than any that is printed is passed over; what stands around it is one output.
                if (!Reads(parser, lines[at])) before.Add(lines[at++].Number);
                else if (lines[at].IsBlank || parser.GoesOn(part, lines[at])
                    && !IsOtherTool(lines.AsSpan(at), parser)) part.Add(lines[at++]);
                else break;
            }
            if (parser.Read(part) is { } reading) readings.Add(reading with { Unread = [.. before.Concat(reading.Unread).Distinct().Order()] });
            before.Clear();
        }
        // What stands after the last output that was recognised.
        if (before.Count > 0
            && readings.Count > 0) readings[^1] = readings[^1] with { Unread = [.. readings[^1].Unread.Concat(before).Distinct().Order()] };
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

    private static bool Reads(IPastedParser parser, PastedLine line) =>
        line.Text.Length <= LongestLine || parser.ReadsLongLines && line.Trimmed.StartsWith('[');

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
    public static string[] Split(string text) =>
        text.Replace("\r\n", "\n", StringComparison.Ordinal).Replace('\r', '\n').TrimStart('\ufeff').Split('\n');
}
