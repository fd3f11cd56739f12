using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Rules;

/// <summary>A house simulated, every rule run over it, every want judged.</summary>
public sealed class Evaluation
{
    /// <summary>Proving a fix costs a simulation. Past this many interfaces times fixes no more are proved, and none is offered:
    /// any house is answered in bounded time.</summary>
    private const long MostProofWork = 200_000;

    private readonly Dictionary<string, ImmutableArray<Fix>> proven = [];
    private long proofWork;

    private Evaluation(NetworkDocument house)
    {
        State = Simulator.Run(house);
        Facts = new(State);
        Findings = [.. RuleBook.All.SelectMany(rule => rule.Check(Facts)).OrderBy(finding => finding.Severity)];
        Wants = [.. house.Needs.Select(need => NeedBook.Judge(Facts, need))];
    }

    public NetworkState State { get; }
    public Facts Facts { get; }

    /// <summary>Faults first, then by rule.</summary>
    public ImmutableArray<Finding> Findings { get; }

    public ImmutableArray<NeedVerdict> Wants { get; }

    public int Faults => Findings.Count(finding => finding.Severity == Severity.Fault);
    public int Cautions => Findings.Length - Faults;
    public int WantsHeld => Wants.Count(want => want.Met == Answer.Yes);

    public static Evaluation Of(NetworkDocument house) => new(house);

    /// <summary>The fixes of a finding that, simulated, remove it, add no fault and break no want that held.</summary>
    public ImmutableArray<Fix> ProvenFixes(Finding finding)
    {
        if (proven.TryGetValue(finding.Key, out var known)) return known;
        // A step for each finding looked at, so that a thousand findings do not each propose what is then not proved.
        if (proofWork > MostProofWork) return [];
        proofWork += (long)State.Interfaces.Length * Math.Max(1, finding.Fixes.Length);
        if (proofWork > MostProofWork) return [];
        return proven[finding.Key] = [.. finding.Fixes.Where(fix => Proves(finding, fix))];
    }

    private bool Proves(Finding finding, Fix fix)
    {
        var house = State.House;
        foreach (var action in fix.Actions)
        {
            if (action.Problem(house) is not null) return false;
            house = action.Apply(house);
        }
        var after = Of(house);
        return !after.Findings.Any(other => other.Key == finding.Key) && AddsNoFault(after) && BreaksNoWant(after);
    }

    /// <summary>Whether fixes were left unproved because the house is too big for it.</summary>
    public bool LeftFixesOut => proofWork > MostProofWork;

    public bool AddsNoFault(Evaluation after)
    {
        var before = Findings.Where(finding => finding.Severity == Severity.Fault).Select(finding => finding.Key).ToHashSet();
        return after.Findings.All(finding => finding.Severity != Severity.Fault || before.Contains(finding.Key));
    }

    public bool BreaksNoWant(Evaluation after)
    {
        var now = after.Wants.ToDictionary(want => want.Need, want => want.Met, StringComparer.Ordinal);
        return Wants.All(want => want.Met != Answer.Yes || (now.TryGetValue(want.Need, out var met) && met == Answer.Yes));
    }
}
