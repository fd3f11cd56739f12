namespace Altrin.Browser.Tests;

/// <summary>Jobs of the trade entered from an empty page, as in the hall: at most sixty presses and letters, and the first way is what a
/// tradesperson would do.
/// Common practice, no source.</summary>
public sealed class EntryTests : HandTest
{
    private const int MostPresses = 60;

    private int presses;

    [Theory]
    [InlineData("repeater", 1280, 800), InlineData("repeater", 390, 844)]
    [InlineData("by-cable", 1280, 800), InlineData("by-cable", 390, 844)]
    [InlineData("plug-in", 1280, 800), InlineData("powerline", 1280, 800), InlineData("main-router", 1280, 800), InlineData("asks", 1280,
        800)]
    public void A_job_is_entered_in_sixty_presses_and_the_first_way_is_the_trades(string job, int width, int height) =>
        IsEntered(job, width, height);

    /// <summary>The others of the twenty-one.</summary>
    [Theory, Trait("kind", "long")]
    [InlineData("02-second-router"), InlineData("03-pass-through"), InlineData("04-wisp-first"), InlineData("05-mesh-router")]
    [InlineData("06-mesh-kit")]
    [InlineData("07-ceiling"), InlineData("08-second-unit"), InlineData("09-mesh-behind"), InlineData("12-switch"),
        InlineData("13-asks-bridged")]
    [InlineData("14-two-old"), InlineData("16-wizard"), InlineData("17-bridge"), InlineData("18-shared-line"), InlineData("19-old-hub"),
        InlineData("20-wds")]
    [InlineData("21-guest-house")]
    public void Every_job_of_the_trade_is(string job) => IsEntered(job, 1280, 800);

    private void IsEntered(string job, int width, int height)
    {
        Browser.Metrics(width, height);
        Browser.Go(Server.Address);
        Press("Begin an empty house");
        Browser.UntilText("There is no gateway yet");
        Job = Browser.Url.Split("/job/")[1].Split('/')[0];
        var title = job switch
        {
            "repeater" => Repeater(),
            "by-cable" => ByCable(),
            "plug-in" => PlugIn(),
            "powerline" => Powerline(),
            "main-router" => MainRouter(),
            "asks" => Asks(),
            _ => Other(job),
        };
        Assert.InRange(presses, 10, MostPresses);
        if (job is "repeater" or "by-cable") Assert.True((bool?)Found()["document"]!["devices"]![1]!["usedBefore"]);
        Browser.Go($"{Server.Address}/job/{Job}/options");
        Browser.UntilText("nothing better exists");
        if (Environment.GetEnvironmentVariable("ALTRIN_LOOK") is { } look) Browser.Picture($"{look}-{job}-{width}.png");
        var first = Browser.Css("[data-way='0']").Text;
        Assert.True(first.StartsWith(title, StringComparison.Ordinal), $"“{title}” is not “{first}”");
        Assert.Empty(Browser.Complaints());
    }

    /// <summary>From the words of a job: only what decides it is asked, and each answer is one press.</summary>
    [Theory]
    [InlineData("access point in the loft", "Old router, 2.4 GHz, 300 Mb/s on the carton", "a data cable lies there",
        "Loft router as access point by hand", 1280, 800)]
    [InlineData("repeat into the bedroom", "Router with access-point, bridge and repeater modes", "none", "Bedroom router as repeater",
        390, 844)]
    public void A_job_is_entered_by_its_words_and_the_questions_that_decide_it(string words, string kind, string cable, string first,
        int width, int height)
    {
        Browser.Metrics(width, height);
        Browser.Go(Server.Address);
        Press("Begin an empty house");
        Browser.UntilText("There is no gateway yet");
        Job = Browser.Url.Split("/job/")[1].Split('/')[0];
        Press(() => Browser.Link("Visit"));
        Browser.UntilText("What is to be done?");
        Gateway(null, "");
        Type("What is to be done?", words);
        if (words.StartsWith("access", StringComparison.Ordinal)) Answer("provider", "it may be set");
        Answer("box", "Say which");
        Browser.Css("[role=dialog]");
        Choose("What is it?", kind);
        Done();
        Answer("past", "it has");
        Answer("cable", cable);
        Answer("name", "the household’s");
        Answer("pool", "Leave it open");
        Browser.UntilText("All that decides it is known, or left open.");
        Assert.True((bool?)Found()["document"]!["devices"]![1]!["usedBefore"]);
        Press(() => Browser.Link("See the ways to do it"));
        Browser.UntilText("nothing better exists");
        Assert.StartsWith(first, Browser.Css("[data-way='0']").Text, StringComparison.Ordinal);
        Assert.InRange(presses, 10, MostPresses);
        Assert.Empty(Browser.Complaints());

        // What is asked next may have come where this one stood: it is gone before anything else is pressed.
        void Answer(string question, string answer)
        {
            var before = Browser.Count("[data-question]");
            Press(() => Browser.Css($"[data-question='{question}']").FindElements(OpenQA.Selenium.By.TagName("button")).First(one =>
                one.Text == answer));
            if (question != "box") Browser.Until(() => Browser.Count($"[data-question='{question}']") == 0,
                $"{question}, one of {before}, to be gone");
        }
    }

