using System.Text.Json.Nodes;

namespace Altrin.Browser.Tests;

/// <summary>Hawthorn Farm from nothing, by key alone: pasted what is pasted on site, the rest typed, picked or left as proposed. A minute and a half: with ./altrin test --long.</summary>
public sealed class FarmByKeysTests : HandTest
{
    private const string Cable = "Its cable comes from", Over = "over", SetAs = "It is set as", Joins = "It joins";

    [Fact]
    [Trait("kind", "long")]
    public void The_farm_is_entered_from_nothing_within_600_keys()
    {
        var typist = new Typist(Browser);
        var wants = 0;
        Browser.Go(Server.Address);
        Browser.UntilText("New job");
        typist.Key("n");
        Browser.Until(() => Browser.Focus == "Name of the house", "the name");
        typist.Key("Hawthorn Farm" + Enter);
        Browser.UntilText("There is no gateway yet");
        Job = new Uri(Browser.Url).Segments[2].TrimEnd('/');
        typist.Note("job");
        Browser.Until(() => Browser.Focus.StartsWith("In which room", StringComparison.Ordinal), "the first field");
        typist.Key("entry");
        typist.Down("What kind of box stands there?", "Gateway with pass-through");
        typist.Pick("What line is it?", "f", "fibre");
        typist.Write("Mb/s down, measured", "330");
        typist.Write("Mb/s up", "50");
        typist.Key(Enter);
        Browser.UntilText("Which outside address");
        typist.Note("begin");
        // All that the laptop is shown in the kitchen.
        typist.Key("v");
        Browser.Css("[role=dialog] textarea");
        typist.To("Paste here");
        typist.Paste(Farm.Laptop + Farm.Clients + Farm.Others + Farm.Air);
        Browser.UntilText("Windows, neighbours");
        typist.Key(Escape);
        typist.Note("paste");
        Add("", "Router with WDS", "kitchen", "02", (Cable, "I", "ISP gateway"));
        Take("Only the …");
        Add("man", "Managed switch with power", "pantry", "03", (Cable, "K", "Kitchen router"));
        Add("ce", "Ceiling access point with injector", "landing", "04", (Cable, "P", "Pantry switch"));
        Add("", "Router with access-point, bridge", "cottage", "05", (Cable, "P", "Pantry switch"), (SetAs, "a", "access point"));
        Add("me", "Mesh satellite", "hall", "06");
        Add("me", "Mesh satellite", "east wing", "07");
        Add("pl", "Plug-in repeater, 2.4 GHz", "dairy", "08");
        Add("", "Router with WDS", "barn", "09", (SetAs, "W", "WDS bridge"), (Joins, "h", "hawthorn, 2.4 GHz"));
        Add("w", "Wireless bridge for wired", "lounge", "0A", (Joins, "h", "hawthorn, 5 GHz"));
        Add("o", "Old router, 2.4 GHz, 300", "workshop", "0B", (Cable, "K", "Kitchen router"), (Over, "t", "the mains"));
        Add("s", "Switch, 5 sockets", "attic", "", (Cable, "K", "Kitchen router"), (Over, "a", "an aerial"));
        Take("Take all into the house");
        // Whom the house serves: by what each hangs on, and where.
        Stop("What is on it now");
        Row("Office printer", "Attic switch");
        Row("File store", "Attic switch");
        Row("Camera recorder", "Pantry switch");
        Row("Bedroom tablet", room: "Landing");
        Row("Office laptop", room: "Landing");
        Row("Games console", "East wing satellite");
        Row("Milk tank sensor", room: "Dairy");
        Row("Guest’s phone", room: "Cottage");
        Row("Guest’s tablet", room: "Landing");
        Row("Telephone adapter", "ISP gateway");
        Row("Milling machine", "Workshop router");
        Row("Bench computer", room: "Workshop");
        typist.Key(Tab);
        typist.Note("places of things");
        // Rooms, and which are buildings of their own.
        Stop("Rooms and cables");
        typist.Write("Country, two letters", "gb");
        typist.To("Note the…");
        typist.Key(Enter);
        Browser.Until(() => Browser.Focus == "Room", "the first room");
        Building("cottage");
        Building("barn");
        Building("workshop");
        typist.To("outdoors");
        Browser.Until(() => Found()["document"]!["rooms"]!.AsArray().Count(room => room!["building"] is not null) == 3, "the buildings");
        typist.Note("rooms");
        // What a finding asks for is so already: the record alone lacked it.
        typist.Key("g");
        var landing = "It is so already: Carry it to Kitchen router in a VLAN";
        typist.To(landing);
        typist.Key(Enter);
        Browser.Until(() => Log()[^1].StartsWith("It is so already", StringComparison.Ordinal), "the VLAN");
        typist.Note("VLAN");
        // What the household wants.
        typist.Key("2");
        Browser.UntilText("What the household wants");
        typist.To("Sentence");
        Want("Kitchen phone has internet", ("Who", "Kitchen phone"));
        Want("Telephone adapter has internet", ("Who", "Telephone adapter"));
        Want("Milk tank sensor has internet", ("Who", "Milk tank sensor"));
        Want("Milling machine has internet", ("Who", "Milling machine"));
        Want("Office laptop reaches Office printer", "r", ("Who", "Office laptop"), ("Whom", "Office printer"), ("Port, if it matters", "9100"), ("found by name too", " "));
        Want("Kitchen phone reaches Barn camera", ("Who", "Kitchen phone"), ("Whom", "Barn camera"), ("Port, if it matters", "554"));
        Want("Camera recorder can be reached", "c", ("Who", "Camera recorder"), ("Port", "8443"));
        Want("Guests on hawthorn-guests", "g");
        Want("File store keeps", "k", ("Who", "File store"));
        Want("The Wi-Fi name hawthorn", "w", ("Wi-Fi name", "hawthorn"));
        Want("tunnel", "t");
        Want("free socket", "f", ("Room", "Pantry"));
        Want("Mb/s", "s", ("Mb/s at least", "40"), ("Where", "in Workshop"));
        typist.Note("wants");
        // The gateway passes the line on; the main router opens a door, picks its channel itself, and the workshop is kept apart.
        typist.To("if it can be had");
        typist.Key("3");
        Browser.Css("[data-box=gateway]");
        Panel("is", "ISP gateway");
        typist.To("Mode");
        typist.Letters("p");
        typist.Back();
        typist.Back();
        typist.Key(Down + Down + Down);
        Browser.UntilText("Hands the line to");
        typist.Pick("Hands the line to", "k", "Kitchen router");
        typist.Key(Enter);
        typist.Note("pass-through");
        Panel("ki", "Kitchen router");
        Section("Forward port");
        typist.Write("Forward port", "8443");
        typist.Write("To address or address:port", ".20" + Enter);
        Browser.Until(() => Log()[^1].Contains("8443", StringComparison.Ordinal), "the forward");
        typist.Note("forward");
        Panel("ki", "Kitchen router");
        Section("Name (SSID)");
        typist.Write("Channel", "auto" + Enter);
        Browser.Until(() => Log()[^1].Contains("automatic channel", StringComparison.Ordinal), "the channel");
        typist.Note("channel");
        Panel("wo", "Workshop router");
        typist.To("What is behind it");
        typist.Letters("k");
        typist.Key(Enter);
        Browser.Until(() => Log()[^1].Contains("apart", StringComparison.Ordinal), "kept apart");
        typist.Note("kept apart");
        Panel("da", "Dairy repeater");
        typist.Write("Pool from", ".210");
        typist.Write("Pool to", ".230" + Enter);
        Browser.Until(() => Log()[^1].Contains("192.168.44.230", StringComparison.Ordinal), "the pool");
        typist.Note("pool");
        Panel("ea", "East wing satellite");
        Section("Of which box");
        typist.Pick("Of which box", "h", "Hall satellite");
        typist.Key(Enter);
        Browser.Until(() => Log()[^1].Contains("of Hall satellite", StringComparison.Ordinal), "its parent");
        typist.Note("near");
        TestContext.Current.SendDiagnosticMessage($"{typist.Keys} keys: {string.Join("; ", typist.Spent)}");
        Assert.InRange(typist.Keys, 400, 600);
        Assert.Empty(Browser.Complaints());
        SimulatesLikeTheShipped();

        void Add(string letters, string kind, string room, string mac, params (string List, string First, string Chosen)[] more)
        {
            typist.Key("n");
            Browser.Css("[role=dialog]");
            typist.Down("What is it?", kind, letters);
            typist.Write("Room", room);
            if (mac.Length > 0) typist.Write("MAC on its label", mac);
            foreach (var (list, first, chosen) in more) typist.Pick(list, first, chosen);
            typist.Key(Enter);
            Browser.Until(() => Browser.Count("[role=dialog]") == 0, $"the sheet of {kind} to close");
            typist.Note($"{kind} in {room}");
        }

        void Stop(string name)
        {
            // The key of the stage goes to its title; the stops of the walk after it are one stop of the Tab key.
            typist.Key("1");
            typist.To(() => Browser.Run("return document.activeElement.closest('.thread') !== null") is true, "the thread");
            var places = ((IEnumerable<object>)Browser.Run("const all = [...document.querySelectorAll('.thread a')]; return [all.indexOf(document.activeElement), all.findIndex((one) => one.innerText.startsWith(arguments[0])), all.length]", name)!).Select(Convert.ToInt32).ToList();
            typist.Along(places[0], places[1], places[2]);
            typist.Key(Enter);
            Browser.Until(() => Browser.Css("h3[data-stop]").Text.StartsWith(name, StringComparison.Ordinal), name);
            typist.Note($"to {name}");
        }

        void Row(string thing, string? on = null, string? room = null)
        {
            var column = $"Room of {thing}";
            typist.To(() => Browser.Focus.StartsWith("Room of ", StringComparison.Ordinal), "a room");
            for (var n = 0; n < 30 && Browser.Focus != column; n++) typist.Key(Enter);
            Assert.Equal(column, Browser.Focus);
            if (on is not null)
            {
                typist.Back();
                typist.Down($"{thing} hangs on", on, on[..1]);
                typist.Key(Tab);
            }
            if (room is not null) typist.Down(column, room.ToLowerInvariant(), room[..1].ToLowerInvariant());
        }

        void Want(string sentence, params object[] blanks)
        {
            if (blanks.Length > 0 && blanks[0] is string kind) typist.Letters(kind);
            foreach (var (label, text) in blanks.OfType<(string, string)>())
            {
                typist.To(label);
                if (Browser.Run("return document.activeElement.tagName") is not "SELECT") typist.Key(text);
                else if ((string)Browser.Run("return document.activeElement.selectedOptions[0].text")! != text) typist.Down(label, text, text.StartsWith("in ", StringComparison.Ordinal) ? text[..4].ToLowerInvariant() : text[..2].ToLowerInvariant());
            }
            typist.Key(Enter);
            Browser.Until(() => Found()["document"]!["needs"]?.AsArray().Count is { } now && now > wants && (wants = now) > 0, sentence);
            Browser.Until(() => Browser.Focus == "Sentence", "the next");
        }

        void Building(string room)
        {
            // “Other building” of the room by Enter, row by row.
            typist.To("Other building");
            for (var n = 0; n < 12 && !((string)Browser.Run("return document.activeElement.closest('li').querySelector('input').value")!).Equals(room, StringComparison.OrdinalIgnoreCase); n++) typist.Key(Enter);
            typist.Key(room);
        }

        void Section(string shows)
        {
            for (var n = 0; n < 8 && !Browser.Has(shows); n++)
            {
                typist.Key(Right);
                for (var look = 0; look < 10 && !Browser.Has(shows); look++) Thread.Sleep(30);
            }
            Assert.True(Browser.Has(shows), $"{shows}; the focus is at {Browser.Focus}");
        }

        void Panel(string letters, string name)
        {
            if (Browser.Count("[data-panel]") > 0)
            {
                typist.Key(Escape);
                Browser.Until(() => Browser.Count("[data-panel]") == 0, "the panel to close");
            }
            typist.Key("/");
            Browser.Css("input[aria-label='Name, room, MAC or address']");
            typist.Key(letters + Enter);
            Browser.Until(() => Browser.Run("return document.activeElement.dataset.box ?? document.activeElement.dataset.thing ?? null") is not null && Browser.Has($"{name} as found"), $"the card of {name}");
            typist.Key(Enter);
            Browser.Until(() => (bool)Browser.Run("return document.activeElement.closest('[data-panel]') !== null")!, "its panel");
        }

        void Take(string button)
        {
            typist.Key("v");
            Browser.Css("[role=dialog] textarea");
            Browser.Until(() => Browser.Count("[role=dialog] button") > 3, "the paste");
            typist.To(button);
            typist.Key(Enter);
            Browser.UntilText("taken into the house");
            typist.Key(Escape);
            typist.Note(button);
        }
    }

