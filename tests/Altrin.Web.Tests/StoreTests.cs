using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Altrin.Core.Network;
using Altrin.Data;
using Microsoft.Data.Sqlite;

namespace Altrin.Web.Tests;

public class StoreTests
{
    [Fact]
    public async Task An_empty_file_is_brought_to_the_present_form_with_a_write_ahead_log()
    {
        var folder = Directory.CreateTempSubdirectory("altrin-test-").FullName;
        var file = Path.Combine(folder, "deeper", "altrin.db");
        var store = new JobStore(file, TimeProvider.System);
        store.Prepare();
        store.Prepare();        // a second start finds everything done
        await store.Create(new NetworkDocument { Name = "House" }, CancellationToken.None);
        Assert.Single(await store.List(CancellationToken.None));
        await using (var db = new SqliteConnection($"Data Source={file}"))
        {
            await db.OpenAsync();
            var ask = db.CreateCommand();
            ask.CommandText = "PRAGMA journal_mode";
            Assert.Equal("wal", await ask.ExecuteScalarAsync());
        }
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    /// <summary>The real program, killed without warning in the middle of a row of changes: what was answered for is there.</summary>
    [Fact]
    public async Task Killing_the_process_loses_nothing_that_was_confirmed()
    {
        var folder = Directory.CreateTempSubdirectory("altrin-test-").FullName;
        var confirmed = "";
        string id;
        using (var first = Start(folder, out var client))
        {
            var job = await TestApp.Json(await client.PostAsJsonAsync("/api/jobs", new { from = "demo" }));
            id = (string)job["id"]!;
            var writing = Task.Run(async () =>
            {
                var version = 1;
                for (var n = 2; n < 250; n++)
                {
                    var address = $"192.168.{n}.1/24";
                    var answer = await client.PostAsJsonAsync($"/api/jobs/{id}/found/deeds",
                        new { version, actions = new[] { new { @do = "set-lan-address", device = "studio", address } } });
                    version = (int)(await TestApp.Json(answer))["version"]!;
                    Volatile.Write(ref confirmed, address);
                }
            });
            var patience = Stopwatch.StartNew();
            while (Volatile.Read(ref confirmed).Length == 0 || patience.ElapsedMilliseconds < 1200) await Task.Delay(20);
            first.Kill(entireProcessTree: true);
            await Assert.ThrowsAnyAsync<Exception>(() => writing);
        }
        using var second = Start(folder, out var again);
        var after = await TestApp.Json(await again.GetAsync($"/api/jobs/{id}"));
        var kept = (string)after["found"]!["document"]!["devices"]![1]!["lan"]!["address"]!;
        // The change after the last answer may have been written too; never one before it.
        Assert.True(Third(kept) >= Third(confirmed), $"{confirmed} was confirmed, {kept} is there");
        second.Kill(entireProcessTree: true);
        await second.WaitForExitAsync();
        Directory.Delete(folder, recursive: true);

        static int Third(string address) => int.Parse(address.Split('.')[2]);
    }

    private static Process Start(string data, out HttpClient client)
    {
        var port = 15000 + Environment.ProcessId % 2000 + Random.Shared.Next(4000);
        var process = Process.Start(new ProcessStartInfo("dotnet", [typeof(AltrinServer).Assembly.Location, "--data", data, "--port", $"{port}"]) { RedirectStandardOutput = true, RedirectStandardError = true })!;
        client = new() { BaseAddress = new($"http://localhost:{port}"), Timeout = TimeSpan.FromSeconds(20) };
        var patience = Stopwatch.StartNew();
        while (true)
        {
            try
            {
                client.GetAsync("/api/jobs").GetAwaiter().GetResult().EnsureSuccessStatusCode();
                return process;
            }
            catch (HttpRequestException) when (patience.Elapsed < TimeSpan.FromSeconds(30) && !process.HasExited)
            {
                Thread.Sleep(50);
            }
        }
    }
}
