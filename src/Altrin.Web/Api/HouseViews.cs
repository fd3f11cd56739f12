using System.Runtime.CompilerServices;
using Altrin.Core.Network;
using Altrin.Data;

namespace Altrin.Web.Api;

/// <summary>What the pages are told of a house, kept for as long as the document is: the document itself is the key, so nothing can be shown
/// that was computed from another.</summary>
internal static class HouseViews
{
    private static readonly ConditionalWeakTable<NetworkDocument, HouseView> Known = [];

    public static JobView Of(Job job) =>
        new(job.Head.Id, job.Head.Version, job.Head.Name, View(job, job.Found), View(job, job.Planned), PlanSoFar.Of(job));

    private static HouseView View(Job job, HouseAt at) =>
        Known.GetValue(at.Document, static house => HouseView.Of(Evaluated.Of(house))) with { Revision = job.Head.Version, Undo = at.Undo, Redo = at.Redo };
}
