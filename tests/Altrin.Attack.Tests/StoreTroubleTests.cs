using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;

namespace Altrin.Attack.Tests;

/// <summary>The store will not take it: what happened is said in words, nothing that was confirmed is lost, and it goes on when the cause
/// is gone.</summary>
public class StoreTroubleTests
{
    /// <summary>A small file system of its own; skipped where that is not allowed.</summary>
    private sealed class SmallDisk : IDisposable
    {
        private readonly Folder folder = new();

        public SmallDisk(string size)
        {
            Assert.SkipUnless(OperatingSystem.IsLinux() && Environment.UserName == "root", "A small disk needs root.");
            Assert.SkipUnless(Run("mount", "-t", "tmpfs", "-o", $"size={size}", "none", folder.Path) == 0,
                "No file system may be mounted here.");
        }

        public string Path => folder.Path;

        public void Remount(string how) => Assert.Equal(0, Run("mount", "-o", $"remount,{how}", folder.Path));

        public void Dispose()
        {
            Run("umount", "-l", folder.Path);
            folder.Dispose();
        }

        private static int Run(string program, params string[] words)
        {
            using var process = Process.Start(new ProcessStartInfo(program, words) { RedirectStandardError = true })!;
            process.WaitForExit();
            return process.ExitCode;
        }
    }

    private static async Task<string> Title(HttpResponseMessage answer)
    {
        var text = await answer.Content.ReadAsStringAsync();
        Assert.True(answer.StatusCode == HttpStatusCode.ServiceUnavailable,
            $"{(int)answer.StatusCode}: {text[..Math.Min(text.Length, 400)]}");
        Assert.NotEmpty(answer.Headers.GetValues("Content-Security-Policy"));
        return (string)JsonNode.Parse(text)!["title"]!;
    }

    /// <summary>Everything that writes, each as a person does it.</summary>
    private static async Task<List<(string Deed, HttpResponseMessage Answer)>> Everything(Victim victim, string job, int version,
        string step)
    {
        var document = await File.ReadAllTextAsync(Path.Combine(Victim.Root, "docs", "examples", "larkspur-house.json"));
        using var picture = new ByteArrayContent(Victim.Picture) { Headers = { ContentType = new("application/octet-stream") } };
        return
        [
            ("edit", await victim.Rename(job, version, new string('x', 190))),
            ("create", await victim.Client.PostAsJsonAsync("/api/jobs", new { from = "demo" })),
            ("import", await victim.Client.PostAsync("/api/jobs/import", new StringContent(document, Encoding.UTF8, "application/json"))),
            ("tick", await victim.Client.PutAsJsonAsync($"/api/jobs/{job}/work-order/{step}", new { revision = 0, outcome = "as-said",
                note = new string('n', 3900) })),
            ("photo", await victim.Client.PostAsync($"/api/jobs/{job}/photos?subject=printer", picture)),
            ("secret", await victim.Client.PutAsJsonAsync($"/api/jobs/{job}/secrets", new { name = "k", value = new string('s', 60) })),
        ];
    }

    private static async Task<(string Job, int Version, string Step)> Planned(Victim victim)
    {
        var job = (string)(await victim.NewJob())["id"]!;
        var plans = await Victim.Json(await victim.Client.PostAsJsonAsync($"/api/jobs/{job}/planned/deeds", new
        {
            version = 1,
            actions = new[] { new { @do = "set-lan-address", device = "studio", address = "192.168.77.1/24" } }
        }));
        var order = await Victim.Json(await victim.Client.GetAsync($"/api/jobs/{job}/work-order"));
        return (job, (int)plans["version"]!, (string)order["order"]!["steps"]![0]!["key"]!);
    }

    [Fact]
    [Trait("part", "disk")]
    public async Task A_full_disk_is_said_nothing_confirmed_is_lost_and_with_room_it_goes_on()
    {
        using var disk = new SmallDisk("12m");
        using var victim = await Victim.Serving(disk.Path);
        var (job, version, step) = await Planned(victim);
        var filler = Path.Combine(disk.Path, "filler");
        Fill(filler);
        // What little room the last page had is used up by the first who write.
        for (var n = 0; n < 60; n++)
        {
            var answer = await victim.Rename(job, version, new string((char)('a' + n % 26), 190));
            if (answer.StatusCode == HttpStatusCode.ServiceUnavailable) break;
            version = (int)(await Victim.Json(answer))["version"]!;
        }
        Fill(filler + "2");
        foreach (var (deed, answer) in await Everything(victim, job, version, step))
        {
            var title = await Title(answer);
            Assert.True(title.Contains("disk is full", StringComparison.Ordinal) && title.Contains("Nothing was written",
                StringComparison.Ordinal), $"{deed}: {title}");
        }
        Assert.Equal(version, (int)(await Victim.Json(await victim.Client.GetAsync($"/api/jobs/{job}")))["version"]!);
        // Killed there and started again: it says so, and loses nothing.
        File.Delete(filler);
        File.Delete(filler + "2");
        foreach (var (deed, answer) in await Everything(victim, job, version, step)) Assert.True(answer.IsSuccessStatusCode,
            $"{deed}: {(int)answer.StatusCode} {await answer.Content.ReadAsStringAsync()}");
        victim.End();
        using var again = await Victim.Serving(disk.Path);
        Assert.Equal(version + 1, (int)(await Victim.Json(await again.Client.GetAsync($"/api/jobs/{job}")))["version"]!);
    }

