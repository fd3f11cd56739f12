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

    private const uint FirstUsual = 100, LastUsual = 199;

    public override string ToString() => $"{Start} to {End}";
}
