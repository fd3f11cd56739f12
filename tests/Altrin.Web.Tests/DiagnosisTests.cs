using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Altrin.Web.Cli;

namespace Altrin.Web.Tests;

/// <summary>What was seen is kept at every answer; what follows from it comes back; the command line says the same.</summary>
public class DiagnosisTests
{
    private static readonly JsonNode NoInternet = JsonNode.Parse("""{ "who": "tablet", "reading": "internet", "value": "no" }""")!;

    private static Task<HttpResponseMessage> Put(TestApp app, string path, int number, int revision, params JsonNode[] seen) =>
        app.Client.PutAsJsonAsync(path, new { number, revision, side = "found", seen, aside = Array.Empty<string>() });

    private static async Task<string> House(TestApp app, string example)
    {
        var text = await File.ReadAllTextAsync(Path.Combine(TestApp.Root, "docs", "examples", $"{example}.json"));
        var job = await TestApp.Json(await app.Client.PostAsync("/api/jobs/import",
            new StringContent(text, Encoding.UTF8, "application/json")));
        return $"/api/jobs/{job["id"]}/diagnosis";
    }

    [Fact]
    public async Task A_diagnosis_is_there_after_a_restart_is_mended_and_kept()
    {
        var data = Directory.CreateTempSubdirectory("altrin-test-").FullName;
        string path;
        using (var app = new TestApp(data))
        {
            path = await House(app, "healthy");
            Assert.Null((await TestApp.Json(await app.Client.GetAsync(path)))["found"]);
            var first = await TestApp.Json(await Put(app, path, 1, 0, NoInternet.DeepClone()));
            Assert.True(first["found"]!["causes"]!.AsArray().Count > 5);
            Assert.False((bool)first["found"]!["agrees"]!);
            // Two who answer at once do not overwrite each other.
            Assert.Equal(HttpStatusCode.Conflict, (await Put(app, path, 1, 0, NoInternet.DeepClone())).StatusCode);
        }
        using (var app = new TestApp(data))
        {
            var now = await TestApp.Json(await app.Client.GetAsync(path));
            Assert.Equal("Tablet: internet: no", (string)now["seen"]![0]!["says"]!);
            var power = JsonNode.Parse("""{ "device": "gw", "reading": "power", "value": "no" }""")!;
            var settled = await TestApp.Json(await Put(app, path, 1, (int)now["revision"]!, NoInternet.DeepClone(), power));
            var cause = Assert.Single(settled["found"]!["causes"]!.AsArray())!;
            Assert.Equal("Hall gateway has no power.", (string)cause["sentences"]![0]!);
            Assert.Contains(settled["found"]!["ruledOut"]!.AsArray(), one => (int)one!["by"]! == 1);
            var mend = await TestApp.Json(await app.Client.GetAsync($"{path}/mend?cause=0"));
            Assert.Equal("Turn Hall gateway on", (string)mend["steps"]![0]!["title"]!);
            Assert.Equal(HttpStatusCode.NotFound, (await app.Client.GetAsync($"{path}/mend?cause=7")).StatusCode);
            var ended = await TestApp.Json(await app.Client.PostAsJsonAsync($"{path}/end",
                new { number = 1, revision = (int)settled["revision"]!, cause = 0 }));
            Assert.Equal("Hall gateway has no power.", (string)Assert.Single(ended["past"]!.AsArray())!["cause"]!);
            Assert.Equal((2, 0), ((int)ended["number"]!, (int)ended["revision"]!));
        }
    }

