using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.WorkOrders;
using Altrin.Web.Demo;

namespace Altrin.Web;

/// <summary>Plans an invented house once, soon after the start, for nobody: whoever asks for plans first would else wait for the compiler
/// twice as long as for the plans.
/// A house that somebody asks for in the meantime is planned beside it, on the other core.</summary>
internal sealed class WarmUp(IdleMemory memory) : BackgroundService
{
    /// <summary>The list of jobs is read first, and the page that shows it.</summary>
    private static readonly TimeSpan Grace = TimeSpan.FromSeconds(2);

    private readonly TaskCompletionSource begun = new(TaskCreationOptions.RunContinuationsAsynchronously);

    /// <summary>Ends when the planning begins.</summary>
    public Task Begun => begun.Task;

    /// <summary>Is cancelled where the program ends before the planning does.</summary>
    protected override async Task ExecuteAsync(CancellationToken stop)
    {
        await Task.Delay(Grace, stop);
        // A thread of its own: the search waits for nothing, and those of the pool are for whoever asks.
        await Task.Factory.StartNew(() => Plan(stop), stop, TaskCreationOptions.LongRunning, TaskScheduler.Default);
    }

    private void Plan(CancellationToken stop)
    {
        begun.SetResult();
        using (new MemoryLid())
        {
            PlanAndOrder(DemoHouses.Millrace(), stop);
            PlanSearch.First(DemoHouses.Hawthorn(), stop);
        }
        // What was needed for it is given back in the next pause.
        memory.Touch();
    }

    private static void PlanAndOrder(NetworkDocument house, CancellationToken stop)
    {
        if (PlanSearch.First(house, stop).Plans is [var best, ..]) OrderWays.Of(house, best.House, cancel: stop);
    }
}
