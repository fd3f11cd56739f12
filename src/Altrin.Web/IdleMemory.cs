namespace Altrin.Web;

/// <summary>Gives memory back when nobody asks for anything: on an installer's laptop other programs want it, and between two edits there is time.</summary>
internal sealed class IdleMemory(TimeProvider clock) : BackgroundService
{
    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(5);

    private readonly ProgramPages programs = new();
    private long asked;
    private long cleaned;

    /// <summary>Somebody asks.</summary>
    public void Touch() => Interlocked.Exchange(ref asked, clock.GetTimestamp());

    protected override async Task ExecuteAsync(CancellationToken stop)
    {
        using var timer = new PeriodicTimer(Pause, clock);
        try
        {
            // The first look lets go of nothing, it learns what is there.
            await timer.WaitForNextTickAsync(stop);
            programs.LetGo();
            while (await timer.WaitForNextTickAsync(stop))
            {
                var last = Interlocked.Read(ref asked);
                if (last == cleaned) continue;
                if (clock.GetElapsedTime(last) >= Pause)
                {
                    cleaned = last;
                    GC.Collect(GC.MaxGeneration, GCCollectionMode.Aggressive, blocking: true, compacting: true);
                }
                // At work too: what is in use is back at once, the start and what was done once are not. Twenty times a second an edit takes no longer for it.
                programs.LetGo();
            }
        }
        catch (OperationCanceledException) { /* The program ends. */ }
    }
}
