using System.Collections.Concurrent;
using System.Net;
using System.Text.Json.Nodes;

namespace Altrin.Attack.Tests;

/// <summary>Many at once on one job: each change is made once, versions have no gap, nobody is stuck.</summary>
public class CrowdTests
{
    [Fact]
    [Trait("part", "clients")]
    public async Task Eight_at_once_leave_no_gap_and_lose_nothing()
    {
        var each = Rounds.Or(25);
        using var folder = new Folder();
        using var victim = await Victim.Serving(folder.Path);
        var job = (string)(await victim.NewJob())["id"]!;
        var versions = new ConcurrentBag<int>();
        var refused = 0;
        await Task.WhenAll(Enumerable.Range(0, 8).Select(async who =>
        {
            var version = 1;
            for (var n = 0; n < each; n++)
            {
                while (true)
                {
                    // All of them name the same thing: none is apart from another.
                    var answer = await victim.Rename(job, version, $"Printer {who}-{n}", "found");
                    if (answer.StatusCode == HttpStatusCode.OK)
                    {
                        versions.Add(version = (int)(await Victim.Json(answer))["version"]!);
                        break;
                    }
                    Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode);
                    Interlocked.Increment(ref refused);
                    version = (int)(await Victim.Json(await victim.Client.GetAsync($"/api/jobs/{job}")))["version"]!;
                }
            }
        }));
        var now = await Victim.Json(await victim.Client.GetAsync($"/api/jobs/{job}"));
        Assert.Equal(8 * each + 1, (int)now["version"]!);
        Assert.True(refused > 0, "nobody was ever in anybody's way");
        Rounds.Say($"clients: 8 at once, {8 * each} edits, {refused} refused as changed meanwhile and done again, versions without a gap");
    }
}
