using System.Diagnostics;
using OpenQA.Selenium;

namespace Altrin.Browser.Tests;

/// <summary>Somebody without a pointer: whatever is pressed is counted, and nothing is reached but by key.</summary>
public sealed class Typist(Browser browser)
{
    private const int MostStops = 90;

    private static readonly TimeSpan OneWord = TimeSpan.FromSeconds(1.1);

    private readonly Stopwatch word = Stopwatch.StartNew();
    private int lastSaid;
    private string lastList = "";

    public int Keys { get; private set; }

    /// <summary>Where the keys went, for whoever wants fewer.</summary>
    public List<string> Spent { get; } = [];

    public void Key(string keys)
    {
        Keys += keys.Length;
        browser.Keys(keys);
    }

    public void Chord(string modifier, string key)
    {
        Keys += 2;
        browser.Chord(modifier, key);
    }

    /// <summary>By the Tab key to what is called so; letters and arrows are for what is within.</summary>
    public void To(string name) => To(() => Called(name), name);

    public void To(Func<bool> isThere, string what)
    {
        for (var n = 0; n < MostStops; n++)
        {
            if (isThere()) return;
            Key(OpenQA.Selenium.Keys.Tab);
        }
        Assert.Fail($"No {what} within {MostStops} presses of Tab; at last {browser.Focus}.");
    }

    /// <summary>One stop back: Shift and Tab.</summary>
    public void Back()
    {
        Keys += 2;
        browser.Chord(OpenQA.Selenium.Keys.Shift, OpenQA.Selenium.Keys.Tab);
    }

    private bool Called(string name) => browser.Focus is var focus && (focus == name || name.EndsWith('…') && focus.StartsWith(name[..^1], StringComparison.Ordinal));

    /// <summary>Goes to a list and chooses by the first letters.</summary>
    public void Pick(string list, string letters, string chosen)
    {
        To(list);
        Letters(letters);
        browser.Until(() => ((string)browser.Run("const e = document.activeElement; return e.selectedOptions[0].text")!).StartsWith(chosen, StringComparison.Ordinal), $"{list} to say {chosen}");
    }

    /// <summary>Along a list of links from where the focus is, by the arrows or from its ends.</summary>
    public void Along(int from, int to, int count)
    {
        (string Start, int At)[] ways = [("", from), (OpenQA.Selenium.Keys.Home, 0), (OpenQA.Selenium.Keys.End, count - 1)];
        var (start, at) = ways.MinBy(way => way.Start.Length + Math.Abs(to - way.At));
        if (start.Length > 0) Key(start);
        for (var n = 0; n < Math.Abs(to - at); n++) Key(to > at ? OpenQA.Selenium.Keys.ArrowDown : OpenQA.Selenium.Keys.ArrowUp);
    }

    /// <summary>Goes to a list, by first letters near to what is chosen, and on by the arrows.</summary>
    public void Down(string list, string chosen, string letters = "")
    {
        To(list);
        browser.Until(() => (bool)browser.Run("return [...document.activeElement.options].some((one) => one.text.startsWith(arguments[0]))", chosen)!, $"{chosen} in {list}");
        Letters(letters);
        var steps = (long)browser.Run("const e = document.activeElement; return [...e.options].findIndex((one) => one.text.startsWith(arguments[0])) - e.selectedIndex", chosen)!;
        for (var n = 0; n < Math.Abs(steps); n++) Key(steps > 0 ? OpenQA.Selenium.Keys.ArrowDown : OpenQA.Selenium.Keys.ArrowUp);
        browser.Until(() => ((string)browser.Run("return document.activeElement.selectedOptions[0].text")!).StartsWith(chosen, StringComparison.Ordinal), $"{list} to say {chosen}");
    }

    /// <summary>Goes to a field and writes over what stands there.</summary>
    public void Write(string field, string text)
    {
        To(field);
        Key(text);
    }

    /// <summary>First letters of an entry. A list takes those that it gets within a second for one word.</summary>
    public void Letters(string letters)
    {
        if (letters.Length == 0) return;
        var list = browser.Focus;
        if (list == lastList && word.Elapsed < OneWord) Thread.Sleep(OneWord - word.Elapsed);
        Key(letters);
        word.Restart();
        lastList = list;
    }

    /// <summary>A text from the clipboard: Ctrl+V.</summary>
    public void Paste(string text)
    {
        Keys += 2;
        browser.Cdp("Input.insertText", new() { ["text"] = text });
    }

    public void Note(string what)
    {
        Spent.Add($"{what} {Keys - lastSaid}");
        lastSaid = Keys;
    }
}
