using Microsoft.Extensions.Caching.Memory;

namespace Altrin.UseCases;

/// <summary>What was lately read or computed, whatever it is: the one cache of the program. What is kept never changes, so it is let go of only for
/// want of room, or when what is stored was exchanged.</summary>
public sealed class Recent : IDisposable
{
    /// <summary>Room for that many boxes, things and steps of orders together; about 15 KB each with all that was computed of them.</summary>
    private const int Room = 600;

    private MemoryCache kept = Fresh();

    private static MemoryCache Fresh() => new(new MemoryCacheOptions { SizeLimit = Room, CompactionPercentage = 0.5 });

    /// <summary>Null where it is not kept (any more).</summary>
    public T? Find<T>(object key) where T : class => kept.Get<T>(key);

    /// <param name="size">How many boxes, things or steps it holds.</param>
    public T Keep<T>(object key, T value, int size) where T : class
    {
        kept.Set(key, value, new MemoryCacheEntryOptions { Size = Math.Min(Room / 2, size + 1) });
        return value;
    }

    /// <summary>Lets all go.</summary>
    public void Clear()
    {
        var before = Interlocked.Exchange(ref kept, Fresh());
        before.Clear();
    }

    public void Dispose() => kept.Dispose();
}
