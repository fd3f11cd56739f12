using System.Net.Http.Json;
using Serilog.Events;
using Serilog.Parsing;

namespace Altrin.Web.Tests;

/// <summary>What stands in the log: each request by its route, and nothing that somebody typed.</summary>
public sealed class LogTests
{
    private static string LogOf(TestApp app)
    {
        var file = Assert.Single(Directory.GetFiles(Path.Combine(app.Data, "logs")));
        using var stream = new FileStream(file, FileMode.Open, FileAccess.Read, FileShare.ReadWrite);
        using var reader = new StreamReader(stream);
        return reader.ReadToEnd();
    }

    [Fact]
    public async Task Each_request_is_a_line_without_a_name_an_id_or_a_secret()
    {
        using var app = new TestApp(null, ("verbose", "true"));
        var job = await TestApp.Json(await app.Client.PostAsJsonAsync("/api/jobs", new { from = "demo", name = "Planted Cottage" }));
        await app.Client.GetAsync("/api/jobs?find=Planted");
        await TestApp.Json(await app.Client.PutAsJsonAsync($"/api/jobs/{job["id"]}/secrets", new { name = "planted-key", value = "planted-secret-1" }));
        await app.Client.GetAsync("/planted/page");
        await app.Send("POST", "/api/jobs", "{ \"planted");
        var log = LogOf(app);
        Assert.Contains("POST /api/jobs/ 200", log, StringComparison.Ordinal);
        Assert.Contains("PUT /api/jobs/{id}/secrets/ ", log, StringComparison.Ordinal);
        Assert.Contains("POST /api/jobs/ 400", log, StringComparison.Ordinal);
        Assert.DoesNotContain("lanted", log, StringComparison.Ordinal);
        Assert.DoesNotContain((string)job["id"]!, log, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Unasked_no_request_is_noted()
    {
        using var app = new TestApp();
        await app.NewJob();
        Assert.True(!Directory.Exists(Path.Combine(app.Data, "logs")) || Directory.GetFiles(Path.Combine(app.Data, "logs")).Length == 0 || !LogOf(app).Contains("/api/", StringComparison.Ordinal));
    }

    [Fact]
    public void Of_an_error_its_kinds_and_places_are_noted_and_not_its_words()
    {
        Exception Thrown()
        {
            try { throw new InvalidOperationException("planted words", new FormatException("planted inside")); }
            catch (InvalidOperationException error) { return error; }
        }
        using var output = new StringWriter();
        new Logging.PlainLines().Format(new(DateTimeOffset.UnixEpoch, LogEventLevel.Error, Thrown(), new MessageTemplateParser().Parse("It\nbroke"), []), output);
        Assert.StartsWith("1970-01-01 00:00:00.000 Error : It broke", output.ToString(), StringComparison.Ordinal);
        Assert.Contains("System.FormatException", output.ToString(), StringComparison.Ordinal);
        Assert.Contains(nameof(Of_an_error_its_kinds_and_places_are_noted_and_not_its_words), output.ToString(), StringComparison.Ordinal);
        Assert.DoesNotContain("planted", output.ToString(), StringComparison.Ordinal);
    }
}
