namespace Altrin.Core.Readings.Parsers;

/// <summary><c>networksetup -getinfo</c>.</summary>
internal sealed class MacNetwork : IPastedParser
{
    public string Source => "mac-network";
    public int Begins(ReadOnlySpan<PastedLine> rest) => rest[0].Text is "DHCP Configuration" or "Manual Configuration" or "Manually Using DHCP Router Configuration" or "BOOTP Configuration" ? 3 : 0;
    public bool GoesOn(IReadOnlyList<PastedLine> sofar, PastedLine line) => line.IsBlank || Begins([line]) == 0 && Scan.Pair(line.Text) is not null && sofar.Count < 14;

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        var adapter = new SeenAdapter("");
        string? mask = null;
        foreach (var line in lines)
        {
            if (line.IsBlank) continue;
            if (Begins([line]) > 0) adapter = adapter with { Method = line.Text.StartsWith("DHCP", StringComparison.Ordinal) ? "dhcp" : line.Text.StartsWith("Manual C", StringComparison.Ordinal) ? "static" : null };
            else if (Scan.Pair(line.Text) is { } pair)
                switch (pair.Label)
                {
                    case "IP address": adapter = adapter with { Address = Scan.Address(pair.Value), LinkLocal = Scan.IsLinkLocal(pair.Value) }; break;
                    case "Subnet mask": mask = pair.Value; break;
                    case "Router": adapter = adapter with { Gateway = Scan.Address(pair.Value) }; break;
                    case "Wi-Fi ID": adapter = adapter with { Kind = AdapterKind.Wifi, Mac = Scan.Mac(pair.Value) }; break;
                    case "Ethernet Address": adapter = adapter with { Kind = AdapterKind.Ethernet, Mac = Scan.Mac(pair.Value) }; break;
                    default:
                        if (!pair.Label.StartsWith("IPv6", StringComparison.Ordinal) && pair.Label is not "Client ID") all.Unread.Add(line.Number);
                        break;
                }
            else all.Unread.Add(line.Number);
        }
        if (adapter.Address is { } address) adapter = adapter with { Address = Scan.WithMask(address, mask) };
        all.Adapters.Add(adapter);
        return all.As(Source, ReadingPart.Adapters);
    }
}

/// <summary>The Wi-Fi part of <c>system_profiler</c>.</summary>
internal sealed class MacWifi : IPastedParser
{
    private static readonly string[] Fields = ["PHY Mode", "Channel", "Country Code", "Network Type", "Security", "Signal / Noise", "Transmit Rate", "MCS Index", "BSSID"];

    public string Source => "mac-wifi";
    public int Begins(ReadOnlySpan<PastedLine> rest) => rest[0].Trimmed is "Wi-Fi:" or "AirPort:" ? 3 : rest[0].Trimmed is "Current Network Information:" or "Other Local Wi-Fi Networks:" ? 2 : 0;
    public bool GoesOn(IReadOnlyList<PastedLine> sofar, PastedLine line) => line.IsBlank || line.Indent > 0;

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        SeenNetwork? now = null;
        SeenAdapter? adapter = null;
        var isList = false;
        var depth = 0;
        void Close()
        {
            if (now is not null) all.Networks.Add(now);
            now = null;
        }
        foreach (var line in lines)
        {
            if (line.IsBlank) continue;
            var text = line.Trimmed;
            if (text is "Current Network Information:" or "Other Local Wi-Fi Networks:") { Close(); (isList, depth) = (true, line.Indent); continue; }
            if (isList && line.Indent <= depth) { Close(); isList = false; }
            if (isList && text.EndsWith(':') && !Fields.Contains(text.TrimEnd(':')))
            {
                Close();
                now = new(text.TrimEnd(':'));
                continue;
            }
            if (Scan.Pair(text) is not { } pair) continue;
            if (!isList)
            {
                if (text.EndsWith(':') && text.StartsWith("en", StringComparison.Ordinal) && !text.Contains(' ', StringComparison.Ordinal))
                {
                    if (adapter is not null) all.Adapters.Add(adapter);
                    adapter = new(text.TrimEnd(':')) { Kind = AdapterKind.Wifi };
                }
                else if (pair.Label == "MAC Address" && adapter is not null) adapter = adapter with { Mac = Scan.Mac(pair.Value) };
                continue;
            }
            if (now is null) continue;
            switch (pair.Label)
            {
                // “36 (5GHz, 80MHz)”
                case "Channel":
                    var words = Scan.Words(pair.Value.Replace('(', ' ').Replace(')', ' ').Replace(',', ' '));
                    now = now with { Channel = words.Length > 0 ? Scan.Whole(words[0]) : null };
                    foreach (var word in words.Skip(1))
                        if (word.EndsWith("GHz", StringComparison.Ordinal)) now = now with { Band = word[..^3] switch { "2" or "2.4" => "2.4", var band => band } };
                        else if (word.EndsWith("MHz", StringComparison.Ordinal)) now = now with { WidthMHz = Scan.Whole(word[..^3]) };
                    now = now with { Band = now.Band ?? (now.Channel is { } channel ? Scan.BandOfChannel(channel) : null) };
                    break;
                case "Security": now = now with { Security = pair.Value == "None" ? "open" : SecurityWord.Of(pair.Value) }; break;
                case "Signal / Noise": now = now with { LevelDbm = Scan.Number(pair.Value) }; break;
                case "BSSID": now = now with { Bssid = Scan.Mac(pair.Value) }; break;
            }
        }
        Close();
        if (adapter is not null) all.Adapters.Add(adapter);
        return all.As(Source, ReadingPart.Networks);
    }
}

