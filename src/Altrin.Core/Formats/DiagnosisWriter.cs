using System.Collections.Immutable;
using System.Globalization;
using System.Text.Json;
using Altrin.Core.Diagnosis;
using Altrin.Core.Diagnosis.Causes;
using Altrin.Core.Diagnosis.Looking;
using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Documents;
using Altrin.Core.Network;

namespace Altrin.Core.Formats;

/// <summary>Writes <c>altrin.diagnosis/1</c>, and sightings as they are read.</summary>
public static class DiagnosisWriter
{
    public const string Format = "altrin.diagnosis/1";

    public static void Write(DiagnosisResult diagnosis, Utf8JsonWriter json)
    {
        json.WriteStartObject();
        json.WriteString("format", Format);
        json.WriteBoolean("agrees", diagnosis.Agrees);
        Numbers(json, "odd", diagnosis.Odd);
        json.WriteStartArray("causes");
        foreach (var group in diagnosis.Causes) Group(group, json);
        json.WriteEndArray();
        json.WriteStartArray("tests");
        foreach (var look in diagnosis.Looks)
        {
            json.WriteStartObject();
            json.WriteString("do", look.Do);
            LookFields(look.Look, json);
            json.WriteNumber("minutes", look.Minutes);
            json.WriteNumber("bits", Math.Round(look.Bits, 4));
            json.WriteStartArray("answers");
            foreach (var answer in look.Answers)
            {
                json.WriteStartObject();
                json.WritePropertyName("value");
                Value(look.Look.Reading, answer.Value, json);
                Numbers(json, "causes", answer.Causes);
                json.WriteEndObject();
            }
            json.WriteEndArray();
            json.WriteEndObject();
        }
        json.WriteEndArray();
        json.WriteBoolean("settled", diagnosis.IsSettled);
        json.WriteBoolean("pairs", diagnosis.ArePairs);
        json.WriteEndObject();
    }

    private static void Group(CauseGroup group, Utf8JsonWriter json)
    {
        json.WriteStartObject();
        json.WriteNumber("sure", Math.Round(group.Sure, 4));
        json.WriteStartArray("alike");
        foreach (var cause in group.Alike) Entry(cause, json);
        json.WriteEndArray();
        json.WritePropertyName("house");
        JsonSerializer.Serialize(json, group.House, AltrinJson.Compact);
        if (group.Laptop is { } place) Place("laptop", place, json);
        else json.WriteNull("laptop");
        json.WriteStartArray("mend");
        foreach (var action in group.Mend) ActionWriter.Write(json, action);
        json.WriteEndArray();
        json.WriteNumber("mendMinutes", group.MendMinutes);
        json.WriteBoolean("proved", group.IsProved);
        Numbers(json, "against", group.Against);
        json.WriteEndObject();
    }

    /// <summary>A cause by its kind and subject.</summary>
    /// <param name="further">Writes fields of its own behind those.</param>
    public static void Entry(Cause cause, Utf8JsonWriter json, Action? further = null)
    {
        json.WriteStartObject();
        json.WriteString("kind", cause.Kind.Name);
        if (!cause.Of.IsEmpty)
        {
            json.WriteStartArray("of");
            foreach (var one in cause.Of) Entry(one, json);
            json.WriteEndArray();
        }
        foreach (var (field, value) in cause.Subject)
        {
            json.WritePropertyName(field);
            if (value is Attachment connect) JsonSerializer.Serialize(json, connect, AltrinJson.Compact);
            else JsonSerializer.Serialize(json, value, value.GetType());
        }
        json.WriteString("sentence", cause.Sentence);
        further?.Invoke();
        json.WriteEndObject();
    }

    /// <summary>A sighting as <see cref="SightingsReader"/> reads it.</summary>
    public static void Write(Sighting sighting, Utf8JsonWriter json)
    {
        json.WriteStartObject();
        LookFields(sighting.Look, json);
        json.WritePropertyName("value");
        Plain(sighting.Look.Reading, sighting.Value, json);
        json.WriteEndObject();
    }

    public static void WriteSightings(IEnumerable<Sighting> seen, Utf8JsonWriter json)
    {
        json.WriteStartArray("seen");
        foreach (var one in seen) Write(one, json);
        json.WriteEndArray();
    }

    private static void LookFields(Look look, Utf8JsonWriter json)
    {
        if (look.From is { } from) Place("from", from, json);
        if (look.Who is { } who) json.WriteString("who", who);
        json.WriteString("reading", Words<ReadingKind>.Of(look.Reading));
        if (look.Device is { } device) json.WriteString("device", device);
        if (look.Port is { } port) json.WriteString("port", port);
        if (look.At is { } address) json.WriteString("address", $"{address}");
        if (look.Ssid is { } ssid) json.WriteString("ssid", ssid);
        if (look.To is { } to) json.WriteString("to", to);
        if (look.Endpoint is { } endpoint) json.WriteString("endpoint", endpoint);
        if (look.OutsidePort is { } outside) json.WriteNumber("port", outside);
        if (look.Mac is { } mac) json.WriteString("mac", $"{mac}");
    }

    private static void Place(string field, LaptopPlace place, Utf8JsonWriter json)
    {
        json.WriteStartObject(field);
        json.WritePropertyName("connect");
        JsonSerializer.Serialize(json, place.Connect, AltrinJson.Compact);
        json.WritePropertyName("address");
        JsonSerializer.Serialize(json, place.Address, AltrinJson.Compact);
        json.WriteEndObject();
    }

    private static void Value(ReadingKind kind, Shown shown, Utf8JsonWriter json)
    {
        if (kind != ReadingKind.Laptop)
        {
            Plain(kind, shown.Sample ?? "", json);
            return;
        }
        json.WriteStartObject();
        foreach (var (row, value) in shown.Rows)
        {
            if (value.Sample is not { } sample) continue;
            json.WritePropertyName(Words<ReadingKind>.Of(row));
            Plain(row, sample, json);
        }
        json.WriteEndObject();
    }

    private static void Plain(ReadingKind kind, string value, Utf8JsonWriter json)
    {
        if (kind == ReadingKind.Dns)
        {
            json.WriteStartArray();
            foreach (var server in value.Split(' ', StringSplitOptions.RemoveEmptyEntries)) json.WriteStringValue(server);
            json.WriteEndArray();
        }
        else if (kind is ReadingKind.NatLayers or ReadingKind.Link
            && double.TryParse(value, NumberStyles.Float, CultureInfo.InvariantCulture, out var number))
            json.WriteNumberValue(number);
        else json.WriteStringValue(value);
    }

    private static void Numbers(Utf8JsonWriter json, string field, ImmutableArray<int> numbers)
    {
        json.WriteStartArray(field);
        foreach (var number in numbers) json.WriteNumberValue(number);
        json.WriteEndArray();
    }
}