    /// <summary>Boxes that were called by their room.</summary>
    private static readonly Dictionary<string, string> Renamed = new()
    {
        ["Entry gateway"] = "ISP gateway",
        ["Farmhouse router"] = "Kitchen router",
        ["Upstairs access point"] = "Landing access point",
        ["Barn bridge"] = "Barn WDS bridge",
    };

    /// <summary>What only a label says, and no settings page: power that a socket gives, and whether the password is still the label’s.</summary>
    private static readonly string[] OnLabels = ["poe-class-not-met", "default-admin-password"];

    /// <summary>Every want with its verdict, every finding with whom it is about, and who is at which address, as of the farm that Altrin ships, less the drawing of its rooms.</summary>
    private void SimulatesLikeTheShipped()
    {
        var entered = Found();
        var document = JsonNode.Parse(File.ReadAllText(Path.Combine(Server.Root, "docs/examples/hawthorn-farm.json")))!;
        foreach (var room in document["rooms"]!.AsArray()) foreach (var field in new[] { "rect", "walls" }) room!.AsObject().Remove(field);
        foreach (var box in document["devices"]!.AsArray()) box!.AsObject().Remove("at");
        document.AsObject().Remove("building");
        OpenHouse(document, "wants");
        var shipped = Found();
        Assert.Equal(Verdicts(shipped), Verdicts(entered));
        Assert.Equal(Findings(shipped), Findings(entered));
        Assert.Equal(Segments(shipped), Segments(entered));
    }

