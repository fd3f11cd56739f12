using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Text.Json;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Microsoft.EntityFrameworkCore;

namespace Altrin.Data;

/// <summary>Jobs with their two houses, every revision kept, and the ticks of their work orders.</summary>
/// <remarks>Every change is one transaction, so a killed process loses nothing that was answered for.</remarks>
public sealed class JobStore(string databaseFile, TimeProvider clock)
{
    private const string AsFound = "As found";

    /// <summary>Documents kept as read; past that all are let go and the next few are read again.</summary>
    private const int MostRead = 64;

    private readonly ConcurrentDictionary<(string Job, Side Side, int Number), NetworkDocument> read = new();
    private readonly DbContextOptions<AltrinDb> options =
        new DbContextOptionsBuilder<AltrinDb>().UseSqlite($"Data Source={databaseFile};Default Timeout=15").Options;

    /// <summary>Creates the file if need be, brings it to the present form, and sets write-ahead logging.</summary>
    public void Prepare()
    {
        if (Path.GetDirectoryName(Path.GetFullPath(databaseFile)) is { } folder) Directory.CreateDirectory(folder);
        using var db = Open();
        db.Database.Migrate();
        db.Database.ExecuteSqlRaw("PRAGMA journal_mode=WAL");
    }

    public async Task<ImmutableArray<JobHead>> List(CancellationToken cancel)
    {
        await using var db = Open();
        return [.. (await db.Jobs.AsNoTracking().OrderByDescending(job => job.ChangedAt).ToListAsync(cancel)).Select(Head)];
    }

    public async Task<string> Create(NetworkDocument house, CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        var id = Convert.ToHexStringLower(Guid.NewGuid().ToByteArray().AsSpan(0, 6));
        await using var db = Open();
        db.Jobs.Add(new() { Id = id, Name = house.Name, CreatedAt = now, ChangedAt = now, Version = 1, FoundNumber = 1, PlannedNumber = 1 });
        db.Revisions.Add(Row(id, Side.Found, 1, null, house, [], AsFound, now));
        db.Revisions.Add(Row(id, Side.Planned, 1, null, house, [], AsFound, now));
        await db.SaveChangesAsync(cancel);
        return id;
    }

    public async Task<Job?> Find(string id, CancellationToken cancel)
    {
        await using var db = Open();
        if (await db.Jobs.AsNoTracking().FirstOrDefaultAsync(job => job.Id == id, cancel) is not { } job) return null;
        var found = await At(db, job, Side.Found, cancel);
        var planned = await At(db, job, Side.Planned, cancel);
        // The plan is what is to be done to the house as found: corrected there, it is corrected here.
        return new(Head(job), found, planned with { Document = planned.Actions.Apply(found.Document) });
    }

    public async Task<bool> Delete(string id, CancellationToken cancel)
    {
        await using var db = Open();
        return await db.Jobs.Where(job => job.Id == id).ExecuteDeleteAsync(cancel) > 0;
    }

    /// <summary>Does the deeds to one house, as one step of undo.</summary>
    public Task<ChangeResult> Apply(string id, Side side, int seen, ImmutableArray<InstallerAction> actions, string sentence, CancellationToken cancel) =>
        Change(id, seen, async (db, job) =>
        {
            var (found, planned) = await Both(db, job, cancel);
            if (side == Side.Found)
            {
                var after = actions.Apply(Read(found));
                await Push(db, job, Side.Found, found.Number, after, actions, sentence, cancel);
                await Rebase(db, job, planned, after, cancel);
            }
            else
            {
                var all = Actions(planned).AddRange(actions);
                await Push(db, job, Side.Planned, planned.Number, all.Apply(Read(found)), all, sentence, cancel);
            }
            return true;
        }, cancel);

    /// <summary>Replaces the whole plan; the one before is an undo away.</summary>
    public Task<ChangeResult> Adopt(string id, int seen, ImmutableArray<InstallerAction> actions, string sentence, CancellationToken cancel) =>
        Change(id, seen, async (db, job) =>
        {
            var (found, planned) = await Both(db, job, cancel);
            await Push(db, job, Side.Planned, planned.Number, actions.Apply(Read(found)), actions, sentence, cancel);
            return true;
        }, cancel);

