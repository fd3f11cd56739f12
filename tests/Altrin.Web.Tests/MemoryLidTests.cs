namespace Altrin.Web.Tests;

/// <summary>By itself: whatever else runs in the process may have the collector look.</summary>
[CollectionDefinition(nameof(MemoryLidTests), DisableParallelization = true)]
[Collection(nameof(MemoryLidTests))]
public class MemoryLidTests
{
    private const int Megabyte = 1 << 20;

    /// <summary>A look while the pieces are still held would take them for what is in use.</summary>
    private static readonly TimeSpan OnlyWhenAsked = Timeout.InfiniteTimeSpan;

    /// <summary>What has grown old and is thrown away then stays until the collector looks at all of it, which it does of itself when far
    /// more has come together.</summary>
    [Fact]
    public void What_a_long_computation_throws_away_is_given_back_while_it_lasts()
    {
        // What other tests have left goes first, what waits for its finalizer too: the lid measures from what it finds.
        for (var n = 0; n < 3; n++)
        {
            GC.Collect();
            GC.WaitForPendingFinalizers();
        }
        using var lid = new MemoryLid(OnlyWhenAsked);
        // More than an eighth of what is in use, however much that is.
        var thrownAway = GrownOldAndLeft((int)(GC.GetTotalMemory(forceFullCollection: false) / Megabyte / 4) + 16);
        MemoryLid.Look();
        Assert.False(thrownAway.IsAlive);
    }

    [Fact]
    public void Little_is_left_to_the_collector()
    {
        using var lid = new MemoryLid(OnlyWhenAsked);
        var before = GC.CollectionCount(GC.MaxGeneration);
        MemoryLid.Look();
        Assert.Equal(before, GC.CollectionCount(GC.MaxGeneration));
    }

    [System.Runtime.CompilerServices.MethodImpl(System.Runtime.CompilerServices.MethodImplOptions.NoInlining)]
    private static WeakReference GrownOldAndLeft(int megabytes)
    {
        var pieces = new byte[megabytes][];
        for (var i = 0; i < pieces.Length; i++) pieces[i] = new byte[Megabyte];
        GC.Collect();
        GC.KeepAlive(pieces);
        return new(pieces[0]);
    }
}
