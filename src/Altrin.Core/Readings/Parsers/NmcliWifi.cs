namespace Altrin.Core.Readings.Parsers;

/// <summary><c>nmcli device wifi list</c>: a table, terse (<c>-t</c>) or in blocks (<c>-m multiline</c>), with all fields or with chosen
/// ones (<c>-f</c>).</summary>
internal sealed class NmcliWifi : IPastedParser
{
    private static readonly string[] Fields =
        ["IN-USE", "*", "BSSID", "SSID", "SSID-HEX", "MODE", "CHAN", "FREQ", "RATE", "BANDWIDTH", "SIGNAL", "BARS", "SECURITY",
            "WPA-FLAGS", "RSN-FLAGS", "DEVICE", "ACTIVE", "NAME", "DBUS-PATH"];

    private static readonly string[] Securities = ["WPA1", "WPA2", "WPA3", "WEP", "802.1X", "OWE", "OWE-TM"];

    public string Source => "nmcli-wifi";

    public int Begins(ReadOnlySpan<PastedLine> rest)
    {
        if (IsHead(rest[0].Text) || FullRow(rest[0].Text) is not null) return 3;
        if (Block(rest[0].Text) is not null && rest.Length > 1 && Block(rest[1].Text) is not null) return 3;
        return Terse(rest[0].Text) is { } fields ? fields.Any(IsMac) || fields.Contains("Infra") ? 3 : 2 : 0;
    }

    public bool GoesOn(Taken sofar, PastedLine line)
    {
        if (line.IsBlank) return true;
        if (IsHead(line.Text)) return false;
        if (IsHead(sofar[0].Text)) return FullRow(line.Text) is not null || !sofar[^1].IsBlank && line.Text.Trim('-').Length > 0;
        if (Block(sofar[0].Text) is not null) return Block(line.Text) is not null || IsRule(line.Text);
        return FullRow(line.Text) is not null || Terse(line.Text) is not null;
    }

    private static bool IsMac(string field) => field.Contains(':', StringComparison.Ordinal) && Scan.IsMacLike(field);

    private static bool IsHead(string text) =>
        Scan.Words(text) is { Length: > 1 } words && words.All(Fields.Contains) && words.Any(word => word is "SSID" or "BSSID");

    private static bool IsRule(string text) => text.Length > 8 && text.All(letter => letter is '-');

    /// <summary>A field and its value, as blocks have them; null for any other line.</summary>
    private static (string Label, string Value)? Block(string text) =>
        Scan.Pair(text) is { } pair && pair.Label != "*" && Fields.Contains(pair.Label) ? pair : null;

    /// <summary>A row with all fields, told by what stands in them: wide letters push the columns.</summary>
    private static Dictionary<string, string>? FullRow(string text)
    {
        var words = Scan.Words(text);
        var at = Array.FindIndex(words, IsMac);
        var mode = Array.FindIndex(words, word => word is "Infra" or "Ad-Hoc" or "Mesh");
        if (at is < 0 or > 1 || mode <= at + 1 || mode + 4 >= words.Length || words[mode + 3] is not ("Mbit/s" or "MB/s")) return null;
        var name = text.IndexOf(words[at], StringComparison.Ordinal) + words[at].Length;
        return new()
        {
            ["BSSID"] = words[at],
            ["SSID"] = text[name..text.LastIndexOf($" {words[mode]} ", StringComparison.Ordinal)].Trim(),
            ["CHAN"] = words[mode + 1],
            ["SIGNAL"] = words[mode + 4],
            ["SECURITY"] = string.Join(' ', words[Math.Min(words.Length, mode + 6)..]),
        };
    }

    /// <summary>Fields between colons, a colon within one behind a backslash. Which fields they are is told by what stands in them; null
    /// where it is no such line.</summary>
    private static List<string>? Terse(string text)
    {
        if (!text.Contains(':', StringComparison.Ordinal)) return null;
        var fields = new List<string>();
        var now = new System.Text.StringBuilder();
        for (var i = 0; i < text.Length; i++)
        {
            if (text[i] == '\\' && i + 1 < text.Length) now.Append(text[++i]);
            else if (text[i] == ':')
            {
                fields.Add(now.ToString());
                now.Clear();
            }
            else now.Append(text[i]);
        }
        fields.Add(now.ToString());
        if (fields.Count >= 7 && fields.Any(IsMac)
            && fields.Any(field => field.EndsWith("Mbit/s", StringComparison.Ordinal) || field is "Infra")) return fields;
        var hasNumber = fields.Any(field => IsMac(field) || Scan.Whole(field) is not null
            || field.EndsWith(" MHz", StringComparison.Ordinal));
        return fields.Count >= 2 && hasNumber && fields.Any(IsSecurity) ? fields : null;
    }

