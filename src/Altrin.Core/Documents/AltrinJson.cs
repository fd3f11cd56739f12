using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Altrin.Core.Network;

namespace Altrin.Core.Documents;

/// <summary>How Altrin writes JSON everywhere: camel case, nothing for null, letters as they are.</summary>
public static class AltrinJson
{
    public static readonly JsonSerializerOptions Compact = Make(indented: false);
    public static readonly JsonSerializerOptions Indented = Make(indented: true);

    /// <summary>The document as JSON: fields in the order of the format, two spaces, a line end at the end.</summary>
    public static string Write(NetworkDocument document) => JsonSerializer.Serialize(document, Indented) + "\n";

    public static string WriteCompact(NetworkDocument document) => JsonSerializer.Serialize(document, Compact);

    /// <param name="shapes">Null: looked up as the program runs.</param>
    internal static JsonSerializerOptions Make(bool indented, IJsonTypeInfoResolver? shapes = null)
    {
        var options = new JsonSerializerOptions { WriteIndented = indented, NewLine = "\n", TypeInfoResolver = shapes };
        Configure(options);
        options.MakeReadOnly();
        return options;
    }

    /// <summary>Gives another serializer, the web's, the same manners.</summary>
    public static void Configure(JsonSerializerOptions options)
    {
        options.PropertyNamingPolicy = JsonNamingPolicy.CamelCase;
        options.DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull;
        options.NumberHandling = JsonNumberHandling.Strict;
        options.AllowOutOfOrderMetadataProperties = true;
        options.RespectNullableAnnotations = true;
        options.RespectRequiredConstructorParameters = true;
        options.UnmappedMemberHandling = JsonUnmappedMemberHandling.Skip;
        // The default encoder escapes every letter with an accent; these files are read by people.
        options.Converters.Add(new KitKindConverter());
        options.Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping;
        options.TypeInfoResolver = (options.TypeInfoResolver ?? new DefaultJsonTypeInfoResolver()).WithAddedModifier(LeaveOutEmpty).WithAddedModifier(Sort);
    }

    /// <summary>Kinds that are named each in its own file come in whatever order the compiler finds the files: what is published of them is in order of their names.</summary>
    private static void Sort(JsonTypeInfo shape)
    {
        if (shape.PolymorphismOptions is not { } kinds) return;
        var sorted = kinds.DerivedTypes.OrderBy(one => one.TypeDiscriminator as string, StringComparer.Ordinal).ToList();
        kinds.DerivedTypes.Clear();
        foreach (var kind in sorted) kinds.DerivedTypes.Add(kind);
    }

    /// <summary>A document that never heard of rooms is written as it was read.</summary>
    private static void LeaveOutEmpty(JsonTypeInfo shape)
    {
        foreach (var field in shape.Properties)
            if (field.AttributeProvider?.IsDefined(typeof(OmitEmptyAttribute), false) == true)
                field.ShouldSerialize = static (_, value) => value is System.Collections.ICollection { Count: > 0 };
    }
}
