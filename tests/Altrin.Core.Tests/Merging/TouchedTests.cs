using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Merging;
using Altrin.Core.Network;

namespace Altrin.Core.Tests.Merging;

/// <summary>Two people's changes are told apart by what they touch.</summary>
public class TouchedTests
{
    private static readonly NetworkDocument House = Examples.House("hawthorn-farm");

    private static IReadOnlySet<string> By(params InstallerAction[] deeds)
    {
        var after = ActionRunner.DoAll(House, [.. deeds]);
        Assert.True(after.House is not null, after.Problem?.Message);
        return Touched.Between(House, after.House!);
    }

    [Fact]
    public void A_change_touches_its_own_place_and_nothing_else()
    {
        var box = House.Devices[0];
        Assert.Equal([$"devices/{box.Id}/name"], By(new Rename(box.Id, "Another name")));
        Assert.Empty(Touched.Between(House, House));
    }

    [Fact]
    public void The_order_of_boxes_says_nothing() =>
        Assert.Empty(Touched.Between(House, House with { Devices = [.. House.Devices.Reverse()], Endpoints = [.. House.Endpoints.Reverse()] }));

    [Fact]
    public void Different_boxes_are_apart_and_a_box_taken_away_is_not_apart_from_what_is_in_it()
    {
        var (first, second) = (House.Devices[^1], House.Devices[^2]);
        Assert.False(Touched.Meet(By(new Rename(first.Id, "A")), By(new Rename(second.Id, "B"))));
        Assert.True(Touched.Meet(By(new Rename(first.Id, "A")), By(new Rename(first.Id, "B"))));
        Assert.True(Touched.Meet(By(new RemoveDevice(first.Id)), By(new Rename(first.Id, "B"))));
        Assert.True(Touched.Meet(By(new Rename(first.Id, "B")), By(new RemoveDevice(first.Id))));
        // A setting that was not there before lies in the box that the other takes away.
        Assert.True(Touched.Meet(By(new SetFeature(second.Id, BoxFeature.Upnp, !second.Upnp), new Rename(second.Id, "B")), By(new RemoveDevice(second.Id))));
    }

    [Fact]
    public void A_name_that_begins_like_another_is_another()
    {
        IReadOnlySet<string> Set(params string[] places) => places.ToImmutableHashSet(StringComparer.Ordinal);
        Assert.False(Touched.Meet(Set("devices/gw"), Set("devices/gw2/name")));
        Assert.True(Touched.Meet(Set("devices/gw/lan"), Set("devices/gw/lan/address")));
        Assert.False(Touched.Meet(Set("devices/gw/lan"), Set("devices/gw/name")));
        Assert.False(Touched.Meet(Set(), Set("devices/gw")));
    }

    /// <summary>Law: deeds that are apart come to the same house in either order.</summary>
    [Fact]
    public void What_is_apart_may_be_done_in_either_order()
    {
        var deeds = House.Devices.SelectMany(box => new InstallerAction[] { new Rename(box.Id, $"{box.Name} two"), new SetFeature(box.Id, BoxFeature.Upnp, !box.Upnp) })
            .Concat(House.Endpoints.Take(6).Select(thing => (InstallerAction)new RemoveEndpoint(thing.Id)))
            .Where(deed => ActionRunner.DoAll(House, [deed]).House is not null).Select(deed => (Deed: deed, Touches: By(deed))).ToList();
        var apart = 0;
        foreach (var (a, touches) in deeds.Where((_, i) => i % 9 == 0))
            foreach (var (b, _) in deeds.Where(other => other.Deed != a && !Touched.Meet(touches, other.Touches)))
            {
                var (one, other) = (ActionRunner.DoAll(House, [a, b]).House, ActionRunner.DoAll(House, [b, a]).House);
                Assert.NotNull(one);
                Assert.Empty(Touched.Between(one, other!));
                apart++;
            }
        Assert.True(apart > deeds.Count);
    }
}
