using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Readings;
using Altrin.Core.Readings.Eyes;
using Altrin.Core.Readings.Parsers;
using Altrin.Core.Simulation;
using Altrin.Core.Tests.Planning;
using Altrin.Core.Tests.Trade;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;
using Altrin.Core.WorkOrders.Watching;

namespace Altrin.Core.Tests.WorkOrders;

/// <summary>What a laptop sees by itself while a step is open: done, not done, on its way, or something else.</summary>
public class WatchTests
{
    private static readonly Ipv4Address Outside = Ipv4Address.Parse("198.51.100.1");

    private static WorkOrder Order(string job) => Order(JobPlanTests.Job(job));

    private static WorkOrder Order(NetworkDocument house)
    {
        var plan = PlanSearch.Run(house, PlanSearch.UsualBudget, TestContext.Current.CancellationToken).Plans()[0].House;
        return OrderWays.Of(house, plan).Best;
    }

    private static PastedReading Seen(NetworkDocument house, WorkStep step) =>
        new SimulatedEyes(Simulator.Run(house), Laptop.Id).Look(Watch.GlanceOf(step, Outside),
            TestContext.Current.CancellationToken).Result.Reading;

    /// <summary>Whatever the job: done, a step is seen as said; not done, it is never taken for something else, nor ticked by itself where
    /// it changes
    /// what the laptop sees.</summary>
    [Theory, MemberData(nameof(JobPlanTests.Jobs), MemberType = typeof(JobPlanTests))]
    public void Done_it_is_as_said_and_not_done_it_is_as_before(string job)
    {
        var (asSaid, notYet) = CountOf(job, Order(job));
        // Of two jobs the order has no step at which the laptop looks: things are handled there.
        Assert.True(asSaid >= 2 || job is "no-mode-no-cable" or "shared-line", $"{job}: {asSaid} as said");
        Assert.True(notYet >= 1 || asSaid == 0, $"{job}: nothing is told from before");
    }

    /// <summary>The same where nobody looked at a pool, and no room is drawn.</summary>
    [Theory, MemberData(nameof(Entered))]
    public void So_it_is_in_a_house_as_it_is_entered_in_five_minutes(string job)
    {
        var (asSaid, _) = CountOf(job, Order(TradeJobs.All[job]()));
        Assert.True(asSaid >= 1, $"{job}: {asSaid} as said");
    }

    public static TheoryData<string> Entered() => [.. TradeJobs.All.Keys];

    private static (int AsSaid, int NotYet) CountOf(string job, WorkOrder order)
    {
        var (asSaid, notYet) = (0, 0);
        foreach (var step in order.Steps.Where(Watch.IsForEyes))
        {
            var after = Watch.Of(step, Seen(step.After!, step), null);
            Assert.True(after.How is Watched.AsSaid, $"{job} {step.Number} {step.Title}: {after.Says}");
            Assert.DoesNotContain(after.Rows, row => row.IsAsSaid == false);
            asSaid++;
            var before = Watch.Of(step, Seen(step.Before!, step), null);
            Assert.True(before.How is Watched.NotYet or Watched.Waiting || (before.How == Watched.AsSaid && (!before.IsWhole
                || IsLook(step))),
                $"{job} {step.Number} {step.Title}, not done: {before.How}, {before.Says}");
            if (before.How != Watched.AsSaid) notYet++;
        }
        return (asSaid, notYet);
    }

    private static bool IsLook(WorkStep step) => step.Actions.IsEmpty || step.Actions.All(action => action.MovesLaptop());

    [Fact]
    public void Only_what_the_step_names_is_asked()
    {
        foreach (var step in Order("repeater").Steps)
        {
            var glance = Watch.GlanceOf(step, Outside);
            Assert.Null(Manners.Refuse(glance));
            Assert.Equal(step.Readings.OfType<PageReading>().Select(one => one.At).Distinct(), glance.Pages);
            Assert.Equal(step.Readings.Any(one => one is SsidReading), glance.Air);
            Assert.Equal(step.Readings.Any(one => one is InternetReading { Who: Laptop.Id }), glance.Outside is not null);
            Assert.Null(Watch.GlanceOf(step, null).Outside);
        }
    }

    /// <summary>The address is of RFC 3927: nobody gives one out yet.</summary>
    [Fact]
    public void While_a_box_starts_the_laptop_gives_itself_an_address_and_it_is_said_how_long()
    {
        var step = Order("repeater").Steps.First(one => one.Readings.Any(reading =>
            reading is AddressReading { Who: Laptop.Id })) with
        { WaitSeconds = 90 };
        var silent = Reading(new SeenAdapter("eth0") { Address = "169.254.7.9/16", LinkLocal = true, Kind = AdapterKind.Ethernet });
        var waiting = Watch.Of(step, silent, 40);
        Assert.Equal((Watched.Waiting, "169.254: nobody gives addresses yet; 40 s of about 90."), (waiting.How, waiting.Says));
        var over = Watch.Of(step, silent, 400);
        Assert.Equal(Watched.Otherwise, over.How);
        Assert.Contains("169.254", over.Says, StringComparison.Ordinal);
        var elsewhere = Watch.Of(step, Reading(new SeenAdapter("eth0")
        {
            Address = "10.99.0.7/24",
            Method = "dhcp",
            Kind = AdapterKind.Ethernet
        }), null);
        Assert.Equal(Watched.Otherwise, elsewhere.How);
        Assert.Contains("10.99.0.7, not", elsewhere.Says, StringComparison.Ordinal);
    }

    /// <summary>Whoever answers at an address that the plan is to give away is found before anything is set.</summary>
    [Fact]
    public void At_a_step_that_only_looks_what_is_not_as_said_is_news()
    {
        var step = Order(TradeJobs.All["01-repeat-into-the-loft"]()).Steps.First(one => one.Readings.Any(reading => reading is PingReading { Answers: false }));
        var taken = step.Readings.OfType<PingReading>().First().At;
        var seen = Seen(step.After!, step);
        var held = Watch.Of(step, seen with { Pings = [.. seen.Pings, new($"{taken}", 1, 1, null)] }, null);
        Assert.Equal(Watched.Otherwise, held.How);
        Assert.Contains($"{taken} answers, not nobody", held.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void An_address_inside_a_house_says_nothing_about_the_internet()
    {
        Assert.Contains("10.0.0.1", Manners.Refuse(Glance.Plain with { Outside = Ipv4Address.Parse("10.0.0.1") }),
            StringComparison.Ordinal);
        Assert.NotNull(Manners.Refuse(Glance.Plain with { Outside = Ipv4Address.Parse("224.0.0.1") }));
        Assert.Null(Manners.Refuse(Glance.Plain with { Outside = Outside }));
    }

    private static PastedReading Reading(params SeenAdapter[] adapters) => OneReading.Of([new("laptop", null, [.. adapters], [], [], [],
        [], [])]);
}
