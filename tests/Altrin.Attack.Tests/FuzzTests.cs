using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Altrin.Tests;

namespace Altrin.Attack.Tests;

/// <summary>Every route, asked wrongly many times: never 500, never stuck, every answer with its protective headers, and who asks rightly is served all the same.</summary>
public class FuzzTests
{
    private static readonly string[] Protective = ["Content-Security-Policy", "X-Content-Type-Options", "Referrer-Policy", "Cross-Origin-Resource-Policy", "Cross-Origin-Opener-Policy"];

    [Fact]
    [Trait("part", "fuzz")]
    public async Task No_question_makes_it_fail_or_hang()
    {
        var (count, random) = (Rounds.Or(2500), new Random(Rounds.Seed));
        using var folder = new Folder();
        using var victim = await Victim.Serving(folder.Path);
        var guests = new OpenApiGuests(await Victim.Json(await victim.Client.GetAsync("/api/openapi.json")), random);
        var questions = Questions.Of(await Victim.Json(await victim.Client.GetAsync("/api/openapi.json")));
        var (answers, looked) = (new SortedDictionary<int, int>(), 0);
        var (slowest, slowestOf) = (TimeSpan.Zero, "");
        for (var n = 0; n < count; n++)
        {
            // A job is deleted now and then, and steps pass: there shall always be something to ask for.
            if (n % 250 == 0)
            {
                await Refresh(victim, guests);
                looked += await AskAfter(victim, questions, n / 250);
            }
            using var request = guests.Next(n < guests.Operations * 3 ? n : random.Next(int.MaxValue));
            var what = $"{request.Method} {request.RequestUri}";
            var headers = $"{request.Content?.Headers.ContentType} Accept: {request.Headers.Accept}";
            var body = request.Content is null ? "" : await request.Content.ReadAsStringAsync();
            var (since, worked) = (Stopwatch.StartNew(), victim.Worked);
            using var answer = await victim.Client.SendAsync(request);
            var text = await answer.Content.ReadAsStringAsync();
            // On a machine that others load it waits for its turn: that is not its work. Who hangs without working is ended by the client's own patience.
            if (since.Elapsed > slowest && TimeSpan.FromTicks(Math.Min(since.Elapsed.Ticks, (victim.Worked - worked).Ticks)) is var took && took > slowest) (slowest, slowestOf) = (took, what);
            answers[(int)answer.StatusCode] = answers.GetValueOrDefault((int)answer.StatusCode) + 1;
            Assert.True((int)answer.StatusCode is < 500 and not 0, $"request {n} of seed {Rounds.Seed}: {what} {headers}\n{body[..Math.Min(body.Length, 2000)]}\n{(int)answer.StatusCode} {text[..Math.Min(text.Length, 500)]}\n{Log(folder.Path)}");
            // An address that is none is refused by the reader of HTTP, before there is a program to speak.
            if (answer.StatusCode == System.Net.HttpStatusCode.BadRequest && text.Length == 0 && what.Contains("%00", StringComparison.Ordinal)) continue;
            foreach (var header in Protective) Assert.True(answer.Headers.Contains(header), $"{what}: {(int)answer.StatusCode} without {header}");
            Assert.False(answer.Headers.Contains("X-Injected"));
            if ((int)answer.StatusCode >= 400)
            {
                Assert.True(answer.Content.Headers.ContentType?.MediaType == "application/problem+json", $"{what}: {(int)answer.StatusCode} as {answer.Content.Headers.ContentType}");
                Assert.True(JsonNode.Parse(text)?["title"] is { } title && ((string)title!).Length > 0, $"{what}: says nothing");
                Assert.DoesNotContain("   at ", text, StringComparison.Ordinal);
            }
        }
        var job = await victim.NewJob();
        Assert.True((await victim.Rename((string)job["id"]!, 1, "Still here")).IsSuccessStatusCode);
        Rounds.Say($"fuzz: {count} requests over {guests.Operations} operations, seed {Rounds.Seed}: {string.Join(", ", answers.Select(one => $"{one.Value} × {one.Key}"))}; slowest {slowest.TotalSeconds:0.0} s ({slowestOf}); {victim.ResidentBytes >> 20} MB");
        // Wrong questions alone would show nothing: some get through, and some deeds are done.
        Assert.True(looked > 3, $"only {looked} deeds were accepted");
        Assert.True(answers.GetValueOrDefault(200) > count / 20, $"only {answers.GetValueOrDefault(200)} of {count} were answered with something");
        Assert.InRange(slowest.TotalSeconds, 0, 20);
    }

    /// <summary>After each deed that was accepted everything that can be asked of the job has an answer.</summary>
    /// <returns>How many were accepted.</returns>
    private static async Task<int> AskAfter(Victim victim, List<string> questions, int round)
    {
        var job = (string)(await victim.NewJob())["id"]!;
        var accepted = 0;
        // A little further each time: the whole list at once is asked in a test of its own.
        for (var n = 0; n <= round % Questions.Deeds.Length; n++)
        {
            var deed = JsonNode.Parse(System.Text.Json.JsonSerializer.Serialize(Questions.Deeds[n]))!;
            using var done = await victim.Client.PostAsJsonAsync($"/api/jobs/{job}/{deed["side"]}/deeds", new { version = n + 1, actions = new[] { deed["action"] } });
            if (!done.IsSuccessStatusCode) break;
            accepted++;
        }
        foreach (var url in questions.SelectMany(path => Questions.Filled(path, job)))
        {
            using var told = await victim.Client.GetAsync(url);
            Assert.True((int)told.StatusCode < 500, $"{url} after {accepted} deeds: {(int)told.StatusCode} {await told.Content.ReadAsStringAsync()}");
        }
        return accepted;
    }

    /// <summary>The end of what it noted.</summary>
    private static string Log(string folder)
    {
        var file = Directory.Exists(Path.Combine(folder, "logs")) ? Directory.GetFiles(Path.Combine(folder, "logs")).FirstOrDefault() : null;
        if (file is null) return "";
        using var reader = new StreamReader(new FileStream(file, FileMode.Open, FileAccess.Read, FileShare.ReadWrite));
        var all = reader.ReadToEnd();
        return all[Math.Max(0, all.Length - 3000)..];
    }

    private static async Task Refresh(Victim victim, OpenApiGuests guests)
    {
        guests.Known.Clear();
        foreach (var from in new[] { "demo", "demo-terrace" })
        {
            var job = (string)(await victim.NewJob(from))["id"]!;
            guests.Known.AddRange([job, job, job, job]);
            if (from != "demo") continue;
            await victim.Client.PostAsJsonAsync($"/api/jobs/{job}/planned/deeds", new { version = 1, actions = new[] { new { @do = "set-lan-address", device = "studio", address = "192.168.77.1/24" } } });
            var order = await Victim.Json(await victim.Client.GetAsync($"/api/jobs/{job}/work-order"));
            guests.Known.Add((string)order["order"]!["steps"]![0]!["key"]!);
        }
        guests.Known.AddRange(["gw", "studio", "printer", "hall", "n1", "c1"]);
    }
}
