using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Altrin.Data;

// The file itself: opened, brought to its present form, written by one at a time, exchanged for a copy.
public sealed partial class JobStore
{
    /// <summary>Creates the file if need be, brings it to the present form, and sets write-ahead logging.</summary>
    /// <exception cref="StoreTroubleException">It is damaged, of a newer program, or held.</exception>
    public void Prepare()
    {
        StoreStart.Prepare(databaseFile, () =>
            new(new DbContextOptionsBuilder<AltrinDb>().UseSqlite(Words(databaseFile, SqliteOpenMode.ReadWriteCreate)).Options), () =>
                ownKinds?.All() ?? []);
    }

    /// <summary>Puts a copy in the place of all jobs while the program runs. What was there is kept as a copy itself.</summary>
    /// <returns>The name of the copy of what was there; null where it is kept already.</returns>
    /// <exception cref="StoreTroubleException">There is no such copy, or it or the database cannot be read or written. Nothing was
    /// changed.</exception>
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
            writing.Release();
        }
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

    /// <exception cref="StoreTroubleException">The file was taken away or exchanged while the program runs.</exception>
    internal AltrinDb Open()
    {
        var db = contexts.CreateDbContext();
        try
        {
            db.Database.OpenConnection();
            if (!MovedFile.Is((SqliteConnection)db.Database.GetDbConnection())) return db;
            throw new StoreTroubleException("The database is not there any more, or another one is in its place. Nothing was written: put "
                + "it back, or end Altrin and start it anew.");
        }
        catch
        {
            db.Dispose();
            throw;
        }
    }
}
