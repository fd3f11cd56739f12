using System.Collections.Immutable;
using Microsoft.EntityFrameworkCore;

namespace Altrin.Data;

/// <summary>One look at a job, and one change of it: what is added here is written at <see cref="Commit"/>, all of it or nothing.</summary>
public sealed class JobSession : IAsyncDisposable
{
    private const int LeastSnapshotLetters = 4096;

    private readonly JobStore store;
    private readonly AltrinDb db;
    private readonly JobRow row;

    internal JobSession(JobStore store, AltrinDb db, JobRow row) => (this.store, this.db, this.row) = (store, db, row);

    /// <summary>As it is in this session: what was added shows.</summary>
    public StoredJob Job => JobStore.Stored(row);

    /// <summary>Whether that change was made already, by the id its sender gave it.</summary>
    public Task<bool> WasMade(string change, CancellationToken cancel) => Changed(db, row.Id, change, cancel);

    /// <summary>Where both sides stood at an earlier version; null where that is not known.</summary>
    public async Task<Numbers?> At(int version, CancellationToken cancel)
    {
        if (version == row.Version) return new(row.FoundNumber, row.PlannedNumber);
        if (version == 1) return new(1, 1);
        var then = await db.Changes.AsNoTracking().FirstOrDefaultAsync(change => change.JobId == row.Id && change.Version == version, cancel);
        return then is { FoundNumber: { } found, PlannedNumber: { } planned } ? new(found, planned) : null;
    }

    /// <summary>From the last snapshot to that revision.</summary>
    /// <exception cref="UnreadableJobException">One of them is not there.</exception>
    public async Task<ImmutableArray<StoredRevision>> Chain(Side side, int number, CancellationToken cancel)
    {
        var (job, word) = (row.Id, side.ToString());
        var rows = await db.Revisions.FromSql($"""
            WITH RECURSIVE chain AS (
                SELECT * FROM revisions WHERE JobId = {job} AND Side = {word} AND Number = {number}
                UNION ALL
                SELECT r.* FROM revisions r JOIN chain c ON r.JobId = c.JobId AND r.Side = c.Side AND r.Number = c.Parent
                WHERE c.Snapshot IS NULL)
            SELECT * FROM chain
            """).AsNoTracking().ToListAsync(cancel);
        rows.Sort((a, b) => a.Number.CompareTo(b.Number));
        if (rows is not [{ Snapshot: not null }, ..]) throw new UnreadableJobException(job, $"Revision {number} of the {Say(side)} is not there.");
        return [.. rows.Select(one => new StoredRevision(one.Side, one.Number, one.Actions, one.Snapshot, one.Sentence))];
    }

    /// <summary>The side in words: “house as found”, “plan”.</summary>
    public static string Say(Side side) => side == Side.Found ? "house as found" : "plan";

    /// <summary>The revision before that one; null before the first.</summary>
    public Task<int?> Parent(Side side, int number, CancellationToken cancel)
    {
        var id = row.Id;
        return db.Revisions.Where(one => one.JobId == id && one.Side == side && one.Number == number).Select(one => one.Parent)
            .SingleOrDefaultAsync(cancel);
    }

    /// <summary>The newest revision that came after the present one: what redo brings back.</summary>
    public async Task<int?> Child(Side side, CancellationToken cancel)
    {
        var (id, at) = (row.Id, Job.Number(side));
        return await db.Revisions.Where(one => one.JobId == id && one.Side == side && one.Parent == at).MaxAsync(one => (int?)one.Number, cancel);
    }

    /// <param name="letters">About how long the whole state after it is when it is written.</param>
    /// <param name="whole">That state, of which a snapshot is kept now and then: the history stays small, and reading it quick.</param>
    /// <param name="isAnew">It does not follow from the state before it and these actions.</param>
    public async Task Add(Side side, string actions, string sentence, int letters, Func<string> whole, bool isAnew, CancellationToken cancel)
    {
        var parent = Job.Number(side);
        var (number, since) = (1, 0);
        await foreach (var place in AtAndLast(db, row.Id, side, parent).WithCancellation(cancel))
        {
            number = Math.Max(number, place.Number + 1);
            if (place.Number == parent) since = place.SinceSnapshot;
        }
        // Half a snapshot's worth of actions between two snapshots.
        var isDue = isAnew || since + actions.Length > Math.Max(LeastSnapshotLetters, letters / 2);
        db.Revisions.Add(new()
        {
            JobId = row.Id,
            Side = side,
            Number = number,
            Parent = parent,
            Actions = actions,
            Snapshot = isDue ? whole() : null,
            SinceSnapshot = isDue ? 0 : since + actions.Length,
            Sentence = sentence,
            At = store.Now,
        });
        MoveTo(side, number);
        Added = (side, sentence);
    }

