namespace Altrin.Browser.Tests;

/// <summary>What is timed runs alone: another browser on the same two cores would be timed with it.</summary>
[CollectionDefinition("timed", DisableParallelization = true)]
public sealed class Timed;

[Collection("timed")]
public sealed class TimingTests : HandTest
{
    /// <summary>What holds on any machine that runs the tests.</summary>
    [Fact]
    public void The_verdict_follows_an_edit_at_once() => TimeVerdict(250);

    /// <summary>The goal, on a machine that does nothing else.</summary>
    [Fact, Trait("kind", "long")]
    public void The_verdict_follows_an_edit_within_a_tenth_of_a_second() => TimeVerdict(100);

    [Fact]
    public void The_grid_of_sixty_is_drawn_at_once() => TimeGrid(400);

    [Fact, Trait("kind", "long")]
    public void The_grid_of_sixty_is_drawn_within_a_fifth_of_a_second() => TimeGrid(200);

    /// <summary>Three hundred boxes and six hundred things: on one network, or each box a step down.</summary>
    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void The_Stairs_of_three_hundred_boxes_are_drawn_within_a_second(bool areSteps)
    {
        OpenHouse(areSteps ? SizeTests.Steps(300) : SizeTests.Big(300, 600), "wants");
        var times = new List<double>();
        for (var n = 0; n < 5; n++)
        {
            times.Add(Convert.ToDouble(Browser.RunAsync("""
                const done = arguments[0], start = performance.now()
                const look = () => document.querySelector('[data-box=gw]') ? requestAnimationFrame(() => requestAnimationFrame(() => done(performance.now() - start))) : requestAnimationFrame(look)
                ;[...document.querySelectorAll('nav[aria-label=Stages] a')].find((one) => one.textContent.includes('Stairs')).click(); look()
                """), System.Globalization.CultureInfo.InvariantCulture));
            Browser.Press(() => Browser.Link("Wants"));
            Browser.UntilText("What the household wants");
        }
        TestContext.Current.SendDiagnosticMessage($"Stairs of 300 {(areSteps ? "steps" : "boxes")}: {string.Join(", ", times.Select(time => $"{time:0} ms"))}");
        // The first has to fetch what the stage is made of; the least disturbed of the others.
        Assert.True(times.Skip(1).Min() < 1000, $"{string.Join(", ", times.Select(time => $"{time:0}"))} ms");
    }

    private void TimeVerdict(double limit)
    {
        OpenDemo();
        Browser.Press(() => Browser.Css("[data-box=studio]"));
        // The switch that the script presses comes with the rest of the panel.
        Browser.Field("Its own address");
        var times = new List<double>();
        var (stolen, all) = Processor();
        for (var n = 0; n < 40; n++)
        {
            Browser.Css("[data-testid=verdict]");
            times.Add(Convert.ToDouble(Browser.RunAsync("""
                const done = arguments[0], verdict = document.querySelector('[data-testid=verdict]'), before = verdict.textContent, start = performance.now();
                new MutationObserver((_, watch) => { if (verdict.textContent !== before) { watch.disconnect(); requestAnimationFrame(() => done(performance.now() - start)); } })
                    .observe(verdict, { characterData: true, childList: true, subtree: true });
                document.querySelector('section[aria-label="Studio router"] input[type=checkbox]').click();
                """), System.Globalization.CultureInfo.InvariantCulture));
        }
        TestContext.Current.SendDiagnosticMessage($"verdict after an edit: {string.Join(", ", times.Select(time => $"{time:0} ms"))}");
        // On a machine whose host takes the processor away a tenth of a second cannot be measured: said, not passed.
        var (stolenThen, allThen) = Processor();
        var share = (stolenThen - stolen) / Math.Max(1, allThen - all);
        Assert.SkipWhen(share > 0.05 && times.Order().ElementAt(9) >= limit, $"VERDICT NOT TIMED: the host took {share:P0} of the processor meanwhile.");
        // The quarter that the rest of the machine disturbed least, once the program is warm: what is timed is the program.
        Assert.True(times.Order().ElementAt(9) < limit, $"{string.Join(", ", times.Select(time => $"{time:0}"))} ms");
    }

    /// <summary>Ticks that the host took for others, and all ticks, since the machine started (proc(5), the line “cpu”).</summary>
    private static (double Stolen, double All) Processor()
    {
        var ticks = File.ReadLines("/proc/stat").First().Split(' ', StringSplitOptions.RemoveEmptyEntries).Skip(1).Select(tick => double.Parse(tick, System.Globalization.CultureInfo.InvariantCulture)).ToList();
        return (ticks[7], ticks.Sum());
    }

    private void TimeGrid(double limit)
    {
        OpenHouse(SizeTests.Big(30, 60));
        Browser.Press("Who reaches whom");
        Browser.Css("[role=grid] [role=gridcell]");
        Browser.Keys(Escape);
        Browser.Until(() => Browser.Count("[role=dialog]") == 0, "the sheet to close");
        var times = new List<double>();
        for (var n = 0; n < 10; n++)
        {
            times.Add(Convert.ToDouble(Browser.RunAsync("""
                const done = arguments[0], start = performance.now();
                const look = () => document.querySelector('[role=grid] [role=gridcell]') ? requestAnimationFrame(() => done(performance.now() - start)) : requestAnimationFrame(look);
                [...document.querySelectorAll('button')].find((one) => one.innerText === 'Who reaches whom').click(); look();
                """), System.Globalization.CultureInfo.InvariantCulture));
            Browser.Keys(Escape);
            Browser.Until(() => Browser.Count("[role=dialog]") == 0, "the sheet to close");
        }
        TestContext.Current.SendDiagnosticMessage($"grid of 60: {string.Join(", ", times.Select(time => $"{time:0} ms"))}");
        // The least disturbed of ten.
        Assert.True(times.Min() < limit, $"{string.Join(", ", times.Select(time => $"{time:0}"))} ms");
    }
}
