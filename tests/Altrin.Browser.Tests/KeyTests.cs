namespace Altrin.Browser.Tests;

/// <summary>Everything by key, and no key that surprises.</summary>
public sealed class KeyTests : HandTest
{
    [Fact, Trait("source", "WCAG 2.2, success criterion 2.1.4")]
    public void Single_keys_can_be_changed_and_switched_off()
    {
        OpenDemo();
        Browser.Keys("?");
        var key = Browser.Css("input[aria-label='Key for: the first fix, into the plan']");
        key.SendKeys("u");
        Browser.Until(() => Browser.Css("input[aria-label='Key for: the first fix, into the plan']").GetAttribute("value") == "u", "the new key");
        Browser.Css("input[aria-label='Key for: undo']").SendKeys("u");
        Browser.UntilText("u is the key for “the first fix, into the plan”. Change that one first.");
        Browser.Keys(Escape);
        Browser.Until(() => Browser.Count("[role=dialog]") == 0, "the list to close");
        Browser.Keys("f");
        Assert.True(Browser.Has("2 of 7 wants hold · 3 faults"));
        Browser.Keys("u");
        Browser.UntilText("2 faults");
        Browser.Keys("?");
        Browser.Press(() => Browser.Css("[role=dialog] label"));
        Browser.Keys(Escape);
        Browser.Until(() => Browser.Count("[role=dialog]") == 0, "the list to close");
        Browser.Keys("1pzn?/");
        Assert.Contains("/stairs", Browser.Url, StringComparison.Ordinal);
        Assert.Equal(0, Browser.Count("[role=dialog]"));
        // Undo by the usual key goes on all the same.
        Browser.Chord(OpenQA.Selenium.Keys.Control, "z");
        Browser.UntilText("3 faults");
        Browser.Chord(OpenQA.Selenium.Keys.Control + OpenQA.Selenium.Keys.Shift, "z");
        Browser.UntilText("2 faults");
    }

    [Fact]
    public void Going_through_a_list_by_key_changes_nothing_until_Enter_or_leaving()
    {
        OpenDemo();
        Browser.Press(() => Browser.Css("[data-thing=printer]"));
        var before = Log().Count;
        var where = Browser.Field("Where");
        where.Click();
        where.SendKeys(Escape);
        foreach (var _ in Enumerable.Range(0, 3)) where.SendKeys(Down);
        Browser.UntilText("Enter sets it, Esc leaves it.");
        var passed = where.GetAttribute("value");
        Assert.Equal(before, Log().Count);
        where.SendKeys(Escape);
        Browser.Until(() => Browser.Field("Where").GetAttribute("value") != passed, "what holds");
        Assert.Equal(before, Log().Count);
        foreach (var _ in Enumerable.Range(0, 3)) Browser.Field("Where").SendKeys(Down);
        Browser.Field("Where").SendKeys(Enter);
        Browser.Until(() => Log().Count == before + 1, "one deed");
        // Escape in a field that holds no draft closes the panel from inside, and the focus goes back to the card.
        Browser.Field("Name").SendKeys(Escape);
        Browser.Until(() => Browser.Count("[data-panel]") == 0, "the panel to close");
        Browser.Until(() => Browser.Focus == "printer", "the card to have the focus");
    }

    [Fact]
    public void The_stairs_are_one_stop_and_the_arrows_go_by_tread_box_and_socket()
    {
        OpenDemo();
        Browser.Run("document.querySelector('[data-box=gw]').focus()");
        Assert.Equal(1L, Browser.Run("return document.querySelectorAll('[data-rove][tabindex=\"0\"]').length"));
        var way = new List<string>();
        foreach (var key in new[] { Right, Right, OpenQA.Selenium.Keys.ArrowLeft, OpenQA.Selenium.Keys.ArrowUp, Down, OpenQA.Selenium.Keys.PageDown, OpenQA.Selenium.Keys.Home })
        {
            Browser.Keys(key);
            way.Add((string)Browser.Run("const e = document.activeElement; return e.dataset.box ?? e.dataset.thing ?? e.dataset.socket")!);
        }
        Assert.Equal(["gw/line", "gw/lan1", "gw/line", "gw", "recorder", "studio", "gw"], way);
        // From the card into its panel: one more Enter; out again: Escape.
        Browser.Keys(Enter);
        Browser.Css("[data-panel]");
        Assert.Equal("gw", Browser.Run("return document.activeElement.dataset.box"));
        Browser.Keys(Enter);
        Browser.Until(() => (bool)Browser.Run("return document.activeElement.closest('[data-panel]') !== null")!, "the panel to have the focus");
        Browser.Keys(Escape);
        Browser.Until(() => Browser.Count("[data-panel]") == 0, "the panel to close");
        Browser.Until(() => (string?)Browser.Run("return document.activeElement.dataset.box") == "gw", "the card");
        // One press of the Tab key leaves the Stairs behind.
        Browser.Keys(Tab);
        Assert.True((bool)Browser.Run("return document.activeElement.closest('[aria-label=Stairs]') === null")!);
    }

    [Fact]
    public void The_first_stops_lead_past_the_top_to_the_work()
    {
        OpenDemo();
        Browser.Run("document.activeElement.blur()");
        Browser.Keys(Tab);
        Assert.Equal("To the stage", Browser.Focus);
        Browser.Keys(Enter);
        Assert.Equal("sheet", Browser.Run("return document.activeElement.id"));
        // A key that the page does not take scrolls it.
        Browser.Run("document.querySelector('.sheet').scrollTop = 0");
        Browser.Keys(" ");
        Browser.Until(() => (long)Browser.Run("return Math.round(document.querySelector('.sheet').scrollTop)")! > 50, "the page to scroll");
    }

    [Fact]
    public void After_a_deed_the_focus_is_where_the_work_goes_on()
    {
        OpenDemo();
        Browser.Run("document.querySelector('[data-finding] button').focus()");
        Browser.Keys(Enter);
        Browser.UntilText("2 faults");
        Browser.Until(() => (bool)Browser.Run("return document.activeElement.closest('[data-finding]') !== null")!, "the next finding to have the focus");
        Browser.Press("Add a box or a thing");
        Browser.Css("[role=dialog]");
        Browser.Field("Name").SendKeys(Enter);
        Browser.Until(() => Browser.Count("[role=dialog]") == 0, "the sheet to close");
        Browser.Until(() => (string?)Browser.Run("return document.activeElement.dataset.box") == "box", "the new box");
        Browser.Press(() => Browser.Link("Work order"));
        Browser.Css("section[aria-label='Step 1']");
        Browser.Run("document.querySelector('[data-done]').focus()");
        Browser.Keys(Enter);
        Browser.Css("section[aria-label='Step 2']");
        Browser.Until(() => Browser.Focus == "Seen as said", "the next step's answer");
    }
}
