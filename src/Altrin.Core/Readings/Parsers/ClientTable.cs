namespace Altrin.Core.Readings.Parsers;

/// <summary>The list of devices on a router's page, copied as it stands: a heading, then a device a line, between tabs, semicolons, bars or
/// wide blanks.
/// Some pages copy a cell a line, some put the name on a line above its row.</summary>
internal sealed class ClientTable : IPastedParser
{
    private static readonly string[] Names = ["name", "hostname", "devicename", "clientname", "device", "host", "client", "gert",
        "gertename", "nomdelappareil", "appareil", "nom", "dispositivo", "nombre", "equipo"];
    private static readonly string[] Addresses = ["ip", "ipaddress", "ipv4", "ipv4address", "address", "ipadresse", "ipv4adresse",
        "adresseip", "direccinip", "assignedip", "ipaddr"];
    private static readonly string[] Macs = ["mac", "macaddress", "macid", "hardwareaddress", "physicaladdress", "macadresse",
        "adressemac", "direccinmac", "macaddr", "hwaddress"];

    /// <summary>How the device hangs on: by cable, on a band, on a Wi-Fi name.</summary>
    private static readonly string[] Ways = ["connection", "connectiontype", "connectedto", "connectedvia", "interface", "ssid", "network",
        "verbindung", "verbindungsart", "connexion", "typedeconnexion", "conexin", "tipodeconexin"];

    /// <summary>Columns that tell nothing here, but stand between others.</summary>
    private static readonly string[] Others = ["status", "type", "leasetime", "expires", "remaining", "signal", "band", "online", "speed",
        "vendor", "active", "number", "restlaufzeit", "tat", "estado"];

    /// <summary>How it came by its address.</summary>
    private static readonly string[] Methods = ["assignment", "addresstype", "iptype", "ipassignment", "addressassignment", "dhcp",
        "lease", "adressart", "adressvergabe", "attribution", "asignacin"];

    private static readonly Dictionary<string, Held> MethodWords = new()
    {
        ["dhcp"] = Held.Leased,
        ["dynamic"] = Held.Leased,
        ["automatic"] = Held.Leased,
        ["dynamisch"] = Held.Leased,
        ["dynamique"] = Held.Leased,
        ["dinmica"] = Held.Leased,
        ["reserved"] = Held.Reserved,
        ["reservation"] = Held.Reserved,
        ["reserviert"] = Held.Reserved,
        ["rserve"] = Held.Reserved,
        ["reservada"] = Held.Reserved,
        ["static"] = Held.Fixed,
        ["fixed"] = Held.Fixed,
        ["manual"] = Held.Fixed,
        ["statisch"] = Held.Fixed,
        ["manuell"] = Held.Fixed,
        ["statique"] = Held.Fixed,
        ["fixe"] = Held.Fixed,
        ["esttica"] = Held.Fixed,
        ["fija"] = Held.Fixed,
    };

    private static readonly string[] NoNames =
        ["", "unknown", "unknowndevice", "na", "unbekannt", "inconnu", "desconocido"];

    private static readonly string[] Plain = ["dhcp", "static", "active", "online", "wired", "wireless", "lan", "wlan", "ethernet", "wifi"];

    public string Source => "client-table";

    public int Begins(ReadOnlySpan<PastedLine> rest)
    {
        var cells = Cells(rest[0].Text);
        if (HeadingSure(cells) is > 0 and var sure) return sure;
        if (IsRow(cells)) return 1;
        if (HeadingLines(rest) > 0) return 3;
        return IsNameAbove(rest) ? 1 : 0;
    }

    public bool GoesOn(Taken sofar, PastedLine line)
    {
        if (line.IsBlank) return true;
        var cells = Cells(line.Text);
        if (HeadingSure(cells) > 0) return false;
        // A cell a line, or names above their rows: a line of one cell is one of ours too.
        var isOneCell = cells.Count == 1 && line.Text.Length <= LongestCell;
        return IsRow(cells) || cells.Count > 1 || isOneCell
            && (Cells(sofar[0].Text).Count == 1 || sofar.Count == 1 || sofar.HasOne(IsOneCell));
    }

    private const int LongestCell = 64;

    private static bool IsOneCell(string text) => text.Length > 0 && Cells(text).Count == 1;

    private static int HeadingSure(List<string> cells)
    {
        if (cells.Count < 2) return 0;
        var folds = cells.Select(Scan.Fold).ToList();
        var (hasMac, hasAddress, hasName) = (folds.Any(Macs.Contains), folds.Any(Addresses.Contains), folds.Any(Names.Contains));
        return hasMac && (hasAddress || hasName) ? 3 : hasAddress && hasName ? 2 : 0;
    }

    /// <summary>Lines at the top that are each the heading of a column, one of them of MACs; 0 where they are none.</summary>
    private static int HeadingLines(ReadOnlySpan<PastedLine> rest)
    {
        var (count, hasMac, hasOther) = (0, false, false);
        foreach (var line in rest)
        {
            if (line.IsBlank) continue;
            var fold = Scan.Fold(line.Text);
            var (isMac, isKey) = (Macs.Contains(fold), Addresses.Contains(fold) || Names.Contains(fold));
            if (!isMac && !isKey && !Ways.Contains(fold) && !Methods.Contains(fold) && !Others.Contains(fold)) break;
            (count, hasMac, hasOther) = (count + 1, hasMac || isMac, hasOther || isKey);
        }
        return hasMac && hasOther ? count : 0;
    }

