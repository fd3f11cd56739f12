using Altrin.Core.Actions;
using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Network;

namespace Altrin.Core.Diagnosis.Looking;

/// <summary>What may be answered to a look, and what was seen, in words.</summary>
public static class AnswerWords
{
    /// <summary>An answer on a button.</summary>
    public static string Say(NetworkDocument house, Look look, Shown shown)
    {
        if (look.Reading != ReadingKind.Laptop) return Value(house, look.Reading, shown.Sample ?? "", shown.IsAnyOfSubnet);
        var rows = shown.Rows.ToDictionary(row => row.Kind, row => row.Value);
        var address = Value(house, ReadingKind.Address, rows[ReadingKind.Address].Sample ?? "", rows[ReadingKind.Address].IsAnyOfSubnet);
        var gateway = rows[ReadingKind.Gateway].Sample is { } at and not "none" ? $", gateway {at}" : "";
        // The gateway is the name server in most houses; only where it is not is it said.
        var servers = rows[ReadingKind.Dns].Sample is { Length: > 0 } dns && dns != rows[ReadingKind.Gateway].Sample
            ? $", name servers {dns}" : "";
        var layers = rows[ReadingKind.NatLayers].Sample is { } n and not "1" ? $" over {n} translations" : "";
        var internet = rows[ReadingKind.Internet].Sample != "yes" ? "no internet" : rows[ReadingKind.Lookup].Sample == "yes"
            ? $"internet{layers}" : "internet by numbers, names are not found";
        return $"{address}{gateway}{servers}, {internet}";
    }

    /// <summary>What was seen: of whom, what.</summary>
    public static string Say(NetworkDocument house, Sighting seen)
    {
        var look = seen.Look;
        var value = Value(house, look.Reading, seen.Value, isAnyOfSubnet: false);
        return look.Reading switch
        {
            ReadingKind.Page => $"{Where(house, look)}: at http://{look.At}: {value}",
            ReadingKind.Ping => $"{Where(house, look)}: ping {look.At}: {value}",
            ReadingKind.Network => $"Wi-Fi {look.Ssid} in the list: {value}",
            ReadingKind.Reach => $"{house.NameOf(look.Who!)} reaches {house.NameOf(look.To!)}: {value}",
            ReadingKind.Outside => $"Port {look.OutsidePort} of {house.NameOf(look.Endpoint!)} from outside: {value}",
            ReadingKind.WanAddress => $"Outside address on the page of {house.NameOf(look.Device!)}: {value}",
            ReadingKind.Listed => $"{look.Mac} in the list of {house.NameOf(look.Device!)}: {value}",
            ReadingKind.Mode => $"Mode on the page of {house.NameOf(look.Device!)}: {value}",
            ReadingKind.Dhcp => $"DHCP server of {house.NameOf(look.Device!)}: {value}",
            ReadingKind.Power => $"Power at {house.NameOf(look.Device!)}: {value}",
            ReadingKind.Link => $"Lamp at {house.SocketName(new(look.Device!, look.Port!))}: {value}",
            _ => $"{Where(house, look)}: {Name(look.Reading)}: {value}",
        };
    }

    private static string Name(ReadingKind kind) => kind switch
    {
        ReadingKind.Dns => "name servers",
        ReadingKind.Server => "leased by",
        ReadingKind.Lookup => "names are found",
        ReadingKind.NatLayers => "translations (NAT)",
        ReadingKind.Joined => "has joined",
        _ => Words<ReadingKind>.Of(kind),
    };

    private static string Where(NetworkDocument house, Look look) => look.Who is { } who ? house.NameOf(who)
        : look.From?.Connect?.Match(plug => $"Laptop in {house.SocketName(plug.Into)}",
            join => $"Laptop on {join.Ssid}{(join.Near is { } near ? $" of {house.NameOf(near)}" : "")}")
        ?? "Laptop";

    private static string Value(NetworkDocument house, ReadingKind kind, string value, bool isAnyOfSubnet) => kind switch
    {
        ReadingKind.Address or ReadingKind.WanAddress when value.StartsWith("169.254.", StringComparison.Ordinal) =>
            "169.254…: it gave itself one",
        ReadingKind.Address or ReadingKind.WanAddress when value == "none" => "no address",
        ReadingKind.Address or ReadingKind.WanAddress when isAnyOfSubnet => $"{value[..(value.LastIndexOf('.') + 1)]}x",
        ReadingKind.Gateway when value == "none" => "no gateway",
        ReadingKind.Server when value == "none" => "nobody",
        ReadingKind.Dns when value.Length == 0 => "none",
        ReadingKind.Page when value == Shown.Nobody => "nobody answers",
        ReadingKind.Page when value == Shown.Other => "a page of none of these boxes",
        ReadingKind.Page => $"the page of {house.NameOf(value)}",
        ReadingKind.Joined when value == Shown.Nobody => "none",
        ReadingKind.Joined => house.NameOf(value),
        ReadingKind.Link when value == "none" => "dark",
        ReadingKind.Link => $"lit, {value} Mb/s",
        ReadingKind.Mode when Words<DeviceMode>.TryRead(value, out var mode) => mode.Say(),
        ReadingKind.Mode or ReadingKind.Dhcp or ReadingKind.Listed when value == "none" => "its page does not open",
        _ => value,
    };
}
