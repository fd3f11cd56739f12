using Altrin.Core.Actions;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Readings;
using Altrin.Core.WorkOrders.Search;

namespace Altrin.Core.WorkOrders;

/// <summary>Reset held on a box, said once for every order.</summary>
internal static class ResetSteps
{
    public static void Hold(WorkInProgress work, Device box)
    {
        var hold = box.Label?.ResetHoldSeconds ?? BoxLabel.UsualResetHoldSeconds;
        work.Step(new("Hold reset", $"Hold reset on {box.Name} for {hold} seconds, power on")
        {
            Actions = [new FactoryReset(box.Id)],
            WaitSeconds = BoxWork.RebootSeconds(box),
            Expect = after => [new LampReading(box.Id, Lamp.ResetTook), .. after.State.Lan(box.Id)?.Address is { } own ? new Reading[] { new OwnAddressReading(box.Id, own) } : []],
            Cautions =
            [
                // Common practice, no source.
                "Before: if its page still opens, save its settings to a file and note the firmware version. No update now.",
                .. box.Wifi.IsEmpty ? Array.Empty<string>() : [$"Its Wi-Fi is open until you secure it: {(work.Hands == Hands.Laptop ? "stay on the cable" : "give it a key before anything else")}."],
            ],
        });
    }
}
