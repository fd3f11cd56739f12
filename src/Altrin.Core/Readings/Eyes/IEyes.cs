using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Readings.Parsers;

namespace Altrin.Core.Readings.Eyes;

/// <summary>What a laptop looks at, at once: its own addresses, whom it has spoken to and the names in the air always; and what is
/// named.</summary>
/// <param name="Pings">Asked first, so that the list of neighbours is whole afterwards; at most <see cref="Manners.MostPings"/>.</param>
/// <param name="Pages">Settings pages that are opened: nothing is sent but one request for the first page.</param>
public sealed record Glance(ImmutableArray<Ipv4Address> Pings, ImmutableArray<Ipv4Address> Pages)
{
    public static readonly Glance Plain = new([], []);

    /// <summary>The one address outside that is pinged, once, to see whether the internet answers; null: the internet is not
    /// asked.</summary>
    public Ipv4Address? Outside { get; init; }

    /// <summary>Whether the names in the air are listed.</summary>
    public bool Air { get; init; } = true;

    /// <summary>Whether neighbours are asked for their names: all at once by multicast (RFC 6762), and a name server inside the
    /// house.</summary>
    public bool Names { get; init; }
}

/// <param name="Did">What was done for it, a line each.</param>
/// <param name="LeftOut">What could not be looked at, and why.</param>
public sealed record Sight(PastedReading Reading, ImmutableArray<string> Did, ImmutableArray<string> LeftOut);

/// <summary>What a laptop shows where it stands: this one, or one in a simulated house. What it gives is an <c>altrin.reading/1</c> as a
/// paste gives.</summary>
public interface IEyes
{
    /// <summary>Where it looks from, in a few words.</summary>
    string Says { get; }

    /// <exception cref="ArgumentException">An address that is not the house's; <see cref="Manners.Refuse"/> says which.</exception>
    Task<Sight> Look(Glance glance, CancellationToken cancel);

    /// <summary>How the way to the gateway is, by <see cref="GatewaySpeed.Pings"/> pings and one request for its page.</summary>
    /// <exception cref="ArgumentException">An address that is not the house's.</exception>
    Task<GatewaySpeed> Measure(Ipv4Address gateway, CancellationToken cancel);
}
