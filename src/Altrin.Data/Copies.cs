using System.Collections.Immutable;
using System.Globalization;
using System.Security.Cryptography;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Altrin.Data;

/// <summary>A copy of the database, or what can be said of the database itself.</summary>
/// <param name="Name">Of the file, without its ending.</param>
/// <param name="IsBefore">It is what was there before another copy was put in its place; else one of a start.</param>
/// <param name="Jobs">How many are in it.</param>
/// <param name="Last">The job that was changed last, and when; null where there is none.</param>
public sealed record CopyHead(string Name, DateTimeOffset At, bool IsBefore, long Bytes, int Jobs, string? Last, DateTimeOffset? LastAt);

/// <summary>Copies of the database in a folder beside it: one of each start at which it is in order, three of them kept, and what a copy took the place of.</summary>
public sealed class Copies(string databaseFile, TimeProvider clock)
{
    /// <summary>Of each kind.</summary>
    public const int Kept = 3;

    private const string Stamp = "yyyy-MM-dd'T'HHmmss.fff'Z'", Before = "-before";

    private readonly string folder = Path.Combine(Path.GetDirectoryName(Path.GetFullPath(databaseFile))!, "copies");

    /// <summary>The newest first. One that cannot be read is left out.</summary>
    public ImmutableArray<CopyHead> All() => Directory.Exists(folder)
        ? [.. Directory.EnumerateFiles(folder, "*.db").Select(Head).OfType<CopyHead>().OrderByDescending(copy => copy.At)]
        : [];

    /// <summary>Keeps one of the database as it stands, and lets the oldest of its kind go. Nothing is kept twice: where nothing has changed since the newest, that one stays the newest.</summary>
    /// <returns>Its name; null where it is kept already.</returns>
    public string? Keep(bool isBefore = false)
    {
        // Passwords are in it, if sealed: nobody else's business.
        OwnerOnly.Folder(folder);
        var at = clock.GetUtcNow();
        var name = at.ToString(Stamp, CultureInfo.InvariantCulture) + (isBefore ? Before : "");
        var (file, half) = (FileOf(name), Path.Combine(folder, $"{name}.half"));
        // Of a start that was killed while it copied.
        foreach (var left in Directory.EnumerateFiles(folder, "*.half*")) File.Delete(left);
        // SQLite's own way: whole even while others write, the log included.
        using (var from = Opened(databaseFile, SqliteOpenMode.ReadWrite))
        using (var to = Opened(half, SqliteOpenMode.ReadWriteCreate))
        {
            from.BackupDatabase(to);
            // A copy is one file: without a log it leaves none beside it, however it is looked at.
            Run(to, "PRAGMA journal_mode=DELETE");
        }
        OwnerOnly.File(half);
        // Of nothing no copy: it would push out one that holds something.
        if (!HoldsJobs(half))
        {
            File.Delete(half);
            return null;
        }
        var newest = Files(isBefore).FirstOrDefault();
        if (newest is not null && SameAs(newest, half))
        {
            File.Delete(half);
            return null;
        }
        File.Move(half, file, overwrite: true);
        foreach (var old in Files(isBefore).Skip(Kept)) File.Delete(old);
        return name;
    }

    /// <summary>What is wrong with a database, in SQLite's words; null where its own check finds nothing.</summary>
    public static string? WhyDamaged(string file)
    {
        try
        {
            using var database = Opened(file, SqliteOpenMode.ReadWrite);
            using var check = database.CreateCommand();
            check.CommandText = "PRAGMA integrity_check(1)";
            var said = $"{check.ExecuteScalar()}";
            return said == "ok" ? null : said;
        }
        catch (SqliteException error) when (error.SqliteErrorCode is 11 or 26) { return error.Message; }
    }

    /// <summary>Puts a copy in the place of a database that nobody has open. What is there is moved aside, whatever it is.</summary>
    /// <returns>Where what was there is now; null where nothing was.</returns>
    /// <exception cref="StoreTroubleException">There is no such copy, or it is damaged itself.</exception>
    public string? PutBack(string name)
    {
        var copy = Sound(name);
        var aside = MoveAside();
        File.Copy(copy, databaseFile);
        return aside;
    }

