using System.Text.Json.Nodes;

namespace Altrin.Browser.Tests;

/// <summary>The ways to set a house: compared, pinned, mended, taken.</summary>
public sealed class OptionsTests : HandTest
{
    private static JsonNode Trade(string job) => JsonNode.Parse(File.ReadAllText(Path.Combine(Server.Root, "tests", "documents", "jobs", $"{job}.json")))!;

    [Fact]
    public void A_box_on_the_table_is_planned_taken_and_ordered_to_the_last_tick()
    {
        OpenHouse(Trade("access-point"), "options");
        Browser.UntilText("nothing better exists");
        Browser.UntilText("Second router as access point");
        Browser.UntilText("4 of 4");
        // The other ways of the trade, with what is against them.
        Browser.UntilText("Second router behind Hall gateway as its DMZ host");
        Browser.UntilText("Addresses would be translated twice in the home");
        Browser.Press(() => Browser.Css("[data-way='0'] button"));
        Browser.UntilText("all 4 wants hold");
        Browser.Press(() => Browser.Link("Work order"));
        WorkToTheLastTick();
        Assert.Empty(Browser.Complaints());
    }

    public static IEnumerable<TheoryDataRow<string>> Jobs() => Directory.GetFiles(Path.Combine(Server.Root, "tests", "documents", "jobs"), "*.json").Order(StringComparer.Ordinal)
        .Select(file => new TheoryDataRow<string>(Path.GetFileNameWithoutExtension(file)));

    /// <summary>Every job of the trade from the house as found to the last tick, the best way taken.</summary>
    [Theory, MemberData(nameof(Jobs)), Trait("kind", "long")]
    public void Every_job_is_planned_taken_and_worked_to_the_last_tick(string job)
    {
        OpenHouse(Trade(job), "options");
        Browser.UntilText(" tried; ");
        if (Browser.Count("[data-way='0'] button") == 0)
        {
            // As it is it is the best.
            Browser.UntilText("Nothing to do.");
            return;
        }
        Browser.Press(() => Browser.Css("[data-way='0'] button"));
        Browser.UntilText("Planned:");
        Browser.Press(() => Browser.Link("Work order"));
        Browser.Css("section[aria-label='Step 1']");
        Assert.False(Browser.Has("could not be proved"));
        WorkToTheLastTick();
        Assert.Empty(Browser.Complaints());
    }

    [Fact]
    public void What_cannot_be_had_is_mended_by_a_press_and_given_up_by_another()
    {
        OpenHouse(Trade("no-mode-no-cable"), "options");
        Browser.UntilText("Not to be had:");
        // A line until somebody opens it.
        Assert.False(Browser.Has("Lay a cable from Hall to Study."));
        Browser.Press(() => Browser.Css("[data-conflict] summary"));
        Browser.UntilText("Lay a cable from Hall to Study.");
        Browser.Press("Note it in the house, and plan with it");
        Browser.UntilText("Old router as access point by hand");
        Browser.Until(() => !Browser.Has("Not to be had:"), "the conflict to go");
        Assert.Single(Found()["document"]!["runs"]!.AsArray());
        Browser.UntilText("cable, Hall to Study");
        Browser.Keys("z");
        Browser.UntilText("Not to be had:");
        Browser.Press(() => Browser.Css("[data-conflict] summary"));
        Browser.Press(() => Browser.ButtonStarting("Give up"));
        Browser.Until(() => !Browser.Has("Not to be had:"), "the want to be given up");
        Assert.Empty(Found()["document"]!["needs"]!.AsArray());
        Assert.Empty(Browser.Complaints());
    }

    [Fact]
    public void A_box_is_pinned_and_forbidden_and_the_rest_is_planned_again()
    {
        OpenDemo(stage: "options");
        Browser.UntilText("Studio router as access point by hand");
        Browser.Choose("Box", "Studio router");
        Browser.Choose("is", "as access point");
        Browser.Press("Forbid it");
        Browser.UntilText("Studio router never as access point");
        Browser.Until(() => !Browser.Has("Studio router as access point by hand"), "that way to go");
        Browser.Press(() => Browser.Css("button[aria-label='Unpin Studio router']"));
        Browser.UntilText("Studio router as access point by hand");
        // A name of its Wi-Fi; while it is planned again what can be pinned stays there.
        Browser.Choose("is", "with Wi-Fi larkspur");
        Browser.Press("Pin it so");
        Browser.UntilText("Studio router with Wi-Fi larkspur");
        Browser.Choose("is", "with Wi-Fi studio-old");
        Browser.UntilText("nothing better exists");
        Browser.Press(() => Browser.Css("main summary"));
        Browser.UntilText("Set Wi-Fi studio-old on Studio router: name larkspur");
        Assert.Empty(Browser.Complaints());
    }

    [Fact]
    public void On_a_phone_the_ways_lie_one_under_the_other_and_nothing_scrolls_sideways()
    {
        using var phone = new Browser(390, 844, isPhone: true);
        OpenDemo(stage: "options", on: phone);
        phone.UntilText("nothing better exists");
        Assert.Equal(0, phone.Count("main table"));
        Assert.Equal(390L, phone.Run("return document.documentElement.scrollWidth"));
        phone.Press(() => phone.Css("[data-way='0'] button"));
        phone.Until(() => (int)Ask($"/api/jobs/{Job}")!["planned"]!["verdict"]!["wantsHeld"]! == 7, "the plan to be taken");
    }

    [Fact]
    public void In_the_middle_of_an_order_the_way_back_is_a_press_and_an_order_too()
    {
        OpenHouse(Trade("lan-to-lan"), "options");
        Browser.UntilText("Old router as access point by hand");
        Browser.Press(() => Browser.Css("[data-way='0'] button"));
        Browser.UntilText("all 3 wants hold");
        Browser.Press(() => Browser.Link("Work order"));
        for (var n = 1; n <= 5; n++)
        {
            Browser.Css($"section[aria-label='Step {n}']");
            Browser.Press("Seen as said");
            Browser.UntilText($"{n} of ");
        }
        var order = Browser.Count("ol[aria-label=Steps] > li");
        Browser.Press("back to as found");
        Browser.UntilText("Back to how it was found");
        Assert.InRange(Browser.Count("ol[aria-label=Steps] > li"), 2, order);
        Browser.Press("Go on with the order instead");
        Browser.UntilText("Make Old router an access point");
        Browser.UntilText($"5 of {order} done");
        Assert.Empty(Browser.Complaints());
    }

    [Fact]
    public void In_an_empty_house_it_says_what_comes_first()
    {
        OpenHouse(JsonNode.Parse("""{ "format": "altrin.network/1", "name": "Bare", "devices": [], "cables": [], "endpoints": [], "needs": [] }""")!, "options");
        Browser.UntilText("No box yet.");
        Assert.Empty(Browser.Complaints());
    }
}
