namespace Altrin.Core.Readings.Parsers;

/// <summary><c>ping</c> of Linux and macOS.</summary>
internal sealed class UnixPing : IPastedParser
{
    public string Source => "ping";

    public int Begins(ReadOnlySpan<PastedLine> rest) => Head(rest[0].Text) is not null || UnknownHost(rest[0].Text) is not null ? 3
        : IsAnswer(rest[0].Text) || rest[0].Text.StartsWith("--- ", StringComparison.Ordinal)
            && rest[0].Text.EndsWith(" statistics ---", StringComparison.Ordinal) ? 2 : 0;

    public bool GoesOn(Taken sofar, PastedLine line) => Head(line.Text) is null && UnknownHost(line.Text) is null
        && !(sofar.HasOne(IsEnd) && !line.IsBlank)
        && (line.IsBlank || IsOurs(line.Text));

    private static bool IsEnd(string text) =>
        text.StartsWith("rtt ", StringComparison.Ordinal) || text.StartsWith("round-trip ", StringComparison.Ordinal);

    private static bool IsOurs(string text) => IsAnswer(text) || text.StartsWith("--- ", StringComparison.Ordinal) || IsEnd(text)
        || text.StartsWith("From ", StringComparison.Ordinal) || text.StartsWith("Request timeout", StringComparison.Ordinal)
            || text.Contains("packets transmitted", StringComparison.Ordinal) || text.StartsWith("ping: ", StringComparison.Ordinal)
        || text.Contains("bytes from", StringComparison.Ordinal) || text is "^C" || text.StartsWith("pipe ", StringComparison.Ordinal)
         || text.StartsWith("no answer yet", StringComparison.Ordinal) || text.StartsWith("92 bytes", StringComparison.Ordinal)
             || text.StartsWith("Vr HL", StringComparison.Ordinal);

    /// <summary><c>PING host (192.0.2.1) 56(84) bytes of data.</c></summary>
    private static string? Head(string text)
    {
        if (!text.Contains("bytes", StringComparison.Ordinal)) return null;
        var words = Scan.Words(text);
        // “PING6(56=40+8+8 bytes) own --> target”, “PING name(2001:db8::1) 56 data bytes”.
        if (text.StartsWith("PING6(", StringComparison.Ordinal)) return Scan.AnyAddress(words[^1]) ?? words[^1];
        if (!text.StartsWith("PING ", StringComparison.Ordinal) || words.Length <= 2) return null;
        return Scan.Address(words[2].Split(')')[0]) ?? Scan.AnyAddress(words[1].Split('(')[^1]) ?? words[1];
    }

    private static string? UnknownHost(string text)
    {
        if (!text.StartsWith("ping: ", StringComparison.Ordinal)) return null;
        if (text.StartsWith("ping: cannot resolve ", StringComparison.Ordinal)) return text["ping: cannot resolve ".Length..].Split(':')[0];
        var parts = text.Split(": ");
        return parts.Length == 3
            && parts[2].Contains("not known", StringComparison.Ordinal) | parts[2].Contains("resolution", StringComparison.Ordinal)
            ? parts[1] : null;
    }