    public Task<ChangeResult> Undo(string id, Side side, int seen, CancellationToken cancel) =>
        Change(id, seen, async (db, job) =>
        {
            var row = await Revision(db, job, side, Number(job, side), cancel);
            return row.Parent is { } parent && await MoveTo(db, job, side, parent, cancel);
        }, cancel);

    public Task<ChangeResult> Redo(string id, Side side, int seen, CancellationToken cancel) =>
        Change(id, seen, async (db, job) =>
            await Child(db, job.Id, side, Number(job, side), cancel) is { } child && await MoveTo(db, job, side, child.Number, cancel), cancel);

    public async Task<ImmutableArray<LogEntry>> Log(string id, CancellationToken cancel)
    {
        await using var db = Open();
        if (await db.Jobs.AsNoTracking().FirstOrDefaultAsync(job => job.Id == id, cancel) is not { } job) return [];
        var rows = await db.Revisions.AsNoTracking().Where(row => row.JobId == id).OrderBy(row => row.At).ThenBy(row => row.Number)
            .Select(row => new { row.Side, row.Number, row.Sentence, row.At }).ToListAsync(cancel);
        return [.. rows.Select(row => new LogEntry(row.Side, row.Number, row.Sentence, row.At, row.Number == Number(job, row.Side)))];
    }

    public async Task<ImmutableArray<Tick>> Ticks(string id, CancellationToken cancel)
    {
        await using var db = Open();
        return [.. (await db.Ticks.AsNoTracking().Where(tick => tick.JobId == id).ToListAsync(cancel)).Select(Tick)];
    }

    /// <summary>Writes what the installer says about a step, if nobody has since <paramref name="said"/>'s revision.</summary>
    public async Task<(ChangeResult Result, Tick? Tick)> SetTick(string id, Tick said, CancellationToken cancel)
    {
        await using var db = Open();
        if (!await db.Jobs.AnyAsync(job => job.Id == id, cancel)) return (ChangeResult.NoSuchJob, null);
        var row = await db.Ticks.FirstOrDefaultAsync(tick => tick.JobId == id && tick.StepKey == said.StepKey, cancel);
        if ((row?.Revision ?? 0) != said.Revision) return (ChangeResult.ChangedMeanwhile, row is null ? null : Tick(row));
        var now = clock.GetUtcNow();
        if (row is null) db.Ticks.Add(row = new() { JobId = id, StepKey = said.StepKey, Revision = 0, Outcome = "open", Note = "" });
        var wasOpen = row.Outcome == "open";
        (row.Outcome, row.Note, row.StartedAt) = (said.Outcome, said.Note, said.StartedAt);
        row.DoneAt = said.Outcome == "open" ? null : wasOpen ? now : row.DoneAt ?? now;
        row.Revision++;
        return await Save(db, cancel) ? (ChangeResult.Done, Tick(row)) : (ChangeResult.ChangedMeanwhile, null);
    }

    private async Task<ChangeResult> Change(string id, int seen, Func<AltrinDb, JobRow, Task<bool>> change, CancellationToken cancel)
    {
        await using var db = Open();
        if (await db.Jobs.FirstOrDefaultAsync(job => job.Id == id, cancel) is not { } job) return ChangeResult.NoSuchJob;
        if (job.Version != seen) return ChangeResult.ChangedMeanwhile;
        if (!await change(db, job)) return ChangeResult.NothingThere;
        job.Version++;
        job.ChangedAt = clock.GetUtcNow();
        return await Save(db, cancel) ? ChangeResult.Done : ChangeResult.ChangedMeanwhile;
    }

    /// <returns>False when another writer was first: the version that was read is no longer there, or the key is taken.</returns>
    private static async Task<bool> Save(AltrinDb db, CancellationToken cancel)
    {
        try
        {
            await db.SaveChangesAsync(cancel);
            return true;
        }
        catch (DbUpdateException)
        {
            return false;
        }
    }

    private async Task Push(AltrinDb db, JobRow job, Side side, int parent, NetworkDocument house,
        ImmutableArray<InstallerAction> actions, string sentence, CancellationToken cancel)
    {
        var number = 1 + await db.Revisions.Where(row => row.JobId == job.Id && row.Side == side).MaxAsync(row => row.Number, cancel);
        db.Revisions.Add(Row(job.Id, side, number, parent, house, actions, sentence, clock.GetUtcNow()));
        if (side == Side.Found) (job.FoundNumber, job.Name) = (number, house.Name);
        else job.PlannedNumber = number;
    }