    private static string Name(string name) => Renamed.Aggregate(name, (text, one) => text.Replace(one.Key, one.Value, StringComparison.Ordinal));

    private static Dictionary<string, string> Names(JsonNode house) => new[] { "devices", "endpoints" }.SelectMany(list => house["document"]![list]!.AsArray()).ToDictionary(one => (string)one!["id"]!, one => Name((string)one!["name"]!));

    private static string[] Verdicts(JsonNode house) => [.. house["wants"]!.AsArray().Select(want => $"{Name((string)want!["sentence"]!)}: {want["met"]}").Order(StringComparer.Ordinal)];

    private static string[] Findings(JsonNode house)
    {
        var names = Names(house);
        return [.. house["findings"]!.AsArray().Where(one => !OnLabels.Contains((string)one!["rule"]!)).Select(one => $"{one!["severity"]} {one["rule"]}: {string.Join(", ", one["subjects"]!.AsArray().Select(id => names.GetValueOrDefault((string)id!, (string)id!)))}").Order(StringComparer.Ordinal)];
    }

    /// <summary>Who is on one network with whom.</summary>
    private static string[] Segments(JsonNode house)
    {
        var names = Names(house);
        return [.. house["interfaces"]!.AsArray().Where(one => (string)one!["interface"]! is "lan" or "net").GroupBy(one => (string)one!["segment"]!).Select(group => string.Join(", ", group.Select(one => names.GetValueOrDefault((string)one!["owner"]!, (string)one["owner"]!)).Order(StringComparer.Ordinal))).Order(StringComparer.Ordinal)];
    }
}
