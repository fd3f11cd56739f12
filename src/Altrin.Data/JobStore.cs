using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Text.Json;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;

namespace Altrin.Data;

/// <summary>Jobs with their two houses, every revision kept, and the ticks of their work orders.</summary>
/// <remarks>Every change is one transaction, so a killed process loses nothing that was answered for. A change is checked and its houses
/// are
/// judged before anything is written: what is stored can be read.</remarks>
public sealed partial class JobStore(string databaseFile, TimeProvider clock, OwnKinds? ownKinds = null)
{
    private const string AsFound = "As found";

    /// <summary>What a deed of a plan comes to when it is written, about.</summary>
    private const int UsualDeedLetters = 150;

    /// <summary>Jobs kept as they were last read; past that all are let go.</summary>
    private const int MostJobs = 16;

    private readonly PooledDbContextFactory<AltrinDb> contexts =
        new(new DbContextOptionsBuilder<AltrinDb>().UseSqlite(Words(databaseFile, SqliteOpenMode.ReadWrite)).Options);

    /// <summary>Another program that holds the file is waited for two seconds. A file that is not there is made at the start
    /// alone.</summary>
    private static string Words(string file, SqliteOpenMode mode) =>
        new SqliteConnectionStringBuilder { DataSource = file, Mode = mode, DefaultTimeout = 2 }.ToString();

    private readonly ConcurrentDictionary<string, Job> latest = new(StringComparer.Ordinal);

    private readonly Histories histories = new();

    /// <summary>Who writes waits here for whoever of this program writes already: two seconds at the file are for other programs.</summary>
    private readonly SemaphoreSlim writing = new(1, 1);

    public Copies Copies { get; } = new(databaseFile, clock);

