namespace Altrin.Browser.Tests;

/// <summary>The demo house's job from the list of jobs to the last tick without a pointer, every key counted.</summary>
public sealed class KeyboardJobTests : HandTest
{
    private int pressed;

    private void Key(string keys)
    {
        pressed += keys.Length;
        Browser.Keys(keys);
    }

    [Fact]
    public void From_found_to_the_last_tick_by_key_alone()
    {
        Browser.Go(Server.Address);
        Browser.UntilText("Larkspur House");
        for (var n = 0; n < 9 && !Browser.Focus.StartsWith("Larkspur House", StringComparison.Ordinal); n++) Key(Tab);
        Key(Enter);
        Browser.UntilText("2 of 7 wants hold · 3 faults");
        Job = new Uri(Browser.Url).Segments[2].TrimEnd('/');
        // The record first: the printer's name as it stands on its label. By key to the card, into its panel, and out.
        Key("/");
        Browser.Css("input[aria-label='Name, room, MAC or address']");
        Key("prin" + Enter);
        Browser.Until(() => Browser.Run("return document.activeElement.dataset.thing") is "printer", "the printer's card");
        Key(Enter);
        Browser.Until(() => (bool)Browser.Run("return document.activeElement.closest('[data-panel]') !== null")!, "its panel");
        for (var n = 0; n < 8 && Browser.Focus != "Name"; n++) Key(Tab);
        Assert.Equal("Name", Browser.Focus);
        Key(OpenQA.Selenium.Keys.End + " A4" + Enter);
        Browser.Until(() => Log()[^1] == "Call Study printer Study printer A4", "the new name");
        Key(Escape);
        Browser.Until(() => Browser.Count("[data-panel]") == 0, "the panel to close");
        // Every first fix, until nothing more is offered.
        for (var n = 0; n < 9 && Ask($"/api/jobs/{Job}/planned/fixes")!["fixes"]!.AsObject().Any(finding => finding.Value!.AsArray().Count > 0); n++)
        {
            var before = Browser.Css("[data-testid=verdict]").Text;
            Key("f");
            Browser.Until(() => Browser.Css("[data-testid=verdict]").Text != before, "the fix");
        }
        Browser.UntilText("all 7 wants hold");
        Key("7");
        Browser.Css("section[aria-label='Step 1']");
        var steps = Ask($"/api/jobs/{Job}/work-order")!["order"]!["steps"]!.AsArray().Count;
        for (var n = 1; n <= steps; n++)
        {
            Browser.Css($"section[aria-label='Step {n}']");
            Key("d");
            Browser.UntilText($"{n} of {steps} done");
        }
        Browser.UntilText("every step was seen as said.");
        Browser.Until(() => (bool)Browser.Run("return document.activeElement.matches('[data-all-done]')")!, "the focus on what came of it all");
        Browser.UntilText("“As found” stays as it was noted");
        TestContext.Current.SendDiagnosticMessage($"{pressed} keys for {steps} steps");
        Assert.InRange(pressed, steps, 120);
        Assert.Empty(Browser.Complaints());
    }
}
