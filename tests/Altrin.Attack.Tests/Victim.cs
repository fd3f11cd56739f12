using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;
using System.Runtime.CompilerServices;
using System.Text.Json.Nodes;
using Altrin.Web;

namespace Altrin.Attack.Tests;

/// <summary>The real program in a process of its own, on a data folder that outlives it.</summary>
internal sealed class Victim : IDisposable
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(60);

    private readonly Process process;

    private Victim(Process process, int port)
    {
        this.process = process;
        Client = new() { BaseAddress = new($"http://localhost:{port}"), Timeout = TimeSpan.FromMinutes(2) };
    }

    public HttpClient Client { get; }
    public int ProcessId => process.Id;
    public bool HasEnded => process.HasExited;

    public long ResidentBytes
    {
        get
        {
            process.Refresh();
            return process.WorkingSet64;
        }
    }

    /// <summary>What it has had of the processor.</summary>
    public TimeSpan Worked
    {
        get
        {
            process.Refresh();
            return process.TotalProcessorTime;
        }
    }

    /// <summary>Where the repository is: from this very file.</summary>
    public static string Root { get; } = FindRoot();

    /// <summary>Not waited for: it may be killed before it serves.</summary>
    public static Victim Begin(string data, params string[] more)
    {
        var port = FreePort();
        var start = new ProcessStartInfo("dotnet", Words(data, port, more)) { RedirectStandardOutput = true, RedirectStandardError = true };
        // As ./altrin starts it.
        start.Environment["DOTNET_GCgen0size"] = "400000";
        return new(Process.Start(start)!, port);
    }

    /// <summary>On a machine that keeps the memory of what crashes, as a file beside it.</summary>
    public static async Task<Victim> ThatLeavesCores(string folder, string data)
    {
        var port = FreePort();
        var victim = new Victim(Process.Start(new ProcessStartInfo("bash", ["-c", "ulimit -c unlimited; exec dotnet \"$@\"", "bash", .. Words(data, port, [])]) { WorkingDirectory = folder, RedirectStandardOutput = true, RedirectStandardError = true })!, port);
        return await victim.Served();
    }

    /// <summary>With no more rights than its data folder gives; null where the program cannot be read with so few.</summary>
    public static async Task<Victim?> AsNobody(string data)
    {
        string[] nobody = ["--reuid=65534", "--regid=65534", "--clear-groups"];
        var port = FreePort();
        var words = Words(data, port, []);
        using (var asked = Process.Start("setpriv", [.. nobody, "test", "-r", words[0]]))
        {
            await asked.WaitForExitAsync();
            if (asked.ExitCode != 0) return null;
        }
        var start = new ProcessStartInfo("setpriv", [.. nobody, "dotnet", .. words]) { WorkingDirectory = data, RedirectStandardOutput = true, RedirectStandardError = true };
        start.Environment["HOME"] = data;
        return new Victim(Process.Start(start)!, port);
    }

    // The program as it is built for use where there is one: it starts in half the time.
    private static string[] Words(string data, int port, string[] more)
    {
        var built = Path.Combine(Root, "build", "app", "altrin-web.dll");
        var program = File.Exists(built) ? built : typeof(AltrinServer).Assembly.Location;
        return [program, "--data", data, "--port", $"{port}", "--web", Path.Combine(Root, "web", "dist"), .. more];
    }

    public static Task<Victim> Serving(string data, params string[] more) => Begin(data, more).Served();

    /// <summary>Once it answers.</summary>
    public async Task<Victim> Served()
    {
        var since = Stopwatch.StartNew();
        while (true)
        {
            try
            {
                (await Client.GetAsync("/api/jobs")).EnsureSuccessStatusCode();
                return this;
            }
            catch (HttpRequestException) when (since.Elapsed < Patience && !process.HasExited) { await Task.Delay(25); }
            catch (HttpRequestException)
            {
                Kill();
                Assert.Fail($"It does not serve: {await process.StandardError.ReadToEndAsync()}");
            }
        }
    }

    /// <summary>A picture as a telephone takes one.</summary>
    public static byte[] Picture { get; } = File.ReadAllBytes(Directory.GetFiles(Path.Combine(Root, "docs", "screenshots"), "*.png").Order().First());

    /// <summary>What it said while it did not start.</summary>
    public async Task<string> Refusal()
    {
        using var patience = new CancellationTokenSource(Patience);
        await process.WaitForExitAsync(patience.Token);
        return (await process.StandardError.ReadToEndAsync(patience.Token)).Trim();
    }

    /// <summary>As a power cut would.</summary>
    public void Kill()
    {
        if (!process.HasExited) process.Kill(entireProcessTree: true);
        process.WaitForExit();
    }

    /// <summary>As the system ends a program that has used up its time: it leaves its memory in a file, where nothing forbids it.</summary>
    public void Crash()
    {
        Process.Start("kill", ["-XCPU", $"{process.Id}"]).WaitForExit();
        if (!process.WaitForExit(15_000)) Assert.Fail("It outlives its own end.");
    }

    /// <summary>As Ctrl+C would.</summary>
    public void End()
    {
        if (!process.HasExited) Process.Start("kill", ["-TERM", $"{process.Id}"]).WaitForExit();
        if (!process.WaitForExit(15_000)) Assert.Fail("It does not end when it is told to.");
    }

    public async Task<JsonNode> NewJob(string from = "demo") => await Json(await Client.PostAsJsonAsync("/api/jobs", new { from }));

    public Task<HttpResponseMessage> Rename(string job, int version, string name, string side = "found") =>
        Client.PostAsJsonAsync($"/api/jobs/{job}/{side}/deeds", new { version, id = Guid.NewGuid().ToString("N"), actions = new[] { new { @do = "rename", id = "printer", name } } });

    public static async Task<JsonNode> Json(HttpResponseMessage answer)
    {
        var text = await answer.Content.ReadAsStringAsync();
        Assert.True(answer.IsSuccessStatusCode, $"{(int)answer.StatusCode}: {text[..Math.Min(text.Length, 400)]}");
        return JsonNode.Parse(text)!;
    }

    public void Dispose()
    {
        Kill();
        process.Dispose();
        Client.Dispose();
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }

    private static string FindRoot([CallerFilePath] string here = "")
    {
        var folder = Path.GetDirectoryName(here)!;
        while (!File.Exists(Path.Combine(folder, "altrin"))) folder = Path.GetDirectoryName(folder)!;
        return folder;
    }
}

/// <summary>A data folder of a test's own.</summary>
internal sealed class Folder : IDisposable
{
    public string Path { get; } = Directory.CreateTempSubdirectory("altrin-attack-").FullName;

    public void Dispose() => Directory.Delete(Path, recursive: true);
}
