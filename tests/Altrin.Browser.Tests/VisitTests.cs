namespace Altrin.Browser.Tests;

/// <summary>A house is taken in: walked, pasted, read off its labels.</summary>
public sealed class VisitTests : HandTest
{
    internal const string Neighbours = """
        C:\> arp -a

        Interface: 192.168.31.104 --- 0x7
          Internet Address      Physical Address      Type
          192.168.31.1          00-00-5e-00-53-01     dynamic
          192.168.31.120        00-00-5e-00-53-11     dynamic
          192.168.31.131        00-00-5e-00-53-99     dynamic
          192.168.31.140        02-00-5e-00-53-2c     dynamic
          192.168.31.255        ff-ff-ff-ff-ff-ff     static
          224.0.0.22            01-00-5e-00-00-16     static
        """;

    private void Stop(string name) => Browser.Press(() =>
        Browser.Css("ol[aria-label='Stops of the walk']").FindElement(OpenQA.Selenium.By.XPath($".//a[contains(., '{name}')]")));

    private string LineOf(string text) =>
        (string)Browser.Run("return [...document.querySelectorAll('.pasted tr')].find((one) => one.innerText.includes(arguments[0]))?.querySelector('.note').innerText ?? 'none'", text)!;

    [Fact]
    public void A_neighbour_list_is_read_line_by_line_and_taken_with_a_look()
    {
        OpenDemo(stage: "visit");
        Browser.Put("Paste here", Neighbours);
        Browser.UntilText("Windows, neighbours");
        Assert.Equal("the laptop", LineOf("192.168.31.104"));
        Assert.Equal("Hall gateway", LineOf("192.168.31.1 "));
        Assert.Equal("new", LineOf("192.168.31.131"));
        Assert.Equal("everyone: not a box", LineOf("192.168.31.255"));
        Assert.Equal("a group: not a box", LineOf("224.0.0.22"));
        Browser.UntilText("Lists only whom this laptop has spoken to.");
        Browser.UntilText("2 new things");
        // One is not theirs, the other gets the name that the household has for it.
        Browser.Press(() => Browser.Css("button[aria-label='Not ours: Thing .140']"));
        Browser.UntilText("1 new thing");
        Write("Call it", "Yard camera");
        Browser.Press("Take it");
        Browser.Until(() => Log()[^1].Contains("Yard camera", StringComparison.Ordinal), "the camera in the log");
        var camera = Found()["document"]!["endpoints"]!.AsArray().Single(thing => (string)thing!["name"]! == "Yard camera")!;
        Assert.Equal("00:00:5E:00:53:99", (string)camera["mac"]!);
        Browser.Until(() => LineOf("192.168.31.131") == "Yard camera", "its line to know it");
        // Undone it is new again.
        Browser.Run("document.activeElement.blur()");
        Browser.Keys("z");
        Browser.Until(() => LineOf("192.168.31.131") == "new", "its line to be new");
        Assert.Empty(Browser.Complaints());
    }

    [Fact]
    public void Of_two_lists_the_one_that_came_is_the_box_and_what_is_pasted_outlives_the_stage()
    {
        OpenDemo(stage: "stairs");
        Browser.Keys("n");
        Browser.Choose("What is it?", "Access point that asks for its address");
        Write("Name", "Loft point");
        Browser.Press("Add it");
        Browser.Until(() => Browser.Count("[role=dialog]") == 0, "the sheet to close");
        Browser.Keys(Escape);
        Browser.Keys("v");
        Browser.Until(() => Browser.Count("[role=dialog] textarea") == 1, "the paste sheet");
        Browser.Put("Paste here", Neighbours.Replace("  192.168.31.131        00-00-5e-00-53-99     dynamic\n", "",
            StringComparison.Ordinal));
        Browser.UntilText("Windows, neighbours");
        Browser.Press("Keep it as the list before");
        Browser.UntilText("is kept as the one before");
        Browser.Keys(Escape);
        Browser.Until(() => Browser.Count("[role=dialog]") == 0, "the sheet to close");
        Browser.Press(() => Browser.Link("Visit"));
        Browser.UntilText("is kept as the one before");
        Browser.Put("Paste here", Neighbours);
        Browser.UntilText("192.168.31.131 came between the two lists: that is the box.");
        Browser.Press(() => Browser.Css("button[aria-label='Take it: It is Loft point']"));
        Browser.Until(() => (string?)Found()["document"]!["devices"]!.AsArray().Single(box =>
            (string)box!["name"]! == "Loft point")!["mac"] == "00:00:5E:00:53:99", "its MAC");
        Assert.Equal("access-point-asks", (string)Found()["document"]!["devices"]!.AsArray().Single(box =>
            (string)box!["name"]! == "Loft point")!["kit"]!);
    }

    [Theory]
    [InlineData(1280)]
    [InlineData(390)]
    public void Another_box_on_the_walk_is_the_next_stop(int width)
    {
        using var browser = new Browser(width, width == 390 ? 844 : 800, isPhone: width == 390);
        OpenDemo(stage: "visit", on: browser);
        browser.Press("Another box");
        browser.Until(() => browser.Count("[role=dialog]") == 1, "the sheet to open");
        browser.Field("Name").SendKeys(OpenQA.Selenium.Keys.Control + "a");
        browser.Field("Name").SendKeys("Cellar box");
        browser.Press("Add it");
        browser.Until(() => browser.Count("[role=dialog]") == 0, "the sheet to close");
        browser.Until(() => browser.Css("h3[data-stop]").Text.StartsWith("Cellar box", StringComparison.Ordinal), "the new box's stop");
        browser.Until(() => (bool)browser.Run("return document.activeElement.matches('h3[data-stop]')")!, "the focus at its title");
        Assert.Empty(browser.Complaints());
    }

