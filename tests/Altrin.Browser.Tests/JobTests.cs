namespace Altrin.Browser.Tests;

/// <summary>A person's jobs, start to end, in a real browser on the built program.</summary>
public sealed class JobTests : IDisposable
{
    private readonly Server server = new();
    private readonly Browser browser = new();

    public void Dispose()
    {
        browser.Dispose();
        server.Dispose();
    }

    private void OpenDemo(Browser on)
    {
        on.Go(server.Address);
        on.Press(() => on.Link("Larkspur House"));
        on.UntilText("The street");
    }

    [Fact]
    public void From_three_faults_to_none_and_a_ticked_work_order_that_survives_a_restart()
    {
        OpenDemo(browser);
        browser.UntilText("2 of 7 wants hold · 3 faults · 3 cautions");
        browser.UntilText("second step down: double NAT");

        // The first fix of each finding, until nothing is wrong.
        browser.Press("Move Study printer to 192.168.31.2");
        browser.UntilText("2 faults");
        browser.Press("Make Studio router an access point by hand");
        browser.UntilText("1 fault");
        browser.Press(() => browser.ButtonStarting("Give it 192.168.31."));
        browser.UntilText("2 cautions");
        browser.Press(() => browser.ButtonStarting("Reserve .120 for it"));
        browser.UntilText("all 7 wants hold · 1 caution");
        Assert.False(browser.Has("second step down"));

        // The work order, every step.
        browser.Press(() => browser.Link("Work order"));
        browser.UntilText("Make Studio router an access point");
        browser.Css("ol[aria-label=Steps]");
        browser.UntilText("0 of ");
        var steps = browser.Count("ol[aria-label=Steps] > li");
        Assert.True(steps > 15, $"{steps} steps");
        for (var n = 1; n <= steps; n++)
        {
            browser.Css($"section[aria-label='Step {n}']");
            if (n == 4)
            {
                browser.Press(() => browser.ButtonStarting("Start the clock"));
                browser.Css("[role=timer]");
            }
            if (n == 5)
            {
                var note = browser.Css("#note");
                note.SendKeys("lamp is green");
            }
            browser.Press("Seen as said");
            browser.UntilText($"{n} of {steps} done");
        }

        server.Restart();
        browser.Go(browser.Url);
        browser.UntilText($"{steps} of {steps} done");
        browser.Press(() => browser.Css("ol[aria-label=Steps] > li:nth-child(5) button"));
        browser.Until(() => browser.Css("#note").GetAttribute("value") == "lamp is green", "the note");
        browser.UntilText("all 7 wants hold");
        Assert.Empty(browser.Complaints());
    }

    [Fact]
    public void The_plan_under_wants_does_it_in_one_press_and_undo_takes_it_back()
    {
        OpenDemo(browser);
        browser.Keys("1");
        browser.UntilText("The second network kept apart");
        browser.Press(() => browser.Css("[data-plan=one-network] > button"));
        browser.UntilText("all 7 wants hold · 1 caution");
        browser.Keys("z");
        browser.UntilText("2 of 7 wants hold · 3 faults");
        browser.Keys("Z");
        browser.UntilText("all 7 wants hold · 1 caution");
        browser.Keys("p");
        browser.UntilText("3 faults");
        browser.UntilText("Cured in the plan.");
    }

    [Fact]
    public void An_address_is_changed_on_the_picture_and_a_bad_one_stays_with_its_reason()
    {
        OpenDemo(browser);
        browser.Press(() => browser.Css("[data-box=studio]"));
        browser.Fill("Its own address", "192.168.31.255/24");
        browser.UntilText("192.168.31.255/24 is the broadcast address of 192.168.31.0/24, which no box may hold. Use .1 to .254.");
        Assert.Equal("192.168.31.255/24", browser.Field("Its own address").GetAttribute("value"));
        browser.Fill("Its own address", "192.168.31.1/24");
        browser.UntilText("Same subnet on both sides");
        browser.Press("undo");
        browser.Until(() => !browser.Has("Same subnet on both sides"), "the undo");
        browser.Until(() => browser.Field("Its own address").GetAttribute("value") == "192.168.1.1/24", "the old address");
    }

    [Fact]
    public void A_cable_is_moved_by_pressing_two_sockets_or_by_dragging()
    {
        OpenDemo(browser);
        browser.Press(() => browser.Css("[data-socket='studio/wan']"));
        browser.UntilText("press a free socket to move this end");
        browser.Press(() => browser.Css("[data-socket='studio/lan2']"));
        browser.UntilText("A router fed through its LAN socket");
        browser.Drag(browser.Css("[data-socket='studio/lan2']"), browser.Css("[data-socket='studio/wan']"));
        browser.UntilText("Two translations in a row");
        browser.Press(() => browser.Css("[data-socket='gw/lan3']"));
        browser.Press("Unplug it");
        browser.UntilText("leads nowhere: its WAN side is empty");
    }

