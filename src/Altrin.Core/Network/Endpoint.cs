using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace Altrin.Core.Network;

/// <summary>A thing that uses the network: tablet, printer, recorder, laptop.</summary>
public sealed record Endpoint : DocumentPart
{
    private static readonly string[] Carried = ["laptop", "tablet", "phone"];

    private static readonly string[] Socketless = ["phone", "tablet", "watch", "sensor", "plug"];

    /// <summary>Whether a cable can be plugged into it: as somebody said, else by its kind.</summary>
    [JsonIgnore]
    public bool HasSocket => Wired ?? !(Kind is { } kind && Socketless.Contains(kind));

    /// <summary>Carried about: a fixed address that suits one network is forgotten in the next.</summary>
    [JsonIgnore]
    public bool IsCarried => Kind is { } kind && Carried.Contains(kind);

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

    /// <summary>Whether it has a socket for a cable; null: its kind says so.</summary>
    public bool? Wired { get; init; }

    /// <summary>Null: neither plugged in nor joined.</summary>
    public Attachment? Connect { get; init; }

    public EndpointAddress Address { get; init; } = new();
    public ImmutableArray<Service> Services { get; init; } = [];
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
