namespace Altrin.Core.Readings.Parsers;

/// <summary><c>tracert</c>: three times a hop, then its name or address.</summary>
internal sealed class WindowsTracert : IPastedParser
{
    private static readonly (string Fold, string Language)[] Headings =
        [("tracingrouteto", "en"), ("routenverfolgungzu", "de"), ("routenverfolgungnach", "de"), ("dtermindelitinraire", "fr"),
            ("dterminationdelitinraire", "fr"), ("dterminationdelitnraire", "fr"), ("trazaala", "es"), ("trazahacia", "es"),
            ("trazaalad", "es"), ("trazadelaruta", "es")];

    private static readonly (string Fold, string Language)[] Ends =
        [("tracecomplete", "en"), ("ablaufverfolgungbeendet", "de"), ("itinrairedtermin", "fr"), ("trazacompleta", "es")];

    private static readonly string[] Silent = ["requesttimedout", "zeitberschreitungderanforderung", "dlaidattentedelademandedpass",
        "dlaidattentedpass", "tiempodeesperaagotadoparaestasolicitud", "seagoteltiempodeesperaparaestasolicitud", "generalfailure",
        "allgemeinerfehler"];

    public string Source => "windows-tracert";

    public int Begins(ReadOnlySpan<PastedLine> rest) => Heading(rest[0].Text) is not null ? 3 : Hop(rest[0].Text) is not null ? 2 : 0;

    public bool GoesOn(Taken sofar, PastedLine line) =>
        Heading(line.Text) is null && !Ends.Any(end => Scan.Fold(sofar[^1].Text).StartsWith(end.Fold, StringComparison.Ordinal))
        || line.IsBlank;

    private static string? Heading(string text) => Scan.Known(Headings, text);

    /// <summary><c>  2    12 ms    *     14 ms  host [192.0.2.1]</c>.</summary>
    private static SeenHop? Hop(string text)
    {
        var words = Scan.Words(text);
        if (words.Length < 4 || Scan.Whole(words[0]) is not { } n || n > 255) return null;
        var times = new List<double>();
        var at = 1;
        for (var tries = 0; tries < 3 && at < words.Length; tries++)
        {
            if (words[at] == "*") at++;
            else if (at + 1 < words.Length && words[at + 1] is "ms" or "mseg" && Scan.Number(words[at]) is { } ms)
            {
                times.Add(words[at].StartsWith('<') ? 0.5 : ms);
                at += 2;
            }
            else return null;
        }
        // A router that says why it goes no further is a router all the same.
        var address = Scan.AddressIn(string.Join(' ', words[at..]));
        return times.Count == 0 ? new(n, null, null) : new(n, address, Scan.Median(times));
    }

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        foreach (var line in lines)
        {
            if (line.IsBlank) continue;
            if (Heading(line.Text) is { } language) all.Language = language;
            else if (Hop(line.Text) is { } hop)
            {
                if (all.Hops.All(one => one.N != hop.N)) all.Hops.Add(hop);
                all.Language ??= SilentLanguage(line.Text);
            }
            else if (Ends.FirstOrDefault(end =>
                Scan.Fold(line.Text).StartsWith(end.Fold, StringComparison.Ordinal)).Language is { } ended) all.Language ??= ended;
            else if (!IsSecondHeading(line.Text)) all.Unread.Add(line.Number);
        }
        return all.As(Source, ReadingPart.Hops);
    }

    private static string? SilentLanguage(string text)
    {
        var fold = Scan.Fold(text);
        return Silent.Any(words => fold.EndsWith(words, StringComparison.Ordinal)) ? fold.EndsWith("timedout", StringComparison.Ordinal)
            ? "en" : fold.EndsWith("anforderung", StringComparison.Ordinal) ? "de" : fold.EndsWith("solicitud", StringComparison.Ordinal)
            ? "es" : "fr" : null;
    }

    /// <summary><c>over a maximum of 30 hops:</c>, which stands on a line of its own for a name.</summary>
    private static bool IsSecondHeading(string text)
    {
        var fold = Scan.Fold(text);
        return fold.Contains("30", StringComparison.Ordinal)
            && (fold.Contains("hops", StringComparison.Ordinal) || fold.Contains("abschnitte", StringComparison.Ordinal)
            || fold.Contains("sauts", StringComparison.Ordinal) || fold.Contains("saltos", StringComparison.Ordinal));
    }
}

