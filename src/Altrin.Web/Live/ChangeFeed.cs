using System.Collections.Concurrent;
using System.Threading.Channels;

namespace Altrin.Web.Live;

/// <summary>Something of a job is no longer as it was.</summary>
/// <param name="Job">Which job; empty for the list of jobs.</param>
/// <param name="What"><c>house</c>, <c>work-order</c>, <c>photos</c>, <c>secrets</c> or <c>jobs</c>.</param>
/// <param name="By">The page that did it, by the name it gave itself: it knows already.</param>
public sealed record ChangeNote(string Job, string What, string? By);

/// <summary>Tells every page that listens what another has changed.</summary>
internal sealed class ChangeFeed
{
    /// <summary>A page that does not read is not waited for: it looks at everything anew when it is back.</summary>
    private const int MostWaiting = 64;

    private readonly ConcurrentDictionary<Channel<ChangeNote>, byte> listeners = new();

    public void Say(ChangeNote note)
    {
        foreach (var listener in listeners.Keys) listener.Writer.TryWrite(note);
    }

    public Ear Listen()
    {
        var ear = new Ear(Channel.CreateBounded<ChangeNote>(new BoundedChannelOptions(MostWaiting) { FullMode = BoundedChannelFullMode.DropOldest }), this);
        listeners.TryAdd(ear.Channel, 0);
        return ear;
    }

    internal sealed record Ear(Channel<ChangeNote> Channel, ChangeFeed Feed) : IDisposable
    {
        public void Dispose() => Feed.listeners.TryRemove(Channel, out _);
    }
}
