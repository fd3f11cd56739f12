using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Diagnosis;
using Altrin.Core.Network;
using Altrin.Core.Readings;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Needs;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders.Proof;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.WorkOrders.Otherwise;

/// <summary>One thing that may have gone wrong on the way to a step: an act that did not take, a cable that is not in, a box without power.
/// The house is played again with it, and what the laptop would then show is compared with what was seen.</summary>
/// <param name="Sentence">What went wrong.</param>
/// <param name="Mend">What to do about it.</param>
/// <param name="IsByHand">Mended on the spot: then the order goes on as it stands. Else the house is another one, and the rest is computed
/// anew.</param>
internal sealed record Slip(string Sentence, string Mend, bool IsByHand, NetworkDocument Before, NetworkDocument After)
{
    private const string PressIn = "Press both plugs in until they click, and look whether the lamps at the sockets light.";

    /// <summary>The nearest first: what was done last is looked at first.</summary>
    /// <param name="asSaid">Keys of steps at which everything was seen as said: what would have shown otherwise there did not go
    /// wrong.</param>
    public static IEnumerable<Slip> Of(WorkOrder order, int at, IReadOnlySet<string> asSaid)
    {
        for (var missing = at; missing >= 0; missing--)
        {
            var step = order.Steps[missing];
            if (step.Actions.IsEmpty || Replay(order, at, missing, asSaid) is not { } houses) continue;
            var (sentence, mend, isByHand) = Say(step, order.Hands.Word());
            yield return new(sentence, mend, isByHand, houses.Before, houses.After);
        }
        foreach (var slip in Causes(order, at)) yield return slip;
    }

    /// <summary>What a diagnosis thinks of, at the boxes concerned; the likeliest first. Where a want fails that may be anywhere, else at
    /// the box that is handled, or that the laptop hangs on.</summary>
    private static IEnumerable<Slip> Causes(WorkOrder order, int at)
    {
        var here = order.Steps[at];
        var (before, after) = (here.Before!, here.After!);
        var concerned = here.Readings.Any(reading => reading is WantReading) ? null : here.Device ?? LaptopBox(after);
        foreach (var cause in Diagnoser.CausesIn(after).OrderByDescending(one => one.Odds))
        {
            if (concerned is not null && !cause.Boxes(after).Contains(concerned)) continue;
            if (before.Devices.Length != after.Devices.Length && cause.Boxes(after).Any(box => before.FindDevice(box) is null)) continue;
            var then = cause.IsByHand ? cause.MendAdvice ?? "Put it right and look again." : "The order goes on from there.";
            // In the middle of the work a box that shows nothing may only be starting.
            var off = cause.Kind.Name == "no-power" && after.FindDevice(cause.Boxes(after).First()) is { } box ? box : null;
            yield return off is null ? new(cause.Sentence, then, cause.IsByHand, cause.Change(before), cause.Change(after))
                : new($"{off.Name} has no power, or is still starting.",
                    $"Look at its lamps, wait {WorkTimes.Reboot(off)} seconds more, and look again.", true, cause.Change(before),
                        cause.Change(after));
        }
    }

    /// <summary>A step that did not take: what hands mend on the spot, and what makes another house of it.</summary>
    private static (string Sentence, string Mend, bool IsByHand) Say(WorkStep step, string inHand)
    {
        if (step.Actions.All(action => action.MovesLaptop()))
            return ($"Your {inHand} is not as step {step.Number} said: {step.Title}.",
                $"Do step {step.Number} again, and look at the {inHand}'s own address.", true);
        var sentence = $"Step {step.Number} did not take: {step.Title}.";
        if (step.Actions.All(action => action is UnplugCable or UnplugEndpoint))
            return (sentence, "Follow the cable with your hand, pull it out, and look whether the lamp at the socket goes dark.", true);
        return step.Actions.All(action => action is PlugCable or MoveCableEnd or ConnectEndpoint) ? (sentence, PressIn, true)
            : (sentence, "The order goes on from the house without it.", false);
    }

    private static string? LaptopBox(NetworkDocument house) =>
        house.FindEndpoint(Laptop.Id)?.Connect?.Match(cable => cable.Into.Device, join => join.Near);

    /// <returns>The house before and after the step, the one act left out; null where a step that was seen as said would have shown
    /// otherwise.</returns>
    private static (NetworkDocument Before, NetworkDocument After)? Replay(WorkOrder order, int at, int missing,
        IReadOnlySet<string> asSaid)
    {
        // Before it nothing is otherwise.
        var house = order.Steps[missing].Before!;
        var before = house;
        for (var i = missing; i <= at; i++)
        {
            before = house;
            if (i != missing)
                foreach (var action in order.Steps[i].Actions)
                    if (action.Problem(house) is null) house = action.Apply(house);
            if (i < at && asSaid.Contains(order.Steps[i].Key) && Contradicts(order.Steps[i], house)) return null;
        }
        return (before, house);
    }

    private static bool Contradicts(WorkStep step, NetworkDocument house)
    {
        if (step.Readings.IsEmpty) return false;
        var state = Simulator.Run(house);
        return step.Readings.Any(reading => Expected.Again(state, Laptop.Id, reading) is { } shown && !Expected.Matches(reading, shown));
    }

    /// <summary>Whether the laptop would show what was seen.</summary>
    public bool Explains(WorkStep step, StepSighting seen)
    {
        var (before, after) = (Simulator.Run(Before), Simulator.Run(After));
        return seen.What switch
        {
            SeenInstead.Nothing => (step.Open is { } open && !Answers(before, open["http://".Length..]))
                || step.Readings.Any(reading => reading is PageReading { Opens: true } page && !Answers(after, page.At.ToString())),
            SeenInstead.OtherPage =>
                Shows(before, seen.Device, step.Open?["http://".Length..])
                    || step.Readings.Any(reading => reading is PageReading page && Shows(after, seen.Device, page.At.ToString())),
            SeenInstead.OtherAddress =>
                step.Device is { } box
                    && (after.Lan(box)?.Address?.Address ?? After.FindDevice(box)?.Lan?.Address?.Address) == seen.Address,
            SeenInstead.NoInternet =>
                step.Readings.OfType<InternetReading>().Any(way =>
                    After.FindEndpoint(way.Who) is not null && after.Internet(way.Who).Reachable == Answer.No),
            SeenInstead.WantFails =>
                After.Needs.FirstOrDefault(need => need.Id == seen.Need) is { } need && NeedBook.Judge(new(after), need).Met != Answer.Yes,
            SeenInstead.NoNetwork =>
                StepSighting.NetworkOf(step) is var (ssid, device)
                    && !before.Air.Concat(after.Air).Any(one => one.Network.Ssid == ssid && (device is null || one.Box.Id == device)),
            SeenInstead.AsksFirst or SeenInstead.GreyedOut or SeenInstead.GaveUp => false,
            _ => throw new InvalidOperationException($"{seen.What} is not handled."),
        };
    }

    private static bool Answers(NetworkState state, string address) =>
        state.House.Devices.Any(box =>
            state.Admin(Laptop.Id, box.Id) is { Reachable: Answer.Yes, Address: { } at } && at.ToString() == address);

    /// <summary>Whether that box's page is what opens, at the address if one is given.</summary>
    private static bool Shows(NetworkState state, string? device, string? address) => device is not null && address is not null
        && state.Admin(Laptop.Id, device) is { Reachable: not Answer.No, Address: { } at } && at.ToString() == address;
}