/// <summary><c>ping</c> of Windows.</summary>
internal sealed class WindowsPing : IPastedParser
{
    private static readonly (string Fold, string Language)[] Headings = [("pinging", "en"), ("pingwirdausgefhrtfr", "de"),
        ("envoidunerequteping", "fr"), ("envoidunerequtepingsur", "fr"), ("haciendopinga", "es")];
    private static readonly (string Fold, string Language)[] Answers = [("replyfrom", "en"), ("antwortvon", "de"), ("rponsede", "fr"),
        ("respuestadesde", "es")];
    private static readonly (string Fold, string Language)[] Statistics = [("pingstatisticsfor", "en"), ("pingstatistikfr", "de"),
        ("statistiquespingpour", "fr"), ("statistiquesping", "fr"), ("estadsticasdepingpara", "es")];
    private static readonly (string Fold, string Language)[] Packets = [("packetssent", "en"), ("paketegesendet", "de"),
        ("paquetsenvoys", "fr"), ("paquetesenviados", "es")];
    private static readonly string[] Nothing = ["requesttimedout", "zeitberschreitung", "dlaidattente", "tiempodeespera", "seagoteltiempo",
        "approximateroundtrip", "cazeitangaben", "dureapproximative", "tiemposaproximados", "destinationhostunreachable", "generalfailure",
        "allgemeinerfehler", "dfaillancegnrale", "errorgeneral"];
    private static readonly (string Fold, string Language)[] Unknown = [("pingrequestcouldnotfindhost", "en"),
        ("pinganforderungkonntehost", "de"), ("laranctepingnapaspu", "fr"), ("larequtepingnapaspu", "fr"),
        ("lasolicituddepingnopudo", "es")];

    public string Source => "windows-ping";

    public int Begins(ReadOnlySpan<PastedLine> rest)
    {
        if (Scan.Known(Headings, rest[0].Text) is not null || Scan.Known(Unknown, rest[0].Text) is not null) return 3;
        return Scan.Known(Answers, rest[0].Text) is not null && IsAnswer(rest[0].Text) || Scan.Known(Statistics, rest[0].Text) is not null
            ? 2 : 0;
    }

    public bool GoesOn(Taken sofar, PastedLine line) => Scan.Known(Headings, line.Text) is null && Scan.Known(Unknown, line.Text) is null
        && (line.IsBlank || line.Indent > 0 || Scan.Known(Answers, line.Text) is not null || Scan.Known(Statistics, line.Text) is not null
            || Nothing.Any(one => Scan.Fold(line.Text).StartsWith(one, StringComparison.Ordinal)) || Packet(line.Text) is not null);

    private static string? Packet(string text) => Scan.Known(Packets, text);