    /// <summary>The revision that was added in this session; null where none was.</summary>
    public (Side Side, string Sentence)? Added { get; private set; }

    /// <summary>Lets that side stand at a revision that is there already.</summary>
    public void MoveTo(Side side, int number)
    {
        if (side == Side.Found) row.FoundNumber = number;
        else row.PlannedNumber = number;
    }

    public void Rename(string name) => row.Name = name;

    public void Summarize(string summary, string by) => (row.Summary, row.SummaryBy) = (summary, by);

    /// <summary>Of both sides: what undo and redo would do.</summary>
    public async Task<(Takes Found, Takes Planned)> Takes(CancellationToken cancel)
    {
        var (id, found, planned) = (row.Id, row.FoundNumber, row.PlannedNumber);
        var rows = await db.Revisions.AsNoTracking()
            .Where(one => one.JobId == id
                && ((one.Side == Side.Found && (one.Number == found || one.Parent == found))
                    || (one.Side == Side.Planned && (one.Number == planned || one.Parent == planned))))
            .Select(one => new { one.Side, one.Number, one.Parent, one.Sentence }).ToListAsync(cancel);
        return (Of(Side.Found, found), Of(Side.Planned, planned));

        Takes Of(Side side, int at) =>
            new(rows.Find(one => one.Side == side && one.Number == at) is { Parent: not null } now ? now.Sentence : null,
                rows.Where(one => one.Side == side && one.Parent == at).MaxBy(one => one.Number)?.Sentence);
    }

    /// <summary>Writes the change as a version of its own.</summary>
    /// <param name="change">The id its sender gave it; null: it has none.</param>
    /// <returns>False where another writer was first; nothing was written then.</returns>
    /// <exception cref="StoreTroubleException">The database would not take it.</exception>
    public Task<bool> Commit(string? change, CancellationToken cancel)
    {
        row.Version++;
        row.ChangedAt = store.Now;
        // A sender who names none has one all the same: what later senders saw is known by it.
        db.Changes.Add(new()
        {
            JobId = row.Id,
            Id = change ?? $"version {row.Version}",
            Version = row.Version,
            FoundNumber = row.FoundNumber,
            PlannedNumber = row.PlannedNumber,
        });
        return store.Save(db, cancel);
    }

    /// <summary>Writes the summary alone: no version of its own.</summary>
    public Task<bool> Save(CancellationToken cancel) => store.Save(db, cancel);

    public ValueTask DisposeAsync() => db.DisposeAsync();

    // An edit asks these every time: put into SQL once, not at every asking.
    private static readonly Func<AltrinDb, string, string, CancellationToken, Task<bool>> Changed =
        EF.CompileAsyncQuery((AltrinDb db, string id, string change, CancellationToken cancel) =>
            db.Changes.Any(row => row.JobId == id && row.Id == change));

    /// <summary>Of one side the revision it stands at, and the last that was ever made.</summary>
    private static readonly Func<AltrinDb, string, Side, int, IAsyncEnumerable<RevisionPlace>> AtAndLast =
        EF.CompileAsyncQuery((AltrinDb db, string id, Side side, int at) => db.Revisions.AsNoTracking()
            .Where(row => row.JobId == id && row.Side == side
                && (row.Number == at
                    || row.Number == db.Revisions.Where(other => other.JobId == id && other.Side == side).Max(other => other.Number)))
            .Select(row => new RevisionPlace(row.Number, row.SinceSnapshot)));

    private sealed record RevisionPlace(int Number, int SinceSnapshot);
}
