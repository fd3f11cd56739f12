namespace Altrin.Web.Tests;

/// <summary>What is planned at the start for nobody is in nobody's way.</summary>
public class WarmUpTests
{
    [Fact]
    public async Task A_start_that_warms_up_answers_meanwhile()
    {
        using var app = new TestApp(null, ("warm", "true"));
        Assert.NotNull((await app.NewJob())["id"]);
    }

    [Fact]
    public async Task The_planning_is_broken_off_when_the_program_ends()
    {
        using var warm = new WarmUp(new IdleMemory(TimeProvider.System));
        await warm.StartAsync(TestContext.Current.CancellationToken);
        await warm.Begun;
        await warm.StopAsync(CancellationToken.None);
        Assert.True(warm.ExecuteTask!.IsCanceled, $"The planning is {warm.ExecuteTask.Status}.");
    }
}
