namespace Altrin.Data;

/// <summary>A job as it is stored, without its houses.</summary>
/// <param name="ChangedAt">When either house was last changed.</param>
/// <param name="Version">Goes up with every change of either house.</param>
/// <param name="Summary">What was computed of that version, as it was handed in; null where nothing was.</param>
/// <param name="SummaryBy">By which build of the rules.</param>
public sealed record StoredJob(string Id, string Name, DateTimeOffset CreatedAt, DateTimeOffset ChangedAt, int Version, int FoundNumber,
    int PlannedNumber, string? Summary, string? SummaryBy)
{
    /// <summary>The revision at which that side stands.</summary>
    public int Number(Side side) => side == Side.Found ? FoundNumber : PlannedNumber;
}

/// <summary>One revision of one side. It never changes once written.</summary>
/// <param name="Actions">What was done to the state before it, as JSON.</param>
/// <param name="Snapshot">The whole state after it, as JSON; null where it is to be told by the actions.</param>
public sealed record StoredRevision(Side Side, int Number, string Actions, string? Snapshot, string Sentence);

/// <summary>The revisions of both sides at one version of a job.</summary>
public readonly record struct Numbers(int Found, int Planned);

/// <summary>What undo would take back on one side and redo would bring back; null where there is nothing.</summary>
public sealed record Takes(string? Undo, string? Redo);

/// <summary>One line of what was changed, when.</summary>
public sealed record LogEntry(Side Side, int Number, string Sentence, DateTimeOffset At, bool IsCurrent);

/// <summary>What the installer said about one step of the work order.</summary>
/// <param name="Revision">Goes up with every change; 0 is a step nobody has touched.</param>
/// <param name="Outcome"><c>open</c>, <c>as-said</c> or <c>something-else</c>.</param>
/// <param name="Seen">What the program's own eyes saw, a line a change with its time; empty where they did not look.</param>
public sealed record Tick(string StepKey, int Revision, string Outcome, string Note, DateTimeOffset? StartedAt, DateTimeOffset? DoneAt,
    string Seen = "");

/// <summary>How a change went.</summary>
public enum ChangeResult { Done, NoSuchJob, ChangedMeanwhile, NothingThere, Refused }

/// <summary>A job whose stored state this version cannot read. Nothing of it is lost: it can be taken out as it is stored, or set
/// back.</summary>
public sealed class UnreadableJobException(string job, string why) : Exception(why)
{
    public string Job => job;
}
