namespace Altrin.Web;

/// <summary>Gives memory back when nobody asks for anything: on an installer's laptop other programs want it, and between two edits there is time.</summary>
internal sealed class IdleMemory(TimeProvider clock) : BackgroundService
{
    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(5);

    /// <summary>How often it is looked while somebody asks.</summary>
    private static readonly TimeSpan Beat = TimeSpan.FromSeconds(1);

    /// <summary>Bytes by which the heap may grow between two collections of all of it; one takes a few hundredths of a second.</summary>
    private const long Growth = 12L << 20;

    private readonly ProgramPages programs = new();
    private long asked;
    private long cleaned;
    private long floor;

    /// <summary>Somebody asks.</summary>
    public void Touch() => Interlocked.Exchange(ref asked, clock.GetTimestamp());

    /// <summary>The program answers now: what only its start needed is given back.</summary>
    public void StartIsOver()
    {
        // The first look lets go of nothing, it learns what is there.
        programs.LetGo();
        Collect(GCCollectionMode.Aggressive);
        programs.LetGo();
    }

    protected override async Task ExecuteAsync(CancellationToken stop)
    {
        using var timer = new PeriodicTimer(Beat, clock);
        try
        {
            for (var beat = 1; await timer.WaitForNextTickAsync(stop); beat++)
            {
                var last = Interlocked.Read(ref asked);
                if (last == cleaned) continue;
                if (clock.GetElapsedTime(last) >= Pause)
                {
                    cleaned = last;
                    Collect(GCCollectionMode.Aggressive);
                    programs.LetGo();
                }
                else
                {
                    if (GC.GetTotalMemory(forceFullCollection: false) - floor > Growth) Collect(GCCollectionMode.Aggressive);
                    // At work too: what is in use is back at once, the start and what was done once are not. Twenty times a second an edit takes no
                    // longer for it.
                    if (beat % 2 == 0) programs.LetGo();
                }
            }
        }
        catch (OperationCanceledException) { /* The program ends. */ }
    }

    private void Collect(GCCollectionMode mode)
    {
        GC.Collect(GC.MaxGeneration, mode, blocking: true, compacting: true);
        floor = GC.GetTotalMemory(forceFullCollection: false);
    }
}
