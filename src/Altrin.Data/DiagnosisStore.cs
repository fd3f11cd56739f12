using System.Collections.Immutable;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;

namespace Altrin.Data;

/// <summary>What was looked for when something did not work.</summary>
/// <param name="Number">From 1.</param>
/// <param name="Revision">0: not written yet.</param>
/// <param name="Seen">As <c>altrin.sightings/1</c>.</param>
/// <param name="Aside">Looks that cannot be done here.</param>
/// <param name="EndedAt">Null for the one at hand.</param>
/// <param name="Cause">What it was, in words; null where nothing was found.</param>
public sealed record StoredDiagnosis(int Number, int Revision, Side Side, string Seen, ImmutableArray<string> Aside,
    DateTimeOffset StartedAt,
    DateTimeOffset? EndedAt = null, string? Cause = null, string? Mend = null);

/// <summary>The diagnoses of a job, in order: at most one is at hand, the others are ended.</summary>
public sealed class DiagnosisStore(JobStore jobs, TimeProvider clock)
{
    /// <summary>Nobody looks so often in one job; what more comes is a machine.</summary>
    private const int Most = 500;

    public async Task<ImmutableArray<StoredDiagnosis>> List(string job, CancellationToken cancel)
    {
        await using var db = jobs.Open();
        return [.. (await db.Diagnoses.AsNoTracking().Where(row => row.JobId == job).OrderBy(row =>
            row.Number).ToListAsync(cancel)).Select(Stored)];
    }

    /// <param name="said">Its revision is the one that was seen; 0 begins a new one.</param>
    public async Task<ChangeResult> Save(string job, StoredDiagnosis said, CancellationToken cancel)
    {
        await using var db = jobs.Open();
        if (!await db.Jobs.AnyAsync(row => row.Id == job, cancel)) return ChangeResult.NoSuchJob;
        var last = await db.Diagnoses.Where(row => row.JobId == job).OrderByDescending(row => row.Number).FirstOrDefaultAsync(cancel);
        var now = clock.GetUtcNow();
        if (said.Revision == 0)
        {
            if (last is { EndedAt: null } || (last?.Number ?? 0) + 1 != said.Number
                || said.Number > Most) return ChangeResult.ChangedMeanwhile;
            db.Diagnoses.Add(last = new()
            {
                JobId = job,
                Number = said.Number,
                Revision = 0,
                Side = said.Side,
                Seen = "",
                Aside = "",
                StartedAt = now
            });
        }
        else if (last is not { EndedAt: null } || last.Number != said.Number
            || last.Revision != said.Revision) return ChangeResult.ChangedMeanwhile;
        (last.Side, last.Seen, last.Aside) = (said.Side, said.Seen, JsonSerializer.Serialize(said.Aside));
        (last.Cause, last.Mend) = (said.Cause, said.Mend);
        if (said.EndedAt is not null) last.EndedAt = now;
        last.Revision++;
        return await jobs.Save(db, cancel) ? ChangeResult.Done : ChangeResult.ChangedMeanwhile;
    }

    private static StoredDiagnosis Stored(DiagnosisRow row) => new(row.Number, row.Revision, row.Side, row.Seen,
        JsonSerializer.Deserialize<ImmutableArray<string>>(row.Aside), row.StartedAt, row.EndedAt, row.Cause, row.Mend);
}
