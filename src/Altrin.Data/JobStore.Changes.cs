using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Microsoft.EntityFrameworkCore;

namespace Altrin.Data;

// Changes of a job's two houses: each one transaction, checked and judged before anything is written.
public sealed partial class JobStore
{
    /// <summary>Does the deeds to one house, as one step of undo. Somebody else's change in between is no hindrance where the two speak of
    /// different things.</summary>
    public Task<ChangeOutcome> Apply(string id, Side side, ChangeKey key, ImmutableArray<InstallerAction> actions, string? sentence,
        CancellationToken cancel) =>
        Change(id, key, async (db, job) =>
        {
            var (found, plan, planned) = await Houses(db, job, cancel);
            var house = side == Side.Found ? found : planned.House;
            var attempt = ActionRunner.DoAll(house, actions);
            if (attempt.House is not { } after) return new(ChangeResult.Refused, attempt);
            var say = sentence ?? actions[0].Say(house);
            if (side == Side.Found)
            {
                var document = AltrinJson.WriteCompact(after);
                await Push(db, job, side, actions, document.Length, () => document, say, cancel);
                histories.Keep((job.Id, job.FoundNumber), after);
                job.Name = after.Name;
            }
            else
            {
                await PushPlan(db, job, actions, plan.AddRange(actions.Select(action => new PlannedDeed(action))), say, cancel);
                // What was held before is held still, and the rest has just been done: nothing has to be replayed.
                histories.Keep((job.Id, job.FoundNumber, job.PlannedNumber), planned with { House = after });
            }
            return ChangeResult.Done;
        }, cancel, (db, job) => IsApart(db, job, side, key.Seen, actions, cancel));

    /// <summary>Have those who changed the house since that version left alone what these deeds touch?</summary>
    private async Task<bool> IsApart(AltrinDb db, JobRow job, Side side, int seen, ImmutableArray<InstallerAction> actions,
        CancellationToken cancel)
    {
        var (found, planned) = (1, 1);
        if (seen > 1)
        {
            var then = await db.Changes.AsNoTracking().FirstOrDefaultAsync(row => row.JobId == job.Id && row.Version == seen, cancel);
            if (then is not { FoundNumber: { } foundThen, PlannedNumber: { } plannedThen }) return false;
            (found, planned) = (foundThen, plannedThen);
        }
        var before = await House(found, planned);
        var now = await House(job.FoundNumber, job.PlannedNumber);
        return ActionRunner.DoAll(before, actions).House is { } mine
            && !Touched.Meet(Touched.Between(before, mine), Touched.Between(before, now));

        async Task<NetworkDocument> House(int foundNumber, int plannedNumber)
        {
            var house = await histories.Found(db, job.Id, foundNumber, cancel);
            return side == Side.Found ? house
                : histories.Planned((job.Id, foundNumber, plannedNumber), house,
                    await histories.Plan(db, job.Id, plannedNumber, cancel)).House;
        }
    }

    /// <summary>Replaces the whole plan; the one before is an undo away.</summary>
    public Task<ChangeOutcome> Adopt(string id, ChangeKey key, ImmutableArray<InstallerAction> actions, string? sentence,
        CancellationToken cancel) =>
        Change(id, key, async (db, job) =>
        {
            var (found, _, _) = await Houses(db, job, cancel);
            var attempt = ActionRunner.DoAll(found, actions);
            if (attempt.House is null) return new(ChangeResult.Refused, attempt);
            var say = actions.IsEmpty ? "Begin the plan anew" : sentence ?? actions[0].Say(found);
            await PushPlan(db, job, actions, [.. actions.Select(action => new PlannedDeed(action))], say, cancel, isAnew: true);
            return ChangeResult.Done;
        }, cancel);

    /// <summary>Takes a planned deed that cannot be done any more out of the plan, or keeps it until it can.</summary>
    public Task<ChangeOutcome> Answer(string id, ChangeKey key, int index, HeldAnswer answer, CancellationToken cancel) =>
        Change(id, key, async (db, job) =>
        {
            var (found, plan, planned) = await Houses(db, job, cancel);
            if (planned.Held.FirstOrDefault(one => one.Index == index) is not { } held) return ChangeResult.NothingThere;
            var deed = held.Action.Say(found);
            if (answer == HeldAnswer.TakeOut)
                await PushPlan(db, job, [], plan.RemoveAt(index), $"Take out of the plan: {deed}", cancel, isAnew: true);
            else await PushPlan(db, job, [], plan.SetItem(index, plan[index] with { Later = true }), $"Keep for later: {deed}", cancel,
                isAnew: true);
            return ChangeResult.Done;
        }, cancel);

