namespace Altrin.Core.Readings.Parsers;

/// <summary><c>arp -a</c> of Windows: a table an interface.</summary>
internal sealed class WindowsArp : IPastedParser
{
    private static readonly (string Fold, string Language)[] Columns =
        [("internetaddressphysicaladdresstype", "en"), ("internetadressephysischeadressetyp", "de"),
            ("internetadressephysikaladressetyp", "de"), ("internetadressephysikalischeadressetyp", "de"),
            ("adresseinternetadressephysiquetype", "fr"), ("direccindeinternetdireccinfsicatipo", "es")];

    private static readonly string[] Kinds = ["dynamic", "static", "invalid", "dynamisch", "statisch", "ungltig", "dynamique", "statique",
        "nonvalide", "dinmico", "esttico", "novlido"];

    /// <summary>Nothing is known: said so in words.</summary>
    private static readonly (string Fold, string Language)[] Nothing =
        [("noarpentriesfound", "en"), ("eswurdenkeinearpeintrgegefunden", "de"), ("aucuneentrearptrouve", "fr"),
            ("nosehanencontradoentradasarp", "es"), ("nosehaencontradoningunaentradaarp", "es")];

    public string Source => "windows-arp";

    public int Begins(ReadOnlySpan<PastedLine> rest)
    {
        if (Scan.Known(Nothing, rest[0].Text) is not null) return 3;
        if (Interface(rest[0].Text) is not null) return rest.Length > 1
            && (IsColumns(rest[1].Text) is not null || Row(rest[1]) is not null) ? 3 : 1;
        return IsColumns(rest[0].Text) is not null ? 3 : Row(rest[0]) is not null ? 2 : 0;
    }

    public bool GoesOn(Taken sofar, PastedLine line) =>
        line.IsBlank || line.Indent > 0 || Row(line) is not null || IsColumns(line.Text) is not null || Interface(line.Text) is not null;

    /// <summary><c>Interface: 192.168.1.104 --- 0x5</c>, in any of the languages.</summary>
    private static string? Interface(string text)
    {
        if (!text.Contains("---", StringComparison.Ordinal) || text.Length == 0 || char.IsWhiteSpace(text[0])) return null;
        var fold = Scan.Fold(Scan.Words(text)[0]);
        return fold is "interface" or "schnittstelle" or "interfaz" ? Scan.AddressIn(text) : null;
    }

    private static string? IsColumns(string text) => Scan.Known(Columns, text, whole: true);

    private static (string Address, string Mac)? Row(PastedLine line)
    {
        var words = Scan.Words(line.Text);
        return words.Length >= 3 && Scan.Address(words[0]) is { } address && words[1].Contains('-', StringComparison.Ordinal)
            && Scan.IsMacLike(words[1]) && Kinds.Contains(Scan.Fold(string.Concat(words[2..])))
            ? (address, words[1]) : null;
    }

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        string? adapter = null;
        foreach (var line in lines)
        {
            if (line.IsBlank) continue;
            if (Interface(line.Text) is { } held)
            {
                adapter = held;
                all.Language ??= Scan.Fold(Scan.Words(line.Text)[0]) switch { "schnittstelle" => "de", "interfaz" => "es", _ => null };
            }
            else if (IsColumns(line.Text) is { } language) all.Language = language;
            else if (Scan.Known(Nothing, line.Text) is { } said) all.Language = said;
            else if (Row(line) is { } row)
            {
                if (Scan.IsSomebody(row.Address) && Scan.Mac(row.Mac) is { } mac) all.Neighbours.Add(new(row.Address, mac, null, adapter));
            }
            else all.Unread.Add(line.Number);
        }
        return all.As(Source, ReadingPart.Neighbours);
    }
}

/// <summary><c>getmac</c> and <c>getmac /v</c>.</summary>
internal sealed class WindowsGetmac : IPastedParser
{
    /// <summary>A heading is cut off at the width of its column, so its beginning tells the language.</summary>
    private static readonly (string Fold, string Language)[] Headings =
    [
        ("connectionn", "en"), ("physicaladdress", "en"), ("verbindungsn", "de"), ("physischeadr", "de"), ("physikal", "de"),
        ("nomdeconne", "fr"), ("nomdelaconne", "fr"), ("adressephysique", "fr"), ("nombredecone", "es"), ("nombredelaco", "es"),
            ("direccinfsica", "es"),
    ];

    public string Source => "windows-getmac";

    public int Begins(ReadOnlySpan<PastedLine> rest)
    {
        // Whatever the language: a heading, a rule of several columns under it, a MAC with hyphens below.
        var rule = Math.Min(rest.Length, 3);
        for (var i = 1; i < rule; i++)
            if (IsRule(rest[i].Text)) rule = i;
        if (rule + 1 >= rest.Length || !IsRule(rest[rule].Text)) return 0;
        return Heading(rest[0].Text) is not null || Columns(rest[rule].Text).Count > 1 && IsRow(rest[rule + 1].Text) ? 3 : 0;
    }

    public bool GoesOn(Taken sofar, PastedLine line) =>
        line.IsBlank || (IsRule(line.Text) ? !sofar.HasOne(IsRule) : !sofar.HasOne(IsRule) || IsRow(line.Text));

    private static bool IsRow(string text) =>
        text.Contains("N/A", StringComparison.Ordinal)
        || Scan.Words(text).Any(word => word.Contains('-', StringComparison.Ordinal) && Scan.IsMacLike(word));

    private static string? Heading(string text) => Scan.Known(Headings, text);

    private static bool IsRule(string text) => text.Contains("====", StringComparison.Ordinal) && text.All(letter => letter is '=' or ' ');

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        List<(int From, int To)> columns = [];
        foreach (var line in lines)
        {
            if (line.IsBlank) continue;
            if (IsRule(line.Text)) columns = Columns(line.Text);
            else if (columns.Count == 0) all.Language ??= Heading(line.Text);
            else
            {
                var cells = columns.Select(column => column.From < line.Text.Length
                    ? line.Text[column.From..Math.Min(column.To, line.Text.Length)].Trim() : "").ToList();
                var mac = cells.Select(Scan.Mac).FirstOrDefault(one => one is not null)
                    ?? Scan.Words(line.Text).Select(Scan.Mac).FirstOrDefault(one => one is not null);
                if (mac is null) continue;
                // Four columns with /v: name, maker's name of the card, address, transport.
                var (name, card) = cells.Count >= 4 ? (cells[0], cells[1]) : (mac, "");
                all.Adapters.Add(new(name)
                {
                    Mac = mac,
                    Kind = Scan.IsVirtual(name) || Scan.IsVirtual(card) ? AdapterKind.Virtual
                    : Kind($"{name} {card}")
                });
            }
        }
        return all.As(Source, ReadingPart.Adapters);
    }

    private static AdapterKind Kind(string words)
    {
        words = words.ToLowerInvariant();
        return words.Contains("wi-fi", StringComparison.Ordinal) || words.Contains("wlan", StringComparison.Ordinal)
            || words.Contains("wireless", StringComparison.Ordinal) ? AdapterKind.Wifi
            : words.Contains("ethernet", StringComparison.Ordinal) || words.Contains("gigabit", StringComparison.Ordinal)
                ? AdapterKind.Ethernet : AdapterKind.Other;
    }

    private static List<(int, int)> Columns(string rule)
    {
        var columns = new List<(int, int)>();
        for (var i = 0; i < rule.Length;)
        {
            if (rule[i] != '=') { i++; continue; }
            var from = i;
            while (i < rule.Length && rule[i] == '=') i++;
            columns.Add((from, i));
        }
        return columns;
    }
}
