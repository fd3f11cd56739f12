using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Planning.Filling;
using Altrin.Core.Planning.Ranking;
using Altrin.Core.Planning.Space;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning.Search;

/// <summary>Fills structures in, simulates them and says what they come to; counts what it did.</summary>
internal sealed class Bench
{
    /// <summary>Whether something in the space of plans may take it away. A box in use is carried nowhere: in which room it stands is no
    /// matter of a plan.</summary>
    public static bool MayCure(Finding finding) =>
        !finding.Is(RuleTraits.CuredByPlace) && (IsOfChannels(finding) || finding.Fixes.Length > 0);

    public static bool IsOfChannels(Finding finding) => finding.Is(RuleTraits.CuredByChannels);

    private readonly Dictionary<string, Leaf?> known = new(StringComparer.Ordinal);
    private readonly CancellationToken cancel;
    private readonly ImmutableArray<int> left;

    private readonly Bound? bound;

    /// <param name="bound">What the air of a structure can be brought to at best; null: anything is hoped for.</param>
    public Bench(Ground ground, CancellationToken cancel, Bound? bound = null)
    {
        (Ground, this.cancel, this.bound) = (ground, cancel, bound);
        left = [.. Enumerable.Range(0, ground.Found.Devices.Length).Where(i => ground.Found.Devices[i].LeaveAsFound == true)];
        Before = Evaluation.Of(ground.Found);
        Limits = new(ground, Before);
        AsItIs = Judge(ground.AsFound, ground.Found, Before);
    }

    public Ground Ground { get; }
    public Evaluation Before { get; }
    public PlanLimits Limits { get; }

    /// <summary>The house with nothing done.</summary>
    public Leaf AsItIs { get; }

    /// <summary>Houses that were simulated whole.</summary>
    public int Searched { get; private set; }

    public IEnumerable<Leaf> Leaves => known.Values.OfType<Leaf>();

    /// <returns>Null where the structure cannot be built.</returns>
    public Leaf? Try(Structure structure)
    {
        if (known.TryGetValue(structure.Key, out var leaf)) return leaf;
        cancel.ThrowIfCancellationRequested();
        return Fill(structure) is { } house ? Try(structure, house) : known[structure.Key] = null;
    }

    private Pins Pins => Ground.Pins;

    /// <summary>Whether it is as was settled beforehand.</summary>
    public bool IsPinned(Structure structure)
    {
        for (var i = 0; !Pins.All.IsEmpty && i < structure.Boxes.Length; i++)
            if (!Pins.Allow(Ground.Found, Ground.Found.Devices[i].Id, structure.Boxes[i])) return false;
        return true;
    }

    /// <summary>The same with its names.</summary>
    public bool IsPinned(Leaf leaf) => IsPinned(leaf.Structure) && Pins.AllowNames(leaf.House, leaf.Structure);

    /// <summary>The same of a house: a cure may make another structure of it.</summary>
    public bool IsPinned(NetworkDocument house) =>
        Pins.All.IsEmpty || (new Ground(house).AsFound is var now && IsPinned(now) && Pins.AllowNames(house, now));

    /// <summary>Whether the structure was looked at already.</summary>
    /// <param name="leaf">What came of it; null where it cannot be built.</param>
    public bool Known(Structure structure, out Leaf? leaf) => known.TryGetValue(structure.Key, out leaf);

    public void ThrowIfCancelled() => cancel.ThrowIfCancellationRequested();

    /// <summary>Filled in, and nothing more; null where it cannot be built.</summary>
    public NetworkDocument? Fill(Structure structure)
    {
        ThrowIfCancelled();
        return Filling.Fill.Of(Ground, structure) is { } house && Limits.WhyNotBuilt(house) is null ? house : null;
    }

    /// <summary>Of a structure that is filled in.</summary>
    public Leaf Try(Structure structure, NetworkDocument house)
    {
        var leaf = Judge(structure, house);
        known[structure.Key] = leaf;
        return leaf;
    }

    public Leaf Judge(Structure structure, NetworkDocument house)
    {
        cancel.ThrowIfCancellationRequested();
        Searched++;
        return Judge(structure, house, Evaluation.Of(house));
    }

