using System.Text.Json;
using Altrin.Core.Handover.Imports;

namespace Altrin.Core.Formats;

/// <summary>Writes <c>altrin.import/1</c>: what a table would change in a house.</summary>
public static class ImportWriter
{
    public const string Format = "altrin.import/1";

    public static void Write(TableImport import, Utf8JsonWriter json)
    {
        json.WriteStartObject();
        json.WriteString("format", Format);
        json.WriteString("kind", import.Kind);
        json.WriteStartArray("deeds");
        foreach (var deed in import.Deeds)
        {
            json.WriteStartObject();
            json.WriteNumber("n", deed.Number);
            json.WriteNumber("row", deed.Row);
            json.WriteString("id", deed.Subject);
            json.WriteString("column", deed.Column);
            json.WriteString("from", deed.From);
            json.WriteString("to", deed.To);
            json.WriteString("says", deed.Says);
            json.WriteEndObject();
        }
        json.WriteEndArray();
        Problems(json, "unmatched", import.Unmatched);
        json.WriteStartArray("ignored");
        foreach (var column in import.Ignored) json.WriteStringValue(column);
        json.WriteEndArray();
        Problems(json, "problems", import.Problems);
        json.WriteEndObject();
    }

    private static void Problems(Utf8JsonWriter json, string name, IEnumerable<ImportProblem> all)
    {
        json.WriteStartArray(name);
        foreach (var one in all)
        {
            json.WriteStartObject();
            json.WriteNumber("row", one.Row);
            if (one.Column is not null) json.WriteString("column", one.Column);
            json.WriteString("says", one.Says);
            json.WriteEndObject();
        }
        json.WriteEndArray();
    }
}
