using System.Text.Json.Nodes;

namespace Altrin.Browser.Tests;

/// <summary>It does not work: from the complaint by the looks that are asked for to the mend.</summary>
public sealed class FaultTests : HandTest
{
    private static JsonNode Healthy => JsonNode.Parse(File.ReadAllText(Path.Combine(Server.Root, "docs", "examples", "healthy.json")))!;

    private void Answer(string words)
    {
        var before = Browser.Css("[data-look-head]").Text;
        Browser.Press(() => Browser.Driver.FindElement(OpenQA.Selenium.By.XPath($"//button[@data-answer][contains(., '{words}')]")));
        Browser.Until(() => Browser.Css("[data-look-head]").Text != before, $"the look after {before}");
    }

    /// <summary>The DHCP server of the gateway was switched off.</summary>
    [Theory]
    [InlineData(1280)]
    [InlineData(390)]
    public void A_complaint_is_followed_to_its_cause_and_mended(int width)
    {
        Browser.Metrics(width, 844);
        OpenHouse(Healthy, "fault");
        Browser.UntilText("What does not work?");
        Browser.Press("Find out why");
        Browser.UntilText("Which address does Tablet show?");
        Answer("169.254");
        // A reload in the middle loses nothing.
        Browser.Driver.Navigate().Refresh();
        Browser.UntilText("gives out no addresses: its DHCP server is off");
        Assert.True(Browser.Has("No check tells these apart"));
        Browser.UntilText("DHCP server on");
        Browser.Press(() => Browser.Css("[data-mended]"));
        Browser.UntilText("It was: Hall gateway gives out no addresses");
        Assert.Empty(Browser.Complaints());
    }

    /// <summary>A want that holds on paper and fails on site is the complaint; what may be at fault is marked on the Stairs, in
    /// words.</summary>
    [Fact]
    public void From_a_want_to_the_suspects_on_the_stairs()
    {
        OpenHouse(Healthy, "wants");
        Browser.Press(() => Browser.Link("It fails on site: why?"));
        Browser.UntilText("What does not work?");
        Browser.Press("Find out why");
        Browser.UntilText("Check this next");
        Browser.Press(() => Browser.Link("Stairs"));
        Browser.Until(() => Browser.Count("[data-suspect]") > 0, "a suspect");
        Assert.Matches("suspected, [0-9]+ %", Browser.Css("[data-suspect]").Text);
        Assert.Empty(Browser.Complaints());
    }

    [Fact]
    public void What_was_seen_is_taken_out_again_and_a_look_is_put_aside()
    {
        OpenHouse(Healthy, "fault");
        Browser.Press("Find out why");
        Browser.UntilText("Which address does Tablet show?");
        Browser.Press("I cannot check that");
        Browser.Until(() => Browser.Css("[data-look-head]").Text != "Which address does Tablet show?", "another look");
        Browser.Press("It shows something else …");
        Browser.Press(() => Browser.Css("[data-answer]"));
        Browser.Until(() => Browser.Count("[data-seen]") == 2, "two sightings");
        Browser.Press(() => Browser.Driver.FindElements(OpenQA.Selenium.By.XPath("//li[@data-seen]//button"))[1]);
        Browser.Until(() => Browser.Count("[data-seen]") == 1, "one sighting");
        Browser.Press("Stop here: it was not found");
        Browser.UntilText("Not found.");
        Assert.Empty(Browser.Complaints());
    }
}
