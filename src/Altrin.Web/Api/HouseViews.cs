using System.Runtime.CompilerServices;
using Altrin.Core.Network;
using Altrin.Data;

namespace Altrin.Web.Api;

/// <summary>What the pages are told of a house, kept for as long as the document is: the document itself is the key, so nothing can be shown
/// that was computed from another.</summary>
internal static class HouseViews
{
    private static readonly ConditionalWeakTable<NetworkDocument, HouseView> Known = [];

    public static JobView Of(Job job, CancellationToken cancel) =>
        new(job.Head.Id, job.Head.Version, job.Head.Name, View(job, job.Found, cancel), View(job, job.Planned, cancel), PlanSoFar.Of(job));

    private static HouseView View(Job job, HouseAt at, CancellationToken cancel)
    {
        // A caller that goes away leaves nothing half computed behind: what was not finished is not kept.
        if (!Known.TryGetValue(at.Document, out var view)) Known.AddOrUpdate(at.Document, view = HouseView.Of(Evaluated.Of(at.Document), cancel));
        return view with { Revision = job.Head.Version, Undo = at.Undo, Redo = at.Redo };
    }
}