    /// <summary>With a time; “unreachable” has none. Over IPv6 the time stands alone.</summary>
    private static bool IsAnswer(string text) =>
        text.Contains('=', StringComparison.Ordinal) || text.Contains('<', StringComparison.Ordinal);

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        string? target = null, name = null;
        int answers = 0, others = 0, silent = 0;
        int? sent = null, received = null;
        double? average = null;
        var times = new List<double>();
        foreach (var line in lines)
        {
            if (line.IsBlank) continue;
            var fold = Scan.Fold(line.Text);
            if (Scan.Known(Headings, line.Text) is { } language)
            {
                all.Language = language;
                target = Scan.AnyAddressIn(line.Text);
                name = NameIn(line.Text);
            }
            else if (Scan.Known(Unknown, line.Text) is { } unknown)
            {
                all.Language = unknown;
                name = Scan.Words(line.Text).Select(word => word.Trim('"', '“', '”', '«', '»', '.', ',')).FirstOrDefault(word =>
                    word.Contains('.', StringComparison.Ordinal) && word.Length > 3) ?? name;
                (sent, received) = (0, 0);
            }
            else if (Scan.Known(Answers, line.Text) is { } answered)
            {
                all.Language ??= answered;
                var from = Scan.AnyAddressIn(line.Text);
                if (IsAnswer(line.Text) && (target is null || from == target))
                {
                    target ??= from;
                    answers++;
                    if (Time(line.Text) is { } ms) times.Add(ms);
                }
                else others++;
            }
            else if (Scan.Known(Statistics, line.Text) is { } counted)
            {
                all.Language ??= counted;
                target ??= Scan.AnyAddressIn(line.Text);
            }
            else if (Packet(line.Text) is not null)
            {
                var numbers = line.Text.Split('=').Skip(1).Select(part => (int?)Scan.Number(part)).ToList();
                if (numbers.Count >= 2) (sent, received) = (numbers[0], numbers[1]);
            }
            else if (line.Text.Contains('=', StringComparison.Ordinal) && line.Text.Contains("ms", StringComparison.Ordinal)
                && line.Text.Split('=') is { Length: >= 4 } parts) average = parts[^1].Contains('<', StringComparison.Ordinal) ? 0.5
                : Scan.Number(parts[^1]);
            else if (fold.StartsWith("requesttimedout", StringComparison.Ordinal)
                || fold.StartsWith("zeitberschreitung", StringComparison.Ordinal)
                || fold.StartsWith("dlaidattente", StringComparison.Ordinal) || fold.StartsWith("tiempodeespera", StringComparison.Ordinal)
                || fold.StartsWith("seagoteltiempo", StringComparison.Ordinal)
                || fold.StartsWith("generalfailure", StringComparison.Ordinal)
                    || fold.StartsWith("allgemeinerfehler", StringComparison.Ordinal)) silent++;
            else if (!Nothing.Any(one => fold.StartsWith(one, StringComparison.Ordinal))
                && !fold.StartsWith("lost", StringComparison.Ordinal) && !fold.EndsWith("loss", StringComparison.Ordinal)
                && !IsLossLine(fold)) all.Unread.Add(line.Number);
        }
        if ((target ?? name) is { } to)
            // An “unreachable” from another is counted as received by the tool, and is no answer of the target.
            all.Pings.Add(new(to, sent ?? (answers + others + silent is var tried and > 0 ? tried : null), answers + others + silent > 0
                ? answers : received, average ?? Scan.Median(times)));
        return all.As(Source, ReadingPart.Pings);
    }

    private static bool IsLossLine(string fold) =>
        fold.EndsWith("verlust", StringComparison.Ordinal) || fold.EndsWith("perte", StringComparison.Ordinal)
        || fold.EndsWith("perdidos", StringComparison.Ordinal) || fold.Contains("perte", StringComparison.Ordinal);

    /// <summary>The name that was asked for: the word before the address in brackets.</summary>
    private static string? NameIn(string text) =>
        Scan.Words(text).FirstOrDefault(word => word.Contains('.', StringComparison.Ordinal) && Scan.Address(word) is null
            && !word.StartsWith('['));

    /// <summary><c>time=12ms</c>, <c>Zeit&lt;1ms</c>, <c>temps=12 ms</c>, <c>tiempo=12ms</c>.</summary>
    private static double? Time(string text)
    {
        foreach (var label in new[] { "time", "Zeit", "temps", "tiempo" })
        {
            var at = text.IndexOf(label, StringComparison.OrdinalIgnoreCase);
            if (at < 0) continue;
            var rest = text[(at + label.Length)..].TrimStart();
            return rest.StartsWith('<') ? 0.5 : rest.StartsWith('=') ? Scan.Number(rest[1..]) : null;
        }
        return null;
    }
}

