using Altrin.Core.Network;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders.Search;

namespace Altrin.Core.WorkOrders;

/// <summary>Two ways from the one house to the other: found by search, boxes keeping what is set on them; and the trade's own, a box with a new part to play
/// reset first. Which is proposed is decided here, for the command line, the options and the page alike.</summary>
/// <param name="Keep">Null where no search found one.</param>
/// <param name="Reset">For a laptop with a socket. Without one there is no other way than that by search: an order of no steps that says so stands here where none was found.</param>
public sealed record OrderWays(WorkOrder? Keep, WorkOrder Reset, bool IsKeepBetter)
{
    public WorkOrder Best => IsKeepBetter ? Keep! : Reset;

    public static OrderWays Of(NetworkDocument found, NetworkDocument planned, Hands hands = Hands.Laptop, Course? course = null, CancellationToken cancel = default)
    {
        var keep = WorkOrderWriter.Search(found, planned, hands, course, cancel);
        // The trade's own order takes a socket for granted: it is none for whoever has none.
        if (hands != Hands.Laptop) return new(keep, keep ?? None(hands), keep is not null);
        var reset = WorkOrderWriter.Write(found, planned, course, cancel);
        var before = Clashes.Known(found, planned);
        // Without a gap, then with the fewest minutes in which somebody is cut off; of two alike the one by search.
        reset = reset with { Gaps = [.. reset.Gaps, .. NewClashes(reset, before)] };
        (int, int) Rank(WorkOrder order) => (order.Gaps.Length, order.CutMinutes(course?.Household ?? found));
        return new(keep, reset, keep is not null && Rank(keep).CompareTo(Rank(reset)) <= 0);
    }

    private static WorkOrder None(Hands hands) => new("No order without a socket", [], 0,
        [$"With {(hands == Hands.Phone ? "a phone alone" : "a laptop without a socket")} no order was found: at some step a page opens by cable only. Take a laptop with a socket."]);

    /// <summary>The trade's own order looks at each box alone: what a step of it brings into the house that was not there is said.</summary>
    private static IEnumerable<string> NewClashes(WorkOrder order, IReadOnlySet<string> before) => order.Steps
        .SelectMany(step => Clashes.In(Simulator.Run(step.After!)).Where(clash => !before.Contains(clash.Key)).Select(clash => (step, clash)))
        .DistinctBy(one => one.clash.Key).Select(one => $"Step {one.step.Number}: {one.clash.Sentence}");
}
