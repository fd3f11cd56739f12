using OpenQA.Selenium;

namespace Altrin.Browser.Tests;

/// <summary>The order while it is worked through: something else is seen, a step is played beforehand, a wait goes on elsewhere.</summary>
public sealed class WorkTests : HandTest
{
    private void OpenOrder(Browser? on = null)
    {
        OpenDemo(stage: "options", on: on);
        on ??= Browser;
        // Once the look is over: until then the ways make room for one another.
        on.UntilText("nothing better exists");
        on.Press(() => on.Css("[data-way='0'] button"));
        on.UntilText("Planned:");
        on.Press(() => on.Link("Work order"));
        on.Css("section[aria-label='Step 1']");
    }

    private static void GoTo(Browser browser, string brief)
    {
        if (browser.Count("[data-step]") == 0) browser.Press(() => browser.ButtonStarting("Step "));
        browser.Press(() => browser.Driver.FindElement(By.XPath($"//button[@data-step][contains(., '{brief}')]")));
    }

    [Theory]
    [InlineData(1280, 800), InlineData(390, 844)]
    public void An_open_step_is_watched_and_ticks_itself_once_all_of_it_was_seen(int width, int height)
    {
        Browser.Metrics(width, height);
        OpenOrder();
        Press("//button[. = 'Let the laptop watch']");
        Browser.UntilText("Nothing has changed yet: it is as before this step.");
        Press("//label[contains(., 'Tick by itself')]");
        Press("//button[. = 'Do it in the invented house']");
        Browser.Css("section[aria-label='Step 2']");
        // The next has rows that are for a person's own eyes, and is not ticked by itself.
        Browser.UntilText("Look yourself at the rest.");
        Browser.Press("Seen as said");
        Browser.UntilText("2 of ");
        Press("//button[. = 'Step before']");
        Press("//button[. = 'Step before']");
        Browser.Css("section[aria-label='Step 1']");
        Browser.UntilText("All of it is as said. laptop address: 192.168.31.");
        // What was asked outside can be changed, and a wrong one is told at once.
        Press("//button[. = 'take it back']");
        Press("//label[contains(., 'Tick by itself')]");
        Browser.UntilText("It gets one ping a look");
        Browser.Field("Asked whether the internet answers").Clear();
        Browser.Field("Asked whether the internet answers").SendKeys("192.168.31.1" + Enter);
        Browser.UntilText("says nothing about the internet");
        Press("//button[. = 'stop watching']");
        Browser.UntilText("Let the laptop watch");
        Assert.DoesNotContain(Browser.Complaints(), one => !one.Contains("400", StringComparison.Ordinal));
    }

    /// <summary>On a phone the answers stand over the foot of the page: what lies under them is scrolled to first.</summary>
    private void Press(string path) => Browser.Press(() =>
    {
        var found = Browser.Driver.FindElement(By.XPath(path));
        ((IJavaScriptExecutor)Browser.Driver).ExecuteScript("arguments[0].scrollIntoView({ block: 'center' })", found);
        return found;
    });

    [Fact]
    public void Something_else_is_explained_and_the_rest_is_ordered_anew()
    {
        OpenOrder();
        Browser.Press("Seen as said");
        Browser.UntilText("1 of ");
        var whole = Browser.Count("ol[aria-label=Steps] > li");
        GoTo(Browser, "New address");
        Browser.UntilText("Give Studio router a new address");
        Browser.Keys("x");
        Browser.Until(() => Browser.Focus == "What did you see instead?", "the question to have the focus");
        Browser.Press("It came back at another address");
        Browser.Field("Which address?").SendKeys("192.168.1");
        Browser.UntilText("is no IPv4 address");
        Browser.Field("Which address?").SendKeys(".1");
        Browser.UntilText("did not take: Give Studio router a new address");
        Browser.UntilText("Studio router was reset: it is back to its factory settings.");
        Browser.Press(() => Browser.Css("[data-meaning^=slip] button"));
        Browser.UntilText("The order goes on from there.");
        Browser.Until(() => Browser.Count("ol[aria-label=Steps] > li") is > 0 and var left && left < whole, "the shorter order");
        Browser.UntilText("1 step done before");
        // It is worked through to the end, or taken back.
        Browser.Press("take it back");
        Browser.Until(() => Browser.Count("ol[aria-label=Steps] > li") == whole, "the order from before");
        Assert.Empty(Browser.Complaints());
    }

