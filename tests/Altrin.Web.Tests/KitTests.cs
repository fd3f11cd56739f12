using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;

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

    private static string Kind(string kit, string ssid) =>
        Kind(kit).Replace("\"ports\"", $"""
            "radios":[{JsonSerializer.Serialize(Radio)}],"wifi":[{JsonSerializer.Serialize(Network(ssid))}],"ports"
            """, StringComparison.Ordinal);

    private static readonly object Radio = new { id = "2g", band = "2.4", generation = "n", streams = 2 };

    private static object Network(string ssid) => new { radio = "2g", ssid, security = "open", enabled = true };

    private static object Box(string ssid) => new
    {
        id = "own",
        name = "Own box",
        kit = "mine",
        mode = "router",
        supports = new[] { "router" },
        ports = new[] { new { id = "lan1", role = "lan" } },
        radios = new[] { Radio },
        wifi = new[] { Network(ssid) },
    };

    /// <summary>What a reset did is history: the shelf may change as it likes.</summary>
    [Theory]
    [InlineData("edited")]
    [InlineData("taken away")]
    [InlineData("taken away and another called so")]
    public async Task A_job_stays_to_the_byte_whatever_becomes_of_the_kind(string what)
    {
        using var app = new TestApp();
        await Import(app, Kind("mine", "as-sold"));
        var job = await app.NewJob();
        var id = (string)job["id"]!;
        var done = await app.Client.PostAsJsonAsync($"/api/jobs/{id}/found/deeds", new { version = 1, actions = new object[] { new { @do = "add-device", device = Box("another") } } });
        Assert.Equal(HttpStatusCode.OK, done.StatusCode);
        done = await app.Client.PostAsJsonAsync($"/api/jobs/{id}/found/deeds", new { version = 2, actions = new object[] { new { @do = "factory-reset", device = "own" } } });
        Assert.Equal(HttpStatusCode.OK, done.StatusCode);
        done = await app.Client.PostAsJsonAsync($"/api/jobs/{id}/planned/deeds", new { version = 3, actions = new object[] { new { @do = "factory-reset", device = "own" } } });
        Assert.Equal(HttpStatusCode.OK, done.StatusCode);
        var (found, planned) = (await app.Client.GetStringAsync($"/api/jobs/{id}/found/document"), await app.Client.GetStringAsync($"/api/jobs/{id}/planned/document"));
        Assert.Contains("as-sold", found, StringComparison.Ordinal);
        if (what == "edited") await Import(app, Kind("mine", "edited"));
        else await app.Client.DeleteAsync("/api/kit/mine");
        if (what.EndsWith("so", StringComparison.Ordinal)) await Import(app, Kind("mine", "other"));
        using var later = app.Again();
        Assert.Equal(found, await later.Client.GetStringAsync($"/api/jobs/{id}/found/document"));
        Assert.Equal(planned, await later.Client.GetStringAsync($"/api/jobs/{id}/planned/document"));
    }

    /// <summary>A job of before kept no kinds: they are written into it at the first start, from the shelf as it then is.</summary>
    [Fact]
    public async Task An_older_job_is_brought_along_once()
    {
        using var app = new TestApp();
        var house = new { format = "altrin.network/1", name = "House", devices = new[] { Box("another") } };
        var id = (string)(await TestApp.Json(await app.Send("POST", "/api/jobs/import", JsonSerializer.Serialize(house))))["id"]!;
        await Import(app, Kind("mine", "as-sold"));
        using (var db = new SqliteConnection($"Data Source={Path.Combine(app.Data, "altrin.db")};Pooling=False"))
        {
            db.Open();
            using var older = db.CreateCommand();
            older.CommandText = "PRAGMA user_version = 0";
            older.ExecuteNonQuery();
        }
        using var later = app.Again();
        Assert.Contains("\"kinds\"", await later.Client.GetStringAsync($"/api/jobs/{id}/found/document"), StringComparison.Ordinal);
        await later.Client.DeleteAsync("/api/kit/mine");
        using var last = later.Again();
        var done = await last.Client.PostAsJsonAsync($"/api/jobs/{id}/found/deeds", new { version = 1, actions = new object[] { new { @do = "factory-reset", device = "own" } } });
        Assert.Equal(HttpStatusCode.OK, done.StatusCode);
        Assert.Contains("as-sold", await last.Client.GetStringAsync($"/api/jobs/{id}/found/document"), StringComparison.Ordinal);
    }
}
