using System.Collections.Immutable;
using System.Text.Json;
using Altrin.Core.Documents;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;

namespace Altrin.Data;

/// <summary>Jobs with every revision of their two houses, and the ticks of their work orders: stored and given back, judged nowhere here.</summary>
/// <remarks>Every change is one transaction, so a killed process loses nothing that was answered for.</remarks>
public sealed partial class JobStore(string databaseFile, TimeProvider clock, OwnKinds? ownKinds = null)
{
    private const string AsFound = "As found";

    private readonly PooledDbContextFactory<AltrinDb> contexts =
        new(new DbContextOptionsBuilder<AltrinDb>().UseSqlite(Words(databaseFile, SqliteOpenMode.ReadWrite)).Options);

    /// <summary>Another program that holds the file is waited for two seconds. A file that is not there is made at the start
    /// alone.</summary>
    private static string Words(string file, SqliteOpenMode mode) =>
        new SqliteConnectionStringBuilder { DataSource = file, Mode = mode, DefaultTimeout = 2 }.ToString();

    /// <summary>Who writes waits here for whoever of this program writes already: two seconds at the file are for other programs.</summary>
    private readonly SemaphoreSlim writing = new(1, 1);

    public Copies Copies { get; } = new(databaseFile, clock);

    internal DateTimeOffset Now => clock.GetUtcNow();

    /// <summary>Jobs, the last changed first.</summary>
    /// <param name="find">Of those alone whose name has every one of these words in it, whatever the case.</param>
    /// <param name="take">At most so many of them.</param>
    public async Task<ImmutableArray<StoredJob>> List(string? find, int take, CancellationToken cancel)
    {
        await using var db = Open();
        var all = db.Jobs.AsNoTracking().OrderByDescending(job => job.ChangedAt).ThenBy(job => job.Id);
        var words = (find ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        if (words.Length == 0) return [.. (await all.Take(take).ToListAsync(cancel)).Select(Stored)];
        // SQLite folds the case of no letter with an accent: names are compared here, and only they are read of all jobs.
        var names = await all.Select(job => new { job.Id, job.Name }).ToListAsync(cancel);
        var ids = names.Where(job =>
            words.All(word => job.Name.Contains(word, StringComparison.OrdinalIgnoreCase))).Take(take).Select(job => job.Id).ToList();
        return [.. (await all.Where(job => ids.Contains(job.Id)).ToListAsync(cancel)).Select(Stored)];
    }

    /// <summary>Writes a new job whose plan is empty.</summary>
    /// <param name="document">The house as found, as JSON.</param>
    /// <param name="summary">How it stands, as JSON, and by which build of the rules.</param>
    /// <returns>Its id.</returns>
    public async Task<string> Create(string name, string document, (string Text, string By) summary, CancellationToken cancel)
    {
        var id = Convert.ToHexStringLower(Guid.NewGuid().ToByteArray().AsSpan(0, 6));
        await using var db = Open();
        db.Jobs.Add(new()
        {
            Id = id,
            Name = name,
            CreatedAt = Now,
            ChangedAt = Now,
            Version = 1,
            FoundNumber = 1,
            PlannedNumber = 1,
            Summary = summary.Text,
            SummaryBy = summary.By,
        });
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
            At = Now,
        };
    }

    /// <returns>Null where there is no such job.</returns>
    public async Task<JobSession?> Session(string id, CancellationToken cancel)
    {
        var db = Open();
        try
        {
            if (await JobById(db, id, cancel) is { } row) return new(this, db, row);
        }
        catch
        {
            await db.DisposeAsync();
            throw;
        }
        await db.DisposeAsync();
        return null;
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

    /// <summary>Everything that is stored of a job's houses, unread: for one that this version cannot read.</summary>
    public async Task<byte[]?> AsStored(string id, CancellationToken cancel)
    {
        await using var db = Open();
        if (await db.Jobs.AsNoTracking().FirstOrDefaultAsync(job => job.Id == id, cancel) is not { } job) return null;
        var revisions = await db.Revisions.AsNoTracking().Where(row => row.JobId == id).OrderBy(row => row.Side).ThenBy(row =>
            row.Number).ToListAsync(cancel);
        return JsonSerializer.SerializeToUtf8Bytes(new { job.Id, job.Name, job.FoundNumber, job.PlannedNumber, revisions },
            AltrinJson.Indented);
    }

    public async Task<ImmutableArray<LogEntry>?> Log(string id, CancellationToken cancel)
    {
        await using var db = Open();
        if (await db.Jobs.AsNoTracking().FirstOrDefaultAsync(job => job.Id == id, cancel) is not { } job) return null;
        var rows = await db.Revisions.AsNoTracking().Where(row => row.JobId == id).OrderBy(row => row.At).ThenBy(row => row.Number)
            .Select(row => new { row.Side, row.Number, row.Sentence, row.At }).ToListAsync(cancel);
        return [.. rows.Select(row => new LogEntry(row.Side, row.Number, row.Sentence, row.At, row.Number == Stored(job).Number(row.Side)))];
    }

    internal static StoredJob Stored(JobRow job) => new(job.Id, job.Name, job.CreatedAt, job.ChangedAt, job.Version, job.FoundNumber,
        job.PlannedNumber, job.Summary, job.SummaryBy);

    private static readonly Func<AltrinDb, string, CancellationToken, Task<JobRow?>> JobById =
        EF.CompileAsyncQuery((AltrinDb db, string id, CancellationToken cancel) => db.Jobs.FirstOrDefault(job => job.Id == id));
}
