using System.Globalization;
using OpenQA.Selenium.Chrome;

namespace Altrin.Browser.Tests;

/// <summary>Eight hours at the page in some minutes: renamed, undone, every stage looked at, sheets opened and closed. Nothing piles up in it.</summary>
public sealed class LongUseTests : HandTest
{
    private static readonly string[] Stages = ["Visit", "Wants", "Addresses", "Air", "Options", "Work order", "Stairs"];

    /// <summary>What runs by itself, counted from the first script of the page on.</summary>
    private const string CountTimers = """
        const live = new Set(), { setInterval: start, clearInterval: end } = window
        window.setInterval = (...it) => { const id = start(...it); live.add(id); return id }
        window.clearInterval = (id) => { live.delete(id); end(id) }
        window.runningTimers = () => live.size
        """;

    [Theory]
    [InlineData(4)]
    // A change a minute for eight hours.
    [InlineData(480, Traits = ["kind", "long"])]
    public void A_long_day_leaves_the_page_as_it_was(int rounds)
    {
        Browser.Cdp("Page.addScriptToEvaluateOnNewDocument", new() { ["source"] = CountTimers });
        OpenDemo();
        // All that is fetched and kept once is there: every stage and sheet has been looked at, and most of what runs often is compiled.
        var first = 4 + rounds / 10;
        for (var n = 0; n < first; n++) Work(n);
        var before = Look();
        for (var n = 0; n < rounds; n++) Work(n + first);
        var after = Look();
        var report = $"{rounds} rounds: {before} before, {after} after";
        TestContext.Current.SendDiagnosticMessage(report);
        // Some of it the browser frees when it likes: a leak of a round's worth is far above this.
        Assert.True(after.Megabytes < before.Megabytes * 1.15 + 2, report);
        Assert.True(after.Nodes < before.Nodes * 1.2 + 300, report);
        Assert.True(after.Listeners < before.Listeners * 1.1 + 50, report);
        Assert.True(after.Timers <= before.Timers, report);
        Assert.Empty(Browser.Complaints());
    }

    private void Work(int round)
    {
        Click("document.querySelector('[data-box=studio]')");
        Until("document.querySelector('[data-panel] label')");
        Browser.Run("const field = [...document.querySelectorAll('label')].find((one) => one.textContent === 'Name').control; field.focus(); field.select(); document.execCommand('insertText', false, arguments[0])", $"Studio box {round}");
        Browser.Keys(Enter);
        Until($"document.querySelector('[data-box=studio]').textContent.includes('Studio box {round}')");
        Browser.Keys(Escape);
        if (round % 2 == 0) Browser.Chord(OpenQA.Selenium.Keys.Control, "z");
        foreach (var stage in Stages)
        {
            Click($"[...document.querySelectorAll('nav[aria-label=Stages] a')].find((one) => one.textContent.includes('{stage}'))");
            Until($"document.querySelector('nav[aria-label=Stages] [aria-current=page]').textContent.includes('{stage}') && document.querySelector('main h2')");
        }
        foreach (var sheet in new[] { "Who reaches whom", "log" }) Sheet(() => Click($"[...document.querySelectorAll('button')].find((one) => one.textContent === '{sheet}' && one.checkVisibility())"));
        Sheet(() => Browser.Keys("/"));
    }

    private void Sheet(Action open)
    {
        open();
        Until("document.querySelector('[role=dialog] h2')");
        Browser.Keys(Escape);
        Until("!document.querySelector('[role=dialog]')");
    }

    /// <summary>By a script alone: what is handed to the driver is held by it, and would be counted as what the page holds.</summary>
    private void Click(string what) => Until($"(() => {{ const one = {what}; one?.click(); return !!one }})()");

    private void Until(string holds) => Browser.Until(() => (bool)Browser.Run($"try {{ return !!({holds}) }} catch {{ return false }}")!, holds);

    private sealed record Weight(double Megabytes, double Nodes, double Listeners, long Timers)
    {
        public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"{Megabytes:0.0} MB, {Nodes} nodes, {Listeners} listeners, {Timers} timers");
    }

    /// <summary>After what nobody holds any more is gone.</summary>
    private Weight Look()
    {
        var driver = (ChromeDriver)Browser.Driver;
        Browser.Cdp("Performance.enable", []);
        for (var n = 0; n < 2; n++) Browser.Cdp("HeapProfiler.collectGarbage", []);
        var metrics = ((IEnumerable<object>)((Dictionary<string, object>)driver.ExecuteCdpCommand("Performance.getMetrics", [])!)["metrics"])
            .Cast<Dictionary<string, object>>().ToDictionary(one => (string)one["name"], one => Convert.ToDouble(one["value"], CultureInfo.InvariantCulture));
        return new(metrics["JSHeapUsedSize"] / (1 << 20), metrics["Nodes"], metrics["JSEventListeners"], (long)Browser.Run("return window.runningTimers()")!);
    }
}
