using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Altrin.Tests;

namespace Altrin.Browser.Tests;

/// <summary>The demo house in a browser, and the server's own word on what was saved.</summary>
public abstract class HandTest : IDisposable
{
    private static readonly HttpClient Client = new();
    private Browser? browser;

    protected HandTest(bool share = false) => Server = share ? new(share: true) : Server.Take();

    protected Server Server { get; }
    /// <summary>Started when it is first looked at: some tests bring one of another size.</summary>
    protected Browser Browser => browser ??= new();

    public void Dispose()
    {
        browser?.Dispose();
        Leave();
        Server.Leave();
        GC.SuppressFinalize(this);
    }

    /// <summary>What a test has beside the browser goes too.</summary>
    protected virtual void Leave() { }

    protected string Job { get; set; } = "";

    protected void OpenDemo(string house = "Larkspur House", string stage = "stairs", Browser? on = null)
    {
        var jobs = Ask("/api/jobs")!.AsArray();
        Job = (string)jobs.First(job => (string)job!["name"]! == house)!["id"]!;
        on ??= Browser;
        on.Go($"{Server.Address}/job/{Job}/{stage}");
        on.Css("main h2");
    }

    /// <summary>A job of its own, made of a document.</summary>
    protected void OpenHouse(JsonNode document, string stage = "stairs")
    {
        var answer = Client.PostAsJsonAsync($"{Server.Address}/api/jobs/import", document).GetAwaiter().GetResult();
        var text = answer.Content.ReadAsStringAsync().GetAwaiter().GetResult();
        Assert.True(answer.IsSuccessStatusCode, text);
        Job = (string)JsonNode.Parse(text)!["id"]!;
        Browser.Go($"{Server.Address}/job/{Job}/{stage}");
        Browser.Css("main h2");
    }

    /// <summary>What the server answers to a body of JSON.</summary>
    protected byte[] Post(string path, string json) => Client.PostAsync(Server.Address + path,
        new StringContent(json, System.Text.Encoding.UTF8,
            "application/json")).GetAwaiter().GetResult().Content.ReadAsByteArrayAsync().GetAwaiter().GetResult();

    protected JsonNode? Ask(string path) => JsonNode.Parse(Client.GetStringAsync(Server.Address
        + path).GetAwaiter().GetResult()) is { } answer ? WholeJob.Of(answer) : null;

    /// <summary>What was changed, newest last, as the server has it.</summary>
    protected IReadOnlyList<string> Log() => [.. Ask($"/api/jobs/{Job}/log")!.AsArray().Select(entry => (string)entry!["sentence"]!)];

    protected JsonNode Found() => Ask($"/api/jobs/{Job}")!["found"]!;

    protected JsonNode Planned() => Ask($"/api/jobs/{Job}")!["planned"]!;

    /// <summary>Ticks step after step of the order on screen, from its first, until the page says that all was seen as said.</summary>
    protected void WorkToTheLastTick()
    {
        Browser.Css("section[aria-label='Step 1']");
        var steps = Browser.Count("ol[aria-label=Steps] > li");
        for (var n = 1; n <= steps; n++)
        {
            Browser.Css($"section[aria-label='Step {n}']");
            Browser.Press("Seen as said");
            Browser.UntilText($"{n} of {steps} done");
        }
        Browser.UntilText("every step was seen as said");
    }

    /// <summary>Types over what stands in the field and leaves it at that.</summary>
    protected void Write(string label, string text)
    {
        var field = Browser.Field(label);
        field.SendKeys(OpenQA.Selenium.Keys.Control + "a");
        field.SendKeys(text);
    }

    protected string Value(string label) => Browser.Field(label).GetAttribute("value")!;

    protected static string Tab => OpenQA.Selenium.Keys.Tab;
    protected static string Enter => OpenQA.Selenium.Keys.Enter;
    protected static string Escape => OpenQA.Selenium.Keys.Escape;
    protected static string Down => OpenQA.Selenium.Keys.ArrowDown;
    protected static string Right => OpenQA.Selenium.Keys.ArrowRight;
    protected static string Up => OpenQA.Selenium.Keys.ArrowUp;
}
