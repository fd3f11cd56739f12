using System.Collections.Immutable;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;

namespace Altrin.Data;

/// <summary>A step that was worked through before a turn.</summary>
/// <param name="Outcome">As of a <see cref="Tick"/>.</param>
public sealed record DoneStep(string Title, string Outcome, string Note, DateTimeOffset? DoneAt);

/// <summary>Something else was seen than a step said: what, what it was taken to mean, and the house from which the work goes on.</summary>
/// <param name="House">The document, as JSON.</param>
/// <param name="Resets">Boxes that have to be reset first.</param>
public sealed record StoredTurn(int Number, string StepTitle, string Seen, string Sentence, string House, ImmutableArray<string> Resets,
    ImmutableArray<DoneStep> Done, DateTimeOffset At);

/// <summary>The turns of a job's work, in order. The last one can be taken back.</summary>
public sealed class TurnStore(JobStore jobs, TimeProvider clock)
{
    /// <summary>Nobody turns so often; what more comes is a machine.</summary>
    private const int Most = 200;

    public async Task<ImmutableArray<StoredTurn>> List(string job, CancellationToken cancel)
    {
        await using var db = jobs.Open();
        return [.. (await db.Turns.AsNoTracking().Where(row => row.JobId == job).OrderBy(row => row.Number).ToListAsync(cancel)).Select(Turn)];
    }

    /// <param name="turn">Its number is that of the last one known and one more; <see cref="ChangeResult.ChangedMeanwhile"/> where another came first.</param>
    public async Task<ChangeResult> Add(string job, StoredTurn turn, CancellationToken cancel)
    {
        await using var db = jobs.Open();
        if (!await db.Jobs.AnyAsync(row => row.Id == job, cancel)) return ChangeResult.NoSuchJob;
        var last = await db.Turns.Where(row => row.JobId == job).MaxAsync(row => (int?)row.Number, cancel) ?? 0;
        if (turn.Number != last + 1 || last >= Most) return ChangeResult.ChangedMeanwhile;
        db.Turns.Add(new()
        {
            JobId = job,
            Number = turn.Number,
            StepTitle = turn.StepTitle,
            Seen = turn.Seen,
            Sentence = turn.Sentence,
            House = turn.House,
            Resets = JsonSerializer.Serialize(turn.Resets),
            Done = JsonSerializer.Serialize(turn.Done),
            At = clock.GetUtcNow(),
        });
        return await jobs.Save(db, cancel) ? ChangeResult.Done : ChangeResult.ChangedMeanwhile;
    }

    /// <summary>Only the last: what came after it stands on it.</summary>
    public async Task<ChangeResult> TakeBack(string job, int number, CancellationToken cancel)
    {
        await using var db = jobs.Open();
        var last = await db.Turns.Where(row => row.JobId == job).OrderByDescending(row => row.Number).FirstOrDefaultAsync(cancel);
        if (last is null) return ChangeResult.NothingThere;
        if (last.Number != number) return ChangeResult.ChangedMeanwhile;
        db.Turns.Remove(last);
        return await jobs.Save(db, cancel) ? ChangeResult.Done : ChangeResult.ChangedMeanwhile;
    }

    private static StoredTurn Turn(TurnRow row) => new(row.Number, row.StepTitle, row.Seen, row.Sentence, row.House,
        JsonSerializer.Deserialize<ImmutableArray<string>>(row.Resets), JsonSerializer.Deserialize<ImmutableArray<DoneStep>>(row.Done), row.At);
}
