using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Altrin.Web.Tests;

/// <summary>Whatever was done to a job, everything that can be asked of it is answered: no question ends in an error of ours.</summary>
public class EveryQuestionTests
{
    private static readonly object[] Deeds =
    [
        new { side = "planned", action = (object)new { @do = "remove-device", device = "studio" } },
        new { side = "planned", action = (object)new { @do = "remove-line" } },
        new { side = "found", action = (object)new { @do = "remove-endpoint", endpoint = "printer" } },
        new { side = "found", action = (object)new { @do = "remove-line" } },
        new { side = "found", action = (object)new { @do = "remove-device", device = "gw" } },
        new { side = "found", action = (object)new { @do = "remove-device", device = "studio" } },
    ];

    [Fact]
    public async Task Every_question_is_answered_after_every_deed()
    {
        using var app = new TestApp();
        var paths = JsonNode.Parse(await app.Client.GetStringAsync("/api/openapi.json"))!["paths"]!.AsObject()
            .Where(path => path.Key.StartsWith("/api/jobs/{id}", StringComparison.Ordinal) && path.Value!["get"] is not null).Select(path => path.Key).ToList();
        Assert.True(paths.Count > 20, $"{paths.Count} questions");
        var job = await app.NewJob();
        var (id, asked) = ((string)job["id"]!, 0);
        for (var done = 0; done <= Deeds.Length; done++)
        {
            foreach (var path in paths)
                foreach (var url in Filled(path, id))
                {
                    using var answer = await app.Client.GetAsync(url);
                    Assert.True((int)answer.StatusCode < 500, $"after {done} deeds, {url}: {(int)answer.StatusCode} {await answer.Content.ReadAsStringAsync()}");
                    asked++;
                }
            if (done == Deeds.Length) break;
            var deed = JsonNode.Parse(System.Text.Json.JsonSerializer.Serialize(Deeds[done]))!;
            var version = (int)JsonNode.Parse(await app.Client.GetStringAsync($"/api/jobs/{id}"))!["version"]!;
            using var did = await app.Client.PostAsJsonAsync($"/api/jobs/{id}/{deed["side"]}/deeds", new { version, actions = new[] { deed["action"] } });
            Assert.True(did.StatusCode is HttpStatusCode.OK or HttpStatusCode.BadRequest, $"{deed}: {(int)did.StatusCode}");
        }
        Assert.True(asked > 250, $"{asked} questions asked");
    }

    private static IEnumerable<string> Filled(string path, string id)
    {
        path = path.Replace("{id}", id, StringComparison.Ordinal).Replace("{from}", "studio-tablet", StringComparison.Ordinal)
            .Replace("{step}", "abc", StringComparison.Ordinal).Replace("{photo}", "abc", StringComparison.Ordinal);
        var query = path switch
        {
            _ when path.EndsWith("/standing", StringComparison.Ordinal) => "?device=studio",
            _ when path.EndsWith("/try", StringComparison.Ordinal) => "?device=studio&room=study&x=1&y=1",
            _ when path.EndsWith("/address-note", StringComparison.Ordinal) => "?owner=studio&address=192.168.31.2",
            _ when path.EndsWith("/reckon", StringComparison.Ordinal) => "?address=192.168.31.0/24",
            _ when path.EndsWith("/kept-addresses", StringComparison.Ordinal) => "?thing=printer",
            _ when path.EndsWith("/move-subnet", StringComparison.Ordinal) => "?segment=s1&from=192.168.31.0/24&to=192.168.77.0/24",
            _ when path.EndsWith("/said-room", StringComparison.Ordinal) => "?text=study%203%20by%204",
            _ when path.EndsWith("/options", StringComparison.Ordinal) => "?first=true",
            _ => "",
        };
        return path.Contains("{side}", StringComparison.Ordinal)
            ? new[] { "found", "planned" }.Select(side => path.Replace("{side}", side, StringComparison.Ordinal) + query) : [path + query];
    }
}
