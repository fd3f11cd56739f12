using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders.Proof;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.WorkOrders;

/// <summary>The one door to orders, for the command line, the options and the page alike. Two ways from the one house to the other: boxes
/// keep what is set on
/// them; and the trade's own, a box with a new part to play reset first. Which is proposed is decided here.</summary>
/// <param name="Keep">Null where no search found one.</param>
/// <param name="Reset">For a laptop with a socket. Without one there is no other way than that by search: an order of no steps that says so
/// stands here where none was found.</param>
/// <param name="KeepCutMinutes">While somebody who had internet has none; see <see cref="WorkOrder.CutMinutes(NetworkDocument)"/>.</param>
/// <param name="ResetCutMinutes">The same of the other way.</param>
public sealed record OrderWays(WorkOrder? Keep, WorkOrder Reset, bool IsKeepBetter, int KeepCutMinutes, int ResetCutMinutes)
{
    /// <summary>The house that both begin with: as found, with what is merely written down as it is planned.</summary>
    public required NetworkDocument Start { get; init; }

    public WorkOrder Best => IsKeepBetter ? Keep! : Reset;
    public int BestCutMinutes => IsKeepBetter ? KeepCutMinutes : ResetCutMinutes;

    public static OrderWays Of(NetworkDocument found, NetworkDocument planned, Hands hands = Hands.Laptop, Course? course = null,
        CancellationToken cancel = default)
    {
        var way = WithPasts(course ?? Course.First, found, planned);
        found = WithRecords(Laptop.Away(found), Laptop.Away(planned));
        var household = course?.Household ?? found;
        OrderComposer Composer(Played played) => new(found, planned, hands, way, played, cancel);
        var (here, there) = (new Played(), new Played());
        var composer = Composer(here);
        // The trade's own order takes a socket for granted: it is none for whoever has none. The two ways know nothing of each other.
        var second = hands == Hands.Laptop && composer.IsAnotherWay ? Task.Run(() => Composer(there).ResetFirst(), cancel) : null;
        var keep = composer.Kept() is { } kept ? Unbroken(kept, found, planned) : null;
        var keepCut = keep?.CutMinutes(household, here) ?? 0;
        if (hands != Hands.Laptop) return new(keep, keep ?? None(hands), keep is not null, keepCut, keepCut) { Start = found };
        // With nothing to be reset the two are one way.
        if (keep is { IsProven: true } && second is null) return new(keep, keep, true, keepCut, keepCut) { Start = found };
        var reset = Unbroken(second is null ? Composer(there).ResetFirst() : second.GetAwaiter().GetResult(), found, planned);
        reset = reset with { Gaps = [.. reset.Gaps, .. NewClashes(reset, Clashes.Known(there.Of(found), there.Of(planned)), there)] };
        var resetCut = reset.CutMinutes(household, there);
        // Without a gap, then with the fewest minutes in which somebody is cut off; of two alike the one by search.
        return new(keep, reset, keep is not null
            && (keep.Gaps.Length, keepCut).CompareTo((reset.Gaps.Length, resetCut)) <= 0, keepCut, resetCut)
        { Start = found };
    }

    /// <summary>A box that has a past and is at hand is reset before anything is set on it: what stands on it is another's.</summary>
    private static Course WithPasts(Course course, NetworkDocument found, NetworkDocument planned)
    {
        if (course.Number > 0 || !found.Devices.Any(box => box.UsedBefore == true)) return course;
        var state = Simulator.Run(found);
        return course with
        {
            Resets = course.Resets.Union(found.Devices.Where(box => box.UsedBefore == true && !state.IsInUse(box.Id)
                && planned.FindDevice(box.Id) is { } wanted && !SettingCatalogue.AreAlike(box, wanted)).Select(box => box.Id)),
        };
    }

    private static WorkOrder None(Hands hands) => new("No order without a socket", [], 0,
    [
        new(GapKind.NoOrder,
            $"With {(hands == Hands.Phone ? "a phone alone" : "a laptop without a socket")} no order was found: at some step a page opens "
                + $"by cable only. "
            + "Take a laptop with a socket."),
    ]);

    /// <summary>What a step brings into the house that was not there.</summary>
    private static IEnumerable<OrderGap> NewClashes(WorkOrder order, IReadOnlySet<string> before, Played played) => order.Steps
        .SelectMany(step => Clashes.In(played.Of(step.After!)).Where(clash => !before.Contains(clash.Key)).Select(clash => (step, clash)))
        .DistinctBy(one => one.clash.Key).Select(one => new OrderGap(GapKind.Clash, $"Step {one.step.Number}: {one.clash.Sentence}"));

    /// <summary>Names, rooms and wants are written down, not worked for: they are the planned house's from the start.</summary>
    private static NetworkDocument WithRecords(NetworkDocument found, NetworkDocument planned)
    {
        foreach (var action in Difference.Actions(found, planned))
        {
            if (!action.IsRecord(found)) continue;
            var record = InItsRoom(found, action);
            // What is plugged in must have its socket still: a record that says otherwise waits for the end.
            if (record.Problem(found) is null && record.Apply(found) is var noted && HouseCheck.WhyNot(noted) is null) found = noted;
        }
        return found;
    }

    /// <summary>Where a box stands is no record while it has to be carried there.</summary>
    private static InstallerAction InItsRoom(NetworkDocument house, InstallerAction action) =>
        action is DescribeDevice { Box: var box } && house.FindDevice(box.Id) is { } now && CarryDevice.IsDue(house, now, box)
            ? new DescribeDevice(box with { Room = now.Room, At = now.At }) : action;

    /// <summary>A step that begins with something that no step has done is a gap.</summary>
    private static WorkOrder Unbroken(WorkOrder order, NetworkDocument start, NetworkDocument to)
    {
        var gaps = order.Gaps.ToBuilder();
        var now = start;
        foreach (var step in order.Steps)
        {
            if (!SameWritten.Are(Laptop.Away(step.Before!), now))
                gaps.Add(new(GapKind.Broken, $"Step {step.Number} begins with something that no step has done."));
            now = Laptop.Away(step.After!);
        }
        if (!SameWritten.Are(now, Laptop.Away(to)) && !gaps.Any(gap => gap.Kind == GapKind.NotAsPlanned))
            gaps.Add(new(GapKind.NotAsPlanned, "The last step does not end in the planned house."));
        return order with { Gaps = gaps.ToImmutable() };
    }
}
