using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Altrin.Core.Network;
using Altrin.Data;
using Altrin.UseCases;
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
        await JobsOf(file, store).Create(new NetworkDocument { Name = "House" }, CancellationToken.None);
        Assert.Single(await store.List(null, 10, CancellationToken.None));
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

    /// <summary>A commit may take its time on a slow disk. Whoever of the same program comes meanwhile waits his turn, and is not told that
    /// another program holds the file.</summary>
    [Fact]
    public async Task Who_writes_while_another_of_the_program_writes_waits_however_long_that_takes()
    {
        var folder = Directory.CreateTempSubdirectory("altrin-test-").FullName;
        var file = Path.Combine(folder, "altrin.db");
        var store = new JobStore(file, TimeProvider.System);
        store.Prepare();
        var jobs = JobsOf(file, store);
        var begun = new TaskCompletionSource();
        var slow = store.InTurn(async () =>
        {
            await using var db = new SqliteConnection($"Data Source={file};Pooling=False");
            await db.OpenAsync();
            var hold = db.CreateCommand();
            hold.CommandText = "BEGIN IMMEDIATE";
            await hold.ExecuteNonQueryAsync();
            begun.SetResult();
            // Longer than another program is waited for.
            await Task.Delay(3500);
            return 0;
        }, CancellationToken.None);
        await begun.Task;
        // Four come at once; each is served.
        await Task.WhenAll(Enumerable.Range(0,
            4).Select(n => jobs.Create(new NetworkDocument { Name = $"House {n}" }, CancellationToken.None)));
        Assert.True(slow.IsCompleted, "somebody wrote out of turn");
        Assert.Equal(4, (await store.List(null, 10, CancellationToken.None)).Length);
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    private static Jobs JobsOf(string file, JobStore store) =>
        new(store, new Recent(), new OwnKinds(Path.Combine(Path.GetDirectoryName(file)!, "kit")));

    private static async Task<object?> Ask(string file, string sql)
    {
        await using var db = new SqliteConnection($"Data Source={file};Pooling=False");
        await db.OpenAsync();
        var ask = db.CreateCommand();
        ask.CommandText = sql;
        return await ask.ExecuteScalarAsync();
    }

    private static string Folder() => Directory.CreateTempSubdirectory("altrin-test-").FullName;

    /// <summary>A database as the earlier program wrote it: two deeds planned, a third taken back, the house as found corrected in
    /// between.</summary>
    private static async Task<string> FirstForm()
    {
        var folder = Folder();
        await Ask(Path.Combine(folder, "altrin.db"),
            await File.ReadAllTextAsync(Path.Combine(TestApp.Root, "tests", "Altrin.Web.Tests", "data", "first-form.sql")));
        return folder;
    }

    [Fact]
    public async Task A_database_of_the_first_form_is_taken_over_with_its_plan_and_its_undo()
    {
        using var app = new TestApp(await FirstForm());
        var line = Assert.Single((await TestApp.Json(await app.Client.GetAsync("/api/jobs"))).AsArray())!;
        var job = await TestApp.Json(await app.Client.GetAsync($"/api/jobs/{line["id"]}"));
        Assert.Equal((7, 2, "Gateway in the hall"),
            ((int)job["version"]!, (int)job["plan"]!["deeds"]!, (string)job["planned"]!["document"]!["devices"]![0]!["name"]!));
        Assert.Equal("192.168.31.2/24", (string)job["planned"]!["document"]!["devices"]![1]!["lan"]!["address"]!);
        Assert.Equal("Move the cable from Studio router WAN to Studio router LAN 2", (string)job["planned"]!["redo"]!);
        job = await TestApp.Json(await app.Client.PostAsJsonAsync($"/api/jobs/{line["id"]}/planned/redo", new { version = 7 }));
        Assert.Equal("lan2", (string)job["planned"]!["document"]!["cables"]![0]!["b"]!["port"]!);
        job = await TestApp.Json(await app.Client.PostAsJsonAsync($"/api/jobs/{line["id"]}/found/undo", new { version = 8 }));
        Assert.Equal(("Hall gateway", "Old printer"), ((string)job["found"]!["document"]!["devices"]![0]!["name"]!,
            (string)job["found"]!["document"]!["endpoints"]!.AsArray().Single(thing => (string)thing!["id"]! == "printer")!["name"]!));
    }

    /// <summary>The lock of the migration itself is a row: one that a killed start left behind keeps nobody out.</summary>
    [Fact]
    public async Task A_start_that_was_cut_short_in_its_migration_keeps_no_later_one_from_serving()
    {
        var folder = await FirstForm();
        await Ask(Path.Combine(folder, "altrin.db"), """
            CREATE TABLE IF NOT EXISTS "__EFMigrationsLock" ("Id" INTEGER NOT NULL CONSTRAINT "PK___EFMigrationsLock" PRIMARY KEY, "Timestamp" TEXT NOT NULL);
            INSERT INTO "__EFMigrationsLock" VALUES (1, '2026-01-01 00:00:00');
            """);
        var started = Task.Run(() => new JobStore(Path.Combine(folder, "altrin.db"), TimeProvider.System).Prepare());
        Assert.Same(started, await Task.WhenAny(started, Task.Delay(TimeSpan.FromMinutes(5))));
        await started;
    }

    [Fact]
    public async Task A_start_says_its_address_when_it_answers_and_no_sooner()
    {
        var (folder, port) = (Folder(), FreePort());
        using var process = Process.Start(Program(folder, port))!;
        var line = await process.StandardOutput.ReadLineAsync().WaitAsync(TimeSpan.FromMinutes(5));
        Assert.StartsWith($"Altrin: http://localhost:{port}", line, StringComparison.Ordinal);
        using var client = new HttpClient();
        Assert.True((await client.GetAsync($"http://localhost:{port}/api/jobs")).IsSuccessStatusCode);
        process.Kill(entireProcessTree: true);
    }

    [Fact]
    public async Task A_job_that_cannot_be_read_is_listed_taken_out_and_set_back_and_hides_no_other()
    {
        var folder = Folder();
        string id;
        using (var first = new TestApp(folder))
        {
            id = (string)(await first.NewJob())["id"]!;
            await first.NewJob("demo-farm");
            var renamed = await first.Client.PostAsJsonAsync($"/api/jobs/{id}/found/deeds",
                new { version = 1, actions = new[] { new { @do = "rename", id = "gw", name = "Box" } } });
            Assert.True(renamed.IsSuccessStatusCode);
        }
        SqliteConnection.ClearAllPools();
        await Ask(Path.Combine(folder, "altrin.db"),
            $"UPDATE revisions SET Actions = '[{{\"do\":\"no-such-deed\"}}]' WHERE JobId = '{id}' AND Side = 'Found' AND Number = 2; UPDATE jobs SET SummaryBy = 'older'");
        using var app = new TestApp(folder);
        var list = (await TestApp.Json(await app.Client.GetAsync("/api/jobs"))).AsArray();
        Assert.Equal(2, list.Count);
        var bad = list.Single(line => (string)line!["id"]! == id)!;
        Assert.Contains("Revision 2 of the house as found", (string)bad["unreadable"]!, StringComparison.Ordinal);
        Assert.Null(list.Single(line => line != bad)!["unreadable"]);
        Assert.Equal(System.Net.HttpStatusCode.Conflict, (await app.Client.GetAsync($"/api/jobs/{id}")).StatusCode);
        Assert.Contains("no-such-deed", await app.Client.GetStringAsync($"/api/jobs/{id}/as-stored"), StringComparison.Ordinal);
        var back = await TestApp.Json(await app.Client.PostAsJsonAsync($"/api/jobs/{id}/set-back", new { version = (int)bad["version"]! }));
        Assert.Equal("Hall gateway", (string)back["found"]!["document"]!["devices"]![0]!["name"]!);
        Assert.Null((await TestApp.Json(await app.Client.GetAsync("/api/jobs"))).AsArray().Single(line =>
            (string)line!["id"]! == id)!["unreadable"]);
    }

    [Fact]
    public async Task The_list_of_jobs_reads_no_house()
    {
        var folder = Folder();
        using (var first = new TestApp(folder)) await first.NewJob();
        SqliteConnection.ClearAllPools();
        // With the houses gone the list is still told from what is stored beside the job.
        await Ask(Path.Combine(folder, "altrin.db"), "DELETE FROM revisions");
        using var app = new TestApp(folder);
        Assert.Equal(7, (int)(await TestApp.Json(await app.Client.GetAsync("/api/jobs")))[0]!["found"]!["wants"]!);
    }

    [Fact]
    public async Task A_database_that_cannot_be_written_is_said_to_be_so_and_not_to_be_another_tab()
    {
        var folder = Folder();
        using var app = new TestApp(folder);
        var job = await app.NewJob();
        await using var holder = new SqliteConnection($"Data Source={Path.Combine(folder, "altrin.db")};Pooling=False");
        await holder.OpenAsync();
        var command = holder.CreateCommand();
        command.CommandText = "CREATE TRIGGER full BEFORE INSERT ON revisions BEGIN SELECT RAISE(FAIL, 'database or disk is full'); END";
        await command.ExecuteNonQueryAsync();
        var raised = await app.Do(job, "found", new { @do = "rename", id = "gw", name = "Box" });
        // A trigger's own failure is a constraint to SQLite; what is asked here is that a real trouble is told from a race.
        Assert.Equal(System.Net.HttpStatusCode.Conflict, raised.StatusCode);
        command.CommandText = "DROP TRIGGER full; DROP TABLE changes";
        await command.ExecuteNonQueryAsync();
        var trouble = await app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/found/deeds",
            new { version = 1, id = "x", actions = new[] { new { @do = "rename", id = "gw", name = "Box" } } });
        var said = await TestApp.Json(trouble, System.Net.HttpStatusCode.ServiceUnavailable);
        Assert.Contains("Nothing was written", (string)said["title"]!, StringComparison.Ordinal);
    }

    /// <summary>A snapshot now and then: two thousand edits stay small and the last is as quick to read as the first.</summary>
    [Fact]
    public async Task A_long_history_stays_small_and_is_read_back_to_the_letter()
    {
        var file = Path.Combine(Folder(), "altrin.db");
        var store = new JobStore(file, TimeProvider.System);
        store.Prepare();
        var jobs = JobsOf(file, store);
        var id = await jobs.Create(Altrin.Core.Documents.DocumentReader.Read(TestApp.Example("larkspur-house")).Document!,
            CancellationToken.None);
        for (var n = 1; n <= 400; n++)
            foreach (var side in new[] { Side.Found, Side.Planned })
                Assert.Equal(ChangeResult.Done,
                    (await jobs.Apply(id, side, new((2 * n) - (side == Side.Found ? 1 : 0)),
                    [new Altrin.Core.Actions.Rename("printer", $"Printer {n}")], null, CancellationToken.None)).Result);
        var before = await jobs.Find(id, CancellationToken.None);
        var anew = await JobsOf(file, new JobStore(file, TimeProvider.System)).Find(id, CancellationToken.None);
        Assert.Equal(Altrin.Core.Documents.AltrinJson.Write(before!.Found.Document),
            Altrin.Core.Documents.AltrinJson.Write(anew!.Found.Document));
        Assert.Equal((400, "Printer 400"), (anew.Plan.Length, anew.Planned.Document.NameOf("printer")));
        SqliteConnection.ClearAllPools();
        var letters = (long)(await Ask(file, "SELECT SUM(length(Actions) + coalesce(length(Snapshot), 0)) FROM revisions"))!;
        Assert.True(letters < 800 * 400, $"{letters} letters for 800 edits of a house of 5,000");
    }

    private static int FreePort() => 15000 + Environment.ProcessId % 2000 + Random.Shared.Next(4000);

    // The program as it is built for use where there is one: it starts in half the time.
    private static readonly string Built = Path.Combine(TestApp.Root, "build", "app", "altrin-web.dll");

    private static ProcessStartInfo Program(string data, int port) =>
        new("dotnet",
            [File.Exists(Built) ? Built
            : typeof(AltrinServer).Assembly.Location, "--data", data, "--port", $"{port}"])
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true
        };
}