    private static void Fill(string file)
    {
        using var stream = new FileStream(file, FileMode.Create, FileAccess.Write, FileShare.None, bufferSize: 0);
        var block = new byte[4096];
        try
        {
            while (true) stream.Write(block);
        }
        catch (IOException) { /* Full. */ }
    }

    [Fact]
    [Trait("part", "disk")]
    public async Task A_folder_that_cannot_be_written_is_said_at_the_start()
    {
        using var disk = new SmallDisk("24m");
        string job;
        using (var first = await Victim.Serving(disk.Path))
        {
            job = (string)(await first.NewJob())["id"]!;
            first.End();
        }
        disk.Remount("ro");
        using (var refused = Victim.Begin(disk.Path))
        {
            var said = await refused.Refusal();
            Assert.Contains("cannot be written", said, StringComparison.Ordinal);
            Assert.Single(said.Split('\n'));
        }
        disk.Remount("rw");
        using var again = await Victim.Serving(disk.Path);
        Assert.True((await again.Rename(job, 1, "Printer")).IsSuccessStatusCode);
    }

    [Fact]
    [Trait("part", "disk")]
    public async Task Another_program_that_holds_the_database_is_waited_for_two_seconds_and_then_said()
    {
        using var folder = new Folder();
        using var victim = await Victim.Serving(folder.Path);
        var job = (string)(await victim.NewJob())["id"]!;
        await using (var other = new SqliteConnection($"Data Source={Path.Combine(folder.Path, "altrin.db")};Pooling=False"))
        {
            await other.OpenAsync();
            var hold = other.CreateCommand();
            hold.CommandText = "BEGIN IMMEDIATE";
            await hold.ExecuteNonQueryAsync();
            var since = Stopwatch.StartNew();
            Assert.Contains("Another program holds the database", await Title(await victim.Rename(job, 1, "Printer")),
                StringComparison.Ordinal);
            Assert.True(since.Elapsed.TotalSeconds > 1.5, $"It waited for {since.Elapsed.TotalSeconds:0.0} s only.");
            // Who only looks is not held up.
            Assert.True((await victim.Client.GetAsync($"/api/jobs/{job}")).IsSuccessStatusCode);
        }
        Assert.True((await victim.Rename(job, 1, "Printer")).IsSuccessStatusCode);
    }

    [Fact]
    [Trait("part", "disk")]
    public async Task A_database_that_is_taken_away_while_it_runs_is_said_and_not_begun_anew_in_silence()
    {
        using var folder = new Folder();
        using var victim = await Victim.Serving(folder.Path);
        var job = (string)(await victim.NewJob())["id"]!;
        foreach (var file in Directory.GetFiles(folder.Path, "altrin.db*")) File.Move(file, file + ".away");
        Assert.Contains("database", await Title(await victim.Rename(job, 1, "Printer")), StringComparison.Ordinal);
        Assert.Contains("database", await Title(await victim.Client.PostAsJsonAsync("/api/jobs", new { from = "demo" })),
            StringComparison.Ordinal);
        foreach (var file in Directory.GetFiles(folder.Path, "altrin.db*.away")) File.Move(file, file[..^5], overwrite: true);
        Assert.True((await victim.Rename(job, 1, "Printer")).IsSuccessStatusCode);
    }

    [Fact]
    [Trait("part", "disk")]
    public async Task Rights_taken_away_while_it_runs_lose_nothing_and_are_said_at_the_next_start()
    {
        // Root may write whatever the rights say: it is started as somebody else.
        Assert.SkipUnless(OperatingSystem.IsLinux() && Environment.UserName == "root", "To run it as somebody else needs root.");
        using var folder = new Folder();
        Shell($"chown 65534:65534 {folder.Path}");
        if (await Victim.AsNobody(folder.Path) is not { } started)
        {
            Assert.Skip("Nobody else may read the program here.");
            return;
        }
        int version;
        string job, step;
        using (var victim = await started.Served())
        {
            (job, version, step) = await Planned(victim);
            Shell($"chmod -R a-w {folder.Path}");
            foreach (var (deed, answer) in await Everything(victim, job, version, step))
            {
                // What was open already may still be written, and then it is; what is not is said.
                if (answer.IsSuccessStatusCode) version += deed == "edit" ? 1 : 0;
                else Assert.Contains("cannot be written", await Title(answer), StringComparison.Ordinal);
            }
            victim.End();
        }
        using (var refused = (await Victim.AsNobody(folder.Path))!)
        {
            var said = await refused.Refusal();
            Assert.Contains("cannot be written", said, StringComparison.Ordinal);
            Assert.Single(said.Split('\n'));
        }
        Shell($"chmod -R u+w {folder.Path}");
        using var again = await (await Victim.AsNobody(folder.Path))!.Served();
        Assert.Equal(version, (int)(await Victim.Json(await again.Client.GetAsync($"/api/jobs/{job}")))["version"]!);
        foreach (var (deed, answer) in await Everything(again, job, version, step)) Assert.True(answer.IsSuccessStatusCode,
            $"{deed}: {(int)answer.StatusCode} {await answer.Content.ReadAsStringAsync()}");
    }

    private static void Shell(string command)
    {
        using var process = Process.Start("bash", ["-c", command]);
        process.WaitForExit();
        Assert.Equal(0, process.ExitCode);
    }
}
