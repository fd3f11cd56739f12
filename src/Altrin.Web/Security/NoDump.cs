using System.Runtime.InteropServices;

namespace Altrin.Web.Security;

/// <summary>A program that crashes may leave its whole memory in a file, with every password that was shown a moment ago: this one leaves none.</summary>
internal static class NoDump
{
    /// <summary>PR_SET_DUMPABLE of prctl(2): the kernel then writes no core file, whatever limit is set, and lets nobody but root read its memory.</summary>
    private const int SetDumpable = 4;

    public static void Settle()
    {
        if (OperatingSystem.IsLinux()) _ = Control(SetDumpable, 0, 0, 0, 0);
    }

    [DllImport("libc", EntryPoint = "prctl")]
    [DefaultDllImportSearchPaths(DllImportSearchPath.SafeDirectories)]
    private static extern int Control(int option, nuint value, nuint unused1, nuint unused2, nuint unused3);
}
