using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Air;
using Altrin.Core.Network;
using Altrin.Core.Simulation;
using Altrin.Core.Rules.Needs;

namespace Altrin.Core.Rules.Judging;

/// <summary>A house and what can be asked of it: its state, its findings, its wants, its proven fixes. Each is computed when it is first asked
/// for, once, whoever asks; a state alone runs no rule.</summary>
public sealed class Evaluation
{
    /// <summary>Proving a fix costs a simulation. Past this many interfaces times fixes no more are proved, and none is offered:
    /// any house is answered in bounded time.</summary>
    private const long MostProofWork = 200_000;

    private readonly Lazy<Facts> facts;
    private readonly Lazy<ImmutableArray<Finding>> findings;
    private readonly Lazy<ImmutableArray<NeedVerdict>> wants;
    private readonly Lazy<HashSet<string>> faultKeys;
    private readonly Dictionary<string, ImmutableArray<Fix>> proven = new(StringComparer.Ordinal);
    private readonly Lock proving = new();
    private long proofWork;
    private bool leftOut;

    private Evaluation(NetworkDocument house)
    {
        State = Simulator.Run(house);
        facts = new(() => new(State));
        findings = new(() => [.. RuleBook.All.SelectMany(rule => rule.Check(Facts)).OrderBy(finding => finding.Severity)]);
        wants = new(() => [.. house.Needs.Select(need => NeedBook.Judge(Facts, need))]);
        faultKeys = new(() => Findings.Where(finding => finding.Severity == Severity.Fault).Select(finding => finding.Key).ToHashSet(StringComparer.Ordinal));
    }

    public NetworkState State { get; }
    public Facts Facts => facts.Value;

    /// <summary>Faults first, then by rule.</summary>
    public ImmutableArray<Finding> Findings => findings.Value;

    public ImmutableArray<NeedVerdict> Wants => wants.Value;

    public int Faults => Findings.Count(finding => finding.Severity == Severity.Fault);
    public int Cautions => Findings.Length - Faults;
    public int WantsHeld => Wants.Count(want => want.Met == Answer.Yes);

    public static Evaluation Of(NetworkDocument house) => new(house);

    /// <summary>The fixes of a finding that, simulated, remove it, add no fault, break no want that held leave alone what is to be left
    /// as found, and leave no room without Wi-Fi that has some.</summary>
    public ImmutableArray<Fix> ProvenFixes(Finding finding, CancellationToken cancel = default)
    {
        // One proof at a time: what two ask for at once is proved once, and the budget holds.
        lock (proving)
        {
            if (proven.TryGetValue(finding.Key, out var known)) return known;
            // A step for each finding looked at, so that a thousand findings do not each propose what is then not proved.
            var work = leftOut ? 0 : (long)State.Interfaces.Length * Math.Max(1, finding.Fixes.Length);
            if (leftOut || proofWork + work > MostProofWork)
            {
                leftOut = true;
                return [];
            }
            proofWork += work;
            var good = ImmutableArray.CreateBuilder<Fix>();
            foreach (var fix in finding.Fixes)
            {
                cancel.ThrowIfCancellationRequested();
                if (Proves(finding, fix)) good.Add(fix);
            }
            return proven[finding.Key] = good.ToImmutable();
        }
    }

    private bool Proves(Finding finding, Fix fix) => After(fix.Actions) is { } after && !after.Findings.Any(other => other.Key == finding.Key) && IsNoWorse(after);

    /// <summary>Whether a proposal that cures no finding may be offered: its deeds can be done, and simulated they add no fault, break no want that held and leave no room without Wi-Fi.</summary>
    public bool Holds(ImmutableArray<InstallerAction> actions) => After(actions) is { } after && IsNoWorse(after);

    private bool IsNoWorse(Evaluation after) => AddsNoFault(after) && BreaksNoWant(after) && Coverage.Lost(State.AirMap, after.State.AirMap, State.House).IsEmpty;

    /// <summary>The house after the deeds; null where one of them cannot be done, or sets a box that is to be left alone.</summary>
    private Evaluation? After(ImmutableArray<InstallerAction> actions)
    {
        var house = State.House;
        foreach (var action in actions)
        {
            if (action.Problem(house) is not null || IsLeftAlone(house, action)) return null;
            house = action.Apply(house);
        }
        return Of(house);
    }

    /// <summary>What the provider or the owner wants left as it is nobody sets; its sockets may be used.</summary>
    private static bool IsLeftAlone(NetworkDocument house, InstallerAction action) =>
        action is BoxSetting setting && house.FindDevice(setting.Device) is { LeaveAsFound: true } && !action.IsRecord(house);

    /// <summary>Whether fixes were left unproved because the house is too big for it. Known when the fixes have been asked for.</summary>
    public bool LeftFixesOut
    {
        get
        {
            lock (proving) return leftOut;
        }
    }

    public bool AddsNoFault(Evaluation after) =>
        after.Findings.All(finding => finding.Severity != Severity.Fault || faultKeys.Value.Contains(finding.Key));

    public bool BreaksNoWant(Evaluation after)
    {
        var now = after.Wants.ToDictionary(want => want.Need, want => want.Met, StringComparer.Ordinal);
        return Wants.All(want => want.Met != Answer.Yes || (now.TryGetValue(want.Need, out var met) && met == Answer.Yes));
    }
}
