using Altrin.Core.Network;
using Microsoft.EntityFrameworkCore;

namespace Altrin.Data;

/// <summary>Brings the database to its present form at the start of the program.</summary>
internal static class StoreStart
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(30);

    /// <exception cref="StoreTroubleException">Another program is at it for longer than is to be waited.</exception>
    public static void Prepare(string databaseFile, Func<AltrinDb> open, Func<IReadOnlyList<KitKind>> ownKinds)
    {
        var full = Path.GetFullPath(databaseFile);
        Directory.CreateDirectory(Path.GetDirectoryName(full)!);
        if (File.Exists(full) && Copies.WhyDamaged(full) is { } why) throw new StoreTroubleException(Damaged(full, why));
        using var db = open();
        if (db.Database.GetAppliedMigrations().Except(db.Database.GetMigrations()).Any())
            throw new StoreTroubleException($"The database {full} was written by a newer Altrin, and nothing was changed in it. Start that one, or choose another folder with --data.");
        if (IsDue(db)) Migrate(db, full);
        JobKinds.BringAlong(db, ownKinds);
        db.Database.ExecuteSqlRaw("PRAGMA journal_mode=WAL");
    }

    internal static string Damaged(string file, string why) =>
        $"The database {file} is damaged or is none ({why}). Nothing was written to it. “./altrin restore” shows the copies of earlier starts and puts one in its place; “./altrin restore aside” moves it away to begin anew.";

    /// <summary>Asked without any lock: nearly every start finds nothing to do.</summary>
    private static bool IsDue(AltrinDb db) => !db.Database.GetMigrations().SequenceEqual(db.Database.GetAppliedMigrations());

    /// <summary>One start at a time, by a lock on a file: it goes when its owner goes, however that goes. The migration's own lock is a row
    /// in the database and stays there when its owner is killed; whoever holds the file knows that such a row is nobody's.</summary>
    private static void Migrate(AltrinDb db, string full)
    {
        using var held = Wait($"{full}.migrating");
        if (!IsDue(db)) return;
        db.Database.OpenConnection();
        db.Database.ExecuteSqlRaw("""CREATE TABLE IF NOT EXISTS "__EFMigrationsLock" ("Id" INTEGER NOT NULL CONSTRAINT "PK___EFMigrationsLock" PRIMARY KEY, "Timestamp" TEXT NOT NULL)""");
        db.Database.ExecuteSqlRaw("""DELETE FROM "__EFMigrationsLock" """);
        db.Database.Migrate();
        db.Database.CloseConnection();
    }

    private static FileStream Wait(string file)
    {
        for (var since = DateTime.UtcNow; ; Thread.Sleep(50))
        {
            try { return new(file, FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None); }
            catch (IOException error) when (DateTime.UtcNow - since > Patience)
            {
                throw new StoreTroubleException("Another start of Altrin has been bringing the database up to date for half a minute. Wait for it, or stop it.", error);
            }
            catch (IOException) { /* Another start has it; it will not be long. */ }
        }
    }
}
