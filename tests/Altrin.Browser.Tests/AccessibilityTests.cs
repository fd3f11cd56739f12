using System.Text.Json;

namespace Altrin.Browser.Tests;

/// <summary>axe-core over every view, in both themes and at both widths: no serious and no critical violation.</summary>
public sealed class AccessibilityTests : IDisposable
{
    private static readonly Lazy<string> Axe = new(() =>
        File.ReadAllText(Path.Combine(Server.Root, "web", "node_modules", "axe-core", "axe.min.js")));

    private readonly Server server = new();

    public void Dispose() => server.Dispose();

    [Theory]
    [InlineData("light", 1280)]
    [InlineData("dark", 390, Traits = ["kind", "long"])]
    [InlineData("dark", 1280, Traits = ["kind", "long"])]
    [InlineData("light", 390, Traits = ["kind", "long"])]
    public void No_view_has_a_serious_violation(string theme, int width)
    {
        using var browser = Open(theme, width);
        browser.UntilText("Larkspur House");
        Check(browser, "jobs");
        browser.Press(() => browser.Link("Larkspur House"));
        browser.UntilText("The street");
        Check(browser, "stairs");
        browser.Press(() => browser.Css("[data-box=studio]"));
        browser.Field("Its own address");
        Check(browser, "a box's settings");
        browser.Press(() => browser.Css("section[aria-label='Studio router'] button:last-of-type"));
        browser.Press(() => browser.Css("[data-thing=printer]"));
        browser.Field("Fixed address");
        Check(browser, "a thing's settings");
        browser.Press(() => browser.Link("Visit"));
        foreach (var stop in new[] { "The line", "Studio router", "What is on it now", "Rooms and cables", "Leave alone" })
        {
            browser.Press(() =>
                browser.Css("ol[aria-label='Stops of the walk']").FindElement(OpenQA.Selenium.By.XPath($".//a[contains(., '{stop}')]")));
            browser.Until(() => browser.Css("main h3").Text.StartsWith(stop, StringComparison.Ordinal), stop);
            Check(browser, $"visit, {stop}");
        }
        browser.Put("Paste here",
            "Interface: 192.168.31.104 --- 0x7\n  192.168.31.1  00-00-5e-00-53-01  dynamic\n  192.168.31.131  00-00-5e-00-53-99  dynamic\n");
        browser.UntilText("Take all into the house");
        Check(browser, "a paste");
        browser.Press(() => browser.Link("Addresses"));
        browser.Field("Reckon").SendKeys("10.20.3.200/26");
        browser.UntilText("10.20.3.192/26");
        Check(browser, "addresses");
        browser.Press(() => browser.Link("Air"));
        browser.UntilText("No floor is drawn");
        browser.UntilText("with a suffix a box");
        Check(browser, "air, no floor drawn");
        browser.Press("Draw the floor");
        browser.Field("Say a room: its name, width by depth, beside which one").SendKeys("Hall 4 by 5" + OpenQA.Selenium.Keys.Enter);
        browser.Css("[data-room=hall]");
        Check(browser, "a floor being drawn");
        browser.Press("Done drawing");
        if (width == 390) browser.Press("Show the floor");
        browser.Css(".stander");
        Check(browser, "air, a floor drawn");
        browser.Press("undo");
        browser.UntilText("No floor is drawn");
        browser.Press(() => browser.Link("Wants"));
        browser.UntilText("Ask before you plug.");
        Check(browser, "wants");
        browser.Press(() => browser.Link("Options"));
        browser.UntilText("nothing better exists");
        Check(browser, "options");
        browser.Press(() => browser.Css("[data-way='0'] button"));
        browser.UntilText("all 7 wants hold");
        browser.Press(() => browser.Link("Work order"));
        browser.Css("section[aria-label='Step 1']");
        Check(browser, "work order");
        browser.Press("Something else");
        browser.Press("No internet");
        browser.UntilText("The line itself may be down.");
        Check(browser, "something else");
        browser.Press("Rehearse it on the Stairs");
        browser.Css("[data-thing=installer-laptop]");
        Check(browser, "a rehearsal");
        browser.Press(() => browser.Link("Fault finding"));
        browser.UntilText("What does not work?");
        Check(browser, "a complaint");
        browser.Press("A Wi-Fi is not in the list");
        browser.Press("Find out why");
        browser.UntilText("Check this next");
        Check(browser, "a look");
    }

    [Theory]
    [InlineData("light", 1280)]
    [InlineData("dark", 390, Traits = ["kind", "long"])]
    [InlineData("dark", 1280, Traits = ["kind", "long"])]
    [InlineData("light", 390, Traits = ["kind", "long"])]
    public void No_sheet_and_no_state_has_a_serious_violation(string theme, int width) => CheckSheets(theme, width, isForced: false);

    [Fact, Trait("kind", "long")]
    public void Nor_has_one_in_forced_colours() => CheckSheets("light", 1280, isForced: true);

