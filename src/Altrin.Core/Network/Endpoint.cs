using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace Altrin.Core.Network;

/// <summary>A thing that uses the network: tablet, printer, recorder, laptop.</summary>
public sealed record Endpoint : DocumentPart
{
    public required string Id { get; init; }
    public required string Name { get; init; }
    public string? Kind { get; init; }
    public string? Room { get; init; }

    /// <summary>Where on its room's floor; null: in the middle.</summary>
    public FloorPoint? At { get; init; }

    public MacAddress? Mac { get; init; }

    /// <summary>What its radio has; empty: every band.</summary>
    [OmitEmpty]
    public ImmutableArray<Band> Bands { get; init; } = [];

    /// <summary>Null: neither plugged in nor joined.</summary>
    public Attachment? Connect { get; init; }

    public EndpointAddress Address { get; init; } = new();
    public ImmutableArray<Service> Services { get; init; } = [];
}

/// <summary>Either a socket (<see cref="Device"/> and <see cref="Port"/>) or a Wi-Fi network (<see cref="Ssid"/>).</summary>
public sealed record Attachment : DocumentPart
{
    public string? Device { get; init; }
    public string? Port { get; init; }
    public string? Ssid { get; init; }
    public WifiSecurity? Security { get; init; }
    public string? Key { get; init; }

    /// <summary>The device that is heard best.</summary>
    public string? Near { get; init; }

    [JsonIgnore]
    public Socket? Socket => Device is { } device && Port is { } port ? new(device, port) : null;

    public static Attachment To(Socket socket) => new() { Device = socket.Device, Port = socket.Port };
}

[JsonConverter(typeof(WordConverter<EndpointMethod>))]
public enum EndpointMethod { Dhcp, Static }

public sealed record EndpointAddress : DocumentPart
{
    public EndpointMethod Method { get; init; } = EndpointMethod.Dhcp;
    public InterfaceAddress? Address { get; init; }
    public Ipv4Address? Gateway { get; init; }
    public ImmutableArray<Ipv4Address> Dns { get; init; } = [];

    public static EndpointAddress Fixed(InterfaceAddress address, Ipv4Address? gateway) => new()
    {
        Method = EndpointMethod.Static,
        Address = address,
        Gateway = gateway,
        Dns = gateway is { } dns ? [dns] : [],
    };
}

/// <summary>A door that an endpoint keeps open.</summary>
public sealed record Service : DocumentPart
{
    public required TransportProtocol Protocol { get; init; }
    public required int Port { get; init; }
}

[JsonConverter(typeof(WordConverter<NeedKind>))]
public enum NeedKind
{
    Internet, Reach, Inbound, SingleNat, FixedAddress, OneName, OwnNames, KeepName, GuestsApart, Tunnel, Sockets, Dns, Speed, Coverage,
}

/// <summary>A sentence of the household with its blanks; which blanks count depends on the kind.</summary>
public sealed record Need : DocumentPart
{
    public required string Id { get; init; }
    public required NeedKind Kind { get; init; }
    public string? Endpoint { get; init; }
    public string? From { get; init; }
    public string? To { get; init; }
    public TransportProtocol? Protocol { get; init; }
    public int? Port { get; init; }

    /// <summary>Must also be found by name: both on one segment, since multicast discovery is link-local (RFC 6762).</summary>
    public bool? Discovery { get; init; }

    public string? Ssid { get; init; }
    public string? Key { get; init; }
    public Prefix? Prefix { get; init; }
    public string? Room { get; init; }
    public int? Count { get; init; }
    public double? Mbps { get; init; }

    /// <summary>Name servers, in any order.</summary>
    [OmitEmpty]
    public ImmutableArray<Ipv4Address> Servers { get; init; } = [];

    /// <summary>Empty: every listed room that is not outdoors.</summary>
    [OmitEmpty]
    public ImmutableArray<string> Rooms { get; init; } = [];

    /// <summary>Counted after the others.</summary>
    public bool? Nice { get; init; }
}
