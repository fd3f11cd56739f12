using OpenQA.Selenium;

namespace Altrin.Browser.Tests;

/// <summary>A phone beside the laptop: it joins, both see what either does, and it goes on alone while the laptop is away.</summary>
public sealed class PhoneTests : HandTest
{
    private readonly Browser phone = new(390, 844, isPhone: true);

    public PhoneTests() : base(share: true) { }

    private string MakeCode()
    {
        Browser.Press("Make a code");
        return Browser.Css("[data-testid=join-code]").Text;
    }

    private void Join()
    {
        Browser.Press("phone");
        phone.Go($"{Server.Door}/job/{Job}/work?side=planned");
        phone.UntilText("The laptop lets this phone in by a code");
        phone.Field("Code").SendKeys("AAAAA AAAAA" + Keys.Enter);
        phone.UntilText("This code is not the one on the laptop");
        phone.Field("Code").Clear();
        phone.Field("Code").SendKeys(MakeCode().ToLowerInvariant());
        phone.Field("What this phone is called there (as you like)").SendKeys("Blue phone" + Keys.Enter);
        phone.UntilText("Jobs");
        Browser.UntilText("Blue phone");
        Browser.Press("Close");
        phone.Go($"{Server.Door}/job/{Job}/work?side=planned");
    }

    [Fact]
    public void What_either_does_the_other_sees_and_an_ended_session_ends()
    {
        OpenDemo();
        Join();
        phone.UntilText("Nothing to do yet");
        Browser.Press("Move Study printer to 192.168.31.2");
        // Nobody reloads anything.
        phone.Css("section[aria-label='Step 1']");
        phone.Go($"{Server.Door}/job/{Job}/stairs?side=planned");
        phone.Press("undo");
        Browser.UntilText("2 of 7 wants hold");
        Assert.Null(Planned()["undo"]);

        Browser.Press("phone");
        Browser.Press("End the session of Blue phone");
        Browser.UntilText("Nobody yet.");
        phone.Go($"{Server.Door}/");
        phone.UntilText("The laptop lets this phone in by a code");
        Assert.Empty(Browser.Complaints());
    }

    [Fact]
    public void The_phone_goes_on_alone_and_hands_everything_in()
    {
        OpenDemo();
        Browser.Press("Make Studio router an access point by hand");
        Browser.UntilText("Planned:");
        Join();
        phone.Css("section[aria-label='Step 1']");

        Server.Stop();
        phone.Press("Seen as said");
        phone.Css("section[aria-label='Step 2']");
        phone.UntilText("The laptop is away. Keep this page open.");
        var note = phone.Css("#note");
        note.SendKeys("lamp green at the second try");
        phone.Driver.FindElement(By.CssSelector("input[type=file]")).SendKeys(Path.Combine(Server.Root, "docs", "screenshots", "visit.png"));
        phone.UntilText("1 picture to be handed in.");
        phone.Press("Seen as said");
        phone.Css("section[aria-label='Step 3']");
        phone.Press("Seen as said");
        phone.Css("section[aria-label='Step 4']");

        Server.Start();
        phone.Until(() => !phone.Has("The laptop is away"), "the laptop to be there again");
        var order = Ask($"/api/jobs/{Job}/work-order")!;
        phone.Until(() => Ask($"/api/jobs/{Job}/work-order")!["ticks"]!.AsArray().Count(tick => (string)tick!["outcome"]! == "as-said") == 3, "three ticks to be handed in");
        var second = (string)order["order"]!["steps"]![1]!["key"]!;
        Assert.Equal("lamp green at the second try", (string)Ask($"/api/jobs/{Job}/work-order")!["ticks"]!.AsArray().Single(tick => (string)tick!["stepKey"]! == second)!["note"]!);
        phone.Until(() => Ask($"/api/jobs/{Job}/photos")!.AsArray().Count == 1, "the picture to be handed in");
        Assert.Equal(second, (string)Ask($"/api/jobs/{Job}/photos")![0]!["subject"]!);
        // And the laptop, which was ended and started, shows it.
        Browser.Press(() => Browser.Link("Work order"));
        Browser.UntilText("3 of ");
    }

