using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace Altrin.Core.Network;

[JsonConverter(typeof(WordConverter<LanMethod>))]
public enum LanMethod { Static, Dhcp }

/// <summary>A box's own address on the home's side; of a box that is no router, its management address.</summary>
public sealed record LanSettings : DocumentPart
{
    public LanMethod Method { get; init; } = LanMethod.Static;
    public InterfaceAddress? Address { get; init; }
    public DhcpServer? DhcpServer { get; init; }

    /// <summary>At another address of its own. Boxes carry their pool and reservations along into the new subnet: common practice, no source.</summary>
    public LanSettings MovedTo(InterfaceAddress now)
    {
        var server = DhcpServer;
        if (server is not null && Address is { } was && was.Prefix != now.Prefix && was.Prefix.Length == now.Prefix.Length)
        {
            Ipv4Address Moved(Ipv4Address address) => was.Prefix.Contains(address) ? now.Prefix.Counterpart(address) : address;
            server = server with
            {
                Start = server.Start is { } start ? Moved(start) : null,
                End = server.End is { } end ? Moved(end) : null,
                Reservations = [.. server.Reservations.Select(one => one with { Address = Moved(one.Address) })],
            };
        }
        return this with { Method = LanMethod.Static, Address = now, DhcpServer = server };
    }
}

public sealed record DhcpServer : DocumentPart
{
    public bool Enabled { get; init; }
    public Ipv4Address? Start { get; init; }
    public Ipv4Address? End { get; init; }
    public int? LeaseMinutes { get; init; }

    /// <summary>Null: the box gives itself.</summary>
    public Ipv4Address? Gateway { get; init; }

    /// <summary>Empty: the box gives itself.</summary>
    public ImmutableArray<Ipv4Address> Dns { get; init; } = [];

    public ImmutableArray<Reservation> Reservations { get; init; } = [];

    /// <summary>Nobody has looked at its pool: it is computed as the whole subnet.</summary>
    [JsonIgnore]
    public bool IsPoolUnknown => Start is null && End is null;

    /// <summary>What it gives out of its own subnet; null where its two ends make no pool.</summary>
    public AddressPool? PoolIn(Prefix subnet) => IsPoolUnknown ? new(subnet.FirstUsable, subnet.LastUsable) : Pool;

    /// <summary>What of its own subnet a plan takes it to give out: an unseen pool leaves the first addresses free (section 5 of the format; common
    /// practice, no source). The order looks before the first of them is given to a box.</summary>
    public AddressPool? PoolToPlanBy(Prefix subnet) => IsPoolUnknown ? AddressPool.Unseen(subnet) : Pool;

    [JsonIgnore]
    public AddressPool? Pool => Start is { } start && End is { } end && start <= end ? new(start, end) : null;

    public DhcpServer With(AddressPool pool) => this with { Start = pool.Start, End = pool.End };
}

public sealed record Reservation : DocumentPart
{
    public required MacAddress Mac { get; init; }
    public required Ipv4Address Address { get; init; }
}

[JsonConverter(typeof(WordConverter<WanMethod>))]
public enum WanMethod { Dhcp, Static, Pppoe, None }

/// <summary>A router's side towards the provider.</summary>
public sealed record WanSettings : DocumentPart
{
    public WanMethod Method { get; init; } = WanMethod.Dhcp;
    public InterfaceAddress? Address { get; init; }
    public Ipv4Address? Gateway { get; init; }
    public ImmutableArray<Ipv4Address> Dns { get; init; } = [];
}