    public Task<ChangeOutcome> Undo(string id, Side side, ChangeKey key, CancellationToken cancel) => Change(id, key, async (db, job) =>
    {
        var at = Number(job, side);
        var parent = await db.Revisions.Where(row => row.JobId == id && row.Side == side && row.Number == at).Select(row =>
            row.Parent).SingleAsync(cancel);
        return await MoveTo(db, job, side, parent, cancel);
    }, cancel);

    public Task<ChangeOutcome> Redo(string id, Side side, ChangeKey key, CancellationToken cancel) => Change(id, key, async (db, job) =>
        await MoveTo(db, job, side, (await Child(db, id, side, Number(job, side), cancel))?.Number, cancel), cancel);

    /// <summary>Sets a job that cannot be read back to the last state that can.</summary>
    public Task<ChangeOutcome> SetBack(string id, ChangeKey key, CancellationToken cancel) => Change(id, key, async (db, job) =>
    {
        foreach (var side in new[] { Side.Found, Side.Planned })
        {
            int? at = Number(job, side);
            while (at is { } number && !await CanRead(db, job, side, number, cancel))
                at = await db.Revisions.Where(row => row.JobId == id && row.Side == side && row.Number == number).Select(row =>
                    row.Parent).SingleOrDefaultAsync(cancel);
            // A plan of which nothing can be read is begun anew; of a house as found there must be something.
            if (at is null && side == Side.Found) return ChangeResult.NothingThere;
            if (at is null) await PushPlan(db, job, [], [], "Begin the plan anew: what was planned cannot be read", cancel, isAnew: true);
            else if (side == Side.Found) job.FoundNumber = at.Value;
            else job.PlannedNumber = at.Value;
        }
        job.Name = (await histories.Found(db, job.Id, job.FoundNumber, cancel)).Name;
        return ChangeResult.Done;
    }, cancel);

    private async Task<ChangeOutcome> Change(string id, ChangeKey key, Func<AltrinDb, JobRow, Task<ChangeOutcome>> change,
        CancellationToken cancel, Func<AltrinDb, JobRow, Task<bool>>? isApart = null)
    {
        await using var db = Open();
        if (await JobById(db, id, cancel) is not { } job) return ChangeResult.NoSuchJob;
        if (key.Id is not null && await WasMade(db, id, key.Id, cancel)) return ChangeResult.Done;
        if (job.Version != key.Seen && (key.Seen < 1 || key.Seen > job.Version || isApart is null || !await isApart(db, job)))
            return ChangeResult.ChangedMeanwhile;
        var before = latest.TryGetValue(id, out var known) && known.Head.Version == job.Version ? known : null;
        var outcome = await change(db, job);
        if (outcome.Result != ChangeResult.Done) return outcome;
        job.Version++;
        job.ChangedAt = clock.GetUtcNow();
        // A sender who names none has one all the same: what later senders saw is known by it.
        db.Changes.Add(new()
        {
            JobId = id,
            Id = key.Id ?? $"version {job.Version}",
            Version = job.Version,
            FoundNumber = job.FoundNumber,
            PlannedNumber = job.PlannedNumber
        });
        var houses = await Houses(db, job, cancel);
        Summarize(job, houses.Found, houses.Planned.House);
        if (!await Save(db, cancel)) return ChangeResult.ChangedMeanwhile;
        var say = (SaidNow(db, job, Side.Found, before?.Found), SaidNow(db, job, Side.Planned, before?.Planned)) is ({ } found,
            { } planned) ? (found, planned) : await Sentences(db, job, cancel);
        return new(ChangeResult.Done, After: Keep(job, houses, say));
    }

    /// <summary>What undo and redo would do on one side after a change; null where the revisions have to be asked. A new revision has none
    /// after it, and one that is what it was is told as it was.</summary>
    private static (string? Undo, string? Redo)? SaidNow(AltrinDb db, JobRow job, Side side, HouseAt? before)
    {
        var number = Number(job, side);
        if (before?.Number == number) return (before.Undo, before.Redo);
        return db.Revisions.Local.FirstOrDefault(row => row.Side == side && row.Number == number) is { } made ? (made.Sentence, null)
            : null;
    }

    private async Task<bool> CanRead(AltrinDb db, JobRow job, Side side, int number, CancellationToken cancel)
    {
        try
        {
            if (side == Side.Found) await histories.Found(db, job.Id, number, cancel);
            else await histories.Plan(db, job.Id, number, cancel);
            return true;
        }
        catch (UnreadableJobException) { return false; }
    }
}