    [Fact, Trait("kind", "long")]
    public void What_waits_is_taken_along_to_the_laptop_at_another_address()
    {
        OpenDemo();
        Browser.Press("Make Studio router an access point by hand");
        Browser.UntilText("Planned:");
        Join();
        phone.Css("section[aria-label='Step 1']");
        Server.Stop();
        phone.Css("#note").SendKeys("the lamp was red");
        phone.Press("Seen as said");
        phone.Css("section[aria-label='Step 2']");
        phone.UntilText("The laptop is away. Keep this page open.");
        phone.UntilText("2 changes wait for it.");

        Server.DoorAddress = "127.0.0.2";
        Server.Start();
        Browser.Press("phone");
        Browser.UntilText("127.0.0.2");
        phone.Press("Elsewhere?");
        phone.Field("Its address now").SendKeys("127.0.0.300" + Keys.Enter);
        phone.UntilText("is no address. Write it as the laptop shows it");
        phone.Field("Its address now").Clear();
        phone.Field("Its address now").SendKeys("127.0.0.2" + Keys.Enter);
        phone.UntilText("The laptop lets this phone in by a code");
        Assert.StartsWith(Server.Door, phone.Url, StringComparison.Ordinal);
        Assert.Empty(Ask($"/api/jobs/{Job}/work-order")!["ticks"]!.AsArray());
        phone.Field("Code").SendKeys(MakeCode() + Keys.Enter);
        phone.UntilText("this phone noted: 1 step seen as said, 1 note.");
        Assert.DoesNotContain("carried", phone.Url, StringComparison.Ordinal);
        Assert.Empty(Ask($"/api/jobs/{Job}/work-order")!["ticks"]!.AsArray());
        phone.Press("Take it in");
        phone.Until(() => Ask($"/api/jobs/{Job}/work-order")!["ticks"]!.AsArray() is [var tick] && (string)tick!["outcome"]! == "as-said" && (string)tick["note"]! == "the lamp was red", "the tick and the note");
        Assert.Equal(0, phone.Count("[role=dialog]"));
    }

    /// <summary>A guest of the household sees what is done, and is told why nothing he presses does anything.</summary>
    [Fact]
    public void Who_was_let_in_to_look_sees_all_and_changes_nothing()
    {
        OpenDemo();
        Browser.Press("phone");
        Browser.Press(() => Browser.Css("[role=dialog] label"));
        Browser.Press("Make a code");
        Browser.UntilText("Who joins by it may look and change nothing.");
        var code = Browser.Css("[data-testid=join-code]").Text;
        phone.Go(Server.Door);
        phone.Field("Code").SendKeys(code + Keys.Enter);
        phone.Press(() => phone.Link("Larkspur House"));
        phone.UntilText("This phone looks on");
        phone.Press(() => phone.Link("Wants"));
        phone.Press("remove");
        phone.UntilText("This phone may look and change nothing.");
        Assert.Equal(7, Found()["document"]!["needs"]!.AsArray().Count);
        Assert.Equal(0, phone.Count("button[aria-label=Copies]"));
        // What would change something is not open to be changed; what only shows is.
        phone.Press(() => phone.Link("Stairs"));
        phone.Press(() => phone.Css("[data-box=gw]"));
        phone.Until(() => phone.Field("Name").GetAttribute("readonly") is not null, "the field to be closed");
        Assert.Equal("", phone.Run("return [...document.querySelectorAll('[data-panel] input:not([readonly]):not([disabled]):not([type=radio])')].filter((one) => one.checkVisibility()).map((one) => one.labels?.[0]?.textContent ?? one.type).join()"));
        Assert.Equal(0, phone.Count("[data-panel] select:not([disabled])"));
        phone.Press(() => phone.Radio("WAN"));
        phone.Field("WAN address");
        Browser.UntilText("looks only");
    }

    protected override void Leave() => phone.Dispose();
}