    [Fact]
    public void The_line_is_proved_and_what_it_means_is_told_at_once()
    {
        OpenDemo(stage: "visit");
        Browser.UntilText("Which outside address does the gateway’s page show?");
        Browser.Fill("Seen at the gateway", "100.70.1.2/16");
        Browser.Fill("with the gateway", "100.70.0.1");
        Browser.UntilText("is one that the carrier shares (RFC 6598)");
        Assert.DoesNotContain("Which outside address", Browser.Css("aside").Text, StringComparison.Ordinal);
        Browser.UntilText("proved: 500 down, 100 up · shared");
    }

    [Fact]
    public void A_label_is_read_off_and_the_rooms_are_noted()
    {
        OpenDemo(stage: "visit");
        Stop("Studio router");
        Browser.Fill("MAC on the label", "no such thing");
        Browser.UntilText("is not a MAC address");
        Browser.Fill("MAC on the label", "00:00:5E:00:53:77");
        Browser.Until(() => (string?)Box("studio")["mac"] == "00:00:5E:00:53:77", "the MAC");
        Browser.Fill("Hold reset, s", "20");
        Browser.Until(() => (int?)Box("studio")["label"]?["resetHoldSeconds"] == 20, "the hold");
        Browser.Choose("Kind on the shelf", "Router whose repeater page offers WISP first");
        Browser.UntilText("WISP (client) makes a network of its own");
        Browser.Press(() => Browser.Driver.FindElement(OpenQA.Selenium.By.XPath("//label[contains(., 'Leave it alone')]")));
        Browser.Until(() => (bool?)Box("studio")["leaveAsFound"] == true, "to be left alone");
        Stop("Rooms and cables");
        Write("Another room", "hall");
        Browser.Press("Add the room");
        Browser.UntilText("There is a room Hall already.");
        Write("Another room", "Barn");
        Browser.Press("Add the room");
        Browser.Until(() => Found()["document"]!["rooms"]!.AsArray().Any(one => (string)one!["name"]! == "Barn"), "the barn");
        Browser.UntilText("about 169 Mb/s over Wi-Fi larkspur of Hall gateway");
        Browser.Choose("to", "Barn");
        Browser.Choose("it", "could be laid");
        Browser.Press("Note it");
        Browser.UntilText("Hall to Barn: a data cable");
        Assert.False((bool?)Found()["document"]!["runs"]![0]!["laid"] ?? false);
        Browser.UntilText("7 rooms · 0 cables laid");
        Assert.Empty(Browser.Complaints());
    }

    [Fact]
    public void Several_things_are_put_on_one_wifi_at_once()
    {
        OpenDemo(stage: "visit");
        Stop("What is on it now");
        foreach (var thing in new[] { "Work laptop", "Studio tablet" }) Browser.Press(() =>
            Browser.Css($"input[aria-label='Mark {thing}']"));
        Browser.Choose("Put these 2 on", "Wi-Fi larkspur");
        Browser.Press("Join them");
        Browser.Until(() => Found()["document"]!["endpoints"]!.AsArray().Count(thing =>
            (string?)thing!["connect"]?["ssid"] == "larkspur") >= 2 && (string?)Thing("Work laptop")["connect"]?["ssid"] == "larkspur"
            && (string?)Thing("Studio tablet")["connect"]?["ssid"] == "larkspur", "both on it");
    }

    [Fact]
    public void On_a_phone_the_walk_is_one_column_and_a_paste_fits()
    {
        using var phone = new Browser(390, 844, isPhone: true);
        OpenDemo(stage: "visit", on: phone);
        phone.Put("Paste here", Neighbours);
        phone.UntilText("Take all into the house");
        Assert.Equal(390L, phone.Run("return document.documentElement.scrollWidth"));
        Assert.Equal("",
            phone.Run("return [...document.querySelectorAll('main button, main a, main input, main textarea, main select')].filter((one) => one.getClientRects().length && !one.hidden && one.type !== 'file').filter((one) => { const box = (one.closest('label') ?? one).getBoundingClientRect(); return box.height < 43 || box.right > innerWidth + 1 }).map((one) => one.getAttribute('aria-label') ?? one.textContent).join('|')"));
    }

    private System.Text.Json.Nodes.JsonNode Box(string id) => Found()["document"]!["devices"]!.AsArray().Single(box =>
        (string)box!["id"]! == id)!;

    private System.Text.Json.Nodes.JsonNode Thing(string name) => Found()["document"]!["endpoints"]!.AsArray().Single(thing =>
        (string)thing!["name"]! == name)!;

    /// <summary>One press, and what the laptop shows stands there as a paste would; nothing is taken by it.</summary>
    [Theory, InlineData(1280, 800), InlineData(390, 844)]
    public void The_laptop_looks_for_itself(int width, int height)
    {
        Browser.Metrics(width, height);
        OpenDemo(stage: "visit");
        var before = Log().Count;
        Browser.Press("Look, and ask who else is here");
        Browser.UntilText("Asked a simulated laptop");
        Browser.UntilText("hangs on the network of");
        Browser.Press("Look again: what is new?");
        Browser.UntilText("Asked a simulated laptop");
        Assert.Equal(before, Log().Count);
        Assert.Empty(Browser.Complaints());
    }

    [Fact]
    public void A_laptop_on_no_network_says_so()
    {
        OpenHouse(System.Text.Json.Nodes.JsonNode.Parse("""{ "format": "altrin.network/1", "name": "Empty" }""")!, "visit");
        Browser.Press("Look here");
        Browser.UntilText("The laptop is on no network.");
    }
}
