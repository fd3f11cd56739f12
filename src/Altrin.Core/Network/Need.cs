using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace Altrin.Core.Network;

[JsonConverter(typeof(WordConverter<NeedKind>))]
public enum NeedKind
{
    Internet, Reach, Inbound, SingleNat, FixedAddress, OneName, OwnNames, KeepName, GuestsApart, Tunnel, Sockets, Dns, Speed, Coverage, MainRouter,
}

/// <summary>A sentence of the household with its blanks. Closed: whoever tells the kinds apart handles every one (<see cref="INeedCases{T}"/>).</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(Internet), "internet")]
[JsonDerivedType(typeof(Reach), "reach")]
[JsonDerivedType(typeof(Inbound), "inbound")]
[JsonDerivedType(typeof(SingleNat), "single-nat")]
[JsonDerivedType(typeof(FixedAddress), "fixed-address")]
[JsonDerivedType(typeof(OneName), "one-name")]
[JsonDerivedType(typeof(OwnNames), "own-names")]
[JsonDerivedType(typeof(KeepName), "keep-name")]
[JsonDerivedType(typeof(GuestsApart), "guests-apart")]
[JsonDerivedType(typeof(Tunnel), "tunnel")]
[JsonDerivedType(typeof(Sockets), "sockets")]
[JsonDerivedType(typeof(Dns), "dns")]
[JsonDerivedType(typeof(Speed), "speed")]
[JsonDerivedType(typeof(Coverage), "coverage")]
[JsonDerivedType(typeof(MainRouter), "main-router")]
public abstract record Need : DocumentPart
{
    private Need() { }

    [JsonPropertyOrder(-1)]
    public required string Id { get; init; }

    /// <summary>Counted after the others.</summary>
    [JsonPropertyOrder(1)]
    public bool? Nice { get; init; }

    [JsonIgnore]
    public abstract NeedKind Kind { get; }

    public abstract T Match<T>(INeedCases<T> cases);

    /// <summary>The things it speaks of, each with the blank it stands in.</summary>
    [JsonIgnore]
    public virtual IEnumerable<(string Field, string Thing)> Things => [];

    /// <summary>It reaches the internet.</summary>
    public sealed record Internet : Need
    {
        public required string Endpoint { get; init; }

        [JsonIgnore]
        public override NeedKind Kind => NeedKind.Internet;
        public override T Match<T>(INeedCases<T> cases) => cases.Internet(this);

        [JsonIgnore]
        public override IEnumerable<(string, string)> Things => [("endpoint", Endpoint)];
    }

    /// <summary>One thing reaches another.</summary>
    public sealed record Reach : Need
    {
        public required string From { get; init; }
        public required string To { get; init; }

        /// <summary>Said, never decisive.</summary>
        public TransportProtocol? Protocol { get; init; }
        public int? Port { get; init; }

        /// <summary>Must also be found by name: both on one segment, since multicast discovery is link-local (RFC 6762).</summary>
        public bool? Discovery { get; init; }

        [JsonIgnore]
        public override NeedKind Kind => NeedKind.Reach;
        public override T Match<T>(INeedCases<T> cases) => cases.Reach(this);

        [JsonIgnore]
        public override IEnumerable<(string, string)> Things => [("from", From), ("to", To)];
    }

    /// <summary>A service can be reached from the internet.</summary>
    public sealed record Inbound : Need
    {
        public required string Endpoint { get; init; }
        public required TransportProtocol Protocol { get; init; }

        /// <summary>The service's own.</summary>
        public required int Port { get; init; }

        [JsonIgnore]
        public override NeedKind Kind => NeedKind.Inbound;
        public override T Match<T>(INeedCases<T> cases) => cases.Inbound(this);

        [JsonIgnore]
        public override IEnumerable<(string, string)> Things => [("endpoint", Endpoint)];
    }

    /// <summary>At most one translation in the home on the way out.</summary>
    public sealed record SingleNat : Need
    {
        /// <summary>Null: whatever has internet.</summary>
        public string? Endpoint { get; init; }

        [JsonIgnore]
        public override NeedKind Kind => NeedKind.SingleNat;
        public override T Match<T>(INeedCases<T> cases) => cases.SingleNat(this);

        [JsonIgnore]
        public override IEnumerable<(string, string)> Things => Endpoint is null ? [] : [("endpoint", Endpoint)];
    }

    /// <summary>A reservation, or a static address outside every pool.</summary>
    public sealed record FixedAddress : Need
    {
        public required string Endpoint { get; init; }

        [JsonIgnore]
        public override NeedKind Kind => NeedKind.FixedAddress;
        public override T Match<T>(INeedCases<T> cases) => cases.FixedAddress(this);

        [JsonIgnore]
        public override IEnumerable<(string, string)> Things => [("endpoint", Endpoint)];
    }

