using System.Text.Json;
using System.Text.Json.Serialization;

namespace Altrin.Core.Network;

/// <summary>How a thing is on the network: by cable or over the air, never both.</summary>
[JsonConverter(typeof(AttachmentConverter))]
public abstract record Attachment : DocumentPart
{
    private Attachment() { }

    /// <summary>Null over the air.</summary>
    [JsonIgnore]
    public Socket? Socket => (this as Plug)?.Into;

    public static Attachment To(Socket socket) => new Plug { Device = socket.Device, Port = socket.Port };

    public abstract T Match<T>(Func<Plug, T> plugged, Func<Join, T> joined);

    /// <summary>The same where the named box is gone: unplugged, or joined without it.</summary>
    public Attachment? Without(string device) => Match(
        plug => plug.Device == device ? null : plug,
        join => (Attachment?)(join.Near == device ? join with { Near = null } : join));

    public sealed record Plug : Attachment
    {
        public required string Device { get; init; }
        public required string Port { get; init; }

        [JsonIgnore]
        public Socket Into => new(Device, Port);

        public override T Match<T>(Func<Plug, T> plugged, Func<Join, T> joined) => plugged(this);
    }

    public sealed record Join : Attachment
    {
        public required string Ssid { get; init; }

        /// <summary>Null: open.</summary>
        public WifiSecurity? Security { get; init; }

        public string? Key { get; init; }

        /// <summary>The device that is heard best.</summary>
        public string? Near { get; init; }

        public override T Match<T>(Func<Plug, T> plugged, Func<Join, T> joined) => joined(this);
    }
}

/// <summary>No word tells the two apart in the document: an <c>ssid</c> does.</summary>
internal sealed class AttachmentConverter : JsonConverter<Attachment>
{
    public override Attachment Read(ref Utf8JsonReader reader, Type type, JsonSerializerOptions options)
    {
        var element = JsonElement.ParseValue(ref reader);
        bool Has(string field) => element.TryGetProperty(field, out var value) && value.ValueKind != JsonValueKind.Null;
        if (element.ValueKind != JsonValueKind.Object) throw new JsonException("Write a device and a port, or an ssid.");
        if (Has("ssid") && (Has("device") || Has("port"))) throw new JsonException("A thing is plugged in or on Wi-Fi, not both. Leave out ssid, or device and port.");
        return Has("ssid") ? Of<Attachment.Join>(element, options) : Of<Attachment.Plug>(element, options);
    }

    public override void Write(Utf8JsonWriter writer, Attachment value, JsonSerializerOptions options) =>
        _ = value.Match(
            plug => { JsonSerializer.Serialize(writer, plug, options.GetTypeInfo(typeof(Attachment.Plug))); return true; },
            join => { JsonSerializer.Serialize(writer, join, options.GetTypeInfo(typeof(Attachment.Join))); return true; });

    private static T Of<T>(JsonElement element, JsonSerializerOptions options) where T : Attachment => (T)element.Deserialize(options.GetTypeInfo(typeof(T)))!;
}
