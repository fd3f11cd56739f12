namespace Altrin.Core.Readings.Parsers;

/// <summary><c>netsh wlan show networks mode=bssid</c>.</summary>
internal sealed class WindowsWifiNetworks : IPastedParser
{
    public string Source => "windows-wifi-networks";

    public int Begins(ReadOnlySpan<PastedLine> rest)
    {
        var fold = Scan.Fold(rest[0].Text);
        if (fold.StartsWith("interfacename", StringComparison.Ordinal) || fold.StartsWith("schnittstellenname", StringComparison.Ordinal) || fold.StartsWith("nomdelinterface", StringComparison.Ordinal) || fold.StartsWith("nombredeinterfaz", StringComparison.Ordinal) || fold.StartsWith("nombredelainterfaz", StringComparison.Ordinal)) return rest[0].Text.Contains(':', StringComparison.Ordinal) ? 3 : 0;
        return SsidLine(rest[0].Text) is not null ? 3 : 0;
    }

    public bool GoesOn(Taken sofar, PastedLine line) => line.IsBlank || line.Indent > 0 || SsidLine(line.Text) is not null || sofar.Count < 4 && Begins([line]) == 0;

    /// <summary><c>SSID 3 : name</c>; hidden ones are empty.</summary>
    private static string? SsidLine(string text)
    {
        if (Scan.Pair(text) is not { } pair) return null;
        var words = Scan.Words(pair.Label);
        return words is ["SSID", var n] && Scan.Whole(n) is not null ? pair.Value : null;
    }

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        string? ssid = null, security = null, encryption = null;
        SeenNetwork? now = null;
        var isOpenEnded = false;
        void Close()
        {
            if (now is not null) all.Networks.Add(now);
            else if (isOpenEnded) all.Networks.Add(new(ssid) { Security = security });
            (now, isOpenEnded) = (null, false);
        }
        foreach (var line in lines)
        {
            if (line.IsBlank) continue;
            if (SsidLine(line.Text) is { } name)
            {
                Close();
                (ssid, security, encryption, isOpenEnded) = (name.Length == 0 ? null : name, null, null, true);
                continue;
            }
            if (Scan.Pair(line.Text) is not { } pair)
            {
                if (line.Indent == 0 && Language(Scan.Fold(line.Text)) is { } said) all.Language ??= said;
                else if (!IsContinued(line)) all.Unread.Add(line.Number);
                continue;
            }
            var fold = Scan.Fold(pair.Label);
            switch (fold)
            {
                case "authentication" or "authentifizierung" or "authentification" or "autenticacin":
                    security = SecurityWord.OfWindows(pair.Value);
                    all.Language ??= fold switch { "authentication" => "en", "authentifizierung" => "de", "authentification" => "fr", _ => "es" };
                    break;
                case "encryption" or "verschlsselung" or "chiffrement" or "cifrado":
                    encryption = Scan.Fold(pair.Value);
                    if (encryption == "wep" && security == "open") security = "wep";
                    break;
                case "signal" or "seal":
                    if (now is not null) now = now with { SignalPercent = (int?)Scan.Number(pair.Value) };
                    break;
                case "channel" or "kanal" or "canal":
                    if (now is not null && Scan.Whole(Scan.Words(pair.Value).FirstOrDefault() ?? "") is { } channel) now = now with { Channel = channel, Band = now.Band ?? Scan.BandOfChannel(channel) };
                    break;
                case "band" or "bande" or "banda" or "frequenzband" or "bandedefrquence" or "bandadefrecuencia":
                    if (now is not null && Scan.Number(pair.Value) is { } ghz) now = now with { Band = ghz < 3 ? "2.4" : ghz < 5.9 ? "5" : "6" };
                    break;
                default:
                    if (fold.StartsWith("bssid", StringComparison.Ordinal) && Scan.Mac(pair.Value) is { } bssid)
                    {
                        if (now is not null) all.Networks.Add(now);
                        now = new(ssid) { Bssid = bssid, Security = security };
                        isOpenEnded = false;
                    }
                    break;
            }
        }
        Close();
        return all.As(Source, ReadingPart.Networks);
    }

    private static bool IsContinued(PastedLine line) => line.Indent > 0;

    private static string? Language(string fold) =>
        fold.StartsWith("thereare", StringComparison.Ordinal) || fold.StartsWith("thereis", StringComparison.Ordinal) ? "en"
        : fold.StartsWith("derzeitsind", StringComparison.Ordinal) || fold.StartsWith("eswerden", StringComparison.Ordinal) || fold.Contains("netzwerke", StringComparison.Ordinal) ? "de"
        : fold.StartsWith("ilya", StringComparison.Ordinal) || fold.Contains("rseaux", StringComparison.Ordinal) ? "fr"
        : fold.StartsWith("hay", StringComparison.Ordinal) || fold.Contains("redes", StringComparison.Ordinal) ? "es" : null;
}

/// <summary><c>netsh wlan show interfaces</c>: what the laptop has joined.</summary>
internal sealed class WindowsWifiInterfaces : IPastedParser
{
    private static readonly (string Fold, string What)[] Labels =
    [
        ("name", "name"), ("nom", "name"), ("nombre", "name"), ("description", ""), ("beschreibung", ""), ("descripcin", ""), ("physicaladdress", "mac"), ("physischeadresse", "mac"), ("physikalischeadresse", "mac"), ("adressephysique", "mac"), ("direccinfsica", "mac"),
        ("ssid", "ssid"), ("bssid", "bssid"), ("apbssid", "bssid"), ("zugriffspunktbssid", "bssid"), ("band", "band"), ("bande", "band"), ("banda", "band"), ("channel", "channel"), ("kanal", "channel"), ("canal", "channel"), ("signal", "signal"), ("seal", "signal"),
        ("authentication", "security"), ("authentifizierung", "security"), ("authentification", "security"), ("autenticacin", "security"), ("rssi", "rssi"), ("cipher", ""), ("verschlsselung", ""), ("chiffrement", ""), ("cifrado", ""),
    ];

