namespace Altrin.Core.Network;

/// <summary>The run of addresses a DHCP server may lease; both ends belong to it.</summary>
public sealed record AddressPool
{
    /// <exception cref="ArgumentException">The pool ends before it starts.</exception>
    public AddressPool(Ipv4Address start, Ipv4Address end) => (Start, End) = start <= end
        ? (start, end)
        : throw new ArgumentException($"The pool ends at {end}, before it starts at {start}.");

    public Ipv4Address Start { get; }
    public Ipv4Address End { get; }

    public long Count => (long)End.Value - Start.Value + 1;
    public bool Contains(Ipv4Address address) => address >= Start && address <= End;
    public bool IsInside(Prefix prefix) => prefix.Contains(Start) && prefix.Contains(End);

    /// <summary>What most boxes are sold with, and what is proposed: .100 to .199; in a subnet with no room for that, its upper half.
    /// Common practice, no source.</summary>
    public static AddressPool Usual(Prefix subnet) => subnet.Usable > LastUsual
        ? new(subnet.Network.Plus(FirstUsual), subnet.Network.Plus(LastUsual))
        : new(subnet.Network.Plus((uint)subnet.Usable / 2), subnet.LastUsable);

    /// <summary>Where a pool that nobody has looked at is taken to lie by whoever gives out a fixed address: the usable addresses up to .9 of a /24 are
    /// left free, in other subnets the first eight. Null where nothing is left for it.</summary>
    public static AddressPool? Unseen(Prefix subnet)
    {
        var start = subnet.Network.Plus(subnet.Length == 24 ? 10u : 9u);
        return start <= subnet.LastUsable ? new(start, subnet.LastUsable) : null;
    }

    /// <summary>The pool of which one end is said. The other stays where it lies on the right side of it; else the pool keeps its length within
    /// the subnet. One that nobody has looked at is as most are sold.</summary>
    /// <returns>Null where the end that is said lies outside the subnet and the other does not follow.</returns>
    public static AddressPool? Following(AddressPool? was, Prefix subnet, Ipv4Address? start, Ipv4Address? end)
    {
        var pool = was ?? Usual(subnet);
        var more = (uint)(pool.Count - 1);
        if (start is { } from)
            return from <= pool.End ? new(from, pool.End) : subnet.IsUsable(from) ? new(from, Least(from, subnet.LastUsable, more)) : null;
        if (end is not { } to) return pool;
        return pool.Start <= to ? new(pool.Start, to) : subnet.IsUsable(to) ? new(Most(to, subnet.FirstUsable, more), to) : null;
    }

    private static Ipv4Address Least(Ipv4Address from, Ipv4Address last, uint more) =>
        last.Value - from.Value < more ? last : from.Plus(more);

    private static Ipv4Address Most(Ipv4Address to, Ipv4Address first, uint less) =>
        to.Value - first.Value < less ? first : new(to.Value - less);

    private const uint FirstUsual = 100, LastUsual = 199;

    public override string ToString() => $"{Start} to {End}";
}
