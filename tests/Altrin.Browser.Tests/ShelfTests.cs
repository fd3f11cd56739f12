using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace Altrin.Browser.Tests;

/// <summary>Boxes from the shelf put onto the Stairs by hand, and several things set at once.</summary>
public sealed class ShelfTests : HandTest
{
    /// <summary>A box was put into the house, and its panel comes.</summary>
    private bool isOpen;

    private void OpenShelf(string name)
    {
        // The panel of the last one lies over the button.
        if (isOpen) ClosePanel();
        isOpen = false;
        Browser.Press("Add a box or a thing");
        Browser.Css("select");
        Browser.Choose("What is it?", "Switch, 5 sockets");
        Browser.Field("Name").SendKeys(Keys.Control + "a");
        Browser.Field("Name").SendKeys(name);
    }

    private void ClosePanel()
    {
        Browser.Css("[data-panel]");
        Browser.Keys(Escape);
        Browser.Until(() => Browser.Count("[data-panel]") == 0, "the panel to close");
    }

    private string PlugOf(string name)
    {
        var house = Found()["document"]!;
        var id = (string)house["devices"]!.AsArray().Single(box => (string)box!["name"]! == name)!["id"]!;
        var cable = house["cables"]!.AsArray().SingleOrDefault(one => (string)one!["b"]!["device"]! == id);
        return cable is null ? "on the table" : $"{cable["a"]!["device"]}/{cable["a"]!["port"]}";
    }

    [Fact]
    public void A_kind_in_the_hand_is_pressed_into_a_socket_onto_a_step_or_put_on_the_table()
    {
        OpenDemo();
        OpenShelf("Switch one");
        Browser.Press("Take it in hand");
        Browser.UntilText("Switch one is in your hand");
        Browser.Press(() => Browser.Css("[data-socket='gw/lan1']"));
        Browser.UntilText("is taken. Choose a free socket.");
        Browser.Press(() => Browser.Css("[data-socket='gw/lan4']"));
        Browser.Until(() => Log()[^1].Contains("Add Switch one, plugged into", StringComparison.Ordinal), "the box to be there");
        Assert.Equal("gw/lan4", PlugOf("Switch one"));
        Browser.Until(() => (bool)Browser.Run("return document.activeElement.matches('[data-box]')")!, "the focus to be on the new box");
        // One step of undo for box and cable.
        Browser.Press("undo");
        Browser.Until(() => !Browser.Has("Switch one"), "the undo");
        Browser.Until(() => Browser.Count("[data-panel]") == 0, "its panel to go with it");

        // By key alone: onto a step.
        OpenShelf("Switch two");
        Browser.Css("[role=dialog]").FindElement(By.XPath(".//button[.='Take it in hand']")).SendKeys(Keys.Enter);
        Browser.UntilText("Switch two is in your hand");
        // The hand goes on by key, as to the button: what it met on the way takes no press yet.
        Browser.Keys(Tab);
        Browser.Button("Plug it in there").SendKeys(Keys.Enter);
        Browser.Until(() => Log()[^1].Contains("Add Switch two, plugged into", StringComparison.Ordinal), "the second box");
        isOpen = true;
        Assert.StartsWith("gw/", PlugOf("Switch two"), StringComparison.Ordinal);

        OpenShelf("Switch three");
        Browser.Press("Take it in hand");
        Browser.Press("Put it on the table");
        Browser.Until(() => Log()[^1].Contains("Switch three", StringComparison.Ordinal), "the third box");
        isOpen = true;
        Assert.Equal("on the table", PlugOf("Switch three"));

        OpenShelf("Switch four");
        Browser.Press("Take it in hand");
        Browser.Keys(Escape);
        Browser.Until(() => !Browser.Has("is in your hand"), "the hand to be empty");
        Assert.Empty(Browser.Complaints());
    }

    [Fact]
    public void A_kind_is_dragged_from_the_sheet_onto_a_box_and_onto_a_step()
    {
        OpenDemo();
        OpenShelf("Dragged");
        Drag(() => Browser.Css("[data-box=gw]"));
        Browser.Until(() => Log()[^1].Contains("Add Dragged, plugged into", StringComparison.Ordinal), "the box that was dragged");
        isOpen = true;
        Assert.StartsWith("gw/", PlugOf("Dragged"), StringComparison.Ordinal);
        // Let go beside everything it stays in the hand, to be put somewhere by a press.
        OpenShelf("Dropped");
        Drag(() => Browser.Css("header h1"));
        Browser.UntilText("Dropped is in your hand");
        Browser.Press("Put it back");
        Assert.False(Browser.Has("is in your hand"));

        void Drag(Func<IWebElement> to)
        {
            new Actions(Browser.Driver).MoveToElement(Browser.Button("Take it in hand")).ClickAndHold().MoveByOffset(-20, -20).Perform();
            Browser.Until(() => Browser.Count("[role=dialog]") == 0, "the sheet to close under the hand");
            new Actions(Browser.Driver).MoveToElement(to()).Release().Perform();
        }
    }

    [Fact]
    public void Several_things_are_marked_and_keep_their_addresses_or_change_their_wifi_at_once()
    {
        OpenDemo();
        var things = Found()["document"]!["endpoints"]!.AsArray().Where(thing => thing!["address"]?["method"] is null || (string)thing["address"]!["method"]! == "dhcp").Select(thing => (string)thing!["id"]!).ToList();
        Assert.True(things.Count >= 2);
        Browser.Press(() => Browser.Css($"[data-thing='{things[0]}']"));
        Browser.Press("mark several");
        foreach (var id in things.Skip(1)) Browser.Press(() => Browser.Css($"[data-thing='{id}']"));
        Browser.Press(() => Browser.Css("[aria-label='Things that are marked']").FindElement(By.XPath(".//button[starts-with(., 'Reserve ')]")));
        Browser.UntilText("Reserved for ");
        Browser.Until(() => Browser.Count("[role=group][aria-label='Things that are marked']") == 0, "the marks to go");
        var kept = Found()["document"]!["devices"]!.AsArray().Sum(box => box!["lan"]?["dhcpServer"]?["reservations"]?.AsArray().Count ?? 0);
        Assert.True(kept > 0, "No reservation was made.");
        Browser.Press("undo");
        Browser.Until(() => Found()["document"]!["devices"]!.AsArray().Sum(box => box!["lan"]?["dhcpServer"]?["reservations"]?.AsArray().Count ?? 0) < kept, "all of them undone at once");
        // With Shift a press marks at once; Esc unmarks.
        new Actions(Browser.Driver).KeyDown(Keys.Shift).Click(Browser.Css($"[data-thing='{things[0]}']")).KeyUp(Keys.Shift).Perform();
        Browser.UntilText("Put it on");
        Browser.Press("Join them");
        Browser.Until(() => Browser.Count("[role=group][aria-label='Things that are marked']") == 0, "it to be joined");
        Assert.Empty(Browser.Complaints());
    }

    [Fact]
    public void What_is_measured_today_is_noted_room_by_room()
    {
        OpenDemo(stage: "visit");
        Browser.Go($"{Server.Address}/job/{Job}/visit?step=rooms");
        Browser.Fill("Mb/s today", "38");
        Browser.Until(() => Found()["document"]!["measured"]?.AsArray() is [var one] && (double)one!["mbps"]! == 38, "the rate to be noted");
        Browser.Fill("Mb/s today", "fast");
        Browser.UntilText("is no rate. Write Mb/s, such as 38.");
    }
}
