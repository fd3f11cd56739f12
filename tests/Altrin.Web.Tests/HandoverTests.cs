using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using System.Web;
using Altrin.Web.Cli;

namespace Altrin.Web.Tests;

/// <summary>What a job leaves behind, and what comes back; the command line says the same.</summary>
public class HandoverTests
{
    private static string Example(string name) => Path.Combine(TestApp.Root, "docs", "examples", $"{name}.json");

    private static async Task<string> House(TestApp app, string example = "larkspur-house")
    {
        var job = await TestApp.Json(await app.Client.PostAsync("/api/jobs/import",
            new StringContent(await File.ReadAllTextAsync(Example(example)), Encoding.UTF8, "application/json")));
        return $"/api/jobs/{job["id"]}";
    }

    private static (int Exit, string Out, string Error) Export(params string[] arguments)
    {
        using var output = new MemoryStream();
        using var error = new StringWriter();
        var exit = ExportCommand.Run(arguments, () => Stream.Null, output, error, new(2026, 12, 2, 15, 0, 0));
        return (exit, Encoding.UTF8.GetString(output.ToArray()), error.ToString());
    }

    private static (int Exit, string Out, string Error) Import(params string[] arguments)
    {
        using var output = new MemoryStream();
        using var error = new StringWriter();
        var exit = ImportCommand.Run(arguments, () => Stream.Null, output, error);
        return (exit, Encoding.UTF8.GetString(output.ToArray()), error.ToString());
    }

    [Fact]
    public async Task Every_kind_of_the_page_is_what_the_command_line_prints()
    {
        using var app = new TestApp();
        var job = await House(app);
        var view = await TestApp.Json(await app.Client.GetAsync($"{job}/handover"));
        foreach (var kind in view["kinds"]!.AsArray())
        {
            var name = (string)kind!["kind"]!;
            var answer = await app.Client.GetAsync($"{job}/handover/file?kind={HttpUtility.UrlEncode(name)}");
            if (!(bool)kind["isThere"]!)
            {
                Assert.Equal(("visit.ics", HttpStatusCode.BadRequest), (name, answer.StatusCode));
                continue;
            }
            Assert.Equal((string)kind["file"]!, answer.Content.Headers.ContentDisposition!.FileName!.Trim('"'));
            Assert.Equal((0, await answer.Content.ReadAsStringAsync()),
                (Export(Example("larkspur-house"), name).Exit, Export(Example("larkspur-house"), name).Out));
        }
        // For a spreadsheet with the mark that tells it the encoding.
        var marked = await app.Client.GetByteArrayAsync($"{job}/handover/file?kind=boxes.csv&spreadsheet=true");
        Assert.Equal([0xEF, 0xBB, 0xBF], marked[..3]);
        Assert.Equal(HttpStatusCode.BadRequest, (await app.Client.GetAsync($"{job}/handover/file?kind=nonsense")).StatusCode);
    }

    [Theory]
    [InlineData("There is no kind", "larkspur-house", "nonsense")]
    [InlineData("made on the page", "larkspur-house", "wifi-cards")]
    [InlineData("needs --planned", "larkspur-house", "visit.ics")]
    [InlineData("wants a day", "larkspur-house", "hosts", "--at", "noon")]
    [InlineData("usage: export", "larkspur-house")]
    [InlineData("usage: import", "larkspur-house", "--import")]
    [InlineData("There is no table", "larkspur-house", "--import", "{csv}", "--kind", "nonsense.csv")]
    [InlineData("there is no deed", "larkspur-house", "--import", "{csv}", "--take", "7")]
    public void What_cannot_be_done_is_said_in_one_line(string says, string example, params string[] rest)
    {
        var table = Path.GetTempFileName();
        File.WriteAllText(table, "id,name\ngw,Hub\n");
        var arguments = rest.Where(word => word != "--import").Select(word => word == "{csv}" ? table
            : word).Prepend(Example(example)).ToArray();
        var (exit, output, error) = rest.Contains("--import") ? Import(arguments) : Export(arguments);
        File.Delete(table);
        Assert.Equal((2, ""), (exit, output));
        Assert.Contains(says, error, StringComparison.Ordinal);
        Assert.Single(error.TrimEnd('\n').Split('\n'));
    }

