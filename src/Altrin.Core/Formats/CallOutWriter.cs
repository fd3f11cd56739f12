using System.Text.Json;
using Altrin.Core.Diagnosis.CallOuts;
using Altrin.Core.Documents;

namespace Altrin.Core.Formats;

/// <summary>Writes <c>altrin.callout/1</c>.</summary>
public static class CallOutWriter
{
    public const string Format = "altrin.callout/1";

    public static void Write(CallOut callOut, Utf8JsonWriter json)
    {
        json.WriteStartObject();
        json.WriteString("format", Format);
        json.WriteNumber("seed", callOut.Seed);
        json.WriteNumber("grade", callOut.Grade);
        json.WriteString("says", callOut.Says);
        json.WritePropertyName("believed");
        JsonSerializer.Serialize(json, callOut.Believed, AltrinJson.Compact);
        DiagnosisWriter.WriteSightings(callOut.Seen, json);
        json.WritePropertyName("hidden");
        DiagnosisWriter.Entry(callOut.Hidden, json, () =>
        {
            json.WritePropertyName("house");
            JsonSerializer.Serialize(json, callOut.Real, AltrinJson.Compact);
        });
        json.WriteEndObject();
    }
}
