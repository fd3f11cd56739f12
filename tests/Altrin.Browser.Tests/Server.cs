using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;
using System.Runtime.CompilerServices;
using System.Text.Json.Nodes;

namespace Altrin.Browser.Tests;

/// <summary>The built program with the built pages and a data folder of its own; it can be stopped and started again.</summary>
public sealed class Server : IDisposable
{
    private static readonly ConcurrentBag<Server> Free = [];
    private static readonly ConcurrentBag<Server> All = [];
    private static readonly HttpClient Client = new();

    private Process? process;
    private bool isSpoilt;

    public static void StopAll()
    {
        foreach (var one in All) one.Dispose();
    }

    /// <summary>One that runs, with the demo houses as sold: starting one takes longer than most tests.</summary>
    public static Server Take() => Free.TryTake(out var server) ? server : new();

    /// <summary>Hands it to the next test with the demo houses anew; one that was stopped, or keeps more than jobs, is put away.</summary>
    public void Leave()
    {
        if (isSpoilt)
        {
            Dispose();
            return;
        }
        foreach (var job in JsonNode.Parse(Client.GetStringAsync($"{Address}/api/jobs").GetAwaiter().GetResult())!.AsArray())
            Client.DeleteAsync($"{Address}/api/jobs/{(string)job!["id"]!}").GetAwaiter().GetResult().EnsureSuccessStatusCode();
        // The farm first: the list has the newest on top, as after a first start.
        foreach (var from in new[] { "demo-farm", "demo-terrace", "demo" })
            Client.PostAsJsonAsync($"{Address}/api/jobs", new { from }).GetAwaiter().GetResult().EnsureSuccessStatusCode();
        Free.Add(this);
    }

    /// <summary>Nobody shall have it after this test.</summary>
    public void Spoil() => isSpoilt = true;

    public Server()
    {
        Data = Directory.CreateTempSubdirectory("altrin-browser-").FullName;
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        Port = ((IPEndPoint)listener.LocalEndpoint).Port;
        listener.Stop();
        All.Add(this);
        Start();
    }

    public static string Root { get; } = FindRoot();

    public string Data { get; }
    public int Port { get; }
    public string Address => $"http://localhost:{Port}";

    public void Restart()
    {
        Stop();
        Start();
    }

    public void Stop()
    {
        isSpoilt = true;
        process!.Kill(entireProcessTree: true);
        process.WaitForExit();
    }

    public void Dispose()
    {
        if (process is null) return;
        process.Kill(entireProcessTree: true);
        process.WaitForExit();
        process = null;
        Directory.Delete(Data, recursive: true);
    }

    public void Start()
    {
        var program = Path.Combine(Root, "build", "app", "altrin-web.dll");
        Assert.True(File.Exists(program), "The program is not built. Run ./altrin test, which builds it first.");
        process = Process.Start("dotnet", [program, "--data", Data, "--demo", "true", "--port", $"{Port}", "--web", Path.Combine(Root, "web", "dist")]);
        using var client = new HttpClient();
        for (var patience = Stopwatch.StartNew(); patience.Elapsed < TimeSpan.FromSeconds(30); Thread.Sleep(50))
        {
            try
            {
                if (client.GetAsync($"{Address}/api/jobs").GetAwaiter().GetResult().IsSuccessStatusCode) return;
            }
            catch (HttpRequestException)
            {
                // Not up yet.
            }
        }
        Assert.Fail("The server did not start within half a minute.");
    }

    private static string FindRoot([CallerFilePath] string here = "")
    {
        var folder = Path.GetDirectoryName(here)!;
        while (!File.Exists(Path.Combine(folder, "altrin"))) folder = Path.GetDirectoryName(folder)!;
        return folder;
    }
}
