using System.Collections.Immutable;
using Microsoft.EntityFrameworkCore;

namespace Altrin.Data;

/// <param name="Name">What a network's <c>key</c> says, or <c>admin of</c> a box.</param>
public sealed record SecretHead(string Name, DateTimeOffset At);

/// <summary>Passwords of a job, as they were sealed by whoever holds the key ring. Gone with the job.</summary>
public sealed class SecretStore(JobStore jobs, TimeProvider clock)
{
    public const int MostPerJob = 200;

    public async Task<ImmutableArray<SecretHead>> List(string job, CancellationToken cancel)
    {
        await using var db = jobs.Open();
        return [.. await db.Secrets.AsNoTracking().Where(row => row.JobId == job).OrderBy(row => row.Name).Select(row => new SecretHead(row.Name, row.At)).ToListAsync(cancel)];
    }

    public async Task<byte[]?> Find(string job, string name, CancellationToken cancel)
    {
        await using var db = jobs.Open();
        return await db.Secrets.AsNoTracking().Where(row => row.JobId == job && row.Name == name).Select(row => row.Sealed).FirstOrDefaultAsync(cancel);
    }

    public async Task<IReadOnlyList<(string Name, byte[] Sealed)>> All(string job, CancellationToken cancel)
    {
        await using var db = jobs.Open();
        return [.. (await db.Secrets.AsNoTracking().Where(row => row.JobId == job).ToListAsync(cancel)).Select(row => (row.Name, row.Sealed))];
    }

    /// <returns>False where there is no such job, or it keeps too many already.</returns>
    public async Task<bool> Keep(string job, string name, byte[] value, CancellationToken cancel)
    {
        await using var db = jobs.Open();
        if (!await db.Jobs.AnyAsync(row => row.Id == job, cancel)) return false;
        if (await db.Secrets.FirstOrDefaultAsync(row => row.JobId == job && row.Name == name, cancel) is { } now) (now.Sealed, now.At) = (value, clock.GetUtcNow());
        else if (await db.Secrets.CountAsync(row => row.JobId == job, cancel) >= MostPerJob) return false;
        else db.Secrets.Add(new() { JobId = job, Name = name, Sealed = value, At = clock.GetUtcNow() });
        await jobs.Save(db, cancel);
        return true;
    }

    public async Task<bool> Forget(string job, string name, CancellationToken cancel)
    {
        await using var db = jobs.Open();
        if (await db.Secrets.FirstOrDefaultAsync(row => row.JobId == job && row.Name == name, cancel) is not { } row) return false;
        db.Secrets.Remove(row);
        await jobs.Save(db, cancel);
        jobs.Copies.Forget(job, name);
        return true;
    }
}
