namespace Altrin.Browser.Tests;

/// <summary>Passwords and pictures on the screen.</summary>
public sealed class SecretTests : HandTest
{
    private void Studio()
    {
        OpenDemo(stage: "visit");
        Browser.Press(() => Browser.Css("ol[aria-label='Stops of the walk']").FindElement(OpenQA.Selenium.By.XPath(".//a[contains(., 'Studio router')]")));
        Browser.Field("MAC on the label");
    }

    [Fact]
    public void A_password_is_typed_once_shown_on_press_and_in_no_store_of_the_page()
    {
        Studio();
        Browser.Press(() => Browser.Css("button[aria-label='type it: Admin password']"));
        Write("Admin password, as it is", "baseball");
        Browser.Press("Keep it");
        Browser.UntilText("It is one of the passwords that are tried first.");
        Assert.False(Browser.Has("baseball"));
        Browser.Press(() => Browser.Css("button[aria-label='change: Admin password']"));
        Browser.Press("One to say");
        Browser.Until(() => Value("Admin password, as it is").Length == 24, "one to say");
        var offered = Value("Admin password, as it is");
        Browser.Press("Keep it");
        Browser.Until(() => !Browser.Has("tried first"), "nothing to speak against it");
        Browser.Press(() => Browser.Css("button[aria-label='show: Admin password']"));
        Browser.UntilText(offered);
        Browser.Press("hide");
        Browser.Until(() => !Browser.Has(offered), "it to be hidden");
        Assert.DoesNotContain(offered, (string)Browser.Run("return JSON.stringify({ ...localStorage }) + JSON.stringify({ ...sessionStorage }) + location.href")!, StringComparison.Ordinal);
        Assert.DoesNotContain(offered, Ask($"/api/jobs/{Job}")!.ToJsonString(), StringComparison.Ordinal);
        Browser.Press(() => Browser.Css("button[aria-label='forget: Admin password']"));
        Browser.UntilText("not kept yet");
    }

    [Fact]
    public void A_wifi_password_is_at_hand_in_the_work_order()
    {
        OpenDemo(stage: "options");
        Browser.UntilText("nothing better exists");
        Browser.Press(() => Browser.Css("[data-way='0'] button"));
        Browser.UntilText("all 7 wants hold");
        Browser.Go($"{Server.Address}/job/{Job}/work?side=planned");
        // After a reset its Wi-Fi has to be typed anew.
        Browser.Press(() => Browser.ButtonStarting("Boxes with a new part to play are reset first instead"));
        Browser.UntilText("Hold reset");
        var steps = Ask($"/api/jobs/{Job}/work-order?way=reset")!["order"]!["steps"]!.AsArray();
        var n = steps.ToList().FindIndex(step => step!["changes"]!.AsArray().Any(change => (bool)change!["isSecret"]!)) + 1;
        Browser.Press(() => Browser.Css($"ol[aria-label=Steps] > li:nth-child({n}) button"));
        Browser.Press(() => Browser.Css("button[aria-label^='type it: Password']"));
        var key = (string)Browser.Run("return document.querySelector('[role=group][aria-label^=Password]').getAttribute('aria-label')")!;
        Write($"{key}, as it is", "short");
        Browser.Press("Keep it");
        Browser.UntilText("A Wi-Fi password has 8 to 63 characters; this has 5.");
        Write($"{key}, as it is", "meadow-lantern-42");
        Browser.Press("Keep it");
        Browser.Press(() => Browser.Css($"button[aria-label='show: {key}']"));
        Browser.UntilText("meadow-lantern-42");
        // On the panel of the box it is the same one.
        Browser.Go($"{Server.Address}/job/{Job}/stairs?side=planned&box=studio");
        Browser.Press(() => Browser.Radio("Wi-Fi"));
        Browser.Css($"button[aria-label='show: {key}']");
    }

    [Fact]
    public void A_photograph_is_shown_large_and_its_code_is_taken_with_one_press()
    {
        Studio();
        var file = Path.Combine(Server.Data, "label.png");
        File.WriteAllBytes(file, new QRCoder.PngByteQRCode(new QRCoder.QRCodeGenerator().CreateQrCode("WIFI:T:WPA;S:setup-53A7;P:carton-key-1;;", QRCoder.QRCodeGenerator.ECCLevel.M)).GetGraphic(10));
        Browser.Driver.FindElement(OpenQA.Selenium.By.CssSelector("input[aria-label='Picture of the label of Studio router']")).SendKeys(file);
        Browser.UntilText("The code says: Wi-Fi as sold, WPA2");
        Browser.Css("img[alt='The label of Studio router']");
        Assert.False(Browser.Has("carton-key-1"));
        Browser.Press(() => Browser.Css("button[aria-label='Take it: Wi-Fi as sold, WPA2 setup-53A7']"));
        Browser.Until(() => ((string?)Box()["wifi"]?[0]?["ssid"]) == "setup-53A7", "the name");
        Assert.Equal("studio as sold", (string)Box()["wifi"]![0]!["key"]!);
        Assert.DoesNotContain("carton-key-1", Ask($"/api/jobs/{Job}")!.ToJsonString(), StringComparison.Ordinal);
        File.WriteAllText(file, "this is no picture at all");
        Browser.Driver.FindElement(OpenQA.Selenium.By.CssSelector("input[aria-label='Picture of the label of Studio router']")).SendKeys(file);
        Browser.UntilText("This is no picture that can be read. Use JPEG, PNG or WebP.");
        Browser.Press("delete this picture");
        Browser.Until(() => Browser.Count("img") == 0, "the picture to go");
        // The one refusal, and nothing else.
        Assert.DoesNotContain(Browser.Complaints(), one => !one.Contains("400", StringComparison.Ordinal));
    }

    private System.Text.Json.Nodes.JsonNode Box() => Found()["document"]!["devices"]!.AsArray().Single(box => (string)box!["id"]! == "studio")!;
}
