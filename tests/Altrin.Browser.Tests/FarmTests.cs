namespace Altrin.Browser.Tests;

/// <summary>The big demo house, which uses most modes: seen, traced, asked, set and mended in the browser.</summary>
public sealed class FarmTests : IDisposable
{
    private readonly Server server = new();
    private readonly Browser browser = new();

    public void Dispose()
    {
        browser.Dispose();
        server.Dispose();
    }

    private void OpenFarm(Browser on)
    {
        on.Go(server.Address);
        on.Press(() => on.Link("Hawthorn Farm"));
        on.UntilText("The street");
    }

    [Fact]
    public void Every_mode_and_link_is_seen_on_the_stairs()
    {
        OpenFarm(browser);
        browser.UntilText("4 of 13 wants hold · 5 faults · 4 cautions");
        browser.UntilText("receives the line through Entry gateway");
        browser.UntilText("pass-through to Farmhouse router");
        browser.UntilText("guests of Farmhouse router: internet, nothing else");
        foreach (var words in new[] { "mesh satellite, joins", "repeater, gives addresses", "client bridge, joins", "WDS bridge", "access point", "switch", "not joined to the street" })
            Assert.True(browser.Has(words), words);
        // A row of arcs for each box that has joined by radio; the barn has joined nothing yet.
        Assert.Equal(4L, browser.Run("return document.querySelectorAll('path[data-uplink]').length"));
        Assert.Empty(browser.Complaints());
    }

    [Fact]
    public void A_way_is_traced_on_press_and_the_grid_explains_a_cell()
    {
        OpenFarm(browser);
        browser.Press(() => browser.Css("[data-thing=guest2]"));
        browser.Press("trace its way");
        var way = browser.Css("ol[aria-label='Its way to the street']");
        browser.Until(() => way.FindElements(OpenQA.Selenium.By.TagName("li")).Select(li => li.Text.Split(' ')[0]).SequenceEqual(["Upstairs", "Pantry", "Farmhouse", "Entry", "The"]), "the hops in order");
        Assert.Contains("one step: 192.168.201.10 becomes 203.0.113.10", way.Text, StringComparison.Ordinal);
        browser.Keys("w");
        browser.Press(() => browser.Css("[role=gridcell][aria-label='Guest’s tablet, Office printer: no']"));
        browser.UntilText("Guest’s tablet is on a guest network, which lets out to the internet and to nothing of the home.");
        browser.Press(() => browser.Css("[role=gridcell][aria-label^='Office laptop, Office printer: yes']"));
        browser.UntilText("It is found by name too.");
    }

    [Fact]
    public void Fix_after_fix_leaves_no_fault_and_an_order_that_is_proven()
    {
        OpenFarm(browser);
        for (var n = 1; n <= 12 && !browser.Has("all 13 wants hold"); n++)
        {
            var before = browser.Css("[data-testid=verdict]").Text;
            browser.Keys("f");
            browser.Until(() => browser.Css("[data-testid=verdict]").Text != before || browser.Has("all 13 wants hold"), $"fix {n} after “{before}”");
        }
        Assert.DoesNotContain("fault", browser.Css("[data-testid=verdict]").Text, StringComparison.Ordinal);
        browser.Press(() => browser.Link("Work order"));
        browser.Css("ol[aria-label=Steps]");
        Assert.False(browser.Has("could not be proved"));
        Assert.Empty(browser.Complaints());
    }

    [Fact]
    public void The_settings_of_every_mode_are_set_on_the_picture()
    {
        OpenFarm(browser);
        // The gateway's Wi-Fi leaves “auto”, so the WDS link to the barn can come up on the barn's channel.
        browser.Press(() => browser.Css("[data-box=main]"));
        browser.Press(() => browser.Radio("Wi-Fi"));
        browser.Fill("Channel", "6");
        browser.Until(() => !browser.Has("A WDS link on two channels"), "the WDS link");
        browser.Press(() => browser.Radio("Lets in"));
        browser.Fill("Forward tcp port", "9443");
        browser.Fill("To address or address:port", "192.168.44.77:443");
        browser.UntilText("A way in to nobody");
        browser.Press("Remove the forward of tcp 9443");
        browser.Until(() => !browser.Has("A way in to nobody"), "the forward to go");
        browser.Press(() => browser.Radio("VLANs"));
        browser.Fill("LAN 2 untagged", "5000");
        browser.UntilText("5000 stands here. Write a whole number from 1 to 4094.");
        browser.Press(() => browser.Radio("WAN"));
        browser.Choose("WAN address", "PPPoE");
        browser.UntilText("The line is passed to nobody");
        browser.Press("undo");
        browser.Until(() => !browser.Has("The line is passed to nobody"), "the undo");
        browser.Press("close");
        // Who joins whom.
        browser.Press(() => browser.Css("[data-box=eastsat]"));
        browser.Press(() => browser.Radio("Joins"));
        browser.Choose("Of which box", "Farmhouse router");
        browser.Until(() => !browser.Has("Two radio hops in a row"), "the shorter way");
        browser.Press("close");
        // A powerline link becomes a cable.
        browser.Press(() => browser.Css("[data-socket='workshop/wan']"));
        browser.Choose("Medium", "data cable");
        browser.UntilText("Category");
        browser.Fill("Length in metres", "130");
        browser.UntilText("A cable too long");
    }

    [Theory, Trait("kind", "long")]
    [InlineData(1280, 800)]
    [InlineData(390, 844)]
    public void No_field_cuts_what_stands_in_it(int width, int height)
    {
        using var sized = new Browser(width, height);
        OpenFarm(sized);
        var looked = 0;
        foreach (var box in new[] { "gw", "main", "dairy" })
        {
            sized.Run($"document.querySelector('[data-box={box}]').click()");
            sized.Css("[role=radiogroup]");
            foreach (var section in new[] { "Box", "WAN", "Wi-Fi", "Joins", "Lets in", "VLANs" })
            {
                if (sized.Run("const tab = [...document.querySelectorAll('[role=radiogroup] label')].find(one => one.innerText.trim() == arguments[0]); tab?.click(); return !!tab", section) is false) continue;
                looked++;
                Assert.Equal("", sized.Run("return [...document.querySelectorAll('input')].filter(one => one.type == 'text' && one.scrollWidth > one.clientWidth).map(one => one.value).join(', ')"));
            }
        }
        Assert.True(looked > 9, $"{looked} sections");
    }

    [Fact]
    public void On_a_phone_nothing_is_wider_than_the_screen_but_the_picture()
    {
        using var phone = new Browser(390, 844, isPhone: true);
        OpenFarm(phone);
        Assert.Equal(390L, phone.Run("return document.documentElement.scrollWidth"));
        phone.Press("Who reaches whom");
        phone.UntilText("Each row asks, each column answers.");
        Assert.Equal(390L, phone.Run("return document.documentElement.scrollWidth"));
    }
}
