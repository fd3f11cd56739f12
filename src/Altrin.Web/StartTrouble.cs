using System.Globalization;
using System.Net;
using Altrin.Data;
using Microsoft.AspNetCore.Connections;
using Microsoft.Data.Sqlite;

namespace Altrin.Web;

/// <summary>What keeps the program from starting, in words: nothing that a user can cause ends in a stack trace.</summary>
internal static class StartTrouble
{
    private static readonly string[] Known = ["data", "port", "demo", "web", "verbose", "warm", "share", "share-port", "share-address", "registry"];

    /// <summary>What is wrong with what was asked; null for nothing.</summary>
    public static string? WhyNot(IReadOnlyList<string> args)
    {
        for (var i = 0; i < args.Count; i += 2)
        {
            // Written in one word a setting may be the host's own, which whoever starts it from a test uses.
            if (args[i].Contains('=', StringComparison.Ordinal))
            {
                i--;
                continue;
            }
            var name = args[i].TrimStart('-');
            if (!args[i].StartsWith("--", StringComparison.Ordinal) || !Known.Contains(name)) return $"{args[i]}: there is no such setting. Use {string.Join(", ", Known.Select(one => $"--{one}"))}.";
            if (i + 1 >= args.Count) return $"--{name} wants a value after it.";
            var value = args[i + 1];
            if (name is "port" or "share-port" && !(int.TryParse(value, NumberStyles.None, CultureInfo.InvariantCulture, out var port) && port is >= 1 and <= 65535))
                return $"--{name} {value}: this is no port. Use a number from 1 to 65535, such as 5080.";
            if (name is "demo" or "share" or "verbose" or "warm" && !bool.TryParse(value, out _)) return $"--{name} {value}: say true or false.";
            if (name is "share-address" && !IPAddress.TryParse(value, out _)) return $"--share-address {value}: this is no address. Write one of this laptop's own, such as 192.168.1.20.";
        }
        return null;
    }

    /// <summary>Null for what is a mistake of ours, which shall be seen whole.</summary>
    public static string? Say(Exception error, string data)
    {
        var folder = Path.GetFullPath(data);
        return error switch
        {
            StoreTroubleException trouble => trouble.Message,
            IOException { InnerException: AddressInUseException } => "Another program, perhaps another Altrin, has this port. End it, or start with --port (for the phone’s: --share-port) and another number.",
            SqliteException or IOException when Directory.Exists(Path.Combine(folder, "altrin.db")) => $"{Path.Combine(folder, "altrin.db")} is a folder. Move it away.",
            SqliteException { SqliteErrorCode: 14 or 8 } or UnauthorizedAccessException => $"The folder {folder} cannot be written. Allow it, or choose another with --data.",
            // errno of Linux: the file system is mounted so that nothing can be written.
            IOException { HResult: 30 } => $"The folder {folder} cannot be written. Allow it, or choose another with --data.",
            SqliteException { SqliteErrorCode: 13 } or IOException { HResult: 28 } => $"The disk with {folder} is full. Make room there; nothing that was confirmed is lost.",
            IOException when File.Exists(folder) => $"{folder} is a file. Choose a folder with --data.",
            SqliteException => StoreTroubleException.Behind(error)!.Message,
            { InnerException: { } inner } when inner is SqliteException or StoreTroubleException or IOException or UnauthorizedAccessException => Say(inner, data),
            _ => null,
        };
    }
}