    private static bool IsAnswer(string text) =>
        text.Contains(" bytes from ", StringComparison.Ordinal) && text.Contains("icmp_seq", StringComparison.Ordinal)
            && char.IsAsciiDigit(text[0]);

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        string? target = null;
        int answers = 0, lost = 0;
        int? sent = null, received = null;
        double? average = null;
        var times = new List<double>();
        foreach (var line in lines)
        {
            if (line.IsBlank) continue;
            if (Head(line.Text) is { } head) target = head;
            else if (UnknownHost(line.Text) is { } unknown) (target, sent, received) = (unknown, 0, 0);
            else if (IsAnswer(line.Text))
            {
                target ??= Scan.AnyAddressIn(line.Text);
                if (line.Text.Contains("(DUP!)", StringComparison.Ordinal)) continue;
                answers++;
                if (line.Text.IndexOf("time=", StringComparison.Ordinal) is var at and > 0
                    && Scan.Number(line.Text[(at + 5)..]) is { } ms) times.Add(ms);
            }
            else if (line.Text.Contains("packets transmitted", StringComparison.Ordinal))
            {
                var parts = line.Text.Split(',');
                sent = (int?)Scan.Number(parts[0]);
                received = parts.Length > 1 ? (int?)Scan.Number(parts[1]) : null;
            }
            else if (IsEnd(line.Text))
            {
                var numbers = line.Text.Split('=')[^1].Split('/');
                if (numbers.Length >= 3) average = Scan.Number(numbers[1]);
            }
            else if (line.Text.StartsWith("--- ", StringComparison.Ordinal)) target ??= Scan.AnyAddress(Scan.Words(line.Text)[1])
                ?? Scan.Words(line.Text)[1];
            else if (line.Text.StartsWith("From ", StringComparison.Ordinal)
                || line.Text.StartsWith("Request timeout", StringComparison.Ordinal)
                || line.Text.StartsWith("no answer yet", StringComparison.Ordinal)) lost++;
            else if (!IsOurs(line.Text)) all.Unread.Add(line.Number);
        }
        if (target is not null) all.Pings.Add(new(target, sent ?? (answers + lost is var tried and > 0 ? tried : null), received
            ?? (answers + lost > 0 ? answers : null), average ?? Scan.Median(times)));
        return all.As(Source, ReadingPart.Pings);
    }
}

/// <summary><c>traceroute</c> of Linux and macOS.</summary>
internal sealed class Traceroute : IPastedParser
{
    public string Source => "traceroute";
    public int Begins(ReadOnlySpan<PastedLine> rest) =>
        rest[0].Text.StartsWith("traceroute to ", StringComparison.Ordinal) ? 3 : Hop(rest[0].Text) is not null ? 2 : 0;
    public bool GoesOn(Taken sofar, PastedLine line) =>
        line.IsBlank || !line.Text.StartsWith("traceroute to ", StringComparison.Ordinal)
        && (Hop(line.Text) is not null || (line.Indent > 1 && line.Text.Contains(" ms", StringComparison.Ordinal)));

    private static SeenHop? Hop(string text)
    {
        var words = Scan.Words(text);
        if (words.Length < 2 || Scan.Whole(words[0]) is not { } n || n > 255) return null;
        if (words[1..].All(word => word == "*")) return new(n, null, null);
        // Of several routers at one hop the first; its times are those up to the next address.
        string? address = null;
        var times = new List<double>();
        for (var i = 1; i < words.Length; i++)
        {
            if (Scan.Address(words[i]) is { } held && (words[i].StartsWith('(') || i == 1 || words[i - 1] is "*" or "ms"))
            {
                if (address is null) address = held;
                else if (held != address) break;
            }
            else if (words[i] == "ms" && Scan.Number(words[i - 1]) is { } ms) times.Add(ms);
        }
        return address is null || times.Count == 0 ? null : new(n, address, Scan.Median(times));
    }

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        foreach (var line in lines)
        {
            if (line.IsBlank || line.Text.StartsWith("traceroute to ", StringComparison.Ordinal)) continue;
            if (Hop(line.Text) is { } hop)
            {
                if (all.Hops.All(one => one.N != hop.N)) all.Hops.Add(hop);
            }
            else if (line.Indent <= 1) all.Unread.Add(line.Number);
        }
        return all.As(Source, ReadingPart.Hops);
    }
}

/// <summary><c>tracepath</c>.</summary>
internal sealed class Tracepath : IPastedParser
{
    public string Source => "tracepath";
    public int Begins(ReadOnlySpan<PastedLine> rest) => Hop(rest[0].Text) is not null ? 3 : 0;
    public bool GoesOn(Taken sofar, PastedLine line) =>
        line.IsBlank || Hop(line.Text) is { } hop && !(hop.IsLocal && sofar.HasOne(IsLocal))
        || line.Trimmed.StartsWith("Resume:", StringComparison.Ordinal)
        || line.Trimmed.StartsWith("Too many hops", StringComparison.Ordinal);

    private static bool IsLocal(string text) => Hop(text) is { IsLocal: true };

