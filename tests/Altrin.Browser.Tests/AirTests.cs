using System.Text.Json.Nodes;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace Altrin.Browser.Tests;

/// <summary>The Air stage: rooms drawn and said, boxes carried over the floor, channels, names, what was measured.</summary>
public sealed class AirTests : HandTest
{
    private static readonly string[] TenRooms =
    [
        "Hall 2 by 6", "Lounge 5 by 4, right of hall", "Kitchen 5 by 4 below lounge", "Pantry 2 by 2, below hall", "Study 3 by 4 left of hall", "Landing 2 by 4 over hall", "Bedroom 4 by 4 right of landing",
        "Nursery 3 by 4 left of landing", "Attic 6 by 4 over landing", "Terrace 6 by 3 below kitchen, outdoors",
    ];

    private void Say(Browser browser, string room)
    {
        var field = browser.Field("Say a room: its name, width by depth, beside which one");
        field.SendKeys(Keys.Control + "a");
        field.SendKeys(room + Keys.Enter);
    }

    private string[] Warnings(string side = "planned") => [.. Ask($"/api/jobs/{Job}")![side]!["findings"]!.AsArray().Where(one => (string)one!["theme"]! == "air").Select(one => (string)one!["rule"]!)];

    private static IWebElement Stander(Browser browser, string name) => browser.Css($".stander[aria-label='{name}']");

