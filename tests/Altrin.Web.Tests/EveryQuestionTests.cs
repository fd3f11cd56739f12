using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Altrin.Tests;

namespace Altrin.Web.Tests;

/// <summary>Whatever was done to a job, everything that can be asked of it is answered: no question ends in an error of ours.</summary>
public class EveryQuestionTests
{
    [Fact]
    public async Task Every_question_is_answered_after_every_deed()
    {
        using var app = new TestApp();
        var paths = Questions.Of(JsonNode.Parse(await app.Client.GetStringAsync("/api/openapi.json"))!);
        Assert.True(paths.Count > 20, $"{paths.Count} questions");
        var job = await app.NewJob();
        var (id, asked) = ((string)job["id"]!, 0);
        for (var done = 0; done <= Questions.Deeds.Length; done++)
        {
            foreach (var path in paths)
                foreach (var url in Questions.Filled(path, id))
                {
                    using var answer = await app.Client.GetAsync(url);
                    Assert.True((int)answer.StatusCode < 500, $"after {done} deeds, {url}: {(int)answer.StatusCode} {await answer.Content.ReadAsStringAsync()}");
                    asked++;
                }
            if (done == Questions.Deeds.Length) break;
            var deed = JsonNode.Parse(System.Text.Json.JsonSerializer.Serialize(Questions.Deeds[done]))!;
            var version = (int)JsonNode.Parse(await app.Client.GetStringAsync($"/api/jobs/{id}"))!["version"]!;
            using var did = await app.Client.PostAsJsonAsync($"/api/jobs/{id}/{deed["side"]}/deeds", new { version, actions = new[] { deed["action"] } });
            Assert.True(did.StatusCode is HttpStatusCode.OK or HttpStatusCode.BadRequest, $"{deed}: {(int)did.StatusCode}");
        }
        Assert.True(asked > 250, $"{asked} questions asked");
    }
}
