using System.Collections.Immutable;
using System.Text.Json;
using Altrin.Core.Network;

namespace Altrin.Core.Documents;

/// <summary>Reads the fields of one JSON object, remembers which were asked for, and names the place of what is wrong.</summary>
internal sealed class ObjectReader
{
    private readonly Dictionary<string, JsonElement> fields = new(StringComparer.Ordinal);
    private readonly HashSet<string> known = new(StringComparer.Ordinal);
    private readonly ProblemList problems;

    /// <summary>Asked what it would read instead of being given something: the published schema comes from the reader itself.</summary>
    private readonly SchemaNode? schema;

    private ObjectReader(string place, ProblemList problems, SchemaNode? schema = null) => (Place, this.problems, this.schema) = (place, problems, schema);

    /// <summary>Runs a reader over nothing and writes down what it asks for.</summary>
    public static SchemaNode Describe<T>(Func<ObjectReader, T> read)
    {
        var node = SchemaNode.Object();
        read(new("", new(), node));
        return node;
    }

    public string Place { get; }

    /// <summary>Null, with a problem noted, when the element is no object.</summary>
    public static ObjectReader? Open(JsonElement element, string place, ProblemList problems)
    {
        if (element.ValueKind != JsonValueKind.Object)
        {
            problems.Add(place, $"{Describe(element)} stands here. Write an object in braces.");
            return null;
        }
        var reader = new ObjectReader(place, problems);
        foreach (var property in element.EnumerateObject())
        {
            // A name with half a surrogate pair cannot be turned into text; JSON allows it all the same.
            try { reader.fields[property.Name] = property.Value; }
            catch (InvalidOperationException) { problems.Add(place, "A field's name is not readable text. Rename it."); }
        }
        return reader;
    }

    public string At(string field) => Place.Length == 0 ? field : $"{Place}.{field}";

    public void Problem(string field, string message) => problems.Add(At(field), message);

    /// <summary>The field's value, or null when it is missing or JSON's null.</summary>
    public JsonElement? Find(string field)
    {
        known.Add(field);
        return fields.TryGetValue(field, out var value) && value.ValueKind != JsonValueKind.Null ? value : null;
    }

    public string? Text(string field)
    {
        schema?.Has(field, SchemaNode.Text(Limits.NameLetters));
        if (Find(field) is not { } value) return null;
        if (TextOf(value) is not { } text) Problem(field, $"{Describe(value)} stands here. Write text in quotes.");
        else if (text.Length > Limits.NameLetters) Problem(field, $"Longer than {Limits.NameLetters} letters. Shorten it.");
        else return text;
        return null;
    }

    /// <summary>What people call it: not empty where it stands.</summary>
    public string? Name(string field)
    {
        schema?.Has(field, SchemaNode.Text(Limits.NameLetters, least: 1));
        if (schema is not null) return null;
        var name = Text(field);
        if (name is not null && string.IsNullOrWhiteSpace(name)) Problem(field, "Empty. Give it a name.");
        return name;
    }

    public string Id(string field)
    {
        schema?.Requires(field, SchemaNode.Text(Limits.IdLetters, least: 1));
        if (schema is not null) return "";
        var id = RequiredText(field);
        if (id.Length > Limits.IdLetters) Problem(field, $"Longer than {Limits.IdLetters} letters. Shorten it.");
        else if (id.Length > 0 && string.IsNullOrWhiteSpace(id)) Problem(field, "Empty. Give it an id.");
        return id;
    }

    /// <summary>A network's name, at most 32 bytes.</summary>
    public string? Ssid(string field)
    {
        schema?.Has(field, SchemaNode.Text(Limits.SsidBytes, least: 1));
        if (schema is not null) return null;
        if (Text(field) is not { } ssid) return null;
        if (Limits.WhyNoSsid(ssid) is { } why) Problem(field, why);
        return ssid;
    }

    public string RequiredSsid(string field)
    {
        schema?.Requires(field, SchemaNode.Text(Limits.SsidBytes, least: 1));
        if (schema is not null) return "";
        if (Find(field) is null) Missing(field, "the network's name");
        return Ssid(field) ?? "";
    }

    public ImmutableArray<string> TextList(string field)
    {
        schema?.Has(field, SchemaNode.List(SchemaNode.Text(Limits.NameLetters, least: 1)));
        if (Array(field) is not { } array) return [];
        var list = ImmutableArray.CreateBuilder<string>();
        var index = 0;
        foreach (var element in array.EnumerateArray())
        {
            var place = $"{At(field)}[{index++}]";
            if (TextOf(element) is not { } text) problems.Add(place, $"{Describe(element)} stands here. Write text in quotes.");
            else if (text.Length is 0 or > Limits.NameLetters) problems.Add(place, $"Write text of 1 to {Limits.NameLetters} letters.");
            else list.Add(text);
        }
        return list.ToImmutable();
    }

