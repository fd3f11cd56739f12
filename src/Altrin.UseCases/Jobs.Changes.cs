using System.Collections.Immutable;
using System.Text.Json;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Merging;
using Altrin.Data;

namespace Altrin.UseCases;

// Changes of a job's two houses. Each is checked, and its houses are judged, before anything is written: what is stored can be read.
public sealed partial class Jobs
{
    /// <summary>What a deed of a plan comes to when it is written, about, in letters.</summary>
    private const int UsualDeedLetters = 150;

    /// <summary>Does the deeds to one house, as one step of undo. Somebody else's change in between is no hindrance where the two speak of
    /// different things.</summary>
    public Task<ChangeOutcome> Apply(string id, Side side, ChangeKey key, ImmutableArray<InstallerAction> actions, string? sentence,
        CancellationToken cancel) =>
        Change(id, key, async session =>
        {
            var both = await houses.Now(session, cancel);
            if (await Meant(session, side, key, both, actions, cancel) is not { } meant) return Not(ChangeResult.ChangedMeanwhile);
            var house = both.At(side).Document;
            meant = [.. meant, .. NoteKind.For(house, meant, own.Find)];
            var attempt = ActionRunner.DoAll(house, meant);
            if (attempt.House is not { } after) return Not(new(ChangeResult.Refused, attempt));
            var say = sentence ?? meant[0].Say(house);
            if (side == Side.Found)
            {
                var document = AltrinJson.WriteCompact(after);
                await session.Add(side, Write(meant), say, document.Length, () => document, isAnew: false, cancel);
                session.Rename(after.Name);
                return Made(Houses.Of(new(after), both.Plan));
            }
            var plan = both.Plan.AddRange(meant.Select(action => new PlannedDeed(action)));
            await AddPlan(session, meant, plan, say, isAnew: false, cancel);
            // What was held before is held still, and the rest has just been done: nothing has to be replayed.
            return Made(both with { Plan = plan, Planned = new(new(after), both.Planned.Held) });
        }, cancel, bringsTogether: true);

    /// <summary>The deeds as they are meant of the house as it stands; null where somebody else has changed the same.</summary>
    private async Task<ImmutableArray<InstallerAction>?> Meant(JobSession session, Side side, ChangeKey key, Houses.Both now,
        ImmutableArray<InstallerAction> actions, CancellationToken cancel)
    {
        var version = session.Job.Version;
        if (key.Seen == version && (key.Drawn ?? version) >= version) return actions;
        if (await session.At(key.Seen, cancel) is not { } seen) return null;
        var known = (await houses.At(session, seen, cancel)).At(side).Document;
        var drawn = key.Drawn is { } old && old > 0 && old < key.Seen && await session.At(old, cancel) is { } then
            ? (await houses.At(session, then, cancel)).At(side).Document : known;
        return Merge.Of(actions, drawn, known, now.At(side).Document);
    }

    /// <summary>Replaces the whole plan; the one before is an undo away.</summary>
    public Task<ChangeOutcome> Adopt(string id, ChangeKey key, ImmutableArray<InstallerAction> actions, string? sentence,
        CancellationToken cancel) =>
        Change(id, key, async session =>
        {
            var found = await houses.Found(session, session.Job.FoundNumber, cancel);
            actions = [.. actions, .. NoteKind.For(found.Document, actions, own.Find)];
            var attempt = ActionRunner.DoAll(found.Document, actions);
            if (attempt.House is null) return Not(new(ChangeResult.Refused, attempt));
            var say = actions.IsEmpty ? "Begin the plan anew" : sentence ?? actions[0].Say(found.Document);
            ImmutableArray<PlannedDeed> plan = [.. actions.Select(action => new PlannedDeed(action))];
            await AddPlan(session, actions, plan, say, isAnew: true, cancel);
            return Made(Houses.Of(found, plan));
        }, cancel);

    /// <summary>Takes a planned deed that cannot be done any more out of the plan, or keeps it until it can.</summary>
    public Task<ChangeOutcome> Answer(string id, ChangeKey key, int index, HeldAnswer answer, CancellationToken cancel) =>
        Change(id, key, async session =>
        {
            var both = await houses.Now(session, cancel);
            if (both.Planned.Held.FirstOrDefault(one => one.Index == index) is not { } held) return Not(ChangeResult.NothingThere);
            var deed = held.Action.Say(both.Found.Document);
            var (plan, say) = answer == HeldAnswer.TakeOut ? (both.Plan.RemoveAt(index), $"Take out of the plan: {deed}")
                : (both.Plan.SetItem(index, both.Plan[index] with { Later = true }), $"Keep for later: {deed}");
            await AddPlan(session, [], plan, say, isAnew: true, cancel);
            return Made(Houses.Of(both.Found, plan));
        }, cancel);

