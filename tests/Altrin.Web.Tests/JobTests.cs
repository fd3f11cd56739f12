using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using static Altrin.Web.Tests.TestApp;

namespace Altrin.Web.Tests;

public class JobTests
{
    private static readonly object ToAccess = new { @do = "turn-off-dhcp-server", device = "studio" };
    private static object Address(string address) => new { @do = "set-lan-address", device = "studio", address };

    [Fact]
    public async Task The_demo_house_comes_with_its_faults_and_fixes()
    {
        using var app = new TestApp();
        var job = await app.NewJob();
        Assert.Equal((3, 4, 2),
            ((int)job["found"]!["verdict"]!["faults"]!, (int)job["found"]!["verdict"]!["cautions"]!,
            (int)job["found"]!["verdict"]!["wantsHeld"]!));
        // No setting makes a socket faster; everything else has a fix.
        var fixes = await app.Client.GetFromJsonAsync<JsonObject>($"/api/jobs/{job["id"]}/found/fixes");
        Assert.All(job["found"]!["findings"]!.AsArray(),
            finding =>
            Assert.Equal((string)finding!["rule"]! == "slow-socket", fixes!["fixes"]![(string)finding["key"]!]!.AsArray().Count == 0));
    }

    [Fact]
    public async Task Fixes_are_of_the_house_as_it_is_now_and_say_of_which_version()
    {
        using var app = new TestApp();
        var job = await app.NewJob();
        var twice = (string)job["found"]!["findings"]!.AsArray().Single(finding =>
            (string)finding!["rule"]! == "address-held-twice")!["key"]!;
        var first = (await Fixes())["fixes"]![twice]!.AsArray()[0]!;
        Assert.NotEmpty(first["deeds"]!.AsArray());
        var mended = await Json(await app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/found/deeds",
            new { version = 1, actions = first["actions"] }));
        var after = await Fixes();
        Assert.Equal(((int)mended["version"]!, false), ((int)after["revision"]!, after["fixes"]!.AsObject().ContainsKey(twice)));
        Assert.Equal(HttpStatusCode.NotFound, (await app.Client.GetAsync($"/api/jobs/{job["id"]}/cellar/fixes")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await app.Client.GetAsync("/api/jobs/nobody/found/fixes")).StatusCode);

