using System.Text.Json.Nodes;

namespace Altrin.Browser.Tests;

/// <summary>Narrow windows, long names, thumbs, chosen colours, paper.</summary>
public sealed class SightTests : HandTest
{
    private const string Long = "Kitchen-tablet-of-the-eldest-daughter-with-eighty-letters-and-not-a-single-blank";
    private const string Hebrew = "מחשב הסלון של סבתא", Emoji = "👩‍🚀🛰️🏠🏠🏠";

    [Theory]
    [InlineData(320)]
    [InlineData(999)]
    public void Below_a_thousand_there_is_one_column_and_nothing_scrolls_sideways(int width)
    {
        OpenHouse(LongNames());
        Browser.Metrics(width, 700);
        foreach (var stage in new[] { "Stairs", "Wants", "Work order" })
        {
            Browser.Press(() => Browser.Css($"nav a[href*='{(stage == "Stairs" ? "stairs" : stage == "Wants" ? "wants" : "work")}']"));
            Browser.Css("main h2");
            Assert.Equal((long)width, Browser.Run("return document.documentElement.scrollWidth"));
            Assert.Equal(0, Browser.Count("aside[aria-label=Verdict]"));
            // The header keeps its name, and nothing lies beyond the edge but the picture.
            Assert.True((long)Browser.Run("return Math.round(document.querySelector('h1').getBoundingClientRect().width)")! >= 60);
            Assert.Equal("", Browser.Run("return [...document.querySelectorAll('header *, nav *, main h2, main section *')].filter((one) => one.getClientRects().length && !one.closest('.sr-only') && one.getBoundingClientRect().right > innerWidth + 1).map((one) => one.textContent.slice(0, 40)).join('|')"));
        }
        Browser.Press(() => Browser.Css("header button[aria-haspopup=dialog]"));
        Browser.UntilText("What the household wants");
    }

    [Fact]
    public void Long_and_foreign_names_are_cut_with_the_whole_at_hand()
    {
        OpenHouse(LongNames());
        foreach (var (thing, name) in new[] { ("long", Long), ("hebrew", Hebrew), ("emoji", Emoji) })
        {
            var card = $"[data-thing={thing}]";
            Assert.True((bool)Browser.Run($"const card = document.querySelector('{card}'), text = card.querySelector('[title]'); return text.title === arguments[0] && text.dir === 'auto' && text.getBoundingClientRect().right <= card.getBoundingClientRect().right && text.getBoundingClientRect().bottom <= card.getBoundingClientRect().bottom", name)!, name);
            Browser.Press(() => Browser.Css(card));
            Browser.Until(() => Value("Name") == name, name);
        }
        Browser.Keys("w");
        Browser.Css("[role=grid]");
        Assert.Equal(1280L, Browser.Run("return document.documentElement.scrollWidth"));
    }

    [Fact, Trait("source", "WCAG 2.2, success criterion 2.5.5 (44 CSS pixels)")]
    public void On_a_phone_everything_that_is_pressed_is_as_big_as_a_thumb()
    {
        using var phone = new Browser(390, 844, isPhone: true);
        void Check(string view) => Assert.Equal("", phone.Run("""
            // A switch or a segment is pressed at its label; a link's hit area may reach beyond its letters.
            const reach = (one) => { const box = (one.closest('label') ?? one).getBoundingClientRect(); const after = getComputedStyle(one, '::after'); const more = after.content !== 'none' && after.position === 'absolute' ? -parseFloat(after.top) * 2 : 0; return [box.width, box.height + more] };
            return [...document.querySelectorAll('main button, header button, nav a, nav button, header a, input, select, textarea, [role=gridcell]')]
                .filter((one) => one.getClientRects().length && getComputedStyle(one).visibility !== 'hidden' && !one.closest('.skip') && one.type !== 'file' && !one.hidden)
                .map((one) => [one.getAttribute('aria-label') ?? one.textContent.slice(0, 30), ...reach(one).map(Math.round)])
                .filter(([, w, h]) => w < 43 || h < 43).map((one) => one.join(' ')).join(' | ')
            """) is string small ? small : "nothing");
        OpenDemo(on: phone);
        Check("stairs");
        phone.Press(() => phone.Css("[data-box=studio]"));
        phone.Field("Name");
        Check("a panel");
        Assert.Equal("", phone.Run("return [...document.querySelectorAll('input[type=text], input:not([type]), select, textarea')].filter((one) => one.getClientRects().length && parseFloat(getComputedStyle(one).fontSize) < 16).map((one) => one.value).join('|')"));
        Assert.Equal(("none", "numeric"), (phone.Field("Its own address").GetAttribute("autocapitalize"), phone.Field("Lease in minutes").GetAttribute("inputmode")));
        OpenDemo(stage: "wants", on: phone);
        phone.UntilText("What the household wants");
        Check("wants");
        phone.Go(Server.Address);
        phone.UntilText("New job");
        Check("jobs");
    }

