using Altrin.Core.Simulation;

namespace Altrin.Core.Air;

/// <summary>Where a radio join between boxes is good, and where its lamp would say: move closer.</summary>
public static class JoinLevel
{
    /// <summary>Below it a box that is to pass others on is too far away: rates fall to a fifth and the join comes and goes. Common practice, no source.</summary>
    public const double WeakDbm = -72;

    public static bool IsWeak(AirLink link) => link.LevelDbm < WeakDbm;
}
