using System.Runtime.InteropServices;
using Microsoft.Data.Sqlite;
using SQLitePCL;

namespace Altrin.Data;

/// <summary>Whether the file that a connection has open is still the one at its path: an open file can be written after it was taken away, and what is written then is nowhere.</summary>
internal static class MovedFile
{
    /// <summary>SQLITE_FCNTL_HAS_MOVED, of SQLite's own C interface; value from memory.</summary>
    private const int HasMoved = 20;

    /// <param name="connection">Open.</param>
    public static bool Is(SqliteConnection connection)
    {
        var moved = 0;
        // Where the file system cannot tell, nothing is said.
        return FileControl(connection.Handle!, null, HasMoved, ref moved) == raw.SQLITE_OK && moved != 0;
    }

    [DllImport("e_sqlite3", EntryPoint = "sqlite3_file_control", CallingConvention = CallingConvention.Cdecl)]
    [DefaultDllImportSearchPaths(DllImportSearchPath.AssemblyDirectory | DllImportSearchPath.SafeDirectories)]
    private static extern int FileControl(sqlite3 database, [MarshalAs(UnmanagedType.LPUTF8Str)] string? name, int what, ref int answer);
}
