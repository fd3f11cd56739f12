using System.Collections.Immutable;
using Altrin.Core.Network;

namespace Altrin.Core.Readings.Parsers;

/// <summary>What one pasted output shows: <c>altrin.reading/1</c>. What the text does not say is null or empty.</summary>
/// <param name="Source">Which tool wrote it, by the format's word.</param>
/// <param name="Language"><c>en</c>, <c>de</c>, <c>fr</c> or <c>es</c>, where the text has words of one.</param>
/// <param name="Unread">Numbers of lines, from 1, that said something it could not use.</param>
public sealed record PastedReading(
    string Source,
    string? Language,
    ImmutableArray<SeenAdapter> Adapters,
    ImmutableArray<SeenNeighbour> Neighbours,
    ImmutableArray<SeenNetwork> Networks,
    ImmutableArray<SeenHop> Hops,
    ImmutableArray<SeenPing> Pings,
    ImmutableArray<int> Unread)
{
    /// <summary>Parts that the tool tells of at all: an empty list of such a part is said, of another left out.</summary>
    public ImmutableArray<ReadingPart> Tells { get; init; } = [];

    /// <summary>Settings pages that were opened; a paste has none.</summary>
    public ImmutableArray<SeenPage> Pages { get; init; } = [];

    /// <summary>The adapter that is on the house's network: the wired one first, for a laptop's own Wi-Fi is off while its cable is in; on
    /// the air the other way round. Null where none has an address.</summary>
    public SeenAdapter? InUse(bool isJoined) => Adapters.Where(one => one.Kind != AdapterKind.Virtual && one.Address is not null)
        .OrderBy(one => (one.Kind == AdapterKind.Wifi) != isJoined).FirstOrDefault();

    /// <summary>How many single things it says.</summary>
    internal int Facts =>
        Adapters.Sum(one =>
            Said(one.Mac, one.Address, one.Gateway, one.Method, one.Server, one.Name.Length == 0 ? null
            : one.Name) + one.Dns.Count + one.Also.Count)
        + Neighbours.Sum(one => Said(one.Address, one.Mac, one.Name))
        + Networks.Sum(one => Said(one.Ssid, one.Bssid, one.Channel, one.Security, one.SignalPercent, one.LevelDbm))
        + Hops.Sum(one => Said(one.Address, one.Ms)) + Pings.Sum(one => Said(one.Target, one.Sent, one.Received, one.Ms));

    private static int Said(params object?[] fields) => fields.Count(field => field is not null);
}

public enum ReadingPart { Adapters, Neighbours, Networks, Hops, Pings }

public enum AdapterKind { Ethernet, Wifi, Virtual, Other }

/// <summary>A network interface of the laptop.</summary>
/// <param name="Address">With its prefix where the text has one (<c>192.168.31.104/24</c>).</param>
/// <param name="Method"><c>dhcp</c> or <c>static</c>.</param>
/// <param name="Also">Further addresses. A list and no array, as the servers are: a hostile text gives one adapter a hundred thousand, one
/// at a time.</param>
public sealed record SeenAdapter(string Name)
{
    public AdapterKind Kind { get; init; } = AdapterKind.Other;
    public string? Mac { get; init; }
    public string? Address { get; init; }
    public string? Gateway { get; init; }
    public ImmutableList<string> Dns { get; init; } = [];
    public string? Method { get; init; }
    public string? Server { get; init; }
    public bool? LinkLocal { get; init; }
    public ImmutableList<string> Also { get; init; } = [];
}

/// <param name="Adapter">By which adapter it was seen, where the text names it; in a router's list by what the device hangs on.</param>
public sealed record SeenNeighbour(string? Address, string? Mac, string? Name, string? Adapter = null)
{
    /// <summary>How it came by its address, where a router's list says so.</summary>
    public Held? Held { get; init; }
}

/// <summary>How a device came by its address, as a router's list has it.</summary>
public enum Held { Leased, Reserved, Fixed }

/// <summary>A Wi-Fi network in the air.</summary>
/// <param name="Ssid">Null for a hidden one.</param>
public sealed record SeenNetwork(string? Ssid)
{
    public string? Bssid { get; init; }
    public string? Band { get; init; }
    public int? Channel { get; init; }
    public int? WidthMHz { get; init; }
    public double? LevelDbm { get; init; }
    public int? SignalPercent { get; init; }

    /// <summary>The rate at which the laptop sends to it, where it is joined to it; of the laptop's link, and so not in the reading that is
    /// printed.</summary>
    public double? LinkMbps { get; init; }

    public string? Security { get; init; }
}

/// <param name="Address">Null for a silent one.</param>
public sealed record SeenHop(int N, string? Address, double? Ms);

/// <param name="Received">Answers of the target itself.</param>
public sealed record SeenPing(string Target, int? Sent, int? Received, double? Ms);

/// <param name="Opens">Something answered as a page does, whatever it said.</param>
/// <param name="Title">Of the page; null where it has none or did not open.</param>
public sealed record SeenPage(string Address, bool Opens, string? Title);

/// <summary>A line of what was pasted.</summary>
/// <param name="Number">From 1.</param>
/// <param name="Text">Without the blanks at its end.</param>
public readonly record struct PastedLine(int Number, string Text)
{
    public bool IsBlank => Text.Length == 0;
    public string Trimmed => Text.Trim();
    public int Indent => Text.Length - Text.TrimStart().Length;
}

/// <summary>What a parser has gathered of one output, line by line.</summary>
internal sealed class Gathered
{
    public string? Language { get; set; }
    public List<SeenAdapter> Adapters { get; } = [];
    public List<SeenNeighbour> Neighbours { get; } = [];
    public List<SeenNetwork> Networks { get; } = [];
    public List<SeenHop> Hops { get; } = [];
    public List<SeenPing> Pings { get; } = [];
    public List<int> Unread { get; } = [];

    public PastedReading As(string source, params ReadingPart[] tells) => new(source, Language,
        [.. Adapters], [.. Neighbours.Distinct()], [.. Networks], [.. Hops], [.. Pings], [.. Unread.Distinct().Order()])
    { Tells = [.. tells] };
}

/// <summary>One tool's output. Plain scanning, a line at a time: no pattern that a hostile text could make run away.</summary>
internal interface IPastedParser
{
    /// <summary>The format's word for it.</summary>
    string Source { get; }

    /// <summary>Whether it reads lines longer than any that is printed for people; all others pass over those, and they are said to be
    /// unread.</summary>
    bool ReadsLongLines => false;

    /// <summary>How sure it is that an output of it begins with this line: 0 not at all, 3 beyond doubt.</summary>
    int Begins(ReadOnlySpan<PastedLine> rest);

    /// <summary>Whether a further line still belongs to the output that has begun: another output of the same tool is one of its
    /// own.</summary>
    bool GoesOn(Taken sofar, PastedLine line);

    PastedReading? Read(IReadOnlyList<PastedLine> lines);
}
