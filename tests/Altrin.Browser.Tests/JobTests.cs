namespace Altrin.Browser.Tests;

/// <summary>A person's jobs, start to end, in a real Browser on the built program.</summary>
public sealed class JobTests : HandTest
{
    [Fact]
    public void From_three_faults_to_none_and_a_ticked_work_order_that_survives_a_restart()
    {
        OpenDemo();
        Browser.UntilText("2 of 7 wants hold · 3 faults · 4 cautions");
        Browser.UntilText("second step down: double NAT");

        // The first fix of each finding, until nothing is wrong.
        Browser.Press("Move Study printer to 192.168.31.2");
        Browser.UntilText("2 faults");
        Browser.Press("Make Studio router an access point by hand");
        Browser.UntilText("1 fault");
        Browser.Press(() => Browser.ButtonStarting("Give it 192.168.31."));
        Browser.UntilText("3 cautions");
        Browser.Press(() => Browser.ButtonStarting("Reserve .120 for it"));
        Browser.UntilText("all 7 wants hold · 2 cautions");
        // The two boxes that share a channel are put apart.
        Browser.Press(() => Browser.Css("[data-finding=own-channels-overlap] .press"));
        Browser.UntilText("all 7 wants hold · 1 caution");
        Assert.False(Browser.Has("second step down"));

        // The work order, every step.
        Browser.Press(() => Browser.Link("Work order"));
        Browser.UntilText("Make Studio router an access point");
        Browser.Css("ol[aria-label=Steps]");
        Browser.UntilText("0 of ");
        var steps = Browser.Count("ol[aria-label=Steps] > li");
        Assert.True(steps > 10, $"{steps} steps");
        var waits = 1 + Ask($"/api/jobs/{Job}/work-order")!["order"]!["steps"]!.AsArray().ToList().FindIndex(step => step!["waitSeconds"] is not null);
        for (var n = 1; n <= steps; n++)
        {
            Browser.Css($"section[aria-label='Step {n}']");
            if (n == waits)
            {
                Browser.Press(() => Browser.ButtonStarting("Start the clock"));
                Browser.Css("[role=timer]");
            }
            if (n == 5)
            {
                var note = Browser.Css("#note");
                note.SendKeys("lamp is green");
            }
            Browser.Press("Seen as said");
            Browser.UntilText($"{n} of {steps} done");
        }

        Server.Restart();
        Browser.Go(Browser.Url);
        Browser.UntilText($"{steps} of {steps} done");
        Browser.Press(() => Browser.Css("ol[aria-label=Steps] > li:nth-child(5) button"));
        Browser.Until(() => Browser.Css("#note").GetAttribute("value") == "lamp is green", "the note");
        Browser.UntilText("all 7 wants hold");
        Assert.Empty(Browser.Complaints());
    }

    [Fact]
    public void The_plan_under_options_does_it_in_one_press_and_undo_takes_it_back()
    {
        OpenDemo();
        Browser.Keys("6");
        Browser.UntilText("nothing better exists");
        Browser.Press(() => Browser.Css("[data-way='0'] button"));
        Browser.UntilText("all 7 wants hold · 1 caution");
        Browser.Keys("z");
        Browser.UntilText("2 of 7 wants hold · 3 faults");
        Browser.Keys("Z");
        Browser.UntilText("all 7 wants hold · 1 caution");
        Browser.Keys("p");
        Browser.UntilText("3 faults");
        Browser.UntilText("Cured in the plan.");
    }

    [Fact]
    public void An_address_is_changed_on_the_picture_and_a_bad_one_stays_with_its_reason()
    {
        OpenDemo();
        Browser.Press(() => Browser.Css("[data-box=studio]"));
        Browser.Fill("Its own address", "192.168.31.255/24");
        Browser.UntilText("192.168.31.255/24 is the broadcast address of 192.168.31.0/24, which no box may hold. Use .1 to .254.");
        Assert.Equal("192.168.31.255/24", Browser.Field("Its own address").GetAttribute("value"));
        Browser.Fill("Its own address", "192.168.31.1/24");
        Browser.UntilText("Same subnet on both sides");
        Browser.Press("undo");
        Browser.Until(() => !Browser.Has("Same subnet on both sides"), "the undo");
        Browser.Until(() => Browser.Field("Its own address").GetAttribute("value") == "192.168.1.1/24", "the old address");
    }

