using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Otherwise;
using Altrin.Core.WorkOrders.Steps;
using Altrin.Data;
using Altrin.UseCases;

namespace Altrin.Web.Api;

// What the pages are told: everything in them was computed by the core.

/// <param name="Found">Null, like <paramref name="Planned"/>, for a job that cannot be read.</param>
/// <param name="Unreadable">Why it cannot be read; null for one that can.</param>
public sealed record JobLine(
    string Id, string Name, DateTimeOffset CreatedAt, DateTimeOffset ChangedAt, int Version, HouseSummary? Found, HouseSummary? Planned,
        string? Unreadable);

/// <summary>A fix that was simulated: it removes its finding, adds no fault and breaks no want that held.</summary>
/// <param name="Deeds">Each action in words.</param>
public sealed record ProvenFix(string Say, ImmutableArray<InstallerAction> Actions, ImmutableArray<string> Deeds);

/// <param name="Theme">What its rule is about: <c>air</c>, <c>addresses</c>, <c>cabling</c> …</param>
public sealed record FindingView(
    string Key, string Rule, string Theme, Severity Severity, string Title, string Message, ImmutableArray<string> Subjects);

/// <summary>What mends the findings of a house. Asked for by itself: proving it takes longer than all the rest, and the verdict need not
/// wait for it.</summary>
/// <param name="Revision">Of which version of the job: one that was asked for before a change is not shown after it.</param>
/// <param name="Fixes">By the key of the finding, best first; empty where nothing mends it.</param>
/// <param name="LeftOut">The house is too big for every fix to be tried: where none stands there may be one.</param>
public sealed record FixesView(int Revision, ImmutableSortedDictionary<string, ImmutableArray<ProvenFix>> Fixes, bool LeftOut)
{
    public static FixesView Of(int revision, Evaluation house, CancellationToken cancel)
    {
        var proven = ImmutableSortedDictionary.CreateBuilder<string, ImmutableArray<ProvenFix>>(StringComparer.Ordinal);
        // Faults first, as they stand: where not every fix can be tried, theirs are. Whether any was left out is known afterwards.
        foreach (var finding in house.Findings)
            proven[finding.Key] = [.. house.ProvenFixes(finding, cancel).Select(fix => new ProvenFix(fix.Say, fix.Actions,
                HouseView.InWords(fix.Actions, house.State.House)))];
        return new(revision, proven.ToImmutable(), house.LeftFixesOut);
    }
}

/// <param name="Met">Null where this version cannot compute the kind.</param>
public sealed record WantView(string Need, Answer? Met, string Sentence, string Because);

/// <param name="Address">Null where there is none, and where nobody has seen the line's own.</param>
/// <param name="Says">The address as it is shown; null where there is none.</param>
public sealed record CandidateView(string? Address, string? Gateway, string? Server, string? Says);

/// <param name="IsAmiss">It has no address for certain, or one that its network does not know.</param>
public sealed record InterfaceView(
    string Owner, InterfaceKind Interface, string? Segment, LeaseOutcome Outcome, ImmutableArray<CandidateView> Candidates, bool IsAmiss);

/// <summary>The way of one thing to the internet.</summary>
public sealed record WayView(string From, Answer Reachable, int NatLayers, ImmutableArray<string> Hops);

/// <summary>The box whose Wi-Fi a thing has joined.</summary>
public sealed record JoinView(string Thing, string Box);

/// <summary>A box whose radio has joined another's network.</summary>
/// <param name="Joined">The box that makes it.</param>
public sealed record UplinkView(string Box, string Joined, string Ssid, string Band);

/// <summary>Who reaches whom, and why: a row a thing, a column a thing and the internet.</summary>
/// <param name="LeftOut">Things beyond the most that a grid is drawn for.</param>
public sealed record ReachGrid(ImmutableArray<string> Things, ImmutableArray<ReachExplained> Cells, int LeftOut)
{
    private const int Most = 60;