    private const string Locked = "Gateway that is locked, on a shared line",
        Switched = "Router with access-point, bridge and repeater modes",
        Old = "Old router, 2.4 GHz, 300 Mb/s on the carton", Older = "Old router, 2.4 GHz, 54 Mb/s", Cable = "a data cable lies there";

    private string Other(string job)
    {
        switch (job)
        {
            case "02-second-router":
                Gateway(null, "", ".100 to .199");
                Brought(Old, "Study", cable: Cable);
                Thing("Printer", "ISP gateway LAN 1");
                return "Study router as access point by hand";
            case "03-pass-through":
                Gateway("Gateway with pass-through", "");
                AtWork("Dual-band router", "ISP gateway LAN 1");
                Thing("NVR", "Hall router LAN 1");
                Inbound("8443");
                return "ISP gateway passes the line through to Hall router";
            case "04-wisp-first":
                Gateway(Locked, "");
                Brought("Router whose repeater page offers WISP first", "Attic");
                return "Attic router as repeater";
            case "05-mesh-router":
                Gateway("Gateway with pass-through", "");
                Brought("Mesh main unit", "", part: "the router for everybody");
                Thing("TV", "ISP gateway LAN 1");
                return "ISP gateway passes the line through to Mesh unit";
            case "06-mesh-kit":
                Gateway("Terminal or modem only", "");
                AtWork(Old, "ISP gateway LAN", "oak");
                Brought("Mesh main unit", "Hall", part: "the router for everybody");
                Country("GB");
                Brought("Mesh satellite", "Den", cable: Cable);
                Brought("Mesh satellite", "Loft");
                return "Hall mesh unit the router; without Hall router; Den satellite as satellite by cable; Loft satellite as satellite by radio";
            case "07-ceiling":
                Gateway(Locked, "");
                Brought("Ceiling access point with injector", "Landing", cable: Cable);
                return "Landing access point as access point";
            case "08-second-unit":
                Gateway(Locked, "");
                AtWork("Mesh main unit", "ISP gateway LAN 1");
                Brought("Mesh satellite", "Loft");
                // The gateway routes too: one of the two has to stop.
                return "Hall mesh unit as access point; Loft satellite as satellite by radio";
            case "09-mesh-behind":
                Gateway(Locked, "");
                Brought("Mesh main unit", "Hall");
                Brought("Mesh satellite", "Landing");
                return "Hall mesh unit as access point; Landing satellite as satellite by radio";
            case "12-switch":
                Gateway(Locked, "", ssid: "");
                Brought(Switched, "Office", cable: Cable);
                return "Office router as access point";
            case "13-asks-bridged":
                Gateway(null, "");
                Brought(Switched, "Loft", part: "access point", cable: Cable);
                Tick("As access point it asks for its address");
                return "Loft router as access point";
            case "14-two-old":
                Gateway(Locked, "");
                Brought(Old, "Study", cable: Cable, used: true);
                Brought(Older, "Barn", cable: Cable, used: true);
                return "Study router and Barn router as access point by hand";
            case "16-wizard":
                Gateway(Locked, "");
                Brought(Switched, "Bedroom", part: "repeater");
                return "Bedroom router as repeater";
            case "17-bridge":
                Gateway(Locked, "");
                Brought("Wireless bridge for wired things", "Study");
                Thing("Computer", "Wi-Fi oak", "Study");
                return "Study bridge as wireless bridge";
            case "18-shared-line":
                Gateway("Fixed-wireless gateway", "");
                Brought("Dual-band router", "", part: "the router for everybody");
                return "Second router with a network of its own";
            case "19-old-hub":
                Gateway(Locked, "");
                Brought(Older, "Bedroom", cable: "over the mains (powerline)", used: true);
                return "Bedroom router as access point by hand";
            case "20-wds":
                Gateway("Terminal or modem only", "");
                AtWork("Router with WDS", "ISP gateway LAN", "oak");
                Brought("Router with WDS", "Barn", part: "WDS bridge");
                return "Barn router as WDS partner";
            case "21-guest-house":
                Gateway(null, "");
                Brought(Switched, "Guest house");
                return "Guest house router as repeater";
            default: throw new ArgumentOutOfRangeException(nameof(job), job, "No job of the trade.");
        }
    }

    /// <summary>A box that lies on the table.</summary>
    private void Brought(string kind, string room, string? part = null, string? cable = null, bool used = false)
    {
        Add(kind, room);
        if (cable is not null) Choose("A cable there from Hall", cable);
        if (part is not null) Choose("It is meant to be", part);
        if (used) Press(() => Browser.Css("[data-used]"));
        Done();
    }

