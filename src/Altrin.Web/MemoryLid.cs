namespace Altrin.Web;

/// <summary>Keeps what a long computation has thrown away from piling up while it lasts. The collector waits with what has lived a little
/// until much of it
/// has come together: of ten houses tried nine are garbage by then, and the program holds five times what it uses.</summary>
internal sealed class MemoryLid : IDisposable
{
    /// <summary>Bytes by which the heap may grow between two collections of all of it, at least; where much is in use, an eighth of that,
    /// for a collection
    /// takes as long as much is in use: a few hundredths of a second for 90 MB.</summary>
    private const long Growth = 8L << 20;

    private static readonly TimeSpan Every = TimeSpan.FromMilliseconds(25);

    // One for the whole program, however many compute.
    private static long floor;
    private static int collecting;

    private readonly Timer timer;

    /// <param name="every">How often it looks by itself; often enough where nothing is said.</param>
    public MemoryLid(TimeSpan? every = null)
    {
        Volatile.Write(ref floor, GC.GetTotalMemory(forceFullCollection: false));
        timer = new(_ => Look(), null, every ?? Every, every ?? Every);
    }

    /// <summary>Collects if the heap has grown past its measure since the last time.</summary>
    public static void Look()
    {
        var before = Volatile.Read(ref floor);
        if (GC.GetTotalMemory(forceFullCollection: false) - before < Math.Max(Growth, before / 8) || Interlocked.Exchange(ref collecting,
            1) == 1) return;
        GC.Collect(GC.MaxGeneration, GCCollectionMode.Forced, blocking: true, compacting: false);
        // What is in use is no garbage: it is measured from there.
        Volatile.Write(ref floor, GC.GetTotalMemory(forceFullCollection: false));
        Volatile.Write(ref collecting, 0);
    }

    public void Dispose() => timer.Dispose();
}
