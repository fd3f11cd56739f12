using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Altrin.Core.Network;

/// <summary>A part of the document. Fields that this version does not know are kept, so that a round trip loses nothing.</summary>
public abstract record DocumentPart
{
    /// <remarks>Set once, by the reader: what the serializer's built-in code can fill must not be init-only.</remarks>
    [JsonExtensionData, JsonInclude]
    public Dictionary<string, JsonElement>? Unknown { get; internal set; }
}

/// <summary>A home network: its boxes, how each is set, what is plugged where, and what the household wants.</summary>
/// <remarks>The format is <c>altrin.network/1</c>, published in docs/formats. Arrays keep the order of the file: it decides
/// who asks for an address first.</remarks>
public sealed record NetworkDocument : DocumentPart
{
    public const string CurrentFormat = "altrin.network/1";

    public string Format { get; init; } = CurrentFormat;
    public required string Name { get; init; }
    public string? Country { get; init; }
    public Line? Line { get; init; }
    public ImmutableArray<Device> Devices { get; init; } = [];
    public ImmutableArray<Cable> Cables { get; init; } = [];
    public ImmutableArray<Endpoint> Endpoints { get; init; } = [];
    public ImmutableArray<Need> Needs { get; init; } = [];
    public Building? Building { get; init; }

    [OmitEmpty]
    public ImmutableArray<Room> Rooms { get; init; } = [];

    [OmitEmpty]
    public ImmutableArray<CableRun> Runs { get; init; } = [];

    [OmitEmpty]
    /// <summary>Other buildings than the one the line comes into; a room in one that is not listed is in that.</summary>
    public ImmutableArray<OtherBuilding> Buildings { get; init; } = [];

    public ImmutableArray<NeighbourNetwork> Neighbours { get; init; } = [];

    [OmitEmpty]
    public ImmutableArray<Measurement> Measured { get; init; } = [];

    /// <summary>An installer's own kinds that boxes of this house were taken from. They stay as they were then, whatever becomes of the kit
    /// shelf.</summary>
    [OmitEmpty]
    public ImmutableArray<KitKind> Kinds { get; init; } = [];

    public Device? FindDevice(string id) => Devices.FirstOrDefault(device => device.Id == id);
    public Endpoint? FindEndpoint(string id) => Endpoints.FirstOrDefault(endpoint => endpoint.Id == id);
    public Cable? FindCable(string id) => Cables.FirstOrDefault(cable => cable.Id == id);

    /// <summary>The name people use for a device or endpoint; the id itself where nothing has that id.</summary>
    public string NameOf(string id) => FindDevice(id)?.Name ?? FindEndpoint(id)?.Name ?? id;

    public NetworkDocument WithDevice(string id, Func<Device, Device> change) =>
        this with { Devices = [.. Devices.Select(device => device.Id == id ? change(device) : device)] };

    public NetworkDocument WithEndpoint(string id, Func<Endpoint, Endpoint> change) =>
        this with { Endpoints = [.. Endpoints.Select(endpoint => endpoint.Id == id ? change(endpoint) : endpoint)] };

    /// <summary>What is in the socket, or null when it is free.</summary>
    public Occupant? OccupantOf(Socket socket)
    {
        if (Line is { } line && line.Socket == socket) return new(OccupantKind.Line, null, "the provider's line");
        foreach (var cable in Cables)
            if (cable.A == socket || cable.B == socket)
                return new(OccupantKind.Cable, cable.Id, $"the cable to {NameOf((cable.A == socket ? cable.B : cable.A).Device)}");
        foreach (var endpoint in Endpoints)
            if (endpoint.Connect?.Socket == socket) return new(OccupantKind.Thing, endpoint.Id, endpoint.Name);
        return null;
    }

    /// <summary>The first free socket of the role, in the order of the box's back; null when all are taken.</summary>
    public Port? FreePort(Device device, PortRole role) => device.Ports.FirstOrDefault(port =>
        port.Role == role && OccupantOf(new(device.Id, port.Id)) is null);
}

public enum OccupantKind { Line, Cable, Thing }

/// <param name="Id">The cable or the thing: each kind has a space of names of its own. Null for the line.</param>
/// <param name="Say">The thing in words, for a sentence.</param>
public sealed record Occupant(OccupantKind Kind, string? Id, string Say);

/// <summary>One socket on the back of one box.</summary>
public sealed record Socket(string Device, string Port)
{
    public override string ToString() => $"{Device}:{Port}";
}

[JsonConverter(typeof(WordConverter<Technology>))]
public enum Technology { Fibre, Cable, Dsl, FixedWireless, Satellite }

/// <summary>Whether the provider gives out addresses the internet can reach, or shares one among customers (RFC 6598).</summary>
[JsonConverter(typeof(WordConverter<LineAddressing>))]
public enum LineAddressing { Public, Shared }

[JsonConverter(typeof(WordConverter<HandOff>))]
public enum HandOff { Dhcp, Pppoe, Static }

/// <summary>The provider's side of the wall.</summary>
public sealed record Line : DocumentPart
{
    /// <summary>What the state calls the provider's own server and router.</summary>
    public const string ProviderId = "isp";

    /// <summary>What it calls the provider's own translation on a shared line.</summary>
    public const string CarrierId = "carrier";

    /// <summary>What it calls the provider where that lets nothing in at a port.</summary>
    public const string ClosedId = "provider";

    public required string Device { get; init; }
    public required string Port { get; init; }
    public Technology? Technology { get; init; }
    public double? DownMbps { get; init; }
    public double? UpMbps { get; init; }
    public LineAddressing Addressing { get; init; } = LineAddressing.Public;
    public HandOff HandOff { get; init; } = HandOff.Dhcp;

    /// <summary>How many addresses the provider gives out.</summary>
    public int Addresses { get; init; } = 1;

    /// <summary>What was agreed for a line of fixed address; of any other hand-off without effect.</summary>
    public LineAddress? Agreed { get; init; }

    /// <summary>What the gateway's page showed as its own outside address. On a line of fixed address without effect.</summary>
    public LineAddress? Seen { get; init; }

    /// <summary>Nobody on it gets an address or an answer. Set by a diagnosis, or by an installer who knows.</summary>
    public bool? Down { get; init; }

    /// <summary>The provider answers this MAC alone, until it has forgotten it.</summary>
    public MacAddress? Holds { get; init; }

    /// <summary>Name servers that the line gives out do not answer; those set by hand do.</summary>
    public bool? NamesSilent { get; init; }

    /// <summary>Outside ports at which the provider lets nothing in.</summary>
    [OmitEmpty]
    public ImmutableArray<int> ClosedPorts { get; init; } = [];

    [JsonIgnore]
    public Socket Socket => new(Device, Port);
}

/// <summary>An address at the house's end of the line, and the provider's router that belongs to it.</summary>
public sealed record LineAddress : DocumentPart
{
    public required InterfaceAddress Address { get; init; }
    public required Ipv4Address Gateway { get; init; }
}

/// <summary>A list that older documents do not have: written only when there is something in it.</summary>
[AttributeUsage(AttributeTargets.Property)]
public sealed class OmitEmptyAttribute : Attribute;
