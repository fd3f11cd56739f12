namespace Altrin.Browser.Tests;

/// <summary>The big demo house, which uses most modes: seen, traced, asked, set and mended in the Browser.</summary>
public sealed class FarmTests : HandTest
{
    [Fact]
    public void Every_mode_and_link_is_seen_on_the_stairs()
    {
        OpenDemo("Hawthorn Farm");
        Browser.UntilText("5 of 13 wants hold · 5 faults · 11 cautions");
        Browser.UntilText("receives the line through Entry gateway");
        Browser.UntilText("pass-through to Farmhouse router");
        Browser.UntilText("guests of Farmhouse router: internet, nothing else");
        foreach (var words in new[] { "mesh satellite, joins", "repeater, gives addresses", "client bridge, joins", "WDS bridge", "access point", "switch", "not joined to the street" })
            Assert.True(Browser.Has(words), words);
        // A row of arcs for each box that has joined by radio; the barn has joined nothing yet.
        Assert.Equal(4L, Browser.Run("return document.querySelectorAll('path[data-uplink]').length"));
        Assert.Empty(Browser.Complaints());
    }

    [Fact]
    public void A_way_is_traced_on_press_and_the_grid_explains_a_cell()
    {
        OpenDemo("Hawthorn Farm");
        Browser.Press(() => Browser.Css("[data-thing=guest2]"));
        Browser.Press("trace its way");
        var way = Browser.Css("ol[aria-label='Its way to the street']");
        Browser.Until(() => way.FindElements(OpenQA.Selenium.By.TagName("li")).Select(li => li.Text.Split(' ')[0]).SequenceEqual(["Upstairs", "Pantry", "Farmhouse", "Entry", "The"]), "the hops in order");
        Assert.Contains("one step: 192.168.201.10 becomes the line’s own address", way.Text, StringComparison.Ordinal);
        Browser.Keys("w");
        // What is in the window is drawn: the guests stand at the lower end.
        Browser.Css("[role=grid]");
        Browser.Run("document.querySelector('[role=grid]').scrollTop = 1e5");
        Browser.Press(() => Browser.Css("[role=gridcell][aria-label='Guest’s tablet, Office printer: no']"));
        Browser.UntilText("Guest’s tablet is on a guest network, which lets out to the internet and to nothing of the home.");
        Browser.Run("document.querySelector('[role=grid]').scrollTop = 0");
        Browser.Press(() => Browser.Css("[role=gridcell][aria-label^='Office laptop, Office printer: yes']"));
        Browser.UntilText("It is found by name too.");
    }

    [Fact]
    public void Fix_after_fix_leaves_no_fault_and_an_order_that_is_proven()
    {
        OpenDemo("Hawthorn Farm");
        for (var n = 1; n <= 12 && !Browser.Has("all 13 wants hold"); n++)
        {
            var before = Browser.Css("[data-testid=verdict]").Text;
            Browser.Keys("f");
            Browser.Until(() => Browser.Css("[data-testid=verdict]").Text != before || Browser.Has("all 13 wants hold"), $"fix {n} after “{before}”");
        }
        Assert.DoesNotContain("fault", Browser.Css("[data-testid=verdict]").Text, StringComparison.Ordinal);
        Browser.Press(() => Browser.Link("Work order"));
        Browser.Css("ol[aria-label=Steps]");
        Assert.False(Browser.Has("could not be proved"));
        Assert.Empty(Browser.Complaints());
    }

    [Fact, Trait("kind", "long")]
    public void The_settings_of_every_mode_are_set_on_the_picture()
    {
        OpenDemo("Hawthorn Farm");
        // The gateway's Wi-Fi leaves “auto”, so the WDS link to the barn can come up on the barn's channel.
        Browser.Press(() => Browser.Css("[data-box=main]"));
        Browser.Press(() => Browser.Radio("Wi-Fi"));
        Browser.Fill("Channel", "6");
        Browser.Until(() => !Browser.Has("A WDS link on two channels"), "the WDS link");
        Browser.Press(() => Browser.Radio("Lets in"));
        Browser.Choose("Protocol", "udp");
        Browser.Fill("Forward port", "9443");
        Browser.Fill("To address or address:port", "192.168.44.77:443");
        Browser.UntilText("A way in to nobody");
        Browser.Press("Remove the forward of udp 9443");
        Browser.Until(() => !Browser.Has("A way in to nobody"), "the forward to go");
        Browser.Press(() => Browser.Radio("VLANs"));
        Browser.Fill("LAN 2 untagged", "5000");
        Browser.UntilText("5000 stands here. Write a whole number from 1 to 4094.");
        Browser.Press(() => Browser.Radio("WAN"));
        Browser.Choose("WAN address", "PPPoE");
        Browser.UntilText("The line is passed to nobody");
        Browser.Press("undo");
        Browser.Until(() => !Browser.Has("The line is passed to nobody"), "the undo");
        Browser.Press("close");
        // Who joins whom.
        Browser.Press(() => Browser.Css("[data-box=eastsat]"));
        Browser.Press(() => Browser.Radio("Joins"));
        Browser.Choose("Of which box", "Farmhouse router");
        Browser.Until(() => !Browser.Has("Two radio hops in a row"), "the shorter way");
        Browser.Press("close");
        // A powerline link becomes a cable.
        Browser.Press(() => Browser.Css("[data-socket='workshop/wan']"));
        Browser.Choose("Medium", "data cable");
        Browser.UntilText("Category");
        Browser.Fill("Length in metres", "130");
        Browser.UntilText("A cable too long");
    }

    [Theory, Trait("kind", "long")]
    [InlineData(1280, 800)]
    [InlineData(390, 844)]
    public void No_field_cuts_what_stands_in_it(int width, int height)
    {
        using var sized = new Browser(width, height);
        OpenDemo("Hawthorn Farm", on: sized);
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
        OpenDemo("Hawthorn Farm", on: phone);
        Assert.Equal(390L, phone.Run("return document.documentElement.scrollWidth"));
        phone.Press("Who reaches whom");
        phone.UntilText("Each row asks, each column answers.");
        Assert.Equal(390L, phone.Run("return document.documentElement.scrollWidth"));
    }
}