    /// <summary>The house as found has changed: the plan is written down once more on top of it, with the same step of undo.</summary>
    private async Task Rebase(AltrinDb db, JobRow job, RevisionRow planned, NetworkDocument found, CancellationToken cancel)
    {
        var number = 1 + await db.Revisions.Where(row => row.JobId == job.Id && row.Side == Side.Planned).MaxAsync(row => row.Number, cancel);
        var actions = Actions(planned);
        db.Revisions.Add(Row(job.Id, Side.Planned, number, planned.Parent, actions.Apply(found), actions, planned.Sentence, clock.GetUtcNow()));
        job.PlannedNumber = number;
    }

    private async Task<bool> MoveTo(AltrinDb db, JobRow job, Side side, int number, CancellationToken cancel)
    {
        if (side == Side.Planned)
        {
            job.PlannedNumber = number;
            return true;
        }
        var row = await Revision(db, job, Side.Found, number, cancel);
        (job.FoundNumber, job.Name) = (number, Read(row).Name);
        await Rebase(db, job, await Revision(db, job, Side.Planned, job.PlannedNumber, cancel), Read(row), cancel);
        return true;
    }

    private async Task<HouseAt> At(AltrinDb db, JobRow job, Side side, CancellationToken cancel)
    {
        var row = await Revision(db, job, side, Number(job, side), cancel);
        var child = await Child(db, job.Id, side, row.Number, cancel);
        return new(row.Number, Read(row), Actions(row), row.Parent is null ? null : row.Sentence, child?.Sentence);
    }

    private static async Task<(RevisionRow Found, RevisionRow Planned)> Both(AltrinDb db, JobRow job, CancellationToken cancel) =>
        (await Revision(db, job, Side.Found, job.FoundNumber, cancel), await Revision(db, job, Side.Planned, job.PlannedNumber, cancel));

    private static Task<RevisionRow> Revision(AltrinDb db, JobRow job, Side side, int number, CancellationToken cancel) =>
        db.Revisions.AsNoTracking().SingleAsync(row => row.JobId == job.Id && row.Side == side && row.Number == number, cancel);

    /// <summary>The newest revision that came after that one: what redo brings back.</summary>
    private static Task<RevisionRow?> Child(AltrinDb db, string job, Side side, int number, CancellationToken cancel) =>
        db.Revisions.AsNoTracking().Where(row => row.JobId == job && row.Side == side && row.Parent == number)
            .OrderByDescending(row => row.Number).FirstOrDefaultAsync(cancel);

    private static int Number(JobRow job, Side side) => side == Side.Found ? job.FoundNumber : job.PlannedNumber;

    private static RevisionRow Row(string job, Side side, int number, int? parent, NetworkDocument house,
        ImmutableArray<InstallerAction> actions, string sentence, DateTimeOffset at) => new()
        {
            JobId = job,
            Side = side,
            Number = number,
            Parent = parent,
            Document = AltrinJson.WriteCompact(house),
            Actions = JsonSerializer.Serialize(actions, AltrinJson.Compact),
            Sentence = sentence,
            At = at,
        };

    /// <summary>A revision never changes, so what was read of it once is kept: an edit asks for the same two documents several times.</summary>
    private NetworkDocument Read(RevisionRow row)
    {
        var key = (row.JobId, row.Side, row.Number);
        if (read.TryGetValue(key, out var known)) return known;
        if (read.Count >= MostRead) read.Clear();
        return read[key] = DocumentReader.Read(row.Document).Document
            ?? throw new InvalidDataException($"Revision {row.Number} of job {row.JobId} is not a document of this version.");
    }

    private static ImmutableArray<InstallerAction> Actions(RevisionRow row) =>
        JsonSerializer.Deserialize<ImmutableArray<InstallerAction>>(row.Actions, AltrinJson.Compact);

    private static JobHead Head(JobRow job) => new(job.Id, job.Name, job.CreatedAt, job.ChangedAt, job.Version);
    private static Tick Tick(TickRow row) => new(row.StepKey, row.Revision, row.Outcome, row.Note, row.StartedAt, row.DoneAt);

    private AltrinDb Open() => new(options);
}