    private static double RateOf(Browser browser, string room) =>
        double.Parse((string)browser.Run($"return document.querySelector('[data-room={room}] [data-rate]').dataset.rate")!, System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>One channel for three boxes, a satellite in a row, a repeater at the far end: found, and mended by pressing.</summary>
    [Fact]
    public void The_planted_faults_of_the_farms_air_are_mended_by_pressing()
    {
        OpenDemo("Hawthorn Farm", "air");
        Browser.UntilText("Three boxes on channel 11");
        Browser.UntilText("Two radio hops in a row");
        Browser.UntilText("Dairy repeater hears Farmhouse router too weakly");
        Browser.Css("[data-room=dairy]");
        Browser.Until(() => Browser.Count("[data-room=dairy] [data-rate]") > 0, "the rate of the dairy");
        var before = RateOf(Browser, "dairy");
        Browser.Press(() => Browser.Css("[data-finding=own-channels-overlap] .press"));
        Browser.Until(() => !Warnings().Contains("own-channels-overlap"), "the channels to be apart");
        Browser.Press(() => Browser.Css("[data-finding=satellites-in-row] .press"));
        Browser.Until(() => Ask($"/api/jobs/{Job}")!["planned"]!["findings"]!.AsArray().All(one => (string)one!["rule"]! != "satellites-in-row"), "the star");
        Browser.Press(() => Browser.Css("[data-finding=joined-too-weak] .press"));
        Browser.Until(() => !Warnings().Contains("joined-too-weak"), "the repeater to stand nearer");
        Browser.Until(() => RateOf(Browser, "dairy") > before, "the dairy to get more");
        // The number as found stands beside it.
        Browser.Until(() => (bool)Browser.Run("return document.querySelector('[data-room=dairy] [data-was]')?.textContent.trim() === `was ${arguments[0]}`", Math.Floor(before))!, "what it was as found");
        Assert.Equal("east-wing", (string)Planned()["document"]!["devices"]!.AsArray().Single(box => (string)box!["id"]! == "dairy")!["room"]!);
        Assert.Empty(Browser.Complaints());
    }

    /// <summary>A stranger's house of ten rooms said in ten lines, and the answer where the repeater should stand.</summary>
    [Theory]
    [InlineData(1280, 800)]
    [InlineData(390, 844, Traits = ["kind", "long"])]
    public void Ten_rooms_are_said_and_the_house_answers_where_the_repeater_should_stand(int width, int height)
    {
        OpenHouse(JsonNode.Parse("""
            {"format":"altrin.network/1","name":"Stranger","country":"GB","line":{"device":"gw","port":"wan","downMbps":250},
             "devices":[{"id":"gw","name":"Gateway","room":"Hall","mode":"router","ports":[{"id":"wan","role":"wan"},{"id":"lan1","role":"lan"}],
               "radios":[{"id":"5g","band":"5","generation":"ac"}],"lan":{"address":"192.168.1.1/24","dhcpServer":{"enabled":true,"start":"192.168.1.100","end":"192.168.1.199"}},"wan":{"method":"dhcp"},
               "wifi":[{"radio":"5g","ssid":"home","security":"wpa2","key":"k","channel":36}]},
              {"id":"rep","name":"Repeater","room":"Attic","mode":"repeater","ports":[{"id":"lan1","role":"lan"}],"radios":[{"id":"5g","band":"5","generation":"ac"}],
               "lan":{"address":"192.168.1.2/24"},"wifi":[{"radio":"5g","ssid":"home","security":"wpa2","key":"k"}],"uplink":{"radio":"5g","ssid":"home","security":"wpa2","key":"k"}}]}
            """)!, "air");
        Browser.Metrics(width, height);
        Browser.Press("Draw the floor");
        Browser.Choose("Walls", "brick");
        foreach (var (room, n) in TenRooms.Select((room, n) => (room, n + 1)))
        {
            Say(Browser, room);
            Browser.Until(() => Found()["document"]!["rooms"]?.AsArray().Count == n, room);
            Browser.Until(() => Browser.Field("Say a room: its name, width by depth, beside which one").GetAttribute("value") == "", "the field to be ready for the next");
        }
        Say(Browser, "Cellar 3 by 3 under the moon");
        Browser.UntilText("There is no room “moon” to lie under.");
        // What was typed is not lost.
        Assert.Equal("Cellar 3 by 3 under the moon", Browser.Field("Say a room: its name, width by depth, beside which one").GetAttribute("value"));
        Browser.Press("Done drawing");
        Browser.Choose("Box", "Repeater");
        Browser.Until(() => Browser.Css("section[aria-label='Where should it stand?']").Text.Contains("best, ", StringComparison.Ordinal), "the answer");
        var answer = Browser.Css("section[aria-label='Where should it stand?']").Text;
        Assert.Contains("half way, ", answer, StringComparison.Ordinal);
        Assert.Contains("metre by metre", answer, StringComparison.Ordinal);
        Browser.Until(() => (bool)Browser.Run("return document.documentElement.scrollWidth <= window.innerWidth")!, "nothing to stick out at the side");
        Assert.All(Browser.Complaints(), one => Assert.Contains("said-room", one, StringComparison.Ordinal));
    }

    [Fact]
    public void A_box_is_carried_over_the_floor_by_hand_and_by_key_and_every_room_says_what_it_would_get()
    {
        OpenDemo("Hawthorn Farm", "air");
        Stander(Browser, "Dairy repeater");
        var was = RateOf(Browser, "dairy");
        new Actions(Browser.Driver).ClickAndHold(Stander(Browser, "Dairy repeater")).MoveByOffset(-60, -10).MoveByOffset(-190, -30).Perform();
        Browser.Until(() => Browser.Has("Dairy repeater in East wing:"), "what it would be like");
        Browser.Until(() => RateOf(Browser, "dairy") > was, "the room's rate to follow");
        new Actions(Browser.Driver).Release().Perform();
        Browser.Until(() => Log()[^1].Contains("Dairy repeater stands in East wing", StringComparison.Ordinal), "the place to be written down");
        // By key: half a metre a press, Enter puts it down, Escape takes it back.
        var at = (string)Found()["document"]!["devices"]!.AsArray().Single(one => (string)one!["id"]! == "dairy")!["at"]!.ToJsonString();
        Stander(Browser, "Dairy repeater").SendKeys(Keys.ArrowLeft + Keys.ArrowLeft + Keys.Escape);
        Assert.Equal(at, Found()["document"]!["devices"]!.AsArray().Single(one => (string)one!["id"]! == "dairy")!["at"]!.ToJsonString());
        Stander(Browser, "Dairy repeater").SendKeys(Keys.ArrowLeft + Keys.ArrowLeft + Keys.Enter);
        Browser.Until(() => Found()["document"]!["devices"]!.AsArray().Single(one => (string)one!["id"]! == "dairy")!["at"]!.ToJsonString() != at, "it to be put down");
        Browser.Press("undo");
        Browser.Until(() => Found()["document"]!["devices"]!.AsArray().Single(one => (string)one!["id"]! == "dairy")!["at"]!.ToJsonString() == at, "the undo");
        Assert.Empty(Browser.Complaints());
    }

    [Fact, Trait("kind", "long")]
    public void A_room_is_drawn_moved_and_refused_where_another_lies()
    {
        OpenDemo("Hawthorn Farm", "air");
        Browser.Press("Draw");
        var floor = Browser.Css(".floor.drawing");
        Browser.Run("arguments[0].scrollIntoView({block:'center'})", floor);
        // From the top left corner of the ground: free.
        new Actions(Browser.Driver).MoveToElement(floor, -floor.Size.Width / 2 + 6, -floor.Size.Height / 2 + 6).ClickAndHold().MoveByOffset(40, 30).MoveByOffset(10, 12).Release().Perform();
        Browser.UntilText("What the household calls it");
        Browser.Field("What the household calls it").SendKeys("Porch" + Keys.Enter);
        Browser.Until(() => Found()["document"]!["rooms"]!.AsArray().Any(room => (string)room!["name"]! == "Porch"), "the porch");
        Browser.Until(() => Browser.Count("[role=dialog]") == 0, "the sheet to close");
        // Onto the kitchen it cannot go.
        var porch = Browser.Css("[data-room=porch]");
        var kitchen = Browser.Css("[data-room=kitchen]");
        var rect = (string)Found()["document"]!["rooms"]!.AsArray().Single(room => (string)room!["id"]! == "porch")!["rect"]!.ToJsonString();
        new Actions(Browser.Driver).MoveToElement(porch).ClickAndHold().MoveToElement(kitchen).Perform();
        Browser.UntilText(" is there");
        new Actions(Browser.Driver).Release().Perform();
        Assert.Equal(rect, Found()["document"]!["rooms"]!.AsArray().Single(room => (string)room!["id"]! == "porch")!["rect"]!.ToJsonString());
        // In figures too, and what cannot be is said at the field.
        var size = Browser.Css("li:has([aria-label='rub out Porch']) input");
        size.SendKeys(Keys.Control + "a");
        size.SendKeys("60 × 60" + Keys.Enter);
        Browser.UntilText("Porch would lie over");
        size.SendKeys(Keys.Escape);
        Browser.Press("rub out Porch");
        Browser.Until(() => Browser.Count("[data-room=porch]") == 0, "it to be rubbed out");
        Assert.All(Browser.Complaints(), one => Assert.Contains("deeds", one, StringComparison.Ordinal));
    }

    [Fact, Trait("kind", "long")]
    public void A_block_is_moved_to_another_channel_and_names_are_set_for_all_boxes()
    {
        OpenDemo("Hawthorn Farm", "air");
        var block = Browser.Css("button[aria-label='Channel of Workshop router']");
        block.SendKeys(Keys.ArrowLeft);
        Browser.Until(() => block.GetAttribute("aria-valuetext") == "channel 6", "the block to move");
        block.SendKeys(Keys.Enter);
        Browser.Until(() => Log()[^1].Contains("channel 6", StringComparison.Ordinal), "the channel to be set");
        Browser.Press(() => Browser.Css("section[aria-label=Names]").FindElement(By.XPath(".//*[normalize-space(text())='hawthorn, with a suffix a box']/ancestor::div[1]//button")));
        Browser.Until(() => Planned()["document"]!.ToJsonString().Contains("hawthorn-cottage", StringComparison.Ordinal), "the names");
        Browser.UntilText("as it is");
        Assert.Empty(Browser.Complaints());
    }

    [Fact, Trait("kind", "long")]
    public void What_is_measured_stands_beside_the_estimate_and_the_walls_learn_from_it()
    {
        OpenDemo("Hawthorn Farm", "air");
        Browser.Choose("Measured in", "Pantry");
        Browser.Field("It was").SendKeys("-52");
        Browser.Choose("in", "dBm");
        Browser.Choose("joined to", "Farmhouse router");
        Browser.Field("It was").SendKeys(Keys.Enter);
        Browser.UntilText("dB weaker than reckoned.");
        Browser.Press(() => Browser.ButtonStarting("Correct the walls by +"));
        Browser.UntilText("Walls are corrected by +");
        Browser.Press("take the correction back");
        Browser.Until(() => !Browser.Has("Walls are corrected by"), "the correction to go");
        Browser.Field("It was").SendKeys("fast" + Keys.Enter);
        Browser.UntilText("“fast” is no number.");
        Assert.Empty(Browser.Complaints());
    }

    [Fact]
    public void Without_a_floor_the_list_answers_and_without_rooms_the_boxes_do()
    {
        OpenDemo("Larkspur House", "air");
        Browser.UntilText("No floor is drawn");
        Assert.Equal(6, Browser.Count("ul[aria-label=Rooms] > li"));
        Browser.UntilText("Channels");
        OpenHouse(JsonNode.Parse("""{"format":"altrin.network/1","name":"Bare","devices":[{"id":"gw","name":"Gateway","mode":"router","ports":[{"id":"lan1","role":"lan"}],"radios":[{"id":"2g","band":"2.4"}],"wifi":[{"radio":"2g","ssid":"home"}],"lan":{"address":"192.168.1.1/24"}}],"endpoints":[{"id":"t","name":"Tablet","connect":{"device":"gw","port":"lan1"}}]}""")!, "air");
        Browser.UntilText("No room is listed.");
        Browser.UntilText("In which country is the house?");
        Browser.Fill("Country, two letters", "gb");
        Browser.Until(() => !Browser.Has("In which country is the house?"), "the question to be answered");
        Assert.Equal("GB", (string)Found()["document"]!["country"]!);
        Assert.Empty(Browser.Complaints());
    }

    /// <summary>Typed at the box, found to be too much, and brought back by the press of its fix, which the order then has as a step.</summary>
    [Fact]
    public void Power_is_set_at_the_box_and_too_much_of_it_is_lowered_by_a_press()
    {
        OpenHouse(JsonNode.Parse(File.ReadAllText(Path.Combine(Server.Root, "docs", "examples", "power-over-limit.json")))!, "stairs");
        Browser.Press(() => Browser.Css("[data-box=gw]"));
        Browser.Press(() => Browser.Radio("Wi-Fi"));
        Browser.Until(() => Value("Power at 5 GHz, dBm") == "30", "what was noted");
        Browser.Fill("Power at 5 GHz, dBm", "1000");
        Browser.UntilText("is no power of a radio");
        Browser.Fill("Power at 5 GHz, dBm", "29");
        Browser.UntilText("is noted to radiate 29 dBm");
        Browser.Press("Lower it to 23 dBm");
        Browser.Until(() => Planned()["findings"]!.AsArray().All(one => (string)one!["rule"]! != "power-over-limit"), "the power to be lawful");
        Browser.Press(() => Browser.Link("Work order"));
        Browser.UntilText("Wi-Fi");
        Assert.Contains(Ask($"/api/jobs/{Job}/work-order")!["order"]!["steps"]!.AsArray(), step => step!["actions"]!.AsArray().Any(action => (string)action!["do"]! == "set-radio-power"));
        Assert.All(Browser.Complaints(), one => Assert.Contains("deeds", one, StringComparison.Ordinal));
    }

    /// <summary>Made in one press, planned, kept apart, and what it costs is said.</summary>
    [Fact]
    public void A_network_for_guests_is_made_by_a_press_and_what_that_costs_is_said()
    {
        OpenDemo(stage: "air");
        Browser.UntilText("Nobody makes a network for guests.");
        Browser.Press("Make it for guests");
        Browser.UntilText("They are kept apart.");
        Browser.Until(() => Browser.Css("section[aria-label='The last change']").Text.Contains("1 setting more.", StringComparison.Ordinal), "the cost of it");
        var guest = Planned()["document"]!["devices"]!.AsArray().SelectMany(box => box!["wifi"]?.AsArray() ?? []).Where(one => (bool?)one!["guest"] == true).ToList();
        Assert.All(guest, one => Assert.Equal("larkspur-guests", (string)one!["ssid"]!));
        Assert.NotEmpty(guest);
        Browser.Press("undo");
        Browser.UntilText("Nobody makes a network for guests.");
        Assert.Equal(0, Browser.Count("section[aria-label='The last change']"));
        Assert.Empty(Browser.Complaints());
    }
}
