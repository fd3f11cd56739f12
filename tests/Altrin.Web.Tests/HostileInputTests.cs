using System.Net;
using System.Text;
using static Altrin.Web.Tests.TestApp;

namespace Altrin.Web.Tests;

/// <summary>The server never answers 500 to input, and nothing but our own pages may write.</summary>
public class HostileInputTests
{
    [Theory]
    [InlineData("""{"version":1,"actions":[{"do":"set-lan-address","device":"gw","address":"192.168.31.255/24"}]}""", "actions[0].address", "192.168.31.255/24 is the broadcast address of 192.168.31.0/24, which no box may hold. Use .1 to .254.")]
    [InlineData("""{"version":1,"actions":[{"do":"set-lan-address","device":"gw","address":"here"}]}""", "actions[0].address", "“here” is not an address with its prefix length, such as 192.168.1.1/24.")]
    [InlineData("""{"version":1,"actions":[{"do":"rename","id":"gw","name":"ok"},{"do":"set-mode","device":"studio","mode":"modem"}]}""", "actions[1].mode", "Studio router has no modem mode. It can be router.")]
    [InlineData("""{"version":1,"actions":[{"do":"set-mode","device":"gw","mode":"bridge"}]}""", "actions[0].mode", "“bridge” is unknown here. Use router, access-point, repeater, wds, client-bridge, mesh-satellite, switch, modem, passthrough.")]
    [InlineData("""{"version":1,"actions":[]}""", "actions", "Missing. List at least one deed.")]
    public async Task Bad_input_names_the_field_and_the_mend(string body, string field, string message)
    {
        using var app = new TestApp();
        var job = await app.NewJob();
        var problem = await Json(await app.Send("POST", $"/api/jobs/{job["id"]}/found/deeds", body), HttpStatusCode.BadRequest);
        Assert.Equal(message, (string)problem["errors"]![field]![0]!);
    }

    public static readonly string[] Bodies =
    [
        "", "null", "[]", "{", "7", "\"x\"", "{}", """{"version":"one"}""", """{"version":1}""", """{"version":1,"actions":null}""",
        """{"version":1,"actions":[null]}""", """{"version":1,"actions":[{}]}""", """{"version":1,"actions":[{"do":"fly"}]}""",
        """{"version":1,"actions":[{"do":"plug-cable"}]}""", """{"version":1,"actions":[{"do":"plug-cable","cable":null}]}""",
        """{"version":1,"actions":[{"do":"plug-cable","cable":{"id":"x","a":null,"b":null}}]}""",
        """{"version":1,"actions":[{"do":"add-device","device":{"id":"x","name":"x","mode":"router","ports":null}}]}""",
        """{"version":1,"actions":[{"do":"add-device","device":{"id":"x","name":"x","mode":"router","ports":[null]}}]}""",
        """{"version":1,"actions":[{"do":"add-device","device":{"id":"x","name":"x","mode":"router","lan":{"dhcpServer":{"dns":null,"reservations":[null]}}}}]}""",
        """{"version":1,"actions":[{"do":"configure-device","settings":{"id":"gw","name":"","mode":"router","wifi":[{"radio":"none","ssid":"a"}]}}]}""",
        """{"version":1,"actions":[{"do":"set-endpoint-address","endpoint":"printer","address":{"method":"static"}}]}""",
        """{"version":1,"actions":[{"do":"set-wifi","device":"gw","place":-1,"network":{"radio":"2g","ssid":"a"}}]}""",
        """{"version":1,"actions":[{"do":"set-wan","device":"gw","wan":null}]}""",
        """{"version":1,"actions":[{"do":"set-need","need":{"id":"n","kind":"reach"}}]}""",
        """{"version":1,"actions":[{"do":"rename","id":null,"name":null}]}""",
        """{"version":1,"actions":[{"do":"connect-endpoint","endpoint":"printer","to":{}}]}""",
        """{"version":1e400,"actions":[]}""", """{"revision":0,"outcome":"maybe"}""", """{"name":7}""", """{"from":"space"}""",
        "\ud800", "{\"name\":\"\\ud800\"}", "{\"version\":1,\"actions\":[{\"do\":\"rename\",\"id\":\"gw\",\"name\":\"\\ud800\"}]}",
    ];

