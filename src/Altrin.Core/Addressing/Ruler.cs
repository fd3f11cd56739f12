using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Addressing;

[JsonConverter(typeof(WordConverter<MarkKind>))]
public enum MarkKind { Gateway, Fixed, Reserved, Leased, Contested }

/// <summary>One address of a subnet that somebody holds, or that is kept for somebody.</summary>
/// <param name="Owner">The box or thing; null for a reservation whose MAC nobody of the house has.</param>
/// <param name="Amiss">Why it is not well where it is; null where it is.</param>
public sealed record AddressMark(Ipv4Address Address, string? Owner, string Name, MarkKind Kind, string? Amiss);

/// <summary>What a DHCP server leases from.</summary>
/// <param name="IsUnknown">Nobody has looked at its ends: the whole subnet is counted.</param>
/// <param name="Room">Where it could start later, to make room below it.</param>
public sealed record PoolMark(string Device, string Name, Ipv4Address Start, Ipv4Address End, long Count, bool IsUnknown, ImmutableArray<LaterStart> Room);

/// <param name="Moves">Who holds a lease below it now, and will get another address.</param>
public sealed record LaterStart(Ipv4Address Start, ImmutableArray<string> Moves);

/// <summary>An address that is free for the next box.</summary>
/// <param name="Why">By which habit it is proposed; for one that never can be, why not.</param>
public sealed record FreeAddress(Ipv4Address Address, string Why, bool CanBeUsed);

/// <summary>A subnet from its first address to its last, and everything on it.</summary>
/// <param name="Segment">Its tread on the Stairs.</param>
/// <param name="Depth">Translations above it, counted by steps down.</param>
public sealed record Ruler(string Segment, Prefix Prefix, int Depth, bool IsLine, string? GuestsOf, long Usable,
    ImmutableArray<AddressMark> Marks, ImmutableArray<PoolMark> Pools, ImmutableArray<FreeAddress> Free)
{
    /// <summary>Above it each address cannot be shown on its own, and none is proposed.</summary>
    public const int WidestLength = 16;

    public int Clashes => Marks.Count(mark => mark.Amiss is not null);
}

/// <summary>Every subnet of a house as a ruler, in the order of the Stairs.</summary>
public static class Rulers
{
    public static ImmutableArray<Ruler> Of(NetworkState state, Stairs stairs)
    {
        var list = ImmutableArray.CreateBuilder<Ruler>();
        foreach (var tread in stairs.Treads)
        {
            if (tread.IsTable) continue;
            var segment = state.Segments.First(one => one.Id == tread.Segment);
            foreach (var prefix in state.SubnetsOn(segment.Index).Where(prefix => !LineWords.IsStandIn(state.House, prefix.FirstUsable)))
                list.Add(Of(state, tread, segment.Index, prefix));
        }
        return list.ToImmutable();
    }

    private static Ruler Of(NetworkState state, Tread tread, int segment, Prefix prefix)
    {
        var isLine = segment == state.ProviderSegment;
        var pools = isLine ? [] : Pools(state, segment, prefix);
        var marks = Marks(state, segment, prefix, pools);
        return new(tread.Segment, prefix, tread.Depth, isLine, tread.GuestsOf, prefix.Usable, marks, pools, isLine || tread.GuestsOf is not null ? [] : Free(prefix, marks, pools));
    }

    private static ImmutableArray<PoolMark> Pools(NetworkState state, int segment, Prefix prefix) =>
        [.. from server in state.Servers where server.Segment == segment && server.Pool.IsInside(prefix) && state.House.FindDevice(server.Device) is not null
            select new PoolMark(server.Device, state.House.NameOf(server.Device), server.Pool.Start, server.Pool.End, server.Pool.Count, server.IsPoolUnknown, Later(state, segment, prefix, server.Pool))];

    /// <summary>At .10 or at .100, while enough is left for the household. Common practice, no source.</summary>
    private static ImmutableArray<LaterStart> Later(NetworkState state, int segment, Prefix prefix, AddressPool pool)
    {
        if (prefix.Length > 24) return [];
        var later = ImmutableArray.CreateBuilder<LaterStart>();
        foreach (var at in new uint[] { 10, 100 })
        {
            var start = new Ipv4Address((pool.Start.Value & 0xFFFF_FF00) + at);
            if (start <= pool.Start || (long)pool.End.Value - start.Value < LeastLeft) continue;
            later.Add(new(start, [.. state.OnSegment[segment].Where(one => one.Outcome == LeaseOutcome.Leased && one.Candidates.Any(held => held.Address is { } now && pool.Contains(now.Address) && now.Address < start)).Select(one => state.House.NameOf(one.Owner))]));
        }
        return later.ToImmutable();
    }

