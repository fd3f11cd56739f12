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
/// <remarks>Every change is one transaction, so a killed process loses nothing that was answered for. A change is checked and its houses are
/// judged before anything is written: what is stored can be read.</remarks>
public sealed class JobStore(string databaseFile, TimeProvider clock, OwnKinds? ownKinds = null)
{
    private const string AsFound = "As found";

    /// <summary>What a deed of a plan comes to when it is written, about.</summary>
    private const int UsualDeedLetters = 150;

    /// <summary>Jobs kept as they were last read; past that all are let go.</summary>
    private const int MostJobs = 16;

    private readonly PooledDbContextFactory<AltrinDb> contexts =
        new(new DbContextOptionsBuilder<AltrinDb>().UseSqlite(Words(databaseFile, SqliteOpenMode.ReadWrite)).Options);

    /// <summary>Another program that holds the file is waited for two seconds. A file that is not there is made at the start alone.</summary>
    private static string Words(string file, SqliteOpenMode mode) => new SqliteConnectionStringBuilder { DataSource = file, Mode = mode, DefaultTimeout = 2 }.ToString();

    private readonly ConcurrentDictionary<string, Job> latest = new(StringComparer.Ordinal);

    private readonly Histories histories = new();

    /// <summary>Who writes waits here for whoever of this program writes already: two seconds at the file are for other programs.</summary>
    private readonly SemaphoreSlim writing = new(1, 1);

    public Copies Copies { get; } = new(databaseFile, clock);

    /// <summary>Creates the file if need be, brings it to the present form, and sets write-ahead logging.</summary>
    /// <exception cref="StoreTroubleException">It is damaged, of a newer program, or held.</exception>
    public void Prepare()
    {
        StoreStart.Prepare(databaseFile, () => new(new DbContextOptionsBuilder<AltrinDb>().UseSqlite(Words(databaseFile, SqliteOpenMode.ReadWriteCreate)).Options), () => ownKinds?.All() ?? []);
    }