    /// <summary>Moves a database that nobody has open aside, with its log, so that the next start begins anew.</summary>
    /// <returns>Where it is now; null where none was.</returns>
    public string? MoveAside()
    {
        string[] parts = ["", "-wal", "-shm"];
        if (!parts.Any(part => File.Exists(databaseFile + part))) return null;
        var aside = Path.Combine(Path.GetDirectoryName(Path.GetFullPath(databaseFile))!, "aside", clock.GetUtcNow().ToString(Stamp, CultureInfo.InvariantCulture));
        Directory.CreateDirectory(aside);
        foreach (var part in parts)
            if (File.Exists(databaseFile + part)) File.Move(databaseFile + part, Path.Combine(aside, Path.GetFileName(databaseFile) + part));
        return aside;
    }

    /// <summary>Takes the passwords and pictures of a job that was deleted out of every copy, and a password that was forgotten.</summary>
    /// <param name="secret">That one alone, and no picture; null: all that is secret of the job.</param>
    public void Forget(string job, string? secret = null)
    {
        foreach (var file in Directory.Exists(folder) ? Directory.GetFiles(folder, "*.db") : [])
        {
            using var copy = Opened(file, SqliteOpenMode.ReadWrite);
            // What is deleted is overwritten, not only left out of the list.
            Run(copy, "PRAGMA secure_delete=ON");
            var gone = Run(copy, "DELETE FROM secrets WHERE JobId = $job AND ($name IS NULL OR Name = $name)", job, secret);
            if (secret is null) gone += Run(copy, "DELETE FROM photos WHERE JobId = $job AND $name IS NULL", job, secret);
            if (gone > 0) Run(copy, "VACUUM");
        }
    }

    /// <summary>The file of a copy whose own check passes.</summary>
    internal string Sound(string name)
    {
        // By the list, so that no name leads out of the folder.
        if (All().FirstOrDefault(copy => copy.Name == name) is null) throw new StoreTroubleException($"There is no copy “{name}”. Look at the list again: an older one goes when a newer one is made.");
        return WhyDamaged(FileOf(name)) is { } why ? throw new StoreTroubleException($"The copy {name} is damaged itself ({why}). Choose another; nothing was changed.") : FileOf(name);
    }

    private string FileOf(string name) => Path.Combine(folder, $"{name}.db");

    private List<string> Files(bool isBefore) =>
        [.. Directory.EnumerateFiles(folder, "*.db").Where(file => Path.GetFileNameWithoutExtension(file).EndsWith(Before, StringComparison.Ordinal) == isBefore).OrderDescending(StringComparer.Ordinal)];

    private CopyHead? Head(string file)
    {
        var name = Path.GetFileNameWithoutExtension(file);
        var isBefore = name.EndsWith(Before, StringComparison.Ordinal);
        if (!DateTimeOffset.TryParseExact(isBefore ? name[..^Before.Length] : name, Stamp, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out var at)) return null;
        try
        {
            using var db = new AltrinDb(new DbContextOptionsBuilder<AltrinDb>().UseSqlite(Words(file, SqliteOpenMode.ReadOnly)).Options);
            var last = db.Jobs.AsNoTracking().OrderByDescending(job => job.ChangedAt).Select(job => new { job.Name, job.ChangedAt }).FirstOrDefault();
            return new(name, at, isBefore, new FileInfo(file).Length, db.Jobs.Count(), last?.Name, last?.ChangedAt);
        }
        catch (SqliteException) { return null; }
    }

    private static bool HoldsJobs(string file)
    {
        using var copy = Opened(file, SqliteOpenMode.ReadOnly);
        using var count = copy.CreateCommand();
        count.CommandText = "SELECT COUNT(*) FROM jobs";
        return count.ExecuteScalar() is > 0L;
    }

    private static bool SameAs(string one, string other)
    {
        if (new FileInfo(one).Length != new FileInfo(other).Length) return false;
        using var a = File.OpenRead(one);
        using var b = File.OpenRead(other);
        return SHA256.HashData(a).AsSpan().SequenceEqual(SHA256.HashData(b));
    }

    private static string Words(string file, SqliteOpenMode mode) => new SqliteConnectionStringBuilder { DataSource = file, Mode = mode, Pooling = false, DefaultTimeout = 2 }.ToString();

    internal static SqliteConnection Opened(string file, SqliteOpenMode mode)
    {
        var connection = new SqliteConnection(Words(file, mode));
        connection.Open();
        return connection;
    }

    private static int Run(SqliteConnection database, string sql, string? job = null, string? name = null)
    {
        using var command = database.CreateCommand();
        command.CommandText = sql;
        if (job is not null)
        {
            command.Parameters.AddWithValue("$job", job);
            command.Parameters.AddWithValue("$name", (object?)name ?? DBNull.Value);
        }
        return command.ExecuteNonQuery();
    }
}
