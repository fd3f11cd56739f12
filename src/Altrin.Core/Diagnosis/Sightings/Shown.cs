using System.Collections.Immutable;
using System.Globalization;
using Altrin.Core.Network;

namespace Altrin.Core.Diagnosis.Sightings;

/// <summary>What a look shows in one house, by one way of chance. Several values may be the same outcome: which number is leased is
/// chance.</summary>
/// <param name="Key">Equal where no look tells two outcomes apart.</param>
/// <param name="Sample">One value of it, as the format writes it; null where nothing is said.</param>
public sealed record Shown(string Key, string? Sample)
{
    public const string Nobody = "nobody", Other = "other";

    /// <summary>There is nothing to be read.</summary>
    public static readonly Shown Nothing = new("-", null);

    public static readonly Shown None = Exactly("none");

    private const string Any = "*";

    /// <summary>This, or whatever else was seen: the document does not say it.</summary>
    public Shown OrAnything() => new(Any, Sample);

    private Prefix? Prefix { get; init; }
    private IReadOnlySet<Ipv4Address>? But { get; init; }

    /// <summary>Of a laptop: its readings.</summary>
    public ImmutableArray<(ReadingKind Kind, Shown Value)> Rows { get; init; } = [];

    public static Shown Exactly(string value) => new($"={value}", value);

    public static Shown Yes(bool isSo) => Exactly(isSo ? "yes" : "no");

    public static Shown LinkLocal(Ipv4Address sample) => new("169.254", $"{sample}") { Prefix = AddressRanges.LinkLocal };

    /// <summary>Any address of the prefix that nobody has set by hand.</summary>
    public static Shown Within(Prefix prefix, Ipv4Address sample, IReadOnlySet<Ipv4Address> but) =>
        new($"~{prefix}", $"{sample}") { Prefix = prefix, But = but };

    public static Shown Of(ImmutableArray<(ReadingKind, Shown)> rows) =>
        new(string.Join('|', rows.Select(row => row.Item2.Key)), null) { Rows = rows };

    public Shown With(ReadingKind kind, Shown value) => Of(Rows.Add((kind, value)));

    public static string Number(double mbps) => mbps.ToString("0.###", CultureInfo.InvariantCulture);

    /// <summary>Name servers in one order, whatever order they were seen in.</summary>
    public static string Servers(IEnumerable<string> servers) => string.Join(' ', servers.Distinct().Order(StringComparer.Ordinal));

    /// <summary>Any address of a subnet: the sample is one of many.</summary>
    public bool IsAnyOfSubnet => Prefix is not null && Prefix != AddressRanges.LinkLocal;

    public bool Matches(string value)
    {
        if (Key == Any) return true;
        if (this == Nothing) return false;
        if (Prefix is not { } prefix) return Sample == value;
        return Ipv4Address.TryParse(value, out var address) && prefix.Contains(address) && But?.Contains(address) != true;
    }
}
