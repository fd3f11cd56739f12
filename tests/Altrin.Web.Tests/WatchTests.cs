using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Altrin.Core.Network;
using Altrin.Web.Eyes;

namespace Altrin.Web.Tests;

/// <summary>An open step is watched by the program's own eyes, and what they saw is kept with it.</summary>
public class WatchTests
{
    private static async Task<(JsonNode Job, JsonNode Step)> FirstStep(TestApp app)
    {
        var job = await app.NewJob();
        var moved = await app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/planned/deeds",
            new
            {
                version = (int)job["version"]!,
                actions = new[] { new { @do = "set-lan-address", device = "gw",
                address = "192.168.77.1/24" } }
            });
        Assert.True(moved.IsSuccessStatusCode, await moved.Content.ReadAsStringAsync());
        var order = await TestApp.Json(await app.Client.GetAsync($"/api/jobs/{job["id"]}/work-order"));
        return (job, order["order"]!["steps"]![0]!);
    }

    [Fact]
    public async Task A_step_of_an_invented_house_is_not_yet_done_and_then_as_said_and_the_record_has_what_was_seen()
    {
        using var app = new TestApp(null, ("demo", "true"));
        var (job, step) = await FirstStep(app);
        var path = $"/api/jobs/{job["id"]}/work-order/{step["key"]}";
        var before = await TestApp.Json(await app.Client.PostAsJsonAsync($"{path}/watch", new { }));
        Assert.Equal(("not-yet", "198.51.100.1"), ((string?)before["step"]!["how"], (string?)before["outside"]));
        var after = await TestApp.Json(await app.Client.PostAsJsonAsync($"{path}/watch", new { acted = 600 }));
        Assert.Equal(("as-said", true), ((string?)after["step"]!["how"], (bool)after["step"]!["isWhole"]!));
        var unasked = await TestApp.Json(await app.Client.PostAsJsonAsync($"{path}/watch", new { acted = 600, outside = "" }));
        Assert.Equal(("as-said", false, ""), ((string?)unasked["step"]!["how"], (bool)unasked["step"]!["isWhole"]!,
            (string?)unasked["outside"]));
        var said = await TestApp.Json(await app.Client.PutAsJsonAsync(path, new
        {
            revision = 0,
            outcome = "as-said",
            seen = "10:00:01 All of it is as said."
        }));
        Assert.Equal("10:00:01 All of it is as said.", (string?)said["seen"]);
        var record = await (await app.Client.GetAsync($"/api/jobs/{job["id"]}/handover")).Content.ReadAsStringAsync();
        Assert.Contains("Seen by the laptop: 10:00:01", record, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("192.168.1.1", "says nothing about the internet"), InlineData("elsewhere", "no IPv4 address"), InlineData("224.0.0.1",
        "multicast")]
    public async Task Whom_to_ask_outside_is_checked(string outside, string says)
    {
        using var app = new TestApp(null, ("demo", "true"));
        var (job, step) = await FirstStep(app);
        var answer = await app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/work-order/{step["key"]}/watch", new { outside });
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains(says, await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/work-order/nostep/watch",
            new { })).StatusCode);
    }

    [Fact]
    public async Task Switched_off_nothing_is_watched_and_nothing_measured()
    {
        using var app = new TestApp(null, ("demo", "true"), ("eyes", "false"));
        var (job, step) = await FirstStep(app);
        foreach (var path in new[] { $"work-order/{step["key"]}/watch", "eyes/measure" })
            Assert.Equal(HttpStatusCode.Conflict, (await app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/{path}", new { })).StatusCode);
    }

    [Fact]
    public async Task The_way_to_the_gateway_is_measured()
    {
        using var app = new TestApp(null, ("demo", "true"));
        var job = await app.NewJob();
        var measured = await TestApp.Json(await app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/eyes/measure", new { }));
        Assert.Equal("50 pings to 192.168.31.1: none lost.", (string?)measured["says"]);
    }

    /// <summary>RFC 1035 section 4.1.4: the answer's names are pointers into the question; section 3.5: the octets of the address stand
    /// the other way round.</summary>
    [Fact]
    public void The_answer_to_a_question_for_a_name_is_read()
    {
        var asked = NameQuery.Ask(7, Ipv4Address.Parse("192.168.31.20"));
        Assert.Equal("\u000220\u000231\u0003168\u0003192\u0007in-addr\u0004arpa\0\0\f\0\u0001",
            System.Text.Encoding.ASCII.GetString(asked.AsSpan(12)));
        byte[] answer = [.. asked, 0xC0, 12, 0, 12, 0, 1, 0, 0, 0, 120, 0, 15, 7, .. "printer"u8, 5, .. "local"u8, 0];
        Assert.Empty(NameQuery.Read(answer));
        (answer[2], answer[7]) = (0x84, 1);
        Assert.Equal([("192.168.31.20", "printer")], NameQuery.Read(answer));
        // Whatever is cut off, or points at itself, gives nothing and ends.
        for (var length = 0; length < answer.Length; length++) Assert.Empty(NameQuery.Read(answer[..length]));
        answer[asked.Length + 1] = (byte)asked.Length;
        Assert.Empty(NameQuery.Read(answer));
    }
}
