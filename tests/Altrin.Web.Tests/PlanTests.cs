using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Altrin.Web.Tests;

/// <summary>The plan is what is to be done to the house as found: corrected there, it is corrected here, and nothing of it is lost in silence.</summary>
public class PlanTests
{
    private static readonly object Address = new { @do = "set-lan-address", device = "studio", address = "192.168.31.2/24" };
    private static readonly object DhcpOff = new { @do = "turn-off-dhcp-server", device = "studio" };

    private static async Task<JsonNode> Done(Task<HttpResponseMessage> answer) => await TestApp.Json(await answer);

    [Fact]
    public async Task After_a_correction_and_an_undo_the_plan_is_judged_on_the_house_as_it_now_is()
    {
        using var app = new TestApp();
        var job = await app.NewJob();
        job = await Done(app.Do(job, "planned", Address));
        job = await Done(app.Do(job, "planned", DhcpOff));
        var wants = (int)job["planned"]!["verdict"]!["wants"]!;
        job = await Done(app.Do(job, "found", new { @do = "remove-need", need = (string)job["found"]!["document"]!["needs"]![0]!["id"]! }));
        job = await Done(app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/planned/undo", new { version = (int)job["version"]! }));
        Assert.Equal(wants - 1, (int)job["planned"]!["verdict"]!["wants"]!);
        Assert.Equal(wants - 1, job["planned"]!["document"]!["needs"]!.AsArray().Count);
        Assert.Equal(1, (int)job["plan"]!["deeds"]!);
    }

    [Theory]
    [InlineData("take-out", 1, 0)]
    [InlineData("keep", 1, 1)]
    public async Task A_planned_deed_that_no_longer_applies_is_listed_with_why_and_taken_out_or_kept(string answer, int deeds, int held)
    {
        using var app = new TestApp();
        var job = await app.NewJob();
        job = await Done(app.Do(job, "planned", Address, new { @do = "move-cable-end", cable = "c1", from = new { device = "studio", port = "wan" }, to = new { device = "studio", port = "lan2" } }));
        Assert.Empty(job["plan"]!["held"]!.AsArray());
        job = await Done(app.Do(job, "found", new { @do = "unplug-cable", cable = "c1" }));
        var one = Assert.Single(job["plan"]!["held"]!.AsArray())!;
        Assert.Equal((1, "There is no cable “c1” in this house.", false), ((int)one["index"]!, (string)one["why"]!, (bool)one["later"]!));
        job = await Done(app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/planned/held", new { version = (int)job["version"]!, index = 1, answer }));
        Assert.Equal((deeds, held), ((int)job["plan"]!["deeds"]!, job["plan"]!["held"]!.AsArray().Count));
        if (held > 0) Assert.True((bool)job["plan"]!["held"]![0]!["later"]!);
        // Both are a step that can be taken back; and with the cable back in its place the deed that was kept is done.
        job = await Done(app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/found/undo", new { version = (int)job["version"]! }));
        Assert.Equal(answer == "keep" ? "lan2" : "wan", (string)job["planned"]!["document"]!["cables"]![0]!["b"]!["port"]!);
        job = await Done(app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/planned/undo", new { version = (int)job["version"]! }));
        Assert.Equal(2, (int)job["plan"]!["deeds"]!);
        var none = await app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/planned/held", new { version = (int)job["version"]!, index = 1, answer });
        Assert.Equal(HttpStatusCode.Conflict, none.StatusCode);
    }

    [Fact]
    public async Task A_change_with_an_id_of_its_own_is_made_once_however_often_it_arrives()
    {
        using var app = new TestApp();
        var job = await app.NewJob();
        var body = new { version = 1, id = "deed-1", actions = new[] { new { @do = "add-endpoint", endpoint = new { id = "tv", name = "Television" } } } };
        var answers = await Task.WhenAll(Enumerable.Range(0, 4).Select(_ => app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/found/deeds", body)));
        // One of those at once may be told that another was first; sent again it is told that it is done.
        Assert.All(answers, answer => Assert.Contains(answer.StatusCode, new[] { HttpStatusCode.OK, HttpStatusCode.Conflict }));
        var after = await Done(app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/found/deeds", body));
        Assert.Equal(2, (int)after["version"]!);
        Assert.Single(after["found"]!["document"]!["endpoints"]!.AsArray(), thing => (string)thing!["id"]! == "tv");

        var undo = new { version = 2, id = "undo-1" };
        await Done(app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/found/undo", undo));
        Assert.Equal(3, (int)(await Done(app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/found/undo", undo)))["version"]!);
    }

    [Fact]
    public async Task What_the_product_proposes_for_a_house_of_three_hundred_boxes_it_takes()
    {
        using var app = new TestApp();
        var actions = Enumerable.Range(1, 300).Select(n => (object)new { @do = "add-device", device = new { id = $"s{n}", name = $"Switch {n}", mode = "switch", ports = new[] { new { id = "p1", role = "lan" } } } }).ToArray();
        var job = await Done(app.Do(await app.NewJob(), "planned", actions));
        Assert.Equal(300, (int)job["plan"]!["deeds"]!);
    }

    [Theory]
    [InlineData("""{"do":"set-line","line":{"device":"gw","port":"line","downMbps":-1}}""", "line.downMbps")]
    [InlineData("""{"do":"plug-cable","cable":{"id":"n","a":{"device":"gw","port":"lan4"},"b":{"device":"studio","port":"lan4"},"lengthM":100001}}""", "cable.lengthM")]
    [InlineData("""{"do":"connect-endpoint","endpoint":"printer","to":{"device":"gw","ssid":"larkspur"}}""", "to")]
    [InlineData("""{"do":"add-device","device":{"id":"x","name":"X","mode":"switch","ports":[null]}}""", "device.ports[0]")]
    [InlineData("""{"do":"add-endpoint","endpoint":{"id":"carrier","name":"X"}}""", "endpoint.id")]
    public async Task A_bad_deed_is_refused_at_its_field_and_leaves_job_and_list_as_they_were(string deed, string field)
    {
        using var app = new TestApp();
        var job = await app.NewJob();
        var answer = await app.Send("POST", $"/api/jobs/{job["id"]}/found/deeds", $$"""{"version":1,"actions":[{{deed}}]}""");
        var problem = await TestApp.Json(answer, HttpStatusCode.BadRequest);
        Assert.NotNull(problem["errors"]![$"actions[0].{field}"]);
        Assert.Equal(1, (int)(await Done(app.Client.GetAsync($"/api/jobs/{job["id"]}")))["version"]!);
        Assert.Single((await Done(app.Client.GetAsync("/api/jobs"))).AsArray());
    }
}
