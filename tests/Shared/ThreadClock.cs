using System.Globalization;

namespace Altrin.Tests;

/// <summary>What this thread has had of the processor: a bound in it holds on a machine that others load, where a bound on the wall clock
/// does not.</summary>
/// <remarks>proc(5), stat, fields 14 and 15, in hundredths of a second as Linux gives them to programs.</remarks>
internal static class ThreadClock
{
    public static TimeSpan Now
    {
        get
        {
            var stat = File.ReadAllText("/proc/thread-self/stat");
            // The name of the program stands in brackets and may hold blanks: counted from behind it, which is the second field.
            var fields = stat[(stat.LastIndexOf(')') + 2)..].Split(' ');
            return TimeSpan.FromMilliseconds(10 * (long.Parse(fields[14 - 3], CultureInfo.InvariantCulture) + long.Parse(fields[15 - 3],
                CultureInfo.InvariantCulture)));
        }
    }
}