    private void AtWork(string kind, string socket, string ssid = "")
    {
        Add(kind, "");
        Choose("Its cable comes from", socket);
        if (ssid.Length > 0) Type("Its Wi-Fi name, if you see it", ssid);
        Done();
    }

    private void Thing(string name, string where, string room = "")
    {
        Add("A thing: tablet, printer, laptop …", room);
        Choose("Where is it?", where);
        Type("Name", name, isInSheet: true);
        Done();
    }

    private void Tick(string label)
    {
        Press(() => Browser.Label(label));
        Browser.Until(() => Browser.Count("input[type=checkbox]:checked") > 0, label);
    }

    /// <summary>Without it no channel is chosen, and all that is on a cable shares one.</summary>
    private void Country(string letters)
    {
        Press(() => Browser.Link("Rooms and cables"));
        Type("Country, two letters", letters + Enter);
        Browser.Until(() => (string?)Found()["document"]!["country"] == letters, letters);
    }

    private void Inbound(string port)
    {
        Press(() => Browser.Link("Wants"));
        Choose("Sentence", "can be reached from outside");
        Type("Port", port);
        Press("Add it");
        Browser.UntilText("can be reached from outside on tcp");
        Choose("Sentence", "router: … is the one that everybody goes through");
        Choose("Which box", "Hall router");
        Press("Add it");
        Browser.UntilText("Hall router is the router");
    }

    /// <summary>A spare router with a past, the same default address, no cable to the loft.</summary>
    private string Repeater()
    {
        Gateway("Gateway that is locked, on a shared line", "192.168.1.1");
        Add("Router with access-point, bridge and repeater modes", "Loft");
        Choose("It is meant to be", "repeater");
        Press(() => Browser.Css("[data-used]"));
        Done();
        return "Loft router as repeater";
    }

    private string ByCable()
    {
        Gateway(null, "");
        Add("Old router, 2.4 GHz, 300 Mb/s on the carton", "Study");
        Choose("A cable there from Hall", "a data cable lies there");
        Press(() => Browser.Css("[data-used]"));
        Done();
        return "Study router as access point by hand";
    }

    private string PlugIn()
    {
        Gateway(null, "");
        Add("Plug-in repeater, dual band", "Bedroom");
        Done();
        return "Bedroom repeater as repeater";
    }

    private string Powerline()
    {
        Gateway(null, "");
        Add("Old router, 2.4 GHz, 54 Mb/s", "Bedroom");
        Choose("A cable there from Hall", "over the mains (powerline)");
        Done();
        return "Bedroom router as access point by hand";
    }

    private string MainRouter()
    {
        Gateway(null, "");
        Add("Dual-band router", "");
        Choose("It is meant to be", "the router for everybody");
        Done();
        return "ISP gateway in modem mode, Second router the router";
    }

    private string Asks()
    {
        Gateway(null, "");
        Add("Access point that asks for its address", "Loft");
        Choose("A cable there from Hall", "a data cable lies there");
        Done();
        return "Loft access point as access point";
    }

    private void Gateway(string? kind, string address, string pool = "", string ssid = "oak")
    {
        Type("In which room does the line come in?", "Hall");
        if (kind is not null) Choose("What kind of box stands there?", kind);
        if (address.Length > 0) Type("Address on its label, if you see it", address);
        if (pool.Length > 0) Type("It gives out, if you see it", pool);
        if (ssid.Length > 0 && kind != "Terminal or modem only") Type("Its Wi-Fi name, if it makes Wi-Fi", ssid);
        Press("Begin here");
        Browser.UntilText("Which outside address does the gateway’s page show?");
    }

    private void Add(string kind, string room)
    {
        if (Environment.GetEnvironmentVariable("ALTRIN_LOOK") is { } look) Browser.Picture($"{look}-begun.png");
        Press("Another box");
        Browser.Css("[role=dialog]");
        Choose("What is it?", kind);
        if (room.Length > 0) Type("Room", room);
    }

    private void Done()
    {
        if (Environment.GetEnvironmentVariable("ALTRIN_LOOK") is { } look) Browser.Picture($"{look}-sheet-{Browser.Run("return innerWidth")}.png");
        Press("Add it");
        Browser.Until(() => Browser.Count("[role=dialog]") == 0, "the sheet to close");
    }

    private void Press(string button) => Press(() => Browser.Button(button));

    private void Press(Func<OpenQA.Selenium.IWebElement> what)
    {
        Browser.Press(what);
        presses++;
    }

    private void Choose(string label, string option)
    {
        Browser.Choose(label, option);
        presses += 2;
    }

    private void Type(string label, string text, bool isInSheet = false)
    {
        // Behind the sheet a stop may have a field of that name too.
        if (isInSheet) Browser.FieldInSheet(label).SendKeys(OpenQA.Selenium.Keys.Control + "a" + OpenQA.Selenium.Keys.Null + text);
        else Write(label, text);
        presses += 1 + text.Length;
    }
}
