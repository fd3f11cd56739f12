using System.Diagnostics;

namespace Altrin.Web.Tests;

/// <summary>What is planned at the start for nobody is in nobody's way.</summary>
public class WarmUpTests
{
    [Fact]
    public async Task A_start_that_warms_up_answers_meanwhile_and_ends_at_once()
    {
        var app = new TestApp(null, ("warm", "true"));
        // It begins two seconds after the start and lasts some: asked in the midst of it.
        await Task.Delay(TimeSpan.FromSeconds(2.3), TestContext.Current.CancellationToken);
        var job = await app.NewJob();
        Assert.NotNull(job["id"]);
        var watch = Stopwatch.StartNew();
        app.Dispose();
        Assert.True(watch.Elapsed < TimeSpan.FromSeconds(2), $"It took {watch.Elapsed.TotalSeconds:0.0} s to end: the planning was not broken off.");
    }
}