    [Fact]
    public void In_forced_colours_chosen_occupied_and_faulty_stay_apart()
    {
        OpenDemo();
        Browser.Cdp("Emulation.setEmulatedMedia", new() { ["features"] = new object[] { new Dictionary<string, object> { ["name"] = "forced-colors", ["value"] = "active" } } });
        Browser.Press(() => Browser.Css("[data-box=gw]"));
        Browser.Field("Name");
        string Colour(string selector, string what) => (string)Browser.Run($"return getComputedStyle(document.querySelector(\"{selector}\"))['{what}']")!;
        Assert.NotEqual(Colour("[data-box=gw]", "backgroundColor"), Colour("[data-box=studio]", "backgroundColor"));
        Assert.NotEqual(Colour(".socket .filled", "backgroundColor"), Colour(".socket .hole", "backgroundColor"));
        Assert.NotEqual(Colour(".edge-fault", "backgroundColor"), Colour("[data-thing=printer]", "backgroundColor"));
        Assert.NotEqual(Colour(".segments [data-state=checked]", "backgroundColor"), Colour(".segments [data-state=unchecked]", "backgroundColor"));
        Assert.NotEqual(Colour(".picture svg path", "stroke"), Colour(".picture svg rect", "fill"));
    }

    [Theory, Trait("kind", "long")]
    [InlineData("wants")]
    [InlineData("stairs")]
    [InlineData("work")]
    public void On_paper_a_stage_says_which_house_it_is_and_shows_no_button(string stage)
    {
        OpenDemo();
        Browser.Press("Make Studio router an access point by hand");
        Browser.UntilText("2 faults");
        Browser.Go($"{Server.Address}/job/{Job}/{stage}?side=planned");
        Browser.Css("main h2");
        Browser.Cdp("Emulation.setEmulatedMedia", new() { ["media"] = "print" });
        Browser.UntilText(", as planned, ");
        Assert.True(Browser.Has("Larkspur House"));
        Assert.True(Browser.Has("3 of 7 wants hold · 2 faults"));
        Assert.True(Browser.Has("Findings"));
        Assert.Equal("", Browser.Run("return [...document.querySelectorAll('button')].filter((one) => one.getClientRects().length && !one.closest('.picture')).map((one) => one.textContent).join('|')"));
    }

    [Fact, Trait("source", "WCAG 2.2, success criterion 1.4.12")]
    public void With_the_spacing_a_reader_needs_nothing_is_lost()
    {
        OpenDemo();
        Browser.Press(() => Browser.Css("[data-box=studio]"));
        Browser.Field("Name");
        Browser.Run("const style = document.createElement('style'); style.textContent = '* { line-height: 1.5 !important; letter-spacing: .12em !important; word-spacing: .16em !important } p { margin-bottom: 2em !important }'; document.head.append(style)");
        Assert.Equal(1280L, Browser.Run("return document.documentElement.scrollWidth"));
        Assert.Equal("", Browser.Run("return [...document.querySelectorAll('header button, nav a, aside button, [data-panel] button, [data-panel] label')].filter((one) => one.getClientRects().length && (one.scrollWidth > one.clientWidth + 1 || one.scrollHeight > one.clientHeight + 1) && getComputedStyle(one).overflow !== 'visible').map((one) => one.textContent).join('|')"));
    }

    private static JsonNode LongNames() => JsonNode.Parse($$"""
        { "format": "altrin.network/1", "name": "{{Long}}", "line": { "device": "gw", "port": "line" },
          "devices": [ { "id": "gw", "name": "{{Long}}", "mode": "router", "supports": ["router"], "room": "{{Long}}",
            "ports": [ { "id": "line", "role": "wan" }, { "id": "lan1", "role": "lan" }, { "id": "lan2", "role": "lan" }, { "id": "lan3", "role": "lan" } ],
            "lan": { "method": "static", "address": "192.168.31.1/24", "dhcpServer": { "enabled": true, "start": "192.168.31.100", "end": "192.168.31.199" } }, "wan": { "method": "dhcp" } } ],
          "endpoints": [ { "id": "long", "name": "{{Long}}", "connect": { "device": "gw", "port": "lan1" } }, { "id": "hebrew", "name": "{{Hebrew}}", "connect": { "device": "gw", "port": "lan2" } },
            { "id": "emoji", "name": "{{Emoji}}", "connect": { "device": "gw", "port": "lan3" } } ],
          "needs": [ { "id": "n1", "kind": "reach", "from": "long", "to": "hebrew" } ] }
        """)!;
}
