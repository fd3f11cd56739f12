using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Altrin.Core.Network;

namespace Altrin.Core.Diagnosis.Sightings;

/// <summary>What is read, in the words of section 7 of the format.</summary>
[JsonConverter(typeof(WordConverter<ReadingKind>))]
public enum ReadingKind
{
    Address, Gateway, Server, Dns, Internet, Lookup, NatLayers, Page, Ping, Joined, Network, Reach, Outside, WanAddress, Listed, Mode, Dhcp,
    Power, Link,

    /// <summary>All that the laptop shows at one place: its value is an object of readings. A look only, never a sighting.</summary>
    Laptop,
}

/// <summary>Where the laptop is, as an endpoint is connected and addressed.</summary>
public sealed record LaptopPlace(Attachment? Connect, EndpointAddress Address)
{
    public static LaptopPlace Asking(Attachment connect) => new(connect, new());
}

/// <summary>One thing to look at. What is not asked of the reading is null.</summary>
/// <param name="From">The laptop's place.</param>
/// <param name="Who">A thing of the household.</param>
/// <param name="Port">A socket of the device.</param>
/// <param name="At">The address that is opened or pinged.</param>
/// <param name="OutsidePort">The service's own port, tried from outside.</param>
public sealed record Look(ReadingKind Reading, LaptopPlace? From = null, string? Who = null, string? Device = null, string? Port = null,
    Ipv4Address? At = null, string? Ssid = null, string? To = null, string? Endpoint = null, int? OutsidePort = null,
        MacAddress? Mac = null)
{
    /// <summary>What the laptop at a place shows at once.</summary>
    public static readonly ImmutableArray<ReadingKind> OfLaptop =
    [
        ReadingKind.Address, ReadingKind.Gateway, ReadingKind.Server, ReadingKind.Dns, ReadingKind.Internet, ReadingKind.Lookup,
        ReadingKind.NatLayers,
    ];
}

/// <summary>A look and what was seen.</summary>
/// <param name="Value">As the format writes it; of name servers each, separated by blanks and in order.</param>
public sealed record Sighting(Look Look, string Value);
