using System.Text.Json.Nodes;

namespace Altrin.Browser.Tests;

/// <summary>Nothing, sixty things and nine hundred.</summary>
public sealed class SizeTests : HandTest
{
    internal static JsonNode Big(int boxes, int things)
    {
        JsonNode Switch(int n) => JsonNode.Parse($$"""{ "id": "s{{n}}", "name": "Switch {{n}}", "mode": "switch", "supports": ["switch"], "ports": [ {{string.Join(",", Enumerable.Range(1, 8).Select(p => $$"""{ "id": "p{{p}}", "role": "lan" }"""))}} ] }""")!;
        var house = JsonNode.Parse("""
            { "format": "altrin.network/1", "name": "Big house", "line": { "device": "gw", "port": "line" },
              "devices": [ { "id": "gw", "name": "Gateway", "mode": "router", "supports": ["router"], "ports": [ { "id": "line", "role": "wan" }, { "id": "lan1", "role": "lan" } ],
                "lan": { "method": "static", "address": "10.0.0.1/16", "dhcpServer": { "enabled": true, "start": "10.0.1.0", "end": "10.0.9.255" } }, "wan": { "method": "dhcp" } } ],
              "cables": [], "endpoints": [], "needs": [] }
            """)!;
        for (var n = 1; n <= boxes; n++)
        {
            house["devices"]!.AsArray().Add(Switch(n));
            var from = n == 1 ? ("gw", "lan1") : ($"s{(n - 2) / 5 + 1}", $"p{(n - 2) % 5 + 2}");
            house["cables"]!.AsArray().Add(JsonNode.Parse($$"""{ "id": "c{{n}}", "a": { "device": "{{from.Item1}}", "port": "{{from.Item2}}" }, "b": { "device": "s{{n}}", "port": "p1" } }"""));
        }
        for (var n = 0; n < things; n++)
            house["endpoints"]!.AsArray().Add(JsonNode.Parse($$"""{ "id": "t{{n}}", "name": "Thing {{n}}", "connect": { "device": "s{{n / 2 % boxes + 1}}", "port": "p{{7 + n % 2}}" } }"""));
        return house;
    }

    /// <summary>Routers one behind the other, each with two things: as many treads as boxes.</summary>
    internal static JsonNode Steps(int boxes)
    {
        var house = Big(0, 0);
        for (var n = 1; n <= boxes; n++)
        {
            house["devices"]!.AsArray().Add(JsonNode.Parse($$"""
                { "id": "r{{n}}", "name": "Router {{n}}", "mode": "router", "supports": ["router"], "ports": [ { "id": "wan", "role": "wan" }, { "id": "lan1", "role": "lan" }, { "id": "lan2", "role": "lan" }, { "id": "lan3", "role": "lan" } ],
                  "wan": { "method": "dhcp" }, "lan": { "method": "static", "address": "10.{{1 + n / 256}}.{{n % 256}}.1/24", "dhcpServer": { "enabled": true, "start": "10.{{1 + n / 256}}.{{n % 256}}.10", "end": "10.{{1 + n / 256}}.{{n % 256}}.99" } } }
                """)!);
            house["cables"]!.AsArray().Add(JsonNode.Parse($$"""{ "id": "c{{n}}", "a": { "device": "{{(n == 1 ? "gw" : $"r{n - 1}")}}", "port": "lan1" }, "b": { "device": "r{{n}}", "port": "wan" } }"""));
            foreach (var socket in new[] { 2, 3 }) house["endpoints"]!.AsArray().Add(JsonNode.Parse($$"""{ "id": "t{{n}}-{{socket}}", "name": "Thing {{n}}, {{socket}}", "connect": { "device": "r{{n}}", "port": "lan{{socket}}" } }"""));
        }
        return house;
    }

    [Fact]
    public void Of_three_hundred_steps_down_what_is_in_the_window_is_drawn_wherever_that_is()
    {
        OpenHouse(Steps(300));
        Browser.Css("[data-box=gw]");
        Assert.InRange(Browser.Count("[data-card]"), 2, 60);
        var wires = (long)Browser.Run("return document.querySelectorAll('.picture > svg > path').length")!;
        Assert.InRange(wires, 2, 120);
        Browser.Run("document.querySelector('[data-box=gw]').focus()");
        Browser.Keys(OpenQA.Selenium.Keys.End);
        Browser.Until(() => Browser.Focus == "t300-3", "the last thing");
        // Its cable too, and none of those at the top.
        Browser.Until(() => (bool)Browser.Run("""
            const card = document.querySelector('[data-thing="t300-3"]').getBoundingClientRect()
            const cables = [...document.querySelectorAll('.picture > svg > path')].map((one) => one.getBoundingClientRect())
            return cables.length < 120 && cables.some((one) => Math.abs(one.bottom - card.top) < 60) && cables.every((one) => one.bottom > -3 * innerHeight)
            """)!, "the cables at the lower end");
        // Of three hundred cautions as many as anybody reads, and the rest when asked for.
        Assert.InRange(Browser.Count("aside#verdict article, aside#verdict [data-finding]"), 1, 45);
        Browser.Press(() => Browser.ButtonStarting("Show the other"));
        Browser.Until(() => Browser.Count("aside#verdict article, aside#verdict [data-finding]") > 200, "all of them");
        Assert.Empty(Browser.Complaints());
    }

