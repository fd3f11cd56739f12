using System.Diagnostics;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Interactions;

namespace Altrin.Browser.Tests;

/// <summary>A real browser without a window. Finds things by role and words, and waits as a person waits.</summary>
public sealed class Browser : IDisposable
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(45);

    /// <summary>A choice of a list is seen where the list is.</summary>
    private const string IsShown = "const isShown = (it) => { const one = it.closest('select') ?? it; return one.checkVisibility({ visibilityProperty: true, opacityProperty: true }) && one.getClientRects().length > 0 };";

    private readonly Seat seat;
    private readonly ChromeDriver driver;

    public Browser(int width = 1280, int height = 800, bool isPhone = false)
    {
        seat = Seat.Take(width, height, isPhone);
        driver = seat.Driver;
        if (!isPhone) Metrics(width, height);
    }

    public string Url => driver.Url;

    public void Go(string address) => driver.Navigate().GoToUrl(address);

    public void Metrics(int width, int height) => driver.ExecuteCdpCommand("Emulation.setDeviceMetricsOverride",
        new() { ["width"] = width, ["height"] = height, ["deviceScaleFactor"] = 1, ["mobile"] = false });

    public IWebElement Button(string words) => Find($"//button[normalize-space(.)={Quote(words)} or @aria-label={Quote(words)}]");
    public IWebElement ButtonStarting(string words) =>
        Find($"//button[starts-with(normalize-space(.),{Quote(words)}) or starts-with(@aria-label,{Quote(words)})]");
    public IWebElement Radio(string words) => Find($"//label[.//input[@type='radio'] and normalize-space(.)={Quote(words)}]");
    public IWebElement Label(string words) => Find($"//label[.//*[normalize-space(.)={Quote(words)}]]");
    public IWebElement Link(string words) => Find($"//a[contains(normalize-space(.),{Quote(words)})]");
    public IWebElement Field(string label) => Find($"id(//label[normalize-space(.)={Quote(label)}]/@for)");
    public IWebElement FieldInSheet(string label) => Find($"id(//*[@role='dialog']//label[normalize-space(.)={Quote(label)}]/@for)");
    public IWebElement Css(string selector) => Wait(() => (IWebElement?)driver.ExecuteScript(
        $"{IsShown} return [...document.querySelectorAll(arguments[0])].find(isShown)", selector), selector);

    /// <summary>Is it said anywhere on the page, where it can be seen? One question to the page, however large: only what holds the words
    /// is gone into.</summary>
    public bool Has(string words) => (bool)driver.ExecuteScript($$"""
        {{IsShown}}
        const words = arguments[0]
        const says = (one) => one.textContent.replace(/[ \t\r\n]+/g, ' ').includes(words)
        const look = (one) => {
          const within = [...one.children].filter(says)
          return within.length ? within.some(look) : isShown(one)
        }
        return says(document.body) && look(document.body)
        """, words)!;

    /// <summary>How many are shown, counted in the page at one instant: it may redraw between two questions.</summary>
    public int Count(string selector) => (int)(long)driver.ExecuteScript(
        $"{IsShown} return [...document.querySelectorAll(arguments[0])].filter(isShown).length", selector)!;

    /// <summary>Presses it as soon as it is there and can be pressed, though the page may redraw in between.</summary>
    public void Press(Func<IWebElement> what) => Until(() =>
    {
        var found = what();
        if (!found.Enabled) return false;
        // As a hand goes to it: what only came to lie under the pointer takes no press yet.
        new Actions(driver).MoveToLocation(1, 1).Perform();
        found.Click();
        return true;
    }, "something to press");

    public void Press(string button) => Press(() => Button(button));

    public void Keys(string keys) => new Actions(driver).SendKeys(keys).Perform();

    public void Chord(string modifiers, string key)
    {
        var press = new Actions(driver);
        foreach (var modifier in modifiers) press.KeyDown(modifier.ToString());
        press.SendKeys(key);
        foreach (var modifier in modifiers) press.KeyUp(modifier.ToString());
        press.Perform();
    }

    public void Fill(string label, string text)
    {
        var field = Field(label);
        field.SendKeys(OpenQA.Selenium.Keys.Control + "a");
        field.SendKeys(text + OpenQA.Selenium.Keys.Enter);
    }

    /// <summary>Puts a text of several lines into a field at once, as a paste does.</summary>
    public void Put(string label, string text) =>
        Run("arguments[0].focus(); arguments[0].select(); document.execCommand('insertText', false, arguments[1])",
        Css($"[aria-label='{label}']"), text);

    public void Choose(string label, string option) =>
        Press(() => Field(label).FindElement(By.XPath($".//option[normalize-space(.)={Quote(option)}]")));

    public IWebDriver Driver => driver;

    public void Drag(IWebElement from, IWebElement to) =>
        new Actions(driver).MoveToElement(from).ClickAndHold().MoveToElement(to).Release().Perform();

    public void Until(Func<bool> holds, string what)
    {
        var patience = Stopwatch.StartNew();
        var last = "";
        while (true)
        {
            try
            {
                if (holds()) return;
            }
            catch (Exception exception) when (exception is StaleElementReferenceException or ElementClickInterceptedException or NoSuchElementException or ElementNotInteractableException)
            {
                // The page is being redrawn.
                last = $" At last: {exception.Message.Split('\n')[0]}.";
            }
            if (patience.Elapsed > Patience) Assert.Fail($"Waited in vain for {what}.{last} The page says: {Shorten(driver.FindElement(By.TagName("body")).Text)}");
            Thread.Sleep(40);
        }
    }

    public void UntilText(string words) => Until(() => Has(words), words);

    public object? Run(string script, params object[] arguments) => driver.ExecuteScript(script, arguments);
    public object? RunAsync(string script, params object[] arguments) => driver.ExecuteAsyncScript(script, arguments);

    public void Picture(string file) => driver.GetScreenshot().SaveAsFile(file);

    /// <summary>Every answer takes so much longer.</summary>
    public void Delay(int milliseconds)
    {
        driver.ExecuteCdpCommand("Network.enable", []);
        driver.ExecuteCdpCommand("Network.emulateNetworkConditions",
            new() { ["offline"] = false, ["latency"] = milliseconds, ["downloadThroughput"] = -1, ["uploadThroughput"] = -1 });
    }

    /// <summary>The page as it prints, as PDF.</summary>
    /// <param name="width">Of the paper, in inches.</param>
    public byte[] Printed(double width, double height) =>
        Convert.FromBase64String((string)((Dictionary<string, object>)driver.ExecuteCdpCommand(
        "Page.printToPDF", new Dictionary<string, object?> { ["paperWidth"] = width, ["paperHeight"] = height })!)["data"]);

    public void Cdp(string command, Dictionary<string, object?> arguments) => driver.ExecuteCdpCommand(command, arguments);

    /// <summary>A tab beside this one, which then is the one that is driven.</summary>
    public void NewTab() => driver.SwitchTo().NewWindow(WindowType.Tab);

    /// <summary>Closes the tab that was opened first, as it stands.</summary>
    public void CloseFirstTab()
    {
        var last = driver.WindowHandles[^1];
        driver.SwitchTo().Window(driver.WindowHandles[0]).Close();
        driver.SwitchTo().Window(last);
    }

    public void AcceptLeaving()
    {
        try { driver.SwitchTo().Alert().Accept(); }
        catch (NoAlertPresentException) { /* nothing was asked */ }
    }

    /// <summary>What has the focus, by its words.</summary>
    public string Focus =>
        (string)Run("const e = document.activeElement; return e === document.body ? 'nothing' : (e.getAttribute('aria-label') || e.dataset.box || e.dataset.thing || e.dataset.socket || e.id && document.querySelector(`label[for=\"${e.id}\"]`)?.innerText || e.innerText || e.tagName).trim()")!;

    public IReadOnlyList<string> Complaints() => [.. driver.Manage().Logs.GetLog(LogType.Browser)
        .Where(entry => entry.Level == LogLevel.Severe && !entry.Message.Contains("status of 4", StringComparison.Ordinal)
            // A server that was stopped on purpose ends the answer that never ends.
            && !entry.Message.Contains("/api/changes - Failed to load resource: net::", StringComparison.Ordinal)).Select(entry =>
                entry.Message)];

    public void Dispose() => seat.Leave();

    private IWebElement Find(string path) => Wait(() => (IWebElement?)driver.ExecuteScript($$"""
        {{IsShown}}
        const found = document.evaluate(arguments[0], document, null, XPathResult.ORDERED_NODE_SNAPSHOT_TYPE, null)
        for (let i = 0; i < found.snapshotLength; i++) if (isShown(found.snapshotItem(i))) return found.snapshotItem(i)
        """, path), path);

    private IWebElement Wait(Func<IWebElement?> look, string what)
    {
        IWebElement? found = null;
        Until(() => (found = look()) is not null, what);
        return found!;
    }

    private static string Quote(string words) => words.Contains('\'', StringComparison.Ordinal) ? $"\"{words}\"" : $"'{words}'";
    private static string Shorten(string text) => text.Length > 1600 ? text[..1600] : text;
}
