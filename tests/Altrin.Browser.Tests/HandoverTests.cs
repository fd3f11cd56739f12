using System.Text.Json.Nodes;
using UglyToad.PdfPig;
using UglyToad.PdfPig.Content;

namespace Altrin.Browser.Tests;

/// <summary>The end of a job: what is printed, read back from the PDF by a reader that did not make it; files, cards, labels, a table that
/// comes in.</summary>
public sealed class HandoverTests : HandTest
{
    /// <summary>Paper in inches.</summary>
    private string Printed(double width, double height)
    {
        using var pdf = PdfDocument.Open(Browser.Printed(width, height));
        return string.Join('\n', pdf.GetPages().Select(page => string.Join(' ', page.GetWords().Select(word => word.Text))));
    }

    [Theory]
    [InlineData(8.27, 11.69)]   // A4
    [InlineData(8.5, 11)]       // Letter
    public void Both_sheets_print_and_nothing_else_does(double width, double height)
    {
        OpenDemo(stage: "handover");
        Browser.UntilText("Your Wi-Fi");
        var household = Printed(width, height);
        Assert.Contains("Switch Hall gateway off, wait ten seconds", household, StringComparison.Ordinal);
        Assert.Contains("Whom to call", household, StringComparison.Ordinal);
        // Neither the frame of the page nor the verdict is on the paper.
        foreach (var screen in new[] { "Fault finding", "Export", "Findings", "wants hold" }) Assert.DoesNotContain(screen, household,
            StringComparison.Ordinal);
        Browser.Press(() => Browser.Label("For the next installer"));
        Browser.UntilText("Still missing");
        var record = Printed(width, height);
        foreach (var head in new[] { "The chain", "The boxes", "Wants", "Tested and seen", "Left alone", "Cautions", "Good to know",
            "For the next installer" })
            Assert.Contains(head, record, StringComparison.Ordinal);
        Assert.Contains("LAN 3: Studio router, WAN", record, StringComparison.Ordinal);
        Assert.DoesNotContain("Still missing", record, StringComparison.Ordinal);
        Assert.Empty(Browser.Complaints());
    }

    [Theory]
    [InlineData(1280)]
    [InlineData(390)]
    public void A_table_comes_back_and_is_taken_and_undone(int width)
    {
        Browser.Metrics(width, 844);
        OpenHouse(JsonNode.Parse(File.ReadAllText(Path.Combine(Server.Root, "docs", "examples", "healthy.json")))!, "handover?step=in");
        Browser.UntilText("What would it change?");
        Browser.Run("const e = arguments[0]; e.focus(); document.execCommand('insertText', false, arguments[1])", Browser.Css("textarea"),
            "id;name;firmware\ngw;Hub in the hall;9.1\nnobody;X;1\n");
        Browser.Press("What would it change?");
        Browser.UntilText("2 changes");
        Assert.True(Browser.Has("No box of the house has this id, “nobody”."));
        Browser.Press("Take all");
        Browser.UntilText("no changes");
        Assert.Equal("Hub in the hall", (string)Found()["document"]!["devices"]![0]!["name"]!);
        Browser.Press("undo");
        Browser.Until(() => (string)Found()["document"]!["devices"]![0]!["name"]! == "Hall gateway", "the name before");
        Assert.Empty(Browser.Complaints());
    }

    /// <summary>What the page saves is what another laptop brings in: here the same one, as a new job.</summary>
    [Fact]
    public void A_job_file_leaves_and_comes_in_as_a_new_job()
    {
        OpenDemo(stage: "handover?step=out");
        Browser.Press(() => Browser.Label("With passwords, sealed by a phrase"));
        Browser.Fill("Phrase", "short");
        Browser.Press("Save the job file");
        Browser.UntilText("Write a phrase of 12 to 200 letters");
        var file = Path.Combine(Directory.CreateTempSubdirectory("altrin-test-").FullName, "larkspur.altrin");
        File.WriteAllBytes(file, Post($"/api/jobs/{Job}/job-file",
            """{ "withPhotos": true, "phrase": "four words that do not belong" }"""));
        Browser.Go(Server.Address);
        Browser.UntilText("Begin an empty house");
        Browser.Driver.FindElement(OpenQA.Selenium.By.CssSelector("input[aria-label='Document to bring in']")).SendKeys(file);
        Browser.Fill("Its phrase, if it has passwords", "four words that do not belong");
        Browser.Press("Import it");
        Browser.UntilText("The street");
        Assert.NotEqual(Job, Browser.Url.Split("/job/")[1].Split('/')[0]);
        Assert.Equal(2, Ask("/api/jobs")!.AsArray().Count(job => (string)job!["name"]! == "Larkspur House"));
        Assert.Empty(Browser.Complaints());
    }

    [Fact]
    public void A_file_is_looked_at_and_cards_and_labels_are_made()
    {
        OpenDemo(stage: "handover?step=out");
        Browser.Press(() => Browser.Css("[data-kind='boxes.csv'] button"));
        Browser.Until(() => Browser.Count("[data-preview]") == 1 && Browser.Has("gw,Hall gateway"), "the table");
        Assert.True(Browser.Has("needs a plan"));
        Browser.Press(() => Browser.Label("Wi-Fi cards"));
        Browser.Press("Make the cards");
        Browser.Until(() => Browser.Count("[data-card]") == 2, "two cards");
        Assert.True(Browser.Has("Password: ________"));
        Browser.Press(() => Browser.Label("Labels"));
        Browser.Until(() => Browser.Count("[data-label]") == 4, "four labels");
        var sheet = Printed(8.27, 11.69);
        Assert.Equal(2, sheet.Split("Hall gateway LAN 3").Length - 1);
        Assert.Empty(Browser.Complaints());
    }
}
