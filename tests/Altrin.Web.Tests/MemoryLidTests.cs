namespace Altrin.Web.Tests;

/// <summary>By itself: whatever else runs in the process may have the collector look.</summary>
[CollectionDefinition(nameof(MemoryLidTests), DisableParallelization = true)]
[Collection(nameof(MemoryLidTests))]
public class MemoryLidTests
{
    private const int Megabyte = 1 << 20;

    /// <summary>What has grown old and is thrown away then stays until the collector looks at all of it, which it does of itself when far more has come together.</summary>
    [Fact]
    public async Task What_a_long_computation_throws_away_is_given_back_while_it_lasts()
    {
        Assert.True(await IsGivenBack(lid: true), "128 MB that nobody holds any more were still there after fifteen seconds under the lid.");
        // Without it nobody looks: the test could not tell otherwise.
        Assert.False(await IsGivenBack(lid: false), "It is given back without the lid: this test shows nothing here.");
    }

    private static async Task<bool> IsGivenBack(bool lid)
    {
        // What other tests have left goes first, what waits for its finalizer too: the lid measures from what it finds.
        for (var n = 0; n < 3; n++)
        {
            GC.Collect();
            GC.WaitForPendingFinalizers();
        }
        using var under = lid ? new MemoryLid() : null;
        var thrownAway = GrownOldAndLeft();
        for (var n = 0; n < (lid ? 150 : 20) && thrownAway.IsAlive; n++) await Task.Delay(100, TestContext.Current.CancellationToken);
        return !thrownAway.IsAlive;
    }

    [System.Runtime.CompilerServices.MethodImpl(System.Runtime.CompilerServices.MethodImplOptions.NoInlining)]
    private static WeakReference GrownOldAndLeft()
    {
        var pieces = new byte[128][];
        for (var i = 0; i < pieces.Length; i++) pieces[i] = new byte[Megabyte];
        GC.Collect();
        GC.KeepAlive(pieces);
        return new(pieces[0]);
    }
}
