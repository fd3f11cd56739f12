using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Altrin.Data;

/// <summary>The database would not take or give something, and not because somebody else was first. What was confirmed before is not lost.</summary>
public sealed class StoreTroubleException(string what, Exception? cause = null) : Exception(what, cause)
{
    // Result codes of SQLite; values from memory.
    private const int Busy = 5, Locked = 6, ReadOnly = 8, InputOutput = 10, Corrupt = 11, Full = 13, CannotOpen = 14, Constraint = 19, NoDatabase = 26;

    /// <summary>Whether another writer was first: the version that was read is not there any more, or a key is taken.</summary>
    internal static bool IsRace(DbUpdateException error) =>
        error is DbUpdateConcurrencyException || (error.InnerException is SqliteException { SqliteErrorCode: Constraint });

    /// <summary>Null for an error that is not the database's.</summary>
    public static StoreTroubleException? Behind(Exception error) => error switch
    {
        StoreTroubleException known => known,
        SqliteException or DbUpdateException => Of(error),
        _ => null,
    };

    internal static StoreTroubleException Of(Exception error)
    {
        var code = (error as SqliteException ?? error.InnerException as SqliteException)?.SqliteErrorCode;
        return new(code switch
        {
            Full => "The disk is full. Nothing was written: make room, then do it again.",
            ReadOnly => "The data folder cannot be written to. Nothing was written: give it back its rights, then do it again.",
            Busy or Locked => "Another program holds the database. Nothing was written: close it, then do it again.",
            Corrupt or NoDatabase => "The database is damaged. Nothing was written: end Altrin; “./altrin restore” puts a copy of an earlier start in its place and keeps the file.",
            CannotOpen => "The database cannot be opened. Nothing was written: look whether the data folder is still there.",
            InputOutput => "The disk gave an error. Nothing was written: look to the disk, then do it again.",
            _ => "The database refused it. Nothing was written: do it again, and start Altrin anew if that does not help.",
        }, error);
    }
}
