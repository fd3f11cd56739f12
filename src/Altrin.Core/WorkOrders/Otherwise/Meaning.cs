using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders.Proof;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.WorkOrders.Otherwise;

/// <summary>What may have happened where something else was seen, and how the work goes on then.</summary>
/// <param name="Key">Stays the same while the order does.</param>
/// <param name="Then">What is done next.</param>
/// <param name="House">The house as it then stands, the laptop aside; null where the mend is made on the spot and the order goes on as it
/// is.</param>
/// <param name="Resets">Boxes whose page nobody can open any more.</param>
/// <param name="Forbids">The mode that a box turned out not to have.</param>
public sealed record Meaning(string Key, string Sentence, string Then, NetworkDocument? House, ImmutableHashSet<string> Resets,
    (string Device, DeviceMode Mode)? Forbids = null)
{
    /// <summary>So many things that may have gone wrong are looked at; more only bewilder.</summary>
    private const int MostSlips = 4;

    private const string Skip = "Skip the wizard where it lets you; a new password is noted at once, for the one on the label then opens nothing.";

    /// <summary>What was seen, explained: first what the house played again would show so, the last act first, then what is always
    /// left.</summary>
    /// <param name="asSaid">Keys of the steps at which all was seen as said.</param>
    /// <exception cref="ArgumentException">There is no such step.</exception>
    public static ImmutableArray<Meaning> Of(WorkOrder order, string key, StepSighting seen, IReadOnlySet<string> asSaid)
    {
        var at = order.Steps.ToList().FindIndex(step => step.Key == key);
        if (at < 0) throw new ArgumentException("That step is not in the order.", nameof(key));
        var step = order.Steps[at];
        var meanings = ImmutableArray.CreateBuilder<Meaning>();
        void Add(string name, string sentence, string then, NetworkDocument? house = null, string? reset = null,
            (string, DeviceMode)? forbids = null) =>
            meanings.Add(new(name, sentence, then, house is null ? null : Laptop.Away(house), reset is null ? [] : [reset], forbids));

        var box = step.Device is { } device ? step.After!.FindDevice(device) : null;
        if (seen is { What: SeenInstead.OtherAddress, Address: { } same } && box is not null
            && (Simulator.Run(step.After!).Lan(box.Id)?.Address ?? box.Lan?.Address)?.Address == same)
        {
            Add("same-address", $"{same} is where this step has {box.Name}.", "It is no other address: say what else was seen.");
            return meanings.ToImmutable();
        }
        var slips = 0;
        foreach (var (slip, i) in Slip.Of(order, at, asSaid).Select((slip, i) => (slip, i)))
        {
            if (slips == MostSlips) break;
            if (!slip.Explains(step, seen)) continue;
            slips++;
            Add($"slip-{i}", slip.Sentence, slip.Mend, slip.IsByHand ? null : slip.After);
        }
        switch (seen.What)
        {
            case SeenInstead.OtherAddress when box is { Lan: { } lan } && seen.Address is { } address:
                if (lan.Method == LanMethod.Dhcp)
                    Add("lease", $"{box.Name} asks for its address: which number it is given is chance.",
                        $"Open http://{address} and go on. A reservation by its MAC holds it there.");
                else
                    Add("took-it", $"{box.Name} has taken {address} of its own accord.", "The order goes on from there.",
                        new SetLanAddress(box.Id, new(address, lan.Address?.Prefix.Length ?? 24)).Apply(step.After!));
                break;
            case SeenInstead.AsksFirst when box is not null:
                Add("first-page", "Many boxes show something else first: a wizard, a password that must be changed, a warning that there "
                    + "is no broadband.",
                    $"{LogInStep.PastFirstPage(step.Before!, box).FirstOrDefault() ?? Skip} Then open {step.Open ?? "the page"} again.");
                break;
            case SeenInstead.GreyedOut when box is not null:
                if (step.Actions.OfType<SetMode>().FirstOrDefault() is { } mode)
                    Add("no-such-mode", $"{box.Name} cannot be put into {mode.Mode.Say()} mode after all.",
                        "The plan needs another way: choose one that does without.",
                        new DescribeDevice(Without(step.Before!.FindDevice(box.Id)!, mode.Mode)).Apply(step.Before),
                        forbids: (box.Id, mode.Mode));
                Add("held", "Another setting may hold it: in some modes a box greys out its address and its DHCP server.",
                    "Look what else on that page is on, turn that off and come back.");
                break;
            case SeenInstead.NoInternet:
                Add("line", "The line itself may be down.",
                    "Look at the lamps of the box at the wall, wait five minutes, then ask the provider. Nothing more is set meanwhile.");
                break;
            case SeenInstead.WantFails:
                Add("old-lease", "The thing may hold an address from before.",
                    "Turn its Wi-Fi off and on, or pull its cable for a moment, and try again.");
                break;
            case SeenInstead.OtherPage:
                Add("look", "A page can be kept by the browser.",
                    $"Open it in a private window. Where it is the other box's still, "
                        + (order.Hands == Hands.Laptop ? "its cable is the one your laptop hangs on."
                            : $"it is its Wi-Fi your {order.Hands.Word()} is on."));
                break;
            case SeenInstead.GaveUp:
                Add("undone", "The step is not done.", "The house is kept as it stood before it.", step.Before);
                if (!step.Actions.IsEmpty) Add("done", "The step is done.", "The house is kept as it stands after it.", step.After);
                break;
        }
        // The last way in, where the box itself cannot be reached: common practice, no source.
        if (box is not null && step.Before!.FindDevice(box.Id) is not null
            && seen.What is SeenInstead.Nothing or SeenInstead.AsksFirst or SeenInstead.OtherPage or SeenInstead.GreyedOut
                or SeenInstead.NoNetwork)
            Add("reset", $"None of this: the page of {box!.Name} is lost.",
                "The order begins with its reset, and sets it from the beginning.", step.Before, box.Id);
        return meanings.ToImmutable();
    }

    private static Device Without(Device box, DeviceMode mode) => box with { Supports = box.Supports.Remove(mode) };
}
