using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Simulation;
using Altrin.Core.Visit;
using Altrin.Core.Tests.WorkOrders;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.Tests.Visit;

/// <summary>What was measured before the work is noted, kept, and said where it is measured again.</summary>
public class MeasuredTests
{
    private static NetworkDocument Wants(NetworkDocument house) => house with { Needs = house.Needs.Add(new Need.Speed { Id = "rate", Room = "garden-studio", Mbps = 20 }) };

    private static Measurement Measured(double? mbps = 4.5, string id = "m1") => new() { Id = id, Room = "garden-studio", Mbps = mbps, At = "2026-11-28" };

    private static NetworkDocument After(NetworkDocument house, params InstallerAction[] deeds)
    {
        var attempt = ActionRunner.DoAll(house, [.. deeds]);
        Assert.True(attempt.House is not null, attempt.Problem?.Message);
        return attempt.House!;
    }

    [Fact]
    public void A_note_is_written_read_replaced_and_taken_back()
    {
        var house = After(Examples.House("larkspur-house"), new NoteMeasured(Measured()));
        Assert.Equal(Measured(), Assert.Single(DocumentReader.Read(AltrinJson.Write(house)).Document!.Measured));
        Assert.Equal(7, Assert.Single(After(house, new NoteMeasured(Measured(7))).Measured).Mbps);
        Assert.Empty(After(house, new ForgetMeasured("m1")).Measured);
        Assert.Equal("id", new ForgetMeasured("other").Problem(house)!.Field);
        // A document without it says nothing of it.
        Assert.DoesNotContain("measured", AltrinJson.Write(Examples.House("larkspur-house")), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(null, null, "measured.mbps")]
    [InlineData(-1.0, null, "measured.mbps")]
    [InlineData(double.NaN, null, "measured.mbps")]
    [InlineData(null, 3.0, "measured.levelDbm")]
    [InlineData(12.0, null, null)]
    [InlineData(null, -67.0, null)]
    public void What_cannot_be_measured_is_refused_by_its_field(double? mbps, double? dbm, string? field) =>
        Assert.Equal(field, new NoteMeasured(Measured(mbps) with { LevelDbm = dbm }).Problem(Examples.House("larkspur-house"))?.Field);

    [Fact]
    public void The_walk_asks_for_it_where_a_rate_is_wanted_until_it_is_there()
    {
        bool Asks(NetworkDocument house) => Walk.Of(Simulator.Run(house)).Asked.Any(one => one.What.Contains("Garden studio", StringComparison.OrdinalIgnoreCase) && one.What.Contains("measured", StringComparison.Ordinal));
        var house = Wants(Examples.House("larkspur-house"));
        Assert.True(Asks(house));
        Assert.False(Asks(After(house, new NoteMeasured(Measured()))));
    }

    [Fact]
    public void The_order_says_what_was_measured_before()
    {
        var house = After(Wants(Examples.House("larkspur-house")), new NoteMeasured(Measured()));
        var planned = After(house, new SetLeaseTime(house.Devices[0].Id, 60));
        var step = Orders.Kept(house, planned)!.Steps.Single(one => one.Title.Contains("best of three", StringComparison.Ordinal));
        Assert.Contains("beside the 4.5 Mb/s measured before, 2026-11-28", step.Title, StringComparison.Ordinal);
    }

    /// <summary>It is a record: no page has to be opened for it, and no plan is another by it.</summary>
    [Fact]
    public void It_is_no_work()
    {
        var house = Examples.House("larkspur-house");
        var difference = Difference.Actions(house, After(house, new NoteMeasured(Measured())));
        Assert.All(difference, deed => Assert.True(deed.IsRecord(house)));
        Assert.Single(difference);
    }
}
