using System.Collections.Concurrent;
using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;
using Altrin.Data;

namespace Altrin.Web.Api;

/// <summary>The order of a job as it is asked for.</summary>
/// <param name="To">The planned house; on a way back the one as found.</param>
/// <param name="CutMinutes">While somebody who had internet in the house as found has none.</param>
/// <param name="Other">The other of two ways; null where there is but one.</param>
internal sealed record OrderDesk(WorkOrder Order, string Way, int CutMinutes, NetworkDocument To, (string Way, WorkOrder Order, int CutMinutes)? Other, ImmutableArray<Turn> Turns)
{
    public const string Keep = "keep", Reset = "reset", Back = "back:";

    /// <summary>Whether there is such a way at all.</summary>
    public static bool Knows(string? way) => way is null or Keep or Reset || way.StartsWith(Back, StringComparison.Ordinal);

    /// <summary>Orders kept as they were last written; past that all are let go. Writing one for a big house takes seconds, and a rehearsal asks for it at every step.</summary>
    private const int MostKept = 24;

    private static readonly ConcurrentDictionary<(string Job, int Version, DateTimeOffset Turn, string Way, Hands Hands), OrderDesk> Kept = new();

    /// <returns>Null where the step that a way back begins at is in no order any more.</returns>
    public static OrderDesk? Of(Job job, ImmutableArray<Turn> turns, string? way, Hands hands, CancellationToken cancel)
    {
        // The version names both houses.
        var key = (job.Head.Id, job.Head.Version, turns.LastOrDefault()?.At ?? default, way ?? "", hands);
        if (Kept.TryGetValue(key, out var kept)) return kept with { Turns = turns };
        if (Write(job, turns, way, hands, cancel) is not { } desk) return null;
        if (Kept.Count >= MostKept) Kept.Clear();
        return Kept[key] = desk;
    }

    private static OrderDesk? Write(Job job, ImmutableArray<Turn> turns, string? way, Hands hands, CancellationToken cancel)
    {
        var last = turns.LastOrDefault();
        var from = last?.House ?? job.Found.Document;
        var course = last is null ? Course.First : new Course(last.Number, [.. last.Resets], ProvesLine: false, job.Found.Document);
        var ways = OrderWays.Of(from, job.Planned.Document, hands, course, cancel);
        var (keep, reset) = (ways.Keep, ways.Reset);
        if (way?.StartsWith(Back, StringComparison.Ordinal) == true)
        {
            // From where the work has got to, back to how the house was found: an order like any other. Without a step: from where it stands at its start.
            var key = way[Back.Length..];
            var reached = key.Length == 0 ? from : (keep?.Steps.FirstOrDefault(step => step.Key == key) ?? reset.Steps.FirstOrDefault(step => step.Key == key))?.After;
            if (reached is null) return null;
            var now = Laptop.Away(reached);
            var back = OrderWays.Of(now, job.Found.Document, hands, course with { Resets = [], ProvesLine = key.Length > 0 || last is null, Household = job.Found.Document }, cancel);
            return new(back.Best with { Title = "Back to how it was found" }, way, back.BestCutMinutes, job.Found.Document, null, turns);
        }
        var isKept = way is null ? ways.IsKeepBetter : way == Keep && keep is not null;
        var (order, other) = isKept ? (keep!, reset) : (reset, keep);
        // Two ways that are one are no choice, nor is one that resets nothing after all, and without a socket there is but one.
        var isOne = hands != Hands.Laptop || other is null || (isKept && !reset.Steps.Any(step => step.Actions.Any(action => action is FactoryReset))) || other.Steps.Select(step => step.Key).SequenceEqual(order.Steps.Select(step => step.Key));
        var (cut, otherCut) = isKept ? (ways.KeepCutMinutes, ways.ResetCutMinutes) : (ways.ResetCutMinutes, ways.KeepCutMinutes);
        return new(order, isKept ? Keep : Reset, cut, job.Planned.Document, isOne ? null : (isKept ? Reset : Keep, other!, otherCut), turns);
    }
}
