using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Altrin.Browser.Tests;

/// <summary>A plan after the house as found was corrected: what cannot be done any more is seen, and answered.</summary>
public sealed class PlanTests : IDisposable
{
    private readonly Server server = new();

    public void Dispose() => server.Dispose();

    private async Task<string> Job(HttpClient client) =>
        (string)(await client.GetFromJsonAsync<JsonArray>("/api/jobs"))!.First(job => ((string)job!["name"]!).StartsWith("Larkspur", StringComparison.Ordinal))!["id"]!;

    [Theory]
    [InlineData(1280, 800)]
    [InlineData(390, 844)]
    public async Task A_planned_deed_that_cannot_be_done_any_more_is_kept_or_taken_out(int width, int height)
    {
        using var client = new HttpClient { BaseAddress = new(server.Address) };
        var id = await Job(client);
        async Task Do(string side, int version, object action) =>
            (await client.PostAsJsonAsync($"/api/jobs/{id}/{side}/deeds", new { version, actions = new[] { action } })).EnsureSuccessStatusCode();
        await Do("planned", 1, new { @do = "move-cable-end", cable = "c1", from = new { device = "studio", port = "wan" }, to = new { device = "studio", port = "lan2" } });
        await Do("found", 2, new { @do = "unplug-cable", cable = "c1" });
        using var browser = new Browser(width, height, isPhone: width < 500);
        browser.Go($"{server.Address}/job/{id}/stairs?side=planned");
        browser.UntilText("The street");
        if (width < 500) browser.Press(() => browser.Css("button[aria-haspopup=dialog]"));
        browser.UntilText("Planned, but not possible any more");
        browser.UntilText("There is no cable “c1” in this house.");
        browser.Press("Keep it for later");
        browser.UntilText("Kept for later: it is done as soon as the house allows it.");
        browser.Press("Take it out");
        browser.Until(() => !browser.Has("Planned, but not possible any more"), "the list to go");
        var job = (await client.GetFromJsonAsync<JsonObject>($"/api/jobs/{id}"))!;
        Assert.Equal((0, 0), ((int)job["plan"]!["deeds"]!, job["plan"]!["held"]!.AsArray().Count));
    }

    [Fact]
    public async Task Name_servers_and_the_time_of_a_lease_are_set_and_are_steps_of_the_order()
    {
        using var client = new HttpClient { BaseAddress = new(server.Address) };
        var id = await Job(client);
        using var browser = new Browser();
        browser.Go($"{server.Address}/job/{id}/stairs?side=planned&box=gw");
        browser.Fill("DNS servers given", "192.0.2.53, 192.0.2.54");
        browser.Fill("Lease in minutes", "120");
        browser.Go($"{server.Address}/job/{id}/work?side=planned");
        browser.UntilText("DHCP");
        var order = (await client.GetFromJsonAsync<JsonObject>($"/api/jobs/{id}/work-order"))!;
        var rows = order["order"]!["steps"]!.AsArray().SelectMany(step => step!["changes"]!.AsArray()).Select(row => $"{row!["setting"]}: {row["to"]}").ToList();
        Assert.Contains("DNS servers given: 192.0.2.53, 192.0.2.54", rows);
        Assert.Contains("Lease time: 2 hours", rows);
        Assert.True((bool)order["isProven"]!);
    }
}
