using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;
using Altrin.Data;

namespace Altrin.UseCases;

/// <summary>Something else was seen than a step said, and the house from which the work goes on; see <see cref="StoredTurn"/>.</summary>
public sealed record Turn(int Number, string StepTitle, string Seen, string Sentence, NetworkDocument House, ImmutableArray<string> Resets,
    ImmutableArray<DoneStep> Done, DateTimeOffset At);

/// <summary>The order of a job as it is asked for.</summary>
/// <param name="To">The planned house; on a way back the one as found.</param>
/// <param name="CutMinutes">While somebody who had internet in the house as found has none.</param>
/// <param name="Other">The other of two ways; null where there is but one.</param>
public sealed record JobOrder(WorkOrder Order, string Way, int CutMinutes, NetworkDocument To, (string Way, WorkOrder Order, int CutMinutes)? Other,
    ImmutableArray<Turn> Turns);

/// <summary>Orders of jobs, and the turns that the work has taken.</summary>
public sealed class Orders(JobStore store, TurnStore turns, Recent recent)
{
    public const string Keep = "keep", Reset = "reset", Back = "back:";

    private sealed record OrderKey(string Job, int Version, DateTimeOffset Turn, string Way, Hands Hands);

    /// <summary>Whether there is such a way at all.</summary>
    public static bool Knows(string? way) => way is null or Keep or Reset || way.StartsWith(Back, StringComparison.Ordinal);

    /// <exception cref="UnreadableJobException">What is stored of a turn cannot be read.</exception>
    public async Task<ImmutableArray<Turn>> Turns(string job, CancellationToken cancel) => [.. (await turns.List(job, cancel)).Select(turn =>
        new Turn(turn.Number, turn.StepTitle, turn.Seen, turn.Sentence, DocumentReader.Read(turn.House).Document
            ?? throw new UnreadableJobException(job, $"The house of turn {turn.Number} cannot be read."), turn.Resets, turn.Done, turn.At))];

    /// <param name="turn">Its number is that of the last one known and one more; <see cref="ChangeResult.ChangedMeanwhile"/> where another came
    /// first.</param>
    public Task<ChangeResult> Take(string job, Turn turn, CancellationToken cancel) => turns.Add(job, new(turn.Number, turn.StepTitle, turn.Seen,
        turn.Sentence, AltrinJson.WriteCompact(turn.House), turn.Resets, turn.Done, turn.At), cancel);

    /// <summary>Only the last: what came after it stands on it.</summary>
    public Task<ChangeResult> TakeBack(string job, int number, CancellationToken cancel) => turns.TakeBack(job, number, cancel);

    /// <summary>What the installer said of the steps.</summary>
    public Task<ImmutableArray<Tick>> Ticks(string job, CancellationToken cancel) => store.Ticks(job, cancel);

    /// <summary>See <see cref="JobStore.SetTick"/>.</summary>
    public Task<(ChangeResult Result, Tick? Tick)> SetTick(string job, Tick said, CancellationToken cancel) => store.SetTick(job, said, cancel);

    /// <param name="way"><see cref="Keep"/>, <see cref="Reset"/>, or <see cref="Back"/> and the key of a step; null: the better of the first two.</param>
    /// <returns>Null where the step that a way back begins at is in no order any more.</returns>
    public async Task<JobOrder?> Of(Job job, string? way, Hands hands, CancellationToken cancel)
    {
        var taken = await Turns(job.Head.Id, cancel);
        // The version names both houses. An order of a big house takes seconds, and a rehearsal asks for it at every step.
        var key = new OrderKey(job.Head.Id, job.Head.Version, taken.LastOrDefault()?.At ?? default, way ?? "", hands);
        if (recent.Find<JobOrder>(key) is { } kept) return kept with { Turns = taken };
        if (Write(job, taken, way, hands, cancel) is not { } order) return null;
        return recent.Keep(key, order, order.Order.Steps.Length + (order.Other?.Order.Steps.Length ?? 0));
    }

    private static JobOrder? Write(Job job, ImmutableArray<Turn> turns, string? way, Hands hands, CancellationToken cancel)
    {
        var last = turns.LastOrDefault();
        var from = last?.House ?? job.Found.Document;
        var course = last is null ? Course.First : new Course(last.Number, [.. last.Resets], ProvesLine: false, job.Found.Document);
        var ways = OrderWays.Of(from, job.Planned.Document, hands, course, cancel);
        if (way?.StartsWith(Back, StringComparison.Ordinal) == true)
            return WayBack(job, from, ways, course, (Key: way[Back.Length..], IsFirst: last is null), hands, cancel) is { } back
                ? back with { Way = way, Turns = turns } : null;
        var (keep, reset) = (ways.Keep, ways.Reset);
        var isKept = way is null ? ways.IsKeepBetter : way == Keep && keep is not null;
        var (order, other) = isKept ? (keep!, reset) : (reset, keep);
        // Two ways that are one are no choice, nor is one that resets nothing after all, and without a socket there is but one.
        var isOne = hands != Hands.Laptop || other is null
            || (isKept && !reset.Steps.Any(step => step.Actions.Any(action => action is FactoryReset)))
            || other.Steps.Select(step => step.Key).SequenceEqual(order.Steps.Select(step => step.Key));
        var (cut, otherCut) = isKept ? (ways.KeepCutMinutes, ways.ResetCutMinutes) : (ways.ResetCutMinutes, ways.KeepCutMinutes);
        return new(order, isKept ? Keep : Reset, cut, job.Planned.Document, isOne ? null : (isKept ? Reset : Keep, other!, otherCut), turns);
    }

    /// <summary>From where the work has got to, back to how the house was found: an order like any other. Without a step: from where the work
    /// begins.</summary>
    private static JobOrder? WayBack(Job job, NetworkDocument from, OrderWays ways, Course course, (string Key, bool IsFirst) start, Hands hands,
        CancellationToken cancel)
    {
        var reached = start.Key.Length == 0 ? from
            : (Step(ways.Keep, start.Key) ?? Step(ways.Reset, start.Key))?.After;
        if (reached is null) return null;
        var found = job.Found.Document;
        var back = OrderWays.Of(Laptop.Away(reached), found, hands,
            course with { Resets = [], ProvesLine = start.Key.Length > 0 || start.IsFirst, Household = found }, cancel);
        return new(back.Best with { Title = "Back to how it was found" }, "", back.BestCutMinutes, found, null, []);
    }

    private static WorkStep? Step(WorkOrder? order, string key) => order?.Steps.FirstOrDefault(step => step.Key == key);
}
