using System.Collections.Immutable;
using System.Globalization;
using System.Text.Json;
using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Documents;
using Altrin.Core.Network;

namespace Altrin.Core.Formats;

/// <summary>Reads <c>altrin.sightings/1</c> of a house. Total: any bytes give sightings or problems.</summary>
public static class SightingsReader
{
    public const string Format = "altrin.sightings/1";

    /// <summary>More than anybody looks at; what is longer is refused.</summary>
    public const int MostSightings = 500;

    /// <summary>Every place is a house of its own to be played, for every cause.</summary>
    public const int MostPlaces = 40;

    public static (ImmutableArray<Sighting> Seen, IReadOnlyList<DocumentProblem> Problems) Read(ReadOnlyMemory<byte> utf8,
        NetworkDocument house)
    {
        var problems = new ProblemList();
        var seen = StrictJson.Open(utf8, problems, reader => Checked(reader, house, problems)) ?? [];
        return problems.Found.Count == 0 ? ([.. seen], []) : ([], problems.Found);
    }

    public static (ImmutableArray<Sighting> Seen, IReadOnlyList<DocumentProblem> Problems) Read(JsonElement root, NetworkDocument house)
    {
        var problems = new ProblemList();
        var seen = ObjectReader.Open(root, "", problems) is { } reader ? Checked(reader, house, problems) : [];
        return problems.Found.Count == 0 ? ([.. seen], []) : ([], problems.Found);
    }

    private static List<Sighting> Checked(ObjectReader r, NetworkDocument house, ProblemList problems)
    {
        var format = r.RequiredText("format");
        if (format.Length > 0
            && format != Format) r.Problem("format", $"“{format}” is another format or version. This program reads {Format}.");
        if (r.Find("seen") is null) r.Missing("seen", "a list of what was seen");
        var seen = r.Objects("seen", one => One(one, house)).ToList();
        if (seen.Count > MostSightings) problems.Add("seen", $"More than {MostSightings} sightings. Leave out what was seen long ago.");
        var places = seen.Select(one => one.Look.From).OfType<LaptopPlace>().Select(Ground.KeyOf).Distinct().Count();
        if (places > MostPlaces) problems.Add("seen",
            $"The laptop was at more than {MostPlaces} places. Leave out what was seen long ago.");
        return seen;
    }

    private static Sighting One(ObjectReader r, NetworkDocument house)
    {
        var from = r.Object("from", one => From(one, house));
        var kind = r.RequiredWord<ReadingKind>("reading");
        if (kind == ReadingKind.Laptop) r.Problem("reading",
            "Write what the laptop showed as its readings, one each: address, gateway, server and so on.");
        var (who, to, endpoint) = (Thing("who"), Thing("to"), Thing("endpoint"));
        var device = r.Text("device");
        if (device is not null && house.FindDevice(device) is null) r.Problem("device", $"There is no box “{device}” in this house.");
        var port = kind == ReadingKind.Link ? r.Text("port") : null;
        if (port is not null && device is not null && house.FindDevice(device) is { } box && box.FindPort(port) is null)
            r.Problem("port", $"{box.Name} has no socket “{port}”. It has {string.Join(", ", box.Ports.Select(one => one.Id))}.");
        var look = new Look(kind, from, who, device, port, kind is ReadingKind.Page or ReadingKind.Ping ? r.Value<Ipv4Address>("address")
            : null,
            r.Text("ssid"), to, endpoint, kind == ReadingKind.Outside ? r.Whole("port", 1, 65535) : null, r.Value<MacAddress>("mac"));
        Require(r, look);
        return new(look, Value(r, kind));

        string? Thing(string field)
        {
            if (r.Text(field) is not { } id) return null;
            if (house.FindEndpoint(id) is null) r.Problem(field, $"There is no thing “{id}” in this house.");
            return id;
        }
    }

