using Altrin.Core.Network;

namespace Altrin.Core.Radio;

/// <summary>What a household's radios do with a link, as a person would measure it.</summary>
public static class HomeRadio
{
    /// <summary>Two in one room, and two a couple of rooms apart, in metres: where the document says rooms and no distances. Common practice,
    /// no source: mesh units stand 9 to 15 m apart with a couple of walls between.</summary>
    public const double SameRoomM = 3, OtherRoomM = 10;

    /// <summary>Streams of a tablet, phone or laptop: common practice, no source.</summary>
    public const int ThingStreams = 2;

    /// <summary>Expected rate over one wireless hop, in Mb/s as a person would measure it, not as printed on the box.</summary>
    /// <returns>0 when the radios cannot join.</returns>
    /// <remarks>Share of the peak left to data: about two thirds from 802.11n on (208 of 300 Mb/s measured), half before (20 to 35 of 54): common
    /// practice, no source. Nobody else on the channel is counted.</remarks>
    public static double ExpectedMbps(Band band, string generation, int streams, int widthMHz, double distanceM)
    {
        var level = PowerDbm(band) - PathLoss.IndoorDb(band, distanceM);
        var share = generation is "a" or "b" or "g" ? 0.5 : 0.65;
        return share * WifiRates.AtLevel(generation, streams, widthMHz, level);
    }

    /// <summary>What a home box radiates (EIRP): 100 mW in the 2.4 GHz band, 200 mW above; common practice, no source, and within what
    /// most countries allow indoors.</summary>
    private static double PowerDbm(Band band) => band == Band.Ghz24 ? 20 : 23;

    /// <summary>Where nothing is written down, what any box of the last ten years has.</summary>
    public static string GenerationOf(WirelessRadio radio) => radio.Generation?.ToLowerInvariant() is { } known && WifiRates.Generations.Contains(known)
        ? known : radio.Band switch { Band.Ghz24 => "n", Band.Ghz5 => "ac", _ => "ax" };

    /// <summary>The older of the two: both must speak it.</summary>
    public static string Common(string a, string b) => WifiRates.Generations.First(one => one == a || one == b);

    public static int StreamsOf(WirelessRadio radio) => Math.Clamp(radio.Streams ?? 2, 1, 16);

    public static int WidthOf(WirelessRadio radio, WifiNetwork network) =>
        Math.Max(20, network.WidthMHz ?? radio.MaxWidthMHz ?? (radio.Band == Band.Ghz24 ? 20 : 80));
}