    /// <summary>What a household needs at least. Common practice, no source.</summary>
    private const int LeastLeft = 40;

    private static ImmutableArray<AddressMark> Marks(NetworkState state, int segment, Prefix prefix, ImmutableArray<PoolMark> pools)
    {
        var marks = new List<AddressMark>();
        foreach (var one in state.OnSegment[segment])
            foreach (var candidate in one.Candidates)
            {
                if (candidate.Address is not { } held || !prefix.Contains(held.Address)) continue;
                var kind = one switch
                {
                    { Outcome: LeaseOutcome.Contested } => MarkKind.Contested,
                    { Outcome: LeaseOutcome.Static, Routes: true } => MarkKind.Gateway,
                    { Outcome: LeaseOutcome.Static } => MarkKind.Fixed,
                    _ => IsReserved(state, segment, held.Address) ? MarkKind.Reserved : MarkKind.Leased,
                };
                marks.Add(new(held.Address, one.Owner, one.Owner == Line.ProviderId ? "Provider" : state.House.NameOf(one.Owner), kind, null));
            }
        // Kept for somebody who is not here now.
        foreach (var server in state.Servers.Where(server => server.Segment == segment))
            foreach (var reservation in server.Reservations.Where(reservation => prefix.Contains(reservation.Address) && marks.TrueForAll(mark => mark.Address != reservation.Address)))
            {
                var thing = state.House.Endpoints.FirstOrDefault(thing => thing.Mac == reservation.Mac);
                marks.Add(new(reservation.Address, thing?.Id, thing?.Name ?? reservation.Mac.ToString(), MarkKind.Reserved, null));
            }
        return [.. marks.Select(mark => mark with { Amiss = WhyAmiss(mark, marks, prefix, pools) }).OrderBy(mark => mark.Address).ThenBy(mark => mark.Name, StringComparer.Ordinal)];
    }

    private static bool IsReserved(NetworkState state, int segment, Ipv4Address address) =>
        state.Servers.Any(server => server.Segment == segment && server.Reservations.Any(reservation => reservation.Address == address));

    private static string? WhyAmiss(AddressMark mark, List<AddressMark> marks, Prefix prefix, ImmutableArray<PoolMark> pools)
    {
        if (!prefix.IsUsable(mark.Address)) return mark.Address == prefix.Broadcast ? "the broadcast address" : "the network’s own address";
        if (mark.Kind is MarkKind.Gateway or MarkKind.Fixed && marks.Find(other => other.Owner != mark.Owner && other.Address == mark.Address) is { } twin) return $"held by {twin.Name} too";
        if (mark.Kind == MarkKind.Fixed && pools.FirstOrDefault(pool => mark.Address >= pool.Start && mark.Address <= pool.End) is { } pool)
            return pool.IsUnknown ? $"perhaps in the pool of {pool.Name}: nobody has looked" : $"inside the pool of {pool.Name}";
        return null;
    }

    /// <summary>By both habits of the trade, low numbers and from the top; and the one that is a frequent mistake. Common practice, no source.</summary>
    private static ImmutableArray<FreeAddress> Free(Prefix prefix, ImmutableArray<AddressMark> marks, ImmutableArray<PoolMark> pools)
    {
        if (prefix.Length is < Ruler.WidestLength or > 30) return [];
        var free = ImmutableArray.CreateBuilder<FreeAddress>();
        bool IsFree(Ipv4Address address) => !marks.Any(mark => mark.Address == address) && !pools.Any(pool => address >= pool.Start && address <= pool.End);
        var low = Find(prefix.FirstUsable, prefix.LastUsable, 1, IsFree);
        var high = Find(prefix.LastUsable, prefix.FirstUsable, -1, IsFree);
        if (low is { } first) free.Add(new(first, "first free after the gateway, outside every pool", true));
        if (high is { } last && last != low) free.Add(new(last, "last usable, outside every pool", true));
        free.Add(new(prefix.Broadcast, "never: the broadcast address of this subnet", false));
        return free.ToImmutable();
    }

    private static Ipv4Address? Find(Ipv4Address from, Ipv4Address to, int step, Func<Ipv4Address, bool> isFree)
    {
        for (long at = from.Value; step > 0 ? at <= to.Value : at >= to.Value; at += step)
            if (isFree(new((uint)at))) return new((uint)at);
        return null;
    }
}