    [Fact]
    public void A_cable_is_moved_by_pressing_two_sockets_or_by_dragging()
    {
        OpenDemo();
        Browser.Press(() => Browser.Css("[data-socket='studio/wan']"));
        Browser.UntilText("press a free socket to move this end");
        Browser.Press(() => Browser.Css("[data-socket='studio/lan2']"));
        Browser.UntilText("A router fed through its LAN socket");
        Browser.Drag(Browser.Css("[data-socket='studio/lan2']"), Browser.Css("[data-socket='studio/wan']"));
        Browser.UntilText("Two translations in a row");
        Browser.Press(() => Browser.Css("[data-socket='gw/lan3']"));
        Browser.Press("Unplug it");
        Browser.UntilText("leads nowhere: its WAN side is empty");
    }

    [Fact]
    public void A_house_is_begun_from_nothing()
    {
        Browser.Go(Server.Address);
        Browser.Css("input[aria-label='Name of the house']").SendKeys("Mill Cottage");
        Browser.Press("Begin an empty house");
        Browser.UntilText("There is no gateway yet");
        Browser.Field("In which room does the line come in?").SendKeys("Hall");
        Browser.Field("Its Wi-Fi name, if it makes Wi-Fi").SendKeys("home");
        Browser.Press("Begin here");
        Browser.UntilText("Which outside address does the gateway’s page show?");
        Browser.Press(() => Browser.Link("Stairs"));
        Browser.UntilText("This house has one box and nothing else yet.");
        Browser.Keys("n");
        Write("Name", "Attic router");
        // As the gateway's: two boxes of one address, which is what goes wrong most.
        Write("Address on its label", "192.168.0.1");
        Browser.Press("Add it");
        Browser.Css("section[aria-label='Attic router'] input");
        Browser.Until(() => Browser.Count("[role=dialog]") == 0, "the dialog to close");
        Browser.Press("close");
        Browser.Press(() => Browser.Css("[data-socket='gateway/lan1']"));
        Browser.Press(() => Browser.Css("[data-socket='box/wan']"));
        Browser.UntilText("Same subnet on both sides");
        Browser.Press("Add a box or a thing");
        Browser.Choose("What is it?", "A thing: tablet, printer, laptop …");
        Write("Name", "Tablet");
        Browser.Choose("Where is it?", "Wi-Fi home");
        Browser.Press("Add it");
        Browser.Css("[data-thing=thing]");
        Browser.Until(() => Browser.Count("[role=dialog]") == 0, "the dialog to close");
        Browser.Until(() => (string?)Browser.Run("return document.activeElement.dataset.thing") == "thing", "the new card to have the focus");
        Browser.Keys("2");
        Browser.UntilText("Nothing yet. Write the first one below");
        Browser.Press("Add it");
        Browser.UntilText("Tablet has internet");
        Browser.UntilText("the want holds");
    }

    [Fact]
    public void A_speed_is_wanted_and_what_holds_it_back_is_named()
    {
        OpenDemo();
        Browser.Keys("2");
        Browser.Choose("Sentence", "speed: at least … Mb/s in or for …");
        Browser.Choose("Where", "in garden studio");
        Write("Mb/s at least", "lots");
        Browser.Press("Add it");
        Browser.UntilText("Mb/s: “lots” is no speed. Write a number above nought, such as 50.");
        Write("Mb/s at least", "200");
        Browser.Press("Add it");
        Browser.UntilText("At least 200 Mb/s in Garden studio");
        Browser.UntilText("About 160 Mb/s for a device on Wi-Fi in Garden studio: the radio hop to Hall gateway, counted a couple of rooms away, 10 m (33 ft) and two brick walls, carries no more.");
        Browser.UntilText("2 of 8 wants hold");
        Assert.Empty(Browser.Complaints());
    }

