using System.Diagnostics;
using System.Runtime.InteropServices;

namespace Altrin.KernelLab.Tests;

/// <summary>The machine's network stack: namespaces, and programs run inside them.</summary>
internal static partial class Kernel
{
    private const int NetworkNamespace = 0x40000000;

    private static readonly string[] Tools = ["ip", "nft", "dnsmasq", "udhcpc"];

    /// <summary>Null when a lab can be built here; else what is missing.</summary>
    public static string? WhyNot { get; } = FindWhyNot();

    /// <summary>Runs something on a thread that lives in the namespace: sockets it opens and programs it starts stay there.</summary>
    public static T In<T>(string space, Func<T> work)
    {
        T result = default!;
        Exception? failure = null;
        var thread = new Thread(() =>
        {
            try
            {
                using var handle = File.OpenHandle($"/run/netns/{space}");
                if (SetNamespace((int)handle.DangerousGetHandle(), NetworkNamespace) != 0)
                    throw new InvalidOperationException($"setns {space}: error {Marshal.GetLastPInvokeError()}");
                result = work();
            }
            catch (Exception exception) { failure = exception; }
        }, 256 * 1024);
        thread.Start();
        thread.Join();
        return failure is null ? result : throw new InvalidOperationException($"In {space}: {failure.Message}", failure);
    }

    /// <summary>Runs a program to its end.</summary>
    /// <exception cref="InvalidOperationException">It failed, and that matters.</exception>
    public static string Run(string program, string arguments, string? input = null, bool mayFail = false)
    {
        using var process = Start(program, arguments, input is not null);
        if (input is not null)
        {
            process.StandardInput.Write(input);
            process.StandardInput.Close();
        }
        var error = process.StandardError.ReadToEndAsync();
        var output = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        if (process.ExitCode != 0 && !mayFail)
            throw new InvalidOperationException($"{program} {arguments}: {error.Result.Trim()}\n{input}");
        return output;
    }

    public static Process Start(string program, string arguments, bool withInput = false) =>
        Process.Start(new ProcessStartInfo(program, arguments)
        {
            RedirectStandardInput = withInput,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            Environment = { ["PATH"] = "/usr/sbin:/usr/bin:/sbin:/bin" },
        })!;

    /// <summary>What a run that was killed has left behind: namespaces of a process that is no more, and the servers in them.</summary>
    private static void SweepUp()
    {
        foreach (var line in Run("ip", "netns list", mayFail: true).Split('\n', StringSplitOptions.RemoveEmptyEntries))
        {
            var space = line.Split(' ')[0];
            if (!space.StartsWith("altrin-lab-", StringComparison.Ordinal) || space.Split('-') is not [_, _, var pid, ..] || Directory.Exists($"/proc/{pid}")) continue;
            foreach (var left in Run("ip", $"netns pids {space}", mayFail: true).Split('\n', StringSplitOptions.RemoveEmptyEntries)) Run("kill", $"-9 {left}", mayFail: true);
            Run("ip", $"netns del {space}", mayFail: true);
        }
    }

    private static string? FindWhyNot()
    {
        if (Environment.UserName != "root") return "not root";
        var missing = Tools.Where(tool => !new[] { "/usr/sbin", "/usr/bin", "/sbin", "/bin" }.Any(folder => File.Exists(Path.Combine(folder, tool)))).ToList();
        if (missing.Count > 0) return $"missing {string.Join(", ", missing)}";
        SweepUp();
        var probe = $"altrin-lab-{Environment.ProcessId}-probe";
        try
        {
            Run("ip", $"netns add {probe}");
            In(probe, () => Run("ip", "link add b0 type bridge"));
            return null;
        }
        catch (InvalidOperationException exception) { return exception.Message.ReplaceLineEndings(" "); }
        finally { Run("ip", $"netns del {probe}", mayFail: true); }
    }

    [LibraryImport("libc", EntryPoint = "setns", SetLastError = true)]
    private static partial int SetNamespace(int handle, int kind);
}
