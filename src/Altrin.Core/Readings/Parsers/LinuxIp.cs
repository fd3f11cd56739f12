using System.Text.Json;

namespace Altrin.Core.Readings.Parsers;

/// <summary><c>ip addr</c>, <c>ip -br addr</c> and <c>ip -j addr</c>.</summary>
internal sealed class IpAddr : IPastedParser
{
    private static readonly string[] States = ["UP", "DOWN", "UNKNOWN", "DORMANT", "LOWERLAYERDOWN", "NOTPRESENT", "TESTING"];

    public string Source => "ip-addr";

    /// <summary>Of <c>-j</c>: all adapters on one line.</summary>
    public bool ReadsLongLines => true;

    public int Begins(ReadOnlySpan<PastedLine> rest)
    {
        if (Link(rest[0].Text) is not null || Brief(rest[0].Text) is not null) return 3;
        if (ForPrograms.Begins(rest, "\"ifname\"", "\"addr_info\"")) return 3;
        // Cut off at the top: the lines of one adapter.
        return rest[0].Indent > 0 && Scan.Words(rest[0].Text) is ["link/ether", ..] or ["inet", _, "brd" or "scope", ..] ? 2 : 0;
    }

    public bool GoesOn(Taken sofar, PastedLine line)
    {
        if (ForPrograms.IsOne(sofar)) return ForPrograms.GoesOn(sofar);
        if (Link(line.Text) is { } link) return !sofar.Says(LinkName, $"{link.Index}");
        if (Brief(line.Text) is { } brief) return Brief(sofar[0].Text) is not null && !sofar.Says(BriefName, brief.Name);
        return line.IsBlank || (line.Indent > 0 && Brief(sofar[0].Text) is null);
    }

    private static string? LinkName(string text) => Link(text) is { } link ? $"{link.Index}" : null;

    private static string? BriefName(string text) => Brief(text)?.Name;

    /// <summary><c>2: enp3s0: &lt;BROADCAST,MULTICAST,UP&gt; mtu 1500</c>.</summary>
    private static (int Index, string Name, bool IsLoopback)? Link(string text)
    {
        var colon = text.IndexOf(": ", StringComparison.Ordinal);
        if (colon is <= 0 or > 6 || Scan.Whole(text[..colon]) is not { } index) return null;
        var end = text.IndexOf(": <", colon + 2, StringComparison.Ordinal);
        if (end < 0) return null;
        var flags = text[(end + 3)..].Split('>')[0];
        return flags.Length > 0
            && flags.All(letter => char.IsAsciiLetterUpper(letter) || char.IsAsciiDigit(letter) || letter is ',' or '_' or '-')
            ? (index, text[(colon + 2)..end].Split('@')[0], flags.Contains("LOOPBACK", StringComparison.Ordinal)) : null;
    }

