using System.Collections.Concurrent;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Altrin.Data;
using Microsoft.Data.Sqlite;

namespace Altrin.Attack.Tests;

/// <summary>Killed without warning while people work: what was answered for is there, and nothing is half there.</summary>
public class KillTests
{
    private sealed class Book
    {
        public required string Job { get; init; }
        public int Version { get; set; } = 1;
        public string Name { get; set; } = "";

        /// <summary>Sent, and not answered for.</summary>
        public string? Open { get; set; }

        public int Confirmed { get; set; }
        public ConcurrentDictionary<string, int> Pictures { get; } = new();
    }

    [Fact]
    [Trait("part", "kill")]
    public async Task Nothing_that_was_confirmed_is_lost_and_nothing_is_half_done()
    {
        var (rounds, random) = (Rounds.Or(20), new Random(Rounds.Seed));
        using var folder = new Folder();
        var books = new List<Book>();
        using (var first = await Victim.Serving(folder.Path))
        {
            for (var n = 0; n < 3; n++) books.Add(new() { Job = (string)(await first.NewJob())["id"]! });
            first.Kill();
        }
        var (edits, inFlight) = (0, 0);
        for (var round = 0; round < rounds; round++)
        {
            using var victim = await Victim.Serving(folder.Path);
            foreach (var book in books) await Hold(victim, book);
            var work = books.Select(book => Work(victim, book, new Random(random.Next()))).ToArray();
            // The first answers of a program that has just started are slow: it is killed at its work.
            for (var before = edits; books.Sum(book => book.Confirmed) < before + 3 && !work.All(one => one.IsCompleted);) await Task.Delay(5);
            await Task.Delay(random.Next(250));
            victim.Kill();
            await Task.WhenAll(work);
            edits = books.Sum(book => book.Confirmed);
            inFlight += books.Any(book => book.Open is not null) ? 1 : 0;
            // Who lets it run for an hour wants to know how far it is, and what was found so far if he stops it.
            if (round % 50 == 49) Rounds.Say($"kill: {round + 1} of {rounds} rounds, {inFlight} with an edit in flight, {edits} edits confirmed, 0 lost so far");
            Assert.Null(Copies.WhyDamaged(Path.Combine(folder.Path, "altrin.db")));
        }
        using (var last = await Victim.Serving(folder.Path))
            foreach (var book in books) await Hold(last, book);
        Rounds.Say($"kill: {rounds} rounds, {inFlight} with an edit in flight, {edits} edits and {books.Sum(book => book.Pictures.Count)} pictures confirmed, 0 lost, 0 half done");
        Assert.True(edits > rounds, $"only {edits} edits were confirmed in {rounds} rounds");
        Assert.True(inFlight > rounds / 3, $"only {inFlight} of {rounds} kills met an edit in flight");
    }

    /// <summary>Renames, ticks off nothing, photographs now and then: until there is no answer any more.</summary>
    private static async Task Work(Victim victim, Book book, Random random)
    {
        try
        {
            while (true)
            {
                var name = $"Printer {random.Next(1_000_000)}";
                book.Open = name;
                var answer = await victim.Rename(book.Job, book.Version, name, random.Next(2) == 0 ? "found" : "planned");
                var after = await Victim.Json(answer);
                (book.Version, book.Name, book.Open) = ((int)after["version"]!, name, null);
                book.Confirmed++;
                if (random.Next(8) > 0) continue;
                using var form = new ByteArrayContent(Victim.Picture) { Headers = { ContentType = new("application/octet-stream") } };
                var kept = await victim.Client.PostAsync($"/api/jobs/{book.Job}/photos?subject=printer", form);
                if (kept.IsSuccessStatusCode) book.Pictures[(string)(await Victim.Json(kept))["photo"]!["id"]!] = 0;
            }
        }
        // The connection is gone: this is the kill.
        catch (Exception error) when (error is HttpRequestException or TaskCanceledException or IOException) { }
    }

    /// <summary>What is there is what was confirmed, or that with the one edit more that was in flight.</summary>
    private static async Task Hold(Victim victim, Book book)
    {
        var job = await Victim.Json(await victim.Client.GetAsync($"/api/jobs/{book.Job}"));
        var version = (int)job["version"]!;
        Assert.True(version == book.Version || (version == book.Version + 1 && book.Open is not null), $"{book.Version} was confirmed, {version} is there");
        var log = (await Victim.Json(await victim.Client.GetAsync($"/api/jobs/{book.Job}/log"))).AsArray();
        // A line for each version and the two first; gapless, and the last is the last that was sent.
        Assert.Equal(version + 1, log.Count);
        var last = version == book.Version ? book.Name : book.Open!;
        if (last.Length > 0) Assert.Contains(last, log.MaxBy(line => (DateTimeOffset)line!["at"]!)!.ToJsonString(), StringComparison.Ordinal);
        var pictures = (await Victim.Json(await victim.Client.GetAsync($"/api/jobs/{book.Job}/photos"))).AsArray().Select(one => (string)one!["id"]!).ToHashSet();
        Assert.Empty(book.Pictures.Keys.Except(pictures));
        (book.Version, book.Name, book.Open) = (version, last, null);
    }

    private static async Task FirstForm(string folder)
    {
        await using var database = new SqliteConnection($"Data Source={Path.Combine(folder, "altrin.db")};Pooling=false");
        await database.OpenAsync();
        await using var command = database.CreateCommand();
        command.CommandText = await File.ReadAllTextAsync(Path.Combine(Victim.Root, "tests", "Altrin.Web.Tests", "data", "first-form.sql"));
        await command.ExecuteNonQueryAsync();
    }

    [Fact]
    [Trait("part", "start")]
    public async Task A_start_killed_at_any_moment_lets_the_next_one_serve()
    {
        var (rounds, random) = (Rounds.Or(12), new Random(Rounds.Seed));
        using var folder = new Folder();
        string job;
        using (var first = await Victim.Serving(folder.Path)) job = (string)(await first.NewJob())["id"]!;
        for (var round = 0; round < rounds; round++)
        {
            // A third each on a folder that is new, on a database of the first form that has to be brought up to date, and on the one from before.
            using var other = round % 3 < 2 ? new Folder() : null;
            if (round % 3 == 1) await FirstForm(other!.Path);
            using var victim = Victim.Begin(other?.Path ?? folder.Path, "--demo", "true");
            await Task.Delay(random.Next(1500));
            victim.Kill();
            if (other is null) continue;
            using var next = await Victim.Serving(other.Path);
            var jobs = (await Victim.Json(await next.Client.GetAsync("/api/jobs"))).AsArray();
            if (round % 3 == 1) Assert.Single(jobs);
        }
        using var last = await Victim.Serving(folder.Path);
        Assert.Equal(1, (int)(await Victim.Json(await last.Client.GetAsync($"/api/jobs/{job}")))["version"]!);
        // However often it is killed while it copies, no half copy is taken for one, and none is left.
        Assert.InRange(Directory.GetFiles(Path.Combine(folder.Path, "copies")).Length, 1, Copies.Kept);
        Assert.All(new Copies(Path.Combine(folder.Path, "altrin.db"), TimeProvider.System).All(), copy => Assert.True(copy.Jobs >= 1));
        Rounds.Say($"start: {rounds} kills during the start, every next one served");
    }
}
