using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Tests.Actions;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.Tests.WorkOrders;

/// <summary>What holds of the order between any two houses.</summary>
public class OrderLaws
{
    /// <summary>The search too: a thing that goes into a box which is not there yet, a box that hands on to one that goes, whatever comes.</summary>
    [Theory]
    [InlineData(Hands.Laptop)]
    [InlineData(Hands.Phone)]
    public void Any_two_houses_give_an_order_by_search_or_none(Hands hands)
    {
        MutationRun.Skips("WorkOrders");
        var found = 0;
        for (var seed = 1; seed <= 16; seed++)
        {
            var from = Houses.Make(seed, Enum.GetValues<DeviceMode>());
            // Most by a few acts, some another house altogether.
            var to = seed % 8 == 0 ? Houses.Make(seed + 1, Enum.GetValues<DeviceMode>()) : Laptop.Away(ActionTests.OneOfEach.Where((_, i) => (seed + i) % 9 == 0).Apply(from));
            var order = OrderWays.Of(from, to, hands).Best;
            if (!order.IsProven) continue;
            found++;
            WorkOrderTests.Follow(from, to, order);
        }
        Assert.True(found > 3, $"only {found} orders were proven");
    }
}
