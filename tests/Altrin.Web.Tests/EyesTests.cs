using System.Net;
using System.Net.Http.Json;

namespace Altrin.Web.Tests;

/// <summary>The laptop looks at a press, and only where it is not switched off.</summary>
public class EyesTests
{
    [Fact]
    public async Task A_look_proposes_what_it_sees_and_takes_nothing()
    {
        using var app = new TestApp(null, ("demo", "true"));
        var job = await app.NewJob();
        Assert.Equal("a simulated laptop", (string?)(await TestApp.Json(await app.Client.GetAsync("/api/eyes")))["says"]);
        var seen = await TestApp.Json(await app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/eyes/look", new { sweep = true }));
        Assert.True((int)seen["asked"]! > 200);
        Assert.NotEmpty(seen["did"]!.AsArray());
        Assert.Contains("hangs on the network of", seen["paste"]!["meanings"]!.ToJsonString(), StringComparison.Ordinal);
        var again = await TestApp.Json(await app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/eyes/look", new { after = true }));
        Assert.DoesNotContain(again["paste"]!["proposals"]!.AsArray(), one => (bool)one!["isThing"]!);
        Assert.Equal((int)job["version"]!, (int)(await TestApp.Json(await app.Client.GetAsync($"/api/jobs/{job["id"]}")))["version"]!);
    }

    [Fact]
    public async Task Switched_off_it_never_looks()
    {
        using var app = new TestApp(null, ("eyes", "false"), ("demo", "true"));
        var job = await app.NewJob();
        Assert.Null((await TestApp.Json(await app.Client.GetAsync("/api/eyes")))["says"]);
        var answer = await app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/eyes/look", new { });
        Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode);
        Assert.Contains("--no-eyes", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await app.Client.PostAsJsonAsync("/api/jobs/nobody/eyes/look", new { })).StatusCode);
    }
}
