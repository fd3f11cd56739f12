using System.Globalization;
using System.Runtime.InteropServices;

namespace Altrin.Web;

/// <summary>
/// The pages of program files the process has read from. Most are read once, at the start, and then stand in its working set for good, half of them twice: once as the file, once as
/// the program. Let go, they are a cache of the system's, which it may keep or give to whoever needs the room; what is used again comes back at the next touch, from that cache.
/// </summary>
/// <remarks>Linux alone. Source: madvise(2), MADV_DONTNEED; proc_pid_smaps(5).</remarks>
internal sealed class ProgramPages
{
    private const int DontNeed = 4;

    private HashSet<(nuint Start, nuint Length)> seen = [];

    /// <summary>Lets go of what can be read anew from its file: mappings nobody can write to, of which no page differs from the file, and which stood there at the last look too:
    /// a program that is just being loaded is left alone. Answers how many bytes were let go, 0 where that cannot be had.</summary>
    public long LetGo()
    {
        if (!OperatingSystem.IsLinux()) return 0;
        // A machine may hide what stands there, or call its library otherwise: then nothing is let go, and nothing else is lost.
        try { return LetGoOf(Read(File.ReadLines("/proc/self/smaps"))); }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException or DllNotFoundException or EntryPointNotFoundException) { return 0; }
    }

    private long LetGoOf(IEnumerable<Mapping> mappings)
    {
        var now = new HashSet<(nuint, nuint)>();
        var bytes = 0L;
        foreach (var one in mappings)
        {
            if (one.Resident == 0 || !one.IsAsInItsFile) continue;
            var place = (one.Start, one.Length);
            now.Add(place);
            if (seen.Contains(place) && madvise(one.Start, one.Length, DontNeed) == 0) bytes += one.Resident;
        }
        seen = now;
        return bytes;
    }

    /// <summary>What /proc tells of each mapping.</summary>
    internal static IEnumerable<Mapping> Read(IEnumerable<string> lines)
    {
        Mapping? current = null;
        foreach (var line in lines)
        {
            if (Mapping.Begins(line) is { } next)
            {
                if (current is not null) yield return current;
                current = next;
            }
            else
            {
                current?.Note(line);
            }
        }
        if (current is not null) yield return current;
    }

    [DllImport("libc", SetLastError = true)]
    private static extern int madvise(nuint address, nuint length, int advice);

    /// <summary>A range of addresses and what stands behind it.</summary>
    internal sealed class Mapping
    {
        public required nuint Start { get; init; }
        /// <summary>Bytes.</summary>
        public required nuint Length { get; init; }
        public required string Rights { get; init; }
        public required string File { get; init; }
        /// <summary>Bytes in memory.</summary>
        public long Resident { get; private set; }
        /// <summary>Bytes that are no longer, or not yet, as the file has them.</summary>
        public long Own { get; private set; }

        /// <summary>Shared memory without a file (“memfd”) has nowhere to come back from.</summary>
        public bool IsAsInItsFile => File.StartsWith('/') && !File.EndsWith("(deleted)", StringComparison.Ordinal) && !File.StartsWith("/dev/", StringComparison.Ordinal) &&
            !File.StartsWith("/memfd:", StringComparison.Ordinal) && !Rights.Contains('w') && Own == 0;

        /// <summary>The mapping whose first line this is: “7f…-7f… r-xp 00000000 fe:01 123   /path”.</summary>
        public static Mapping? Begins(string line)
        {
            var words = line.Split(' ', 6, StringSplitOptions.RemoveEmptyEntries);
            if (words.Length < 5 || words[0].IndexOf('-') is not (> 0 and var at) || words[1].Length != 4) return null;
            if (!nuint.TryParse(words[0].AsSpan(0, at), NumberStyles.HexNumber, CultureInfo.InvariantCulture, out var start)) return null;
            if (!nuint.TryParse(words[0].AsSpan(at + 1), NumberStyles.HexNumber, CultureInfo.InvariantCulture, out var end)) return null;
            return new() { Start = start, Length = end - start, Rights = words[1], File = words.Length > 5 ? words[5].Trim() : "" };
        }

        /// <summary>A line below the first: “Rss:   12 kB”.</summary>
        public void Note(string line)
        {
            if (line.StartsWith("Rss:", StringComparison.Ordinal)) Resident = Kilobytes(line) << 10;
            else if (line.StartsWith("Anonymous:", StringComparison.Ordinal) || line.StartsWith("Private_Dirty:", StringComparison.Ordinal) || line.StartsWith("Shared_Dirty:", StringComparison.Ordinal))
                Own += Kilobytes(line) << 10;
        }

        private static long Kilobytes(string line) =>
            line.Split(' ', StringSplitOptions.RemoveEmptyEntries) is [_, var number, ..] && long.TryParse(number, CultureInfo.InvariantCulture, out var value) ? value : 1;
    }
}
