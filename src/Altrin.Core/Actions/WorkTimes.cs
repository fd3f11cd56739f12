using Altrin.Core.Network;

namespace Altrin.Core.Actions;

/// <summary>How long the work of hands takes, in seconds where not said otherwise: one table for plans and orders. Common practice, no
/// source.</summary>
public static class WorkTimes
{
    /// <summary>A step of an order: to walk there, to do it, to look.</summary>
    public const int Step = 60;

    /// <summary>Of a plan: a save of a page, a plug, a box carried to another room.</summary>
    public const int Save = 60, Plug = 60, Carry = 180;

    /// <summary>Until the link of a cable that was put in is up.</summary>
    public const int Link = 30;

    /// <summary>Until a line that was moved has trained or signed in anew.</summary>
    public const int Line = 120;

    /// <summary>Power in turn: both boxes off, the gateway alone, then the router.</summary>
    public const int BothOff = 120, GatewayAlone = 240, RouterAfter = 180;

    /// <summary>In minutes: a household thing whose settings are changed by hand.</summary>
    public const int TouchMinutes = 2;

    /// <summary>Until a box is back after a restart: what its label says, else the usual.</summary>
    public static int Reboot(Device box) => box.Label?.RebootSeconds ?? BoxLabel.UsualRebootSeconds;

    /// <summary>Until a box is back after its mode was saved.</summary>
    public static int ModeSave(Device box) => Math.Max(box.Traits.SaveSeconds, Reboot(box));
}
