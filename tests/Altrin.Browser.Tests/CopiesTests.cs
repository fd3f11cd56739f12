using OpenQA.Selenium;

namespace Altrin.Browser.Tests;

/// <summary>The copies of all jobs on the page of jobs; and that no page breaks the policy it runs under.</summary>
public sealed class CopiesTests : HandTest
{
    [Fact]
    public void A_copy_is_kept_put_back_and_that_taken_back_in_the_same_way()
    {
        OpenDemo();
        var job = Ask($"/api/jobs/{Job}")!;
        Browser.Go(Server.Address);
        Browser.Press("Copies");
        Browser.Press("Keep a copy now");
        Browser.UntilText("A copy of the jobs as they are now is kept.");
        Browser.Run("document.activeElement.blur()");
        var before = (string)job["name"]!;
        Browser.Go($"{Server.Address}/job/{Job}/stairs?open=gw");
        Browser.Press(() => Browser.Css("[data-box=gw]"));
        Browser.Fill("Name", "Gateway that will not be");
        Browser.Until(() => Found().ToJsonString().Contains("Gateway that will not be", StringComparison.Ordinal), "the new name");
        Browser.Go(Server.Address);
        Browser.Press("Copies");
        Browser.Press(() => Browser.Css("[role=dialog] li button"));
        Browser.UntilText("All jobs become what they were then.");
        Browser.Press("Put this copy back");
        Browser.UntilText("before another was put back");
        Assert.DoesNotContain("Gateway that will not be", Found().ToJsonString(), StringComparison.Ordinal);
        Browser.Keys(Keys.Escape);
        Browser.Press(() => Browser.Link(before));
        Browser.Css("[data-box=gw]");
        Assert.False(Browser.Has("Gateway that will not be"));
        Browser.Go(Server.Address);
        Browser.Press("Copies");
        Browser.Press(() => Browser.Css("[role=dialog] li:first-child button"));
        Browser.Press("Put this copy back");
        Browser.Until(() => Found().ToJsonString().Contains("Gateway that will not be", StringComparison.Ordinal), "what was there before");
        Assert.Empty(Browser.Complaints());
    }

    [Fact]
    public void No_stage_breaks_the_policy_of_its_page_and_its_styles_are_taken()
    {
        OpenDemo();
        foreach (var stage in new[] { "visit", "wants", "stairs", "addresses", "air", "options", "work", "fault" })
        {
            Browser.Go($"{Server.Address}/job/{Job}/{stage}");
            Browser.Css("main h2");
            Assert.Empty(Browser.Complaints());
        }
        // Made while the page is drawn, by the number that this page alone carries: another style is refused.
        Assert.Equal("bold",
            Browser.Run("const e = document.createElement('style'); e.nonce = document.querySelector('style[data-emotion]').nonce; e.textContent = 'main h2 { font-style: oblique }'; document.head.append(e); return getComputedStyle(document.querySelector('main h2')).fontStyle === 'oblique' ? 'bold' : 'plain'"));
        Browser.Run("const e = document.createElement('style'); e.textContent = 'main h2 { color: rgb(1, 2, 3) }'; document.head.append(e)");
        Assert.NotEqual("rgb(1, 2, 3)", Browser.Run("return getComputedStyle(document.querySelector('main h2')).color"));
        Assert.Contains(Browser.Complaints(), one => one.Contains("Content Security Policy", StringComparison.Ordinal));
    }
}