    private static readonly (string Fold, string Language)[] Headings = [("thereis", "en"), ("thereare", "en"), ("esist", "de"), ("essind", "de"), ("ilya", "fr"), ("hay", "es"), ("thereisnowirelessinterface", "en")];

    public string Source => "windows-wifi-interfaces";

    public int Begins(ReadOnlySpan<PastedLine> rest)
    {
        var fold = Scan.Fold(rest[0].Text);
        if (fold.Contains("interface", StringComparison.Ordinal) || fold.Contains("schnittstelle", StringComparison.Ordinal) || fold.Contains("interfaz", StringComparison.Ordinal) || fold.Contains("interfaces", StringComparison.Ordinal))
            if (Scan.Known(Headings, rest[0].Text) is not null) return 3;
        if (What(rest[0].Text) != "name" || rest[0].Indent == 0) return 0;
        for (var i = 1; i < Math.Min(rest.Length, 8); i++)
            if (Scan.Fold(rest[i].Text).StartsWith("guid", StringComparison.Ordinal) || What(rest[i].Text) is "mac" or "ssid") return 3;
        return 0;
    }

    public bool GoesOn(Taken sofar, PastedLine line) => line.IsBlank || line.Indent > 0;

    private static string? What(string text)
    {
        if (Scan.Pair(text) is not { } pair) return null;
        var fold = Scan.Fold(pair.Label);
        foreach (var (label, what) in Labels)
            if (fold == label) return what;
        return null;
    }

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        SeenAdapter? adapter = null;
        SeenNetwork? network = null;
        void Close()
        {
            if (adapter is not null) all.Adapters.Add(adapter);
            if (network is { } joined && (joined.Ssid is not null || joined.Bssid is not null)) all.Networks.Add(joined);
            (adapter, network) = (null, null);
        }
        foreach (var line in lines)
        {
            if (line.IsBlank) continue;
            if (line.Indent == 0 || Scan.Pair(line.Text) is not { } pair)
            {
                if (Scan.Known(Headings, line.Text) is { } language) all.Language = language;
                else all.Unread.Add(line.Number);
                continue;
            }
            switch (What(line.Text))
            {
                case "name":
                    Close();
                    (adapter, network) = (new(pair.Value) { Kind = AdapterKind.Wifi }, new((string?)null));
                    break;
                case "mac" when adapter is not null: adapter = adapter with { Mac = Scan.Mac(pair.Value) }; break;
                case "ssid" when network is not null: network = network with { Ssid = pair.Value.Length == 0 ? null : pair.Value }; break;
                case "bssid" when network is not null: network = network with { Bssid = Scan.Mac(pair.Value) }; break;
                case "band" when network is not null && Scan.Number(pair.Value) is { } ghz: network = network with { Band = ghz < 3 ? "2.4" : ghz < 5.9 ? "5" : "6" }; break;
                case "channel" when network is not null && Scan.Whole(pair.Value) is { } channel: network = network with { Channel = channel, Band = network.Band ?? Scan.BandOfChannel(channel) }; break;
                case "signal" when network is not null: network = network with { SignalPercent = (int?)Scan.Number(pair.Value) }; break;
                case "rssi" when network is not null: network = network with { LevelDbm = Scan.Number(pair.Value) }; break;
                case "security" when network is not null: network = network with { Security = SecurityWord.OfWindows(pair.Value) }; break;
            }
        }
        Close();
        return all.As(Source, ReadingPart.Adapters, ReadingPart.Networks);
    }
}

/// <summary>What tools call a network's security, in the format's words.</summary>
internal static class SecurityWord
{
    public static string? OfWindows(string text)
    {
        var fold = Scan.Fold(text);
        if (fold.Length == 0) return null;
        if (fold is "open" or "offen" or "ouvrir" or "ouvert" or "abierta" or "abierto") return "open";
        if (fold.Contains("enterprise", StringComparison.Ordinal) || fold.Contains("unternehmen", StringComparison.Ordinal) || fold.Contains("entreprise", StringComparison.Ordinal) || fold.Contains("empresa", StringComparison.Ordinal) || fold.Contains("8021x", StringComparison.Ordinal)) return "enterprise";
        return Of(fold);
    }

    /// <summary>Of words that name the generations: WPA and WPA2 together are <c>wpa2</c>.</summary>
    public static string? Of(string text)
    {
        var fold = Scan.Fold(text);
        if (fold.Contains("8021x", StringComparison.Ordinal) || fold.Contains("enterprise", StringComparison.Ordinal) || fold.Contains("eap", StringComparison.Ordinal)) return "enterprise";
        bool three = fold.Contains("wpa3", StringComparison.Ordinal) || fold.Contains("sae", StringComparison.Ordinal), two = fold.Contains("wpa2", StringComparison.Ordinal) || fold.Contains("rsn", StringComparison.Ordinal);
        if (three) return two ? "wpa2-wpa3" : "wpa3";
        if (two) return "wpa2";
        if (fold.Contains("wpa", StringComparison.Ordinal)) return "wpa";
        if (fold.Contains("wep", StringComparison.Ordinal)) return "wep";
        return fold is "" or "none" or "open" or "nopass" or "off" ? "open" : null;
    }
}
