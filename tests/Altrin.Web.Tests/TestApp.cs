using System.Net;
using System.Net.Http.Json;
using System.Runtime.CompilerServices;
using System.Text;
using System.Text.Json.Nodes;
using Altrin.Tests;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;

namespace Altrin.Web.Tests;

/// <summary>The real application in memory, on a real SQLite file of its own.</summary>
public sealed class TestApp : IDisposable
{
    private readonly WebApplicationFactory<AltrinServer.EntryPoint> factory;
    private readonly bool keepsData;

    public TestApp(string? data = null, params (string Name, string Value)[] settings)
    {
        Data = data ?? Directory.CreateTempSubdirectory("altrin-test-").FullName;
        keepsData = data is not null;
        factory = new WebApplicationFactory<AltrinServer.EntryPoint>().WithWebHostBuilder(host =>
        {
            host.UseSetting("data", Data);
            foreach (var (name, value) in settings) host.UseSetting(name, value);
        });
        Client = factory.CreateClient(new() { BaseAddress = new("http://localhost:5080") });
        // A machine at work on other things may take minutes over plans: no test fails by that.
        Client.Timeout = Timeout.InfiniteTimeSpan;
    }

    public static string Root { get; } = FindRoot();

    public string Data { get; }
    public HttpClient Client { get; }

    public static string Example(string name) => File.ReadAllText(Path.Combine(Root, "docs", "examples", $"{name}.json"));

    public async Task<JsonNode> NewJob(string from = "demo") => await Json(await Client.PostAsJsonAsync("/api/jobs", new { from }));

    public Task<HttpResponseMessage> Do(JsonNode job, string side, params object[] actions) =>
        Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/{side}/deeds", new { version = (int)job["version"]!, actions });

    public Task<HttpResponseMessage> Send(string method, string path, string body, params (string Name, string Value)[] headers)
    {
        var request = new HttpRequestMessage(new(method), path) { Content = new StringContent(body, Encoding.UTF8, "application/json") };
        foreach (var (name, value) in headers) request.Headers.TryAddWithoutValidation(name, value);
        return Client.SendAsync(request);
    }

    public static async Task<JsonNode> Json(HttpResponseMessage response, HttpStatusCode status = HttpStatusCode.OK)
    {
        var text = await response.Content.ReadAsStringAsync();
        Assert.True(response.StatusCode == status, $"{(int)response.StatusCode}: {text}");
        return WholeJob.Of(JsonNode.Parse(text)!);
    }

    /// <summary>The next start on the same folder; this one has ended by then.</summary>
    public TestApp Again()
    {
        Client.Dispose();
        factory.Dispose();
        return new(Data);
    }

    public void Dispose()
    {
        Client.Dispose();
        factory.Dispose();
        if (!keepsData) Directory.Delete(Data, recursive: true);
    }

    private static string FindRoot([CallerFilePath] string here = "")
    {
        var folder = Path.GetDirectoryName(here)!;
        while (!File.Exists(Path.Combine(folder, "altrin"))) folder = Path.GetDirectoryName(folder)!;
        return folder;
    }
}
