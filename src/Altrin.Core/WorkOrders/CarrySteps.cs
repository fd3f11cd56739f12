using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.WorkOrders;

/// <summary>A box carried to its place, said once for every order.</summary>
internal static class CarrySteps
{
    public static void Carry(WorkInProgress work, CarryDevice carry)
    {
        var box = work.House.FindDevice(carry.Device)!;
        work.Phase = $"{box.Name} to its place";
        work.Step(new("Carry it", $"{carry.Say(work.House)}, power on")
        {
            Actions = [carry],
            Expect = after => after.ListedAs(box.Id),
            WaitSeconds = BoxWork.RebootSeconds(box),
            WhyHere = work.IsAsBefore(box.Id) ? null : "It is set beside the main box first: at its place a fault of the air and one of the settings look alike. Common practice, not computed.",
            // Common practice, no source.
            Cautions = ["Prove it beside the main box before you carry it, and again in its place.", "No ladder and no drill alone; data cables apart from mains cables."],
        });
    }
}