/// <summary><c>route print</c>.</summary>
internal sealed class WindowsRoute : IPastedParser
{
    private static readonly (string Fold, string Language)[] Words =
        [("interfacelist", "en"), ("ipv4routetable", "en"), ("activeroutes", "en"), ("persistentroutes", "en"),
            ("schnittstellenliste", "de"), ("ipv4routentabelle", "de"), ("aktiverouten", "de"), ("stndigerouten", "de"),
            ("listedinterfaces", "fr"), ("listedinterface", "fr"), ("ipv4tablederoutage", "fr"), ("itinrairesactifs", "fr"),
                ("itinrairespersistants", "fr"), ("listadeinterfaces", "es"), ("ilistadeinterfaces", "es"),
                ("ipv4tablaenrutamiento", "es"), ("tabladeenrutamientoipv4", "es"), ("rutasactivas", "es"), ("rutaspersistentes", "es")];

    public string Source => "windows-route";

    public int Begins(ReadOnlySpan<PastedLine> rest)
    {
        var at = IsRule(rest[0].Text) ? 1 : 0;
        return rest.Length > at && Word(rest[at].Text) is not null ? 3 : 0;
    }

    public bool GoesOn(Taken sofar, PastedLine line) =>
        !(Scan.Fold(line.Text) is var fold && fold.Length > 0
        && (fold.StartsWith("interfacelist", StringComparison.Ordinal) || fold.StartsWith("schnittstellenliste", StringComparison.Ordinal)
        || fold.StartsWith("listed", StringComparison.Ordinal) || fold.StartsWith("listade", StringComparison.Ordinal))
        && sofar.Says(Scan.Fold, fold));

    private static bool IsRule(string text) => text.Length > 20 && text.All(letter => letter is '=');

    private static string? Word(string text) => Scan.Known(Words, text, whole: true);

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        var defaults = new List<(string Gateway, string Interface)>();
        var addresses = new List<(string Address, string Mask)>();
        var part = "";
        foreach (var line in lines)
        {
            if (line.IsBlank || IsRule(line.Text)) continue;
            if (Word(line.Text) is { } language)
            {
                all.Language ??= language;
                part = Scan.Fold(line.Text);
                continue;
            }
            if (Scan.Fold(line.Text).StartsWith("ipv6", StringComparison.Ordinal)) { part = "ipv6"; continue; }
            var words = Scan.Words(line.Text);
            // Destination, mask, gateway (or “on-link” in some language), own address, metric.
            if (part != "ipv6" && words.Length >= 5 && Scan.Address(words[0]) is { } to && Scan.PrefixLength(words[1]) is { } length
                && Scan.Whole(words[^1]) is not null && Scan.Address(words[^2]) is { } own)
            {
                if (length == 0 && to == "0.0.0.0" && Scan.Address(words[2]) is { } gateway) defaults.Add((gateway, own));
                else if (length is > 0 and < 32 && Scan.Address(words[2]) is null && Scan.IsSomebody(own) && to != "224.0.0.0"
                    && to != "127.0.0.0") addresses.Add((own, words[1]));
            }
        }
        var owners = addresses.Select(one => one.Address).Concat(defaults.Select(one => one.Interface)).Distinct();
        foreach (var own in owners)
        {
            var mask = addresses.FirstOrDefault(one => one.Address == own).Mask;
            all.Adapters.Add(new(own)
            {
                Address = mask is null ? own : Scan.WithMask(own, mask),
                Gateway = defaults.FirstOrDefault(one => one.Interface == own).Gateway,
                LinkLocal = Scan.IsLinkLocal(own) ? true : null,
            });
        }
        return all.As(Source, ReadingPart.Adapters);
    }
}
