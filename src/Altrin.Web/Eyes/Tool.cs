using System.ComponentModel;
using System.Diagnostics;

namespace Altrin.Web.Eyes;

/// <summary>A tool of the system that only tells: run without a shell, for seconds, and its output bounded.</summary>
internal static class Tool
{
    private const int MostLetters = 1 << 20;

    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(5);

    /// <returns>Null where it is not installed, failed or took too long.</returns>
    public static async Task<string?> Run(string program, string arguments, CancellationToken cancel)
    {
        var start = new ProcessStartInfo(program, arguments)
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            UseShellExecute = false,
            CreateNoWindow = true
        };
        if (!OperatingSystem.IsWindows()) start.Environment["PATH"] = $"{Environment.GetEnvironmentVariable("PATH")}:/usr/sbin:/sbin:/usr/bin:/bin";
        start.Environment["LC_ALL"] = "C";
        if (!OperatingSystem.IsWindows() && Find(program) is { } whole) start.FileName = whole;
        Process? process;
        try { process = Process.Start(start); }
        catch (Win32Exception) { return null; }
        if (process is null) return null;
        using (process)
        {
            using var limit = CancellationTokenSource.CreateLinkedTokenSource(cancel);
            limit.CancelAfter(Patience);
            try
            {
                var errors = process.StandardError.ReadToEndAsync(limit.Token);
                var text = await process.StandardOutput.ReadToEndAsync(limit.Token);
                await errors;
                await process.WaitForExitAsync(limit.Token);
                return process.ExitCode != 0 ? null : text.Length > MostLetters ? text[..MostLetters] : text;
            }
            catch (OperationCanceledException)
            {
                process.Kill(entireProcessTree: true);
                cancel.ThrowIfCancellationRequested();
                return null;
            }
        }
    }

    /// <summary>An ordinary user's search path may leave out where the network tools are.</summary>
    private static string? Find(string program) =>
        new[] { "/usr/sbin", "/sbin", "/usr/bin", "/bin" }.Select(folder => Path.Combine(folder, program)).FirstOrDefault(File.Exists);
}
