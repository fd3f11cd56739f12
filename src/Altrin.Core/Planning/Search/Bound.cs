using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Planning.Space;
using Altrin.Core.Planning.Ranking;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning.Search;

/// <summary>What a structure comes to at best, before anything is filled in: also of one in which only the first boxes are settled.</summary>
internal sealed class Bound
{
    private readonly Ground ground;
    private readonly UseCosts costs;
    private readonly Lanes lanes;

    /// <summary>Of a box that is not settled yet: it may be used as suits best, for each room anew.</summary>
    private readonly ImmutableArray<Open> open;

    private readonly List<(int[] Rooms, double Mbps, bool IsNice)> speeds = [];
    private readonly (int Must, int Nice) never;
    private readonly int translations;

    public Bound(Ground ground, Choices choices)
    {
        (this.ground, costs, lanes) = (ground, new(ground), new(ground));
        var house = ground.Found;
        open = [.. choices.Of.Select((list, i) => new Open([.. list.Select(use => costs[i, use])], house.Rooms.Length))];
        // A carrier's comes before the home's own, for whoever has internet and keeps it.
        translations = ground.State.IsLineShared && house.Endpoints.Any(thing => ground.State.Internet(thing.Id) is { Reachable: Answer.Yes, NatLayers: > 1 }) ? 1 : 0;
        foreach (var need in house.Needs)
        {
            if (need is Need.Speed { Endpoint: null, Room: { } word } speed && Rooms.Find(house, word) is { } one) speeds.Add(([house.Rooms.IndexOf(one)], speed.Mbps, need.Nice == true));
            if (need is Need.Coverage cover && house.Rooms.Length > 0)
                speeds.Add(([.. (cover.Rooms.IsEmpty ? house.Rooms.Where(room => room.Outdoor != true) : cover.Rooms.Select(name => Rooms.Find(house, name)).OfType<Room>()).Select(room => house.Rooms.IndexOf(room))], cover.Mbps, need.Nice == true));
            // Nobody comes in through a carrier's translation.
            if (need is Need.Inbound && ground.State.IsLineShared) never = need.Nice == true ? (never.Must, never.Nice + 1) : (never.Must + 1, never.Nice);
        }
    }

    /// <summary>No plan of the structure ranks before this, whatever is made of the boxes after the settled ones.</summary>
    /// <param name="settled">The last that is settled, in document order; the one at the line always is.</param>
    public PlanRank AtBest(Structure structure, int settled)
    {
        // At all, and without another caution or radio join: a want that holds weighs more than either.
        Span<double> any = stackalloc double[ground.Found.Rooms.Length], rates = stackalloc double[ground.Found.Rooms.Length], laid = stackalloc double[ground.Found.Rooms.Length];
        rates.Clear();
        var (unserved, cut) = (0, 0);
        var (cautions, hops, buys, lays, idle, settings, seconds) = (0, 0, 0, 0, 0, 0, 0.0);
        var (senders, alone) = (0, (UseCost?)null);
        for (var i = 0; i < structure.Boxes.Length; i++)
        {
            if (i > settled && i != ground.Root) continue;
            var cost = costs[i, structure.Boxes[i]];
            Hear(rates, cost.Mbps);
            if (cost.Sends) (senders, alone) = (senders + 1, cost);
            if (structure.Boxes[i].IsUsed) cut += ProviderBox.SecondsByMode(ground, i, structure.Boxes[i].Mode);
            if (BoxRole.Is(ground, i) && !BoxRole.MayServe(ground, i, structure.Boxes[i])) unserved++;
            (cautions, settings, seconds) = (cautions + cost.Cautions, settings + cost.Settings, seconds + cost.Seconds);
            if (!structure.Boxes[i].IsUsed) continue;
            var (radios, routers) = Above(structure, i, settled);
            (hops, lays) = (Math.Max(hops, Math.Max(radios, cost.Hops)), Math.Max(lays, cost.Lays));
            // Whoever routes behind a router is said to translate twice, whether anything hangs there or not.
            if (structure.Boxes[i].Routes && routers > 1 && ground.Found.Devices[i] is { LeaveAsFound: not true, KeptApart: not true })
            {
                cautions++;
                idle++;
            }
            if (NeedsLaying(structure, i, settled)) buys++;
        }
        // What would bring a caution more, or a radio join where there is none, ranks after what does not, whatever it gives.
        for (var i = settled + 1; i < structure.Boxes.Length; i++)
        {
            if (i == ground.Root) continue;
            cautions += open[i].Cautions;
            if (!open[i].MayDoWithout) hops = Math.Max(hops, 1);
        }
        rates.CopyTo(any);
        rates.CopyTo(laid);
        for (var i = settled + 1; i < structure.Boxes.Length; i++)
        {
            if (i == ground.Root) continue;
            Hear(any, open[i].AnyMbps);
            Hear(rates, hops > 0 ? open[i].Mbps : open[i].WiredMbps);
            Hear(laid, open[i].LaidMbps);
        }
        // One that sends alone may be set wider than beside others.
        var aloneRow = senders > 1 ? 0 : alone is not null ? Row(alone.AloneMbps.AsSpan()) : BestAlone(settled);
        if (senders <= 1) HearAlone(any, alone, settled);
        var (failing, nice) = never;
        foreach (var want in speeds)
        {
            var isMet = want.Rooms.Length > 0;
            foreach (var room in want.Rooms) isMet &= Math.Round(any[room], 1, MidpointRounding.AwayFromZero) >= want.Mbps;
            if (isMet) continue;
            if (want.IsNice) nice++;
            else failing++;
        }
        var row = Math.Min(Row(rates), aloneRow);
        // By cable alone, and as well as that only over a run that is not laid yet.
        if (hops == 0 && (lays > 0 || (Row(laid) > row && aloneRow > row))) buys = Math.Max(buys, 1);
        return new(0, unserved, failing, nice, cautions, translations, hops, row, buys, IsProviderChanged(structure) ? 1 : 0, cut / 60 / 5, 0, idle, settings, (int)Math.Ceiling(seconds / 60));
    }