    /// <summary>Puts a copy in the place of all jobs while the program runs. What was there is kept as a copy itself.</summary>
    /// <returns>The name of the copy of what was there; null where it is kept already.</returns>
    /// <exception cref="StoreTroubleException">There is no such copy, or it or the database cannot be read or written. Nothing was changed.</exception>
    public string? PutBack(string copy)
    {
        writing.Wait();
        try
        {
            var file = Copies.Sound(copy);
            var kept = Copies.Keep(isBefore: true);
            Dictionary<string, int> versions;
            using (var db = Open()) versions = db.Jobs.AsNoTracking().ToDictionary(job => job.Id, job => job.Version);
            using (var from = Copies.Opened(file, SqliteOpenMode.ReadOnly))
            using (var to = Copies.Opened(databaseFile, SqliteOpenMode.ReadWrite))
                from.BackupDatabase(to);
            Prepare();
            using (var db = Open())
            {
                // No version is ever given to two states: whoever still looks at what was there is told that it was changed.
                foreach (var job in db.Jobs) job.Version = Math.Max(job.Version, versions.GetValueOrDefault(job.Id)) + 1;
                db.SaveChanges();
            }
            return kept;
        }
        catch (Exception error) when (error is SqliteException or DbUpdateException) { throw StoreTroubleException.Of(error); }
        finally
        {
            latest.Clear();
            histories.Clear();
            writing.Release();
        }
    }

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
        var ids = names.Where(job => words.All(word => job.Name.Contains(word, StringComparison.OrdinalIgnoreCase))).Take(take).Select(job => job.Id).ToList();
        return [.. (await all.Where(job => ids.Contains(job.Id)).ToListAsync(cancel)).Select(Head)];
    }

    public async Task<string> Create(NetworkDocument house, CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        var id = Convert.ToHexStringLower(Guid.NewGuid().ToByteArray().AsSpan(0, 6));
        var document = AltrinJson.WriteCompact(house);
        await using var db = Open();
        var job = new JobRow { Id = id, Name = house.Name, CreatedAt = now, ChangedAt = now, Version = 1, FoundNumber = 1, PlannedNumber = 1 };
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

    private Job Keep(JobRow job, (NetworkDocument Found, ImmutableArray<PlannedDeed> Plan, Replayed Planned) houses, ((string? Undo, string? Redo) Found, (string? Undo, string? Redo) Planned) say)
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
        var parent = await db.Revisions.Where(row => row.JobId == id && row.Side == Side.Planned && row.Number == job.PlannedNumber).Select(row => row.Parent).SingleAsync(cancel);
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

    /// <summary>Does the deeds to one house, as one step of undo. Somebody else's change in between is no hindrance where the two speak of different things.</summary>
    public Task<ChangeOutcome> Apply(string id, Side side, ChangeKey key, ImmutableArray<InstallerAction> actions, string? sentence, CancellationToken cancel) =>
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
    private async Task<bool> IsApart(AltrinDb db, JobRow job, Side side, int seen, ImmutableArray<InstallerAction> actions, CancellationToken cancel)
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
        return ActionRunner.DoAll(before, actions).House is { } mine && !Touched.Meet(Touched.Between(before, mine), Touched.Between(before, now));

        async Task<NetworkDocument> House(int foundNumber, int plannedNumber)
        {
            var house = await histories.Found(db, job.Id, foundNumber, cancel);
            return side == Side.Found ? house : histories.Planned((job.Id, foundNumber, plannedNumber), house, await histories.Plan(db, job.Id, plannedNumber, cancel)).House;
        }
    }

    /// <summary>Replaces the whole plan; the one before is an undo away.</summary>
    public Task<ChangeOutcome> Adopt(string id, ChangeKey key, ImmutableArray<InstallerAction> actions, string? sentence, CancellationToken cancel) =>
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
            if (answer == HeldAnswer.TakeOut) await PushPlan(db, job, [], plan.RemoveAt(index), $"Take out of the plan: {deed}", cancel, isAnew: true);
            else await PushPlan(db, job, [], plan.SetItem(index, plan[index] with { Later = true }), $"Keep for later: {deed}", cancel, isAnew: true);
            return ChangeResult.Done;
        }, cancel);

    public Task<ChangeOutcome> Undo(string id, Side side, ChangeKey key, CancellationToken cancel) => Change(id, key, async (db, job) =>
    {
        var at = Number(job, side);
        var parent = await db.Revisions.Where(row => row.JobId == id && row.Side == side && row.Number == at).Select(row => row.Parent).SingleAsync(cancel);
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
                at = await db.Revisions.Where(row => row.JobId == id && row.Side == side && row.Number == number).Select(row => row.Parent).SingleOrDefaultAsync(cancel);
            // A plan of which nothing can be read is begun anew; of a house as found there must be something.
            if (at is null && side == Side.Found) return ChangeResult.NothingThere;
            if (at is null) await PushPlan(db, job, [], [], "Begin the plan anew: what was planned cannot be read", cancel, isAnew: true);
            else if (side == Side.Found) job.FoundNumber = at.Value;
            else job.PlannedNumber = at.Value;
        }
        job.Name = (await histories.Found(db, job.Id, job.FoundNumber, cancel)).Name;
        return ChangeResult.Done;
    }, cancel);

    /// <summary>Everything that is stored of a job's houses, unread: for one that this version cannot read.</summary>
    public async Task<byte[]?> AsStored(string id, CancellationToken cancel)
    {
        await using var db = Open();
        if (await db.Jobs.AsNoTracking().FirstOrDefaultAsync(job => job.Id == id, cancel) is not { } job) return null;
        var revisions = await db.Revisions.AsNoTracking().Where(row => row.JobId == id).OrderBy(row => row.Side).ThenBy(row => row.Number).ToListAsync(cancel);
        return JsonSerializer.SerializeToUtf8Bytes(new { job.Id, job.Name, job.FoundNumber, job.PlannedNumber, revisions }, AltrinJson.Indented);
    }

    public async Task<ImmutableArray<LogEntry>?> Log(string id, CancellationToken cancel)
    {
        await using var db = Open();
        if (await db.Jobs.AsNoTracking().FirstOrDefaultAsync(job => job.Id == id, cancel) is not { } job) return null;
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
        // The answer to it was lost, and it is said again.
        if (row is not null && row.Revision == said.Revision + 1 && (row.Outcome, row.Note, row.StartedAt) == (said.Outcome, said.Note, said.StartedAt)) return (ChangeResult.Done, Tick(row));
        if ((row?.Revision ?? 0) != said.Revision) return (ChangeResult.ChangedMeanwhile, row is null ? null : Tick(row));
        var now = clock.GetUtcNow();
        if (row is null) db.Ticks.Add(row = new() { JobId = id, StepKey = said.StepKey, Revision = 0, Outcome = "open", Note = "" });
        var wasOpen = row.Outcome == "open";
        (row.Outcome, row.Note, row.StartedAt) = (said.Outcome, said.Note, said.StartedAt);
        row.DoneAt = said.Outcome == "open" ? null : wasOpen ? now : row.DoneAt ?? now;
        row.Revision++;
        return await Save(db, cancel) ? (ChangeResult.Done, Tick(row)) : (ChangeResult.ChangedMeanwhile, null);
    }

    private async Task<ChangeOutcome> Change(string id, ChangeKey key, Func<AltrinDb, JobRow, Task<ChangeOutcome>> change, CancellationToken cancel, Func<AltrinDb, JobRow, Task<bool>>? isApart = null)
    {
        await using var db = Open();
        if (await JobById(db, id, cancel) is not { } job) return ChangeResult.NoSuchJob;
        if (key.Id is not null && await WasMade(db, id, key.Id, cancel)) return ChangeResult.Done;
        if (job.Version != key.Seen && (key.Seen < 1 || key.Seen > job.Version || isApart is null || !await isApart(db, job))) return ChangeResult.ChangedMeanwhile;
        var before = latest.TryGetValue(id, out var known) && known.Head.Version == job.Version ? known : null;
        var outcome = await change(db, job);
        if (outcome.Result != ChangeResult.Done) return outcome;
        job.Version++;
        job.ChangedAt = clock.GetUtcNow();
        // A sender who names none has one all the same: what later senders saw is known by it.
        db.Changes.Add(new() { JobId = id, Id = key.Id ?? $"version {job.Version}", Version = job.Version, FoundNumber = job.FoundNumber, PlannedNumber = job.PlannedNumber });
        var houses = await Houses(db, job, cancel);
        Summarize(job, houses.Found, houses.Planned.House);
        if (!await Save(db, cancel)) return ChangeResult.ChangedMeanwhile;
        var say = (SaidNow(db, job, Side.Found, before?.Found), SaidNow(db, job, Side.Planned, before?.Planned)) is ({ } found, { } planned) ? (found, planned) : await Sentences(db, job, cancel);
        return new(ChangeResult.Done, After: Keep(job, houses, say));
    }

    /// <summary>What undo and redo would do on one side after a change; null where the revisions have to be asked. A new revision has none after it, and one that is what it was is told as it was.</summary>
    private static (string? Undo, string? Redo)? SaidNow(AltrinDb db, JobRow job, Side side, HouseAt? before)
    {
        var number = Number(job, side);
        if (before?.Number == number) return (before.Undo, before.Redo);
        return db.Revisions.Local.FirstOrDefault(row => row.Side == side && row.Number == number) is { } made ? (made.Sentence, null) : null;
    }

    /// <returns>False when another writer was first.</returns>
    /// <exception cref="StoreTroubleException">The database would not take it for any other reason.</exception>
    internal async Task<bool> Save(AltrinDb db, CancellationToken cancel)
    {
        try
        {
            await InTurn(() => db.SaveChangesAsync(cancel), cancel);
            return true;
        }
        catch (DbUpdateException error) when (StoreTroubleException.IsRace(error)) { return false; }
        catch (Exception error) when (error is DbUpdateException or SqliteException) { throw StoreTroubleException.Of(error); }
    }

    /// <summary>One of this program writes at a time, in the order in which they come.</summary>
    internal async Task<T> InTurn<T>(Func<Task<T>> write, CancellationToken cancel)
    {
        await writing.WaitAsync(cancel);
        try { return await write(); }
        finally { writing.Release(); }
    }

    private async Task<(NetworkDocument Found, ImmutableArray<PlannedDeed> Plan, Replayed Planned)> Houses(AltrinDb db, JobRow job, CancellationToken cancel)
    {
        var found = await histories.Found(db, job.Id, job.FoundNumber, cancel);
        var plan = await histories.Plan(db, job.Id, job.PlannedNumber, cancel);
        // The plan is what is to be done to the house as found: corrected there, it is corrected here.
        return (found, plan, histories.Planned((job.Id, job.FoundNumber, job.PlannedNumber), found, plan));
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

    private async Task PushPlan(AltrinDb db, JobRow job, ImmutableArray<InstallerAction> actions, ImmutableArray<PlannedDeed> plan, string sentence, CancellationToken cancel, bool isAnew = false)
    {
        await Push(db, job, Side.Planned, actions, plan.Length * UsualDeedLetters, () => JsonSerializer.Serialize(plan, AltrinJson.Compact), sentence, cancel, isAnew);
        histories.Keep((job.Id, job.PlannedNumber), plan);
    }

    /// <param name="letters">About how long the whole state after it is when it is written.</param>
    /// <param name="whole">That state, of which a snapshot is kept now and then.</param>
    /// <param name="isAnew">It does not follow from the state before it and these actions.</param>
    private async Task Push(AltrinDb db, JobRow job, Side side, ImmutableArray<InstallerAction> actions, int letters, Func<string> whole, string sentence, CancellationToken cancel, bool isAnew = false)
    {
        var parent = Number(job, side);
        var (id, number, since) = (job.Id, 1, 0);
        await foreach (var row in AtAndLast(db, id, side, parent).WithCancellation(cancel))
        {
            number = Math.Max(number, row.Number + 1);
            if (row.Number == parent) since = row.SinceSnapshot;
        }
        var text = JsonSerializer.Serialize(actions, AltrinJson.Compact);
        var isDue = isAnew || since + text.Length > Histories.SnapshotAfter(letters);
        db.Revisions.Add(new()
        {
            JobId = job.Id,
            Side = side,
            Number = number,
            Parent = parent,
            Actions = text,
            Snapshot = isDue ? whole() : null,
            SinceSnapshot = isDue ? 0 : since + text.Length,
            Sentence = sentence,
            At = clock.GetUtcNow(),
        });
        if (side == Side.Found) job.FoundNumber = number;
        else job.PlannedNumber = number;
    }

    private async Task<ChangeOutcome> MoveTo(AltrinDb db, JobRow job, Side side, int? number, CancellationToken cancel)
    {
        if (number is not { } to) return ChangeResult.NothingThere;
        if (side == Side.Planned) job.PlannedNumber = to;
        else
        {
            job.FoundNumber = to;
            job.Name = (await histories.Found(db, job.Id, to, cancel)).Name;
        }
        return ChangeResult.Done;
    }

    /// <summary>Of both sides: what undo would take back, and what redo would bring back.</summary>
    private static async Task<((string? Undo, string? Redo) Found, (string? Undo, string? Redo) Planned)> Sentences(AltrinDb db, JobRow job, CancellationToken cancel)
    {
        var (id, found, planned) = (job.Id, job.FoundNumber, job.PlannedNumber);
        var rows = await db.Revisions.AsNoTracking()
            .Where(row => row.JobId == id && ((row.Side == Side.Found && (row.Number == found || row.Parent == found)) || (row.Side == Side.Planned && (row.Number == planned || row.Parent == planned))))
            .Select(row => new { row.Side, row.Number, row.Parent, row.Sentence }).ToListAsync(cancel);
        return (Of(Side.Found, found), Of(Side.Planned, planned));

        (string?, string?) Of(Side side, int at) => (rows.Find(row => row.Side == side && row.Number == at) is { Parent: not null } now ? now.Sentence : null,
            rows.Where(row => row.Side == side && row.Parent == at).MaxBy(row => row.Number)?.Sentence);
    }

    private sealed record ChildRow(int Number, string Sentence);

    /// <summary>The newest revision that came after that one: what redo brings back.</summary>
    private static Task<ChildRow?> Child(AltrinDb db, string job, Side side, int number, CancellationToken cancel) =>
        db.Revisions.AsNoTracking().Where(row => row.JobId == job && row.Side == side && row.Parent == number)
            .OrderByDescending(row => row.Number).Select(row => new ChildRow(row.Number, row.Sentence)).FirstOrDefaultAsync(cancel);

    private static int Number(JobRow job, Side side) => side == Side.Found ? job.FoundNumber : job.PlannedNumber;

    private static void Summarize(JobRow job, NetworkDocument found, NetworkDocument planned) => (job.Summary, job.SummaryBy) =
        (JsonSerializer.Serialize(new JobSummary(Evaluated.Summary(found), Evaluated.Summary(planned)), AltrinJson.Compact), Evaluated.Build);

    private static JobHead Head(JobRow job) => new(job.Id, job.Name, job.CreatedAt, job.ChangedAt, job.Version,
        job.Summary is { } summary && job.SummaryBy == Evaluated.Build ? JsonSerializer.Deserialize<JobSummary>(summary, AltrinJson.Compact) : null);

    private static Tick Tick(TickRow row) => new(row.StepKey, row.Revision, row.Outcome, row.Note, row.StartedAt, row.DoneAt);

    // An edit asks these every time: put into SQL once, not at every asking.
    private static readonly Func<AltrinDb, string, CancellationToken, Task<JobRow?>> JobById =
        EF.CompileAsyncQuery((AltrinDb db, string id, CancellationToken cancel) => db.Jobs.FirstOrDefault(job => job.Id == id));

    private static readonly Func<AltrinDb, string, string, CancellationToken, Task<bool>> WasMade =
        EF.CompileAsyncQuery((AltrinDb db, string id, string change, CancellationToken cancel) => db.Changes.Any(row => row.JobId == id && row.Id == change));

    /// <summary>Of one side the revision it stands at, and the last that was ever made.</summary>
    private static readonly Func<AltrinDb, string, Side, int, IAsyncEnumerable<RevisionPlace>> AtAndLast =
        EF.CompileAsyncQuery((AltrinDb db, string id, Side side, int at) => db.Revisions.AsNoTracking()
            .Where(row => row.JobId == id && row.Side == side && (row.Number == at || row.Number == db.Revisions.Where(other => other.JobId == id && other.Side == side).Max(other => other.Number)))
            .Select(row => new RevisionPlace(row.Number, row.SinceSnapshot)));

    private sealed record RevisionPlace(int Number, int SinceSnapshot);

    /// <exception cref="StoreTroubleException">The file was taken away or exchanged while the program runs.</exception>
    internal AltrinDb Open()
    {
        var db = contexts.CreateDbContext();
        try
        {
            db.Database.OpenConnection();
            if (!MovedFile.Is((SqliteConnection)db.Database.GetDbConnection())) return db;
            throw new StoreTroubleException("The database is not there any more, or another one is in its place. Nothing was written: put it back, or end Altrin and start it anew.");
        }
        catch
        {
            db.Dispose();
            throw;
        }
    }
}