    private static LaptopPlace From(ObjectReader r, NetworkDocument house)
    {
        var connect = r.Object("connect", DocumentReader.Attachment);
        if (connect?.Socket is { } socket)
        {
            if (house.FindDevice(socket.Device) is not { } box) r.Problem("connect.device",
                $"There is no box “{socket.Device}” in this house.");
            else if (box.FindPort(socket.Port) is null)
                r.Problem("connect.port",
                    $"{box.Name} has no socket “{socket.Port}”. It has {string.Join(", ", box.Ports.Select(one => one.Id))}.");
        }
        if (connect is Attachment.Join { Near: { } near }
            && house.FindDevice(near) is null) r.Problem("connect.near", $"There is no box “{near}” in this house.");
        var address = r.Object("address", DocumentReader.EndpointAddress) ?? new();
        return new(connect, address.Dns.IsDefaultOrEmpty ? address with { Dns = [] } : address);
    }

    /// <summary>What each reading is of.</summary>
    private static void Require(ObjectReader r, Look look)
    {
        void Need(bool isThere, string field, string what)
        {
            if (!isThere) r.Missing(field, what);
        }
        switch (look.Reading)
        {
            case ReadingKind.NatLayers or ReadingKind.Page or ReadingKind.Ping:
                Need(look.From is not null, "from", "where the laptop was");
                if (look.Reading != ReadingKind.NatLayers) Need(look.At is not null, "address", "the address that was opened or pinged");
                break;
            case ReadingKind.Network: Need(look.Ssid is not null, "ssid", "the name of the Wi-Fi network"); break;
            case ReadingKind.Reach:
                Need(look.Who is not null, "who", "the thing that was tried");
                Need(look.To is not null, "to", "the thing it was to reach");
                break;
            case ReadingKind.Outside:
                Need(look.Endpoint is not null, "endpoint", "the thing whose service was tried");
                Need(look.OutsidePort is not null, "port", "the service's port");
                break;
            case ReadingKind.WanAddress or ReadingKind.Listed or ReadingKind.Mode or ReadingKind.Dhcp or ReadingKind.Power or ReadingKind.Link:
                Need(look.Device is not null, "device", "the box that was looked at");
                if (look.Reading == ReadingKind.Listed) Need(look.Mac is not null, "mac", "the MAC that was looked for");
                if (look.Reading == ReadingKind.Link) Need(look.Port is not null, "port", "the socket whose lamp was looked at");
                break;
            default:
                Need(look.From is not null || look.Who is not null, "who", "a thing of the household, or from: where the laptop was");
                break;
        }
    }

    private static string Value(ObjectReader r, ReadingKind kind)
    {
        if (r.Find("value") is not { } value)
        {
            r.Missing("value", "what was seen");
            return "";
        }
        if (kind == ReadingKind.Dns && value.ValueKind == JsonValueKind.Array)
            return Shown.Servers(r.ValueList<Ipv4Address>("value").Select(one => $"{one}"));
        if (value.ValueKind == JsonValueKind.Number) return Shown.Number(value.GetDouble());
        var text = r.Text("value") ?? "";
        var words = Words(kind);
        if (words.Length > 0
            && !words.Contains(text)) r.Problem("value", $"“{text}” cannot be seen here. Write {string.Join(", ", words)}.");
        if (NeedsAddress(kind) && text != "none"
            && !Ipv4Address.TryParse(text, out _)) r.Problem("value", $"“{text}” is not {Ipv4Address.Expected}, or none.");
        if (kind == ReadingKind.Dns && text is "none" or "") return "";
        return kind == ReadingKind.Dns ? Shown.Servers(text.Split([' ', ','], StringSplitOptions.RemoveEmptyEntries)) : text;
    }

    private static bool NeedsAddress(ReadingKind kind) =>
        kind is ReadingKind.Address or ReadingKind.Gateway or ReadingKind.Server or ReadingKind.WanAddress;

    private static string[] Words(ReadingKind kind) => kind switch
    {
        ReadingKind.Internet or ReadingKind.Lookup or ReadingKind.Ping or ReadingKind.Network or ReadingKind.Reach or ReadingKind.Outside or ReadingKind.Power
            => ["yes", "no"],
        ReadingKind.Listed => ["yes", "no", "none"],
        ReadingKind.Dhcp => ["on", "off", "none"],
        ReadingKind.Mode => [.. Network.Words<DeviceMode>.All, "none"],
        _ => [],
    };
}
