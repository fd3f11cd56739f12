using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>The provider's side of the line in numbers (section 3, rule 3): what was seen or agreed where the document says it, else the
/// stand-ins of RFC 5737 and RFC 6598.</summary>
/// <param name="Router">The provider's own router, with the subnet of the link.</param>
/// <param name="First">The first address that it gives out, or the one that was agreed.</param>
/// <param name="Count">How many it gives out, from the first upwards.</param>
/// <param name="IsShared">A carrier translates once more.</param>
/// <param name="AnswersOneOnly">A line of fixed address: the first address is answered, no other, and none is given out.</param>
internal sealed record LineNumbers(InterfaceAddress Router, Ipv4Address First, int Count, bool IsShared, bool AnswersOneOnly)
{
    public static readonly Prefix PublicLine = Prefix.Parse("203.0.113.0/24"), SharedLine = Prefix.Parse("100.64.0.0/24");

    private const uint ProviderHost = 1, FirstCustomerHost = 10;

    /// <summary>The subnet of the link as the house has it. A session shows its address with a mask of 32 bits, and its peer is on the link
    /// all the same (RFC 1661: a link of two ends).</summary>
    public Prefix Prefix => Prefix.Of(First, Router.Prefix.Length);

    /// <param name="firstSet">What the first WAN (or on a modem the first thing) of fixed address on the line has set; null for
    /// none.</param>
    public static LineNumbers Of(Line line, LineAddress? firstSet)
    {
        var isStatic = line.HandOff == HandOff.Static;
        var known = isStatic ? line.Agreed ?? firstSet : line.Seen;
        var isShared = IsSharedLine(line);
        if (known is null)
        {
            var standIn = isShared ? SharedLine : PublicLine;
            return new(new(standIn.Network.Plus(ProviderHost), standIn.Length), standIn.Network.Plus(FirstCustomerHost), line.Addresses,
                isShared, isStatic);
        }
        return new(new(known.Gateway, known.Address.Prefix.Length), known.Address.Address, line.Addresses, isShared, isStatic);
    }

    /// <summary>Seen private (RFC 1918) or shared (RFC 6598), there is another translator in front, whatever the provider says.</summary>
    public static bool IsSharedLine(Line line) => line.Addressing == LineAddressing.Shared
        || (line is { HandOff: not HandOff.Static, Seen: { } seen }
            && (AddressRanges.IsPrivate(seen.Address.Address) || AddressRanges.Shared.Contains(seen.Address.Address)));

    /// <summary>The last address given out: not past the end of the link's subnet, and the router's own is not one of them.</summary>
    public Ipv4Address Last
    {
        get
        {
            var count = Count;
            if (Router.Address >= First && Router.Address.Value < (long)First.Value + count) count++;
            return new((uint)Math.Min((long)First.Value + count - 1, Math.Max(First.Value, Prefix.LastUsable.Value)));
        }
    }

    public bool Answers(Ipv4Address address) => !AnswersOneOnly || (Count > 0 && address == First);

    /// <summary>Whether the provider talks to that interface at all: the line is up, and it holds no other MAC.</summary>
    public static bool Serves(Line line, MacAddress? asking) => line.Down != true && (line.Holds is not { } held || held == asking);
}
