using System.Collections.Immutable;
using System.Text;
using System.Text.Json;
using Altrin.Core.Network;

namespace Altrin.Core.Documents;

/// <summary>What came of reading a kind: the kind, or every problem found, never both.</summary>
public sealed record KitResult(KitKind? Kind, IReadOnlyList<DocumentProblem> Problems);

/// <summary>Reads <c>altrin.kit/1</c> as strictly as a document, and writes it. Total: any bytes give a kind or problems.</summary>
public static class KitReader
{
    /// <summary>More than any kind has.</summary>
    public const int MostBytes = 64 << 10;

    /// <summary>Stand in while a kind is looked at; a box that is made of it has its own.</summary>
    private const string AnyId = "box";

    public static KitResult Read(string text) => Read(Encoding.UTF8.GetBytes(text));

    public static KitResult Read(ReadOnlyMemory<byte> utf8)
    {
        if (utf8.Length > MostBytes) return new(null, [new("", $"More than {MostBytes / 1024} kB. A kind of box is far smaller.")]);
        var problems = new ProblemList();
        var kind = StrictJson.Open(utf8, problems, Kind);
        if (kind is null || problems.Found.Count > 0) return new(null, problems.Found);
        CheckBox(kind, "device", problems);
        return problems.Found.Count == 0 ? new(kind, []) : new(null, problems.Found);
    }

    /// <summary>A box of the kind must be one that a document can hold.</summary>
    internal static void CheckBox(KitKind kind, string place, ProblemList problems)
    {
        if (kind.Sold is null)
        {
            if (kind.Link is null) problems.Add(place, "Missing. Write the box as it is sold, or link for a pair.");
            return;
        }
        var found = new ProblemList();
        DocumentChecks.Run(new() { Name = kind.Name, Devices = [kind.Make(AnyId, kind.Name)] }, found);
        foreach (var problem in found.Found) problems.Add(problem.Place.Replace("devices[0]", place, StringComparison.Ordinal),
            problem.Message);
    }

    public static string Write(KitKind kind)
    {
        using var bytes = new MemoryStream();
        using (var json = new Utf8JsonWriter(bytes, new() { Indented = true, NewLine = "\n", Encoder = AltrinJson.Indented.Encoder }))
            Write(json, kind);
        return Encoding.UTF8.GetString(bytes.ToArray()) + "\n";
    }

    internal static void Write(Utf8JsonWriter json, KitKind kind)
    {
        json.WriteStartObject();
        json.WriteString("format", KitKind.CurrentFormat);
        json.WriteString("kit", kind.Kit);
        json.WriteString("name", kind.Name);
        json.WriteString("group", Words<KitGroup>.Of(kind.Group));
        json.WriteString("about", kind.About);
        if (kind.Link is { } link) json.WriteString("link", Words<Medium>.Of(link));
        if (kind.Sold is { } sold)
        {
            json.WritePropertyName("device");
            var box = JsonSerializer.SerializeToNode(sold, AltrinJson.Compact)!.AsObject();
            box.Remove("id");
            box.Remove("name");
            box.WriteTo(json);
        }
        WriteSetUp(json, kind.SetUp);
        WriteWords(json, "menus", kind.Menus);
        WriteWords(json, "lamps", kind.Lamps);
        json.WriteEndObject();
    }

    /// <summary>The shape of a kind, as this reader asks for it.</summary>
    internal static SchemaNode Shape() => ObjectReader.Describe(Kind);

    internal static KitKind Kind(ObjectReader r)
    {
        var format = r.RequiredText("format");
        if (format.Length > 0
            && format != KitKind.CurrentFormat) r.Problem("format",
            $"“{format}” is another format or version. This program reads {KitKind.CurrentFormat}.");
        var kit = r.Id("kit");
        if (kit.Length > 0
            && !kit.All(letter => letter is (>= 'a' and <= 'z') or (>= '0' and <= '9') or '-')) r.Problem("kit",
            "Write small letters a to z, digits and hyphens.");
        var kind = new KitKind(kit, r.RequiredText("name"), r.RequiredWord<KitGroup>("group"), r.Text("about")
            ?? "", r.Word<Medium>("link"),
            r.Object("device", DocumentReader.BoxAsSold), r.Object("setUp", SetUp) ?? KitSetUp.Usual,
            r.Object("menus", WordsFor<MenuItem>)?.Said ?? ImmutableDictionary<MenuItem, string>.Empty,
            r.Object("lamps", WordsFor<Lamp>)?.Said ?? ImmutableDictionary<Lamp, string>.Empty);
        if (kind.Link == Medium.Ethernet) r.Problem("link", "A patch cable is no kind of box. Use powerline or coax.");
        r.Rest();
        return kind;
    }

    private static KitSetUp SetUp(ObjectReader r)
    {
        var set = new KitSetUp(r.Word<SetBy>("by") ?? SetBy.Page, r.Flag("needsLine", false), r.Word<FirstPage>("firstPage")
            ?? FirstPage.Settings, r.Text("past"),
            r.Flag("addressAndDhcpAreOneSave", true), r.Flag("modeAndJoinAreOneSave", false), r.Flag("powerSwitch", true));
        r.Rest();
        return set;
    }

    private static SaidWords<T> WordsFor<T>(ObjectReader r) where T : struct, Enum
    {
        var said = ImmutableDictionary.CreateBuilder<T, string>();
        foreach (var item in Enum.GetValues<T>())
            if (r.Text(Words<T>.Of(item)) is { Length: > 0 } words) said[item] = words;
        r.Rest();
        return new(said.ToImmutable());
    }

    private sealed record SaidWords<T>(ImmutableDictionary<T, string> Said) where T : struct, Enum;

    private static void WriteSetUp(Utf8JsonWriter json, KitSetUp set)
    {
        json.WriteStartObject("setUp");
        json.WriteString("by", Words<SetBy>.Of(set.By));
        json.WriteBoolean("needsLine", set.NeedsLine);
        json.WriteString("firstPage", Words<FirstPage>.Of(set.FirstPage));
        if (set.Past is not null) json.WriteString("past", set.Past);
        json.WriteBoolean("addressAndDhcpAreOneSave", set.AddressAndDhcpAreOneSave);
        json.WriteBoolean("modeAndJoinAreOneSave", set.ModeAndJoinAreOneSave);
        json.WriteBoolean("powerSwitch", set.PowerSwitch);
        json.WriteEndObject();
    }

    private static void WriteWords<T>(Utf8JsonWriter json, string name, ImmutableDictionary<T, string> words) where T : struct, Enum
    {
        if (words.IsEmpty) return;
        json.WriteStartObject(name);
        foreach (var (item, said) in words.OrderBy(one => one.Key)) json.WriteString(Words<T>.Of(item), said);
        json.WriteEndObject();
    }
}
