namespace Altrin.Core.Readings.Parsers;

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

    public bool GoesOn(Taken sofar, PastedLine line) => line.IsBlank || !sofar[0].Trimmed.StartsWith("WIFI:", StringComparison.OrdinalIgnoreCase) && Scan.Pair(line.Text) is { } pair && !Labels.Contains(Scan.Fold(pair.Label));

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
