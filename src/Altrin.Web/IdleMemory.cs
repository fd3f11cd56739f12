namespace Altrin.Web;

/// <summary>Gives memory back when nobody asks for anything: on an installer's laptop other programs want it, and between two edits there is time.</summary>
internal sealed class IdleMemory(TimeProvider clock) : BackgroundService
{
    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(5);

    /// <summary>At work too the pages of programs are let go now and then: what is in use is back at once, the start and what was done once are not.</summary>
    private static readonly TimeSpan Round = TimeSpan.FromMinutes(1);

    private readonly ProgramPages programs = new();
    private long asked;
    private long cleaned;

    /// <summary>Somebody asks.</summary>
    public void Touch() => Interlocked.Exchange(ref asked, clock.GetTimestamp());

    protected override async Task ExecuteAsync(CancellationToken stop)
    {
        using var timer = new PeriodicTimer(Pause, clock);
        // Long ago: the first look of all is soon after the start.
        var round = clock.GetTimestamp() - (long)(Round.TotalSeconds * clock.TimestampFrequency);
        try
        {
            while (await timer.WaitForNextTickAsync(stop))
            {
                var last = Interlocked.Read(ref asked);
                var rests = last != cleaned && clock.GetElapsedTime(last) >= Pause;
                if (!rests && clock.GetElapsedTime(round) < Round) continue;
                if (rests) GC.Collect(GC.MaxGeneration, GCCollectionMode.Aggressive, blocking: true, compacting: true);
                programs.LetGo();
                (cleaned, round) = (rests ? last : cleaned, clock.GetTimestamp());
            }
        }
        catch (OperationCanceledException) { /* The program ends. */ }
    }
}
