using System.Collections.Concurrent;
using Altrin.Data;

namespace Altrin.Web.Api;

/// <summary>The views of the last houses looked at. A revision never changes, so neither does what was computed from it: an edit of the
/// one house of a job does not compute the other one anew.</summary>
internal static class HouseViews
{
    /// <summary>Some megabytes at the most; then all are let go and the next few are computed again.</summary>
    private const int Most = 32;

    private static readonly ConcurrentDictionary<(string Job, Side Side, int Number), HouseView> Known = new();

    public static JobView Of(Job job)
    {
        var found = View(job, Side.Found, job.Found, () => HouseView.Of(job.Found));
        // Where nothing is planned the two are one house.
        var planned = View(job, Side.Planned, job.Planned,
            () => job.Planned.Actions.IsEmpty ? found with { Revision = job.Planned.Number, Deeds = [] } : HouseView.Of(job.Planned));
        return new(job.Head.Id, job.Head.Version, job.Head.Name, found, planned);
    }

    private static HouseView View(Job job, Side side, HouseAt at, Func<HouseView> compute)
    {
        var key = (job.Head.Id, side, at.Number);
        if (!Known.TryGetValue(key, out var view))
        {
            if (Known.Count >= Most) Known.Clear();
            Known[key] = view = compute();
        }
        return view with { Undo = at.Undo, Redo = at.Redo };
    }
}
