using System.Text.Json;
using System.Text.Json.Nodes;
using Altrin.Core.Documents;
using Altrin.Core.Kit;
using Altrin.Core.Network;

namespace Altrin.Core.Tests.Documents;

/// <summary>The reader's half of the agreement with the published JSON Schema; the schema's half, over the same documents, is
/// web/src/api/schema.test.ts, where a validator of the standard is at hand.</summary>
public class SchemaTests
{
    public static IEnumerable<TheoryDataRow<string>> Refused()
    {
        var file = Path.Combine(Examples.Root, "tests", "documents", "refused.json");
        return JsonDocument.Parse(File.ReadAllText(file)).RootElement.EnumerateArray().Select(document => new TheoryDataRow<string>(document.GetRawText()));
    }

    private static readonly string PublishedFile = Path.Combine(Examples.Root, "docs", "formats", "altrin.network-1.schema.json");

    private static readonly JsonSerializerOptions Readable = new() { WriteIndented = true, NewLine = "\n", Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    /// <summary>Written anew by ./altrin formats.</summary>
    [Theory, Trait("kind", "formats")]
    [InlineData("altrin.network-1.schema.json")]
    [InlineData("altrin.kit-1.schema.json")]
    public void The_published_schema_is_the_readers_own(string name)
    {
        var text = (name == "altrin.kit-1.schema.json" ? KitSchema.Export() : DocumentSchema.Export()).ToJsonString(Readable) + "\n";
        var file = Path.Combine(Path.GetDirectoryName(PublishedFile)!, name);
        if (Environment.GetEnvironmentVariable("ALTRIN_WRITE_FORMATS") == "1") File.WriteAllText(file, text);
        Assert.True(text == File.ReadAllText(file), $"docs/formats/{name} is stale: run ./altrin formats.");
    }

    /// <summary>A field of a record that the reader does not ask for would be written and never read again.</summary>
    [Theory]
    [InlineData(typeof(NetworkDocument), "")]
    [InlineData(typeof(Line), "line")]
    [InlineData(typeof(LineAddress), "line.seen")]
    [InlineData(typeof(Device), "devices")]
    [InlineData(typeof(Port), "devices.ports")]
    [InlineData(typeof(WirelessRadio), "devices.radios")]
    [InlineData(typeof(LanSettings), "devices.lan")]
    [InlineData(typeof(DhcpServer), "devices.lan.dhcpServer")]
    [InlineData(typeof(WanSettings), "devices.wan")]
    [InlineData(typeof(WifiNetwork), "devices.wifi")]
    [InlineData(typeof(Uplink), "devices.uplink")]
    [InlineData(typeof(BoxLabel), "devices.label")]
    [InlineData(typeof(Cable), "cables")]
    [InlineData(typeof(Endpoint), "endpoints")]
    [InlineData(typeof(Building), "building")]
    [InlineData(typeof(Room), "rooms")]
    [InlineData(typeof(CableRun), "runs")]
    [InlineData(typeof(NeighbourNetwork), "neighbours")]
    [InlineData(typeof(Measurement), "measured")]
    public void The_reader_asks_for_every_field_of_a_record_and_for_no_other(Type record, string place)
    {
        Assert.Equal(FieldsOf(record).Order(), Published(place)["properties"]!.AsObject().Select(field => field.Key).Order());
    }

    [Fact]
    public void The_reader_asks_for_a_plug_or_for_a_join() => Assert.Equal(
        FieldsOf(typeof(Attachment.Plug)).Concat(FieldsOf(typeof(Attachment.Join))).Order(), Published("endpoints.connect")["properties"]!.AsObject().Select(field => field.Key).Order());

    public static TheoryData<NeedKind> Kinds() => [.. Enum.GetValues<NeedKind>()];

    [Theory, MemberData(nameof(Kinds))]
    public void Of_a_want_the_reader_asks_for_the_blanks_of_its_kind_and_for_no_other(NeedKind kind)
    {
        var needs = Published("needs");
        var blanks = needs["allOf"]!.AsArray().Where(one => one!["if"]!["properties"]!["kind"]!["const"]!.GetValue<string>() == Words<NeedKind>.Of(kind)).SelectMany(one => one!["then"]!["properties"]!.AsObject());
        Assert.Equal(FieldsOf(typeof(Need).GetNestedType(kind.ToString())!).Append("kind").Order(), needs["properties"]!.AsObject().Concat(blanks).Select(field => field.Key).Order());
    }

    private static JsonObject Published(string place)
    {
        var node = DocumentSchema.Export().AsObject();
        foreach (var step in place.Split('.', StringSplitOptions.RemoveEmptyEntries))
        {
            var next = node["properties"]![step]!.AsObject();
            next = next["anyOf"]?[0]?.AsObject() ?? next;
            node = next["items"]?.AsObject() ?? next;
        }
        return node;
    }

    private static IEnumerable<string> FieldsOf(Type record) => record.GetProperties()
        .Where(field => field.Name != nameof(DocumentPart.Unknown) && !field.IsDefined(typeof(System.Text.Json.Serialization.JsonIgnoreAttribute), true))
        .Select(field => JsonNamingPolicy.CamelCase.ConvertName(field.Name));

    [Theory, MemberData(nameof(Refused))]
    public void The_reader_refuses_what_the_schema_refuses(string text) => Assert.NotEmpty(DocumentReader.Read(text).Problems);
}