    public static ReachGrid Of(Evaluation evaluation, CancellationToken cancel)
    {
        var (facts, house) = (evaluation.Facts, evaluation.State.House);
        var ids = house.Endpoints.Take(Most).Select(thing => thing.Id).ToImmutableArray();
        var cells = ImmutableArray.CreateBuilder<ReachExplained>();
        foreach (var a in ids)
        {
            cancel.ThrowIfCancellationRequested();
            foreach (var b in ids.Append(Line.ProviderId))
                if (a != b) cells.Add(ReachExplained.Of(facts, a, b));
        }
        return new(ids, cells.ToImmutable(),
            house.Endpoints.Length - ids.Length);
    }
}

public sealed record HouseView(
    NetworkDocument Document, HouseSummary Verdict, ImmutableArray<WantView> Wants, ImmutableArray<FindingView> Findings,
    Stairs Stairs, ImmutableArray<InterfaceView> Interfaces, ImmutableArray<WayView> Internet, ImmutableArray<JoinView> Joined,
    ImmutableArray<UplinkView> Uplinks, ImmutableArray<BoxWords> Boxes, ImmutableArray<ThingWords> Things,
        ImmutableArray<JoinChoice> Joinable)
{
    public static HouseView Of(Evaluation house)
    {
        var (state, document) = (house.State, house.State.House);
        var stairs = Stairs.Of(state);
        return new(document, HouseSummary.Of(house),
            [.. house.Wants.Select(want => new WantView(want.Need, want.Met, want.Sentence, want.Because))],
            [.. house.Findings.Select(View)], stairs,
            [.. state.Interfaces.Select(one => View(state, one))],
            [.. document.Endpoints.Select(endpoint => state.Internet(endpoint.Id)).Select(way => new WayView(way.From, way.Reachable,
                way.NatLayers, way.Hops))],
            [.. document.Endpoints.Where(endpoint => state.JoinedBox(endpoint.Id) is not null).Select(endpoint => new JoinView(endpoint.Id,
                state.JoinedBox(endpoint.Id)!))],
            [.. document.Devices.Where(box => state.UplinkBox(box.Id) is not null).Select(box => Uplink(box, state.UplinkBox(box.Id)!))],
            HouseCards.Boxes(house, stairs), HouseCards.Things(house), HouseCards.Joinable(house));
    }

    private static UplinkView Uplink(Device box, string joined) => new(box.Id, joined, box.Uplink!.Ssid,
        Words<Band>.Of(box.Radios.First(radio => radio.Id == box.Uplink.Radio).Band));

    private static FindingView View(Finding finding) =>
        new(finding.Key, finding.Rule, RuleBook.ThemeOf(finding.Rule), finding.Severity, finding.Title, finding.Message, finding.Subjects);

    /// <summary>Each deed said about the house as it is when its turn comes.</summary>
    public static ImmutableArray<string> InWords(ImmutableArray<InstallerAction> actions, NetworkDocument house)
    {
        var said = ImmutableArray.CreateBuilder<string>(actions.Length);
        foreach (var action in actions)
        {
            said.Add(action.Say(house));
            house = action.Apply(house);
        }
        return said.MoveToImmutable();
    }

    private static InterfaceView View(NetworkState state, Interface one) =>
        new(one.Owner, one.Kind, one.Segment >= 0 ? state.Segments[one.Segment].Id : null, one.Outcome,
            [.. one.Candidates.Select(candidate => View(state.House, candidate))], state.IsAmiss(one));

    private static CandidateView View(NetworkDocument house, Candidate candidate) =>
        candidate.Address is { } own && LineWords.IsStandIn(house, own.Address) ? new(null, null, candidate.Server, LineWords.Say(house,
            own.Address))
            : new(candidate.Address?.ToString(), candidate.Gateway?.ToString(), candidate.Server, candidate.Address?.Address.ToString());
}

