using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.WorkOrders.Proof;
using Altrin.Core.WorkOrders.Search;
using Altrin.Core.WorkOrders.Steps;
using Altrin.Core.WorkOrders.Tasks;

namespace Altrin.Core.WorkOrders;

/// <summary>Writes the order whose sequence of tasks was found: the laptop's way to each, its step, and what is proved before and
/// after.</summary>
internal sealed class OrderComposer
{
    private readonly NetworkDocument found, planned;
    private readonly Hands hands;
    private readonly Course course;
    private readonly Played played;
    private readonly CancellationToken cancel;
    private readonly NewParts parts;

    public OrderComposer(NetworkDocument found, NetworkDocument planned, Hands hands, Course course, Played played,
        CancellationToken cancel)
    {
        (this.found, this.planned, this.hands, this.course, this.played, this.cancel) = (Laptop.Away(found), Laptop.Away(planned), hands,
            course, played, cancel);
        parts = new(this.found, this.planned, played);
    }

    /// <summary>Boxes that the trade would reset first.</summary>
    private ImmutableHashSet<string> Resets =>
        course.Resets.Union(parts.Anew.Where(box => found.FindDevice(box.Id) is not null).Select(box => box.Id));

    /// <summary>Whether the trade's own way resets a box that the other leaves as it is set.</summary>
    public bool IsAnotherWay => Resets.Count > course.Resets.Count;

    /// <summary>The trade's own way: a box with a new part to play is reset first and set alone. It is always there, with a gap wherever a
    /// task cannot be done.</summary>
    public WorkOrder ResetFirst()
    {
        return Compose(from => OrderSearch.Straight(from, planned, hands, course with { Resets = Resets }, played, cancel))!;
    }

    /// <summary>Boxes keep what is set on them: the sequence that cuts the household off the least.</summary>
    /// <returns>Null where none was found.</returns>
    public WorkOrder? Kept() => Compose(from => OrderSearch.Find(from, planned, hands, course, played, cancel));

    private WorkOrder? Compose(Func<NetworkDocument, ImmutableArray<Done>?> find)
    {
        var work = new WorkInProgress(found, planned, played, cancel) { Course = course, Hands = hands };
        if (SameWritten.Are(found, planned)) return work.Finish("Nothing to do");
        if (course.ProvesLine) ProofSteps.Line(work);
        if (find(work.House) is not { } steps) return null;
        new StepTeller(work).Tell(steps);
        foreach (var (gateway, receiver) in parts.HandsOn) ProofSteps.PowerInTurn(work, gateway, receiver);
        Settle(work);
        foreach (var box in planned.Devices.Where(box => work.Has(box) && IsToBeProved(work, box))) ProofSteps.Box(work, box);
        ProofSteps.Measure(work);
        ProofSteps.Household(work);
        if (!work.EndsAsPlanned()) work.Gap(GapKind.NotAsPlanned, "the last step does not end in the planned house.");
        return work.Finish(parts.Title());
    }

    /// <summary>Set at the table, proved in its place.</summary>
    private bool IsToBeProved(WorkInProgress work, Device box) =>
        (parts.Anew.Contains(box) || course.Resets.Contains(box.Id) || IsNewAtItsPlace(box)) && ProofSteps.CanBeProved(work, box);

    /// <summary>A box that joins by radio or by cable as it did not before, or stands where it did not: whether it carries is seen at it
    /// alone.</summary>
    private bool IsNewAtItsPlace(Device box) => box.Id != found.Line?.Device && found.FindDevice(box.Id) is var old
        && (old is null || (box.Uplink is not null && !SameWritten.Are(old.Uplink, box.Uplink)) || CarryDevice.IsDue(found, old, box)
            || (!IsWired(found, box) && IsWired(planned, box)));

    private static bool IsWired(NetworkDocument house, Device box) =>
        house.Cables.Any(cable => cable.A.Device == box.Id || cable.B.Device == box.Id);

    /// <summary>What no step has done is said: what is left between the house as the steps have made it and the one that is planned. Mere
    /// records follow the plan.</summary>
    private static void Settle(WorkInProgress work)
    {
        var left = Difference.Between(Laptop.Away(work.House), work.Planned);
        foreach (var action in left.All)
        {
            if (!action.IsRecord(work.House)) work.Gap(GapKind.Undone, $"no step does this: {action.Say(work.House)}.");
            else work.Record(action);
        }
        foreach (var one in left.Left)
            work.Gap(GapKind.Undone,
                $"no step sets “{one.Setting.Name}” of {work.House.NameOf(one.Device)} as "
                    + $"planned{(one.Setting.WhyNoAct is { } why ? $": {why}" : "")}.");
    }
}