    /// <summary>The same structure in another house, where that one comes before; null where it does not. What tells soonest is looked at
    /// first: more than half of
    /// all tries fail.</summary>
    public (Leaf Leaf, Evaluation After)? Better(Leaf than, NetworkDocument house)
    {
        cancel.ThrowIfCancellationRequested();
        Searched++;
        var after = Evaluation.Of(house);
        var whyNot = Limits.WhyNot(after);
        if (whyNot is not null && than.IsAllowed) return null;
        var isAlike = whyNot is null == than.IsAllowed;
        if (isAlike && after.Findings.Count(PlanLimits.IsFault) > than.Rough.Faults) return null;
        var rank = PlanRank.Rough(Ground, after);
        // Settings and minutes are counted where nothing else decides.
        if (isAlike && (rank > than.Rough || (rank == than.Rough && rank.Counted(Ground.Found, house) >= than.Rank))) return null;
        return (LeafOf(than.Structure, house, after, rank, whyNot), after);
    }

    private Leaf Judge(Structure structure, NetworkDocument house, Evaluation after) =>
        LeafOf(structure, house, after, PlanRank.Rough(Ground, after), Limits.WhyNot(after));

    private Leaf LeafOf(Structure structure, NetworkDocument house, Evaluation after, PlanRank rank, string? whyNot) =>
        new(Ground, structure, house, rank,
            Hoped(rank, after, Math.Min(rank.WorstRoom, bound?.AtBest(structure, structure.Boxes.Length).WorstRoom ?? -99)), whyNot,
            [.. after.Wants.Select(want => want.Met == Answer.Yes)]);

    /// <summary>Every finding that has a cure is taken as cured, and with it every want that fails at what such a finding is
    /// about.</summary>
    private PlanRank Hoped(PlanRank rank, Evaluation after, int bestRoom)
    {
        var all = after.Findings.Where(finding => MayCure(finding) && IsFree(finding, after.State.House)).ToList();
        var cures = all.Where(finding => !finding.Is(RuleTraits.OfStructure)).ToList();
        var isAirCured = cures.Exists(finding => finding.Is(RuleTraits.OfTheAir));
        // What is said of the air and has no cure of its own, or none that may be done, may go with another's: a box that gives no room
        // more may, once the one beside it is silent.
        if (isAirCured) cures.AddRange(after.Findings.Where(finding => !all.Contains(finding)
            && RuleBook.ThemeOf(finding.Rule) is "air" or "wireless"));
        var (faults, cautions) = (cures.Count(PlanLimits.IsFault), cures.Count(finding => finding.Severity == Severity.Caution));
        var house = after.State.House;
        var (failing, nice) = (0, 0);
        for (var i = 0; i < after.Wants.Length; i++)
        {
            if (after.Wants[i].Met == Answer.Yes || MayBeCured(house.Needs[i], all, after)) continue;
            if (house.Needs[i].Nice == true) nice++;
            else failing++;
        }
        return rank with
        {
            Faults = rank.Faults - faults,
            Cautions = rank.Cautions - cautions,
            Failing = failing,
            NiceFailing = nice,
            WorstRoom = isAirCured || ChannelsApart.Crowded(after.State).Any() ? bestRoom : rank.WorstRoom
        };
    }

    /// <summary>Whether a cure of it touches no box that is to be left as it is.</summary>
    private bool IsFree(Finding finding, NetworkDocument house)
    {
        if (left.Length == 0 || IsOfChannels(finding)) return true;
        return finding.Fixes.Any(fix => fix.Actions.Aggregate(house, (now, action) => action.Apply(now)) is var after
            && left.All(i => i < after.Devices.Length && ReferenceEquals(after.Devices[i], house.Devices[i])));
    }

    private static bool MayBeCured(Need need, List<Finding> cures, Evaluation after)
    {
        // What joins by radio may join elsewhere, and what has an address typed in may ask for one.
        bool Concerns(string? thing) =>
            thing is not null
            && (after.State.House.FindEndpoint(thing) is { Connect: Attachment.Join } or { Address.Method: EndpointMethod.Static }
            || cures.Exists(finding => finding.Subjects.Contains(thing))
            || after.State.Net(thing) is { Segment: >= 0 } net
                && cures.Exists(finding => PlanLimits.IsFault(finding)
                && finding.Subjects.Any(subject => after.State.InsideOf(subject) == net.Segment)));
        return need switch
        {
            Need.Internet one => Concerns(one.Endpoint),
            Need.Reach one => Concerns(one.From) || Concerns(one.To),
            Need.Inbound one => !after.State.IsLineShared && Concerns(one.Endpoint),
            Need.Sockets => false,
            _ => true,
        };
    }
}