    /// <summary>What a terminal prints is taken as sightings of the place where the laptop stands.</summary>
    [Fact]
    public async Task What_a_terminal_showed_becomes_sightings()
    {
        using var app = new TestApp();
        var path = await House(app, "healthy");
        var from = new { connect = new { device = "gw", port = "lan2" } };
        const string Text = """
            Ethernet adapter Ethernet:

               Autoconfiguration IPv4 Address. . : 169.254.10.20
               Subnet Mask . . . . . . . . . . . : 255.255.0.0
               Default Gateway . . . . . . . . . :

            Pinging 192.168.31.1 with 32 bytes of data:
            Request timed out.

            Ping statistics for 192.168.31.1:
                Packets: Sent = 1, Received = 0, Lost = 1 (100% loss),
            """;
        var seen = (await TestApp.Json(await app.Client.PostAsJsonAsync($"{path}/paste", new { text = Text, from }))).AsArray();
        Assert.Equal(["address 169.254.10.20", "gateway none", "ping no"],
            seen.Select(one => $"{one!["seen"]!["reading"]} {one["seen"]!["value"]}"));
        var found = await TestApp.Json(await Put(app, path, 1, 0, [.. seen.Select(one => one!["seen"]!.DeepClone())]));
        Assert.Contains(found["found"]!["causes"]!.AsArray(),
            cause => ((string)cause!["sentences"]![0]!).Contains("DHCP server is off", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("""{ "who": "nobody", "reading": "internet", "value": "no" }""", "seen[0].who")]
    [InlineData("""{ "who": "tablet", "reading": "internet", "value": "perhaps" }""", "seen[0].value")]
    [InlineData("""{ "who": "tablet", "reading": "colour", "value": "red" }""", "seen[0].reading")]
    [InlineData("""{ "who": "tablet", "reading": "address", "value": "192.168.1" }""", "seen[0].value")]
    [InlineData("""{ "device": "gw", "port": "lan9", "reading": "link", "value": "none" }""", "seen[0].port")]
    [InlineData("""{ "reading": "ping", "address": "192.168.31.1", "value": "yes" }""", "seen[0].from")]
    [InlineData("""{ "device": "gw", "reading": "listed", "value": "yes" }""", "seen[0].mac")]
    public async Task What_cannot_have_been_seen_is_refused_by_its_field(string seen, string place)
    {
        using var app = new TestApp();
        var answer = await Put(app, await House(app, "healthy"), 1, 0, JsonNode.Parse(seen)!);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.NotNull(JsonNode.Parse(await answer.Content.ReadAsStringAsync())!["errors"]![place]);
    }

    private static (int Status, string Output, string Error) Run(Func<string[], Func<Stream>, Stream, TextWriter, int> command,
        string input, params string[] arguments)
    {
        using var output = new MemoryStream();
        using var error = new StringWriter();
        var status = command(arguments, () => new MemoryStream(Encoding.UTF8.GetBytes(input)), output, error);
        return (status, Encoding.UTF8.GetString(output.ToArray()), error.ToString());
    }

    private static string Example(string name) => Path.Combine(TestApp.Root, "docs", "examples", $"{name}.json");

    [Fact]
    public void The_command_line_prints_a_diagnosis_or_one_line()
    {
        var seen = $$"""{ "format": "altrin.sightings/1", "seen": [ {{NoInternet.ToJsonString()}} ] }""";
        var (status, output, error) = Run(DiagnoseCommand.Run, seen, Example("healthy"), "-", "--kinds", "table");
        var diagnosis = JsonNode.Parse(output)!;
        Assert.Equal((0, "", "altrin.diagnosis/1"), (status, error, (string)diagnosis["format"]!));
        Assert.Equal([0], diagnosis["odd"]!.AsArray().Select(one => (int)one!));
        Assert.Equal(1, diagnosis["causes"]!.AsArray().Sum(cause => (double)cause!["sure"]!), 2);
        Assert.All(diagnosis["causes"]!.AsArray(), cause => Assert.True((bool)cause!["proved"]!));
        Assert.True(diagnosis["tests"]!.AsArray().Count >= 10);
        (status, output, error) = Run(DiagnoseCommand.Run, """{ "format": "altrin.sightings/1", "seen": [ { "who": "cat", "reading": "internet", "value": "no" } ] }""", Example("healthy"), "-");
        Assert.Equal((2, ""), (status, output));
        Assert.EndsWith("seen[0].who: There is no thing “cat” in this house.\n", error, StringComparison.Ordinal);
        // So many places would have to be played for every cause.
        var wild = string.Join(",", Enumerable.Range(1, 60).Select(n => $$"""{ "from": { "connect": { "device": "gw", "port": "lan2" }, "address": { "method": "static", "address": "10.0.0.{{n}}/24" } }, "reading": "internet", "value": "no" }"""));
        Assert.Equal(2, Run(DiagnoseCommand.Run, $$"""{ "format": "altrin.sightings/1", "seen": [ {{wild}} ] }""", Example("healthy"), "-").Status);
        Assert.Equal(2, Run(DiagnoseCommand.Run, "", Example("healthy")).Status);
        Assert.Equal(2, Run(DiagnoseCommand.Run, "{", Example("healthy"), "-", "--hands", "feet").Status);
    }

    [Fact]
    public void The_same_number_prints_the_same_call_out()
    {
        var first = Run(CallOutCommand.Run, "", "--seed", "5", "--grade", "2");
        Assert.Equal(0, first.Status);
        Assert.Equal(first, Run(CallOutCommand.Run, "", "--seed", "5", "--grade", "2"));
        var callOut = JsonNode.Parse(first.Output)!;
        Assert.Equal((5, 2), ((int)callOut["seed"]!, (int)callOut["grade"]!));
        Assert.NotNull(callOut["hidden"]!["house"]);
        Assert.Equal(2, Run(CallOutCommand.Run, "", "--grade", "2").Status);
        Assert.Equal(0, Run(CallOutCommand.Run, "", "--seed", "1", Example("larkspur-house")).Status);
    }
}