    private static (string Name, string[] Addresses)? Brief(string text)
    {
        var words = Scan.Words(text);
        if (words.Length < 2 || char.IsWhiteSpace(text[0]) || !States.Contains(words[1])
            || words[0].Contains(':', StringComparison.Ordinal)) return null;
        var rest = words[2..].TakeWhile(word => word is not "metric").Where(word => word.Contains('/', StringComparison.Ordinal)).ToArray();
        // "ip -br link" says a hardware address there, and is not this.
        return words.Length == 2 || rest.Length > 0 ? (words[0].Split('@')[0], rest) : null;
    }

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        if (ForPrograms.IsOne(lines)) return FromJson(lines);
        var all = new Gathered();
        SeenAdapter? now = null;
        foreach (var line in lines)
        {
            if (line.IsBlank) continue;
            if (Brief(line.Text) is { } brief)
            {
                var adapter = new SeenAdapter(brief.Name) { Kind = Scan.KindOf(brief.Name) };
                foreach (var address in brief.Addresses) adapter = With(adapter, address, null);
                all.Adapters.Add(adapter);
                continue;
            }
            if (Link(line.Text) is { } link)
            {
                if (now is not null) all.Adapters.Add(now);
                now = new(link.Name) { Kind = link.IsLoopback ? AdapterKind.Virtual : Scan.KindOf(link.Name) };
                continue;
            }
            var words = Scan.Words(line.Text);
            if (now is null && words[0] is "link/ether" or "inet") now = new("");
            if (now is null) all.Unread.Add(line.Number);
            else if (words[0].StartsWith("link/", StringComparison.Ordinal))
            {
                if (words[0] == "link/ether" && words.Length > 1) now = now with { Mac = Scan.Mac(words[1]) };
            }
            else if (words[0] == "inet" && words.Length > 1) now = With(now, words[1], words.Contains("dynamic"));
            else if (words[0] is not ("inet6" or "valid_lft" or "altname" or "RX:" or "TX:" or "permaddr")
                && !words[0].StartsWith("vlan", StringComparison.Ordinal)) all.Unread.Add(line.Number);
        }
        if (now is not null) all.Adapters.Add(now);
        return all.As(Source, ReadingPart.Adapters);
    }

    private static SeenAdapter With(SeenAdapter adapter, string text, bool? isDynamic)
    {
        if (Scan.AddressWithPrefix(text) is not { } address) return adapter;
        return adapter.Address is not null ? adapter with { Also = adapter.Also.Add(address) } : adapter with
        {
            Address = address,
            LinkLocal = Scan.IsLinkLocal(address) ? true : false,
            Method = isDynamic == true ? "dhcp" : null,
        };
    }

    private PastedReading? FromJson(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        ForPrograms.Each(lines, all, link =>
        {
            if (ForPrograms.Text(link, "ifname") is not { } name) return;
            var type = ForPrograms.Text(link, "link_type");
            var adapter = new SeenAdapter(name)
            {
                Kind = type == "loopback" ? AdapterKind.Virtual : Scan.KindOf(name),
                Mac = type == "ether" ? Scan.Mac(ForPrograms.Text(link, "address")) : null,
            };
            if (link.TryGetProperty("addr_info", out var addresses) && addresses.ValueKind == JsonValueKind.Array)
                foreach (var one in addresses.EnumerateArray().Where(one => ForPrograms.Text(one, "family") == "inet"))
                    adapter = With(adapter, $"{ForPrograms.Text(one, "local")}/{ForPrograms.Text(one, "prefixlen")}",
                        ForPrograms.Text(one, "dynamic") == "true");
            all.Adapters.Add(adapter);
        });
        return all.As(Source, ReadingPart.Adapters);
    }
}

/// <summary><c>ip route</c>.</summary>
internal sealed class IpRoute : IPastedParser
{
    public string Source => "ip-route";

    public int Begins(ReadOnlySpan<PastedLine> rest) => Row(rest[0].Text) is not null ? 3 : 0;

    public bool GoesOn(Taken sofar, PastedLine line) => line.IsBlank || Row(line.Text) is not null && !sofar.Has(line.Text);

