using System.Text.Json.Nodes;

namespace Altrin.Browser.Tests;

/// <summary>The kit shelf: looked at, taken from, added to.</summary>
public sealed class KitTests : HandTest
{
    [Fact]
    public void A_kind_is_found_and_says_what_its_page_and_lamps_say()
    {
        Browser.Go(Server.Address);
        Browser.Press(() => Browser.Link("Kit shelf"));
        Browser.UntilText("Gateways and modems");
        Write("Find a kind", "wisp");
        Browser.Until(() => Browser.Count("main li") == 1, "one kind");
        Browser.Press(() => Browser.Css("main summary"));
        Browser.UntilText("plain repeater does not");
        Browser.Press(() => Browser.Css("details details:nth-of-type(1) > summary"));
        Browser.UntilText("Operation mode > Repeater (not WISP)");
    }

    [Fact]
    public void A_box_is_put_on_the_shelf_as_ones_own_kind_and_taken_from_it_in_another_job()
    {
        Server.Spoil();
        OpenDemo(stage: "visit");
        Browser.Press(() => Browser.Css("ol[aria-label='Stops of the walk']").FindElement(OpenQA.Selenium.By.XPath(".//a[contains(., 'Studio router')]")));
        Browser.Press("Keep it as a kind of your own");
        Browser.Field("Call the kind").SendKeys("The old grey router");
        Browser.Press("Put it on the shelf");
        Browser.UntilText("On the shelf: The old grey router");
        var kind = Ask("/api/kit")!.AsArray().Single(one => (bool)one!["isOwn"]!)!;
        var file = Ask($"/api/kit/{(string)kind["kit"]!}")!.ToJsonString();
        // Nothing of the house goes along.
        Assert.DoesNotContain("00:00:5E", file, StringComparison.Ordinal);
        Assert.DoesNotContain("garden", file, StringComparison.Ordinal);
        OpenDemo("Hawthorn Farm");
        Browser.Keys("n");
        Browser.Choose("What is it?", "The old grey router");
        Write("Address on its label", "10.0.0.1");
        Write("MAC on its label", "00-00-5e-00-53-42");
        Browser.Press("Add it");
        Browser.Until(() => Browser.Count("[role=dialog]") == 0, "the sheet to close");
        var box = Found()["document"]!["devices"]!.AsArray()[^1]!;
        Assert.Equal(("10.0.0.1/24", "00:00:5E:00:53:42", (string)kind["kit"]!), ((string)box["lan"]!["address"]!, (string)box["mac"]!, (string)box["kit"]!));
        // Taken away it is gone, and can be brought in again.
        Browser.Go($"{Server.Address}/kit");
        Browser.Press(() => Browser.Css("summary"));
        Write("Find a kind", "old grey");
        Browser.Press(() => Browser.Css("main summary"));
        Browser.Press(() => Browser.Css("button[aria-label='Remove The old grey router']"));
        Browser.UntilText("No kind is called so.");
        var path = Path.Combine(Server.Data, "own.kit.json");
        File.WriteAllText(path, file);
        Browser.Driver.FindElement(OpenQA.Selenium.By.CssSelector("input[aria-label='Kind to bring in']")).SendKeys(path);
        Browser.UntilText("It stands on the shelf.");
        File.WriteAllText(path, file.Replace("altrin.kit/1", "altrin.kit/9", StringComparison.Ordinal));
        Browser.Driver.FindElement(OpenQA.Selenium.By.CssSelector("input[aria-label='Kind to bring in']")).SendKeys(path);
        Browser.UntilText("is another format or version");
    }

    [Fact]
    public void A_pair_is_laid_as_a_cable_of_its_own_medium()
    {
        OpenDemo();
        Browser.Keys("n");
        Browser.Choose("What is it?", "Powerline pair");
        Browser.Choose("One end in", "Hall gateway LAN 4");
        Browser.Choose("the other in", "Studio router LAN 2");
        Browser.Press("Add it");
        Browser.Until(() => Browser.Count("[role=dialog]") == 0, "the sheet to close");
        var cable = Found()["document"]!["cables"]!.AsArray()[^1]!;
        Assert.Equal(("powerline", "lan4", "lan2"), ((string)cable["medium"]!, (string)cable["a"]!["port"]!, (string)cable["b"]!["port"]!));
    }
}
