namespace Altrin.Web;

/// <summary>Gives memory back when nobody asks for anything: on an installer's laptop other programs want it, and between two edits there
/// is time.</summary>
internal sealed class IdleMemory(TimeProvider clock) : BackgroundService
{
    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(5);

    /// <summary>Bytes by which the heap may grow between two collections of all of it; one takes a few hundredths of a second.</summary>
    private const long Growth = 12L << 20;

    private readonly ProgramPages programs = new();
    private long asked;
    private long cleaned;
    private long floor;
    private volatile bool isAlone;

    /// <summary>Somebody asks.</summary>
    public void Touch() => Interlocked.Exchange(ref asked, clock.GetTimestamp());

    /// <summary>The program answers now, and the process is its own: what only its start needed is given back.</summary>
    public void StartIsOver()
    {
        isAlone = true;
        // The first look lets go of nothing, it learns what is there.
        programs.LetGo();
        Collect(GCCollectionMode.Aggressive);
        programs.LetGo();
    }

    protected override async Task ExecuteAsync(CancellationToken stop)
    {
        using var timer = new PeriodicTimer(Pause, clock);
        try
        {
            while (await timer.WaitForNextTickAsync(stop))
            {
                var last = Interlocked.Read(ref asked);
                // In a process that is not its own, a test, it leaves the memory alone.
                if (!isAlone || last == cleaned) continue;
                if (clock.GetElapsedTime(last) >= Pause)
                {
                    cleaned = last;
                    Collect(GCCollectionMode.Aggressive);
                }
                else if (GC.GetTotalMemory(forceFullCollection: false) - floor > Growth)
                {
                    Collect(GCCollectionMode.Forced);
                }
                // At work too: what is in use is back at once, the start and what was done once are not. Twenty times a second an edit
                // takes no
                // longer for it.
                programs.LetGo();
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