    [Fact, Trait("kind", "long")]
    public void Three_hundred_boxes_and_six_hundred_things_can_be_worked_with()
    {
        OpenHouse(Big(300, 600));
        Browser.Css("[data-box=gw]");
        // What is in the window is drawn, and what is asked for.
        Assert.InRange(Browser.Count("[data-card]"), 2, 200);
        Browser.Run("document.querySelector('[data-box=gw]').focus()");
        Browser.Keys(OpenQA.Selenium.Keys.End);
        Browser.Until(() => Browser.Focus == "t599", "the last thing");
        Browser.Keys(OpenQA.Selenium.Keys.Home);
        Browser.Until(() => Browser.Focus == "gw", "the first box");
        Browser.Keys("/");
        Browser.Css("input[aria-label='Name, room, MAC or address']").SendKeys("Switch 250" + Enter);
        Browser.Until(() => Value("Name") == "Switch 250", "the box");
        Browser.Fill("Name", "Attic switch");
        Browser.Until(() => Browser.Css("[data-box=s250]").Text.Contains("Attic switch", StringComparison.Ordinal), "the new name");
        Browser.Press(() => Browser.Css("[data-panel] button:last-of-type"));
        Browser.Press("Who reaches whom");
        Browser.Css("[role=grid] [role=gridcell]");
        Assert.InRange((long)Browser.Run("return document.querySelectorAll('[role=gridcell]').length")!, 50, 4000);
        Assert.Empty(Browser.Complaints());
    }

    [Fact]
    public void The_first_stage_takes_at_most_180_kB_over_the_wire()
    {
        // What the first stage has to wait for, by what its files import; the other stages come in the quiet after it.
        var dist = Path.Combine(Server.Root, "web", "dist");
        var manifest = JsonNode.Parse(File.ReadAllText(Path.Combine(dist, ".vite", "manifest.json")))!.AsObject();
        var files = new HashSet<string>();
        var open = new Stack<string>(["index.html", "src/views/stairs/StairsPage.tsx"]);
        while (open.TryPop(out var part))
        {
            if (!files.Add((string)manifest[part]!["file"]!)) continue;
            foreach (var one in manifest[part]!["imports"]?.AsArray() ?? []) open.Push((string)one!);
            foreach (var style in manifest[part]!["css"]?.AsArray() ?? []) files.Add((string)style!);
        }
        var kilobytes = files.Sum(file => new FileInfo(Path.Combine(dist, File.Exists(Path.Combine(dist, file + ".br")) ? file + ".br" : file)).Length) / 1000.0;
        OpenDemo();
        Browser.Css("[data-box=gw]");
        // And it is what goes over the wire; packed on the way, a file of one line may gain some bytes.
        foreach (var file in files) Assert.True((bool)Browser.Run("return performance.getEntriesByType('resource').some((one) => one.name.endsWith(arguments[0]) && one.encodedBodySize <= arguments[1] + 64)", "/" + file, new FileInfo(Path.Combine(dist, file)).Length)!, file);
        TestContext.Current.SendDiagnosticMessage($"first stage: {kilobytes:0} kB of script and style");
        Assert.InRange(kilobytes, 50, 180);
    }

    [Fact]
    public void An_empty_house_tells_the_truth_and_asks_what_it_needs()
    {
        Browser.Go(Server.Address);
        Browser.Css("input[aria-label='Name of the house']").SendKeys("Mill Cottage" + Enter);
        Browser.UntilText("There is no gateway yet, so nothing can be said of it.");
        Browser.UntilText("There is no box in this house yet, so there is nothing to judge.");
        foreach (var stage in new[] { "Wants", "Work order", "Stairs" })
        {
            Browser.Press(() => Browser.Link(stage));
            Browser.Css("main h2");
        }
        Assert.False(Browser.Has("203.0.113."));
        Write("How many sockets for the house?", "none");
        Browser.Press("Begin here");
        Browser.UntilText("Sockets: “none” is no number of sockets.");
        Write("How many sockets for the house?", "2");
        Write("In which room does the line come in?", "Hall" + Enter);
        Browser.Until(() => Browser.Focus.Contains("ISP gateway", StringComparison.Ordinal) || Browser.Focus == "gateway", "the new box");
        Assert.Equal(3, Browser.Count("[data-socket]"));
        // The line has fields, and one that is taken away leaves a house that says so.
        Browser.Press("its line");
        Browser.Fill("Mb/s down", "100");
        Browser.Fill("Seen at the gateway", "100.70.1.2/16");
        Browser.UntilText("Write both: the address with its prefix, and the gateway.");
        Browser.Fill("with the gateway", "100.70.0.1");
        Browser.UntilText("100.70.1.2 becomes");
        Browser.UntilText("shared among customers");
        Browser.Choose("Comes in at", "nowhere");
        Browser.UntilText("no line comes in: nothing here reaches the internet");
    }
}
