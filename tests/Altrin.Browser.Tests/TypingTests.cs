namespace Altrin.Browser.Tests;

/// <summary>What is typed belongs to the person until he leaves it.</summary>
public sealed class TypingTests : HandTest
{
    [Fact]
    public void An_answer_that_comes_while_one_types_again_overwrites_nothing()
    {
        OpenDemo();
        Browser.Press(() => Browser.Css("[data-box=studio]"));
        Browser.Delay(3000);
        Write("Name", "Shed router" + Tab);
        Write("Name", "Shed router two");
        Browser.UntilText("Saving …");
        Browser.Until(() => Browser.Css("[data-box=studio]").Text.Contains("Shed router", StringComparison.Ordinal), "the answer");
        Assert.Equal("Shed router two", Value("Name"));
        Browser.Field("Name").SendKeys(Enter);
        Browser.Until(() => Log()[^1] == "Call Shed router Shed router two", "the second name");
        Browser.Delay(0);
    }

    /// <summary>One deed says a line, a label, a pool or all rooms as a whole: what was only drawn beside the field that is typed into must not be sent as if it were meant.</summary>
    [Fact]
    public void Fields_one_after_the_other_do_not_undo_each_other_though_no_answer_has_come()
    {
        OpenDemo();
        Browser.Go($"{Browser.Url}?box=the%20line");
        Browser.Field("Mb/s down");
        Browser.Delay(1000);
        Write("Mb/s down", "330" + Tab);
        Write("Mb/s up", "50" + Tab);
        Browser.Until(() => Found()["document"]!["line"] is { } line && (double?)line["downMbps"] == 330 && (double?)line["upMbps"] == 50, "both rates");
        Browser.Delay(0);
        Browser.Press(() => Browser.Link("Visit"));
        Browser.Press(() => Browser.Css("ol[aria-label='Stops of the walk']").FindElement(OpenQA.Selenium.By.XPath(".//a[contains(., 'Studio router')]")));
        Browser.Field("Name of its page");
        Browser.Delay(1000);
        Write("Stands in", "Studio" + Tab);
        Write("Name of its page", "setup.lan" + Tab);
        Write("Hold reset, s", "12" + Tab);
        Browser.Until(() => Found()["document"]!["devices"]!.AsArray().First(box => (string)box!["id"]! == "studio") is { } box
            && (string?)box["room"] == "Studio" && (string?)box["label"]?["pageName"] == "setup.lan" && (int?)box["label"]?["resetHoldSeconds"] == 12, "all of the label");
        Browser.Delay(0);
        Browser.Press(() => Browser.Link("Stairs"));
        Browser.Press(() => Browser.Css("[data-box=gw]"));
        Browser.Field("Pool from");
        Browser.Delay(1000);
        Write("Pool from", ".210" + Tab);
        Write("Pool to", ".230" + Tab);
        Browser.Until(() => Found()["document"]!["devices"]!.AsArray().First(box => (string)box!["id"]! == "gw")!["lan"]!["dhcpServer"] is { } server
            && (string)server["start"]! == "192.168.31.210" && (string)server["end"]! == "192.168.31.230", "both ends");
        Browser.Delay(0);
        Assert.Empty(Browser.Complaints());
    }

    [Fact]
    public void A_refused_draft_lives_through_section_card_stage_and_reload()
    {
        OpenDemo();
        Browser.Press(() => Browser.Css("[data-box=studio]"));
        Browser.Fill("Its own address", "192.168.31.255/24");
        void StillThere(string after)
        {
            Assert.True(Value("Its own address") == "192.168.31.255/24", after);
            Browser.UntilText("192.168.31.255/24 is the broadcast address");
        }
        StillThere("refused");
        Browser.Press(() => Browser.Radio("WAN"));
        Browser.Press(() => Browser.Radio("Box"));
        StillThere("another section");
        Browser.Press(() => Browser.Css("[data-thing=printer]"));
        Browser.UntilText("Something typed elsewhere is not in force yet.");
        Browser.Press("Show it");
        StillThere("another card");
        Browser.Press(() => Browser.Link("Wants"));
        Browser.Press(() => Browser.Link("Stairs"));
        StillThere("another stage");
        // Asked before leaving; whoever leaves all the same finds it again.
        Assert.True((bool)Browser.Run("const leave = new Event('beforeunload', { cancelable: true }); window.dispatchEvent(leave); return leave.defaultPrevented")!);
        Browser.Go(Browser.Url);
        Browser.AcceptLeaving();
        StillThere("a reload");
        Browser.Field("Its own address").SendKeys(Escape);
        Browser.Until(() => Value("Its own address") == "192.168.1.1/24", "what holds");
        Assert.False((bool)Browser.Run("const leave = new Event('beforeunload', { cancelable: true }); window.dispatchEvent(leave); return leave.defaultPrevented")!);
    }

    [Fact]
    public void With_the_server_stopped_changes_wait_and_go_in_order_when_it_is_back()
    {
        OpenDemo();
        Browser.Press("Make Studio router an access point by hand");
        Browser.UntilText("2 faults");
        Browser.Press(() => Browser.Link("Work order"));
        Browser.Css("section[aria-label='Step 1']");
        Server.Stop();
        Browser.Css("#note").SendKeys("lamp is green");
        Browser.Press("Seen as said");
        Browser.UntilText("Not saved yet: no answer from Altrin.");
        Browser.Press(() => Browser.Link("Stairs"));
        Browser.UntilText("Not saved yet: no answer from Altrin.");
        Browser.Press(() => Browser.Css("[data-box=gw]"));
        Write("Name", "Porch gateway" + Enter);
        Browser.UntilText("3 changes wait");
        Assert.Equal("Porch gateway", Value("Name"));
        Server.Start();
        Browser.Until(() => !Browser.Has("Not saved yet"), "everything to be sent");
        Browser.Until(() => Browser.Css("[data-box=gw]").Text.Contains("Porch gateway", StringComparison.Ordinal), "the name");
        Assert.Equal("Call Hall gateway Porch gateway", Log()[^1]);
        var tick = Assert.Single(Ask($"/api/jobs/{Job}/work-order")!["ticks"]!.AsArray())!;
        Assert.Equal(("lamp is green", "as-said"), ((string)tick["note"]!, (string)tick["outcome"]!));
    }

    [Fact, Trait("kind", "long")]
    public void A_tab_that_is_gone_leaves_its_changes_to_the_next()
    {
        OpenDemo();
        Browser.Press(() => Browser.Css("[data-box=gw]"));
        Server.Stop();
        Write("Name", "Porch gateway" + Enter);
        Browser.UntilText("One change waits");
        Browser.NewTab();
        Browser.CloseFirstTab();
        Server.Start();
        Browser.Go($"{Server.Address}/job/{Job}/stairs");
        Browser.Until(() => Browser.Css("[data-box=gw]").Text.Contains("Porch gateway", StringComparison.Ordinal), "the name of the tab that is gone");
        Assert.Single(Log(), sentence => sentence == "Call Hall gateway Porch gateway");
    }
}
