namespace Altrin.Browser.Tests;

/// <summary>Takes the pictures of docs/screenshots from the demo house: <c>./altrin shots</c>.</summary>
[Trait("kind", "shots")]
public sealed class Shots
{
    public static bool AreNotAsked => Environment.GetEnvironmentVariable("ALTRIN_SHOTS") is null;

    [Fact(Skip = "Only ./altrin shots asks for pictures.", SkipWhen = nameof(AreNotAsked))]
    public void Every_main_view()
    {
        var folder = Environment.GetEnvironmentVariable("ALTRIN_SHOTS")!;
        Directory.CreateDirectory(folder);
        using var server = new Server();
        using (var browser = new Browser())
        {
            Open(server, browser, "light");
            browser.Picture(Path.Combine(folder, "stairs-as-found.png"));
            browser.Press(() => browser.Link("Visit"));
            browser.Press(() =>
                browser.Css("ol[aria-label='Stops of the walk']").FindElement(OpenQA.Selenium.By.XPath(".//a[contains(., 'What is on it now')]")));
            browser.Put("Paste here", VisitTests.Neighbours);
            browser.UntilText("Take all into the house");
            browser.Run("document.querySelector('textarea').scrollIntoView()");
            browser.Picture(Path.Combine(folder, "visit.png"));
            browser.Press("put it away");
            browser.Press(() => browser.Link("Addresses"));
            browser.Css(".ruler svg");
            browser.Picture(Path.Combine(folder, "addresses.png"));
            browser.Press(() => browser.Link("Wants"));
            browser.UntilText("Ask before you plug.");
            browser.Picture(Path.Combine(folder, "wants.png"));
            browser.Press(() => browser.Link("Options"));
            browser.UntilText("nothing better exists");
            browser.Press(() => browser.Css("[data-way='0'] button"));
            browser.UntilText("all 7 wants hold");
            Settle(browser);
            browser.Press(() => browser.Link("Stairs"));
            browser.UntilText("The street");
            browser.Picture(Path.Combine(folder, "stairs-planned.png"));
            browser.Press(() => browser.Link("Work order"));
            browser.Press(() => browser.Driver.FindElement(OpenQA.Selenium.By.XPath("//button[@data-step][contains(., 'New address')]")));
            browser.UntilText("Give Studio router a new address");
            browser.Picture(Path.Combine(folder, "work-order.png"));
            browser.Go(server.Address);
            browser.Press(() => browser.Link("Millrace Terrace"));
            browser.UntilText("The street");
            browser.Press(() => browser.Link("Options"));
            Await(browser, "the house is too big to rule out every other");
            browser.Picture(Path.Combine(folder, "options.png"));
            browser.Press(() => browser.Css("[data-way='0'] button"));
            browser.Press(() => browser.Link("Work order"));
            Await(browser, "Rehearse it on the Stairs");
            browser.Press("Rehearse it on the Stairs");
            browser.UntilText("Step 1 of ");
            // In the middle of it, at a step that has its reason.
            for (var n = 2; n <= 12 || !HasItsReason(browser); n++)
            {
                browser.Keys(OpenQA.Selenium.Keys.ArrowRight);
                browser.UntilText($"Step {n} of ");
            }
            Settle(browser);
            browser.Picture(Path.Combine(folder, "rehearsal.png"));
            browser.Press(() => browser.Link("Fault finding"));
            browser.UntilText("What does not work?");
            browser.Press("A Wi-Fi is not in the list");
            browser.Press("Find out why");
            browser.UntilText("Check this next");
            Settle(browser);
            browser.Picture(Path.Combine(folder, "fault-finding.png"));
            browser.Press(() => browser.Link("Handover"));
            browser.Press(() => browser.Label("For the next installer"));
            browser.UntilText("Still missing");
            Settle(browser);
            browser.Picture(Path.Combine(folder, "handover.png"));
            browser.Go(server.Address);
            browser.Press(() => browser.Link("Hawthorn Farm"));
            browser.UntilText("The street");
            browser.Metrics(1280, 1900);
            browser.Until(() => browser.Count("path[data-uplink]") == 4, "the radio links");
            browser.Picture(Path.Combine(folder, "farm-stairs.png"));
            browser.Metrics(1280, 800);
            browser.Press(() => browser.Link("Air"));
            browser.Css(".stander");
            browser.Until(() =>
                browser.Css("section[aria-label='Where should it stand?']").Text.Contains("best, ", StringComparison.Ordinal),
                "where it should stand");
            browser.Picture(Path.Combine(folder, "air.png"));
            browser.Press(() => browser.Link("Stairs"));
            browser.UntilText("The street");
            browser.Keys("w");
            browser.Press(() => browser.Css("[role=gridcell][aria-label='Kitchen phone, Barn camera: no']"));
            browser.UntilText("Barn camera got no address");
            browser.Picture(Path.Combine(folder, "who-reaches-whom.png"));
            browser.Go(server.Address);
            browser.UntilText("New job");
            browser.Picture(Path.Combine(folder, "jobs.png"));
            browser.Go($"{server.Address}/kit");
            browser.Press(() => browser.Css("section:nth-of-type(2) summary"));
            browser.Picture(Path.Combine(folder, "kit-shelf.png"));
        }
        using (var browser = new Browser())
        {
            Open(server, browser, "dark");
            browser.Picture(Path.Combine(folder, "stairs-dark.png"));
        }
        using var phone = new Browser(390, 844, isPhone: true);
        Open(server, phone, "light");
        phone.Picture(Path.Combine(folder, "phone-stairs.png"));
        phone.Go(phone.Url.Replace("/stairs", "/visit", StringComparison.Ordinal));
        phone.UntilText("The house, as you walk it");
        phone.Field("What is to be done?").SendKeys("access point in the barn");
        phone.UntilText("questions decide it");
        phone.Picture(Path.Combine(folder, "phone-visit.png"));
        phone.Go(phone.Url.Replace("/visit", "/work", StringComparison.Ordinal) + "?side=planned");
        phone.Css("section[aria-label='Step 1']");
        phone.Picture(Path.Combine(folder, "phone-work-order.png"));
    }

    private static void Open(Server server, Browser browser, string theme)
    {
        browser.Go(server.Address);
        browser.Run("localStorage.setItem('altrin.theme', arguments[0])", theme);
        browser.Go(server.Address);
        browser.Press(() => browser.Link("Larkspur House"));
        browser.UntilText("The street");
    }

    /// <summary>It is worked out while one looks.</summary>
    private static bool HasItsReason(Browser browser) => Comes(browser, "Why not sooner?", seconds: 10);

    /// <summary>The search for plans and orders of a large house, on a machine that does other things too.</summary>
    private static void Await(Browser browser, string words) => Assert.True(Comes(browser, words, seconds: 60), words);

    private static bool Comes(Browser browser, string words, int seconds)
    {
        for (var since = System.Diagnostics.Stopwatch.StartNew(); since.Elapsed.TotalSeconds < seconds; Thread.Sleep(50))
            if (browser.Has(words)) return true;
        return false;
    }

    /// <summary>The note of what was done goes by itself.</summary>
    private static void Settle(Browser browser) =>
        browser.Until(() => !browser.Has("Planned: Studio router") && !browser.Has("Planned: Lounge router"), "the notice to go");
}
