namespace Altrin.Core.Readings.Parsers;

/// <summary><c>networksetup -getinfo</c>.</summary>
internal sealed class MacNetwork : IPastedParser
{
    public string Source => "mac-network";
    public int Begins(ReadOnlySpan<PastedLine> rest) => rest[0].Text is "DHCP Configuration" or "Manual Configuration" or "Manually Using DHCP Router Configuration" or "BOOTP Configuration" ? 3 : 0;
    public bool GoesOn(Taken sofar, PastedLine line) => line.IsBlank || Begins([line]) == 0 && Scan.Pair(line.Text) is not null && sofar.Count < 14;

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
    public bool GoesOn(Taken sofar, PastedLine line) => line.IsBlank || line.Indent > 0;

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
