namespace Altrin.Web;

/// <summary>Gives memory back when nobody asks for anything: on an installer's laptop other programs want it, and between two edits there is time.</summary>
internal sealed class IdleMemory(TimeProvider clock) : BackgroundService
{
    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(5);

    private long asked;
    private long cleaned;

    /// <summary>Somebody asks.</summary>
    public void Touch() => Interlocked.Exchange(ref asked, clock.GetTimestamp());

    protected override async Task ExecuteAsync(CancellationToken stop)
    {
        using var timer = new PeriodicTimer(Pause, clock);
        try
        {
            while (await timer.WaitForNextTickAsync(stop))
            {
                var last = Interlocked.Read(ref asked);
                if (last == cleaned || clock.GetElapsedTime(last) < Pause) continue;
                cleaned = last;
                GC.Collect(GC.MaxGeneration, GCCollectionMode.Aggressive, blocking: true, compacting: true);
            }
        }
        catch (OperationCanceledException) { /* The program ends. */ }
    }
}
