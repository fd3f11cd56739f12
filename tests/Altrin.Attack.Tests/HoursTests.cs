using System.Diagnostics;
using System.Net.Http.Json;

namespace Altrin.Attack.Tests;

/// <summary>A working day's edits, looks and orders in a minute or ten: what it holds in memory does not grow with them.</summary>
public class HoursTests
{
    /// <summary>150 MB, the goal the project set itself.</summary>
    private const long MostBytes = 150L << 20;

    [Fact]
    [Trait("part", "hours")]
    public async Task A_long_day_leaves_it_as_it_was()
    {
        var edits = Rounds.Or(400);
        using var folder = new Folder();
        using var victim = await Victim.Serving(folder.Path);
        var job = (string)(await victim.NewJob())["id"]!;
        var (version, begun) = (1, Stopwatch.GetTimestamp());
        var readings = new List<long>();
        var times = new List<double>();
        var files = new List<int>();
        for (var n = 0; n < edits; n++)
        {
            var since = Stopwatch.GetTimestamp();
            var answer = await victim.Client.PostAsJsonAsync($"/api/jobs/{job}/{(n % 2 == 0 ? "found" : "planned")}/deeds",
                new { version, actions = new[] { new { @do = "set-lan-address", device = "studio", address = $"192.168.{2 + n % 28}.1/24" } } });
            times.Add(Stopwatch.GetElapsedTime(since).TotalMilliseconds);
            version = (int)(await Victim.Json(answer))["version"]!;
            if (n % 5 == 0) (await victim.Client.GetAsync($"/api/jobs/{job}/work-order")).EnsureSuccessStatusCode();
            if (n % 7 == 0) (await victim.Client.GetAsync($"/api/jobs/{job}/planned/air")).EnsureSuccessStatusCode();
            if (n % 11 == 0) (await victim.Client.GetAsync($"/api/jobs/{job}/found/reach")).EnsureSuccessStatusCode();
            if (n % 3 == 0) version = (int)(await Victim.Json(await victim.Client.PostAsJsonAsync($"/api/jobs/{job}/{(n % 2 == 0 ? "found" : "planned")}/undo", new { version })))["version"]!;
            if (n % (edits / 20) != 0) continue;
            readings.Add(victim.ResidentBytes);
            if (OperatingSystem.IsLinux()) files.Add(Directory.GetFiles($"/proc/{victim.ProcessId}/fd").Length);
        }
        // Without a pause too, once the start is a minute past: the middle of the last readings, for between two looks of the program at itself it holds some megabytes more.
        var working = readings.TakeLast(5).Order().ElementAt(2);
        if (OperatingSystem.IsLinux() && Stopwatch.GetElapsedTime(begun) > TimeSpan.FromMinutes(1)) Assert.True(working <= MostBytes, $"{working >> 20} MB at work");
        // A person pauses: then it gives back what it need not hold, and at work again it stays below what was set for it.
        await Task.Delay(TimeSpan.FromSeconds(12));
        var rest = victim.ResidentBytes;
        for (var n = 0; n < 20; n++)
        {
            version = (int)(await Victim.Json(await victim.Client.PostAsJsonAsync($"/api/jobs/{job}/planned/deeds",
                new { version, actions = new[] { new { @do = "rename", id = "printer", name = $"Printer {n}" } } })))["version"]!;
            (await victim.Client.GetAsync($"/api/jobs/{job}/work-order")).EnsureSuccessStatusCode();
        }
        var again = victim.ResidentBytes;
        Rounds.Say($"hours: {rest >> 20} MB after a rest, {again >> 20} MB at work after it");
        if (OperatingSystem.IsLinux()) Assert.True(rest <= MostBytes && again <= MostBytes, $"{rest >> 20} MB after a rest, {again >> 20} MB at work after it");
        // The first quarter warms it up; from then on it holds no more than a fifth more.
        var (early, late) = (readings.Skip(5).Take(5).Max(), readings.TakeLast(5).Max());
        Rounds.Say($"hours: {edits} edits with their looks, median {times.Order().ElementAt(times.Count / 2):0.0} ms, the last fifth {times.TakeLast(times.Count / 5).Order().ElementAt(times.Count / 10):0.0} ms; {early >> 20} MB early, {late >> 20} MB late, {files.DefaultIfEmpty().Max()} open files at most");
        Assert.True(late < early * 1.2 + (20 << 20), $"{early >> 20} MB early, {late >> 20} MB late");
        Assert.True(files.Count == 0 || files[^1] <= files[files.Count / 4] + 8, $"open files: {string.Join(" ", files)}");
        // An edit at the end is no slower than one at the start.
        Assert.True(times.TakeLast(times.Count / 5).Order().ElementAt(times.Count / 10) < 3 * times.Skip(times.Count / 5).Take(times.Count / 5).Order().ElementAt(times.Count / 10) + 10);
    }
}
