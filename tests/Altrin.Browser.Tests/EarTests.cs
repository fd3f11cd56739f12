namespace Altrin.Browser.Tests;

/// <summary>What is said to somebody who listens.</summary>
public sealed class EarTests : HandTest
{
    [Fact]
    public void A_change_of_the_verdict_is_said_once()
    {
        OpenDemo();
        Browser.Run("""
            window.said = [];
            new MutationObserver(() => window.said.push(document.querySelector('[data-testid=announcer]').textContent)).observe(document.querySelector('[data-testid=announcer]'), { childList: true, characterData: true, subtree: true });
            """);
        Browser.Press(() => Browser.Css("[data-thing=printer]"));
        Browser.Fill("Fixed address", "192.168.31.2/24");
        Browser.Until(() => Browser.Has("2 faults"), "the deed");
        Browser.Until(() => ((IReadOnlyCollection<object>)Browser.Run("return window.said")!).Count == 1, "one sentence");
        Assert.Matches("^[0-9] of 7 wants hold, 2 faults, [0-9] cautions; one fault fewer", (string)Browser.Run("return window.said[0]")!);
        Browser.Press(() => Browser.Css("[data-thing=recorder]"));
        Assert.Equal(1L, Browser.Run("return window.said.length"));
    }

    [Fact]
    public void Cards_findings_titles_and_the_search_say_what_is_seen()
    {
        OpenDemo();
        Assert.StartsWith("fault: Study printer", ((string)Browser.Run("return document.querySelector('[data-thing=printer]').textContent")!), StringComparison.Ordinal);
        Assert.Equal("Fault: Two at 192.168.31.120", Browser.Run("return document.querySelector('[data-finding] h3').textContent"));
        string Title() => (string)Browser.Run("return document.title")!;
        Assert.Equal("Stairs · Larkspur House · Altrin", Title());
        Browser.Press(() => Browser.Css("[data-box=studio]"));
        Browser.Until(() => Title() == "Studio router · Larkspur House · Altrin", "the panel's title");
        Browser.Keys("/");
        Browser.Until(() => Title() == "Find · Larkspur House · Altrin", "the sheet's title");
        Browser.Keys(Escape);
        Browser.Until(() => Browser.Count("[role=dialog]") == 0, "the sheet to close");
        Browser.Press(() => Browser.Link("Wants"));
        Browser.Keys("p");
        Browser.Until(() => Title().EndsWith("Larkspur House, planned · Altrin", StringComparison.Ordinal), "the planned side's title");
        OpenDemo("Hawthorn Farm");
        Browser.Keys("/");
        Browser.Css("input[aria-label='Name, room, MAC or address']");
        Browser.Until(() => Browser.Run("return document.querySelector('[role=dialog] [role=status]').textContent") is string more && System.Text.RegularExpressions.Regex.IsMatch(more, "^[0-9]+ more things of that name or address"), "how many more");
    }

    [Fact, Trait("source", "WAI-ARIA 1.2, role grid; APG data grid pattern (value from memory)")]
    public void Who_reaches_whom_is_a_grid_with_one_stop_and_arrows()
    {
        OpenDemo();
        Browser.Keys("w");
        Browser.Css("[role=grid] [role=gridcell]");
        Assert.Equal(1L, Browser.Run("return document.querySelectorAll('[role=grid] [tabindex=\"0\"]').length"));
        Assert.Equal(0L, Browser.Run("return [...document.querySelectorAll('[role=gridcell]')].filter((one) => !one.closest('[role=row]') || !one.getAttribute('aria-colindex')).length"));
        Assert.Equal(Browser.Run("return document.querySelector('[role=grid]').getAttribute('aria-rowcount')"), $"{Found()["document"]!["endpoints"]!.AsArray().Count + 1}");
        Browser.Run("document.querySelector('[role=gridcell][tabindex=\"0\"]').focus()");
        Browser.Keys(Down);
        Browser.Until(() => Browser.Focus.StartsWith("Study printer, The internet", StringComparison.Ordinal), "the row below");
        Browser.Keys(Right + Right);
        Browser.Until(() => Browser.Run("return document.activeElement.dataset.cell") is "1/2", "two to the right");
        Browser.Keys(OpenQA.Selenium.Keys.Home);
        Browser.Until(() => Browser.Run("return document.activeElement.dataset.cell") is "1/0", "the row's start");
        Browser.Keys(Enter);
        Browser.UntilText("Study printer now and then reaches The internet.");
    }
}