    private static bool IsSecurity(string field) => Scan.Words(field) is { Length: > 0 } words && words.All(Securities.Contains);

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        var said = lines.Where(line => !line.IsBlank).ToList();
        if (IsHead(said[0].Text)) Table(said, all);
        else if (Block(said[0].Text) is not null) Blocks(said, all);
        else
        {
            var rows = said.Where(line => FullRow(line.Text) is null).Select(line => Terse(line.Text)).OfType<List<string>>().ToList();
            // One number may be a channel or a signal: a number that is no channel settles it for all rows.
            var isSignal = rows.Any(row => Numbers(row) is [var only] && !IsChannel(only));
            foreach (var line in said)
                if (FullRow(line.Text) is { } full) all.Networks.Add(Network(full));
                else if (Terse(line.Text) is { } fields) all.Networks.Add(Network(Named(fields, isSignal)));
                else all.Unread.Add(line.Number);
        }
        return all.As(Source, ReadingPart.Networks);
    }

    private static void Table(List<PastedLine> lines, Gathered all)
    {
        var columns = Columns(lines[0].Text);
        foreach (var line in lines.Skip(1))
            all.Networks.Add(Network(FullRow(line.Text) ?? columns.ToDictionary(column => column.Key,
                column => column.Value.From < line.Text.Length
                    ? line.Text[column.Value.From..Math.Min(column.Value.To, line.Text.Length)].Trim() : "")));
    }

    /// <summary>A network ends at a rule, or where its first field comes again.</summary>
    private static void Blocks(List<PastedLine> lines, Gathered all)
    {
        Dictionary<string, string> now = [];
        foreach (var line in lines)
        {
            if (Block(line.Text) is not { } pair) continue;
            if (now.ContainsKey(pair.Label))
            {
                all.Networks.Add(Network(now));
                now = [];
            }
            now[pair.Label] = pair.Value;
        }
        if (now.Count > 0) all.Networks.Add(Network(now));
    }

    /// <summary>IEEE 802.11: 1 to 14, and from 36 every fourth.</summary>
    private static bool IsChannel(int n) =>
        n is >= 1 and <= 14 || n is >= 36 and <= 64 && n % 4 == 0 || n is >= 100 and <= 144 && n % 4 == 0 || n is >= 149 and <= 177
        && n % 4 == 1;

    private static List<int> Numbers(List<string> fields) => [.. fields.Select(Scan.Whole).OfType<int>()];

    private static Dictionary<string, string> Named(List<string> fields, bool isSignal)
    {
        var named = new Dictionary<string, string>();
        var numbers = Numbers(fields);
        foreach (var field in fields)
            if (IsMac(field)) named.TryAdd("BSSID", field);
            else if (field.EndsWith(" MHz", StringComparison.Ordinal)) named.TryAdd("FREQ", field);
            else if (IsSecurity(field) || field is "--") named["SECURITY"] = field;
            else if (Scan.Whole(field) is not null && numbers.Count < 3) named.TryAdd(numbers.Count == 2 && !named.ContainsKey("CHAN")
                ? "CHAN" : numbers.Count == 2 || isSignal ? "SIGNAL" : "?", field);
            else if (field is not ("" or " " or "*" or "yes" or "no" or "Infra")
                && !field.EndsWith("Mbit/s", StringComparison.Ordinal)) named.TryAdd("SSID", field);
        if (fields.Count >= 7 && !named.ContainsKey("SECURITY")) named["SECURITY"] = "";
        return named;
    }

    private static SeenNetwork Network(IReadOnlyDictionary<string, string> fields)
    {
        string? Field(string name) => fields.TryGetValue(name, out var value) ? value : null;
        var middle = Field("FREQ") is { } freq ? Scan.Number(freq) : null;
        var channel = Field("CHAN") is { } chan ? Scan.Whole(chan) : null;
        return new(Field("SSID") is null or "" or "--" ? null : Scan.Unescape(Field("SSID")!))
        {
            Bssid = Scan.Mac(Field("BSSID")),
            Channel = channel ?? (middle is { } at ? Scan.ChannelOf(at) : null),
            Band = middle is { } mhz ? Scan.BandOf(mhz) : channel is { } n ? Scan.BandOfChannel(n) : null,
            SignalPercent = Scan.Whole(Field("SIGNAL") ?? ""),
            Security = Field("SECURITY") is not { } security ? null : security is "" or "--" ? "open" : SecurityWord.Of(security),
        };
    }

    private static Dictionary<string, (int From, int To)> Columns(string head)
    {
        var starts = new List<(string Name, int At)>();
        for (var i = 0; i < head.Length;)
        {
            if (head[i] == ' ') { i++; continue; }
            var from = i;
            while (i < head.Length && head[i] != ' ') i++;
            starts.Add((head[from..i], from));
        }
        return starts.Select((one, n) => (one.Name, (one.At, n + 1 < starts.Count ? starts[n + 1].At : int.MaxValue)))
            .DistinctBy(one => one.Name).ToDictionary(one => one.Name, one => one.Item2);
    }
}