    public T? Numbers<T>(string field) where T : struct, INumbers<T>
    {
        schema?.Has(field, SchemaNode.Numbers(T.Count));
        if (Find(field) is not { } value) return null;
        var read = NumbersConverter<T>.TryRead(value, out var why);
        if (read is null) Problem(field, $"{Describe(value)} stands here. {why}");
        return read;
    }

    /// <summary>A value already read, which must be there: missing is a problem, wrong is one already.</summary>
    public T Required<T>(string field, string expected, T? read) where T : struct
    {
        if (schema is not null || Find(field) is null) Missing(field, expected);
        return read ?? default;
    }

    /// <summary>One object of several kinds, told apart by a word: each kind has blanks of its own.</summary>
    /// <returns>Null, with the problem noted, where the word is missing or unknown.</returns>
    public TCase? Cases<TWord, TCase>(string field, Func<TWord, ObjectReader, TCase> read) where TWord : struct, Enum where TCase : class
    {
        var word = RequiredWord<TWord>(field);
        if (schema is null) return Find(field) is { } value && WordOf<TWord>(value) is not null ? read(word, this) : null;
        foreach (var one in Enum.GetValues<TWord>()) schema.HasCase(field, Words<TWord>.Of(one), Describe(blanks => read(one, blanks)));
        return null;
    }

    public string RequiredText(string field, string expected = "text")
    {
        schema?.Requires(field, SchemaNode.Text(Limits.NameLetters, least: 1));
        if (schema is not null) return "";
        if (Find(field) is null)
        {
            Missing(field, expected);
            return "";
        }
        var text = Text(field) ?? "";
        if (text.Length == 0 && Find(field)!.Value.ValueKind == JsonValueKind.String) Problem(field, "Empty. Write text.");
        return text;
    }

    public void Missing(string field, string expected)
    {
        schema?.Requires(field);
        Problem(field, $"Missing. Write {expected}.");
    }

    /// <summary>Missing because of what another field says.</summary>
    public void MissingHere(string field, string expected) => Problem(field, $"Missing. Write {expected}.");

    public bool Flag(string field, bool otherwise)
    {
        schema?.Has(field, SchemaNode.Flag());
        if (Find(field) is not { } value) return otherwise;
        if (value.ValueKind is JsonValueKind.True or JsonValueKind.False) return value.GetBoolean();
        Problem(field, $"{Describe(value)} stands here. Write true or false.");
        return otherwise;
    }

    public bool? OptionalFlag(string field)
    {
        schema?.Has(field, SchemaNode.Flag());
        return Find(field) is null ? null : Flag(field, false);
    }

    /// <summary>A whole number within both ends, or null; out of range is a problem.</summary>
    public int? Whole(string field, int least, int most)
    {
        schema?.Has(field, SchemaNode.Whole(least, most));
        if (Find(field) is not { } value) return null;
        if (value.ValueKind == JsonValueKind.Number && value.TryGetInt32(out var number) && number >= least && number <= most)
            return number;
        Problem(field, $"{Describe(value)} stands here. Write a whole number from {least} to {most}.");
        return null;
    }

    public double? Number(string field, double most) => Number(field, 0, most);

    public double? Number(string field, double least, double most)
    {
        schema?.Has(field, SchemaNode.Number(least, most));
        if (Find(field) is not { } value) return null;
        if (value.ValueKind == JsonValueKind.Number && value.TryGetDouble(out var number) && number >= least && number <= most)
            return number;
        Problem(field, $"{Describe(value)} stands here. Write a number from {least:0} to {most:0}.");
        return null;
    }

    public T? Value<T>(string field) where T : struct, ITextValue<T>
    {
        schema?.Has(field, SchemaNode.Value<T>());
        if (Find(field) is not { } value) return null;
        if (TextOf(value) is { } text && T.TryParse(text, out var read)) return read;
        Problem(field, $"{Describe(value)} is not {T.Expected}.{Mend(value)}");
        return null;
    }

    public T? Word<T>(string field) where T : struct, Enum
    {
        schema?.Has(field, SchemaNode.Word<T>());
        if (Find(field) is not { } value) return null;
        if (WordOf<T>(value) is { } word) return word;
        Problem(field, UnknownWord<T>(value));
        return null;
    }

    public T RequiredWord<T>(string field) where T : struct, Enum
    {
        schema?.Requires(field, SchemaNode.Word<T>());
        if (schema is not null) return default;
        if (Find(field) is null) Missing(field, $"one of {string.Join(", ", Words<T>.All)}");
        return Word<T>(field) ?? default;
    }

    public ImmutableArray<T> WordList<T>(string field) where T : struct, Enum =>
        List(field, SchemaNode.Word<T>, (element, place) =>
        {
            if (WordOf<T>(element) is { } word) return word;
            problems.Add(place, UnknownWord<T>(element));
            return (T?)null;
        });

