using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Altrin.Web.Tests;

/// <summary>The shelf over HTTP: kinds of one's own are kept for all jobs, and no id is a way out of their folder.</summary>
public class KitTests
{
    private static string Kind(string kit) => $$$"""{"format":"altrin.kit/1","kit":"{{{kit}}}","name":"Mine","group":"router","device":{"mode":"router","supports":["router"],"ports":[{"id":"lan1","role":"lan"}]}}""";

    private static Task<HttpResponseMessage> Import(TestApp app, string text) => app.Send("POST", "/api/kit", text);

    [Fact]
    public async Task An_own_kind_is_kept_through_a_restart_and_taken_away()
    {
        using var app = new TestApp();
        Assert.Equal(HttpStatusCode.OK, (await Import(app, Kind("mine"))).StatusCode);
        using var later = app.Again();
        var all = JsonNode.Parse(await later.Client.GetStringAsync("/api/kit"))!.AsArray();
        Assert.Equal("mine", (string)all.Single(one => (bool)one!["isOwn"]!)!["kit"]!);
        Assert.Contains("\"mine\"", await later.Client.GetStringAsync("/api/kit/mine"), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NoContent, (await later.Client.DeleteAsync("/api/kit/mine")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await later.Client.GetAsync("/api/kit/mine")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await later.Client.DeleteAsync("/api/kit/mine")).StatusCode);
    }

    [Theory]
    [InlineData("router-old-54", "comes with Altrin")]
    [InlineData("../../etc/passwd", "small letters")]
    [InlineData("", "Empty")]
    public async Task A_kind_that_cannot_be_kept_is_refused(string kit, string says)
    {
        using var app = new TestApp();
        var answer = await Import(app, Kind(kit));
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains(says, await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.False(Directory.Exists(Path.Combine(app.Data, "kit")) && Directory.EnumerateFiles(Path.Combine(app.Data, "kit")).Any());
    }

    [Theory]
    [InlineData("{")]
    [InlineData("[]")]
    [InlineData("null")]
    [InlineData("""{"format":"altrin.kit/1","kit":"x","name":"X","group":"router","device":7}""")]
    [InlineData("""{"format":"altrin.kit/1","kit":"x","name":"X","group":"router","device":{"mode":"router","ports":[{"id":"a","role":"lan"},{"id":"a","role":"lan"}]}}""")]
    public async Task Bad_input_is_the_senders_to_mend(string body)
    {
        using var app = new TestApp();
        Assert.Equal(HttpStatusCode.BadRequest, (await Import(app, body)).StatusCode);
    }

    [Fact]
    public async Task What_comes_with_the_program_stays()
    {
        using var app = new TestApp();
        Assert.Equal(HttpStatusCode.Conflict, (await app.Client.DeleteAsync("/api/kit/router-old-54")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await app.Client.PostAsJsonAsync("/api/kit/from-box", new { job = "none", box = "gw", name = "X" })).StatusCode);
    }

    [Fact]
    public async Task A_paste_that_says_nothing_and_an_address_that_is_none_are_answered()
    {
        using var app = new TestApp();
        var id = (string)(await app.NewJob())["id"]!;
        var paste = await TestApp.Json(await app.Client.PostAsJsonAsync($"/api/jobs/{id}/visit/paste", new { text = "good morning" }));
        Assert.Empty(paste["parts"]!.AsArray());
        Assert.Equal(HttpStatusCode.BadRequest, (await app.Client.GetAsync($"/api/jobs/{id}/found/reckon?address=hello")).StatusCode);
        Assert.Equal(HttpStatusCode.BadRequest, (await app.Client.GetAsync($"/api/jobs/{id}/found/move-subnet?segment=s1&from=x&to=y")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await app.Client.GetAsync($"/api/jobs/{id}/sideways/addresses")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await app.Client.GetAsync("/api/jobs/none/visit")).StatusCode);
    }
}