/// <summary>The list of devices on a router's page, copied as it stands: a heading, then a device a line, between tabs or wide blanks.</summary>
internal sealed class ClientTable : IPastedParser
{
    private static readonly string[] Names = ["name", "hostname", "devicename", "clientname", "device", "host", "client", "gert", "gertename", "nomdelappareil", "appareil", "nom", "dispositivo", "nombre", "equipo"];
    private static readonly string[] Addresses = ["ip", "ipaddress", "ipv4", "ipv4address", "address", "ipadresse", "ipv4adresse", "adresseip", "direccinip", "assignedip", "ipaddr"];
    private static readonly string[] Macs = ["mac", "macaddress", "macid", "hardwareaddress", "physicaladdress", "macadresse", "adressemac", "direccinmac", "macaddr", "hwaddress"];

    public string Source => "client-table";

    public int Begins(ReadOnlySpan<PastedLine> rest)
    {
        var cells = Cells(rest[0].Text);
        if (cells.Count >= 2 && cells.Any(cell => Macs.Contains(Scan.Fold(cell))) && cells.Any(cell => Addresses.Contains(Scan.Fold(cell)) || Names.Contains(Scan.Fold(cell)))) return 3;
        if (cells.Count >= 2 && cells.Any(cell => Addresses.Contains(Scan.Fold(cell))) && cells.Any(cell => Names.Contains(Scan.Fold(cell)))) return 2;
        return IsRow(cells) ? 1 : 0;
    }

    public bool GoesOn(IReadOnlyList<PastedLine> sofar, PastedLine line) => line.IsBlank || Begins([line]) < 2 && (IsRow(Cells(line.Text)) || sofar.Count > 0 && Cells(line.Text).Count > 1);

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
        var nameAt = -1;
        foreach (var line in lines)
        {
            if (line.IsBlank) continue;
            var cells = Cells(line.Text);
            if (Begins([line]) >= 2)
            {
                nameAt = cells.FindIndex(cell => Names.Contains(Scan.Fold(cell)));
                continue;
            }
            var mac = cells.Select(Scan.Mac).FirstOrDefault(one => one is not null);
            var address = cells.Select(Scan.Address).FirstOrDefault(one => one is not null);
            if (mac is null && address is null) { all.Unread.Add(line.Number); continue; }
            var name = nameAt >= 0 && nameAt < cells.Count ? cells[nameAt] : cells.FirstOrDefault(cell => cell.Any(char.IsLetter) && Scan.Mac(cell) is null && Scan.Address(cell) is null && Scan.Fold(cell) is not ("dhcp" or "static" or "active" or "online" or "wired" or "wireless" or "lan" or "wlan" or "ethernet" or "wifi"));
            if (name is null || Scan.Mac(name) is not null || Scan.Address(name) is not null || Scan.Fold(name) is "" or "unknown" or "unknowndevice" or "na" or "unbekannt" or "inconnu" or "desconocido") name = null;
            if (address is null || Scan.IsSomebody(address)) all.Neighbours.Add(new(address, mac, name));
        }
        return all.As(Source, ReadingPart.Neighbours);
    }
}

