using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Altrin.Web.Tests;

/// <summary>Something else was seen than a step said: what it may mean, the order from there, and what the work began from.</summary>
public class TurnTests
{
    private static async Task<JsonNode> Get(TestApp app, string path) => await TestApp.Json(await app.Client.GetAsync(path));
    private static Task<HttpResponseMessage> Post(TestApp app, string path, object body) => app.Client.PostAsJsonAsync(path, body);

    private static async Task<(string Order, JsonNode Steps)> Planned(TestApp app)
    {
        var job = await app.NewJob();
        var plan = (await Get(app, $"/api/jobs/{job["id"]}/options"))["plans"]![0]!;
        await TestApp.Json(await app.Client.PutAsJsonAsync($"/api/jobs/{job["id"]}/planned", new { version = 1, actions = plan["actions"] }));
        var order = $"/api/jobs/{job["id"]}/work-order";
        return (order, (await Get(app, order))["order"]!["steps"]!);
    }

    private static string KeyOf(JsonNode steps, string start) => (string)steps.AsArray().First(step => ((string)step!["title"]!).StartsWith(start, StringComparison.Ordinal))!["key"]!;

    [Fact]
    public async Task A_turn_is_kept_through_a_restart_the_order_goes_on_from_it_and_it_can_be_taken_back()
    {
        var data = Directory.CreateTempSubdirectory("altrin-test-").FullName;
        string order, key;
        JsonNode steps;
        using (var app = new TestApp(data))
        {
            (order, steps) = await Planned(app);
            key = KeyOf(steps, "Give Studio router a new address");
            var first = (string)steps[0]!["key"]!;
            await TestApp.Json(await app.Client.PutAsJsonAsync($"{order}/{first}", new { revision = 0, outcome = "as-said", note = "blue lamp" }));
            var seen = new { seen = "other-address", address = "192.168.1.1" };
            var meanings = (await TestApp.Json(await Post(app, $"{order}/{key}/otherwise", seen))).AsArray();
            var meaning = meanings.First(one => ((string)one!["sentence"]!).Contains("did not take", StringComparison.Ordinal))!;
            Assert.True((bool)meaning["next"]!["isProven"]!);
            var turn = new { turns = 0, seen.seen, seen.address, meaning = (string)meaning["key"]! };
            Assert.Equal(HttpStatusCode.NoContent, (await Post(app, $"{order}/{key}/turn", turn)).StatusCode);
            // Two tabs do not turn twice.
            Assert.Equal(HttpStatusCode.Conflict, (await Post(app, $"{order}/{steps[1]!["key"]}/turn", turn)).StatusCode);
        }
        using (var app = new TestApp(data))
        {
            var now = await Get(app, order);
            Assert.Equal("other-address", (string)Assert.Single(now["turns"]!.AsArray())!["seen"]!);
            Assert.Equal(("as-said", "blue lamp"), ((string)now["turns"]![0]!["done"]![0]!["outcome"]!, (string)now["turns"]![0]!["done"]![0]!["note"]!));
            Assert.True(now["order"]!["steps"]!.AsArray().Count < steps.AsArray().Count);
            Assert.True((bool)now["isProven"]!);
            // What was ticked before is no tick of the new order, and the way back is an order from here.
            Assert.DoesNotContain((string)steps[0]!["key"]!, now["order"]!["steps"]!.AsArray().Select(step => (string)step!["key"]!));
            var back = await Get(app, $"{order}?way=back:");
            // Something else seen on the way back leads on back.
            var odd = back["order"]!["steps"]!.AsArray().First(step => step!["open"] is not null)!;
            var onBack = (await TestApp.Json(await Post(app, $"{order}/{odd["key"]}/otherwise?way=back:", new { seen = "gave-up" }))).AsArray()[0]!;
            Assert.Equal(HttpStatusCode.NoContent, (await Post(app, $"{order}/{odd["key"]}/turn?way=back:", new { turns = 1, seen = "gave-up", meaning = (string)onBack["key"]! })).StatusCode);
            Assert.Equal((int)onBack["next"]!["minutes"]!, (int)(await Get(app, $"{order}?way=back:"))["order"]!["minutes"]!);
            Assert.Equal(HttpStatusCode.NoContent, (await app.Client.DeleteAsync($"{order}/turns/2")).StatusCode);
            Assert.Equal(("Back to how it was found", true), ((string)back["order"]!["title"]!, (bool)back["isProven"]!));
            Assert.Equal(HttpStatusCode.Conflict, (await app.Client.DeleteAsync($"{order}/turns/7")).StatusCode);
            Assert.Equal(HttpStatusCode.NoContent, (await app.Client.DeleteAsync($"{order}/turns/1")).StatusCode);
            Assert.Equal(HttpStatusCode.NotFound, (await app.Client.DeleteAsync($"{order}/turns/1")).StatusCode);
            Assert.Equal(steps.ToJsonString(), (await Get(app, order))["order"]!["steps"]!.ToJsonString());
        }
        Directory.Delete(data, recursive: true);
    }

