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

    public override string ToString() => $"{Start} to {End}";
}
