using Altrin.Core.Network;

namespace Altrin.Core.Radio;

/// <summary>What is lost between two antennas: free space, walls, floors.</summary>
/// <remarks>Free space: ITU-R P.525, 20 log f + 20 log d − 27.55 dB, f in MHz, d in metres. Walls and floors: order of magnitude of ITU-R P.2040
/// and of the floor factors of P.1238; values from memory.</remarks>
public static class PathLoss
{
    private static readonly double[][] Walls = [[3, 4, 4], [4, 5, 6], [7, 11, 12], [12, 18, 20], [14, 22, 24]];
    private static readonly double[][] Floors = [[8, 12, 13], [16, 24, 26]];

    private static readonly double[] AtOneMetre = [.. new[] { Band.Ghz24, Band.Ghz5, Band.Ghz6 }.Select(band => 20 * Math.Log10(CentreMHz(band)) - 27.55)];

    /// <param name="distanceM">From 1 m on; nearer counts as 1 m.</param>
    public static double FreeSpaceDb(Band band, double distanceM) => AtOneMetre[(int)band] + 20 * Math.Log10(Math.Max(1, distanceM));

    public static double WallDb(WallMaterial wall, Band band) => Walls[(int)wall][(int)band];
    public static double FloorDb(FloorMaterial floor, Band band) => Floors[(int)floor][(int)band];

    /// <summary>Everything but the distance.</summary>
    public static double ThroughDb(Between between, FloorMaterial floors, Band band)
    {
        var loss = between.Floors * FloorDb(floors, band);
        foreach (var wall in between.Walls) loss += WallDb(wall, band);
        return loss;
    }

    public static double Db(Between between, FloorMaterial floors, Band band) => FreeSpaceDb(band, between.DistanceM) + ThroughDb(between, floors, band);

    /// <summary>The middle of the band: the channel moves the loss by less than a decibel.</summary>
    public static double CentreMHz(Band band) => band switch { Band.Ghz24 => 2442, Band.Ghz5 => 5500, _ => 6500 };
}