    public ImmutableArray<T> ValueList<T>(string field) where T : struct, ITextValue<T> =>
        List(field, SchemaNode.Value<T>, (element, place) =>
        {
            if (TextOf(element) is { } text && T.TryParse(text, out var read)) return read;
            problems.Add(place, $"{Describe(element)} is not {T.Expected}.");
            return (T?)null;
        });

    public ImmutableArray<int> WholeList(string field, int least, int most) =>
        List(field, () => SchemaNode.Whole(least, most), (element, place) =>
        {
            if (element.ValueKind == JsonValueKind.Number && element.TryGetInt32(out var number) && number >= least && number <= most) return number;
            problems.Add(place, $"{Describe(element)} stands here. Write a whole number from {least} to {most}.");
            return (int?)null;
        });

    public ImmutableArray<T> Objects<T>(string field, Func<ObjectReader, T> read) where T : class
    {
        schema?.Has(field, SchemaNode.List(Describe(read)));
        if (Array(field) is not { } array) return [];
        var list = ImmutableArray.CreateBuilder<T>(array.GetArrayLength());
        var index = 0;
        foreach (var element in array.EnumerateArray())
            if (Open(element, $"{At(field)}[{index++}]", problems) is { } inner) list.Add(read(inner));
        return list.ToImmutable();
    }

    public T? Object<T>(string field, Func<ObjectReader, T?> read) where T : class
    {
        schema?.Has(field, Describe(read));
        return Find(field) is { } value && Open(value, At(field), problems) is { } inner ? read(inner) : null;
    }

    /// <summary>A channel by number, or “auto”.</summary>
    public WifiChannel? Channel(string field)
    {
        schema?.Has(field, SchemaNode.WholeOr("auto", Limits.LeastChannel, Limits.MostChannel));
        if (schema is not null || Find(field) is not { } value) return null;
        if (value.ValueKind == JsonValueKind.String && value.ValueEquals("auto")) return new(null);
        if (value.ValueKind == JsonValueKind.Number) return Whole(field, Limits.LeastChannel, Limits.MostChannel) is { } number ? new(number) : null;
        Problem(field, $"{Describe(value)} stands here. Write a channel number, or “auto”.");
        return null;
    }

    /// <summary>The fields nobody asked for, kept as they are. One that is nearly a known name is a slip, and a problem.</summary>
    public Dictionary<string, JsonElement>? Rest()
    {
        Dictionary<string, JsonElement>? rest = null;
        foreach (var (name, value) in fields)
        {
            if (known.Contains(name)) continue;
            if (known.FirstOrDefault(field => Spelling.IsNear(field, name)) is { } meant && !fields.ContainsKey(meant))
                Problem(name, $"Not a field of {NetworkDocument.CurrentFormat}. Did you mean {meant}?");
            (rest ??= [])[name] = value.Clone();
        }
        return rest;
    }

    /// <summary>What stands at a place, quoted short, for an error message.</summary>
    public static string Describe(JsonElement element)
    {
        switch (element.ValueKind)
        {
            case JsonValueKind.Object: return "An object";
            case JsonValueKind.Array: return "A list";
            case JsonValueKind.Null: return "Nothing";
            case JsonValueKind.String: return TextOf(element) is { } text ? $"“{Shorten(text)}”" : "Unreadable text";
            default: return Shorten(element.GetRawText());
        }
    }

    private static string Shorten(string text) => text.Length <= 60 ? text : $"{text[..57]}…";

    private static string? TextOf(JsonElement element)
    {
        if (element.ValueKind != JsonValueKind.String) return null;
        try { return element.GetString(); }
        catch (InvalidOperationException) { return null; }
    }

    private static T? WordOf<T>(JsonElement element) where T : struct, Enum =>
        Words<T>.TryRead(TextOf(element), out var word) ? word : null;

    private static string UnknownWord<T>(JsonElement element) where T : struct, Enum =>
        $"{Describe(element)} is unknown here. Use {string.Join(", ", Words<T>.All)}.";

    /// <summary>A prefix with host bits set is nearly right: say both things that may have been meant.</summary>
    private static string Mend(JsonElement element) =>
        InterfaceAddress.TryParse(TextOf(element), out var meant) && meant.Address != meant.Prefix.Network
            ? $" It has host bits set: write {meant.Prefix}."
            : "";

    private JsonElement? Array(string field)
    {
        if (Find(field) is not { } value) return null;
        if (value.ValueKind == JsonValueKind.Array) return value;
        Problem(field, $"{Describe(value)} stands here. Write a list in square brackets.");
        return null;
    }

    private ImmutableArray<T> List<T>(string field, Func<SchemaNode> shape, Func<JsonElement, string, T?> read) where T : struct
    {
        schema?.Has(field, SchemaNode.List(shape()));
        if (Array(field) is not { } array) return [];
        var list = ImmutableArray.CreateBuilder<T>();
        var index = 0;
        foreach (var element in array.EnumerateArray())
            if (read(element, $"{At(field)}[{index++}]") is { } item) list.Add(item);
        return list.ToImmutable();
    }
}