    public Task<ChangeOutcome> Undo(string id, Side side, ChangeKey key, CancellationToken cancel) => Change(id, key, async session =>
        await MoveTo(session, side, await session.Parent(side, session.Job.Number(side), cancel), cancel), cancel);

    public Task<ChangeOutcome> Redo(string id, Side side, ChangeKey key, CancellationToken cancel) => Change(id, key, async session =>
        await MoveTo(session, side, await session.Child(side, cancel), cancel), cancel);

    /// <summary>Sets a job that cannot be read back to the last state that can.</summary>
    public Task<ChangeOutcome> SetBack(string id, ChangeKey key, CancellationToken cancel) => Change(id, key, async session =>
    {
        foreach (var side in new[] { Side.Found, Side.Planned })
        {
            int? at = session.Job.Number(side);
            while (at is { } number && !await CanRead(session, side, number, cancel)) at = await session.Parent(side, number, cancel);
            // A plan of which nothing can be read is begun anew; of a house as found there must be something.
            if (at is null && side == Side.Found) return Not(ChangeResult.NothingThere);
            if (at is { } last) session.MoveTo(side, last);
            else await AddPlan(session, [], [], "Begin the plan anew: what was planned cannot be read", isAnew: true, cancel);
        }
        var found = await houses.Found(session, session.Job.FoundNumber, cancel);
        session.Rename(found.Document.Name);
        // A plan that was begun anew just now is not stored yet.
        return Made(session.Added is null ? await houses.Now(session, cancel) : Houses.Of(found, []));
    }, cancel);

    private static (ChangeOutcome, Houses.Both?) Not(ChangeOutcome why) => (why, null);

    /// <summary>A change that was made, not yet written: nothing of it is kept before it is.</summary>
    private static (ChangeOutcome, Houses.Both?) Made(Houses.Both after) => (ChangeResult.Done, after);

    /// <param name="bringsTogether">Somebody else's change since the one that was seen need not be a hindrance.</param>
    private async Task<ChangeOutcome> Change(string id, ChangeKey key, Func<JobSession, Task<(ChangeOutcome Outcome, Houses.Both? After)>> change, CancellationToken cancel,
        bool bringsTogether = false)
    {
        await using var session = await store.Session(id, cancel);
        if (session is null) return ChangeResult.NoSuchJob;
        if (key.Id is not null && await session.WasMade(key.Id, cancel)) return ChangeResult.Done;
        var version = session.Job.Version;
        if (key.Seen != version && (!bringsTogether || key.Seen < 1 || key.Seen > version)) return ChangeResult.ChangedMeanwhile;
        var before = new Numbers(session.Job.FoundNumber, session.Job.PlannedNumber);
        var known = recent.Find<Job>(new JobKey(id, version));
        var (outcome, after) = await change(session);
        if (after is not { } both) return outcome;
        Summarize(session, both);
        if (!await session.Commit(key.Id, cancel)) return ChangeResult.ChangedMeanwhile;
        houses.Keep(session.Job, both);
        var takes = known is not null && session.Added is { } added ? Takes(known, added) : await session.Takes(cancel);
        return new(ChangeResult.Done, After: Keep(session.Job, both, takes), Before: key.Seen == version ? before : null);
    }

    /// <summary>A new revision can be taken back, and there is none after it; the other side is as it was.</summary>
    private static (Takes Found, Takes Planned) Takes(Job before, (Side Side, string Sentence) added) => added.Side == Side.Found
        ? (new(added.Sentence, null), before.Planned.Takes) : (before.Found.Takes, new(added.Sentence, null));

    private static async Task AddPlan(JobSession session, ImmutableArray<InstallerAction> actions, ImmutableArray<PlannedDeed> plan, string sentence,
        bool isAnew, CancellationToken cancel)
    {
        await session.Add(Side.Planned, Write(actions), sentence, plan.Length * UsualDeedLetters,
            () => JsonSerializer.Serialize(plan, AltrinJson.Compact), isAnew, cancel);
    }

    private static string Write(ImmutableArray<InstallerAction> actions) => JsonSerializer.Serialize(actions, AltrinJson.Compact);

    private async Task<(ChangeOutcome, Houses.Both?)> MoveTo(JobSession session, Side side, int? number, CancellationToken cancel)
    {
        if (number is not { } to) return Not(ChangeResult.NothingThere);
        session.MoveTo(side, to);
        var both = await houses.Now(session, cancel);
        if (side == Side.Found) session.Rename(both.Found.Document.Name);
        return Made(both);
    }

    private async Task<bool> CanRead(JobSession session, Side side, int number, CancellationToken cancel)
    {
        try
        {
            if (side == Side.Found) await houses.Found(session, number, cancel);
            else await houses.Plan(session, number, cancel);
            return true;
        }
        catch (UnreadableJobException) { return false; }
    }
}
