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

    /// <param name="share">It answers a phone too; nobody else shall have it then.</param>
    public Server(bool share = false)
    {
        Data = Directory.CreateTempSubdirectory("altrin-browser-").FullName;
        Port = FreePort();
        if (share) (DoorPort, isSpoilt) = (FreePort(), true);
        All.Add(this);
        Start();
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }

    public static string Root { get; } = FindRoot();

    public string Data { get; }
    public int Port { get; }
    private int DoorPort { get; }

    /// <summary>Where a phone calls. Any machine has this address; a house's own would be another.</summary>
    public string Door => $"https://{DoorAddress}:{DoorPort}";

    /// <summary>The laptop's address in the house's network; it changes while the program is stopped.</summary>
    public string DoorAddress { get; set; } = "127.0.0.1";

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
        process = Process.Start("dotnet", [program, "--data", Data, "--demo", "true", "--port", $"{Port}", "--web", Path.Combine(Root, "web", "dist"),
            .. DoorPort == 0 ? Array.Empty<string>() : ["--share", "true", "--share-address", DoorAddress, "--share-port", $"{DoorPort}"]]);
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