    /// <summary>Jobs, the last changed first.</summary>
    /// <param name="find">Of those alone whose name has every one of these words in it, whatever the case.</param>
    /// <param name="take">At most so many of them.</param>
    public async Task<ImmutableArray<JobHead>> List(string? find, int take, CancellationToken cancel)
    {
        await using var db = Open();
        var all = db.Jobs.AsNoTracking().OrderByDescending(job => job.ChangedAt).ThenBy(job => job.Id);
        var words = (find ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        if (words.Length == 0) return [.. (await all.Take(take).ToListAsync(cancel)).Select(Head)];
        // SQLite folds the case of no letter with an accent: names are compared here, and only they are read of all jobs.
        var names = await all.Select(job => new { job.Id, job.Name }).ToListAsync(cancel);
        var ids = names.Where(job =>
            words.All(word => job.Name.Contains(word, StringComparison.OrdinalIgnoreCase))).Take(take).Select(job => job.Id).ToList();
        return [.. (await all.Where(job => ids.Contains(job.Id)).ToListAsync(cancel)).Select(Head)];
    }

    public async Task<string> Create(NetworkDocument house, CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        var id = Convert.ToHexStringLower(Guid.NewGuid().ToByteArray().AsSpan(0, 6));
        var document = AltrinJson.WriteCompact(house);
        await using var db = Open();
        var job = new JobRow
        {
            Id = id,
            Name = house.Name,
            CreatedAt = now,
            ChangedAt = now,
            Version = 1,
            FoundNumber = 1,
            PlannedNumber = 1
        };
        Summarize(job, house, house);
        db.Jobs.Add(job);
        db.Revisions.Add(First(Side.Found, document));
        db.Revisions.Add(First(Side.Planned, "[]"));
        await Save(db, cancel);
        return id;

        RevisionRow First(Side side, string snapshot) => new()
        {
            JobId = id,
            Side = side,
            Number = 1,
            Parent = null,
            Actions = "[]",
            Snapshot = snapshot,
            SinceSnapshot = 0,
            Sentence = AsFound,
            At = now,
        };
    }

    /// <exception cref="UnreadableJobException">What is stored of it cannot be read.</exception>
    public async Task<Job?> Find(string id, CancellationToken cancel)
    {
        await using var db = Open();
        if (await db.Jobs.AsNoTracking().FirstOrDefaultAsync(job => job.Id == id, cancel) is not { } job) return null;
        // A version never changes: what was read of it is what it is.
        if (latest.TryGetValue(id, out var known) && known.Head.Version == job.Version) return known with { Head = Head(job) };
        return Keep(job, await Houses(db, job, cancel), await Sentences(db, job, cancel));
    }

    private Job Keep(JobRow job, (NetworkDocument Found, ImmutableArray<PlannedDeed> Plan, Replayed Planned) houses,
        ((string? Undo, string? Redo) Found, (string? Undo, string? Redo) Planned) say)
    {
        if (latest.Count >= MostJobs) latest.Clear();
        return latest[job.Id] = new(Head(job), new(job.FoundNumber, houses.Found, say.Found.Undo, say.Found.Redo),
            new(job.PlannedNumber, houses.Planned.House, say.Planned.Undo, say.Planned.Redo), houses.Plan, houses.Planned.Held);
    }

    /// <summary>The planned house before its last change; null where nothing was changed.</summary>
    /// <exception cref="UnreadableJobException">What is stored of it cannot be read.</exception>
    public async Task<NetworkDocument?> PlannedBefore(string id, CancellationToken cancel)
    {
        await using var db = Open();
        if (await db.Jobs.AsNoTracking().FirstOrDefaultAsync(job => job.Id == id, cancel) is not { } job) return null;
        var parent = await db.Revisions.Where(row =>
            row.JobId == id && row.Side == Side.Planned && row.Number == job.PlannedNumber).Select(row => row.Parent).SingleAsync(cancel);
        if (parent is not { } number) return null;
        var found = await histories.Found(db, id, job.FoundNumber, cancel);
        return histories.Planned((id, job.FoundNumber, number), found, await histories.Plan(db, id, number, cancel)).House;
    }

    /// <summary>Computes and keeps how the job stands, where no build of these rules has yet.</summary>
    /// <exception cref="UnreadableJobException">What is stored of it cannot be read.</exception>
    public async Task<JobSummary?> Summary(string id, CancellationToken cancel)
    {
        await using var db = Open();
        if (await db.Jobs.FirstOrDefaultAsync(job => job.Id == id, cancel) is not { } job) return null;
        if (Head(job).Summary is { } known) return known;
        var (found, _, planned) = await Houses(db, job, cancel);
        Summarize(job, found, planned.House);
        // Whoever changed it meanwhile has written a newer one.
        await Save(db, cancel);
        return Head(job).Summary;
    }

    public async Task<bool> Delete(string id, CancellationToken cancel)
    {
        await using var db = Open();
        try
        {
            if (await InTurn(() => db.Jobs.Where(job => job.Id == id).ExecuteDeleteAsync(cancel), cancel) == 0) return false;
        }
        catch (SqliteException error) { throw StoreTroubleException.Of(error); }
        Copies.Forget(id);
        return true;
    }

    private async Task<(NetworkDocument Found, ImmutableArray<PlannedDeed> Plan, Replayed Planned)> Houses(AltrinDb db, JobRow job,
        CancellationToken cancel)
    {
        var found = await histories.Found(db, job.Id, job.FoundNumber, cancel);
        var plan = await histories.Plan(db, job.Id, job.PlannedNumber, cancel);
        // The plan is what is to be done to the house as found: corrected there, it is corrected here.
        return (found, plan, histories.Planned((job.Id, job.FoundNumber, job.PlannedNumber), found, plan));
    }

    private static void Summarize(JobRow job, NetworkDocument found, NetworkDocument planned) => (job.Summary, job.SummaryBy) =
        (JsonSerializer.Serialize(new JobSummary(Evaluated.Summary(found), Evaluated.Summary(planned)), AltrinJson.Compact),
            Evaluated.Build);

    private static JobHead Head(JobRow job) => new(job.Id, job.Name, job.CreatedAt, job.ChangedAt, job.Version,
        job.Summary is { } summary && job.SummaryBy == Evaluated.Build
            ? JsonSerializer.Deserialize<JobSummary>(summary, AltrinJson.Compact) : null);

    // An edit asks these every time: put into SQL once, not at every asking.
    private static readonly Func<AltrinDb, string, CancellationToken, Task<JobRow?>> JobById =
        EF.CompileAsyncQuery((AltrinDb db, string id, CancellationToken cancel) => db.Jobs.FirstOrDefault(job => job.Id == id));

    private static readonly Func<AltrinDb, string, string, CancellationToken, Task<bool>> WasMade =
        EF.CompileAsyncQuery((AltrinDb db, string id, string change, CancellationToken cancel) =>
            db.Changes.Any(row => row.JobId == id && row.Id == change));
}