    /// <summary>A name alone on its line, over a row that has none.</summary>
    private static bool IsNameAbove(ReadOnlySpan<PastedLine> rest)
    {
        if (rest.Length < 2 || rest[0].Text.Length > LongestCell || !IsOneCell(rest[0].Text)) return false;
        var cells = Cells(rest[1].Text);
        return IsRow(cells) && NameOf(cells) is null && Scan.Mac(rest[0].Text) is null && Scan.Address(rest[0].Text) is null;
    }

    private static bool IsRow(List<string> cells) =>
        cells.Count >= 2 && cells.Any(cell => Scan.Mac(cell) is not null) && cells.Any(cell => Scan.Address(cell) is not null);

    private static List<string> Cells(string text)
    {
        foreach (var mark in (ReadOnlySpan<char>)['\t', ';', '|'])
            if (text.Contains(mark, StringComparison.Ordinal))
            {
                // A bar may also stand before the first cell and after the last.
                var marked = text.Split(mark).Select(cell => cell.Trim().Trim('"')).ToList();
                if (mark == '|' && marked.Count > 2 && marked[0].Length == 0) marked.RemoveAt(0);
                return marked;
            }
        var cells = new List<string>();
        var from = 0;
        for (var i = 0; i <= text.Length; i++)
        {
            if (i < text.Length && !(text[i] == ' ' && i + 1 < text.Length && text[i + 1] == ' ')) continue;
            if (text[from..i].Trim() is { Length: > 0 } cell) cells.Add(cell);
            while (i < text.Length && text[i] == ' ') i++;
            from = i;
        }
        // Single blanks all along: the addresses tell the cells apart.
        if (cells.Count == 1 && Scan.Words(text) is { Length: >= 2 } words && words.Any(word => Scan.Mac(word) is not null)
            && words.Any(word => Scan.Address(word) is not null)) return Joined(words);
        return cells;
    }

    private static List<string> Joined(string[] words)
    {
        var cells = new List<string>();
        var name = new List<string>();
        foreach (var word in words)
        {
            if (Scan.Mac(word) is null && Scan.Address(word) is null) { name.Add(word); continue; }
            if (name.Count > 0) cells.Add(string.Join(' ', name));
            name.Clear();
            cells.Add(word);
        }
        if (name.Count > 0) cells.Add(string.Join(' ', name));
        return cells;
    }

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        List<string>? heading = null;
        string? above = null;
        foreach (var (cells, number) in Rows(lines))
        {
            if (HeadingSure(cells) > 0)
            {
                heading = [.. cells.Select(Scan.Fold)];
                continue;
            }
            var mac = cells.Select(Scan.Mac).FirstOrDefault(one => one is not null);
            var address = cells.Select(Scan.Address).FirstOrDefault(one => one is not null);
            if (mac is null && address is null)
            {
                above = cells.Count == 1 ? cells[0] : null;
                if (above is null) all.Unread.Add(number);
                continue;
            }
            // A row that lacks its first cell has it on the line above.
            var row = above is not null && heading is not null && cells.Count < heading.Count ? [above, .. cells] : cells;
            string? Cell(string[] known) => heading?.FindIndex(known.Contains) is { } at and >= 0 && at < row.Count ? row[at] : null;
            var name = Named(Cell(Names)) ?? (heading?.Any(Names.Contains) == true ? null : NameOf(row)) ?? Named(above);
            above = null;
            if (address is not null && !Scan.IsSomebody(address)) continue;
            all.Neighbours.Add(new(address, mac, name, Cell(Ways) is { Length: > 0 } way ? way : null)
            {
                Held = Cell(Methods) is { } method && MethodWords.TryGetValue(Scan.Fold(method), out var held) ? held : null,
            });
        }
        return all.As(Source, ReadingPart.Neighbours);
    }

    /// <summary>Rows of cells; what was copied a cell a line is put together again, from MAC to MAC.</summary>
    private static IEnumerable<(List<string> Cells, int Number)> Rows(IReadOnlyList<PastedLine> lines)
    {
        var said = lines.Where(line => !line.IsBlank).ToArray();
        if (HeadingSure(Cells(said[0].Text)) > 0
            || HeadingLines(said) is not (> 0 and var width)) return said.Select(line => (Cells(line.Text), line.Number));
        var heading = said[..width].Select(line => line.Trimmed).ToList();
        var column = heading.FindIndex(cell => Macs.Contains(Scan.Fold(cell)));
        var macs = Enumerable.Range(width, said.Length - width).Where(i => Scan.Mac(said[i].Trimmed) is not null).ToList();
        var rows = new List<(List<string>, int)> { (heading, said[0].Number) };
        foreach (var (at, n) in macs.Select((at, n) => (at, n)))
        {
            // A cell that is empty leaves no line: a row never reaches into the next.
            var from = Math.Max(at - column, n == 0 ? width : macs[n - 1] + 1);
            var to = Math.Min(from + width, n + 1 < macs.Count ? Math.Max(at + 1, macs[n + 1] - column) : said.Length);
            var cells = said[from..to].Select(line => line.Trimmed).ToList();
            cells.InsertRange(0, Enumerable.Repeat("", column - (at - from)));
            rows.Add((cells, said[from].Number));
        }
        return rows;
    }

    private static string? Named(string? cell) =>
        cell is null || NoNames.Contains(Scan.Fold(cell)) || Scan.Mac(cell) is not null || Scan.Address(cell) is not null ? null : cell;

    /// <summary>The first cell that looks like a name, where no heading says which it is.</summary>
    private static string? NameOf(List<string> cells) => Named(cells.FirstOrDefault(cell =>
        cell.Any(char.IsLetter) && Scan.Mac(cell) is null && Scan.Address(cell) is null && !Plain.Contains(Scan.Fold(cell))));
}
