namespace Altrin.Core.Readings.Parsers;

/// <summary>The list of devices on a router's page, copied as it stands: a heading, then a device a line, between tabs or wide blanks.</summary>
internal sealed class ClientTable : IPastedParser
{
    private static readonly string[] Names = ["name", "hostname", "devicename", "clientname", "device", "host", "client", "gert", "gertename", "nomdelappareil", "appareil", "nom", "dispositivo", "nombre", "equipo"];
    private static readonly string[] Addresses = ["ip", "ipaddress", "ipv4", "ipv4address", "address", "ipadresse", "ipv4adresse", "adresseip", "direccinip", "assignedip", "ipaddr"];
    private static readonly string[] Macs = ["mac", "macaddress", "macid", "hardwareaddress", "physicaladdress", "macadresse", "adressemac", "direccinmac", "macaddr", "hwaddress"];

    /// <summary>How the device hangs on: by cable, on a band, on a Wi-Fi name.</summary>
    private static readonly string[] Ways = ["connection", "connectiontype", "connectedto", "connectedvia", "interface", "ssid", "network", "verbindung", "verbindungsart", "connexion", "typedeconnexion", "conexin", "tipodeconexin"];

    /// <summary>How it came by its address.</summary>
    private static readonly string[] Methods = ["assignment", "addresstype", "iptype", "ipassignment", "addressassignment", "dhcp", "lease", "adressart", "adressvergabe", "attribution", "asignacin"];

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

    public string Source => "client-table";

    public int Begins(ReadOnlySpan<PastedLine> rest)
    {
        var cells = Cells(rest[0].Text);
        if (cells.Count >= 2 && cells.Any(cell => Macs.Contains(Scan.Fold(cell))) && cells.Any(cell => Addresses.Contains(Scan.Fold(cell)) || Names.Contains(Scan.Fold(cell)))) return 3;
        if (cells.Count >= 2 && cells.Any(cell => Addresses.Contains(Scan.Fold(cell))) && cells.Any(cell => Names.Contains(Scan.Fold(cell)))) return 2;
        return IsRow(cells) ? 1 : 0;
    }

    public bool GoesOn(Taken sofar, PastedLine line) => line.IsBlank || Begins([line]) < 2 && (IsRow(Cells(line.Text)) || sofar.Count > 0 && Cells(line.Text).Count > 1);

    private static bool IsRow(List<string> cells) => cells.Count >= 2 && cells.Any(cell => Scan.Mac(cell) is not null) && cells.Any(cell => Scan.Address(cell) is not null);

    private static List<string> Cells(string text)
    {
        if (text.Contains('\t', StringComparison.Ordinal)) return [.. text.Split('\t').Select(cell => cell.Trim())];
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
        if (cells.Count == 1 && Scan.Words(text) is { Length: >= 2 } words && words.Any(word => Scan.Mac(word) is not null) && words.Any(word => Scan.Address(word) is not null)) return Joined(words);
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
        int nameAt = -1, wayAt = -1, heldAt = -1;
        foreach (var line in lines)
        {
            if (line.IsBlank) continue;
            var cells = Cells(line.Text);
            if (Begins([line]) >= 2)
            {
                nameAt = cells.FindIndex(cell => Names.Contains(Scan.Fold(cell)));
                wayAt = cells.FindIndex(cell => Ways.Contains(Scan.Fold(cell)));
                heldAt = cells.FindIndex(cell => Methods.Contains(Scan.Fold(cell)));
                continue;
            }
            var mac = cells.Select(Scan.Mac).FirstOrDefault(one => one is not null);
            var address = cells.Select(Scan.Address).FirstOrDefault(one => one is not null);
            if (mac is null && address is null) { all.Unread.Add(line.Number); continue; }
            var name = nameAt >= 0 && nameAt < cells.Count ? cells[nameAt] : cells.FirstOrDefault(cell => cell.Any(char.IsLetter) && Scan.Mac(cell) is null && Scan.Address(cell) is null && Scan.Fold(cell) is not ("dhcp" or "static" or "active" or "online" or "wired" or "wireless" or "lan" or "wlan" or "ethernet" or "wifi"));
            if (name is null || Scan.Mac(name) is not null || Scan.Address(name) is not null || Scan.Fold(name) is "" or "unknown" or "unknowndevice" or "na" or "unbekannt" or "inconnu" or "desconocido") name = null;
            var by = wayAt >= 0 && wayAt < cells.Count && cells[wayAt].Length > 0 ? cells[wayAt] : null;
            if (address is null || Scan.IsSomebody(address)) all.Neighbours.Add(new(address, mac, name, by)
            {
                Held = heldAt >= 0 && heldAt < cells.Count && MethodWords.TryGetValue(Scan.Fold(cells[heldAt]), out var held) ? held : null,
            });
        }
        return all.As(Source, ReadingPart.Neighbours);
    }
}
