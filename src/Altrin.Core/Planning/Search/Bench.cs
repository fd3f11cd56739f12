using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Planning.Filling;
using Altrin.Core.Planning.Space;
using Altrin.Core.Rules;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning.Search;

/// <summary>Fills structures in, simulates them and says what they come to; counts what it did.</summary>
internal sealed class Bench
{
    /// <summary>Rules whose cures change who is on the air, or who joins whom.</summary>
    private static readonly HashSet<string> OfTheAir = ["gateway-wifi-left-on", "one-name-two-keys", "several-wifi-names", "satellites-in-row", "uplink-not-joined", "wds-channel", "wds-unsupported",
        "bridge-serves-wired-only", "cable-beside-radio", "guests-not-apart", "wisp-where-repeater", "loop", "weak-wifi-security", "own-channels-overlap",
        "channel-unlawful", "radar-under-bridge", "channel-between", "wide-among-neighbours", "backhaul-on-old-band", "two-sources-one-room", "hears-another-better"];

    /// <summary>Rules whose cure is the plan of channels: longer to be worked out than a house to be judged, and nearly always there.</summary>
    private static readonly HashSet<string> OfChannels = ["own-channels-overlap", "channel-unlawful", "radar-under-bridge", "channel-between"];

    /// <summary>Whether something in the space of plans may take it away. A box in use is carried nowhere: in which room it stands is no matter of a plan.</summary>
    public static bool MayCure(Finding finding) => !OfPlaces.Contains(finding.Rule) && (OfChannels.Contains(finding.Rule) || finding.Fixes.Length > 0);

    private static readonly HashSet<string> OfPlaces = ["joined-too-weak", "beside-its-parent"];

    private readonly Dictionary<string, Leaf?> known = new(StringComparer.Ordinal);
    private readonly CancellationToken cancel;

    public Bench(Ground ground, CancellationToken cancel)
    {
        (Ground, this.cancel) = (ground, cancel);
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
        return known[structure.Key] = Make(structure);
    }

    public Leaf Judge(Structure structure, NetworkDocument house)
    {
        cancel.ThrowIfCancellationRequested();
        Searched++;
        return Judge(structure, house, Evaluation.Of(house));
    }

    private Leaf? Make(Structure structure)
    {
        if (Fill.Of(Ground, structure) is not { } house) return null;
        return Limits.WhyNotBuilt(house) is null ? Judge(structure, house) : null;
    }

    private Leaf Judge(Structure structure, NetworkDocument house, Evaluation after)
    {
        var rank = PlanRank.Rough(Ground, after);
        return new(Ground, structure, house, rank, Hoped(rank, after), Limits.WhyNot(after), [.. after.Wants.Select(want => want.Met == Answer.Yes)]);
    }

    /// <summary>Every finding that has a cure is taken as cured, and with it every want that fails at what such a finding is about.</summary>
    private PlanRank Hoped(PlanRank rank, Evaluation after)
    {
        var cures = after.Findings.Where(MayCure).ToList();
        var (faults, cautions) = (cures.Count(PlanLimits.IsFault), cures.Count(finding => finding.Severity == Severity.Caution));
        var house = after.State.House;
        var (failing, nice) = (0, 0);
        for (var i = 0; i < after.Wants.Length; i++)
        {
            if (after.Wants[i].Met == Answer.Yes || MayBeCured(house.Needs[i], cures, after)) continue;
            if (house.Needs[i].Nice == true) nice++;
            else failing++;
        }
        return rank with { Faults = rank.Faults - faults, Cautions = rank.Cautions - cautions, Failing = failing, NiceFailing = nice, WorstRoom = cures.Exists(finding => OfTheAir.Contains(finding.Rule)) ? -99 : rank.WorstRoom };
    }

    private static bool MayBeCured(Need need, List<Finding> cures, Evaluation after)
    {
        bool Concerns(string? thing) => thing is not null && (cures.Exists(finding => finding.Subjects.Contains(thing))
            || after.State.Net(thing) is { Segment: >= 0 } net && cures.Exists(finding => PlanLimits.IsFault(finding) && finding.Subjects.Any(subject => after.State.InsideOf(subject) == net.Segment)));
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