    [Fact]
    public void A_box_whose_page_is_lost_is_reset_and_the_order_is_worked_to_its_last_tick()
    {
        OpenOrder();
        GoTo(Browser, "New address");
        Browser.Press("Something else");
        Browser.Press("Nothing: the page does not open");
        Browser.UntilText("Your laptop is not as step");
        Browser.Press(() => Browser.Css("[data-meaning=reset] button"));
        Browser.UntilText("The order goes on from there.");
        Browser.UntilText("Hold reset on Studio router");
        WorkToTheLastTick();
        Assert.Empty(Browser.Complaints());
    }

    [Theory]
    [InlineData(1280)]
    [InlineData(390, Traits = ["kind", "long"])]
    public void The_order_is_rehearsed_on_the_Stairs(int width)
    {
        using var browser = new Browser(width, width == 390 ? 844 : 800, isPhone: width == 390);
        OpenOrder(browser);
        browser.Press("Rehearse it on the Stairs");
        browser.UntilText("Nothing is changed by it.");
        browser.Css("[data-thing=installer-laptop]");
        // To the step that cuts somebody off, one after the other.
        var n = 1;
        while (!browser.Has("Without internet when it is done: Work laptop"))
        {
            if (width == 390) browser.Press("Next step");
            else browser.Keys(Right);
            browser.UntilText($"Step {++n} of ");
            browser.Until(() => browser.Has("Whoever had internet has it.")
                || browser.Has("Without internet when it is done"), "what comes of the step");
        }
        browser.UntilText("Why not sooner?");
        browser.UntilText("and so for longer");
        if (width == 1280) browser.UntilText($"When step {n} is done");
        Assert.Equal(0, browser.Count("[data-panel]"));
        Assert.Equal((long)width, browser.Run("return document.documentElement.scrollWidth"));
        browser.Press("back to the order");
        browser.Css($"section[aria-label='Step {n}']");
        Assert.Empty(browser.Complaints());
    }

    [Fact]
    public void What_the_laptop_shows_is_compared()
    {
        OpenOrder();
        Browser.Press(() => Browser.Driver.FindElement(By.XPath("//summary[contains(., 'Paste what the laptop shows')]")));
        Browser.Put("What the laptop shows", "default via 192.168.1.1 dev eth0 proto dhcp src 192.168.1.102 metric 100");
        Browser.Press("Compare");
        Browser.UntilText("192.168.1.1, not 192.168.31.1");
        Browser.Press("Something else: what may it mean?");
        Browser.UntilText("What did you see instead?");
    }

    [Fact]
    public void A_wait_goes_on_in_every_stage_and_the_title_counts_it()
    {
        OpenOrder();
        GoTo(Browser, "Cable in");
        Browser.Press(() => Browser.ButtonStarting("Start the clock"));
        Browser.Until(() => Browser.Driver.Title.StartsWith("(0:2", StringComparison.Ordinal), "the title to count");
        Browser.Press(() => Browser.Link("Stairs"));
        Browser.UntilText("still to wait");
        Browser.Until(() => Browser.Driver.Title.StartsWith("(0:", StringComparison.Ordinal), "the title to count there too");
        Browser.Press(() => Browser.Link(", Cable in"));
        Browser.UntilText("Wait until it is back.");
    }

    [Fact]
    public void With_a_phone_alone_the_order_is_another_one()
    {
        OpenOrder();
        Browser.UntilText("Plug your laptop into Hall gateway");
        Browser.Choose("You have in hand", "a phone alone");
        Browser.Until(() => !Browser.Has("Plug your laptop into"), "an order without a socket");
        Browser.UntilText("Join there");
        Browser.Driver.Navigate().Refresh();
        Browser.UntilText("Join there");
    }

    [Fact]
    public void On_paper_every_step_has_its_code_that_leads_back_to_it()
    {
        OpenOrder();
        var steps = Browser.Count("ol[aria-label=Steps] > li");
        Browser.Run("window.print = () => { window.printed = [...document.querySelectorAll('.print-only img')].filter((one) => one.naturalWidth > 0).length }");
        Browser.Press("print");
        Browser.Until(() => Browser.Run("return window.printed ?? null") is long printed && printed == steps, "every code on paper");
        Assert.Empty(Browser.Complaints());
    }
}
