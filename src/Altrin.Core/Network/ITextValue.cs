using System.Text.Json;
using System.Text.Json.Serialization;

namespace Altrin.Core.Network;

/// <summary>A value that the document writes as one string.</summary>
public interface ITextValue<T> where T : struct, ITextValue<T>
{
    /// <summary>What a reader of an error message should have written, in a few words.</summary>
    static abstract string Expected { get; }

    static abstract bool TryParse(string? text, out T value);
}

/// <summary>Reads and writes a <see cref="ITextValue{T}"/>; what it cannot read it names together with what it expected.</summary>
public sealed class TextConverter<T> : JsonConverter<T> where T : struct, ITextValue<T>
{
    public override T Read(ref Utf8JsonReader reader, Type type, JsonSerializerOptions options)
    {
        if (reader.TokenType != JsonTokenType.String) throw new JsonException($"Write {T.Expected}, as text.");
        var text = reader.GetString();
        return T.TryParse(text, out var value) ? value : throw new JsonException($"“{text}” is not {T.Expected}.");
    }

    public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) =>
        writer.WriteStringValue(value.ToString());
}
