using Altrin.Core.Network;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders.Search;

namespace Altrin.Core.WorkOrders;

/// <summary>Two ways from the one house to the other: found by search, boxes keeping what is set on them; and the trade's own, a box with a new part to play
/// reset first. Which is proposed is decided here, for the command line, the options and the page alike.</summary>
/// <param name="Keep">Null where no search found one.</param>
/// <param name="Reset">An order for a laptop with a socket.</param>
public sealed record OrderWays(WorkOrder? Keep, WorkOrder Reset, bool IsKeepBetter)
{
    public WorkOrder Best => IsKeepBetter ? Keep! : Reset;

    public static OrderWays Of(NetworkDocument found, NetworkDocument planned, Hands hands = Hands.Laptop, Course? course = null, CancellationToken cancel = default)
    {
        var keep = WorkOrderWriter.Search(found, planned, hands, course, cancel);
        var reset = WorkOrderWriter.Write(found, planned, course, cancel);
        if (keep is null || hands != Hands.Laptop) return new(keep, reset, keep is not null);
        var before = Clashes.Keys(Simulator.Run(found));
        // Without a gap, without a clash that was not there, then with the fewest minutes in which somebody is cut off; of two alike the one by search.
        (int, int, int) Rank(WorkOrder order) => (order.Gaps.Length, order.Steps.Count(step => !Clashes.Keys(Simulator.Run(step.After!)).IsSubsetOf(before)), order.CutMinutes(found));
        return new(keep, reset, Rank(keep).CompareTo(Rank(reset)) <= 0);
    }
}
