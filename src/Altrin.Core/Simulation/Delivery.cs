using Altrin.Core.Network;

namespace Altrin.Core.Simulation;

/// <summary>Who holds which address on which link, and the single hop that every longer way is made of.</summary>
internal sealed class Delivery
{
    /// <summary>The first holder of each address on each link, under both in one number: quicker to look up than a pair.</summary>
    private readonly Dictionary<long, int> first;
    private readonly int[] next;
    private readonly bool[] looped;

    public Delivery(Fabric fabric, SegmentMap segments, InterfaceTable table)
    {
        (Fabric, Table) = (fabric, table);
        looped = [.. segments.All.Select(segment => segment.IsLoop)];
        first = new(table.All.Count);
        next = new int[table.All.Count];
        // From the last to the first, so that holders come in document order.
        for (var i = table.All.Count - 1; i >= 0; i--)
        {
            next[i] = -1;
            // At the network or broadcast address of its own subnet nothing answers and nothing is answered (RFC 1122 section 3.2.1.3).
            if (table.All[i].SharesTheLine || table.All[i].Address is not { } address
                || !address.Prefix.IsUsable(address.Address)) continue;
            var key = Key(table.All[i].LinkAs(table.All[i].Candidates[0]), address.Address);
            if (first.TryGetValue(key, out var after)) next[i] = after;
            first[key] = i;
        }
    }

    /// <summary>A link or segment and an address in one number.</summary>
    internal static long Key(int link, Ipv4Address address) => ((long)link << 32) | address.Value;

    public Fabric Fabric { get; }
    public InterfaceTable Table { get; }

    public bool IsLooped(Interface at) => at.Segment >= 0 && looped[at.Segment];

    public HolderList HoldersOf(int link, Ipv4Address address) =>
        new(this, first.TryGetValue(Key(link, address), out var index) ? index : -1);

    public HolderList Nobody => new(this, -1);

    /// <summary>By convention a router whose WAN and LAN subnets overlap is broken for what must cross it (rule 5).</summary>
    public bool Overlaps(Interface wan, Candidate candidate) =>
        candidate.Address is { } address && Table.LanOf[wan.Device] is >= 0 and var lan
        && Table.All[lan].Address is { } own && own.Prefix.Overlaps(address.Prefix);

    /// <summary>Whether what comes back to a routing side finds the sender it forwarded for.</summary>
    public Ends Returns(Interface side, Interface sender, Candidate from)
    {
        if (from.Address is not { } source || side.Address is not { } own) return Ends.No;
        var isOverTheLine = side.Kind == InterfaceKind.Provider && from.IsOverTheLine;
        if (!isOverTheLine && !own.Prefix.Contains(source.Address)) return Ends.No;
        if (side.Kind == InterfaceKind.Provider
            && !(Table.Numbers!.Answers(source.Address) && LineNumbers.Serves(Fabric.House.Line!, sender.Mac)))
            return Ends.No;
        // The provider sends what belongs to the one address to the gateway, which knows its own connections from its target's.
        if (sender.SharesTheLine) return side.Kind == InterfaceKind.Provider ? Ends.Yes : Ends.No;
        return Finds(side.Link, isOverTheLine ? source.Prefix : own.Prefix, source.Address, sender);
    }

    /// <summary>Whether a packet for the address on the link ends at that interface: two holders make it a race.</summary>
    /// <param name="by">The sender's own prefix: what is its broadcast address it sends to nobody.</param>
    public Ends Finds(int link, Prefix by, Ipv4Address address, Interface wanted)
    {
        if (!by.IsUsable(address)) return Ends.No;
        var ends = Ends.None;
        foreach (var holder in HoldersOf(link, address)) ends |= holder == wanted ? Ends.Yes : Ends.No;
        // Nobody holds it for certain; the wanted one may, by the lease that is being looked at.
        if (ends == Ends.None) ends = wanted.Outcome == LeaseOutcome.Contested && (wanted.Link == link || wanted.PassedLink == link)
            ? Ends.Yes : Ends.No;
        return ends;
    }

    internal readonly struct HolderList(Delivery delivery, int head)
    {
        public bool IsEmpty => head < 0;

        /// <summary>The one holder; null when there are none or several.</summary>
        public Interface? Single => head >= 0 && delivery.next[head] < 0 ? delivery.Table.All[head] : null;

        public Enumerator GetEnumerator() => new(delivery, head);

        internal struct Enumerator(Delivery delivery, int head)
        {
            private int at = -1;
            private bool started;

            public readonly Interface Current => delivery.Table.All[at];

            public bool MoveNext()
            {
                at = started ? delivery.next[at] : head;
                started = true;
                return at >= 0;
            }
        }
    }
}
