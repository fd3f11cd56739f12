using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders.Proof;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.WorkOrders;

/// <summary>Why a step stands where it stands: it is done one place sooner after the other, simulated, until something breaks.</summary>
public static class Sooner
{
    /// <returns>What would break, and before which step; that nothing would, where it could as well be the first; null for a step that
    /// changes nothing.</returns>
    public static string? WhyNot(WorkOrder order, string key, Hands hands = Hands.Laptop)
    {
        var at = order.Steps.ToList().FindIndex(step => step.Key == key);
        if (at < 0) return null;
        if (!IsWork(order.Steps[at])) return order.Steps[at].WhyHere;
        if (!order.Steps.Take(at).Any(IsWork)) return order.Steps[at].WhyHere ?? "Nothing is changed before it.";
        var step = order.Steps[at];
        var spots = new Spots(hands, Laptop.Away(order.Steps[^1].After!));
        var known = Clashes.Known(Simulator.Run(order.Steps[0].Before!), Simulator.Run(order.Steps[^1].After!));
        for (var place = at - 1; place >= 0; place--)
        {
            if (!IsWork(order.Steps[place])) continue;
            if (Breaks(order, step, place, at, spots, known) is { } reason)
                return $"Done before step {order.Steps[place].Number}, “{order.Steps[place].Title}”: {reason}";
        }
        return step.WhyHere ?? "It may be done sooner. Here it saves you a walk.";
    }

    /// <summary>Looking, logging in and moving the laptop follow the work and are no work.</summary>
    private static bool IsWork(WorkStep step) => !step.Actions.IsEmpty && !step.Actions.All(action => action.MovesLaptop());

    private static string? Breaks(WorkOrder order, WorkStep step, int place, int at, Spots spots, IReadOnlySet<string> known)
    {
        var house = order.Steps[place].Before!;
        if (Do(ref house, step, spots, known) is { } own) return own;
        // What it overtook has to be done still.
        for (var i = place; i < at; i++)
        {
            if (!IsWork(order.Steps[i])) continue;
            if (Do(ref house, order.Steps[i], spots, known) is { } later)
                return $"then step {order.Steps[i].Number} could not follow: {later}";
        }
        return CutSooner(order, step, place);
    }

    private static string? Do(ref NetworkDocument house, WorkStep step, Spots spots, IReadOnlySet<string> known)
    {
        if (step.Open is not null && step.Device is { } device)
        {
            if (house.FindDevice(device) is null) return $"{step.After!.NameOf(device)} is not there yet.";
            if (spots.ToPage(house, device, out var moved) is null)
                return $"the page of {house.NameOf(device)} would not open from anywhere.";
            house = moved;
        }
        foreach (var action in step.Actions)
        {
            // The laptop's own socket is let go for it.
            if (action.Problem(house) is not null) house = Laptop.Away(house);
            if (Missing(house, action) is { } missing) return $"{step.After!.NameOf(missing)} is not there yet.";
            if (action is PlugCable plug && house.FindCable(plug.Cable.Id) is { } still)
                return $"that cable is still in {house.SocketName(still.A)} and {house.SocketName(still.B)}.";
            if (action.Problem(house) is { } problem) return Lower(problem.Message);
            house = action.Apply(house);
        }
        var state = Simulator.Run(house);
        foreach (var (key, sentence) in Clashes.In(state))
            if (!known.Contains(key)) return Lower(sentence);
        return null;
    }

    /// <summary>A box that something is to be plugged into, and that is not in the house yet.</summary>
    private static string? Missing(NetworkDocument house, InstallerAction action) =>
        action.SocketsNeeded().Select(socket => socket.Device).FirstOrDefault(box => house.FindDevice(box) is null);

    /// <summary>Nothing breaks, but somebody would be without internet from then on.</summary>
    private static string? CutSooner(WorkOrder order, WorkStep step, int place)
    {
        var before = order.Steps[place].Before!;
        var after = before;
        foreach (var action in step.Actions) if (action.Problem(after) is null) after = action.Apply(after);
        var cut = new CutOff(before).In(Simulator.Run(after)).Select(thing => thing.Name).ToList();
        return cut.Count == 0 ? null
            : $"{Rules.Facts.Join(cut, 4)} would be without internet from then on{(step.CutOff.Length > 0 ? ", and so for longer" : "")}.";
    }

    /// <summary>In the middle of a sentence; a name keeps its capital.</summary>
    private static string Lower(string sentence) =>
        sentence.Split(' ')[0] is "The" or "A" or "Both" or "Two" or "There" or "No" or "Socket"
            ? char.ToLowerInvariant(sentence[0]) + sentence[1..] : sentence;
}