    /// <summary><c> 2:  router (192.0.2.1)   9.1ms asymm 3</c>.</summary>
    private static (int N, bool IsLocal, string? Address, double? Ms)? Hop(string text)
    {
        var words = Scan.Words(text);
        if (words.Length < 2) return null;
        var number = words[0];
        var n = number.EndsWith(":", StringComparison.Ordinal) ? Scan.Whole(number.TrimEnd(':'))
            : number.EndsWith("?:", StringComparison.Ordinal) ? Scan.Whole(number[..^2]) : null;
        if (number.EndsWith("?:", StringComparison.Ordinal)) n = Scan.Whole(number[..^2]);
        if (n is not { } at) return null;
        if (words[1] == "[LOCALHOST]") return (at, true, null, null);
        if (words[1] == "no" && words.Length > 2 && words[2] == "reply") return (at, false, null, null);
        var address = Scan.AddressIn(text[(text.IndexOf(':', StringComparison.Ordinal) + 1)..]);
        var time = words.FirstOrDefault(word => word.EndsWith("ms", StringComparison.Ordinal) && word.Length > 2
            && char.IsAsciiDigit(word[0]));
        return address is null && time is null ? null : (at, false, address, time is null ? null : Scan.Number(time));
    }

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        foreach (var line in lines)
        {
            if (line.IsBlank) continue;
            if (Hop(line.Text) is { } hop)
            {
                if (!hop.IsLocal && all.Hops.All(one => one.N != hop.N)) all.Hops.Add(new(hop.N, hop.Address, hop.Ms));
            }
            else if (!line.Trimmed.StartsWith("Resume:", StringComparison.Ordinal)
                && !line.Trimmed.StartsWith("Too many hops", StringComparison.Ordinal)) all.Unread.Add(line.Number);
        }
        return all.As(Source, ReadingPart.Hops);
    }
}

/// <summary><c>resolvectl status</c>: name servers a link.</summary>
internal sealed class Resolvectl : IPastedParser
{
    public string Source => "resolvectl";
    public int Begins(ReadOnlySpan<PastedLine> rest) =>
        rest[0].Text == "Global" && rest.Length > 1 && rest[1].Indent > 0 ? 3 : Link(rest[0].Text) is not null ? 3 : 0;
    public bool GoesOn(Taken sofar, PastedLine line) =>
        line.IsBlank || line.Indent > 0 || IsLabel(line.Text) || Link(line.Text) is { } name && !sofar.Says(Link, name);

    /// <summary>Labels stand right-aligned, so the longest begins its line.</summary>
    private static bool IsLabel(string text) =>
        text.StartsWith("Current DNS Server:", StringComparison.Ordinal)
        || text.StartsWith("Fallback DNS Servers:", StringComparison.Ordinal)
        || text.StartsWith("resolv.conf mode:", StringComparison.Ordinal);

    /// <summary><c>Link 2 (enp3s0)</c>.</summary>
    private static string? Link(string text) =>
        Scan.Words(text) is ["Link", var n, var name, ..] && Scan.Whole(n) is not null && name.StartsWith('(') ? name.Trim('(', ')', ':')
        : null;

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        SeenAdapter? now = null;
        var servers = new HashSet<string>(StringComparer.Ordinal);
        var isServers = false;
        foreach (var line in lines)
        {
            if (line.IsBlank) { isServers = false; continue; }
            if (Link(line.Text) is { } name)
            {
                if (now is not null) all.Adapters.Add(now);
                now = new(name) { Kind = Scan.KindOf(name) };
                servers.Clear();
                isServers = false;
                continue;
            }
            if (line.Indent == 0
                && !IsLabel(line.Text)) { isServers = false; if (line.Text != "Global") all.Unread.Add(line.Number); continue; }
            if (Scan.Pair(line.Text) is { } pair && !Scan.IsIpv6(line.Trimmed) && pair.Label.Any(char.IsAsciiLetter)
                && !Scan.IsIpv6(Scan.Words(line.Text)[0]))
            {
                isServers = pair.Label == "DNS Servers";
                if (isServers) Take(pair.Value);
            }
            else if (isServers) Take(line.Trimmed);
        }
        if (now is not null) all.Adapters.Add(now);
        return all.As(Source, ReadingPart.Adapters);

        void Take(string text)
        {
            if (now is null) return;
            foreach (var word in Scan.Words(text))
                if (Scan.Address(word.Split('#')[0]) is { } server && servers.Add(server)) now = now with { Dns = now.Dns.Add(server) };
        }
    }
}