    [Fact]
    public void Two_tabs_show_each_other_what_they_change_and_overwrite_nothing()
    {
        OpenDemo();
        using var other = new Browser();
        other.Go(Browser.Url);
        other.Css("[data-box=studio]");
        Browser.Press(() => Browser.Css("[data-box=gw]"));
        // What is half typed here stays, though the house changes under it.
        Browser.Field("Name").SendKeys(" at the front");
        other.Press(() => other.Css("[data-box=studio]"));
        other.Fill("Name", "Shed router");
        Browser.Until(() => Browser.Css("[data-box=studio]").Text.Contains("Shed router", StringComparison.Ordinal), "the other's change, without a reload");
        Assert.EndsWith("at the front", Browser.Field("Name").GetAttribute("value"), StringComparison.Ordinal);
        Browser.Field("Name").SendKeys(OpenQA.Selenium.Keys.Enter);
        other.Until(() => other.Css("[data-box=gw]").Text.Contains("at the front", StringComparison.Ordinal), "this one's change, there");
        Browser.Until(() => Browser.Css("[data-box=studio]").Text.Contains("Shed router", StringComparison.Ordinal), "both changes, here");
        Assert.Equal(2, Log().Count(line => line.Contains("Shed router", StringComparison.Ordinal) || line.Contains("at the front", StringComparison.Ordinal)));
    }

    [Fact]
    public void On_a_phone_the_job_is_done_with_one_thumb()
    {
        using var phone = new Browser(390, 844, isPhone: true);
        OpenDemo(on: phone);
        phone.Press("3 faults");
        phone.UntilText("Two translations in a row");
        phone.Press("Make Studio router an access point by hand");
        phone.UntilText("2 faults");
        phone.Press("Close");
        phone.Press(() => phone.Link("Work order"));
        phone.Css("section[aria-label='Step 1']");
        phone.Press(() => phone.ButtonStarting("Step 1 of"));
        var steps = phone.Count("ol[aria-label=Steps] > li");
        phone.Press(() => phone.ButtonStarting("Step 1 of"));
        // One is passed over: after the last the work goes on with it, and only then with what came of it all.
        phone.Press("Next step");
        foreach (var step in Enumerable.Range(2, steps - 1).Append(1))
        {
            // However long a step is, its answer is under the thumb, above the stages.
            phone.Css($"section[aria-label='Step {step}']");
            Assert.True((bool)phone.Run("return [...document.querySelectorAll('button')].find(one => one.innerText == 'Seen as said').getBoundingClientRect().bottom <= document.querySelector('nav').getBoundingClientRect().top")!, $"step {step}");
            phone.Press("Seen as said");
            phone.UntilText($"{(step == 1 ? steps : step - 1)} of {steps} done");
        }
        phone.Until(() => (bool)phone.Run("""
            const said = document.activeElement?.matches('[data-all-done]') ? document.activeElement.getBoundingClientRect() : null
            return said !== null && said.top >= 0 && said.top < 500
            """)!, "what came of it all, in sight");
        Assert.Contains("every step was seen as said", (string)phone.Run("return document.activeElement.innerText")!, StringComparison.Ordinal);
        Assert.Equal(390L, phone.Run("return document.documentElement.scrollWidth"));
        foreach (var stage in new[] { "Wants", "Stairs" })
        {
            phone.Press(() => phone.Link(stage));
            phone.UntilText(stage == "Wants" ? "What the household wants" : "The street");
            Assert.Equal(390L, phone.Run("return document.documentElement.scrollWidth"));
        }
    }

    [Fact]
    public void Keys_find_list_and_never_act_while_somebody_types()
    {
        OpenDemo();
        Browser.Keys("?");
        Browser.UntilText("None does while you type in a field.");
        Browser.Keys(OpenQA.Selenium.Keys.Escape);
        Browser.Until(() => !Browser.Has("None does while you type"), "the list to close");
        Browser.Keys("/");
        Browser.Css("input[aria-label='Name, room, MAC or address']").SendKeys("192.168.0.50" + OpenQA.Selenium.Keys.Enter);
        Browser.UntilText("It does not reach the internet.");
        var name = Browser.Field("Name");
        name.SendKeys("z1f");
        Assert.Contains("/stairs", Browser.Url, StringComparison.Ordinal);
        Assert.Equal("Recorderz1f", name.GetAttribute("value"));
    }
}
