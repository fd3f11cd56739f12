using Altrin.Core.Network;

namespace Altrin.Core.Documents;

/// <summary>Reads a want: its kind, then the blanks of that kind and no other.</summary>
internal static class NeedReader
{
    private const string Thing = "the id of an endpoint", Rate = "how many Mb/s";

    public static Need Read(ObjectReader r)
    {
        var id = r.Id("id");
        var nice = r.OptionalFlag("nice");
        // Of an unknown kind no blank can be asked for; the problem is noted, and no document comes of it.
        var need = r.Cases<NeedKind, Need>("kind", (kind, blanks) => Of(kind, id, blanks)) ?? new Need.OneName { Id = id };
        return need with { Nice = nice, Unknown = r.Rest() };
    }

    private static Need Of(NeedKind kind, string id, ObjectReader r) => kind switch
    {
        NeedKind.Internet => new Need.Internet { Id = id, Endpoint = r.RequiredText("endpoint", Thing) },
        NeedKind.Reach => new Need.Reach
        {
            Id = id,
            From = r.RequiredText("from", Thing),
            To = r.RequiredText("to", Thing),
            Protocol = r.Word<TransportProtocol>("protocol"),
            Port = r.Whole("port", 1, 65535),
            Discovery = r.OptionalFlag("discovery"),
        },
        NeedKind.Inbound => new Need.Inbound
        {
            Id = id,
            Endpoint = r.RequiredText("endpoint", Thing),
            Protocol = r.RequiredWord<TransportProtocol>("protocol"),
            Port = r.Required("port", "a port, 1 to 65535", r.Whole("port", 1, 65535)),
        },
        NeedKind.SingleNat => new Need.SingleNat { Id = id, Endpoint = r.Text("endpoint") },
        NeedKind.FixedAddress => new Need.FixedAddress { Id = id, Endpoint = r.RequiredText("endpoint", Thing) },
        NeedKind.OneName => new Need.OneName { Id = id },
        NeedKind.OwnNames => new Need.OwnNames { Id = id },
        NeedKind.KeepName => new Need.KeepName { Id = id, Ssid = r.RequiredSsid("ssid"), Key = r.Text("key") },
        NeedKind.GuestsApart => new Need.GuestsApart { Id = id, Ssid = r.RequiredSsid("ssid") },
        NeedKind.Tunnel => new Need.Tunnel { Id = id, Prefix = r.Required("prefix", "the tunnel's prefix, such as 10.0.0.0/8", r.Value<Prefix>("prefix")) },
        NeedKind.Sockets => new Need.Sockets
        {
            Id = id,
            Room = r.RequiredText("room", "the room"),
            Count = r.Required("count", "how many sockets", r.Whole("count", 0, 1000)),
        },
        NeedKind.Dns => Dns(id, r),
        NeedKind.Speed => Speed(id, r),
        NeedKind.Coverage => new Need.Coverage { Id = id, Mbps = r.Required("mbps", Rate, r.Number("mbps", Limits.Mbps)), Rooms = r.TextList("rooms") },
        NeedKind.MainRouter => new Need.MainRouter { Id = id, Device = r.RequiredText("device", "the box that is to be the router") },
        _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "A kind of want without blanks."),
    };

    private static Need.Dns Dns(string id, ObjectReader r)
    {
        var need = new Need.Dns { Id = id, Endpoint = r.Text("endpoint"), Servers = r.ValueList<Ipv4Address>("servers") };
        if (need.Servers.IsEmpty) r.Missing("servers", "the name servers in a list, such as [\"192.168.1.1\"]");
        return need;
    }

    private static Need.Speed Speed(string id, ObjectReader r)
    {
        var need = new Need.Speed { Id = id, Endpoint = r.Text("endpoint"), Room = r.Text("room"), Mbps = r.Required("mbps", Rate, r.Number("mbps", Limits.Mbps)) };
        if (need.Endpoint is null && need.Room is null) r.MissingHere("room", "the room, or the endpoint that it is for");
        return need;
    }
}
