using System.Diagnostics;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;

namespace Altrin.Attack.Tests;

/// <summary>A planted password is looked for wherever it might have gone: files, logs, answers, exports, pages.</summary>
public class SecretTests
{
    [Fact]
    [Trait("part", "secrets")]
    public async Task A_planted_password_is_found_nowhere_but_where_it_was_asked_for()
    {
        var planted = $"Planted-{Guid.NewGuid():N}";
        using var folder = new Folder();
        string job;
        var said = new StringBuilder();
        using (var victim = await Victim.Serving(folder.Path, "--verbose", "true"))
        {
            job = (string)(await victim.NewJob())["id"]!;
            await Victim.Json(await victim.Client.PostAsJsonAsync($"/api/jobs/{job}/planned/deeds", new { version = 1, actions = new[] { new { @do = "set-lan-address", device = "studio", address = "192.168.77.1/24" } } }));
            foreach (var name in new[] { "home", "admin of gw" }) await Victim.Json(await victim.Client.PutAsJsonAsync($"/api/jobs/{job}/secrets", new { name, value = planted }));
            // Mistakes with it are refused without saying it again.
            foreach (var body in new object[] { new { name = planted + new string('x', 400), value = planted }, new { value = planted }, new { name = 7, value = planted } })
                said.Append(await (await victim.Client.PutAsJsonAsync($"/api/jobs/{job}/secrets", body)).Content.ReadAsStringAsync());
            said.Append(await (await victim.Client.PutAsync($"/api/jobs/{job}/secrets", new StringContent($"{{\"name\":\"home\",\"value\":\"{planted}", Encoding.UTF8, "application/json"))).Content.ReadAsStringAsync());
            // Every answer that the description names, with ids that are there.
            var routes = (await Victim.Json(await victim.Client.GetAsync("/api/openapi.json")))["paths"]!.AsObject();
            var order = await Victim.Json(await victim.Client.GetAsync($"/api/jobs/{job}/work-order"));
            var asked = 0;
            foreach (var (path, operations) in routes)
            {
                if (operations!["get"] is null || path == "/api/changes") continue;
                foreach (var side in path.Contains("{side}", StringComparison.Ordinal) ? new[] { "found", "planned" } : [""])
                {
                    var address = path.Replace("{id}", job, StringComparison.Ordinal).Replace("{side}", side, StringComparison.Ordinal).Replace("{step}", (string)order["order"]!["steps"]![0]!["key"]!, StringComparison.Ordinal).Replace("{from}", "printer", StringComparison.Ordinal);
                    using var answer = await victim.Client.GetAsync(address + (path.EndsWith("standing", StringComparison.Ordinal) ? "?device=gw" : ""));
                    var text = await answer.Content.ReadAsStringAsync();
                    if (answer.IsSuccessStatusCode) asked++;
                    Assert.False(text.Contains(planted, StringComparison.Ordinal), address);
                }
            }
            Assert.True(asked > 25, $"only {asked} routes answered");
            said.Append(await victim.Client.GetStringAsync("/"));
            await victim.Client.PostAsJsonAsync("/api/copies", new { });
            // And there it is, where it was asked for.
            Assert.Equal(planted, (string)(await Victim.Json(await victim.Client.PostAsJsonAsync($"/api/jobs/{job}/secrets/show", new { name = "home" })))["value"]!);
            victim.End();
        }
        Assert.DoesNotContain(planted, said.ToString(), StringComparison.Ordinal);
        var files = Directory.GetFiles(folder.Path, "*", SearchOption.AllDirectories);
        Assert.Contains(files, file => file.Contains("logs", StringComparison.Ordinal));
        Assert.Contains(files, file => file.Contains("copies", StringComparison.Ordinal));
        foreach (var file in files)
        {
            var bytes = await File.ReadAllBytesAsync(file);
            foreach (var encoding in new[] { Encoding.UTF8, Encoding.Unicode }) Assert.True(bytes.AsSpan().IndexOf(encoding.GetBytes(planted)) < 0, file);
            Assert.True(bytes.AsSpan().IndexOf(Encoding.ASCII.GetBytes(Convert.ToBase64String(Encoding.UTF8.GetBytes(planted)))) < 0, file);
        }
    }

    [Fact]
    [Trait("part", "secrets")]
    public async Task A_crash_leaves_no_memory_behind()
    {
        using var folder = new Folder();
        // Only where the machine does keep what crashes in a file beside it is anything proved.
        Process.Start(new ProcessStartInfo("bash", ["-c", "ulimit -c unlimited; sleep 60 & kill -SEGV $!; wait"]) { WorkingDirectory = folder.Path, RedirectStandardError = true })!.WaitForExit();
        var kept = Directory.GetFiles(folder.Path, "core*");
        Assert.SkipWhen(kept.Length == 0, "this machine keeps no core files in the folder of the program");
        foreach (var file in kept) File.Delete(file);
        var planted = $"Planted-{Guid.NewGuid():N}";
        using var victim = await Victim.ThatLeavesCores(folder.Path, Path.Combine(folder.Path, "data"));
        var job = (string)(await victim.NewJob())["id"]!;
        await Victim.Json(await victim.Client.PutAsJsonAsync($"/api/jobs/{job}/secrets", new { name = "home", value = planted }));
        Assert.Equal(planted, (string)(await Victim.Json(await victim.Client.PostAsJsonAsync($"/api/jobs/{job}/secrets/show", new { name = "home" })))["value"]!);
        victim.Crash();
        Assert.Empty(Directory.GetFiles(folder.Path, "core*"));
        foreach (var file in Directory.GetFiles(folder.Path, "*", SearchOption.AllDirectories))
            foreach (var encoding in new[] { Encoding.UTF8, Encoding.Unicode }) Assert.True((await File.ReadAllBytesAsync(file)).AsSpan().IndexOf(encoding.GetBytes(planted)) < 0, file);
    }
}
