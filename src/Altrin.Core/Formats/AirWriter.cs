using System.Text.Json;
using Altrin.Core.Simulation;

namespace Altrin.Core.Formats;

/// <summary>The part <c>air</c> of a state: levels and rates with one decimal, shares with two.</summary>
internal static class AirWriter
{
    public static void Write(NetworkState state, Utf8JsonWriter json)
    {
        var (air, house) = (state.AirMap, state.House);
        json.WriteStartObject("air");
        json.WriteStartArray("rooms");
        foreach (var one in air.Rooms)
        {
            json.WriteStartObject();
            json.WriteString("room", house.Rooms[one.Room].Id);
            if (one.Source is { } source)
            {
                json.WriteString("device", house.Devices[source.Device].Id);
                json.WriteString("radio", source.Radio.Id);
                json.WriteString("ssid", source.Ssid);
                Number(json, "levelDbm", one.LevelDbm, 1);
                Number(json, "linkMbps", one.LinkMbps, 1);
                Number(json, "expectedMbps", one.Expected.Mbps, 1);
            }
            else json.WriteNull("device");
            json.WriteEndObject();
        }
        json.WriteEndArray();
        json.WriteStartArray("links");
        foreach (var link in air.Links)
        {
            json.WriteStartObject();
            json.WriteString("from", house.Devices[link.From].Id);
            json.WriteString("to", house.Devices[link.To].Id);
            json.WriteString("radio", link.Radio.Id);
            Channel(json, link.Channel.Number);
            Number(json, "levelDbm", link.LevelDbm, 1);
            Number(json, "linkMbps", link.LinkMbps, 1);
            json.WriteEndObject();
        }
        json.WriteEndArray();
        json.WriteStartArray("shares");
        foreach (var source in air.Sources)
        {
            json.WriteStartObject();
            json.WriteString("device", house.Devices[source.Device].Id);
            json.WriteString("radio", source.Radio.Id);
            Channel(json, source.Channel.Number);
            json.WriteStartArray("with");
            foreach (var other in source.With) json.WriteStringValue(other);
            json.WriteEndArray();
            Number(json, "share", source.Share, 2);
            json.WriteEndObject();
        }
        json.WriteEndArray();
        json.WriteEndObject();
    }

    private static void Channel(Utf8JsonWriter json, int? number)
    {
        if (number is { } channel) json.WriteNumber("channel", channel);
        else json.WriteString("channel", "auto");
    }

    private static void Number(Utf8JsonWriter json, string name, double value, int decimals) => json.WriteNumber(name, (decimal)Math.Round(value, decimals, MidpointRounding.AwayFromZero));
}
