using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Altrin.Bench;

/// <summary>The built program used as a person uses it in an hour: 600 edits of the demo house, each with its work order open, the picture, the
/// list, a trace and the plans now and then. How long an edit takes, and how much memory the program holds at the end.</summary>
internal static class ServerBench
{
    private const int Edits = 600, Unpaused = 400;
    private const double GoalEditMs = 4, GoalWithOrderMs = 10, GoalMegabytes = 130, GoalAtFirst = 110;
    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(12);

    public static async Task Run(string program, string pages)
    {
        var data = Directory.CreateTempSubdirectory("altrin-bench-").FullName;
        const int port = 15987;
        var start = new ProcessStartInfo("dotnet", [program, "--data", data, "--demo", "true", "--port", $"{port}", "--web", pages]) { RedirectStandardOutput = true };
        // As ./altrin starts it.
        start.Environment["DOTNET_GCgen0size"] = Environment.GetEnvironmentVariable("DOTNET_GCgen0size") ?? "400000";
        using var server = Process.Start(start)!;
        try
        {
            // It says its address when it answers.
            _ = await server.StandardOutput.ReadLineAsync();
            using var client = new HttpClient { BaseAddress = new($"http://localhost:{port}") };
            var atRest = Resident(server);
            var jobs = (await client.GetFromJsonAsync<JsonArray>("/api/jobs"))!;
            var id = (string)jobs.First(job => ((string)job!["name"]!).StartsWith("Larkspur", StringComparison.Ordinal))!["id"]!;
            var version = 1;
            var (alone, withOrder, fixes) = (new List<double>(), new List<double>(), new List<double>());
            var (unpaused, paused) = (0.0, 0.0);
            for (var n = 0; n < Edits; n++)
            {
                // Once in the hour the person looks away from it: without that the bench would be one breathless minute.
                if (n == Unpaused)
                {
                    unpaused = Resident(server);
                    await Task.Delay(Pause);
                    paused = Resident(server);
                }
                var action = (n % 3) switch
                {
                    0 => new JsonObject { ["do"] = "set-lan-address", ["device"] = "studio", ["address"] = $"192.168.{2 + (n % 200)}.1/24" },
                    1 => new JsonObject { ["do"] = "set-feature", ["device"] = "gw", ["feature"] = "upnp", ["on"] = n % 2 == 0 },
                    _ => new JsonObject { ["do"] = "rename", ["id"] = "printer", ["name"] = $"Printer {n}" },
                };
                var side = n % 4 == 0 ? "found" : "planned";
                var watch = Stopwatch.StartNew();
                var answer = await client.PostAsJsonAsync($"/api/jobs/{id}/{side}/deeds", new { version, id = $"bench-{n}", actions = new[] { action }, onlyChanges = true });
                version = (int)(await answer.Content.ReadFromJsonAsync<JsonObject>())!["version"]!;
                alone.Add(watch.Elapsed.TotalMilliseconds);
                _ = await client.GetStringAsync($"/api/jobs/{id}/work-order");
                withOrder.Add(watch.Elapsed.TotalMilliseconds);
                // The page asks for what mends the findings once it has shown them.
                watch.Restart();
                _ = await client.GetStringAsync($"/api/jobs/{id}/{side}/fixes");
                fixes.Add(watch.Elapsed.TotalMilliseconds);
                if (n % 20 == 0) _ = await client.GetStringAsync("/api/jobs");
                if (n % 30 == 0) _ = await client.GetStringAsync($"/api/jobs/{id}/options");
                if (n % 40 == 0) _ = await client.GetStringAsync($"/api/jobs/{id}/found/reach");
            }
            var busy = Resident(server);
            // The installer looks at the house for a moment.
            await Task.Delay(Pause);
            var after = Resident(server);
            Console.WriteLine();
            Say("an edit through the API, median of 600", Median(alone), GoalEditMs, "ms");
            Say("an edit through the API, median of the later half", Median(alone[(Edits / 2)..]), GoalEditMs, "ms");
            Say("the same with its work order asked for after it", Median(withOrder), GoalWithOrderMs, "ms");
            Say("the same, median of the later half", Median(withOrder[(Edits / 2)..]), GoalWithOrderMs, "ms");
            Say("what mends the findings, asked for after it", Median(fixes), null, "ms");
            Say("the slowest twentieth of edits begins at", Percentile(alone, 0.95), null, "ms");
            Say("resident when it answers first", atRest, GoalAtFirst, "MB");
            Say("resident after 400 edits without a pause", unpaused, GoalMegabytes, "MB");
            Say("resident in the pause after them", paused, null, "MB");
            Say("resident in the middle of the last edits", busy, GoalMegabytes, "MB");
            Say("resident after an hour's use", after, GoalMegabytes, "MB");
        }
        finally
        {
            server.Kill(entireProcessTree: true);
            await server.WaitForExitAsync();
            Directory.Delete(data, recursive: true);
        }
    }

    private static void Say(string what, double value, double? goal, string unit) => Console.WriteLine(
        $"{what}: {value.ToString("0.0", CultureInfo.InvariantCulture)} {unit}{(goal is { } most ? $" (goal {most} {unit}, {(value <= most ? "met" : "missed")})" : "")}");

    private static double Median(List<double> values) => Percentile(values, 0.5);
    private static double Percentile(List<double> values, double part) => values.Order().ElementAt((int)(values.Count * part));

    private static double Resident(Process process) => double.Parse(
        File.ReadLines($"/proc/{process.Id}/status").First(line => line.StartsWith("VmRSS:", StringComparison.Ordinal)).Split(' ', StringSplitOptions.RemoveEmptyEntries)[1].Trim(), CultureInfo.InvariantCulture) / 1024;
}
