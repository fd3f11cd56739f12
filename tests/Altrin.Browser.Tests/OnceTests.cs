using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace Altrin.Browser.Tests;

/// <summary>Every deed once, however often it is pressed.</summary>
public sealed class OnceTests : HandTest
{
    [Fact]
    public void Enter_and_then_Tab_is_one_deed()
    {
        OpenDemo();
        Browser.Press(() => Browser.Css("[data-box=studio]"));
        Browser.Delay(500);
        Write("Name", "Beta" + Enter + Tab);
        Browser.Until(() => Log()[^1] == "Call Studio router Beta", "the deed");
        Browser.Until(() => Browser.Css("[data-box=studio]").Text.Contains("Beta", StringComparison.Ordinal), "the answer");
        Assert.Equal(1, Log().Count(sentence => sentence.StartsWith("Call ", StringComparison.Ordinal)));
    }

    [Fact]
    public void A_double_click_and_a_held_key_do_it_once()
    {
        OpenDemo();
        Browser.Delay(400);
        Browser.Run("const fix = [...document.querySelectorAll('button')].find((one) => one.innerText.startsWith('Move Study printer')); fix.click(); fix.click(); fix.click()");
        Browser.UntilText("2 faults");
        Assert.Equal(1, (int)Ask($"/api/jobs/{Job}")!["plan"]!["deeds"]!);
        Browser.Run("for (let n = 0; n < 10; n++) window.dispatchEvent(new KeyboardEvent('keydown', { key: 'f', bubbles: true, repeat: n > 0 }))");
        Browser.UntilText("1 fault");
        Browser.Delay(0);
        Browser.Until(() => Ask($"/api/jobs/{Job}")!["plan"]!["deeds"]!.GetValue<int>() > 1, "the second fix");
        var log = Log();
        Browser.Press(() => Browser.Link("Work order"));
        Browser.Css("section[aria-label='Step 1']");
        Browser.Run("for (let n = 0; n < 10; n++) window.dispatchEvent(new KeyboardEvent('keydown', { key: 'd', bubbles: true, repeat: n > 0 }))");
        Browser.Css("section[aria-label='Step 2']");
        Browser.Until(() => Ask($"/api/jobs/{Job}/work-order")!["ticks"]!.AsArray().Count == 1, "one tick");
        Assert.Equal(log, Log());
    }

    /// <summary>The clock of the page stands still, so that however long the answer takes the second press comes within the half second.</summary>
    [Fact]
    public void A_button_that_comes_under_the_finger_is_not_pressed_by_it()
    {
        OpenDemo();
        Browser.Delay(400);
        Browser.Run("const at = performance.now(); performance.now = () => at");
        Browser.Press(() => Browser.Driver.FindElement(By.XPath("//button[starts-with(normalize-space(.), 'Move Study printer')]")));
        Browser.UntilText("2 faults");
        Assert.Equal(1, (int)Ask($"/api/jobs/{Job}")!["plan"]!["deeds"]!);
        // The pointer has not moved: what lies under it now is another finding's.
        new Actions(Browser.Driver).Click().Perform();
        Browser.Delay(0);
        Assert.Equal(1, (int)Ask($"/api/jobs/{Job}")!["plan"]!["deeds"]!);
    }

    [Fact]
    public void A_slow_save_shows_that_it_is_busy_and_no_want_is_written_twice()
    {
        OpenDemo(stage: "wants");
        Browser.UntilText("What the household wants");
        Browser.Choose("Sentence", "a Wi-Fi name of its own for each box");
        Browser.Delay(1500);
        Browser.Press("Add it");
        Browser.Css("button[aria-busy=true]");
        Browser.Run("for (const one of document.querySelectorAll('button[aria-busy=true]')) one.click()");
        Browser.UntilText("of 8 wants hold");
        Browser.Delay(0);
        Assert.Equal(8, Found()["wants"]!.AsArray().Count);
        Browser.Press("Add it");
        Browser.UntilText("That want is on the list already.");
        Assert.Equal(8, Found()["wants"]!.AsArray().Count);
    }
}
