namespace Altrin.Core.Readings.Parsers;

/// <summary>What a phone shares of its Wi-Fi: the text of the code (<c>WIFI:S:…;T:…;P:…;;</c>), or its lines.</summary>
/// <remarks>The code's form: ZXing's “Barcode contents” page and the Wi-Fi Alliance's WPA3 specification, section 7 (values from memory).
/// The password is passed over, not kept.</remarks>
internal sealed class WifiDetails : IPastedParser
{
    private static readonly string[] Labels = ["networkname", "ssid", "network", "netzwerkname", "nomdurseau", "nombredelared"];
    private static readonly string[] Securities = ["security", "securitytype", "sicherheit", "sicherheitstyp", "scurit", "typedescurit",
        "seguridad", "tipodeseguridad"];
    private static readonly string[] Passwords = ["password", "passwort", "motdepasse", "contrasea"];
    private static readonly string[] Bands = ["band", "frequency", "frequenz", "frequenzband", "frquence", "bande", "frecuencia", "banda"];

    public string Source => "wifi-details";
    public int Begins(ReadOnlySpan<PastedLine> rest)
    {
        if (rest[0].Trimmed.StartsWith("WIFI:", StringComparison.OrdinalIgnoreCase)
            && rest[0].Text.Contains(';', StringComparison.Ordinal)) return 3;
        if (!Labels.Contains(LabelOf(rest[0].Text))) return 0;
        for (var i = 1; i < Math.Min(rest.Length, 7); i++)
            if (LabelOf(rest[i].Text) is var other && (Securities.Contains(other) || Passwords.Contains(other))) return 3;
        return 0;
    }

    public bool GoesOn(Taken sofar, PastedLine line)
    {
        if (line.IsBlank) return true;
        if (sofar[0].Trimmed.StartsWith("WIFI:", StringComparison.OrdinalIgnoreCase)) return false;
        return IsAlone(sofar[0].Text) || Pair(line.Text) is not null ? !Labels.Contains(LabelOf(line.Text)) : IsAlone(sofar[^1].Text);
    }

    /// <summary>A label that stands above its value.</summary>
    private static bool IsAlone(string text) =>
        Pair(text) is null && Scan.Fold(text) is var fold
        && new[] { Labels, Securities, Passwords, Bands }.Any(known => known.Contains(fold));

    private static string LabelOf(string text) => Scan.Fold(Pair(text)?.Label ?? text);

    private static (string Label, string Value)? Pair(string text) =>
        text.Contains('\t', StringComparison.Ordinal) ? Scan.Pair(text, '\t') : Scan.Pair(text);

    /// <summary>Labels and values, beside each other or one above the other.</summary>
    private static IEnumerable<(string Label, string Value, int Number)> Pairs(IReadOnlyList<PastedLine> lines)
    {
        var said = lines.Where(line => !line.IsBlank).ToList();
        for (var i = 0; i < said.Count; i++)
            if (Pair(said[i].Text) is { } pair) yield return (Scan.Fold(pair.Label), pair.Value, said[i].Number);
            else if (IsAlone(said[i].Text) && i + 1 < said.Count
                && !IsAlone(said[i + 1].Text)) yield return (Scan.Fold(said[i].Text), said[++i].Trimmed, said[i].Number);
            else yield return ("", "", said[i].Number);
    }

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        if (lines[0].Trimmed.StartsWith("WIFI:", StringComparison.OrdinalIgnoreCase))
        {
            all.Networks.Add(Code(lines[0].Trimmed[5..]));
            return all.As(Source, ReadingPart.Networks);
        }
        var network = new SeenNetwork((string?)null);
        foreach (var (label, value, number) in Pairs(lines))
            if (Labels.Contains(label)) network = network with { Ssid = value.Length == 0 ? null : value };
            else if (Securities.Contains(label)) network = network with { Security = SecurityWord.Of(value) };
            else if (Passwords.Contains(label)) continue;
            else if (Bands.Contains(label) && Scan.Number(value) is { } ghz) network = network with
            {
                Band = ghz < 3 ? "2.4" : ghz < 5.9
                ? "5" : "6"
            };
            else all.Unread.Add(number);
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
                case 'T':
                    network = network with
                    {
                        Security = value.ToUpperInvariant() switch
                        {
                            "WPA" or "WPA2" => "wpa2",
                            "SAE" => "wpa3",
                            "WPA2-EAP" => "enterprise",
                            "WEP" => "wep",
                            _ => "open"
                        }
                    }; break;
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
