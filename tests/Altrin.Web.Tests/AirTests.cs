using System.Net;
using System.Text.Json.Nodes;
using static Altrin.Web.Tests.TestApp;

namespace Altrin.Web.Tests;

/// <summary>The air of a house, asked for by the page.</summary>
public class AirTests
{
    private static async Task<(TestApp App, string Id)> Farm()
    {
        var app = new TestApp();
        var job = await app.NewJob("demo-farm");
        return (app, (string)job["id"]!);
    }

    private static async Task<JsonNode> Ask(TestApp app, string id, string what) => await Json(await app.Client.GetAsync($"/api/jobs/{id}/found/air{what}"), HttpStatusCode.OK);

    [Fact]
    public async Task Every_room_is_lettered_with_what_is_computed_of_it()
    {
        var (app, id) = await Farm();
        using var _ = app;
        var air = await Ask(app, id, "");
        Assert.Equal(12, air["rooms"]!.AsArray().Count);
        Assert.All(air["rooms"]!.AsArray(), room => Assert.EndsWith(".", (string)room!["says"]!, StringComparison.Ordinal));
        Assert.Equal(["2.4", "5"], air["strips"]!.AsArray().Select(strip => (string)strip!["band"]!));
        Assert.True((bool)air["isLawKnown"]!);
        Assert.Equal(4, air["links"]!.AsArray().Count);
    }

    [Fact]
    public async Task What_a_try_says_is_what_the_house_then_has()
    {
        var (app, id) = await Farm();
        using var _ = app;
        var tried = await Ask(app, id, "/try?device=dairy&room=east-wing&x=13&y=2.5");
        var job = await Json(await app.Client.GetAsync($"/api/jobs/{id}"), HttpStatusCode.OK);
        await Json(await app.Send("POST", $"/api/jobs/{id}/found/deeds", $$"""{"version":{{job["version"]}},"actions":[{"do":"place-at","id":"dairy","room":"east-wing","at":[13,2.5]}]}"""), HttpStatusCode.OK);
        var air = await Ask(app, id, "");
        Assert.Equal(tried["spot"]!["rooms"]!.AsArray().Select(room => (double)room!["mbps"]!), air["rooms"]!.AsArray().Select(room => (double?)room!["mbps"] ?? 0));
    }

    [Fact]
    public async Task What_cannot_be_asked_is_refused_at_its_field()
    {
        var (app, id) = await Farm();
        using var _ = app;
        foreach (var (what, field) in new[]
        {
            ("/try?device=nobody&room=hall", "device"),
            ("/try?device=dairy&room=moon", "room"),
            ("/try?device=dairy&room=hall&radio=9g", "radio"),
            ("/try?device=dairy&room=hall&x=1e9&y=0", "x"),
            ("/try?device=dairy&room=hall&x=NaN&y=NaN", "x"),
            ("/standing?device=nobody", "device"),
        })
            Assert.NotNull((await Json(await app.Client.GetAsync($"/api/jobs/{id}/found/air{what}"), HttpStatusCode.BadRequest))["errors"]![field]);
    }

    [Fact]
    public async Task An_empty_house_has_an_answer_to_each_question_and_an_unknown_one_none()
    {
        using var app = new TestApp();
        var id = (string)(await app.NewJob("empty"))["id"]!;
        foreach (var what in new[] { "", "/channels", "/what-if", "/names?apart=true", "/walls", "/said-room?text=Hall%203%20by%204" })
        {
            Assert.NotNull(await Ask(app, id, what));
            Assert.Equal(HttpStatusCode.NotFound, (await app.Client.GetAsync($"/api/jobs/none/found/air{what}")).StatusCode);
            Assert.Equal(HttpStatusCode.NotFound, (await app.Client.GetAsync($"/api/jobs/{id}/sideways/air{what}")).StatusCode);
        }
    }

    [Fact]
    public async Task A_deed_that_cannot_be_done_names_its_field()
    {
        var (app, id) = await Farm();
        using var _ = app;
        foreach (var (deed, field, message) in new[]
        {
            ("""{"do":"draw-room","room":{"id":"new","name":"New","rect":[0,0,3,3]}}""", "actions[0].room.rect", "New would lie over Entry. Rooms of one floor lie beside one another."),
            ("""{"do":"draw-room","room":{"id":"new","name":"Hall","rect":[200,0,3,3]}}""", "actions[0].room.name", "There is a room Hall already."),
            ("""{"do":"place-at","id":"nobody","room":"hall"}""", "actions[0].id", "There is nothing called “nobody” in this house."),
            ("""{"do":"place-at","id":"dairy","room":"moon","at":[1,1]}""", "actions[0].at", "A place in metres is in a room of the list. Choose the room first."),
        })
        {
            var problem = await Json(await app.Send("POST", $"/api/jobs/{id}/found/deeds", $$"""{"version":1,"actions":[{{deed}}]}"""), HttpStatusCode.BadRequest);
            Assert.Equal(message, (string)problem["errors"]![field]![0]!);
        }
    }
}
