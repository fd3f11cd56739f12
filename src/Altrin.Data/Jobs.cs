using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Data;

/// <param name="ChangedAt">When either house was last changed.</param>
/// <param name="Summary">How both houses stood when that version was made; null where no build of these rules has computed it.</param>
public sealed record JobHead(string Id, string Name, DateTimeOffset CreatedAt, DateTimeOffset ChangedAt, int Version, JobSummary? Summary);

/// <summary>How both houses of a job stand, in numbers.</summary>
public sealed record JobSummary(HouseSummary Found, HouseSummary Planned);

public sealed record HouseSummary(int WantsHeld, int Wants, int Faults, int Cautions);

/// <summary>One house of a job at its present revision.</summary>
/// <param name="Document">The same instance for the same state, so that what is computed from it can be kept beside it.</param>
/// <param name="Undo">What undo would take back; null at the first revision.</param>
/// <param name="Redo">What redo would bring back; null where nothing was taken back.</param>
public sealed record HouseAt(int Number, NetworkDocument Document, string? Undo, string? Redo);

/// <param name="Plan">Every deed since the house as found, in order.</param>
/// <param name="Held">Those of them that cannot be done in the house as it was found to be.</param>
public sealed record Job(JobHead Head, HouseAt Found, HouseAt Planned, ImmutableArray<PlannedDeed> Plan, ImmutableArray<HeldAction> Held);

/// <summary>A deed of the plan.</summary>
/// <param name="Later">The installer knows that it cannot be done now and keeps it: it is done as soon as the house allows.</param>
public sealed record PlannedDeed(InstallerAction Action, bool Later = false);

/// <summary>What becomes of a planned deed that cannot be done any more.</summary>
public enum HeldAnswer { TakeOut, Keep }

/// <summary>One line of what was changed, when.</summary>
public sealed record LogEntry(Side Side, int Number, string Sentence, DateTimeOffset At, bool IsCurrent);

/// <summary>What the installer said about one step of the work order.</summary>
/// <param name="Revision">Goes up with every change; 0 is a step nobody has touched.</param>
/// <param name="Outcome"><c>open</c>, <c>as-said</c> or <c>something-else</c>.</param>
public sealed record Tick(string StepKey, int Revision, string Outcome, string Note, DateTimeOffset? StartedAt, DateTimeOffset? DoneAt);

/// <summary>How a change went.</summary>
public enum ChangeResult { Done, NoSuchJob, ChangedMeanwhile, NothingThere, Refused }

/// <param name="Refusal">Which deed could not be done and why; only with <see cref="ChangeResult.Refused"/>.</param>
/// <param name="After">The job as the change left it; null where this very change had been made before.</param>
public readonly record struct ChangeOutcome(ChangeResult Result, Attempt Refusal = default, Job? After = null)
{
    public static implicit operator ChangeOutcome(ChangeResult result) => new(result);
}

/// <summary>What a sender says with every change.</summary>
/// <param name="Seen">The version of the job that was looked at.</param>
/// <param name="Id">The change's own id: it is made once, however often it arrives. Null: each arrival is a change.</param>
public readonly record struct ChangeKey(int Seen, string? Id = null);

/// <summary>A job whose stored state this version cannot read. Nothing of it is lost: it can be taken out as it is stored, or set back.</summary>
public sealed class UnreadableJobException(string job, string why) : Exception(why)
{
    public string Job => job;
}