    [Fact]
    public void A_table_is_looked_at_and_taken_on_the_command_line()
    {
        var table = Path.Combine(Directory.CreateTempSubdirectory("altrin-test-").FullName, "boxes.csv");
        File.WriteAllText(table, "id,name,firmware\ngw,Hub,9.1\n");
        var seen = JsonNode.Parse(Import(Example("larkspur-house"), table).Out)!;
        Assert.Equal(("altrin.import/1", 2), ((string)seen["format"]!, seen["deeds"]!.AsArray().Count));
        var after = JsonNode.Parse(Import(Example("larkspur-house"), table, "--take", "2").Out)!;
        Assert.Equal(("Hall gateway", "9.1"), ((string)after["devices"]![0]!["name"]!, (string)after["devices"]![0]!["firmware"]!));
    }

    /// <summary>One press takes all, one undo brings all back; nothing is written before.</summary>
    [Fact]
    public async Task A_table_comes_in_deed_by_deed()
    {
        using var app = new TestApp();
        var job = await House(app);
        var view = await TestApp.Json(await app.Client.PostAsJsonAsync($"{job}/handover/table",
            new { table = "id;name;room;mode\ngw;Hub;Loft;toaster\n" }));
        Assert.Equal((2, 1), (view["deeds"]!.AsArray().Count, view["problems"]!.AsArray().Count));
        Assert.Equal(2, view["all"]!.AsArray().Count);
        Assert.Equal("Hall gateway",
            (string)(await TestApp.Json(await app.Client.GetAsync(job)))["found"]!["document"]!["devices"]![0]!["name"]!);
        Assert.Equal(HttpStatusCode.BadRequest,
            (await app.Client.PostAsJsonAsync($"{job}/handover/table", new { table = "colour\nred\n" })).StatusCode);
    }

    /// <summary>A password stands on a card where it was asked for, and nowhere else: planted, and looked for in every kind.</summary>
    [Fact]
    public async Task A_password_goes_out_only_where_it_was_asked_for()
    {
        const string Planted = "plant;ed, \"w0rd\\";
        using var app = new TestApp();
        var job = await House(app);
        await app.Client.PutAsJsonAsync($"{job}/secrets", new { name = "home", value = Planted });
        await app.Client.PutAsJsonAsync($"{job}/secrets", new { name = "admin of gw", value = Planted });
        var view = await app.Client.GetStringAsync($"{job}/handover");
        Assert.DoesNotContain("plant", view, StringComparison.Ordinal);
        Assert.Contains("set and noted", view, StringComparison.Ordinal);
        foreach (var kind in JsonNode.Parse(view)!["kinds"]!.AsArray().Select(one => (string)one!["kind"]!))
            Assert.DoesNotContain("plant",
                await (await app.Client.GetAsync($"{job}/handover/file?kind={HttpUtility.UrlEncode(kind)}")).Content.ReadAsStringAsync(),
                StringComparison.Ordinal);
        var plain = await app.Client.PostAsJsonAsync($"{job}/handover/cards", new { ssids = new[] { "larkspur" }, withPasswords = false });
        Assert.DoesNotContain("plant", await plain.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        var asked = await app.Client.PostAsJsonAsync($"{job}/handover/cards", new { ssids = new[] { "larkspur" }, withPasswords = true });
        Assert.Equal("no-store", asked.Headers.CacheControl!.ToString());
        var card = Assert.Single((await TestApp.Json(asked)).AsArray())!;
        Assert.Equal(Planted, (string)card["password"]!);
        Assert.Equal("WIFI:T:WPA;S:larkspur;P:plant\\;ed\\, \\\"w0rd\\\\;;", DrawnCodes.Read((string)card["code"]!));
    }

    [Fact]
    public async Task Labels_name_boxes_and_both_ends_of_a_cable()
    {
        using var app = new TestApp();
        var labels = (await TestApp.Json(await app.Client.GetAsync($"{await House(app)}/handover/labels"))).AsArray();
        Assert.Equal("http://192.168.31.1/#gw", DrawnCodes.Read((string)labels[0]!["code"]!));
        Assert.Equal(["Hall gateway LAN 3", "to Studio router WAN"], labels[2]!["lines"]!.AsArray().Select(line => (string)line!));
        Assert.Equal(["Studio router WAN", "to Hall gateway LAN 3"], labels[3]!["lines"]!.AsArray().Select(line => (string)line!));
    }
}
