namespace Altrin.Core.Readings.Parsers;

/// <summary><c>nmcli device show</c>.</summary>
internal sealed class NmcliDevice : IPastedParser
{
    public string Source => "nmcli-device";
    public int Begins(ReadOnlySpan<PastedLine> rest) =>
        rest[0].Text.StartsWith("GENERAL.DEVICE:", StringComparison.Ordinal) ? 3 : Label(rest[0].Text) is { } label
        && label.StartsWith("IP4.", StringComparison.Ordinal) ? 2 : 0;
    public bool GoesOn(Taken sofar, PastedLine line) =>
        line.IsBlank || Label(line.Text) is not null
        && !(line.Text.StartsWith("GENERAL.DEVICE:", StringComparison.Ordinal) && sofar.Has(line.Text));

    private static string? Label(string text)
    {
        if (Scan.Pair(text) is not { } pair) return null;
        return pair.Label.StartsWith("GENERAL.", StringComparison.Ordinal) || pair.Label.StartsWith("IP4.", StringComparison.Ordinal)
            || pair.Label.StartsWith("IP6.", StringComparison.Ordinal) || pair.Label.StartsWith("DHCP4.", StringComparison.Ordinal)
            || pair.Label.StartsWith("DHCP6.", StringComparison.Ordinal)
            || pair.Label.StartsWith("WIRED-PROPERTIES.", StringComparison.Ordinal)
                || pair.Label.StartsWith("WIFI-PROPERTIES.", StringComparison.Ordinal)
                || pair.Label.StartsWith("CAPABILITIES.", StringComparison.Ordinal)
                || pair.Label.StartsWith("INTERFACE-FLAGS.", StringComparison.Ordinal)
                || pair.Label.StartsWith("CONNECTIONS.", StringComparison.Ordinal) ? pair.Label : null;
    }

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        SeenAdapter? now = null;
        foreach (var line in lines)
        {
            if (line.IsBlank) continue;
            if (Label(line.Text) is not { } label || Scan.Pair(line.Text) is not { } pair) { all.Unread.Add(line.Number); continue; }
            if (label == "GENERAL.DEVICE")
            {
                if (now is not null) all.Adapters.Add(now);
                now = new(pair.Value) { Kind = Scan.KindOf(pair.Value) };
            }
            else now ??= new("") { };
            if (label == "GENERAL.TYPE") now = now with
            {
                Kind = pair.Value switch
                {
                    "ethernet" => Scan.IsVirtual(now.Name)
                ? AdapterKind.Virtual : AdapterKind.Ethernet,
                    "wifi" =>
                AdapterKind.Wifi,
                    "loopback" or "bridge" or "tun" or "wireguard" or "veth" or "dummy" or "wifi-p2p" or "bt" or "vlan" or "ip-tunnel" =>
                    AdapterKind.Virtual,
                    _ => now.Kind
                }
            };
            else if (label == "GENERAL.HWADDR") now = now with { Mac = Scan.Mac(pair.Value) };
            else if (label.StartsWith("IP4.ADDRESS", StringComparison.Ordinal)
                && Scan.AddressWithPrefix(pair.Value) is { } address) now = now.Address is null
                ? now with { Address = address, LinkLocal = Scan.IsLinkLocal(address) } : now with { Also = now.Also.Add(address) };
            else if (label == "IP4.GATEWAY" && Scan.Address(pair.Value) is { } gateway) now = now with { Gateway = gateway };
            else if (label.StartsWith("IP4.DNS", StringComparison.Ordinal)
                && Scan.Address(pair.Value) is { } dns) now = now with { Dns = now.Dns.Add(dns) };
            else if (label.StartsWith("DHCP4.OPTION", StringComparison.Ordinal))
            {
                now = now with { Method = "dhcp" };
                if (pair.Value.StartsWith("dhcp_server_identifier",
                    StringComparison.Ordinal)) now = now with { Server = Scan.Address(pair.Value.Split('=')[^1]) };
            }
        }
        if (now is not null) all.Adapters.Add(now);
        return all.As(Source, ReadingPart.Adapters);
    }
}

/// <summary><c>iw dev … scan</c>.</summary>
internal sealed class IwScan : IPastedParser
{
    public string Source => "iw-scan";
    public int Begins(ReadOnlySpan<PastedLine> rest) => Bss(rest[0].Text) is not null ? 3 : 0;
    public bool GoesOn(Taken sofar, PastedLine line) =>
        line.IsBlank || line.Indent > 0 || Bss(line.Text) is { } bss && !sofar.Says(Bss, bss);