    private static (string To, string? Via, string Dev, string? Src, bool IsDhcp, bool IsStatic)? Row(string text)
    {
        var words = Scan.Words(text).ToList();
        if (words.Count < 3 || char.IsWhiteSpace(text[0])) return null;
        if (words[0] is "unreachable" or "blackhole" or "prohibit" or "broadcast" or "local") return null;
        if (words[0] != "default" && Scan.AddressWithPrefix(words[0]) is null) return null;
        string? After(string word) => words.IndexOf(word) is var at and > 0 && at + 1 < words.Count ? words[at + 1] : null;
        if (After("dev") is not { } dev || words.Contains("lladdr")) return null;
        if (words[0] != "default" && After("via") is null && After("proto") is null && After("scope") is null) return null;
        return (words[0], After("via"), dev, After("src"), After("proto") == "dhcp", After("proto") == "static");
    }

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        var order = new List<string>();
        var known = new Dictionary<string, SeenAdapter>();
        foreach (var line in lines)
        {
            if (line.IsBlank) continue;
            if (Row(line.Text) is not { } row) { all.Unread.Add(line.Number); continue; }
            if (!known.TryGetValue(row.Dev, out var adapter))
            {
                adapter = new(row.Dev) { Kind = Scan.KindOf(row.Dev) };
                order.Add(row.Dev);
            }
            if (row.To == "default" && Scan.Address(row.Via) is { } gateway
                && adapter.Gateway is null) adapter = adapter with { Gateway = gateway };
            if (row.To == "default" && row.IsDhcp) adapter = adapter with { Method = "dhcp" };
            if (Scan.Address(row.Src) is { } own)
            {
                // Its own network says the prefix as well.
                var prefix = row.Via is null && row.To.Contains('/', StringComparison.Ordinal)
                    ? row.To[row.To.IndexOf('/', StringComparison.Ordinal)..] : "";
                if (adapter.Address is null
                    || (prefix.Length > 0 && adapter.Address == own)) adapter = adapter with
                    {
                        Address = own + prefix,
                        LinkLocal = Scan.IsLinkLocal(own)
                    };
            }
            known[row.Dev] = adapter;
        }
        all.Adapters.AddRange(order.Select(dev => known[dev]));
        return all.As(Source, ReadingPart.Adapters);
    }
}

/// <summary><c>ip neigh</c>.</summary>
internal sealed class IpNeigh : IPastedParser
{
    private static readonly string[] States = ["REACHABLE", "STALE", "DELAY", "PROBE", "FAILED", "INCOMPLETE", "PERMANENT", "NOARP",
        "NONE"];

    public string Source => "ip-neigh";

    /// <summary>Of <c>-j</c>: all neighbours on one line.</summary>
    public bool ReadsLongLines => true;

    public int Begins(ReadOnlySpan<PastedLine> rest) =>
        Row(rest[0].Text) is not null || ForPrograms.Begins(rest, "\"dst\"", "\"state\"") ? 3 : 0;

    public bool GoesOn(Taken sofar, PastedLine line) =>
        ForPrograms.IsOne(sofar) ? ForPrograms.GoesOn(sofar) : line.IsBlank || Row(line.Text) is not null && !sofar.Has(line.Text);

    private static (string Address, string? Mac, string Dev, string State)? Row(string text)
    {
        var words = Scan.Words(text).ToList();
        if (words.Count < 4 || !States.Contains(words[^1]) || words[1] != "dev") return null;
        if (Scan.Address(words[0]) is null && !Scan.IsIpv6(words[0])) return null;
        var at = words.IndexOf("lladdr");
        return (words[0], at > 0 && at + 1 < words.Count ? words[at + 1] : null, words[2], words[^1]);
    }

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        if (ForPrograms.IsOne(lines)) ForPrograms.Each(lines, all,
            one => Take(ForPrograms.Text(one, "dst"), ForPrograms.Text(one, "lladdr"), ForPrograms.Text(one, "dev"),
            ForPrograms.Text(one, "state")));
        else
            foreach (var line in lines)
            {
                if (line.IsBlank) continue;
                if (Row(line.Text) is { } row) Take(row.Address, row.Mac, row.Dev, row.State);
                else all.Unread.Add(line.Number);
            }
        return all.As(Source, ReadingPart.Neighbours);

        void Take(string? at, string? hardware, string? dev, string? state)
        {
            if (Scan.Address(at) is { } address && Scan.IsSomebody(address) && state is not ("FAILED" or "INCOMPLETE")
                && Scan.Mac(hardware) is { } mac) all.Neighbours.Add(new(address, mac, null, dev));
        }
    }
}

/// <summary><c>ifconfig</c> of Linux, old and new, and of macOS.</summary>
internal sealed class Ifconfig : IPastedParser
{
    public string Source => "ifconfig";
    public int Begins(ReadOnlySpan<PastedLine> rest) => Head(rest[0].Text) is not null ? 3 : 0;

