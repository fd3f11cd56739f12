using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using System.Runtime.CompilerServices;

namespace Altrin.Browser.Tests;

/// <summary>The built program with the built pages and a data folder of its own; it can be stopped and started again.</summary>
public sealed class Server : IDisposable
{
    private Process? process;

    public Server()
    {
        Data = Directory.CreateTempSubdirectory("altrin-browser-").FullName;
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        Port = ((IPEndPoint)listener.LocalEndpoint).Port;
        listener.Stop();
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
        process!.Kill(entireProcessTree: true);
        process.WaitForExit();
    }

    public void Dispose()
    {
        process?.Kill(entireProcessTree: true);
        process?.WaitForExit();
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