        async Task<JsonObject> Fixes() => (await app.Client.GetFromJsonAsync<JsonObject>($"/api/jobs/{job["id"]}/found/fixes"))!;
    }

    [Fact]
    public async Task Undo_gives_back_the_same_document_and_redo_the_same_again()
    {
        using var app = new TestApp();
        var job = await app.NewJob();
        var before = job["found"]!["document"]!.ToJsonString();
        var changed = await Json(await app.Do(job, "found", Address("192.168.7.1/24")));
        Assert.Equal("Give Studio router the address 192.168.7.1", (string)changed["found"]!["undo"]!);
        var undone = await Json(await app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/found/undo",
            new { version = (int)changed["version"]! }));
        Assert.Equal(before, undone["found"]!["document"]!.ToJsonString());
        var redone = await Json(await app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/found/redo",
            new { version = (int)undone["version"]! }));
        Assert.Equal(changed["found"]!["document"]!.ToJsonString(), redone["found"]!["document"]!.ToJsonString());
    }

    [Fact]
    public async Task Undo_with_nothing_to_take_back_says_so()
    {
        using var app = new TestApp();
        var job = await app.NewJob();
        var answer = await app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/planned/undo", new { version = 1 });
        Assert.Equal("There is nothing to take back, or to bring back.", (string)(await Json(answer, HttpStatusCode.Conflict))["title"]!);
    }

    [Fact]
    public async Task A_correction_of_the_house_as_found_reaches_the_plan()
    {
        using var app = new TestApp();
        var job = await Json(await app.Do(await app.NewJob(), "planned", ToAccess));
        var corrected = await Json(await app.Do(job, "found", new { @do = "rename", id = "studio", name = "Shed router" }));
        var planned = corrected["planned"]!["document"]!["devices"]![1]!;
        Assert.Equal(("Shed router", false), ((string)planned["name"]!, (bool)planned["lan"]!["dhcpServer"]!["enabled"]!));
        Assert.Equal("Turn off the DHCP server of Studio router", (string)corrected["planned"]!["undo"]!);
    }

    [Fact]
    public async Task Two_tabs_never_overwrite_each_other_silently()
    {
        using var app = new TestApp();
        var job = await app.NewJob();
        await Json(await app.Do(job, "found", Address("192.168.7.1/24")));
        var late = await app.Do(job, "found", Address("192.168.8.1/24"));
        Assert.StartsWith("This was changed in another tab or on another device meanwhile.",
            (string)(await Json(late, HttpStatusCode.Conflict))["title"]!);
        var now = await Json(await app.Client.GetAsync($"/api/jobs/{job["id"]}"));
        Assert.Equal("192.168.7.1/24", (string)now["found"]!["document"]!["devices"]![1]!["lan"]!["address"]!);
    }

    [Fact]
    public async Task Jobs_are_found_by_any_words_of_their_names_and_a_few_at_a_time()
    {
        using var app = new TestApp();
        foreach (var name in new[] { "Mill Cottage", "Old Mill", "Café Élan",
            "Harbour 100%" }) await Json(await app.Client.PostAsJsonAsync("/api/jobs", new { from = "empty", name }));
        async Task<string[]> Found(string query) =>
            [.. (await Json(await app.Client.GetAsync($"/api/jobs?{query}"))).AsArray().Select(job =>
            (string)job!["name"]!).Order(StringComparer.Ordinal)];
        Assert.Equal(["Mill Cottage", "Old Mill"], await Found("find=mill"));
        Assert.Equal(["Mill Cottage"], await Found("find=cottage%20MILL"));
        Assert.Equal(["Café Élan"], await Found($"find={Uri.EscapeDataString("CAFÉ éla")}"));
        // No letter of what is typed is a sign to the database.
        Assert.Equal(["Harbour 100%"], await Found("find=%25"));
        Assert.Empty(await Found("find=_"));
        Assert.Equal(2, (await Found("take=2")).Length);
        foreach (var bad in new[] { "take=0", "take=1001", "take=x", $"find={new string('a', 2000)}" })
            Assert.Equal(HttpStatusCode.BadRequest, (await app.Client.GetAsync($"/api/jobs?{bad}")).StatusCode);
    }

    /// <summary>Held against the first page of a short list on the same machine in the same minute, for other tests run besides.</summary>
    [Fact]
    public async Task The_first_page_of_two_thousand_jobs_costs_little_more_than_that_of_sixty()
    {
        var (few, many) = (await FirstPages(60), await FirstPages(2000));
        Assert.True(many < 10 * few + TimeSpan.FromMilliseconds(50),
            $"{few.TotalMilliseconds:0} ms of 60 jobs, {many.TotalMilliseconds:0} ms of 2,000");
    }

    /// <returns>The least of eight times that the first page and a search took, together.</returns>
    private static async Task<TimeSpan> FirstPages(int jobs)
    {
        using var app = new TestApp();
        await app.NewJob();
        using (var db = new Microsoft.Data.Sqlite.SqliteConnection($"Data Source={Path.Combine(app.Data, "altrin.db")}"))
        {
            db.Open();
            using var copy = db.CreateCommand();
            copy.CommandText = $"""
                WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < {jobs})
                INSERT INTO jobs (Id, Name, CreatedAt, ChangedAt, Version, FoundNumber, PlannedNumber, Summary, SummaryBy)
                SELECT 'copy' || i, 'House ' || i, CreatedAt, ChangedAt - i, Version, FoundNumber, PlannedNumber, Summary, SummaryBy
                FROM (SELECT * FROM jobs LIMIT 1), n
                """;
            Assert.Equal(jobs, copy.ExecuteNonQuery());
        }
        var least = TimeSpan.MaxValue;
        for (var n = 0; n < 8; n++)
        {
            var watch = System.Diagnostics.Stopwatch.StartNew();
            foreach (var query in new[] { "take=51", $"find={jobs - 1}&take=51" })
                Assert.Equal(HttpStatusCode.OK, (await app.Client.GetAsync($"/api/jobs?{query}")).StatusCode);
            if (watch.Elapsed < least) least = watch.Elapsed;
        }
        return least;
    }

    [Fact]
    public async Task Two_who_speak_of_different_things_are_both_heard()
    {
        using var app = new TestApp();
        var job = await app.NewJob();
        await Json(await app.Do(job, "found", Address("192.168.7.1/24")));
        await Json(await app.Do(job, "found", new { @do = "rename", id = "gw", name = "Front gateway" }));
        // The third saw the first version too, and speaks of the plan.
        await Json(await app.Do(job, "planned", new { @do = "rename", id = "printer", name = "Later" }));
        var now = await Json(await app.Client.GetAsync($"/api/jobs/{job["id"]}"));
        var boxes = now["found"]!["document"]!["devices"]!;
        Assert.Equal(("192.168.7.1/24", "Front gateway", 4),
            ((string)boxes[1]!["lan"]!["address"]!, (string)boxes[0]!["name"]!, (int)now["version"]!));
        Assert.Contains(now["planned"]!["document"]!["endpoints"]!.AsArray(), thing => (string)thing!["name"]! == "Later");
        // What one takes away the other does not go on with, and undo is of what was seen.
        await Json(await app.Do(now, "found", new { @do = "remove-endpoint", endpoint = "printer" }));
        Assert.Equal(HttpStatusCode.Conflict,
            (await app.Do(now, "found", new { @do = "rename", id = "printer", name = "Gone" })).StatusCode);
        Assert.Equal(HttpStatusCode.Conflict,
            (await app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/found/undo", new { version = 1 })).StatusCode);
    }

    [Fact]
    public async Task Of_many_writers_at_once_exactly_one_wins_each_version()
    {
        using var app = new TestApp();
        var job = await app.NewJob();
        var answers = await Task.WhenAll(Enumerable.Range(2, 8).Select(n => app.Do(job, "found", Address($"192.168.{n}.1/24"))));
        Assert.Single(answers, answer => answer.StatusCode == HttpStatusCode.OK);
        Assert.All(answers.Where(answer => answer.StatusCode != HttpStatusCode.OK),
            answer => Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode));
    }

    [Fact]
    public async Task Everything_survives_a_restart_undo_and_redo_too()
    {
        var data = Directory.CreateTempSubdirectory("altrin-test-").FullName;
        string id;
        using (var app = new TestApp(data))
        {
            var job = await Json(await app.Do(await app.NewJob(), "planned", Address("192.168.31.2/24")));
            job = await Json(await app.Do(job, "planned", ToAccess));
            job = await Json(await app.Client.PostAsJsonAsync($"/api/jobs/{job["id"]}/planned/undo",
                new { version = (int)job["version"]! }));
            id = (string)job["id"]!;
            await Json(await app.Client.PutAsJsonAsync($"/api/jobs/{id}/work-order/{await FirstStep(app, id)}",
                new { revision = 0, outcome = "as-said", note = "green lamp" }));
        }
        using (var app = new TestApp(data))
        {
            var job = await Json(await app.Client.GetAsync($"/api/jobs/{id}"));
            Assert.Equal("Give Studio router the address 192.168.31.2", (string)job["planned"]!["undo"]!);
            Assert.Equal("Turn off the DHCP server of Studio router", (string)job["planned"]!["redo"]!);
            var tick = (await Json(await app.Client.GetAsync($"/api/jobs/{id}/work-order")))["ticks"]![0]!;
            Assert.Equal(("as-said", "green lamp", 1), ((string)tick["outcome"]!, (string)tick["note"]!, (int)tick["revision"]!));
            Assert.NotNull(tick["doneAt"]);
        }
        Directory.Delete(data, recursive: true);
    }

    private static async Task<string> FirstStep(TestApp app, string id) =>
        (string)(await Json(await app.Client.GetAsync($"/api/jobs/{id}/work-order")))["order"]!["steps"]![0]!["key"]!;

    [Fact]
    public async Task A_tick_said_in_two_tabs_is_not_overwritten()
    {
        using var app = new TestApp();
        var id = (string)(await Json(await app.Do(await app.NewJob(), "planned", Address("192.168.31.2/24"))))["id"]!;
        var step = await FirstStep(app, id);
        await Json(await app.Client.PutAsJsonAsync($"/api/jobs/{id}/work-order/{step}", new { revision = 0, outcome = "as-said" }));
        var late = await app.Client.PutAsJsonAsync($"/api/jobs/{id}/work-order/{step}",
            new { revision = 0, outcome = "something-else", note = "red lamp" });
        Assert.Equal(HttpStatusCode.Conflict, late.StatusCode);
    }

    [Fact]
    public async Task A_plan_is_adopted_whole_and_its_order_is_proven()
    {
        using var app = new TestApp();
        var job = await app.NewJob();
        var options = await Json(await app.Client.GetAsync($"/api/jobs/{job["id"]}/options"));
        var plan = options["plans"]![0]!;
        Assert.Equal((7, true), ((int)plan["wantsHeld"]!, (bool)options["isExact"]!));
        var after = await Json(await app.Client.PutAsJsonAsync($"/api/jobs/{job["id"]}/planned",
            new { version = 1, actions = plan["actions"], say = "One network" }));
        Assert.Equal((0, 7, 3),
            ((int)after["planned"]!["verdict"]!["faults"]!, (int)after["planned"]!["verdict"]!["wantsHeld"]!,
            (int)after["found"]!["verdict"]!["faults"]!));
        var order = await Json(await app.Client.GetAsync($"/api/jobs/{job["id"]}/work-order"));
        Assert.True((bool)order["isProven"]!);
        Assert.Equal(("keep", "reset"), ((string)order["way"]!, (string)order["otherWay"]!["way"]!));
        // What is said of the plan is what its order comes to.
        Assert.Equal(((int)plan["cutMinutes"]!, (int)plan["minutes"]!), ((int)order["cutMinutes"]!, (int)order["order"]!["minutes"]!));
        var reset = await Json(await app.Client.GetAsync($"/api/jobs/{job["id"]}/work-order?way=reset"));
        Assert.Equal((int)order["otherWay"]!["cutMinutes"]!, (int)reset["cutMinutes"]!);
        Assert.True((int)order["cutMinutes"]! < (int)reset["cutMinutes"]!);
        Assert.Equal(HttpStatusCode.BadRequest, (await app.Client.GetAsync($"/api/jobs/{job["id"]}/work-order?way=sideways")).StatusCode);
    }

    [Fact]
    public async Task Where_nothing_is_reset_there_is_no_second_way()
    {
        using var app = new TestApp();
        var job = await app.NewJob();
        var after = await Json(await app.Do(job, "planned",
            new { @do = "set-endpoint-address", endpoint = "printer", address = new { method = "dhcp" } }));
        Assert.NotEqual(1, (int)after["version"]!);
        var order = await Json(await app.Client.GetAsync($"/api/jobs/{job["id"]}/work-order"));
        Assert.Equal("keep", (string)order["way"]!);
        Assert.Null(order["otherWay"]);
        // Asked for by its name it is answered all the same.
        Assert.Equal("reset", (string)(await Json(await app.Client.GetAsync($"/api/jobs/{job["id"]}/work-order?way=reset")))["way"]!);
    }

    [Fact]
    public async Task What_is_pinned_or_forbidden_holds_in_every_plan_and_a_bad_pin_is_answered_with_the_mend()
    {
        using var app = new TestApp();
        var job = await app.NewJob();
        async Task<System.Text.Json.Nodes.JsonNode> Options(string query) =>
            await Json(await app.Client.GetAsync($"/api/jobs/{job["id"]}/options?{query}"));
        var pinned = await Options("pin=studio:router");
        Assert.NotEmpty(pinned["plans"]!.AsArray());
        Assert.All(pinned["plans"]!.AsArray(),
            plan => Assert.DoesNotContain(plan!["actions"]!.AsArray(), one => (string)one!["do"]! == "turn-off-dhcp-server"
            && (string)one["device"]! == "studio"));
        var forbidden = await Options("forbid=gw:modem");
        Assert.All(forbidden["plans"]!.AsArray(),
            plan => Assert.DoesNotContain("modem mode", (string)plan!["title"]!, StringComparison.Ordinal));
        var uses = pinned["pinnable"]!.AsArray().Single(one => (string)one!["device"]! == "studio")!["uses"]!.AsArray().Select(one =>
            (string)one!["use"]!);
        Assert.Contains("cable/gw", uses);
        Assert.NotEmpty((await Options("pin=studio:cable/gw"))["plans"]!.AsArray());
        var bad = await app.Client.GetAsync($"/api/jobs/{job["id"]}/options?pin=attic:balloon");
        Assert.Equal(HttpStatusCode.BadRequest, bad.StatusCode);
        Assert.Contains("attic:balloon", await bad.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await app.Client.GetAsync("/api/jobs/nobody/options")).StatusCode);
    }

    [Fact]
    public async Task The_log_tells_what_was_changed_in_order()
    {
        using var app = new TestApp();
        var job = await Json(await app.Do(await app.NewJob(), "found", Address("192.168.7.1/24")));
        var log = (await Json(await app.Client.GetAsync($"/api/jobs/{job["id"]}/log"))).AsArray();
        Assert.Contains(log, entry => (string)entry!["side"]! == "found"
            && (string)entry["sentence"]! == "Give Studio router the address 192.168.7.1" && (bool)entry["isCurrent"]!);
    }

    [Theory]
    [InlineData("larkspur-house")]
    [InlineData("loop")]
    public async Task A_document_brought_in_goes_out_the_same(string example)
    {
        using var app = new TestApp();
        var job = await Json(await app.Send("POST", "/api/jobs/import", Example(example)));
        var text = await app.Client.GetStringAsync($"/api/jobs/{job["id"]}/found/document");
        var again = await Json(await app.Send("POST", "/api/jobs/import", text));
        Assert.Equal(job["found"]!["document"]!.ToJsonString(), again["found"]!["document"]!.ToJsonString());
        var simulated = await Json(await app.Send("POST", "/api/simulate", text));
        Assert.Equal("altrin.state/1", (string)simulated["format"]!);
    }

    [Fact]
    public async Task A_job_is_deleted_with_all_that_hangs_on_it()
    {
        using var app = new TestApp();
        var id = (await app.NewJob())["id"];
        Assert.Equal(HttpStatusCode.NoContent, (await app.Client.DeleteAsync($"/api/jobs/{id}")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await app.Client.GetAsync($"/api/jobs/{id}")).StatusCode);
        Assert.Empty((await Json(await app.Client.GetAsync("/api/jobs"))).AsArray());
    }

    [Fact]
    public async Task A_new_house_is_empty_and_invents_nothing()
    {
        using var app = new TestApp();
        var job = await app.NewJob("empty");
        Assert.Equal((0, 0), ((int)job["found"]!["verdict"]!["faults"]!, (int)job["found"]!["verdict"]!["cautions"]!));
        Assert.Empty(job["found"]!["document"]!["devices"]!.AsArray());
        Assert.Null(job["found"]!["document"]!["line"]);
        Assert.Empty(job["found"]!["stairs"]!["streetAddresses"]!.AsArray());
    }

    [Fact, Trait("source", "RFC 9110 sections 8.8.3 and 13.1.2")]
    public async Task An_answer_that_did_not_change_is_not_sent_again()
    {
        using var app = new TestApp();
        var id = (await app.NewJob())["id"];
        var first = await app.Client.GetAsync($"/api/jobs/{id}");
        async Task<HttpResponseMessage> Again(string tag)
        {
            var ask = new HttpRequestMessage(HttpMethod.Get, $"/api/jobs/{id}");
            ask.Headers.TryAddWithoutValidation("If-None-Match", tag);
            return await app.Client.SendAsync(ask);
        }
        var tag = first.Headers.ETag!.ToString();
        var second = await Again(tag);
        Assert.Equal((HttpStatusCode.NotModified, ""), (second.StatusCode, await second.Content.ReadAsStringAsync()));
        Assert.Equal(HttpStatusCode.NotModified, (await Again($"W/{tag}, \"other\"")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await Again("\"other\"")).StatusCode);
        await app.Do(await Json(first), "found", new { @do = "rename", id = "gw", name = "Other" });
        var changed = await Again(tag);
        Assert.Equal(HttpStatusCode.OK, changed.StatusCode);
        Assert.NotEqual(tag, changed.Headers.ETag!.ToString());
    }

    [Theory]
    [InlineData("br")]
    [InlineData("gzip")]
    public async Task Answers_are_compressed_over_the_wire(string how)
    {
        using var app = new TestApp();
        var id = (await app.NewJob())["id"];
        var plain = (await app.Client.GetByteArrayAsync($"/api/jobs/{id}")).Length;
        var ask = new HttpRequestMessage(HttpMethod.Get, $"/api/jobs/{id}");
        ask.Headers.Add("Accept-Encoding", how);
        var answer = await app.Client.SendAsync(ask);
        Assert.Equal([how], answer.Content.Headers.ContentEncoding);
        Assert.InRange((await answer.Content.ReadAsByteArrayAsync()).Length, 1, plain / 3);
    }

    [Fact]
    public async Task A_tick_said_twice_is_one_tick()
    {
        using var app = new TestApp();
        var id = (string)(await Json(await app.Do(await app.NewJob(), "planned", Address("192.168.31.2/24"))))["id"]!;
        var step = await FirstStep(app, id);
        var said = new { revision = 0, outcome = "as-said", note = "green lamp" };
        var first = await Json(await app.Client.PutAsJsonAsync($"/api/jobs/{id}/work-order/{step}", said));
        var second = await Json(await app.Client.PutAsJsonAsync($"/api/jobs/{id}/work-order/{step}", said));
        Assert.Equal((1, "green lamp"), ((int)second["revision"]!, (string)first["note"]!));
        Assert.Equal(HttpStatusCode.Conflict,
            (await app.Client.PutAsJsonAsync($"/api/jobs/{id}/work-order/{step}", new { revision = 0, outcome = "open" })).StatusCode);
    }

    [Fact, Trait("kind", "formats")]
    public async Task The_published_description_is_the_served_one()
    {
        using var app = new TestApp();
        var served = JsonNode.Parse(await app.Client.GetStringAsync("/api/openapi.json"))!;
        if (Environment.GetEnvironmentVariable("ALTRIN_WRITE_FORMATS") == "1")
            await File.WriteAllTextAsync(Path.Combine(Root, "docs", "formats", "api.openapi.json"),
                served.ToJsonString(new()
                {
                    WriteIndented = true,
                    Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping
                }) + "\n");
        var published = JsonNode.Parse(await File.ReadAllTextAsync(Path.Combine(Root, "docs", "formats", "api.openapi.json")))!;
        Assert.True(JsonNode.DeepEquals(served, published), "docs/formats/api.openapi.json is stale: run ./altrin formats.");
    }

    /// <summary>An installer seldom works in two countries: a new job stands where the last one does.</summary>
    [Fact]
    public async Task A_new_job_stands_in_the_country_of_the_last()
    {
        using var app = new TestApp();
        var first = await Json(await app.Client.PostAsJsonAsync("/api/jobs", new { from = "empty" }));
        Assert.Null(first["found"]!["document"]!["country"]);
        await app.Client.PostAsJsonAsync("/api/jobs", new { from = "demo" });
        var next = await Json(await app.Client.PostAsJsonAsync("/api/jobs", new { from = "empty" }));
        Assert.Equal("NZ", (string)next["found"]!["document"]!["country"]!);
    }
}