/// <summary>What a phone shares of its Wi-Fi: the text of the code (<c>WIFI:S:…;T:…;P:…;;</c>), or its lines.</summary>
/// <remarks>The code's form: ZXing's “Barcode contents” page and the Wi-Fi Alliance's WPA3 specification, section 7 (values from memory). The password is passed over, not kept.</remarks>
internal sealed class WifiDetails : IPastedParser
{
    private static readonly string[] Labels = ["networkname", "ssid", "network", "netzwerkname", "nomdurseau", "nombredelared"];

    public string Source => "wifi-details";
    public int Begins(ReadOnlySpan<PastedLine> rest)
    {
        if (rest[0].Trimmed.StartsWith("WIFI:", StringComparison.OrdinalIgnoreCase) && rest[0].Text.Contains(';', StringComparison.Ordinal)) return 3;
        if (Scan.Pair(rest[0].Text) is not { } pair || !Labels.Contains(Scan.Fold(pair.Label))) return 0;
        for (var i = 1; i < Math.Min(rest.Length, 5); i++)
            if (Scan.Pair(rest[i].Text) is { } other && Scan.Fold(other.Label) is "security" or "password" or "passwort" or "sicherheit" or "motdepasse" or "scurit" or "contrasea" or "seguridad" or "securitytype") return 3;
        return 0;
    }

    public bool GoesOn(IReadOnlyList<PastedLine> sofar, PastedLine line) => line.IsBlank || !sofar[0].Trimmed.StartsWith("WIFI:", StringComparison.OrdinalIgnoreCase) && Scan.Pair(line.Text) is { } pair && !Labels.Contains(Scan.Fold(pair.Label));

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        if (lines[0].Trimmed.StartsWith("WIFI:", StringComparison.OrdinalIgnoreCase))
        {
            all.Networks.Add(Code(lines[0].Trimmed[5..]));
            return all.As(Source, ReadingPart.Networks);
        }
        var network = new SeenNetwork((string?)null);
        foreach (var line in lines)
        {
            if (line.IsBlank) continue;
            if (Scan.Pair(line.Text) is not { } pair) { all.Unread.Add(line.Number); continue; }
            var fold = Scan.Fold(pair.Label);
            if (Labels.Contains(fold)) network = network with { Ssid = pair.Value.Length == 0 ? null : pair.Value };
            else if (fold is "security" or "securitytype" or "sicherheit" or "scurit" or "seguridad") network = network with { Security = SecurityWord.Of(pair.Value) };
            else if (fold is "password" or "passwort" or "motdepasse" or "contrasea") continue;
            else if (fold is "band" or "frequency" && Scan.Number(pair.Value) is { } ghz) network = network with { Band = ghz < 3 ? "2.4" : ghz < 5.9 ? "5" : "6" };
            else all.Unread.Add(line.Number);
        }
        all.Networks.Add(network);
        return all.As(Source, ReadingPart.Networks);
    }

    /// <summary>Fields end with a semicolon; a semicolon, comma, colon, quote or backslash within one stands behind a backslash.</summary>
    private static SeenNetwork Code(string text)
    {
        var network = new SeenNetwork((string?)null) { Security = "open" };
        var field = new System.Text.StringBuilder();
        for (var i = 0; i < text.Length; i++)
        {
            if (text[i] == '\\' && i + 1 < text.Length) { field.Append('\\').Append(text[++i]); continue; }
            if (text[i] != ';') { field.Append(text[i]); continue; }
            Take(field.ToString());
            field.Clear();
        }
        if (field.Length > 0) Take(field.ToString());
        return network;

        void Take(string one)
        {
            if (one.Length < 2 || one[1] != ':') return;
            var value = Bare(one[2..]);
            switch (char.ToUpperInvariant(one[0]))
            {
                case 'S': network = network with { Ssid = value }; break;
                // “WPA” says a personal password of any generation, which the home's boxes speak as WPA2.
                case 'T': network = network with { Security = value.ToUpperInvariant() switch { "WPA" or "WPA2" => "wpa2", "SAE" => "wpa3", "WPA2-EAP" => "enterprise", "WEP" => "wep", _ => "open" } }; break;
            }
        }
    }

    private static string Bare(string text)
    {
        var bare = new System.Text.StringBuilder();
        for (var i = 0; i < text.Length; i++) bare.Append(text[i] == '\\' && i + 1 < text.Length ? text[++i] : text[i]);
        return bare.ToString();
    }
}
