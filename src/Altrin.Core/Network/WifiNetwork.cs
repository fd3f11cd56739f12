using System.Text.Json;
using System.Text.Json.Serialization;

namespace Altrin.Core.Network;

[JsonConverter(typeof(WordConverter<WifiSecurity>))]
public enum WifiSecurity { Open, Wep, Wpa, Wpa2, Wpa2Wpa3, Wpa3 }

/// <summary>A Wi-Fi network that a box makes.</summary>
public sealed record WifiNetwork : DocumentPart
{
    public required string Radio { get; init; }
    public required string Ssid { get; init; }
    public WifiSecurity Security { get; init; } = WifiSecurity.Open;

    /// <summary>The name of a stored secret, never the secret: same name, same password.</summary>
    public string? Key { get; init; }

    public WifiChannel? Channel { get; init; }
    public int? WidthMHz { get; init; }
    public bool Broadcast { get; init; } = true;
    public bool Enabled { get; init; } = true;
    public bool Guest { get; init; }

    /// <summary>The VLAN that its devices are in; null is VLAN 1, the box's own network.</summary>
    public int? Vlan { get; init; }
}

/// <summary>A channel by number, or “auto” (<see cref="Number"/> null): then the box picks and changes it as it likes.</summary>
[JsonConverter(typeof(WifiChannelConverter))]
public readonly record struct WifiChannel(int? Number);

public sealed class WifiChannelConverter : JsonConverter<WifiChannel>
{
    public override WifiChannel Read(ref Utf8JsonReader reader, Type type, JsonSerializerOptions options) =>
        reader.TokenType switch
        {
            JsonTokenType.String when reader.ValueTextEquals("auto") => new(null),
            JsonTokenType.Number when reader.TryGetInt32(out var number) => new(number),
            _ => throw new JsonException("Write a channel number, or “auto”."),
        };

    public override void Write(Utf8JsonWriter writer, WifiChannel value, JsonSerializerOptions options)
    {
        if (value.Number is { } number) writer.WriteNumberValue(number);
        else writer.WriteStringValue("auto");
    }
}

/// <summary>A box's radio joining another box's network.</summary>
public sealed record Uplink : DocumentPart
{
    public required string Radio { get; init; }
    public required string Ssid { get; init; }
    public WifiSecurity Security { get; init; } = WifiSecurity.Open;
    public string? Key { get; init; }
    public string? Near { get; init; }
}

[JsonConverter(typeof(WordConverter<Medium>))]
public enum Medium { Ethernet, Powerline, Coax }

public sealed record Cable : DocumentPart
{
    public required string Id { get; init; }
    public required Socket A { get; init; }
    public required Socket B { get; init; }
    public Medium Medium { get; init; } = Medium.Ethernet;
    public string? Category { get; init; }
    public double? LengthM { get; init; }

    /// <summary>What its two sockets agreed on, where that is less than they can; null: nobody has looked.</summary>
    public double? AgreedMbps { get; init; }
}