    [Fact]
    public async Task No_body_on_any_address_makes_the_server_fail()
    {
        using var app = new TestApp();
        var id = (await app.NewJob())["id"];
        string[] paths =
        [
            "POST /api/jobs", "POST /api/jobs/import", "POST /api/simulate", $"POST /api/jobs/{id}/found/deeds", $"POST /api/jobs/{id}/planned/deeds",
            $"POST /api/jobs/{id}/found/undo", $"POST /api/jobs/{id}/sideways/undo", $"PUT /api/jobs/{id}/planned", $"PUT /api/jobs/{id}/work-order/x",
            $"POST /api/jobs/{id}/work-order/x/otherwise", $"POST /api/jobs/{id}/work-order/x/turn", $"POST /api/jobs/{id}/work-order/x/compare",
            "POST /api/jobs/none/found/deeds", "PUT /api/jobs/none/planned", "POST /api/nothing",
        ];
        foreach (var path in paths)
            foreach (var body in Bodies)
            {
                var (method, address) = (path.Split(' ')[0], path.Split(' ')[1]);
                var answer = await app.Send(method, address, body);
                Assert.True((int)answer.StatusCode < 500, $"{path} with {body}: {(int)answer.StatusCode} {await answer.Content.ReadAsStringAsync()}");
                if ((int)answer.StatusCode >= 400) Assert.Equal("application/problem+json", answer.Content.Headers.ContentType?.MediaType);
            }
    }

