using Altrin.Core.Network;

namespace Altrin.Core.Radio;

/// <summary>What is lost between two antennas in a home, its walls included.</summary>
/// <remarks>ITU-R P.1238, indoor: 20 log f + N log d − 28 dB, f in MHz, d in metres, on one floor. N of homes: 28 in the 2.4 GHz band, 30 in the
/// 5 GHz band (values from memory), and 30 is taken for 6 GHz too.</remarks>
public static class PathLoss
{
    /// <param name="distanceM">From 1 m on; nearer counts as 1 m, where the formula begins.</param>
    /// <returns>dB, never below what free space loses over that distance at 1 m.</returns>
    public static double IndoorDb(Band band, double distanceM) =>
        (20 * Math.Log10(CentreMHz(band))) + ((band == Band.Ghz24 ? 28 : 30) * Math.Log10(Math.Max(1, distanceM))) - 28;

    /// <summary>The middle of the band: the channel moves the loss by less than a decibel.</summary>
    public static double CentreMHz(Band band) => band switch { Band.Ghz24 => 2442, Band.Ghz5 => 5500, _ => 6500 };
}
