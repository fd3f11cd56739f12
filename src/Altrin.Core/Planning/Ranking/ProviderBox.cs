using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Planning.Space;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning.Ranking;

/// <summary>What a plan does to the provider's own box, and for how long somebody is without internet (section 5 of the format).</summary>
internal static class ProviderBox
{
    /// <summary>A change of how the line is handed on takes the house off the internet for at least so long: common practice, no
    /// source.</summary>
    private const int LeastSeconds = 300;

    private const int ResetSeconds = 180;

    /// <summary>The provider's own, unless somebody said otherwise: the box at the line.</summary>
    public static bool Is(NetworkDocument house, Device box) => box.Provider ?? house.Line?.Device == box.Id;

    /// <summary>Whether it changes its mode, or how it hands the line on.</summary>
    public static bool IsChanged(NetworkDocument found, NetworkDocument house)
    {
        foreach (var box in house.Devices)
            if (found.FindDevice(box.Id) is { } now && !ReferenceEquals(now, box) && Is(found, now) && HandsOnOtherwise(now, box))
                return true;
        return false;
    }

    private static bool HandsOnOtherwise(Device now, Device then) =>
        now.Mode != then.Mode || now.PassthroughTo != then.PassthroughTo || now.DmzHost != then.DmzHost;

    /// <summary>Seconds of one box, as far as its mode alone tells; 0 for one that nobody's internet goes through.</summary>
    public static int SecondsByMode(Ground ground, int box, DeviceMode mode)
    {
        var now = ground.Found.Devices[box];
        if (!ground.CarriesInternet[box] || now.Mode == mode) return 0;
        return Is(ground.Found, now) ? Math.Max(WorkTimes.Reboot(now), LeastSeconds) : WorkTimes.Reboot(now);
    }

    /// <summary>By table: each box in use that restarts while somebody's internet goes through it, once.</summary>
    public static int CutMinutes(Ground ground, NetworkDocument house)
    {
        var seconds = 0;
        for (var i = 0; i < ground.Found.Devices.Length; i++)
        {
            var now = ground.Found.Devices[i];
            if (!ground.CarriesInternet[i] || house.FindDevice(now.Id) is not { } then || ReferenceEquals(now, then)) continue;
            var own = now.Mode != then.Mode || now.Lan?.Address != then.Lan?.Address ? WorkTimes.Reboot(then) : 0;
            if (now.UsedBefore == true && then.UsedBefore != true) own += ResetSeconds;
            if (Is(ground.Found, now) && now.Mode != then.Mode) own = Math.Max(own, LeastSeconds);
            seconds += own;
        }
        return seconds / 60;
    }
}