    public bool GoesOn(Taken sofar, PastedLine line) =>
        line.IsBlank || line.Indent > 0 || Head(line.Text) is { } head && !sofar.Says(Head, head);

    private static string? Head(string text)
    {
        if (text.Length == 0 || char.IsWhiteSpace(text[0])) return null;
        var words = Scan.Words(text);
        if (words.Length < 2) return null;
        if (words[0].EndsWith(':') && words[1].StartsWith("flags=", StringComparison.Ordinal)) return words[0].TrimEnd(':');
        return words[1] == "Link" && words.Length > 2 && words[2].StartsWith("encap:", StringComparison.Ordinal) ? words[0] : null;
    }

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        SeenAdapter? now = null;
        var isMac = lines.Any(line => Scan.Words(line.Text) is ["status:", ..]
            || line.Text.Contains("netmask 0x", StringComparison.Ordinal));
        foreach (var line in lines)
        {
            if (line.IsBlank) continue;
            if (Head(line.Text) is { } name)
            {
                if (now is not null) all.Adapters.Add(now);
                // A Mac's Wi-Fi is called like its wires: which of them it is the text does not say.
                now = new(name)
                {
                    Kind = line.Text.Contains("LOOPBACK", StringComparison.Ordinal)
                    || line.Text.Contains("Local Loopback", StringComparison.Ordinal) ? AdapterKind.Virtual : isMac
                    && name.StartsWith("en", StringComparison.Ordinal) ? AdapterKind.Other : Scan.KindOf(name)
                };
                if (line.Text.IndexOf("HWaddr ",
                    StringComparison.Ordinal) is var at and > 0) now = now with { Mac = Scan.Mac(Scan.Words(line.Text[(at + 7)..]).FirstOrDefault()) };
                continue;
            }
            if (now is null) { all.Unread.Add(line.Number); continue; }
            var words = Scan.Words(line.Text);
            if (words[0] == "ether" && words.Length > 1) now = now with { Mac = Scan.Mac(words[1]) };
            else if (words[0] == "inet" && words.Length > 1)
            {
                var address = Scan.Address(words[1].Replace("addr:", "", StringComparison.Ordinal));
                string? After(string word) => Array.IndexOf(words, word) is var at and >= 0 && at + 1 < words.Length ? words[at + 1] : null;
                var mask = After("netmask") ?? words.FirstOrDefault(word => word.StartsWith("Mask:", StringComparison.Ordinal))?[5..];
                if (address is null) continue;
                var full = Scan.WithMask(address, mask);
                now = now.Address is null ? now with { Address = full, LinkLocal = Scan.IsLinkLocal(address) }
                    : now with { Also = now.Also.Add(full) };
            }
            else if (words[0] == "media:" && now.Kind == AdapterKind.Other
                && line.Text.Contains("base", StringComparison.OrdinalIgnoreCase)) now = now with { Kind = AdapterKind.Ethernet };
        }
        if (now is not null) all.Adapters.Add(now);
        return all.As(Source, ReadingPart.Adapters);
    }
}

/// <summary><c>arp</c> of Linux (a table) and <c>arp -a</c> of Linux and macOS (a sentence a line).</summary>
internal sealed class Arp : IPastedParser
{
    public string Source => "arp";
    public int Begins(ReadOnlySpan<PastedLine> rest) =>
        Sentence(rest[0].Text) is not null || IsHead(rest[0].Text) ? 3 : Row(rest[0].Text) is { Mac: not null } ? 2 : 0;

    public bool GoesOn(Taken sofar, PastedLine line) => line.IsBlank
        || (Sentence(line.Text) is not null ? Sentence(sofar[0].Text) is not null && !sofar.Has(line.Text)
            : Sentence(sofar[0].Text) is null && !IsHead(line.Text) && Row(line.Text) is not null)
        || line.Text.StartsWith("Entries:", StringComparison.Ordinal);

    private static bool IsHead(string text) => Scan.Words(text) is ["Address", "HWtype", ..];

