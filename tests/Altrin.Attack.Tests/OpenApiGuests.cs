using System.Text;
using System.Text.Json.Nodes;

namespace Altrin.Attack.Tests;

/// <summary>Requests made from the API's own description, most of them a little wrong: right shape with a wild value, wild shape, wild bytes.</summary>
internal sealed class OpenApiGuests(JsonNode description, Random random)
{
    private const int Deep = 5;

    private static readonly string[] Wild =
    [
        "", " ", "0", "-1", "null", "a", "gw", "studio", "printer", "hall", "found", "planned", "sideways", "..", "../../etc/passwd", "%00", "\u0000", "\u202e", "é", "日本", "🛰", "\ud800", "'; DROP TABLE jobs; --", "<script>alert(1)</script>", "{{7*7}}",
        "2147483648", "1e400", "NaN", "192.168.1.1/24", "255.255.255.255/0", "999.1.1.1", "00:00:5E:00:53:01", "2026-11-29T00:00:00Z", "9999-99-99", "true", "[]", "{}", "back:", "keep", "reset", "laptop", "phone", "5g", "2.4", "wpa2", new('x', 300), new('9', 60), "\r\nX-Injected: yes", "key:home", "$..", "C:\\", "con",
    ];

    private readonly List<(string Method, string Path, JsonObject Operation)> all = [.. description["paths"]!.AsObject().SelectMany(path => path.Value!.AsObject().Select(one => (one.Key.ToUpperInvariant(), path.Key, one.Value!.AsObject())))
        // An answer that never ends is looked at elsewhere.
        .Where(one => one.Key != "/api/changes")];

    public int Operations => all.Count;

    /// <summary>Fields and ids that are there, so that a request gets past the first question.</summary>
    public List<string> Known { get; } = [];

    public HttpRequestMessage Next(int which)
    {
        var (method, path, operation) = all[which % all.Count];
        var query = new List<string>();
        foreach (var parameter in operation["parameters"]?.AsArray() ?? [])
        {
            var (name, place) = ((string)parameter!["name"]!, (string)parameter["in"]!);
            if (place == "path") path = path.Replace($"{{{name}}}", Uri.EscapeDataString(Filled(name)), StringComparison.Ordinal);
            else if (place == "query" && random.Next(3) > 0) query.Add($"{name}={Uri.EscapeDataString(random.Next(3) == 0 ? Clean(Text()) : Clean(Value(parameter["schema"], 0)?.ToString() ?? ""))}");
        }
        var request = new HttpRequestMessage(new(method), path + (query.Count == 0 ? "" : $"?{string.Join('&', query)}"));
        if (operation["requestBody"]?["content"]?.AsObject() is { Count: > 0 } contents) request.Content = Body(contents.First().Key, contents.First().Value!["schema"]);
        if (random.Next(20) == 0) request.Headers.TryAddWithoutValidation("Accept", new string([.. Text().Where(letter => letter is > ' ' and < '\x7f')]));
        if (random.Next(20) == 0) request.Headers.TryAddWithoutValidation("If-None-Match", "\"x\"");
        return request;
    }

    /// <summary>Of a path: one that is there, most of the time.</summary>
    private string Filled(string name)
    {
        if (name == "side") return random.Next(8) == 0 ? Clean(Text()) : random.Next(2) == 0 ? "found" : "planned";
        var text = random.Next(3) > 0 && Known.Count > 0 ? Known[random.Next(Known.Count)] : Clean(Text());
        // A step up is taken by the client itself.
        return text is "" or "." or ".." ? "x" : text;
    }

    private ByteArrayContent Body(string kind, JsonNode? schema)
    {
        var bytes = random.Next(12) switch
        {
            0 => [],
            1 => Noise(),
            2 => Encoding.UTF8.GetBytes("{\"" + new string('a', random.Next(3000))),
            3 => Encoding.UTF8.GetBytes(string.Concat(Enumerable.Repeat("[", 200))),
            4 => Cut(Encoding.UTF8.GetBytes(Value(schema, 0)?.ToJsonString() ?? "null")),
            _ => Encoding.UTF8.GetBytes(Value(schema, 0)?.ToJsonString() ?? "null"),
        };
        var content = new ByteArrayContent(bytes);
        content.Headers.TryAddWithoutValidation("Content-Type", random.Next(15) == 0 ? "text/plain" : random.Next(15) == 0 ? $"{kind}; charset=utf-16" : kind);
        return content;
    }

    private byte[] Noise()
    {
        var bytes = new byte[random.Next(400)];
        random.NextBytes(bytes);
        return bytes;
    }

    private byte[] Cut(byte[] bytes) => bytes[..random.Next(bytes.Length + 1)];

    /// <summary>By the schema, and in one case of eight by nothing.</summary>
    private JsonNode? Value(JsonNode? schema, int depth)
    {
        if (schema is null || random.Next(8) == 0) return Anything(depth);
        if ((string?)schema["$ref"] is { } pointer) return Value(Target(pointer), depth);
        foreach (var choice in new[] { "oneOf", "anyOf" })
            if (schema[choice] is JsonArray { Count: > 0 } options) return Value(options[random.Next(options.Count)], depth);
        if (schema["enum"] is JsonArray { Count: > 0 } words) return words[random.Next(words.Count)]?.DeepClone();
        if (schema["allOf"] is JsonArray { Count: > 0 } parts) return Value(parts[0], depth);
        if (schema["const"] is { } only) return only.DeepClone();
        var type = schema["type"] is JsonArray types ? (string)types[random.Next(types.Count)]! : (string?)schema["type"];
        switch (type)
        {
            case "object" when depth < Deep:
                var made = new JsonObject();
                foreach (var (name, part) in schema["properties"]?.AsObject() ?? [])
                    if (random.Next(10) > 0 && (random.Next(3) > 0 || schema["required"]?.AsArray().Any(one => (string)one! == name) == true)) made[name] = Value(part, depth + 1);
                if (random.Next(15) == 0) made[Clean(Text())] = Anything(depth + 1);
                return made;
            case "array" when depth < Deep: return new JsonArray([.. Enumerable.Range(0, random.Next(random.Next(10) == 0 ? 40 : 4)).Select(_ => Value(schema["items"], depth + 1))]);
            case "integer": return Whole();
            case "number": return random.Next(3) == 0 ? Whole() : random.NextDouble() * 1000 - 100;
            case "boolean": return random.Next(2) == 0;
            case "string": return Clean(random.Next(3) == 0 && Known.Count > 0 ? Known[random.Next(Known.Count)] : Text());
            default: return null;
        }
    }

    private JsonNode? Target(string pointer) => pointer.TrimStart('#', '/').Split('/').Aggregate((JsonNode?)description, (at, part) => at?[part]);

    private JsonNode? Anything(int depth) => random.Next(7) switch
    {
        0 => null,
        1 => Whole(),
        2 => random.Next(2) == 0,
        3 when depth < Deep => new JsonArray(Anything(depth + 1), Anything(depth + 1)),
        4 when depth < Deep => new JsonObject { [Clean(Text())] = Anything(depth + 1) },
        _ => Clean(Text()),
    };

    private int Whole() => random.Next(6) switch { 0 => int.MaxValue, 1 => int.MinValue, 2 => 0, 3 => -1, 4 => 1, _ => random.Next(5000) };

    private string Text() => Wild[random.Next(Wild.Length)];

    /// <summary>Half a letter cannot be put into an address or a text of JSON by a client that is honest with itself.</summary>
    private static string Clean(string text) => text.Replace("\ud800", "\ufffd", StringComparison.Ordinal);
}