    [Fact]
    public async Task A_box_whose_page_is_lost_is_reset_first()
    {
        using var app = new TestApp();
        var (order, steps) = await Planned(app);
        var key = KeyOf(steps, "Log in to Studio router");
        Assert.Equal(HttpStatusCode.NoContent, (await Post(app, $"{order}/{key}/turn", new { turns = 0, seen = "nothing", meaning = "reset" })).StatusCode);
        var now = (await Get(app, order))["order"]!["steps"]!;
        var reset = now.AsArray().First(step => ((string)step!["title"]!).StartsWith("Hold reset on Studio router", StringComparison.Ordinal))!;
        Assert.True((int)reset["number"]! < now.AsArray().Where(step => (string?)step!["device"] == "studio" && step["open"] is not null).Min(step => (int)step!["number"]!));
    }

    [Fact]
    public async Task A_step_is_played_on_the_house_with_the_laptop_in_it()
    {
        using var app = new TestApp();
        var (order, steps) = await Planned(app);
        var played = await Get(app, $"{order}/{KeyOf(steps, "Plug your laptop into Studio router")}/rehearsal");
        var laptop = played["house"]!["document"]!["endpoints"]!.AsArray()[^1]!;
        Assert.Equal(("installer-laptop", "studio"), ((string)laptop["id"]!, (string)laptop["connect"]!["device"]!));
        var cable = await Get(app, $"{order}/{KeyOf(steps, "Plug a cable from Hall gateway")}/rehearsal");
        Assert.Contains("on one network", (string)cable["whyNotSooner"]!, StringComparison.Ordinal);
        var cut = await Get(app, $"{order}/{KeyOf(steps, "Unplug the cable between")}/rehearsal");
        Assert.Contains("Work laptop", cut["offline"]!.AsArray().Select(name => (string)name!));
    }

    [Theory]
    [InlineData("""{"seen":"other-address","address":"house"}""", "address")]
    [InlineData("""{"seen":"other-page"}""", "device")]
    [InlineData("""{"seen":"want-fails","need":"n1"}""", "seen")]
    [InlineData("""{"seen":"no-network"}""", "seen")]
    public async Task What_cannot_be_seen_there_is_refused_with_the_field_and_the_mend(string body, string field)
    {
        using var app = new TestApp();
        var (order, steps) = await Planned(app);
        var answer = await app.Send("POST", $"{order}/{KeyOf(steps, "Log in to Studio router")}/otherwise", body);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Equal(field, JsonNode.Parse(await answer.Content.ReadAsStringAsync())!["errors"]!.AsObject().Single().Key);
    }

    [Fact]
    public async Task Without_a_socket_and_with_a_phone_alone_the_order_is_another_one()
    {
        using var app = new TestApp();
        var (order, _) = await Planned(app);
        foreach (var hands in new[] { "no-socket", "phone" })
        {
            var now = await Get(app, $"{order}?with={hands}");
            Assert.Equal(hands, (string)now["with"]!);
            Assert.True((bool)now["isProven"]!);
            Assert.DoesNotContain(now["order"]!["steps"]!.AsArray(), step => step!["actions"]!.AsArray().Any(action => (string)action!["do"]! == "plug-laptop"));
        }
        Assert.Equal(HttpStatusCode.BadRequest, (await app.Client.GetAsync($"{order}?with=gloves")).StatusCode);
    }

    /// <summary>Read by another reader than the one that drew it: the squares of the drawing, put into a picture.</summary>
    [Fact]
    public async Task The_code_beside_a_printed_step_leads_back_to_it()
    {
        using var app = new TestApp();
        var (order, steps) = await Planned(app);
        var key = (string)steps[2]!["key"]!;
        var answer = await app.Client.GetAsync($"{order}/{key}/code");
        Assert.Equal("image/svg+xml", answer.Content.Headers.ContentType?.MediaType);
        Assert.EndsWith($"/work?side=planned&step={key}", DrawnCodes.Read(await answer.Content.ReadAsStringAsync()), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await app.Client.GetAsync($"{order}/%3Cscript%3E/code")).StatusCode);
    }
}