    /// <summary><c>BSS 02:00:5e:10:00:03(on wlan0) -- associated</c>.</summary>
    private static string? Bss(string text) =>
        text.StartsWith("BSS ", StringComparison.Ordinal) ? Scan.Mac(text[4..].Split('(', ' ')[0]) : null;

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        SeenNetwork? now = null;
        bool isPrivate = false, isRsn = false, isWpa = false, isSae = false, isPsk = false, isCompany = false;
        var section = "";
        void Close()
        {
            if (now is not null) all.Networks.Add(now with
            {
                Security = isCompany ? "enterprise" : isSae ? isPsk ? "wpa2-wpa3" : "wpa3"
                : isRsn ? "wpa2" : isWpa ? "wpa" : isPrivate ? "wep" : "open"
            });
            (isPrivate, isRsn, isWpa, isSae, isPsk, isCompany, section) = (false, false, false, false, false, false, "");
        }
        foreach (var line in lines)
        {
            if (line.IsBlank) continue;
            if (Bss(line.Text) is { } bss)
            {
                Close();
                now = new((string?)null) { Bssid = bss };
                continue;
            }
            if (now is null) { all.Unread.Add(line.Number); continue; }
            var text = line.Trimmed;
            if (text.StartsWith("freq:", StringComparison.Ordinal)
                && Scan.Number(text[5..]) is { } mhz) now = now with
                {
                    Band = Scan.BandOf(mhz),
                    Channel = now.Channel
                ?? Scan.ChannelOf(mhz)
                };
            else if (text.StartsWith("signal:", StringComparison.Ordinal)) now = now with { LevelDbm = Scan.Number(text[7..]) };
            else if (text.StartsWith("SSID:", StringComparison.Ordinal)) now = now with { Ssid = Name(text[5..].Trim()) };
            else if (text.StartsWith("DS Parameter set: channel",
                StringComparison.Ordinal)) now = now with { Channel = Scan.Whole(Scan.Words(text)[^1]) ?? now.Channel };
            else if (text.StartsWith("capability:", StringComparison.Ordinal)) isPrivate = text.Contains("Privacy",
                StringComparison.Ordinal);
            else if (text.StartsWith("RSN:", StringComparison.Ordinal)) (isRsn, section) = (true, "rsn");
            else if (text.StartsWith("WPA:", StringComparison.Ordinal)) (isWpa, section) = (true, "wpa");
            else if (text.StartsWith("HT operation:", StringComparison.Ordinal)) section = "ht";
            else if (text.StartsWith("VHT operation:", StringComparison.Ordinal)) section = "vht";
            else if (text.StartsWith("* Authentication suites:", StringComparison.Ordinal) && section is "rsn" or "wpa")
            {
                isSae |= text.Contains("SAE", StringComparison.Ordinal);
                isPsk |= text.Contains("PSK", StringComparison.Ordinal);
                isCompany |= text.Contains("802.1X", StringComparison.Ordinal);
            }
            else if (text.StartsWith("* primary channel:",
                StringComparison.Ordinal)) now = now with { Channel = Scan.Whole(Scan.Words(text)[^1]) ?? now.Channel };
            else if (text.StartsWith("* secondary channel offset:", StringComparison.Ordinal)) now = now with
            {
                WidthMHz = now.WidthMHz
                ?? (text.EndsWith("no secondary", StringComparison.Ordinal) ? 20 : 40)
            };
            else if (section == "vht"
                && text.StartsWith("* channel width:",
                StringComparison.Ordinal)) now = now with
                {
                    WidthMHz = Scan.Whole(Scan.Words(text)[3]) switch
                    {
                        1 => 80,
                        2 => 160,
                        3 =>
                160,
                        _ => now.WidthMHz
                    }
                };
        }
        Close();
        return all.As(Source, ReadingPart.Networks);
    }

    private static string? Name(string text) =>
        text.Length == 0 || text.Replace("\\x00", "", StringComparison.Ordinal).Length == 0 ? null : Scan.Unescape(text);
}

/// <summary><c>iw dev … link</c>.</summary>
internal sealed class IwLink : IPastedParser
{
    public string Source => "iw-link";
    public int Begins(ReadOnlySpan<PastedLine> rest) =>
        rest[0].Text.StartsWith("Connected to ", StringComparison.Ordinal) && Scan.Mac(Scan.Words(rest[0].Text)[2]) is not null
        || rest[0].Text == "Not connected." ? 3 : 0;
    public bool GoesOn(Taken sofar, PastedLine line) => line.IsBlank || line.Indent > 0;

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        SeenNetwork? now = null;
        foreach (var line in lines)
        {
            if (line.IsBlank || line.Text == "Not connected.") continue;
            var text = line.Trimmed;
            if (text.StartsWith("Connected to ",
                StringComparison.Ordinal)) now = new((string?)null) { Bssid = Scan.Mac(Scan.Words(text)[2]) };
            else if (now is null) all.Unread.Add(line.Number);
            else if (text.StartsWith("SSID:", StringComparison.Ordinal)) now = now with
            {
                Ssid = text[5..].Trim() is { Length: > 0 } name
                ? Scan.Unescape(name) : null
            };
            else if (text.StartsWith("freq:", StringComparison.Ordinal)
                && Scan.Number(text[5..]) is { } mhz) now = now with { Band = Scan.BandOf(mhz), Channel = Scan.ChannelOf(mhz) };
            else if (text.StartsWith("signal:", StringComparison.Ordinal)) now = now with { LevelDbm = Scan.Number(text[7..]) };
            else if (text.StartsWith("rx bitrate:", StringComparison.Ordinal) || text.StartsWith("tx bitrate:", StringComparison.Ordinal))
            {
                var words = Scan.Words(text);
                if (words.FirstOrDefault(word => word.EndsWith("MHz", StringComparison.Ordinal)
                    && Scan.Whole(word[..^3]) is not null) is { } width) now = now with { WidthMHz = Scan.Whole(width[..^3]) };
                if (words is ["tx", _, var rate, ..]) now = now with { LinkMbps = Scan.Number(rate) };
            }
        }
        if (now is not null) all.Networks.Add(now);
        return all.As(Source, ReadingPart.Networks);
    }
}