    private void CheckSheets(string theme, int width, bool isForced)
    {
        using var browser = Open(theme, width);
        if (isForced) browser.Cdp("Emulation.setEmulatedMedia",
            new() { ["features"] = new object[] { new Dictionary<string, object> { ["name"] = "forced-colors", ["value"] = "active" } } });
        browser.Go($"{server.Address}/kit");
        browser.Press(() => browser.Css("summary"));
        Check(browser, "the kit shelf");
        browser.Go(server.Address);
        browser.Press(() => browser.Css("button[aria-label='Delete Hawthorn Farm']"));
        browser.UntilText("This cannot be undone.");
        Check(browser, "delete a job");
        browser.Press("Keep it");
        browser.Until(() => browser.Count("[role=dialog]") == 0, "the sheet to close");
        browser.Press(() => browser.Link("Larkspur House"));
        browser.UntilText("The street");
        var here = browser.Url;
        foreach (var (sheet, words) in new[] { ("keys", "Single keys act."), ("log", "What was changed"), ("find", "more"),
            ("add", "What is it?"), ("reach", "Each row asks"), ("verdict", "What the household wants"),
            ("paste", "What the laptop shows"), ("phone", "This laptop answers nobody but itself"),
            ("moved", "The laptop shows it under") })
        {
            browser.Go($"{here}?open={sheet}");
            browser.Css("[role=dialog]");
            browser.UntilText(words == "more" ? "Find" : words);
            Check(browser, sheet);
        }
        browser.Go($"{here}?open=add");
        browser.Press("Take it in hand");
        browser.UntilText("is in your hand");
        Check(browser, "a kind in the hand");
        browser.Press("Put it back");
        browser.Press(() => browser.Css("[data-thing=printer]"));
        browser.Press("mark several");
        browser.UntilText("Put it on");
        Check(browser, "things that are marked");
        browser.Go($"{here}?box=the%20line");
        browser.Field("Mb/s down");
        Check(browser, "the line");
        browser.Go($"{here}?box=studio");
        browser.Fill("Its own address", "192.168.31.255/24");
        browser.UntilText("which no box may hold");
        Check(browser, "a refused draft");
        browser.Go(server.Address);
        browser.AcceptLeaving();
        browser.Css("input[aria-label='Name of the house']").SendKeys("Mill Cottage" + OpenQA.Selenium.Keys.Enter);
        browser.UntilText("There is no gateway yet");
        Check(browser, "an empty house");
        server.Stop();
        browser.Field("In which room does the line come in?").SendKeys("Hall" + OpenQA.Selenium.Keys.Enter);
        browser.UntilText("Not saved yet: no answer from Altrin.");
        Check(browser, "no answer");
    }

    /// <summary>The code on the laptop, the page at which a phone joins, and the order while the laptop is away.</summary>
    [Fact]
    public void Nor_has_the_phones_own()
    {
        using var shared = new Server(share: true);
        using var laptop = new Browser();
        using var phone = new Browser(390, 844, isPhone: true);
        laptop.Go($"{shared.Address}/?open=phone");
        laptop.Press("Make a code");
        var code = laptop.Css("[data-testid=join-code]").Text;
        Check(laptop, "a code");
        phone.Go(shared.Door);
        phone.UntilText("The laptop lets this phone in by a code");
        Check(phone, "join");
        phone.Field("Code").SendKeys(code + OpenQA.Selenium.Keys.Enter);
        phone.Press(() => phone.Link("Larkspur House"));
        phone.UntilText("The street");
        shared.Stop();
        phone.Press(() => phone.Css("[data-box=studio]"));
        phone.Fill("Name", "Shed router");
        phone.UntilText("The laptop is away. Keep this page open.");
        Check(phone, "the laptop is away");
    }

    [Theory, Trait("kind", "long")]
    [InlineData("light", 1280)]
    [InlineData("dark", 390)]
    [InlineData("dark", 1280)]
    [InlineData("light", 390)]
    public void No_view_of_the_big_house_has_a_serious_violation(string theme, int width)
    {
        using var browser = Open(theme, width);
        browser.Press(() => browser.Link("Hawthorn Farm"));
        browser.UntilText("The street");
        Check(browser, "stairs");
        browser.Press(() => browser.Css("[data-box=main]"));
        foreach (var section in new[] { "WAN", "Wi-Fi", "Joins", "Lets in", "VLANs" })
        {
            browser.Press(() => browser.Radio(section));
            Check(browser, section);
        }
        browser.Press("close");
        browser.Press("Who reaches whom");
        browser.Press(() => browser.Css("[role=gridcell][aria-label^='Office laptop, Office printer: yes']"));
        browser.UntilText("It is found by name too.");
        Check(browser, "who reaches whom");
    }

    private Browser Open(string theme, int width)
    {
        var browser = new Browser(width, width == 390 ? 844 : 800, isPhone: width == 390);
        browser.Go(server.Address);
        browser.Run("localStorage.setItem('altrin.theme', arguments[0])", theme);
        browser.Go(server.Address);
        return browser;
    }

    private static void Check(Browser browser, string view)
    {
        // What fades in is looked at when it is there.
        browser.RunAsync("const done = arguments[0]; Promise.race([Promise.allSettled(document.getAnimations().map((one) => one.finished)), new Promise((after) => setTimeout(after, 800))]).then(() => done(true))");
        // Half a megabyte: once a page, and most views are one page.
        if (browser.RunAsync("arguments[0](typeof axe)") is not "object") browser.Run(Axe.Value);
        // Of what is well only how much it is: its list is a megabyte.
        var text = (string)browser.RunAsync("const done = arguments[0]; axe.run({ resultTypes: ['violations'] }).then((r) => done(JSON.stringify({ violations: r.violations, passes: r.passes.length })))")!;
        var result = JsonDocument.Parse(text).RootElement;
        Assert.True(result.GetProperty("passes").GetInt32() > 10, "axe looked at nothing");
        var bad = result.GetProperty("violations").EnumerateArray()
            .Where(violation => violation.GetProperty("impact").GetString() is "serious" or "critical")
            .Select(violation =>
                $"{violation.GetProperty("id").GetString()}: {violation.GetProperty("nodes")[0].GetProperty("html").GetString()} {violation.GetProperty("nodes")[0].GetProperty("failureSummary").GetString()}");
        Assert.True(!bad.Any(), $"{view}: {string.Join("\n", bad)}");
    }
}