/// <param name="Version">To be sent along with every change, so that two tabs never overwrite each other.</param>
/// <param name="Found">Null where it is as the asker has it.</param>
/// <param name="Planned">Null where nothing is planned (see <see cref="PlanSoFar.IsAsFound"/>), or where it is as the asker has it.</param>
/// <param name="OfFound">What undo and redo do there.</param>
public sealed record JobView(string Id, int Version, string Name, HouseView? Found, HouseView? Planned, Takes OfFound, Takes OfPlanned,
    PlanSoFar Plan)
{
    /// <param name="had">The revisions of both houses that the asker has; null: none.</param>
    public static JobView Of(Job job, Numbers? had = null)
    {
        var plan = PlanSoFar.Of(job);
        var hasFound = had?.Found == job.Found.Number;
        var hasPlanned = hasFound && had?.Planned == job.Planned.Number;
        return new(job.Head.Id, job.Head.Version, job.Head.Name, hasFound ? null : View(job.Found), hasPlanned || plan.IsAsFound ? null
            : View(job.Planned), job.Found.Takes, job.Planned.Takes, plan);

        static HouseView View(HouseAt at) => HouseView.Of(at.House.Evaluation);
    }
}

/// <summary>What is planned.</summary>
/// <param name="Deeds">How many deeds the planned house is made by.</param>
/// <param name="Held">Those that cannot be done in the house as it was found to be, and so are in no verdict and in no order.</param>
/// <param name="IsAsFound">The planned house is the one as found.</param>
public sealed record PlanSoFar(int Deeds, ImmutableArray<HeldView> Held, bool IsAsFound)
{
    public static PlanSoFar Of(Job job) => new(job.Plan.Length - job.Held.Length,
        [.. job.Held.Select(one => new HeldView(one.Index, one.Action.Say(job.Planned.Document), one.Why.Message,
            job.Plan[one.Index].Later))],
        ReferenceEquals(job.Found.House, job.Planned.House));
}

/// <param name="Index">Its place in the plan.</param>
/// <param name="Later">It is kept until the house allows it.</param>
public sealed record HeldView(int Index, string Say, string Why, bool Later);

/// <param name="Seen">What the program's own eyes saw, a line a change with its time; empty where they did not look.</param>
public sealed record TickView(string StepKey, int Revision, string Outcome, string Note, DateTimeOffset? StartedAt, DateTimeOffset? DoneAt,
    string Seen);

/// <param name="Way"><c>keep</c> or <c>reset</c>: how this order treats boxes that get a new part to play.</param>
/// <param name="CutMinutes">While somebody who had internet has none.</param>
/// <param name="OtherWay">What the other way comes to; null where there is none.</param>
/// <param name="Turns">Where something else was seen: the order goes on from the house of the last.</param>
/// <param name="Otherwise">What else can be seen at each step, by its key.</param>
public sealed record WorkOrderView(WorkOrder Order, bool IsProven, ImmutableArray<TickView> Ticks, string Way, int CutMinutes,
    OtherWayView? OtherWay,
    Hands With, ImmutableArray<TurnView> Turns, ImmutableDictionary<string, ImmutableArray<SeenInstead>> Otherwise);

/// <summary>Something else was seen, what it was taken to mean, and what had been done by then.</summary>
public sealed record TurnView(int Number, string StepTitle, string Seen, string Sentence, DateTimeOffset At, ImmutableArray<DoneStep> Done);

/// <param name="IsByHand">Mended on the spot: the order goes on as it is.</param>
/// <param name="Next">The order from there; null where it goes on as it is.</param>
/// <param name="Forbids">The mode the box turned out not to have: the plan has to do without it.</param>
public sealed record MeaningView(string Key, string Sentence, string Then, bool IsByHand, NextOrder? Next, ForbiddenMode? Forbids);

/// <param name="First">The title of its first step.</param>
public sealed record NextOrder(int Steps, int Minutes, int CutMinutes, bool IsProven, string? First);

public sealed record ForbiddenMode(string Device, DeviceMode Mode);

/// <summary>A step played on the house.</summary>
/// <param name="House">As it is when the step is done, the laptop in it.</param>
/// <param name="Offline">Who has no internet then, though he had it in the house as found.</param>
/// <param name="WhyNotSooner">What would break if it were done sooner; null for a step that changes nothing.</param>
public sealed record RehearsalView(string Step, HouseView House, ImmutableArray<string> Offline, string? WhyNotSooner);

public sealed record OtherWayView(string Way, int Minutes, int CutMinutes, int Steps, bool IsProven);

public sealed record LogView(string Side, int Number, string Sentence, DateTimeOffset At, bool IsCurrent);
