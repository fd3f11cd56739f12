namespace Altrin.Browser.Tests;

/// <summary>Jobs of the trade entered from an empty page, as in the hall: at most sixty presses and letters, and the first way is what a tradesperson would do.
/// Common practice, no source.</summary>
public sealed class EntryTests : HandTest
{
    private const int MostPresses = 60;

    private int presses;

    [Theory]
    [InlineData("repeater", 1280, 800), InlineData("repeater", 390, 844)]
    [InlineData("by-cable", 1280, 800), InlineData("by-cable", 390, 844)]
    [InlineData("plug-in", 1280, 800), InlineData("powerline", 1280, 800), InlineData("main-router", 1280, 800), InlineData("asks", 1280, 800)]
    public void A_job_is_entered_in_sixty_presses_and_the_first_way_is_the_trades(string job, int width, int height)
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
            _ => Asks(),
        };
        Assert.InRange(presses, 10, MostPresses);
        if (job is "repeater" or "by-cable") Assert.True((bool?)Found()["document"]!["devices"]![1]!["usedBefore"]);
        Browser.Go($"{Server.Address}/job/{Job}/options");
        Browser.UntilText("nothing better exists");
        if (Environment.GetEnvironmentVariable("ALTRIN_LOOK") is { } look) Browser.Picture($"{look}-{job}-{width}.png");
        Assert.StartsWith(title, Browser.Css("[data-way='0']").Text, StringComparison.Ordinal);
        Assert.Empty(Browser.Complaints());
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

    private void Gateway(string? kind, string address)
    {
        Type("In which room does the line come in?", "Hall");
        if (kind is not null) Choose("What kind of box stands there?", kind);
        if (address.Length > 0) Type("Address on its label, if you see it", address);
        Type("Its Wi-Fi name, if it makes Wi-Fi", "oak");
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

    private void Type(string label, string text)
    {
        Write(label, text);
        presses += 1 + text.Length;
    }
}