    [Fact]
    public void A_house_is_begun_from_nothing()
    {
        browser.Go(server.Address);
        browser.Css("input[aria-label='Name of the house']").SendKeys("Mill Cottage");
        browser.Press("Begin an empty house");
        browser.UntilText("There is no gateway yet");
        browser.Field("In which room does the line come in?").SendKeys("Hall");
        browser.Field("Its Wi-Fi name, if it makes Wi-Fi").SendKeys("home");
        browser.Press("Begin here");
        browser.UntilText("This house has one box and nothing else yet.");
        browser.Keys("n");
        Write("Name", "Attic router");
        browser.Press("Add it");
        browser.Css("section[aria-label='Attic router'] input");
        browser.Until(() => browser.Count("[role=dialog]") == 0, "the dialog to close");
        browser.Press("close");
        browser.Press(() => browser.Css("[data-socket='gateway/lan1']"));
        browser.Press(() => browser.Css("[data-socket='box/wan']"));
        browser.UntilText("Same subnet on both sides");
        browser.Press("Add a box or a thing");
        browser.Choose("What is it?", "A thing: tablet, printer, laptop …");
        Write("Name", "Tablet");
        browser.Choose("Where is it?", "Wi-Fi home");
        browser.Press("Add it");
        browser.Css("[data-thing=thing]");
        browser.Until(() => browser.Count("[role=dialog]") == 0, "the dialog to close");
        browser.Until(() => (string?)browser.Run("return document.activeElement.dataset.thing") == "thing", "the new card to have the focus");
        browser.Keys("1");
        browser.UntilText("Nothing yet. Write the first one below");
        browser.Press("Add it");
        browser.UntilText("Tablet has internet");
        browser.UntilText("the want holds");
    }

    private void Write(string label, string text)
    {
        browser.Field(label).SendKeys(OpenQA.Selenium.Keys.Control + "a");
        browser.Field(label).SendKeys(text);
    }

    [Fact]
    public void A_speed_is_wanted_and_what_holds_it_back_is_named()
    {
        OpenDemo(browser);
        browser.Keys("1");
        browser.Choose("Sentence", "At least … Mb/s in or for …");
        browser.Choose("Where", "in garden studio");
        Write("Mb/s at least", "lots");
        browser.Press("Add it");
        browser.UntilText("Mb/s: “lots” is no speed. Write a number above nought, such as 50.");
        Write("Mb/s at least", "95");
        browser.Press("Add it");
        browser.UntilText("At least 95 Mb/s in garden studio");
        browser.UntilText("About 94 Mb/s for a laptop in garden studio: Studio router LAN 2 is a 100 Mb/s socket.");
        browser.UntilText("2 of 8 wants hold");
        Assert.Empty(browser.Complaints());
    }

    [Fact]
    public void Two_tabs_tell_each_other_instead_of_overwriting()
    {
        OpenDemo(browser);
        using var other = new Browser();
        other.Go(browser.Url);
        other.Press(() => other.Css("[data-box=studio]"));
        other.Fill("Name", "Shed router");
        other.UntilText("Shed router");
        browser.Press(() => browser.Css("[data-box=gw]"));
        browser.Fill("Name", "Porch gateway");
        browser.UntilText("This job was changed in another tab meanwhile.");
        browser.UntilText("Shed router");
        browser.Fill("Name", "Porch gateway");
        browser.Until(() => browser.Css("[data-box=gw]").Text.Contains("Porch gateway", StringComparison.Ordinal), "the second try");
    }

    [Fact]
    public void On_a_phone_the_job_is_done_with_one_thumb()
    {
        using var phone = new Browser(390, 844, isPhone: true);
        OpenDemo(phone);
        phone.Press("3 faults");
        phone.UntilText("Two translations in a row");
        phone.Press("Make Studio router an access point by hand");
        phone.UntilText("2 faults");
        phone.Press("Close");
        phone.Press(() => phone.Link("Work order"));
        phone.Css("section[aria-label='Step 1']");
        phone.Press("Seen as said");
        phone.Css("section[aria-label='Step 2']");
        // However long a step is, its answer is under the thumb, above the stages.
        for (var step = 2; step <= 9; step++)
        {
            phone.Css($"section[aria-label='Step {step}']");
            Assert.True((bool)phone.Run("return [...document.querySelectorAll('button')].find(one => one.innerText == 'Seen as said').getBoundingClientRect().bottom <= document.querySelector('nav').getBoundingClientRect().top")!, $"step {step}");
            phone.Press("Seen as said");
        }
        Assert.Equal(390L, phone.Run("return document.documentElement.scrollWidth"));
        foreach (var stage in new[] { "Wants", "Stairs" })
        {
            phone.Press(() => phone.Link(stage));
            phone.UntilText(stage == "Wants" ? "Ways to do it" : "The street");
            Assert.Equal(390L, phone.Run("return document.documentElement.scrollWidth"));
        }
    }

    [Fact]
    public void Keys_find_list_and_never_act_while_somebody_types()
    {
        OpenDemo(browser);
        browser.Keys("?");
        browser.UntilText("None does while you type in a field.");
        browser.Keys(OpenQA.Selenium.Keys.Escape);
        browser.Until(() => !browser.Has("None does while you type"), "the list to close");
        browser.Keys("/");
        browser.Css("input[aria-label='Name, room, MAC or address']").SendKeys("192.168.0.50" + OpenQA.Selenium.Keys.Enter);
        browser.UntilText("It does not reach the internet.");
        var name = browser.Field("Name");
        name.SendKeys("z1f");
        Assert.Contains("/stairs", browser.Url, StringComparison.Ordinal);
        Assert.Equal("Recorderz1f", name.GetAttribute("value"));
    }
}