    /// <summary><c>? (192.168.1.1) at 2:0:5e:10:0:1 on en0 ifscope [ethernet]</c>.</summary>
    private static (string Name, string Address, string Mac, string? Dev)? Sentence(string text)
    {
        var words = Scan.Words(text);
        if (words.Length < 4 || words[2] != "at" || !words[1].StartsWith('(') || Scan.Address(words[1]) is not { } address) return null;
        var on = Array.IndexOf(words, "on");
        return (words[0], address, words[3], on > 0 && on + 1 < words.Length ? words[on + 1] : null);
    }

    private static (string Host, string? Mac, string Dev)? Row(string text)
    {
        var words = Scan.Words(text);
        if (words.Length < 3) return null;
        return words[1] == "(incomplete)" ? (words[0], null, words[^1]) : words.Length >= 5 && words[1] == "ether"
            ? (words[0], words[2], words[^1]) : null;
    }

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        foreach (var line in lines)
        {
            if (line.IsBlank || IsHead(line.Text) || line.Text.StartsWith("Entries:", StringComparison.Ordinal)) continue;
            if (Sentence(line.Text) is { } one)
            {
                if (Scan.IsSomebody(one.Address)
                    && Scan.Mac(one.Mac) is { } mac) all.Neighbours.Add(new(one.Address, mac, one.Name is "?" ? null : one.Name, one.Dev));
            }
            else if (Row(line.Text) is { } row)
            {
                if (Scan.Mac(row.Mac) is not { } mac) continue;
                var address = Scan.Address(row.Host);
                if (address is null
                    || Scan.IsSomebody(address)) all.Neighbours.Add(new(address, mac, address is null ? row.Host : null, row.Dev));
            }
            else all.Unread.Add(line.Number);
        }
        return all.As(Source, ReadingPart.Neighbours);
    }
}

/// <summary><c>netstat -rn</c> of macOS and Linux, and <c>route -n</c>.</summary>
internal sealed class NetstatRoute : IPastedParser
{
    public string Source => "netstat-route";
    public int Begins(ReadOnlySpan<PastedLine> rest) =>
        rest[0].Trimmed is "Routing tables" or "Kernel IP routing table" ? 3 : IsHead(rest[0].Text) ? 3 : 0;

    public bool GoesOn(Taken sofar, PastedLine line) => line.Trimmed is not ("Routing tables" or "Kernel IP routing table")
        && (line.IsBlank || line.Trimmed is "Internet:" or "Internet6:" || IsHead(line.Text) || Row(sofar, line.Text));

    private static bool IsHead(string text) => Scan.Words(text) is ["Destination", "Gateway", ..];
    private static bool Row(Taken sofar, string text) => sofar.HasOne(IsHead) && Scan.Words(text).Length >= 4;

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        var found = new HashSet<string>(StringComparer.Ordinal);
        string[] head = [];
        var isSix = false;
        foreach (var line in lines)
        {
            if (line.IsBlank || line.Trimmed is "Routing tables" or "Kernel IP routing table" or "Internet:") continue;
            if (line.Trimmed == "Internet6:") { isSix = true; continue; }
            var words = Scan.Words(line.Text);
            if (IsHead(line.Text)) { head = words; continue; }
            if (isSix) continue;
            if (words[0] is not ("default" or "0.0.0.0") || words.Length < 4) continue;
            var gateway = Scan.Address(words[1]);
            var at = Array.FindIndex(head, word => word is "Netif" or "Iface");
            var dev = at >= 0 && at < words.Length ? words[at] : words[^1];
            if (gateway is null || gateway == "0.0.0.0" || !found.Add(dev)) continue;
            all.Adapters.Add(new(dev)
            {
                Gateway = gateway,
                Kind = head.Contains("Netif") && dev.StartsWith("en", StringComparison.Ordinal)
                ? AdapterKind.Other : Scan.KindOf(dev)
            });
        }
        return all.As(Source, ReadingPart.Adapters);
    }
}
