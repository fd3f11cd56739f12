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

    /// <summary>A network it has joined before: it joins this one untouched where the one of <see cref="Connect"/> is sent by
    /// nobody.</summary>
    public KnownNetwork? Knows { get; init; }

    public EndpointAddress Address { get; init; } = new();
    public ImmutableArray<Service> Services { get; init; } = [];
}

/// <summary>The name, security and password of a network that a thing still has in its memory.</summary>
public sealed record KnownNetwork : DocumentPart
{
    public required string Ssid { get; init; }

    /// <summary>Null: open.</summary>
    public WifiSecurity? Security { get; init; }

    public string? Key { get; init; }

    /// <summary>The same as a thing says it that is joined to it.</summary>
    /// <param name="near">The box it hears best.</param>
    public Attachment.Join AsJoin(string? near) => new() { Ssid = Ssid, Security = Security, Key = Key, Near = near };
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
