using System.Reflection;
using System.Runtime.CompilerServices;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Altrin.Core.Network;

/// <summary>The document's word for each value of an enumeration: AccessPoint is written “access-point”.</summary>
/// <remarks>Two arrays, not dictionaries: each kind of dictionary would be compiled anew at every start of the command line.
/// Every enumeration here counts from 0 without a gap.</remarks>
public static class Words<T> where T : struct, Enum
{
    private static readonly string[] ByValue =
    [
        .. typeof(T).GetFields(BindingFlags.Public | BindingFlags.Static).Select(field =>
            field.GetCustomAttribute<JsonStringEnumMemberNameAttribute>()?.Name ?? JsonNamingPolicy.KebabCaseLower.ConvertName(field.Name)),
    ];

    public static IEnumerable<string> All => ByValue;
    public static string Of(T value) => ByValue[Unsafe.As<T, int>(ref value)];

    public static bool TryRead(string? word, out T value)
    {
        var index = word is null ? -1 : Array.IndexOf(ByValue, word);
        value = default;
        if (index < 0) return false;
        value = Unsafe.As<int, T>(ref index);
        return true;
    }
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