    /// <summary>One name, security and key for the whole household.</summary>
    public sealed record OneName : Need
    {
        [JsonIgnore]
        public override NeedKind Kind => NeedKind.OneName;
        public override T Match<T>(INeedCases<T> cases) => cases.OneName(this);
    }

    /// <summary>No two boxes share a name.</summary>
    public sealed record OwnNames : Need
    {
        [JsonIgnore]
        public override NeedKind Kind => NeedKind.OwnNames;
        public override T Match<T>(INeedCases<T> cases) => cases.OwnNames(this);
    }

    /// <summary>A network of that name and key serves the household.</summary>
    public sealed record KeepName : Need
    {
        public required string Ssid { get; init; }
        public string? Key { get; init; }

        [JsonIgnore]
        public override NeedKind Kind => NeedKind.KeepName;
        public override T Match<T>(INeedCases<T> cases) => cases.KeepName(this);
    }

    /// <summary>Who is on it has internet and reaches nothing of the home.</summary>
    public sealed record GuestsApart : Need
    {
        public required string Ssid { get; init; }

        [JsonIgnore]
        public override NeedKind Kind => NeedKind.GuestsApart;
        public override T Match<T>(INeedCases<T> cases) => cases.GuestsApart(this);
    }

    /// <summary>No subnet of the home overlaps the prefix.</summary>
    public sealed record Tunnel : Need
    {
        public required Prefix Prefix { get; init; }

        [JsonIgnore]
        public override NeedKind Kind => NeedKind.Tunnel;
        public override T Match<T>(INeedCases<T> cases) => cases.Tunnel(this);
    }

    /// <summary>That many free LAN sockets in a room.</summary>
    public sealed record Sockets : Need
    {
        public required string Room { get; init; }
        public required int Count { get; init; }

        [JsonIgnore]
        public override NeedKind Kind => NeedKind.Sockets;
        public override T Match<T>(INeedCases<T> cases) => cases.Sockets(this);
    }

    /// <summary>Just these name servers are asked.</summary>
    public sealed record Dns : Need
    {
        /// <summary>Null: whatever has internet.</summary>
        public string? Endpoint { get; init; }

        /// <summary>In any order.</summary>
        public required ImmutableArray<Ipv4Address> Servers { get; init; }

        [JsonIgnore]
        public override NeedKind Kind => NeedKind.Dns;
        public override T Match<T>(INeedCases<T> cases) => cases.Dns(this);

        [JsonIgnore]
        public override IEnumerable<(string, string)> Things => Endpoint is null ? [] : [("endpoint", Endpoint)];
    }

    /// <summary>At least that rate, for a thing or in a room.</summary>
    public sealed record Speed : Need
    {
        /// <summary>Null: for whoever sits down in the room.</summary>
        public string? Endpoint { get; init; }
        public string? Room { get; init; }
        public required double Mbps { get; init; }

        [JsonIgnore]
        public override NeedKind Kind => NeedKind.Speed;
        public override T Match<T>(INeedCases<T> cases) => cases.Speed(this);

        [JsonIgnore]
        public override IEnumerable<(string, string)> Things => Endpoint is null ? [] : [("endpoint", Endpoint)];
    }

    /// <summary>At least that rate over Wi-Fi in each room.</summary>
    public sealed record Coverage : Need
    {
        public required double Mbps { get; init; }

        /// <summary>Empty: every listed room that is not outdoors.</summary>
        [OmitEmpty]
        public ImmutableArray<string> Rooms { get; init; } = [];

        [JsonIgnore]
        public override NeedKind Kind => NeedKind.Coverage;
        public override T Match<T>(INeedCases<T> cases) => cases.Coverage(this);
    }

    /// <summary>Everybody who has internet gets out through that box, and it routes.</summary>
    public sealed record MainRouter : Need
    {
        public required string Device { get; init; }

        [JsonIgnore]
        public override NeedKind Kind => NeedKind.MainRouter;
        public override T Match<T>(INeedCases<T> cases) => cases.MainRouter(this);
    }
}

/// <summary>Something to be said of each kind of want; a new kind does not build until everybody has said it.</summary>
public interface INeedCases<out T>
{
    T Internet(Need.Internet need);
    T Reach(Need.Reach need);
    T Inbound(Need.Inbound need);
    T SingleNat(Need.SingleNat need);
    T FixedAddress(Need.FixedAddress need);
    T OneName(Need.OneName need);
    T OwnNames(Need.OwnNames need);
    T KeepName(Need.KeepName need);
    T GuestsApart(Need.GuestsApart need);
    T Tunnel(Need.Tunnel need);
    T Sockets(Need.Sockets need);
    T Dns(Need.Dns need);
    T Speed(Need.Speed need);
    T Coverage(Need.Coverage need);
    T MainRouter(Need.MainRouter need);
}
