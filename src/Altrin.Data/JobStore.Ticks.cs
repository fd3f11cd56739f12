using System.Collections.Immutable;
using Microsoft.EntityFrameworkCore;

namespace Altrin.Data;

// What the installer said of the steps of a work order.
public sealed partial class JobStore
{
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
        if (row is not null && row.Revision == said.Revision + 1
            && (row.Outcome, row.Note, row.StartedAt, row.Seen) == (said.Outcome, said.Note, said.StartedAt,
                said.Seen)) return (ChangeResult.Done, Tick(row));
        if ((row?.Revision ?? 0) != said.Revision) return (ChangeResult.ChangedMeanwhile, row is null ? null : Tick(row));
        var now = clock.GetUtcNow();
        if (row is null) db.Ticks.Add(row = new() { JobId = id, StepKey = said.StepKey, Revision = 0, Outcome = "open", Note = "" });
        var wasOpen = row.Outcome == "open";
        (row.Outcome, row.Note, row.StartedAt, row.Seen) = (said.Outcome, said.Note, said.StartedAt, said.Seen);
        row.DoneAt = said.Outcome == "open" ? null : wasOpen ? now : row.DoneAt ?? now;
        row.Revision++;
        return await Save(db, cancel) ? (ChangeResult.Done, Tick(row)) : (ChangeResult.ChangedMeanwhile, null);
    }

    private static Tick Tick(TickRow row) => new(row.StepKey, row.Revision, row.Outcome, row.Note, row.StartedAt, row.DoneAt, row.Seen);
}
