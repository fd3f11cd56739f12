namespace Altrin.Web;

/// <summary>Keeps what a long computation has thrown away from piling up while it lasts. The collector waits with what has lived a little until much of it
/// has come together: of ten houses tried nine are garbage by then, and the program holds five times what it uses.</summary>
internal sealed class MemoryLid : IDisposable
{
    /// <summary>Bytes by which the heap may grow between two collections of all of it. A collection takes a few hundredths of a second.</summary>
    private const long Growth = 8L << 20;

    private static readonly TimeSpan Every = TimeSpan.FromMilliseconds(25);

    private readonly Timer timer;
    private long floor = GC.GetTotalMemory(forceFullCollection: false);
    private int collecting;

    public MemoryLid() => timer = new(_ => Look(), null, Every, Every);

    private void Look()
    {
        if (GC.GetTotalMemory(forceFullCollection: false) - floor < Growth || Interlocked.Exchange(ref collecting, 1) == 1) return;
        GC.Collect(GC.MaxGeneration, GCCollectionMode.Forced, blocking: true, compacting: false);
        // What is in use is no garbage: it is measured from there.
        floor = GC.GetTotalMemory(forceFullCollection: false);
        collecting = 0;
    }

    public void Dispose() => timer.Dispose();
}
