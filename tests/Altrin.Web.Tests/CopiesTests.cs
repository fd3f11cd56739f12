using System.Net;
using System.Net.Http.Json;
using System.Text;
using Altrin.Data;
using Altrin.Web.Cli;
using Microsoft.Data.Sqlite;

namespace Altrin.Web.Tests;

/// <summary>A copy at each start, put back from the page or the command line; a damaged database is never written over.</summary>
public sealed class CopiesTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("altrin-copies-").FullName;

    private string Database => Path.Combine(folder, "altrin.db");

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    private async Task<string> WithJob(string name)
    {
        using var app = new TestApp(folder);
        return (string)(await TestApp.Json(await app.Client.PostAsJsonAsync("/api/jobs", new { from = "demo", name })))["id"]!;
    }

    private (int Code, string Said) Restore(params string[] words)
    {
        SqliteConnection.ClearAllPools();
        using var output = new StringWriter();
        using var error = new StringWriter();
        var code = RestoreCommand.Run(["--data", folder, .. words], output, error);
        return (code, $"{output}{error}".Trim());
    }

    private async Task<string[]> Names()
    {
        using var app = new TestApp(folder);
        return [.. (await TestApp.Json(await app.Client.GetAsync("/api/jobs"))).AsArray().Select(job => (string)job!["name"]!).Order()];
    }

    [Fact]
    public async Task Each_start_keeps_a_copy_of_what_has_changed_and_three_at_most()
    {
        for (var n = 1; n <= 5; n++) await WithJob($"House {n}");
        var copies = new Copies(Database, TimeProvider.System);
        // Of the starts two to five; the newest three.
        Assert.Equal([4, 3, 2], copies.All().Select(copy => copy.Jobs));
        Assert.Equal(["House 4", "House 3", "House 2"], copies.All().Select(copy => copy.Last!));
        // Nothing new: what is kept stays, and a row of idle starts pushes nothing out.
        await Names();
        await Names();
        await Names();
        Assert.Equal([5, 4, 3], copies.All().Select(copy => copy.Jobs));
        // Three files, and nothing that a look at them left behind.
        Assert.Equal(3, Directory.GetFiles(Path.Combine(folder, "copies")).Length);
        if (OperatingSystem.IsWindows()) return;
        foreach (var file in Directory.GetFiles(Path.Combine(folder, "copies"))) Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(file));
    }

    [Fact]
    public async Task From_the_command_line_a_copy_is_put_back_and_what_was_there_is_kept_aside()
    {
        await WithJob("Elm Cottage");
        await WithJob("Birch Cottage");
        var (listed, list) = Restore();
        Assert.Equal(0, listed);
        Assert.Contains("is in order", list, StringComparison.Ordinal);
        Assert.Contains("1 job, the last changed", list, StringComparison.Ordinal);
        // House names are for the page: a terminal's scroll-back is read by others.
        Assert.DoesNotContain("Cottage", list, StringComparison.Ordinal);
        Assert.Equal(2, Restore("9").Code);
        Assert.Contains("Say a number from 1 to 1", Restore("9").Said, StringComparison.Ordinal);
        var (code, said) = Restore("1");
        Assert.True(code == 0, said);
        Assert.Contains("What was there is kept in ", said, StringComparison.Ordinal);
        Assert.Equal(["Elm Cottage"], await Names());
        Assert.Single(Directory.GetFiles(Path.Combine(folder, "aside"), "altrin.db", SearchOption.AllDirectories));
    }

    [Theory]
    [InlineData("cut")]
    [InlineData("overwritten in the middle")]
    [InlineData("not a database")]
    public async Task A_damaged_database_is_said_left_alone_and_a_copy_takes_its_place(string how)
    {
        await WithJob("Elm Cottage");
        await WithJob("Birch Cottage");
        SqliteConnection.ClearAllPools();
        foreach (var log in new[] { "-wal", "-shm" }) File.Delete(Database + log);
        var bytes = await File.ReadAllBytesAsync(Database, TestContext.Current.CancellationToken);
        byte[] damaged = how switch
        {
            "cut" => bytes[..(bytes.Length / 2)],
            "not a database" => Encoding.UTF8.GetBytes(new string('x', 9000)),
            _ => [.. bytes[..8192], .. Enumerable.Repeat((byte)0x5a, 4096 * 3), .. bytes[(8192 + 4096 * 3)..]],
        };
        await File.WriteAllBytesAsync(Database, damaged, TestContext.Current.CancellationToken);
        using var error = new StringWriter();
        Assert.Equal(1, await AltrinServer.Run(["--data", folder, "--port", "5999"], error));
        Assert.Contains("is damaged or is none", error.ToString(), StringComparison.Ordinal);
        Assert.Contains("./altrin restore", error.ToString(), StringComparison.Ordinal);
        Assert.Equal(damaged, await File.ReadAllBytesAsync(Database, TestContext.Current.CancellationToken));
        Assert.Contains("damaged", Restore().Said, StringComparison.Ordinal);
        Assert.Equal(0, Restore("1").Code);
        Assert.Equal(["Elm Cottage"], await Names());
        var aside = Assert.Single(Directory.GetFiles(Path.Combine(folder, "aside"), "altrin.db", SearchOption.AllDirectories));
        Assert.Equal(damaged, await File.ReadAllBytesAsync(aside, TestContext.Current.CancellationToken));
    }

    [Fact]
    public async Task By_consent_a_damaged_database_is_moved_away_and_the_next_start_begins_anew()
    {
        await File.WriteAllTextAsync(Database, new string('x', 5000), TestContext.Current.CancellationToken);
        Assert.Equal(0, Restore("aside").Code);
        Assert.Empty(await Names());
    }

    [Fact]
    public async Task A_database_of_a_newer_program_is_left_as_it_is()
    {
        await WithJob("Elm Cottage");
        SqliteConnection.ClearAllPools();
        await using (var database = new SqliteConnection($"Data Source={Database};Pooling=False"))
        {
            await database.OpenAsync(TestContext.Current.CancellationToken);
            var command = database.CreateCommand();
            command.CommandText = """INSERT INTO "__EFMigrationsHistory" VALUES ('29991231000000_Later', '99.0')""";
            await command.ExecuteNonQueryAsync(TestContext.Current.CancellationToken);
        }
        using var error = new StringWriter();
        Assert.Equal(1, await AltrinServer.Run(["--data", folder, "--port", "5998"], error));
        Assert.Contains("newer Altrin", error.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_programs_never_serve_one_folder()
    {
        using var first = new TestApp(folder);
        await first.NewJob();
        using var error = new StringWriter();
        Assert.Equal(1, await AltrinServer.Run(["--data", folder, "--port", "5997"], error));
        Assert.Contains("Another Altrin is running", error.ToString(), StringComparison.Ordinal);
        Assert.Equal(2, Restore("aside").Code);
        Assert.Contains("Another Altrin is running", Restore("1").Said, StringComparison.Ordinal);
        Assert.True(File.Exists(Database));
    }

    [Fact]
    public async Task From_the_page_a_copy_is_put_back_while_the_program_runs_and_nobody_takes_the_old_state_for_the_new()
    {
        await WithJob("Elm Cottage");
        using var app = new TestApp(folder);
        var job = (await TestApp.Json(await app.Client.GetAsync("/api/jobs")))[0]!;
        var id = (string)job["id"]!;
        var copy = (string)(await TestApp.Json(await app.Client.GetAsync("/api/copies")))[0]!["name"]!;
        var before = await TestApp.Json(await app.Client.GetAsync($"/api/jobs/{id}"));
        for (var n = 0; n < 3; n++) before = await TestApp.Json(await app.Do(before, "found", new { @do = "rename", id = "gw", name = $"Box {n}" }));
        Assert.Contains("Box 2", before.ToJsonString(), StringComparison.Ordinal);
        var after = await TestApp.Json(await app.Client.PostAsJsonAsync($"/api/copies/{copy}/put-back", new { }));
        // What was there is a copy of its own, so that this is undone in the same way.
        Assert.Contains(after.AsArray(), one => (bool)one!["isBefore"]!);
        var now = await TestApp.Json(await app.Client.GetAsync($"/api/jobs/{id}"));
        Assert.DoesNotContain("Box 2", now.ToJsonString(), StringComparison.Ordinal);
        Assert.True((int)now["version"]! > (int)before["version"]!);
        // Who still looks at what was there is told so.
        Assert.Equal(HttpStatusCode.Conflict, (await app.Do(before, "found", new { @do = "rename", id = "gw", name = "Late" })).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await app.Do(now, "found", new { @do = "rename", id = "gw", name = "In time" })).StatusCode);
        var back = (string)after.AsArray().First(one => (bool)one!["isBefore"]!)!["name"]!;
        await TestApp.Json(await app.Client.PostAsJsonAsync($"/api/copies/{back}/put-back", new { }));
        Assert.Contains("Box 2", (await TestApp.Json(await app.Client.GetAsync($"/api/jobs/{id}"))).ToJsonString(), StringComparison.Ordinal);
        await TestApp.Json(await app.Client.PostAsJsonAsync("/api/copies/..%2F..%2Fetc/put-back", new { }), HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task What_is_secret_of_a_deleted_job_goes_from_the_copies_too()
    {
        var planted = Guid.NewGuid().ToString("N");
        string id, other;
        using (var app = new TestApp(folder))
        {
            id = (string)(await app.NewJob())["id"]!;
            other = (string)(await app.NewJob())["id"]!;
            foreach (var job in new[] { id, other })
                await TestApp.Json(await app.Client.PutAsJsonAsync($"/api/jobs/{job}/secrets", new { name = "wifi", value = planted }));
        }
        SqliteConnection.ClearAllPools();
        using var again = new TestApp(folder);
        var copies = new Copies(Database, TimeProvider.System);
        Assert.Equal(2L, await InCopies("SELECT COUNT(*) FROM secrets"));
        var sealedWords = Convert.ToHexString((byte[])(await InCopies($"SELECT Sealed FROM secrets WHERE JobId = '{id}'"))!);
        Assert.Equal(HttpStatusCode.NoContent, (await again.Client.DeleteAsync($"/api/jobs/{id}")).StatusCode);
        Assert.Equal(1L, await InCopies("SELECT COUNT(*) FROM secrets"));
        Assert.Equal(2L, await InCopies("SELECT COUNT(*) FROM jobs"));
        // Not only left out of the list: overwritten.
        SqliteConnection.ClearAllPools();
        Assert.All(Directory.GetFiles(Path.Combine(folder, "copies")), file => Assert.DoesNotContain(sealedWords, Convert.ToHexString(File.ReadAllBytes(file)), StringComparison.Ordinal));
        Assert.True((await again.Client.PostAsJsonAsync($"/api/jobs/{other}/secrets/forget", new { name = "wifi" })).IsSuccessStatusCode);
        Assert.Equal(0L, await InCopies("SELECT COUNT(*) FROM secrets"));

        async Task<object?> InCopies(string sql)
        {
            await using var database = new SqliteConnection($"Data Source={Path.Combine(folder, "copies", copies.All()[0].Name)}.db;Pooling=False");
            await database.OpenAsync(TestContext.Current.CancellationToken);
            var command = database.CreateCommand();
            command.CommandText = sql;
            return await command.ExecuteScalarAsync(TestContext.Current.CancellationToken);
        }
    }
}
