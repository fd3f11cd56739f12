using System.Collections.Immutable;
using System.Text.Json;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Microsoft.EntityFrameworkCore;

namespace Altrin.Data;

// What is kept of every change: its actions, now and then a whole state, and what undo and redo would say.
public sealed partial class JobStore
{
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
        return [.. rows.Select(row => new LogEntry(row.Side, row.Number, row.Sentence, row.At, row.Number == Number(job, row.Side)))];
    }

    private async Task PushPlan(AltrinDb db, JobRow job, ImmutableArray<InstallerAction> actions, ImmutableArray<PlannedDeed> plan,
        string sentence, CancellationToken cancel, bool isAnew = false)
    {
        await Push(db, job, Side.Planned, actions, plan.Length * UsualDeedLetters, () =>
            JsonSerializer.Serialize(plan, AltrinJson.Compact), sentence, cancel, isAnew);
        histories.Keep((job.Id, job.PlannedNumber), plan);
    }

    /// <param name="letters">About how long the whole state after it is when it is written.</param>
    /// <param name="whole">That state, of which a snapshot is kept now and then.</param>
    /// <param name="isAnew">It does not follow from the state before it and these actions.</param>
    private async Task Push(AltrinDb db, JobRow job, Side side, ImmutableArray<InstallerAction> actions, int letters, Func<string> whole,
        string sentence, CancellationToken cancel, bool isAnew = false)
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
    private static async Task<((string? Undo, string? Redo) Found, (string? Undo, string? Redo) Planned)> Sentences(AltrinDb db,
        JobRow job, CancellationToken cancel)
    {
        var (id, found, planned) = (job.Id, job.FoundNumber, job.PlannedNumber);
        var rows = await db.Revisions.AsNoTracking()
            .Where(row => row.JobId == id
                && ((row.Side == Side.Found && (row.Number == found || row.Parent == found))
                    || (row.Side == Side.Planned && (row.Number == planned || row.Parent == planned))))
            .Select(row => new { row.Side, row.Number, row.Parent, row.Sentence }).ToListAsync(cancel);
        return (Of(Side.Found, found), Of(Side.Planned, planned));

        (string?, string?) Of(Side side, int at) =>
            (rows.Find(row => row.Side == side && row.Number == at) is { Parent: not null } now ? now.Sentence : null,
            rows.Where(row => row.Side == side && row.Parent == at).MaxBy(row => row.Number)?.Sentence);
    }

    private sealed record ChildRow(int Number, string Sentence);

    /// <summary>The newest revision that came after that one: what redo brings back.</summary>
    private static Task<ChildRow?> Child(AltrinDb db, string job, Side side, int number, CancellationToken cancel) =>
        db.Revisions.AsNoTracking().Where(row => row.JobId == job && row.Side == side && row.Parent == number)
            .OrderByDescending(row => row.Number).Select(row => new ChildRow(row.Number, row.Sentence)).FirstOrDefaultAsync(cancel);

    private static int Number(JobRow job, Side side) => side == Side.Found ? job.FoundNumber : job.PlannedNumber;

    /// <summary>Of one side the revision it stands at, and the last that was ever made.</summary>
    private static readonly Func<AltrinDb, string, Side, int, IAsyncEnumerable<RevisionPlace>> AtAndLast =
        EF.CompileAsyncQuery((AltrinDb db, string id, Side side, int at) => db.Revisions.AsNoTracking()
            .Where(row => row.JobId == id && row.Side == side
                && (row.Number == at
                    || row.Number == db.Revisions.Where(other => other.JobId == id && other.Side == side).Max(other => other.Number)))
            .Select(row => new RevisionPlace(row.Number, row.SinceSnapshot)));

    private sealed record RevisionPlace(int Number, int SinceSnapshot);
}