    /// <summary>Whether the provider's own box at the line is handed on otherwise: the structure alone says so.</summary>
    private bool IsProviderChanged(Structure structure) => ground.Root >= 0 && ProviderBox.Is(ground.Found, ground.Found.Devices[ground.Root])
        && structure.Boxes[ground.Root].Mode != ground.AsFound.Boxes[ground.Root].Mode;

    private int BestAlone(int settled)
    {
        var best = 0;
        for (var i = settled + 1; i < open.Length; i++)
            if (i != ground.Root) best = Math.Min(best, open[i].AloneRow);
        return best;
    }

    private void HearAlone(Span<double> any, UseCost? alone, int settled)
    {
        if (alone is not null) Hear(any, alone.AloneMbps);
        for (var i = settled + 1; alone is null && i < open.Length; i++)
            if (i != ground.Root) Hear(any, open[i].AloneMbps);
    }

    private static int Row(ReadOnlySpan<double> rates)
    {
        if (rates.Length == 0) return 0;
        var worst = double.PositiveInfinity;
        foreach (var rate in rates) worst = Math.Min(worst, rate);
        return PlanRank.Row(worst);
    }

    private static void Hear(Span<double> rates, ImmutableArray<double> mbps)
    {
        for (var room = 0; room < rates.Length; room++) rates[room] = Math.Max(rates[room], mbps[room]);
    }

    /// <summary>Radio joins and routers on the way up, as far as it is settled; the box itself counts.</summary>
    private (int Radios, int Routers) Above(Structure structure, int box, int settled)
    {
        var (radios, routers) = (0, 0);
        for (int at = box, steps = 0; at >= 0 && steps <= structure.Boxes.Length && (at <= settled || at == ground.Root); at = structure.Boxes[at].Parent, steps++)
        {
            if (structure.Boxes[at].Joined == Joined.ByRadio) radios++;
            if (structure.Boxes[at].Routes && ground.Found.Devices[at] is { LeaveAsFound: not true } or { Nat: true }) routers++;
        }
        return (radios, routers);
    }

    /// <summary>Whether its cable is one more than there is a way for as it is.</summary>
    private bool NeedsLaying(Structure structure, int box, int settled)
    {
        if (lanes.Of(structure, box, settled) is not { } lane) return false;
        var (ways, unlaid) = lanes.WaysOf(lane);
        return unlaid > 0 && lanes.Count(structure, lane, settled, box) >= ways - unlaid;
    }

    /// <summary>The uses of a box taken together.</summary>
    private sealed class Open
    {
        public Open(ImmutableArray<UseCost> uses, int rooms)
        {
            Cautions = uses.Select(one => one.Cautions).DefaultIfEmpty().Min();
            var least = uses.Where(one => one.Cautions == Cautions).ToList();
            var wired = least.Where(one => one.Hops == 0).ToList();
            MayDoWithout = wired.Count > 0 || least.Count == 0;
            (AnyMbps, Mbps, WiredMbps, LaidMbps) = (Most(uses), Most(least), Most(wired), Most([.. wired.Where(one => one.Lays == 0)]));

            AloneMbps = [.. Enumerable.Range(0, rooms).Select(room => uses.Select(one => one.AloneMbps[room]).DefaultIfEmpty().Max())];
            AloneRow = uses.Select(one => Row(one.AloneMbps.AsSpan())).DefaultIfEmpty().Min();

            ImmutableArray<double> Most(IReadOnlyList<UseCost> among) => [.. Enumerable.Range(0, rooms).Select(room => among.Select(one => one.Mbps[room]).DefaultIfEmpty().Max())];
        }

        /// <summary>That every use of it brings.</summary>
        public int Cautions { get; }

        /// <summary>Without joining by radio.</summary>
        public bool MayDoWithout { get; }

        /// <summary>The most that any use of it gives in each room where nobody else sends, and the best worst room of one.</summary>
        public ImmutableArray<double> AloneMbps { get; }

        public int AloneRow { get; }

        /// <summary>The most that any use of it gives in each room.</summary>
        public ImmutableArray<double> AnyMbps { get; }

        /// <summary>Of those uses that bring no more cautions.</summary>
        public ImmutableArray<double> Mbps { get; }

        /// <summary>Of those that join by no radio either.</summary>
        public ImmutableArray<double> WiredMbps { get; }

        /// <summary>And for which nothing has to be laid.</summary>
        public ImmutableArray<double> LaidMbps { get; }
    }
}
