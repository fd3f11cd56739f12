namespace Altrin.Core.Network;

/// <summary>What a category of data cable carries over its whole channel.</summary>
/// <remarks>IEEE 802.3 and ISO/IEC 11801; values from memory.</remarks>
public static class CableRates
{
    /// <summary>What is left of a wire's rate for data: common practice, no source (100 Mb/s measure as about 94).</summary>
    public const double ShareForData = 0.94;

    /// <returns>Mb/s; null where the category is not known or the link is no data cable.</returns>
    public static double? LimitMbps(Cable cable) => cable.Medium != Medium.Ethernet ? null : cable.Category?.ToLowerInvariant() switch
    {
        "cat3" => 10,
        // Clause 40 of IEEE 802.3 was written for it; cat5e is what is laid today.
        "cat5" => 1000,
        "cat5e" => 2500,
        "cat6" => cable.LengthM > 55 ? Cat6Mbps : 10_000,
        "cat6a" or "cat7" or "cat8" => 10_000,
        _ => null,
    };

    /// <summary>What is counted on: of cat6 no more than over the whole 100 m, whatever the length (section 6 of the format).</summary>
    /// <returns>Mb/s; infinite where nothing is known that would hold it back.</returns>
    public static double CountedMbps(Cable cable) => Math.Min(cable.AgreedMbps ?? double.PositiveInfinity, OfCategory(cable));

    private static double OfCategory(Cable cable) => LimitMbps(cable) is not { } limit ? double.PositiveInfinity
        : string.Equals(cable.Category, "cat6", StringComparison.OrdinalIgnoreCase) ? Math.Min(limit, Cat6Mbps) : limit;

    private const double Cat6Mbps = 5000;
}