    [Theory]
    [InlineData("POST", "/api/jobs", "text/plain", HttpStatusCode.UnsupportedMediaType, "application/json")]
    [InlineData("POST", "/api/jobs/x/photos?subject=y", "image/png", HttpStatusCode.UnsupportedMediaType, "application/octet-stream")]
    [InlineData("PATCH", "/api/jobs", "application/json", HttpStatusCode.MethodNotAllowed, "GET, POST")]
    [InlineData("DELETE", "/api/jobs/x/found/undo", "application/json", HttpStatusCode.MethodNotAllowed, "POST")]
    [InlineData("PUT", "/api/jobs/%2500/secrets", "text/plain", HttpStatusCode.UnsupportedMediaType, "application/json")]
    [InlineData("POST", "/api/joobs", "application/json", HttpStatusCode.NotFound, "no such address")]
    [InlineData("GET", "/api/jobs/x/found/undo/undo/undo", "application/json", HttpStatusCode.NotFound, "no such address")]
    public async Task What_no_route_takes_is_told_apart(string method, string path, string content, HttpStatusCode status, string says)
    {
        using var app = new TestApp();
        var request = new HttpRequestMessage(new(method), path) { Content = new StringContent("{}", Encoding.UTF8, content) };
        var said = await TestApp.Json(await app.Client.SendAsync(request), status);
        Assert.Contains(says, (string)said["title"]!, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_step_that_is_not_there_and_the_log_of_no_job_are_said_to_be_so()
    {
        using var app = new TestApp();
        var job = await app.NewJob();
        await TestApp.Json(await app.Send("PUT", $"/api/jobs/{job["id"]}/work-order/nothing", """{"revision":0,"outcome":"as-said"}"""), HttpStatusCode.NotFound);
        await TestApp.Json(await app.Client.GetAsync("/api/jobs/nothing/log"), HttpStatusCode.NotFound);
        await TestApp.Json(await app.Do(job, "planned", new { @do = "set-lan-address", device = "studio", address = "192.168.77.1/24" }));
        var step = (await TestApp.Json(await app.Client.GetAsync($"/api/jobs/{job["id"]}/work-order")))["order"]!["steps"]![0]!["key"];
        await TestApp.Json(await app.Send("PUT", $"/api/jobs/{job["id"]}/work-order/{step}", """{"revision":0,"outcome":"as-said","note":"seen"}"""));
        // The plan is begun anew: what was said of the step that is gone may still be mended.
        var version = (await TestApp.Json(await app.Client.GetAsync($"/api/jobs/{job["id"]}")))["version"];
        await TestApp.Json(await app.Send("PUT", $"/api/jobs/{job["id"]}/planned", $$"""{"version":{{version}},"actions":[]}"""));
        await TestApp.Json(await app.Send("PUT", $"/api/jobs/{job["id"]}/work-order/{step}", """{"revision":1,"outcome":"open","note":""}"""));
    }

    [Fact]
    public async Task Bytes_that_are_no_text_are_refused_politely()
    {
        using var app = new TestApp();
        var random = new Random(1);
        for (var i = 0; i < 60; i++)
        {
            var bytes = new byte[random.Next(200)];
            random.NextBytes(bytes);
            var answer = await app.Client.PostAsync("/api/jobs/import", new ByteArrayContent(bytes) { Headers = { { "Content-Type", "application/json" } } });
            Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        }
    }

    [Fact]
    public async Task A_document_with_many_slips_tells_them_all_by_place()
    {
        using var app = new TestApp();
        var text = Example("healthy").Replace("\"router\", \"modem\"", "\"rooter\"", StringComparison.Ordinal).Replace("192.168.31.2/24", "192.168.31.0/24", StringComparison.Ordinal);
        var problem = await Json(await app.Send("POST", "/api/jobs/import", text), HttpStatusCode.BadRequest);
        Assert.NotNull(problem["errors"]!["devices[0].supports[0]"]);
        Assert.NotNull(problem["errors"]!["devices[1].lan.address"]);
    }

    [Theory]
    [InlineData("evil.example", HttpStatusCode.MisdirectedRequest)]
    [InlineData("localhost.evil.example:5080", HttpStatusCode.MisdirectedRequest)]
    [InlineData("localhost:5080", HttpStatusCode.OK)]
    [InlineData("127.0.0.1:5080", HttpStatusCode.OK)]
    public async Task Only_names_of_this_machine_are_answered(string host, HttpStatusCode status)
    {
        using var app = new TestApp();
        var request = new HttpRequestMessage(HttpMethod.Get, "/api/jobs");
        request.Headers.Host = host;
        Assert.Equal(status, (await app.Client.SendAsync(request)).StatusCode);
    }

    [Theory]
    [InlineData("Origin", "http://evil.example", HttpStatusCode.Forbidden)]
    [InlineData("Origin", "http://localhost:9999", HttpStatusCode.Forbidden)]
    [InlineData("Origin", "null", HttpStatusCode.Forbidden)]
    [InlineData("Sec-Fetch-Site", "cross-site", HttpStatusCode.Forbidden)]
    [InlineData("Sec-Fetch-Site", "same-site", HttpStatusCode.Forbidden)]
    [InlineData("Sec-Fetch-Site", "same-origin", HttpStatusCode.OK)]
    [InlineData("Origin", "http://localhost:5080", HttpStatusCode.OK)]
    public async Task A_write_from_another_origin_is_refused(string header, string value, HttpStatusCode status)
    {
        using var app = new TestApp();
        Assert.Equal(status, (await app.Send("POST", "/api/jobs", """{"from":"demo"}""", (header, value))).StatusCode);
    }

    [Fact]
    public async Task Every_answer_carries_a_strict_policy_and_none_invites_other_origins()
    {
        using var app = new TestApp();
        foreach (var path in new[] { "/", "/api/jobs", "/api/nothing", "/job/x" })
        {
            var answer = await app.Send("GET", path, "", ("Origin", "http://evil.example"));
            var policy = string.Join(' ', answer.Headers.GetValues("Content-Security-Policy"));
            Assert.Contains("script-src 'self';", policy, StringComparison.Ordinal);
            Assert.Contains("default-src 'none'", policy, StringComparison.Ordinal);
            Assert.False(answer.Headers.Contains("Access-Control-Allow-Origin"));
        }
    }

    /// <summary>An answer that says what went wrong is an answer too.</summary>
    [Theory]
    [InlineData("application/json", "{", HttpStatusCode.BadRequest)]
    [InlineData("application/json; charset=nonsense", "{}", HttpStatusCode.UnsupportedMediaType)]
    [InlineData("application/json; charset=\"utf-8\"", "{\"from\":\"nowhere\"}", HttpStatusCode.BadRequest)]
    [InlineData("application/json; charset=", "{\"from\":\"empty\"}", HttpStatusCode.OK)]
    [InlineData("application/json; charset=utf-16", "{}", HttpStatusCode.UnsupportedMediaType)]
    public async Task A_refusal_keeps_every_protective_header(string kind, string body, HttpStatusCode status)
    {
        using var app = new TestApp();
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/jobs") { Content = new ByteArrayContent(System.Text.Encoding.UTF8.GetBytes(body)) };
        request.Content.Headers.TryAddWithoutValidation("Content-Type", kind);
        var answer = await app.Client.SendAsync(request);
        Assert.Equal(status, answer.StatusCode);
        foreach (var header in new[] { "Content-Security-Policy", "X-Content-Type-Options", "Referrer-Policy", "Cross-Origin-Resource-Policy", "Cross-Origin-Opener-Policy" })
            Assert.Single(answer.Headers.GetValues(header));
    }

    [Fact]
    public async Task A_name_with_markup_stays_text()
    {
        using var app = new TestApp();
        var job = await Json(await app.Do(await app.NewJob(), "found", new { @do = "rename", id = "gw", name = "<script>alert(1)</script>" }));
        Assert.Equal("<script>alert(1)</script>", (string)job["found"]!["document"]!["devices"]![0]!["name"]!);
        Assert.Equal("application/json", (await app.Client.GetAsync($"/api/jobs/{job["id"]}")).Content.Headers.ContentType!.MediaType);
    }
}
