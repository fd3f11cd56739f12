using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;

namespace Altrin.Core.Readings.Parsers;

/// <summary>Writes <c>altrin.reading/1</c>: what the text does not say is left out.</summary>
public static class ReadingWriter
{
    private static readonly string[] Kinds = ["ethernet", "wifi", "virtual", "other"];

    public static string Write(PastedReading reading, bool indented = false)
    {
        using var buffer = new MemoryStream();
        using (var json = new Utf8JsonWriter(buffer, new()
        {
            Indented = indented,
            NewLine = "\n",
            Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping
        })) Write(reading, json);
        return Encoding.UTF8.GetString(buffer.ToArray());
    }

    private static void Write(PastedReading reading, Utf8JsonWriter json)
    {
        bool Tells(ReadingPart part) => reading.Tells.Contains(part);
        void Text(string name, string? value)
        {
            if (value is not null) json.WriteString(name, value);
        }
        void Number(string name, double? value)
        {
            if (value is { } number) json.WriteNumber(name, number);
        }
        json.WriteStartObject();
        json.WriteString("format", "altrin.reading/1");
        json.WriteString("source", reading.Source);
        Text("language", reading.Language);
        if (Tells(ReadingPart.Adapters) || reading.Adapters.Length > 0)
        {
            json.WriteStartArray("adapters");
            foreach (var one in reading.Adapters)
            {
                json.WriteStartObject();
                if (one.Name.Length > 0) json.WriteString("name", one.Name);
                json.WriteString("kind", Kinds[(int)one.Kind]);
                Text("mac", one.Mac);
                Text("address", one.Address);
                Text("gateway", one.Gateway);
                if (!one.Dns.IsEmpty) List("dns", one.Dns);
                Text("method", one.Method);
                Text("server", one.Server);
                if (one.LinkLocal is { } linkLocal) json.WriteBoolean("linkLocal", linkLocal);
                if (!one.Also.IsEmpty) List("also", one.Also);
                json.WriteEndObject();
            }
            json.WriteEndArray();
        }
        if (Tells(ReadingPart.Neighbours))
        {
            json.WriteStartArray("neighbours");
            foreach (var one in reading.Neighbours)
            {
                json.WriteStartObject();
                json.WriteString("address", one.Address);
                json.WriteString("mac", one.Mac);
                json.WriteString("name", one.Name);
                Text("adapter", one.Adapter);
                json.WriteEndObject();
            }
            json.WriteEndArray();
        }
        if (Tells(ReadingPart.Networks))
        {
            json.WriteStartArray("networks");
            foreach (var one in reading.Networks)
            {
                json.WriteStartObject();
                json.WriteString("ssid", one.Ssid);
                Text("bssid", one.Bssid);
                Text("band", one.Band);
                Number("channel", one.Channel);
                Number("widthMHz", one.WidthMHz);
                Number("levelDbm", one.LevelDbm);
                Number("signalPercent", one.SignalPercent);
                Text("security", one.Security);
                json.WriteEndObject();
            }
            json.WriteEndArray();
        }
        if (Tells(ReadingPart.Hops))
        {
            json.WriteStartArray("hops");
            foreach (var one in reading.Hops)
            {
                json.WriteStartObject();
                json.WriteNumber("n", one.N);
                json.WriteString("address", one.Address);
                if (one.Ms is { } ms) json.WriteNumber("ms", ms);
                else json.WriteNull("ms");
                json.WriteEndObject();
            }
            json.WriteEndArray();
        }
        if (Tells(ReadingPart.Pings))
        {
            json.WriteStartArray("pings");
            foreach (var one in reading.Pings)
            {
                json.WriteStartObject();
                json.WriteString("target", one.Target);
                Number("sent", one.Sent);
                Number("received", one.Received);
                Number("ms", one.Ms);
                json.WriteEndObject();
            }
            json.WriteEndArray();
        }
        if (reading.Pages.Length > 0)
        {
            json.WriteStartArray("pages");
            foreach (var one in reading.Pages)
            {
                json.WriteStartObject();
                json.WriteString("address", one.Address);
                json.WriteBoolean("opens", one.Opens);
                Text("title", one.Title);
                json.WriteEndObject();
            }
            json.WriteEndArray();
        }
        json.WriteStartArray("unread");
        foreach (var line in reading.Unread) json.WriteNumberValue(line);
        json.WriteEndArray();
        json.WriteEndObject();

        void List(string name, IEnumerable<string> values)
        {
            json.WriteStartArray(name);
            foreach (var value in values) json.WriteStringValue(value);
            json.WriteEndArray();
        }
    }
}
