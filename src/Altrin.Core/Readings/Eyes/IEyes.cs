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
}
