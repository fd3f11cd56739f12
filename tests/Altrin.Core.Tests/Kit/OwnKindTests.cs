using Altrin.Core.Actions;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.WorkOrders;

namespace Altrin.Core.Tests.Kit;

/// <summary>An installer's own kind speaks in orders as one of the shelf does.</summary>
public class OwnKindTests
{
    [Fact]
    public void The_words_of_an_own_kind_stand_in_orders_and_go_with_it()
    {
        var like = KitShelf.All.First(kind => kind.Sold is { Mode: DeviceMode.Router } && kind.Menus.ContainsKey(MenuItem.Dhcp));
        var own = like with { Kit = "own-words-of-a-test", Name = "Mine", Menus = like.Menus.SetItem(MenuItem.Dhcp, "Garden > Hedgehog") };
        var house = Examples.House("larkspur-house");
        house = house.WithDevice("studio", box => box with { Kit = own.Kit });
        var planned = ActionRunner.DoAll(house, [new SetLeaseTime("studio", 60)]).House!;
        string Words() => string.Join("\n", WorkOrderWriter.Search(house, planned)!.Steps.Select(step => step.Find));
        Assert.DoesNotContain("Hedgehog", Words(), StringComparison.Ordinal);
        var edition = KitShelf.Edition;
        try
        {
            KitShelf.Tell([own]);
            Assert.Contains("Garden > Hedgehog", Words(), StringComparison.Ordinal);
            Assert.True(KitShelf.Edition > edition);
            Assert.False(KitShelf.Comes(own.Kit));
            Assert.True(KitShelf.Comes(like.Kit));
            // One that comes with the program is never another's.
            KitShelf.Tell([own with { Kit = like.Kit }]);
            Assert.Same(like, KitShelf.Find(like.Kit));
        }
        finally { KitShelf.Tell([]); }
        Assert.Null(KitShelf.Find(own.Kit));
    }
}
