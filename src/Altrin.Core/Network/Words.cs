using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Altrin.Core.Network;

/// <summary>The document's word for each value of an enumeration: AccessPoint is written “access-point”.</summary>
public static class Words<T> where T : struct, Enum
{
    private static readonly Dictionary<string, T> ByWord = Enum.GetValues<T>().ToDictionary(WordOf, StringComparer.Ordinal);
    private static readonly Dictionary<T, string> ByValue = ByWord.ToDictionary(pair => pair.Value, pair => pair.Key);

    public static IEnumerable<string> All => Enum.GetValues<T>().Select(Of);
    public static string Of(T value) => ByValue[value];
    public static bool TryRead(string? word, out T value)
    {
        value = default;
        return word is not null && ByWord.TryGetValue(word, out value);
    }

    private static string WordOf(T value) =>
        typeof(T).GetField(value.ToString())!.GetCustomAttribute<JsonStringEnumMemberNameAttribute>()?.Name
        ?? JsonNamingPolicy.KebabCaseLower.ConvertName(value.ToString());
}

public sealed class WordConverter<T> : JsonConverter<T> where T : struct, Enum
{
    public override T Read(ref Utf8JsonReader reader, Type type, JsonSerializerOptions options)
    {
        var word = reader.TokenType == JsonTokenType.String ? reader.GetString() : null;
        return Words<T>.TryRead(word, out var value)
            ? value
            : throw new JsonException($"“{word}” is unknown here. Use {string.Join(", ", Words<T>.All)}.");
    }

    public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) =>
        writer.WriteStringValue(Words<T>.Of(value));
}
