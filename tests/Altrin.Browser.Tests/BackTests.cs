namespace Altrin.Browser.Tests;

/// <summary>Back closes what was opened last, and never leaves the page with a sheet open.</summary>
public sealed class BackTests : HandTest
{
    private void Back() => Browser.Run("history.back()");

    [Fact]
    public void Back_closes_the_sheet_the_section_and_the_panel_in_turn()
    {
        OpenDemo();
        Browser.Press(() => Browser.Css("[data-box=studio]"));
        Browser.Press(() => Browser.Radio("WAN"));
        Browser.Field("WAN address");
        Browser.Press("log");
        Browser.UntilText("What was changed");
        Back();
        Browser.Until(() => Browser.Count("[role=dialog]") == 0, "the sheet to close");
        Browser.Field("WAN address");
        Back();
        Browser.Field("Its own address");
        Back();
        Browser.Until(() => Browser.Count("[data-panel]") == 0, "the panel to close");
        Assert.Contains("/stairs", Browser.Url, StringComparison.Ordinal);
        // Closed by hand, it is not opened again by Back.
        Browser.Keys("/");
        Browser.Css("[role=dialog]");
        Browser.Keys(Escape);
        Browser.Until(() => Browser.Count("[role=dialog]") == 0, "the search to close");
        Back();
        Browser.Until(() => !Browser.Url.Contains("open=", StringComparison.Ordinal), "no sheet");
        Assert.Equal(0, Browser.Count("[role=dialog]"));
    }

    [Fact]
    public void A_deep_link_opens_just_that_place()
    {
        OpenDemo();
        Browser.Go($"{Server.Address}/job/{Job}/stairs?side=planned&box=studio&tab=wan");
        Browser.Field("WAN address");
        Browser.UntilText("as planned");
        Browser.Keys(Escape);
        Browser.Until(() => Browser.Count("[data-panel]") == 0, "the panel to close");
        Assert.EndsWith("/stairs?side=planned", Browser.Url, StringComparison.Ordinal);
    }

    [Fact]
    public void A_stage_that_there_is_not_is_none_of_those_there_are()
    {
        OpenDemo();
        Browser.Go($"{Server.Address}/job/{Job}/nonsense");
        Browser.UntilText("There is no such stage.");
        Assert.Equal(0, Browser.Count("nav[aria-label=Stages] [aria-current]"));
        Assert.StartsWith("No such stage", Browser.Driver.Title, StringComparison.Ordinal);
        Browser.Press(() => Browser.Link("Wants"));
        Browser.Until(() => Browser.Count("nav[aria-label=Stages] [aria-current=page]") == 1, "the stage that is looked at");
    }

    [Fact]
    public void Of_the_jobs_too_a_sheet_is_closed_by_back()
    {
        Browser.Go(Server.Address);
        Browser.Press("Delete Larkspur House");
        Browser.UntilText("This cannot be undone.");
        Back();
        Browser.Until(() => Browser.Count("[role=dialog]") == 0, "the sheet to close");
        Browser.UntilText("Larkspur House");
    }
}
