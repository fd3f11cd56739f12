using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Readings;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.WorkOrders.Tasks;

/// <summary>A new box comes out of its carton.</summary>
internal sealed record BringBox(NetworkDocument Planned, Device Box)
    : OrderTask($"bring {Box.Id}", [new AddDevice(SettingCatalogue.AsSold(Planned, Box))])
{
    public override string Device => Box.Id;
    public override int WaitSeconds => WorkTimes.Reboot(Box);
    public override TradePlace Place => TradePlace.Reset;

    public override void Write(WorkInProgress work) =>
        work.Step(new(StepKind.BringBox, "Unpack it", $"Unpack {Box.Name}, power on, nothing else plugged in")
        {
            Actions = Actions,
            WaitSeconds = WaitSeconds
        });
}

/// <summary>A box leaves the house, with its cables.</summary>
internal sealed record TakeBoxAway(Device Box) : OrderTask($"away {Box.Id}", [new RemoveDevice(Box.Id)])
{
    public override string Device => Box.Id;
    public override TradePlace Place => TradePlace.TakeAway;
    public override void Write(WorkInProgress work) =>
        work.Step(new(StepKind.TakeBoxAway, "Take it out", Actions[0].Say(work.House)) { Actions = Actions });
}

/// <summary>A box is carried to its place.</summary>
internal sealed record CarryBox(Device Box, string Room, FloorPoint? At) : OrderTask($"carry {Box.Id}", [new CarryDevice(Box.Id, Room, At)])
{
    public override string Device => Box.Id;
    public override int WaitSeconds => WorkTimes.Reboot(Box);
    public override TradePlace Place => TradePlace.Carry;

    public override void Write(WorkInProgress work)
    {
        work.Phase = $"{Box.Name} to its place";
        work.Step(new(StepKind.CarryBox, "Carry it", $"{Actions[0].Say(work.House)}, power on")
        {
            Actions = Actions,
            Expect = after => [.. after.JoinedLamp(Box.Id), .. after.ListedAs(Box.Id)],
            WaitSeconds = WaitSeconds,
            WhyHere = work.IsAsBefore(Box.Id) ? null
                : Box.Uplink is null
                    ? "It is set at the table: nobody carries a laptop, a label and a lamp up a ladder. Common practice, not computed."
                : "It is set beside the main box first: at its place a fault of the air and one of the settings look alike. Common "
                    + "practice, not computed.",
            // Common practice, no source.
            Cautions =
            [
                .. Box.Uplink is null || work.WasProved(Box.Id) ? Array.Empty<string>()
                    : ["See that its lamp, or its page, says that it has joined before you carry it."],
                .. LampWords.WhereNotJoined(work.House, Box.Id),
                "No ladder and no drill alone; data cables apart from mains cables.",
            ],
        });
    }
}

/// <summary>Reset is held on a box with a past.</summary>
internal sealed record ResetBox(Device Box) : OrderTask($"reset {Box.Id}", [new FactoryReset(Box.Id)])
{
    public override string Device => Box.Id;
    public override int WaitSeconds => WorkTimes.Reboot(Box);
    public override TradePlace Place => TradePlace.Reset;

    public override void Write(WorkInProgress work)
    {
        var hold = Box.Label?.ResetHoldSeconds ?? BoxLabel.UsualResetHoldSeconds;
        work.Step(new(StepKind.ResetBox, "Hold reset", $"Hold reset on {Box.Name} for {hold} seconds, power on")
        {
            Actions = Actions,
            WaitSeconds = WaitSeconds,
            Expect = after => [new LampReading(Box.Id, Lamp.ResetTook), .. after.State.Lan(Box.Id)?.Address is { } own
                ? new Reading[] { new OwnAddressReading(Box.Id, own) } : []],
            Cautions =
            [
                // Common practice, no source.
                "Before: if its page still opens, save its settings to a file and note the firmware version. No update now.",
                .. Box.Wifi.IsEmpty ? Array.Empty<string>()
                    : [$"Its Wi-Fi is open until you secure it: "
                        + $"{(work.Hands == Hands.Laptop ? "stay on the cable" : "give it a key before anything else")}."],
            ],
        });
    }
}

/// <summary>A box is switched on or off.</summary>
internal sealed record PowerBox(Device Box, SwitchPower Switch) : OrderTask($"power {Box.Id}", [Switch])
{
    public override string Device => Box.Id;
    public override int WaitSeconds => Switch.On ? WorkTimes.Reboot(Box) : 0;
    public override TradePlace Place => TradePlace.Power;

    public override void Write(WorkInProgress work) =>
        work.Step(new(StepKind.PowerBox, Switch.On ? "Power on"
            : "Power off", Switch.Say(work.House))
        { Actions = Actions, WaitSeconds = Switch.On ? WaitSeconds : null });
}
