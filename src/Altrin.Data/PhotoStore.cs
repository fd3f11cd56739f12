using System.Collections.Immutable;
using Microsoft.EntityFrameworkCore;

namespace Altrin.Data;

/// <param name="Subject">The box, thing or room that it shows.</param>
public sealed record PhotoHead(string Id, string Subject, int Bytes, DateTimeOffset At);

public enum PhotoKept { Kept, NoSuchJob, NoRoom }

/// <summary>Pictures of labels and places, beside their job. Gone with it.</summary>
public sealed class PhotoStore(JobStore jobs, TimeProvider clock)
{
    /// <summary>All of a job's together.</summary>
    public const long MostBytesPerJob = 20L << 20;

    /// <returns>Null where there is no such job.</returns>
    public async Task<ImmutableArray<PhotoHead>?> List(string job, CancellationToken cancel)
    {
        await using var db = jobs.Open();
        if (!await db.Jobs.AnyAsync(row => row.Id == job, cancel)) return null;
        return [.. await db.Photos.AsNoTracking().Where(row => row.JobId == job).OrderBy(row => row.At).Select(row => new PhotoHead(row.Id, row.Subject, row.Content.Length, row.At)).ToListAsync(cancel)];
    }

    public async Task<byte[]?> Find(string job, string id, CancellationToken cancel)
    {
        await using var db = jobs.Open();
        return await db.Photos.AsNoTracking().Where(row => row.JobId == job && row.Id == id).Select(row => row.Content).FirstOrDefaultAsync(cancel);
    }

    public async Task<(PhotoKept Result, string? Id)> Keep(string job, string subject, byte[] content, CancellationToken cancel)
    {
        await using var db = jobs.Open();
        if (!await db.Jobs.AnyAsync(row => row.Id == job, cancel)) return (PhotoKept.NoSuchJob, null);
        var kept = await db.Photos.Where(row => row.JobId == job).SumAsync(row => (long)row.Content.Length, cancel);
        if (kept + content.Length > MostBytesPerJob) return (PhotoKept.NoRoom, null);
        var id = Convert.ToHexStringLower(Guid.NewGuid().ToByteArray().AsSpan(0, 6));
        db.Photos.Add(new() { JobId = job, Id = id, Subject = subject, MediaType = "image/jpeg", Content = content, At = clock.GetUtcNow() });
        await jobs.Save(db, cancel);
        return (PhotoKept.Kept, id);
    }

    public async Task<bool> Remove(string job, string id, CancellationToken cancel)
    {
        await using var db = jobs.Open();
        if (await db.Photos.FirstOrDefaultAsync(row => row.JobId == job && row.Id == id, cancel) is not { } row) return false;
        db.Photos.Remove(row);
        await jobs.Save(db, cancel);
        return true;
    }
}
