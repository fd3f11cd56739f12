using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.WorkOrders;

namespace Altrin.UseCases;

/// <summary>A plan with the orders that lead to it.</summary>
/// <param name="Ways">Null in a first look: no order was written yet.</param>
public sealed record PlanWithOrder(RankedPlan Plan, OrderWays? Ways);

/// <summary>The ways to set a house, found by search.</summary>
public static class Plans
{
    /// <summary>The order of each plan. They tell who is cut off for how long.</summary>
    public static ImmutableArray<PlanWithOrder> WithOrders(NetworkDocument house, ImmutableArray<RankedPlan> found, CancellationToken cancel)
    {
        var plans = new PlanWithOrder[found.Length];
        // They are independent of one another.
        Parallel.For(0, plans.Length, new() { CancellationToken = cancel }, i =>
            plans[i] = new(found[i], OrderWays.Of(house, found[i].House, cancel: cancel)));
        return [.. plans];
    }
}
