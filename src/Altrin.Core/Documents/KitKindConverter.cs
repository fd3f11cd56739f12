using System.Text.Json;
using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.Documents;

/// <summary>Writes and reads a kind inside a document or an action as <c>altrin.kit/1</c> has it.</summary>
internal sealed class KitKindConverter : JsonConverter<KitKind>
{
    /// <exception cref="JsonException">It is no kind; the message says why.</exception>
    public override KitKind Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        using var json = JsonDocument.ParseValue(ref reader);
        var read = KitReader.Read(json.RootElement.GetRawText());
        return read.Kind ?? throw new JsonException(read.Problems[0].ToString());
    }

    public override void Write(Utf8JsonWriter writer, KitKind value, JsonSerializerOptions options) => KitReader.Write(writer, value);
}
