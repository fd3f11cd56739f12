using System.Globalization;
using System.Text.Json.Nodes;
using Altrin.Core.Network;

namespace Altrin.Core.Documents;

/// <summary>One piece of a JSON Schema (draft 2020-12), as the reader describes what it takes.</summary>
internal sealed class SchemaNode
{
    private const string Octet = "(25[0-5]|2[0-4][0-9]|1[0-9][0-9]|[1-9]?[0-9])";
    private const string Address = $"{Octet}\\.{Octet}\\.{Octet}\\.{Octet}", Length = "(3[0-2]|[12]?[0-9])";

    private readonly JsonObject json;
    private readonly SortedDictionary<int, (string Field, SchemaNode Node)>? fields;
    private readonly List<string> required = [];
    private readonly List<JsonNode?> cases = [];

    private SchemaNode(JsonObject json, bool isObject = false) => (this.json, fields) = (json, isObject ? [] : null);

    public static SchemaNode Object() => new(new() { ["type"] = "object" }, isObject: true);
    public static SchemaNode Flag() => new(new() { ["type"] = "boolean" });
    public static SchemaNode Text(int most, int least = 0) => new(least == 0 ? new() { ["type"] = "string", ["maxLength"] = most } : new() { ["type"] = "string", ["minLength"] = least, ["maxLength"] = most });
    public static SchemaNode Whole(int least, int most) => new(new() { ["type"] = "integer", ["minimum"] = least, ["maximum"] = most });
    public static SchemaNode Number(double least, double most) => new(new() { ["type"] = "number", ["minimum"] = Plain(least), ["maximum"] = Plain(most) });
    public static SchemaNode Numbers(int count) => new(new() { ["type"] = "array", ["items"] = new JsonObject { ["type"] = "number" }, ["minItems"] = count, ["maxItems"] = count });
    public static SchemaNode WholeOr(string word, int least, int most) => new(new() { ["anyOf"] = new JsonArray(new JsonObject { ["const"] = word }, Whole(least, most).json) });
    public static SchemaNode List(SchemaNode item) => new(new() { ["type"] = "array", ["items"] = item.Write() });
    public static SchemaNode Word<T>() where T : struct, Enum => new(new() { ["enum"] = new JsonArray([.. Words<T>.All.Select(word => (JsonNode)word!)]) });

    public static SchemaNode Value<T>() where T : struct, ITextValue<T> => new(new()
    {
        ["type"] = "string",
        ["description"] = char.ToUpperInvariant(T.Expected[0]) + T.Expected[1..] + ".",
        ["pattern"] = default(T) switch
        {
            Ipv4Address => $"^{Address}$",
            InterfaceAddress => $"^{Address}(/{Length})?$",
            Network.Prefix => $"^{Address}/{Length}$",
            MacAddress => "^([0-9A-Fa-f]{2}[:-]){5}[0-9A-Fa-f]{2}$",
            _ => throw new InvalidOperationException($"{typeof(T).Name} is not handled."),
        },
    });

    /// <summary>The object has that field; asked for twice, the first description holds.</summary>
    public void Has(string field, SchemaNode node)
    {
        if (fields!.Values.All(one => one.Field != field)) fields.Add(fields.Count, (field, node));
    }

    public void Requires(string field, SchemaNode? node = null)
    {
        if (node is not null) Has(field, node);
        if (!required.Contains(field)) required.Add(field);
    }

    /// <summary>What else holds where the field has that word.</summary>
    public void HasCase(string field, string word, SchemaNode node)
    {
        var then = node.Write();
        then.Remove("type");
        if (then["properties"] is JsonObject { Count: > 0 })
            cases.Add(new JsonObject { ["if"] = new JsonObject { ["properties"] = new JsonObject { [field] = new JsonObject { ["const"] = word } } }, ["then"] = then });
    }

    public JsonObject Write()
    {
        if (fields is null) return (JsonObject)json.DeepClone();
        var properties = new JsonObject();
        // JSON's null stands for a field that is left out.
        foreach (var (field, node) in fields.Values)
            properties[field] = required.Contains(field) ? node.Write() : new JsonObject { ["anyOf"] = new JsonArray(node.Write(), new JsonObject { ["type"] = "null" }) };
        var written = (JsonObject)json.DeepClone();
        if (required.Count > 0) written["required"] = new JsonArray([.. required.Select(field => (JsonNode)field!)]);
        written["properties"] = properties;
        if (cases.Count > 0) written["allOf"] = new JsonArray([.. cases.Select(one => one!.DeepClone())]);
        return written;
    }

    private static JsonNode Plain(double number) => number == Math.Floor(number) ? JsonValue.Create((long)number) : JsonValue.Create(decimal.Parse(number.ToString(CultureInfo.InvariantCulture), CultureInfo.InvariantCulture));
}
